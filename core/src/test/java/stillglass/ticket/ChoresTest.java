package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.care.Water;
import stillglass.day.Chore;
import stillglass.day.Day;
import stillglass.day.Durations;
import stillglass.device.Source;
import stillglass.look.Progress;
import stillglass.plan.WayIn;
import stillglass.say.Wording;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

class ChoresTest {
    private static final Durations NOTHING_LEARNED = new Durations();

    private static Chores left(Job job) {
        return Chores.of(job.story(), job.world(), Wanted.plan(job.state(), job.world(), Progress.SILENT), NOTHING_LEARNED, Job.NOON);
    }

    private static List<String> names(Chores c) {
        return c.tasks().stream().map(Day.Task::id).toList();
    }

    private static Day.Task task(Chores c, String id) {
        return c.tasks().stream().filter(k -> k.id().equals(id)).findFirst().orElseThrow();
    }

    /// Of a thing nobody knows, every stage lies ahead, each with a usual figure that says it is one.
    @Test
    void anUnknownThingHasAllItsStagesAhead() {
        Chores c = left(Job.unknown());
        assertThat(names(c)).containsExactly("look", "decide", "open", "clean", "close", "prove");
        assertThat(c.takes().values()).extracting(Durations.Estimate::source).containsOnly(Durations.Source.USUAL);
        assertThat(task(c, "close").after()).containsExactly("clean");
        assertThat(task(c, "look").uses()).containsExactly("lamp");
        assertThat(c.unknown()).isEmpty();
    }

    @Test
    void whatWasBegunPassesWhatCameBefore() {
        Job job = Job.unknown().say("off name ring, friction, front");
        assertThat(names(left(job))).as("nobody said that opening is done").containsExactly("open", "clean", "close", "prove");
    }

    /// The minutes of opening are those of the map for the way that is left.
    @Test
    void aMapSaysHowLongTheWayIs() {
        Job job = Job.begun().accept(new CourseIntent.ChooseGoals(List.of("E1")));
        WayIn.Plan plan = Wanted.plan(job.state(), job.world(), Progress.SILENT).orElseThrow();
        Durations.Estimate open = left(job).takes().get("open");
        assertThat(open.source()).isEqualTo(Durations.Source.MAP);
        assertThat(open.middle()).isCloseTo(Math.max(plan.minutes(), plan.joints().stream().mapToDouble(j -> j.minutes()).sum()), within(1e-9));
        assertThat(left(job).takes().get("close").source()).isEqualTo(Durations.Source.MAP);
    }

    /// A clock that runs holds up what comes next; when it is over nothing waits.
    @Test
    void clocksHoldUpWhatComesNext() {
        Job job = Job.unknown().say("wait 2 days for the glue");
        Chores c = left(job);
        assertThat(task(c, "wait").minutes()).isEqualTo(2880);
        assertThat(task(c, "wait").startMin()).contains(0);
        assertThat(task(c, "look").after()).containsExactly("wait");
        assertThat(names(Chores.of(job.story(), job.world(), Optional.empty(), NOTHING_LEARNED, Job.NOON.plus(Duration.ofDays(2))))).doesNotContain("wait");
    }

    @Test
    void whatTheTechnicianSaysStands() {
        Job job = Job.unknown().say("task close takes 3 h", "task look in 90 min", "task look in 2 h");
        Chores c = left(job);
        assertThat(task(c, "close").minutes()).isEqualTo(180);
        assertThat(c.takes().get("close").source()).isEqualTo(Durations.Source.SAID);
        assertThat(task(c, "look").startMin()).contains(120);
        assertThat(left(job.say("task look any time")).tasks()).allMatch(k -> k.startMin().isEmpty());
        assertThat(job.answer("task look any time")).contains("Nothing fixes");
        assertThat(job.answer("task dance takes 3 h")).startsWith("Which task");
        assertThat(job.answer("task close takes 0 min")).contains("takes 90 min");
        assertThat(job.answer("wait 2 days for")).contains("for what");
    }

