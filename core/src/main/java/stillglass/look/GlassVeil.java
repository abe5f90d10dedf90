package stillglass.look;

/// Light that a glass throws about, as a share of what a white card in its place would throw under the same lamp. Without a photo of the card or the lamp there is none: a glow in a picture says nothing of how bright the lamp was.
///
/// @param veil 0 to 1
/// @param low lower end of the 95 % interval
/// @param high upper end
public record GlassVeil(double veil, double low, double high) {
    /// Half the 95 % interval of the ratio of two exposures as cameras write them, in rounded figures, and of a lamp that stands a little aside.
    public static final double RATIO = 0.1;
    /// The same of light that strays in the room.
    public static final double STRAY = 0.015;

    /// @param thrown linear light that the glass throws, see [PhotoLight#reference]
    /// @param card linear light of the card at the exposure of the photo
    public static GlassVeil of(double thrown, double card) {
        double v = Math.min(1, thrown / card);
        double half = Math.hypot(RATIO * v, STRAY);
        return new GlassVeil(v, Math.max(0, v - half), Math.min(1, v + half));
    }
}
