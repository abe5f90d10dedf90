package stillglass.ticket.joints;

import java.util.Optional;
import stillglass.ticket.facts.Fact;

/// Something stated while closing.
/// @param seq number of its row
/// @param answers the occurrence it was held against
public record Statement(long seq, Fact fact, boolean matches, Optional<Long> answers) {}
