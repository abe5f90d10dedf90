package stillglass.ticket.facts;

import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.assembly.Part;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Names;

/// Parts of an instrument as they are named in a line: by name, identifier, or as a glass.
public final class PartNames {
    private PartNames() {}

    public static Names<Part> of(Instrument instrument) {
        Names<Part> names = new Names<>();
        instrument.parts().forEach(p -> {
            names.add(p.name(), p);
            names.add(p.id(), p);
            p.element().ifPresent(e -> names.add(e, p));
        });
        return names;
    }

    /// Takes the part that is named here, when it is a plain one.
    public static Optional<Part> take(Cursor line, Names<Part> parts) {
        int start = line.mark();
        Names.Match<Part> match = parts.take(line);
        if (match.plain()) {
            return Optional.of(match.things().getFirst());
        }
        line.reset(start);
        return Optional.empty();
    }
}
