package stillglass.fault;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import stillglass.look.Progress;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.prove.measure.Bell;
import stillglass.say.Said;

/// Which fault of the assembly explains what was measured.
///
/// Bayes over every single fault of a lens, each over its magnitudes; "nothing is wrong" and "one of the figures was measured wrongly" are answers like any other. Errors of the figures are bells; what
/// tracing in one colour and the scatter of real lenses add is in them. Faults whose figures differ by less than anybody measures are told as one class.
///
/// @param hypotheses the likeliest first; probabilities add up to 1
/// @param alike classes of faults that no figure here tells apart, by name
/// @param next the measurement that would tell most for its minutes; empty when nothing would
/// @param tried faults that were traced
/// @param directed whether a figure of one side of the picture tells whereto something leans
public record Diagnosis(List<Hypothesis> hypotheses, List<List<String>> alike, Optional<NextCheck> next, int tried, boolean directed, List<Said> diagnostics) {
    private static final double MISMEASURED = 0.05;
    /// Beyond this many deviations a figure tells no more: it may have been read wrongly.
    private static final double CUT = 6;
    private static final int BETWEEN = 8;
    private static final int LEANS_BETWEEN = 4;
    private static final double SHOWN = 0.004;
    private static final int MOST_SHOWN = 12;
    private static final int PAIRED = 28;
    private static final double PAIR_SHARE = 0.06;
    private static final double NOWHERE = 10;

    /// A way of being wrong.
    /// @param fault short form; `none`, or `mismeasured:` and the figure
    /// @param probability 0 to 1
    /// @param faults that are meant, at the likeliest magnitude; none for `none` and a wrong figure
    /// @param predicts what it would measure, by what and field
    public record Hypothesis(String fault, double probability, List<LensFault> faults, Map<String, Double> predicts) {
        public Hypothesis {
            faults = List.copyOf(faults);
            predicts = Collections.unmodifiableMap(new TreeMap<>(predicts));
        }
    }

    /// A measurement that would tell faults apart.
    /// @param setting zoom or focus setting; empty for the one the section is drawn at
    /// @param gainBits expected information
    /// @param minutes it takes
    public record NextCheck(Observation.What what, double field, String setting, double gainBits, double minutes, Said why) {}

    public Diagnosis {
        hypotheses = List.copyOf(hypotheses);
        alike = alike.stream().map(List::copyOf).toList();
        diagnostics = List.copyOf(diagnostics);
    }

    /// A weighed family.
    private record Weighed(String name, double logWeight, List<LensFault> faults, Predicted predicted) {}

    /// @param pairs whether two faults at once are tried as well
    /// @throws IllegalArgumentException for a section that images nothing
    public static Diagnosis of(LensSection section, List<Observation> observations, LensFault.Seating seating, boolean pairs, Progress progress) {
        return of(section, observations, seating, pairs, Set.of(), progress);
    }

    /// @param touched glasses that were out of their seats since the lens was last right; empty when nobody knows. What was not touched is seldom wrong
    public static Diagnosis of(LensSection section, List<Observation> observations, LensFault.Seating seating, boolean pairs, Set<String> touched, Progress progress) {
        return of(section, Map.of(), observations, seating, pairs, touched, progress);
    }

