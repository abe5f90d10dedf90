package stillglass.ticket.glass;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.GlassVeil;
import stillglass.look.Lighting;
import stillglass.look.PhotoLight;
import stillglass.prove.VeilChange;
import stillglass.say.Said;
import stillglass.ticket.Job;
import stillglass.ticket.story.Phase;

class VeilsTest {
    private static final Optional<Double> UNKNOWN = Optional.empty();

    private static Job photo(Job job, String id, Phase phase, Source source, Lighting lighting, double veil, Optional<Double> exposure) {
        Finding haze = new Finding(FindingKind.HAZE, 0.9, List.of(), 0.8, 1, 0, 0, veil, 2, List.of(Said.text("even")));
        job.tell(new GlassEvent.PhotoKept(id, phase, false, "", source), new GlassEvent.PhotoGraded(id, lighting, new Aperture(100, 100, 80, 80, 0), List.of(haze), veil, Collections.nCopies(32, veil), List.of(),
                Optional.of(new PhotoLight(1, exposure, Optional.empty()))));
        return job;
    }

    private static Job file(Job job, String id, Phase phase, double veil, Optional<Double> exposure) {
        return photo(job, id, phase, Source.FILE, Lighting.AGAINST, veil, exposure);
    }

    private static void card(Job job, double light, Optional<Double> exposure) {
        card(job, "card", light, exposure);
    }

    private static void card(Job job, String id, double light, Optional<Double> exposure) {
        job.tell(new GlassEvent.PhotoKept(id, Phase.BEFORE, false, "card", Source.FILE), new GlassEvent.CardMeasured(id, light, exposure));
    }

    private static GlassVeil veil(Job job, String id) {
        Glass glass = job.state().glass();
        return Veils.of(glass).of(glass.photo(id).orElseThrow()).orElseThrow();
    }

    private static Veils veils(Job job) {
        return Veils.of(job.state().glass());
    }

    private static Optional<VeilChange> change(Job job) {
        return Veils.of(job.state().glass()).change();
    }

    /// A photo twice as long exposed shows twice the light of one glass: against the card it is one veil.
    @Test
    void oneGlassHasOneVeilHoweverItWasExposed() {
        Job job = file(file(Job.begun(), "p1", Phase.BEFORE, 0.05, Optional.of(1.0)), "p2", Phase.BEFORE, 0.10, Optional.of(2.0));
        assertThat(veils(job).of(job.state().glass().photo("p1").orElseThrow())).as("a glow is no veil").isEmpty();
        assertThat(veils(job).asItGlows(job.state().glass().finding("p1#1").orElseThrow())).isTrue();
        card(job, 0.25, Optional.of(0.5));

        // The card gives 0.5 at exposure 1, and 1.0 at exposure 2.
        assertThat(veil(job, "p1").veil()).isCloseTo(0.1, within(1e-12));
        assertThat(veil(job, "p2").veil()).isCloseTo(0.1, within(1e-12));
        assertThat(job.state().glass().finding("p1#1").orElseThrow().finding().contrast()).as("what shows through is computed with it").isCloseTo(0.1, within(1e-12));
        assertThat(job.state().glass().findings()).hasSize(1);
    }

    /// The lamp of the proof need not be that of the inspection: a card taken then says nothing of what was photographed under another.
    @Test
    void aPhotoIsMeasuredAgainstTheCardOfItsOwnDay() {
        Job job = file(Job.begun(), "p1", Phase.BEFORE, 0.05, UNKNOWN);
        card(job, "first", 0.5, UNKNOWN);
        file(job, "p2", Phase.BEFORE, 0.05, UNKNOWN);
        card(job, "later", 0.25, UNKNOWN);
        file(job, "p3", Phase.AFTER, 0.05, UNKNOWN);
        assertThat(veil(job, "p1").veil()).as("the first that was taken").isCloseTo(0.1, within(1e-12));
        assertThat(veil(job, "p2").veil()).as("the one before it").isCloseTo(0.1, within(1e-12));
        assertThat(veil(job, "p3").veil()).isCloseTo(0.2, within(1e-12));
    }

