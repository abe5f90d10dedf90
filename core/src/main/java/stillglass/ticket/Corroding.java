package stillglass.ticket;

import java.util.List;
import stillglass.assembly.Instrument;
import stillglass.plan.MetalPairs;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.story.Phase;

/// Where to look for metals that eat each other, once there is a reason to look: it came in wet, corrosion was found, something grows under a covering.
public final class Corroding {
    private Corroding() {}

    /// Nothing while there is no reason.
    public static List<MetalPairs> of(TicketState s, Instrument instrument) {
        boolean found = s.condition().all(Phase.BEFORE).stream().anyMatch(f -> f.flaw() == Flaw.CORRODED) || !s.condition().bumps().isEmpty();
        return s.arrival().wet().isPresent() || found ? pairs(s, instrument) : List.of();
    }

    /// Whatever was found.
    public static List<MetalPairs> pairs(TicketState s, Instrument instrument) {
        return MetalPairs.of(instrument, s.care()::made);
    }
}
