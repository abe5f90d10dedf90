package stillglass.look.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import stillglass.look.Aperture;

/// Every ring that may be the rim of the glass, measured for what tells rims from the other rings of a mount.
///
/// Rings are looked for about the centres on which several edges agree, all the way from the smallest glass to the outside of the barrel, and where single edges were fitted without a common centre.
final class RimCandidates {
    private static final int MOST_FAMILIES = 3;
    private static final double SAME_CENTRE = 0.008;
    private static final double OTHER_CENTRE = 0.03;
    private static final double LEAST_AGREEMENT = 0.66;
    private static final double LEAST_STEP = 0.02;
    private static final double SAME_RING = 0.006;
    private static final double SCAN = 1.005;
    private static final double LEAST_RADIUS = 0.11;
    private static final double MOST_RADIUS = 1.7;
    private static final int AROUND = 60;

    private RimCandidates() {}

    /// A ring and what is measured of it.
    static final class Candidate {
        final Aperture ring;
        /// In the order of [RimTrait].
        final double[] traits;

        Candidate(Aperture ring, double[] traits) {
            this.ring = ring;
            this.traits = traits;
        }
    }

    /// A centre and the edges about it, from the inside out.
    private record Family(Aperture of, double weight, List<RingEdge> edges) {}

    /// @param log logarithm of light, see [RingEdge#log]
    /// @param rings edges that were fitted one by one
    /// @param rule what the rule of the blackened edge takes
    static List<Candidate> of(float[] log, int w, int h, List<RingEdge> rings, Optional<Aperture> rule) {
        List<Family> families = families(log, w, h, rings);
        rule.ifPresent(r -> families.stream().findFirst().ifPresent(f -> include(f.edges, RingEdge.step(log, w, h, r))));
        double best = families.stream().mapToDouble(Family::weight).max().orElse(1);
        List<Candidate> out = new ArrayList<>();
        for (Family f : families) {
            double strongest = f.edges.stream().mapToDouble(RimCandidates::strength).max().orElse(1);
            for (int i = 0; i < f.edges.size(); i++) {
                RingEdge e = f.edges.get(i);
                Aperture fitted = RingEdge.refine(log, w, h, e.ring(), e.step(), 0.5, 0.02, 0.012);
                double aside = apart(fitted, e.ring()) / e.ring().meanRadius();
                boolean stayed = aside < 0.015 && Math.abs(fitted.meanRadius() / e.ring().meanRadius() - 1) < 0.015 && fitted.ry() > 0.8 * fitted.rx();
                Aperture ring = stayed ? fitted : e.ring();
                if (out.stream().noneMatch(o -> same(o.ring, ring))) {
                    double[] t = traits(log, w, h, RingEdge.measure(log, w, h, ring));
                    t[RimTrait.ASIDE.ordinal()] = stayed ? aside : 0.02;
                    t[RimTrait.FAMILY.ordinal()] = f.weight / Math.max(1e-9, best);
                    t[RimTrait.NEXT_OUT.ordinal()] = i + 1 < f.edges.size() ? ratio(f.edges.get(i + 1).ring(), e.ring()) : 1;
                    t[RimTrait.NEXT_IN.ordinal()] = i > 0 ? ratio(e.ring(), f.edges.get(i - 1).ring()) : 1;
                    t[RimTrait.OUTSIDE.ordinal()] = f.edges.size() - 1.0 - i;
                    t[RimTrait.INSIDE.ordinal()] = i;
                    t[RimTrait.STRONG.ordinal()] = strength(e) / Math.max(1e-9, strongest);
                    t[RimTrait.RULE.ordinal()] = rule.filter(r -> apart(r, ring) < 0.012 * r.meanRadius() && Math.abs(ratio(r, ring)) < 0.012).isPresent() ? 1 : 0;
                    t[RimTrait.RULE_RATIO.ordinal()] = rule.map(r -> Math.clamp(ratio(ring, r), -1, 1)).orElse(1.0);
                    out.add(new Candidate(ring, t));
                }
            }
        }
        return out;
    }

    /// What the rule takes is a candidate, however faint its edge; edges stay in order from the inside out.
    private static void include(List<RingEdge> edges, RingEdge taken) {
        if (edges.stream().noneMatch(e -> same(e.ring(), taken.ring()))) {
            int at = (int) edges.stream().filter(e -> e.ring().meanRadius() < taken.ring().meanRadius()).count();
            edges.add(at, taken);
        }
    }

    private static boolean same(Aperture a, Aperture b) {
        return apart(a, b) < SAME_RING * b.meanRadius() && Math.abs(ratio(a, b)) < SAME_RING;
    }

    private static double ratio(Aperture a, Aperture b) {
        return Math.log(a.meanRadius() / b.meanRadius());
    }

    private static double apart(Aperture a, Aperture b) {
        return Math.hypot(a.cx() - b.cx(), a.cy() - b.cy());
    }

