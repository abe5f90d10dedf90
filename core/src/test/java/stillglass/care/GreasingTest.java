package stillglass.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.care.Grease.Point;
import stillglass.say.Wording;

class GreasingTest {
    private static final Grease LIGHT = new Grease("light", 0.9, List.of(new Point(0, 300), new Point(20, 100), new Point(40, 45)));
    private static final Grease HEAVY = new Grease("heavy", 0.9, List.of(new Point(0, 900), new Point(20, 300), new Point(40, 120)));
    private static final Grease STEEP = new Grease("steep", 0.9, List.of(new Point(0, 3000), new Point(20, 310), new Point(40, 60)));

    private static Greasing.Asked asked(Optional<Double> slop, Optional<Double> target, Grease... greases) {
        return new Greasing.Asked(50, 10, GreaseDose.Profile.SQUARE, slop, 20, target, 1, List.of(greases));
    }

    /// A plain cylinder sheared in its sleeve, T = 2π·μ·ω·r³·L/c: 300 Pa·s, 1 rad/s, 25 mm, 10 mm, 0.05 mm is 2π·300e-6·15625·10/0.05 = 5890.5 N·mm; a square thread has twice the surface.
    @Test
    void torqueIsPetroffsTimesTheDevelopedThread() {
        Greasing g = Greasing.of(asked(Optional.of(0.1), Optional.empty(), HEAVY));
        assertThat(g.filmMm()).isCloseTo(0.05, within(1e-12));
        assertThat(g.areaMm2()).isCloseTo(2 * Math.PI * 50 * 10, within(1e-9));
        // The three points are not on one line of the form; the fit passes within a few per cent of 300 Pa·s.
        assertThat(g.greases().getFirst().atNmm().orElseThrow()).isCloseTo(2 * 5890.5, within(0.06 * 2 * 5890.5));
        Grease exact = new Grease("exact", 0.9, List.of(new Point(0, 900), new Point(20, 300)));
        assertThat(Greasing.of(asked(Optional.of(0.1), Optional.empty(), exact)).greases().getFirst().atNmm().orElseThrow()).isCloseTo(2 * 5890.5, within(1.0));
    }

    /// An oil of 100 mm²/s at 40 °C and 11.1 at 100 °C, worked by hand: log log(ν + 0.7) is 0.30169 and 0.03015, log T 2.49575 and 2.57188, so B is 3.567 and at 20 °C (2.46709) it is 0.4039, 342 mm²/s.
    @Test
    void viscosityFollowsTheLineOfTheChart() {
        Grease oil = new Grease("oil", 0.88, List.of(new Point(40, 0.088), new Point(100, 0.0111 * 0.88)));
        assertThat(oil.viscosityPaS(20).orElseThrow() / 0.88 * 1000).isCloseTo(342, within(1.5));
        assertThat(oil.viscosityPaS(40).orElseThrow()).isCloseTo(0.088, within(1e-6));
    }

    @ParameterizedTest
    @CsvSource({"0.1, 0.0433", "0.04, 0.01732"})
    void theFilmFillsHalfThePlayOnEachFlank(double slop, double film) {
        Greasing g = Greasing.of(new Greasing.Asked(50, 10, GreaseDose.Profile.ISO60, Optional.of(slop), 20, Optional.empty(), 1, List.of(HEAVY)));
        assertThat(g.filmMm()).isCloseTo(film, within(1e-4));
        assertThat(g.measured()).isTrue();
        assertThat(g.greases().getFirst().massMg()).isCloseTo(1.625 * Math.PI * 50 * 10 * film * 0.9, within(0.05));
        assertThat(g.beadMm(0.8)).isCloseTo(g.volumeMm3() / 0.50265, within(0.01));
    }

    /// Twice the play wants twice the grease and turns with half the torque: a worn thread wants a heavier one.
    @Test
    void aWornThreadWantsAHeavierGrease() {
        double wanted = Greasing.of(asked(Optional.of(0.05), Optional.empty(), LIGHT)).greases().getFirst().atNmm().orElseThrow();
        assertThat(Greasing.of(asked(Optional.of(0.05), Optional.of(wanted), LIGHT, HEAVY)).take().orElseThrow().grease().name()).isEqualTo("light");
        assertThat(Greasing.of(asked(Optional.of(0.15), Optional.of(wanted), LIGHT, HEAVY)).take().orElseThrow().grease().name()).isEqualTo("heavy");
    }

    @Test
    void ofTwoThatFeelAlikeTheOneThatStiffensLessIsTaken() {
        double wanted = Greasing.of(asked(Optional.of(0.1), Optional.empty(), HEAVY)).greases().getFirst().atNmm().orElseThrow();
        Greasing g = Greasing.of(asked(Optional.of(0.1), Optional.of(wanted), STEEP, HEAVY));
        assertThat(g.take().orElseThrow().grease().name()).isEqualTo("heavy");
        assertThat(Wording.core().say(g.why())).contains("stiffens least");
        assertThat(Wording.core().say(Greasing.of(asked(Optional.of(0.1), Optional.of(wanted / 9), HEAVY)).why())).contains("A lighter one is missing");
        assertThat(Wording.core().say(Greasing.of(asked(Optional.of(0.1), Optional.of(9 * wanted), HEAVY)).why())).contains("A heavier one is missing");
    }

    /// One point tells of its own temperature and of no other.
    @Test
    void whatIsNotKnownIsNotTold() {
        Grease once = new Grease("once", 0.9, List.of(new Point(25, 200)));
        assertThat(once.viscosityPaS(25)).contains(200.0);
        assertThat(once.viscosityPaS(20)).isEmpty();
        Greasing g = Greasing.of(asked(Optional.empty(), Optional.of(100.0), once));
        assertThat(g.take()).isEmpty();
        assertThat(g.measured()).isFalse();
        assertThat(g.filmMm()).isEqualTo(GreaseDose.USUAL_FILM_MM);
        assertThat(Wording.core().say(g.why())).contains("None of them");
    }

    @Test
    void whatCannotBeIsRefusedByItsValue() {
        assertThatThrownBy(() -> asked(Optional.of(Double.NaN), Optional.empty(), HEAVY)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> new Point(20, -1)).hasMessageContaining("-1");
        assertThatThrownBy(() -> new Grease("odd", 0.9, List.of(new Point(0, 100), new Point(20, 200)))).hasMessageContaining("thinner");
        assertThatThrownBy(() -> new Grease("odd", 0.9, List.of(new Point(20, 100), new Point(20, 90)))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Greasing.Asked(Double.POSITIVE_INFINITY, 10, GreaseDose.Profile.ISO60, Optional.empty(), 20, Optional.empty(), 1, List.of())).hasMessageContaining("Infinity");
    }
}
