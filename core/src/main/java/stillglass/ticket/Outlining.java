package stillglass.ticket;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import stillglass.grade.BothSides;
import stillglass.grade.MayLie;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Outlines;
import stillglass.optics.LensSection;

/// Decides which findings are one: what is done to outlines by hand (drawn anew, added, joined, taken apart), and what is seen from both sides.
final class Outlining {
    /// An outline with less than this share of the aperture is a slip of the hand.
    private static final double LEAST_SHARE = 1e-6;

    private Outlining() {}

    static Decision reshape(TicketState state, Intent.Reshape r) {
        Optional<Decision> slip = slip(r.regions());
        return slip.orElseGet(() -> Decision.withFinding(state, r.findingId(), new TicketEvent.FindingReshaped(r.findingId(), r.regions())));
    }

    private static Optional<Decision> slip(List<Finding.Region> regions) {
        boolean outside = regions.stream().flatMap(r -> r.outline().stream()).anyMatch(p -> !(Math.hypot(p.x(), p.y()) < 2));
        return outside ? Optional.of(new Decision.Refused("That outline leaves the glass: draw it inside the rim."))
                : Outlines.areaShare(regions) < LEAST_SHARE ? Optional.of(new Decision.Refused("That outline has no area: go once around the fault.")) : Optional.empty();
    }

    static Decision draw(TicketState state, Intent.Draw d, Decision.World world) {
        if (state.photo(d.photoId()).filter(p -> p.graded().isPresent()).isEmpty()) {
            return new Decision.Refused("Photo " + d.photoId() + " is not in this ticket.");
        }
        Optional<String> nowhere = MayLie.nowhere(d.kind(), world.section());
        if (nowhere.isPresent()) {
            return new Decision.Refused("It cannot be " + d.kind().word() + ": " + nowhere.get() + ".");
        }
        Optional<Decision> slip = slip(List.of(d.outline()));
        if (slip.isPresent()) {
            return slip.get();
        }
        Finding blank = new Finding(d.kind(), d.kind() == FindingKind.UNKNOWN ? 0.5 : 1, List.of(), 0, 1, 0, 0, 0.2, 0, List.of("drawn by hand"));
        return Decision.accepted(new TicketEvent.FindingDrawn(d.photoId() + "+" + (state.lastIntent() + 1), d.photoId(), blank.withRegions(List.of(d.outline()))));
    }

    /// Findings of a new photo that are faults already seen from the opposite side, each the nearest in place and size.
    static List<TicketEvent> bothSides(TicketState state, TicketEvent.PhotoKept photo, List<Finding> found, LensSection lens) {
        if (photo.phase() == Phase.AFTER) {
            return List.of();
        }
        List<TicketEvent> one = new ArrayList<>();
        List<Known> open = new ArrayList<>(state.findings().stream()
                .filter(k -> state.photo(k.photoId()).isPresent() && state.fromRear(k.photoId()) != photo.fromRear()).toList());
        state.numbered(photo, found).forEach((id, f) -> {
            if (state.finding(id).filter(k -> !k.photoId().equals(photo.photoId())).isPresent()) {
                return;
            }
            java.util.function.Function<Known, BothSides> pair = k -> BothSides.of(f, photo.fromRear(), k.finding());
            open.stream().filter(k -> pair.apply(k).oneFault(lens)).min(Comparator.comparingDouble(k -> pair.apply(k).least(lens))).ifPresent(k -> {
                open.remove(k);
                one.add(new TicketEvent.FindingsMerged(k.id(), id));
            });
        });
        return one;
    }

    static Decision merge(TicketState state, Intent.Merge m) {
        if (m.findingId().equals(m.gone())) {
            return new Decision.Refused("Choose two findings to make them one.");
        }
        return state.finding(m.gone()).isEmpty()
                ? new Decision.Refused("Finding " + m.gone() + " is no longer there.")
                : Decision.withFinding(state, m.findingId(), new TicketEvent.FindingsMerged(m.findingId(), m.gone()));
    }

    static Decision split(TicketState state, Intent.Split s) {
        return state.finding(s.findingId()).filter(k -> k.finding().regions().size() < 2 && k.otherSide().isEmpty()).isPresent()
                ? new Decision.Refused("It has one outline only: there is nothing to take apart.")
                : Decision.withFinding(state, s.findingId(), new TicketEvent.FindingSplit(s.findingId()));
    }
}
