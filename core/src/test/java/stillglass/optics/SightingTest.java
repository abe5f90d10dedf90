package stillglass.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class SightingTest {
    private static final double INDEX = 1.6;
    private static final double THICK = 12;
    private static final double RIM = 15;
    private static final double CAMERA = 100;

    /// A plane plate behind an iris that hides nothing.
    private static LensSection plate() {
        Medium glass = new Medium.Glass(INDEX, 60, "");
        return Lenses.section("plate", 15, List.of(new Surface(Double.POSITIVE_INFINITY, THICK, glass, RIM, false), new Surface(Double.POSITIVE_INFINITY, 5, new Medium.Air(), RIM, false),
                new Surface(Double.POSITIVE_INFINITY, 50, new Medium.Air(), RIM, true)), List.of(Lenses.element("E1", 0, 1, RIM, "G1", List.of())));
    }

    @Test
    void throughAPlaneSnellIsExact() {
        Sighting seen = Sighting.of(plate(), 1, 0, false, CAMERA);
        for (double share : new double[] {0.25, 0.5, 1}) {
            double angle = Math.atan(share * RIM / CAMERA);
            assertThat(seen.heightMm(share)).isCloseTo(share * RIM + THICK * Math.tan(Math.asin(Math.sin(angle) / INDEX)), within(1e-9));
            assertThat(seen.share(seen.heightMm(share))).isCloseTo(share, within(1e-9));
        }
        Sighting inside = Sighting.of(plate(), 0, 5, true, CAMERA);
        double angle = Math.atan(RIM / CAMERA);
        assertThat(inside.heightMm(1)).as("a bubble 7 mm before the rear face, 5 mm of air behind it").isCloseTo(RIM + 5 * Math.tan(angle) + 7 * Math.tan(Math.asin(Math.sin(angle) / INDEX)), within(1e-9));
        assertThat(Sighting.of(plate(), 0, 0, false, CAMERA).heightMm(0.6)).as("the outermost face is its own rim").isCloseTo(9, within(1e-9));
    }

    @Test
    void nearTheAxisItIsFirstOrderAndFarOutItIsNot() {
        // A strong meniscus: its rear face is seen through 8 mm of glass that bulges.
        LensSection dome = Lenses.section("dome", 9, List.of(new Surface(16, 8, new Medium.Glass(1.7, 50, ""), 14, false), new Surface(12, 5, new Medium.Air(), 10, false),
                new Surface(Double.POSITIVE_INFINITY, 50, new Medium.Air(), 9, true)), List.of(Lenses.element("E1", 0, 1, 14, "G1", List.of())));
        double far = 1e6;
        Sighting seen = Sighting.of(dome, 1, 0, false, far);
        double firstOrder = 14 / Paraxial.of(dome).apparentFromFront(1).magnification();
        assertThat(seen.heightMm(1 / 24.0) * 24).isCloseTo(firstOrder, within(0.005 * firstOrder));
        // Where a ray parallel to the axis at 12 mm meets the rear face, worked out on paper: n(front) = asin(12/16), bent towards the normal by asin(sin/1.7).
        double in = Math.asin(12 / 16.0);
        double down = in - Math.asin(12 / 16.0 / 1.7);
        double z0 = 16 - Math.sqrt(256 - 144);
        // Meeting of y = 12 − tan(down)(z − z0) with the sphere about z = 20 of radius 12.
        double low = z0;
        double high = 20;
        for (int i = 0; i < 100; i++) {
            double z = (low + high) / 2;
            double y = 12 - Math.tan(down) * (z - z0);
            boolean before = Math.hypot(z - 20, y) > 12;
            low = before ? z : low;
            high = before ? high : z;
        }
        double expected = 12 - Math.tan(down) * (low - z0);
        assertThat(seen.heightMm(12.0 / 14)).isCloseTo(expected, within(0.03));
        assertThat(Math.abs(expected / (firstOrder * 12 / 14) - 1)).as("first order is off").isGreaterThan(0.03);
    }

    @Test
    void theCameraStandsBeforeThePlaneOfTheRim() {
        // A dome of radius 16 whose rim of 14 lies 8.25 mm behind its vertex: the line from the camera 50 mm before that plane through half the rim meets the dome earlier.
        LensSection dome = Lenses.section("dome", 9, List.of(new Surface(16, 8, new Medium.Glass(1.7, 50, ""), 14, false), new Surface(12, 5, new Medium.Air(), 10, false),
                new Surface(Double.POSITIVE_INFINITY, 50, new Medium.Air(), 9, true)), List.of(Lenses.element("E1", 0, 1, 14, "G1", List.of())));
        double rimZ = 16 - Math.sqrt(256 - 196);
        double slope = 7.0 / 50;
        // (slope t)² + (rimZ − 50 + t − 16)² = 256, the nearer root.
        double b = rimZ - 66;
        double t = (-b - Math.sqrt(b * b - (1 + slope * slope) * (b * b - 256))) / (1 + slope * slope);
        assertThat(Sighting.of(dome, 0, 0, false, 50).heightMm(0.5)).isCloseTo(slope * t, within(1e-9));
    }

    @Test
    void aPointBehindAPlateWandersAsSnellSays() {
        for (double tilt : new double[] {5, 20, 40}) {
            double sine = Math.sin(Math.toRadians(tilt));
            double exact = THICK * Math.tan(Math.asin(sine / INDEX)) * Math.cos(Math.toRadians(tilt));
            assertThat(ApparentPoint.wanderMm(plate(), 1, 0, tilt, false).orElseThrow()).as("%.0f°", tilt).isCloseTo(exact, within(1e-6));
        }
        double plain = THICK / INDEX * Math.sin(Math.toRadians(40));
        assertThat(Math.abs(plain / (THICK * Math.tan(Math.asin(Math.sin(Math.toRadians(40)) / INDEX)) * Math.cos(Math.toRadians(40))) - 1)).as("depth times sine is off at 40°").isGreaterThan(0.15);
    }

    @Test
    void aCameraNowhereIsRefused() {
        assertThatThrownBy(() -> Sighting.of(plate(), 1, 0, false, Double.NaN)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("out of range");
    }
}
