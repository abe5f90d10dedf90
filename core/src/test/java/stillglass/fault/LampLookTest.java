package stillglass.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.optics.Glints;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.misassembly.LensFault;
import stillglass.say.Wording;

class LampLookTest {
    private static final LensSection LENS = Lenses.triplet();
    private static final Glints.Stand ONE = new Glints.Stand(300, 20, 300);
    private static final Glints.Stand OTHER = new Glints.Stand(500, 45, 300);

    private static LampLook.Seen seen(LensSection lens, Glints.Stand stand) {
        return new LampLook.Seen(stand, Glints.of(lens, stand).stream().filter(g -> g.light() > 0.01).map(Glints.Glint::share).toList());
    }

    /// The lamp held at five places.
    private static List<LampLook.Seen> photos(LensSection lens) {
        return List.of(ONE, OTHER, new Glints.Stand(200, 12, 300), new Glints.Stand(400, 30, 300), new Glints.Stand(250, 8, 300)).stream().map(s -> seen(lens, s)).toList();
    }

    private static LensSection turned(String fault) {
        return LensFault.apply(LENS, List.of(LensFault.parse(fault)), LensFault.Seating.RIM).lens();
    }

    @Test
    void aLensThatIsRightIsLeftAlone() {
        LampLook look = LampLook.of(LENS, photos(LENS));
        assertThat(look.hypotheses().getFirst().fault()).isEqualTo("none");
        assertThat(look.hypotheses().stream().mapToDouble(LampLook.Hypothesis::probability).sum()).isCloseTo(1, within(1e-9));
    }

    @Test
    void aTurnedGlassIsFoundBeforeAnythingIsOpened() {
        LampLook look = LampLook.of(LENS, photos(turned("reverse:E2+E3")));
        assertThat(look.hypotheses().getFirst().fault()).isEqualTo("reverse:E2+E3");
        assertThat(Wording.core().say(look.said().getFirst())).contains("reversed");
    }

    @Test
    void aGlassThatIsNotThereSendsNothingBack() {
        LensSection front = LENS.withSurfaces(LENS.surfaces().subList(0, 3), List.of(LENS.elements().getFirst()));
        LampLook look = LampLook.of(LENS, photos(front));
        assertThat(look.hypotheses().getFirst().fault()).isEqualTo("missing:E2+E3");
    }

    /// One spot that is none and one that was missed are what happens.
    @Test
    void aSpotTooManyAndOneTooFewAreForgiven() {
        List<Double> shares = new java.util.ArrayList<>(seen(LENS, ONE).shares());
        shares.removeLast();
        shares.add(0.93);
        assertThat(LampLook.of(LENS, List.of(new LampLook.Seen(ONE, shares))).hypotheses().getFirst().fault()).isEqualTo("none");
    }

    @Test
    void whereTwoLeadTheLampIsPutWhereTheyDiffer() {
        LampLook look = LampLook.of(LENS, List.of(new LampLook.Seen(ONE, List.of(seen(LENS, ONE).shares().getFirst()))));
        assertThat(look.next()).isPresent();
        assertThat(Wording.core().say(look.said().getLast())).contains("would part them");
    }

    @Test
    void whatIsNoLookIsRefused() {
        assertThatThrownBy(() -> LampLook.of(LENS, List.of())).hasMessageContaining("one photo");
        assertThatThrownBy(() -> new LampLook.Seen(ONE, List.of(1.4))).hasMessageContaining("rim radii");
        assertThatThrownBy(() -> new LampLook.Seen(ONE, List.of(Double.NaN))).hasMessageContaining("rim radii");
    }
}
