package stillglass.ticket.story;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.Build;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.care.CareTables;
import stillglass.optics.LensSection;

/// What a decision may look at besides the ticket.
/// @param instrument what is known of the model, with what this ticket has found of it
/// @param section of its optics, where it is known
/// @param care what agents do to materials
/// @param builds generic constructions something may be built like
/// @param seen what earlier jobs on the model have met
public record World(Instrument instrument, Optional<LensSection> section, CareTables care, List<Build> builds, Seen seen) {
    /// What earlier jobs on the model have met.
    /// @param joints how many of them met each joint, by its identifier
    /// @param jobs how many there were
    public record Seen(Map<String, Integer> joints, int jobs) {
        public static final Seen NOTHING = new Seen(Map.of(), 0);

        public Seen {
            joints = Map.copyOf(joints);
        }
    }

    public World {
        builds = List.copyOf(builds);
    }

    /// Where no generic constructions are known.
    public World(Instrument instrument, Optional<LensSection> section, CareTables care) {
        this(instrument, section, care, List.of(), Seen.NOTHING);
    }

    /// What a joint is called; its identifier where the instrument has none of it.
    public String nameOf(String joint) {
        return instrument.joint(joint).map(Joint::name).orElse(joint);
    }
}
