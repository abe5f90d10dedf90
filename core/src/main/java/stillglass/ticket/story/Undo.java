package stillglass.ticket.story;

/// Takes the last act back that may be.
public record Undo() implements Intent {}
