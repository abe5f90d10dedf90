package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// Somebody was here before.
/// @param what shows it, in the technician's words
public record Earlier(String what) implements Fact.Recalled, Fact.OfPiece {
    @Override
    public String about() {
        return "earlier " + what;
    }

    @Override
    public Said said() {
        return Said.of("fact.earlier", "what", what);
    }

    /// `earlier scribed lines`, `earlier work: glue in the thread`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "earlier";
        }

        @Override
        public Class<Earlier> type() {
            return Earlier.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            if (line.takeOne(List.of("earlier", "earlier work")).isEmpty()) {
                return List.of();
            }
            line.take(":");
            Optional<String> what = line.rest();
            if (what.isEmpty()) {
                line.reset(start);
            }
            return what.map(w -> List.<Fact>of(new Earlier(w))).orElse(List.of());
        }
    }
}
