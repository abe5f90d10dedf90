package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.care.Water;
import stillglass.plan.MetalPairs;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.story.Stage;

/// A brass ring that came off before an aluminium one and a steel one, on a lens nobody knows.
class CorrodingTest {
    private static Job rings() {
        return Job.unknown().stage(Stage.OPEN).say("off name ring, thread, front", "off front ring, thread, front", "off spacer, seat, front").say("name ring is made of brass", "front ring is made of aluminium", "spacer is made of plated metal");
    }

    private static List<String> of(Job job) {
        return Corroding.of(job.state(), job.world().instrument()).stream().map(p -> p.noble().name() + " " + p.base().name()).toList();
    }

    @Test
    void nothingIsToldOfASoundInstrument() {
        assertThat(of(rings())).isEmpty();
        assertThat(Corroding.pairs(rings().state(), rings().world().instrument())).extracting(MetalPairs::drawn).containsOnly(false);
    }

    @Test
    void whatIsCorrodedOrCameInWetIsToldWhereToLook() {
        assertThat(of(rings().stage(Stage.LOOK).say("focusing thread corroded, slight"))).containsExactly("name ring front ring", "spacer front ring");
        assertThat(of(rings().accept(new ArrivalEvent.GotWet(Water.FRESH, Optional.empty(), Optional.empty(), Optional.empty())))).contains("name ring front ring");
    }
}
