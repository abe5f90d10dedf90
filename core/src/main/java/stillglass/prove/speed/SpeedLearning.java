package stillglass.prove.speed;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.ejml.simple.SimpleMatrix;

/// Makes bells of examples: those of a fault are parted by how far they depart, and each part becomes a bell.
public final class SpeedLearning {
    private static final int PARTS = 3;
    private static final double RIDGE_EV = 0.04;

    private SpeedLearning() {}

    /// A mechanism.
    /// @param ev departures at the nodes of [SpeedModel], NaN for a speed it has not or that hangs
    @SuppressWarnings("ArrayRecordComponent")
    public record Example(SpeedFault fault, double[] ev) {}

    public static SpeedModel learn(List<Example> examples) {
        List<SpeedModel.Bell> bells = new ArrayList<>();
        for (SpeedFault f : SpeedFault.values()) {
            if (!f.inSpeeds()) {
                continue;
            }
            List<Example> of = examples.stream().filter(e -> e.fault == f).sorted(Comparator.comparingDouble(e -> size(e.ev))).toList();
            // One speed off has no pattern: it is any good shutter with one of its speeds let go, see SpeedReading.
            int parts = f == SpeedFault.ONE_SPEED ? 0 : f == SpeedFault.NONE ? 1 : PARTS;
            for (int k = 0; k < parts && of.size() >= 4 * parts; k++) {
                bells.add(bell(f, 1.0 / parts, of.subList(k * of.size() / parts, (k + 1) * of.size() / parts)));
            }
        }
        return new SpeedModel(bells);
    }

    private static double size(double[] ev) {
        return Arrays.stream(ev).filter(Double::isFinite).map(v -> v * v).average().orElse(0);
    }

    private static SpeedModel.Bell bell(SpeedFault fault, double share, List<Example> of) {
        int n = SpeedModel.NODES;
        SimpleMatrix mean = new SimpleMatrix(n, 1);
        for (int i = 0; i < n; i++) {
            int at = i;
            mean.set(i, of.stream().mapToDouble(e -> e.ev[at]).filter(Double::isFinite).average().orElse(0));
        }
        SimpleMatrix covariance = new SimpleMatrix(n, n);
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                int a = i;
                int b = j;
                // A speed that a mechanism has not departs like the mean: so the whole stays a covariance.
                double c = of.stream().filter(e -> Double.isFinite(e.ev[a]) && Double.isFinite(e.ev[b])).mapToDouble(e -> (e.ev[a] - mean.get(a)) * (e.ev[b] - mean.get(b))).sum() / of.size();
                covariance.set(i, j, c + (i == j ? RIDGE_EV * RIDGE_EV : 0));
            }
        }
        return new SpeedModel.Bell(fault, share, mean, covariance);
    }
}
