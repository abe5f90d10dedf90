package stillglass.optics;

/// One refracting surface, or the iris plane.
///
/// @param radiusMm radius of curvature, positive when the centre lies on the image side; infinite for a plane
/// @param thicknessMm vertex distance to the next surface; on the last surface the back focal distance.
///     Negative only in a mis-assembled lens, where two vertices have passed each other
/// @param after medium behind the surface
/// @param semiDiameterMm clear optical semi-diameter, which clips the beam
/// @param stop whether this is the iris
public record Surface(double radiusMm, double thicknessMm, Medium after, double semiDiameterMm, boolean stop) {
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
    /// Beyond the hemisphere the sag of the hemisphere is returned.
    /// @param heightMm distance from the axis
    public double sagMm(double heightMm) {
        double c = curvature();
        double inside = Math.max(0, 1 - c * c * heightMm * heightMm);
        return c * heightMm * heightMm / (1 + Math.sqrt(inside));
    }

    /// Turned round, so that what lay before it now lies behind.
    public Surface reversed(Medium nowAfter) {
        return new Surface(-radiusMm, thicknessMm, nowAfter, semiDiameterMm, stop);
    }

    public Surface withThickness(double mm) {
        return new Surface(radiusMm, mm, after, semiDiameterMm, stop);
    }

    public Surface withAfter(Medium medium) {
        return new Surface(radiusMm, thicknessMm, medium, semiDiameterMm, stop);
    }
}
