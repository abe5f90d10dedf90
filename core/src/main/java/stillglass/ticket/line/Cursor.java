package stillglass.ticket.line;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.say.Said;

/// A place in a line. Every method that takes something moves on when it fits, and leaves the place as it was when it does not.
public final class Cursor {
    private static final double MM_PER_INCH = 25.4;
    private static final Map<String, Double> MM = Map.of("mm", 1.0, "cm", 10.0, "µm", 1e-3, "μm", 1e-3, "um", 1e-3, "in", MM_PER_INCH, "inch", MM_PER_INCH, "inches", MM_PER_INCH, "\"", MM_PER_INCH, "″", MM_PER_INCH);
    private static final Map<String, Double> MINUTES = Map.ofEntries(Map.entry("m", 1.0), Map.entry("min", 1.0), Map.entry("mins", 1.0), Map.entry("minute", 1.0), Map.entry("minutes", 1.0), Map.entry("h", 60.0), Map.entry("hour", 60.0),
            Map.entry("hours", 60.0), Map.entry("day", 1440.0), Map.entry("days", 1440.0), Map.entry("week", 10080.0), Map.entry("weeks", 10080.0));
    private static final List<String> COUNTED = List.of("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve");
    private static final double MOST = 1e4;

    private final Line line;
    private int at;
    /// The first thing that was understood but cannot be.
    private Optional<Said> objection = Optional.empty();

    public Cursor(Line line) {
        this.line = line;
    }

    /// A place to come back to.
    public int mark() {
        return at;
    }

    public void reset(int mark) {
        at = mark;
    }

    public boolean end() {
        return at >= line.size();
    }

    /// Whether the next token ends a clause: a comma, or nothing.
    public boolean clauseEnds() {
        return end() || line.at(at).separates();
    }

    /// Passes over one token, whatever it is.
    public void skip() {
        at = Math.min(at + 1, line.size());
    }

    /// Passes over commas and middle dots.
    public void separators() {
        while (!end() && line.at(at).separates()) {
            at++;
        }
    }

    /// Takes a phrase.
    /// @param phrase words with single spaces between
    public boolean take(String phrase) {
        int start = at;
        for (String word : Line.words(phrase)) {
            if (end() || !line.at(at).is(word)) {
                at = start;
                return false;
            }
            at++;
        }
        return true;
    }

    /// Takes the first of some phrases that fits, the longest of those.
    public Optional<String> takeOne(List<String> phrases) {
        Optional<String> best = phrases.stream().filter(this::next).max(Comparator.comparingInt((String p) -> Line.words(p).size()));
        best.ifPresent(this::take);
        return best;
    }

    /// Whether a phrase comes next.
    public boolean next(String phrase) {
        int start = at;
        boolean fits = take(phrase);
        at = start;
        return fits;
    }

    /// Takes one word of any sort.
    public Optional<String> word() {
        if (end() || line.at(at).kind() != Token.Kind.WORD) {
            return Optional.empty();
        }
        return Optional.of(line.at(at++).text());
    }

    /// Takes a metric thread: `M1.7`, or `M2` where `x` follows.
    public Optional<Double> thread() {
        if (end() || line.at(at).kind() != Token.Kind.WORD || !line.at(at).text().matches("m\\d+([.,]\\d+)?")) {
            return Optional.empty();
        }
        Token t = line.at(at);
        boolean decimal = !Double.isNaN(t.value());
        boolean times = at + 1 < line.size() && (line.at(at + 1).is("x") || line.at(at + 1).is("×"));
        if (!decimal && !times) {
            return Optional.empty();
        }
        at++;
        return Optional.of(decimal ? t.value() : Double.parseDouble(t.text().substring(1)));
    }

    /// Takes a number from zero on.
    public Optional<Double> number() {
        if (end() || line.at(at).kind() != Token.Kind.NUMBER) {
            return Optional.empty();
        }
        double value = line.at(at).value();
        if (!(value < MOST)) {
            object(Said.of("line.number.large", "number", line.at(at).text()));
            return Optional.empty();
        }
        at++;
        return Optional.of(value);
    }

    /// Takes a number with its sign, where it has one.
    public Optional<Double> signed() {
        int start = at;
        boolean minus = take("-") || take("−") || take("–");
        if (!minus) {
            take("+");
        }
        Optional<Double> value = number();
        if (value.isEmpty()) {
            at = start;
        }
        return value.map(v -> minus ? -v : v);
    }

    /// Takes what follows a plus-minus sign.
    public Optional<Double> plusMinus() {
        int start = at;
        if (take("±") || take("+ -") || take("+ / -")) {
            Optional<Double> value = number();
            if (value.isPresent()) {
                return value;
            }
        }
        at = start;
        return Optional.empty();
    }

    /// Takes a whole number in digits or in a word up to twelve.
    public Optional<Integer> count() {
        int start = at;
        Optional<Double> digits = number();
        if (digits.isPresent()) {
            if (digits.get() == Math.rint(digits.get())) {
                return digits.map(Double::intValue);
            }
            at = start;
            return Optional.empty();
        }
        int word = end() ? -1 : COUNTED.indexOf(line.at(at).text());
        if (word < 1) {
            return Optional.empty();
        }
        at++;
        return Optional.of(word);
    }

