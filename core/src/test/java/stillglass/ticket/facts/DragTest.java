package stillglass.ticket.facts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static stillglass.ticket.Job.close;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.prove.measure.Quantity;
import stillglass.ticket.Job;
import stillglass.ticket.proof.Provable;
import stillglass.ticket.story.Stage;

class DragTest {
    private static Job noted(String line) {
        return Job.unknown().say("off speed ring, friction, front", line).stage(Stage.CLOSE);
    }

    @Test
    void aMeasuredDragComesBackWithinAFifthAndSaysWhichWayToTurn() {
        Job job = noted("drag 3.5 Ncm");
        assertThat(job.refusal(close("speed-ring"))).contains("how hard").doesNotContain("3.5");
        assertThat(job.answer("drag firm")).contains("measured");
        job.say("drag 2.6");
        assertThat(job.refusal(close("speed-ring"))).contains("3.5").contains("in by an eighth");
        job.say("drag 46 mNm");
        assertThat(job.refusal(close("speed-ring"))).contains("out by an eighth");
        job.say("drag 4.1 Ncm").accept(close("speed-ring"));
    }

    /// It is a figure like any other once it is told again; before, Prove would give it away.
    @Test
    void aDragThatWasMeasuredIsShownInProveOnceTheRingIsBack() {
        Job job = noted("drag 3.5 Ncm");
        assertThat(torque(job)).isEmpty();
        job.say("drag 3.3 Ncm").accept(close("speed-ring"));
        assertThat(torque(job)).singleElement().satisfies(p -> {
            assertThat(p.at()).isEqualTo("speed ring");
            assertThat(p.before().orElseThrow().value()).isCloseTo(35, within(1e-9));
            assertThat(p.after().orElseThrow().value()).isCloseTo(33, within(1e-9));
        });
    }

    private static List<Provable.Point> torque(Job job) {
        return Provable.all(job.state().readings(), job.state().joints(), job.world().instrument()).stream().filter(p -> p.quantity() == Quantity.TORQUE).flatMap(p -> p.points().stream()).toList();
    }

    @Test
    void aDragToldByHandIsComparedByHand() {
        Job job = noted("drag firm").say("drag light");
        assertThat(job.refusal(close("speed-ring"))).contains("in by an eighth");
        job.say("drag firm").accept(close("speed-ring"));
        assertThat(noted("drag light").say("drag 2 Ncm").state().joints().story("speed-ring").wrong()).as("a number says nothing against a feel").isEmpty();
    }

    @Test
    void itIsOneOrTheOtherAtLeast() {
        assertThatThrownBy(() -> new Drag(Drag.Feel.UNFELT, Optional.empty())).hasMessageContaining("neither measured nor felt");
        assertThatThrownBy(() -> new Drag(Drag.Feel.FIRM, Optional.of(Double.NaN))).hasMessageContaining("NaN");
        assertThat(Job.unknown().say("off ring, friction, front").answer("drag 0")).contains("0");
    }

    @Test
    void aControlStandsWhereItStood() {
        Job job = Job.unknown().say("off front screws, screws, front", "with the focus ring at nearest, with shutter at B").stage(Stage.CLOSE);
        assertThat(job.refusal(close("front-screws"))).contains("where does the focus stand").doesNotContain("nearest");
        job.say("with focus at infinity");
        assertThat(job.refusal(close("front-screws"))).contains("nearest");
        job.say("with focus at nearest", "with shutter at b").accept(close("front-screws"));
    }
}
