package stillglass.look.kinds;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;

class CompanyTest {
    private static double[] surely(FindingKind kind, double p) {
        double[] out = new double[FindingKind.values().length];
        out[kind.ordinal()] = p;
        out[FindingKind.UNKNOWN.ordinal()] += 1 - p;
        return out;
    }

    private static Features sized(double area) {
        return new Features().setLog(Feature.AREA, area);
    }

    private static double also(Features f, Feature feature) {
        return Math.pow(10, f.get(feature)) - 1;
    }

    @Test
    void eachHearsTheOthersAndNotItself() {
        List<Features> told = Company.of(List.of(surely(FindingKind.OIL, 0.9), surely(FindingKind.OIL, 0.5), surely(FindingKind.DUST, 1)),
                List.of(sized(0.01), sized(0.02), sized(0.0001)));

        assertThat(also(told.get(0), Feature.ALSO_OIL)).isCloseTo(0.5 * Math.log1p(200), within(1e-6));
        assertThat(also(told.get(1), Feature.ALSO_OIL)).isCloseTo(0.9 * Math.log1p(100), within(1e-6));
        assertThat(also(told.get(2), Feature.ALSO_OIL)).isCloseTo(0.5 * Math.log1p(200) + 0.9 * Math.log1p(100), within(1e-6));
        assertThat(also(told.get(0), Feature.ALSO_DUST)).isCloseTo(Math.log(2), within(1e-6));
        assertThat(also(told.get(2), Feature.ALSO_DUST)).isCloseTo(0, within(1e-6));
    }

    @Test
    void whatIsUnlikelyDoesNotSpeak() {
        List<Features> told = Company.of(List.of(surely(FindingKind.FUNGUS, 0.19), surely(FindingKind.CHIP, 0.9)), List.of(sized(0.1), sized(0.1)));

        assertThat(also(told.get(1), Feature.ALSO_FUNGUS)).isCloseTo(0, within(1e-6));
    }

    @Test
    void aThousandSpecksAreNoLouderThanThoseLearnedFrom() {
        List<double[]> first = new ArrayList<>(Collections.nCopies(1000, surely(FindingKind.DUST, 1)));
        List<Features> told = Company.of(first, new ArrayList<>(Collections.nCopies(1000, sized(0.0001))));

        assertThat(also(told.getLast(), Feature.ALSO_DUST)).isCloseTo(24 * Math.log(2), within(1e-6));
    }

    @Test
    void theMeasurementsThemselvesAreLeftAsTheyWere() {
        Features own = sized(0.01);
        Features told = Company.of(List.of(surely(FindingKind.OIL, 1)), List.of(own)).getFirst();

        assertThat(own.get(Feature.ALSO_OIL)).isNaN();
        assertThat(told.get(Feature.AREA)).isEqualTo(own.get(Feature.AREA));
    }

    /// Drops and bubbles look the same one by one; drops come in crowds with a film, bubbles alone.
    private static List<KindLearning.Example> photos(int n, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<KindLearning.Example> all = new ArrayList<>();
        for (int photo = 0; photo < n; photo++) {
            boolean oily = random.nextBoolean();
            boolean held = photo % KindLearning.HELD_BACK_EVERY == 0;
            all.add(example(photo, 0.9 + 0.05 * random.nextGaussian(), 0.001, oily ? FindingKind.OIL : FindingKind.BUBBLE, held));
            if (oily) {
                all.add(example(photo, 0.3 + 0.05 * random.nextGaussian(), 0.05, FindingKind.OIL, held));
            }
        }
        return all;
    }

    private static KindLearning.Example example(long photo, double roundness, double area, FindingKind kind, boolean held) {
        return new KindLearning.Example(photo, Lighting.AGAINST, Sight.AREA, sized(area).set(Feature.ROUNDNESS, roundness), kind, 1, held);
    }

    @Test
    void companySettlesWhatNoneCouldAlone() {
        KindModel model = KindLearning.learn(photos(400, 1), Set.of());
        KindModel.Standing drop = new KindModel.Standing(Sight.AREA, sized(0.001).set(Feature.ROUNDNESS, 0.9));
        KindModel.Standing film = new KindModel.Standing(Sight.AREA, sized(0.05).set(Feature.ROUNDNESS, 0.3));

        assertThat(model.probabilities(Lighting.AGAINST, Sight.AREA, drop.features())[FindingKind.OIL.ordinal()]).as("a first look cannot tell").isBetween(0.3, 0.7);
        assertThat(model.judge(Lighting.AGAINST, List.of(drop, film)).getFirst().chance(FindingKind.OIL)).isGreaterThan(0.9);
        assertThat(model.judge(Lighting.AGAINST, List.of(drop)).getFirst().chance(FindingKind.BUBBLE)).isGreaterThan(0.9);
    }

    @Test
    void bothLooksSurviveTheirText() {
        KindModel model = KindLearning.learn(photos(200, 2), Set.of());
        KindModel again = KindLearning.read(KindLearning.print(model).lines().toList());
        KindModel.Standing drop = new KindModel.Standing(Sight.AREA, sized(0.001).set(Feature.ROUNDNESS, 0.9));
        KindModel.Standing film = new KindModel.Standing(Sight.AREA, sized(0.05).set(Feature.ROUNDNESS, 0.3));

        assertThat(again.judge(Lighting.AGAINST, List.of(drop, film)).getFirst().chance(FindingKind.OIL))
                .isCloseTo(model.judge(Lighting.AGAINST, List.of(drop, film)).getFirst().chance(FindingKind.OIL), within(0.01));
        assertThat(KindLearning.print(model)).contains("\nagain AGAINST AREA");
    }
}
