package stillglass.look;

/// Light that glass keeps of a bright field, colour by colour, in stops: how much darker the card is through the glass than beside it.
///
/// Loss of one colour against another is sure; the loss that all share also holds how evenly the card is lit.
///
/// @param red stops lost of red light, as are green and blue
/// @param error half the 95 % interval of a difference of two colours, stops
public record ThroughColour(double red, double green, double blue, double error) {
    /// Stops of blue beyond red up to which glass is called clear: coatings alone keep as much.
    public static final double CLEAR_GLASS = 0.1;
    private static final double CLEAR = 0.3;
    private static final double STRONG = 0.7;

    /// How yellow, in words of the trade.
    public enum Yellow {
        NONE,
        SLIGHT,
        CLEAR,
        STRONG;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /// Stops of blue light lost beyond red: a yellow glass keeps blue.
    public double yellow() {
        return blue - red;
    }

    /// Of blue and red light the one of which more is lost, "blue" or "red".
    public String lostMore() {
        return yellow() < 0 ? "red" : "blue";
    }

    /// Whether the card is lighter behind the glass than beside it by more than the error: what all colours lose is not told then, one against another still is.
    public boolean lighterBehind() {
        return Math.min(red, Math.min(green, blue)) < -error;
    }

    /// What is said of it: nothing within the error, and up to a tenth of a stop, which coatings alone keep.
    public Yellow said() {
        double y = yellow();
        return y <= Math.max(CLEAR_GLASS, error) ? Yellow.NONE : y < CLEAR ? Yellow.SLIGHT : y < STRONG ? Yellow.CLEAR : Yellow.STRONG;
    }

    /// Blue over red light through the glass over that beside it.
    public double blueOverRed() {
        return Math.pow(2, -yellow());
    }
}
