package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// A spring that was caught or unhooked. What nobody measured is not known.
/// @param words what it is like or where it goes, as typed
/// @param wireMm thickness of its wire
/// @param diameterMm over its coils
/// @param lengthMm unloaded
public record Spring(String words, Optional<Double> wireMm, Optional<Double> diameterMm, Optional<Double> lengthMm, Optional<Integer> coils) implements Fact.Thing {
    /// What a caliper tells apart on soft coils.
    private static final double WIRE_TOLERANCE_MM = 0.04;
    private static final double WIDTH_TOLERANCE_MM = 0.15;
    private static final double LENGTH_TOLERANCE_MM = 0.6;
    private static final Set<String> IDLE_WORDS = Set.of("the", "a", "an", "one", "it", "is", "very", "spring");

    public Spring {
        wireMm.ifPresent(mm -> Limits.positive(mm, "wire thickness in mm"));
        diameterMm.ifPresent(mm -> Limits.positive(mm, "spring diameter in mm"));
        lengthMm.ifPresent(mm -> Limits.positive(mm, "spring length in mm"));
        coils.ifPresent(n -> Limits.positive(n, "number of coils"));
    }

    public Spring(String words) {
        this(words, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    @Override
    public String about() {
        return "spring";
    }

    @Override
    public Said said() {
        List<Said> all = new ArrayList<>();
        if (!words.isBlank()) {
            all.add(Said.text(words));
        }
        wireMm.ifPresent(mm -> all.add(Said.of("fact.spring.wire", "mm", mm)));
        diameterMm.ifPresent(mm -> all.add(Said.of("fact.spring.wide", "mm", mm)));
        lengthMm.ifPresent(mm -> all.add(Said.of("fact.spring.long", "mm", mm)));
        coils.ifPresent(n -> all.add(Said.of("fact.spring.coils", "count", n)));
        return all.isEmpty() ? Said.of("fact.spring.bare") : Said.of("fact.spring", "features", all);
    }

    @Override
    public Said question() {
        return Said.of("fact.spring.question");
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof Spring then)) {
            return Verdict.agrees(this);
        }
        boolean differs = off(then.wireMm, wireMm, WIRE_TOLERANCE_MM) || off(then.diameterMm, diameterMm, WIDTH_TOLERANCE_MM)
                || off(then.lengthMm, lengthMm, LENGTH_TOLERANCE_MM) || then.coils.isPresent() && coils.isPresent() && !then.coils.equals(coils);
        boolean measured = both(then.wireMm, wireMm) || both(then.diameterMm, diameterMm) || both(then.lengthMm, lengthMm) || then.coils.isPresent() && coils.isPresent();
        Set<String> was = telling(then.words);
        Set<String> is = telling(words);
        boolean otherWords = !was.isEmpty() && !is.isEmpty() && !was.containsAll(is) && !is.containsAll(was);
        if (differs || otherWords && !measured) {
            return Verdict.differs(Said.of("fact.spring.wrong", "then", then.said()), Said.of("fact.spring.wrong.does"));
        }
        boolean wordsAgree = !was.isEmpty() && !is.isEmpty();
        boolean nothingKnown = was.isEmpty() && then.measures() == 0;
        return measured || wordsAgree || nothingKnown ? Verdict.agrees(this) : new Verdict.Lacks(Said.of(then.measures() > 0 ? "fact.spring.lacks.measure" : "fact.spring.lacks"));
    }

    private int measures() {
        return (int) (wireMm.stream().count() + diameterMm.stream().count() + lengthMm.stream().count() + coils.stream().count());
    }

    private static boolean both(Optional<Double> a, Optional<Double> b) {
        return a.isPresent() && b.isPresent();
    }

    private static boolean off(Optional<Double> a, Optional<Double> b, double tolerance) {
        return both(a, b) && !Limits.close(a.orElseThrow(), b.orElseThrow(), tolerance);
    }

