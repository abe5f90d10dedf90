package stillglass.grade;

import java.util.Arrays;
import java.util.List;

/// What reaches every point of the picture at every stop: the share of light let through, and the share that arrives
/// scattered. Points stand on a square grid over a 3 : 2 frame inscribed in the image circle, row by row from the bottom,
/// as the picture is seen upright. Immutable.
public final class Shades {
    /// Grid points along each side of the frame.
    public static final int GRID = 21;

    private final List<Double> stops;
    private final float[][] passes;
    private final float[][] veils;

    Shades(List<Double> stops, float[][] passes, float[][] veils) {
        this.stops = List.copyOf(stops);
        this.passes = passes;
        this.veils = veils;
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Shades s && stops.equals(s.stops) && Arrays.deepEquals(passes, s.passes) && Arrays.deepEquals(veils, s.veils);
    }

    @Override
    public int hashCode() {
        return 31 * stops.hashCode() + Arrays.deepHashCode(passes);
    }

    /// Nothing in the way.
    public static Shades clear(List<Double> stops) {
        float[][] passes = new float[stops.size()][GRID * GRID];
        for (float[] row : passes) {
            Arrays.fill(row, 1);
        }
        return new Shades(stops, passes, new float[stops.size()][GRID * GRID]);
    }

    /// Several findings one behind the other: what passes is multiplied, what stays unscattered too.
    /// @param all at least one, of the same lens
    public static Shades together(List<Shades> all) {
        Shades first = all.getFirst();
        float[][] passes = new float[first.stops.size()][GRID * GRID];
        float[][] veils = new float[first.stops.size()][GRID * GRID];
        for (int j = 0; j < passes.length; j++) {
            Arrays.fill(passes[j], 1);
            for (int i = 0; i < passes[j].length; i++) {
                float straight = 1;
                for (Shades s : all) {
                    passes[j][i] *= s.passes[j][i];
                    straight *= 1 - s.veils[j][i];
                }
                veils[j][i] = 1 - straight;
            }
        }
        return new Shades(first.stops, passes, veils);
    }

    public List<Double> stops() {
        return stops;
    }

    /// Share of light let through at a point.
    /// @param column 0 left to 20 right
    /// @param row 0 bottom to 20 top
    public double passes(int stop, int column, int row) {
        return passes[stop][row * GRID + column];
    }

    /// Share of the light at a point that is scattered.
    public double veil(int stop, int column, int row) {
        return veils[stop][row * GRID + column];
    }

    /// The same between points.
    /// @param across 0 left to 1 right
    /// @param up 0 bottom to 1 top
    /// @param scattered the share that is scattered, not the share let through
    public double between(int stop, double across, double up, boolean scattered) {
        float[] of = scattered ? veils[stop] : passes[stop];
        double x = Math.clamp(across, 0, 1) * (GRID - 1);
        double y = Math.clamp(up, 0, 1) * (GRID - 1);
        int i = Math.min(GRID - 2, (int) x);
        int j = Math.min(GRID - 2, (int) y);
        double fx = x - i;
        double fy = y - j;
        int at = j * GRID + i;
        return (of[at] * (1 - fx) + of[at + 1] * fx) * (1 - fy) + (of[at + GRID] * (1 - fx) + of[at + GRID + 1] * fx) * fy;
    }

    /// Share of light let through in the middle of all points: the level against which a shadow is seen.
    public double level(int stop) {
        float[] sorted = passes[stop].clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    /// The effect on the picture at one stop.
    public ShowThrough.Effect effect(int stop) {
        double level = Math.max(1e-9, level(stop));
        int darkest = 0;
        double sum = 0;
        double veil = 0;
        for (int i = 0; i < passes[stop].length; i++) {
            darkest = passes[stop][i] < passes[stop][darkest] ? i : darkest;
            sum += passes[stop][i];
            veil += veils[stop][i];
        }
        int n = passes[stop].length;
        return new ShowThrough.Effect(stops.get(stop), Math.max(0, 1 - sum / n), Math.max(0, (level - passes[stop][darkest]) / level),
                place(darkest % GRID), place(darkest / GRID), veil / n);
    }

    /// −1 to 1 along a side of the frame.
    static double place(int at) {
        return 2.0 * at / (GRID - 1) - 1;
    }
}
