package stillglass.ticket.story;

import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.care.CareTables;
import stillglass.optics.LensSection;

/// What a decision may look at besides the ticket.
/// @param instrument what is known of the model, with what this ticket has found of it
/// @param section of its optics, where it is known
/// @param care what agents do to materials
public record World(Instrument instrument, Optional<LensSection> section, CareTables care) {
    /// What a joint is called; its identifier where the instrument has none of it.
    public String nameOf(String joint) {
        return instrument.joint(joint).map(Joint::name).orElse(joint);
    }
}
