package stillglass.ticket.readings;

import java.util.List;
import java.util.Optional;
import stillglass.device.Source;
import stillglass.prove.measure.Quantity;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;
import stillglass.ticket.story.Phase;

/// A measurement or a trial of the whole. Kept as it comes, when it can be.
public sealed interface ReadingEvent extends Event, ReadingIntent {
    /// A function check, such as iris or feel, in words.
    @Named("function-checked")
    record FunctionChecked(Phase phase, String check, String found) implements ReadingEvent {}

    /// @param errorMm image of infinity minus film plane, positive behind the film
    /// @param uncertaintyMm one standard deviation
    /// @param source empty in rows written before it was kept
    @Named("infinity-measured")
    record InfinityMeasured(Phase phase, double errorMm, double uncertaintyMm, Optional<Source> source) implements ReadingEvent {
        private static final double MOST_MM = 100;
        private static final double MOST_UNCERTAIN_MM = 10;

        public InfinityMeasured(Phase phase, double errorMm, double uncertaintyMm, Source source) {
            this(phase, errorMm, uncertaintyMm, Optional.of(source));
        }

        public InfinityMeasured {
            if (!possible(errorMm, uncertaintyMm)) {
                throw new IllegalArgumentException("an infinity error of " + errorMm + " ± " + uncertaintyMm + " mm is out of range: give less than 100 mm");
            }
        }

        /// Whether anything could be measured so.
        public static boolean possible(double errorMm, double uncertaintyMm) {
            return Math.abs(errorMm) < MOST_MM && uncertaintyMm >= 0 && uncertaintyMm < MOST_UNCERTAIN_MM;
        }
    }

    /// How sharp the corners were with eccentric collars at a setting.
    /// @param collarsDeg one or two, clockwise from their marks, seen from the front
    /// @param cornersLpMm half-modulation frequency of the picture as it is seen upright: top left, top right, bottom right, bottom left
    @Named("collars-tried")
    record CollarsTried(Phase phase, List<Double> collarsDeg, List<Double> cornersLpMm) implements ReadingEvent {
        private static final int CORNERS = 4;
        private static final double MOST_DEG = 3600;
        private static final double MOST_LP_MM = 1e4;

        public CollarsTried {
            collarsDeg = List.copyOf(collarsDeg);
            cornersLpMm = List.copyOf(cornersLpMm);
            if (!possible(collarsDeg, cornersLpMm)) {
                throw new IllegalArgumentException("collars at " + collarsDeg + " with corners of " + cornersLpMm + " are out of range: give one or two angles and four frequencies above 0");
            }
        }

        /// Whether anything could be measured so.
        public static boolean possible(List<Double> collarsDeg, List<Double> cornersLpMm) {
            return !collarsDeg.isEmpty() && collarsDeg.size() <= 2 && collarsDeg.stream().allMatch(d -> Math.abs(d) <= MOST_DEG)
                    && cornersLpMm.size() == CORNERS && cornersLpMm.stream().allMatch(f -> f > 0 && f < MOST_LP_MM);
        }
    }

    /// A measurement: what, where or at which setting, and how much, with its error.
    /// @param at speed, stop, distance or place, as [Quantity#at] gives it; empty where there is none
    /// @param value in the unit of the quantity
    /// @param sigma one standard deviation
    /// @param source empty for a reading of a row written before it was kept
    /// @param from name of the recording or photo it was read from
    @Named("measured")
    record Measured(Phase phase, Quantity quantity, String at, double value, double sigma, Optional<Source> source, Optional<String> from) implements ReadingEvent {
        public Measured {
            if (!quantity.possible(value, sigma)) {
                throw new IllegalArgumentException("a " + quantity.word() + " of " + value + " ± " + sigma + " " + quantity.unit() + " is out of range");
            }
            if (!quantity.at(at).filter(at::equals).isPresent()) {
                throw new IllegalArgumentException("“" + at + "” is no place for a " + quantity.word());
            }
        }
    }
}