    /// Weighed by figures of several zoom or focus settings at once: a fault is the same at each, what it does is not.
    /// @param settings the lens at the settings other than the one the section is drawn at, by the names the observations give
    public static Diagnosis of(LensSection section, Map<String, LensSection> settings, List<Observation> observations, LensFault.Seating seating, boolean pairs, Set<String> touched, Progress progress) {
        observations.stream().map(Observation::setting).filter(n -> !n.isEmpty() && !settings.containsKey(n)).findFirst().ifPresent(n -> {
            throw new IllegalArgumentException("something was measured at “" + n + "”, and " + section.name() + " is not known there");
        });
        Predictor predictor = new Predictor(section, settings, seating, observations.stream().filter(o -> o.what().ofField()).map(Observation::field).toList());
        Predicted design = predictor.design();
        if (design.infinityMm().isEmpty()) {
            throw new IllegalArgumentException(section.name() + " brings nothing to a focus as designed: no fault can be weighed against it");
        }
        List<Family> families = Family.of(section).stream().map(f -> f.after(touched, section)).toList();
        List<Weighed> weighed = new ArrayList<>();
        int[] done = {0};
        families.parallelStream().map(f -> {
            synchronized (done) {
                progress.at((double) done[0]++ / families.size() * (pairs ? 0.15 : 1), f.name());
            }
            return weigh(f, predictor, observations, design);
        }).toList().forEach(o -> o.ifPresent(weighed::add));
        int tried = families.stream().mapToInt(f -> f.steps().size()).sum();
        for (int i = 0; i < observations.size(); i++) {
            weighed.add(mismeasured(i, observations, design));
        }
        if (pairs) {
            List<Weighed> two = pairs(weighed, families, predictor, observations, design, progress);
            tried += two.size();
            weighed.addAll(two);
        }
        double top = weighed.stream().mapToDouble(Weighed::logWeight).max().orElse(0);
        double sum = weighed.stream().mapToDouble(w -> Math.exp(w.logWeight - top)).sum();
        List<Weighed> sorted = weighed.stream().sorted(Comparator.comparingDouble(w -> -w.logWeight)).toList();
        double[] p = sorted.stream().mapToDouble(w -> Math.exp(w.logWeight - top) / sum).toArray();
        List<Hypothesis> out = new ArrayList<>();
        for (int i = 0; i < sorted.size(); i++) {
            out.add(new Hypothesis(sorted.get(i).name, p[i], sorted.get(i).faults, told(sorted.get(i).predicted, observations, design)));
        }
        List<Said> notes = new ArrayList<>();
        if (section.basis().estimate()) {
            notes.add(Said.of("lens.estimate", "basis", section.basis().word()));
        }
        return new Diagnosis(out, alike(sorted, p), next(sorted, p, observations, design), tried, observations.stream().anyMatch(o -> o.azimuthDeg().isPresent()), notes);
    }

    /// The faults a way of being wrong means, in words; whereto something leans only where it was measured.
    public List<Said> said(Hypothesis h) {
        return h.faults.stream().map(f -> directed ? f.said() : f.undirected()).toList();
    }

    /// What is worth showing: the likeliest, down to some promille.
    public List<Hypothesis> likely() {
        return hypotheses.stream().filter(h -> h.probability > SHOWN).limit(MOST_SHOWN).toList();
    }

    private static Optional<Weighed> weigh(Family f, Predictor predictor, List<Observation> observations, Predicted design) {
        List<Predicted> each = new ArrayList<>();
        List<Family.Step> steps = new ArrayList<>();
        for (Family.Step s : f.steps()) {
            try {
                each.add(predictor.predict(s.faults()));
                steps.add(s);
            } catch (IllegalArgumentException cannotBe) {
                // Glasses that would lie inside each other: this magnitude does not exist.
                continue;
            }
        }
        if (each.isEmpty()) {
            return Optional.empty();
        }
        Best best = new Best(f);
        // A magnitude that cannot be leaves a hole: then nothing is drawn between its neighbours.
        boolean whole = each.size() == f.steps().size();
        int row = whole ? f.row() : each.size();
        for (int r = 0; r * row < each.size(); r++) {
            boolean more = whole && f.leans() && (r + 1) * row < each.size();
            for (int t = 0; t < (more ? LEANS_BETWEEN : 1); t++) {
                for (int i = 0; i < row; i++) {
                    int at = r * row + i;
                    boolean last = i + 1 == row || !whole || !f.graded() || steps.get(at).magnitude() < 0 != steps.get(at + 1).magnitude() < 0;
                    for (int k = 0; k < (last ? 1 : BETWEEN); k++) {
                        double share = (double) k / BETWEEN;
                        double lean = (double) t / LEANS_BETWEEN;
                        Predicted here = between(each, at, last ? 0 : share, more ? lean : 0, row);
                        double magnitude = last ? steps.get(at).magnitude() : (1 - share) * steps.get(at).magnitude() + share * steps.get(at + 1).magnitude();
                        double w = steps.get(at).weight() / (last ? 1 : BETWEEN) / (more ? LEANS_BETWEEN : 1);
                        best.take(here, w, f.leans(), steps.get(at), magnitude, observations, design);
                    }
                }
            }
        }
        return Optional.of(best.weighed());
    }

