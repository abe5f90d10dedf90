package stillglass.optics;

/// A run of surfaces that does not sit square on its seat: turned about the point where its first surface meets the
/// axis, or pushed aside. Only mis-assembled lenses have one.
///
/// @param firstSurface index of the first surface that is turned
/// @param lastSurface index of the last
/// @param angleRad how far, 0 to 0.35
/// @param towardsRad direction, seen from the front and counted from 3 o'clock towards 12, in which the rim stands
///     nearer to the object
/// @param asideMm how far the run stands off the axis in that direction
public record Tilt(int firstSurface, int lastSurface, double angleRad, double towardsRad, double asideMm) {
    private static final double MOST_ASIDE_MM = 20;

    /// Turned, not pushed.
    public Tilt(int firstSurface, int lastSurface, double angleRad, double towardsRad) {
        this(firstSurface, lastSurface, angleRad, towardsRad, 0);
    }

    public Tilt {
        if (firstSurface < 0 || lastSurface < firstSurface) {
            throw new IllegalArgumentException("a tilt runs from surface " + firstSurface + " to " + lastSurface
                    + ": give the first before the last");
        }
        if (!(angleRad >= 0 && angleRad <= 0.35) || !Double.isFinite(towardsRad)) {
            throw new IllegalArgumentException("a tilt of " + Math.toDegrees(angleRad)
                    + "° is out of range: a glass that leans more than 20° falls out of its seat");
        }
        if (!(Math.abs(asideMm) <= MOST_ASIDE_MM)) {
            throw new IllegalArgumentException("a glass " + asideMm + " mm off the axis is out of range: give at most " + MOST_ASIDE_MM + " mm");
        }
    }

    /// The same seen after the lens was turned about its axis.
    public Tilt turned(double rad) {
        return new Tilt(firstSurface, lastSurface, angleRad, towardsRad + rad, asideMm);
    }

    /// The same run where other surfaces stand before it.
    public Tilt moved(int by) {
        return new Tilt(firstSurface + by, lastSurface + by, angleRad, towardsRad, asideMm);
    }

    /// Whether the lens keeps its mirror symmetry left to right with this tilt.
    public boolean upright() {
        return Math.abs(Math.cos(towardsRad)) < 1e-9 || angleRad == 0 && asideMm == 0;
    }
}
