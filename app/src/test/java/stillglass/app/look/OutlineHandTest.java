package stillglass.app.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.image.WritableImage;
import javafx.scene.shape.Polygon;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Outlines;

/// What hands do to outlines, and how outlines come to the screen.
class OutlineHandTest {
    private static final List<Finding.Region> ROUND = List.of(OutlineHand.round(0.3, 0.1, 0.2));

    @Test
    void aPullMovesWhatIsNearAndLeavesTheRest() {
        List<Finding.Region> pulled = OutlineHand.pulled(ROUND, 0.5, 0.1, 0.56, 0.1);
        double moved = 0;
        for (int i = 0; i < ROUND.getFirst().outline().size(); i++) {
            Finding.Point was = ROUND.getFirst().outline().get(i);
            Finding.Point is = pulled.getFirst().outline().get(i);
            double d = Math.hypot(is.x() - was.x(), is.y() - was.y());
            moved = Math.max(moved, d);
            if (Math.hypot(was.x() - 0.5, was.y() - 0.1) > 0.1) {
                assertThat(d).as("beyond the hand's reach").isZero();
            }
        }
        assertThat(moved).as("the place under the hand follows it").isCloseTo(0.06, within(1e-9));
        assertThat(Outlines.areaShare(pulled)).isGreaterThan(Outlines.areaShare(ROUND));
    }

    @Test
    void movingKeepsTheAreaGrowingChangesItBySquares() {
        assertThat(Outlines.areaShare(OutlineHand.moved(ROUND, -0.2, 0.3))).isCloseTo(Outlines.areaShare(ROUND), within(1e-9));
        assertThat(Outlines.areaShare(OutlineHand.grown(ROUND, 1.5))).isCloseTo(2.25 * Outlines.areaShare(ROUND), within(1e-9));
        List<Finding.Region> back = OutlineHand.grown(OutlineHand.grown(ROUND, 1.1), 1 / 1.1);
        assertThat(back.getFirst().outline().getFirst().x()).isCloseTo(ROUND.getFirst().outline().getFirst().x(), within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 0.05, 0.2, 0.5})
    void theDistanceToACircleIsTheDistanceToItsLine(double fromMiddle) {
        assertThat(OutlineHand.distance(ROUND, 0.3 + fromMiddle, 0.1)).isCloseTo(Math.abs(0.2 - fromMiddle), within(0.002));
    }

    @Test
    void aDrawnLineLeavesOutWhatIsTooClose() {
        List<Finding.Point> line = new ArrayList<>();
        for (int i = 0; i <= 1000; i++) {
            line = OutlineHand.drawn(line, i * 0.001, 0);
        }
        assertThat(line.size()).isBetween(100, 126);
        assertThat(line.getFirst().x()).isZero();
    }

    @Test
    void aPhotoIsFittedAndPlacesComeBack() {
        PhotoCache.Loaded photo = new PhotoCache.Loaded(new WritableImage(400, 300), 4000);
        Aperture a = new Aperture(2000, 1500, 1200, 1100, 0.3);
        Shown wide = Shown.fitted(photo, a, 1000, 300);
        Shown tall = Shown.fitted(photo, a, 200, 900);

        assertThat(wide.factor()).as("as high as the room").isCloseTo(400.0 / 4000, within(1e-12));
        assertThat(wide.left()).isCloseTo(300, within(1e-9));
        assertThat(tall.factor()).as("as wide as the room").isCloseTo(200.0 / 4000, within(1e-12));
        assertThat(tall.top()).isCloseTo((900 - 150) / 2.0, within(1e-9));
        assertThat(wide.unitX(wide.x(0.4, -0.3), wide.y(0.4, -0.3))).isCloseTo(0.4, within(1e-9));
        assertThat(wide.unitY(wide.x(0.4, -0.3), wide.y(0.4, -0.3))).isCloseTo(-0.3, within(1e-9));
        assertThat(wide.toRim(wide.x(0, 1), wide.y(0, 1))).isCloseTo(0, within(1e-6));
        assertThat(wide.toMiddle(wide.x(0, 0), wide.y(0, 0))).isCloseTo(0, within(1e-6));
    }

    @Test
    void whatLiesUnderThePointerStaysThereWhenThePhotoGrows() {
        PhotoCache.Loaded photo = new PhotoCache.Loaded(new WritableImage(400, 300), 4000);
        Aperture a = new Aperture(2000, 1500, 1200, 1200, 0);
        Shown fit = Shown.in(photo, a, 800, 600, Zoom.FIT);
        Zoom near = Zoom.FIT.larger(6, photo, fit, 500, 120, 800, 600);
        Shown close = Shown.in(photo, a, 800, 600, near);

        assertThat(close.factor()).isCloseTo(6 * fit.factor(), within(1e-12));
        assertThat(close.photoX(500)).isCloseTo(fit.photoX(500), within(1e-6));
        assertThat(close.photoY(120)).isCloseTo(fit.photoY(120), within(1e-6));
        Shown moved = Shown.in(photo, a, 800, 600, near.moved(30, -20, photo, close));
        assertThat(moved.left()).isCloseTo(close.left() + 30, within(1e-6));
        assertThat(moved.top()).isCloseTo(close.top() - 20, within(1e-6));
        assertThat(near.larger(0.01, photo, close, 10, 10, 800, 600)).as("no smaller than all of it").isEqualTo(Zoom.FIT);
        assertThat(Shown.in(photo, a, 800, 600, near.larger(1e9, photo, close, 400, 300, 800, 600)).factor()).as("a pixel of the file is forty of the screen").isCloseTo(40, within(1e-6));
        assertThat(Zoom.FIT.moved(99, 99, photo, fit)).as("all of it lies still").isEqualTo(Zoom.FIT);
    }

    /// Kinds differ by line and hatch: no two have the same style and the same hatch.
    @ParameterizedTest
    @EnumSource(FindingKind.class)
    void everyKindHasALookOfItsOwn(FindingKind kind) {
        List<Node> own = FaultDrawing.outline(OutlineHand.round(0, 0, 0.3), kind, new Shown(new Aperture(0, 0, 300, 300, 0), 0, 0, 1));
        assertThat(own.getFirst().getStyleClass()).contains("photo-finding", "photo-" + kind.word());
        long hatches = own.stream().filter(Group.class::isInstance).count();
        switch (kind) {
            case OIL, COATING, CLEANING_MARKS, CHIP, EDGE_PAINT -> assertThat(hatches).isEqualTo(1);
            case SEPARATION -> assertThat(hatches).as("cross-hatched").isEqualTo(2);
            case DUST, FUNGUS, HAZE, SCRATCH, BUBBLE, UNKNOWN -> assertThat(hatches).isZero();
        }
    }

    @Test
    void anOutlineTooNarrowForAHatchHasNone() {
        List<Node> narrow = FaultDrawing.outline(OutlineHand.round(0, 0, 0.01), FindingKind.OIL, new Shown(new Aperture(0, 0, 300, 300, 0), 0, 0, 1));

        assertThat(narrow).singleElement().isInstanceOfSatisfying(Polygon.class, p -> assertThat(p.getPoints()).hasSize(72));
    }
}
