package stillglass.app.practice;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.app.desk.Devices;
import stillglass.app.desk.Work;
import stillglass.assembly.Joint;
import stillglass.device.Caliper;
import stillglass.device.Collimator;
import stillglass.device.PhotoCamera;
import stillglass.device.Source;
import stillglass.device.TorqueGauge;
import stillglass.prove.trace.Recorder;
import stillglass.sim.VirtualDevices;
import stillglass.sim.proof.ProofDevices;
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
    public Optional<Recorder> light(Work work) {
        return Optional.of(ProofDevices.light(work.state(), work.instrument(), work.state().history().nextAct()));
    }

    @Override
    public Optional<Recorder> microphone(Work work) {
        return Optional.of(ProofDevices.sound(work.state(), work.instrument(), work.state().history().nextAct()));
    }

    @Override
    public Optional<TorqueGauge> torque(Work work) {
        return Optional.of(ProofDevices.torque(work.state(), work.instrument(), work.state().history().nextAct()));
    }

    @Override
    public Optional<PhotoCamera> iris(Work work, double widest, double stop) {
        return Optional.of(ProofDevices.iris(work.state(), work.instrument(), widest, stop, work.state().history().nextAct()));
    }

    @Override
    public Optional<PhotoCamera> chart(Work work) {
        return work.section().map(lens -> ProofDevices.chart(work.state(), lens, work.instrument(), work.state().history().nextAct()));
    }

    @Override
    public OptionalDouble pixelUm() {
        return OptionalDouble.of(ProofDevices.PIXEL_UM);
    }

    @Override
    public Source source() {
        return Source.SIMULATED;
    }
}