    @Test
    void aTimeThatIsOverIsSaidAndFreesTheTask() {
        Job job = Job.unknown().say("task look in 30 min");
        Chores c = Chores.of(job.story(), job.world(), Optional.empty(), NOTHING_LEARNED, Job.NOON.plus(Duration.ofMinutes(40)));
        assertThat(c.slipped()).containsExactly("look");
        assertThat(task(c, "look").startMin()).isEmpty();
    }

    /// What is lacking is made while the rest is open, with the minutes that were said or a usual figure, and is there before it is closed. What is only bought waits for the post, and nobody knows how long.
    @Test
    void partsThatAreLackingAreMadeBeforeItIsClosed() {
        Job job = Job.unknown().stage(Stage.DECIDE).say("to make name ring, 75 min, costs 12", "to make pin", "to buy ribbon, costs 18");
        Chores c = left(job);
        assertThat(names(c)).containsExactly("look", "decide", "open", "clean", "make", "make 2", "close", "prove");
        assertThat(task(c, "make").minutes()).isEqualTo(75);
        assertThat(task(c, "make").after()).as("as soon as it is decided").containsExactly("decide");
        assertThat(task(c, "close").after()).containsExactlyInAnyOrder("clean", "make", "make 2");
        assertThat(c.takes().get("make").source()).isEqualTo(Durations.Source.SAID);
        assertThat(c.takes().get("make 2").source()).isEqualTo(Durations.Source.USUAL);
        assertThat(Wording.core().say(c.name("make 2"))).isEqualTo("make pin");
        assertThat(Wording.core().say(c.name("close"))).isEqualTo("close");
        assertThat(c.unknown().map(Wording.core()::say)).as("nor can anything be promised").hasValueSatisfying(w -> assertThat(w).contains("ribbon").doesNotContain("pin"));
        assertThat(names(left(job.say("made pin", "made name ring")))).doesNotContain("make", "make 2");
        assertThat(left(job.say("bought ribbon")).unknown()).isEmpty();
    }

    /// Until weighings tell how something wet dries, nobody can say when it is through.
    @Test
    void somethingWetHasNoEndBeforeItsDryingIsKnown() {
        Job job = Job.on(Instrument.unknown("own-body", "Body", Instrument.Sort.BODY), Optional.empty()).accept(new ArrivalEvent.GotWet(Water.FRESH, Optional.empty(), Optional.of(Job.NOON), Optional.empty()));
        assertThat(left(job).unknown().map(Wording.core()::sentence)).hasValueSatisfying(w -> assertThat(w).contains("weighings"));
        for (double h : new double[] {0, 2, 5, 9, 14}) {
            job.accept(new CareEvent.Weighed(Job.NOON.minus(Duration.ofHours(14)).plusMillis(Math.round(h * 3.6e6)), 480 + 12 * Math.exp(-h / 5), 0.01));
        }
        Chores c = left(job);
        assertThat(c.unknown()).isEmpty();
        // A hundredth of a gram is left when 12 g fall by 5 h to a third each: ln(1200) times 5 h, of which 14 are over.
        assertThat(task(c, "dry 0").minutes() / 60.0).isCloseTo(5 * Math.log(1200) - 14, within(4.0));
        assertThat(task(c, "look").after()).as("it is opened wet").isEmpty();
        assertThat(task(c, "close").after()).containsExactly("clean", "dry 0");
    }

    /// Minutes from one act to the next, for what the later did; a night is nobody's work.
    @Test
    void timeWorkedIsReadFromTheRecord() {
        Job job = Job.unknown().say("off name ring, friction, front").later(Duration.ofMinutes(12)).say("off front cell, thread, front").later(Duration.ofHours(14)).say("off rear cell, thread, rear").later(Duration.ofMinutes(7)).stage(Stage.CLEAN).say("timer 20m drying");
        assertThat(Spent.of(job.rows()).get(Chore.OPEN)).isCloseTo(12.0, within(0.5));
        // A photo of a step goes with the step.
        job.later(Duration.ofMinutes(9)).accept(new GlassEvent.PhotoKept("p1", Phase.BETWEEN, false, "step", Source.FILE)).stage(Stage.OPEN).say("off shutter plate, friction, front");
        assertThat(Spent.of(job.rows())).containsOnlyKeys(Chore.OPEN);
    }
}
