package stillglass.ticket.story;

import stillglass.say.Said;

/// Something stood against an act, and it was done all the same; kept beside what was computed.
/// @param what stood against it
/// @param why in the technician's words; may be empty where the act says it
@Named(value = "overruled", version = 2)
public record Overruled(Said what, String why) implements Event {}
