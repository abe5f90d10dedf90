package stillglass.look.reading;

import java.util.function.Function;
import java.util.stream.IntStream;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.glance.Glance;
import stillglass.look.glance.GlanceNet;
import stillglass.look.glance.GlanceTrait;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Features;

/// Gathers the [Glance] of a glass from its maps.
final class Glances {
    /// Pixels of the frame along the side of a cell.
    private static final int CELL = (int) Math.round(2 * Glance.REACH * GlassFrame.RADIUS / Glance.SIDE);
    private static final int MARGIN = (GlassFrame.SIDE - CELL * Glance.SIDE) / 2;
    /// Added to light before its logarithm is taken or something is divided by it, shares of full exposure.
    static final double DARK = 0.01;
    private static final double FULL = 0.97;
    /// Departure of colour that counts as one.
    static final double TINT = 0.03;
    /// Chances under which no kind is told from another.
    static final double LEAST = 1e-4;

    private Glances() {}

    static Glance of(Maps maps, RimArcs rim) {
        Glance out = new Glance();
        IntStream.range(0, Glance.SIDE * Glance.SIDE).parallel().forEach(cell -> new Cell(maps, rim).tell(cell, out));
        return out;
    }

    /// Tells what a candidate looks like with the glass about it.
    static void tell(GlanceNet.Seen seen, int[] pixels, Features into) {
        tell(seen.chances(IntStream.of(pixels).map(at -> Glance.part(GlassFrame.x(at), GlassFrame.y(at))).toArray()), Feature::glance, into);
    }

    /// @param chances in the order of [FindingKind]
    /// @param as which features they are told
    static void tell(double[] chances, Function<FindingKind, Feature> as, Features into) {
        for (FindingKind kind : FindingKind.values()) {
            into.setLog(as.apply(kind), Math.max(LEAST, chances[kind.ordinal()]));
        }
    }

    /// Sums over the pixels of a cell.
    private static final class Cell {
        private final Maps maps;
        private final RimArcs rim;
        private double most;
        private double mean;
        private double other;
        private double area;
        private double red;
        private double blue;
        private double cos;
        private double sin;
        private double light;
        private double squares;
        private double clean;
        private double clipped;
        private double excess;
        private double radius;
        private double outside;
        private double blades;

        Cell(Maps maps, RimArcs rim) {
            this.maps = maps;
            this.rim = rim;
        }

        void tell(int cell, Glance out) {
            int left = MARGIN + cell % Glance.SIDE * CELL;
            int top = MARGIN + cell / Glance.SIDE * CELL;
            for (int y = top; y < top + CELL; y++) {
                for (int x = left; x < left + CELL; x++) {
                    add(y * GlassFrame.SIDE + x);
                }
            }
            int n = CELL * CELL;
            double lit = Math.abs(clean) / n + DARK;
            double fine = maps.fineScatter(middle(left, top));
            double regions = maps.areaScatter(middle(left, top));
            out.set(GlanceTrait.FINE_MOST, cell, squeezed(most / fine / 4));
            out.set(GlanceTrait.FINE_MEAN, cell, squeezed(mean / n / fine));
            out.set(GlanceTrait.FINE_OTHER, cell, squeezed(other / fine / 4));
            out.set(GlanceTrait.FINE_LEVEL, cell, squeezed(4 * most / lit));
            out.set(GlanceTrait.AREA, cell, squeezed(area / n / regions / 3));
            out.set(GlanceTrait.AREA_LEVEL, cell, squeezed(4 * area / n / lit));
            out.set(GlanceTrait.RED, cell, squeezed(red / n / TINT));
            out.set(GlanceTrait.BLUE, cell, squeezed(blue / n / TINT));
            out.set(GlanceTrait.LINE_COS, cell, 2 * cos / n);
            out.set(GlanceTrait.LINE_SIN, cell, 2 * sin / n);
            out.set(GlanceTrait.LIGHT, cell, Math.log(light / n + DARK) + 2);
            out.set(GlanceTrait.CLEAN, cell, Math.log(lit) + 2);
            out.set(GlanceTrait.SPREAD, cell, squeezed(4 * Math.sqrt(Math.max(0, squares / n - light * light / n / n)) / (light / n + DARK)));
            out.set(GlanceTrait.CLIPPED, cell, clipped / n);
            out.set(GlanceTrait.RIM, cell, squeezed(4 * excess / n / (light / n + DARK)));
            out.set(GlanceTrait.RADIUS, cell, 2 * radius / n);
            out.set(GlanceTrait.OUTSIDE, cell, outside / n);
            out.set(GlanceTrait.BLADES, cell, blades / n);
            out.set(GlanceTrait.BRIGHT, cell, maps.lighting == Lighting.BRIGHT ? 1 : 0);
        }

        private static int middle(int left, int top) {
            return (top + CELL / 2) * GlassFrame.SIDE + left + CELL / 2;
        }

        private void add(int at) {
            float fine = maps.fine[at];
            most = Math.max(most, fine);
            mean += Math.max(0, fine);
            other = Math.max(other, -fine);
            area += maps.area[at];
            red += maps.redTint[at];
            blue += maps.blueTint[at];
            double strength = Math.min(1, Math.max(0, fine) / maps.fineScatter(at) / 4);
            cos += strength * maps.lineCos[at];
            sin += strength * maps.lineSin[at];
            float l = maps.frame.light[at];
            light += l;
            squares += (double) l * l;
            clean += maps.frame.r[at] < 1 ? maps.expected[at] : l;
            clipped += l > FULL ? 1 : 0;
            excess += rim.excess[at];
            radius += GlassFrame.away(at);
            outside += maps.frame.r[at] >= 1 ? 1 : 0;
            blades += maps.blades(at) ? 1 : 0;
        }
    }

    /// Nearly as it is while it is small, its logarithm when it is large.
    static double squeezed(double value) {
        return Math.log(value + Math.sqrt(value * value + 1));
    }
}
