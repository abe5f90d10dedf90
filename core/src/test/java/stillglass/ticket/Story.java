package stillglass.ticket;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.Instruments;
import stillglass.care.CareTables;
import stillglass.optics.Lenses;

/// A ticket told act by act, as the book would keep it.
final class Story {
    static final Decision.World WORLD = new Decision.World(Instruments.small(), Lenses.triplet(), new CareTables(
            List.of(new CareTables.Agent("water", "water", Map.of(), Map.of(), "", 1, false)),
            List.of(new CareTables.Soil("haze", "haze", Map.of("water", 0.5)))));
    static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");

    private final List<Recorded> rows = new ArrayList<>();

    static Story begun() {
        Story s = new Story();
        s.accept(new Intent.Begin(new TicketEvent.Opened("T-1", "Pellam test", "small", "triplet", "School club", LocalDate.of(2026, 12, 4)), List.of()));
        return s;
    }

    TicketState state() {
        return TicketState.of(rows);
    }

    List<Recorded> rows() {
        return rows;
    }

    Decision decide(Intent intent) {
        return Decision.decide(state(), intent, WORLD);
    }

    /// Decides and keeps, if it was accepted.
    Decision tell(Intent intent) {
        Decision d = decide(intent);
        if (d instanceof Decision.Accepted a) {
            long number = state().lastIntent() + 1;
            a.events().forEach(e -> rows.add(new Recorded(number, NOON.plusSeconds(number), e)));
        }
        return d;
    }

    Story accept(Intent... intents) {
        for (Intent i : intents) {
            if (tell(i) instanceof Decision.Refused r) {
                throw new AssertionError(i + " was refused: " + r.why());
            }
        }
        return this;
    }

    String refusal(Intent intent) {
        return switch (decide(intent)) {
            case Decision.Refused r -> r.why();
            case Decision.Accepted a -> throw new AssertionError(intent + " was accepted: " + a.events());
        };
    }

    static Intent open(String joint) {
        return new Intent.OpenJoint(joint, false);
    }

    static Intent close(String joint) {
        return new Intent.CloseJoint(joint, false, Optional.empty());
    }

    static Intent note(String joint, Fact... facts) {
        return new Intent.NoteFacts(joint, List.of(facts));
    }

    static Intent see(String joint, Fact fact) {
        return new Intent.StateFact(joint, fact);
    }
}
