package stillglass.grade;

import java.util.ArrayList;
import java.util.List;
import stillglass.optics.Footprints;

/// How large a speck on each surface must be to show at all, at each stop: the smallest opaque disc whose shadow reaches the visible share at the place of the picture where it does most harm.
///
/// A small disc of area A takes A·g/L of a beam's light, L the light of the beam and g the light on a square millimetre where the disc lies. The largest g/L over the beams of all points of the picture and the places within them gives
/// the disc. It holds while the disc is small against the beam, as it is wherever some per cent make it show. Derivation and check: docs/methods/show-through.md.
///
/// @param stops f-numbers, widest first
/// @param diametersMm for every surface, in the order of the section, one for each stop; infinite where no light passes
/// @param visible the share of light from which a shadow shows
public record SmallestSpeck(List<Double> stops, List<List<Double>> diametersMm, double visible) {
    private static final int HEIGHTS = 9;

    public SmallestSpeck {
        stops = List.copyOf(stops);
        diametersMm = diametersMm.stream().map(List::copyOf).toList();
    }

    /// @param visible share of light, as in [GradeRules#visibleShadow]
    public static SmallestSpeck of(Footprints prints, double visible) {
        if (!(visible > 0 && visible < 1)) {
            throw new IllegalArgumentException("a share of " + visible + " of the light is none from which a shadow could show");
        }
        List<List<Double>> all = new ArrayList<>();
        for (int s = 0; s < prints.lens().surfaces().size(); s++) {
            List<Double> row = new ArrayList<>();
            for (int j = 0; j < prints.stops().size(); j++) {
                double densest = densest(prints, s, j);
                row.add(densest > 0 ? Math.sqrt(4 * visible / Math.PI / densest) : Double.POSITIVE_INFINITY);
            }
            all.add(row);
        }
        return new SmallestSpeck(prints.stops(), all, visible);
    }

    /// Largest share of a beam's light that falls on a square millimetre of a surface.
    private static double densest(Footprints prints, int surface, int stop) {
        double[] outline = new double[2 * Footprints.CORNERS];
        double[] density = new double[Footprints.DENSITY];
        double most = 0;
        for (int k = 0; k < HEIGHTS; k++) {
            double slope = prints.slope(prints.picture().halfDiagonalMm() * k / (HEIGHTS - 1.0));
            if (!prints.beam(surface, stop, 0, slope, outline, density)) {
                continue;
            }
            double light = ShowThrough.light(outline, density);
            double middleX = 0;
            double middleY = 0;
            for (int a = 0; a < Footprints.CORNERS; a++) {
                middleX += outline[2 * a] / Footprints.CORNERS;
                middleY += outline[2 * a + 1] / Footprints.CORNERS;
            }
            // A disc on the very edge of a beam is half outside: places go out to nine tenths.
            most = Math.max(most, at(density, middleX, middleY) / light);
            for (int a = 0; a < Footprints.CORNERS; a++) {
                for (double u : new double[] {0.45, 0.9}) {
                    most = Math.max(most, at(density, middleX + u * (outline[2 * a] - middleX), middleY + u * (outline[2 * a + 1] - middleY)) / light);
                }
            }
        }
        return most;
    }

    private static double at(double[] d, double x, double y) {
        return d[0] + d[1] * x + d[2] * y + d[3] * x * x + d[4] * x * y + d[5] * y * y;
    }

    /// The smallest over all stops, and the stop.
    /// @return index of the stop
    public int worstStop(int surface) {
        List<Double> row = diametersMm.get(surface);
        int worst = 0;
        for (int j = 1; j < row.size(); j++) {
            worst = row.get(j) < row.get(worst) ? j : worst;
        }
        return worst;
    }
}
