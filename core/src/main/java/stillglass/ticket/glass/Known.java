package stillglass.ticket.glass;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import stillglass.grade.BothSides;
import stillglass.grade.DepthReading;
import stillglass.grade.PlaceEvidence;
import stillglass.grade.TellApart;
import stillglass.grade.ZoomPlaces;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.SameFault;
import stillglass.look.ZoomWalk;
import stillglass.optics.LensSection;

/// A finding as it stands after the technician's corrections.
/// @param id photo id and number
/// @param overruled the technician's grade, beside the computed one
/// @param computedSeverity before the technician said how severe it is
/// @param depths how deep it seems to lie, in the order they were read
/// @param tests answers that told kinds apart, in the order they were given
/// @param sights the photos it was seen in, with what each shows of it
/// @param otherSide the photo from the opposite side it was seen in first, one of the sights
/// @param zooms where it stands in photos from its side at zoom settings that were said
public record Known(
        String id,
        String photoId,
        Finding finding,
        Optional<Integer> surface,
        Optional<GlassEvent.GradeOverruled> overruled,
        Optional<FindingKind> computedKind,
        Optional<Integer> computedSeverity,
        List<DepthReading> depths,
        List<TellApart.Answered> tests,
        Map<String, Finding> sights,
        Optional<String> otherSide,
        List<ZoomWalk.Sight> zooms) {
    private static final double LIKELIER = 0.5;

    public Known {
        depths = List.copyOf(depths);
        tests = List.copyOf(tests);
        zooms = List.copyOf(zooms);
        sights = Collections.unmodifiableMap(new LinkedHashMap<>(sights));
    }

    /// A finding nobody has touched, seen in one photo.
    public Known(String id, String photoId, Finding finding) {
        this(id, photoId, finding, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), List.of(), List.of(), Map.of(photoId, finding), Optional.empty(), List.of());
    }

    Known with(Optional<Integer> placed) {
        return new Known(id, photoId, finding, placed, overruled, computedKind, computedSeverity, depths, tests, sights, otherSide, zooms);
    }

    Known with(GlassEvent.GradeOverruled grade) {
        return new Known(id, photoId, finding, surface, Optional.of(grade), computedKind, computedSeverity, depths, tests, sights, otherSide, zooms);
    }

    Known with(FindingKind kind) {
        return new Known(id, photoId, finding.withKind(kind), surface, overruled,
                Optional.of(computedKind.orElse(finding.kind())), computedSeverity, depths, tests, sights, otherSide, zooms);
    }

    Known zoomed(List<ZoomWalk.Sight> places) {
        return new Known(id, photoId, finding, surface, overruled, computedKind, computedSeverity, depths, tests, sights, otherSide, places);
    }

    Known severe(int said) {
        return new Known(id, photoId, finding.severe(said), surface, overruled, computedKind, Optional.of(computedSeverity.orElse(finding.severity())), depths, tests, sights, otherSide, zooms);
    }

    Known with(DepthReading read) {
        List<DepthReading> more = new ArrayList<>(depths);
        more.add(read);
        return new Known(id, photoId, finding, surface, overruled, computedKind, computedSeverity, more, tests, sights, otherSide, zooms);
    }

    /// A kind that was set by hand stays; the answers change what is computed.
    Known with(GlassEvent.FindingTested t) {
        List<TellApart.Answered> more = new ArrayList<>(tests);
        more.add(new TellApart.Answered(t.test(), t.answer()));
        Finding told = computedKind.isPresent() ? finding : finding.told(t.kind(), t.chances());
        return new Known(id, photoId, told, surface, overruled, computedKind, computedSeverity, depths, more, sights, otherSide, zooms);
    }

    Known with(Finding other) {
        return new Known(id, photoId, other, surface, overruled, computedKind, computedSeverity, depths, tests, sights, otherSide, zooms);
    }

    /// The same fault in another photo from the same side.
    Known seenIn(String otherPhoto, Finding there) {
        Map<String, Finding> more = new LinkedHashMap<>(sights);
        more.put(otherPhoto, there);
        return new Known(id, photoId, untouched() ? asSevere(SameFault.together(finding, there)) : finding, surface, overruled, computedKind, computedSeverity, depths, tests, more, otherSide, zooms);
    }

    /// What the technician said of its severity holds whatever another photo shows.
    private Finding asSevere(Finding more) {
        return computedSeverity.isPresent() ? more.severe(finding.severity()) : more;
    }

    private boolean untouched() {
        return computedKind.isEmpty() && tests.isEmpty();
    }

    /// The same fault from the opposite side. Its place and outline stay as this side shows them; what was read and answered there counts here too.
    Known seenFromBehind(Known there) {
        Map<String, Finding> more = new LinkedHashMap<>(sights);
        there.sights.forEach(more::putIfAbsent);
        List<DepthReading> read = new ArrayList<>(depths);
        read.addAll(there.depths);
        List<TellApart.Answered> answers = new ArrayList<>(tests);
        answers.addAll(there.tests);
        return new Known(id, photoId, untouched() ? asSevere(SameFault.fromBothSides(finding, there.finding)) : finding, surface.or(there::surface),
                overruled.or(there::overruled), computedKind, computedSeverity, read, answers, more, otherSide.or(() -> Optional.of(there.photoId)), zooms);
    }

    /// Without what a photo shows of it.
    Known withoutSight(String photo) {
        Map<String, Finding> fewer = new LinkedHashMap<>(sights);
        fewer.remove(photo);
        return new Known(id, photoId, finding, surface, overruled, computedKind, computedSeverity, depths, tests, fewer, otherSide.filter(p -> !p.equals(photo)), zooms);
    }

    /// Two faults that are one, seen from the same side: what was read and answered of either counts for both.
    Known joined(Known gone, Finding whole) {
        Map<String, Finding> more = new LinkedHashMap<>(sights);
        gone.sights.forEach(more::putIfAbsent);
        List<DepthReading> read = new ArrayList<>(depths);
        read.addAll(gone.depths);
        List<TellApart.Answered> answers = new ArrayList<>(tests);
        answers.addAll(gone.tests);
        return new Known(id, photoId, whole, surface.or(gone::surface), overruled.or(gone::overruled), computedKind.or(gone::computedKind), computedSeverity.or(gone::computedSeverity), read, answers, more,
                otherSide.or(gone::otherSide), zooms);
    }

    /// One outline of it as a fault of its own. What was read of the whole was read of each part.
    Known part(String own, Finding outline) {
        return new Known(own, photoId, outline, surface, Optional.empty(), computedKind, computedSeverity, depths, List.of(), Map.of(photoId, outline), Optional.empty(), List.of());
    }

    /// Without the depths that were read from one side.
    Known withoutDepths(boolean fromRear) {
        return new Known(id, photoId, finding, surface, overruled, computedKind, computedSeverity, depths.stream().filter(d -> d.fromRear() != fromRear).toList(), tests, sights, otherSide, zooms);
    }

    /// Chance that it is no fault at all, 0 to 1. What a technician corrected or answered is one.
    public double nothing() {
        return untouched() ? finding.chances().getOrDefault(FindingKind.UNKNOWN, 0.0) : 0;
    }

    /// Whether it is likelier nothing than any fault, and nobody has graded it: to be looked at again before anything is opened for it. Dust is counted, its specks are not each a doubt.
    public boolean doubtful() {
        return nothing() > LIKELIER && finding.kind() != FindingKind.DUST && overruled.isEmpty() && computedSeverity.isEmpty();
    }

    /// How severe it is, 0 to 4: as read of its kind by the photo, or as the technician says. Nothing while it has no kind: then nobody knows.
    public Optional<Integer> severity() {
        return finding.kind() == FindingKind.UNKNOWN && computedSeverity.isEmpty() ? Optional.empty() : Optional.of(finding.severity());
    }

    /// Its kind, or of what is not told the likeliest it may be.
    public FindingKind mayBe() {
        return finding.kind() == FindingKind.UNKNOWN ? finding.likeliest().orElse(FindingKind.UNKNOWN) : finding.kind();
    }

    /// What its photos from both sides and at several zoom settings say of where it lies.
    /// @param fromRear whether this side is the rear
    public List<PlaceEvidence> places(LensSection lens, boolean fromRear) {
        return Stream.<Optional<? extends PlaceEvidence>>of(bothSides(fromRear), ZoomPlaces.of(lens, finding.kind(), zooms, fromRear)).<PlaceEvidence>flatMap(Optional::stream).toList();
    }

    private Optional<BothSides> bothSides(boolean fromRear) {
        return otherSide.map(sights::get).map(there -> BothSides.of(sights.getOrDefault(photoId, finding), fromRear, there));
    }
}
