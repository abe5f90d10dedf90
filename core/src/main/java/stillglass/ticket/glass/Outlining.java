package stillglass.ticket.glass;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import stillglass.grade.BothSides;
import stillglass.grade.MayLie;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Outlines;
import stillglass.optics.LensSection;
import stillglass.say.Said;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.World;

/// Decides which findings are one: what is done to outlines by hand (drawn anew, added, joined, taken apart), and what is seen from both sides.
final class Outlining {
    /// An outline with less than this share of the aperture is a slip of the hand.
    private static final double LEAST_SHARE = 1e-6;

    private Outlining() {}

    static Decision reshape(Glass glass, GlassIntent.Reshape r) {
        Optional<Decision> slip = slip(r.regions());
        return slip.orElseGet(() -> GlassDecisions.withFinding(glass, r.findingId(), new GlassEvent.FindingReshaped(r.findingId(), r.regions())));
    }

    private static Optional<Decision> slip(List<Finding.Region> regions) {
        boolean outside = regions.stream().flatMap(r -> r.outline().stream()).anyMatch(p -> !(Math.hypot(p.x(), p.y()) < 2));
        return outside ? Optional.of(Decision.refused("outline.outside"))
                : Outlines.areaShare(regions) < LEAST_SHARE ? Optional.of(Decision.refused("outline.no-area")) : Optional.empty();
    }

    static Decision draw(Glass glass, GlassIntent.Draw d, long act, World world) {
        if (glass.photo(d.photoId()).filter(p -> p.graded().isPresent()).isEmpty()) {
            return Decision.refused("photo.none", "photo", d.photoId());
        }
        Optional<Said> nowhere = world.section().flatMap(lens -> MayLie.nowhere(d.kind(), lens));
        if (nowhere.isPresent()) {
            return Decision.refused("kind.cannot", "kind", d.kind().word(), "why", nowhere.get());
        }
        Optional<Decision> slip = slip(List.of(d.outline()));
        if (slip.isPresent()) {
            return slip.get();
        }
        Finding blank = new Finding(d.kind(), d.kind() == FindingKind.UNKNOWN ? 0.5 : 1, List.of(), 0, 1, 0, 0, 0.2, 0, List.of(Said.of("found.by-hand")));
        return Decision.accepted(new GlassEvent.FindingDrawn(d.photoId() + "+" + act, d.photoId(), blank.withRegions(List.of(d.outline()))));
    }

    /// Findings of a new photo that are faults already seen from the opposite side, each the nearest in place and size.
    static List<Event> bothSides(Glass glass, GlassEvent.PhotoKept photo, List<Finding> found, LensSection lens) {
        if (photo.phase() == Phase.AFTER) {
            return List.of();
        }
        List<Event> one = new ArrayList<>();
        List<Known> open = new ArrayList<>(glass.findings().stream()
                .filter(k -> glass.photo(k.photoId()).isPresent() && glass.fromRear(k.photoId()) != photo.fromRear()).toList());
        Findings.of(glass).numbered(photo, found).forEach((id, f) -> {
            if (glass.finding(id).filter(k -> !k.photoId().equals(photo.photoId())).isPresent()) {
                return;
            }
            Function<Known, BothSides> pair = k -> BothSides.of(f, photo.fromRear(), k.finding());
            open.stream().filter(k -> pair.apply(k).oneFault(lens)).min(Comparator.comparingDouble(k -> pair.apply(k).least(lens))).ifPresent(k -> {
                open.remove(k);
                one.add(new GlassEvent.FindingsMerged(k.id(), id));
            });
        });
        return one;
    }

    static Decision merge(Glass glass, GlassIntent.Merge m) {
        if (m.findingId().equals(m.gone())) {
            return Decision.refused("merge.two");
        }
        return glass.finding(m.gone()).isEmpty()
                ? Decision.refused("finding.gone", "finding", m.gone())
                : GlassDecisions.withFinding(glass, m.findingId(), new GlassEvent.FindingsMerged(m.findingId(), m.gone()));
    }

    static Decision split(Glass glass, GlassIntent.Split s) {
        return glass.finding(s.findingId()).filter(k -> k.finding().regions().size() < 2 && k.otherSide().isEmpty()).isPresent()
                ? Decision.refused("split.one")
                : GlassDecisions.withFinding(glass, s.findingId(), new GlassEvent.FindingSplit(s.findingId()));
    }
}
