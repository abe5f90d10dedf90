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
/// @param photo photo looked at, empty for the latest
/// @param hero what Look shows large
/// @param fromRear whether the next photo looks in from behind
/// @param otherPicture whether the Axis shows the section instead of the unfolded instrument, or the other way about
public record Viewing(int stop, boolean rays, Set<String> cured, Optional<Integer> face, Optional<String> photo, Hero hero, boolean fromRear, boolean otherPicture) {
    public static final Viewing USUAL = new Viewing(0, false, Set.of(), Optional.empty(), Optional.empty(), Hero.PHOTO, false, false);

    /// What Look shows large.
    public enum Hero {
        /// A photo with its findings.
        PHOTO,
        /// The glass unrolled about its axis, findings of all photos on it.
        UNROLLED,
        /// Before and after, one wiped over the other.
        WIPE,
        /// Where lamp, card and camera go.
        LIGHTING,
        /// What is not glass: blades, barrel, slots, screws.
        CONDITION
    }

    public Viewing {
        cured = Set.copyOf(cured);
    }

    public Viewing at(int otherStop) {
        return new Viewing(otherStop, rays, cured, face, photo, hero, fromRear, otherPicture);
    }

    public Viewing withRays(boolean on) {
        return new Viewing(stop, on, cured, face, photo, hero, fromRear, otherPicture);
    }

    public Viewing facing(Optional<Integer> surface) {
        return new Viewing(stop, rays, cured, surface, photo, hero, fromRear, otherPicture);
    }

    public Viewing onPhoto(String id) {
        return new Viewing(stop, rays, cured, face, Optional.of(id), Hero.PHOTO, fromRear, otherPicture);
    }

    /// Another large picture; the same again goes back to the photo.
    public Viewing showing(Hero other) {
        return new Viewing(stop, rays, cured, face, photo, hero == other ? Hero.PHOTO : other, fromRear, otherPicture);
    }

    /// Turns the lens over: the next photo looks in from the other side.
    public Viewing turnedOver() {
        return new Viewing(stop, rays, cured, face, photo, hero, !fromRear, otherPicture);
    }

    /// The section instead of the unfolded instrument, or back.
    public Viewing otherwise() {
        return new Viewing(stop, rays, cured, face, photo, hero, fromRear, !otherPicture);
    }

    /// Thinks a finding away, or back.
    public Viewing toggled(String findingId) {
        Set<String> now = new LinkedHashSet<>(cured);
        if (!now.remove(findingId)) {
            now.add(findingId);
        }
        return new Viewing(stop, rays, now, face, photo, hero, fromRear, otherPicture);
    }
}
