package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instrument;
import stillglass.care.Water;
import stillglass.say.Wording;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.proof.ProofIntent;
import stillglass.ticket.story.Stage;
import stillglass.ticket.words.Reading;

class WetTest {
    private static Job body() {
        return Job.on(Instrument.unknown("own-body", "Body nobody knows", Instrument.Sort.BODY), Optional.empty()).stage(Stage.ARRIVE);
    }

    private static ArrivalEvent.GotWet heard(String line) {
        return (ArrivalEvent.GotWet) ((Reading.Understood) body().read(line)).act().intents().getFirst();
    }

    private static Job weighed(Job job, double hours, double grams) {
        return job.accept(new CareEvent.Weighed(Job.NOON.plusMillis(Math.round(hours * 3.6e6)), grams, 0.01));
    }

    private static List<String> acts(Water water, OptionalDouble hours, Optional<Boolean> on) {
        return water.acts(hours, on).stream().map(Wording.core()::say).toList();
    }

    @Test
    void oneLineTellsAllOfIt() {
        assertThat(heard("wet fresh 3 min, 5 h ago, was on")).isEqualTo(new ArrivalEvent.GotWet(Water.FRESH, Optional.of(3.0), Optional.of(Job.NOON.minus(Duration.ofHours(5))), Optional.of(true)));
        assertThat(heard("wet sea, 2 days ago, off")).isEqualTo(new ArrivalEvent.GotWet(Water.SALT, Optional.empty(), Optional.of(Job.NOON.minus(Duration.ofDays(2))), Optional.of(false)));
        assertThat(heard("wet canal")).as("open water leaves silt; what nobody said is not known").isEqualTo(new ArrivalEvent.GotWet(Water.DIRTY, Optional.empty(), Optional.empty(), Optional.empty()));
        assertThat(heard("wet coffee, 30 s under").minutesUnder()).contains(0.5);
    }

    @ParameterizedTest
    @ValueSource(strings = {"wet fresh purple", "wet fresh 3 min, 4 min, 5 min", "wet salt 5 lightyears"})
    void whatIsNotUnderstoodIsAsked(String line) {
        assertThat(body().read(line)).isInstanceOf(Reading.Unclear.class);
    }

    @Test
    void firstActsFollowWhatItWas() {
        assertThat(acts(Water.SALT, OptionalDouble.of(1), Optional.of(true))).first().asString().contains("It was on");
        assertThat(acts(Water.SALT, OptionalDouble.of(1), Optional.empty())).anyMatch(a -> a.contains("distilled water, twice")).anyMatch(a -> a.startsWith("Open it now"));
        assertThat(acts(Water.FRESH, OptionalDouble.of(1), Optional.empty())).noneMatch(a -> a.startsWith("Rinse")).anyMatch(a -> a.contains("within a day"));
        assertThat(acts(Water.FRESH, OptionalDouble.of(80), Optional.empty())).anyMatch(a -> a.contains("has begun"));
        assertThat(acts(Water.UNKNOWN, OptionalDouble.empty(), Optional.empty())).as("water nobody knows is taken to leave something").anyMatch(a -> a.startsWith("Rinse"));
        assertThat(acts(Water.FRESH, OptionalDouble.empty(), Optional.empty())).last().asString().contains("Power comes last");
    }

