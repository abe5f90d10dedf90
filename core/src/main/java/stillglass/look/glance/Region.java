package stillglass.look.glance;

import java.util.Arrays;
import java.util.stream.IntStream;

/// Parts of a glance that something covers.
final class Region {
    final int[] parts;
    /// Share of it that lies on each of them.
    final float[] shares;

    private Region(int[] parts, float[] shares) {
        this.parts = parts;
        this.shares = shares;
    }

    /// @param places a part for each place of it
    static Region of(int[] places) {
        int[] on = new int[Glance.PARTS * Glance.PARTS];
        for (int place : places) {
            on[place]++;
        }
        int[] parts = IntStream.range(0, on.length).filter(p -> on[p] > 0).toArray();
        float[] shares = new float[parts.length];
        for (int k = 0; k < parts.length; k++) {
            shares[k] = on[parts[k]] / (float) places.length;
        }
        return new Region(parts, shares);
    }

    /// The same on a glance that was turned.
    Region turned(int way) {
        return new Region(Arrays.stream(parts).map(p -> Glance.turned(p, Glance.PARTS, way)).toArray(), shares);
    }
}
