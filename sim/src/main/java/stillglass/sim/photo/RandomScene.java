package stillglass.sim.photo;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.optics.LensSection;
import stillglass.sim.truth.HiddenTruth;

/// A lens, what is wrong with it, and how it is photographed, all drawn from one seed: for learning to tell kinds apart, and with
/// other seeds for finding out how well that went.
public record RandomScene(LensSection lens, HiddenTruth truth, Pose pose, double jpegQuality, World world) {
    /// Below this number of specks a glass counts as free of dust.
    private static final int NO_DUST = 13;
    /// What seldom comes alone.
    private static final Set<FindingKind> SCATTERED = EnumSet.of(FindingKind.FUNGUS, FindingKind.OIL, FindingKind.SEPARATION, FindingKind.EDGE_PAINT, FindingKind.CHIP, FindingKind.COATING);
    private static final int MOST_PIECES = 4;
    /// Thinnest haze against the light over that of the tidy bench.
    private static final double THINNEST_HAZE = 0.12;
    /// Pixels that a kind must change visibly to be shown.
    private static final int LEAST_VISIBLE = 20;
    /// Share of a fault that must show for it to be told by.
    private static final double LEAST_SHARE = 0.05;

    /// The same in any room and with any phone: the glass takes 35 to 95 % of the height, off centre, perhaps a little cut, leaning; seeds of the tidy bench mean other scenes here.
    /// @param lenses to choose from
    public static RandomScene wide(long seed, List<LensSection> lenses) {
        RandomScene tidy = of(seed ^ 0x5715EED, lenses);
        SplittableRandom random = new SplittableRandom(mixed(seed) + 1);
        Pose p = tidy.pose;
        int height = 560 + random.nextInt(480);
        int width = (int) (height * (random.nextDouble() < 0.3 ? 0.75 : 1 + 0.6 * random.nextDouble()));
        double radius = (0.175 + 0.3 * random.nextDouble()) * Math.min(1, width / (double) height);
        double roomX = Math.max(0.02, 0.5 - radius * height / width);
        double roomY = Math.max(0.02, 0.5 - radius);
        double tilt = random.nextDouble() < 0.6 ? 0.12 * random.nextDouble() : 0.32 * random.nextDouble();
        Pose pose = new Pose(width, height, 0.5 + 0.5 * roomX * (2 * random.nextDouble() - 1), 0.5 + 0.5 * roomY * (2 * random.nextDouble() - 1), radius, p.focusDepthMm(), p.lighting(), p.fromRear(), tilt,
                p.tiltTowardsRad(), 90 + 300 * random.nextDouble(), p.pupilMm(), p.lampTowardsRad(), 0.5 + 1.1 * random.nextDouble(), 0.9 * random.nextDouble(),
                random.nextDouble() < 0.35 ? 0.2 + 0.65 * random.nextDouble() : 1, 0.6 * random.nextGaussian(), p.seed(), p.mount());
        HiddenTruth truth = scattered(tidy.truth, p.lighting(), new SplittableRandom(mixed(seed) + 2));
        return new RandomScene(tidy.lens, p.lighting() == Lighting.AGAINST ? thinned(truth, new SplittableRandom(mixed(seed) + 3)) : truth, pose, 0.5 + 0.46 * random.nextDouble(), World.wide(random.nextLong()));
    }

    /// @param lenses to choose from
    public static RandomScene of(long seed, List<LensSection> lenses) {
        SplittableRandom random = new SplittableRandom(mixed(seed));
        Lighting lighting = random.nextBoolean() ? Lighting.AGAINST : Lighting.BRIGHT;
        boolean rear = random.nextDouble() < 0.25;
        Pose pose = pose(random, lighting, rear, seed);
        List<HiddenTruth.GlassFault> faults = new ArrayList<>();
        double u = random.nextDouble();
        int kinds = u < 0.08 ? 0 : u < 0.48 ? 1 : u < 0.82 ? 2 : 3;
        Set<FindingKind> chosen = new TreeSet<>();
        FindingKind[] all = FindingKind.values();
        while (chosen.size() < kinds) {
            chosen.add(all[random.nextInt(all.length - 1)]);
        }
        List<LensSection> fitting = lenses.stream().filter(l -> !chosen.contains(FindingKind.SEPARATION)
                || IntStream.range(0, l.surfaces().size()).anyMatch(l::cemented)).toList();
        LensSection lens = fitting.get(random.nextInt(fitting.size()));
        if (random.nextDouble() < 0.55) {
            // Hardly any lens is without a few specks.
            faults.add(new HiddenTruth.GlassFault(FindingKind.DUST, outer(lens, rear), 0, 0, 1, random.nextInt(10), random.nextLong()));
        }
        for (FindingKind kind : chosen) {
            surface(kind, lens, rear, random).ifPresent(s -> faults.add(fault(kind, s, lighting, random)));
        }
        double blue = random.nextDouble() < 0.15 ? 0.6 + 0.35 * random.nextDouble() : 1;
        return new RandomScene(lens, new HiddenTruth(faults, 0, blue), pose, random.nextDouble() < 0.6 ? 0.7 + 0.28 * random.nextDouble() : 1, World.TIDY);
    }

