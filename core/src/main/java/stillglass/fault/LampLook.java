package stillglass.fault;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import stillglass.optics.Glints;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Surface;
import stillglass.optics.misassembly.LensFault;
import stillglass.say.Said;

/// What is wrong with an assembly that is still closed, from where a lamp's reflections stand in one photo.
///
/// A hypothesis predicts a row of reflections ([Glints]). Which spot of the photo is which nobody knows, some are missed and some are none: spots are taken for the points of a process whose density is the sum of the predicted places, each
/// with the chance that it is seen, and a little everywhere. Its likelihood is exp(−Λ)·Π λ(spot).
///
/// @param hypotheses the likeliest first; probabilities add up to 1
/// @param next lamp and camera that would part the likeliest most; nothing once one stands alone
public record LampLook(List<Hypothesis> hypotheses, Optional<Glints.Stand> next) {
    private static final double READ = 0.02;
    /// First order and real rays part the more the further out.
    private static final double BENT = 0.02;
    private static final double SEEN = 0.9;
    private static final double SEEN_CEMENT = 0.2;
    private static final double CEMENT = 0.004;
    private static final double CLUTTER = 0.4;
    private static final double WIDTH = 2.1;
    private static final double NOTHING = 0.5;
    private static final double MISSING = 0.03;
    private static final double ALONE = 0.97;
    private static final double TOLD = 0.05;
    private static final int PARTED = 6;
    private static final double[] LAMPS = {150, 300, 600};
    private static final double[] ASIDE = {10, 20, 40, 80};
    private static final double COARSE_MM = 0.3;

    /// @param fault short form, `none`, or `missing:` and the glasses
    /// @param said in words
    /// @param predicted where its reflections would be seen, rim radii
    public record Hypothesis(String fault, double probability, Said said, List<Double> predicted) {
        public Hypothesis {
            predicted = List.copyOf(predicted);
        }
    }

    /// Spots of one photo.
    /// @param shares where they stand on the line through the middle towards the lamp, rim radii, positive on the lamp's side
    public record Seen(Glints.Stand stand, List<Double> shares) {
        public Seen {
            shares = List.copyOf(shares);
            if (shares.size() > 60 || shares.stream().anyMatch(s -> !(Math.abs(s) <= 1.05))) {
                throw new IllegalArgumentException("reflections stand at −1 to 1 rim radii, and are at most 60");
            }
        }
    }

    public LampLook {
        hypotheses = List.copyOf(hypotheses);
    }

    private record Built(String fault, Said said, double prior, LensSection lens) {}

    /// @param photos each from the front, or each from behind with the section turned round
    public static LampLook of(LensSection section, List<Seen> photos) {
        if (photos.isEmpty()) {
            throw new IllegalArgumentException("give the reflections of one photo at least");
        }
        List<Built> all = built(section);
        double[] log = all.stream().mapToDouble(b -> Math.log(b.prior) + photos.stream().mapToDouble(p -> logLikelihood(Glints.of(b.lens, p.stand), p.shares)).sum()).toArray();
        double top = IntStream.range(0, log.length).mapToDouble(i -> log[i]).max().orElse(0);
        double sum = IntStream.range(0, log.length).mapToDouble(i -> Math.exp(log[i] - top)).sum();
        record Ranked(Built built, double p) {}
        List<Ranked> ranked = IntStream.range(0, log.length).mapToObj(i -> new Ranked(all.get(i), Math.exp(log[i] - top) / sum)).sorted(Comparator.comparingDouble(r -> -r.p)).toList();
        Glints.Stand stand = photos.getLast().stand;
        List<Hypothesis> told = ranked.stream().map(r -> new Hypothesis(r.built.fault, r.p, r.built.said, Glints.of(r.built.lens, stand).stream().map(Glints.Glint::share).toList())).toList();
        Optional<Glints.Stand> next = ranked.getFirst().p > ALONE ? Optional.empty() : parting(ranked.stream().limit(PARTED).map(Ranked::built).toList(), ranked.stream().limit(PARTED).mapToDouble(Ranked::p).toArray(), stand.cameraMm());
        return new LampLook(told, next);
    }

    /// The leaders, and the lamp that would part them.
    public List<Said> said() {
        Hypothesis first = hypotheses.getFirst();
        List<Said> out = new ArrayList<>();
        Optional<Hypothesis> second = hypotheses.stream().skip(1).findFirst().filter(h -> h.probability > TOLD);
        out.add(second.map(h -> Said.of("lamp.leads.two", "first", first.said, "percent", 100 * first.probability, "second", h.said, "other", 100 * h.probability))
                .orElse(Said.of("lamp.leads", "first", first.said, "percent", 100 * first.probability)));
        next.ifPresent(n -> out.add(Said.of("lamp.next", "lamp", n.lampMm(), "aside", n.asideMm())));
        return out;
    }

