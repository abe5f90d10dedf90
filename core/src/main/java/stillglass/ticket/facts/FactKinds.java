package stillglass.ticket.facts;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.ServiceLoader;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// All kinds of fact there are.
public final class FactKinds {
    private static final Map<Class<? extends Fact>, FactKind> BY_TYPE = new LinkedHashMap<>();
    private static final Map<String, FactKind> BY_NAME = new LinkedHashMap<>();

    static {
        ServiceLoader.load(FactKind.class, FactKind.class.getClassLoader()).forEach(k -> {
            BY_TYPE.put(k.type(), k);
            if (BY_NAME.put(k.name(), k) != null) {
                throw new IllegalStateException("two kinds of fact are named " + k.name());
            }
        });
    }

    private FactKinds() {}

    public static List<FactKind> all() {
        return List.copyOf(BY_NAME.values());
    }

    public static Optional<FactKind> named(String name) {
        return Optional.ofNullable(BY_NAME.get(name));
    }

    /// @throws IllegalStateException for a record that no kind has registered
    public static FactKind of(Fact fact) {
        FactKind kind = BY_TYPE.get(fact.getClass());
        if (kind == null) {
            throw new IllegalStateException(fact.getClass().getSimpleName() + " is no registered kind of fact");
        }
        return kind;
    }

    /// Reads the facts of one kind that come next in a line; of kinds that could, the one that takes most of it.
    /// @return nothing, the cursor unmoved, when none does
    public static List<Fact> hear(Cursor line, Hearing in) {
        int start = line.mark();
        int farthest = start;
        List<Fact> best = List.of();
        for (FactKind kind : BY_NAME.values()) {
            List<Fact> heard = kind.hear(line, in);
            if (!heard.isEmpty() && line.mark() > farthest) {
                farthest = line.mark();
                best = heard;
            }
            line.reset(start);
        }
        line.reset(farthest);
        return best;
    }

    /// Several facts of a joint in one breath, kind by kind in the order they came.
    public static Said said(List<? extends Fact> facts) {
        Map<FactKind, List<Fact>> byKind = new LinkedHashMap<>();
        facts.forEach(f -> byKind.computeIfAbsent(of(f), k -> new ArrayList<>()).add(f));
        List<Said> all = byKind.entrySet().stream().map(e -> e.getKey().together(e.getValue())).toList();
        return all.size() == 1 ? all.getFirst() : Said.dots(all);
    }

    /// What could be typed of a joint, most likely first.
    public static List<String> examples(Joint joint) {
        return BY_NAME.values().stream().flatMap(k -> k.examples(joint).stream()).distinct().toList();
    }
}
