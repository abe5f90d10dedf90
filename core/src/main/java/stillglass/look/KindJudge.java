package stillglass.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/// Decides what a patch is from its shape, and says why.
///
/// Each kind has a score, a sum of evidence in nats from the features below; probabilities are the softmax of the
/// scores with `UNKNOWN` at zero. Differs from a trained classifier: the weights are set by hand on photos of the
/// virtual bench and are checked there, see docs/methods/look.md.
final class KindJudge {
    private KindJudge() {}

    record Verdict(FindingKind kind, double confidence, List<String> reasons) {}

    static Verdict judge(Patch p) {
        double perLength = p.junctions() / Math.max(0.02, p.lengthRadii());
        double slender = p.lengthRadii() / Math.max(1e-6, p.widthRadii());
        List<String> reasons = new ArrayList<>();
        double fungus = -2.5 + Math.min(4, p.junctions() * 0.55) + Math.min(1.5, p.lengthRadii() * 2)
                + (p.ends() >= 4 ? 0.8 : -0.8) - (slender < 6 ? 2 : 0)
                - (p.lengthRadii() < 0.15 ? 2.5 : 0);
        double dust = 2.2 - Math.max(0, p.lengthRadii() - 0.05) * 16 - p.junctions() * 0.25 - (p.ends() > 4 ? 1 : 0);
        double scratch = -3 + (p.straightness() > 0.9 ? 2.5 : -2) + (p.lengthRadii() > 0.25 ? 2 : -2.5)
                - p.junctions() * 0.5 + (p.widthRadii() < 0.012 ? 0.5 : -1);
        double[] scores = {fungus, dust, scratch, 0};
        FindingKind[] kinds = {FindingKind.FUNGUS, FindingKind.DUST, FindingKind.SCRATCH, FindingKind.UNKNOWN};
        int best = 0;
        double total = 0;
        for (int i = 0; i < scores.length; i++) {
            total += Math.exp(scores[i]);
            best = scores[i] > scores[best] ? i : best;
        }
        switch (kinds[best]) {
            case FUNGUS -> {
                reasons.add(String.format(Locale.ROOT, "branching: %d junctions, %.0f per radius of thread",
                        p.junctions(), perLength));
                reasons.add(String.format(Locale.ROOT, "threads %.1f radii long, %d free ends", p.lengthRadii(), p.ends()));
            }
            case DUST -> reasons.add(String.format(
                    Locale.ROOT, "compact: %.3f radii long, %d junctions", p.lengthRadii(), p.junctions()));
            case SCRATCH -> reasons.add(String.format(
                    Locale.ROOT, "single line, %.0f %% straight, %.2f radii long", 100 * p.straightness(), p.lengthRadii()));
            default -> reasons.add(String.format(
                    Locale.ROOT, "neither speck nor thread: %.2f radii long, %d junctions", p.lengthRadii(), p.junctions()));
        }
        return new Verdict(kinds[best], Math.exp(scores[best]) / total, reasons);
    }
}
