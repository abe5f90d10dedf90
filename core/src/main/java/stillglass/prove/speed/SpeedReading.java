package stillglass.prove.speed;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.ejml.simple.SimpleMatrix;

/// Which faults the departures at some speeds speak for. Bayes over all faults: each has bells over the departures at ten speeds, which are brought to the speeds that were measured; measuring
/// errors are added to their covariance. One speed off is judged by letting each measured speed in turn go its own way.
///
/// @param ranked faults, the likeliest first; probabilities add up to 1
public record SpeedReading(List<Likely> ranked) {
    /// A speed on the cam by itself may be off by this much, one standard deviation, EV.
    private static final double OFF_EV = 0.7;
    /// From shot to shot and from cam to cam no mechanism is better than this, EV.
    private static final double OWN_EV = 0.04;
    /// What no fault here explains is given this little, so that nothing is ever sure.
    private static final double DOUBT = 0.01;
    private static final int FEWEST = 3;

    /// @param probability 0 to 1
    public record Likely(SpeedFault fault, double probability) {}

    /// A speed that was measured.
    /// @param nominalS what the setting says, s
    /// @param ev departure, positive for too long
    /// @param sigmaEv one standard deviation
    public record Point(double nominalS, double ev, double sigmaEv) {}

    public SpeedReading {
        ranked = List.copyOf(ranked);
    }

    /// Of speeds alone.
    public static SpeedReading of(List<Point> points, SpeedModel model) {
        return of(points, model, Set.of());
    }

    /// Faults that no speed shows are among the answers where a function of theirs was tried.
    /// @param tried what functions were found to do
    /// @return everything equally open, as before measuring, when fewer than three speeds were measured and no function tried
    public static SpeedReading of(List<Point> points, SpeedModel model, Set<ShutterSign> tried) {
        Map<SpeedFault, Double> log = new EnumMap<>(SpeedFault.class);
        if (points.size() >= FEWEST) {
            for (SpeedModel.Bell b : model.bells()) {
                log.merge(b.fault(), Math.log(b.share()) + density(points, b, -1), SpeedReading::add);
                if (b.fault() == SpeedFault.NONE) {
                    for (int k = 0; k < points.size(); k++) {
                        log.merge(SpeedFault.ONE_SPEED, Math.log(b.share() / points.size()) + density(points, b, k), SpeedReading::add);
                    }
                    Arrays.stream(SpeedFault.values()).filter(f -> !f.inSpeeds()).forEach(f -> log.merge(f, Math.log(b.share()) + density(points, b, -1), SpeedReading::add));
                }
            }
        }
        double top = log.values().stream().mapToDouble(v -> v).max().orElse(0);
        double sum = 0;
        List<Likely> out = new ArrayList<>();
        for (SpeedFault f : SpeedFault.values()) {
            if (!f.inSpeeds() && tried.stream().noneMatch(s -> s.asks(f))) {
                continue;
            }
            double heard = tried.stream().mapToDouble(s -> s.likelihood(f)).reduce(1, (a, b) -> a * b);
            double w = f.prior() * heard * (Math.exp(log.getOrDefault(f, points.size() >= FEWEST ? Double.NEGATIVE_INFINITY : top) - top) + DOUBT);
            out.add(new Likely(f, w));
            sum += w;
        }
        double all = sum;
        return new SpeedReading(out.stream().map(l -> new Likely(l.fault, l.probability / all)).sorted(Comparator.comparingDouble(l -> -l.probability)).toList());
    }

    private static double add(double a, double b) {
        double top = Math.max(a, b);
        return top + Math.log(Math.exp(a - top) + Math.exp(b - top));
    }

    /// Logarithm of the density of what was measured under a bell.
    /// @param free point that goes its own way, -1 for none
    private static double density(List<Point> points, SpeedModel.Bell bell, int free) {
        int n = points.size();
        SimpleMatrix to = new SimpleMatrix(n, SpeedModel.NODES);
        SimpleMatrix y = new SimpleMatrix(n, 1);
        SimpleMatrix own = new SimpleMatrix(n, n);
        for (int i = 0; i < n; i++) {
            Point p = points.get(i);
            to.setRow(i, 0, SpeedModel.nodes(p.nominalS));
            y.set(i, p.ev);
            own.set(i, i, p.sigmaEv * p.sigmaEv + OWN_EV * OWN_EV + (i == free ? OFF_EV * OFF_EV : 0));
        }
        SimpleMatrix covariance = to.mult(bell.covariance()).mult(to.transpose()).plus(own);
        SimpleMatrix off = y.minus(to.mult(bell.mean()));
        double square = off.transpose().mult(covariance.solve(off)).get(0);
        return -0.5 * (square + Math.log(covariance.determinant()) + n * Math.log(2 * Math.PI));
    }
}
