package stillglass.assembly;

import java.util.Locale;

/// What a part is made of or finished with, as far as solvents and hands care.
public enum Material {
    COATED_GLASS,
    EDGE_PAINT,
    BALSAM,
    BRASS,
    ALUMINIUM,
    STEEL,
    ENGRAVED_PAINT,
    BLACK_PAINT,
    PLASTIC,
    RUBBER,
    FELT,
    LEATHER,
    SILVERED_MIRROR;

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
