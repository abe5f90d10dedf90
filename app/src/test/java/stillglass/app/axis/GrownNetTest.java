package stillglass.app.axis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.app.desk.Told;
import stillglass.app.desk.Typed;
import stillglass.app.draw.PartForm;
import stillglass.assembly.Instrument;
import stillglass.assembly.Side;
import stillglass.ticket.story.Stage;

class GrownNetTest {
    private static Optional<NetModel> body(String... lines) {
        return NetModel.of(Typed.work(Instrument.Sort.BODY, Stage.OPEN, lines));
    }

    @Test
    void aBodyHasTheSidesOnWhichSomethingWasFound() {
        assertThat(body()).isEmpty();
        assertThat(body("off bottom plate, screws, bottom").orElseThrow().faces()).extracting(NetModel.Face::side).containsExactly(Side.BOTTOM);
        assertThat(body("off bottom plate, screws, bottom", "off rewind knob, thread, top", "off front leather, glue, front").orElseThrow().faces())
                .extracting(NetModel.Face::side).containsExactly(Side.FRONT, Side.TOP, Side.BOTTOM);
    }

    @Test
    void whatCameOffLiesOnItsSideInOrderWithoutTouching() {
        NetModel net = body("off left screw, screws, top", "off right screw, screws, top", "off rewind knob, thread, top", "off top cover, seat, top", "off counter spring, hook, top").orElseThrow();
        List<NetModel.Tile> tiles = net.faces().getFirst().tiles();

        assertThat(tiles).extracting(NetModel.Tile::number).containsExactly(1, 2, 3, 4, 5);
        assertThat(tiles).extracting(t -> t.form().orElseThrow()).containsExactly(PartForm.SCREWS, PartForm.SCREWS, PartForm.RING, PartForm.COVER, PartForm.SPRING);
        assertThat(tiles).extracting(NetModel.Tile::standing).startsWith(NetModel.Standing.OUT).endsWith(NetModel.Standing.NEXT);
        for (NetModel.Tile a : tiles) {
            assertThat(Math.abs(a.place().x()) + a.place().widthMm() / 2).isLessThanOrEqualTo(net.faces().getFirst().widthMm() / 2 + 1e-9);
            assertThat(Math.abs(a.place().y()) + a.place().heightMm() / 2).isLessThanOrEqualTo(net.faces().getFirst().heightMm() / 2 + 1e-9);
            assertThat(tiles).filteredOn(b -> b != a).allSatisfy(b -> assertThat(Math.abs(a.place().x() - b.place().x()) >= a.place().widthMm() - 1e-9
                    || Math.abs(a.place().y() - b.place().y()) >= a.place().heightMm() - 1e-9).isTrue());
        }
    }

    @Test
    void whatIsExpectedOfABodyIsDrawnAsExpected() {
        NetModel net = body("build finder body", "off bottom plate, screws, bottom").orElseThrow();
        assertThat(net.faces().stream().flatMap(f -> f.tiles().stream()).filter(t -> t.standing() == NetModel.Standing.EXPECTED)).hasSize(1);
    }

    @Test
    void aNetThatIsKnownIsDrawnInstead() {
        assertThat(NetModel.of(Told.middle(Stage.OPEN))).isEmpty();
        assertThat(NetModel.of(Typed.work(Instrument.Sort.LENS, Stage.OPEN, "off bottom plate, screws, bottom"))).isEmpty();
    }
}
