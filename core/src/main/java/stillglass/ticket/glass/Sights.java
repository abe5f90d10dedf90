package stillglass.ticket.glass;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import stillglass.grade.DepthReading;
import stillglass.grade.WhichSurface;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.FocusStack;
import stillglass.look.FocusSweep;
import stillglass.look.Growth;
import stillglass.look.Lighting;
import stillglass.look.PhotoEdges;
import stillglass.look.TwoLamps;
import stillglass.look.ZoomWalk;
import stillglass.optics.LensSection;
import stillglass.say.Said;
import stillglass.ticket.story.Phase;

/// What several photos of one finding tell together: of other days, with the lamp, the zoom or the camera's focus elsewhere.
public final class Sights {
    /// Of a disc: larger shares of the glass are no outline.
    private static final double MOST_AREA = 2;

    /// A kind that is this likely is not in doubt.
    private static final double SURE = 0.8;

    private final Glass glass;

    private Sights(Glass glass) {
        this.glass = glass;
    }

    public static Sights of(Glass glass) {
        return new Sights(glass);
    }

    /// How fast a finding grew, where photos of several visits from its side show it before the work.
    public Optional<Growth> growth(Known k) {
        Map<LocalDate, Double> areas = new TreeMap<>();
        k.sights().forEach((id, f) -> glass.photo(id).filter(p -> p.kept().phase() == Phase.BEFORE && sameSide(p, k)).ifPresent(p -> areas.merge(p.day(), f.areaShare(), (a, b) -> Math.sqrt(a * b))));
        return Growth.of(areas.entrySet().stream().filter(e -> e.getValue() > 0 && e.getValue() <= MOST_AREA).map(e -> new Growth.Visit(e.getKey(), e.getValue())).toList());
    }

    /// Whether a finding is still there with the lamp at another place, where photos of its side and time were taken at both: what is in the glass stays, what the lamp throws moves with it.
    /// @return nothing where there is no such photo, or the fault covers the glass
    public Optional<Boolean> staysAsTheLampMoves(Known k) {
        Optional<Photo> own = glass.photo(k.photoId());
        boolean everywhere = k.finding().kind() == FindingKind.HAZE || k.finding().kind() == FindingKind.DUST;
        List<Photo> alike = own.map(o -> glass.all().stream().filter(p -> alike(p, o)).toList()).orElse(List.of());
        if (everywhere || alike.stream().noneMatch(Photo::lampMoved) || alike.stream().allMatch(Photo::lampMoved)) {
            return Optional.empty();
        }
        List<Photo> seen = alike.stream().filter(p -> k.sights().containsKey(p.id())).toList();
        return Optional.of(seen.stream().anyMatch(Photo::lampMoved) && !seen.stream().allMatch(Photo::lampMoved));
    }

    /// From one side, at one stage of the work, in one light.
    private static boolean alike(Photo a, Photo b) {
        Optional<Lighting> light = a.graded().map(GlassEvent.PhotoGraded::lighting);
        return light.isPresent() && light.equals(b.graded().map(GlassEvent.PhotoGraded::lighting)) && a.kept().phase() == b.kept().phase() && a.kept().fromRear() == b.kept().fromRear();
    }

    /// What one more photo from the side of another would tell, before the work.
    /// @return nothing where neither is wanted
    public Optional<Said> oneMore(Photo photo) {
        List<Photo> same = glass.all().stream().filter(p -> p.gradedIn(Phase.BEFORE) && p.kept().fromRear() == photo.kept().fromRear()).toList();
        List<Photo> against = same.stream().filter(Photo::againstTheLight).toList();
        if (!photo.gradedIn(Phase.BEFORE)) {
            return Optional.empty();
        }
        if (against.isEmpty()) {
            return Optional.of(Said.of("sights.more.against"));
        }
        boolean doubt = glass.findings().stream().anyMatch(k -> against.stream().anyMatch(p -> k.sights().containsKey(p.id())) && k.computedKind().isEmpty() && (k.finding().kind() == FindingKind.UNKNOWN || k.finding().confidence() < SURE));
        return doubt && against.stream().noneMatch(Photo::lampMoved) ? Optional.of(Said.of("sights.more.lamp", "number", 1 + glass.all().stream().filter(p -> p.gradedIn(Phase.BEFORE)).count())) : Optional.empty();
    }

