package stillglass.fault;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.PriorityQueue;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import stillglass.look.Progress;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Surface;
import stillglass.optics.sharpness.SpotSurvey;

/// In which order, and which way round, loose glasses go.
///
/// Every order and facing is traced to first order, one ray of two numbers handed from place to place, so that nothing is left out; what comes near focal length and back focus is traced exactly. A lens somebody built is
/// corrected: among arrangements that focus alike the one with the smaller spot is the likelier.
///
/// @param arrangements the likeliest first
/// @param unique whether the first stands alone: nineteen to one against all others
/// @param tried arrangements traced to first order: all there are
/// @param next the figure that would tell most, with its bits; empty when the first stands alone
public record OrderFinder(List<Arrangement> arrangements, boolean unique, long tried, Optional<Telling> next) {
    private static final int MOST = 9;
    private static final int KEPT = 240;
    private static final int TRACED = 120;
    private static final double UNIQUE = 0.95;
    private static final double D_LINE = 587.6;
    private static final double USUAL_UM = 15;
    private static final double USUAL_EDGE_UM = 40;
    /// Spots of real lenses scatter by this factor, as a logarithm.
    private static final double SPREAD = 0.9;
    private static final double CLEAR = 0.47;

    /// What is sought.
    /// @param gapsMm between neighbours, one fewer than glasses: between vertices, or from rim to rim
    /// @param seats whether they are from rim to rim
    /// @param eflSigmaMm how exactly the focal length is known
    /// @param placesMm diameters that fit each place, empty when nobody said
    public record Wanted(List<Double> gapsMm, boolean seats, double eflMm, double eflSigmaMm, OptionalDouble backFocusMm, double backSigmaMm, double fNumber, List<Double> placesMm) {
        public Wanted {
            gapsMm = List.copyOf(gapsMm);
            placesMm = List.copyOf(placesMm);
            if (!(eflMm > 0) || !(eflSigmaMm > 0) || !(backSigmaMm > 0) || !(fNumber > 0.3 && fNumber < 100)) {
                throw new IllegalArgumentException("a focal length, its tolerance and an f-number above 0 are needed to sort glasses");
            }
        }
    }

    /// One way of putting them together.
    /// @param places what lies in each, front to rear
    /// @param turned which of them lie with their second face forward
    /// @param rmsUm spot on the axis, wide open; absent when nothing focuses
    public record Arrangement(List<String> places, List<Boolean> turned, double probability, double eflMm, double bfdMm, OptionalDouble rmsUm) {}

    /// A figure that would part what is likely.
    public record Telling(String what, double bits) {}

    public OrderFinder {
        arrangements = List.copyOf(arrangements);
    }

    private record Leaf(int[] code, double misfit, double efl, double bfd) {}

    /// Glasses both ways round, and what of each is needed over and over: first-order matrix, sags.
    private record Faced(LooseGlass glass, double a, double b, double c, double d, double front, double rear) {
        static Faced of(LooseGlass g) {
            double a = 1;
            double b = 0;
            double c = 0;
            double d = 1;
            double before = 1;
            for (int i = 0; i < g.faces().size(); i++) {
                double after = i < g.index().size() ? g.index().get(i) : 1;
                double power = (after - before) / g.faces().get(i);
                c -= power * a;
                d -= power * b;
                if (i < g.thicknessMm().size()) {
                    double t = g.thicknessMm().get(i) / after;
                    a += t * c;
                    b += t * d;
                }
                before = after;
            }
            return new Faced(g, a, b, c, d, g.sagMm(true), g.sagMm(false));
        }
    }

    /// @throws IllegalArgumentException when there are fewer than two or more than nine glasses, or gaps do not fit them
    public static OrderFinder of(List<LooseGlass> glasses, Wanted wanted, Progress progress) {
        int n = glasses.size();
        if (n < 2 || n > MOST) {
            throw new IllegalArgumentException(n + " glasses cannot be sorted: 2 to 9, cemented groups as one");
        }
        if (wanted.gapsMm.size() != n - 1 || !wanted.placesMm.isEmpty() && wanted.placesMm.size() != n) {
            throw new IllegalArgumentException(wanted.gapsMm.size() + " gaps for " + n + " glasses: give one fewer than glasses, and a diameter for every place or for none");
        }
        List<Faced> faced = new ArrayList<>();
        for (LooseGlass g : glasses) {
            faced.add(Faced.of(g));
            faced.add(Faced.of(g.reversed()));
        }
        boolean[] once = new boolean[n];
        for (int i = 0; i < n; i++) {
            once[i] = glasses.get(i).symmetric();
        }
        AtomicLong tried = new AtomicLong();
        int[] done = {0};
        List<Leaf> leaves = IntStream.range(0, 2 * n).parallel().filter(f -> f % 2 == 0 || !once[f / 2]).mapToObj(first -> {
            Search search = new Search(faced, wanted, once);
            search.from(first);
            tried.addAndGet(search.tried);
            synchronized (done) {
                progress.at(0.8 * ++done[0] / (2 * n), "");
            }
            return search.best;
        }).flatMap(PriorityQueue::stream).sorted(Comparator.comparingDouble(Leaf::misfit)).limit(TRACED).toList();
        return ranked(leaves, faced, wanted, tried.get(), progress);
    }

