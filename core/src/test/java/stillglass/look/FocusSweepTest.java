package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import stillglass.say.Wording;

/// Against a camera drawn by the thin lens equation: its lens is moved by equal amounts, an edge is as sharp as the disc its pupil draws lets it be, and every reading scatters.
class FocusSweepTest {
    private static final double SCATTER = 0.1;

    /// @param focal of the camera, mm
    /// @param pupil its diameter, mm
    /// @param away from the camera to the rim, mm
    private record Camera(double focal, double pupil, double away, double first, double last, int photos) {
        /// Distance to the sharp plane: the lens stands evenly between its places for both ends.
        double sharpAt(int step) {
            double near = image(away + first);
            double far = image(away + last);
            double stands = near + (far - near) * (step - 1) / (photos - 1);
            return focal * stands / (stands - focal);
        }

        private double image(double object) {
            return focal * object / (object - focal);
        }

        double sharpness(double depth, int step) {
            double plane = sharpAt(step);
            double disc = pupil * Math.abs(away + depth - plane) / plane;
            return 1 / Math.hypot(0.05, disc);
        }
    }

    private static List<FocusSweep.Seen> sweep(Camera c, double fault, OptionalDouble blades, SplittableRandom r) {
        List<FocusSweep.Seen> out = new ArrayList<>();
        for (int i = 1; i <= c.photos; i++) {
            int step = i;
            Optional<Double> seen = Optional.of(noisy(c.sharpness(fault, i), r));
            Optional<Double> iris = blades.isPresent() ? Optional.of(noisy(c.sharpness(blades.getAsDouble(), step), r)) : Optional.empty();
            out.add(new FocusSweep.Seen(i, seen, new PhotoEdges(Optional.of(noisy(c.sharpness(0, i), r)), iris), Optional.empty()));
        }
        return out;
    }

    private static double noisy(double v, SplittableRandom r) {
        return v * Math.exp(SCATTER * r.nextGaussian());
    }

    private static Camera drawn(SplittableRandom r, double blades) {
        return new Camera(4 + 3 * r.nextDouble(), 2 + 3 * r.nextDouble(), 70 + 130 * r.nextDouble(), -4 - 4 * r.nextDouble(), blades * (1.4 + 0.8 * r.nextDouble()), 8 + r.nextInt(8));
    }

    @Test
    void theDepthIsThatOfTheFaultAndItsErrorIsWhatItSays() {
        SplittableRandom r = new SplittableRandom(11);
        int told = 0;
        int within = 0;
        double off = 0;
        int drawn = 600;
        for (int n = 0; n < drawn; n++) {
            double blades = 12 + 18 * r.nextDouble();
            double fault = blades * (0.1 + 1.1 * r.nextDouble());
            Optional<FocusStack> depth = FocusSweep.of(sweep(drawn(r, blades), fault, OptionalDouble.of(blades), r)).flatMap(s -> s.depth(OptionalDouble.of(blades)));
            if (depth.isPresent()) {
                told++;
                within += Math.abs(depth.get().depthMm() - fault) < 2 * depth.get().sigmaMm() ? 1 : 0;
                off += Math.abs(depth.get().depthMm() - fault) / blades;
            }
        }
        assertThat(told).isGreaterThan(drawn * 8 / 10);
        assertThat(within / (double) told).as("two standard deviations").isBetween(0.93, 1.0);
        assertThat(off / told).as("mean error as a share of the way to the blades").isLessThan(0.12);
    }

    @Test
    void theSideOfTheBladesNeedsNoDepthAtAll() {
        SplittableRandom r = new SplittableRandom(12);
        int told = 0;
        int wrong = 0;
        int drawn = 600;
        for (int n = 0; n < drawn; n++) {
            double blades = 12 + 18 * r.nextDouble();
            double fault = blades * 1.5 * r.nextDouble();
            Optional<FocusSweep.Side> side = FocusSweep.of(sweep(drawn(r, blades), fault, OptionalDouble.of(blades), r)).flatMap(FocusSweep::side);
            told += side.isPresent() ? 1 : 0;
            wrong += side.filter(s -> s == FocusSweep.Side.BEHIND_BLADES && fault < blades || (s == FocusSweep.Side.BEFORE_BLADES || s == FocusSweep.Side.RIM) && fault > blades || s == FocusSweep.Side.AT_BLADES && Math.abs(fault - blades) > 0.3 * blades || s == FocusSweep.Side.RIM && fault > 0.4 * blades).isPresent() ? 1 : 0;
        }
        assertThat(told).isGreaterThan(drawn * 7 / 10);
        assertThat(wrong / (double) told).as("called on the wrong side").isLessThan(0.03);
    }

    /// A sweep taken the other way round, from the far end, tells the same.
    @Test
    void theWayTheFocusWentDoesNotMatter() {
        List<FocusSweep.Seen> on = sweep(new Camera(5, 3, 100, -5, 40, 12), 15, OptionalDouble.of(24), new SplittableRandom(3));
        List<FocusSweep.Seen> back = on.stream().map(s -> new FocusSweep.Seen(13 - s.step(), s.fault(), s.edges(), s.saidMm())).toList();
        FocusSweep one = FocusSweep.of(on).orElseThrow();
        FocusSweep other = FocusSweep.of(back).orElseThrow();
        assertThat(one.side()).contains(FocusSweep.Side.BEFORE_BLADES).isEqualTo(other.side());
        assertThat(one.depth(OptionalDouble.of(24)).orElseThrow().depthMm()).isCloseTo(15, within(3.0)).isCloseTo(other.depth(OptionalDouble.of(24)).orElseThrow().depthMm(), within(0.4));
        assertThat(Wording.core().say(one.said(false).orElseThrow())).contains("in front of the iris");
        assertThat(Wording.core().say(one.said(true).orElseThrow())).contains("behind the iris");
    }

