package stillglass.prove.edge;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.ejml.simple.SimpleMatrix;
import stillglass.say.Said;

/// Where the frame is sharpest, place by place, from photos of one flat target at several focus positions.
///
/// Blur adds in squares, so the inverse square of the frequency at half modulation is a parabola over the focus position; its foot is the best focus of an edge. Over the frame the feet are
/// followed by a level (focus in the middle), a slope (a target or a group that is tilted) and a bowl (field curvature). Positions are in whatever unit they are given; so are all results.
///
/// @param points edges whose best focus lies among the positions
/// @param middle best focus in the middle
/// @param bowl by which the corners focus beyond the middle
/// @param radial the same for edges across the radius alone (tangential focus); zero weight when there are too few
/// @param around the same for edges along the radius alone (sagittal focus)
/// @param slope from the middle to the corner that focuses farthest
/// @param towardsDeg direction of that corner, degrees clockwise from 12 as the photo lies
public record FocusField(List<Foot> points, Value middle, Value bowl, Optional<Value> radial, Optional<Value> around, Value slope, double towardsDeg, List<Said> diagnostics) {
    private static final int FEWEST_STEPS = 4;
    private static final int FEWEST_POINTS = 6;
    private static final int FEWEST_OF_A_KIND = 4;
    /// An edge is looked for this near to where it was, as a share of the diagonal: focusing changes the scale.
    private static final double NEAR = 0.03;
    private static final double TURN_DEG = 12;
    private static final double BEYOND = 0.15;
    private static final double TELLING = 3;

    /// @param sigma one standard deviation
    public record Value(double value, double sigma) {
        public boolean telling() {
            return Math.abs(value) > TELLING * sigma;
        }
    }

    /// A photo at a focus position.
    public record Step(double position, SharpnessReading reading) {}

    /// Best focus of an edge.
    /// @param x from the middle of the frame, in half diagonals
    /// @param y the same, downwards
    /// @param radial whether its normal points along the radius rather than round it
    public record Foot(double x, double y, boolean radial, Value focus) {}

    /// What is said when a series tells no field.
    public static final Said TOO_FEW = Said.of("field.few");

    public FocusField {
        points = List.copyOf(points);
        diagnostics = List.copyOf(diagnostics);
    }

    /// @param width of the photos, pixels
    /// @param height of them
    /// @return empty when fewer than four positions are given or fewer than six edges have their best focus among them
    public static Optional<FocusField> of(List<Step> steps, int width, int height) {
        if (steps.stream().mapToDouble(Step::position).distinct().count() < FEWEST_STEPS) {
            return Optional.empty();
        }
        double half = Math.hypot(width, height) / 2;
        List<SlantedEdge> all = steps.stream().max(Comparator.comparingInt(s -> s.reading.edges().size())).orElseThrow().reading.edges();
        List<Foot> feet = new ArrayList<>();
        for (SlantedEdge e : all) {
            double x = (e.x() - (width - 1) / 2.0) / half;
            double y = (e.y() - (height - 1) / 2.0) / half;
            double normal = Math.toRadians(e.angleDeg());
            boolean radial = Math.abs(Math.cos(normal) * x + Math.sin(normal) * y) > Math.hypot(x, y) * Math.sqrt(0.5);
            foot(steps, e, NEAR * half).ifPresent(f -> feet.add(new Foot(x, y, radial, f)));
        }
        return feet.size() < FEWEST_POINTS ? Optional.empty() : Optional.of(fitted(feet));
    }

    /// Foot of the parabola of 1/m² over the positions.
    private static Optional<Value> foot(List<Step> steps, SlantedEdge edge, double near) {
        List<double[]> found = new ArrayList<>();
        for (Step s : steps) {
            s.reading.edges().stream().filter(o -> Double.isFinite(o.mtf50Cpp()) && Math.hypot(o.x() - edge.x(), o.y() - edge.y()) < near && Math.abs(Math.IEEEremainder(o.angleDeg() - edge.angleDeg(), 360)) < TURN_DEG)
                    .min(Comparator.comparingDouble(o -> Math.hypot(o.x() - edge.x(), o.y() - edge.y())))
                    .ifPresent(o -> found.add(new double[] {s.position, Math.pow(o.mtf50Cpp(), -2), 2 * Math.max(o.mtf50Sigma(), 0.01 * o.mtf50Cpp()) * Math.pow(o.mtf50Cpp(), -3)}));
        }
        if (found.stream().mapToDouble(f -> f[0]).distinct().count() < FEWEST_STEPS) {
            return Optional.empty();
        }
        double from = found.stream().mapToDouble(f -> f[0]).min().orElseThrow();
        double to = found.stream().mapToDouble(f -> f[0]).max().orElseThrow();
        double middle = (from + to) / 2;
        double scale = (to - from) / 2;
        SimpleMatrix a = new SimpleMatrix(found.size(), 3);
        SimpleMatrix b = new SimpleMatrix(found.size(), 1);
        for (int i = 0; i < found.size(); i++) {
            double u = (found.get(i)[0] - middle) / scale;
            double w = 1 / found.get(i)[2];
            a.setRow(i, 0, w, w * u, w * u * u);
            b.set(i, w * found.get(i)[1]);
        }
        SimpleMatrix covariance = a.transpose().mult(a).invert();
        SimpleMatrix c = covariance.mult(a.transpose()).mult(b);
        double curve = c.get(2);
        double at = -c.get(1) / (2 * curve);
        if (!(curve > 0) || Math.abs(at) > 1 + BEYOND) {
            return Optional.empty();
        }
        double free = Math.max(1, found.size() - 3);
        double chi = Math.max(1, b.minus(a.mult(c)).elementPower(2).elementSum() / free);
        double d1 = -1 / (2 * curve);
        double d2 = c.get(1) / (2 * curve * curve);
        double variance = d1 * d1 * covariance.get(1, 1) + d2 * d2 * covariance.get(2, 2) + 2 * d1 * d2 * covariance.get(1, 2);
        return Optional.of(new Value(middle + scale * at, scale * Math.sqrt(chi * variance)));
    }

