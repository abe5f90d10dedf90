package stillglass.ticket.words;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.ticket.TicketState;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.Hearing;
import stillglass.ticket.joints.Expected;
import stillglass.ticket.joints.JointStory;
import stillglass.ticket.joints.Occurrence;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;

/// In what a line is read: whatever it leaves unsaid is meant of this.
///
/// @param words what the things of the instrument are called
/// @param joint the joint in hand: the last that was tried or came off, else the next
/// @param finding the finding in hand
/// @param now for clocks
public record Setting(TicketState state, World world, Vocabulary words, Stage stage, Optional<Joint> joint, Optional<String> finding, Instant now) {
    public boolean closing() {
        return stage == Stage.CLOSE;
    }

    /// Before the work, while it is apart, or after it, as far as stage and open joints tell.
    public Phase phase() {
        boolean apart = !state.joints().openNow().isEmpty();
        return switch (stage) {
            case ARRIVE, LOOK, DECIDE -> Phase.BEFORE;
            case OPEN -> apart ? Phase.BETWEEN : Phase.BEFORE;
            case CLEAN, CLOSE -> apart ? Phase.BETWEEN : Phase.AFTER;
            case PROVE -> Phase.AFTER;
        };
    }

    /// What is expected to be met next, where it is taken to be built like something.
    Optional<Expected.Next> expected() {
        return Next.expected(state, world);
    }

    /// Facts are heard of a joint.
    Hearing hearing(Optional<Joint> of) {
        JointStory story = state.joints().story(of.map(Joint::id).orElse(""));
        List<Fact> waiting = story.waiting().stream().map(Occurrence::fact).toList();
        return new Hearing(world.instrument(), words.parts(), of, story.facts(), waiting, closing() && story.open(), Optional.empty());
    }

    /// Facts are heard of a joint as if nothing were on record.
    Hearing anew(Joint of) {
        return new Hearing(world.instrument(), words.parts(), Optional.of(of), List.of(), List.of(), false, Optional.empty());
    }
}
