package stillglass.ticket.story;

/// What the technician wants to have done or recorded. Kinds that are kept as they come are their own event.
public interface Intent {}
