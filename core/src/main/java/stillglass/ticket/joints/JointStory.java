package stillglass.ticket.joints;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.story.Grown;

/// What happened to one joint.
///
/// @param found what was said of it when it came to light, where it is on no map
/// @param noted facts that stand, in the order they were noted
/// @param open whether it is open now
/// @param offPlan whether it was ever opened out of turn
/// @param refitted while it is on for a moment only: the joint for whose sake, empty when nobody said
/// @param closing the closing in hand, or done
/// @param past closings that opening it again has ended
/// @param lastOpened number of the row in which it was last opened; 0 when it never was
/// @param firstOpened when it was first opened
/// @param troubles what ever went wrong at it, mended or not
public record JointStory(
        String joint, Optional<JointEvent.Found> found, List<Occurrence> noted, boolean open, boolean everOpened, boolean offPlan, Optional<String> refitted, Closing closing,
        List<Closing> past, long lastOpened, Optional<Instant> firstOpened, Set<Trouble> troubles) {

    public JointStory {
        noted = List.copyOf(noted);
        past = List.copyOf(past);
        troubles = Set.copyOf(troubles);
    }

    static JointStory untouched(String joint) {
        return new JointStory(joint, Optional.empty(), List.of(), false, false, false, Optional.empty(), Closing.begin(1), List.of(), 0, Optional.empty(), Set.of());
    }

    public boolean closed() {
        return everOpened && !open;
    }

    public boolean loose() {
        return closed() && closing.loose();
    }

    public List<Fact> facts() {
        return noted.stream().map(Occurrence::fact).toList();
    }

    /// What must be seen again and was not yet in this closing; moves last in, first out, and after the rest.
    public List<Occurrence> waiting() {
        Set<Long> seen = closing.statements().stream().filter(Statement::matches).flatMap(s -> s.answers().stream()).collect(Collectors.toSet());
        List<Occurrence> waiting = noted.stream().filter(o -> o.fact().again() == Fact.Again.ASKED && !seen.contains(o.seq())).toList();
        List<Occurrence> moves = new ArrayList<>(waiting.stream().filter(o -> o.fact().move()).toList());
        Collections.reverse(moves);
        List<Occurrence> all = new ArrayList<>(waiting.stream().filter(o -> !o.fact().move()).toList());
        all.addAll(moves);
        return List.copyOf(all);
    }

    /// What is shown again when it is closed: notes, damage, earlier work.
    public List<Occurrence> recalled() {
        return noted.stream().filter(o -> o.fact().again() == Fact.Again.RECALLED).toList();
    }

    /// The closing it stood in when a row was written, where it was closed then.
    public Optional<Closing> closingAt(long seq) {
        Optional<Closing> then = lastOpened > seq ? past.stream().filter(c -> c.done().filter(d -> d < seq).isPresent()).reduce((a, b) -> b) : Optional.of(closing);
        return then.filter(c -> c.done().filter(d -> d < seq).isPresent());
    }

    /// Statements of this closing that do not agree with the record and were not put right.
    public List<Statement> wrong() {
        return closing.statements().stream().filter(s -> !s.matches()).toList();
    }

    public Optional<Occurrence> occurrence(long seq) {
        return noted.stream().filter(o -> o.seq() == seq).findFirst();
    }

    JointStory with(JointEvent.Found f) {
        return new JointStory(joint, Optional.of(f), noted, open, everOpened, offPlan, refitted, closing, past, lastOpened, firstOpened, troubles);
    }

    /// A fact of which there can be only one takes the place of an earlier one about the same.
    JointStory with(Occurrence o) {
        List<Occurrence> all = new ArrayList<>(noted);
        all.removeIf(n -> n.fact().about().equals(o.fact().about()) && o.fact().single() && n.fact().single());
        all.add(o);
        return noted(all);
    }

    /// What was stated about the occurrence before is to be stated again.
    JointStory corrected(long seq, Fact fact) {
        return noted(noted.stream().map(o -> o.seq() == seq ? new Occurrence(seq, o.at(), fact) : o).toList()).with(closing.without(seq));
    }

    JointStory without(long seq) {
        return noted(noted.stream().filter(o -> o.seq() != seq).toList());
    }

    private JointStory noted(List<Occurrence> all) {
        return new JointStory(joint, found, all, open, everOpened, offPlan, refitted, closing, past, lastOpened, firstOpened, troubles);
    }

    JointStory opened(boolean outOfTurn, long seq, Instant at) {
        boolean again = closing.begun();
        return new JointStory(joint, found, noted, true, true, offPlan || outOfTurn, Optional.empty(), again ? Closing.begin(closing.number() + 1) : closing,
                again ? Grown.by(past, closing) : past, seq, firstOpened.or(() -> Optional.of(at)), troubles);
    }

    JointStory troubled(Trouble kind) {
        Set<Trouble> all = new HashSet<>(troubles);
        all.add(kind);
        return new JointStory(joint, found, noted, open, everOpened, offPlan, refitted, closing, past, lastOpened, firstOpened, all);
    }

    JointStory with(Closing now) {
        return new JointStory(joint, found, noted, open, everOpened, offPlan, refitted, now, past, lastOpened, firstOpened, troubles);
    }

    JointStory closed(Closing now) {
        return new JointStory(joint, found, noted, false, everOpened, offPlan, Optional.empty(), now, past, lastOpened, firstOpened, troubles);
    }

    JointStory refitted(Optional<String> during) {
        return new JointStory(joint, found, noted, open, everOpened, offPlan, during, closing, past, lastOpened, firstOpened, troubles);
    }
}
