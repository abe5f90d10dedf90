package stillglass.look;

/// Severity of findings from the photo alone, 0 to 4; the grade of Decide comes from the computed effect instead.
public final class Severity {
    private Severity() {}

    /// @param amount what the severity of the kind goes by: a number of specks or bubbles, a share of the aperture or of its light, a length in aperture radii, degrees of rim
    /// @return 0 for what is unknown
    public static int of(FindingKind kind, double amount) {
        return switch (kind) {
            case DUST -> ofDust((int) Math.round(amount));
            case FUNGUS -> ofFungus(amount);
            case HAZE -> ofHaze(amount);
            case OIL -> ofOil(amount);
            case SCRATCH -> ofScratch(amount);
            case CLEANING_MARKS -> ofCleaningMarks(amount);
            case SEPARATION -> ofSeparation(amount);
            case BUBBLE -> ofBubbles((int) Math.round(amount));
            case EDGE_PAINT -> ofEdgePaint(amount);
            case CHIP -> ofChip(amount);
            case COATING -> ofCoating(amount);
            case UNKNOWN -> 0;
        };
    }

    /// @param specks specks and fibres in the whole glass
    public static int ofDust(int specks) {
        return level(specks, 12, 40, 100, 250);
    }

    /// @param share of the aperture covered by threads, 0 to 1
    public static int ofFungus(double share) {
        return share <= 0 ? 0 : 1 + level(share * 100, 0.6, 3, 9);
    }

    /// @param meanVeil mean scattered share of light, 0 to 1
    public static int ofHaze(double meanVeil) {
        return meanVeil <= 0 ? 0 : 1 + level(meanVeil, 0.06, 0.14, 0.28);
    }

    /// @param lengthInRadii total length in aperture radii
    public static int ofScratch(double lengthInRadii) {
        return lengthInRadii <= 0 ? 0 : 1 + level(lengthInRadii, 0.5, 1.5, 3.5);
    }

    /// @param share of the aperture covered by films and drops, 0 to 1
    public static int ofOil(double share) {
        return share <= 0 ? 0 : 1 + level(share * 100, 1, 4, 12);
    }

    /// @param share of the aperture that was rubbed, 0 to 1
    public static int ofCleaningMarks(double share) {
        return share <= 0 ? 0 : 1 + level(share * 100, 15, 35, 65);
    }

    /// @param share of the aperture separated, 0 to 1
    public static int ofSeparation(double share) {
        return share <= 0 ? 0 : 1 + level(share * 100, 2, 8, 20);
    }

    /// @param bubbles in the whole glass
    public static int ofBubbles(int bubbles) {
        return Math.clamp(bubbles, 0, 3);
    }

    /// @param degrees of rim without paint
    public static int ofEdgePaint(double degrees) {
        return degrees <= 0 ? 0 : 1 + level(degrees, 20, 60, 140);
    }

    /// @param share of the aperture chipped away, 0 to 1
    public static int ofChip(double share) {
        return share <= 0 ? 0 : 1 + level(share * 100, 0.2, 0.6, 1.4);
    }

    /// @param share of the aperture with damaged coating, 0 to 1
    public static int ofCoating(double share) {
        return share <= 0 ? 0 : 1 + level(share * 100, 1, 5, 15);
    }

    private static int level(double value, double... limits) {
        int level = 0;
        for (double limit : limits) {
            level += value >= limit + (limits.length == 4 ? 0.5 : 0) ? 1 : 0;
        }
        return level;
    }
}
