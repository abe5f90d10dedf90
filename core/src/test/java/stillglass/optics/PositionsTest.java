package stillglass.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PositionsTest {
    private static final Positions ZOOM = new Positions(List.of(new Positions.Position("long", 66.7, Map.of(2, 25.0, 3, 25.0), Optional.of(66.7), Optional.of(4.0)), new Positions.Position("short", 52.6, Map.of(2, 5.0, 3, 5.0), Optional.of(52.6), Optional.of(2.8))));

    @Test
    void focalLengthFollowsTheGapOfTwoThinLenses() {
        // f = f₁f₂ / (f₁ + f₂ − d), both 100 mm.
        assertThat(Paraxial.of(ZOOM.at(Lenses.twoThin(), "long")).eflMm()).isCloseTo(10000.0 / 150, within(1e-5));
        assertThat(Paraxial.of(ZOOM.at(Lenses.twoThin(), "Short")).eflMm()).isCloseTo(10000.0 / 190, within(1e-5));
        LensSection between = ZOOM.at(Lenses.twoThin(), "59.65");
        assertThat(between.surfaces().get(1).thicknessMm()).isCloseTo(15, within(0.01));
        assertThat(between.fNumber()).isCloseTo(3.4, within(0.01));
        assertThat(between.nominalFocalLengthMm()).isCloseTo(59.65, within(1e-9));
    }

    @Test
    void aZoomIsSetByTheFocalLengthOnItsRing() {
        Positions longer = new Positions(List.of(ZOOM.each().getFirst(), ZOOM.each().getLast(), new Positions.Position("near", 3, Map.of(2, 5.0), Optional.empty(), Optional.empty())));
        assertThat(gap(longer, 59.65)).hasValueSatisfying(mm -> assertThat(mm).isCloseTo(15, within(0.01)));
        assertThat(gap(longer, 70)).as("engraved rounder than it is").contains(25.0);
        assertThat(gap(longer, 50)).contains(5.0);
        assertThat(gap(longer, 80)).isEmpty();
        assertThat(gap(longer, 40)).isEmpty();
        assertThat(gap(Positions.NONE, 50)).isEmpty();
        assertThat(gap(new Positions(List.of(ZOOM.each().getFirst())), 52.6)).as("one focal length").isEmpty();
    }

    private static Optional<Double> gap(Positions of, double focalMm) {
        return of.zoomedTo(Lenses.twoThin(), focalMm).map(l -> l.surfaces().get(1).thicknessMm());
    }

    @Test
    void aPositionThatIsNotThereIsRefusedWithThoseThatAre() {
        assertThatThrownBy(() -> ZOOM.at(Lenses.twoThin(), "tele")).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("short, long");
        assertThatThrownBy(() -> ZOOM.at(Lenses.twoThin(), "80")).hasMessageContaining("from 52.6 to 66.7");
        assertThatThrownBy(() -> new Positions(List.of()).at(Lenses.twoThin(), "near")).hasMessageContaining("one position only");
        assertThatThrownBy(() -> new Positions.Position("x", Double.NaN, Map.of(), Optional.empty(), Optional.empty())).hasMessageContaining("number");
    }
}
