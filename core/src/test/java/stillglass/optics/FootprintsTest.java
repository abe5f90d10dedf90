package stillglass.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FootprintsTest {
    private static double area(double[] p) {
        double twice = 0;
        for (int a = 0; a < Footprints.CORNERS; a++) {
            int b = (a + 1) % Footprints.CORNERS;
            twice += p[2 * a] * p[2 * b + 1] - p[2 * b] * p[2 * a + 1];
        }
        return Math.abs(twice) / 2;
    }

    /// Area of an inscribed polygon with as many corners as an outline over that of the circle.
    private static final double POLYGON = Footprints.CORNERS * Math.sin(2 * Math.PI / Footprints.CORNERS) / (2 * Math.PI);

    @Test
    void onTheIrisTheBeamIsTheIris() {
        LensSection lens = Lenses.triplet();
        Footprints prints = Footprints.of(lens, () -> {});
        double[] outline = new double[2 * Footprints.CORNERS];
        for (int stop = 0; stop < prints.stops().size(); stop++) {
            assertThat(prints.outline(lens.stopIndex(), stop, 0, 0, outline)).isTrue();
            double radius = 6 * lens.fNumber() / prints.stops().get(stop);
            assertThat(area(outline)).isCloseTo(Math.PI * radius * radius * POLYGON, within(0.002 * radius * radius));
        }
    }

    /// Independent of the fit: rays aimed one by one at random points of the iris lie inside the outline exactly when no
    /// rim cuts them.
    @ParameterizedTest
    @CsvSource({"0, 0.1, 5, narrow", "0.2, 0.1, 6, narrow", "0.3, -0.25, 7, narrow", "-0.1, 0.35, 8, narrow", "0.1, 0.1, 9, steep", "0.2, -0.3, 10, steep"})
    void everyRayThatPassesLiesInsideTheOutlineAndNoOtherDoes(double slopeX, double slopeY, long seed, String kind) {
        LensSection lens = kind.equals("narrow") ? narrowed() : steep();
        Footprints prints = Footprints.of(lens, () -> {});
        double slope = Math.hypot(slopeX, slopeY);
        ExactTrace trace = new ExactTrace(lens, 587.6);
        RayAim aim = new RayAim(lens, trace, slope);
        java.util.SplittableRandom random = new java.util.SplittableRandom(seed);
        double[] outline = new double[2 * Footprints.CORNERS];
        int wrong = 0;
        int cut = 0;
        int lost = 0;
        for (int i = 0; i < 400; i++) {
            double r = 6 * Math.sqrt(random.nextDouble());
            double t = 2 * Math.PI * random.nextDouble();
            assertThat(aim.at(r * Math.cos(t), r * Math.sin(t))).isTrue();
            RayBundle ray = new RayBundle(1);
            ray.launch(0, aim.entryXMm(), aim.entryYMm(), 0, aim.cosY());
            RayBundle whole = new RayBundle(1);
            whole.launch(0, aim.entryXMm(), aim.entryYMm(), 0, aim.cosY());
            trace.through(whole);
            lost += whole.fate(0) == RayBundle.TRAVELS ? 0 : 1;
            trace.next(0, ray);
            double x = (ray.xMm(0) * slopeY + ray.yMm(0) * slopeX) / slope;
            double y = (ray.yMm(0) * slopeY - ray.xMm(0) * slopeX) / slope;
            boolean inside = prints.outline(0, 0, slopeX, slopeY, outline) && contains(outline, x, y);
            cut += whole.passes(0) ? 0 : 1;
            wrong += inside == whole.passes(0) ? 0 : 1;
        }
        assertThat(lost).as("rays that miss a face").isGreaterThan(kind.equals("steep") ? 10 : -1);
        assertThat(wrong).as("of 400 rays, near the outline only").isLessThanOrEqualTo(9);
        assertThat(cut).as("the case tests vignetting").isGreaterThan(slope > 0.2 || kind.equals("steep") ? 20 : -1);
    }

    /// A triplet whose front rim cuts into oblique beams.
    private static LensSection narrowed() {
        LensSection lens = Lenses.triplet();
        Surface s = lens.surfaces().getFirst();
        return Lenses.with(lens, 0, new Surface(s.radiusMm(), s.thicknessMm(), s.after(), 7.5, false));
    }

    /// A triplet whose last face is nearly a hemisphere: light that comes too far out misses it altogether.
    private static LensSection steep() {
        LensSection lens = Lenses.triplet();
        Surface s = lens.surfaces().get(5);
        return Lenses.with(lens, 5, new Surface(-5.6, s.thicknessMm(), s.after(), 4.2, false));
    }

    private static boolean contains(double[] p, double x, double y) {
        boolean in = false;
        for (int a = 0, b = Footprints.CORNERS - 1; a < Footprints.CORNERS; b = a++) {
            double ya = p[2 * a + 1];
            double yb = p[2 * b + 1];
            if (ya > y != yb > y && x < (p[2 * b] - p[2 * a]) * (y - ya) / (yb - ya) + p[2 * a]) {
                in = !in;
            }
        }
        return in;
    }

    @Test
    void aFieldThatNoLightReachesHasNoOutline() {
        LensSection lens = Lenses.triplet();
        Surface s = lens.surfaces().getFirst();
        LensSection tiny = Lenses.with(lens, 0, new Surface(s.radiusMm(), s.thicknessMm(), s.after(), 0.5, false));

        assertThat(Footprints.of(tiny, () -> {}).outline(0, 4, 0.3, 0.3, new double[80])).isFalse();
    }

    @Test
    void tracingCanBeStopped() {
        assertThatThrownBy(() -> Footprints.of(Lenses.triplet(), () -> {
            throw new CancellationException();
        })).isInstanceOf(CancellationException.class);
    }

    @Test
    void drawnRaysEndAtTheRimThatCutsThem() {
        List<Footprints.SectionRay> axial = Footprints.rays(Lenses.triplet(), Lenses.triplet(), 0, Lenses.triplet().fNumber(), 5);
        List<Footprints.SectionRay> corner = Footprints.rays(narrowed(), narrowed(), 1, 3, 9);

        assertThat(axial).hasSize(5).allMatch(r -> r.filmMm().isPresent() && r.heightsMm().size() == 6);
        assertThat(axial.get(2).filmMm().orElseThrow()).isCloseTo(0, within(1e-6));
        assertThat(corner).anyMatch(r -> r.filmMm().isEmpty());
        assertThat(corner.stream().filter(r -> r.filmMm().isEmpty()).mapToInt(r -> r.heightsMm().size()).max().orElseThrow()).isLessThan(6);
    }
}
