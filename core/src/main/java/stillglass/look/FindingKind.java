package stillglass.look;

import java.util.Locale;

/// Kinds of fault, with the level each has in a mask file.
public enum FindingKind {
    DUST(1),
    FUNGUS(2),
    HAZE(3),
    OIL(4),
    SCRATCH(5),
    CLEANING_MARKS(6),
    SEPARATION(7),
    BUBBLE(8),
    EDGE_PAINT(9),
    CHIP(10),
    COATING(11),
    UNKNOWN(0);

    private final int maskLevel;

    FindingKind(int maskLevel) {
        this.maskLevel = maskLevel;
    }

    /// Grey level in a mask; 0 for unknown, which is not painted.
    public int maskLevel() {
        return maskLevel;
    }

    /// As written in files: `cleaning-marks`.
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// @throws IllegalArgumentException for a word that is no kind
    public static FindingKind ofWord(String word) {
        for (FindingKind k : values()) {
            if (k.word().equals(word.strip().toLowerCase(Locale.ROOT).replace(' ', '-'))) {
                return k;
            }
        }
        throw new IllegalArgumentException("\"" + word + "\" is no kind of finding");
    }
}
