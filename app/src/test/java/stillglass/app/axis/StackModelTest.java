package stillglass.app.axis;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import stillglass.app.axis.StackModel.Item;
import stillglass.app.axis.StackModel.Lane;
import stillglass.app.axis.StackModel.Standing;
import stillglass.app.desk.Told;
import stillglass.app.desk.Typed;
import stillglass.app.desk.Work;
import stillglass.app.draw.PartForm;
import stillglass.assembly.Instrument;
import stillglass.ticket.story.Stage;

class StackModelTest {
    private static StackModel lens(String... lines) {
        return StackModel.of(Typed.work(Instrument.Sort.LENS, Stage.OPEN, lines)).orElseThrow();
    }

    @Test
    void aKnownSectionShowsMore() {
        assertThat(StackModel.of(Told.middle(Stage.OPEN))).isEmpty();
    }

    @Test
    void nothingIsDrawnThatNobodyHasSeen() {
        assertThat(lens().items()).isEmpty();
        assertThat(lens().title()).isEqualTo("Brook one");
    }

    @Test
    void whatCameOffStandsInOrderOnItsSideAsWhatItWasSaidToBe() {
        StackModel m = lens("off mount screws, screws, rear", "off mount, seat, rear", "off name ring, thread, front", "off E1, retaining ring, front", "off focus grip, seat, around", "off main spring, hook");

        assertThat(m.items()).extracting(Item::number).containsExactly(1, 2, 3, 4, 5, 6);
        assertThat(m.items()).extracting(Item::lane).containsExactly(Lane.REAR, Lane.REAR, Lane.FRONT, Lane.FRONT, Lane.ABOVE, Lane.ABOVE);
        assertThat(m.items()).extracting(Item::form).containsExactly(PartForm.SCREWS, PartForm.MOUNT, PartForm.RING, PartForm.GLASS, PartForm.RING, PartForm.SPRING);
        assertThat(m.items().getLast().standing()).isEqualTo(Standing.IN_HAND);
        assertThat(m.items().getFirst().standing()).isEqualTo(Standing.OFF);
        assertThat(m.items().getFirst().spoken()).contains("mount screws").contains("off");
    }

    @Test
    void whatIsExpectedIsDrawnAsExpectedOnly() {
        StackModel m = lens("build one helicoid");
        assertThat(m.items()).singleElement().satisfies(i -> {
            assertThat(i.standing()).isEqualTo(Standing.EXPECTED);
            assertThat(i.number()).isZero();
            assertThat(i.partId()).isEmpty();
        });
    }

    @Test
    void nothingIsExpectedAnyMoreOnceItIsClosed() {
        assertThat(StackModel.of(Typed.work(Instrument.Sort.LENS, Stage.CLOSE, "build one helicoid")).orElseThrow().items()).isEmpty();
    }

    @Test
    void whatIsBackShowsSo() {
        Work closing = Typed.work(Instrument.Sort.LENS, Stage.CLOSE, "note begun");
        assertThat(StackModel.of(closing).orElseThrow().items()).isEmpty();
        Work w = Typed.work(Instrument.Sort.SHUTTER, Stage.OPEN, "off bottom cover, screws, bottom", "off top cover, screws, top");
        assertThat(StackModel.of(w).orElseThrow().items()).extracting(Item::lane).containsExactly(Lane.BELOW, Lane.ABOVE);
    }
}
