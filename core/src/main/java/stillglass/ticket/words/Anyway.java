package stillglass.ticket.words;

import java.util.Optional;
import stillglass.ticket.line.Cursor;

/// `anyway`, and why: something is done although something stands against it.
final class Anyway {
    private Anyway() {}

    /// Takes `anyway`, `anyway: the record was wrong`, `anyway because the record was wrong`.
    /// @return the reason; empty words where none was given; nothing where it is not said
    static Optional<String> take(Cursor line) {
        int start = line.mark();
        line.separators();
        if (!line.take("anyway")) {
            line.reset(start);
            return Optional.empty();
        }
        boolean more = line.take(":") || line.take("because") || line.take(",");
        return Optional.of(more ? line.rest().orElse("") : "");
    }
}
