package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Faults;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Medium;
import stillglass.optics.Paraxial;
import stillglass.optics.RayBundle;
import stillglass.optics.Sighting;
import stillglass.optics.Surface;
import stillglass.prove.measure.Bell;

class BothSidesTest {
    private static final LensSection LENS = Lenses.triplet();
    private static final double CAMERA_MM = 250;

    /// Height on a surface that a ray from the camera through a height at the outermost vertex meets, traced exactly.
    private static double met(LensSection seen, int surface, double yMm) {
        ExactTrace trace = new ExactTrace(seen, Medium.D_LINE_NM);
        RayBundle ray = new RayBundle(1);
        ray.launch(0, 0, yMm, 0, yMm / Math.hypot(yMm, CAMERA_MM));
        for (int s = 0; s <= surface; s++) {
            trace.next(s, ray);
        }
        return ray.yMm(0);
    }

    private static LensSection turnedOver() {
        List<Surface> turned = new ArrayList<>();
        for (int i = LENS.surfaces().size() - 1; i >= 0; i--) {
            Surface s = LENS.surfaces().get(i);
            Medium after = i > 0 ? LENS.surfaces().get(i - 1).after() : new Medium.Air();
            double t = i > 0 ? LENS.surfaces().get(i - 1).thicknessMm() : 0;
            turned.add(new Surface(-s.radiusMm(), t, after, s.semiDiameterMm(), s.stop()));
        }
        return LENS.withSurfaces(turned, List.of());
    }

    /// Height in the photo, aperture radii, at which something a given height up on a surface is seen.
    private static double seen(int surface, double heightMm, boolean rear) {
        LensSection lens = rear ? turnedOver() : LENS;
        int s = rear ? LENS.surfaces().size() - 1 - surface : surface;
        double rim = lens.surfaces().getFirst().semiDiameterMm();
        double low = 0;
        double high = 1.4 * rim;
        for (int i = 0; i < 60; i++) {
            double y = (low + high) / 2;
            double h = met(lens, s, y);
            if (h < heightMm) {
                low = y;
            } else {
                high = y;
            }
        }
        return low / rim;
    }

    private static BothSides pair(FindingKind kind, int surface, double heightMm, double sizeMm) {
        double front = seen(surface, heightMm, false);
        double rear = seen(surface, heightMm, true);
        double small = heightMm - sizeMm;
        return new BothSides(Faults.round(kind, 0, front, front - seen(surface, small, false)),
                Faults.round(kind, 0, rear, rear - seen(surface, small, true)));
    }

    @ParameterizedTest
    @CsvSource({"0, 3", "0, 5", "1, 4", "3, 3", "3, 1.5", "5, 2", "5, 4"})
    void onItsTrueSurfaceAFaultAgreesWithItselfFromBothSides(int surface, double heightMm) {
        BothSides both = pair(FindingKind.FUNGUS, surface, heightMm, 0.6);

        assertThat(both.misfit(LENS, surface, 0)).isLessThan(2.5);
        assertThat(both.oneFault(LENS)).isTrue();
    }

    @Test
    void farFromTheAxisBothSidesTellTheSurface() {
        BothSides both = pair(FindingKind.FUNGUS, 5, 4.5, 0.6);
        WhichSurface alone = WhichSurface.of(LENS, FindingKind.FUNGUS, 0.5, false, List.of());
        WhichSurface told = WhichSurface.of(LENS, FindingKind.FUNGUS, 0.5, false, List.of(), List.of(both));

        assertThat(told.on(5)).isGreaterThan(1.2 * alone.on(5));
        assertThat(told.on(0)).isLessThan(0.5 * alone.on(0));
    }

    /// Specks drawn anywhere on each surface, with cameras at drawn distances: the mean density of what is seen over the drawn ones, by no shares and no nodes.
    @ParameterizedTest
    @CsvSource({"0.3, 0.2, -0.32, 0.22", "-0.1, 0.55, 0.15, 0.6"})
    void whatTwoPhotosSayIsWhatDrawnSpecksSay(double fx, double fy, double rx, double ry) {
        Random random = new Random(7);
        BothSides both = new BothSides(Faults.round(FindingKind.FUNGUS, fx, fy, 0.1), Faults.round(FindingKind.FUNGUS, rx, ry, 0.1));
        int[] surfaces = {0, 1, 3, 5};
        double[] drawn = new double[surfaces.length];
        double[] told = new double[surfaces.length];
        for (int k = 0; k < surfaces.length; k++) {
            drawn[k] = drawn(both, surfaces[k], random);
            told[k] = Math.exp(both.logDensity(LENS, surfaces[k], 0));
        }
        for (int k = 0; k < surfaces.length; k++) {
            assertThat(told[k] / Arrays.stream(told).sum()).as("surface %d", surfaces[k]).isCloseTo(drawn[k] / Arrays.stream(drawn).sum(), withinPercentage(13));
        }
    }

