package stillglass.ticket.proof;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Part;
import stillglass.ticket.joints.Joints;

/// Which parts are glasses of the lens: those a map says are, and on unmapped instruments those whose name says so.
public final class NamedGlass {
    private static final Set<String> WORDS = Set.of("glass", "element", "doublet", "triplet", "meniscus", "group");
    private static final Set<String> NOT = Set.of("ground", "cover", "window", "screen", "finder");

    private NamedGlass() {}

    /// Names of the glasses that lie on the tray, in the order they came out.
    public static List<String> out(Joints joints, Instrument instrument) {
        return joints.openNow().stream().flatMap(id -> instrument.joint(id).stream()).flatMap(j -> j.frees().stream()).distinct().flatMap(p -> instrument.withContents(p).stream())
                .filter(NamedGlass::is).map(Part::name).distinct().toList();
    }

    static boolean is(Part p) {
        Set<String> words = Set.copyOf(Arrays.stream(p.name().toLowerCase(Locale.ROOT).split("[^\\p{L}]+")).distinct().toList());
        return p.kind() == Part.Kind.GLASS || p.kind() == Part.Kind.SMALL && words.stream().anyMatch(WORDS::contains) && words.stream().noneMatch(NOT::contains);
    }
}
