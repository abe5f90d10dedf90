package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Medium;
import stillglass.optics.Surface;
import stillglass.say.Wording;

class LightingGuideTest {
    /// Thin plane glass bends nothing: the camera sees a plain cone through it.
    private static LensSection pane(double semiMm) {
        double flat = Double.POSITIVE_INFINITY;
        return Lenses.section("pane", semiMm, List.of(new Surface(flat, 1e-6, Lenses.GLASS, semiMm, false), new Surface(flat, 1e-6, new Medium.Air(), semiMm, false),
                new Surface(flat, 50, new Medium.Air(), semiMm, true)), List.of(Lenses.element("E1", 0, 1, 2 * semiMm + 1, "G1", List.of())));
    }

    @Test
    void throughAPaneTheCameraSeesACone() {
        LightingGuide g = LightingGuide.of(pane(20), 200, 100);

        // Similar triangles: 20 mm at 200 mm become 30 mm at 300 mm; the outermost ray of the fan stands at 0.995 of the rim.
        assertThat(g.seenMm()).isCloseTo(30 * 0.995, within(0.05));
        assertThat(g.lampOffMm()).isGreaterThan(g.seenMm() + 20);
        assertThat(Math.tan(Math.toRadians(g.lampDeg()))).isCloseTo(g.lampOffMm() / 100, within(1e-9));
        assertThat(g.cardMm()).as("the card covers all the camera sees").isGreaterThan(2 * g.seenMm());
    }

    @Test
    void aLampCloseBehindStandsTooFarToTheSide() {
        assertThat(LightingGuide.of(pane(20), 200, 20).remarks()).extracting(Wording.core()::say).anyMatch(r -> r.contains("farther back"));
        assertThat(LightingGuide.of(pane(20), 400, 300).remarks()).isEmpty();
    }

    @Test
    void aRealLensIsDrawnFromCameraToLamp() {
        LightingGuide g = LightingGuide.of(Lenses.triplet(), 250, 120);

        assertThat(g.rays()).isNotEmpty().allSatisfy(r -> {
            assertThat(r.getFirst()).isEqualTo(-250);
            assertThat(r.get(r.size() - 2)).isCloseTo(Lenses.triplet().lengthMm() + 120, within(1e-9));
        });
        assertThatThrownBy(() -> LightingGuide.of(Lenses.triplet(), 5, 100)).hasMessageContaining("camera needs more than 20 mm");
    }
}
