package stillglass.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ScrewLayoutTest {
    private static final Instrument SMALL = Instruments.small();
    private static final Hold.Screws MOUNT = (Hold.Screws) SMALL.joint("mount-screws").orElseThrow().hold();

    private static Instrument unfolded(Map<String, Net.Spot> screws) {
        return Instruments.unfolded(new Net(140, 90, 30, Map.of(), screws));
    }

    @Test
    void withoutANetTheClockSaysWhereTheyAre() {
        ScrewLayout l = ScrewLayout.of(SMALL, MOUNT);

        // Holes at 2 and 8 o'clock.
        assertThat(l.spots().getFirst().x()).isCloseTo(Math.sin(Math.PI / 3), within(1e-9));
        assertThat(l.spots().getFirst().y()).isCloseTo(0.5, within(1e-9));
        assertThat(l.ring()).isTrue();
    }

    @Test
    void onANetTheirOwnPlacesDoCentredAndToScale() {
        ScrewLayout l = ScrewLayout.of(unfolded(Map.of("M1", new Net.Spot(10, 4), "M2", new Net.Spot(50, 4))), MOUNT);

        assertThat(l.spots()).containsExactly(new Net.Spot(-1, 0), new Net.Spot(1, 0));
        assertThat(ScrewLayout.of(unfolded(Map.of("M1", new Net.Spot(10, 4))), MOUNT)).as("one place missing: the clock for all").isEqualTo(ScrewLayout.of(SMALL, MOUNT));
    }

    @Test
    void aNetIsCheckedWhenItIsMade() {
        assertThatThrownBy(() -> new Net(0, 90, 30, Map.of(), Map.of())).hasMessageContaining("out of range");
        assertThatThrownBy(() -> new Net.Place(Side.AROUND, 0, 0, 1, 1, false, 0, Optional.empty())).hasMessageContaining("around");
        assertThatThrownBy(() -> new Net.Place(Side.TOP, 0, 0, Double.NaN, 1, false, 0, Optional.empty())).hasMessageContaining("no area");
        assertThatThrownBy(() -> Instruments.unfolded(new Net(1, 1, 1, Map.of("ring", new Net.Place(Side.TOP, 0, 0, 1, 1, false, 0, Optional.of("lid"))), Map.of())))
                .hasMessageContaining("under lid");
        assertThat(List.of(new Net(140, 90, 30, Map.of(), Map.of()).width(Side.LEFT), new Net(140, 90, 30, Map.of(), Map.of()).height(Side.TOP))).containsExactly(30.0, 30.0);
    }
}
