package stillglass.look.kinds;

/// How something stood out; each way has its own evidence curves.
public enum Sight {
    /// Specks, threads, lines.
    FINE,
    /// A region lighter, darker or of another tint than clean glass.
    AREA,
    /// An arc along the rim.
    RIM,
    /// The glass as a whole.
    WHOLE
}