    /// Between four neighbours: two magnitudes, two leans.
    private static Predicted between(List<Predicted> each, int at, double share, double lean, int row) {
        Predicted here = share == 0 ? each.get(at) : each.get(at).towards(each.get(at + 1), share);
        if (lean == 0) {
            return here;
        }
        Predicted there = share == 0 ? each.get(at + row) : each.get(at + row).towards(each.get(at + row + 1), share);
        return here.towards(there, lean);
    }

    /// Sums a family over its magnitudes and directions, and remembers the likeliest.
    private static final class Best {
        private final Family family;
        private double best = Double.NEGATIVE_INFINITY;
        private double sum = Double.NEGATIVE_INFINITY;
        private double weights;
        private List<LensFault> faults = List.of();
        private Optional<Predicted> predicted = Optional.empty();

        Best(Family family) {
            this.family = family;
        }

        void take(Predicted here, double weight, boolean leans, Family.Step step, double magnitude, List<Observation> observations, Predicted design) {
            weights += weight;
            int directions = leans ? Predictor.AROUND : 1;
            for (int d = 0; d < directions; d++) {
                Predicted turned = d == 0 ? here : here.turned(d);
                double l = logLikelihood(turned, observations, design, -1);
                sum = add(sum, l + Math.log(weight / directions));
                if (l > best || predicted.isEmpty()) {
                    best = l;
                    predicted = Optional.of(turned);
                    faults = leans ? leaning(step.faults(), magnitude, d) : family.graded() ? family.at(magnitude) : step.faults();
                }
            }
        }

        Weighed weighed() {
            String name = faults.isEmpty() ? family.name() : String.join(" ", faults.stream().map(LensFault::shortForm).toList());
            return new Weighed(name, Math.log(family.prior()) + sum - Math.log(weights), faults, predicted.orElseThrow());
        }
    }

    private static List<LensFault> leaning(List<LensFault> faults, double liftMm, int step) {
        double hours = 12.0 * step / Predictor.AROUND;
        double mm = Math.round(1000 * liftMm) / 1000.0;
        return faults.stream().map(x -> switch (x) {
            case LensFault.Unseated u -> new LensFault.Unseated(u.elements(), mm, u.tiltDeg(), hours == 0 ? 12 : hours);
            case LensFault.Decentred c -> new LensFault.Decentred(c.elements(), mm, hours == 0 ? 12 : hours);
            default -> x;
        }).toList();
    }

    private static Weighed mismeasured(int which, List<Observation> observations, Predicted design) {
        Observation o = observations.get(which);
        double l = logLikelihood(design, observations, design, which);
        // A wrong figure may be anything that such a figure can be.
        double anything = -Math.log(Math.max(200 * o.sigma(), widest(o.what())));
        return new Weighed("mismeasured:" + key(o), Math.log(MISMEASURED / observations.size()) + l + anything, List.of(), design);
    }

    /// Range of what a figure could be misread for.
    private static double widest(Observation.What what) {
        return switch (what) {
            case INFINITY_ERROR_MM -> 10;
            case RMS_UM -> 500;
            case MTF30_SAGITTAL, MTF30_TANGENTIAL -> 1;
            case MAGNIFICATION_PERCENT, DISTORTION_PERCENT -> 20;
            case OPENING_EV -> 6;
            case SCALE_AT_M -> 10;
        };
    }

