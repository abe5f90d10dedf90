package stillglass.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.misassembly.MountedFilm;

class AsphereTest {
    private static final double D = Medium.D_LINE_NM;
    private static final double N = 1.6;
    private static final Medium GLASS = new Medium.Glass(N, 60, "");
    private static final Medium AIR = new Medium.Air();
    private static final double FLAT = Double.POSITIVE_INFINITY;

    private static LensSection behindAnIris(Surface front, Surface rear) {
        return Lenses.section("one glass", 9, List.of(new Surface(FLAT, 1, AIR, 20, true), front, rear), List.of(Lenses.element("E1", 1, 2, 20, "G1", List.of())));
    }

    /// Where a ray parallel to the axis crosses it, from the last vertex.
    private static double crosses(LensSection lens, double h) {
        RayBundle ray = new RayBundle(1);
        ray.launch(0, 0, h, 0, 0);
        new ExactTrace(lens, D).through(ray);
        assertThat(ray.fate(0)).isEqualTo(RayBundle.TRAVELS);
        return ray.zMm(0) - ray.yMm(0) / ray.cosY(0) * ray.cosZ(0);
    }

    @Test
    void aHyperboloidBehindAPlaneBringsEveryRayToOnePoint() {
        // From glass into air: conic −n², focus R / (1 − n) behind the vertex.
        LensSection lens = behindAnIris(new Surface(FLAT, 8, GLASS, 20, false), new Surface(-30, 50, AIR, 20, false, new Asphere(-N * N, List.of())));
        for (double h : new double[] {0.5, 4, 9, 15}) {
            assertThat(crosses(lens, h)).as("at %.1f mm", h).isCloseTo(-30 / (1 - N), within(1e-9));
        }
    }

    @Test
    void anEllipsoidBringsParallelLightToOnePointInTheGlass() {
        // From air into glass: conic −1/n², focus n R / (n − 1) behind the vertex. The second face is centred there and bends nothing.
        double focus = N * 25 / (N - 1);
        LensSection lens = behindAnIris(new Surface(25, 10, GLASS, 20, false, new Asphere(-1 / N / N, List.of())), new Surface(focus - 10, 50, AIR, 20, false));
        for (double h : new double[] {1, 6, 12}) {
            assertThat(crosses(lens, h)).as("at %.1f mm", h).isCloseTo(focus - 10, within(1e-9));
        }
    }

    @Test
    void evenPowersOfASphereAreTheSphere() {
        // √ expanded: h²/2R + h⁴/8R³ + h⁶/16R⁵ + 5h⁸/128R⁷ + …: a paraboloid with the rest as coefficients.
        double r = 40;
        Asphere series = new Asphere(-1, List.of(1 / (8 * Math.pow(r, 3)), 1 / (16 * Math.pow(r, 5)), 5 / (128 * Math.pow(r, 7)), 7 / (256 * Math.pow(r, 9)), 21 / (1024 * Math.pow(r, 11))));
        LensSection sphere = behindAnIris(new Surface(r, 6, GLASS, 20, false), new Surface(-90, 50, AIR, 20, false));
        LensSection powers = behindAnIris(new Surface(r, 6, GLASS, 20, false, series), new Surface(-90, 50, AIR, 20, false));
        for (double h : new double[] {2, 4, 6}) {
            assertThat(crosses(powers, h)).as("at %.1f mm", h).isCloseTo(crosses(sphere, h), within(1e-7));
        }
    }

    @Test
    void raysThatMissAConicAreLostAndNothingBecomesNaN() {
        LensSection lens = behindAnIris(new Surface(10, 8, GLASS, 20, false, new Asphere(0.5, List.of())), new Surface(-30, 50, AIR, 20, false));
        RayBundle ray = new RayBundle(1);
        ray.launch(0, 0, 9.5, 0, 0);
        new ExactTrace(lens, D).through(ray);
        assertThat(ray.fate(0)).isEqualTo(RayBundle.MISSED);
        assertThat(ray.yMm(0)).isEqualTo(9.5);
        assertThatThrownBy(() -> new Asphere(Double.NaN, List.of())).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("NaN");
    }

