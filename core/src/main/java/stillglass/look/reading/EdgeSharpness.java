package stillglass.look.reading;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.LeastSquares;
import stillglass.look.LinearPhoto;
import stillglass.look.PhotoEdges;

/// How sharp rim and blades are in a photo: the steepest change of light across the edge over the whole change, in the middle of all directions in which there is one.
final class EdgeSharpness {
    private static final int DIRECTIONS = 144;
    private static final int LEAST_DIRECTIONS = DIRECTIONS / 5;
    /// Half of the stretch across the edge that is looked at, rim radii.
    private static final double REACH = 0.08;
    /// Places along it.
    private static final int PLACES = 65;
    /// Of them at either end, whose mean is the light before and behind the edge.
    private static final int LEVEL = 12;
    /// Change of light over the unrest of both levels, from which a direction tells something.
    private static final double CLEAR = 5;
    /// Least unrest that is reckoned with, linear: the picture's own steps.
    private static final double STILL = 0.002;

    private EdgeSharpness() {}

    static PhotoEdges of(LinearPhoto photo, Aperture rim, Maps maps) {
        return new PhotoEdges(rim(photo, rim), maps.iris.flatMap(i -> blades(maps.frame, i)));
    }

    private static Optional<Double> rim(LinearPhoto photo, Aperture rim) {
        ApertureMap map = rim.map();
        double[] sharp = new double[DIRECTIONS];
        for (int k = 0; k < DIRECTIONS; k++) {
            double c = Math.cos(2 * Math.PI * k / DIRECTIONS);
            double s = Math.sin(2 * Math.PI * k / DIRECTIONS);
            sharp[k] = across(u -> light(photo, map.pixelX(u * c, u * s), map.pixelY(u * c, u * s)), 1);
        }
        return middle(sharp);
    }

    /// Along rays from the middle of the opening, where they first meet a blade.
    private static Optional<Double> blades(GlassFrame frame, IrisEdge.Found iris) {
        double x = 0;
        double y = 0;
        int n = 0;
        for (int i = 0; i < GlassFrame.PIXELS; i++) {
            if (frame.r[i] < 0.97 && iris.blades().data[i] == 0) {
                x += GlassFrame.x(i);
                y += GlassFrame.y(i);
                n++;
            }
        }
        double cx = x / Math.max(1, n);
        double cy = y / Math.max(1, n);
        double[] sharp = new double[DIRECTIONS];
        for (int k = 0; k < DIRECTIONS; k++) {
            double c = Math.cos(2 * Math.PI * k / DIRECTIONS);
            double s = Math.sin(2 * Math.PI * k / DIRECTIONS);
            double at = 0.02;
            while (at < 1 && iris.blades().data[GlassFrame.at(cx + at * c, cy + at * s)] == 0) {
                at += 0.003;
            }
            boolean inside = Math.hypot(cx + (at + REACH) * c, cy + (at + REACH) * s) < 0.97;
            sharp[k] = inside ? across(u -> frame.light[GlassFrame.at(cx + u * c, cy + u * s)], at) : Double.NaN;
        }
        return middle(sharp);
    }

    /// @param at where about the edge lies
    /// @return no number where nothing changes, or the photo ends
    private static double across(DoubleUnaryOperator light, double at) {
        double[] v = new double[PLACES];
        for (int i = 0; i < PLACES; i++) {
            v[i] = light.applyAsDouble(at + REACH * (2.0 * i / (PLACES - 1) - 1));
        }
        double[] near = Arrays.copyOf(v, LEVEL);
        double[] far = Arrays.copyOfRange(v, PLACES - LEVEL, PLACES);
        double change = mean(far) - mean(near);
        double steepest = 0;
        for (int i = 2; i + 2 < PLACES; i++) {
            // A straight line through five places.
            steepest = Math.max(steepest, Math.signum(change) * (2 * (v[i + 2] - v[i - 2]) + v[i + 1] - v[i - 1]) / 10);
        }
        double unrest = Math.max(STILL, Math.max(scatter(near), scatter(far)));
        boolean tells = Math.abs(change) > CLEAR * unrest && steepest > 0;
        return tells ? steepest / Math.abs(change) * (PLACES - 1) / (2 * REACH) : Double.NaN;
    }

    private static Optional<Double> middle(double[] sharp) {
        double[] told = Arrays.stream(sharp).filter(Double::isFinite).toArray();
        return told.length < LEAST_DIRECTIONS ? Optional.empty() : Optional.of(LeastSquares.median(told));
    }

    private static double mean(double[] v) {
        return Arrays.stream(v).average().orElse(Double.NaN);
    }

    private static double scatter(double[] v) {
        double middle = LeastSquares.median(v);
        return 1.48 * LeastSquares.median(Arrays.stream(v).map(x -> Math.abs(x - middle)).toArray());
    }

    private static double light(LinearPhoto photo, double x, double y) {
        if (x < 0 || y < 0 || x > photo.width() - 1 || y > photo.height() - 1) {
            return Double.NaN;
        }
        float[] rgb = new float[3];
        photo.sample(x, y, 1, rgb);
        return (rgb[0] + rgb[1] + rgb[2]) / 3;
    }
}
