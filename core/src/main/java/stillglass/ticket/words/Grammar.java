package stillglass.ticket.words;

import java.util.List;
import java.util.Optional;
import stillglass.ticket.line.Cursor;

/// How things of one subject are typed.
interface Grammar {
    /// Reads a line from its beginning.
    /// @return nothing when the line is about something else; whatever is left of the line then was not understood
    Optional<Reading> read(Cursor line, Setting in);

    /// Lines that could be typed now; beginnings end in a space.
    default List<String> examples(Setting in) {
        return List.of();
    }
}
