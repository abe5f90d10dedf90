package stillglass.app.axis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Told;
import stillglass.app.desk.Viewing;
import stillglass.app.desk.Work;
import stillglass.book.data.Shelf;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.optics.measured.TwoPlane;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;

class LightModelTest {
    private static LightModel light(Work w) {
        return AxisModel.of(w).light();
    }

    @Test
    void lightIsDrawnOnDemandAtTheChosenStop() {
        Work w = Told.end(Stage.DECIDE);
        assertThat(light(w).rays()).isEmpty();
        LightModel wide = light(Told.seen(w, Viewing.USUAL.withRays(true)));
        LightModel small = light(Told.seen(w, Viewing.USUAL.withRays(true).at(5)));

        assertThat(wide.rays()).hasSizeGreaterThan(8).anyMatch(LightModel.RayLine::cut).anyMatch(r -> !r.oblique());
        assertThat(small.rays()).noneMatch(LightModel.RayLine::cut);
        assertThat(height(wide)).isGreaterThan(2 * height(small));
        LightModel.RayLine axial = wide.rays().stream().filter(r -> !r.oblique() && !r.cut()).findFirst().orElseThrow();
        assertThat(axial.line().points().getLast().xMm()).isCloseTo(w.section().orElseThrow().imagePlaneMm(), within(1e-9));
        assertThat(axial.line().points().getLast().yMm()).as("meets the axis at the film, but for aberration").isCloseTo(0, within(0.3));
    }

    private static double height(LightModel m) {
        return m.rays().stream().filter(r -> !r.oblique()).mapToDouble(r -> r.line().points().getFirst().yMm()).max().orElse(0);
    }

    @Test
    void noLightIsDrawnThroughALensWithGlassMissing() {
        Work open = Told.end(Stage.OPEN);

        assertThat(light(Told.seen(open, Viewing.USUAL.withRays(true))).rays()).isEmpty();
    }

    @Test
    void aReversedGlassIsDrawnAsItIsBesideWhereItBelongs() {
        Work w = Told.after(new GlassIntent.FindAssembled("reverse:E1"));
        AxisModel m = AxisModel.of(w);
        AxisModel right = AxisModel.of(Told.end(Stage.LOOK));

        assertThat(m.light().should()).extracting(LightModel.Should::label).containsExactly("E1");
        assertThat(piece(m, "E1")).isNotEqualTo(piece(right, "E1"));
        assertThat(piece(m, "E6").points().getFirst().xMm()).as("the rear glass keeps its place").isCloseTo(piece(right, "E6").points().getFirst().xMm(), within(1e-9));
        assertThat(m.light().should().getFirst().outline()).isEqualTo(piece(right, "E1"));
        assertThat(m.filmMm().orElseThrow()).isCloseTo(right.filmMm().orElseThrow(), within(1e-9));
        assertThat(m.facts()).contains("as found: E1 reversed");
        assertThat(right.light().should()).isEmpty();
    }

    private static AxisModel.Outline piece(AxisModel m, String label) {
        return m.pieces().stream().filter(p -> p.label().equals(label)).findFirst().orElseThrow().outlines().getFirst();
    }

    @Test
    void aDisplacedGroupIsSeenToBeOff() {
        Work w = Told.after(new GlassIntent.FindAssembled("unseated:E6:0.8:2:12"));

        assertThat(light(w).should()).extracting(LightModel.Should::label).containsExactly("E6");
    }

    @Test
    void theGlowLiesWhereTheDepthReadingsPoint() {
        Work w = Told.end(Stage.LOOK);
        String fungus = w.state().glass().findings().stream().filter(k -> k.finding().kind() == FindingKind.FUNGUS).findFirst().orElseThrow().id();
        LightModel m = light(Told.pointing(w, new Selection.OfFinding(fungus)));

        assertThat(m.glows()).isNotEmpty();
        LightModel.Glow strongest = m.glows().stream().max(java.util.Comparator.comparingDouble(LightModel.Glow::probability)).orElseThrow();
        assertThat(strongest.partId()).isEqualTo("E1");
        assertThat(light(w).glows()).as("placed and not in hand").isEmpty();
    }

    @Test
    void aSurfaceFaceOnShowsItsLightAndWhatLiesOnIt() {
        Work w = Told.end(Stage.DECIDE);
        LightModel.Face face = light(Told.seen(w, Viewing.USUAL.at(4).facing(Optional.of(1)))).face().orElseThrow();

        assertThat(face.title()).isEqualTo("Rear of E1, from the front, f/8");
        assertThat(face.corners()).hasSize(4);
        assertThat(face.marks()).isNotEmpty().allMatch(m -> m.kind() == FindingKind.FUNGUS);
        // At one to two o'clock, as the photo has it.
        assertThat(face.marks().getFirst().outline().points()).allMatch(p -> Math.hypot(p.xMm(), p.yMm()) <= face.rimMm() + 1e-9);
        assertThat(face.marks().stream().flatMap(m -> m.outline().points().stream()).mapToDouble(AxisModel.Point::xMm).average().orElse(0)).isPositive();
        double radius = face.axial().stream().mapToDouble(p -> Math.hypot(p.xMm(), p.yMm())).max().orElse(0);
        assertThat(radius).as("52 mm at f/8, a little converged behind the first face").isBetween(2.8, 3.4);
        assertThat(light(Told.seen(w, Viewing.USUAL.facing(Optional.of(77)))).face()).as("a surface of another lens").isEmpty();
    }

    @Test
    void thePointerFindsTheNearestFace() {
        LightModel m = light(Told.end(Stage.DECIDE));

        assertThat(m.nearest(0.2, 0, 1.3)).contains(0);
        assertThat(m.nearest(3.2, 0, 1.3)).contains(1);
        assertThat(m.nearest(60, 0, 1.3)).isEmpty();
        assertThat(m.nearest(0.2, 40, 1.3)).isEmpty();
        assertThat(m.step(Optional.empty(), 1)).isZero();
        assertThat(m.step(Optional.of(0), -1)).as("round the end").isEqualTo(10);
    }

    @Test
    void ofTwoRimsOnlyTheRimsAreDrawnAndPointedAt() {
        LensSection two = TwoPlane.of("box", 50, 2.8, 43.3, new TwoPlane.Outside(30, 20, 22, 38, 32, OptionalDouble.empty()));
        Work w = Told.end(Stage.ARRIVE);
        Work boxed = new Work(w.state(), new World(new Unopened(two).instrument(), Optional.of(two), w.care()), w.rules(), Work.Computed.NOTHING, false, Stage.ARRIVE,
                new Selection.Nothing(), Viewing.USUAL, java.util.List.of(), w.tools());
        AxisModel m = AxisModel.of(boxed);

        assertThat(m.light().rims()).extracting(LightModel.Rim::clearMm).containsExactly(15.0, 11.0);
        assertThat(m.light().faces()).extracting(LightModel.FaceCurve::surface).containsExactly(0, 8);
        assertThat(m.facts()).contains("estimate: two rims and an iris");
        assertThat(m.pieces()).isEmpty();
    }

    /// An instrument of which nothing but the section is known, made as the shelf makes it.
    private record Unopened(LensSection section) {
        stillglass.assembly.Instrument instrument() {
            Shelf shelf = new Shelf();
            shelf.add("own-box", section);
            return shelf.instrument("own-box");
        }
    }
}