    private static Set<String> telling(String words) {
        Set<String> out = new TreeSet<>(Arrays.asList(words.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+")));
        out.removeAll(IDLE_WORDS);
        out.remove("");
        return out;
    }

    /// `spring, the thin one`, `spring 0.3 wire, 4 wide, 12 long, 8 coils`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "spring";
        }

        @Override
        public Class<Spring> type() {
            return Spring.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<Integer> count = line.count();
            if (!line.take("springs") && !line.take("spring")) {
                line.reset(start);
                return List.of();
            }
            Spring s = new Spring("");
            int before = line.mark();
            boolean more = true;
            while (more && !line.end()) {
                before = line.mark();
                boolean first = !line.clauseEnds();
                line.separators();
                Optional<Spring> measured = measure(line, s);
                boolean words = measured.isEmpty() && s.words.isEmpty() && (first || FactKinds.hear(line, in).isEmpty());
                if (measured.isPresent()) {
                    s = measured.get();
                } else if (words) {
                    s = s.worded(line.clause().orElse(""));
                }
                more = measured.isPresent() || words;
            }
            if (!more) {
                line.reset(before);
            }
            return Collections.nCopies(count.orElse(1), s);
        }

        /// `0.4 x 3.2 x 9`: wire, over its coils, length.
        private static Optional<Spring> crossed(Cursor line, Spring s) {
            int start = line.mark();
            Optional<Double> wire = line.lengthMm();
            Optional<Double> wide = wire.isPresent() && (line.take("x") || line.take("×")) ? line.lengthMm() : Optional.empty();
            Optional<Double> tall = wide.isPresent() && (line.take("x") || line.take("×")) ? line.lengthMm() : Optional.empty();
            if (wide.isEmpty() || !Limits.checked(line, wire.get(), "wire") || !Limits.checked(line, wide.get(), "measure") || tall.filter(v -> !Limits.checked(line, v, "measure")).isPresent()) {
                line.reset(start);
                return Optional.empty();
            }
            return Optional.of(new Spring(s.words, wire, wide, tall.or(() -> s.lengthMm), s.coils));
        }

        private static Optional<Spring> measure(Cursor line, Spring s) {
            Optional<Spring> crossed = crossed(line, s);
            if (crossed.isPresent()) {
                return crossed;
            }
            int start = line.mark();
            Optional<Integer> coils = line.take("coils") ? line.count() : line.count().filter(n -> line.take("coils") || line.take("turns of wire"));
            if (coils.filter(n -> n > 0).isPresent()) {
                return Optional.of(new Spring(s.words, s.wireMm, s.diameterMm, s.lengthMm, coils));
            }
            line.reset(start);
            if (line.takeOne(List.of("wire", "thick")).isPresent()) {
                return sized(line, start, line.lengthMm()).map(mm -> new Spring(s.words, Optional.of(mm), s.diameterMm, s.lengthMm, s.coils));
            }
            if (line.takeOne(List.of("diameter", "wide", "outer")).isPresent()) {
                return sized(line, start, line.lengthMm()).map(mm -> new Spring(s.words, s.wireMm, Optional.of(mm), s.lengthMm, s.coils));
            }
            if (line.takeOne(List.of("length", "long")).isPresent()) {
                return sized(line, start, line.lengthMm()).map(mm -> new Spring(s.words, s.wireMm, s.diameterMm, Optional.of(mm), s.coils));
            }
            Optional<Double> mm = line.lengthMm().filter(v -> Limits.checked(line, v, "measure"));
            if (mm.isPresent() && line.takeOne(List.of("wire", "thick")).isPresent()) {
                return Optional.of(new Spring(s.words, mm, s.diameterMm, s.lengthMm, s.coils));
            }
            if (mm.isPresent() && line.takeOne(List.of("diameter", "wide", "across", "outer")).isPresent()) {
                return Optional.of(new Spring(s.words, s.wireMm, mm, s.lengthMm, s.coils));
            }
            if (mm.isPresent() && line.take("long")) {
                return Optional.of(new Spring(s.words, s.wireMm, s.diameterMm, mm, s.coils));
            }
            line.reset(start);
            return Optional.empty();
        }

        private static Optional<Double> sized(Cursor line, int start, Optional<Double> mm) {
            Optional<Double> fits = mm.filter(v -> Limits.checked(line, v, "measure"));
            if (fits.isEmpty()) {
                line.reset(start);
            }
            return fits;
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Hook || joint.hazards().contains(Joint.Hazard.SPRING) ? List.of("spring ") : List.of();
        }
    }

    private Spring worded(String other) {
        return new Spring(other, wireMm, diameterMm, lengthMm, coils);
    }
}
