package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.assembly.Net;
import stillglass.assembly.Side;

class TrayMatTest {
    private static <T extends TrayMat.Mark> List<T> all(TrayMat mat, Class<T> sort) {
        return mat.pages().stream().flatMap(p -> p.marks().stream()).filter(sort::isInstance).map(sort::cast).toList();
    }

    @Test
    void everyScrewLiesWhereItsHoleIsSeen() {
        Instrument i = Instruments.small();
        TrayMat mat = TrayMat.of(i, i.joints());
        List<TrayMat.Mark.Circle> rests = all(mat, TrayMat.Mark.Circle.class).stream().filter(c -> c.r() < 4).toList();
        TrayMat.Mark.Circle ring = all(mat, TrayMat.Mark.Circle.class).stream().filter(c -> c.r() > 4).findFirst().orElseThrow();

        // Holes at 2 and 8 o'clock are opposite each other, on the ring, 60° from the top.
        assertThat(rests).hasSize(2).allSatisfy(c -> assertThat(Math.hypot(c.x() - ring.x(), c.y() - ring.y())).isCloseTo(ring.r(), within(1e-9)));
        assertThat(rests.getFirst().x() + rests.getLast().x()).isCloseTo(2 * ring.x(), within(1e-9));
        assertThat(ring.y() - rests.getFirst().y()).isCloseTo(ring.r() / 2, within(1e-9));
    }

    @Test
    void anUnfoldedInstrumentHasItsScrewsAtTheirTrueDistances() {
        Instrument i = Instruments.small();
        Net net = new Net(140, 90, 30, Map.of(), Map.of("M1", new Net.Spot(-60, 12), "M2", new Net.Spot(60, -23)));
        TrayMat mat = TrayMat.of(Instruments.unfolded(net), i.joints());
        List<TrayMat.Mark.Circle> rests = all(mat, TrayMat.Mark.Circle.class);

        assertThat(rests).hasSize(2);
        assertThat(rests.getLast().x() - rests.getFirst().x()).isCloseTo(120, within(1e-9));
        assertThat(rests.getLast().y() - rests.getFirst().y()).as("down the sheet").isCloseTo(35, within(1e-9));
        assertThat(all(mat, TrayMat.Mark.Box.class)).anyMatch(b -> b.w() == 140 && b.h() == 90);
        assertThat(all(mat, TrayMat.Mark.Text.class)).extracting(TrayMat.Mark.Text::text).contains("M1 to M2  mount screws", "rear");
    }

    @Test
    void everySheetHasABarOfAHundredMillimetresAndNothingLeavesIt() {
        List<Joint> many = new ArrayList<>();
        for (int k = 0; k < 40; k++) {
            many.add(Instruments.joint("s" + k, new Hold.Screws("slot", 1.4, List.of(new Joint.ScrewHole("C" + k, 2, 3, stillglass.assembly.ClockPosition.of(k % 12)))),
                    Side.values()[k % 3], "slot driver", 1, 0, Set.of(), k == 0 ? List.of("ring", "E1") : List.of(), Set.of(), Set.of()));
        }
        TrayMat mat = TrayMat.of(Instruments.with(many), many);

        assertThat(mat.pages().size()).isGreaterThan(2);
        for (TrayMat.Page p : mat.pages()) {
            assertThat(p.marks()).anyMatch(m -> m instanceof TrayMat.Mark.Line l && Math.abs(l.x2() - l.x1() - 100) < 1e-9 && l.y1() == l.y2());
            assertThat(p.marks()).allSatisfy(m -> {
                if (m instanceof TrayMat.Mark.Box b) {
                    assertThat(b.x() + b.w()).isLessThan(TrayMat.WIDTH_MM - 5);
                    assertThat(b.y() + b.h()).isLessThan(TrayMat.HEIGHT_MM - 5);
                }
            });
        }
        assertThat(all(mat, TrayMat.Mark.Text.class)).extracting(TrayMat.Mark.Text::text).contains("ring", "E1", "C39");
        assertThat(all(mat, TrayMat.Mark.Circle.class).stream().filter(c -> c.r() < 4)).hasSize(40);
    }
}
