package stillglass.sim.photo;

import java.util.stream.IntStream;

/// Picture values of 0 to 255 for linear light, by the curve of sRGB (IEC 61966-2-1). Millions are asked for every photo, so the
/// curve is looked up, to the last value exactly.
public final class PictureCode {
    /// Steps of the table: finer than any two values lie apart, so that one comparison decides.
    private static final int FINE = 1 << 13;
    /// Least light of each value.
    private static final double[] LEAST = IntStream.rangeClosed(0, 256).mapToDouble(PictureCode::least).toArray();
    private static final short[] BELOW = table();

    private PictureCode() {}

    /// @param linear light, 1 where the picture is white; what is darker or brighter is clipped
    public static int of(double linear) {
        double v = Math.clamp(linear, 0, 1);
        int c = BELOW[(int) (v * FINE)];
        return v >= LEAST[c + 1] ? c + 1 : c;
    }

    /// The same computed.
    static int computed(double v) {
        double s = v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055;
        return (int) Math.round(255 * s);
    }

    /// Found by halving until there is no number between.
    private static double least(int code) {
        double below = -1;
        double at = code > 255 ? Double.POSITIVE_INFINITY : 1;
        for (double middle = (below + at) / 2; middle > below && middle < at; middle = (below + at) / 2) {
            if (computed(middle) >= code) {
                at = middle;
            } else {
                below = middle;
            }
        }
        return at;
    }

    private static short[] table() {
        short[] out = new short[FINE + 1];
        for (int k = 0; k <= FINE; k++) {
            out[k] = (short) computed(k / (double) FINE);
        }
        return out;
    }
}
