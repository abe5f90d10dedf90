package stillglass.ticket.proof;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.fault.EntryFinder;
import stillglass.optics.LensSection;
import stillglass.say.Said;
import stillglass.ticket.facts.ThreadSeen;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;

/// Threads with several entries that were begun anew on this job, and which of their wrong entries would explain where infinity came to lie. Needs no section and no map: lead and starts as they were noted; only what a front cell does to infinity is told by its section.
public final class EntryCause {
    private static final double LEAST_MM = 0.03;
    private static final double SIGMAS = 3;

    private EntryCause() {}

    /// @return a sentence for each thread and number of entries that fits, the nearest first
    public static List<Said> of(Readings readings, Joints joints, Instrument instrument, Optional<LensSection> section) {
        Optional<ReadingEvent.InfinityMeasured> infinity = Proof.infinity(readings, joints).map(Readings.Infinity::read).filter(i -> Math.abs(i.errorMm()) > Math.max(LEAST_MM, 2 * i.uncertaintyMm()));
        return infinity.map(i -> all(i, joints, instrument, section)).orElse(List.of());
    }

    private record Fit(double off, Said said) {}

    private static List<Said> all(ReadingEvent.InfinityMeasured i, Joints joints, Instrument instrument, Optional<LensSection> section) {
        List<Fit> out = new ArrayList<>();
        for (String id : joints.order()) {
            Optional<Joint> joint = instrument.joint(id);
            Optional<ThreadSeen> seen = joint.filter(j -> joints.story(id).closed()).flatMap(j -> ThreadSeen.of(j, joints.facts(id)));
            OptionalDouble travel = joint.map(j -> ThreadTravel.factor(j, instrument, section)).orElse(OptionalDouble.empty());
            if (travel.isPresent()) {
                seen.filter(t -> t.starts().orElse(1) > 1).ifPresent(t -> fit(joint.orElseThrow().name(), t, i, travel.getAsDouble()).ifPresent(out::add));
            }
        }
        return out.stream().sorted(Comparator.comparingDouble(Fit::off)).map(Fit::said).toList();
    }

    /// Of which hand the thread is nobody noted: both are tried.
    private static Optional<Fit> fit(String name, ThreadSeen t, ReadingEvent.InfinityMeasured i, double travel) {
        int starts = t.starts().orElse(1);
        double sigma = Math.max(1e-3, i.uncertaintyMm());
        EntryFinder.Entry e = EntryFinder.of(Optional.of(new EntryFinder.Thread(t.leadMm() * travel, starts, true)), Optional.empty(), 1, OptionalDouble.of(i.errorMm()), sigma).entries().getFirst();
        int entries = Math.min(e.outer(), starts - e.outer());
        double own = SIGMAS * Math.hypot(sigma, travel * t.sigmaMm() * entries / starts);
        double off = Math.abs(e.errorMm() - i.errorMm());
        return entries == 0 || off > Math.max(own, LEAST_MM) ? Optional.empty()
                : Optional.of(new Fit(off, Said.of("entry.cause", "joint", name, "entries", entries, "mm", Math.abs(e.errorMm()), "hours", 12.0 * entries / starts)));
    }
}
