package stillglass.ticket.care;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.care.Route;
import stillglass.plan.Routed;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.Ways;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

/// Parts of a lens nobody knows, learned as they came off.
class RouteSaidTest {
    private static Job apart() {
        return Job.unknown().say("off name ring, thread, front", "off front ring, thread, front").stage(Stage.CLEAN);
    }

    private static Routed way(Job job, String part) {
        Part p = job.world().instrument().part(part).orElseThrow();
        Set<String> open = job.state().joints().openNow();
        return Ways.of(job.state(), job.world().instrument(), List.of(p), open, Job.BATHS).routed().get(p);
    }

    @Test
    void aPartGoesTheWayTheTechnicianSaysWithTheReason() {
        Job job = apart();
        String ring = job.world().instrument().parts().getFirst().id();
        assertThat(way(job, ring).route()).as("nobody knows what it is made of").isEqualTo(Route.HAND);
        job.say("route name ring: tin, it is bare brass");
        assertThat(way(job, ring).route()).isEqualTo(Route.TIN);
        assertThat(Wording.core().say(way(job, ring).why())).isEqualTo("as you say: it is bare brass");
        job.say("route name ring by hand");
        assertThat(way(job, ring)).isEqualTo(new CareEvent.RouteSaid(ring, Route.HAND, "").routed());
        job.accept(new Undo());
        assertThat(way(job, ring).route()).isEqualTo(Route.TIN);
    }

    /// The front of a splitter bears a wipe, its silvered back none: of one face what is said of it counts, of the whole both.
    @Test
    void facesAreOfTheirOwnAndTheWholeIsOfBoth() {
        Job job = Job.unknown().say("off splitter, seat, front").stage(Stage.CLEAN);
        Part splitter = job.world().instrument().parts().getFirst();
        job.say("splitter front is made of coated glass");
        assertThat(Ways.unknown(splitter, job.state())).as("nobody spoke of its back").isTrue();
        job.say("splitter rear is made of silvered mirror");
        assertThat(job.state().care().made(splitter.id(), CareEvent.Face.FRONT)).contains(Set.of(Material.COATED_GLASS));
        assertThat(job.state().care().made(splitter)).containsExactlyInAnyOrder(Material.COATED_GLASS, Material.SILVERED_MIRROR);
        assertThat(Ways.unknown(splitter, job.state())).isFalse();
        assertThat(job.answer("splitter side is made of coated glass")).isNotEmpty();
    }

    @Test
    void whatBearsNoBathGoesIntoNone() {
        Job job = apart().say("name ring is made of felt, brass");
        String ring = job.world().instrument().parts().getFirst().id();
        assertThat(job.state().care().decide(new CareEvent.RouteSaid(ring, Route.TANK, "in a hurry"), job.worldWith(Job.BATHS))).isInstanceOfSatisfying(Decision.Refused.class, r -> assertThat(Wording.core().say(r.why())).contains("no bath").contains("felt"));
        assertThat(job.state().care().decide(new CareEvent.RouteSaid(ring, Route.HAND, ""), job.worldWith(Job.BATHS))).isInstanceOf(Decision.Accepted.class);
        job.say("route name ring never wet", "route front ring stays");
        assertThat(job.state().care().routes()).hasSize(2);
        assertThat(job.answer("route name ring down the drain")).contains("by hand").contains("tank");
        assertThat(job.answer("route something else tank")).isNotEmpty();
    }
}
