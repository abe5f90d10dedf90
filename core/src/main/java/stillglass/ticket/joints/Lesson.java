package stillglass.ticket.joints;

import java.util.List;

/// What one job teaches about its model: joints that came to light, and the order in which everything was first opened.
public record Lesson(List<JointEvent.Found> found, List<String> order) {
    public Lesson {
        found = List.copyOf(found);
        order = List.copyOf(order);
    }

    public static Lesson of(Joints joints) {
        return new Lesson(joints.found(), joints.firstOrder());
    }

    /// Whether it teaches anything that a map would not know.
    public boolean empty() {
        return found.isEmpty();
    }
}
