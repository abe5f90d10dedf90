package stillglass.ticket.joints;

import java.util.Optional;

/// A function that was tried.
/// @param seq number of its row
/// @param joint after whose closing it is tried; empty for a function that hangs on none
/// @param what how it failed
public record Trial(long seq, Optional<String> joint, String function, boolean passed, String what) {}
