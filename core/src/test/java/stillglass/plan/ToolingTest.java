package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.look.Progress;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Surface;
import stillglass.say.Wording;

class ToolingTest {
    /// A ring over E1 that is turned with blades.
    private static Instrument ringOver(Side side) {
        return Instruments.with(List.of(
                Instruments.joint("e1-ring", new Hold.RetainingRing(20, 3, 0), side, "spanner, blades", 2, 0.01, Set.of(), List.of(), Set.of(), Set.of()),
                Instruments.joint("e1-seat", new Hold.Seat(), side, "suction cup", 1, 0.01, Set.of("e1-ring"), List.of("E1"), Set.of(), Set.of())));
    }

    private static WayIn.Plan plan(Instrument i) {
        return WayIn.plan(WayIn.Request.of(i, List.of(new Goal.ReachPart("E1"))), Progress.SILENT).orElseThrow();
    }

    @Test
    void whatIsThereIsTaken() {
        Instrument i = ringOver(Side.FRONT);
        Tooling all = Tooling.lacking(Set.of());

        assertThat(all.fitted(i).joints()).isEqualTo(i.joints());
        assertThat(all.lacks(i, plan(i))).isEmpty();
    }

    @Test
    void whatIsMissingIsReplacedAtAPrice() {
        Instrument i = ringOver(Side.FRONT);
        Tooling few = Tooling.lacking(Set.of("spanner, blades", "spanner, points"));
        Joint ring = few.fitted(i).joint("e1-ring").orElseThrow();

        assertThat(ring.tool()).isEqualTo("rubber sheet");
        assertThat(ring.minutes()).isCloseTo(4, within(1e-9));
        assertThat(ring.risk()).isGreaterThan(0.01);
        assertThat(few.lacks(i, plan(few.fitted(i)))).singleElement().satisfies(l -> {
            assertThat(l.missing()).isEqualTo("spanner, blades");
            assertThat(l.instead()).contains("rubber sheet");
        });
    }

    @Test
    void whatCannotBeReplacedIsNamedAndAvoided() {
        Instrument i = Instruments.with(List.of(
                Instruments.joint("hard", new Hold.Seat(), Side.FRONT, "collet key", 1, 0, Set.of(), List.of("E1"), Set.of(), Set.of()),
                Instruments.joint("easy", new Hold.Seat(), Side.FRONT, "fingers", 30, 0, Set.of(), List.of("E1"), Set.of(), Set.of())));
        Tooling few = Tooling.lacking(Set.of("collet key"));

        assertThat(plan(i).joints()).extracting(Joint::id).containsExactly("hard");
        WayIn.Request request = WayIn.Request.of(few.fitted(i), List.of(new Goal.ReachPart("E1")));
        assertThat(few.plan(i, request, Progress.SILENT).orElseThrow().joints()).extracting(Joint::id).containsExactly("easy");
        WayIn.Plan barred = few.plan(i, request.without(Set.of("easy")), Progress.SILENT).orElseThrow();
        assertThat(few.lacks(i, barred)).singleElement().satisfies(l -> assertThat(l.instead()).isEmpty());
        assertThat(barred.minutes()).as("a tool that is not there costs no made-up minutes").isCloseTo(1.5, within(1e-9));
    }

    /// The same lens with a front face that is as steep as this at its rim: sine of the angle.
    private static LensSection withFront(LensSection lens, double sine) {
        Surface s = lens.surfaces().getFirst();
        List<Surface> surfaces = new ArrayList<>(lens.surfaces());
        surfaces.set(0, new Surface(s.semiDiameterMm() / sine, s.thicknessMm(), s.after(), s.semiDiameterMm(), s.stop()));
        return lens.withSurfaces(surfaces, lens.elements());
    }

    @Test
    void bladesBecomePointsWhereTheGlassIsSteep() {
        LensSection triplet = Lenses.triplet();
        Tooling known = new Tooling(Set.of(), Optional.of(withFront(triplet, 0.5)));
        Tooling flat = new Tooling(Set.of(), Optional.of(withFront(triplet, 0.2)));

        // asin 0.5 is 30 degrees at the rim, asin 0.2 is 12.
        assertThat(known.fitted(ringOver(Side.FRONT)).joint("e1-ring").orElseThrow().tool()).isEqualTo("spanner, points");
        assertThat(known.lacks(ringOver(Side.FRONT), plan(known.fitted(ringOver(Side.FRONT))))).singleElement().satisfies(l -> assertThat(Wording.core().say(l.why())).contains("30°"));
        assertThat(flat.fitted(ringOver(Side.FRONT)).joint("e1-ring").orElseThrow().tool()).isEqualTo("spanner, blades");
        assertThat(known.fitted(ringOver(Side.REAR)).joint("e1-ring").orElseThrow().tool()).as("the rear face of E1 is nearly flat or hollow").isEqualTo("spanner, blades");
    }
}
