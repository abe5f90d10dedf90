package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Faults;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.optics.Lenses;

class TellApartTest {
    private static final CheapTest COLOURS = new CheapTest("colours", "Rainbow at its edge?", 0.5, 0, false, "",
            Map.of(FindingKind.OIL, 0.25, FindingKind.SEPARATION, 0.75));
    private static final CheapTest WIPE = new CheapTest("wipe", "Does it wipe off?", 2, 0.02, true, "Ventilate.",
            Map.of(FindingKind.OIL, 0.95, FindingKind.SEPARATION, 0.02));

    private static Finding doubtful() {
        return Faults.round(FindingKind.OIL, 0.5, 0, 0.2, 0.5, Map.of(FindingKind.OIL, 0.5, FindingKind.SEPARATION, 0.5));
    }

    @Test
    void anAnswerMovesTheOddsByItsLikelihoodRatio() {
        TellApart before = TellApart.of(doubtful(), Optional.empty(), Optional.of(Lenses.triplet()), List.of(COLOURS, WIPE), List.of());
        TellApart after = TellApart.of(doubtful(), Optional.empty(), Optional.of(Lenses.triplet()), List.of(COLOURS, WIPE),
                List.of(new TellApart.Answered("colours", CheapTest.Answer.YES)));

        double odds = before.chances().get(FindingKind.SEPARATION) / before.chances().get(FindingKind.OIL);
        double now = after.chances().get(FindingKind.SEPARATION) / after.chances().get(FindingKind.OIL);
        assertThat(now / odds).as("0.75 over 0.25").isCloseTo(3, within(1e-9));
        assertThat(after.chances().values().stream().mapToDouble(p -> p).sum()).isCloseTo(1, within(1e-12));
    }

    @Test
    void hardToSayTellsNothingAndIsNotAskedAgain() {
        TellApart t = TellApart.of(doubtful(), Optional.empty(), Optional.of(Lenses.triplet()), List.of(COLOURS, WIPE),
                List.of(new TellApart.Answered("colours", CheapTest.Answer.UNSURE)));

        assertThat(t.chances()).isEqualTo(TellApart.of(doubtful(), Optional.empty(), Optional.of(Lenses.triplet()), List.of(COLOURS, WIPE), List.of()).chances());
        assertThat(t.next()).contains(WIPE);
    }

    @Test
    void withoutCementNothingCanSeparate() {
        TellApart t = TellApart.of(doubtful(), Optional.empty(), Optional.of(Lenses.single(50, -50, 5, 1.5, 15)), List.of(COLOURS), List.of());

        assertThat(t.ruledOut()).containsKey(FindingKind.SEPARATION);
        assertThat(t.likeliest()).isEqualTo(FindingKind.OIL);
        assertThat(t.chances().get(FindingKind.OIL)).isGreaterThan(0.9);
        assertThat(t.next()).as("nothing is left to ask").isEmpty();
    }

    @Test
    void theQuestionIsTheOneWorthMostForItsMinutesAndRisk() {
        CheapTest slow = new CheapTest("slow", "?", 60, 0, false, "", WIPE.yes());
        CheapTest quick = new CheapTest("quick", "?", 1, 0, false, "", WIPE.yes());
        CheapTest risky = new CheapTest("risky", "?", 1, 0.2, true, "", WIPE.yes());

        assertThat(TellApart.of(doubtful(), Optional.empty(), Optional.of(Lenses.triplet()), List.of(slow, risky, quick), List.of()).next()).contains(quick);
    }

    @Test
    void whatIsSettledIsNotAskedAbout() {
        Finding sure = Faults.round(FindingKind.FUNGUS, 0.5, 0, 0.2, 0.98, Map.of(FindingKind.FUNGUS, 0.98));
        assertThat(TellApart.of(sure, Optional.empty(), Optional.of(Lenses.triplet()), List.of(COLOURS, WIPE), List.of()).next()).isEmpty();
    }

    /// Asked until settled, simulated technicians who answer as the table says end at the true kind mostly.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void questionsLeadToTheTruth(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int right = 0;
        int photoAlone = 0;
        for (int n = 0; n < 200; n++) {
            FindingKind truth = random.nextBoolean() ? FindingKind.OIL : FindingKind.SEPARATION;
            double lean = 0.5 + 0.15 * random.nextGaussian();
            double oil = Math.clamp(truth == FindingKind.OIL ? lean : 1 - lean, 0.05, 0.95);
            Map<FindingKind, Double> chances = new EnumMap<>(Map.of(FindingKind.OIL, oil, FindingKind.SEPARATION, 1 - oil));
            Finding f = Faults.round(FindingKind.OIL, 0.5, 0, 0.2, oil, chances);
            photoAlone += (oil > 0.5 ? FindingKind.OIL : FindingKind.SEPARATION) == truth ? 1 : 0;
            List<TellApart.Answered> answers = new java.util.ArrayList<>();
            TellApart t = TellApart.of(f, Optional.empty(), Optional.of(Lenses.triplet()), List.of(COLOURS, WIPE), answers);
            while (t.next().isPresent()) {
                boolean yes = random.nextDouble() < t.next().get().yes().getOrDefault(truth, 0.5);
                answers.add(new TellApart.Answered(t.next().get().id(), yes ? CheapTest.Answer.YES : CheapTest.Answer.NO));
                t = TellApart.of(f, Optional.empty(), Optional.of(Lenses.triplet()), List.of(COLOURS, WIPE), answers);
            }
            right += t.likeliest() == truth ? 1 : 0;
        }
        assertThat(right).as("seed %d, by the photo alone %d of 200", seed, photoAlone).isGreaterThan(175).isGreaterThan(photoAlone);
    }

    @Test
    void certaintyIsNoLikelihood() {
        assertThatThrownBy(() -> new CheapTest("x", "?", 1, 0, false, "", Map.of(FindingKind.OIL, 1.0))).hasMessageContaining("nothing is certain");
    }
}
