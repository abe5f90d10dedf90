package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// How a mark stands when its two parts meet again.
///
/// @param name of the mark
/// @param meets whether its strokes go on from one part to the other
/// @param at where it stands, where that was said
public record MarkSeen(String name, boolean meets, Optional<ClockPosition> at) implements Fact.OfPiece {
    /// Strokes are told apart by eye within ten degrees.
    private static final double TOLERANCE_HOURS = 0.34;

    @Override
    public String about() {
        return "mark " + name;
    }

    @Override
    public Said said() {
        return at.map(a -> Said.of("fact.mark.seen.at", "name", name, "at", a.toString())).orElse(Said.of(meets ? "fact.mark.seen.meets" : "fact.mark.seen.off", "name", name));
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof Mark then)) {
            return Verdict.agrees(this);
        }
        if (!meets && at.isEmpty()) {
            return Verdict.differs(Said.of("fact.mark.wrong", "then", then.said()), Said.of("fact.mark.wrong.does"));
        }
        boolean there = then.at().flatMap(a -> at.map(b -> a.apartHours(b) <= TOLERANCE_HOURS)).orElse(meets || then.at().isEmpty());
        return there ? Verdict.agrees(this) : Verdict.differs(Said.of("fact.mark.wrong", "then", then.said()), Said.of("fact.mark.wrong.does"));
    }

    /// While closing: `marks meet`, `mark mount meets`, `mark mount at 4`, `marks off`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "mark-seen";
        }

        @Override
        public Class<MarkSeen> type() {
            return MarkSeen.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            List<String> waiting = in.waiting().stream().filter(Mark.class::isInstance).map(f -> ((Mark) f).name()).toList();
            if (in.closing() && line.takeOne(List.of("mark", "marks", "strokes")).isPresent()) {
                line.take("the");
                Optional<String> named = line.takeOne(waiting.stream().map(w -> w.toLowerCase(java.util.Locale.ROOT)).toList())
                        .flatMap(n -> waiting.stream().filter(n::equalsIgnoreCase).findFirst());
                List<String> meant = named.map(List::of).orElse(waiting);
                Optional<MarkSeen> seen = state(line);
                if (seen.isPresent() && !meant.isEmpty() && (seen.get().at.isEmpty() || meant.size() == 1)) {
                    return meant.stream().map(n -> (Fact) new MarkSeen(n, seen.get().meets, seen.get().at)).toList();
                }
            }
            line.reset(start);
            return List.of();
        }

        private static Optional<MarkSeen> state(Cursor line) {
            if (line.takeOne(List.of("meet", "meets", "met", "line up", "lines up")).isPresent()) {
                return Optional.of(new MarkSeen("", true, line.take("at") ? line.position() : Optional.empty()));
            }
            if (line.takeOne(List.of("off", "apart", "do not meet", "does not meet")).isPresent()) {
                return Optional.of(new MarkSeen("", false, Optional.empty()));
            }
            return line.take("at") ? line.position().map(p -> new MarkSeen("", false, Optional.of(p))) : Optional.empty();
        }
    }
}
