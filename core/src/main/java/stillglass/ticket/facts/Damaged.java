package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// Damage: found, or done here. The report says which.
/// @param what in the technician's words
/// @param ours whether it was done on this bench
public record Damaged(String what, boolean ours) implements Fact.Recalled, Fact.OfPiece {
    public Damaged(String what) {
        this(what, false);
    }

    @Override
    public String about() {
        return "damage " + what;
    }

    @Override
    public Said said() {
        return Said.of(ours ? "fact.damaged.ours" : "fact.damaged", "what", what);
    }

    /// `damaged two slots`, `rust below`, `we scratched the rim`, `slipped, rim scratched`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        private static final List<String> OURS = List.of("we damaged", "i damaged", "slipped", "damaged by us", "we broke", "we scratched");
        private static final List<String> FOUND = List.of("found damaged", "damaged", "damage");
        /// Words that say a damage by themselves and go as far as the next comma.
        private static final List<String> SIGNS = List.of("rust", "rusty", "rusted", "dent", "dented", "bent", "scratch", "scratched", "chewed", "corroded", "corrosion", "cracked", "crack",
                "chipped", "worn", "torn", "verdigris", "perished");

        @Override
        public String name() {
            return "damaged";
        }

        @Override
        public Class<Damaged> type() {
            return Damaged.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            boolean ours = line.takeOne(OURS).isPresent();
            if (ours || line.takeOne(FOUND).isPresent()) {
                line.take(":");
                int words = line.mark();
                Optional<String> what = line.rest();
                if (what.isPresent() || ours) {
                    // "We scratched the rim" keeps its verb, "damaged two slots" needs none.
                    return List.of(new Damaged(ours ? line.typed(start, words) + what.map(w -> " " + w).orElse("") : what.get(), ours));
                }
                line.reset(start);
                return List.of();
            }
            if (line.takeOne(SIGNS).isPresent()) {
                line.reset(start);
                return List.of(new Damaged(line.clause().orElseThrow(), false));
            }
            return List.of();
        }

        @Override
        public List<String> examples(Joint joint) {
            return List.of();
        }
    }
}
