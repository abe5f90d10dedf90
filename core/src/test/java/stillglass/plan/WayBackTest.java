package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.optics.Lenses;

class WayBackTest {
    private static final Instrument SMALL = Instruments.small();

    private static List<String> said(List<WayBack.Step> steps) {
        return steps.stream()
                .map(s -> switch (s) {
                    case WayBack.Step.Close c -> "close " + c.joint().id();
                    case WayBack.Step.LeaveLoose l -> "loose " + l.joint().id();
                    case WayBack.Step.Tighten t -> "tighten " + t.joint().id();
                    case WayBack.Step.Refit r -> "refit " + r.joint().id();
                    case WayBack.Step.TakeOff t -> "take off " + t.joint().id();
                    case WayBack.Step.Zero z -> "zero " + z.joint().id();
                })
                .toList();
    }

    @Test
    void backIsTheReverseOfWhatWasReallyDone() {
        assertThat(said(WayBack.order(SMALL, new WayBack.Standing(List.of("ring-thread", "e1-seat", "spacer-seat"), Set.of(), Set.of(), Map.of(), Set.of()))))
                .containsExactly("close spacer-seat", "close e1-seat", "close ring-thread");
    }

    @Test
    void whatIsClosedAlreadyIsLeftOut() {
        assertThat(said(WayBack.order(SMALL, new WayBack.Standing(List.of("ring-thread", "e1-seat"), Set.of("e1-seat"), Set.of(), Map.of(), Set.of())))).containsExactly("close ring-thread");
    }

    @Test
    void setScrewsStayLooseUntilTheMountIsOn() {
        assertThat(said(WayBack.order(SMALL, new WayBack.Standing(List.of("mount-screws", "ring-thread", "ring-set"), Set.of(), Set.of(), Map.of(), Set.of()))))
                .containsExactly("loose ring-set", "close ring-thread", "close mount-screws", "tighten ring-set");
    }

    @Test
    void whatWasLeftLooseIsRememberedAcrossARestart() {
        assertThat(said(WayBack.order(SMALL, new WayBack.Standing(List.of("mount-screws", "ring-set"), Set.of("ring-set"), Set.of("ring-set"), Map.of(), Set.of()))))
                .containsExactly("close mount-screws", "tighten ring-set");
    }

    @Test
    void withoutTheMountItIsClosedAtOnce() {
        assertThat(said(WayBack.order(SMALL, new WayBack.Standing(List.of("ring-set"), Set.of(), Set.of(), Map.of(), Set.of())))).containsExactly("close ring-set");
    }

    private static Joint seat(String id, Set<String> after, Joint.Closing close) {
        return new Joint(id, id, new Hold.Seat(), Side.FRONT, "fingers", 1, 0, Joint.Behind.of(after), List.of(), Set.of(), Set.of(), Set.of(), close);
    }

    @Test
    void whatWouldBeBarredIsClosedFirst() {
        Instrument i = Instruments.with(List.of(
                seat("hidden-screw", Set.of(), Joint.Closing.PLAIN.withBefore(Set.of("shutter"))), seat("shutter", Set.of(), Joint.Closing.PLAIN)));

        assertThat(said(WayBack.order(i, WayBack.Standing.opened(List.of("hidden-screw", "shutter"))))).containsExactly("close hidden-screw", "close shutter");
        assertThat(WayBack.hindrance(i, Set.of("hidden-screw", "shutter"), i.joint("shutter").orElseThrow())).hasValueSatisfying(w ->
                assertThat(w).contains("hidden-screw first").contains("cannot be reached any more"));
    }

    @Test
    void aRingIsPutBackForAMomentAndTakenOffAgain() {
        Instrument i = Instruments.with(List.of(seat("ring", Set.of(), Joint.Closing.PLAIN), seat("cell", Set.of("ring"), Joint.Closing.PLAIN.withRefit("ring"))));
        List<String> opened = List.of("ring", "cell");

        assertThat(said(WayBack.order(i, WayBack.Standing.opened(opened)))).containsExactly("refit ring", "close cell", "take off ring", "close ring");
        assertThat(said(WayBack.order(i, new WayBack.Standing(opened, Set.of(), Set.of(), Map.of("ring", "cell"), Set.of()))))
                .containsExactly("close cell", "take off ring", "close ring");
        assertThat(said(WayBack.order(i, new WayBack.Standing(opened, Set.of("cell"), Set.of(), Map.of("ring", "cell"), Set.of())))).containsExactly("take off ring", "close ring");
        assertThat(said(WayBack.order(i, new WayBack.Standing(opened, Set.of("cell"), Set.of(), Map.of(), Set.of())))).containsExactly("close ring");
    }

