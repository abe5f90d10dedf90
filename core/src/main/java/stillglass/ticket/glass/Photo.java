package stillglass.ticket.glass;

import java.time.Instant;
import java.util.Optional;
import stillglass.ticket.story.Phase;

/// A photo and what was read from it.
/// @param at when it was kept
public record Photo(GlassEvent.PhotoKept kept, Optional<GlassEvent.PhotoGraded> graded, Instant at) {
    public String id() {
        return kept.photoId();
    }

    boolean gradedIn(Phase phase) {
        return kept.phase() == phase && graded.isPresent();
    }
}
