package stillglass.ticket.joints;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.anyway;
import static stillglass.ticket.Job.close;
import static stillglass.ticket.Job.keep;
import static stillglass.ticket.Job.note;
import static stillglass.ticket.Job.open;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.facts.Ball;
import stillglass.ticket.facts.Turns;
import stillglass.ticket.story.Overruled;

class OpeningsTest {
    @Test
    void aJointWaitsForWhatLiesOverIt() {
        assertThat(Job.begun().refusal(open("spacer-seat"))).contains("e1 seat").contains("anyway");
        assertThat(Job.begun().accept(open("ring-thread")).refusal(open("spacer-seat"))).contains("e1 seat").doesNotContain("ring thread");
    }

    @Test
    void aDeviationIsRecordedAsSuch() {
        Job job = Job.begun().accept(anyway("e1-seat"));

        assertThat(job.state().joints().story("e1-seat").offPlan()).isTrue();
        assertThat(job.state().joints().openNow()).containsExactly("e1-seat");
    }

    @Test
    void aReferenceIsMarkedBeforeItIsLost() {
        Job job = Job.begun();
        assertThat(job.refusal(open("mount-screws"))).contains("mount clocking");
        job.accept(keep("mount-clock"), open("mount-screws"));
        assertThat(job.state().joints().openNow()).contains("mount-screws");
    }

    @Test
    void openingWithoutTheMarkIsKeptAsAnOverruling() {
        Job job = Job.begun().accept(anyway("mount-screws"));

        assertThat(job.state().course().overruled()).singleElement().satisfies(o -> assertThat(Wording.core().say(o.what())).contains("mount clocking"));
        assertThat(job.refusal(keep("mount-clock"))).contains("mount screws");
    }

    @Test
    void whatIsOpenIsNotOpenedTwiceAndWhatIsNotThereNotAtAll() {
        assertThat(Job.begun().accept(open("ring-thread")).refusal(open("ring-thread"))).contains("open already");
        assertThat(Job.begun().refusal(open("no-such"))).contains("no-such");
    }

    /// Orders that later jobs learn from are those of the first openings: what is opened again to look after a fault says nothing of the way in.
    @Test
    void theOrderOfFirstOpeningsIsKeptWhenSomethingIsOpenedAgain() {
        Job job = Job.begun().accept(open("ring-thread"), open("e1-seat"), close("e1-seat"), close("ring-thread"), open("ring-thread"));

        assertThat(job.state().joints().firstOrder()).containsExactly("ring-thread", "e1-seat");
        assertThat(job.state().joints().order()).containsExactly("e1-seat", "ring-thread");
    }

    @Test
    void aJointIsInHandBeforeItIsOffAndUntilTheNext() {
        Job job = Job.unknown().say("trying retainer");
        assertThat(job.state().joints().inHand()).contains("retainer");
        assertThat(job.state().joints().openNow()).isEmpty();

        job.say("stuck, naphtha, wait 10m", "off retainer", "proud 0.3");
        assertThat(job.state().joints().facts("retainer")).hasSize(2);
        job.say("trying spacer", "stuck, warm air");
        assertThat(job.state().joints().facts("spacer")).hasSize(1);
        assertThat(job.state().joints().openNow()).containsExactly("retainer");
    }

    @Test
    void aRingIsPutBackForAMomentWhileOpeningAndStaysOnTheLedgerUntilItIsOffAgain() {
        Job job = Job.begun().accept(open("ring-thread"), new JointIntent.Refit("ring-thread", Optional.of("e1-seat")));
        Ledger on = Ledger.of(job.state().joints(), job.world().instrument(), List.of());
        assertThat(on.temporary()).extracting(j -> j.id()).containsExactly("ring-thread");
        assertThat(job.refusal(open("e1-seat"))).as("it covers the glass again").contains("ring thread");
        assertThat(job.refusal(open("ring-thread"))).contains("for a moment");

        job.accept(new JointIntent.TakeOff("ring-thread"), open("e1-seat"));
        assertThat(Ledger.of(job.state().joints(), job.world().instrument(), List.of()).temporary()).isEmpty();
        assertThat(job.refusal(new JointIntent.TakeOff("ring-thread"))).contains("ring thread");
    }

    @Test
    void aMarkMadeOnTheSpotBelongsToTheNextJointThatComesOff() {
        Job job = Job.unknown().say("mark two dots at 6, pencil", "off mount");

        assertThat(job.state().joints().marks("mount")).singleElement().satisfies(m -> assertThat(Wording.core().say(m.mark().said())).contains("two dots"));
    }

    @Test
    void factsBeforeAndAfterItIsOffBelongToIt() {
        Job job = Job.begun().accept(note("ring-thread", new Turns(3)), open("ring-thread"), note("ring-thread", new Ball(1)));

        assertThat(job.state().joints().facts("ring-thread")).containsExactly(new Turns(3), new Ball(1));
        assertThat(job.state().course().overruled()).extracting(Overruled::why).isEmpty();
        assertThat(job.refusal(new JointIntent.Note("teapot", List.of(new Turns(1))))).contains("teapot");
    }
}
