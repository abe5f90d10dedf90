package stillglass.prove.veil;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import stillglass.prove.edge.LightPlane;
import stillglass.prove.iris.Opening;
import stillglass.say.Said;

/// Veiling glare: light found in the picture of a black patch, as a share of the light of the bright surround (the idea of ISO 9358).
///
/// One photo is enough where neither the patch is lost in black nor the surround cut at white. Better are two from one place, one exposed for the surround and one longer for the patch: the
/// values that are compared then lie close together, so that the camera's tone hardly matters, and the tone itself is measured where pixels lie between black and white in both.
///
/// @param share light of the patch over that of the surround, what the patch itself sends taken off
/// @param sigma one standard deviation of it
/// @param relative the part of `sigma` that comes from exposure and tone, as a share of `share`; common to photos made alike
/// @param atMost whether the patch was lost in black, so that `share` is a limit
/// @param patchShare of the height of the photo that the patch takes
/// @param brightShare of the photo that is as bright as the surround
/// @param uneven by which the surround differs round the patch, as a share, one standard deviation
public record VeilReading(double share, double sigma, double relative, boolean atMost, double patchShare, double brightShare, double uneven, List<Said> diagnostics) {
    private static final double WHITE = 0.97;
    /// Half a step of an 8-bit value in the darkest part, in linear light.
    private static final double STEP = 0.5 / 255 / 12.92;
    private static final double NO_MORE = 4 * STEP;
    private static final double UNEVEN = 0.1;
    private static final double LITTLE_SURROUND = 0.35;
    private static final double LARGE_PATCH = 0.5;

    /// A photo of the patch.
    /// @param exposure time × sensitivity / f-number²; empty when the camera did not say
    public record Taken(String name, LightPlane photo, OptionalDouble exposure) {}

    /// What the patch itself sends back of the light of the surround.
    public enum Black {
        /// A box lined with black and a hole in it.
        TRAP(0.0005, 0.0005),
        VELVET(0.004, 0.002),
        CARD(0.04, 0.015),
        /// Nobody said; all of it counts as veil.
        UNKNOWN(0, 0);

        private final double share;
        private final double sigma;

        Black(double share, double sigma) {
            this.share = share;
            this.sigma = sigma;
        }
    }

    public VeilReading {
        diagnostics = List.copyOf(diagnostics);
    }

    /// What cannot be read, and why.
    public sealed interface Answer {
        record Read(VeilReading reading) implements Answer {}

        record Refused(Said why) implements Answer {}
    }

    /// @param taken photos of one scene from one place, one or several exposures
    /// @throws IllegalArgumentException when there is none
    public static Answer of(List<Taken> taken, Black black) {
        if (taken.isEmpty()) {
            throw new IllegalArgumentException("a veil is read from at least one photo");
        }
        List<Taken> order = taken.stream().sorted(Comparator.comparingDouble(t -> t.exposure.orElse(0))).toList();
        if (order.size() > 1 && order.stream().anyMatch(t -> t.exposure.isEmpty())) {
            return refused("veil.no-exposure", order.stream().filter(t -> t.exposure.isEmpty()).findFirst().orElseThrow());
        }
        for (Taken t : order) {
            if (t.photo.width() != order.getFirst().photo.width() || t.photo.height() != order.getFirst().photo.height()) {
                return refused("veil.size", t);
            }
        }
        // They were taken from one place: the patch lies in all where the first shows it.
        Optional<Opening> outline = order.stream().flatMap(t -> Patch.outline(t.photo).stream()).findFirst();
        if (outline.isEmpty()) {
            return refused("veil.no-patch", order.getFirst());
        }
        List<Patch> patches = order.stream().map(t -> Patch.of(t.photo, outline.get())).toList();
        // Light is best read where it is bright and not yet cut: the surround in one photo, the patch perhaps in another.
        int white = last(patches, p -> p.surround() < WHITE);
        if (white < 0) {
            return refused("veil.white", order.getFirst());
        }
        int dark = last(patches, p -> p.patch() < WHITE);
        return new Answer.Read(read(order, patches, white, Math.max(dark, white), black));
    }

    private static Answer refused(String key, Taken t) {
        return new Answer.Refused(Said.of(key, "photo", t.name));
    }

    private static int last(List<Patch> patches, Predicate<Patch> test) {
        int found = -1;
        for (int i = 0; i < patches.size(); i++) {
            found = test.test(patches.get(i)) ? i : found;
        }
        return found;
    }

