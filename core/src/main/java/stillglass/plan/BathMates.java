package stillglass.plan;

import java.util.Locale;
import java.util.Set;
import stillglass.assembly.Material;
import stillglass.assembly.Part;

/// What must not lie in one bath together.
public final class BathMates {
    private BathMates() {}

    /// Look-alikes would be changed about; what breaks lies alone; steel leaves a bath before the rest, or it rusts.
    public static boolean apart(Part a, Set<Material> ofA, Part b, Set<Material> ofB) {
        boolean steel = ofA.contains(Material.STEEL) != ofB.contains(Material.STEEL);
        return steel || a.fragile().isPresent() || b.fragile().isPresent() || lookAlike(a, b);
    }

    /// Of one kind, and called the same but for a number or a side.
    static boolean lookAlike(Part a, Part b) {
        return a.kind() == b.kind() && plain(a.name()).equals(plain(b.name()));
    }

    private static String plain(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("\\be?\\d+\\b|\\b(front|rear|upper|lower|left|right|inner|outer|first|second|top|bottom)\\b", " ").replaceAll("\\s+", " ").strip();
    }
}
