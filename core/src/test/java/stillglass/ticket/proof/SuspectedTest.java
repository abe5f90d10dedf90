package stillglass.ticket.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.device.Source;
import stillglass.fault.Suspicion;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// A lens nobody has mapped or drawn.
class SuspectedTest {
    private static Job closed() {
        return Job.unknown().say("off mount ring, screws, rear", "shims .10 + .25 under mount ring").stage(Stage.CLOSE).say("shims .10 + .25 under mount ring").accept(close("mount-ring")).stage(Stage.PROVE);
    }

    private static Optional<Suspicion> of(Job job) {
        return Suspected.of(job.state().readings(), job.state().joints(), job.world().instrument());
    }

    @Test
    void infinityOffByAShimOnRecordLeadsToIt() {
        Job job = closed().accept(new ReadingEvent.InfinityMeasured(Phase.AFTER, 0.25, 0.02, Source.TYPED), new ReadingEvent.FunctionChecked(Phase.AFTER, "edges sharp", "sharp"));
        assertThat(of(job).orElseThrow().causes().getFirst().said()).satisfies(s -> assertThat(Wording.core().say(s)).contains("shim of 0.25 mm").contains("left out"));
    }

    @Test
    void cornersThatDifferAskThoughInfinityIsRight() {
        Job job = closed().accept(new ReadingEvent.InfinityMeasured(Phase.AFTER, 0.005, 0.02, Source.TYPED));
        assertThat(of(job)).as("nothing amiss").isEmpty();
        assertThat(of(job.accept(new ReadingEvent.FunctionChecked(Phase.AFTER, "corners alike", "one side soft"))).orElseThrow().causes().getFirst().kind()).isEqualTo(Suspicion.Kind.LEANS);
    }

    @Test
    void onArrivalAnythingMayHaveBeenOut() {
        Job job = Job.unknown().accept(new ReadingEvent.InfinityMeasured(Phase.BEFORE, 2.5, 0.05, Source.TYPED), new ReadingEvent.FunctionChecked(Phase.BEFORE, "edges sharp", "smeared"));
        assertThat(of(job).orElseThrow().causes().getFirst().kind()).isEqualTo(Suspicion.Kind.REVERSED);
    }
}
