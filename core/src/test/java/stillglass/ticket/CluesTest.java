package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.say.Said;
import stillglass.ticket.condition.ConditionEvent.FlawFound;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.condition.Place;
import stillglass.ticket.glass.Glass;
import stillglass.ticket.glass.Known;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

class CluesTest {
    private static List<String> clues(TicketState s, Instrument of) {
        return Clues.of(s, of, Optional.empty()).stream().map(Said::key).toList();
    }

    private static List<String> clues(Job job) {
        return clues(job.state(), job.world().instrument());
    }

    private static Job found(Place place, Flaw flaw, Extent extent) {
        return Job.unknown().stage(Stage.LOOK).accept(new FlawFound(Phase.BEFORE, place, flaw, Optional.of(extent), Optional.empty(), ""));
    }

    private static TicketState seen(TicketState s, FindingKind kind, int severity) {
        return seen(s, new Finding(kind, 0.9, List.of(), 0.01, 1, 0, 0, 0.2, severity, List.of()));
    }

    private static TicketState seen(TicketState s, Finding f) {
        Glass g = s.glass();
        Glass with = new Glass(g.photos(), Map.of("f", new Known("f", "p", f)), g.dismissed(), g.focused(), g.turned(), g.marks(), g.assembly(), g.assemblyFound(), g.ids());
        return new TicketState(s.arrival(), s.readings(), with, s.condition(), s.joints(), s.care(), s.course(), s.agenda(), s.worth(), s.proof(), s.history());
    }

    @Test
    void ofNothingFoundNothingFollows() {
        assertThat(clues(Job.unknown())).isEmpty();
        assertThat(clues(found(Place.SCREWS, Flaw.RUST, Extent.NONE))).as("looked for and not there").isEmpty();
    }

    @Test
    void rustAndFungusSayDampAndTogetherMoreSo() {
        Job rusty = found(Place.SCREWS, Flaw.RUST, Extent.SLIGHT);
        assertThat(clues(rusty)).containsExactly("clue.damp.rust");
        assertThat(clues(seen(Job.unknown().state(), FindingKind.FUNGUS, 1), rusty.world().instrument())).containsExactly("clue.damp.fungus");
        assertThat(clues(seen(rusty.state(), FindingKind.FUNGUS, 1), rusty.world().instrument())).containsExactly("clue.damp.both");
    }

    @Test
    void growthThatHasGoneFarHasEtched() {
        assertThat(clues(seen(Job.unknown().state(), FindingKind.FUNGUS, 3), Job.unknown().world().instrument())).contains("clue.etched");
        assertThat(clues(seen(Job.unknown().state(), FindingKind.FUNGUS, 2), Job.unknown().world().instrument())).doesNotContain("clue.etched");
    }

    @Test
    void whatIsLikelierNothingIsNoClue() {
        Job job = Job.unknown();
        for (double nothing : new double[] {0.45, 0.55}) {
            Finding f = new Finding(FindingKind.SEPARATION, 1 - nothing, List.of(), 0.01, 1, 0, 0, 0.2, 2, List.of(), Map.of(FindingKind.SEPARATION, 1 - nothing, FindingKind.UNKNOWN, nothing), 0);
            assertThat(clues(seen(job.state(), f), job.world().instrument())).isEqualTo(nothing > 0.5 ? List.of() : List.of("clue.parted"));
        }
    }

    @Test
    void oilOnBladesAloneIsNoPartedGrease() {
        Job oily = found(Place.IRIS, Flaw.WET, Extent.MARKED);
        assertThat(clues(oily)).isEmpty();
        assertThat(clues(oily.accept(new ReadingEvent.FunctionChecked(Phase.BEFORE, "feel", "dry")))).containsExactly("clue.warmth");
        assertThat(clues(found(Place.IRIS, Flaw.WET, Extent.MARKED).accept(new ReadingEvent.FunctionChecked(Phase.BEFORE, "feel", "smooth")))).isEmpty();
    }

    @Test
    void marksOfToolsSayThatSomebodyWasThere() {
        assertThat(clues(found(Place.SLOTS, Flaw.TOOL_MARKS, Extent.MARKED))).containsExactly("clue.hands");
    }

    @Test
    void aZoomBreathesAndAPrimeDoesNot() {
        TicketState dusty = seen(Job.unknown().state(), FindingKind.DUST, 1);
        assertThat(clues(dusty, Instrument.unknown("z", "Z", Instrument.Sort.ZOOM))).containsExactly("clue.breathes");
        assertThat(clues(dusty, Instrument.unknown("l", "L", Instrument.Sort.LENS))).isEmpty();
    }
}
