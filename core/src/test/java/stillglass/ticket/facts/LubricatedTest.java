package stillglass.ticket.facts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Point;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.joints.Ledger;
import stillglass.ticket.joints.Occurrence;
import stillglass.ticket.story.Stage;

/// Points that take paste, oil or grease, or must stay dry, on a thing nobody has a map of.
class LubricatedTest {
    private static Job opened() {
        return Job.unknown().say("off shutter plate, friction, front", "paste at cocking lever with moly, oil at the wheel pivots", "dry at blades");
    }

    private static String plate(Job job) {
        return job.state().joints().found().getLast().joint();
    }

    private static List<Fact> asked(Job job) {
        return job.state().joints().story(plate(job)).waiting().stream().map(Occurrence::fact).toList();
    }

    @Test
    void everyPointIsAskedAgainBeforeTheJointIsClosed() {
        Job job = opened();
        assertThat(asked(job)).containsExactly(new Lubricated("cocking lever", Point.Wants.PASTE, Optional.of("moly")), new Lubricated("wheel pivots", Point.Wants.OIL, Optional.empty()), new Lubricated("blades", Point.Wants.DRY, Optional.empty()));
        job.stage(Stage.CLOSE);
        assertThat(job.refusal(new JointIntent.Close(plate(job), false, Optional.empty()))).isNotEmpty();
        job.say("paste at cocking lever with moly", "oil at wheel pivots", "dry at Blades");
        assertThat(asked(job)).isEmpty();
        job.accept(new JointIntent.Close(plate(job), false, Optional.empty()));
    }

    @ParameterizedTest
    @CsvSource({"oil at blades, must stay dry", "oil at cocking lever, On record is paste at cocking lever"})
    void whatGoesWhereItDoesNotBelongIsSaid(String line, String why) {
        Job job = opened().stage(Stage.CLOSE).say(line);
        assertThat(job.state().joints().story(plate(job)).closing().statements()).anyMatch(s -> !s.matches());
        assertThat(job.refusal(new JointIntent.Close(plate(job), false, Optional.empty()))).isNotEmpty();
        Lubricated said = new Lubricated(line.contains("blades") ? "blades" : "cocking lever", Point.Wants.OIL, Optional.empty());
        Lubricated then = line.contains("blades") ? new Lubricated("blades", Point.Wants.DRY, Optional.empty()) : new Lubricated("cocking lever", Point.Wants.PASTE, Optional.of("moly"));
        assertThat(said.against(then, null)).isInstanceOfSatisfying(Verdict.Differs.class, d -> assertThat(Wording.core().say(d.mistake())).contains(why));
    }

    @Test
    void wordsThatNameNoPointAreNoFact() {
        assertThat(Job.unknown().say("off shutter plate, friction, front").answer("paste cocking lever")).isNotEmpty();
        assertThat(Job.unknown().say("off shutter plate, friction, front").answer("oil at")).isNotEmpty();
    }

    /// The small lens, whose ring is pasted at its thread and dry at its clicks.
    private static Job mapped() {
        Instrument bare = Instruments.small();
        List<Point> points = List.of(new Point("ring thread", Point.Wants.PASTE, Optional.of("graphite"), "It squeals.", Optional.empty()), new Point("clicks", Point.Wants.DRY, Optional.empty(), "They stick.", Optional.empty()));
        Instrument map = bare.with(bare.parts(), bare.joints().stream().map(j -> j.id().equals("ring-thread") ? j.closing(j.close().withPoints(points)) : j).toList());
        return Job.on(map, Optional.empty()).accept(Job.open("ring-thread")).stage(Stage.CLOSE);
    }

    @Test
    void pointsOfAMapAreSeenToBeforeTheyAreCovered() {
        Job job = mapped();
        assertThat(job.refusal(Job.close("ring-thread"))).contains("paste at ring thread, graphite").contains("It squeals.");
        assertThat(Ledger.of(job.state().joints(), job.world().instrument(), List.of()).lines(9).stream().map(Wording.core()::say)).as("each on the ledger").contains("paste at ring thread, graphite", "clicks dry");
        assertThat(job.answer("oil at clicks")).contains("The map wants: clicks dry").contains("They stick.");
        job.say("paste at ring thread with moly");
        assertThat(job.refusal(Job.close("ring-thread"))).as("with whatever it was pasted").contains("clicks dry");
        job.say("dry at clicks");
        assertThat(Ledger.of(job.state().joints(), job.world().instrument(), List.of()).pending()).isEmpty();
        job.accept(Job.close("ring-thread"));
        job.accept(Job.open("ring-thread"));
        assertThat(job.refusal(Job.close("ring-thread"))).as("opened again it is seen to again").contains("ring thread");
    }

    @Test
    void aPointTheMapDoesNotNameIsSaidToBeOnNoRecord() {
        assertThat(mapped().answer("oil at wheel pivots")).isNotEmpty().doesNotContain("The map wants");
    }

    @Test
    void whoKnowsBetterClosesAllTheSameWithAReason() {
        Job job = mapped().accept(new JointIntent.Close("ring-thread", false, Optional.of("the owner wants it dry")));
        assertThat(job.state().joints().story("ring-thread").open()).isFalse();
        assertThat(job.state().course().overruled()).hasSize(1);
    }
}
