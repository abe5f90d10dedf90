package stillglass.ticket.joints;

import java.util.Optional;
import stillglass.ticket.facts.Mark;

/// A mark made on the spot, before what it is for came off.
/// @param seq number of the row that noted it
/// @param joint what it was made for, once that is known
public record MadeMark(long seq, Mark mark, Optional<String> joint) {
    MadeMark of(String thing) {
        return new MadeMark(seq, mark, Optional.of(thing));
    }
}
