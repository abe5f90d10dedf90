package stillglass.sim;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.stream.DoubleStream;
import javax.imageio.ImageIO;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.device.Caliper;
import stillglass.device.Collimator;
import stillglass.device.PhotoCamera;
import stillglass.optics.LensSection;
import stillglass.sim.photo.InspectionCamera;
import stillglass.sim.photo.Pose;
import stillglass.sim.photo.Shot;
import stillglass.ticket.Fact;
import stillglass.ticket.Phase;
import stillglass.ticket.TicketState;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;
import stillglass.assembly.Instrument;
import stillglass.device.Collimator;
import stillglass.device.PhotoCamera;
import stillglass.optics.LensSection;
import stillglass.ticket.Phase;
import stillglass.ticket.TicketState;

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
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            try {
                ImageIO.write(shot.picture(), "png", out);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            return new PhotoCamera.Picture("bench-" + Math.floorMod(pose.seed(), 100_000) + ".png", out.toByteArray());
        };
    }

    /// A caliper at a joint: the lengths of its screws hole by hole, or how proud its ring stands; noted ones are not measured again.
    /// @param noted facts on record already
    public static Caliper caliper(Joint joint, Instrument instrument, List<Fact> noted, long seed) {
        return () -> VirtualHands.observe(joint, instrument, seed).stream().filter(f -> !noted.contains(f))
                .flatMapToDouble(f -> switch (f) {
                    case Fact.Screw s -> noted.stream().anyMatch(n -> n instanceof Fact.Screw o && o.cell().equals(s.cell())) ? DoubleStream.empty() : DoubleStream.of(s.lengthMm());
                    case Fact.Proud p -> DoubleStream.of(Math.abs(p.mm()));
                    default -> DoubleStream.empty();
                })
                .findFirst().orElse(0);
    }

    public static Collimator collimator(TicketState state, LensSection section, Instrument instrument, long seed) {
        return () -> VirtualCollimator.read(Bench.now(state, section, instrument), seed);
    }
}