    /// Neighbouring seeds are to have nothing in common: a generator whose seeds lie its own stride apart repeats itself.
    private static long mixed(long seed) {
        long h = (seed + 0x2545F4914F6CDD1DL) * 0xD6E8FEB86659FD93L;
        h = (h ^ h >>> 32) * 0xD6E8FEB86659FD93L;
        return h ^ h >>> 29;
    }

    private static Pose pose(SplittableRandom random, Lighting lighting, boolean rear, long seed) {
        int height = 560 + random.nextInt(440);
        int width = (int) (height * (1.1 + 0.45 * random.nextDouble()));
        double tilt = random.nextDouble() < 0.7 ? 0.10 * random.nextDouble() : 0.35 * random.nextDouble();
        return new Pose(width, height, 0.5 + 0.05 * random.nextGaussian(), 0.5 + 0.03 * random.nextGaussian(), 0.30 + 0.15 * random.nextDouble(),
                12 * random.nextDouble(), lighting, rear, tilt, 6.3 * random.nextDouble(), 120 + 250 * random.nextDouble(),
                1 + 4 * random.nextDouble(), 6.3 * random.nextDouble(), 0.75 + 0.6 * random.nextDouble(), 0.7 * random.nextDouble(),
                random.nextDouble() < 0.25 ? 0.4 + 0.4 * random.nextDouble() : 1, 0.5 * random.nextGaussian(), seed, seed);
    }

    private static int outer(LensSection lens, boolean rear) {
        return rear ? lens.surfaces().size() - 1 : 0;
    }

    /// A surface on which a kind may lie and that the camera sees well enough.
    private static java.util.Optional<Integer> surface(FindingKind kind, LensSection lens, boolean rear, SplittableRandom random) {
        List<Integer> seen = IntStream.range(0, lens.surfaces().size())
                .filter(s -> rear ? s > lens.stopIndex() : s < lens.stopIndex())
                .filter(s -> switch (kind) {
                    case SEPARATION -> lens.cemented(s);
                    case CHIP, EDGE_PAINT, CLEANING_MARKS, SCRATCH -> s == outer(lens, rear);
                    default -> !lens.cemented(s);
                })
                .boxed().toList();
        if (seen.isEmpty() && kind == FindingKind.SEPARATION) {
            // A lens cemented only beyond the iris is looked at through it.
            seen = IntStream.range(0, lens.surfaces().size()).filter(lens::cemented).boxed().toList();
        }
        return seen.isEmpty() ? java.util.Optional.empty() : java.util.Optional.of(seen.get(random.nextInt(seen.size())));
    }

    private static HiddenTruth.GlassFault fault(FindingKind kind, int surface, Lighting lighting, SplittableRandom random) {
        double turn = 2 * Math.PI * random.nextDouble();
        double r = Math.sqrt(random.nextDouble());
        double u = random.nextDouble();
        return switch (kind) {
            case DUST -> at(kind, surface, turn, 0, 1, NO_DUST + 3 + 120 * u * u, random);
            case FUNGUS -> at(kind, surface, turn, random.nextDouble() < 0.7 ? 0.75 + 0.2 * r : 0.5 * r, 0.18 + 0.5 * u, random.nextDouble(), random);
            case HAZE -> at(kind, surface, turn, 0, 1, lighting == Lighting.AGAINST ? 0.045 + 0.24 * u * u : 0.08 + 0.3 * u * u, random);
            case OIL -> at(kind, surface, turn, 0.2 + 0.6 * r, 0.12 + 0.25 * u, random.nextDouble(), random);
            case SCRATCH -> at(kind, surface, turn, 0.6 * r, 0.12 + 0.4 * u, random.nextDouble() < 0.6 ? 1 : 1 + random.nextInt(4), random);
            case CLEANING_MARKS -> at(kind, surface, turn, 0.3 * r, 0.45 + 0.5 * u, random.nextDouble(), random);
            case SEPARATION -> at(kind, surface, turn, random.nextDouble() < 0.65 ? 0.97 : 0.5 * r, 0.12 + 0.4 * u, random.nextDouble(), random);
            case BUBBLE -> at(kind, surface, turn, 0.55 * r, 0.02, 1 + random.nextInt(3), random);
            case EDGE_PAINT -> at(kind, surface, turn, 1, 0.25 + 2 * u, random.nextDouble(), random);
            case CHIP -> at(kind, surface, turn, 1, 0.04 + 0.10 * u, 1, random);
            case COATING -> at(kind, surface, turn, 0.6 * r, 0.12 + 0.3 * u, random.nextDouble(), random);
            case UNKNOWN -> throw new IllegalArgumentException("no fault is unknown to its maker");
        };
    }

