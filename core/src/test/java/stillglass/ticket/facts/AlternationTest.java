package stillglass.ticket.facts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import stillglass.say.Wording;

class AlternationTest {
    private static List<Fact> screws(double... lengths) {
        List<Fact> all = new ArrayList<>();
        for (int i = 0; i < lengths.length; i++) {
            all.add(new Screw("X" + (i + 1), "cross", lengths[i]));
        }
        return all;
    }

    @Test
    void longAndShortByTurnsIsSeenFromTheFirstFour() {
        Alternation a = Alternation.of(screws(6.1, 4.0, 6.0, 4.1)).orElseThrow();
        assertThat(a.pattern()).isEqualTo(Alternation.Pattern.BY_TURNS);
        assertThat(a.chance()).isBetween(0.6, 0.99);
        assertThat(a.longMm().orElseThrow()).isCloseTo(6.05, within(1e-9));
        assertThat(a.nextLong()).contains(true);
        assertThat(Wording.core().sentence(a.said().orElseThrow())).contains("next should be long").contains("%");
    }

    @Test
    void aDriveThatDiffersIsASortOfItsOwnAndSaysNothingOfLengths() {
        List<Fact> all = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            all.add(new Screw("X" + i, Optional.of(i % 2 == 0 ? "slot" : "cross"), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty()));
        }
        Alternation a = Alternation.of(all).orElseThrow();
        assertThat(a.pattern()).isEqualTo(Alternation.Pattern.BY_TURNS);
        assertThat(a.nextLong()).isEmpty();
    }

    @Test
    void tooFewSayNothingAndAlikeIsNotWorthAWord() {
        assertThat(Alternation.of(screws(4, 6))).isEmpty();
        assertThat(Alternation.of(screws(4, 4.05, 3.95, 4)).orElseThrow().said()).isEmpty();
    }

    /// Rings drawn by rules of the test's own: what is claimed at a chance is right about as often.
    @Test
    void whatIsClaimedIsRightAsOftenAsItSays() {
        Random random = new Random(811);
        double claimed = 0;
        int right = 0;
        int rings = 4000;
        for (int r = 0; r < rings; r++) {
            double kind = random.nextDouble();
            Alternation.Pattern truth = kind < 0.5 ? Alternation.Pattern.ALIKE : kind < 0.8 ? Alternation.Pattern.BY_TURNS : kind < 0.88 ? Alternation.Pattern.THIRDS : Alternation.Pattern.MIXED;
            int many = 4 + random.nextInt(5);
            int phase = random.nextInt(3);
            double[] lengths = new double[many];
            for (int i = 0; i < many; i++) {
                boolean other = switch (truth) {
                    case ALIKE -> false;
                    case BY_TURNS -> i % 2 == 1;
                    case THIRDS -> i % 3 == phase;
                    case MIXED -> random.nextBoolean();
                };
                if (random.nextInt(40) == 0) {
                    other = !other;
                }
                lengths[i] = (other ? 5.3 : 4.2) + 0.03 * random.nextGaussian();
            }
            Alternation a = Alternation.of(screws(lengths)).orElseThrow();
            claimed += a.chance();
            right += a.pattern() == truth ? 1 : 0;
        }
        assertThat(right / (double) rings).isGreaterThan(0.85);
        assertThat(claimed / rings).isCloseTo(right / (double) rings, within(0.05));
    }
}
