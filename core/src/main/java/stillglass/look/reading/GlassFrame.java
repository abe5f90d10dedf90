package stillglass.look.reading;

import java.util.stream.IntStream;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.LinearPhoto;

/// The glass brought to a square of fixed size, upright and round whatever the photo's size and the camera's tilt: everything after
/// this works in units of the clear radius.
final class GlassFrame {
    /// Pixels per clear radius.
    static final int RADIUS = 360;
    static final int SIDE = 820;
    static final int PIXELS = SIDE * SIDE;
    private static final double MIDDLE = (SIDE - 1) / 2.0;

    final float[] red = new float[PIXELS];
    final float[] green = new float[PIXELS];
    final float[] blue = new float[PIXELS];
    final float[] light = new float[PIXELS];
    /// Distance from the centre in radii; beyond 9 where the photo ends before the glass does.
    final float[] r = new float[PIXELS];
    /// Share of the glass that lies inside the photo.
    final double inPhoto;

    GlassFrame(LinearPhoto photo, Aperture a) {
        ApertureMap map = a.map();
        boolean fine = a.meanRadius() > 1.2 * RADIUS;
        int[] lost = IntStream.range(0, SIDE).parallel().map(j -> row(photo, map, a.meanRadius(), j, fine)).toArray();
        int missing = 0;
        int glass = 0;
        for (int j = 0; j < SIDE; j++) {
            missing += lost[j];
            double half2 = 1 - y(j * SIDE) * y(j * SIDE);
            glass += half2 > 0 ? (int) (2 * RADIUS * Math.sqrt(half2)) : 0;
        }
        inPhoto = 1 - missing / (double) Math.max(1, glass);
    }

    static double x(int at) {
        return (at % SIDE - MIDDLE) / RADIUS;
    }

    static double y(int at) {
        return (MIDDLE - at / SIDE) / RADIUS;
    }

    /// How far a pixel lies from the middle, in aperture units. A plain root, as in all that is done at every pixel: `Math.hypot`, which minds what is too large or too small to be squared, takes many times as long.
    static double away(int at) {
        double x = x(at);
        double y = y(at);
        return Math.sqrt(x * x + y * y);
    }

    /// Nearest pixel of a place in aperture units.
    static int at(double ux, double uy) {
        int i = (int) Math.clamp(Math.round(ux * RADIUS + MIDDLE), 0, SIDE - 1);
        int j = (int) Math.clamp(Math.round(MIDDLE - uy * RADIUS), 0, SIDE - 1);
        return j * SIDE + i;
    }

    /// @return pixels of the glass in this row that the photo does not hold
    private int row(LinearPhoto photo, ApertureMap a, double meanRadius, int j, boolean fine) {
        int lost = 0;
        float[] rgb = new float[3];
        for (int i = 0; i < SIDE; i++) {
            int at = j * SIDE + i;
            double ux = x(at);
            double uy = y(at);
            double away = Math.sqrt(ux * ux + uy * uy);
            double px = a.pixelX(ux, uy);
            double py = a.pixelY(ux, uy);
            boolean inside = px >= 0 && py >= 0 && px <= photo.width() - 1 && py <= photo.height() - 1;
            r[at] = (float) (inside ? away : away + 9);
            lost += inside || away >= 1 ? 0 : 1;
            rgb[0] = 0;
            rgb[1] = 0;
            rgb[2] = 0;
            if (fine) {
                double q = meanRadius / RADIUS / 4;
                photo.sample(px - q, py - q, 0.25f, rgb);
                photo.sample(px + q, py - q, 0.25f, rgb);
                photo.sample(px - q, py + q, 0.25f, rgb);
                photo.sample(px + q, py + q, 0.25f, rgb);
            } else {
                photo.sample(px, py, 1, rgb);
            }
            red[at] = rgb[0];
            green[at] = rgb[1];
            blue[at] = rgb[2];
            light[at] = 0.2126f * rgb[0] + 0.7152f * rgb[1] + 0.0722f * rgb[2];
        }
        return lost;
    }

    /// Counts pixels as if the photo did not hold them.
    void leaveOut(byte[] where) {
        for (int i = 0; i < PIXELS; i++) {
            r[i] += where[i] != 0 && r[i] < 1 ? 9 : 0;
        }
    }

    /// Where pixels lie on the mean, aperture units.
    static double[] middle(int[] pixels) {
        double x = 0;
        double y = 0;
        for (int at : pixels) {
            x += x(at) / pixels.length;
            y += y(at) / pixels.length;
        }
        return new double[] {x, y};
    }
}
