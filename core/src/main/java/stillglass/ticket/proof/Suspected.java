package stillglass.ticket.proof;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.fault.Sign;
import stillglass.fault.Suspicion;
import stillglass.ticket.facts.ThreadSeen;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.joints.ShimStack;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// What a ticket holds for a lens nobody has a section of: infinity, what its picture looks like, and what was out.
public final class Suspected {
    private static final double LEAST_MM = 0.02;

    private Suspected() {}

    /// Whether something measured or seen asks for a cause.
    public static boolean asks(Readings readings, Joints joints) {
        return infinity(readings, joints).filter(i -> Math.abs(i.read().errorMm()) > Math.max(LEAST_MM, 2 * i.read().uncertaintyMm())).isPresent() || signs(readings, joints).containsValue(false);
    }

    /// @return nothing while nothing is amiss
    public static Optional<Suspicion> of(Readings readings, Joints joints, Instrument instrument) {
        if (!instrument.sort().images() || !asks(readings, joints)) {
            return Optional.empty();
        }
        Optional<Readings.Infinity> i = infinity(readings, joints);
        return Optional.of(Suspicion.of(i.map(x -> OptionalDouble.of(x.read().errorMm())).orElse(OptionalDouble.empty()), i.map(x -> Math.max(1e-3, x.read().uncertaintyMm())).orElse(1.0), signs(readings, joints), out(readings, joints, instrument)));
    }

    private static Optional<Readings.Infinity> infinity(Readings readings, Joints joints) {
        return Proof.infinity(readings, joints).or(() -> readings.infinity(Phase.BEFORE).filter(x -> !closedAgain(joints)));
    }

    private static boolean closedAgain(Joints joints) {
        return joints.order().stream().anyMatch(id -> joints.story(id).closed());
    }

    /// Signs that were looked at since the last opening; before anything was opened those on arrival.
    private static Map<Sign, Boolean> signs(Readings readings, Joints joints) {
        Map<Sign, Boolean> all = new EnumMap<>(Sign.class);
        for (Sign s : Sign.values()) {
            Optional<Readings.Check> seen = closedAgain(joints) ? readings.last(Phase.AFTER, s.function()).filter(c -> c.seq() > joints.lastOpened()) : readings.last(Phase.BEFORE, s.function());
            seen.flatMap(Readings.Check::how).ifPresent(h -> all.put(s, seen.orElseThrow().free()));
        }
        return all;
    }

    /// Only what was opened on this job is known to have been out; on arrival anything may have been.
    private static Suspicion.Record out(Readings readings, Joints joints, Instrument instrument) {
        // Where it is known which stack moves the whole lens, no other moves infinity.
        List<Suspicion.Stack> stacks = ShimStack.ofInfinity(joints, instrument).map(List::of).orElseGet(() -> ShimStack.of(joints, instrument)).stream().flatMap(s -> s.now().filter(p -> !p.isEmpty()).map(p -> new Suspicion.Stack(place(s.place(), instrument), p)).stream()).toList();
        Set<String> parts = new HashSet<>();
        boolean rings = false;
        List<Suspicion.Begun> threads = new ArrayList<>();
        for (String id : joints.order()) {
            Optional<Joint> joint = instrument.joint(id).filter(j -> joints.story(id).everOpened());
            if (joint.isEmpty()) {
                continue;
            }
            Joint j = joint.get();
            parts.addAll(j.frees());
            rings |= j.hold() instanceof Hold.RetainingRing || j.hold() instanceof Hold.Noted;
            ThreadSeen.of(j, joints.facts(id)).filter(t -> t.starts().orElse(1) > 1 && ThreadTravel.factor(j, instrument, Optional.empty()).isPresent()).ifPresent(t -> threads.add(new Suspicion.Begun(j.name(), t.leadMm(), t.starts().orElse(1))));
        }
        int glasses = (int) parts.stream().filter(p -> is(p, instrument, Part.Kind.CELL) || instrument.part(p).filter(NamedGlass::is).isPresent()).count();
        boolean spacers = parts.stream().anyMatch(p -> is(p, instrument, Part.Kind.SPACER));
        return new Suspicion.Record(closedAgain(joints), glasses, spacers, rings, threads, stacks);
    }

    private static String place(String id, Instrument instrument) {
        return instrument.part(id).map(Part::name).orElse(id.replace('_', ' '));
    }

    private static boolean is(String part, Instrument instrument, Part.Kind kind) {
        return instrument.part(part).filter(p -> p.kind() == kind).isPresent();
    }
}
