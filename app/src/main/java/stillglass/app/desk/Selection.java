package stillglass.app.desk;

/// What is pointed at, everywhere in the window at once.
public sealed interface Selection {
    record Nothing() implements Selection {}

    /// A part, by its id.
    record OfPart(String id) implements Selection {}

    /// A finding, by its id.
    record OfFinding(String id) implements Selection {}

    /// Whether this is that part.
    default boolean part(String id) {
        return this instanceof OfPart p && p.id().equals(id);
    }

    /// Whether this is that finding.
    default boolean finding(String id) {
        return this instanceof OfFinding f && f.id().equals(id);
    }
}
