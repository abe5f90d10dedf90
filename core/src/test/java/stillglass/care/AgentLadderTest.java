package stillglass.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Material;

class AgentLadderTest {
    private static final CareTables.Soil HAZE = new CareTables.Soil("haze", "haze", Map.of("water", 0.2, "fluid", 0.8, "strong", 0.9));

    private static CareTables.Agent agent(String id, double minutes) {
        return new CareTables.Agent(id, id, Map.of(Material.BRASS, CareTables.Bears.FINE), Map.of(), "", minutes, false);
    }

    private static final CareTables TABLES = new CareTables(List.of(agent("water", 3), agent("fluid", 3), agent("strong", 20)), List.of(HAZE), List.of());

    private static List<String> order(CareTables tables) {
        return AgentLadder.of(tables, Set.of(Material.BRASS), HAZE).rungs().stream().map(r -> r.agent().id() + r.pass()).toList();
    }

    /// Water would cost three minutes and help one time in five: fluid goes first, and water, fluid again or the strong one follow as they are worth it.
    @Test
    void leastEffortDoesNotAlwaysBeginAtTheBottom() {
        assertThat(order(TABLES)).startsWith("fluid1", "fluid2").doesNotContain("strong2");
        assertThat(AgentLadder.of(TABLES, Set.of(Material.BRASS), HAZE).chance()).isGreaterThanOrEqualTo(AgentLadder.WANTED);
    }

    /// What there is none of is not tried; it is named with what it would have done, unless the part would not bear it anyway.
    @Test
    void anAgentThereIsNoneOfIsLeftOutAndNamed() {
        CareTables poor = TABLES.without(Set.of("fluid"));
        assertThat(order(poor)).doesNotContain("fluid1").contains("strong1");
        assertThat(AgentLadder.of(poor, Set.of(Material.BRASS), HAZE).lacking()).singleElement().satisfies(r -> assertThat(r.removes()).isEqualTo(0.8));
        AgentLadder leather = AgentLadder.of(poor, Set.of(Material.LEATHER), HAZE);
        assertThat(leather.lacking()).isEmpty();
        assertThat(leather.barred()).hasSize(3);
        assertThat(poor.taught(CareOutcomes.NONE, CareTables.School.GENTLEST_FIRST).lacking()).containsExactly("fluid");
    }

    @Test
    void gentlestFirstIsASettingOfTheShop() {
        assertThat(order(TABLES.taught(CareOutcomes.NONE, CareTables.School.GENTLEST_FIRST))).containsExactly("water1", "fluid1", "strong1");
    }

    /// Against every order of every set of passes, laid out one by one.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void noOtherOrderOfPassesIsCheaper(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<CareTables.Agent> agents = new ArrayList<>();
        Map<String, Double> removes = new HashMap<>();
        for (int i = 0; i < 3; i++) {
            agents.add(agent("a" + i, 1 + random.nextInt(30)));
            removes.put("a" + i, 0.05 + 0.9 * random.nextDouble());
        }
        CareTables.Soil soil = new CareTables.Soil("s", "s", removes);
        AgentLadder ladder = AgentLadder.of(new CareTables(agents, List.of(soil), List.of()), Set.of(Material.BRASS), soil);
        double most = 1;
        List<double[]> passes = new ArrayList<>();
        for (CareTables.Agent a : agents) {
            double p = removes.get(a.id());
            passes.add(new double[] {a.minutes(), p});
            passes.add(new double[] {a.minutes(), p / 2});
            most *= (1 - p) * (1 - p / 2);
        }
        double wanted = Math.min(0.95, 1 - most);
        assertThat(ladder.minutes()).isCloseTo(cheapest(passes, 0, 1, 0, wanted), within(1e-9));
        assertThat(ladder.chance()).isGreaterThanOrEqualTo(wanted - 1e-9);
    }

    /// Minutes of the cheapest way on from here.
    private static double cheapest(List<double[]> passes, int used, double still, double spent, double wanted) {
        double best = 1 - still >= wanted - 1e-12 ? spent : Double.POSITIVE_INFINITY;
        for (int i = 0; i < passes.size(); i++) {
            if ((used >> i & 1) == 0) {
                double[] p = passes.get(i);
                best = Math.min(best, cheapest(passes, used | 1 << i, still * (1 - p[1]), spent + still * p[0], wanted));
            }
        }
        return best;
    }

    private static CareOutcomes passes(String agent, int gone, int of) {
        return CareOutcomes.of(IntStream.range(0, of).mapToObj(i -> new CareOutcomes.Pass("haze", agent, i < gone)).toList());
    }

    /// A dozen passes here weigh more than the table, one hardly moves it, and what never worked here goes down the ladder.
    @Test
    void passesOnThisBenchMoveTheChance() {
        assertThat(CareOutcomes.NONE.chance("haze", "fluid", 0.8)).isEqualTo(0.8);
        // A beta of 4.8 and 1.2 after one failure: 4.8 of 7.
        assertThat(passes("fluid", 0, 1).chance("haze", "fluid", 0.8)).isCloseTo(4.8 / 7, within(1e-12));
        CareOutcomes never = passes("fluid", 0, 60);
        assertThat(never.chance("haze", "fluid", 0.8)).isCloseTo(4.8 / 66, within(1e-12));
        assertThat(never.of("haze", "fluid")).isEqualTo(new CareOutcomes.Count(0, 60));
        assertThat(order(TABLES.taught(never, CareTables.School.LEAST_EFFORT))).first().isNotEqualTo("fluid1");
    }

    /// Drawn from a chance the table is wrong about, the mean comes to it.
    @Test
    void manyPassesTellTheTrueChance() {
        SplittableRandom random = new SplittableRandom(5);
        List<CareOutcomes.Pass> drawn = IntStream.range(0, 600).mapToObj(i -> new CareOutcomes.Pass("haze", "water", random.nextDouble() < 0.55)).toList();
        assertThat(CareOutcomes.of(drawn).chance("haze", "water", 0.1)).isCloseTo(0.55, within(0.06));
    }
}
