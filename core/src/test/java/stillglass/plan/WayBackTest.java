package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Part;
import stillglass.optics.Lenses;

class WayBackTest {
    private static final Instrument SMALL = Instruments.small();

    private static List<String> said(List<WayBack.Step> steps) {
        return steps.stream()
                .map(s -> switch (s) {
                    case WayBack.Step.Close c -> "close " + c.joint().id();
                    case WayBack.Step.LeaveLoose l -> "loose " + l.joint().id();
                    case WayBack.Step.Tighten t -> "tighten " + t.joint().id();
                })
                .toList();
    }

    @Test
    void backIsTheReverseOfWhatWasReallyDone() {
        assertThat(said(WayBack.order(SMALL, List.of("ring-thread", "e1-seat", "spacer-seat"), Set.of(), Set.of())))
                .containsExactly("close spacer-seat", "close e1-seat", "close ring-thread");
    }

    @Test
    void whatIsClosedAlreadyIsLeftOut() {
        assertThat(said(WayBack.order(SMALL, List.of("ring-thread", "e1-seat"), Set.of("e1-seat"), Set.of()))).containsExactly("close ring-thread");
    }

    @Test
    void setScrewsStayLooseUntilTheMountIsOn() {
        assertThat(said(WayBack.order(SMALL, List.of("mount-screws", "ring-thread", "ring-set"), Set.of(), Set.of())))
                .containsExactly("loose ring-set", "close ring-thread", "close mount-screws", "tighten ring-set");
    }

    @Test
    void whatWasLeftLooseIsRememberedAcrossARestart() {
        assertThat(said(WayBack.order(SMALL, List.of("mount-screws", "ring-set"), Set.of("ring-set"), Set.of("ring-set"))))
                .containsExactly("close mount-screws", "tighten ring-set");
    }

    @Test
    void withoutTheMountItIsClosedAtOnce() {
        assertThat(said(WayBack.order(SMALL, List.of("ring-set"), Set.of(), Set.of()))).containsExactly("close ring-set");
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
