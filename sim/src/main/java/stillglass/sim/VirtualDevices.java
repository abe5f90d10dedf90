package stillglass.sim;
import stillglass.sim.photo.InspectionCamera;
import stillglass.sim.photo.Pose;
import stillglass.sim.photo.Shot;

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

    public static Collimator collimator(TicketState state, LensSection section, Instrument instrument, long seed) {
        return () -> VirtualCollimator.read(Bench.now(state, section, instrument), seed);
    }
}