    /// The likeliest single faults with each other: what neither explains alone.
    private static List<Weighed> pairs(List<Weighed> singles, List<Family> families, Predictor predictor, List<Observation> observations, Predicted design, Progress progress) {
        List<Weighed> seeds = new ArrayList<>(singles.stream().filter(w -> !w.faults.isEmpty()).sorted(Comparator.comparingDouble(w -> -w.logWeight)).limit(PAIRED).toList());
        double prior = families.stream().filter(f -> f.name().equals("none")).mapToDouble(Family::prior).findFirst().orElse(0.1);
        List<int[]> all = new ArrayList<>();
        for (int a = 0; a < seeds.size(); a++) {
            for (int b = a + 1; b < seeds.size(); b++) {
                all.add(new int[] {a, b});
            }
        }
        int[] done = {0};
        return all.parallelStream().map(ab -> {
            synchronized (done) {
                progress.at(0.15 + 0.85 * done[0]++ / all.size(), "");
            }
            List<LensFault> both = new ArrayList<>(seeds.get(ab[0]).faults);
            both.addAll(seeds.get(ab[1]).faults);
            try {
                Predicted p = predictor.predict(both);
                double l = logLikelihood(p, observations, design, -1);
                return Optional.of(new Weighed(String.join(" ", both.stream().map(LensFault::shortForm).toList()), Math.log(prior * PAIR_SHARE / all.size()) + l, both, p));
            } catch (IllegalArgumentException cannotBe) {
                return Optional.<Weighed>empty();
            }
        }).flatMap(Optional::stream).toList();
    }

    private static double add(double a, double b) {
        double top = Math.max(a, b);
        return Double.isInfinite(top) ? top : top + Math.log(Math.exp(a - top) + Math.exp(b - top));
    }

    /// @param without observation that is left out, -1 for none
    private static double logLikelihood(Predicted p, List<Observation> observations, Predicted design, int without) {
        double sum = 0;
        for (int i = 0; i < observations.size(); i++) {
            if (i == without) {
                continue;
            }
            Observation o = observations.get(i);
            OptionalDouble should = p.of(o, design);
            double value = should.orElse(Double.NaN);
            double sigma = Math.hypot(o.sigma(), own(o.what(), Double.isNaN(value) ? o.value() : value));
            double z = Double.isNaN(value) ? CUT : Math.min(CUT, Math.abs(o.value() - value) / sigma);
            sum += -z * z / 2 - Math.log(sigma) - Math.log(2 * Math.PI) / 2;
        }
        return sum;
    }

    /// What tracing in one colour, and real lenses about their design, add to an error.
    private static double own(Observation.What what, double value) {
        return switch (what) {
            case INFINITY_ERROR_MM -> 0.01 + 0.015 * Math.abs(value);
            case RMS_UM -> 1 + 0.07 * Math.abs(value);
            case MTF30_SAGITTAL, MTF30_TANGENTIAL -> 0.12;
            case MAGNIFICATION_PERCENT -> 0.1;
            case DISTORTION_PERCENT -> 0.1 + 0.05 * Math.abs(value);
            case OPENING_EV -> 0.02 + 0.02 * Math.abs(value);
            case SCALE_AT_M -> 0.01 * Math.abs(value);
        };
    }

    private static String key(Observation o) {
        return o.what().word() + (o.what().ofField() ? ":" + o.field() : "") + (o.setting().isEmpty() ? "" : "@" + o.setting());
    }

    private static Map<String, Double> told(Predicted p, List<Observation> observations, Predicted design) {
        Map<String, Double> out = new TreeMap<>();
        p.infinityMm().ifPresent(v -> out.put(Observation.What.INFINITY_ERROR_MM.word(), v));
        out.put(Observation.What.MAGNIFICATION_PERCENT.word(), p.magnificationPercent());
        for (double f : p.fields()) {
            out.put(Observation.What.RMS_UM.word() + ":" + f, p.spotUm(f, OptionalDouble.empty(), false));
        }
        observations.forEach(o -> p.of(o, design).ifPresent(v -> out.put(key(o), v)));
        return out;
    }

    private static List<List<String>> alike(List<Weighed> sorted, double[] p) {
        List<Integer> likely = IntStream.range(0, sorted.size()).filter(i -> p[i] > SHOWN && !sorted.get(i).name.startsWith("mismeasured")).boxed().toList();
        List<List<String>> classes = new ArrayList<>();
        Set<Integer> seen = new LinkedHashSet<>();
        for (int i : likely) {
            if (seen.contains(i)) {
                continue;
            }
            List<String> same = new ArrayList<>();
            for (int j : likely) {
                if (!seen.contains(j) && sorted.get(i).predicted.like(sorted.get(j).predicted)) {
                    same.add(sorted.get(j).name);
                    seen.add(j);
                }
            }
            if (same.size() > 1) {
                classes.add(same);
            }
        }
        return classes;
    }

