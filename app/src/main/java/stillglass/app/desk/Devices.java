package stillglass.app.desk;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.assembly.Joint;
import stillglass.device.Caliper;
import stillglass.device.Collimator;
import stillglass.device.PhotoCamera;
import stillglass.device.Source;
import stillglass.device.TorqueGauge;
import stillglass.prove.trace.Recorder;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.story.Phase;

/// What is connected to this bench. Where nothing is, readings are typed and pictures come from files.
public interface Devices {
    /// A technician's bench until something is connected: hands, keys and files.
    Devices NONE = new Devices() {
        @Override
        public Optional<PhotoCamera> camera(Work work, Phase phase, boolean fromRear) {
            return Optional.empty();
        }

        @Override
        public Optional<PhotoCamera> overJoint(Work work, Joint joint) {
            return Optional.empty();
        }

        @Override
        public Optional<Caliper> caliper(Work work, Joint joint, List<Fact> noted, int before) {
            return Optional.empty();
        }

        @Override
        public Optional<Collimator> collimator(Work work) {
            return Optional.empty();
        }

        @Override
        public Source source() {
            return Source.DEVICE;
        }
    };

    /// A camera that looks into the lens against the light.
    Optional<PhotoCamera> camera(Work work, Phase phase, boolean fromRear);

    /// A camera held over a joint.
    Optional<PhotoCamera> overJoint(Work work, Joint joint);

    /// @param noted facts on record already
    /// @param before how many readings were taken at the joint before
    Optional<Caliper> caliper(Work work, Joint joint, List<Fact> noted, int before);

    Optional<Collimator> collimator(Work work);

    /// A light sensor behind the shutter.
    default Optional<Recorder> light(Work work) {
        return Optional.empty();
    }

    /// A microphone beside the shutter.
    default Optional<Recorder> microphone(Work work) {
        return Optional.empty();
    }

    /// A gauge that turns a control and tells how hard it turns.
    default Optional<TorqueGauge> torque(Work work) {
        return Optional.empty();
    }

    /// A camera that looks through the iris against the light.
    /// @param widest f-number of the first photo of a series
    /// @param stop that is set
    default Optional<PhotoCamera> iris(Work work, double widest, double stop) {
        return Optional.empty();
    }

    /// A camera body before a chart that fills its frame.
    default Optional<PhotoCamera> chart(Work work) {
        return Optional.empty();
    }

    /// Pitch of the pixels of that camera, µm; empty when it is not known.
    default OptionalDouble pixelUm() {
        return OptionalDouble.empty();
    }

    /// What their readings are kept as.
    Source source();
}
