package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.care.RunIn;
import stillglass.say.Said;
import stillglass.say.Wording;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

/// A thread of a lens nobody knows.
class RunningInTest {
    private static Job greased(String line) {
        return Job.unknown().say("off helicoid, thread, rear", "thread 48 mm, 9 engaged, slop 0.08").stage(Stage.CLOSE).say(line);
    }

    private static List<Said> next(Job job) {
        return RunningIn.of(job.state(), job.world().instrument()).map(r -> r.next().said()).orElse(List.of());
    }

    @Test
    void aThreadIsRunInJudgedAndWipedUntilItIsAsWanted() {
        Job job = greased("greased 60 mg with helicoid grease").say("run in wants 25 to 40", "run in 5, 52 N mm");
        assertThat(next(job).getFirst().key()).isEqualTo("runin.run");
        job.say("run in 5, 50 Nmm");
        assertThat(Wording.core().say(next(job).getFirst())).contains("wipe off about 22.1 mg");
        job.say("wiped 14 mg", "run in 5, 41", "run in 5, 40");
        assertThat(next(job).getFirst().key()).isEqualTo("runin.done");
        job.accept(new Undo());
        assertThat(next(job).getFirst().key()).as("taken back").isEqualTo("runin.run");
    }

    @Test
    void whatWasNotWeighedIsToldInSharesByHand() {
        Job job = greased("greased with helicoid grease").say("run in 10, heavy");
        assertThat(Wording.core().say(next(job).getFirst())).isEqualTo("Too heavy: wipe off 33 to 67 % of what lies there, the less of it first.");
        job.say("wiped", "run in 10, light", "added 3 mg", "run in 10, right");
        assertThat(job.state().care().running("helicoid").weighed()).isFalse();
        assertThat(RunningIn.of(job.state(), job.world().instrument()).map(r -> r.next().verdict())).contains(RunIn.Verdict.DONE);
    }

    @Test
    void whatWasJudgedBeforeItWasGreasedAnewIsOver() {
        Job job = greased("greased 60 mg with helicoid grease").say("run in 5, 52", "wiped", "run in 5, heavy");
        job.say("run in wants 25 to 40", "greased 40 mg with helicoid grease");
        assertThat(next(job)).as("nobody has run it in since").isEmpty();
        job.say("run in 5, 52", "run in 5, 51");
        assertThat(Wording.core().say(next(job).getFirst())).as("of forty, weighed again, and the band still holds").contains("wipe off about 15.2 mg");
    }

    @Test
    void withoutAGreasedThreadThereIsNothingToRunIn() {
        assertThat(Job.unknown().say("off helicoid, thread, rear").stage(Stage.CLOSE).answer("run in 5, heavy")).contains("grease one first");
        assertThat(greased("greased 60 mg with helicoid grease").answer("run in often")).contains("run in 5, 42 N mm");
        assertThat(greased("greased 60 mg with helicoid grease").answer("run in wants 40 to 25")).contains("25 to 40");
        assertThat(RunningIn.of(TicketState.NONE, Job.unknown().world().instrument())).isEqualTo(Optional.empty());
    }
}
