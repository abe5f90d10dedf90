package stillglass.ticket.story;

import java.util.List;
import java.util.Optional;
import stillglass.assembly.Build;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.care.CareTables;
import stillglass.optics.LensSection;
import stillglass.say.Said;

/// What a decision may look at besides the ticket.
/// @param instrument what is known of the model, with what this ticket has found of it
/// @param section of its optics, where it is known
/// @param care what agents do to materials
/// @param builds generic constructions something may be built like
/// @param seen what earlier jobs on the model have met
public record World(Instrument instrument, Optional<LensSection> section, CareTables care, List<Build> builds, Seen seen) {
    /// What earlier jobs on the model have met.
    public interface Seen {
        /// There were none.
        Seen NOTHING = new Seen() {
            @Override
            public int jobs() {
                return 0;
            }

            @Override
            public int met(String joint) {
                return 0;
            }

            @Override
            public List<Said> told(String joint) {
                return List.of();
            }
        };

        /// How many there were.
        int jobs();

        /// How many of them met a joint.
        int met(String joint);

        /// What they noted of it, in words.
        List<Said> told(String joint);
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
