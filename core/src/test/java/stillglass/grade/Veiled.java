package stillglass.grade;

import java.util.Arrays;
import java.util.List;

/// Shades made up for tests.
public final class Veiled {
    private Veiled() {}

    /// Nothing in the way, the same share scattered at every point, at one stop.
    public static Shades evenly(double share) {
        float[] veil = new float[Shades.GRID * Shades.GRID];
        float[] passes = new float[veil.length];
        Arrays.fill(veil, (float) share);
        Arrays.fill(passes, 1);
        return new Shades(List.of(2.0), new float[][] {passes}, new float[][] {veil});
    }
}
