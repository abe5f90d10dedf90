package stillglass.ticket.glass;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.grade.MayLie;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.say.Said;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.World;

/// Decides intents about photos and findings: events, or a refusal that says what to do instead.
public final class GlassDecisions {
    /// Nobody photographed anything before.
    private static final int FIRST_YEAR = 1839;

    /// Photos a sweep has at least: fewer do not tell where it is sharpest.
    private static final int LEAST_SWEPT = 4;

    private GlassDecisions() {}

    /// @param act number the act will get, from which a drawn finding has its id
    public static Decision decide(Glass glass, GlassIntent intent, long act, World world) {
        return switch (intent) {
            case GlassEvent.PhotoKept e -> glass.photo(e.photoId()).isPresent() ? Decision.refused("photo.already", "photo", e.photoId()) : Decision.accepted(e);
            case GlassEvent.PhotoGraded e -> graded(glass, e, world);
            case GlassEvent.CardMeasured e -> withPhoto(glass, e.photoId(), e);
            case GlassEvent.PhotoTurned e -> withPhoto(glass, e.photoId(), e);
            case GlassEvent.PhotoMarked e -> withPhoto(glass, e.photoId(), e);
            case GlassEvent.PhotoUnmarked e -> glass.marks(e.photoId()).containsKey(e.number()) ? Decision.accepted(e) : Decision.refused("mark.none");
            case GlassIntent.Rekind r -> rekind(glass, r, world);
            case GlassIntent.Severe s -> s.severity() < 0 || s.severity() > 4 ? Decision.refused("grade.range", "grade", s.severity()) : withFinding(glass, s.findingId(), new GlassEvent.FindingSevere(s.findingId(), s.severity()));
            case GlassIntent.ReadDepth d -> withFinding(glass, d.findingId(), new GlassEvent.DepthRead(d.findingId(), d.reading()));
            case GlassIntent.FocusPhoto f -> focusPhoto(glass, f);
            case GlassIntent.Sweep s -> sweep(glass, s);
            case GlassIntent.SharpBlades s -> sharpBlades(glass, s.number());
            case GlassIntent.SetPhoto p -> setPhoto(glass, p);
            case GlassIntent.MoveLamp m -> moveLamp(glass, m);
            case GlassIntent.DatePhoto d -> datePhoto(glass, d);
            case GlassIntent.AnswerTest a -> withFinding(glass, a.findingId(),
                    new GlassEvent.FindingTested(a.findingId(), a.test(), a.answer(), a.told().likeliest(), a.told().chances()));
            case GlassIntent.Reshape r -> Outlining.reshape(glass, r);
            case GlassIntent.Draw d -> Outlining.draw(glass, d, act, world);
            case GlassIntent.Merge m -> Outlining.merge(glass, m);
            case GlassIntent.Split s -> Outlining.split(glass, s);
            case GlassIntent.Dismiss d -> withFinding(glass, d.findingId(), new GlassEvent.FindingDismissed(d.findingId()));
            case GlassIntent.Place p -> place(glass, p, world);
            case GlassIntent.OverruleGrade o -> overruleGrade(glass, o);
            case GlassIntent.FindAssembled f -> findAssembled(glass, f, world);
            case GlassIntent.AssembledRight r -> glass.assembly().isEmpty() ? Decision.refused("assembly.none") : Decision.accepted(new GlassEvent.AssemblyPutRight());
        };
    }

    private static Decision withPhoto(Glass glass, String photo, GlassEvent event) {
        return glass.photo(photo).isPresent() ? Decision.accepted(event) : Decision.refused("photo.none", "photo", photo);
    }

    static Decision withFinding(Glass glass, String id, GlassEvent event) {
        return glass.finding(id).isPresent() ? Decision.accepted(event) : Decision.refused("finding.gone", "finding", id);
    }

