package stillglass.look.closeup;

/// What is kept of each cell of a [CloseUp]. Scatters are robust ones of the whole glass; values are scaled, and those that may be large are compressed by the inverse hyperbolic sine, so that ordinary ones lie between −3 and 3.
public enum CloseUpTrait {
    /// Logarithm of the light.
    LIGHT,
    /// Departure from clean glass over its light; 0 beyond the rim.
    LEVEL,
    /// Strongest fine structure of the sign that faults have, in scatters.
    FINE,
    /// The same of the other sign.
    OTHER,
    /// Departure of regions, in scatters.
    AREA,
    /// Departure of log(red/green) from that of clean glass.
    RED,
    /// The same of log(blue/green).
    BLUE,
    /// Share of the cell that belongs to what stands out.
    SHAPE,
    /// Distance from the middle of the glass, half radii.
    RADIUS
}