    @Test
    void whatIsZeroedIsZeroedLast() {
        Instrument i = Instruments.with(List.of(seat("scale", Set.of(), Joint.Closing.PLAIN.withZeroLast("infinity")), seat("mount", Set.of("scale"), Joint.Closing.PLAIN)));

        assertThat(said(WayBack.order(i, WayBack.Standing.opened(List.of("scale", "mount"))))).containsExactly("close mount", "close scale", "zero scale");
        assertThat(said(WayBack.order(i, new WayBack.Standing(List.of("scale"), Set.of("scale"), Set.of(), Map.of(), Set.of("scale"))))).isEmpty();
    }

    @Test
    void aMapThatCannotBeClosedIsRefused() {
        assertThatThrownBy(() -> Instruments.with(List.of(seat("a", Set.of(), Joint.Closing.PLAIN.withBefore(Set.of("b"))), seat("b", Set.of("a"), Joint.Closing.PLAIN))))
                .hasMessageContaining("would have to close before");
    }

    /// Whatever was opened in whatever order: every joint closes once, none is buried, none barred, nothing stays loose or on for a moment only.
    @Test
    void anyRecordCanBeClosed() {
        for (long seed = 1; seed <= 300; seed++) {
            Instrument i = RandomRebuild.instrument(seed);
            List<String> opened = RandomRebuild.opened(i, seed);
            Set<String> open = new HashSet<>(opened);
            Set<String> waiting = new HashSet<>();
            Set<String> onForAMoment = new HashSet<>();
            for (WayBack.Step step : WayBack.order(i, WayBack.Standing.opened(opened))) {
                String id = step.joint().id();
                boolean closes = step instanceof WayBack.Step.Close || step instanceof WayBack.Step.LeaveLoose;
                if (closes) {
                    assertThat(WayBack.hindrance(i, open, step.joint())).as("seed %d, %s", seed, id).isEmpty();
                    assertThat(open.remove(id)).as("seed %d, %s closes once", seed, id).isTrue();
                    step.joint().close().refit().filter(open::contains).ifPresent(r -> assertThat(onForAMoment).contains(r));
                }
                switch (step) {
                    case WayBack.Step.LeaveLoose l -> waiting.add(id);
                    case WayBack.Step.Tighten t -> assertThat(waiting.remove(id)).isTrue();
                    case WayBack.Step.Refit r -> assertThat(onForAMoment.add(id)).isTrue();
                    case WayBack.Step.TakeOff t -> assertThat(onForAMoment.remove(id)).isTrue();
                    case WayBack.Step.Zero z -> assertThat(open).as("seed %d, zero last", seed).isEmpty();
                    case WayBack.Step.Close c -> {}
                }
            }
            assertThat(open).as("seed %d", seed).isEmpty();
            assertThat(waiting).as("seed %d", seed).isEmpty();
            assertThat(onForAMoment).as("seed %d", seed).isEmpty();
        }
    }

    @Test
    void lookAlikeScrewsAreFoundWithTheirConsequence() {
        List<LookAlikes.Pair> pairs = LookAlikes.among(SMALL, SMALL.joints());

        assertThat(pairs).singleElement().satisfies(p -> {
            assertThat(List.of(p.hole().cell(), p.otherHole().cell())).containsExactly("M1", "M2");
            // 4.8 mm in a hole of 4.6.
            assertThat(p.bottomsByMm()).isCloseTo(0.2, within(1e-9));
        });
    }

    @Test
    void aMeasuredScrewFindsItsHomeNearestFirst() {
        assertThat(LookAlikes.homes(SMALL.joints(), "cross", 4.7, 0.6)).extracting(h -> h.cell()).containsExactly("M2", "M1");
        assertThat(LookAlikes.homes(SMALL.joints(), "slot", 4.7, 0.6)).isEmpty();
    }

    @Test
    void whatIsReachedIsWhatIsOutAndWhatLiesBare() {
        List<Part> reached = Reached.parts(SMALL, Lenses.triplet(), List.of("ring-thread", "e1-seat"));
        assertThat(reached).extracting(Part::id).containsExactly("ring", "E1");

        List<Part> rear = Reached.parts(SMALL, Lenses.triplet(), List.of("e2-seat"));
        assertThat(rear).as("the cemented partner goes with its group").extracting(Part::id).containsExactly("E2");
    }
}
