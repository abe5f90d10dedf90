package stillglass.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import stillglass.say.Wording;

class SuspicionTest {
    private static final Suspicion.Record ALL_OUT = new Suspicion.Record(true, 3, true, true, List.of(new Suspicion.Begun("inner barrel", 12, 6)), List.of(new Suspicion.Stack("mount", List.of(0.1, 0.25))));

    private static Suspicion of(double mm, Map<Sign, Boolean> signs, Suspicion.Record out) {
        return Suspicion.of(OptionalDouble.of(mm), 0.02, signs, out);
    }

    private static String first(Suspicion s) {
        return Wording.core().say(s.causes().getFirst().said());
    }

    @Test
    void aShimOnRecordThatFitsIsNamedWithItsPlace() {
        Map<Sign, Boolean> sharp = Map.of(Sign.MIDDLE, true, Sign.EDGES, true);
        assertThat(first(of(0.25, sharp, ALL_OUT))).isEqualTo("the shim of 0.25 mm at mount left out");
        assertThat(first(of(-0.1, sharp, ALL_OUT))).startsWith("the shim of 0.10 mm at mount put in twice");
        assertThat(of(0.17, sharp, ALL_OUT).causes().getFirst().said().key()).as("no shim of that thickness is on record").doesNotContain("shim.lost");
    }

    @Test
    void anEntryThatFitsIsNamedWithItsThread() {
        assertThat(first(of(-2.01, Map.of(Sign.MIDDLE, true, Sign.EDGES, true, Sign.SIZE, true), ALL_OUT))).isEqualTo("inner barrel begun one entry off");
    }

    @Test
    void whatThePictureLooksLikeTellsReversedSwappedAndLeaning() {
        assertThat(of(2.4, Map.of(Sign.MIDDLE, true, Sign.EDGES, false, Sign.SIZE, false, Sign.CORNERS, true), Suspicion.Record.unknown()).causes().getFirst().kind()).isEqualTo(Suspicion.Kind.REVERSED);
        assertThat(of(14, Map.of(Sign.MIDDLE, false, Sign.EDGES, false, Sign.SIZE, false), Suspicion.Record.unknown()).causes().getFirst().kind()).isEqualTo(Suspicion.Kind.SWAPPED);
        assertThat(of(0.03, Map.of(Sign.CORNERS, false), Suspicion.Record.unknown()).causes().getFirst().kind()).isEqualTo(Suspicion.Kind.LEANS);
        assertThat(of(0.005, Map.of(Sign.CORNERS, true, Sign.MIDDLE, true, Sign.EDGES, true), Suspicion.Record.unknown()).causes().getFirst().kind()).isEqualTo(Suspicion.Kind.NOTHING);
    }

    @Test
    void whatWasNotOutIsSeldomToBlame() {
        Suspicion.Record ringsOnly = new Suspicion.Record(true, 0, false, true, List.of(), List.of());
        double reversed = of(2.4, Map.of(), ringsOnly).causes().stream().filter(c -> c.kind() == Suspicion.Kind.REVERSED).mapToDouble(Suspicion.Cause::probability).sum();
        double anything = of(2.4, Map.of(), Suspicion.Record.unknown()).causes().stream().filter(c -> c.kind() == Suspicion.Kind.REVERSED).mapToDouble(Suspicion.Cause::probability).sum();
        assertThat(reversed).isLessThan(anything / 2);
    }

    @Test
    void probabilitiesAddUpAndUnmeasuredInfinityCountsForNothing() {
        Suspicion s = Suspicion.of(OptionalDouble.empty(), 1, Map.of(Sign.EDGES, false), Suspicion.Record.unknown());
        assertThat(s.causes().stream().mapToDouble(Suspicion.Cause::probability).sum()).isCloseTo(1, within(1e-9));
        // By hand: prior times (1 − share that stays right, blurred by 4 % slips), over their sum.
        double reversed = 0.2 * (1 - (0.96 * 0.1 + 0.04 * 0.9));
        assertThat(s.causes().getFirst().kind()).isEqualTo(Suspicion.Kind.REVERSED);
        assertThat(s.causes().getFirst().probability() / s.causes().stream().filter(c -> c.kind() == Suspicion.Kind.SHIM).findFirst().orElseThrow().probability()).isCloseTo(reversed / (0.14 * (1 - (0.96 * 0.97 + 0.04 * 0.03))), within(1e-9));
    }

    @Test
    void theNextLookSaysWhatItWouldBeLikeUnderEach() {
        Suspicion s = of(2.4, Map.of(), Suspicion.Record.unknown());
        assertThat(s.nextSaid().map(Wording.core()::say).orElse("")).contains("edges").contains("sharp if").contains("smeared if a glass is reversed");
        Suspicion told = of(2.4, Map.of(Sign.MIDDLE, true, Sign.EDGES, true, Sign.CORNERS, true, Sign.SIZE, true, Sign.QUIET, true), Suspicion.Record.unknown());
        assertThat(told.next()).isEmpty();
    }
}
