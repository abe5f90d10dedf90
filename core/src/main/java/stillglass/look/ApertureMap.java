package stillglass.look;

/// The way between pixels of a photo (y down) and aperture units (y up, rim at 1). Both ways are affine: the ellipse is turned upright,
/// stretched round, and turned back.
public final class ApertureMap {
    private final double cx;
    private final double cy;
    private final double xx;
    private final double xy;
    private final double yy;
    private final double ixx;
    private final double ixy;
    private final double iyy;

    ApertureMap(Aperture a) {
        double c = Math.cos(a.thetaRad());
        double s = Math.sin(a.thetaRad());
        cx = a.cx();
        cy = a.cy();
        // Symmetric: turn by theta, scale by 1/rx and 1/ry, turn back.
        xx = c * c / a.rx() + s * s / a.ry();
        xy = c * s * (1 / a.rx() - 1 / a.ry());
        yy = s * s / a.rx() + c * c / a.ry();
        ixx = c * c * a.rx() + s * s * a.ry();
        ixy = c * s * (a.rx() - a.ry());
        iyy = s * s * a.rx() + c * c * a.ry();
    }

    public double unitX(double px, double py) {
        return xx * (px - cx) + xy * (py - cy);
    }

    public double unitY(double px, double py) {
        return -(xy * (px - cx) + yy * (py - cy));
    }

    public double unitRadius(double px, double py) {
        double x = unitX(px, py);
        double y = unitY(px, py);
        return Math.sqrt(x * x + y * y);
    }

    public double pixelX(double ux, double uy) {
        return cx + ixx * ux - ixy * uy;
    }

    public double pixelY(double ux, double uy) {
        return cy + ixy * ux - iyy * uy;
    }
}
