package stillglass.device;

import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// A line as digital calipers, micrometers and depth gauges send it over a wire: a number somewhere in it, a unit perhaps.
public final class GaugeLine {
    /// Longer lines come from something else.
    public static final int LONGEST = 256;
    private static final double MM_PER_INCH = 25.4;
    private static final double MOST_MM = 1e4;
    private static final Pattern NUMBER = Pattern.compile("[+\\-−]?\\d{1,6}(?:[.,]\\d{1,6})?");
    private static final Pattern INCHES = Pattern.compile("\\d\\s*(?:in|inch|\"|″)\\b|\\d\\s*[\"″]", Pattern.CASE_INSENSITIVE);

    private GaugeLine() {}

    /// What it reads, mm. Of several numbers the one with a decimal point counts, else the last: a channel's number comes before the value.
    /// @return nothing for a line that is no reading
    public static OptionalDouble mm(String line) {
        if (line.length() > LONGEST) {
            return OptionalDouble.empty();
        }
        String text = line.strip();
        String best = "";
        Matcher numbers = NUMBER.matcher(text);
        while (numbers.find()) {
            boolean decimal = numbers.group().indexOf('.') >= 0 || numbers.group().indexOf(',') >= 0;
            boolean before = best.indexOf('.') >= 0 || best.indexOf(',') >= 0;
            best = decimal || !before ? numbers.group() : best;
        }
        if (best.isEmpty() || text.toLowerCase(java.util.Locale.ROOT).contains("err")) {
            return OptionalDouble.empty();
        }
        double value = Double.parseDouble(best.replace(',', '.').replace('−', '-')) * (INCHES.matcher(text).find() ? MM_PER_INCH : 1);
        return Math.abs(value) < MOST_MM ? OptionalDouble.of(value) : OptionalDouble.empty();
    }
}