    @Test
    void everyTracerAgreesOnTiltedDecentredAndAsphericLenses() {
        SplittableRandom random = new SplittableRandom(20261127);
        int traced = 0;
        for (int k = 0; k < 40; k++) {
            LensSection lens = k % 2 == 0 ? Lenses.triplet() : bent(Lenses.triplet(), random);
            List<Tilt> tilts = new ArrayList<>();
            if (k % 3 > 0) {
                tilts.add(new Tilt(0, 1, random.nextDouble(0.05), random.nextDouble(6.28), random.nextDouble(0.5)));
            }
            if (k % 3 > 1) {
                tilts.add(new Tilt(3, 5, random.nextDouble(0.05), random.nextDouble(6.28), random.nextDouble(0.5)));
            }
            lens = lens.withTilts(tilts);
            double slopeX = random.nextDouble(-0.2, 0.2);
            double slopeY = random.nextDouble(-0.2, 0.2);
            double x = random.nextDouble(-4, 4);
            double y = random.nextDouble(-4, 4);
            double nm = random.nextDouble(450, 650);
            double norm = Math.sqrt(1 + slopeX * slopeX + slopeY * slopeY);
            RayBundle ray = new RayBundle(1);
            ray.launch(0, x, y, slopeX / norm, slopeY / norm);
            new ExactTrace(lens, nm).through(ray);
            SecondTracer.End end = SecondTracer.trace(lens, nm, x, y, slopeX, slopeY);
            if (ray.fate(0) != RayBundle.TRAVELS) {
                continue;
            }
            traced++;
            double toPlane = -ray.zMm(0) / ray.cosZ(0);
            assertThat(ray.xMm(0) + toPlane * ray.cosX(0)).isCloseTo(end.x(), within(1e-6));
            assertThat(ray.yMm(0) + toPlane * ray.cosY(0)).isCloseTo(end.y(), within(1e-6));
            assertThat(ray.cosX(0)).isCloseTo(end.dx(), within(1e-7));
            assertThat(ray.cosY(0)).isCloseTo(end.dy(), within(1e-7));
        }
        assertThat(traced).isGreaterThan(35);
    }

    private static LensSection bent(LensSection lens, SplittableRandom random) {
        List<Surface> out = new ArrayList<>();
        for (Surface s : lens.surfaces()) {
            Asphere a = new Asphere(random.nextDouble(-2, 1), List.of(random.nextDouble(-1e-5, 1e-5), random.nextDouble(-1e-8, 1e-8)));
            out.add(s.stop() ? s : new Surface(s.radiusMm(), s.thicknessMm(), s.after(), s.semiDiameterMm(), false, a));
        }
        return lens.withSurfaces(out, lens.elements());
    }

    @Test
    void reversingTwiceGivesTheLensBack() {
        LensSection lens = bent(Lenses.triplet(), new SplittableRandom(3));
        LensSection twice = LensFault.apply(lens, List.of(LensFault.parse("reverse:E2+E3"), LensFault.parse("reverse:E2+E3")), LensFault.Seating.RIM).lens();
        for (int i = 0; i < lens.surfaces().size(); i++) {
            assertThat(twice.surfaces().get(i).asphere()).isEqualTo(lens.surfaces().get(i).asphere());
            assertThat(twice.surfaces().get(i).thicknessMm()).isCloseTo(lens.surfaces().get(i).thicknessMm(), within(1e-9));
        }
    }

    @Test
    void aPlateBehindMovesTheFocusByWhatTheTextbookSays() {
        LensSection lens = Lenses.triplet();
        LensFault plate = LensFault.parse("plate:3:1.5");
        LensSection covered = MountedFilm.of(LensFault.apply(lens, List.of(plate), LensFault.Seating.RIM).lens(), lens, List.of(plate));
        double moved = covered.imagePlaneMm() - covered.surfaces().getLast().thicknessMm() + Paraxial.of(covered).bfdMm() - (lens.imagePlaneMm() - lens.surfaces().getLast().thicknessMm() + Paraxial.of(lens).bfdMm());
        // t (1 − 1/n); the film stays where the mount puts it.
        assertThat(moved).isCloseTo(3 * (1 - 1 / 1.5), within(1e-9));
        assertThat(covered.imagePlaneMm()).isCloseTo(lens.imagePlaneMm(), within(1e-9));
        assertThat(LensFault.parse(plate.shortForm())).isEqualTo(plate);
        assertThat(LensFault.parse("decentred:E2+E3:0.2:6").shortForm()).isEqualTo("decentred:E2+E3:0.2:6.0");
        assertThatThrownBy(() -> LensFault.apply(lens, List.of(LensFault.parse("plate:19:1.5"), LensFault.parse("plate:19:1.5"), LensFault.parse("plate:19:1.5")), LensFault.Seating.RIM)).hasMessageContaining("does not fit");
    }
}
