package stillglass.book.data;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.optics.Element;
import stillglass.optics.LensSection;

/// An instrument nobody has opened yet: its glasses are known from the section, its joints are not.
final class Unmapped {
    private Unmapped() {}

    static Instrument of(String id, LensSection section) {
        List<Part> parts = new ArrayList<>();
        for (Element e : section.elements()) {
            parts.add(new Part(e.name(), e.name(), Part.Kind.GLASS,
                    e.cementedWith().isEmpty()
                            ? Set.of(Material.COATED_GLASS, Material.EDGE_PAINT)
                            : Set.of(Material.COATED_GLASS, Material.EDGE_PAINT, Material.BALSAM),
                    List.of(), Optional.of(e.name()), Optional.empty(), true, Optional.empty()));
        }
        return Instrument.unopened(id, section.name(), Instrument.Sort.LENS, id, section.surfaces().getLast().thicknessMm(), parts);
    }
}
