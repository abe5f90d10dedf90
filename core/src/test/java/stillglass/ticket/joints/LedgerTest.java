package stillglass.ticket.joints;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;
import static stillglass.ticket.Job.failed;
import static stillglass.ticket.Job.keep;
import static stillglass.ticket.Job.note;
import static stillglass.ticket.Job.open;
import static stillglass.ticket.Job.passed;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Joint;
import stillglass.care.Water;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.Pending;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.facts.Ball;
import stillglass.ticket.story.Stage;

class LedgerTest {
    private static Ledger ledger(Job job) {
        return Pending.ledger(job.state(), job.world().instrument());
    }

    private static String said(Job job) {
        return Wording.core().say(ledger(job).said());
    }

    @Test
    void nothingOpenIsZero() {
        assertThat(ledger(Job.begun()).zero()).isTrue();
        assertThat(said(Job.begun())).isEqualTo("everything is back");
    }

    /// What came in wet and parts that are to be made keep it from zero on any instrument, and Close and the signature with it.
    @Test
    void whatIsWetAndWhatIsToBeMadeIsOpenToo() {
        Job job = Job.unknown().accept(new ArrivalEvent.GotWet(Water.SALT, Optional.empty(), Optional.of(Job.NOON), Optional.empty())).say("to make name ring, 90 min");
        assertThat(said(job)).isEqualTo("not proven dry: no power before, and weigh it again, still to be made: name ring");
        assertThat(ledger(job).count()).isEqualTo(2);
        assertThat(job.refusal(new CourseIntent.FinishStage(Stage.CLOSE, Optional.empty()))).contains("not proven dry").contains("name ring");
        job.say("made name ring").accept(weighed(0, 500), weighed(14, 490), weighed(28, 490));
        assertThat(ledger(job).zero()).as("fourteen hours apart it weighs the same").isTrue();
    }

    private static CareEvent.Weighed weighed(int hours, double grams) {
        return new CareEvent.Weighed(Job.NOON.plusSeconds(3600L * hours), grams, 0.1);
    }

    @Test
    void openJointsCountEvenWhenTheyFreeNothing() {
        Job job = Job.begun().accept(keep("infinity"), open("ring-set"));

        assertThat(ledger(job).count()).isEqualTo(1);
        assertThat(said(job)).isEqualTo("1 joint is open");
    }

    @Test
    void everyCaughtThingMustGoBack() {
        Job job = Job.begun().accept(note("ring-thread", new Ball(1), new Ball(1)), open("ring-thread"));

        assertThat(ledger(job).caught()).hasSize(2);
        assertThat(ledger(job).count()).isEqualTo(3);
        assertThat(said(job)).contains("ball 1 mm is not back");
    }

    @Test
    void aTestMustBePassedAfterClosing() {
        Job job = Job.begun().toTheHelicoid().helicoidHome();
        assertThat(ledger(job).untested()).containsExactly("Focus runs freely");
        job.accept(failed("helicoid-thread", "Focus runs freely", "grates"));
        assertThat(ledger(job).untested()).isEmpty();
        assertThat(said(job)).contains("grates");
        job.accept(passed("helicoid-thread", "Focus runs freely"), close("mount-screws"), close("ring-thread"));
        assertThat(ledger(job).zero()).isTrue();
    }

    @Test
    void looseIsNotClosedAndTroubleIsNotOver() {
        Job job = Job.begun().accept(keep("infinity"), open("ring-set"), new JointIntent.Close("ring-set", true, Optional.empty()), new JointIntent.Report("ring-set", Trouble.DROPPED, "click ball"));

        assertThat(ledger(job).loose()).extracting(Joint::id).containsExactly("ring-set");
        assertThat(said(job)).contains("1 joint is still loose").contains("click ball");
        assertThat(ledger(job).count()).isEqualTo(2);
        job.accept(new JointIntent.Mend("ring-set", Optional.empty()), new JointIntent.Tighten("ring-set", Optional.empty()));
        assertThat(ledger(job).zero()).isTrue();
    }

    /// Count and lines are of the same things.
    @Test
    void itIsZeroExactlyWhenEverythingOpenedIsClosedTightAndTested() {
        Job job = Job.begun().accept(open("ring-thread"), open("e1-seat"), open("spacer-seat"));
        assertThat(ledger(job).count()).isEqualTo(3);
        for (String joint : List.of("spacer-seat", "e1-seat", "ring-thread")) {
            assertThat(ledger(job).zero()).isFalse();
            assertThat(ledger(job).lines(12)).isNotEmpty();
            job.accept(close(joint));
        }
        assertThat(ledger(job).zero()).isTrue();
        assertThat(ledger(job).lines(12)).isEmpty();
    }
}