    /// Takes a number in digits or words, with halves and quarters: `3 1/4`, `two`, `half a`, `one and a half`.
    public Optional<Double> amount() {
        int start = at;
        if (take("half a") || take("half") || take("a half")) {
            return Optional.of(0.5);
        }
        if (take("quarter of a") || take("a quarter of a") || take("quarter") || take("a quarter")) {
            return Optional.of(0.25);
        }
        if (take("three quarters of a") || take("three quarters")) {
            return Optional.of(0.75);
        }
        Optional<Double> whole = number().or(() -> count().map(Integer::doubleValue));
        if (whole.isEmpty()) {
            at = start;
            return Optional.empty();
        }
        return whole.map(w -> take("and a half") ? w + 0.5 : take("and a quarter") ? w + 0.25 : w);
    }

    /// Takes a length in mm; inches and micrometres where they are named.
    public Optional<Double> lengthMm() {
        return number().map(v -> v * unit(MM, 1));
    }

    /// Takes a length with its sign.
    public Optional<Double> signedMm() {
        return signed().map(v -> v * unit(MM, 1));
    }

    /// Takes a span of time, in minutes where nothing else is named.
    public Optional<Double> minutes() {
        return amount().map(v -> v * unit(MINUTES, 1));
    }

    private double unit(Map<String, Double> units, double usual) {
        if (end()) {
            return usual;
        }
        Double factor = units.get(line.at(at).text());
        if (factor == null) {
            return usual;
        }
        at++;
        return factor;
    }

    /// Takes an angle in degrees that says so.
    public Optional<Double> degrees() {
        int start = at;
        Optional<Double> value = number();
        if (value.isPresent() && (take("°") || take("deg") || take("degree") || take("degrees"))) {
            return value;
        }
        at = start;
        return Optional.empty();
    }

    /// Takes a clock position that says so: `4:30`, `4 o'clock`, `4.5 o'clock`, `4 h`.
    public Optional<ClockPosition> clock() {
        int start = at;
        if (!end() && line.at(at).kind() == Token.Kind.CLOCK) {
            double hours = line.at(at++).value();
            oClock();
            return onDial(hours, start);
        }
        Optional<Double> hours = number();
        if (hours.isPresent() && oClock()) {
            return onDial(hours.get(), start);
        }
        at = start;
        return Optional.empty();
    }

    /// Takes a clock position where one must come, so that a bare number is one too, and degrees clockwise from 12.
    public Optional<ClockPosition> position() {
        Optional<ClockPosition> said = clock();
        if (said.isPresent()) {
            return said;
        }
        Optional<Double> angle = degrees();
        if (angle.isPresent()) {
            return angle.map(d -> ClockPosition.of(d % 360 / 30));
        }
        int start = at;
        return number().flatMap(h -> onDial(h, start));
    }

    private boolean oClock() {
        return take("o'clock") || take("o' clock") || take("oclock") || take("o clock") || take("h");
    }

    private Optional<ClockPosition> onDial(double hours, int start) {
        if (hours >= 13) {
            object(Said.of("line.clock", "hours", line.typed(start, at)));
            at = start;
            return Optional.empty();
        }
        return Optional.of(ClockPosition.of(hours));
    }

    /// Takes everything up to the next comma, as it was typed.
    public Optional<String> clause() {
        int start = at;
        while (!clauseEnds()) {
            at++;
        }
        return start == at ? Optional.empty() : Optional.of(line.typed(start, at));
    }

    /// Takes everything up to one of some words, the next comma or the end, as it was typed.
    public Optional<String> until(String... words) {
        int start = at;
        while (!clauseEnds() && !List.of(words).contains(line.at(at).text())) {
            at++;
        }
        return start == at ? Optional.empty() : Optional.of(line.typed(start, at));
    }

    /// Takes everything before a word that comes later in the line, commas and all, as it was typed.
    public Optional<String> before(String word) {
        int start = at;
        for (int i = at; i < line.size(); i++) {
            if (line.at(i).is(word)) {
                at = i;
                int end = i;
                while (end > start && line.at(end - 1).separates()) {
                    end--;
                }
                return end > start ? Optional.of(line.typed(start, end)) : Optional.empty();
            }
        }
        return Optional.empty();
    }

    /// Takes all that is left, as it was typed.
    public Optional<String> rest() {
        separators();
        int start = at;
        at = line.size();
        return start == at ? Optional.empty() : Optional.of(line.typed(start, at));
    }

    /// What was typed between two places.
    public String typed(int from, int to) {
        return line.typed(from, to);
    }

    /// The next word as it was typed; empty at the end.
    public String here() {
        return end() ? "" : line.typed(at, at + 1);
    }

    /// Up to the next comma, as it was typed, without taking it.
    public String clauseHere() {
        int start = at;
        Optional<String> words = clause();
        at = start;
        return words.orElse("");
    }

    /// Says that something was understood but cannot be; the first such counts.
    public void object(Said why) {
        if (objection.isEmpty()) {
            objection = Optional.of(why);
        }
    }

    public Optional<Said> objection() {
        return objection;
    }

    Token token(int i) {
        return line.at(i);
    }

    int size() {
        return line.size();
    }
}
