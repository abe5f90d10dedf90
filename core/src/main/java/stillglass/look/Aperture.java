package stillglass.look;

/// The clear glass inside the rim, as an ellipse in pixels of the stored photo, y down.
///
/// @param cx centre, pixels from the left
/// @param cy centre, pixels from the top
/// @param rx semi-axis along `thetaRad`
/// @param ry the other semi-axis
/// @param thetaRad direction of `rx` from the x axis, towards +y
public record Aperture(double cx, double cy, double rx, double ry, double thetaRad) {
    public Aperture {
        if (!(rx > 0) || !(ry > 0) || !Double.isFinite(cx) || !Double.isFinite(cy) || !Double.isFinite(thetaRad)) {
            throw new IllegalArgumentException("aperture with semi-axes " + rx + " and " + ry + " px has no area");
        }
    }

    public double meanRadius() {
        return Math.sqrt(rx * ry);
    }

    public double areaPx() {
        return Math.PI * rx * ry;
    }

    /// The way between pixels and aperture units, for many pixels at a time.
    public ApertureMap map() {
        return new ApertureMap(this);
    }

    /// Unit coordinate of a pixel: x to the right, y up, rim at distance 1.
    public double unitX(double px, double py) {
        return map().unitX(px, py);
    }

    public double unitY(double px, double py) {
        return map().unitY(px, py);
    }

    public double unitRadius(double px, double py) {
        return map().unitRadius(px, py);
    }

    /// Pixel of a unit coordinate.
    public double pixelX(double ux, double uy) {
        return map().pixelX(ux, uy);
    }

    public double pixelY(double ux, double uy) {
        return map().pixelY(ux, uy);
    }

    /// The ellipse `u` times as large about the same centre.
    public Aperture about(double u) {
        return new Aperture(cx, cy, rx * u, ry * u, thetaRad);
    }

    /// The same ellipse on a picture `factor` times as large.
    public Aperture scaled(double factor) {
        return new Aperture(cx * factor, cy * factor, rx * factor, ry * factor, thetaRad);
    }
}
