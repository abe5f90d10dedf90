package stillglass.ticket.glass;

/// A line drawn on a photo, from where its word stands to what it points at. Positions are shares of the photo's width from its upper left corner.
///
/// @param word what it marks; a letter until somebody names it
public record PhotoMark(double fromX, double fromY, double toX, double toY, String word) {
    /// Letters of the longest word.
    public static final int LONGEST_WORD = 60;

    public PhotoMark {
        for (double v : new double[] {fromX, fromY, toX, toY}) {
            if (!(v >= 0 && v <= 20)) {
                throw new IllegalArgumentException("a mark at " + v + " of the photo's width lies outside it");
            }
        }
        if (word.isBlank() || word.length() > LONGEST_WORD) {
            throw new IllegalArgumentException("a mark needs a word of at most " + LONGEST_WORD + " letters");
        }
    }

    public PhotoMark named(String other) {
        return new PhotoMark(fromX, fromY, toX, toY, other);
    }
}
