package stillglass.ticket;

/// Before or after the work: the two halves of every proof.
public enum Phase {
    BEFORE,
    AFTER
}
