package stillglass.optics;

/// A run of surfaces that does not sit square on its seat: turned about the point where its first surface meets the
/// axis. Only mis-assembled lenses have one.
///
/// @param firstSurface index of the first surface that is turned
/// @param lastSurface index of the last
/// @param angleRad how far, 0 to 0.35
/// @param towardsRad direction, seen from the front and counted from 3 o'clock towards 12, in which the rim stands
///     nearer to the object
public record Tilt(int firstSurface, int lastSurface, double angleRad, double towardsRad) {
    public Tilt {
        if (firstSurface < 0 || lastSurface < firstSurface) {
            throw new IllegalArgumentException("a tilt runs from surface " + firstSurface + " to " + lastSurface
                    + ": give the first before the last");
        }
        if (!(angleRad >= 0 && angleRad <= 0.35) || !Double.isFinite(towardsRad)) {
            throw new IllegalArgumentException("a tilt of " + Math.toDegrees(angleRad)
                    + "° is out of range: a glass that leans more than 20° falls out of its seat");
        }
    }

    /// Whether the lens keeps its mirror symmetry left to right with this tilt.
    public boolean upright() {
        return Math.abs(Math.cos(towardsRad)) < 1e-9 || angleRad == 0;
    }
}
