package stillglass.ticket.joints;

import java.time.Instant;
import stillglass.ticket.facts.Fact;

/// A fact as it stands on record.
/// @param seq number of the row that noted it, its identity for ever
/// @param at when it was noted
public record Occurrence(long seq, Instant at, Fact fact) {}
