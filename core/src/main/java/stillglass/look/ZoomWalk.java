package stillglass.look;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import stillglass.say.Said;

/// One fault in photos from one side at several zoom settings: whether it keeps its place in the front rim.
///
/// What lies on the front group does, however the zoom stands. What lies behind it is seen through it at another distance, so that its place is drawn out or in, by as much more as it lies farther from the middle; groups that are moved change that by a quarter and more. So a place far enough out
/// that stays says “on the front group”, without any section of the lens. A place near the middle says nothing.
///
/// @param shortMm the shortest zoom setting
/// @param longMm the longest
/// @param moved how far apart the places are, rim radii
/// @param least by how much a place there would at least have moved on a group that is moved, rim radii
public record ZoomWalk(double shortMm, double longMm, double moved, double least) {
    /// Settings nearer to each other than this tell nothing.
    private static final double LEAST_RATIO = 1.3;
    /// Change of an inner group's size that is reckoned with.
    private static final double DRAWN = 0.25;
    /// Scatter of a place in a photo, one direction, rim radii: the middle of an outline, and the rim itself.
    private static final double SCATTER = 0.03;
    /// Two places scatter by the root of two more; three times that is no chance.
    private static final double CLEAR = 3 * Math.sqrt(2) * SCATTER;

    /// @param zoomMm where the zoom stood
    /// @param x place, rim radii from the middle
    public record Sight(double zoomMm, double x, double y) {}

    /// @return nothing where the settings are too near each other, or the place too near the middle to tell
    public static Optional<ZoomWalk> of(List<Sight> sights) {
        Optional<Sight> first = sights.stream().min(Comparator.comparingDouble(Sight::zoomMm));
        Optional<Sight> last = sights.stream().max(Comparator.comparingDouble(Sight::zoomMm));
        if (first.isEmpty() || last.isEmpty() || last.get().zoomMm < LEAST_RATIO * first.get().zoomMm) {
            return Optional.empty();
        }
        Sight a = first.get();
        Sight b = last.get();
        double least = DRAWN * Math.max(Math.hypot(a.x, a.y), Math.hypot(b.x, b.y));
        return least < CLEAR ? Optional.empty() : Optional.of(new ZoomWalk(a.zoomMm, b.zoomMm, Math.hypot(a.x - b.x, a.y - b.y), least));
    }

    /// Whether it lies on the front group: it moved no more than two photos of one place scatter, and less than half of what an inner group would have moved it.
    public boolean stays() {
        return moved < Math.min(CLEAR, least / 2);
    }

    public Said said() {
        return Said.of(stays() ? "zoom.stays" : "zoom.walks", "from", shortMm, "to", longMm);
    }
}
