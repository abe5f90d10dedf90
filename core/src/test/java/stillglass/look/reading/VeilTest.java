package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleBiFunction;
import org.junit.jupiter.api.Test;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.ThroughColour;
import stillglass.look.Progress;

/// Veil and tint read from drawn glass, against the light that was drawn.
class VeilTest {
    private static Survey survey(LinearPhoto p, Lighting lighting) {
        return Survey.of(p, new PhotoGrading.Given(Optional.of(lighting), Optional.of(Glass.RIM), OptionalDouble.empty()), Progress.SILENT).orElseThrow();
    }

    private static Veil against(ToDoubleBiFunction<Double, Double> light, double lamp) {
        return new Veil(survey(Glass.photo(0.0005, 6, light), Lighting.AGAINST), OptionalDouble.of(lamp));
    }

    @Test
    void anEvenVeilIsItsShareOfTheLamp() {
        Veil v = against((x, y) -> 0.06, 0.8);

        assertThat(v.mean()).isCloseTo(0.075, within(0.002));
        assertThat(v.sectors()).hasSize(32).allSatisfy(s -> assertThat(s).isCloseTo(0.075, within(0.002)));
        assertThat(v.relativeToSurroundings()).isFalse();
    }

    @Test
    void specksAndThreadsAreNoVeil() {
        double clean = against((x, y) -> 0.03, 1).mean();
        double dusty = against((x, y) -> 0.03 + 0.5 * Math.max(Glass.line(x, y, -0.5, -0.2, 0.4, 0.3, 0.01), Glass.disc(x, y, 0.2, -0.4, 0.02)), 1).mean();

        assertThat(dusty).isCloseTo(clean, within(0.002));
    }

    @Test
    void sectorsTellWhereTheVeilIs() {
        List<Double> s = against((x, y) -> 0.02 + 0.05 * Math.max(0, x), 1).sectors();

        // Eight directions from 12 clockwise in each of four rings: the third is at three o'clock.
        assertThat(s.get(3 * 8 + 1)).as("outermost ring, towards 2").isGreaterThan(s.get(3 * 8 + 5) + 0.02);
        assertThat(s.get(3 * 8 + 5)).isCloseTo(0.02, within(0.003));
    }

    @Test
    void bladesAreNoVeil() {
        Veil v = against((x, y) -> Math.hypot(x, y) < 0.5 ? 0.01 : 0.05, 1);

        assertThat(v.mean()).as("the opening alone").isCloseTo(0.01, within(0.003));
        assertThat(v.at(GlassFrame.at(0.8, 0))).isZero();
    }

    @Test
    void yellowGlassIsToldAgainstTheCardBesideIt() {
        LinearPhoto p = Glass.photo(0.0005, 6, (x, y) -> 0.5, (x, y) -> 0.48, (x, y) -> 0.4);
        // The drawn surroundings are neutral but dark; a bright card is put there.
        float[][] planes = new float[3][Glass.W * Glass.H];
        for (int i = 0; i < planes[0].length; i++) {
            boolean card = Glass.RIM.unitRadius(i % Glass.W, i / Glass.W) > 1.12;
            planes[0][i] = card ? 0.6f : p.red(i);
            planes[1][i] = card ? 0.6f : p.green(i);
            planes[2][i] = card ? 0.6f : p.blue(i);
        }
        LinearPhoto before = new LinearPhoto(Glass.W, Glass.H, planes[0], planes[1], planes[2], Glass.W, Glass.H);
        Veil v = new Veil(survey(before, Lighting.BRIGHT), OptionalDouble.empty());

        assertThat(v.relativeToSurroundings()).isTrue();
        ThroughColour through = v.through(before).orElseThrow();
        // 0.6 beside 0.5, 0.48 and 0.4.
        assertThat(through.red()).isCloseTo(0.263, within(0.01));
        assertThat(through.green()).isCloseTo(0.322, within(0.01));
        assertThat(through.blue()).isCloseTo(0.585, within(0.01));
        assertThat(through.blueOverRed()).isCloseTo(0.8, within(0.01));
        assertThat(through.said()).isEqualTo(ThroughColour.Yellow.CLEAR);
        assertThat(v.mean()).as("what the glass keeps of the card's light").isCloseTo(1 - 0.4789 / 0.6, within(0.02));
    }
}
