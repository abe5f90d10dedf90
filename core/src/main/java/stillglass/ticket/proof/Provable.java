package stillglass.ticket.proof;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.device.Source;
import stillglass.prove.measure.Quantity;
import stillglass.prove.measure.Verdict;
import stillglass.prove.trace.Speed;
import stillglass.ticket.facts.Drag;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.joints.JointStory;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// One thing that can be shown by a figure: as it arrived, as it is after the work, and whether that is allowed.
///
/// @param quantity that is measured
/// @param points by setting or place, in the order of the scale
public record Provable(Quantity quantity, List<Point> points) {
    private static final double NMM_PER_NCM = 10;

    /// A setting or place.
    /// @param before the last figure on arrival
    /// @param between the last one while it was apart
    /// @param after the last one after the work that stands: nothing was opened or shimmed anew since
    /// @param withdrawn whether there was one that does not stand any more
    public record Point(Quantity quantity, String at, Optional<ReadingEvent.Measured> before, Optional<ReadingEvent.Measured> between, Optional<ReadingEvent.Measured> after, boolean withdrawn) {
        /// The figure that counts now.
        public Optional<ReadingEvent.Measured> now() {
            return after.or(() -> between).or(() -> before);
        }

        /// What the figure after the work says; before there is one, nothing.
        /// @param allowedMm what infinity may be off, where that is known
        public Optional<Verdict> verdict(OptionalDouble allowedMm) {
            return after.map(m -> judged(m, allowedMm));
        }

        /// What it was found to be on arrival.
        public Optional<Verdict> arrived(OptionalDouble allowedMm) {
            return before.map(m -> judged(m, allowedMm));
        }

        private Verdict judged(ReadingEvent.Measured m, OptionalDouble allowedMm) {
            OptionalDouble allowed = quantity == Quantity.INFINITY ? allowedMm : quantity.allowed(at);
            OptionalDouble departure = quantity.departure(at, m.value());
            return allowed.isEmpty() || departure.isEmpty() ? Verdict.COMPARED
                    : Verdict.of(departure.getAsDouble(), quantity.departureSigma(at, m.value(), m.sigma()), allowed.getAsDouble());
        }
    }

    public Provable {
        points = List.copyOf(points);
    }

    /// What can be shown of a sort of instrument by figures, in the order it is best measured.
    public static Set<Quantity> of(Instrument.Sort sort) {
        return switch (sort) {
            case LENS, ZOOM -> EnumSet.of(Quantity.INFINITY, Quantity.OPENING, Quantity.CLOSING, Quantity.SHARPNESS, Quantity.VEIL, Quantity.TORQUE, Quantity.BREAKAWAY, Quantity.SCALE, Quantity.PLAY);
            case CAMERA -> EnumSet.of(Quantity.INFINITY, Quantity.SPEED, Quantity.OPENING, Quantity.SHARPNESS, Quantity.VEIL, Quantity.TORQUE, Quantity.SCALE, Quantity.FINDER, Quantity.PLAY);
            case SHUTTER -> EnumSet.of(Quantity.SPEED, Quantity.OPENING, Quantity.TORQUE);
            case PAIR -> EnumSet.of(Quantity.INFINITY, Quantity.SPEED, Quantity.OPENING, Quantity.SHARPNESS, Quantity.VEIL);
            case BODY -> EnumSet.of(Quantity.SPEED, Quantity.EVENNESS, Quantity.FLANGE, Quantity.FINDER, Quantity.PLAY);
            case FINDER -> EnumSet.of(Quantity.FINDER);
            case PART -> EnumSet.of(Quantity.TORQUE, Quantity.PLAY);
        };
    }

    /// All that can be or was measured, each with what is known of it.
    public static List<Provable> all(Readings readings, Joints joints, Instrument instrument) {
        long changed = Math.max(joints.lastOpened(), joints.lastFitted());
        List<Readings.Measurement> measured = new ArrayList<>(readings.all());
        measured.addAll(drags(joints, instrument));
        Set<Quantity> quantities = EnumSet.copyOf(of(instrument.sort()));
        measured.forEach(m -> quantities.add(m.read().quantity()));
        List<Provable> out = new ArrayList<>();
        for (Quantity q : quantities) {
            Set<String> places = new LinkedHashSet<>();
            measured.stream().filter(m -> m.read().quantity() == q).forEach(m -> places.add(m.read().at()));
            List<Point> points = places.stream().map(at -> point(measured, q, at, changed)).sorted(Comparator.comparingDouble(p -> order(q, p.at))).toList();
            out.add(new Provable(q, points));
        }
        return List.copyOf(out);
    }

    /// Drag of friction rings as it was noted when they came off, and as it was found when they went back. While one is off its figure stays hidden: it is to be told again without it.
    private static List<Readings.Measurement> drags(Joints joints, Instrument instrument) {
        List<Readings.Measurement> out = new ArrayList<>();
        for (String id : joints.order()) {
            String name = instrument.joint(id).map(Joint::name).orElse(id).toLowerCase(Locale.ROOT);
            JointStory story = joints.story(id);
            if (!story.closed()) {
                continue;
            }
            story.noted().forEach(o -> drag(o.fact(), o.seq(), name, Phase.BEFORE).ifPresent(out::add));
            story.closing().statements().forEach(s -> drag(s.fact(), s.seq(), name, Phase.AFTER).ifPresent(out::add));
        }
        return out;
    }

    private static Optional<Readings.Measurement> drag(Fact fact, long seq, String name, Phase phase) {
        return fact instanceof Drag d ? d.ncm().map(v -> new Readings.Measurement(seq, new ReadingEvent.Measured(phase, Quantity.TORQUE, name, NMM_PER_NCM * v, NMM_PER_NCM * v * Drag.TOLERANCE_SHARE / 2, Optional.of(Source.TYPED), Optional.empty()))) : Optional.empty();
    }

    /// Slow speeds, wide stops and near distances first; places as they were measured.
    private static double order(Quantity q, String at) {
        return switch (q.where()) {
            case SPEED -> -Speed.parse(at).orElse(0);
            case STOP, DISTANCE -> Double.parseDouble(at);
            case NOTHING, PLACE -> 0;
        };
    }

    private static Point point(List<Readings.Measurement> measured, Quantity q, String at, long changed) {
        Optional<ReadingEvent.Measured> after = last(measured, q, at, Phase.AFTER, changed);
        return new Point(q, at, last(measured, q, at, Phase.BEFORE, -1), last(measured, q, at, Phase.BETWEEN, -1), after, after.isEmpty() && last(measured, q, at, Phase.AFTER, -1).isPresent());
    }

    private static Optional<ReadingEvent.Measured> last(List<Readings.Measurement> measured, Quantity q, String at, Phase phase, long after) {
        return measured.stream().filter(m -> m.seq() > after && m.read().phase() == phase && m.read().quantity() == q && m.read().at().equals(at)).map(Readings.Measurement::read).reduce((a, b) -> b);
    }
}