    /// Depth first over all orders that begin with one glass.
    private static final class Search {
        private final Faced[] faced;
        private final double[] gaps;
        private final boolean[] once;
        private final Wanted wanted;
        private final int n;
        private final int[] code;
        private final PriorityQueue<Leaf> best = new PriorityQueue<>(Comparator.comparingDouble(l -> -l.misfit));
        private long tried;

        Search(List<Faced> all, Wanted wanted, boolean[] once) {
            faced = all.toArray(Faced[]::new);
            gaps = wanted.gapsMm.stream().mapToDouble(g -> g).toArray();
            this.wanted = wanted;
            this.once = once;
            n = all.size() / 2;
            code = new int[n];
        }

        void from(int first) {
            if (!fits(first, 0)) {
                return;
            }
            code[0] = first;
            Faced f = faced[first];
            down(1, 1 << first / 2, f.a, f.c);
        }

        private boolean fits(int f, int place) {
            return wanted.placesMm.isEmpty() || Math.abs(faced[f].glass.diameterMm() - wanted.placesMm.get(place)) < 0.5;
        }

        private void down(int place, int used, double y, double nu) {
            if (place == n) {
                tried++;
                leaf(y, nu);
                return;
            }
            for (int g = 0; g < n; g++) {
                if ((used & 1 << g) != 0) {
                    continue;
                }
                for (int way = 0; way < (once[g] ? 1 : 2); way++) {
                    int f = 2 * g + way;
                    if (!fits(f, place)) {
                        continue;
                    }
                    Faced next = faced[f];
                    double t = gaps[place - 1] + (wanted.seats ? faced[code[place - 1]].rear - next.front : 0);
                    double at = y + t * nu;
                    code[place] = f;
                    down(place + 1, used | 1 << g, next.a * at + next.b * nu, next.c * at + next.d * nu);
                }
            }
        }

        private void leaf(double y, double nu) {
            if (!(nu < -1e-9)) {
                return;
            }
            double efl = -1 / nu;
            double bfd = -y / nu;
            double z = (efl - wanted.eflMm) / wanted.eflSigmaMm;
            double misfit = z * z;
            if (wanted.backFocusMm.isPresent()) {
                double b = (bfd - wanted.backFocusMm.getAsDouble()) / wanted.backSigmaMm;
                misfit += b * b;
            }
            if (best.size() < KEPT) {
                best.add(new Leaf(code.clone(), misfit, efl, bfd));
            } else if (misfit < best.peek().misfit) {
                best.poll();
                best.add(new Leaf(code.clone(), misfit, efl, bfd));
            }
        }
    }

