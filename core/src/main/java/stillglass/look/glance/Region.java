package stillglass.look.glance;

import java.util.Arrays;

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
        int[] sorted = places.clone();
        Arrays.sort(sorted);
        int[] parts = Arrays.stream(sorted).distinct().toArray();
        float[] shares = new float[parts.length];
        int part = 0;
        for (int place : sorted) {
            part += place == parts[part] ? 0 : 1;
            shares[part] += 1f / sorted.length;
        }
        return new Region(parts, shares);
    }

    /// The same on a glance that was turned.
    Region turned(int way) {
        return new Region(Arrays.stream(parts).map(p -> Glance.turned(p, Glance.PARTS, way)).toArray(), shares);
    }
}
