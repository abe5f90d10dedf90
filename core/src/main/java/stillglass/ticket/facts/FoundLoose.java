package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// It was not as tight, or not as free, as it should have been.
/// @param how loose, overtight, or not fastened at all
/// @param what of it, in the technician's words; empty for the joint itself
public record FoundLoose(How how, Optional<String> what) implements Fact.Recalled, Fact.OfPiece {
    /// How it was found.
    public enum How {
        LOOSE,
        OVERTIGHT,
        MISSING
    }

    @Override
    public String about() {
        return "found " + how + what.map(w -> " " + w).orElse("");
    }

    @Override
    public Said said() {
        String key = switch (how) {
            case LOOSE -> "fact.loose";
            case OVERTIGHT -> "fact.overtight";
            case MISSING -> "fact.missing";
        };
        return what.map(w -> Said.of(key + ".what", "what", w)).orElse(Said.of(key));
    }

    /// `found loose`, `found loose: one screw`, `overtight`, `found missing, one screw`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "found-loose";
        }

        @Override
        public Class<FoundLoose> type() {
            return FoundLoose.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            Optional<How> how = line.take("found loose") ? Optional.of(How.LOOSE)
                    : line.takeOne(List.of("overtight", "found overtight")).isPresent() ? Optional.of(How.OVERTIGHT)
                    : line.take("found missing") ? Optional.of(How.MISSING) : Optional.empty();
            if (how.isEmpty()) {
                return List.of();
            }
            line.take(":");
            return List.of(new FoundLoose(how.get(), line.clause()));
        }
    }
}
