package stillglass.assembly;

import java.util.List;
import java.util.Optional;
import java.util.Set;

/// One thing that can lie on the tray.
///
/// @param id short stable name within the instrument
/// @param name what the bench calls it
/// @param kind what sort of thing it is
/// @param materials everything a solvent could reach on it, finishes included
/// @param profile half sections in the axial plane, drawn above and below the axis
/// @param element name of the glass it is, if it is one
/// @param within the cell it stays in when the cell comes out whole
/// @param facingMatters whether it can go back the wrong way round
/// @param fragile how it breaks, if it does easily
public record Part(
        String id,
        String name,
        Kind kind,
        Set<Material> materials,
        List<Profile> profile,
        Optional<String> element,
        Optional<String> within,
        boolean facingMatters,
        Optional<String> fragile) {

    /// What a part is taken to bear on it while nobody has noted what it is made of: what is delicate.
    public static final Set<Material> NOT_NOTED = Set.of(Material.ENGRAVED_PAINT, Material.BLACK_PAINT, Material.PLASTIC);

    /// Whether nobody has noted what it is made of.
    public boolean notNoted() {
        return materials.isEmpty() || materials.equals(NOT_NOTED);
    }

    /// Sorts of part.
    public enum Kind {
        GLASS,
        CELL,
        RING,
        BARREL,
        HELICOID,
        SPACER,
        SHIM,
        MOUNT,
        BLADES,
        KEY,
        COVER,
        COVERING,
        PLATE,
        LEVER,
        SPRING,
        GEAR,
        SHUTTER,
        MIRROR,
        PRISM,
        SCREEN,
        RIBBON,
        SMALL
    }

    /// A rectangle of the half section, mm.
    public record Profile(double fromMm, double toMm, double innerRadiusMm, double outerRadiusMm) {
        public Profile {
            if (!(toMm > fromMm) || !(outerRadiusMm > innerRadiusMm) || !(innerRadiusMm >= 0)) {
                throw new IllegalArgumentException("profile " + fromMm + ".." + toMm + " mm, radius " + innerRadiusMm + ".."
                        + outerRadiusMm + " mm has no area");
            }
        }
    }

    public Part {
        materials = Set.copyOf(materials);
        profile = List.copyOf(profile);
    }
}
