package stillglass.ticket.facts;

import java.util.List;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// A kind of fact: its name in logbooks, and how it is typed.
public interface FactKind {
    /// Stable for ever, unlike the class.
    String name();

    /// Rises when the parts of the record change; the book then learns to read the older one.
    default int version() {
        return 1;
    }

    Class<? extends Fact> type();

    /// Reads facts of this kind where the cursor stands.
    /// @return nothing, the cursor unmoved, when the line goes on with something else
    default List<Fact> hear(Cursor line, Hearing in) {
        return List.of();
    }

    /// What could be typed of a joint; beginnings end in a space.
    default List<String> examples(Joint joint) {
        return List.of();
    }

    /// Several of this kind in one breath.
    default Said together(List<Fact> facts) {
        return facts.size() == 1 ? facts.getFirst().said() : Said.commas(facts.stream().map(Fact::said).toList());
    }
}
