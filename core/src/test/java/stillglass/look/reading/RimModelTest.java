package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class RimModelTest {
    private static double[] traits(double step, double agree) {
        double[] t = new double[RimTrait.values().length];
        t[RimTrait.STEP.ordinal()] = step;
        t[RimTrait.AGREE.ordinal()] = agree;
        return t;
    }

    @Test
    void whatIsWrittenIsReadBack() {
        RimModel model = RimModel.shipped();
        RimModel again = RimModelText.parse(RimModelText.print(model).lines().toList());
        double[] any = traits(-0.7, 0.9);
        assertThat(again.score(any)).isCloseTo(model.score(any), within(1e-9));
    }

    @Test
    void aCurveRunsStraightBetweenItsKnotsAndLevelBeyondThem() {
        RimModel model = RimModelText.parse(List.of("# two knots", "step -1 2", "step 1 4"));
        assertThat(model.score(traits(0, 0))).isCloseTo(3, within(1e-9));
        assertThat(model.score(traits(-9, 0))).isCloseTo(2, within(1e-9));
        assertThat(model.score(traits(9, 0))).isCloseTo(4, within(1e-9));
        double[] chances = model.chances(List.of(traits(1, 0), traits(-1, 0)));
        assertThat(chances[0] / chances[1]).isCloseTo(Math.exp(2), within(1e-9));
    }

    @Test
    void aLineThatIsNoKnotIsNamed() {
        assertThatThrownBy(() -> RimModelText.parse(List.of("step 0 1", "stap 0 1"))).hasMessageContaining("line 2").hasMessageContaining("stap");
        assertThatThrownBy(() -> RimModelText.parse(List.of("step 0"))).hasMessageContaining("line 1");
    }

    /// Photos of eight rings of which the one that falls deepest and agrees is the rim; learned on some, told on others.
    @Test
    void whatTellsTheRimIsLearned() {
        Random random = new Random(5);
        List<RimLearning.Example> learn = new ArrayList<>();
        List<RimLearning.Example> check = new ArrayList<>();
        for (int i = 0; i < 360; i++) {
            List<double[]> rings = new ArrayList<>();
            List<Boolean> right = new ArrayList<>();
            int best = 0;
            for (int k = 0; k < 8; k++) {
                rings.add(traits(random.nextDouble() * 2 - 1, random.nextDouble()));
                best = merit(rings.get(k)) > merit(rings.get(best)) ? k : best;
            }
            for (int k = 0; k < 8; k++) {
                right.add(k == best);
            }
            (i < 240 ? learn : check).add(new RimLearning.Example(rings, right));
        }
        int[] ranks = RimLearning.ranks(RimLearning.learn(learn), check);
        assertThat(ranks[0]).isGreaterThan(90);
        assertThat(ranks[1]).isGreaterThan(115);
        assertThat(ranks[2]).isEqualTo(120);
        assertThat(RimLearning.example(RimLearning.line(check.getFirst())).right()).isEqualTo(check.getFirst().right());
    }

    private static double merit(double[] t) {
        return -1.5 * t[RimTrait.STEP.ordinal()] + t[RimTrait.AGREE.ordinal()];
    }
}
