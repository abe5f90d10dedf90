package stillglass.ticket.glass;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import stillglass.look.Lighting;
import stillglass.look.ShopTeaching;
import stillglass.ticket.story.Phase;

/// A photo and what was read from it.
/// @param at when it was kept
/// @param set where the controls stood, where that was said
/// @param dated of which day it is, where that was said
/// @param card what was measured of it, where it shows the card or the lamp
/// @param lampMoved whether the lamp stood elsewhere than for the others
/// @param sweep its place in a sweep of the focus, where it belongs to one
public record Photo(GlassEvent.PhotoKept kept, Optional<GlassEvent.PhotoGraded> graded, Instant at, Optional<GlassEvent.PhotoSet> set, Optional<LocalDate> dated, Optional<GlassEvent.CardMeasured> card, boolean lampMoved, Optional<Swept> sweep) {
    /// @param of id of the first photo of the sweep
    /// @param step from 1
    /// @param blades whether it was said that the blades of the iris are sharpest in it
    public record Swept(String of, int step, boolean blades) {}

    public Photo(GlassEvent.PhotoKept kept, Optional<GlassEvent.PhotoGraded> graded, Instant at) {
        this(kept, graded, at, Optional.empty(), Optional.empty(), Optional.empty(), false, Optional.empty());
    }

    Photo with(GlassEvent.PhotoSet where) {
        return new Photo(kept, graded, at, Optional.of(where), dated, card, lampMoved, sweep);
    }

    Photo with(GlassEvent.PhotoGraded read) {
        return new Photo(kept, Optional.of(read), at, set, dated, card, lampMoved, sweep);
    }

    Photo of(LocalDate day) {
        return new Photo(kept, graded, at, set, Optional.of(day), card, lampMoved, sweep);
    }

    Photo withLampMoved() {
        return new Photo(kept, graded, at, set, dated, card, true, sweep);
    }

    Photo with(GlassEvent.CardMeasured measured) {
        return new Photo(kept, graded, at, set, dated, Optional.of(measured), lampMoved, sweep);
    }

    Photo swept(Swept place) {
        return new Photo(kept, graded, at, set, dated, card, lampMoved, Optional.of(place));
    }

    /// The day it shows: as said, as the camera wrote it, or the day it was kept.
    public LocalDate day() {
        return dated.or(() -> kept.taken().map(LocalDateTime::toLocalDate)).orElseGet(() -> at.atZone(ZoneOffset.UTC).toLocalDate());
    }

    /// The camera and light it was taken with.
    public ShopTeaching.Taken taken() {
        return graded.map(g -> ShopTeaching.Taken.with(kept.camera(), g.lighting())).orElse(ShopTeaching.Taken.UNKNOWN);
    }

    public String id() {
        return kept.photoId();
    }

    /// Whether it was taken against the light, where what is thrown about glows.
    public boolean againstTheLight() {
        return graded.filter(g -> g.lighting() == Lighting.AGAINST).isPresent();
    }

    boolean gradedIn(Phase phase) {
        return kept.phase() == phase && graded.isPresent();
    }
}
