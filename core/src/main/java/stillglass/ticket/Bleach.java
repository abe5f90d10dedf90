package stillglass.ticket;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.care.Bleaching;
import stillglass.look.ThroughColour;
import stillglass.say.Said;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.glass.Photo;

/// Yellow glass under ultraviolet light: the dose so far, what photos before, between and after say, and hours to go.
///
/// @param hours of light so far
/// @param seen photos before a bright field that tell a colour
/// @param fit where they tell how fast it clears
public record Bleach(double hours, List<Bleaching.Seen> seen, Optional<Bleaching> fit) {
    /// Half a 95 % interval over one standard deviation.
    private static final double NORMAL = 1.96;

    public Bleach {
        seen = List.copyOf(seen);
    }

    /// @return nothing while no light was given
    public static Optional<Bleach> of(TicketState s) {
        List<CareEvent.Ultraviolet> doses = s.care().ultraviolet();
        if (doses.isEmpty()) {
            return Optional.empty();
        }
        List<Bleaching.Seen> seen = new ArrayList<>();
        for (Photo p : s.glass().all()) {
            p.graded().flatMap(g -> g.lit().through()).filter(t -> t.error() > 0).ifPresent(t -> seen.add(seen(t, doses, p.at())));
        }
        return Optional.of(new Bleach(doses.stream().mapToDouble(CareEvent.Ultraviolet::hours).sum(), seen, Bleaching.of(seen, ThroughColour.CLEAR_GLASS)));
    }

    private static Bleaching.Seen seen(ThroughColour t, List<CareEvent.Ultraviolet> doses, Instant at) {
        return new Bleaching.Seen(doses.stream().filter(d -> !d.at().isAfter(at)).mapToDouble(CareEvent.Ultraviolet::hours).sum(), t.yellow(), t.error() / NORMAL);
    }

    /// What is known, and what to do next.
    public Said said() {
        if (seen.isEmpty() || seen.getLast().hours() < hours) {
            return Said.of("bleach.look", "hours", hours);
        }
        double now = seen.getLast().stops();
        if (now <= ThroughColour.CLEAR_GLASS) {
            return Said.of("bleach.clear", "hours", hours, "stops", now);
        }
        if (fit.isEmpty()) {
            return Said.of(seen.size() < 2 ? "bleach.before" : "bleach.still", "hours", hours, "stops", now);
        }
        Bleaching b = fit.get();
        double left = Math.max(0, b.clearAtH() - hours);
        return Double.isInfinite(b.toH()) ? Said.of("bleach.open", "hours", hours, "stops", now, "left", left)
                : Said.of("bleach.left", "hours", hours, "stops", now, "left", left, "from", Math.max(0, b.fromH() - hours), "to", Math.max(0, b.toH() - hours));
    }
}
