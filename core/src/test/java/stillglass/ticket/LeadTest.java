package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.assembly.Instrument;
import stillglass.say.Wording;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.readings.Behaves;
import stillglass.ticket.readings.Functions;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

class LeadTest {
    private static List<String> whys(Job job) {
        return Lead.of(job.state(), job.world().instrument()).stream().map(l -> Wording.core().say(l.why())).toList();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "snaps open and closed, blades dry | FREE", "slow, oily | SLOW", "dry, scrapes near 1 m | DRY", "jammed | STUCK", "3 of 10 | SOMETIMES", "10 of 10 | FREE", "0/5 | DEAD",
        "does nothing | DEAD", "too fast by a third | OFF", "runs | FREE", "hard to turn | STIFF", "stiff in the cold | STIFF"
    })
    void wordsSayHowAFunctionBehaves(String words, Behaves how) {
        assertThat(Behaves.in(words)).contains(how);
    }

    @Test
    void wordsThatDoNotTellAreNotTakenToTell() {
        assertThat(Behaves.in("not free")).isEmpty();
        assertThat(Behaves.in("blades show five edges")).isEmpty();
        assertThat(Behaves.in("")).isEmpty();
        assertThat(Behaves.in("7 of 3")).isEmpty();
    }

    /// On an instrument nobody has a map of a complaint still says what must be reached.
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "stiff focus | focusing thread", "iris slow and oily | reach the iris", "slow speeds stick | escapement", "self-timer jammed | self-timer", "sticky foam in the door | old foam",
        "fell into the river | Battery out first", "iris slow, blades wet | reach the iris", "zoom ring wobbles | cam followers", "milky pictures against the light | against the light", "images soft and flat | against the light", "zoom range stiff | cam barrel", "counter stuck | counter gear", "shutter sticks at B | release"
    })
    void aComplaintLeadsToWhatMustBeReached(String complaint, String leads) {
        assertThat(whys(Job.unknown().accept(new ArrivalEvent.SymptomNoted(complaint)))).singleElement().asString().contains(leads).contains(complaint);
    }

    @Test
    void whatIsFreeOrMerelyNamedLeadsNowhere() {
        Job job = Job.unknown().accept(new ArrivalEvent.SymptomNoted("engraved focus ring"), new ReadingEvent.FunctionChecked(Phase.BEFORE, "iris", "snaps"), new ReadingEvent.FunctionChecked(Phase.AFTER, "feel", "stiff"));
        assertThat(whys(job)).isEmpty();
    }

    /// One thing twice is said once, and where the model has a map its parts are the goals.
    @Test
    void aMapTurnsALeadIntoGoals() {
        Job job = Job.begun().accept(new ArrivalEvent.SymptomNoted("stiff focus"), new ReadingEvent.FunctionChecked(Phase.BEFORE, "feel", "dry"));
        assertThat(Lead.of(job.state(), job.world().instrument())).singleElement().satisfies(l -> assertThat(l.goals()).containsExactly("helicoid"));
        assertThat(Recommendation.of(job.state(), List.of(), Optional.empty(), job.world().section(), job.world().instrument()).goals()).contains("helicoid");
    }

    @Test
    void everySortHasItsOwnFunctionsAndAPictureIsOnlyAskedOfWhatMakesOne() {
        for (Instrument.Sort s : Instrument.Sort.values()) {
            assertThat(Functions.of(s)).as(s.word()).isNotEmpty().doesNotHaveDuplicates();
        }
        assertThat(Functions.of(Instrument.Sort.BODY)).contains("light seals", "slow speeds").doesNotContain("iris");
        assertThat(Instrument.Sort.FINDER.images()).isFalse();
    }

    /// What does not work after the work is in the way of signing, whatever it was before.
    @Test
    void aFunctionThatFailsAfterTheWorkIsNoProof() {
        Job job = Job.unknown().stage(Stage.PROVE).accept(new ReadingEvent.FunctionChecked(Phase.BEFORE, "iris", "slow"), new ReadingEvent.FunctionChecked(Phase.AFTER, "iris", "8 of 10"));
        assertThat(job.answer("sign M. Rook")).contains("iris is 8 of 10 after the work");
        job.accept(new ReadingEvent.FunctionChecked(Phase.AFTER, "iris", "10 of 10"));
        assertThat(job.answer("sign M. Rook")).doesNotContain("iris");
    }
}
