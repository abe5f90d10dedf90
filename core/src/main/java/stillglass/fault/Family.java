package stillglass.fault;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.DoubleFunction;
import java.util.stream.IntStream;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;

/// A way of being wrong, over all its magnitudes.
///
/// @param name what it is called: the short form without its magnitude
/// @param prior how often it is met before anything was measured, relative to the others
/// @param steps magnitudes in order, those of one sign first; one where there is none
/// @param graded whether what lies between two steps is possible too
/// @param leans whether its direction round the axis is open
/// @param row how many steps stand in a row of one lean: lifts go through a row, leans from row to row; all where there is one row
record Family(String name, double prior, List<Step> steps, boolean graded, boolean leans, int row) {
    private static final double NOTHING = 0.12;
    private static final double REVERSED = 0.22;
    private static final double SWAPPED = 0.1;
    private static final double GAP = 0.14;
    private static final double SPACER_MISSING = 0.06;
    private static final double SPACER_REVERSED = 0.04;
    private static final double SPACERS_SWAPPED = 0.05;
    private static final double SHIMS = 0.14;
    private static final double UNSEATED = 0.13;
    private static final double DECENTRED = 0.04;
    private static final double[] MAGNITUDES = {0.02, 0.05, 0.1, 0.2, 0.35, 0.6, 1, 1.6};
    private static final double[] SHIM_MM = {0.02, 0.05, 0.1, 0.2, 0.4, 0.8, 1.6};
    private static final double[] LIFTS_MM = {0, 0.15, 0.4, 0.8};
    private static final double[] ASIDE_MM = {0.05, 0.2, 0.6};
    private static final double[] TILTS_DEG = {0.1, 0.35, 1};
    /// Rims that differ by so much do not fit each other's seat, mm.
    private static final double ALIKE_MM = 3;
    /// Of faults at glasses nobody has touched this share is left: an earlier hand may have been there.
    private static final double UNTOUCHED = 0.1;

    /// @param weight of the magnitude within its family
    record Step(List<LensFault> faults, double magnitude, double weight) {
        Step {
            faults = List.copyOf(faults);
        }
    }

    Family {
        steps = List.copyOf(steps);
    }

    /// All single faults of a lens, and that nothing is wrong.
    static List<Family> of(LensSection lens) {
        List<Family> all = new ArrayList<>();
        all.add(new Family("none", NOTHING, List.of(new Step(List.of(), 0, 1)), false, false, 1));
        List<List<Element>> groups = groups(lens);
        all.addAll(reversed(groups, lens));
        all.addAll(swapped(groups));
        List<Integer> gaps = IntStream.range(1, lens.surfaces().size()).filter(g -> lens.elements().stream().noneMatch(e -> e.firstSurface() <= g - 1 && e.lastSurface() >= g)).boxed().toList();
        for (int g : gaps) {
            all.add(graded("gap:" + g, GAP / gaps.size(), MAGNITUDES, mm -> new LensFault.GapChanged(g, mm)));
        }
        // Next to the iris there is no spacer from glass to glass.
        List<Integer> spacers = gaps.stream().filter(g -> !lens.surfaces().get(g - 1).stop() && !lens.surfaces().get(g).stop()).toList();
        for (int g : spacers) {
            all.add(single(new LensFault.SpacerMissing(g), SPACER_MISSING / spacers.size()));
            double front = rim(lens, g - 1);
            double rear = rim(lens, g);
            if (Math.abs(front - rear) > 0.5) {
                all.add(single(new LensFault.SpacerReversed(g, front, rear), SPACER_REVERSED / spacers.size()));
            }
        }
        for (int a = 0; a < spacers.size(); a++) {
            for (int b = a + 1; b < spacers.size(); b++) {
                all.add(single(new LensFault.SpacersSwapped(spacers.get(a), spacers.get(b)), SPACERS_SWAPPED * 2 / (spacers.size() * (spacers.size() - 1))));
            }
        }
        int mount = lens.surfaces().size();
        all.add(graded("shim:" + mount, SHIMS, SHIM_MM, mm -> mm < 0 ? new LensFault.ShimMissing(mount, -mm) : new LensFault.ShimDoubled(mount, mm)));
        for (List<Element> g : groups) {
            List<String> names = g.stream().map(Element::name).toList();
            List<Step> steps = new ArrayList<>();
            for (double tilt : TILTS_DEG) {
                for (double lift : LIFTS_MM) {
                    steps.add(new Step(List.of(new LensFault.Unseated(names, lift, tilt, 12)), lift, 1.0 / (TILTS_DEG.length * LIFTS_MM.length)));
                }
            }
            all.add(new Family("unseated:" + String.join("+", names), UNSEATED / groups.size(), steps, true, true, LIFTS_MM.length));
            List<Step> aside = Arrays.stream(ASIDE_MM).mapToObj(mm -> new Step(List.of(new LensFault.Decentred(names, mm, 12)), mm, 1.0 / ASIDE_MM.length)).toList();
            all.add(new Family("decentred:" + String.join("+", names), DECENTRED / groups.size(), aside, true, true, ASIDE_MM.length));
        }
        return all;
    }

