package stillglass.app.open;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import stillglass.app.bench.BenchModel;
import stillglass.app.clean.CleanModel;
import stillglass.app.desk.Told;
import stillglass.app.desk.Work;
import stillglass.app.draw.PartForm;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.book.data.Shelf;
import stillglass.optics.LensSection;
import stillglass.ticket.story.Stage;

class DoingTest {
    private static Joint joint(Hold hold, Joint.Hazard... hazards) {
        return new Joint("j", "front ring", hold, Side.FRONT, "fingers", 1, 0, Joint.Behind.NOTHING, List.of("p"), Set.of(), Set.of(), Set.of(hazards), Joint.Closing.PLAIN);
    }

    /// One of every way a joint can hold, with a word its instruction must have.
    static Stream<Object[]> everyHold() {
        return Stream.of(
                new Object[] {joint(new Hold.Thread(9, 6, 0.9, 43, 17)), "until it lets go", "where it let go"},
                new Object[] {joint(new Hold.Thread(0.75, 1, 3.5, 42, 2)), "about 3.5 turns", "home"},
                new Object[] {joint(new Hold.Screws("slot", 1.4, List.of(hole("A1"), hole("A2")))), "2 front ring", "crosswise"},
                new Object[] {joint(new Hold.Screws("slot", 1.4, List.of(hole("A1")))), "in its cell", "crosswise"},
                new Object[] {joint(new Hold.SetScrews("slot", 3, 1.5)), "1.5 turns", "dents"},
                new Object[] {joint(new Hold.SetScrews("slot", 3, 1)), "by 1 turn. Leave", "dents"},
                new Object[] {joint(new Hold.RetainingRing(36, 4, 0.3)), "how proud", "snug"},
                new Object[] {joint(new Hold.Press()), "no prying", "evenly"},
                new Object[] {joint(new Hold.Seat()), "Lift out", "seat"},
                new Object[] {joint(new Hold.Seat(), Joint.Hazard.GLASS_DROPS), "over a cloth", "seat"},
                new Object[] {joint(new Hold.Hook(), Joint.Hazard.SPRING), "Unhook", "Hook"},
                new Object[] {joint(new Hold.Glue("isopropanol", 5)), "wait 5 min", "sparingly"});
    }

    private static Joint.ScrewHole hole(String cell) {
        return new Joint.ScrewHole(cell, 3.2, 4, ClockPosition.of(3));
    }

    @ParameterizedTest
    @MethodSource("everyHold")
    void everyJointIsSaidInBenchWords(Joint joint, String opening, String closing) {
        assertThat(Doing.open(joint)).contains("front ring").contains(opening).endsWith(".");
        assertThat(Doing.close(joint, false)).contains("front ring").contains(closing).endsWith(".");
        assertThat(Doing.close(joint, true)).contains("loose");
        assertThat(Doing.expects(joint)).isNotBlank();
    }

    @Test
    void everyHazardHasItsCaution() {
        assertThat(Doing.cautions(joint(new Hold.Seat(), Joint.Hazard.values()))).hasSize(Joint.Hazard.values().length)
                .anyMatch(c -> c.contains("eye protection")).anyMatch(c -> c.contains("no flame")).anyMatch(c -> c.contains("cloth"));
        assertThat(Doing.cautions(joint(new Hold.Glue("isopropanol", 5)))).as("glue is softened with a solvent").singleElement().asString().contains("no flame");
    }

    @Test
    void glassesAreDrawnAsTheyBulge() {
        LensSection lens = new Shelf().section("fell_52_f2");
        GlassForm front = GlassForm.of(lens, lens.element("E1").orElseThrow());
        GlassForm pair = GlassForm.of(lens, lens.element("E2").orElseThrow());

        // E1 is a meniscus bulging forward: R 37.8 and 71.6.
        assertThat(front.front()).isPositive();
        assertThat(front.rear()).isNegative();
        double sag = 37.835 - Math.sqrt(37.835 * 37.835 - 17.3 * 17.3);
        assertThat(front.front()).isCloseTo(sag / 35.3, within(1e-9));
        // A cemented pair ends with its partner's rear face, R 15.7.
        assertThat(pair.rear()).isCloseTo(-(15.723 - Math.sqrt(15.723 * 15.723 - 10.4 * 10.4)) / 26.8, within(1e-9));
    }

    @Test
    void theTrayDrawsScrewsAtTheirHoles() {
        Work w = Told.end(Stage.OPEN);
        List<Tray.Cell> cells = Tray.cells(w);

        assertThat(cells).filteredOn(c -> c.form() == PartForm.SCREWS).isNotEmpty().allSatisfy(c -> {
            assertThat(c.holes()).isNotEmpty().allSatisfy(h -> assertThat(h.length()).isNotEqualTo("?"));
            assertThat(c.note()).contains(c.holes().getFirst().cell());
        });
        assertThat(cells).filteredOn(c -> c.form() == PartForm.GLASS).singleElement().satisfies(c -> assertThat(c.note()).contains("front up"));
        assertThat(Tray.cells(Told.end(Stage.CLOSE))).as("empty once all is closed").isEmpty();
    }

    @Test
    void cleanWalksThroughThePartsInACircle() {
        CleanModel m = CleanModel.of(Told.end(Stage.OPEN), Optional.empty());

        assertThat(m.step(1)).isPresent();
        assertThat(m.step(m.parts().size())).as("once round").isEqualTo(m.step(0));
        assertThat(CleanModel.of(Told.end(Stage.DECIDE), Optional.empty()).step(1)).as("nothing is out").isEmpty();
    }

    @Test
    void benchModeAsksWhileClosingAndDrawsNoAnswer() {
        BenchModel m = BenchModel.of(Told.middle(Stage.CLOSE), Told.WHEN);

        assertThat(m.head()).startsWith("Close");
        if (m.picture() instanceof BenchModel.Picture.Glass g) {
            assertThat(g.known()).as("the facing is asked for, not shown").isFalse();
        }
        assertThat(m.done()).isPresent();
    }

    @Test
    void aNewTicketHasNothingToOpenAndSaysWhereToGo() {
        OpenModel m = OpenModel.of(Told.end(Stage.ARRIVE));

        assertThat(m.hasGoal()).isFalse();
        assertThat(m.now()).isEmpty();
        assertThat(m.say().sentence()).contains("Choose in Decide");
        assertThat(m.summary()).isEmpty();
    }
}