    private static double strength(RingEdge r) {
        return Math.min(1, Math.abs(r.step())) * Math.max(0, r.agree() - 0.5) * 2 * r.sharp();
    }

    private static List<Family> families(float[] log, int w, int h, List<RingEdge> rings) {
        List<RingEdge> left = new ArrayList<>(rings.stream().filter(r -> r.agree() > 0.8 && Math.abs(r.step()) > 0.05).toList());
        List<Family> out = new ArrayList<>();
        while (!left.isEmpty() && out.size() < MOST_FAMILIES) {
            RingEdge head = left.stream().max(Comparator.comparingDouble(r -> weight(left, r))).orElseThrow();
            double weight = weight(left, head);
            out.add(new Family(head.ring(), weight, edges(log, w, h, head.ring())));
            left.removeIf(r -> apart(r.ring(), head.ring()) < OTHER_CENTRE * Math.max(r.ring().meanRadius(), head.ring().meanRadius()));
        }
        return out;
    }

    private static double weight(List<RingEdge> rings, RingEdge of) {
        double sum = 0;
        for (RingEdge o : rings) {
            if (apart(o.ring(), of.ring()) < SAME_CENTRE * Math.max(o.ring().meanRadius(), of.ring().meanRadius())) {
                sum += o.agree() * o.sharp() * Math.min(1, Math.abs(o.step())) * o.ring().areaPx();
            }
        }
        return sum * (1 + 1e-3 * strength(of));
    }

    /// Edges about one centre: where the step, of either sign, is strongest among its neighbours.
    private static List<RingEdge> edges(float[] log, int w, int h, Aperture family) {
        double first = Math.max(0.2, LEAST_RADIUS * Math.min(w, h) / family.meanRadius());
        int count = (int) Math.max(0, Math.log(MOST_RADIUS / first) / Math.log(SCAN));
        List<RingEdge> scan = IntStream.range(0, count).parallel().mapToObj(i -> RingEdge.step(log, w, h, ApertureFinder.about(family, first * Math.pow(SCAN, i)))).toList();
        List<RingEdge> out = new ArrayList<>();
        for (int i = 1; i + 1 < scan.size(); i++) {
            RingEdge here = scan.get(i);
            double s = strength(here);
            if (here.agree() > LEAST_AGREEMENT && Math.abs(here.step()) > LEAST_STEP && s >= strength(scan.get(i - 1)) && s > strength(scan.get(i + 1))) {
                out.add(here);
            }
        }
        return out;
    }

    private static double[] traits(float[] log, int w, int h, RingEdge r) {
        double[] t = new double[RimTrait.values().length];
        double[] just = ring(log, w, h, r.ring(), 1.02);
        double[] within = ring(log, w, h, r.ring(), 0.965);
        double outside = just[0];
        double gap = outside;
        for (double u = 1.01; u < 1.08; u += 0.01) {
            gap = Math.min(gap, ring(log, w, h, r.ring(), u)[0]);
        }
        double bright = outside;
        for (double u = 1.03; u < 1.26; u += 0.02) {
            bright = Math.max(bright, ring(log, w, h, r.ring(), u)[0]);
        }
        double glass = 0;
        int n = 0;
        for (double u = 0.6; u < 0.96; u += 0.05) {
            glass += ring(log, w, h, r.ring(), u)[0];
            n++;
        }
        double darkest = outside - r.dark();
        t[RimTrait.STEP.ordinal()] = r.step();
        t[RimTrait.AGREE.ordinal()] = r.agree();
        t[RimTrait.SHARP.ordinal()] = r.sharp();
        t[RimTrait.DARK.ordinal()] = r.dark();
        t[RimTrait.SEEN.ordinal()] = r.seen();
        t[RimTrait.SIZE.ordinal()] = r.ring().meanRadius() / Math.min(w, h);
        t[RimTrait.MARKS_IN.ordinal()] = within[1];
        t[RimTrait.MARKS_OUT.ordinal()] = just[1];
        t[RimTrait.GAP.ordinal()] = gap - darkest;
        t[RimTrait.RISE.ordinal()] = bright - outside;
        t[RimTrait.GLASS.ordinal()] = glass / n - outside;
        return t;
    }

    /// Median of the logarithm of light along a ring, and its scatter as a median departure.
    private static double[] ring(float[] log, int w, int h, Aperture a, double u) {
        double[] values = new double[AROUND];
        int n = 0;
        var map = a.map();
        for (int k = 0; k < AROUND; k++) {
            double v = RingEdge.sample(log, w, h, map, 2 * Math.PI * k / AROUND, u);
            if (!Double.isNaN(v)) {
                values[n++] = v;
            }
        }
        if (n == 0) {
            return new double[] {0, 0};
        }
        double[] seen = Arrays.copyOf(values, n);
        double middle = LeastSquares.median(seen);
        double scatter = LeastSquares.median(Arrays.stream(seen).map(v -> Math.abs(v - middle)).toArray());
        return new double[] {middle, scatter};
    }
}
