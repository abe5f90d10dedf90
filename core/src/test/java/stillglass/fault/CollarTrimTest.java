package stillglass.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Tilt;
import stillglass.optics.sharpness.SpotSurvey;

class CollarTrimTest {
    /// Azimuth of the corners seen from the front, degrees clockwise from 12; the picture's right is the front's left.
    private static final double[] CORNER_DEG = {45, -45, -135, 135};

    private static LensSection small() {
        LensSection l = Lenses.triplet();
        return new LensSection(l.name(), l.form(), l.nominalFocalLengthMm(), l.fNumber(), 14, List.of(587.6), l.surfaces(), l.elements(), l.focusing(), l.basis(), l.tilts());
    }

    private static Tilt aside(int first, int last, double x, double y) {
        return new Tilt(first, last, 0, Math.atan2(y, x), Math.hypot(x, y));
    }

    /// Traced: both groups stand off the axis, and each collar carries its own round a circle.
    private static CollarTrim.Setting traced(double oneDeg, double otherDeg) {
        double a = Math.toRadians(oneDeg);
        double b = Math.toRadians(otherDeg);
        LensSection built = small().withTilts(List.of(aside(0, 1, 0.05 + 0.08 * Math.sin(a), -0.03 + 0.08 * Math.cos(a)), aside(3, 5, -0.02 + 0.06 * Math.sin(b), 0.06 + 0.06 * Math.cos(b))));
        List<Double> corners = new ArrayList<>();
        for (double deg : CORNER_DEG) {
            // Where the field traced upwards is to come from that corner, the lens is turned the other way.
            LensSection turned = built.withTilts(built.tilts().stream().map(t -> t.turned(Math.toRadians(deg))).toList());
            corners.add(1000 / SpotSurvey.of(turned, small(), List.of(0.0, 1.0)).rmsUm().getLast().orElseThrow());
        }
        return new CollarTrim.Setting(List.of(oneDeg, otherDeg), corners);
    }

    private static double uneven(CollarTrim.Setting s) {
        double[] a = s.arrow(-1, 0);
        return Math.hypot(a[0], a[1]);
    }

    @Test
    void twoCollarsAreSetFromThreeSettingsOfATracedLens() {
        CollarTrim t = CollarTrim.of(List.of(traced(0, 0), traced(120, 0), traced(120, 120)), 0.02);
        assertThat(uneven(traced(t.deg().getFirst(), t.deg().getLast()))).isLessThan(0.25 * uneven(traced(120, 120)));
        assertThat(t.left()).isLessThan(0.05);
    }

    @Test
    void oneCollarTurnsItsArrowAgainstTheRest() {
        // Drawn: 3 to the right seen from the front without the collar, 2 from the collar, straight up at its mark.
        List<CollarTrim.Setting> drawn = new ArrayList<>();
        for (double deg : new double[] {0, 90, 180}) {
            double x = 3e-4 + 2e-4 * Math.sin(Math.toRadians(deg));
            double y = 2e-4 * Math.cos(Math.toRadians(deg));
            List<Double> f = new ArrayList<>();
            for (double[] c : new double[][] {{1, 1}, {-1, 1}, {-1, -1}, {1, -1}}) {
                f.add(1 / Math.sqrt(1e-3 + (c[0] * x + c[1] * y) / 2));
            }
            drawn.add(new CollarTrim.Setting(List.of(deg), f));
        }
        CollarTrim t = CollarTrim.of(drawn, 0.01);
        assertThat(t.deg().getFirst()).as("its arrow to the left").isCloseTo(270, within(1e-6));
        assertThat(t.left()).isCloseTo(1 / Math.hypot(3, 2), within(1e-6));
        assertThat(t.sigmaDeg().getFirst()).isBetween(0.1, 20.0);
    }

    @Test
    void settingsThatDoNotTellAreRefused() {
        CollarTrim.Setting s = new CollarTrim.Setting(List.of(0.0, 0.0), List.of(40.0, 30.0, 30.0, 40.0));
        assertThatThrownBy(() -> CollarTrim.of(List.of(s, s), 0.02)).hasMessageContaining("three settings");
        assertThatThrownBy(() -> CollarTrim.of(List.of(s, s, s), 0.02)).hasMessageContaining("apart");
        assertThatThrownBy(() -> new CollarTrim.Setting(List.of(0.0), List.of(40.0, Double.NaN, 30.0, 40.0))).hasMessageContaining("four frequencies");
    }
}
