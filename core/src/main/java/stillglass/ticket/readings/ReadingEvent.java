package stillglass.ticket.readings;

import java.util.List;
import java.util.Optional;
import stillglass.device.Source;
import stillglass.optics.Glints;
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

    /// How sharp the corners were with eccentric collars at a setting: half-modulation frequencies, lp/mm, of the picture as it is seen upright.
    /// @param collarDeg clockwise from its mark, seen from the front
    /// @param secondDeg of the second collar, where there are two
    @Named("collars-tried")
    record CollarsTried(Phase phase, double collarDeg, Optional<Double> secondDeg, double topLeft, double topRight, double bottomRight, double bottomLeft) implements ReadingEvent {
        private static final int CORNERS = 4;
        private static final double MOST_DEG = 3600;
        private static final double MOST_LP_MM = 1e4;

        public CollarsTried {
            if (!possible(deg(collarDeg, secondDeg), List.of(topLeft, topRight, bottomRight, bottomLeft))) {
                throw new IllegalArgumentException("collars at " + deg(collarDeg, secondDeg) + " are out of range: give one or two angles and four frequencies above 0");
            }
        }

        /// @param collarsDeg one or two
        /// @param corners from top left clockwise
        public static CollarsTried of(Phase phase, List<Double> collarsDeg, List<Double> corners) {
            return new CollarsTried(phase, collarsDeg.getFirst(), collarsDeg.size() > 1 ? Optional.of(collarsDeg.get(1)) : Optional.empty(), corners.get(0), corners.get(1), corners.get(2), corners.get(3));
        }

        /// Whether anything could be measured so.
        public static boolean possible(List<Double> collarsDeg, List<Double> corners) {
            return !collarsDeg.isEmpty() && collarsDeg.size() <= 2 && collarsDeg.stream().allMatch(d -> Math.abs(d) <= MOST_DEG)
                    && corners.size() == CORNERS && corners.stream().allMatch(f -> f > 0 && f < MOST_LP_MM);
        }

        private static List<Double> deg(double one, Optional<Double> other) {
            return other.map(o -> List.of(one, o)).orElse(List.of(one));
        }

        public List<Double> collarsDeg() {
            return deg(collarDeg, secondDeg);
        }

        public List<Double> cornersLpMm() {
            return List.of(topLeft, topRight, bottomRight, bottomLeft);
        }
    }

    /// Where a lamp's reflections were seen in the closed lens, from the front.
    /// @param lampMm distance of the lamp before the first glass
    /// @param asideMm of the lamp from the axis
    /// @param cameraMm distance of the eye or camera, on the axis
    /// @param shares where each stands on the line towards the lamp, rim radii, positive on the lamp's side
    @Named("glints-seen")
    record GlintsSeen(Phase phase, double lampMm, double asideMm, double cameraMm, List<Double> shares) implements ReadingEvent {
        private static final int MOST = 60;

        public GlintsSeen {
            shares = List.copyOf(shares);
            if (!Glints.Stand.possible(lampMm, asideMm, cameraMm) || shares.size() > MOST || shares.stream().anyMatch(x -> !(Math.abs(x) <= 1))) {
                throw new IllegalArgumentException("a lamp " + lampMm + " mm before the lens, " + asideMm + " mm aside, an eye at " + cameraMm + " mm and reflections at " + shares + " are out of range");
            }
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
