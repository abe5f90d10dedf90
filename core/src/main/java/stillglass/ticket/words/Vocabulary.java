package stillglass.ticket.words;

import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.ticket.facts.PartNames;
import stillglass.ticket.line.Names;

/// What the things of an instrument are called. Costs some work to make and is kept as long as the instrument is the same.
public record Vocabulary(Instrument instrument, Names<Joint> joints, Names<Part> parts, Names<Instrument.Reference> references) {
    public static Vocabulary of(Instrument instrument) {
        Names<Joint> joints = new Names<>();
        instrument.joints().forEach(j -> {
            joints.add(j.name(), j);
            joints.add(j.id(), j);
        });
        Names<Instrument.Reference> references = new Names<>();
        instrument.references().forEach(r -> {
            references.add(r.name(), r);
            references.add(r.id(), r);
        });
        return new Vocabulary(instrument, joints, PartNames.of(instrument), references);
    }
}
