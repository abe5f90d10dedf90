package stillglass.app.draw;

/// Round distances for the ticks of a scale.
public final class Ticks {
    private Ticks() {}

    /// 1, 2 or 5 of a power of ten, not less than asked for.
    /// @param least above 0
    public static double step(double least) {
        double ten = Math.pow(10, Math.floor(Math.log10(least)));
        double share = least / ten;
        return ten * (share <= 1 ? 1 : share <= 2 ? 2 : share <= 5 ? 5 : 10);
    }
}
