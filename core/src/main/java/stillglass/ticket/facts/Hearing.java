package stillglass.ticket.facts;

import java.util.List;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.ticket.line.Names;

/// In what a line is heard: whatever it leaves unsaid is meant of this.
/// @param parts what its parts are called; costs some work to make, so it is kept from line to line
/// @param joint the one in hand
/// @param noted what stands on record of it
/// @param waiting what of that must still be seen again while it is closed
/// @param closing whether it is closed rather than opened
/// @param part what the line has named, when it has
public record Hearing(Instrument instrument, Names<Part> parts, Optional<Joint> joint, List<Fact> noted, List<Fact> waiting, boolean closing, Optional<Part> part) {
    public Hearing {
        noted = List.copyOf(noted);
        waiting = List.copyOf(waiting);
    }

    /// A joint nothing is known of yet.
    public static Hearing opening(Instrument instrument, Optional<Joint> joint) {
        return new Hearing(instrument, PartNames.of(instrument), joint, List.of(), List.of(), false, Optional.empty());
    }

    public Hearing of(Part named) {
        return new Hearing(instrument, parts, joint, noted, waiting, closing, Optional.of(named));
    }
}
