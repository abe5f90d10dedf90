package stillglass.ticket.joints;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.Stuck;

/// What one job teaches about its model: joints that came to light, the order in which everything was first opened, and what was noted of each.
///
/// @param met what was noted of joints that were opened, by their identifiers
public record Lesson(List<JointEvent.Found> found, List<String> order, Map<String, Met> met) {
    /// A pause longer than this between two joints is no work on the second.
    private static final double LONGEST_MINUTES = 60;

    /// What one job noted of a joint.
    /// @param facts those that say something of the model
    /// @param stuck whether it would not open at first
    /// @param dropped whether something fell or flew
    /// @param otherwise whether it was not as it was expected or drawn
    /// @param minutes from the joint before it, where that was no pause
    /// @param grease laid when it went back
    public record Met(List<Fact> facts, boolean stuck, boolean dropped, boolean otherwise, Optional<Double> minutes, Optional<String> grease) {
        public Met {
            facts = List.copyOf(facts);
        }
    }

    public Lesson {
        found = List.copyOf(found);
        order = List.copyOf(order);
        met = Map.copyOf(met);
    }

    public static Lesson of(Joints joints) {
        Map<String, Met> met = new LinkedHashMap<>();
        Optional<Instant> before = Optional.empty();
        for (String id : joints.firstOrder()) {
            JointStory s = joints.story(id);
            List<Fact> facts = s.facts();
            Optional<Double> minutes = before.flatMap(b -> s.firstOpened().map(at -> Duration.between(b, at).toMillis() / 60e3)).filter(m -> m > 0 && m <= LONGEST_MINUTES);
            met.put(id, new Met(facts.stream().filter(Fact::ofModel).toList(), facts.stream().anyMatch(Stuck.class::isInstance), s.troubles().contains(Trouble.DROPPED), s.troubles().contains(Trouble.NOT_AS_DRAWN), minutes, s.closing().greased().map(JointEvent.Greased::grease)));
            before = s.firstOpened();
        }
        return new Lesson(joints.found(), joints.firstOrder(), met);
    }

    /// Whether it teaches anything that a map would not know.
    public boolean empty() {
        return found.isEmpty() && met.values().stream().allMatch(m -> m.facts().isEmpty());
    }
}
