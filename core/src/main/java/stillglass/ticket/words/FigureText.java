package stillglass.ticket.words;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import stillglass.device.Source;
import stillglass.prove.measure.Quantity;
import stillglass.prove.trace.Speed;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;

/// A figure as it is typed behind the name of its quantity: `1/125 8.4 ms ± 0.1`, `f/5.6 -0.3 EV`, `focus 45 ± 5`.
///
/// @param at place or setting, as the quantity keeps it
/// @param value in the unit of the quantity
/// @param sigma one standard deviation
/// @param stated whether the error was typed
/// @param possible whether anything could be measured so
public record FigureText(Quantity quantity, String at, double value, double sigma, boolean stated, boolean possible) {
    private static final String NUMBER = "[+-]?(?:\\d+(?:[.,]\\d+)?|[.,]\\d+)";
    private static final String VALUE = "\\s*[=:,]?\\s*(?<value>1\\s*/\\s*\\d+(?:\\.\\d+)?|f\\s*/\\s*" + NUMBER + "|" + NUMBER + ")\\s*(?<unit>ms|s|ev|n·mm|nmm|n mm|ncm|lp/mm|lp|mm|m|g|kg|%)?"
            + "(?:\\s*(?:±|\\+/?-)\\s*(?<error>" + NUMBER + ")\\s*(?:ms|s|ev|n·mm|nmm|n mm|ncm|lp/mm|lp|mm|m|g|kg|%)?)?\\s*";
    /// m/s², ISO 80000-3.
    private static final double STANDARD_GRAVITY = 9.80665;
    private static final Pattern ON_AN_ARM = Pattern.compile("(?<at>(?:[^=:\\d]*?[^=:\\d\\s,])?)[\\s=:,]*(?<pull>\\d+(?:[.,]\\d+)?)\\s*(?<of>kg|g|n)\\s+(?:at|on)\\s+(?<arm>\\d+(?:[.,]\\d+)?)\\s*(?<by>mm|cm)");
    private static final Pattern AT_NOTHING = Pattern.compile(VALUE);
    private static final Pattern AT_SPEED = Pattern.compile("(?<at>1\\s*/\\s*\\d+(?:\\.\\d+)?|\\d+(?:\\.\\d+)?)(?:\\s*s)?(?=\\s|[=:,])" + VALUE);
    private static final Pattern AT_STOP = Pattern.compile("(?<at>f\\s*/?\\s*\\d+(?:\\.\\d+)?|\\d+(?:\\.\\d+)?)(?=\\s|[=:,])" + VALUE);
    private static final Pattern AT_DISTANCE = Pattern.compile("(?<at>∞|inf(?:inity)?|\\d+(?:[.,]\\d+)?)(?:\\s*m)?(?=\\s|[=:,])" + VALUE);
    private static final Pattern AT_PLACE = Pattern.compile("(?<at>(?:[^=:±%]*?[^=:±%\\s,])??)(?:(?<=\\S)\\s+|\\s*[=:,]\\s*|(?<=^))" + VALUE);

    /// @return empty when it is no figure of that quantity
    public static Optional<FigureText> read(Quantity q, String typed) {
        String text = typed.strip().toLowerCase(Locale.ROOT);
        Matcher arm = ON_AN_ARM.matcher(text);
        if ((q == Quantity.TORQUE || q == Quantity.BREAKAWAY) && arm.matches()) {
            return Optional.of(onAnArm(q, arm));
        }
        Matcher m = pattern(q).matcher(text);
        if (!m.matches()) {
            return Optional.empty();
        }
        Optional<String> at = q.at(q.where() == Quantity.Where.NOTHING ? "" : m.group("at"));
        String unit = Optional.ofNullable(m.group("unit")).orElse("");
        OptionalDouble value = at.isEmpty() ? OptionalDouble.empty() : value(q, at.get(), m.group("value"), unit);
        if (value.isEmpty()) {
            return Optional.empty();
        }
        double v = value.getAsDouble();
        Optional<String> error = Optional.ofNullable(m.group("error"));
        double sigma = error.map(e -> Math.abs(scaled(q, v, number(e), unit))).orElse(q.usualSigma(v));
        return Optional.of(new FigureText(q, at.get(), v, sigma, error.isPresent(), q.possible(v, sigma)));
    }