    @Test
    void withoutBladesOnlyTheNearestGlassesAreTold() {
        SplittableRandom r = new SplittableRandom(5);
        Camera c = new Camera(5, 4, 100, -5, 40, 12);
        FocusSweep front = FocusSweep.of(sweep(c, 0.5, OptionalDouble.empty(), r)).orElseThrow();
        FocusSweep deep = FocusSweep.of(sweep(c, 22, OptionalDouble.empty(), r)).orElseThrow();
        assertThat(front.side()).contains(FocusSweep.Side.RIM);
        assertThat(deep.side()).contains(FocusSweep.Side.DEEPER);
        assertThat(deep.depth(OptionalDouble.empty())).as("one depth is no scale").isEmpty();
        assertThat(deep.depth(OptionalDouble.of(24))).as("blades nobody saw are none").isEmpty();
    }

    /// Where it was said how deep two photos are sharp, nothing has to be seen of rim or blades.
    @Test
    void photosOfKnownDepthGiveTheScale() {
        Camera c = new Camera(5, 4, 120, 0, 30, 11);
        SplittableRandom r = new SplittableRandom(6);
        List<FocusSweep.Seen> photos = new ArrayList<>();
        for (int i = 1; i <= 11; i++) {
            Optional<Double> said = i == 1 || i == 11 ? Optional.of(i == 1 ? 0.0 : 30) : Optional.empty();
            photos.add(new FocusSweep.Seen(i, Optional.of(noisy(c.sharpness(12, i), r)), PhotoEdges.UNKNOWN, said));
        }
        FocusSweep s = FocusSweep.of(photos).orElseThrow();
        FocusStack depth = s.depth(OptionalDouble.empty()).orElseThrow();
        assertThat(depth.depthMm()).isCloseTo(12, within(2 * depth.sigmaMm()));
        assertThat(depth.sigmaMm()).isLessThan(2.5);
        assertThat(s.side()).as("the photo that is sharp at 0 is sharp at the rim").contains(FocusSweep.Side.DEEPER);
        assertThat(s.withBlades(9).side()).contains(FocusSweep.Side.BEFORE_BLADES);
    }

    @Test
    void aFaultAsSharpEverywhereTellsNothing() {
        List<FocusSweep.Seen> photos = new ArrayList<>();
        for (int i = 1; i <= 6; i++) {
            photos.add(new FocusSweep.Seen(i, Optional.of(5.0), new PhotoEdges(Optional.of(9.0 - i), Optional.empty()), Optional.empty()));
        }
        assertThat(FocusSweep.of(photos)).isEmpty();
        assertThat(FocusSweep.of(photos.subList(0, 2))).isEmpty();
    }

    /// What lies on the blades is on neither side of them, however many sweeps are taken.
    @Test
    void aFaultOnTheBladesIsSeldomCalledBesideThem() {
        SplittableRandom r = new SplittableRandom(21);
        int beside = 0;
        int drawn = 300;
        for (int n = 0; n < drawn; n++) {
            double blades = 12 + 18 * r.nextDouble();
            Optional<FocusSweep.Side> side = FocusSweep.of(sweep(drawn(r, blades), blades, OptionalDouble.of(blades), r)).flatMap(FocusSweep::side);
            beside += side.filter(s -> s != FocusSweep.Side.AT_BLADES).isPresent() ? 1 : 0;
        }
        assertThat(beside / (double) drawn).as("two standard deviations to either side").isLessThan(0.1);
    }

    /// A step that is told to one step, where a step is two millimetres: two millimetres at least. Told too badly it is on no side.
    @Test
    void whatIsTheUncertaintyOfTheStepIsThatOfTheDepth() {
        List<FocusSweep.Mark> marks = List.of(new FocusSweep.Mark(1, 0.01, 0, 0.01), new FocusSweep.Mark(9, 0.01, 16, 0.01));
        FocusSweep rough = new FocusSweep(new Sharpest(5, 1), Optional.empty(), Optional.empty(), marks);
        assertThat(rough.depth(OptionalDouble.empty()).orElseThrow().sigmaMm()).isBetween(1.8, 2.8);
        FocusSweep near = new FocusSweep(new Sharpest(5, 1.2), Optional.of(new Sharpest(2, 0.2)), Optional.of(new Sharpest(6, 0.2)), List.of());
        assertThat(near.side()).as("on the blades or well before them").isEmpty();
        assertThat(new FocusSweep(new Sharpest(6.1, 0.3), near.rim(), near.blades(), List.of()).side()).contains(FocusSweep.Side.AT_BLADES);
    }

    /// Readings that follow no such curve tell the place less well than those that do.
    @Test
    void readingsThatScatterMoreAreLessCertain() {
        List<Sharpest.Sight> smooth = new ArrayList<>();
        List<Sharpest.Sight> rough = new ArrayList<>();
        for (int i = 1; i <= 12; i++) {
            double v = 1 / Math.hypot(0.6, 0.5 * (i - 6));
            smooth.add(new Sharpest.Sight(i, v));
            rough.add(new Sharpest.Sight(i, v * Math.exp(i % 2 == 0 ? 0.3 : -0.3)));
        }
        double fine = Sharpest.of(smooth).orElseThrow().sigma();
        assertThat(Sharpest.of(rough).map(Sharpest::sigma).orElse(99.0)).isGreaterThan(2 * fine);
    }
}