    @Test
    void aCardWithoutItsExposureTellsNothingOfAPhotoThatHasOne() {
        Job job = file(Job.begun(), "p1", Phase.BEFORE, 0.05, Optional.of(1.0));
        card(job, 0.25, UNKNOWN);
        assertThat(veils(job).of(job.state().glass().photo("p1").orElseThrow())).isEmpty();
        assertThat(veils(job).glow(job.state().glass().photo("p1").orElseThrow())).contains(0.05);
        assertThat(job.state().glass().finding("p1#1").orElseThrow().finding().contrast()).isEqualTo(0.05);
        Job locked = file(Job.begun(), "p1", Phase.BEFORE, 0.05, UNKNOWN);
        card(locked, 0.25, UNKNOWN);
        assertThat(veil(locked, "p1").veil()).as("both without: one exposure, locked").isCloseTo(0.2, within(1e-12));
    }

    @Test
    void aChangeIsToldByCardByExposureOrByTheCameraOfTheBench() {
        Job exposed = file(file(Job.begun(), "p1", Phase.BEFORE, 0.1, Optional.of(1.0)), "p2", Phase.AFTER, 0.2, Optional.of(2.0));
        assertThat(change(exposed).orElseThrow().change()).as("the same glass, exposed twice as long").isCloseTo(0, within(1e-12));
        Job bare = file(file(Job.begun(), "p1", Phase.BEFORE, 0.1, UNKNOWN), "p2", Phase.AFTER, 0.2, UNKNOWN);
        assertThat(change(bare)).as("nobody knows how these were exposed").isEmpty();
        assertThat(Veils.of(bare.state().glass()).unequal()).isTrue();
        Job bench = photo(photo(Job.begun(), "p1", Phase.BEFORE, Source.DEVICE, Lighting.AGAINST, 0.2, UNKNOWN), "p2", Phase.AFTER, Source.DEVICE, Lighting.AGAINST, 0.05, UNKNOWN);
        assertThat(change(bench).orElseThrow().clearer()).isTrue();
        assertThat(Veils.of(bench.state().glass()).unequal()).isFalse();
        Job carded = file(file(Job.begun(), "p1", Phase.BEFORE, 0.1, UNKNOWN), "p2", Phase.AFTER, 0.1, UNKNOWN);
        card(carded, 0.5, UNKNOWN);
        assertThat(change(carded).orElseThrow().before()).isCloseTo(0.2, within(1e-12));
    }

    /// Through a bright field more light is a clearer glass, not a more veiled one.
    @Test
    void aBrightFieldTellsNoVeil() {
        Job job = photo(photo(Job.begun(), "p1", Phase.BEFORE, Source.DEVICE, Lighting.BRIGHT, 0.1, UNKNOWN), "p2", Phase.AFTER, Source.DEVICE, Lighting.BRIGHT, 0.2, UNKNOWN);
        assertThat(change(job)).isEmpty();
        assertThat(Veils.of(job.state().glass()).of(job.state().glass().photo("p1").orElseThrow())).isEmpty();
    }

    @Test
    void whatIsSaidOfTheLastPhotoIsNotSaidOfTheCard() {
        Job job = file(Job.begun(), "p1", Phase.BEFORE, 0.05, UNKNOWN);
        card(job, 0.5, UNKNOWN);
        job.accept(new GlassIntent.SetPhoto(Optional.empty(), Optional.of(70.0), Optional.empty(), Optional.empty()));
        assertThat(job.state().glass().photo("p1").orElseThrow().set()).isPresent();
        assertThat(job.state().glass().photo("card").orElseThrow().set()).isEmpty();
    }

    @Test
    void lightThatIsNoCardsIsRefused() {
        assertThatThrownBy(() -> new GlassEvent.CardMeasured("card", Double.NaN, UNKNOWN)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> new GlassEvent.CardMeasured("card", 0.5, Optional.of(0.0))).hasMessageContaining("0.0");
        assertThat(Job.begun().refusal(new GlassEvent.CardMeasured("gone", 0.5, UNKNOWN))).contains("gone");
    }
}
