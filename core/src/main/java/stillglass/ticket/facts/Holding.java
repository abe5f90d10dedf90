package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// What holds something in its place while its own joint is open: tape, a dab of grease, a clamp. It must come away again before the joint is closed over it.
///
/// @param by what holds
/// @param what is held
/// @param gone whether it was taken away, as is said while closing
public record Holding(String by, String what, boolean gone) implements Fact {
    @Override
    public String about() {
        return "held by " + by;
    }

    @Override
    public boolean single() {
        return false;
    }

    @Override
    public Said said() {
        return gone ? Said.of("fact.holding.gone", "by", by) : Said.of("fact.holding", "by", by, "what", what);
    }

    @Override
    public Said question() {
        return Said.of("fact.holding.question", "by", by, "what", what);
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        return !(recorded instanceof Holding then) || gone ? Verdict.agrees(this) : Verdict.differs(Said.of("fact.holding.still", "by", by, "what", then.what), Said.of("fact.holding.still.does"));
    }

    /// `tape holds the blades`, `grease holds washer`; while closing `tape off`, `tape is off`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        private static final List<String> HOLDERS = List.of("tape", "grease", "clamp", "clip", "putty", "wax", "pin", "wedge", "rubber band", "thread", "wire", "stick", "tweezers");

        @Override
        public String name() {
            return "holding";
        }

        @Override
        public Class<Holding> type() {
            return Holding.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<String> by = line.takeOne(HOLDERS);
            if (by.isPresent() && (line.take("holds") || line.take("holding"))) {
                line.takeOne(List.of("the", "a"));
                Optional<String> what = line.clause();
                if (what.isPresent()) {
                    return List.of(new Holding(by.get(), what.get().toLowerCase(Locale.ROOT), false));
                }
            }
            line.reset(start);
            if (by.isPresent() && in.closing() && line.take(by.get()) && line.takeOne(List.of("off", "is off", "out", "gone", "taken off", "removed")).isPresent() && line.clauseEnds()) {
                return List.of(new Holding(by.get(), "", true));
            }
            line.reset(start);
            return List.of();
        }
    }
}