    private static FocusField fitted(List<Foot> feet) {
        Fit all = Fit.of(feet);
        double tx = all.x.get(1);
        double ty = all.x.get(2);
        double size = Math.hypot(tx, ty);
        Value slope = new Value(size, Math.sqrt((all.covariance.get(1, 1) + all.covariance.get(2, 2)) / 2));
        double towards = Math.toDegrees(Math.atan2(tx, -ty));
        Value middle = all.value(0);
        Value bowl = all.value(3);
        List<Foot> out = feet.stream().filter(Foot::radial).toList();
        List<Foot> round = feet.stream().filter(f -> !f.radial).toList();
        List<Said> notes = new ArrayList<>();
        if (bowl.telling()) {
            notes.add(Said.of("field.bowl", "by", bowl.value, "sigma", 2 * bowl.sigma));
        }
        if (slope.telling()) {
            int hour = Math.floorMod((int) Math.round(towards / 30), 12);
            notes.add(Said.of("field.slope", "by", slope.value, "clock", hour == 0 ? 12 : hour));
        }
        return new FocusField(feet, middle, bowl, kind(out, all), kind(round, all), slope, towards < 0 ? towards + 360 : towards, notes);
    }

    /// The bowl of one kind of edges, with level and slope of all.
    private static Optional<Value> kind(List<Foot> of, Fit all) {
        if (of.size() < FEWEST_OF_A_KIND) {
            return Optional.empty();
        }
        double up = 0;
        double down = 0;
        double left = 0;
        for (Foot f : of) {
            double r2 = f.x * f.x + f.y * f.y;
            double w = 1 / Math.max(1e-12, f.focus.sigma * f.focus.sigma);
            up += w * r2 * (f.focus.value - all.x.get(0) - all.x.get(1) * f.x - all.x.get(2) * f.y);
            down += w * r2 * r2;
        }
        double k = up / down;
        for (Foot f : of) {
            double r2 = f.x * f.x + f.y * f.y;
            double d = f.focus.value - all.x.get(0) - all.x.get(1) * f.x - all.x.get(2) * f.y - k * r2;
            left += d * d / Math.max(1e-12, f.focus.sigma * f.focus.sigma);
        }
        return Optional.of(new Value(k, Math.hypot(Math.sqrt(Math.max(1, left / (of.size() - 1)) / down), Math.sqrt(all.covariance.get(0, 0)))));
    }

    /// Level, slope and bowl, by least squares weighed by the errors of the feet.
    private record Fit(SimpleMatrix x, SimpleMatrix covariance) {
        static Fit of(List<Foot> feet) {
            SimpleMatrix a = new SimpleMatrix(feet.size(), 4);
            SimpleMatrix b = new SimpleMatrix(feet.size(), 1);
            for (int i = 0; i < feet.size(); i++) {
                Foot f = feet.get(i);
                double w = 1 / Math.max(1e-9, f.focus.sigma);
                a.setRow(i, 0, w, w * f.x, w * f.y, w * (f.x * f.x + f.y * f.y));
                b.set(i, w * f.focus.value);
            }
            SimpleMatrix covariance = a.transpose().mult(a).plus(SimpleMatrix.identity(4).scale(1e-9)).invert();
            SimpleMatrix x = covariance.mult(a.transpose()).mult(b);
            double chi = Math.max(1, b.minus(a.mult(x)).elementPower(2).elementSum() / Math.max(1, feet.size() - 4));
            return new Fit(x, covariance.scale(chi));
        }

        Value value(int i) {
            return new Value(x.get(i), Math.sqrt(covariance.get(i, i)));
        }
    }

    /// By how much the middle focuses elsewhere at another stop: focus shift.
    public Value shiftTo(FocusField other) {
        return new Value(other.middle.value - middle.value, Math.hypot(middle.sigma, other.middle.sigma));
    }
}