    private static VeilReading read(List<Taken> order, List<Patch> patches, int white, int dark, Black black) {
        List<Said> notes = new ArrayList<>();
        Patch bright = patches.get(white);
        Patch deep = patches.get(dark);
        double step = dark == white ? 1 : order.get(dark).exposure.orElse(1) / order.get(white).exposure.orElse(1);
        Optional<ToneCurve> measured = dark == white ? Optional.empty() : ToneCurve.of(order.get(white).photo, order.get(dark).photo, step);
        ToneCurve tone = measured.orElse(ToneCurve.ASSUMED);
        double w = tone.light(bright.surround());
        double b = tone.light(deep.patch()) / step;
        double share = b / w;
        boolean lost = deep.patch() <= NO_MORE;
        // How much the tone matters grows with how far apart the two values lie.
        double byTone = Math.abs(Math.log(Math.max(deep.patch(), STEP) / bright.surround())) * tone.sigma() / (tone.power() * tone.power());
        double relative = Math.hypot(byTone, dark == white ? 0 : Math.sqrt(2) * ToneCurve.EXPOSURE_SHARE);
        double slope = tone.light(deep.patch() + STEP) - tone.light(deep.patch());
        double own = Math.sqrt(square(share * bright.surroundSigma() / bright.surround()) + square(deep.patchSigma() / Math.max(deep.patch(), STEP) * share / tone.power()) + square(slope / Math.sqrt(3) / step / w) + square(black.sigma));
        if (black == Black.UNKNOWN) {
            notes.add(Said.of("veil.patch-counts"));
        }
        if (lost) {
            notes.add(Said.of("veil.lost"));
        }
        if (measured.isPresent()) {
            notes.add(Said.of(tone.bent() ? "veil.tone.bent" : "veil.tone", "power", tone.power()));
        } else {
            notes.add(Said.of("veil.tone.assumed"));
        }
        if (bright.brightShare() < LITTLE_SURROUND) {
            notes.add(Said.of("veil.little", "percent", 100 * bright.brightShare()));
        }
        if (bright.uneven() > UNEVEN) {
            notes.add(Said.of("veil.uneven", "percent", 100 * bright.uneven()));
        }
        if (deep.heightShare() > LARGE_PATCH) {
            notes.add(Said.of("veil.large", "percent", 100 * deep.heightShare()));
        }
        double veil = Math.max(0, share - black.share);
        return new VeilReading(veil, Math.hypot(own, relative * share), relative, lost, deep.heightShare(), bright.brightShare(), bright.uneven(), notes);
    }

    private static double square(double v) {
        return v * v;
    }

    /// How much less or more there is after, with one standard deviation. What exposure and tone do to both alike counts once.
    /// @param common whether both were made with one camera, one chart and the same settings
    public Change to(VeilReading after, boolean common) {
        double mine = sigma * sigma;
        double its = after.sigma * after.sigma;
        double both = common ? 2 * relative * share * after.relative * after.share : 0;
        return new Change(after.share - share, Math.sqrt(Math.max(1e-12, mine + its - both)));
    }

    /// @param value share after less share before
    /// @param sigma one standard deviation
    public record Change(double value, double sigma) {
        /// Whether it is a change at all, at 95 %.
        public boolean telling() {
            return Math.abs(value) > 1.96 * sigma;
        }
    }

    /// A dark patch and what surrounds it.
    /// @param patch median light of its inner part
    /// @param patchSigma one standard deviation of it, from how its sectors differ
    /// @param surround mean light of a ring round it
    private record Patch(double patch, double patchSigma, double surround, double surroundSigma, double uneven, double heightShare, double brightShare) {
        private static final int SECTORS = 12;
        private static final double INNER = 0.65;
        private static final double FROM = 1.35;
        private static final double TO = 2.2;
        private static final double HALF = 0.5;
        private static final float LIT = 0.6f;
        private static final double BRIGHT_SHARE = 0.9;

        /// Everything that is clearly lit counts as equally bright: a wall lit from one side has a dark half, and is no patch.
        static Optional<Opening> outline(LightPlane photo) {
            float[] sorted = photo.light().clone();
            Arrays.sort(sorted);
            float lit = LIT * sorted[(int) (BRIGHT_SHARE * (sorted.length - 1))];
            float[] dark = new float[sorted.length];
            for (int i = 0; i < dark.length; i++) {
                dark[i] = lit > 0 ? 1 - Math.min(1, photo.light()[i] / lit) : 0;
            }
            return Opening.in(new LightPlane(photo.width(), photo.height(), dark));
        }

        static Patch of(LightPlane photo, Opening d) {
            double[] dark = sectors(photo, d, 0, INNER);
            double[] ring = sectors(photo, d, FROM, TO);
            double mean = Arrays.stream(ring).average().orElse(0);
            double spread = spread(ring, mean);
            double middle = Arrays.stream(dark).sorted().skip((SECTORS - 1) / 2).limit(2).average().orElse(0);
            long bright = 0;
            for (float v : photo.light()) {
                bright += v > HALF * mean ? 1 : 0;
            }
            return new Patch(middle, spread(dark, Arrays.stream(dark).average().orElse(0)) / Math.sqrt(SECTORS) * 1.3, mean, spread / Math.sqrt(SECTORS), spread / Math.max(1e-9, mean), 2 * d.meanRadius() / photo.height(),
                    (double) bright / photo.light().length);
        }

        private static double spread(double[] values, double mean) {
            return Math.sqrt(Arrays.stream(values).map(v -> square(v - mean)).sum() / (values.length - 1));
        }

        /// Means over sectors between two shares of the patch's own outline.
        private static double[] sectors(LightPlane photo, Opening d, double from, double to) {
            double[] sum = new double[SECTORS];
            double[] count = new double[SECTORS];
            int reach = (int) Math.ceil(to * d.longest());
            for (int y = Math.max(0, (int) d.cy() - reach); y <= Math.min(photo.height() - 1, (int) d.cy() + reach); y++) {
                for (int x = Math.max(0, (int) d.cx() - reach); x <= Math.min(photo.width() - 1, (int) d.cx() + reach); x++) {
                    double share = d.share(x, y);
                    if (share >= from && share < to) {
                        int k = Math.floorMod((int) Math.floor(Math.atan2(y - d.cy(), x - d.cx()) / (2 * Math.PI) * SECTORS), SECTORS);
                        sum[k] += photo.light()[y * photo.width() + x];
                        count[k]++;
                    }
                }
            }
            double all = Arrays.stream(sum).sum() / Math.max(1, Arrays.stream(count).sum());
            for (int k = 0; k < SECTORS; k++) {
                sum[k] = count[k] > 0 ? sum[k] / count[k] : all;
            }
            return sum;
        }
    }
}