    /// 480 g dry, 12 g of water that falls to a third in 5 h: after 24 h a tenth of a gram is left, after 48 a thousandth.
    @Test
    void weighingsTellWhenItIsDryAndNothingIsSignedBefore() {
        Job job = body().accept(new ArrivalEvent.GotWet(Water.FRESH, Optional.empty(), Optional.of(Job.NOON), Optional.empty()));
        ProofIntent.Sign sign = new ProofIntent.Sign("M. Rook", Job.NOON, Optional.empty());
        assertThat(job.refusal(sign)).contains("not proven dry");
        for (double h : new double[] {0, 2, 4, 6, 8, 10}) {
            weighed(job, h, Math.rint((480 + 12 * Math.exp(-h / 5)) * 100) / 100);
        }
        Wet wet = Wet.of(job.state()).orElseThrow();
        assertThat(wet.proven()).isFalse();
        assertThat(wet.drying().orElseThrow().settledG()).isCloseTo(480, within(0.1));
        assertThat(Wording.core().say(wet.dryness(Job.NOON.plus(Duration.ofHours(10))))).contains("g of water are left").contains("Weigh again");
        assertThat(job.refusal(sign)).contains("not proven dry");
        weighed(job, 40, 480.00);
        weighed(job, 60, 480.00);
        assertThat(Wet.of(job.state()).orElseThrow().proven()).isTrue();
        assertThat(Wording.core().say(Wet.of(job.state()).orElseThrow().dryness(Job.NOON))).contains("Proven dry by 8 weighings");
    }

    /// Three weighings within a minute say nothing, however alike they are.
    @Test
    void haste() {
        Job job = body().accept(new ArrivalEvent.GotWet(Water.FRESH, Optional.empty(), Optional.empty(), Optional.empty()));
        weighed(job, 0, 480);
        weighed(job, 0.01, 480);
        weighed(job, 0.02, 480);
        assertThat(Wet.of(job.state()).orElseThrow().proven()).isFalse();
        assertThat(job.refusal(new CareEvent.Weighed(Job.NOON, 480, 0.01))).contains("later than that");
    }

    @ParameterizedTest
    @CsvSource({"weighs 492.00 g, 492, 0.01", "weighs 492.5, 492.5, 0.1", "weighs 0.4925 kg, 492.5, 0.1", "weighs 492, 492, 1"})
    void theBalanceIsAsFineAsWhatWasTyped(String line, double grams, double step) {
        CareEvent.Weighed w = (CareEvent.Weighed) ((Reading.Understood) body().read(line)).act().intents().getFirst();
        assertThat(w.grams()).isCloseTo(grams, within(1e-9));
        assertThat(w.stepG()).isCloseTo(step, within(1e-9));
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThat(body().read("weighs nothing")).isInstanceOf(Reading.Unclear.class);
        assertThatThrownBy(() -> new CareEvent.Weighed(Job.NOON, Double.NaN, 0.01)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> new ArrivalEvent.GotWet(Water.SALT, Optional.of(-1.0), Optional.empty(), Optional.empty())).hasMessageContaining("-1");
    }

    /// Cavities as they are told, in any words; what is open drops out, and what came with it is on record.
    @Test
    void whichCavityIsNextFollowsFromWhatIsInThem() {
        Job job = body().say("wet salt", "cavity top plate 12 min, circuits, behind grip", "cavity grip 3 min, metal", "cavity battery box 2 min, cells", "came with t-0102");
        assertThat(job.state().arrival().with()).containsExactly("T-0102");
        assertThat(next(job)).startsWith("Open the battery box next, 2 min, for the sake of cells. Then grip, top plate.");
        job.say("cavity Battery box open");
        assertThat(next(job)).startsWith("Open the grip next");
        assertThat(job.answer("cavity battery box open")).contains("no shut cavity");
        assertThat(job.answer("cavity grip 3 min, metal, behind top plate")).contains("behind itself");
        assertThat(job.answer("cavity grip")).contains("inutes to get");
        assertThat(job.answer("cavity 3 min")).startsWith("Which cavity");
        assertThat(job.answer("came with T-1")).contains("itself");
        assertThat(job.answer("came with T-0102")).contains("on record");
        assertThat(job.answer("came with")).contains("number of the ticket");
    }

    private static String next(Job job) {
        return Wet.of(job.state()).orElseThrow().said(Job.NOON).stream().map(Wording.core()::say).filter(s -> s.startsWith("Open the")).findFirst().orElseThrow();
    }
}