    private static Decision graded(Glass glass, GlassEvent.PhotoGraded g, World world) {
        Optional<Photo> photo = glass.photo(g.photoId());
        if (photo.isEmpty()) {
            return Decision.refused("photo.none", "photo", g.photoId());
        }
        List<Event> events = new ArrayList<>(List.of(g));
        world.section().ifPresent(lens -> events.addAll(Outlining.bothSides(glass, photo.get().kept(), g.findings(), lens)));
        return new Decision.Accepted(events);
    }

    private static List<Photo> before(Glass glass) {
        return glass.all().stream().filter(p -> p.gradedIn(Phase.BEFORE)).toList();
    }

    /// The last that was kept of the instrument itself.
    private static Optional<Photo> last(Glass glass) {
        return glass.all().stream().filter(p -> p.card().isEmpty()).reduce((a, b) -> b);
    }

    private static Optional<Decision> noPhoto(List<Photo> photos, int number) {
        return number >= 1 && number <= photos.size() ? Optional.empty()
                : Optional.of(photos.isEmpty() ? Decision.refused("photo.number.first", "number", number) : Decision.refused("photo.number", "number", number, "last", photos.size()));
    }

    private static Decision setPhoto(Glass glass, GlassIntent.SetPhoto p) {
        if (p.zoomMm().isEmpty() && p.stop().isEmpty() && p.focus().isEmpty()) {
            return Decision.refused("photo.set.nothing");
        }
        List<Photo> photos = before(glass);
        Optional<Decision> none = p.number().flatMap(n -> noPhoto(photos, n));
        if (none.isPresent()) {
            return none.get();
        }
        return p.number().map(n -> photos.get(n - 1)).or(() -> last(glass))
                .map(photo -> Decision.accepted(new GlassEvent.PhotoSet(photo.id(), p.zoomMm(), p.stop(), p.focus()))).orElse(Decision.refused("photo.set.none"));
    }

    private static Decision sweep(Glass glass, GlassIntent.Sweep s) {
        List<Photo> photos = before(glass);
        Optional<Decision> none = noPhoto(photos, s.first()).or(() -> noPhoto(photos, s.last()));
        if (none.isPresent()) {
            return none.get();
        }
        if (s.last() - s.first() < LEAST_SWEPT - 1) {
            return Decision.refused("sweep.few", "least", LEAST_SWEPT);
        }
        List<Photo> swept = photos.subList(s.first() - 1, s.last());
        return swept.stream().map(p -> p.kept().fromRear()).distinct().count() > 1 ? Decision.refused("sweep.sides") : Decision.accepted(new GlassEvent.PhotosSwept(swept.stream().map(Photo::id).toList()));
    }

    private static Decision sharpBlades(Glass glass, int number) {
        List<Photo> photos = before(glass);
        return noPhoto(photos, number).orElseGet(() -> {
            Photo photo = photos.get(number - 1);
            return photo.sweep().isPresent() ? Decision.accepted(new GlassEvent.BladesSharp(photo.id())) : Decision.refused("sweep.none", "number", number);
        });
    }

    private static Decision moveLamp(Glass glass, GlassIntent.MoveLamp m) {
        List<Photo> photos = before(glass);
        Optional<Decision> none = m.number().flatMap(n -> noPhoto(photos, n));
        return none.orElseGet(() -> m.number().map(n -> photos.get(n - 1)).or(() -> last(glass)).map(photo -> Decision.accepted(new GlassEvent.LampMoved(photo.id()))).orElse(Decision.refused("photo.set.none")));
    }

