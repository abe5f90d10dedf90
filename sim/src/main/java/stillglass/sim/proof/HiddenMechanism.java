package stillglass.sim.proof;

import java.util.List;
import java.util.SplittableRandom;
import stillglass.assembly.Instrument;
import stillglass.prove.speed.SpeedFault;
import stillglass.sim.shutter.ShutterMechanism;
import stillglass.ticket.TicketState;

/// What is wrong with shutter, iris and focus of an instrument on the virtual bench, drawn from its ticket: worked on once something was open and all is closed again.
///
/// @param fault of the shutter as it is now
/// @param strength of it, 0 to 1
/// @param worked whether the work is behind it
record HiddenMechanism(long seed, SpeedFault fault, double strength, boolean worked, boolean focalPlane) {
    private static final List<SpeedFault> LIKELY = List.of(SpeedFault.ESCAPEMENT, SpeedFault.GUM, SpeedFault.WEAK_SPRING, SpeedFault.RETARD_LATE);
    private static final int NODES = 10;
    private static final double FAST_EV = 0.25;

    static HiddenMechanism of(TicketState state, Instrument instrument) {
        long seed = state.tag().number().hashCode() * 2_654_435_761L;
        SplittableRandom random = new SplittableRandom(seed);
        boolean worked = state.joints().lastOpened() > 0 && state.joints().openNow().isEmpty();
        SpeedFault fault = LIKELY.get(random.nextInt(LIKELY.size()));
        return new HiddenMechanism(seed, worked ? SpeedFault.NONE : fault, random.nextDouble(0.5, 0.9), worked, instrument.sort() == Instrument.Sort.BODY);
    }

    SplittableRandom random(long of) {
        return new SplittableRandom(seed * 31 + of);
    }

    /// True exposure at a setting, s; NaN where the shutter hangs.
    double exposureS(double nominalS) {
        double[] ev = new ShutterMechanism(seed).departures(fault, strength, NODES);
        double at = Math.clamp(-Math.log(nominalS) / Math.log(2), 0, NODES - 1.001);
        int low = (int) at;
        double between = ev[low] + (at - low) * (ev[low + 1] - ev[low]);
        // Speeds beyond the mechanism's own fastest are what the spring gives.
        double off = Double.isNaN(between) ? nominalS < 1 / 60.0 ? FAST_EV : Double.NaN : between;
        return nominalS * Math.pow(2, off);
    }
}
