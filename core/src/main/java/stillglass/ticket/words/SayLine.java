package stillglass.ticket.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Line;

/// Reads bench shorthand: `3 screws rear, slot, 4.2 mm`, `E2 out, front up, 1 o'clock`, `ball 1.0`, `shim .05 .10`, `stuck, naphtha, wait 10m`, `done` …
///
/// The same line notes facts while opening and states them while closing.
public final class SayLine {
    private static final int MOST_COMPLETIONS = 4;
    /// One grammar a subject; the first that knows what a line is about reads it. Facts come last: any word may begin one.
    private static final Grammar CONDITION = new ConditionWords();
    private static final Grammar BY_NAME = new NamedWords();
    private static final List<Grammar> GRAMMARS = List.of(
            CONDITION, new CoveringWords(), new SessionWords(), new ArrivalWords(), new GlassWords(), new ReadingWords(), new MeasureWords(), new RunInWords(), new CareWords(), new AgendaWords(), new WorthWords(), new CourseWords(), new ProofWords(), new MarkWords(), new TroubleWords(),
            new JointWords(), BY_NAME, new FactWords());

    private SayLine() {}

    public static Reading read(String typed, Setting in) {
        String line = typed.strip();
        if (line.isEmpty()) {
            return new Reading.Unclear(Said.of("say.empty"), completions("", in));
        }
        if (line.length() > Line.LONGEST) {
            return Reading.unclear("words.long", "most", Line.LONGEST);
        }
        Line tokens = Line.of(line);
        Optional<Said> objection = Optional.empty();
        for (Grammar g : order(tokens, in)) {
            Cursor cursor = new Cursor(tokens);
            Optional<Reading> reading = g.read(cursor, in);
            objection = objection.or(cursor::objection);
            if (reading.isPresent()) {
                return whole(reading.get(), cursor, objection, in, line);
            }
        }
        return new Reading.Unclear(objection.orElse(Said.of("say.unused", "words", new Cursor(tokens).clauseHere())), completions(line, in));
    }

    /// A line that begins with the name of a joint or part in two words or more is about that, whatever its first word means by itself.
    private static List<Grammar> order(Line tokens, Setting in) {
        Cursor cursor = new Cursor(tokens);
        if (Math.max(in.words().joints().at(cursor).words(), in.words().parts().at(cursor).words()) < 2) {
            return GRAMMARS;
        }
        List<Grammar> order = new ArrayList<>(List.of(CONDITION, BY_NAME));
        order.addAll(GRAMMARS);
        return order;
    }

    /// What is left of a line was not understood: nothing is swallowed.
    private static Reading whole(Reading reading, Cursor cursor, Optional<Said> objection, Setting in, String line) {
        cursor.separators();
        if (reading instanceof Reading.Unclear u) {
            return u.completions().isEmpty() ? new Reading.Unclear(u.why(), completions(line, in)) : u;
        }
        return cursor.end() ? reading : new Reading.Unclear(objection.orElse(Said.of("say.unused", "words", cursor.clauseHere())), completions(line, in));
    }

    private static List<String> completions(String typed, Setting in) {
        String line = typed.toLowerCase(Locale.ROOT);
        List<String> all = new ArrayList<>();
        // What is likely of the joint in hand comes first.
        GRAMMARS.reversed().forEach(g -> all.addAll(g.examples(in)));
        List<String> starting = all.stream().filter(s -> s.toLowerCase(Locale.ROOT).startsWith(line)).distinct().limit(MOST_COMPLETIONS).toList();
        return starting.isEmpty() ? all.stream().distinct().limit(MOST_COMPLETIONS).toList() : starting;
    }
}
