package stillglass.sim;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.ticket.Fact;

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
            case Joint.Hold.Thread t -> {
                facts.add(new Fact.Turns(quarter(t.turns())));
                facts.add(new Fact.LetGo(ClockPosition.of(random.nextInt(24) / 2.0)));
            }
            case Joint.Hold.Screws s -> s.holes().forEach(h -> facts.add(
                    new Fact.Screw(h.cell(), s.drive(), tenth(h.lengthMm() + CALIPER_SIGMA_MM * random.nextGaussian()))));
            case Joint.Hold.RetainingRing r -> {
                facts.add(new Fact.Turns(quarter(r.turns())));
                facts.add(new Fact.Proud(Math.round((r.proudMm() + CALIPER_SIGMA_MM * random.nextGaussian()) * 100) / 100.0));
            }
            case Joint.Hold.SetScrews s -> facts.add(new Fact.Note(s.count() + " loosened " + s.looseTurns() + " turns, left in"));
            case Joint.Hold.Glue g -> facts.add(new Fact.Note("softened with " + g.softener()));
            case Joint.Hold.Press p -> {}
            case Joint.Hold.Hook h -> {}
            case Joint.Hold.Seat s -> {}
        }
        for (String id : joint.frees()) {
            instrument.part(id).filter(Part::facingMatters).ifPresent(p -> facts.add(new Fact.Facing(p.element().orElse(p.id()), true)));
            if (id.equals("shims")) {
                facts.add(new Fact.Shims(List.of(0.1, 0.2)));
            }
        }
        if (joint.hazards().contains(Joint.Hazard.CLICK_BALL)) {
            facts.add(new Fact.Ball(1.0));
        }
        return facts;
    }

    private static double quarter(double turns) {
        return Math.max(0.25, Math.round(turns * 4) / 4.0);
    }

    private static double tenth(double mm) {
        return Math.round(mm * 10) / 10.0;
    }
}