    private static String place(Observation o) {
        return o.what() == Observation.What.INFINITY_ERROR_MM ? "infinity" : o.what() == Observation.What.MAGNIFICATION_PERCENT ? "scale" : o.what() == Observation.What.DISTORTION_PERCENT ? "lines" : o.what() == Observation.What.OPENING_EV ? "iris" : o.field() == 0 ? "middle" : o.field() < 1 ? "side" : "corner";
    }

    /// Expected information of each further figure, for its minutes.
    private static Optional<NextCheck> next(List<Weighed> sorted, double[] p, List<Observation> have, Predicted design) {
        record Candidate(Observation o, double minutes) {}
        List<Candidate> all = new ArrayList<>(List.of(new Candidate(Observation.of(Observation.What.INFINITY_ERROR_MM, 0, 0.02), 5), new Candidate(Observation.spot(0, 10, 1), 8), new Candidate(Observation.spot(0.7, 10, 1), 9),
                new Candidate(Observation.spot(1, 10, 1), 9), new Candidate(Observation.of(Observation.What.MAGNIFICATION_PERCENT, 0, 0.3), 12),
                new Candidate(new Observation(Observation.What.DISTORTION_PERCENT, 1, OptionalDouble.empty(), 0, 0.3, false, 1), 12), new Candidate(Observation.of(Observation.What.OPENING_EV, 0, 0.05), 10)));
        design.elsewhere().keySet().stream().sorted().forEach(n -> all.addAll(List.of(new Candidate(Observation.of(Observation.What.INFINITY_ERROR_MM, 0, 0.02).at(n), 5), new Candidate(Observation.spot(0, 10, 1).at(n), 8))));
        int n = (int) Math.min(40, IntStream.range(0, p.length).filter(i -> p[i] > 1e-3).count());
        return all.stream().filter(c -> have.stream().noneMatch(o -> o.what() == c.o.what() && o.setting().equals(c.o.setting()) && Math.abs(o.field() - c.o.field()) < 0.05)).map(c -> {
            double[] mean = new double[n];
            double[] sigma = new double[n];
            for (int i = 0; i < n; i++) {
                // What focuses nowhere is far from any figure.
                mean[i] = sorted.get(i).predicted.of(c.o, design).orElse(NOWHERE * widest(c.o.what()));
                sigma[i] = Math.hypot(c.o.what() == Observation.What.RMS_UM ? 0.1 * mean[i] : c.o.sigma(), own(c.o.what(), mean[i]));
            }
            double bits = information(mean, sigma, Arrays.copyOf(p, n));
            return new NextCheck(c.o.what(), c.o.field(), c.o.setting(), bits, c.minutes, c.o.setting().isEmpty() ? Said.of("diagnosis.next", "what", place(c.o), "bits", bits) : Said.of("diagnosis.next.at", "what", place(c.o), "setting", c.o.setting(), "bits", bits));
        }).filter(c -> c.gainBits > 0.05).max(Comparator.comparingDouble(c -> c.gainBits / c.minutes));
    }

    /// Mutual information of a choice among bells and a figure drawn from the chosen one, bits, by sampling each bell at even shares.
    static double information(double[] mean, double[] sigma, double[] weights) {
        double all = Arrays.stream(weights).sum();
        double bits = 0;
        int samples = 32;
        for (int i = 0; i < mean.length; i++) {
            double w = weights[i] / all;
            for (int k = 0; k < samples; k++) {
                double x = mean[i] + sigma[i] * Bell.quantile((k + 0.5) / samples);
                double own = Bell.density(x - mean[i], sigma[i]);
                double mixed = 0;
                for (int j = 0; j < mean.length; j++) {
                    mixed += weights[j] / all * Bell.density(x - mean[j], sigma[j]);
                }
                bits += w / samples * Math.log(own / mixed) / Math.log(2);
            }
        }
        return Math.max(0, bits);
    }
}
