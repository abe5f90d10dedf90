package stillglass.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import stillglass.app.desk.Told;
import stillglass.app.desk.Typed;
import stillglass.app.desk.Work;
import stillglass.assembly.Instrument;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.story.Stage;

class BenchModelTest {
    private static BenchModel lens(String... lines) {
        return BenchModel.of(Typed.work(Instrument.Sort.LENS, Stage.OPEN, lines), Told.WHEN);
    }

    @Test
    void whatAConstructionLetsExpectIsOneKey() {
        BenchModel m = lens("build one helicoid");
        assertThat(m.sentence()).isEqualTo("Expected: Mount screws");
        assertThat(m.done()).get().isInstanceOf(JointIntent.Find.class);
        assertThat(m.troubles()).singleElement().satisfies(t -> assertThat(t.act().intents()).singleElement().isInstanceOf(CourseIntent.MissExpected.class));
    }

    @Test
    void aMarkComesFirstAndItsPlaceIsNotInvented() {
        BenchModel m = lens("build one helicoid", "as expected", "as expected");
        assertThat(m.sentence()).isEqualTo("Expected: Aperture ring");
        assertThat(m.warning()).startsWith("Mark before you go on");
        assertThat(m.done()).isEmpty();
        assertThat(m.mark()).get().isInstanceOfSatisfying(JointIntent.Mark.class, mark -> assertThat(mark.mark().at()).isEmpty());

        Work marked = Typed.work(Instrument.Sort.LENS, Stage.OPEN, "build one helicoid", "as expected", "as expected", "mark aperture coupling");
        assertThat(BenchModel.of(marked, Told.WHEN).done()).isPresent();
    }

    @Test
    void thePlaceIsShownOfAnInstrumentNobodyKnows() {
        BenchModel m = lens("off mount screws, screws, rear", "off mount, seat, rear");
        assertThat(m.place().stack()).get().satisfies(s -> assertThat(s.items()).hasSize(2));
        assertThat(m.done()).isEmpty();
    }
}
