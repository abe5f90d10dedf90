package stillglass.optics.sharpness;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import stillglass.optics.LensSection;

/// Where the rays of one point of an object meet a plane, about their middle: what is left of a point.
///
/// @param xMm across the field
/// @param yMm along it, away from the axis positive
public record SpotPoints(List<Double> xMm, List<Double> yMm) {
    private static final int ACROSS = 20;

    public SpotPoints {
        xMm = List.copyOf(xMm);
        yMm = List.copyOf(yMm);
    }

    /// All design colours together, wide open.
    /// @param field share of half the image circle
    /// @param planeMm behind the last vertex
    /// @return nothing reaches the plane where the lists are empty
    public static SpotPoints of(LensSection lens, LensSection nominal, double field, double planeMm) {
        double slope = field * nominal.imageCircleMm() / 2 / nominal.nominalFocalLengthMm();
        double iris = nominal.surfaces().get(nominal.stopIndex()).semiDiameterMm();
        List<Double> x = new ArrayList<>();
        List<Double> y = new ArrayList<>();
        for (double nm : lens.wavelengthsNm()) {
            PupilRays rays = new PupilRays(lens, nm, slope, iris, ACROSS);
            for (int r = 0; r < rays.cut.length; r++) {
                if (rays.cut[r] <= 1) {
                    x.add(rays.xAt(r, planeMm));
                    y.add(rays.yAt(r, planeMm));
                }
            }
        }
        double mx = x.stream().mapToDouble(v -> v).average().orElse(0);
        double my = y.stream().mapToDouble(v -> v).average().orElse(0);
        return new SpotPoints(x.stream().map(v -> v - mx).toList(), y.stream().map(v -> v - my).toList());
    }

    /// Root mean square distance from the middle, µm; empty where no light comes.
    public OptionalDouble rmsUm() {
        double sum = 0;
        for (int i = 0; i < xMm.size(); i++) {
            sum += xMm.get(i) * xMm.get(i) + yMm.get(i) * yMm.get(i);
        }
        return xMm.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(1000 * Math.sqrt(sum / xMm.size()));
    }
}
