package stillglass.ticket.story;

/// When something was seen or measured. Before and after the work are the two halves of every proof.
public enum Phase {
    BEFORE,
    /// While it was apart or half closed.
    BETWEEN,
    AFTER
}
