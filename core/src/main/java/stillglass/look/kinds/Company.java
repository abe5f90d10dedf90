package stillglass.look.kinds;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import stillglass.look.FindingKind;

/// What else is in the photo: after a first look at every candidate by itself, each is told what the others look like. A drop among drops
/// and a hair among hairs are surer than one alone.
///
/// Reference: stacked generalisation, D. Wolpert, *Neural Networks* 5 (1992); the first look at examples comes from a model that was not
/// learned from them.
final class Company {
    /// Probability below which a candidate does not speak for a kind.
    private static final double SPEAKS = 0.2;
    /// Candidates that are heard for one kind, the loudest first: as many as are learned from.
    private static final int HEARD = 24;
    private static final double SIZE = 1e4;

    private Company() {}

    /// @param first probabilities of every candidate of one photo
    /// @param all their measurements, not changed
    /// @return the measurements with what the others speak for
    static List<Features> of(List<double[]> first, List<Features> all) {
        List<Features> out = new ArrayList<>(all.stream().map(Features::copy).toList());
        for (FindingKind kind : FindingKind.values()) {
            if (kind == FindingKind.UNKNOWN) {
                continue;
            }
            Feature also = Feature.values()[Feature.ALSO_DUST.ordinal() + kind.ordinal()];
            double[] voice = new double[all.size()];
            List<Integer> loudest = new ArrayList<>();
            for (int i = 0; i < voice.length; i++) {
                double p = first.get(i)[kind.ordinal()];
                double area = all.get(i).get(Feature.AREA);
                // A candidate without a size of its own is the whole glass.
                voice[i] = p < SPEAKS ? 0 : p * Math.log1p(SIZE * (Double.isNaN(area) ? 1 : Math.pow(10, area)));
                if (voice[i] > 0) {
                    loudest.add(i);
                }
            }
            loudest.sort(Comparator.comparingDouble((Integer i) -> voice[i]).reversed());
            double sum = loudest.stream().limit(HEARD).mapToDouble(i -> voice[i]).sum();
            List<Integer> heard = loudest.subList(0, Math.min(HEARD, loudest.size()));
            for (int i = 0; i < voice.length; i++) {
                double own = voice[i] > 0 && heard.contains(i) ? voice[i] : 0;
                out.get(i).setLog(also, 1 + Math.max(0, sum - own));
            }
        }
        return out;
    }
}
