package stillglass.ticket;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.say.Said;
import stillglass.ticket.joints.Ledger;
import stillglass.ticket.worth.WorthEvent;

/// What keeps a ledger from zero besides joints and parts: something wet that is not proven dry, parts that have to be made.
public final class Pending {
    private Pending() {}

    /// A line each.
    public static List<Said> of(TicketState s) {
        List<Said> all = new ArrayList<>();
        Optional<Wet> wet = Wet.of(s).filter(w -> !w.proven());
        wet.ifPresent(w -> all.add(Said.of("ledger.wet")));
        s.worth().toMake().values().stream().map(WorthEvent.PartToMake::lacking).forEach(all::add);
        return all;
    }

    /// The ledger with it.
    public static Ledger ledger(TicketState s, Instrument instrument) {
        return Ledger.of(s.joints(), instrument, of(s));
    }
}
