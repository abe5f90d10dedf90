package stillglass.ticket.story;

/// Does again what was last taken back, as long as nothing else was done since.
public record Redo() implements Intent {}
