package stillglass.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Hold;
import stillglass.assembly.Material;
import stillglass.say.Wording;

class CareTest {
    private static final CareTables.Agent WATER = new CareTables.Agent("water", "water",
            Map.of(Material.COATED_GLASS, CareTables.Bears.FINE, Material.BALSAM, CareTables.Bears.BRIEFLY, Material.EDGE_PAINT, CareTables.Bears.FINE),
            Map.of(Material.BALSAM, "water creeps in at the rim"), "", 2, false);
    private static final CareTables.Agent ACETONE = new CareTables.Agent("acetone", "acetone",
            Map.of(Material.COATED_GLASS, CareTables.Bears.FINE, Material.EDGE_PAINT, CareTables.Bears.NEVER),
            Map.of(Material.EDGE_PAINT, "dissolves it"), "no flame", 1, true);
    private static final CareTables.Soil HAZE = new CareTables.Soil("haze", "haze", Map.of("water", 0.5, "acetone", 0.8));
    private static final CareTables TABLES = new CareTables(List.of(WATER, ACETONE), List.of(HAZE), List.of()).taught(CareOutcomes.NONE, CareTables.School.GENTLEST_FIRST);

    @Test
    void theLadderGoesFromWeakToStrong() {
        AgentLadder ladder = AgentLadder.of(TABLES, Set.of(Material.COATED_GLASS), HAZE);

        assertThat(ladder.rungs()).extracting(r -> r.agent().id()).containsExactly("water", "acetone");
        assertThat(ladder.chance()).isCloseTo(1 - 0.5 * 0.2, within(1e-12));
        assertThat(ladder.barred()).isEmpty();
    }

    @Test
    void whatHurtsAnyMaterialIsBarredWithItsReason() {
        AgentLadder ladder = AgentLadder.of(TABLES, Set.of(Material.COATED_GLASS, Material.EDGE_PAINT), HAZE);

        assertThat(ladder.rungs()).extracting(r -> r.agent().id()).containsExactly("water");
        assertThat(ladder.barred()).singleElement().satisfies(b -> {
            assertThat(b.material()).isEqualTo(Material.EDGE_PAINT);
            assertThat(Wording.core().say(b.reason())).isEqualTo("dissolves it");
        });
        assertThat(ladder.chance()).isCloseTo(0.5, within(1e-12));
    }

    @Test
    void aMaterialTheTableDoesNotKnowBarsTheAgent() {
        AgentLadder ladder = AgentLadder.of(TABLES, Set.of(Material.LEATHER), HAZE);

        assertThat(ladder.rungs()).isEmpty();
        assertThat(ladder.barred()).hasSize(2).allSatisfy(b -> assertThat(Wording.core().say(b.reason())).contains("not known to bear it"));
        assertThat(ladder.chance()).isZero();
    }

    @Test
    void theWeakestMaterialDecides() {
        AgentLadder ladder = AgentLadder.of(TABLES, Set.of(Material.COATED_GLASS, Material.BALSAM), HAZE);

        assertThat(ladder.rungs().getFirst().briefly()).isTrue();
        assertThat(Wording.core().say(ladder.rungs().getFirst().reason())).contains("balsam").contains("creeps in");
    }

    @Test
    void aSoilThatNamesAnUnknownAgentIsRefused() {
        assertThatThrownBy(() -> new CareTables(List.of(WATER), List.of(HAZE), List.of())).hasMessageContaining("acetone").hasMessageContaining("haze");
    }

    @Test
    void greaseFillsTheDevelopedThread() {
        // d = 50, L = 10: 1.625·π·50·10 = 2552.5 mm²; 0.05 mm of film = 127.6 mm³; at 0.9 mg/mm³ 114.9 mg.
        GreaseDose dose = GreaseDose.of(new Hold.Thread(9, 6, 0.8, 50, 10), 0.05, 0.9, 1.0);

        assertThat(dose.areaMm2()).isCloseTo(2552.5, within(0.1));
        assertThat(dose.volumeMm3()).isCloseTo(127.63, within(0.01));
        assertThat(dose.massMg()).isCloseTo(114.9, within(0.1));
        // A bead of 1 mm has 0.7854 mm³ per millimetre.
        assertThat(dose.beadMm()).isCloseTo(127.63 / 0.7854, within(0.1));
    }

    /// The profiles laid out point by point and their sides added up.
    @Test
    void profilesAreAsLongAsTheirSides() {
        double h = Math.sqrt(3) / 2;
        assertThat(GreaseDose.Profile.ISO60.developed()).isCloseTo(length(0, 0, 1.0 / 8, 0, 1.0 / 8 + 5.0 / 16, 5.0 / 8 * h, 1.0 / 8 + 5.0 / 16 + 1.0 / 4, 5.0 / 8 * h, 1, 0), within(1e-12)).isCloseTo(1.625, within(1e-9));
        assertThat(GreaseDose.Profile.TRAPEZOID.developed()).isCloseTo(1.767, within(1e-3));
        assertThat(GreaseDose.Profile.SQUARE.developed()).isCloseTo(length(0, 0, 0.5, 0, 0.5, 0.5, 1, 0.5, 1, 0), within(1e-12));
    }

    private static double length(double... xy) {
        double sum = 0;
        for (int i = 2; i < xy.length; i += 2) {
            sum += Math.hypot(xy[i] - xy[i - 2], xy[i + 1] - xy[i - 1]);
        }
        return sum;
    }

    @Test
    void doubleTheFilmIsDoubleTheGrease() {
        Hold.Thread thread = new Hold.Thread(8, 6, 0.9, 43, 17);

        assertThat(GreaseDose.of(thread, 0.08, 0.9, 0.8).massMg()).isCloseTo(2 * GreaseDose.usual(thread).massMg(), within(1e-9));
    }

    @Test
    void impossibleDosesAreRefused() {
        Hold.Thread thread = new Hold.Thread(8, 6, 0.9, 43, 17);

        assertThatThrownBy(() -> GreaseDose.of(thread, 5, 0.9, 0.8)).hasMessageContaining("outside 0.01 to 0.2");
        assertThatThrownBy(() -> GreaseDose.of(thread, 0.05, Double.NaN, 0.8)).hasMessageContaining("out of range");
        assertThatThrownBy(() -> GreaseDose.of(thread, 0.05, 0.9, 0)).hasMessageContaining("bead");
    }
}
