package stillglass.ticket.proof;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;

/// How far infinity moves for a millimetre that a thread carries what it holds: as far where the whole block moves, farther or less where only the front cell does.
final class ThreadTravel {
    private static final Set<String> CELL = Set.of("cell", "element", "group", "glass");

    private ThreadTravel() {}

    /// @return nothing for a front cell of a lens nobody has a section of: how strong its glass is nobody knows
    static OptionalDouble factor(Joint joint, Instrument instrument, Optional<LensSection> section) {
        List<String> words = Arrays.asList(joint.name().toLowerCase(Locale.ROOT).split("[^\\p{L}]+"));
        boolean named = words.contains("front") && words.stream().anyMatch(CELL::contains);
        Optional<LensSection> byCell = section.filter(l -> l.focusing().kind().equals("front-cell"));
        boolean moves = byCell.filter(l -> joint.frees().stream().flatMap(p -> instrument.withContents(p).stream()).flatMap((Part p) -> p.element().stream()).flatMap(e -> l.element(e).stream())
                .anyMatch(e -> l.focusing().movingGroups().contains(e.group()))).isPresent();
        if (!named && !moves) {
            return OptionalDouble.of(1);
        }
        if (byCell.isEmpty()) {
            return OptionalDouble.empty();
        }
        LensSection l = byCell.get();
        int last = l.elements().stream().filter(e -> l.focusing().movingGroups().contains(e.group())).mapToInt(Element::lastSurface).max().orElse(-1);
        return last < 0 ? OptionalDouble.empty() : OptionalDouble.of(Math.abs(Paraxial.of(l).bfdPerGap()[last]));
    }
}
