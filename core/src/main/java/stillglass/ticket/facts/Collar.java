package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// Where an eccentric collar, which trims the tilt of a glass, stood.
/// @param name letter or number of the collar, where there are several; may be empty
public record Collar(String name, ClockPosition at) implements Fact {
    /// Collars closer than this agree: five degrees.
    public static final double TOLERANCE_HOURS = 0.17;

    public Collar(ClockPosition at) {
        this("", at);
    }

    @Override
    public String about() {
        return name.isEmpty() ? "collar" : "collar " + name;
    }

    @Override
    public boolean single() {
        return !name.isEmpty();
    }

    @Override
    public Said said() {
        return name.isEmpty() ? Said.of("fact.collar", "at", at.toString()) : Said.of("fact.collar.named", "name", name, "at", at.toString());
    }

    @Override
    public Said question() {
        return name.isEmpty() ? Said.of("fact.collar.question") : Said.of("fact.collar.question.named", "name", name);
    }

    @Override
    public Optional<ClockPosition> stands() {
        return Optional.of(at);
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        return !(recorded instanceof Collar then) || then.at.apartHours(at) <= TOLERANCE_HOURS ? Verdict.agrees(this)
                : Verdict.differs(Said.of("fact.collar.wrong", "then", then.at.toString()), Said.of("fact.collar.wrong.does"));
    }

    /// `collar 2:30`, `collar 75°`, `collar B at 4`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "collar";
        }

        @Override
        public Class<Collar> type() {
            return Collar.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            line.take("eccentric");
            if (!line.take("collar")) {
                line.reset(start);
                return List.of();
            }
            int before = line.mark();
            Optional<String> name = line.word().filter(w -> w.matches("\\p{L}\\d?") || w.matches("\\d"));
            if (name.isEmpty()) {
                line.reset(before);
            }
            line.take("at");
            Optional<ClockPosition> at = line.position();
            if (at.isEmpty()) {
                if (line.objection().isEmpty()) {
                    line.object(Said.of("fact.collar.where"));
                }
                line.reset(start);
                return List.of();
            }
            return List.of(new Collar(name.orElse("").toUpperCase(Locale.ROOT), at.get()));
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Seat ? List.of("collar 75°") : List.of();
        }
    }
}
