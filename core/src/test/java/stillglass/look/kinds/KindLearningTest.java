package stillglass.look.kinds;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.say.Wording;

class KindLearningTest {
    /// Three kinds by two features: fungus branches, scratches are straight, nothing is neither. Chances follow from the normal curves.
    private static List<KindLearning.Example> examples(int n, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<KindLearning.Example> all = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            FindingKind kind = List.of(FindingKind.FUNGUS, FindingKind.SCRATCH, FindingKind.UNKNOWN).get(random.nextInt(3));
            Features f = new Features()
                    .set(Feature.JUNCTIONS, (kind == FindingKind.FUNGUS ? 1.2 : 0.2) + 0.3 * random.nextGaussian())
                    .set(Feature.STRAIGHTNESS, (kind == FindingKind.SCRATCH ? 0.9 : 0.5) + 0.1 * random.nextGaussian());
            all.add(new KindLearning.Example(Lighting.AGAINST, Sight.FINE, f, kind, 1, i % 5 == 0));
        }
        return all;
    }

    @Test
    void whatSeparatesKindsIsLearnedAndSaid() {
        KindModel model = KindLearning.learn(examples(900, 1), Set.of());
        int right = 0;
        List<KindLearning.Example> fresh = examples(300, 2);
        for (KindLearning.Example e : fresh) {
            KindModel.Verdict v = model.judge(Lighting.AGAINST, Sight.FINE, e.features());
            right += (v.nothing() ? FindingKind.UNKNOWN : v.kind()) == e.label() ? 1 : 0;
        }
        assertThat(right).as("of 300").isGreaterThan(270);
        KindModel.Verdict tree = model.judge(Lighting.AGAINST, Sight.FINE, new Features().set(Feature.JUNCTIONS, 1.3).set(Feature.STRAIGHTNESS, 0.5));
        assertThat(tree.kind()).isEqualTo(FindingKind.FUNGUS);
        assertThat(Wording.core().say(tree.reasons().getFirst())).isEqualTo("branching: 19 junctions per radius of thread");
        assertThat(tree.chances().values().stream().mapToDouble(p -> p).sum()).isCloseTo(1, within(1e-9));
    }

    @Test
    void probabilitiesComeTrueAsOftenAsTheySay() {
        KindModel model = KindLearning.learn(examples(1500, 3), Set.of());
        double said = 0;
        double came = 0;
        List<KindLearning.Example> fresh = examples(1500, 4);
        for (KindLearning.Example e : fresh) {
            double[] p = model.probabilities(Lighting.AGAINST, Sight.FINE, e.features());
            said += p[FindingKind.FUNGUS.ordinal()];
            came += e.label() == FindingKind.FUNGUS ? 1 : 0;
        }
        // Binomial scatter of 1500 tries at one third: 18.
        assertThat(said).isCloseTo(came, within(60.0));
    }

    @Test
    void aFeatureLeftOutHasNoSay() {
        KindModel blind = KindLearning.learn(examples(600, 5), Set.of(Feature.JUNCTIONS));
        Features tree = new Features().set(Feature.JUNCTIONS, 1.3).set(Feature.STRAIGHTNESS, 0.5);
        Features line = new Features().set(Feature.JUNCTIONS, 0.1).set(Feature.STRAIGHTNESS, 0.5);

        assertThat(blind.probabilities(Lighting.AGAINST, Sight.FINE, tree)).isEqualTo(blind.probabilities(Lighting.AGAINST, Sight.FINE, line));
    }

    /// Haze over a whole glass: however well the exposure told it in what was learned from, it has no say against the light; before a card it has. A chance of a third is named there, and not here.
    @Test
    void hazeAgainstTheLightIsNotToldByTheExposure() {
        SplittableRandom random = new SplittableRandom(9);
        List<KindLearning.Example> all = new ArrayList<>();
        for (int i = 0; i < 800; i++) {
            boolean hazy = random.nextInt(3) == 0;
            Features f = new Features().set(Feature.VEIL, (hazy ? -1 : -2) + 0.1 * random.nextGaussian()).set(Feature.closeUp(FindingKind.HAZE), (hazy ? -0.6 : -1.0) + 0.3 * random.nextGaussian());
            for (Lighting l : Lighting.values()) {
                all.add(new KindLearning.Example(l, Sight.WHOLE, f, hazy ? FindingKind.HAZE : FindingKind.UNKNOWN, 1, i % 5 == 0));
            }
        }
        KindModel model = KindLearning.learn(all, Set.of());
        Features dark = new Features().set(Feature.VEIL, -2).set(Feature.closeUp(FindingKind.HAZE), -0.8);
        Features light = new Features().set(Feature.VEIL, -1).set(Feature.closeUp(FindingKind.HAZE), -0.8);
        assertThat(model.probabilities(Lighting.AGAINST, Sight.WHOLE, dark)).isEqualTo(model.probabilities(Lighting.AGAINST, Sight.WHOLE, light));
        assertThat(model.judge(Lighting.BRIGHT, Sight.WHOLE, light).chance(FindingKind.HAZE)).isGreaterThan(0.9);
        assertThat(model.judge(Lighting.BRIGHT, Sight.WHOLE, dark).chance(FindingKind.HAZE)).isLessThan(0.1);
        KindModel.Verdict unsure = model.judge(Lighting.AGAINST, Sight.WHOLE, dark);
        assertThat(unsure.chance(FindingKind.HAZE)).isBetween(0.26, 0.44);
        assertThat(unsure.kind()).isEqualTo(FindingKind.HAZE);
    }

    /// That haze is on a glass whose iris is open is no reason that can be seen; that blades lie behind half of an oily one is one.
    @Test
    void thatNoBladesLieBehindItIsNoReason() {
        List<KindLearning.Example> all = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            boolean open = i % 2 == 0;
            all.add(new KindLearning.Example(Lighting.BRIGHT, Sight.AREA, new Features().set(Feature.BLADES, open ? 0 : 0.5), open ? FindingKind.HAZE : FindingKind.OIL, 1, i % 5 == 0));
        }
        KindModel model = KindLearning.learn(all, Set.of());
        KindModel.Verdict hazy = model.judge(Lighting.BRIGHT, Sight.AREA, new Features().set(Feature.BLADES, 0));
        KindModel.Verdict oily = model.judge(Lighting.BRIGHT, Sight.AREA, new Features().set(Feature.BLADES, 0.5));
        assertThat(hazy.kind()).isEqualTo(FindingKind.HAZE);
        assertThat(hazy.reasons()).isEmpty();
        assertThat(oily.kind()).isEqualTo(FindingKind.OIL);
        assertThat(oily.reasons()).hasSize(1);
    }

    @Test
    void theTextOfAModelIsTheModel() {
        KindModel model = KindLearning.learn(examples(400, 6), Set.of());
        KindModel again = KindLearning.read(KindLearning.print(model).lines().toList());
        Features f = new Features().set(Feature.JUNCTIONS, 0.7).set(Feature.STRAIGHTNESS, 0.6);

        double[] was = model.probabilities(Lighting.AGAINST, Sight.FINE, f);
        double[] is = again.probabilities(Lighting.AGAINST, Sight.FINE, f);
        for (int i = 0; i < was.length; i++) {
            assertThat(is[i]).isCloseTo(was[i], within(0.01));
        }
    }

    @Test
    void brokenTextIsNamed() {
        assertThatThrownBy(() -> KindLearning.read(List.of("part AGAINST"))).hasMessageContaining("line 1");
        assertThatThrownBy(() -> KindLearning.read(List.of("part AGAINST FINE 1.0", "bias 1 2 3"))).hasMessageContaining("has 3 numbers");
        assertThatThrownBy(() -> KindLearning.read(List.of("part AGAINST FINE 1.0"))).hasMessageContaining("\"bias\"");
    }

    /// A speck that may be a bubble or a thread is dust where it is not surely that and likely enough dust; a sure bubble stays one, and an unsure scratch is not dust.
    @ParameterizedTest
    @CsvSource({"BUBBLE, 0.5, 0.3, DUST", "BUBBLE, 0.5, 0.2, UNKNOWN", "BUBBLE, 0.65, 0.3, BUBBLE", "FUNGUS, 0.51, 0.28, DUST", "FUNGUS, 0.62, 0.28, FUNGUS", "SCRATCH, 0.5, 0.3, UNKNOWN"})
    void aSpeckThatIsNothingElseSurelyIsDust(FindingKind best, double chance, double dust, FindingKind told) {
        double[] bias = new double[FindingKind.values().length];
        Arrays.fill(bias, Math.log((1 - chance - dust) / (bias.length - 2)));
        bias[best.ordinal()] = Math.log(chance);
        bias[FindingKind.DUST.ordinal()] = Math.log(dust);
        double[] least = new double[bias.length];
        Arrays.fill(least, 0.6);
        least[FindingKind.DUST.ordinal()] = 0.25;
        KindModel model = new KindModel();
        int features = Feature.values().length;
        model.put(Lighting.AGAINST, Sight.FINE, new KindModel.Curves(new double[features][0], new double[features][0][0], bias, 1, least));
        assertThat(model.judge(Lighting.AGAINST, Sight.FINE, new Features()).kind()).isEqualTo(told);
    }

    /// That something looks little like oil is no reason to call it fungus, however much it spoke for it.
    @Test
    void onlyTheOwnGlanceIsAReason() {
        int features = Feature.values().length;
        double[][] knots = new double[features][0];
        double[][][] weights = new double[features][0][0];
        double[] forFungus = new double[FindingKind.values().length];
        forFungus[FindingKind.FUNGUS.ordinal()] = 2;
        for (Feature f : List.of(Feature.glance(FindingKind.OIL), Feature.glance(FindingKind.FUNGUS))) {
            knots[f.ordinal()] = new double[] {-3, 0};
            weights[f.ordinal()] = new double[][] {forFungus, forFungus};
        }
        KindModel model = new KindModel();
        model.put(Lighting.AGAINST, Sight.FINE, new KindModel.Curves(knots, weights, new double[forFungus.length], 1, new double[forFungus.length]));
        KindModel.Verdict v = model.judge(Lighting.AGAINST, Sight.FINE, new Features().setLog(Feature.glance(FindingKind.OIL), 0.02).setLog(Feature.glance(FindingKind.FUNGUS), 0.4));
        assertThat(v.kind()).isEqualTo(FindingKind.FUNGUS);
        assertThat(v.reasons()).extracting(Wording.core()::say).containsExactly("seen with the glass about it like fungus (40 %)");
    }

    /// That it looks like fungus with what lies about it and close by is one reason, the louder; what can be seen comes before it though it speaks softly, but not when it says next to nothing.
    @ParameterizedTest
    @CsvSource({"0.05, true", "0.01, false"})
    void lookingTwiceIsOneReason(double branching, boolean told) {
        int features = Feature.values().length;
        double[][] knots = new double[features][0];
        double[][][] weights = new double[features][0][0];
        for (Feature f : List.of(Feature.glance(FindingKind.FUNGUS), Feature.closeUp(FindingKind.FUNGUS), Feature.closeUp(FindingKind.OIL), Feature.LENGTH, Feature.JUNCTIONS)) {
            double[] forFungus = new double[FindingKind.values().length];
            forFungus[FindingKind.FUNGUS.ordinal()] = f == Feature.LENGTH ? 1 : f == Feature.JUNCTIONS ? branching : f == Feature.closeUp(FindingKind.FUNGUS) ? 3 : 2;
            knots[f.ordinal()] = new double[] {-3, 0};
            weights[f.ordinal()] = new double[][] {forFungus, forFungus};
        }
        KindModel model = new KindModel();
        double[] none = new double[FindingKind.values().length];
        model.put(Lighting.AGAINST, Sight.FINE, new KindModel.Curves(knots, weights, none, 1, none));
        Features f = new Features().setLog(Feature.glance(FindingKind.FUNGUS), 0.4).setLog(Feature.closeUp(FindingKind.FUNGUS), 0.7).setLog(Feature.closeUp(FindingKind.OIL), 0.1).setLog(Feature.LENGTH, 0.5).setLog(Feature.JUNCTIONS, 0.9);
        assertThat(model.judge(Lighting.AGAINST, Sight.FINE, f).reasons()).extracting(Wording.core()::say).hasSize(told ? 3 : 2)
                .contains("seen close by like fungus (70 %)").first().asString().matches(r -> r.contains("branching") == told);
        assertThat(Feature.closeUp(FindingKind.UNKNOWN).said(Math.log10(0.25))).extracting(Wording.core()::say).isEqualTo("seen close by like nothing (25 %)");
    }

    @Test
    void anExampleComesBackFromItsLine() {
        KindLearning.Example e = examples(1, 7).getFirst();
        KindLearning.Example again = KindLearning.example(KindLearning.line(e));

        assertThat(again.label()).isEqualTo(e.label());
        assertThat(again.features().get(Feature.JUNCTIONS)).isCloseTo(e.features().get(Feature.JUNCTIONS), within(1e-6));
        assertThat(again.features().get(Feature.AREA)).isNaN();
    }

    @ParameterizedTest
    @EnumSource(Feature.class)
    void everyFeatureIsSaidInWords(Feature f) {
        assertThat(Wording.core().say(f.said(0.5))).isNotBlank().doesNotContain("{");
    }

    @ParameterizedTest
    @EnumSource(Sight.class)
    void theModelThatShipsKnowsEveryWayOfStandingOut(Sight sight) {
        for (Lighting l : Lighting.values()) {
            double[] p = KindModel.shipped().probabilities(l, sight, new Features());
            assertThat(Arrays.stream(p).sum()).isCloseTo(1, within(1e-9));
        }
    }
}
