package stillglass.benchmarks.look;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import stillglass.look.Aperture;

/// Whether the rim of the glass shows on a picture at all. A dark glass before its blackened edge has none that anybody could see: what is seen is the edge's outer border.
final class RimShows {
    private static final int DIRECTIONS = 180;
    /// Change of a level of 255 that shows, as of faults.
    private static final double LEVELS = 3;
    /// Between these shares of the radius on either side light is averaged.
    private static final double[] WITHIN = {0.982, 0.986, 0.990};
    private static final double[] WITHOUT = {1.004, 1.008, 1.012};

    private RimShows() {}

    /// @param truth in pixels of the picture
    static boolean on(BufferedImage picture, Aperture truth) {
        List<Double> steps = new ArrayList<>();
        for (int k = 0; k < DIRECTIONS; k++) {
            double way = 2 * Math.PI * k / DIRECTIONS;
            double step = mean(picture, truth, way, WITHOUT) - mean(picture, truth, way, WITHIN);
            if (!Double.isNaN(step)) {
                steps.add(step);
            }
        }
        Collections.sort(steps);
        return !steps.isEmpty() && Math.abs(steps.get(steps.size() / 2)) >= LEVELS;
    }

    private static double mean(BufferedImage picture, Aperture truth, double way, double[] at) {
        double sum = 0;
        for (double u : at) {
            int x = (int) Math.round(truth.pixelX(u * Math.cos(way), u * Math.sin(way)));
            int y = (int) Math.round(truth.pixelY(u * Math.cos(way), u * Math.sin(way)));
            sum += x < 0 || y < 0 || x >= picture.getWidth() || y >= picture.getHeight() ? Double.NaN : level(picture.getRGB(x, y));
        }
        return sum / at.length;
    }

    private static double level(int rgb) {
        return 0.2126 * (rgb >> 16 & 255) + 0.7152 * (rgb >> 8 & 255) + 0.0722 * (rgb & 255);
    }
}
