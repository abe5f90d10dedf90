package stillglass.ticket.facts;

import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.ticket.Job;
import stillglass.ticket.story.Stage;

class ThreadSeenTest {
    private static Joint noted(Job job) {
        return job.world().instrument().joint("inner-barrel").orElseThrow();
    }

    /// Two and a half turns over 30 mm: a lead of 12.
    @Test
    void travelAndTurnsGiveTheLead() {
        Job job = Job.unknown().say("off inner barrel, thread, front", "turns 2.5, travel 30 mm, 6 starts");
        ThreadSeen t = ThreadSeen.of(noted(job), job.state().joints().facts("inner-barrel")).orElseThrow();
        assertThat(t.leadMm()).isCloseTo(12, within(1e-9));
        assertThat(t.starts()).contains(6);
    }

    @Test
    void whatNobodyMeasuredStaysUnknown() {
        Job job = Job.unknown().say("off inner barrel, thread, front", "turns 2.5, lets go 4");
        assertThat(ThreadSeen.of(noted(job), job.state().joints().facts("inner-barrel"))).isEmpty();
    }

    @Test
    void theMapsOwnThreadNeedsNoMeasuring() {
        assertThat(ThreadSeen.of(Instruments.small().joint("ring-thread").orElseThrow(), List.of())).hasValueSatisfying(t -> assertThat(t.leadMm()).isEqualTo(0.75));
    }

    /// A wrong entry is priced by what was measured: one of six of a lead of 12 is 2 mm.
    @Test
    void aWrongEntryOfAThreadOnNoMapIsPriced() {
        Job job = Job.unknown().say("off inner barrel, thread, front", "turns 2.5, travel 30 mm, 6 starts, lets go 4").stage(Stage.CLOSE).say("turns 2.5", "lets go 6");
        assertThat(job.refusal(Job.close("inner-barrel"))).contains("1 of 6 entries").contains("2.00 mm");
        job.say("lets go 4").accept(Job.close("inner-barrel"));
    }

    @Test
    void turnsThatAreMissingArePricedWithTheirUncertainty() {
        Job job = Job.unknown().say("off inner barrel, thread, front", "turns 2.5, travel 30 mm").stage(Stage.CLOSE).say("turns 2");
        assertThat(job.refusal(Job.close("inner-barrel"))).contains("6.00 ±").contains("you measured");
    }

    /// The stated interval covers: travels and turns read with the scatter of a caliper and an eye, against leads nobody told the code.
    @Test
    void theStatedUncertaintyCovers() {
        SplittableRandom random = new SplittableRandom(4);
        Joint joint = noted(Job.unknown().say("off inner barrel, thread, front"));
        int inside = 0;
        for (int i = 0; i < 4000; i++) {
            double lead = 0.5 + 14 * random.nextDouble();
            double turns = 1 + 4 * random.nextDouble();
            double readTurns = turns + 0.06 * random.nextGaussian();
            double readMm = lead * turns + 0.1 * random.nextGaussian();
            ThreadSeen t = ThreadSeen.of(joint, List.of(new Turns(readTurns), new Travel(Math.max(0.01, readMm)))).orElseThrow();
            inside += Math.abs(t.leadMm() - lead) < 1.96 * t.sigmaMm() ? 1 : 0;
        }
        assertThat(inside / 4000.0).isBetween(0.93, 0.97);
    }

    @Test
    void howLargeAThreadIsIsHeardWithItsSlopOrWithoutIt() {
        Job job = Job.unknown().say("off helicoid, thread, rear", "thread 48 mm, 9 engaged, slop 0.08");
        assertThat(ThreadSize.of(job.state().joints().story("helicoid").facts())).contains(new ThreadSize(48, 9, Optional.of(0.08)));
        job.say("thread 50 across, 10 engaged");
        assertThat(ThreadSize.of(job.state().joints().story("helicoid").facts())).contains(new ThreadSize(50, 10, Optional.empty()));
        assertThatThrownBy(() -> new ThreadSize(48, 9, Optional.of(Double.NaN))).isInstanceOf(IllegalArgumentException.class);
    }
}
