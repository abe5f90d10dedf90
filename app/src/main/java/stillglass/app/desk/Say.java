package stillglass.app.desk;

/// What the Say line says: one sentence, and the keys that act on it.
///
/// @param sentence what to do next, in plain words
/// @param keys key hints, short
public record Say(String sentence, String keys) {}
