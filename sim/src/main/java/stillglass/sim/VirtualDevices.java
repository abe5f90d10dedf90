package stillglass.sim;

import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.DoubleStream;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.device.Caliper;
import stillglass.device.Collimator;
import stillglass.device.PhotoCamera;
import stillglass.device.Source;
import stillglass.optics.LensSection;
import stillglass.sim.photo.InspectionCamera;
import stillglass.sim.photo.Pose;
import stillglass.sim.photo.Shot;
import stillglass.sim.photo.StepCamera;
import stillglass.ticket.TicketState;
import stillglass.ticket.facts.Clocked;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.Proud;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.Shims;
import stillglass.ticket.story.Phase;

/// Simulated devices on the instrument as the work so far has left it.
public final class VirtualDevices {
    private VirtualDevices() {}

    /// A camera that looks in from the front against the light.
    public static PhotoCamera camera(TicketState state, LensSection section, Instrument instrument, Phase phase) {
        return camera(state, section, instrument, phase, false);
    }

    /// The same from either side.
    public static PhotoCamera camera(TicketState state, LensSection section, Instrument instrument, Phase phase, boolean fromRear) {
        Pose usual = Pose.usual(Bench.photoSeed(state, phase));
        return camera(state, section, instrument, fromRear ? usual.lookingFromRear() : usual);
    }

    /// The same with a seed of one's own.
    public static PhotoCamera camera(TicketState state, LensSection section, Instrument instrument, long seed) {
        return camera(state, section, instrument, Pose.usual(seed));
    }

    private static PhotoCamera camera(TicketState state, LensSection section, Instrument instrument, Pose pose) {
        return () -> {
            Shot shot = InspectionCamera.photograph(section, Bench.now(state, section, instrument), pose.mounted(section.name().hashCode()));
            return new PhotoCamera.Picture("bench-" + Math.floorMod(pose.seed(), 100_000) + ".png", PngBytes.of(shot.picture()), Source.SIMULATED);
        };
    }

    /// A camera held over the joint in hand. While it is opened the ring sits as it always did; put back, it sits where hidden hands left it, and where it was
    /// found to be turned it has been put right since.
    public static PhotoCamera overJoint(TicketState state, Joint joint) {
        long mount = state.tag().number().hashCode() * 31L + joint.id().hashCode();
        long moment = mount * 31 + state.glass().photos().size() * 7L + state.joints().story(joint.id()).closing().statements().size();
        boolean open = state.joints().story(joint.id()).open();
        boolean told = state.joints().story(joint.id()).closing().statements().stream().anyMatch(f -> f.fact() instanceof Clocked);
        double turn = open && !told ? handTurnDeg(joint, mount) : 0;
        return () -> new PhotoCamera.Picture("step-" + Math.floorMod(moment, 100_000) + ".png",
                PngBytes.of(StepCamera.photograph(mount, state.tag().number().hashCode(), turn, moment).picture()), Source.SIMULATED);
    }

    /// How far a ring is turned when it was put back without looking: on the next screw hole, or somewhere near its place.
    static double handTurnDeg(Joint joint, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        return joint.hold() instanceof Hold.Screws s && s.holes().size() > 1 ? 360.0 / s.holes().size() : Math.round(10 * (4 + 8 * random.nextDouble())) / 10.0;
    }

    /// A caliper or micrometer at a joint: the lengths of its screws hole by hole, how proud its ring stands, or the shims under it one after the other; noted
    /// screws are not measured again.
    /// @param noted facts on record already
    /// @param before how many readings were taken at it before
    public static Caliper caliper(Joint joint, Instrument instrument, List<Fact> noted, int before, long seed) {
        return () -> VirtualHands.observe(joint, instrument, seed).stream().filter(f -> !noted.contains(f))
                .flatMapToDouble(f -> switch (f) {
                    case Screw s -> noted.stream().anyMatch(n -> n instanceof Screw o && o.cell().equals(s.cell())) ? DoubleStream.empty() : s.lengthMm().stream().mapToDouble(d -> d);
                    case Proud p -> DoubleStream.of(Math.abs(p.mm()));
                    case Shims s -> DoubleStream.of(s.piecesMm().get(before % s.piecesMm().size()));
                    default -> DoubleStream.empty();
                })
                .findFirst().orElse(0);
    }

    public static Collimator collimator(TicketState state, LensSection section, Instrument instrument, long seed) {
        return () -> VirtualCollimator.read(Bench.now(state, section, instrument), seed);
    }
}
