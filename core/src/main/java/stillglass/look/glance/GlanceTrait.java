package stillglass.look.glance;

/// What is kept of each cell of a [Glance]. Scatters are robust ones of the whole glass; values are scaled, and those that may be large are compressed by the inverse hyperbolic sine, so that ordinary ones lie between −3 and 3.
public enum GlanceTrait {
    /// Strongest fine structure of the sign that faults have, in scatters.
    FINE_MOST,
    /// The same on the mean.
    FINE_MEAN,
    /// Strongest fine structure of the other sign.
    FINE_OTHER,
    /// Strongest fine structure over the light of clean glass.
    FINE_LEVEL,
    /// Departure of regions, in scatters.
    AREA,
    /// Departure of regions over the light of clean glass.
    AREA_LEVEL,
    /// Departure of log(red/green) from that of clean glass.
    RED,
    /// The same of log(blue/green).
    BLUE,
    /// Direction of lines: cosine of twice the angle, by their strength.
    LINE_COS,
    /// The same, the sine.
    LINE_SIN,
    /// Logarithm of the light.
    LIGHT,
    /// Logarithm of the light of clean glass.
    CLEAN,
    /// Scatter of the light inside the cell over its mean.
    SPREAD,
    /// Share of the cell in full exposure.
    CLIPPED,
    /// Departure from the smooth run of light round the rim, over the light there.
    RIM,
    /// Distance from the middle, half radii.
    RADIUS,
    /// Share of the cell beyond the rim, outside the photo, or on the edge of an iris, which is not judged.
    OUTSIDE,
    /// Share with blades of an iris behind it.
    BLADES,
    /// 1 before a bright field, 0 against the light.
    BRIGHT
}
