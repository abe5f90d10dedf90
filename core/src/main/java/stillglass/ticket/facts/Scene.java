package stillglass.ticket.facts;

import java.util.List;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;

/// What a comparison may look at besides the two facts.
/// @param record everything that stands on record of the joint
public record Scene(Instrument instrument, Joint joint, List<Fact> record) {
    public Scene {
        record = List.copyOf(record);
    }
}
