package stillglass.ticket.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import stillglass.assembly.Instrument;
import stillglass.fault.Observation;
import stillglass.prove.measure.Quantity;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// What was measured on a ticket that a fault of the assembly could explain: infinity, and sharpness over the frame.
public final class Observed {
    /// A corner's figure is that of the edges about it.
    private static final double CORNER_FIELD = 0.85;
    /// A bell is at half modulation at this over its deviation; its spot is wider by √2.
    private static final double HALF = 0.18738;
    private static final double UM_PER_MM = 1000;
    /// A spot and a bell of the same frequency agree to this share.
    private static final double BELL = 0.15;
    private static final double LEAST_MM = 0.02;

    private Observed() {}

    /// @return nothing while all that was measured is as it should be
    public static List<Observation> of(Readings readings, Joints joints, Instrument instrument) {
        Optional<ReadingEvent.InfinityMeasured> infinity = Proof.infinity(readings, joints).or(() -> readings.infinity(Phase.BEFORE)).map(Readings.Infinity::read);
        List<Observation> out = new ArrayList<>();
        infinity.ifPresent(i -> out.add(Observation.of(Observation.What.INFINITY_ERROR_MM, i.errorMm(), Math.max(1e-3, i.uncertaintyMm()))));
        boolean off = infinity.filter(i -> Math.abs(i.errorMm()) > Math.max(LEAST_MM, 2 * i.uncertaintyMm())).isPresent();
        List<Observation> spots = Provable.all(readings, joints, instrument).stream().filter(p -> p.quantity() == Quantity.SHARPNESS).flatMap(p -> p.points().stream()).flatMap(t -> spot(t).stream()).toList();
        out.addAll(spots);
        return off || !spots.isEmpty() ? List.copyOf(out) : List.of();
    }

    /// Glasses that were out on this job, where infinity was measured after it; nothing where that is not known. What was wrong on arrival may be anything.
    public static Set<String> touched(Readings readings, Joints joints, Instrument instrument) {
        if (Proof.infinity(readings, joints).isEmpty()) {
            return Set.of();
        }
        Set<String> out = new TreeSet<>();
        for (String id : joints.order()) {
            instrument.joint(id).filter(j -> joints.story(id).everOpened()).ifPresent(j -> j.frees().forEach(part -> instrument.withContents(part).forEach(p -> p.element().ifPresent(out::add))));
        }
        return out;
    }

    private static Optional<Observation> spot(Provable.Point t) {
        String at = t.at().toLowerCase(Locale.ROOT);
        boolean centre = at.startsWith("centre") || at.startsWith("center") || at.startsWith("middle");
        boolean corner = at.startsWith("top") || at.startsWith("bottom") || at.startsWith("corner");
        return t.now().filter(m -> (centre || corner) && m.value() > 0).map(m -> {
            double um = UM_PER_MM * HALF / m.value() * Math.sqrt(2);
            return Observation.spot(centre ? 0 : CORNER_FIELD, um, um * Math.hypot(BELL, m.sigma() / m.value()));
        });
    }
}
