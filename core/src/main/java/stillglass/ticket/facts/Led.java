package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// One move of a dance that no dial tells: which way something was turned or pushed, and where that ended. Goes back last in, first out, the other way.
///
/// @param what was led
/// @param way it went when it came off
/// @param by how far, in words with a unit, where that was said
/// @param until where the move ended: `stop`, or two features that met, with a stroke between; empty when nobody said
public record Led(String what, Way way, Optional<String> by, String until) implements Fact.Move {
    /// Where it ran against something.
    private static final String STOP = "stop";

    /// Ways to lead something, each with the one that undoes it.
    public enum Way {
        RIGHT("left"),
        LEFT("right"),
        IN("out"),
        OUT("in"),
        FORWARD("back"),
        BACK("forward"),
        UP("down"),
        DOWN("up");

        private final String undone;

        Way(String undone) {
            this.undone = undone;
        }

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }

        public Way undone() {
            return valueOf(undone.toUpperCase(Locale.ROOT));
        }
    }

    @Override
    public Said said() {
        Said bare = by.map(b -> Said.of("fact.led.by", "what", what, "way", way.word(), "by", b)).orElse(Said.of("fact.led", "what", what, "way", way.word()));
        return until.isEmpty() ? bare : until.equals(STOP) ? Said.of("fact.led.stop", "move", bare) : Said.of("fact.led.until", "move", bare, "until", until);
    }

    @Override
    public Said question() {
        return Said.of(meets() ? "fact.led.question.from" : "fact.led.question", "what", what);
    }

    /// Whether it ended where two features met.
    private boolean meets() {
        return until.contains(" / ");
    }

    /// While closing it is led the other way, from where it ended.
    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof Led then)) {
            return Verdict.agrees(this);
        }
        if (way != then.way.undone()) {
            return Verdict.differs(Said.of("fact.led.wrong", "what", what, "then", then.way.word(), "back", then.way.undone().word()), Said.of("fact.led.wrong.does"));
        }
        if (then.meets() && until.isEmpty()) {
            return new Verdict.Lacks(Said.of("fact.led.lacks", "what", what));
        }
        return then.meets() && !same(then.until, until) ? Verdict.differs(Said.of("fact.led.elsewhere", "then", then.until), Said.of("fact.led.elsewhere.does")) : Verdict.agrees(this);
    }

    /// The pin at the slot is the slot at the pin.
    private static boolean same(String a, String b) {
        List<String> one = List.of(a.split(" / "));
        List<String> other = List.of(b.split(" / "));
        return one.size() == other.size() && one.containsAll(other) && other.containsAll(one);
    }

    /// `turn cam barrel right until the pin meets the slot`, `push inner barrel back 2 mm`, `lift plate until it stops`; while closing `turn cam barrel left from pin at slot`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        private static final List<String> VERBS = List.of("turn", "turned", "rotate", "rotated", "push", "pushed", "pull", "pulled", "lift", "lifted", "slide", "slid", "press", "pressed", "draw", "drew");
        private static final Map<String, Way> WAYS = Map.ofEntries(Map.entry("right", Way.RIGHT), Map.entry("clockwise", Way.RIGHT), Map.entry("left", Way.LEFT), Map.entry("anticlockwise", Way.LEFT),
                Map.entry("counterclockwise", Way.LEFT), Map.entry("in", Way.IN), Map.entry("inward", Way.IN), Map.entry("out", Way.OUT), Map.entry("outward", Way.OUT), Map.entry("forward", Way.FORWARD),
                Map.entry("forwards", Way.FORWARD), Map.entry("back", Way.BACK), Map.entry("backward", Way.BACK), Map.entry("backwards", Way.BACK), Map.entry("up", Way.UP), Map.entry("down", Way.DOWN));
        /// What a verb means by itself.
        private static final Map<String, Way> USUAL = Map.of("push", Way.IN, "pushed", Way.IN, "press", Way.IN, "pressed", Way.IN, "pull", Way.OUT, "pulled", Way.OUT, "draw", Way.OUT, "drew", Way.OUT,
                "lift", Way.UP, "lifted", Way.UP);
        private static final List<String> ENDS = List.of("until", "till", "from", "by", "to");
        private static final Pattern MEETING = Pattern.compile("^(?:the )?(.+?) (?:meets|meet|at|opposite|against|faces|clears|lines up with|stands at|stands opposite) (?:the )?(.+)$");
        private static final Pattern STOPS = Pattern.compile("^(?:it )?(?:stops?|blocks|the stop|its stop|no further)$");

        @Override
        public String name() {
            return "led";
        }

        @Override
        public Class<Led> type() {
            return Led.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<Fact> heard = line.takeOne(VERBS).flatMap(verb -> whole(verb, line));
            if (heard.isEmpty()) {
                line.reset(start);
            }
            return heard.map(List::of).orElse(List.of());
        }

        private static Optional<Fact> whole(String verb, Cursor line) {
            line.takeOne(List.of("the", "a"));
            String[] stops = java.util.stream.Stream.concat(WAYS.keySet().stream(), ENDS.stream()).toArray(String[]::new);
            Optional<String> what = line.until(stops);
            Optional<Way> way = line.takeOne(List.copyOf(WAYS.keySet())).map(WAYS::get).or(() -> Optional.ofNullable(USUAL.get(verb)));
            if (what.isEmpty() || way.isEmpty() || line.next("to")) {
                return Optional.empty();
            }
            line.take("by");
            Optional<String> by = amount(line);
            String until = line.takeOne(List.of("until", "till", "from")).isPresent() ? line.clause().map(Kind::end).orElse("") : "";
            return line.clauseEnds() ? Optional.of(new Led(what.get().toLowerCase(Locale.ROOT), way.get(), by, until)) : Optional.empty();
        }

        private static Optional<String> amount(Cursor line) {
            int from = line.mark();
            return line.degrees().or(() -> Amounts.turns(line)).isPresent() || line.number().isPresent() && (line.take("mm") || line.clauseEnds()) ? Optional.of(line.typed(from, line.mark())) : reset(line, from);
        }

        private static Optional<String> reset(Cursor line, int to) {
            line.reset(to);
            return Optional.empty();
        }

        /// Where a move ended, whatever words say it.
        private static String end(String words) {
            String w = words.strip().toLowerCase(Locale.ROOT);
            Matcher meeting = MEETING.matcher(w);
            return STOPS.matcher(w).matches() ? STOP : meeting.matches() ? meeting.group(1) + " / " + meeting.group(2) : w;
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Noted n && n.word().contains("cam") ? List.of("turn cam barrel right until pin meets slot") : List.of();
        }
    }
}
