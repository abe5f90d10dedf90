package stillglass.ticket;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import stillglass.grade.DepthReading;
import stillglass.look.Finding;
import stillglass.look.FocusStack;
import stillglass.look.Outlines;
import stillglass.look.SameFault;
import stillglass.ticket.TicketState.Photo;

/// Photos of a ticket and the findings they give together: the fold of what was seen in the glass and what was made of it since.
final class GlassRecord {
    private final Map<String, Photo> photos = new LinkedHashMap<>();
    private final Map<String, Known> findings = new LinkedHashMap<>();
    private final List<Known> dismissed = new ArrayList<>();
    private final Map<String, Double> focused = new LinkedHashMap<>();
    private final Map<String, TicketEvent.PhotoTurned> turned = new LinkedHashMap<>();
    private final Map<String, SortedMap<Integer, PhotoMark>> marks = new LinkedHashMap<>();

    void keep(TicketEvent.PhotoKept e, Instant at) {
        photos.put(e.photoId(), new Photo(e, Optional.empty(), at));
    }

    void apply(TicketEvent.OnGlass happened) {
        switch (happened) {
            case TicketEvent.PhotoGraded e -> grade(e);
            case TicketEvent.FindingRekinded e -> change(e.findingId(), k -> k.with(e.kind()));
            case TicketEvent.FindingDismissed e -> Optional.ofNullable(findings.remove(e.findingId())).ifPresent(dismissed::add);
            case TicketEvent.FindingPlaced e -> change(e.findingId(), k -> k.with(Optional.of(e.surface())));
            case TicketEvent.FindingUnplaced e -> change(e.findingId(), k -> k.with(Optional.<Integer>empty()));
            case TicketEvent.FindingTested e -> change(e.findingId(), k -> k.with(e));
            case TicketEvent.FindingReshaped e -> change(e.findingId(), k -> k.with(k.finding().withRegions(e.regions())));
            case TicketEvent.FindingDrawn e -> findings.put(e.findingId(), new Known(e.findingId(), e.photoId(), e.finding()));
            case TicketEvent.FindingsMerged e -> merge(e);
            case TicketEvent.FindingSplit e -> split(e.findingId());
            case TicketEvent.PhotoFocused e -> focused.put(e.photoId(), e.depthMm());
            case TicketEvent.PhotoTurned e -> turned.put(e.photoId(), e);
            case TicketEvent.DepthRead e -> change(e.findingId(), k -> k.with(e.reading()));
            case TicketEvent.PhotoMarked e -> marks.computeIfAbsent(e.photoId(), p -> new TreeMap<>()).put(e.number(), e.mark());
            case TicketEvent.PhotoUnmarked e -> marks.getOrDefault(e.photoId(), new TreeMap<>()).remove(e.number());
            case TicketEvent.GradeOverruled e -> change(e.findingId(), k -> k.with(e));
        }
    }

    private void change(String id, java.util.function.UnaryOperator<Known> how) {
        findings.computeIfPresent(id, (same, k) -> how.apply(k));
    }

    List<Photo> photos() {
        return List.copyOf(photos.values());
    }

    Optional<Photo> photo(String id) {
        return Optional.ofNullable(photos.get(id));
    }

    /// In the order of their photos.
    List<Known> findings() {
        return findings.values().stream().map(this::stacked).toList();
    }

    Optional<Known> finding(String id) {
        return Optional.ofNullable(findings.get(id)).map(this::stacked);
    }

    List<Known> dismissed() {
        return List.copyOf(dismissed);
    }

    Optional<TicketEvent.PhotoTurned> turned(String photoId) {
        return Optional.ofNullable(turned.get(photoId));
    }

    SortedMap<Integer, PhotoMark> marks(String photoId) {
        return Collections.unmodifiableSortedMap(marks.getOrDefault(photoId, new TreeMap<>()));
    }

    Optional<Double> focusMm(String photoId) {
        return Optional.ofNullable(focused.get(photoId));
    }

    private void grade(TicketEvent.PhotoGraded e) {
        Photo photo = photos.get(e.photoId());
        if (photo == null) {
            return;
        }
        photos.put(e.photoId(), new Photo(photo.kept(), Optional.of(e), photo.at()));
        findings.keySet().removeIf(id -> id.startsWith(e.photoId() + "#"));
        findings.replaceAll((id, k) -> k.photoId().equals(e.photoId()) ? k : k.withoutSight(e.photoId()));
        if (photo.kept().phase() == Phase.AFTER) {
            return;
        }
        numbered(photo.kept(), e.findings()).forEach((id, f) -> findings.put(id,
                Optional.ofNullable(findings.get(id)).map(k -> k.seenIn(e.photoId(), f)).orElseGet(() -> new Known(id, e.photoId(), f))));
    }