    private static OrderFinder ranked(List<Leaf> leaves, List<Faced> faced, Wanted wanted, long tried, Progress progress) {
        List<OptionalDouble[]> spots = leaves.parallelStream().map(l -> {
            progress.at(0.9, "");
            return spots(l, faced, wanted);
        }).toList();
        double[] log = new double[leaves.size()];
        double top = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < log.length; i++) {
            log[i] = -leaves.get(i).misfit / 2 + usual(spots.get(i)[0], USUAL_UM) + usual(spots.get(i)[1], USUAL_EDGE_UM);
            top = Math.max(top, log[i]);
        }
        double sum = 0;
        for (double l : log) {
            sum += Math.exp(l - top);
        }
        List<Arrangement> out = new ArrayList<>();
        for (int i = 0; i < log.length; i++) {
            Leaf l = leaves.get(i);
            out.add(new Arrangement(Arrays.stream(l.code).mapToObj(f -> faced.get(f).glass.id()).toList(), Arrays.stream(l.code).mapToObj(f -> f % 2 == 1).toList(), Math.exp(log[i] - top) / sum, l.efl, l.bfd, spots.get(i)[0]));
        }
        out.sort(Comparator.comparingDouble(a -> -a.probability));
        boolean unique = !out.isEmpty() && out.getFirst().probability > UNIQUE;
        return new OrderFinder(out, unique, tried, unique ? Optional.empty() : telling(out));
    }

    /// No lens is much better than usual by chance; worse is less likely the worse it is.
    private static double usual(OptionalDouble um, double usual) {
        if (um.isEmpty()) {
            return -20;
        }
        double z = Math.max(0, Math.log(um.getAsDouble() / usual)) / SPREAD;
        return Math.max(-20, -z * z / 2);
    }

    private static Optional<Telling> telling(List<Arrangement> out) {
        int n = Math.min(12, out.size());
        double[] p = out.stream().limit(n).mapToDouble(Arrangement::probability).toArray();
        double[] efl = out.stream().limit(n).mapToDouble(Arrangement::eflMm).toArray();
        double[] bfd = out.stream().limit(n).mapToDouble(Arrangement::bfdMm).toArray();
        double[] spot = out.stream().limit(n).mapToDouble(a -> a.rmsUm.orElse(1e3)).toArray();
        List<Telling> all = List.of(new Telling("efl_mm", bits(efl, e -> 0.002 * e, p)), new Telling("back_focus_mm", bits(bfd, e -> 0.05, p)), new Telling("rms_um", bits(spot, e -> 1 + 0.15 * e, p)));
        return all.stream().filter(t -> t.bits > 0.05).max(Comparator.comparingDouble(Telling::bits));
    }

    private static double bits(double[] mean, DoubleUnaryOperator sigma, double[] p) {
        return Diagnosis.information(mean, Arrays.stream(mean).map(sigma).toArray(), p);
    }

    /// Spots on the axis and at 0.7 of the picture, the iris in the widest gap.
    private static OptionalDouble[] spots(Leaf leaf, List<Faced> faced, Wanted wanted) {
        OptionalDouble none = OptionalDouble.empty();
        try {
            LensSection section = section(leaf, faced, wanted);
            SpotSurvey s = SpotSurvey.quick(section, section, List.of(0.0, 0.7));
            return new OptionalDouble[] {s.rmsUm().get(0), s.rmsUm().get(1)};
        } catch (IllegalArgumentException cannotBe) {
            return new OptionalDouble[] {none, none};
        }
    }

    private static LensSection section(Leaf leaf, List<Faced> faced, Wanted wanted) {
        int n = leaf.code.length;
        double[] gaps = new double[n - 1];
        int widest = 0;
        for (int i = 0; i + 1 < n; i++) {
            gaps[i] = wanted.gapsMm.get(i) + (wanted.seats ? faced.get(leaf.code[i]).rear - faced.get(leaf.code[i + 1]).front : 0);
            widest = gaps[i] > gaps[widest] ? i : widest;
        }
        // Height of the marginal ray at the iris, half way through its gap.
        double y = leaf.efl / wanted.fNumber / 2;
        double nu = 0;
        double iris = y;
        List<Surface> surfaces = new ArrayList<>();
        List<Element> elements = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            Faced f = faced.get(leaf.code[i]);
            LooseGlass g = f.glass;
            int first = surfaces.size();
            for (int k = 0; k < g.faces().size(); k++) {
                boolean last = k == g.faces().size() - 1;
                surfaces.add(new Surface(g.faces().get(k), last ? 0 : g.thicknessMm().get(k), last ? new Medium.Air() : new Medium.Glass(Math.clamp(g.index().get(k), 1.21, 2.59), 50, ""), CLEAR * g.diameterMm(), false));
            }
            elements.add(new Element("G" + (i + 1), first, surfaces.size() - 1, g.diameterMm(), "G" + (i + 1), 1, 1, List.of()));
            double y2 = f.a * y + f.b * nu;
            nu = f.c * y + f.d * nu;
            y = y2;
            if (i + 1 < n) {
                Surface s = surfaces.removeLast();
                if (i == widest) {
                    iris = Math.abs(y + gaps[i] / 2 * nu);
                    surfaces.add(s.withThickness(gaps[i] / 2));
                    surfaces.add(new Surface(Double.POSITIVE_INFINITY, gaps[i] / 2, new Medium.Air(), Math.max(0.05, iris), true));
                } else {
                    surfaces.add(s.withThickness(gaps[i]));
                }
                y += gaps[i] * nu;
            }
        }
        Surface last = surfaces.removeLast();
        surfaces.add(last.withThickness(leaf.bfd));
        return new LensSection("sorted", "", wanted.eflMm, wanted.fNumber, 0.8 * wanted.eflMm, List.of(D_LINE), surfaces, elements, new LensSection.Focusing("unit", List.of()));
    }
}
