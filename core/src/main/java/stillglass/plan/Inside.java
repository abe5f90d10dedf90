package stillglass.plan;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import stillglass.assembly.Instrument;
import stillglass.assembly.Material;
import stillglass.assembly.Part;

/// What cannot be taken out of a part as the work stands: itself, and everything that lies within it and that no open joint has freed.
public final class Inside {
    private Inside() {}

    /// @param open joints that are open
    public static List<Part> of(Instrument instrument, String part, Set<String> open) {
        Set<String> out = open.stream().flatMap(id -> instrument.joint(id).stream()).flatMap(j -> j.frees().stream()).filter(p -> !p.equals(part))
                .flatMap(p -> instrument.withContents(p).stream()).map(Part::id).collect(Collectors.toSet());
        return instrument.withContents(part).stream().filter(p -> p.id().equals(part) || !out.contains(p.id())).toList();
    }

    /// Materials of all of that. Of a part of which nobody knows what it is made of, anything may be delicate.
    public static Set<Material> materials(Instrument instrument, String part, Set<String> open) {
        return materials(of(instrument, part, open));
    }

    static Set<Material> materials(Iterable<Part> parts) {
        return materials(parts, Part::materials);
    }

    /// The same where somebody knows better what a part is made of.
    public static Set<Material> materials(Iterable<Part> parts, Function<Part, Set<Material>> made) {
        Set<Material> all = EnumSet.noneOf(Material.class);
        parts.forEach(p -> all.addAll(made.apply(p).isEmpty() ? EnumSet.allOf(Material.class) : made.apply(p)));
        return all;
    }
}