    /// The id every finding of a photo has: that of the same fault in an earlier photo from its side, or else one of its own.
    Map<String, Finding> numbered(TicketEvent.PhotoKept photo, List<Finding> found) {
        Map<String, Finding> ids = new LinkedHashMap<>();
        int number = 1;
        for (Finding f : found) {
            Optional<String> before = earlier(photo, f, ids.keySet()).map(Known::id);
            ids.put(before.isPresent() ? before.get() : photo.photoId() + "#" + number++, f);
        }
        return ids;
    }

    /// Whether a photo looks in from behind.
    boolean fromRear(String photoId) {
        return Optional.ofNullable(photos.get(photoId)).filter(p -> p.kept().fromRear()).isPresent();
    }

    /// The same fault in an earlier photo from the same side; each is met once.
    private Optional<Known> earlier(TicketEvent.PhotoKept photo, Finding f, Set<String> matched) {
        List<Known> open = findings.values().stream()
                .filter(k -> !matched.contains(k.id()) && !k.photoId().equals(photo.photoId()))
                .filter(k -> photos.containsKey(k.photoId()) && fromRear(k.photoId()) == photo.fromRear())
                .toList();
        return SameFault.in(open.stream().map(Known::finding).toList(), f)
                .flatMap(same -> open.stream().filter(k -> k.finding().equals(same)).findFirst());
    }

    private void merge(TicketEvent.FindingsMerged e) {
        Known into = findings.get(e.findingId());
        Known gone = findings.remove(e.gone());
        if (into != null && gone != null && fromRear(into.photoId()) != fromRear(gone.photoId())) {
            findings.put(e.findingId(), into.seenFromBehind(gone));
        } else if (into != null && gone != null) {
            List<Finding.Region> both = new ArrayList<>(into.finding().regions());
            both.addAll(gone.finding().regions());
            findings.put(e.findingId(), into.with(into.finding().joined(gone.finding(), Outlines.merged(both))));
        }
    }

    private void split(String id) {
        Known whole = findings.get(id);
        if (whole == null) {
            return;
        }
        if (whole.otherSide().isPresent()) {
            apart(whole, whole.otherSide().get());
            return;
        }
        List<Finding.Region> parts = whole.finding().regions();
        for (int i = 0; i < parts.size(); i++) {
            String own = i == 0 ? id : id + "." + (i + 1);
            Finding part = whole.finding().withRegions(List.of(parts.get(i))).counted(Math.max(1, whole.finding().count() / parts.size()));
            findings.put(own, new Known(own, whole.photoId(), part, whole.surface(), Optional.empty(), whole.computedKind(), List.of(), List.of(),
                    Map.of(whole.photoId(), part), Optional.empty()));
        }
    }

    /// What was taken for one fault seen from both sides becomes two.
    private void apart(Known whole, String otherPhoto) {
        boolean side = fromRear(whole.photoId());
        Known near = whole;
        Known far = new Known(whole.id() + ".behind", otherPhoto, whole.sights().getOrDefault(otherPhoto, whole.finding()));
        for (Map.Entry<String, Finding> sight : whole.sights().entrySet()) {
            if (fromRear(sight.getKey()) != side) {
                near = near.withoutSight(sight.getKey());
                far = sight.getKey().equals(otherPhoto) ? far : far.seenIn(sight.getKey(), sight.getValue());
            }
        }
        findings.put(near.id(), near);
        findings.put(far.id(), far);
    }

    /// With the depth at which it is sharpest, where photos focused at known depths tell one.
    private Known stacked(Known k) {
        Known told = k;
        for (boolean rear : new boolean[] {false, true}) {
            List<FocusStack.Sight> sights = new ArrayList<>();
            k.sights().forEach((photo, f) -> Optional.ofNullable(focused.get(photo)).filter(mm -> fromRear(photo) == rear)
                    .ifPresent(mm -> sights.add(new FocusStack.Sight(mm, f.sharpness()))));
            Known before = told;
            told = FocusStack.of(sights).map(st -> before.with(DepthReading.focus(rear, st.depthMm(), st.sigmaMm()))).orElse(before);
        }
        return told;
    }
}
