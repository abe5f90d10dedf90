package stillglass.app.desk;

import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;

/// How the work is looked at: kept with the window, not with the ticket.
///
/// @param stop index into the stops of the lens
/// @param rays whether the Axis shows light
/// @param cured findings that are thought away, by id
/// @param face surface looked at face-on, empty for none
public record Viewing(int stop, boolean rays, Set<String> cured, Optional<Integer> face) {
    public static final Viewing USUAL = new Viewing(0, false, Set.of(), Optional.empty());

    public Viewing {
        cured = Set.copyOf(cured);
    }

    public Viewing at(int otherStop) {
        return new Viewing(otherStop, rays, cured, face);
    }

    public Viewing withRays(boolean on) {
        return new Viewing(stop, on, cured, face);
    }

    public Viewing facing(Optional<Integer> surface) {
        return new Viewing(stop, rays, cured, surface);
    }

    /// Thinks a finding away, or back.
    public Viewing toggled(String findingId) {
        Set<String> now = new LinkedHashSet<>(cured);
        if (!now.remove(findingId)) {
            now.add(findingId);
        }
        return new Viewing(stop, rays, now, face);
    }
}
