package stillglass.plan.alike;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Surface;

/// Which glass of one lens stands where which glass of another does: the cheapest way to turn one row of glasses into the other by leaving some out, by the method
/// of edit distances. A glass is told by the sign of its power, whether it is cemented to the next, the side of the iris it stands on, and its diameter over the
/// largest.
///
/// Reference: R. A. Wagner, M. J. Fischer, *J. ACM* 21 (1974) 168.
///
/// @param pairs names in the known lens with those in the other
/// @param likeness 1 for the same row of glasses, 0 for nothing in common
record GlassMatch(Map<String, String> pairs, double likeness) {
    private static final double POWER = 0.45;
    private static final double CEMENT = 0.20;
    private static final double IRIS = 0.25;
    private static final double DIAMETER = 0.60;
    /// Cost of a glass without a counterpart.
    private static final double GAP = 0.9;

    private record Trait(String name, boolean positive, boolean cementedToNext, boolean beforeIris, double diameter) {}

    GlassMatch {
        pairs = Map.copyOf(pairs);
    }

    static GlassMatch of(LensSection known, LensSection other) {
        List<Trait> a = traits(known);
        List<Trait> b = traits(other);
        double[][] cost = new double[a.size() + 1][b.size() + 1];
        for (int i = 0; i <= a.size(); i++) {
            for (int j = 0; j <= b.size(); j++) {
                cost[i][j] = i == 0 || j == 0 ? GAP * (i + j)
                        : Math.min(cost[i - 1][j - 1] + apart(a.get(i - 1), b.get(j - 1)), GAP + Math.min(cost[i - 1][j], cost[i][j - 1]));
            }
        }
        Map<String, String> pairs = new LinkedHashMap<>();
        int i = a.size();
        int j = b.size();
        while (i > 0 && j > 0) {
            if (cost[i][j] == cost[i - 1][j - 1] + apart(a.get(i - 1), b.get(j - 1))) {
                pairs.put(a.get(--i).name, b.get(--j).name);
            } else if (cost[i][j] == GAP + cost[i - 1][j]) {
                i--;
            } else {
                j--;
            }
        }
        int most = Math.max(a.size(), b.size());
        return new GlassMatch(pairs, most == 0 ? 0 : Math.clamp(1 - cost[a.size()][b.size()] / most, 0, 1));
    }

    private static double apart(Trait a, Trait b) {
        return (a.positive == b.positive ? 0 : POWER) + (a.cementedToNext == b.cementedToNext ? 0 : CEMENT) + (a.beforeIris == b.beforeIris ? 0 : IRIS)
                + DIAMETER * Math.abs(a.diameter - b.diameter);
    }

    private static List<Trait> traits(LensSection lens) {
        double largest = lens.elements().stream().mapToDouble(Element::diameterMm).max().orElse(1);
        List<Trait> out = new ArrayList<>();
        for (int i = 0; i < lens.elements().size(); i++) {
            Element e = lens.elements().get(i);
            Optional<Element> next = i + 1 < lens.elements().size() ? Optional.of(lens.elements().get(i + 1)) : Optional.empty();
            out.add(new Trait(e.name(), power(lens, e) > 0, next.filter(n -> e.cementedWith().contains(n.name())).isPresent(), e.firstSurface() < lens.stopIndex(), e.diameterMm() / largest));
        }
        return out;
    }

    /// Power of a glass by itself in air, as a thin lens, 1/mm.
    private static double power(LensSection lens, Element e) {
        Surface front = lens.surfaces().get(e.firstSurface());
        Surface rear = lens.surfaces().get(e.lastSurface());
        return (front.after().index(Medium.D_LINE_NM) - 1) * (curvature(front) - curvature(rear));
    }

    private static double curvature(Surface s) {
        return Double.isInfinite(s.radiusMm()) || s.radiusMm() == 0 ? 0 : 1 / s.radiusMm();
    }
}
