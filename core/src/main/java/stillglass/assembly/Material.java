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
    /// Chrome or nickel on another metal.
    PLATED_METAL,
    ENGRAVED_PAINT,
    BLACK_PAINT,
    PLASTIC,
    RUBBER,
    /// Cloth of curtains and bellows.
    RUBBERISED_CLOTH,
    FELT,
    LEATHER,
    SILVERED_MIRROR,
    CIRCUIT_BOARD;

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