    private static double drawn(BothSides both, int surface, Random random) {
        int cameras = 12;
        Sighting[][] sights = new Sighting[2][cameras];
        double[] sigma = new double[2];
        for (int side = 0; side < 2; side++) {
            for (int c = 0; c < cameras; c++) {
                sights[side][c] = Sighting.of(LENS, surface, 0, side == 1, CAMERA_MM * Math.max(0.4, 1 + 0.35 * Bell.quantile((c + 0.5) / cameras)));
            }
            Paraxial.Apparent image = side == 1 ? Paraxial.of(LENS).apparentFromRear(surface) : Paraxial.of(LENS).apparentFromFront(surface);
            sigma[side] = Math.hypot(0.03, 0.07 * image.depthMm() / (side == 1 ? LENS.surfaces().getLast() : LENS.surfaces().getFirst()).semiDiameterMm());
        }
        double clear = LENS.surfaces().get(surface).semiDiameterMm();
        int draws = 150_000;
        double sum = 0;
        for (int i = 0; i < draws; i++) {
            double h = clear * Math.sqrt(random.nextDouble());
            double at = 2 * Math.PI * random.nextDouble();
            Sighting front = sights[0][random.nextInt(cameras)];
            Sighting rear = sights[1][random.nextInt(cameras)];
            double f = (sq(both.front().x() - Math.cos(at) * front.share(h)) + sq(both.front().y() - Math.sin(at) * front.share(h))) / sq(sigma[0]);
            double r = (sq(both.rear().x() + Math.cos(at) * rear.share(h)) + sq(both.rear().y() - Math.sin(at) * rear.share(h))) / sq(sigma[1]);
            double size = Math.log(both.front().areaShare() * grown(rear, h) / (both.rear().areaShare() * grown(front, h)));
            sum += Math.exp(-(f + r + sq(size) / (2 * 0.25 * 0.25)) / 2) / sq(sigma[0]) / sq(sigma[1]);
        }
        return sum / draws;
    }

    /// Photo for a piece of the surface.
    private static double grown(Sighting s, double h) {
        double step = 0.05;
        double low = Math.max(0.01, h - step);
        return Math.abs((s.share(h + step) - s.share(low)) / (h + step - low) * s.share(Math.max(h, 0.02)) / Math.max(h, 0.02));
    }

    private static double sq(double v) {
        return v * v;
    }

    @ParameterizedTest
    @ValueSource(doubles = {-0.5, 0.25})
    void faultsInOtherPlacesAreTwo(double clockwiseOff) {
        Finding front = Faults.round(FindingKind.FUNGUS, 0.5, 0.4, 0.1);
        Finding mirrored = Faults.round(FindingKind.FUNGUS, -0.5, 0.4, 0.1);
        Finding elsewhere = Faults.round(FindingKind.FUNGUS, -0.5, clockwiseOff - 0.4, 0.1);

        assertThat(new BothSides(front, mirrored).oneFault(LENS)).isTrue();
        assertThat(new BothSides(front, elsewhere).oneFault(LENS)).isFalse();
        assertThat(new BothSides(front, front).oneFault(LENS)).as("right and left change places").isFalse();
    }

    @Test
    void sizeAndKindMustAgreeToo() {
        Finding front = Faults.round(FindingKind.OIL, 0.5, 0.4, 0.1);

        assertThat(new BothSides(front, Faults.round(FindingKind.OIL, -0.5, 0.4, 0.4)).oneFault(LENS)).isFalse();
        assertThat(new BothSides(front, Faults.round(FindingKind.SCRATCH, -0.5, 0.4, 0.1)).oneFault(LENS)).isFalse();
        assertThat(new BothSides(Faults.round(FindingKind.HAZE, 0, 0, 0.9), Faults.round(FindingKind.HAZE, 0.2, 0, 0.5)).oneFault(LENS))
                .as("light from either side passes all the haze there is").isTrue();
    }

    @Test
    void whatWouldLieOutsideASurfaceIsNotThere() {
        BothSides rim = new BothSides(Faults.round(FindingKind.CHIP, 1.2, 0, 0.05), Faults.round(FindingKind.CHIP, -0.9, 0, 0.05));

        assertThat(rim.misfit(LENS, 0, 0)).isGreaterThan(11.3);
        assertThat(BothSides.of(rim.rear(), true, rim.front())).isEqualTo(rim);
    }
}
