package stillglass.ticket.glass;

import java.util.List;
import java.util.Optional;
import stillglass.device.Source;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.GlassVeil;
import stillglass.look.Severity;
import stillglass.prove.VeilChange;
import stillglass.ticket.story.Phase;

/// Veil of photos against the light, measured against the card where one was photographed.
public final class Veils {
    private final Glass glass;

    private Veils(Glass glass) {
        this.glass = glass;
    }

    public static Veils of(Glass glass) {
        return new Veils(glass);
    }

    /// Whether the card or the lamp was photographed.
    public boolean carded() {
        return glass.all().stream().anyMatch(p -> p.card().isPresent());
    }

    /// The photo of the card under whose light a photo was taken: the last before it, or else the first after it.
    private Optional<GlassEvent.CardMeasured> card(Photo photo) {
        List<Photo> all = glass.all();
        int at = all.stream().map(Photo::id).toList().indexOf(photo.id());
        return all.subList(0, Math.max(0, at)).stream().flatMap(p -> p.card().stream()).reduce((a, b) -> b)
                .or(() -> all.stream().skip(Math.max(0, at)).flatMap(p -> p.card().stream()).findFirst());
    }

    /// @return nothing for photos that were not graded, not against the light, or cannot be measured against a card
    public Optional<GlassVeil> of(Photo photo) {
        return glow(photo).flatMap(g -> light(photo).map(card -> GlassVeil.of(g, card)));
    }

    /// Linear light that the glass throws into a photo against the light, as a share of full exposure.
    public Optional<Double> glow(Photo photo) {
        return photo.graded().filter(g -> photo.againstTheLight()).map(g -> g.veil() * g.lit().reference());
    }

    /// Whether a haze is taken as it glows in its photo, for nothing says how bright the lamp was.
    public boolean asItGlows(Known known) {
        return known.finding().kind() == FindingKind.HAZE && glass.photo(known.photoId()).filter(p -> p.againstTheLight() && light(p).isEmpty()).isPresent();
    }

    /// Light of the card at the exposure of a photo.
    private Optional<Double> light(Photo photo) {
        return photo.graded().flatMap(g -> g.light()).flatMap(l -> card(photo).flatMap(c -> c.at(l.exposure())));
    }

    /// Haze as it is against the card: the same finding where it cannot be measured.
    Finding measured(String photoId, Finding read) {
        Optional<Photo> photo = read.kind() == FindingKind.HAZE ? glass.photo(photoId) : Optional.empty();
        return photo.flatMap(p -> of(p).flatMap(v -> light(p).map(card -> read.scattering(Math.min(1, read.contrast() / card), Severity.ofHaze(v.veil()))))).orElse(read);
    }

    /// How much less veil the last photo after the work shows than the last before it, taken from the same side against the light.
    /// @return nothing where there are not both, or nothing tells how both were exposed
    public Optional<VeilChange> change() {
        return pair().flatMap(p -> change(p.before, p.after));
    }

    /// Whether there are two photos and nothing tells how both were exposed.
    public boolean unequal() {
        return pair().isPresent() && change().isEmpty();
    }

    private record Pair(Photo before, Photo after) {}

    private Optional<Pair> pair() {
        return glass.all().stream().filter(p -> p.gradedIn(Phase.AFTER) && p.againstTheLight()).reduce((a, b) -> b)
                .flatMap(after -> glass.all().stream().filter(p -> p.gradedIn(Phase.BEFORE) && p.againstTheLight() && p.kept().fromRear() == after.kept().fromRear()).reduce((a, b) -> b).map(b -> new Pair(b, after)));
    }

    private Optional<VeilChange> change(Photo before, Photo after) {
        GlassEvent.PhotoGraded b = before.graded().orElseThrow();
        GlassEvent.PhotoGraded a = after.graded().orElseThrow();
        double then = b.lit().reference();
        double now = a.lit().reference();
        Optional<Double> cardThen = light(before);
        Optional<Double> cardNow = light(after);
        if (cardThen.isPresent() && cardNow.isPresent()) {
            return Optional.of(VeilChange.of(times(b.sectorVeils(), then / cardThen.get()), times(a.sectorVeils(), now / cardNow.get()), GlassVeil.RATIO, GlassVeil.STRAY));
        }
        Optional<Double> exposedThen = b.lit().exposure();
        Optional<Double> exposedNow = a.lit().exposure();
        if (exposedThen.isPresent() && exposedNow.isPresent()) {
            return Optional.of(VeilChange.of(times(b.sectorVeils(), then), times(a.sectorVeils(), now * exposedThen.get() / exposedNow.get()), GlassVeil.RATIO, GlassVeil.STRAY));
        }
        // A camera of the bench stands and exposes as it did.
        return exposedThen.isEmpty() && exposedNow.isEmpty() && ofTheBench(before) && ofTheBench(after)
                ? Optional.of(VeilChange.of(times(b.sectorVeils(), then), times(a.sectorVeils(), now), 0, GlassVeil.STRAY)) : Optional.empty();
    }

    private static boolean ofTheBench(Photo photo) {
        return photo.kept().source().filter(s -> s == Source.DEVICE || s == Source.SIMULATED).isPresent();
    }

    private static List<Double> times(List<Double> sectors, double by) {
        return sectors.stream().map(v -> v * by).toList();
    }
}
