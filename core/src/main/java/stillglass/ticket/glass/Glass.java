package stillglass.ticket.glass;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import stillglass.look.Aperture;
import stillglass.ticket.story.Grown;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Recorded;

/// Photos of a ticket and the findings they give together. Immutable.
///
/// @param photos by their ids, in the order they were kept
/// @param known findings by their ids, in the order of their photos
/// @param dismissed what was called no fault, with the kind that had been computed, by their ids
/// @param focused plane behind the rim on which a photo is sharp, where that was said; mm
/// @param turned how far photos are turned against earlier ones, where their mount told
/// @param marks drawn on photos, by their numbers
/// @param assembly what was found assembled wrongly and not put right since; short forms of [stillglass.optics.misassembly.LensFault]
/// @param assemblyFound everything that was ever found assembled wrongly
/// @param ids every id a finding ever had, so that none is given twice
public record Glass(
        Map<String, Photo> photos, Map<String, Known> known, Map<String, Known> dismissed, Map<String, Double> focused, Map<String, GlassEvent.PhotoTurned> turned,
        Map<String, SortedMap<Integer, PhotoMark>> marks, List<String> assembly, Set<String> assemblyFound, Set<String> ids) {
    /// Nothing was seen.
    public static final Glass NONE = new Glass(Map.of(), Map.of(), Map.of(), Map.of(), Map.of(), Map.of(), List.of(), Set.of(), Set.of());

    public Glass {
        photos = Grown.kept(photos);
        known = Grown.kept(known);
        dismissed = Grown.kept(dismissed);
        focused = Grown.kept(focused);
        turned = Grown.kept(turned);
        marks = Grown.kept(marks);
        assembly = List.copyOf(assembly);
        assemblyFound = Grown.kept(assemblyFound);
        ids = Grown.kept(ids);
    }

    /// The state after one more event.
    public Glass after(Recorded row, GlassEvent happened) {
        return switch (happened) {
            case GlassEvent.PhotoKept e -> new Glass(Grown.by(photos, e.photoId(), new Photo(e, Optional.empty(), row.at())), known, dismissed, focused, turned, marks, assembly, assemblyFound, ids);
            case GlassEvent.PhotoDated e -> photo(e.photoId()).map(p -> with(p.of(e.day()))).orElse(this);
            case GlassEvent.LampMoved e -> photo(e.photoId()).map(p -> with(p.withLampMoved())).orElse(this);
            case GlassEvent.PhotosSwept e -> swept(e.photoIds());
            case GlassEvent.BladesSharp e -> photo(e.photoId()).flatMap(p -> p.sweep().map(at -> with(p.swept(new Photo.Swept(at.of(), at.step(), true))))).orElse(this);
            case GlassEvent.PhotoSet e -> photo(e.photoId()).map(p -> with(p.with(e))).orElse(this);
            case GlassEvent.CardMeasured e -> photo(e.photoId()).map(p -> with(p.with(e))).orElse(this);
            case GlassEvent.PhotoGraded e -> photos.containsKey(e.photoId()) ? Findings.of(this).graded(e) : this;
            case GlassEvent.FindingRekinded e -> change(e.findingId(), k -> k.with(e.kind()));
            case GlassEvent.FindingSevere e -> change(e.findingId(), k -> k.severe(e.severity()));
            case GlassEvent.FindingDismissed e -> dismiss(e.findingId());
            case GlassEvent.FindingPlaced e -> change(e.findingId(), k -> k.with(Optional.of(e.surface())));
            case GlassEvent.FindingUnplaced e -> change(e.findingId(), k -> k.with(Optional.<Integer>empty()));
            case GlassEvent.FindingTested e -> change(e.findingId(), k -> k.with(e));
            case GlassEvent.FindingReshaped e -> change(e.findingId(), k -> k.with(k.finding().withRegions(e.regions())));
            case GlassEvent.FindingDrawn e -> with(Grown.by(known, e.findingId(), new Known(e.findingId(), e.photoId(), e.finding())));
            case GlassEvent.FindingsMerged e -> Findings.of(this).merged(e);
            case GlassEvent.FindingSplit e -> Findings.of(this).split(e.findingId());
            case GlassEvent.PhotoFocused e -> new Glass(photos, known, dismissed, Grown.by(focused, e.photoId(), e.depthMm()), turned, marks, assembly, assemblyFound, ids);
            case GlassEvent.PhotoTurned e -> new Glass(photos, known, dismissed, focused, Grown.by(turned, e.photoId(), e), marks, assembly, assemblyFound, ids);
            case GlassEvent.DepthRead e -> change(e.findingId(), k -> k.with(e.reading()));
            case GlassEvent.PhotoMarked e -> marked(e.photoId(), e.number(), Optional.of(e.mark()));
            case GlassEvent.PhotoUnmarked e -> marked(e.photoId(), e.number(), Optional.empty());
            case GlassEvent.GradeOverruled e -> change(e.findingId(), k -> k.with(e));
            case GlassEvent.MisassemblyFound e -> assembled(Grown.by(assembly, e.fault()), Grown.by(assemblyFound, e.fault()));
            case GlassEvent.AssemblyPutRight e -> assembled(List.of(), assemblyFound);
        };
    }

    /// The same with other findings; ids that are new are remembered.
    Glass with(Map<String, Known> findings) {
        Set<String> all = ids.containsAll(findings.keySet()) ? ids : grown(findings.keySet());
        return new Glass(photos, findings, dismissed, focused, turned, marks, assembly, assemblyFound, all);
    }

    private Set<String> grown(Set<String> more) {
        Set<String> all = new LinkedHashSet<>(ids);
        all.addAll(more);
        return all;
    }

    Glass with(Map<String, Photo> allPhotos, Map<String, Known> findings, Map<String, Known> goneFindings) {
        return new Glass(allPhotos, known, goneFindings, focused, turned, marks, assembly, assemblyFound, ids).with(findings);
    }

    private Glass change(String id, UnaryOperator<Known> how) {
        Known k = known.get(id);
        return k == null ? this : with(Grown.by(known, id, how.apply(k)));
    }

    private Glass with(Photo changed) {
        return new Glass(Grown.by(photos, changed.id(), changed), known, dismissed, focused, turned, marks, assembly, assemblyFound, ids);
    }

    private Glass swept(List<String> ids) {
        Glass now = this;
        for (int i = 0; i < ids.size(); i++) {
            Photo.Swept at = new Photo.Swept(ids.getFirst(), i + 1, false);
            Glass before = now;
            now = before.photo(ids.get(i)).map(p -> before.with(p.swept(at))).orElse(before);
        }
        return now;
    }

    private Glass dismiss(String id) {
        Known k = known.get(id);
        return k == null ? this : with(photos, Grown.less(known, id), Grown.by(dismissed, id, k));
    }

    private Glass marked(String photo, int number, Optional<PhotoMark> mark) {
        SortedMap<Integer, PhotoMark> of = new TreeMap<>(marks(photo));
        mark.ifPresentOrElse(m -> of.put(number, m), () -> of.remove(number));
        return new Glass(photos, known, dismissed, focused, turned, Grown.by(marks, photo, Collections.unmodifiableSortedMap(of)), assembly, assemblyFound, ids);
    }

    private Glass assembled(List<String> now, Set<String> ever) {
        return new Glass(photos, known, dismissed, focused, turned, marks, now, ever, ids);
    }

    public Optional<Photo> photo(String id) {
        return Optional.ofNullable(photos.get(id));
    }

    /// Photos in the order they were kept.
    public List<Photo> all() {
        return List.copyOf(photos.values());
    }

    /// The last graded photo of a phase.
    public Optional<Photo> graded(Phase phase) {
        return photos.values().stream().filter(p -> p.gradedIn(phase)).reduce((a, b) -> b);
    }

    /// The photo before the work with which one after it is compared: the last from its side.
    public Optional<Photo> earlier(Photo after) {
        return photos.values().stream().filter(p -> p.gradedIn(Phase.BEFORE) && p.kept().fromRear() == after.kept().fromRear()).reduce((a, b) -> b);
    }

    /// The clear aperture of the last photo that was read from a side: the camera may not have been moved since.
    public Optional<Aperture> rim(boolean fromRear) {
        return photos.values().stream().filter(p -> p.kept().fromRear() == fromRear).flatMap(p -> p.graded().stream()).map(GlassEvent.PhotoGraded::aperture).reduce((a, b) -> b);
    }

    /// Whether a photo looks in from behind.
    public boolean fromRear(String photoId) {
        return photo(photoId).filter(p -> p.kept().fromRear()).isPresent();
    }

    /// Findings in the order of their photos; dismissed ones are gone.
    public List<Known> findings() {
        return known.values().stream().map(this::measured).toList();
    }

    public Optional<Known> finding(String id) {
        return Optional.ofNullable(known.get(id)).map(this::measured);
    }

    public SortedMap<Integer, PhotoMark> marks(String photoId) {
        SortedMap<Integer, PhotoMark> of = marks.get(photoId);
        return of == null ? Collections.emptySortedMap() : of;
    }

    public Optional<Double> focusMm(String photoId) {
        return Optional.ofNullable(focused.get(photoId));
    }

    public Optional<GlassEvent.PhotoTurned> turned(String photoId) {
        return Optional.ofNullable(turned.get(photoId));
    }

    /// With what other photos tell of it: its depth, and how much it scatters.
    private Known measured(Known k) {
        Known told = Sights.of(this).stacked(Sights.of(this).lit(k));
        return told.with(Veils.of(this).measured(k.photoId(), told.finding()));
    }

    /// Findings by their ids, to be changed.
    Map<String, Known> knownCopy() {
        return new LinkedHashMap<>(known);
    }
}
