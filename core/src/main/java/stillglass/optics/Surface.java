package stillglass.optics;

/// One refracting surface, or the iris plane.
///
/// @param radiusMm radius of curvature, positive when the centre lies on the image side; infinite for a plane
/// @param thicknessMm vertex distance to the next surface; on the last surface the back focal distance.
///     Negative only in a mis-assembled lens, where two vertices have passed each other
/// @param after medium behind the surface
/// @param semiDiameterMm clear optical semi-diameter, which clips the beam
/// @param stop whether this is the iris
/// @param asphere how it departs from a sphere of that radius
public record Surface(double radiusMm, double thicknessMm, Medium after, double semiDiameterMm, boolean stop, Asphere asphere) {
    /// A sphere or a plane.
    public Surface(double radiusMm, double thicknessMm, Medium after, double semiDiameterMm, boolean stop) {
        this(radiusMm, thicknessMm, after, semiDiameterMm, stop, Asphere.NONE);
    }

    public Surface {
        if (Double.isNaN(radiusMm) || radiusMm == 0) {
            throw new IllegalArgumentException("radius is " + radiusMm + " mm: give a length, or none for a plane");
        }
        if (!Double.isFinite(thicknessMm)) {
            throw new IllegalArgumentException("thickness is " + thicknessMm + " mm: give a finite distance");
        }
        if (!(semiDiameterMm > 0 && semiDiameterMm < 1e4)) {
            throw new IllegalArgumentException("semi-diameter is " + semiDiameterMm + " mm: give a positive length");
        }
    }

    /// 1/radius, zero for a plane.
    public double curvature() {
        return Double.isInfinite(radiusMm) ? 0 : 1 / radiusMm;
    }

    /// Height of the surface above its vertex plane at a distance from the axis, positive towards the image.
    /// Beyond the rim of a sphere or conic the sag of its rim is returned.
    /// @param heightMm distance from the axis
    public double sagMm(double heightMm) {
        return asphere.sagMm(curvature(), heightMm);
    }

    /// Turned round, so that what lay before it now lies behind.
    public Surface reversed(Medium nowAfter) {
        return new Surface(-radiusMm, thicknessMm, nowAfter, semiDiameterMm, stop, asphere.reversed());
    }

    public Surface withThickness(double mm) {
        return new Surface(radiusMm, mm, after, semiDiameterMm, stop, asphere);
    }

    public Surface withAfter(Medium medium) {
        return new Surface(radiusMm, thicknessMm, medium, semiDiameterMm, stop, asphere);
    }

    /// As one that only lets light pass: no iris, whatever it was.
    public Surface asFace() {
        return new Surface(radiusMm, thicknessMm, after, semiDiameterMm, false, asphere);
    }

    /// The same form, `k` times as large, with a clear semi-diameter of its own.
    public Surface scaled(double k, double clearMm) {
        return new Surface(radiusMm * k, thicknessMm * k, after, clearMm, stop, asphere.scaled(k));
    }
}
