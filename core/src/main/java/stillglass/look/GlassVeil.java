package stillglass.look;

import java.util.Optional;

/// Light that a glass throws about, as a share of what a white card in its place would throw under the same lamp.
///
/// How bright the card would be is known where it was photographed. Where it was not, only bounds are: it would not be darker than the brightest things beside the lens, and not brighter than a picture takes that still shows the inside of a lens.
///
/// @param veil 0 to 1; with bounds only, the upper one
/// @param low lower end of the 95 % interval, or the lower bound
/// @param high upper end
/// @param card whether it is measured against a photo of the card or the lamp
public record GlassVeil(double veil, double low, double high, boolean card) {
    /// Half the 95 % interval of the ratio of two exposures as cameras write them, in rounded figures, and of a lamp that stands a little aside.
    public static final double RATIO = 0.1;
    /// The same of light that strays in the room.
    public static final double STRAY = 0.015;
    /// How many times brighter than the brightest value of a picture the card may be at most: five stops.
    private static final double OVER = 32;
    private static final double DARKEST = 0.02;

    /// @param share veil as the photo was read, relative to its own reference
    /// @param card linear light of the card at the exposure of the photo
    public static GlassVeil of(double share, PhotoLight light, Optional<Double> card) {
        double thrown = share * light.reference();
        if (card.isPresent()) {
            double v = Math.min(1, thrown / card.get());
            double half = Math.hypot(RATIO * v, STRAY);
            return new GlassVeil(v, Math.max(0, v - half), Math.min(1, v + half), true);
        }
        double high = Math.min(1, thrown / Math.max(DARKEST, light.brightest()));
        return new GlassVeil(high, Math.min(high, thrown / OVER), high, false);
    }
}
