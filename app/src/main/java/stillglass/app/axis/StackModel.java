package stillglass.app.axis;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.app.desk.Work;
import stillglass.app.draw.PartForm;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.ticket.joints.JointStory;
import stillglass.ticket.story.Stage;
import stillglass.ticket.words.Next;

/// What came off an instrument of which no section is known: in order, on the side it left, each as what it was said to be. Nothing in it is measured.
///
/// @param items in the order they came off
/// @param title of the instrument, written on what is still together
public record StackModel(List<Item> items, String title) {
    /// Where a thing is drawn.
    public enum Lane {
        FRONT,
        REAR,
        ABOVE,
        BELOW
    }

    /// How a thing stands.
    public enum Standing {
        OFF,
        /// Off, and in hand.
        IN_HAND,
        /// Back where it was.
        BACK,
        /// Expected next, seen by nobody.
        EXPECTED
    }

    /// @param number order in which it came off; 0 for what is expected
    /// @param partId part it stands for, empty for what only holds
    public record Item(int number, String name, PartForm form, Lane lane, Standing standing, String partId) {
        public String spoken() {
            return Words.of("stack.spoken." + standing.name().toLowerCase(Locale.ROOT).replace('_', '-'), number, name);
        }
    }

    public StackModel {
        items = List.copyOf(items);
    }

    /// @return nothing where a section or a net shows more
    public static Optional<StackModel> of(Work work) {
        if (work.section().isPresent() || work.instrument().net().isPresent() || NetModel.of(work).isPresent() || work.state().tag().number().isEmpty()) {
            return Optional.empty();
        }
        List<Item> items = new ArrayList<>();
        int number = 0;
        for (String id : work.state().joints().firstOrder()) {
            number++;
            Optional<Joint> joint = work.instrument().joint(id);
            if (joint.isPresent()) {
                JointStory s = work.state().joints().story(id);
                Standing standing = !s.open() ? Standing.BACK : work.inHand().filter(j -> j.id().equals(id)).isPresent() ? Standing.IN_HAND : Standing.OFF;
                items.add(item(number, joint.get(), standing, work));
            }
        }
        boolean opening = work.state().joints().closed().isEmpty() && work.stage().compareTo(Stage.OPEN) <= 0;
        Next.expected(work.state(), work.world()).filter(n -> opening).ifPresent(n -> items.add(new Item(0, n.joint().name(), PartForm.of(n.joint().name()), lane(n.joint().side()), Standing.EXPECTED, "")));
        return Optional.of(new StackModel(items, work.state().tag().title()));
    }

    private static Item item(int number, Joint j, Standing standing, Work work) {
        Optional<Part> part = j.frees().stream().flatMap(p -> work.instrument().part(p).stream()).findFirst();
        return new Item(number, j.name(), part.map(p -> PartForm.of(j.name(), p)).orElseGet(() -> PartForm.of(j.name())), lane(j.side()), standing, part.map(Part::id).orElse(""));
    }

    private static Lane lane(Side side) {
        return switch (side) {
            case FRONT, LEFT -> Lane.FRONT;
            case REAR, RIGHT -> Lane.REAR;
            case TOP, AROUND, UNKNOWN -> Lane.ABOVE;
            case BOTTOM -> Lane.BELOW;
        };
    }
}
