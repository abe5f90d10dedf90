package stillglass.prove.measure;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Pattern;
import stillglass.prove.trace.Speed;
import stillglass.say.Said;

/// A quantity that is measured on the whole instrument. Names are stored in logbooks: they stay.
public enum Quantity {
    /// Image of infinity minus film plane, mm, positive behind the film.
    INFINITY("mm", Where.NOTHING, 0.02, 100),
    /// Effective exposure at a speed, s.
    SPEED("s", Where.SPEED, 0, 3600),
    /// Exposure at the far side of the frame against the near side, EV.
    EVENNESS("EV", Where.SPEED, 0.05, 20),
    /// Opening of the iris at a stop against what the scale says, EV: positive for too wide.
    OPENING("EV", Where.STOP, 0.1, 20),
    /// Frequency at half modulation, line pairs a millimetre on the film, at a place of the frame.
    SHARPNESS("lp/mm", Where.PLACE, 0, 2000),
    /// Scattered light as a share of the bright surround.
    VEIL("share", Where.PLACE, 0.01, 1),
    /// Turning moment of a control that moves, N·mm.
    TORQUE("N·mm", Where.PLACE, 0, 100_000),
    /// Turning moment at which a control starts, N·mm.
    BREAKAWAY("N·mm", Where.PLACE, 0, 100_000),
    /// True distance of what is sharp when the scale is set to a distance, m.
    SCALE("m", Where.DISTANCE, 0, 10_000),
    /// True distance of what a range finder shows in one when it reads a distance, m.
    FINDER("m", Where.DISTANCE, 0, 10_000),
    /// Movement that is none of the control's own, mm.
    PLAY("mm", Where.PLACE, 0.01, 100),
    /// From the mount to the film, mm.
    FLANGE("mm", Where.NOTHING, 0.01, 1000),
    /// Time in which an iris closes to a stop, from 95 % of the light between to 5 %, s.
    CLOSING("s", Where.STOP, 0, 10),
    WEIGHT("g", Where.PLACE, 0.01, 100_000);

    /// What a reading is made at.
    public enum Where {
        NOTHING,
        SPEED,
        STOP,
        DISTANCE,
        /// A control, a part, or a place of the frame, in words; may be left out.
        PLACE
    }

    /// Where no error is stated: of what it depends on the figure itself, as a share of it.
    private static final double USUAL_SHARE = 0.03;
    /// At infinity a departure is this over the true distance: 100 m there weighs as much as a twentieth of the distance does near by.
    private static final double FAR_M = 5;
    private static final String INFINITE = "Infinity";
    private static final Pattern INFINITE_TYPED = Pattern.compile("∞|inf|infinity");
    private static final double LN2 = Math.log(2);

    private final String unit;
    private final Where where;
    private final double usualSigma;
    private final double most;

