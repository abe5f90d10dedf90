package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.ticket.story.Grown;

/// One closing of one joint, begun with the first thing stated or done for it. Opening the joint again ends it for good.
///
/// @param number the how manieth closing of the joint, from 1
/// @param statements what was seen, in order; of several about the same occurrence only the last counts
/// @param greased the last grease laid for it
/// @param controlsSet whether controls stand as they must
/// @param done when it was closed; empty while it is not
/// @param openThen joints that were still open when it was closed
/// @param loose whether it is still loose
/// @param zeroed row in which it was zeroed
/// @param overruled whether it was closed although something stood against it
public record Closing(
        int number, List<Statement> statements, Optional<JointEvent.Greased> greased, boolean controlsSet, Optional<Long> done, Set<String> openThen, boolean loose,
        Optional<Long> zeroed, boolean overruled) {

    public Closing {
        statements = List.copyOf(statements);
        openThen = Grown.kept(openThen);
    }

    static Closing begin(int number) {
        return new Closing(number, List.of(), Optional.empty(), false, Optional.empty(), Set.of(), false, Optional.empty(), false);
    }

    /// Whether anything was said or done for it.
    public boolean begun() {
        return done.isPresent() || !statements.isEmpty() || greased.isPresent() || controlsSet;
    }

    /// A statement replaces an earlier one about the same occurrence.
    Closing with(Statement s) {
        List<Statement> all = new ArrayList<>(statements);
        all.removeIf(o -> s.answers().isPresent() && o.answers().equals(s.answers()));
        all.add(s);
        return new Closing(number, all, greased, controlsSet, done, openThen, loose, zeroed, overruled);
    }

    /// Without what was stated about an occurrence.
    Closing without(long occurrence) {
        return new Closing(number, statements.stream().filter(s -> s.answers().filter(a -> a == occurrence).isEmpty()).toList(), greased, controlsSet, done, openThen, loose, zeroed, overruled);
    }

    Closing with(JointEvent.Greased g) {
        return new Closing(number, statements, Optional.of(g), controlsSet, done, openThen, loose, zeroed, overruled);
    }

    Closing withControlsSet() {
        return new Closing(number, statements, greased, true, done, openThen, loose, zeroed, overruled);
    }

    Closing closed(long seq, Set<String> stillOpen, boolean leftLoose, boolean despite) {
        return new Closing(number, statements, greased, controlsSet, Optional.of(seq), stillOpen, leftLoose, Optional.empty(), despite);
    }

    Closing tightened() {
        return new Closing(number, statements, greased, controlsSet, done, openThen, false, zeroed, overruled);
    }

    Closing zeroed(Optional<Long> seq) {
        return new Closing(number, statements, greased, controlsSet, done, openThen, loose, seq, overruled);
    }
}
