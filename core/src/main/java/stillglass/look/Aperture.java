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

    /// Unit coordinate of a pixel: x to the right, y up, rim at distance 1.
    public double unitX(double px, double py) {
        return cos() * alongX(px, py) - sin() * alongY(px, py);
    }

    public double unitY(double px, double py) {
        return -(sin() * alongX(px, py) + cos() * alongY(px, py));
    }

    public double unitRadius(double px, double py) {
        return Math.hypot(alongX(px, py), alongY(px, py));
    }

    /// Pixel of a unit coordinate.
    public double pixelX(double ux, double uy) {
        double a = rx * (cos() * ux - sin() * uy);
        double b = ry * (-sin() * ux - cos() * uy);
        return cx + cos() * a - sin() * b;
    }

    public double pixelY(double ux, double uy) {
        double a = rx * (cos() * ux - sin() * uy);
        double b = ry * (-sin() * ux - cos() * uy);
        return cy + sin() * a + cos() * b;
    }

    /// The same ellipse on a picture `factor` times as large.
    public Aperture scaled(double factor) {
        return new Aperture(cx * factor, cy * factor, rx * factor, ry * factor, thetaRad);
    }

    private double alongX(double px, double py) {
        return (cos() * (px - cx) + sin() * (py - cy)) / rx;
    }

    private double alongY(double px, double py) {
        return (-sin() * (px - cx) + cos() * (py - cy)) / ry;
    }

    private double cos() {
        return Math.cos(thetaRad);
    }

    private double sin() {
        return Math.sin(thetaRad);
    }
}