    private static List<List<Element>> groups(LensSection lens) {
        return lens.elements().stream().map(Element::group).distinct().map(g -> lens.elements().stream().filter(e -> e.group().equals(g)).toList()).toList();
    }

    private static double rim(LensSection lens, int surface) {
        return lens.elementsAt(surface).stream().mapToDouble(Element::diameterMm).min().orElse(2 * lens.surfaces().get(surface).semiDiameterMm());
    }

    /// What looks alike from both sides is turned round more easily.
    private static List<Family> reversed(List<List<Element>> groups, LensSection lens) {
        double[] weight = groups.stream().mapToDouble(g -> {
            double front = lens.surfaces().get(g.getFirst().firstSurface()).curvature();
            double rear = -lens.surfaces().get(g.getLast().lastSurface()).curvature();
            double apart = Math.abs(front - rear) / (Math.abs(front) + Math.abs(rear) + 1e-6);
            return 0.3 + 0.7 * Math.exp(-3 * apart);
        }).toArray();
        double sum = Arrays.stream(weight).sum();
        return IntStream.range(0, groups.size()).mapToObj(i -> single(new LensFault.Reversed(groups.get(i).stream().map(Element::name).toList()), REVERSED * weight[i] / sum)).toList();
    }

    private static List<Family> swapped(List<List<Element>> groups) {
        List<Family> out = new ArrayList<>();
        List<Double> weights = new ArrayList<>();
        for (int a = 0; a < groups.size(); a++) {
            for (int b = a + 1; b < groups.size(); b++) {
                double apart = groups.get(a).getFirst().diameterMm() - groups.get(b).getFirst().diameterMm();
                weights.add(0.03 + Math.exp(-Math.pow(apart / ALIKE_MM, 2)));
                out.add(single(new LensFault.Swapped(groups.get(a).stream().map(Element::name).toList(), groups.get(b).stream().map(Element::name).toList()), 1));
            }
        }
        double sum = weights.stream().mapToDouble(w -> w).sum();
        return IntStream.range(0, out.size()).mapToObj(i -> out.get(i).weighed(SWAPPED * weights.get(i) / sum)).toList();
    }

    /// The same after work that took some glasses out: what was left alone is as it was.
    /// @param touched names of glasses; empty when nobody knows
    Family after(Set<String> touched, LensSection lens) {
        Set<String> about = new TreeSet<>();
        steps.getFirst().faults.forEach(f -> about.addAll(f.glasses(lens)));
        return touched.isEmpty() || about.isEmpty() || about.stream().anyMatch(touched::contains) ? this : weighed(prior * UNTOUCHED);
    }

    private Family weighed(double p) {
        return new Family(name, p, steps, graded, leans, row);
    }

    private static Family single(LensFault fault, double prior) {
        return new Family(fault.shortForm(), prior, List.of(new Step(List.of(fault), 0, 1)), false, false, 1);
    }

    private static Family graded(String name, double prior, double[] magnitudes, DoubleFunction<LensFault> fault) {
        List<Step> steps = new ArrayList<>();
        for (int i = magnitudes.length - 1; i >= 0; i--) {
            steps.add(new Step(List.of(fault.apply(-magnitudes[i])), -magnitudes[i], 0.5 / magnitudes.length));
        }
        for (double m : magnitudes) {
            steps.add(new Step(List.of(fault.apply(m)), m, 0.5 / magnitudes.length));
        }
        return new Family(name, prior, steps, true, false, steps.size());
    }

    /// The fault at a magnitude between its steps.
    List<LensFault> at(double magnitude) {
        Optional<LensFault> first = steps.getFirst().faults.stream().findFirst();
        if (!graded || first.isEmpty()) {
            return steps.getFirst().faults;
        }
        double mm = Math.round(1000 * magnitude) / 1000.0;
        return switch (first.get()) {
            case LensFault.GapChanged g -> List.of(new LensFault.GapChanged(g.gap(), mm));
            case LensFault.ShimMissing s -> List.of(mm < 0 ? new LensFault.ShimMissing(s.gap(), -mm) : new LensFault.ShimDoubled(s.gap(), Math.max(0.001, mm)));
            default -> throw new IllegalStateException(String.format(Locale.ROOT, "%s has no magnitude", name));
        };
    }
}
