package stillglass.ticket.glass;

import java.time.Instant;
import java.util.Optional;
import stillglass.ticket.story.Phase;

/// A photo and what was read from it.
/// @param at when it was kept
/// @param set where the controls stood, where that was said
public record Photo(GlassEvent.PhotoKept kept, Optional<GlassEvent.PhotoGraded> graded, Instant at, Optional<GlassEvent.PhotoSet> set) {
    public Photo(GlassEvent.PhotoKept kept, Optional<GlassEvent.PhotoGraded> graded, Instant at) {
        this(kept, graded, at, Optional.empty());
    }

    Photo with(GlassEvent.PhotoSet where) {
        return new Photo(kept, graded, at, Optional.of(where));
    }

    public String id() {
        return kept.photoId();
    }

    boolean gradedIn(Phase phase) {
        return kept.phase() == phase && graded.isPresent();
    }
}
