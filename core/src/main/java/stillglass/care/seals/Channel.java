package stillglass.care.seals;

import java.util.Optional;

/// A channel that a strip of foam lies in, as it was measured.
///
/// @param id what it is called
/// @param lengthMm of the strip
/// @param widthMm of the strip
/// @param gapMm from its floor to what closes on it, lid shut; empty where it is that of all
/// @param count so many alike
public record Channel(String id, double lengthMm, double widthMm, Optional<Double> gapMm, int count) {
    private static final double MOST_MM = 2000;
    private static final int MOST = 50;

    public Channel {
        checked(lengthMm, "length");
        checked(widthMm, "width");
        gapMm.ifPresent(g -> checked(g, "gap"));
        if (count < 1 || count > MOST) {
            throw new IllegalArgumentException("channel “" + id + "” is there " + count + " times: give 1 to " + MOST);
        }
    }

    private static void checked(double mm, String what) {
        if (!(mm > 0 && mm <= MOST_MM)) {
            throw new IllegalArgumentException("a " + what + " of " + mm + " mm: give more than 0 and at most " + MOST_MM);
        }
    }
}
