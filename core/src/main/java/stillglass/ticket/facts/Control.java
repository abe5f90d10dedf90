package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// Where a control stood so that a joint could be reached or come off: the focus at its nearest, the shutter open at B. It stands there again when the joint goes back.
///
/// @param name of the control: focus, iris, shutter, zoom
/// @param at where it stood, in lower case
public record Control(String name, String at) implements Fact {
    @Override
    public String about() {
        return "control " + name;
    }

    @Override
    public Said said() {
        return Said.of("fact.control", "name", name, "at", at);
    }

    @Override
    public Said question() {
        return Said.of("fact.control.question", "name", name);
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        return !(recorded instanceof Control then) || then.at.equals(at) ? Verdict.agrees(this)
                : Verdict.differs(Said.of("fact.control.wrong", "name", name, "then", then.at), Said.of("fact.control.wrong.does"));
    }

    private static final List<String> CONTROLS = List.of("focus", "focus ring", "iris", "aperture", "aperture ring", "shutter", "zoom", "zoom ring", "speed", "speed dial", "self-timer", "timer", "mirror", "back",
            "rewind", "wind lever", "bellows", "lens", "lever", "ring", "distance", "scale", "release");

    static Optional<Control> heard(Cursor line) {
        int start = line.mark();
        if (line.takeOne(List.of("with", "reached with")).isPresent()) {
            line.take("the");
            Optional<String> name = line.takeOne(CONTROLS);
            boolean stands = name.isPresent() && (line.takeOne(List.of("at", "on", "is", "stands at")).isPresent() || List.of("open", "closed", "cocked", "released", "up", "down", "out", "in").stream().anyMatch(line::next));
            Optional<String> at = stands ? line.clause() : Optional.empty();
            if (at.isPresent()) {
                return Optional.of(new Control(usual(name.orElseThrow()), at.get().strip().toLowerCase(Locale.ROOT)));
            }
        }
        line.reset(start);
        return Optional.empty();
    }

    /// One name for one control.
    private static String usual(String name) {
        return switch (name) {
            case "focus ring", "distance" -> "focus";
            case "aperture", "aperture ring" -> "iris";
            case "zoom ring" -> "zoom";
            case "speed dial" -> "speed";
            case "timer" -> "self-timer";
            default -> name;
        };
    }

    /// `with focus at nearest`, `with the shutter at B`, `with iris open`, `with zoom at 80 mm`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "control";
        }

        @Override
        public Class<Control> type() {
            return Control.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            return heard(line).map(c -> List.<Fact>of(c)).orElse(List.of());
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Noted ? List.of("with focus at nearest") : List.of();
        }
    }
}
