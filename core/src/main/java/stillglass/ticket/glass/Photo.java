package stillglass.ticket.glass;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import stillglass.ticket.story.Phase;

/// A photo and what was read from it.
/// @param at when it was kept
/// @param set where the controls stood, where that was said
/// @param dated of which day it is, where that was said
public record Photo(GlassEvent.PhotoKept kept, Optional<GlassEvent.PhotoGraded> graded, Instant at, Optional<GlassEvent.PhotoSet> set, Optional<LocalDate> dated) {
    public Photo(GlassEvent.PhotoKept kept, Optional<GlassEvent.PhotoGraded> graded, Instant at) {
        this(kept, graded, at, Optional.empty(), Optional.empty());
    }

    Photo with(GlassEvent.PhotoSet where) {
        return new Photo(kept, graded, at, Optional.of(where), dated);
    }

    Photo with(GlassEvent.PhotoGraded read) {
        return new Photo(kept, Optional.of(read), at, set, dated);
    }

    Photo of(LocalDate day) {
        return new Photo(kept, graded, at, set, Optional.of(day));
    }

    /// The day it shows: as said, as the camera wrote it, or the day it was kept.
    public LocalDate day() {
        return dated.or(() -> kept.taken().map(LocalDateTime::toLocalDate)).orElseGet(() -> at.atZone(ZoneOffset.UTC).toLocalDate());
    }

    public String id() {
        return kept.photoId();
    }

    boolean gradedIn(Phase phase) {
        return kept.phase() == phase && graded.isPresent();
    }
}