    /// Everything coarse that can be wrong: what moves a face by less does not move its reflection enough.
    private static List<Built> built(LensSection section) {
        List<Built> out = new ArrayList<>(List.of(new Built("none", Said.of("lamp.none"), NOTHING, section)));
        for (Family f : Family.of(section)) {
            for (Family.Step s : f.steps()) {
                boolean coarse = f.graded() ? Math.abs(s.magnitude()) > COARSE_MM && !f.leans() && !f.name().startsWith("shim") : !s.faults().isEmpty();
                if (coarse) {
                    add(out, f, s, section);
                }
            }
        }
        for (int[] block : section.blocks()) {
            List<String> names = section.elements().stream().filter(e -> e.firstSurface() >= block[0] && e.lastSurface() <= block[1]).map(e -> e.name()).toList();
            if (section.blocks().size() > 1) {
                out.add(new Built("missing:" + String.join("+", names), Said.of("lamp.missing", "elements", Said.and(names)), MISSING / section.blocks().size(), without(section, block)));
            }
        }
        return out;
    }

    private static void add(List<Built> out, Family f, Family.Step s, LensSection section) {
        try {
            LensSection lens = LensFault.apply(section, s.faults(), LensFault.Seating.RIM).lens();
            out.add(new Built(String.join(" ", s.faults().stream().map(LensFault::shortForm).toList()), s.faults().getFirst().said(), f.prior() * s.weight(), lens));
        } catch (IllegalArgumentException cannotBe) {
            // Glasses that would lie inside each other.
            return;
        }
    }

    /// The lens with nothing where a glass was: its room is air.
    private static LensSection without(LensSection lens, int[] block) {
        List<Surface> surfaces = new ArrayList<>();
        double air = 0;
        for (int i = 0; i < lens.surfaces().size(); i++) {
            Surface s = lens.surfaces().get(i);
            if (i >= block[0] && i <= block[1]) {
                air += s.thicknessMm();
                if (i == block[1]) {
                    // Before the first glass nothing bends light: lamp and camera are counted from where it was.
                    Surface before = surfaces.isEmpty() ? new Surface(Double.POSITIVE_INFINITY, 0, new Medium.Air(), lens.surfaces().getFirst().semiDiameterMm(), false) : surfaces.removeLast();
                    surfaces.add(before.withThickness(before.thicknessMm() + air));
                }
            } else {
                surfaces.add(s);
            }
        }
        return lens.withSeats(List.of()).withTilts(List.of()).withSurfaces(surfaces, List.of());
    }

    static double logLikelihood(List<Glints.Glint> predicted, List<Double> shares) {
        double expected = CLUTTER;
        for (Glints.Glint g : predicted) {
            expected += chance(g);
        }
        double log = -expected;
        for (double x : shares) {
            double density = CLUTTER / WIDTH;
            for (Glints.Glint g : predicted) {
                double sigma = READ + BENT * Math.abs(g.share());
                double z = (x - g.share()) / sigma;
                density += chance(g) * Math.exp(-z * z / 2) / sigma / Math.sqrt(2 * Math.PI);
            }
            log += Math.log(density);
        }
        return log;
    }

    private static double chance(Glints.Glint g) {
        return g.light() > CEMENT ? SEEN : SEEN_CEMENT;
    }

    /// The place of the lamp at which the leaders differ most: what each would show, in the eyes of the others.
    private static Optional<Glints.Stand> parting(List<Built> leaders, double[] p, double cameraMm) {
        Optional<Glints.Stand> best = Optional.empty();
        double most = 0.1;
        for (double lamp : LAMPS) {
            for (double aside : ASIDE) {
                Glints.Stand stand = new Glints.Stand(lamp, aside, cameraMm);
                List<List<Glints.Glint>> rows = leaders.stream().map(b -> Glints.of(b.lens, stand)).toList();
                double apart = 0;
                for (int i = 0; i < rows.size(); i++) {
                    List<Double> shown = rows.get(i).stream().filter(g -> chance(g) == SEEN).map(Glints.Glint::share).toList();
                    for (int j = 0; j < rows.size(); j++) {
                        apart += p[i] * p[j] * (logLikelihood(rows.get(i), shown) - logLikelihood(rows.get(j), shown));
                    }
                }
                if (apart > most) {
                    most = apart;
                    best = Optional.of(stand);
                }
            }
        }
        return best;
    }
}
