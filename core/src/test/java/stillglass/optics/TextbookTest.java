package stillglass.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Lenses whose figures are printed in textbooks.
class TextbookTest {
    private static LensSection section(double[] radii, double[] thicknesses, double[] nd, double[] vd) {
        List<Surface> surfaces = new ArrayList<>();
        surfaces.add(new Surface(Double.POSITIVE_INFINITY, 0, new Medium.Air(), 20, true));
        for (int i = 0; i < radii.length; i++) {
            surfaces.add(new Surface(radii[i], thicknesses[i], nd[i] == 1 ? new Medium.Air() : new Medium.Glass(nd[i], vd[i], ""), 20, false));
        }
        return Lenses.section("textbook", 5, surfaces, List.of());
    }

    /// R. Kingslake, *Lens Design Fundamentals*, 1978: the cemented telescope doublet on which the book shows ray tracing,
    /// c = 0.1353271, −0.1931098, −0.0616427; d = 1.05, 0.40; n = 1.517, 1.649. Printed: f′ 12.0000, paraxial l′ 11.28586,
    /// marginal ray at Y = 2 L′ 11.29390; quoted from memory, no copy of the book was at hand.
    private static LensSection telescopeDoublet() {
        return section(new double[] {1 / 0.1353271, -1 / 0.1931098, -1 / 0.0616427}, new double[] {1.05, 0.4, 11}, new double[] {1.517, 1.649, 1},
                new double[] {60, 33, 1});
    }

    /// The book traces with seven decimals of curvature; its last printed figures are that uncertain.
    private static final double PRINTED = 2e-5;

    @Test
    void theTelescopeDoubletHasItsPrintedFirstOrderFigures() {
        assertThat(Paraxial.of(telescopeDoublet()).eflMm()).isCloseTo(12.0000, within(PRINTED));
        assertThat(Paraxial.of(telescopeDoublet()).bfdMm()).isCloseTo(11.28586, within(PRINTED));
    }

    @Test
    void theTelescopeDoubletHasItsPrintedMarginalRay() {
        RayBundle ray = new RayBundle(1);
        ray.launch(0, 0, 2, 0, 0);
        new ExactTrace(telescopeDoublet(), Medium.D_LINE_NM).through(ray);

        assertThat(ray.zMm(0) - ray.yMm(0) / ray.cosY(0) * ray.cosZ(0)).isCloseTo(11.29390, within(PRINTED));
    }

    /// The 50 mm f/5 Cooke triplet with 20° half field that courses on lens design reprint, dense crown and flint; its
    /// focal length is stated as 50 mm at 0.55 µm.
    private static LensSection cookeTriplet() {
        return section(new double[] {22.01359, -435.76044, -22.21328, 20.29192, 79.68360, -18.39533},
                new double[] {3.25896, 6.00755, 0.99997, 4.75041, 2.95208, 42.20778},
                new double[] {1.620410, 1, 1.620040, 1, 1.620410, 1}, new double[] {60.32, 1, 36.37, 1, 60.32, 1});
    }

    @Test
    void theCookeTripletHasItsStatedFocalLength() {
        // The two-term dispersion formula stands in for the catalogue's, which costs some thousandths of a millimetre.
        assertThat(Paraxial.of(cookeTriplet(), 550).eflMm()).isCloseTo(50, within(0.005));
    }

    /// The second method: a meridional trace by angles (Kingslake's Q-and-U form) that shares nothing with the vector form.
    @ParameterizedTest
    @CsvSource({"5, 0", "3, 0.1", "-4, 0.2", "2, -0.25", "6, 0.05"})
    void meridionalRaysAgreeWithTheTrigonometricTrace(double height, double angle) {
        LensSection lens = cookeTriplet();
        RayBundle ray = new RayBundle(1);
        ray.launch(0, 0, height, 0, Math.sin(angle));
        new ExactTrace(lens, Medium.D_LINE_NM).through(ray);
        double crossing = ray.yMm(0) + (42 - ray.zMm(0)) / ray.cosZ(0) * ray.cosY(0);

        assertThat(crossing).isCloseTo(trigonometric(lens, height, angle, 42), within(1e-10));
    }

    private static double trigonometric(LensSection lens, double height, double angle, double planeMm) {
        // Height y on the tangent plane of each vertex and slope angle u, by the law of sines at every sphere.
        double y = height;
        double u = angle;
        double indexBefore = 1;
        List<Surface> surfaces = lens.surfaces();
        for (int i = 0; i < surfaces.size(); i++) {
            Surface s = surfaces.get(i);
            double indexAfter = s.after().index(Medium.D_LINE_NM);
            double c = s.curvature();
            if (c == 0) {
                u = Math.asin(indexBefore / indexAfter * Math.sin(u));
            } else {
                double r = 1 / c;
                // Perpendicular from the centre of curvature onto the ray.
                double sinIn = (r * Math.sin(u) + y * Math.cos(u)) / r;
                double in = Math.asin(sinIn);
                double out = Math.asin(indexBefore / indexAfter * sinIn);
                double turned = u - in + out;
                // The ray meets the sphere at the angle in − u from the axis as seen from the centre.
                double phi = in - u;
                double yAt = r * Math.sin(phi);
                double zAt = r * (1 - Math.cos(phi));
                u = turned;
                y = yAt - zAt * Math.tan(u);
            }
            if (i + 1 < surfaces.size()) {
                y += surfaces.get(i).thicknessMm() * Math.tan(u);
            }
            indexBefore = indexAfter;
        }
        return y + planeMm * Math.tan(u);
    }
}
