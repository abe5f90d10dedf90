package stillglass.ticket.words;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import stillglass.device.Source;
import stillglass.prove.measure.Quantity;
import stillglass.prove.trace.Speed;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// Figures that were measured: `speed 1/125 8.4 ms ± 0.1`, `opening f/5.6 -0.3 EV`, `torque focus 45 ± 5`, `scale 1 m 1.04`, `sharpness centre f/2.8 42`. With `measured` before, at any stage.
final class MeasureWords implements Grammar {
    private static final String NUMBER = "[+-]?(?:\\d+(?:[.,]\\d+)?|[.,]\\d+)";
    private static final String VALUE = "\\s*[=:,]?\\s*(?<value>1\\s*/\\s*\\d+(?:\\.\\d+)?|f\\s*/\\s*" + NUMBER + "|" + NUMBER + ")\\s*(?<unit>ms|s|ev|n·mm|nmm|n mm|ncm|lp/mm|lp|mm|m|g|kg|%)?"
            + "(?:\\s*(?:±|\\+/?-)\\s*(?<error>" + NUMBER + ")\\s*(?:ms|s|ev|n·mm|nmm|n mm|ncm|lp/mm|lp|mm|m|g|kg|%)?)?\\s*";
    private static final Pattern AT_NOTHING = Pattern.compile(VALUE);
    private static final Pattern AT_SPEED = Pattern.compile("(?<at>1\\s*/\\s*\\d+(?:\\.\\d+)?|\\d+(?:\\.\\d+)?)(?:\\s*s)?(?=\\s|[=:,])" + VALUE);
    private static final Pattern AT_STOP = Pattern.compile("(?<at>f\\s*/?\\s*\\d+(?:\\.\\d+)?|\\d+(?:\\.\\d+)?)(?=\\s|[=:,])" + VALUE);
    private static final Pattern AT_DISTANCE = Pattern.compile("(?<at>\\d+(?:[.,]\\d+)?)(?:\\s*m)?(?=\\s|[=:,])" + VALUE);
    private static final Pattern AT_PLACE = Pattern.compile("(?<at>(?:[^=:±%]*?[^=:±%\\s,])??)(?:(?<=\\S)\\s+|\\s*[=:,]\\s*|(?<=^))" + VALUE);

    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        boolean said = line.take("measured");
        Optional<Quantity> quantity = Arrays.stream(Quantity.values()).filter(q -> q != Quantity.INFINITY).filter(q -> line.take(q.word())).findFirst();
        if (quantity.isEmpty() || !said && in.stage() != Stage.ARRIVE && in.stage() != Stage.PROVE && quantity.get() != Quantity.SPEED) {
            line.reset(start);
            return Optional.empty();
        }
        int here = line.mark();
        Optional<Reading> reading = line.rest().flatMap(text -> measured(quantity.get(), text.strip().toLowerCase(Locale.ROOT), in.phase()));
        if (reading.isEmpty() && !said) {
            line.reset(start);
            return Optional.empty();
        }
        if (reading.isEmpty()) {
            line.reset(here);
        }
        return Optional.of(reading.orElse(Reading.unclear("say.measured." + quantity.get().where().name().toLowerCase(Locale.ROOT), "what", quantity.get().said(), "word", quantity.get().word())));
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

    private static Optional<Reading> measured(Quantity q, String text, Phase phase) {
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
        Optional<String> error = Optional.ofNullable(m.group("error"));
        double v = value.getAsDouble();
        double sigma = error.map(e -> Math.abs(scaled(q, v, number(e), unit))).orElse(q.usualSigma(v));
        if (!q.possible(v, sigma)) {
            return Optional.of(Reading.unclear("say.measured.range", "what", q.said(), "value", q.figure(v)));
        }
        return Optional.of(Reading.understood(Said.of(error.isPresent() ? "say.reads.measured" : "say.reads.measured.usual", "what", q.said(), "at", at.get(), "value", q.figure(v), "sigma", q.figureOfError(sigma), "phase", phase.name()),
                new ReadingEvent.Measured(phase, q, at.get(), v, sigma, Optional.of(Source.TYPED), Optional.empty())));
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
            case SPEED -> false;
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

    @Override
    public List<String> examples(Setting in) {
        Stream<Quantity> likely = switch (in.world().instrument().sort()) {
            case LENS, ZOOM -> Stream.of(Quantity.OPENING, Quantity.TORQUE, Quantity.SCALE, Quantity.SHARPNESS);
            case CAMERA, SHUTTER, PAIR -> Stream.of(Quantity.SPEED, Quantity.OPENING, Quantity.TORQUE);
            case BODY -> Stream.of(Quantity.SPEED, Quantity.EVENNESS, Quantity.FLANGE);
            case FINDER -> Stream.of(Quantity.FINDER);
            case PART -> Stream.of(Quantity.TORQUE, Quantity.PLAY);
        };
        return in.stage() == Stage.ARRIVE || in.stage() == Stage.PROVE ? likely.map(q -> q.word() + " ").toList() : List.of();
    }
}
