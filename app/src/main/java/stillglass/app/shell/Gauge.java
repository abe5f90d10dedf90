package stillglass.app.shell;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.control.TextInputControl;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.device.Caliper;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.story.Stage;

/// Caliper and micrometer: what they show goes into the field in hand, or begins a line about the joint in hand.
final class Gauge {
    private final Desk desk;
    private final Consumer<String> type;
    /// Joint the last reading was taken at, and how many before it.
    private String measured = "";
    private int readings;

    /// @param type opens the Say line with a beginning
    Gauge(Desk desk, Consumer<String> type) {
        this.desk = desk;
        this.type = type;
    }

    /// What a caliper on the wire sent by itself.
    /// @param focused field that has the focus now
    void arrived(double mm, Optional<Work> work, Optional<Joint> joint, Optional<TextInputControl> focused) {
        String reading = Words.number(mm);
        if (focused.isPresent()) {
            into(focused.get(), reading);
        } else if (work.isPresent() && joint.isPresent()) {
            type.accept(Measured.line(joint.get(), work.get().state().joints().facts(joint.get().id()), reading, shims(work.get(), joint.get())));
        } else {
            desk.complain(Words.of("gauge.nowhere", reading));
        }
    }

    private static void into(TextInputControl field, String reading) {
        field.replaceSelection(Measured.into(field.getText(0, field.getSelection().getStart()), reading));
    }

    private static boolean shims(Work work, Joint joint) {
        return joint.frees().stream().flatMap(p -> work.instrument().part(p).stream()).anyMatch(p -> p.kind() == Part.Kind.SHIM);
    }

    /// @param focused field that has the focus when the reading comes
    /// @param wired whether a caliper on the wire will send it by itself
    void read(Work work, Joint joint, Supplier<Optional<TextInputControl>> focused, boolean wired) {
        if (wired) {
            desk.complain(Words.of("gauge.press"));
            return;
        }
        readings = joint.id().equals(measured) ? readings + 1 : 0;
        measured = joint.id();
        int before = readings;
        List<Fact> noted = work.stage() == Stage.CLOSE ? List.of() : work.state().joints().facts(joint.id());
        boolean shims = shims(work, joint);
        Optional<Caliper> caliper = desk.devices().caliper(work, joint, noted, before);
        if (caliper.isEmpty()) {
            desk.complain(Words.of("gauge.none"));
            return;
        }
        desk.compute(() -> caliper.get().readMm()).thenAcceptAsync(mm -> {
            String reading = Words.number(mm);
            focused.get().ifPresentOrElse(
                    field -> into(field, reading),
                    () -> type.accept(Measured.line(joint, work.state().joints().facts(joint.id()), reading, shims)));
        }, Platform::runLater);
    }
}