    /// With what its kind is worth once the lamp stood at two places against the light; what was corrected or answered stays.
    Known lit(Known k) {
        boolean computed = k.computedKind().isEmpty() && k.tests().isEmpty() && glass.photo(k.photoId()).filter(Photo::againstTheLight).isPresent();
        return computed ? staysAsTheLampMoves(k).map(stays -> k.with(TwoLamps.seen(k.finding(), stays))).orElse(k) : k;
    }

    /// What photos of it from its side at several zoom settings tell, where it was said at which they were taken.
    public Optional<ZoomWalk> zoomed(Known k) {
        return ZoomWalk.of(zooms(k));
    }

    private List<ZoomWalk.Sight> zooms(Known k) {
        List<ZoomWalk.Sight> sights = new ArrayList<>();
        k.sights().forEach((id, f) -> glass.photo(id).filter(p -> sameSide(p, k)).flatMap(Photo::set).flatMap(GlassEvent.PhotoSet::zoomMm).ifPresent(mm -> sights.add(new ZoomWalk.Sight(mm, f.x(), f.y()))));
        return sights;
    }

    /// What a sweep of the camera's focus from its side tells of it; of several the last.
    public Optional<FocusSweep> swept(Known k) {
        return glass.all().stream().filter(p -> sameSide(p, k)).flatMap(p -> p.sweep().stream()).map(Photo.Swept::of).distinct().flatMap(sweep -> swept(k, sweep).stream()).reduce((a, b) -> b);
    }

    private Optional<FocusSweep> swept(Known k, String sweep) {
        List<FocusSweep.Seen> photos = new ArrayList<>();
        List<Photo> all = glass.all().stream().filter(p -> p.sweep().filter(s -> s.of().equals(sweep)).isPresent()).toList();
        boolean said = all.stream().flatMap(p -> p.sweep().stream()).anyMatch(Photo.Swept::blades);
        for (Photo p : all) {
            Photo.Swept at = p.sweep().orElseThrow();
            PhotoEdges edges = p.graded().flatMap(GlassEvent.PhotoGraded::edges).orElse(PhotoEdges.UNKNOWN);
            Optional<Double> fault = Optional.ofNullable(k.sights().get(p.id())).map(Finding::sharpness);
            photos.add(new FocusSweep.Seen(at.step(), fault, said ? new PhotoEdges(edges.rim(), Optional.empty()) : edges, glass.focusMm(p.id())));
        }
        Optional<Integer> blades = all.stream().flatMap(p -> p.sweep().stream()).filter(Photo.Swept::blades).map(Photo.Swept::step).reduce((a, b) -> b);
        return FocusSweep.of(photos).map(s -> blades.map(s::withBlades).orElse(s));
    }

    /// With the depth at which it is sharpest, where photos focused at known depths tell one.
    Known stacked(Known k) {
        return read(read(k, false, focused(k, false)), true, focused(k, true));
    }

    private Optional<FocusStack> focused(Known k, boolean rear) {
        List<FocusStack.Sight> sights = new ArrayList<>();
        k.sights().forEach((photo, f) -> glass.focusMm(photo).filter(mm -> glass.fromRear(photo) == rear).ifPresent(mm -> sights.add(new FocusStack.Sight(mm, f.sharpness()))));
        return FocusStack.of(sights);
    }

    private static Known read(Known k, boolean rear, Optional<FocusStack> depth) {
        return depth.map(d -> k.with(DepthReading.focus(rear, d.depthMm(), d.sigmaMm()))).orElse(k);
    }

    /// With the depth a sweep of the focus gives, where none is known from photos focused at known depths, and its places at the zoom settings that were said.
    /// @param lens tells how deep the blades of the iris seem to lie
    public Known deep(Known k, Optional<LensSection> lens) {
        return deep(k, lens, swept(k));
    }

    /// The same where it was told already what a sweep tells of it.
    public Known deep(Known plain, Optional<LensSection> lens, Optional<FocusSweep> sweep) {
        Known k = plain.zoomed(zooms(plain));
        boolean rear = glass.fromRear(k.photoId());
        OptionalDouble blades = lens.map(l -> OptionalDouble.of(WhichSurface.depth(l, l.stopIndex(), 0, 0, rear))).orElse(OptionalDouble.empty());
        return focused(k, rear).isPresent() ? k : read(k, rear, sweep.flatMap(s -> s.depth(blades)));
    }

    private boolean sameSide(Photo p, Known k) {
        return p.kept().fromRear() == glass.fromRear(k.photoId());
    }
}
