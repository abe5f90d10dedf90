package stillglass.app.practice;

import java.util.List;
import java.util.Optional;
import stillglass.app.desk.Devices;
import stillglass.app.desk.Work;
import stillglass.assembly.Joint;
import stillglass.device.Caliper;
import stillglass.device.Collimator;
import stillglass.device.PhotoCamera;
import stillglass.device.Source;
import stillglass.sim.VirtualDevices;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.story.Phase;

/// Simulated devices on the instrument as the work so far has left it; what they read is kept as simulated.
public final class SimulatedDevices implements Devices {
    /// Scatter of the caliper.
    private static final long SEED = 5;

    @Override
    public Optional<PhotoCamera> camera(Work work, Phase phase, boolean fromRear) {
        return work.section().map(lens -> VirtualDevices.camera(work.state(), lens, work.instrument(), phase, fromRear));
    }

    @Override
    public Optional<PhotoCamera> overJoint(Work work, Joint joint) {
        return Optional.of(VirtualDevices.overJoint(work.state(), joint));
    }

    @Override
    public Optional<Caliper> caliper(Work work, Joint joint, List<Fact> noted, int before) {
        return Optional.of(VirtualDevices.caliper(joint, work.instrument(), noted, before, SEED));
    }

    @Override
    public Optional<Collimator> collimator(Work work) {
        return work.section().map(lens -> VirtualDevices.collimator(work.state(), lens, work.instrument(), work.state().history().nextAct()));
    }

    @Override
    public Source source() {
        return Source.SIMULATED;
    }
}
