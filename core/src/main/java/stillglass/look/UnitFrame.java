package stillglass.look;

/// Aperture units for every pixel of a picture, computed once: x to the right, y up, rim at 1.
final class UnitFrame {
    final float[] x;
    final float[] y;
    /// Distance from the centre; pixels far outside hold their true distance too.
    final float[] r;

    UnitFrame(Aperture a, int width, int height) {
        x = new float[width * height];
        y = new float[width * height];
        r = new float[width * height];
        double cos = Math.cos(a.thetaRad());
        double sin = Math.sin(a.thetaRad());
        for (int j = 0; j < height; j++) {
            for (int i = 0; i < width; i++) {
                double along = (cos * (i - a.cx()) + sin * (j - a.cy())) / a.rx();
                double across = (-sin * (i - a.cx()) + cos * (j - a.cy())) / a.ry();
                int at = j * width + i;
                x[at] = (float) (cos * along - sin * across);
                y[at] = (float) -(sin * along + cos * across);
                r[at] = (float) Math.sqrt(along * along + across * across);
            }
        }
    }
}
