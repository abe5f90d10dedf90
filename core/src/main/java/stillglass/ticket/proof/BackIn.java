package stillglass.ticket.proof;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.fault.Diagnosis;
import stillglass.look.Progress;
import stillglass.optics.LensSection;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.joints.Rework;

/// The shortest way back to the glass that most likely is wrong.
///
/// @param way joints to open, in order; empty where the glass lies open already
public record BackIn(List<Joint> way) {
    /// Below this a cause is no reason to open anything.
    private static final double WORTH = 0.3;

    public BackIn {
        way = List.copyOf(way);
    }

    /// @return nothing where no glass leads, or nobody knows which joint frees it
    /// @throws java.util.concurrent.CancellationException when `progress` asks to stop
    public static Optional<BackIn> of(Diagnosis d, LensSection lens, Joints joints, Instrument instrument, Progress progress) {
        return d.hypotheses().stream().findFirst().filter(h -> h.probability() > WORTH).flatMap(h -> {
            Set<String> glasses = new TreeSet<>();
            h.faults().forEach(f -> glasses.addAll(f.glasses(lens)));
            List<Joint> to = glasses.stream().flatMap(g -> instrument.partOfElement(g).stream()).flatMap(p -> freeing(p, instrument)).distinct().toList();
            return to.isEmpty() ? Optional.empty() : Rework.way(to, joints, instrument, progress).map(BackIn::new);
        });
    }

    /// The joint that frees a part, or the cell it stays in.
    private static Stream<Joint> freeing(Part p, Instrument instrument) {
        Optional<Joint> own = instrument.freedBy(p.id());
        return own.isPresent() ? own.stream() : p.within().flatMap(instrument::part).stream().flatMap(w -> freeing(w, instrument));
    }
}
