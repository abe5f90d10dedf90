package stillglass.ticket.facts;

import java.util.Optional;
import stillglass.ticket.line.Cursor;

/// Amounts that several kinds of fact are typed with.
final class Amounts {
    private Amounts() {}

    /// `turns 3.5`, `3.5 turns`, `half a turn`, `a turn`.
    static Optional<Double> turns(Cursor line) {
        int start = line.mark();
        Optional<Double> turns = line.take("turns") || line.take("turn") ? line.amount()
                : line.take("a turn") ? Optional.of(1.0)
                : line.amount().filter(t -> line.take("turns") || line.take("turn") || line.take("of a turn"));
        if (turns.isEmpty()) {
            line.reset(start);
        }
        return turns;
    }
}
