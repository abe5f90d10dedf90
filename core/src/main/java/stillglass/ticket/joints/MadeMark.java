package stillglass.ticket.joints;

import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.say.Said;

/// A mark made on the spot.
/// @param seq number of the row that noted it
/// @param joint what it was made for, once that is known
public record MadeMark(long seq, String name, Optional<ClockPosition> at, Optional<String> medium, Optional<String> joint) {
    MadeMark of(String thing) {
        return new MadeMark(seq, name, at, medium, Optional.of(thing));
    }

    public Said said() {
        Said mark = at.map(a -> Said.of("mark.at", "name", name, "at", a.toString())).orElse(Said.of("mark", "name", name));
        return medium.map(m -> Said.of("mark.medium", "mark", mark, "medium", m)).orElse(mark);
    }
}
