package stillglass.ticket.glass;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.grade.DepthReading;
import stillglass.look.Finding;
import stillglass.look.Outlines;
import stillglass.look.SameFault;
import stillglass.ticket.story.Grown;
import stillglass.ticket.story.Phase;

/// Which findings there are after a photo was read, and after they were made one or taken apart.
final class Findings {
    private final Glass glass;

    private Findings(Glass glass) {
        this.glass = glass;
    }

    static Findings of(Glass glass) {
        return new Findings(glass);
    }

    /// A photo was read, perhaps once more: what it showed before is replaced, what was dismissed of it stays so.
    Glass graded(GlassEvent.PhotoGraded e) {
        Photo photo = glass.photo(e.photoId()).orElseThrow();
        Map<String, Photo> photos = Grown.by(glass.photos(), e.photoId(), photo.with(e));
        Map<String, Known> known = glass.knownCopy();
        known.keySet().removeIf(id -> id.startsWith(e.photoId() + "#"));
        known.replaceAll((id, k) -> k.photoId().equals(e.photoId()) ? k : k.withoutSight(e.photoId()));
        Glass before = glass.with(photos, known, glass.dismissed());
        if (photo.kept().phase() == Phase.AFTER) {
            return before;
        }
        List<Known> gone = glass.dismissed().values().stream().filter(k -> k.sights().containsKey(e.photoId())).toList();
        Map<String, Known> dismissed = new LinkedHashMap<>(glass.dismissed());
        of(before).numbered(photo.kept(), e.findings()).forEach((id, f) -> {
            Optional<Known> again = SameFault.in(gone.stream().map(Known::finding).toList(), f).flatMap(same -> gone.stream().filter(k -> k.finding().equals(same)).findFirst());
            if (again.isPresent()) {
                dismissed.put(again.get().id(), new Known(again.get().id(), e.photoId(), f));
            } else {
                Known k = known.get(id);
                known.put(id, k == null ? new Known(id, e.photoId(), f) : k.seenIn(e.photoId(), f));
            }
        });
        return glass.with(photos, known, dismissed);
    }

    /// The id every finding of a photo has: that of the same fault in an earlier photo from its side, or else one of its own.
    Map<String, Finding> numbered(GlassEvent.PhotoKept photo, List<Finding> found) {
        Map<String, Finding> ids = new LinkedHashMap<>();
        int number = 1;
        for (Finding f : found) {
            Optional<String> before = earlier(photo, f, ids.keySet()).map(Known::id);
            ids.put(before.isPresent() ? before.get() : photo.photoId() + "#" + number++, f);
        }
        return ids;
    }

    /// The same fault in an earlier photo from the same side; each is met once.
    private Optional<Known> earlier(GlassEvent.PhotoKept photo, Finding f, Set<String> matched) {
        List<Known> open = glass.known().values().stream()
                .filter(k -> !matched.contains(k.id()) && !k.photoId().equals(photo.photoId()))
                .filter(k -> glass.photo(k.photoId()).isPresent() && glass.fromRear(k.photoId()) == photo.fromRear())
                .toList();
        return SameFault.in(open.stream().map(Known::finding).toList(), f).flatMap(same -> open.stream().filter(k -> k.finding().equals(same)).findFirst());
    }

    Glass merged(GlassEvent.FindingsMerged e) {
        Known into = glass.known().get(e.findingId());
        Known gone = glass.known().get(e.gone());
        if (into == null || gone == null || into == gone) {
            return glass;
        }
        Map<String, Known> known = glass.knownCopy();
        known.remove(e.gone());
        if (glass.fromRear(into.photoId()) != glass.fromRear(gone.photoId())) {
            known.put(e.findingId(), into.seenFromBehind(gone));
        } else {
            List<Finding.Region> both = new ArrayList<>(into.finding().regions());
            both.addAll(gone.finding().regions());
            known.put(e.findingId(), into.joined(gone, into.finding().joined(gone.finding(), Outlines.merged(both))));
        }
        return glass.with(known);
    }

    Glass split(String id) {
        Known whole = glass.known().get(id);
        if (whole == null) {
            return glass;
        }
        Map<String, Known> known = glass.knownCopy();
        if (whole.otherSide().isPresent()) {
            apart(whole, whole.otherSide().get(), known);
            return glass.with(known);
        }
        List<Finding.Region> parts = whole.finding().regions();
        Set<String> taken = new HashSet<>(glass.ids());
        for (int i = 0; i < parts.size(); i++) {
            String own = i == 0 ? id : free(id, i + 1, taken);
            taken.add(own);
            known.put(own, whole.part(own, whole.finding().withRegions(List.of(parts.get(i))).counted(Math.max(1, whole.finding().count() / parts.size()))));
        }
        return glass.with(known);
    }

    /// An id no finding ever had.
    private static String free(String id, int from, Set<String> taken) {
        int n = from;
        while (taken.contains(id + "." + n)) {
            n++;
        }
        return id + "." + n;
    }

    /// What was taken for one fault seen from both sides becomes two; each keeps the depths that were read from its side.
    private void apart(Known whole, String otherPhoto, Map<String, Known> known) {
        boolean side = glass.fromRear(whole.photoId());
        Known near = whole.withoutDepths(!side);
        String own = glass.ids().contains(whole.id() + ".behind") ? free(whole.id() + ".behind", 2, glass.ids()) : whole.id() + ".behind";
        Known far = new Known(own, otherPhoto, whole.sights().getOrDefault(otherPhoto, whole.finding()));
        for (Map.Entry<String, Finding> sight : whole.sights().entrySet()) {
            if (glass.fromRear(sight.getKey()) != side) {
                near = near.withoutSight(sight.getKey());
                far = sight.getKey().equals(otherPhoto) ? far : far.seenIn(sight.getKey(), sight.getValue());
            }
        }
        for (DepthReading d : whole.depths()) {
            far = d.fromRear() != side ? far.with(d) : far;
        }
        known.put(near.id(), near);
        known.put(far.id(), far);
    }
}
