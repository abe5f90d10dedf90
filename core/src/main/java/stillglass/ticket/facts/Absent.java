package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// There was none of something. A stack of shims says so itself, see [Shims].
/// @param what ball, spring, screw, collar, washer …: the beginning of what such a fact is about
public record Absent(String what) implements Fact {
    @Override
    public String about() {
        return what;
    }

    @Override
    public Said said() {
        return Said.of("fact.absent", "what", what);
    }

    @Override
    public Said question() {
        return Said.of("fact.absent.question", "what", what);
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        return recorded instanceof Absent ? Verdict.agrees(this)
                : Verdict.differs(Said.of("fact.absent.wrong", "then", recorded.said()), Said.of("fact.absent.wrong.does"));
    }

    /// What it means that something is stated of which none was found.
    public static Verdict but(Fact stated) {
        return Verdict.differs(Said.of("fact.absent.but", "stated", stated.said()), Said.of("fact.absent.but.does"));
    }

    /// `no ball`, `no spring`, `no washer`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        private static final List<String> THINGS = List.of("ball", "spring", "collar", "washer", "pin", "glue", "mark");

        @Override
        public String name() {
            return "absent";
        }

        @Override
        public Class<Absent> type() {
            return Absent.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            if (!line.take("no")) {
                return List.of();
            }
            Optional<String> what = line.takeOne(THINGS).or(() -> line.takeOne(THINGS.stream().map(t -> t + "s").toList()).map(t -> t.substring(0, t.length() - 1)));
            if (what.isEmpty()) {
                line.reset(start);
            }
            return what.map(w -> List.<Fact>of(new Absent(w))).orElse(List.of());
        }
    }
}
