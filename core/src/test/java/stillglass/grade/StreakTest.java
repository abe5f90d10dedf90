package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Finding;
import stillglass.look.FindingKind;

class StreakTest {
    /// A thin rectangle turned by an angle about a point away from the middle.
    private static Finding.Region groove(double deg, double length, double width) {
        double c = Math.cos(Math.toRadians(deg));
        double s = Math.sin(Math.toRadians(deg));
        List<Finding.Point> all = new ArrayList<>();
        for (double[] p : new double[][] {{-length / 2, -width / 2}, {length / 2, -width / 2}, {length / 2, width / 2}, {-length / 2, width / 2}}) {
            all.add(new Finding.Point(0.3 + p[0] * c - p[1] * s, -0.2 + p[0] * s + p[1] * c));
        }
        return new Finding.Region(all);
    }

    /// Outlines as they lie on a surface, mm.
    private static Patch laid(FindingKind kind, Finding.Region... regions) {
        return new Patch(kind, 0, Arrays.stream(regions).map(r -> Patch.polygon(r.outline())).toList(), 1, 0.2);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-80, -45, 0, 10, 30, 89})
    void aScratchRunsAlongItsOutline(double deg) {
        List<Streak> streaks = Streak.of(laid(FindingKind.SCRATCH, groove(deg, 0.5, 0.02)));
        assertThat(streaks).singleElement().satisfies(s -> assertThat(Math.sin(s.alongRad() - Math.toRadians(deg))).isCloseTo(0, within(1e-9)));
    }

    @Test
    void twoScratchesShareTheLightByTheirLengthAndWhatIsNoLineThrowsAllRound() {
        List<Streak> streaks = Streak.of(laid(FindingKind.SCRATCH, groove(0, 0.6, 0.02), groove(90, 0.2, 0.01)));
        assertThat(streaks).extracting(Streak::share).satisfiesExactly(a -> assertThat(a).isCloseTo(0.75, within(1e-9)), b -> assertThat(b).isCloseTo(0.25, within(1e-9)));
        assertThat(Streak.of(laid(FindingKind.SCRATCH, groove(0, 0.1, 0.08)))).as("a blot").isEmpty();
        assertThat(Streak.of(laid(FindingKind.CLEANING_MARKS, groove(0, 0.6, 0.02)))).as("rubbed every way").isEmpty();
        assertThat(Streak.of(laid(FindingKind.SCRATCH))).isEmpty();
    }

    /// Of a line, falling as two, the share within an angle has a closed form: atan(θ/θ₀) over atan(π/2θ₀), half of it to each side.
    @ParameterizedTest
    @ValueSource(doubles = {2, 8, 40})
    void acrossAGrooveTheSharesAreThoseOfTheClosedForm(double structure) {
        Lobe lobe = new Lobe(structure, 2);
        double[] side = lobe.across(0.002, 1000);
        for (int n : new int[] {1, 10, 100, 700}) {
            double within = Arrays.stream(side).limit(n).sum();
            assertThat(within).isCloseTo(Math.atan(0.002 * n / lobe.rollOff()) / Math.atan(Math.PI / 2 / lobe.rollOff()) / 2, within(5e-4));
        }
        assertThat(Arrays.stream(side).sum()).as("half to each side").isCloseTo(0.5, within(1e-3));
    }
}
