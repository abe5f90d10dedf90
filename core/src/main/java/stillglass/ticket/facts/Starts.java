package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// How many threads run side by side: ends that were counted, or entries in which it could be started.
public record Starts(int count) implements Fact.Logged {
    private static final int MOST = 60;

    public Starts {
        if (count < 1 || count > MOST) {
            throw new IllegalArgumentException("a thread with " + count + " starts: count its ends, from 1 to " + MOST);
        }
    }

    @Override
    public String about() {
        return "starts";
    }

    @Override
    public Said said() {
        return Said.of("fact.starts", "count", count);
    }

    /// `6 starts`, `starts 6`, `six thread ends`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "starts";
        }

        @Override
        public Class<Starts> type() {
            return Starts.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<Integer> count = line.take("starts") ? line.count() : line.count().filter(n -> line.takeOne(List.of("starts", "start", "thread ends", "entries")).isPresent());
            if (count.filter(n -> n >= 1 && n <= MOST).isPresent()) {
                return List.of(new Starts(count.get()));
            }
            line.reset(start);
            return List.of();
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Noted n && n.word().contains("thread") ? List.of("6 starts") : List.of();
        }
    }
}
