package stillglass.plan;

import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.optics.LensSection;

/// What hands and swabs can get at once some joints are open.
public final class Reached {
    private Reached() {}

    /// Parts that are out, and glasses with a face laid bare, in the order they were reached.
    /// @param section where it is known
    /// @param open joints that have been opened, in order
    public static List<Part> parts(Instrument instrument, Optional<LensSection> section, Collection<String> open) {
        Set<Part> reached = new LinkedHashSet<>();
        for (String id : open) {
            Joint joint = instrument.joint(id).orElse(null);
            if (joint == null) {
                continue;
            }
            joint.frees().forEach(p -> instrument.part(p).ifPresent(reached::add));
            for (int s : joint.exposes().stream().sorted().toList()) {
                section.map(l -> l.elementsAt(s)).orElse(List.of()).forEach(e -> instrument.partOfElement(e.name()).ifPresent(p -> reached.add(whole(p, instrument))));
            }
        }
        return List.copyOf(reached);
    }

    /// The part that is handled: a cemented partner goes with its group.
    private static Part whole(Part part, Instrument instrument) {
        return part.kind() == Part.Kind.GLASS
                ? part.within().flatMap(instrument::part).filter(p -> p.kind() == Part.Kind.GLASS).orElse(part)
                : part;
    }
}
