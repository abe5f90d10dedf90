package stillglass.ticket.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;

import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.device.Source;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// A lens nobody has mapped: what could have gone wrong without anybody noticing.
class SilentSlipsTest {
    private static SilentSlips of(Job job) {
        return SilentSlips.of(job.state().readings(), job.state().joints(), job.world().instrument(), job.world().section());
    }

    private static List<String> silent(Job job) {
        return of(job).silent().stream().map(s -> Wording.core().say(s.said())).toList();
    }

    @Test
    void aGlassWhoseFrontNobodyNotedMayBeTurnedUntilSomethingIsMeasured() {
        Job job = Job.unknown().say("off front glass, ring, front").stage(Stage.CLOSE).accept(close("front-glass")).stage(Stage.PROVE);
        assertThat(silent(job)).containsExactly("front glass turned round");
        assertThat(of(job).tests()).as("infinity is enough").hasSize(1);
        assertThat(of(job).shown()).isEqualTo(1);
        assertThat(silent(job.accept(new ReadingEvent.InfinityMeasured(Phase.AFTER, 0.01, 0.02, Source.TYPED)))).isEmpty();
    }

    @Test
    void whatIsOnRecordIsAskedForAndDoesNotStaySilent() {
        Job job = Job.unknown().say("off front glass, ring, front", "front glass front up").stage(Stage.CLOSE).say("front glass front up").accept(close("front-glass")).stage(Stage.PROVE);
        assertThat(of(job).all()).isNotEmpty();
        assertThat(silent(job)).isEmpty();
    }

    @Test
    void anEntryIsShownByInfinityAndScrewsOfUnknownLengthByNothing() {
        Job job = Job.unknown().say("off inner barrel, thread, front", "turns 2.5, travel 30 mm, 6 starts", "off mount ring, screws, rear").stage(Stage.CLOSE)
                .accept(close("mount-ring")).say("turns 2.5").accept(close("inner-barrel")).stage(Stage.PROVE);
        assertThat(silent(job)).contains("inner barrel begun an entry off", "screws of mount ring in each other's holes");
        assertThat(of(job).tests()).contains("infinity");
        Job measured = job.accept(new ReadingEvent.InfinityMeasured(Phase.AFTER, 0.01, 0.02, Source.TYPED));
        assertThat(silent(measured)).doesNotContain("inner barrel begun an entry off").contains("screws of mount ring in each other's holes");
    }

    @Test
    void twoGlassesMayBeSwapped() {
        Job job = Job.unknown().say("off front glass, ring, front", "off second glass, ring, front").stage(Stage.CLOSE).accept(close("second-glass")).accept(close("front-glass")).stage(Stage.PROVE);
        assertThat(silent(job)).contains("front glass and second glass in each other's place");
        assertThat(silent(job.accept(new ReadingEvent.FunctionChecked(Phase.AFTER, "edges sharp", "sharp")))).isEmpty();
    }
}
