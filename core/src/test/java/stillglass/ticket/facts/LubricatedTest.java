package stillglass.ticket.facts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.joints.JointIntent;
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
        assertThat(asked(job)).containsExactly(new Lubricated("cocking lever", Lubricated.Kind.PASTE, Optional.of("moly")), new Lubricated("wheel pivots", Lubricated.Kind.OIL, Optional.empty()), new Lubricated("blades", Lubricated.Kind.DRY, Optional.empty()));
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
        Lubricated said = new Lubricated(line.contains("blades") ? "blades" : "cocking lever", Lubricated.Kind.OIL, Optional.empty());
        Lubricated then = line.contains("blades") ? new Lubricated("blades", Lubricated.Kind.DRY, Optional.empty()) : new Lubricated("cocking lever", Lubricated.Kind.PASTE, Optional.of("moly"));
        assertThat(said.against(then, null)).isInstanceOfSatisfying(Verdict.Differs.class, d -> assertThat(Wording.core().say(d.mistake())).contains(why));
    }

    @Test
    void wordsThatNameNoPointAreNoFact() {
        assertThat(Job.unknown().say("off shutter plate, friction, front").answer("paste cocking lever")).isNotEmpty();
        assertThat(Job.unknown().say("off shutter plate, friction, front").answer("oil at")).isNotEmpty();
    }
}