    /// The same with more pieces of what seldom comes alone, as large or smaller.
    private static HiddenTruth scattered(HiddenTruth truth, Lighting lighting, SplittableRandom random) {
        List<HiddenTruth.GlassFault> faults = new ArrayList<>();
        for (HiddenTruth.GlassFault f : truth.faults()) {
            faults.add(f);
            int more = SCATTERED.contains(f.kind()) && random.nextBoolean() ? 1 + random.nextInt(MOST_PIECES) : 0;
            for (int i = 0; i < more; i++) {
                HiddenTruth.GlassFault piece = fault(f.kind(), f.surface(), lighting, random);
                faults.add(new HiddenTruth.GlassFault(piece.kind(), piece.surface(), piece.x(), piece.y(), piece.size() * (0.4 + 0.6 * random.nextDouble()), piece.amount(), piece.seed()));
            }
        }
        return new HiddenTruth(faults, truth.infinityErrorMm(), truth.blueThrough());
    }

    /// The same with haze down to what only shows against the light.
    private static HiddenTruth thinned(HiddenTruth truth, SplittableRandom random) {
        List<HiddenTruth.GlassFault> faults = new ArrayList<>();
        for (HiddenTruth.GlassFault f : truth.faults()) {
            double share = f.kind() == FindingKind.HAZE ? Math.pow(THINNEST_HAZE, random.nextDouble()) : 1;
            faults.add(new HiddenTruth.GlassFault(f.kind(), f.surface(), f.x(), f.y(), f.size(), f.amount() * share, f.seed()));
        }
        return new HiddenTruth(faults, truth.infinityErrorMm(), truth.blueThrough());
    }

    private static HiddenTruth.GlassFault at(FindingKind kind, int surface, double turn, double r, double size, double amount, SplittableRandom random) {
        return new HiddenTruth.GlassFault(kind, surface, r * Math.cos(turn), r * Math.sin(turn), size, amount, random.nextLong());
    }

    /// Takes the photo, through JPEG where this scene's camera writes that.
    public Shot shoot() {
        Shot shot = InspectionCamera.photograph(lens, truth, pose, world);
        return jpegQuality >= 1 ? shot : shot.pictured(Sensor.jpeg(shot.picture(), jpegQuality));
    }

    /// Kinds that the photo really shows: whose faults change enough of it by more than the noise; dust when more than a trace of it shows.
    public Set<FindingKind> shown(Shot shot) {
        Set<FindingKind> kinds = present(shot);
        kinds.removeIf(k -> {
            Shot.Visible v = shot.visible().getOrDefault(k, new Shot.Visible(0, 0));
            return v.pixels() < LEAST_VISIBLE || v.share() < LEAST_SHARE || k == FindingKind.DUST && v.share() * specks() < NO_DUST;
        });
        return kinds;
    }

    private double specks() {
        return truth.faults().stream().filter(f -> f.kind() == FindingKind.DUST).mapToDouble(HiddenTruth.GlassFault::amount).sum();
    }

    /// Kinds painted in the truth, however faint in the picture; dust when there is more than a trace.
    public Set<FindingKind> present(Shot shot) {
        int[] area = new int[FindingKind.values().length];
        for (byte level : shot.mask()) {
            area[level]++;
        }
        Set<FindingKind> kinds = new TreeSet<>();
        for (HiddenTruth.GlassFault f : truth.faults()) {
            boolean painted = area[f.kind().maskLevel()] > 8;
            if (painted && (f.kind() != FindingKind.DUST || f.amount() >= NO_DUST)) {
                kinds.add(f.kind());
            }
        }
        return kinds;
    }
}