    /// A weight or pull on an arm: a luggage scale and a lever of known length.
    private static FigureText onAnArm(Quantity q, Matcher m) {
        double pull = number(m.group("pull")) * switch (m.group("of")) {
            case "kg" -> STANDARD_GRAVITY;
            case "g" -> STANDARD_GRAVITY / 1000;
            default -> 1;
        };
        double mm = number(m.group("arm")) * (m.group("by").equals("cm") ? 10 : 1);
        double v = pull * mm;
        double sigma = q.usualSigma(v);
        return new FigureText(q, q.at(m.group("at")).orElse(""), v, sigma, false, q.possible(v, sigma));
    }

    /// What is kept of it.
    public ReadingEvent kept(Phase phase) {
        return quantity == Quantity.INFINITY ? new ReadingEvent.InfinityMeasured(phase, value, sigma, Source.TYPED)
                : new ReadingEvent.Measured(phase, quantity, at, value, sigma, Optional.of(Source.TYPED), Optional.empty());
    }

    private static Pattern pattern(Quantity q) {
        return switch (q.where()) {
            case NOTHING -> AT_NOTHING;
            case SPEED -> AT_SPEED;
            case STOP -> AT_STOP;
            case DISTANCE -> AT_DISTANCE;
            case PLACE -> AT_PLACE;
        };
    }

    /// A figure in the unit of its quantity.
    private static OptionalDouble value(Quantity q, String at, String typed, String unit) {
        if (typed.startsWith("1/") || typed.matches("1\\s*/.*")) {
            return q == Quantity.SPEED && unit.matches("s?") ? Speed.parse(typed) : OptionalDouble.empty();
        }
        if (typed.startsWith("f")) {
            double stop = number(typed.replaceFirst("f\\s*/\\s*", ""));
            return q == Quantity.OPENING && stop > 0 ? OptionalDouble.of(-2 * Math.log(stop / Double.parseDouble(at)) / Math.log(2)) : OptionalDouble.empty();
        }
        double v = number(typed);
        if (q == Quantity.CLOSING) {
            return unit.matches("ms|s") ? OptionalDouble.of(scaled(q, v, v, unit)) : OptionalDouble.empty();
        }
        if (q == Quantity.SPEED) {
            return switch (unit) {
                case "ms" -> OptionalDouble.of(v / 1000);
                case "s" -> OptionalDouble.of(v);
                case "ev" -> OptionalDouble.of(q.nominal(at).orElseThrow() * Math.pow(2, v));
                default -> OptionalDouble.empty();
            };
        }
        return fits(q, unit) ? OptionalDouble.of(scaled(q, v, v, unit)) : OptionalDouble.empty();
    }

    private static boolean fits(Quantity q, String unit) {
        return unit.isEmpty() || switch (q) {
            case EVENNESS, OPENING -> unit.equals("ev");
            case SHARPNESS -> unit.startsWith("lp");
            case VEIL -> unit.equals("%");
            case TORQUE, BREAKAWAY -> unit.startsWith("n");
            case SCALE, FINDER -> unit.equals("m");
            case PLAY, FLANGE, INFINITY -> unit.equals("mm");
            case WEIGHT -> unit.endsWith("g");
            case SPEED, CLOSING -> false;
        };
    }

    /// A difference in the unit that was typed, in that of the quantity.
    private static double scaled(Quantity q, double value, double typed, String unit) {
        return switch (unit) {
            case "ms" -> typed / 1000;
            case "ev" -> q == Quantity.SPEED ? value * (Math.pow(2, typed) - 1) : typed;
            case "ncm" -> 10 * typed;
            case "kg" -> 1000 * typed;
            case "%" -> typed / 100;
            // A veil is said in percent with the sign or without.
            case "" -> q == Quantity.VEIL ? typed / 100 : typed;
            default -> typed;
        };
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }
}
