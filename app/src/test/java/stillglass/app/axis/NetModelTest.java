package stillglass.app.axis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.app.bench.BenchModel;
import stillglass.app.desk.Told;
import stillglass.app.desk.Viewing;
import stillglass.app.desk.Work;
import stillglass.assembly.Side;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.story.Stage;

class NetModelTest {
    private static final String REFLEX = "T-0147";
    private static final String FOLDING = "T-0146";

    private static NetModel.Face face(NetModel m, Side side) {
        return m.faces().stream().filter(f -> f.side() == side).findFirst().orElseThrow();
    }

    private static NetModel.Tile tile(NetModel m, String part) {
        return m.walk().stream().filter(t -> t.partId().equals(part)).findFirst().orElseThrow();
    }

    private static List<String> heads(NetModel m, Side side, NetModel.Standing standing) {
        return face(m, side).heads().stream().filter(h -> h.standing() == standing).map(NetModel.Head::cell).toList();
    }

    @Test
    void aBodyIsShownUnfoldedWithTheScrewsThatCanBeReached() {
        Work w = Told.arrived(REFLEX, Stage.ARRIVE);
        NetModel m = NetModel.of(w).orElseThrow();

        assertThat(heads(m, Side.TOP, NetModel.Standing.IN)).as("the dial's, not those under the cover").containsExactly("BB1", "BB2", "BB3");
        assertThat(face(m, Side.BOTTOM).heads()).as("under the battery cover").isEmpty();
        List<String> top = face(m, Side.TOP).tiles().stream().map(NetModel.Tile::partId).toList();
        assertThat(top.indexOf("prism")).as("the prism lies under the cover, the lever over it").isLessThan(top.indexOf("top_cover"));
        assertThat(top.indexOf("top_cover")).isLessThan(top.indexOf("wind_lever"));
        assertThat(face(m, Side.REAR).tiles()).as("what the back hides").noneMatch(t -> t.partId().equals("pressure_plate"));
        assertThat(NetModel.of(Told.seen(w, Viewing.USUAL.otherwise()))).as("the section instead").isEmpty();
    }

    @Test
    void whatIsOutLeavesItsPlaceAndItsNumberAndUncoversWhatLiesUnder() {
        Work w = Told.arrived(REFLEX, Stage.OPEN, new CourseIntent.ChooseGoals(List.of("tripod_bush")), new JointIntent.Open("battery-cover", false),
                new JointIntent.Open("battery-out", false));
        NetModel m = NetModel.of(w).orElseThrow();

        assertThat(tile(m, "battery_cover")).satisfies(t -> {
            assertThat(t.standing()).isEqualTo(NetModel.Standing.OUT);
            assertThat(t.number()).isEqualTo(1);
        });
        assertThat(heads(m, Side.BOTTOM, NetModel.Standing.NEXT)).containsExactly("A1", "A2", "A3", "A4", "A5");

        NetModel behind = NetModel.of(Told.arrived(REFLEX, Stage.OPEN, new JointIntent.Open("back-pin", false), new JointIntent.Open("back-open", false), new JointIntent.Open("back-off", true))).orElseThrow();
        assertThat(tile(behind, "pressure_plate").standing()).isEqualTo(NetModel.Standing.IN);
    }

    /// Corners of a cover, not points of a clock; and glue is waited for by the clock.
    @Test
    void benchModeDrawsScrewsWhereTheyAreAndCountsWaits() {
        Work w = Told.arrived(REFLEX, Stage.OPEN, new CourseIntent.ChooseGoals(List.of("bottom_plate")), new JointIntent.Open("battery-cover", false), new JointIntent.Open("battery-out", false));
        assertThat(BenchModel.of(w, Told.WHEN).picture()).isInstanceOfSatisfying(BenchModel.Picture.Screws.class, s -> {
            assertThat(s.at().spots()).hasSize(5);
            assertThat(s.at().spots().get(0).x()).as("opposite corners").isEqualTo(-s.at().spots().get(1).x());
            assertThat(s.at().spots().get(3).x()).as("the one in the middle").isCloseTo(0, within(1e-9));
            assertThat(s.at().ring()).isFalse();
        });

        Work glued = Told.arrived(REFLEX, Stage.OPEN, new CourseIntent.ChooseGoals(List.of("covering_front_l")));
        BenchModel before = BenchModel.of(glued, Told.WHEN);
        assertThat(before.mark()).containsInstanceOf(CareEvent.TimerSet.class);
        Work soaking = Told.arrived(REFLEX, Stage.OPEN, new CourseIntent.ChooseGoals(List.of("covering_front_l")), before.mark().orElseThrow());
        assertThat(soaking.state().care().timers().values()).singleElement().satisfies(t -> assertThat(t.ends()).isEqualTo(Told.WHEN.plusSeconds(300)));
        assertThat(BenchModel.of(soaking, Told.WHEN)).satisfies(m -> {
            assertThat(m.mark()).isEmpty();
            assertThat(m.camera()).as("the third key takes a photo now").isTrue();
        });
    }

    /// A camera has a lens of its own: its section while the glass is looked at, unfolded while it is taken apart.
    @Test
    void aCameraIsUnfoldedWhileItIsTakenApart() {
        assertThat(NetModel.of(Told.arrived(FOLDING, Stage.LOOK))).isEmpty();
        Work apart = Told.arrived(FOLDING, Stage.OPEN);
        assertThat(NetModel.of(apart)).isPresent();
        assertThat(AxisModel.of(apart).walk()).contains("focus_ring", "top_cover");
        assertThat(NetModel.of(Told.end(Stage.OPEN))).as("a lens has no sides").isEmpty();
    }
}
