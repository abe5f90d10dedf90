package stillglass.ticket.readings;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Line;

/// How a control or function was found to be when it was tried.
public enum Behaves {
    FREE("free", "fine", "ok", "good", "snaps", "snap", "snappy", "even", "evenly", "smooth", "run", "runs", "work", "works", "clicks", "sharp", "alike", "quiet"),
    SLOW("slow", "slowly", "sluggish", "lazy", "creeps", "oily", "hesitates"),
    DRY("dry", "scrapes", "squeaks", "scratchy"),
    GRITTY("gritty", "sandy", "grates", "rough", "crunches"),
    STIFF("stiff", "heavy", "tight", "hard to turn"),
    LOOSE("loose", "wobbles", "wobbly", "play", "sloppy"),
    STUCK("stuck", "jammed", "jams", "seized", "blocked", "sticks", "sticky", "frozen"),
    DEAD("dead", "nothing", "does nothing", "does not fire", "no reaction", "missing"),
    /// It runs, but not at its value.
    OFF("off", "wrong", "fast", "too fast", "too slow", "not at its mark", "misses", "soft", "smeared", "blurred", "uneven", "one side soft", "too small", "too large", "rattles"),
    /// It works now and then: one try does not tell.
    SOMETIMES("sometimes", "now and then", "only sometimes", "intermittent", "intermittently", "only cold", "only warm");

    /// One over something is a speed.
    private static final Pattern TIMES = Pattern.compile("\\b(?:(\\d{1,3})\\s*(?:out of|of)|(0|[2-9]|[1-9]\\d{1,2})\\s*/)\\s*(\\d{1,3})\\b");

    private final List<String> words;

    Behaves(String... words) {
        this.words = List.of(words);
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public Said said() {
        return Said.of("behaves." + word());
    }

    /// How often it worked of how many tries.
    public record Times(int worked, int of) {}

    /// How often some words say that it worked: `3 of 10`.
    public static Optional<Times> times(String text) {
        Matcher m = TIMES.matcher(text);
        if (!m.find()) {
            return Optional.empty();
        }
        int worked = Integer.parseInt(Optional.ofNullable(m.group(1)).orElseGet(() -> m.group(2)));
        int of = Integer.parseInt(m.group(3));
        return of > 0 && worked <= of ? Optional.of(new Times(worked, of)) : Optional.empty();
    }

    /// What some words say of it: the first that tell. How often it worked of how many tries tells more than any of them.
    public static Optional<Behaves> in(String text) {
        Optional<Times> times = times(text);
        if (times.isPresent()) {
            int worked = times.get().worked();
            return Optional.of(worked == times.get().of() ? FREE : worked == 0 ? DEAD : SOMETIMES);
        }
        Cursor line = new Cursor(Line.of(text));
        while (!line.end()) {
            if (line.take("not") || line.take("no longer")) {
                // "Not free" says only what it is not.
                line.word();
                continue;
            }
            Optional<Behaves> here = Arrays.stream(values()).filter(b -> b.longest(line) > 0).max(Comparator.comparingInt(b -> b.longest(line)));
            if (here.isPresent()) {
                return here;
            }
            line.skip();
        }
        return Optional.empty();
    }

    private int longest(Cursor line) {
        return words.stream().filter(line::next).mapToInt(String::length).max().orElse(0);
    }
}