    /// No photo is of a day after the one on which it was kept.
    private static Decision datePhoto(Glass glass, GlassIntent.DatePhoto d) {
        List<Photo> photos = before(glass);
        Optional<Decision> none = d.number().flatMap(n -> noPhoto(photos, n));
        if (none.isPresent()) {
            return none.get();
        }
        Optional<Photo> photo = d.number().map(n -> photos.get(n - 1)).or(() -> last(glass));
        if (photo.isEmpty()) {
            return Decision.refused("photo.set.none");
        }
        LocalDate kept = photo.get().at().atZone(ZoneOffset.UTC).toLocalDate().plusDays(1);
        return d.day().isAfter(kept) || d.day().getYear() < FIRST_YEAR ? Decision.refused("photo.dated.day", "day", d.day().toString()) : Decision.accepted(new GlassEvent.PhotoDated(photo.get().id(), d.day()));
    }

    private static Decision focusPhoto(Glass glass, GlassIntent.FocusPhoto f) {
        List<Photo> photos = before(glass);
        Optional<Decision> none = noPhoto(photos, f.number());
        if (none.isPresent()) {
            return none.get();
        }
        return GlassEvent.PhotoFocused.possible(f.depthMm()) ? Decision.accepted(new GlassEvent.PhotoFocused(photos.get(f.number() - 1).id(), f.depthMm()))
                : Decision.refused("photo.depth", "mm", f.depthMm());
    }

    private static Decision place(Glass glass, GlassIntent.Place p, World world) {
        if (world.section().isEmpty()) {
            return Decision.refused("section.unknown");
        }
        LensSection lens = world.section().get();
        if (p.surface() < 0 || p.surface() >= lens.surfaces().size()) {
            return Decision.refused("surface.none", "surface", p.surface() + 1, "lens", lens.name());
        }
        Optional<Said> not = glass.finding(p.findingId()).flatMap(k -> MayLie.notOn(k.finding().kind(), lens, p.surface()));
        return not.map(why -> Decision.refused("surface.not", "why", why)).orElseGet(() -> withFinding(glass, p.findingId(), new GlassEvent.FindingPlaced(p.findingId(), p.surface())));
    }

    /// A kind that the lens rules out is refused; one that its present surface rules out loses the surface.
    private static Decision rekind(Glass glass, GlassIntent.Rekind r, World world) {
        Optional<Said> nowhere = world.section().flatMap(lens -> MayLie.nowhere(r.kind(), lens));
        if (nowhere.isPresent()) {
            return Decision.refused("kind.cannot", "kind", r.kind().word(), "why", nowhere.get());
        }
        GlassEvent kind = new GlassEvent.FindingRekinded(r.findingId(), r.kind());
        boolean clash = world.section().flatMap(lens -> glass.finding(r.findingId()).flatMap(Known::surface).flatMap(s -> MayLie.notOn(r.kind(), lens, s))).isPresent();
        return clash ? Decision.accepted(kind, new GlassEvent.FindingUnplaced(r.findingId())) : withFinding(glass, r.findingId(), kind);
    }

    private static Decision findAssembled(Glass glass, GlassIntent.FindAssembled f, World world) {
        if (world.section().isEmpty()) {
            return Decision.refused("section.unknown");
        }
        if (glass.assembly().contains(f.fault())) {
            return Decision.refused("assembly.already", "fault", LensFault.parse(f.fault()).toString());
        }
        List<LensFault> all = new ArrayList<>(glass.assembly().stream().map(LensFault::parse).toList());
        try {
            all.add(LensFault.parse(f.fault()));
            LensFault.apply(world.section().get(), all, LensFault.Seating.RIM);
        } catch (IllegalArgumentException e) {
            return Decision.refused("assembly.cannot", "why", String.valueOf(e.getMessage()));
        }
        return Decision.accepted(new GlassEvent.MisassemblyFound(f.fault()));
    }

    private static Decision overruleGrade(Glass glass, GlassIntent.OverruleGrade o) {
        if (o.grade() < 0 || o.grade() > 4) {
            return Decision.refused("grade.range", "grade", o.grade());
        }
        return o.why().isBlank() ? Decision.refused("grade.why") : withFinding(glass, o.findingId(), new GlassEvent.GradeOverruled(o.findingId(), o.grade(), o.why()));
    }
}
