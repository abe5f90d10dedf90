package stillglass.ticket.joints;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;

class EarlierJobsTest {
    private static final Instrument BROOK = Instrument.unknown("own-brook-35", "Brook 35 mm f/2.8", Instrument.Sort.LENS);

    private static Lesson job(String... lines) {
        return Lesson.of(Job.unknown().say(lines).state().joints());
    }

    private static List<String> told(EarlierJobs jobs, String joint) {
        return jobs.told(joint).stream().map(Wording.core()::sentence).toList();
    }

    @Test
    void whatWasMetHowOftenItStuckAndWhatWasNotedIsTold() {
        EarlierJobs jobs = new EarlierJobs(List.of(
                job("off mount, screws, rear", "3 screws, cross, 4.2 mm", "trying name ring", "stuck, naphtha, wait 10m", "off name ring"),
                job("off mount, screws, rear", "3 screws, cross, 4.2 mm"),
                job("off name ring, thread, front", "ball 1")));

        assertThat(told(jobs, "name-ring")).anyMatch(t -> t.contains("2 of 3 earlier jobs")).anyMatch(t -> t.contains("Stuck in 1: 50 %")).anyMatch(t -> t.contains("ball 1 mm"));
        assertThat(told(jobs, "mount")).anyMatch(t -> t.contains("2 of 3")).noneMatch(t -> t.contains("Stuck")).anyMatch(t -> t.contains("4.2 mm"));
        assertThat(told(jobs, "teapot")).isEmpty();
        assertThat(jobs.met("mount")).isEqualTo(2);
        assertThat(jobs.met("teapot")).isZero();
    }

    /// Half of one and a half, worked out by hand; what was found again on the same day still fell.
    @Test
    void whatFellOrWasOtherwiseCountsForTheChanceThatItDoesAgain() {
        EarlierJobs jobs = new EarlierJobs(List.of(job("off mount, screws, rear", "dropped click ball", "mended click ball"), job("off mount, screws, rear", "not as drawn, a second spring"), job("off mount, screws, rear")));
        assertThat(told(jobs, "mount")).contains("Something fell in 1: 38 % now.", "Not as expected in 1: 38 % now.").noneMatch(t -> t.contains("Stuck"));
    }

    /// Damage, marks and where a thread let go are of one piece and stay with it.
    @Test
    void whatIsOfOnePieceIsNotCarriedOver() {
        EarlierJobs jobs = new EarlierJobs(List.of(job("mark mount at 4", "off mount, screws, rear", "rust below", "lets go 4", "earlier work: glue", "with focus at nearest")));
        assertThat(told(jobs, "mount").getLast()).contains("with focus at nearest").doesNotContain("rust").doesNotContain("4 o'clock").doesNotContain("glue");
    }

    @Test
    void whatDiffersFromTheLatestJobIsSaid() {
        EarlierJobs jobs = new EarlierJobs(List.of(job("off mount, screws, rear", "3 screws, cross, 4.2 mm, shim 0.1 0.2")));
        Job now = Job.unknown().say("off mount, screws, rear", "3 screws, cross, 5.1 mm, shim 0.1 0.2");
        Joint mount = now.world().instrument().joint("mount").orElseThrow();
        World world = new World(now.world().instrument(), Optional.empty(), now.world().care(), List.of(), jobs);

        assertThat(jobs.differences(mount, now.state().joints().facts("mount"), world)).hasSize(3).allSatisfy(d -> assertThat(Wording.core().sentence(d)).contains("5.1 mm").contains("then").contains("4.2 mm"));
        assertThat(Inferred.of(mount, now.state().joints(), world)).hasSizeGreaterThanOrEqualTo(3);
    }

    /// The records of others are shown and never taken for what is on record here: closing asks for nothing that this job did not note.
    @Test
    void nothingIsAskedForThatThisJobDidNotNote() {
        Job job = Job.unknown().say("off mount, screws, rear").stage(Stage.CLOSE);
        job.accept(close("mount"));
        assertThat(job.state().joints().openNow()).isEmpty();
    }

    /// Seconds pass between lines here: the middle of three jobs, by hand.
    @Test
    void howLongItTookIsLearned() {
        List<Lesson> jobs = List.of(job("off mount", "off ring"), job("off mount", "note a", "note b", "off ring"), job("off mount", "note a", "off ring"));
        double minutes = LearnedMap.of(BROOK, jobs).joint("ring").orElseThrow().minutes();
        assertThat(minutes).isEqualTo(new EarlierJobs(jobs).minutes("ring").orElseThrow()).isLessThan(0.2);
        assertThat(LearnedMap.of(BROOK, jobs).joint("mount").orElseThrow().minutes()).as("nothing came before it").isEqualTo(2);
    }

    /// A screw found at nearest focus is a door for the next job: the control belongs to the step.
    @Test
    void aControlThatOpenedAWayBelongsToTheStepNextTime() {
        Instrument map = LearnedMap.of(BROOK, List.of(job("off lock screw, screws, front", "with focus at nearest", "off name ring, thread, front")));
        assertThat(map.joint("lock-screw").orElseThrow().behind().with()).containsExactly(java.util.Map.entry("focus", "nearest"));
        assertThat(map.joint("name-ring").orElseThrow().behind().with()).isEmpty();
        assertThat(map.joint("name-ring").orElseThrow().behind().all()).containsExactly("lock-screw");
    }
}