    Quantity(String unit, Where where, double usualSigma, double most) {
        this.unit = unit;
        this.where = where;
        this.usualSigma = usualSigma;
        this.most = most;
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String unit() {
        return unit;
    }

    public Where where() {
        return where;
    }

    public Said said() {
        return Said.of("quantity." + word());
    }

    /// A value, to be said.
    public Said figure(double value) {
        return Said.of("figure." + word(), "v", value * saidIn());
    }

    /// An error of it, to be said behind it.
    public Said figureOfError(double sigma) {
        return Said.of("figure.error", "v", sigma * saidIn());
    }

    /// Where it is measured, to be said: `1/125 s`, `f/2.8`.
    public Said place(String at) {
        return at.equals(INFINITE) ? Said.of("place.infinite") : Said.of("place." + where.name().toLowerCase(Locale.ROOT), "at", at);
    }

    /// Exposures are said in milliseconds, shares in percent.
    private double saidIn() {
        return this == SPEED || this == CLOSING ? 1000 : this == VEIL ? 100 : 1;
    }

    /// One standard deviation of a typed reading whose error is not stated.
    public double usualSigma(double value) {
        return usualSigma > 0 ? usualSigma : USUAL_SHARE * Math.abs(value);
    }

    /// Whether anything could be measured so.
    public boolean possible(double value, double sigma) {
        boolean signed = this == INFINITY || this == EVENNESS || this == OPENING;
        return Math.abs(value) <= most && sigma >= 0 && sigma <= most && (signed || value > 0 || value == 0 && (this == VEIL || this == PLAY || this == TORQUE || this == BREAKAWAY));
    }

    /// A place as it is kept, so that what is measured twice is found again: `1/125`, `2.8`, `3`.
    /// @return empty when it is none for this quantity
    public Optional<String> at(String typed) {
        String text = typed.strip().toLowerCase(Locale.ROOT);
        return switch (where) {
            case NOTHING -> text.isEmpty() ? Optional.of("") : Optional.empty();
            case PLACE -> Optional.of(text);
            case SPEED -> Speed.parse(text).stream().mapToObj(s -> Speed.text(s).replace(" s", "")).findFirst();
            case STOP -> number(text.replaceFirst("^f\\s*/?\\s*", "")).stream().filter(n -> n >= 0.5 && n <= 256).mapToObj(Quantity::plain).findFirst();
            case DISTANCE -> INFINITE_TYPED.matcher(text).matches() ? Optional.of(INFINITE) : number(text.replaceFirst("\\s*m$", "")).stream().filter(n -> n > 0 && n <= 10_000).mapToObj(Quantity::plain).findFirst();
        };
    }

    private static OptionalDouble number(String text) {
        try {
            double v = Double.parseDouble(text.replace(',', '.'));
            return Double.isFinite(v) ? OptionalDouble.of(v) : OptionalDouble.empty();
        } catch (NumberFormatException e) {
            return OptionalDouble.empty();
        }
    }

    private static String plain(double v) {
        return v == Math.rint(v) ? Long.toString((long) v) : Double.toString(v);
    }

    /// What the place says that the figure should be; empty when it says nothing.
    /// @param at as [#at] gives it
    public OptionalDouble nominal(String at) {
        return switch (this) {
            case SPEED -> Speed.parse(at);
            case SCALE, FINDER -> at.equals(INFINITE) ? OptionalDouble.of(Double.POSITIVE_INFINITY) : number(at);
            case INFINITY, EVENNESS, OPENING -> OptionalDouble.of(0);
            case SHARPNESS, VEIL, TORQUE, BREAKAWAY, PLAY, FLANGE, CLOSING, WEIGHT -> OptionalDouble.empty();
        };
    }

    /// Departure from what it should be, in the measure in which it is judged: EV of exposures, share of distances, else in its own unit.
    /// @return empty when nothing says what it should be
    public OptionalDouble departure(String at, double value) {
        OptionalDouble nominal = nominal(at);
        return nominal.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(switch (this) {
            case SPEED -> Math.log(value / nominal.getAsDouble()) / LN2;
            case SCALE, FINDER -> at.equals(INFINITE) ? FAR_M / value : value / nominal.getAsDouble() - 1;
            default -> value - nominal.getAsDouble();
        });
    }

    /// One standard deviation of the departure.
    public double departureSigma(String at, double value, double sigma) {
        return switch (this) {
            case SPEED -> sigma / Math.max(1e-12, value) / LN2;
            case SCALE, FINDER -> at.equals(INFINITE) ? FAR_M * sigma / (value * value) : sigma / nominal(at).orElse(1);
            default -> sigma;
        };
    }

    /// What it may depart by either way. Usual limits of the trade; documented with their reasons in docs/methods/proof.md.
    /// @return empty when a shop has no limit of its own: then only before and after are compared
    public OptionalDouble allowed(String at) {
        return switch (this) {
            // A third of a stop is seen on reversal film; fast speeds of old shutters are rarely better than half a stop.
            case SPEED -> OptionalDouble.of(nominal(at).orElse(1) < 1 / 260.0 ? 0.5 : 1 / 3.0);
            case EVENNESS -> OptionalDouble.of(0.3);
            case OPENING -> OptionalDouble.of(0.3);
            case SCALE, FINDER -> OptionalDouble.of(0.05);
            default -> OptionalDouble.empty();
        };
    }

    /// Whether less is better.
    public boolean lessIsBetter() {
        return this == VEIL || this == PLAY || this == CLOSING;
    }
}
