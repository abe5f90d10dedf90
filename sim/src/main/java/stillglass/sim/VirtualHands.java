package stillglass.sim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.ticket.facts.BackedOff;
import stillglass.ticket.facts.Ball;
import stillglass.ticket.facts.Collar;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.facts.Note;
import stillglass.ticket.facts.Preload;
import stillglass.ticket.facts.Proud;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.Shims;
import stillglass.ticket.facts.Turns;

/// What a careful technician reads off the virtual instrument while opening a joint: the true value with the scatter of a
/// caliper or an eye.
public final class VirtualHands {
    private static final double CALIPER_SIGMA_MM = 0.02;

    private VirtualHands() {}

    /// Facts worth recording about a joint.
    /// @param seed scatter of the readings and the clock positions of this individual instrument
    public static List<Fact> observe(Joint joint, Instrument instrument, long seed) {
        SplittableRandom random = new SplittableRandom(seed * 31 + joint.id().hashCode());
        List<Fact> facts = new ArrayList<>();
        switch (joint.hold()) {
            case Hold.Thread t -> {
                facts.add(new Turns(quarter(t.turns())));
                facts.add(new LetGo(ClockPosition.of(random.nextInt(24) / 2.0)));
            }
            case Hold.Screws s -> s.holes().forEach(h -> facts.add(
                    new Screw(h.cell(), s.drive(), tenth(h.lengthMm() + CALIPER_SIGMA_MM * random.nextGaussian()))));
            case Hold.RetainingRing r -> {
                facts.add(new Turns(quarter(r.turns())));
                facts.add(new Proud(Math.round((r.proudMm() + CALIPER_SIGMA_MM * random.nextGaussian()) * 100) / 100.0));
            }
            case Hold.SetScrews s -> facts.add(new Note(s.count() + " loosened " + s.looseTurns() + " turns, left in"));
            case Hold.Glue g -> facts.add(new Note("softened with " + g.softener()));
            case Hold.Press p -> {}
            case Hold.Hook h -> {}
            case Hold.Seat s -> {}
            case Hold.Noted n -> {}
            case Hold.Snap s -> {}
            case Hold.Cement c -> {}
            case Hold.Bayonet b -> facts.add(new LetGo(ClockPosition.of(random.nextInt(24) / 2.0)));
            case Hold.Solder s -> facts.add(new Note(s.places() + " wires, colours noted"));
            case Hold.Connector c -> {}
        }
        for (String id : joint.frees()) {
            instrument.part(id).filter(Part::facingMatters).ifPresent(p -> facts.add(new Facing(p.element().orElse(p.id()), true)));
            if (id.equals("shims")) {
                facts.add(new Shims(List.of(0.1, 0.2)));
            }
        }
        for (String lost : joint.loses().stream().sorted().toList()) {
            instrument.reference(lost).flatMap(r -> kept(r.kind(), random)).ifPresent(facts::add);
        }
        if (joint.hazards().contains(Joint.Hazard.CLICK_BALL)) {
            facts.add(new Ball(1.0));
        }
        return facts;
    }

    /// The reading that keeps a reference, where it is one.
    private static Optional<Fact> kept(Instrument.Kind kind, SplittableRandom random) {
        return switch (kind) {
            case ECCENTRIC_COLLAR -> Optional.of(new Collar(ClockPosition.of(random.nextInt(48) / 4.0)));
            case SPRING_PRELOAD -> Optional.of(new Preload(0.5 + random.nextInt(6) / 4.0));
            case TURNS_FROM_STOP -> Optional.of(new BackedOff(5 + 5 * random.nextInt(12)));
            case INFINITY, HELICOID_ENTRY, IRIS_COUPLING, PROUD_HEIGHT, RING_CLOCK, SCALE_ZERO, ORDER, POSITION -> Optional.empty();
        };
    }

    private static double quarter(double turns) {
        return Math.max(0.25, Math.round(turns * 4) / 4.0);
    }

    private static double tenth(double mm) {
        return Math.round(mm * 10) / 10.0;
    }
}
