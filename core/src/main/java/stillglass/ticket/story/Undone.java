package stillglass.ticket.story;

/// Takes back everything one earlier act did. Taking back an undo does it again.
@Named("undone")
public record Undone(long act) implements Event {}
