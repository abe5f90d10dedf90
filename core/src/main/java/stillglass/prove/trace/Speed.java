package stillglass.prove.trace;

import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// Speeds as they stand on a shutter.
public final class Speed {
    private static final Pattern FRACTION = Pattern.compile("1\\s*/\\s*(\\d{1,5}(?:\\.\\d+)?)\\s*s?");
    private static final Pattern SECONDS = Pattern.compile("(\\d{0,4}(?:\\.\\d{1,9})?)\\s*s?");
    private static final double MOST_S = 3600;
    private static final double LEAST_S = 1e-5;

    private Speed() {}

    /// @param text as `1/125`, `0.5` or `2 s`
    /// @return seconds; empty when it is no speed
    public static OptionalDouble parse(String text) {
        String t = text.strip().toLowerCase(Locale.ROOT);
        Matcher fraction = FRACTION.matcher(t);
        double s = 0;
        if (fraction.matches()) {
            s = 1 / Double.parseDouble(fraction.group(1));
        } else {
            Matcher seconds = SECONDS.matcher(t);
            if (seconds.matches() && seconds.group(1).chars().anyMatch(Character::isDigit)) {
                s = Double.parseDouble(seconds.group(1));
            }
        }
        return s >= LEAST_S && s <= MOST_S ? OptionalDouble.of(s) : OptionalDouble.empty();
    }

    /// As it stands on a shutter: `1/125 s`, `2 s`.
    public static String text(double seconds) {
        double inverse = 1 / seconds;
        return seconds < 0.4 && Math.abs(inverse - Math.rint(inverse)) < 1e-6 * inverse ? "1/" + Math.round(inverse) + " s" : trimmed(seconds) + " s";
    }

    /// Milliseconds with four digits that count.
    public static String millis(double seconds) {
        double ms = 1000 * seconds;
        int digits = Math.clamp((int) (3 - Math.floor(Math.log10(Math.max(1e-3, ms)))), 0, 3);
        return String.format(Locale.ROOT, "%." + digits + "f", ms);
    }

    private static String trimmed(double v) {
        return String.format(Locale.ROOT, "%.4f", v).replaceAll("\\.?0+$", "");
    }
}
