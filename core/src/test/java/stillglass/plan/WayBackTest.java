package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.optics.Lenses;
import stillglass.say.Wording;

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
                assertThat(Wording.core().say(w)).contains("hidden-screw first").contains("cannot be reached any more"));
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
                .hasMessageContaining("can never be closed").hasMessageContaining("waits for b");
    }

    /// Whatever was opened in whatever order: every joint closes once, none is buried or barred, nothing stays loose or on for a moment only. Judged by the
    /// instrument's own data: played backwards, a rebuild that buries nothing is a way in that can be walked.
    @Test
    void anyRecordCanBeClosed() {
        for (long seed = 1; seed <= 300; seed++) {
            Instrument i = RandomRebuild.instrument(seed);
            List<String> opened = RandomRebuild.opened(i, seed);
            List<WayBack.Step> way = WayBack.order(i, WayBack.Standing.opened(opened));
            List<Joint> closings = way.stream().filter(s -> s instanceof WayBack.Step.Close || s instanceof WayBack.Step.LeaveLoose).map(WayBack.Step::joint).toList();

            assertThat(closings).as("seed %d: each closes once", seed).extracting(Joint::id).containsExactlyInAnyOrderElementsOf(opened);
            assertThat(firstThatCannotOpen(closings.reversed())).as("seed %d: %s, backwards", seed, said(way)).isEmpty();
            assertThat(firstBarred(closings)).as("seed %d: %s", seed, said(way)).isEmpty();
            looseAndTemporary(way, opened, seed);
        }
    }

    private static List<String> firstThatCannotOpen(List<Joint> order) {
        Set<String> open = new HashSet<>();
        for (Joint j : order) {
            if (!open.containsAll(j.behind().all()) || j.behind().oneOf().stream().anyMatch(set -> set.stream().noneMatch(open::contains))) {
                return List.of(j.id());
            }
            open.add(j.id());
        }
        return List.of();
    }

    /// Joints that came before one that must be closed before them.
    private static List<String> firstBarred(List<Joint> order) {
        List<String> ids = order.stream().map(Joint::id).toList();
        return order.stream().flatMap(j -> j.close().before().stream().filter(b -> ids.contains(b) && ids.indexOf(b) < ids.indexOf(j.id()))).toList();
    }

    private static void looseAndTemporary(List<WayBack.Step> way, List<String> opened, long seed) {
        Set<String> open = new HashSet<>(opened);
        Set<String> loose = new HashSet<>();
        Set<String> temporary = new HashSet<>();
        for (WayBack.Step step : way) {
            Joint j = step.joint();
            boolean untilOpen = j.close().looseUntil().filter(open::contains).isPresent();
            switch (step) {
                case WayBack.Step.Close c -> assertThat(untilOpen).as("seed %d: %s is tight too early", seed, j.id()).isFalse();
                case WayBack.Step.LeaveLoose l -> assertThat(untilOpen && loose.add(j.id())).as("seed %d: %s is loose for nothing", seed, j.id()).isTrue();
                case WayBack.Step.Tighten t -> assertThat(!untilOpen && loose.remove(j.id())).as("seed %d: %s", seed, j.id()).isTrue();
                case WayBack.Step.Refit r -> assertThat(open.contains(j.id()) && temporary.add(j.id())).as("seed %d: %s", seed, j.id()).isTrue();
                case WayBack.Step.TakeOff t -> assertThat(temporary.remove(j.id())).as("seed %d: %s", seed, j.id()).isTrue();
                case WayBack.Step.Zero z -> assertThat(open).as("seed %d: zero last", seed).isEmpty();
            }
            if (step instanceof WayBack.Step.Close || step instanceof WayBack.Step.LeaveLoose) {
                j.close().refit().filter(open::contains).ifPresent(r -> assertThat(temporary).as("seed %d: %s holds what %s is lined up by", seed, r, j.id()).contains(r));
                open.remove(j.id());
            }
        }
        assertThat(loose).as("seed %d", seed).isEmpty();
        assertThat(temporary).as("seed %d", seed).isEmpty();
    }

    /// A part that was never put back lies between: it is named, and what covers it waits.
    @Test
    void whatLiesDeeperIsNotBuriedAcrossAJointThatWasNeverOpened() {
        Instrument i = Instruments.with(List.of(seat("cover", Set.of(), Joint.Closing.PLAIN), seat("plate", Set.of("cover"), Joint.Closing.PLAIN), seat("gear", Set.of("plate"), Joint.Closing.PLAIN)));

        // The plate came off unseen; only cover and gear are on record.
        assertThat(said(WayBack.order(i, WayBack.Standing.opened(List.of("gear", "cover"))))).containsExactly("close gear", "close cover");
        assertThat(WayBack.hindrance(i, Set.of("gear", "cover"), i.joint("cover").orElseThrow())).hasValueSatisfying(w -> assertThat(Wording.core().say(w)).contains("gear"));
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
        List<Part> reached = Reached.parts(SMALL, Optional.of(Lenses.triplet()), List.of("ring-thread", "e1-seat"));
        assertThat(reached).extracting(Part::id).containsExactly("ring", "E1");

        List<Part> rear = Reached.parts(SMALL, Optional.of(Lenses.triplet()), List.of("e2-seat"));
        assertThat(rear).as("the cemented partner goes with its group").extracting(Part::id).containsExactly("E2");
    }
}
