package stillglass.prove.edge;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ejml.simple.SimpleMatrix;
import stillglass.say.Said;

/// How sharp the edges of a photo are, over the frame.
///
/// @param edges that could be measured, the longest first
/// @param mtf50Cpp median of their frequencies at half modulation, cycles a pixel along each edge's normal
/// @param sides whether one side of the frame is softer than the other, where edges lie all round
/// @param diagnostics what was noticed
public record SharpnessReading(List<SlantedEdge> edges, OptionalDouble mtf50Cpp, Optional<Sides> sides, List<Said> diagnostics) {
    /// From this share of the half diagonal an edge belongs to the rim of the frame.
    private static final double RIM = 0.35;
    private static final int FEWEST_AROUND = 5;
    /// Light that a lens spreads never goes beyond its level; uneven lighting does a little.
    private static final double OVERSHOT = 0.015;
    private static final double TELLING = 3;

    /// First harmonic of sharpness around the frame: a tilted or decentred group makes one side softer.
    /// @param share of the mean by which the sharpest side is above it
    /// @param sigma one standard deviation of it
    /// @param softDeg direction of the soft side, degrees clockwise from 12 as the photo lies
    /// @param softSigmaDeg one standard deviation of it
    public record Sides(double share, double sigma, double softDeg, double softSigmaDeg) {
        public boolean telling() {
            return share > TELLING * sigma;
        }
    }

    public SharpnessReading {
        edges = List.copyOf(edges);
        diagnostics = List.copyOf(diagnostics);
    }

    public static SharpnessReading of(LightPlane photo) {
        List<EdgeFinder.Stretch> stretches = EdgeFinder.in(photo);
        List<SlantedEdge> edges = new ArrayList<>();
        for (Optional<SlantedEdge> e : stretches.parallelStream().map(s -> SlantedEdge.of(photo, s)).toList()) {
            e.filter(x -> edges.stream().noneMatch(o -> same(o, x))).ifPresent(edges::add);
        }
        List<Said> notes = new ArrayList<>();
        if (edges.isEmpty()) {
            notes.add(Said.of(stretches.isEmpty() ? "sharp.no-edge" : "sharp.no-slant"));
            return new SharpnessReading(List.of(), OptionalDouble.empty(), Optional.empty(), notes);
        }
        double[] all = edges.stream().mapToDouble(SlantedEdge::mtf50Cpp).filter(Double::isFinite).sorted().toArray();
        OptionalDouble median = all.length == 0 ? OptionalDouble.empty() : OptionalDouble.of((all[all.length / 2] + all[(all.length - 1) / 2]) / 2);
        Optional<Sides> sides = sides(edges, photo);
        long sharpened = edges.stream().filter(e -> e.overshoot() > OVERSHOT && e.overshoot() > TELLING * e.overshootSigma()).count();
        if (2 * sharpened > edges.size()) {
            double most = edges.stream().mapToDouble(SlantedEdge::overshoot).average().orElse(0);
            notes.add(Said.of("sharp.sharpened", "percent", 100 * most));
        }
        if (edges.stream().anyMatch(SlantedEdge::saturated)) {
            notes.add(Said.of("sharp.saturated"));
        }
        sides.filter(Sides::telling).ifPresent(s -> notes.add(Said.of("sharp.one-side", "percent", 100 * s.share, "clock", hour(s.softDeg))));
        return new SharpnessReading(edges, median, sides, notes);
    }

    private static int hour(double deg) {
        int h = (int) Math.round(((deg % 360) + 360) % 360 / 30);
        return h == 0 ? 12 : h;
    }

    private static boolean same(SlantedEdge a, SlantedEdge b) {
        double turn = Math.abs(Math.IEEEremainder(a.angleDeg() - b.angleDeg(), 360));
        return Math.hypot(a.x() - b.x(), a.y() - b.y()) < 6 && turn < 10;
    }

    /// Fit of mean and first harmonic over the direction from the middle, of edges at the rim.
    private static Optional<Sides> sides(List<SlantedEdge> edges, LightPlane photo) {
        double cx = (photo.width() - 1) / 2.0;
        double cy = (photo.height() - 1) / 2.0;
        double diagonal = Math.hypot(cx, cy);
        List<SlantedEdge> rim = edges.stream().filter(e -> Double.isFinite(e.mtf50Cpp()) && Math.hypot(e.x() - cx, e.y() - cy) > RIM * diagonal).toList();
        long quarters = rim.stream().map(e -> (int) Math.floor((Math.atan2(e.y() - cy, e.x() - cx) + Math.PI) / (Math.PI / 2))).distinct().count();
        if (rim.size() < FEWEST_AROUND || quarters < 4) {
            return Optional.empty();
        }
        SimpleMatrix a = new SimpleMatrix(rim.size(), 3);
        SimpleMatrix b = new SimpleMatrix(rim.size(), 1);
        double known = 0;
        for (int i = 0; i < rim.size(); i++) {
            SlantedEdge e = rim.get(i);
            double r = Math.hypot(e.x() - cx, e.y() - cy);
            a.setRow(i, 0, 1, (e.x() - cx) / r, (e.y() - cy) / r);
            b.set(i, e.mtf50Cpp());
            known += e.mtf50Sigma() * e.mtf50Sigma() / rim.size();
        }
        SimpleMatrix inverse = a.transpose().mult(a).invert();
        SimpleMatrix x = inverse.mult(a.transpose()).mult(b);
        SimpleMatrix left = b.minus(a.mult(x));
        double variance = Math.max(known, left.elementPower(2).elementSum() / Math.max(1, rim.size() - 3));
        double size = Math.hypot(x.get(1), x.get(2));
        double sigma = Math.sqrt(variance * (inverse.get(1, 1) + inverse.get(2, 2)) / 2);
        // Sharp towards (x1, x2); soft the other way, counted clockwise from the top.
        double soft = Math.toDegrees(Math.atan2(-x.get(1), x.get(2)));
        return Optional.of(new Sides(size / x.get(0), sigma / x.get(0), soft, Math.toDegrees(sigma / Math.max(size, sigma))));
    }
}
