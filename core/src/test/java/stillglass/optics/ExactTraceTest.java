package stillglass.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ExactTraceTest {
    private static final double D = Medium.D_LINE_NM;

    private static RayBundle one(double x, double y, double cosX, double cosY) {
        RayBundle rays = new RayBundle(1);
        rays.launch(0, x, y, cosX, cosY);
        return rays;
    }

    @Test
    void snellHoldsAtAPlane() {
        LensSection plate = Lenses.single(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, 5, 1.5, 8);
        ExactTrace trace = new ExactTrace(plate, D);
        RayBundle rays = one(0, 0, 0, Math.sin(0.4));
        trace.surface(0, rays, 0);
        trace.surface(1, rays, 1);

        assertThat(rays.cosY(0)).isCloseTo(Math.sin(0.4) / 1.5, within(1e-12));
        trace.surface(2, rays, 5);
        assertThat(rays.cosY(0)).as("parallel again behind the plate").isCloseTo(Math.sin(0.4), within(1e-12));
    }

    @Test
    void rayThroughTheCentreOfCurvatureGoesStraightOn() {
        // Concentric meniscus: both faces centred 30 mm behind the front vertex.
        LensSection dome = Lenses.single(30, 25, 5, 1.7, 12);
        ExactTrace trace = new ExactTrace(dome, D);
        double angle = 0.15;
        // Aim at the point 31 mm behind the iris plane (1 mm before the front vertex).
        RayBundle rays = one(0, -31 * Math.tan(angle), 0, Math.sin(angle));
        trace.through(rays);

        assertThat(rays.cosY(0)).isCloseTo(Math.sin(angle), within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void directionStaysAUnitVectorAndSkewInvariantIsKept(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double x = 4 * (random.nextDouble() - 0.5);
        double y = 4 * (random.nextDouble() - 0.5);
        double cx = 0.2 * (random.nextDouble() - 0.5);
        double cy = 0.2 * (random.nextDouble() - 0.5);
        RayBundle rays = one(x, y, cx, cy);
        new ExactTrace(Lenses.triplet(), D).through(rays);

        double length = Math.sqrt(rays.cosX(0) * rays.cosX(0) + rays.cosY(0) * rays.cosY(0) + rays.cosZ(0) * rays.cosZ(0));
        assertThat(length).as("seed %d", seed).isCloseTo(1, within(1e-12));
        // n (x·m − y·l) is the same in every space of a centred system.
        assertThat(rays.xMm(0) * rays.cosY(0) - rays.yMm(0) * rays.cosX(0)).isCloseTo(x * cy - y * cx, within(1e-10));
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25})
    void lightSentBackReturnsTheWayItCame(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        LensSection lens = Lenses.triplet();
        double y = 3 * random.nextDouble();
        double cy = 0.1 * random.nextDouble();
        RayBundle rays = one(1, y, 0.02, cy);
        new ExactTrace(lens, D).through(rays);

        // The whole lens turned round is the way back; mirrored in z, the ray goes into it.
        List<Surface> surfaces = lens.surfaces();
        int n = surfaces.size();
        List<Surface> turned = new java.util.ArrayList<>();
        for (int i = n - 1; i >= 0; i--) {
            Medium after = i > 0 ? surfaces.get(i - 1).after() : new Medium.Air();
            double t = i > 0 ? surfaces.get(i - 1).thicknessMm() : 0;
            turned.add(new Surface(-surfaces.get(i).radiusMm(), t, after, surfaces.get(i).semiDiameterMm(), surfaces.get(i).stop()));
        }
        LensSection back = lens.withSurfaces(turned, List.of());
        double toPlane = -rays.zMm(0) / rays.cosZ(0);
        RayBundle returning = one(rays.xMm(0) + toPlane * rays.cosX(0), rays.yMm(0) + toPlane * rays.cosY(0), -rays.cosX(0), -rays.cosY(0));
        new ExactTrace(back, D).through(returning);
        double toFirst = -returning.zMm(0) / returning.cosZ(0);

        assertThat(returning.xMm(0) + toFirst * returning.cosX(0)).as("seed %d", seed).isCloseTo(1, within(1e-9));
        assertThat(returning.yMm(0) + toFirst * returning.cosY(0)).isCloseTo(y, within(1e-9));
        assertThat(returning.cosY(0)).isCloseTo(-cy, within(1e-11));
    }

    /// Malus and Dupin: rays of one wave stay square to its wavefronts, so the optical path to a neighbouring ray's end
    /// differs by the step along the ray. Second order in a step of 0.1 µm with the mean of both directions.
    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34, 35, 36, 37, 38})
    void raysStaySquareToTheirWavefront(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double x = 4 * (random.nextDouble() - 0.5);
        double y = 4 * (random.nextDouble() - 0.5);
        double cy = 0.4 * (random.nextDouble() - 0.5);
        double turn = 2 * Math.PI * random.nextDouble();
        RayBundle rays = new RayBundle(2);
        rays.launch(0, x, y, 0, cy);
        rays.launch(1, x + 1e-4 * Math.cos(turn), y + 1e-4 * Math.sin(turn), 0, cy);
        new ExactTrace(Lenses.triplet(), D).through(rays);
        double along = (rays.cosX(0) + rays.cosX(1)) / 2 * (rays.xMm(1) - rays.xMm(0))
                + (rays.cosY(0) + rays.cosY(1)) / 2 * (rays.yMm(1) - rays.yMm(0))
                + (rays.cosZ(0) + rays.cosZ(1)) / 2 * (rays.zMm(1) - rays.zMm(0));

        assertThat(rays.pathMm(1) - rays.pathMm(0)).as("seed %d", seed).isCloseTo(along, within(1e-11));
    }

    @Test
    void closeToTheAxisItAgreesWithFirstOrder() {
        LensSection lens = Lenses.triplet();
        double h = 1e-3;
        RayBundle rays = one(0, h, 0, 0);
        new ExactTrace(lens, D).through(rays);
        double crossing = rays.zMm(0) - rays.yMm(0) / rays.cosY(0) * rays.cosZ(0);

        assertThat(crossing).isCloseTo(Paraxial.of(lens).bfdMm(), within(1e-6));
    }

    @Test
    void opticalPathsToTheFocusOfAPlanoHyperbolicLimitAgreeNearTheAxis() {
        // Fermat: near the axis all paths to the focus are equal to fourth order.
        LensSection lens = Lenses.single(60, -60, 3, 1.5, 8);
        double bfd = Paraxial.of(lens).bfdMm();
        double axial = pathToFocus(lens, 0, bfd);

        assertThat(pathToFocus(lens, 0.2, bfd)).isCloseTo(axial, within(1e-6));
        assertThat(Math.abs(pathToFocus(lens, 4, bfd) - axial)).as("aberration far out").isGreaterThan(1e-4);
    }

    private static double pathToFocus(LensSection lens, double h, double bfd) {
        RayBundle rays = one(0, h, 0, 0);
        new ExactTrace(lens, D).through(rays);
        return rays.pathMm[0] + Math.hypot(rays.yMm(0), bfd - rays.zMm(0));
    }

    @Test
    void rayBesideASphereIsMissedWithoutNaN() {
        LensSection ball = Lenses.single(5, -5, 10, 1.5, 5);
        RayBundle rays = one(0, 6, 0, 0);
        new ExactTrace(ball, D).through(rays);

        assertThat(rays.fate(0)).isEqualTo(RayBundle.MISSED);
        assertThat(rays.yMm(0)).isFinite();
        assertThat(rays.passes(0)).isFalse();
    }

    @Test
    void totalReflectionIsAResult() {
        // Out of glass into air at a steep plane-convex rear.
        LensSection steep = Lenses.single(Double.POSITIVE_INFINITY, -6, 8, 1.9, 5.5);
        RayBundle rays = one(0, 5, 0, 0);
        new ExactTrace(steep, D).through(rays);

        assertThat(rays.fate(0)).isEqualTo(RayBundle.REFLECTED);
        assertThat(rays.cosY(0)).isFinite();
    }

    @Test
    void vignettingIsRememberedNotTraced() {
        RayBundle rays = one(0, 9, 0, 0);
        new ExactTrace(Lenses.triplet(), D).through(rays);

        assertThat(rays.fate(0)).isEqualTo(RayBundle.TRAVELS);
        assertThat(rays.clip(0)).isGreaterThan(1);
        assertThat(rays.passes(0)).isFalse();
    }

    @Test
    void toStopEndsOnTheIris() {
        LensSection lens = Lenses.triplet();
        RayBundle rays = one(0, 5, 0, 0);
        ExactTrace trace = new ExactTrace(lens, D);
        trace.toStop(rays);

        assertThat(trace.stop()).isEqualTo(2);
        assertThat(trace.surfaces()).isEqualTo(6);
        assertThat(rays.zMm(0)).isCloseTo(0, within(1e-12));
    }

    @Test
    void aimingMeetsTheWantedPointOfTheIris() {
        LensSection lens = Lenses.triplet();
        ExactTrace trace = new ExactTrace(lens, D);
        RayAim aim = new RayAim(lens, trace, 0.25);

        assertThat(aim.at(2.5, -4)).isTrue();
        RayBundle rays = one(aim.entryXMm(), aim.entryYMm(), 0, aim.cosY());
        trace.toStop(rays);
        assertThat(rays.xMm(0)).isCloseTo(2.5, within(1e-8));
        assertThat(rays.yMm(0)).isCloseTo(-4, within(1e-8));
    }

    /// Wide fields of a retrofocus lens with a turned front glass: the entrance pupil of first-order optics is out of reach
    /// there, but the iris is not.
    @Test
    void aimingFindsTheIrisWhereFirstOrderOpticsMissesTheLens() {
        Medium g = new Medium.Glass(1.6, 60, "");
        Medium air = new Medium.Air();
        LensSection wide = Lenses.section("wide", 5, List.of(
                new Surface(-30, 2, g, 17, false), new Surface(-90, 20, air, 17, false),
                new Surface(Double.POSITIVE_INFINITY, 3, air, 5, true),
                new Surface(60, 5, g, 12, false), new Surface(-20, 40, air, 12, false)), List.of());
        int found = 0;
        for (double slope = 0.1; slope < 1.2; slope += 0.1) {
            ExactTrace trace = new ExactTrace(wide, D);
            RayAim aim = new RayAim(wide, trace, slope);
            // An independent search along the entry line for a ray through the middle of the iris.
            boolean exists = false;
            double before = Double.NaN;
            for (double y = -60; y < 60; y += 0.05) {
                RayBundle ray = one(0, y, 0, slope / Math.hypot(1, slope));
                trace.toStop(ray);
                double at = ray.fate(0) == RayBundle.TRAVELS ? ray.yMm(0) : Double.NaN;
                exists |= before * at <= 0;
                before = at;
            }
            assertThat(aim.at(0, 0)).as("slope %.1f", slope).isEqualTo(exists);
            found += exists ? 1 : 0;
        }
        assertThat(found).isGreaterThan(4);
    }

    @Test
    void aFoldedImageOfTheIrisIsNoticed() {
        LensSection lens = Lenses.triplet();

        assertThat(new RayAim(lens, new ExactTrace(lens, D), 0.3).doubledShare(6)).isZero();
        // A ball in front of the iris: rays far out cross back over those near the axis.
        LensSection ball = Lenses.section("ball", 6, List.of(
                new Surface(10, 20, new Medium.Glass(1.5, 60, ""), 9.9, false), new Surface(-10, 4, new Medium.Air(), 9.9, false),
                new Surface(Double.POSITIVE_INFINITY, 40, new Medium.Air(), 6, true)), List.of());
        assertThat(new RayAim(ball, new ExactTrace(ball, D), 0).doubledShare(2)).isGreaterThan(0.03);
    }
}
