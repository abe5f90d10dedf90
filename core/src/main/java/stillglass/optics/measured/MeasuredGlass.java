package stillglass.optics.measured;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;

/// One loose glass as measured.
///
/// @param name E1, E2 …, front to rear
/// @param frontRadiusMm of its front face, positive when convex towards the object; infinite for a plane
/// @param rearRadiusMm of its rear face, positive when its centre lies on the image side, so negative when it bulges rearwards
/// @param thicknessMm in the middle
/// @param diameterMm of the ground rim
/// @param index nd, when it is known
/// @param focalLengthMm the glass's own, when it was measured; positive for a collecting glass
/// @param gapBehindMm from its rear vertex to the next glass; 0 for a glass cemented to the next
public record MeasuredGlass(
        String name, double frontRadiusMm, double rearRadiusMm, double thicknessMm, double diameterMm,
        OptionalDouble index, OptionalDouble focalLengthMm, double gapBehindMm) {
    private static final double LEAST_INDEX = 1.4;
    private static final double MOST_INDEX = 2.1;
    /// Most glasses without a known index.
    public static final double USUAL_INDEX = 1.62;

    public MeasuredGlass {
        if (Double.isNaN(frontRadiusMm) || Double.isNaN(rearRadiusMm) || frontRadiusMm == 0 || rearRadiusMm == 0) {
            throw new IllegalArgumentException(name + ": give both radii in millimetres, or leave out that of a plane");
        }
        if (!(thicknessMm > 0 && thicknessMm < 500)) {
            throw new IllegalArgumentException(name + ": a thickness of " + thicknessMm + " mm is out of range");
        }
        if (!(diameterMm > 0.5 && diameterMm < 1000)) {
            throw new IllegalArgumentException(name + ": a diameter of " + diameterMm + " mm is out of range");
        }
        if (!(gapBehindMm >= 0 && gapBehindMm < 1000)) {
            throw new IllegalArgumentException(name + ": a gap of " + gapBehindMm + " mm is out of range");
        }
        if (index.isPresent() && !(index.getAsDouble() > LEAST_INDEX && index.getAsDouble() < MOST_INDEX)) {
            throw new IllegalArgumentException(name + ": an index of " + index.getAsDouble() + " is no optical glass, they lie between 1.4 and 2.1");
        }
    }

    /// Index that gives a glass of this shape its measured focal length; of two the one nearer to most glasses.
    /// @return nothing when no focal length was measured or no glass gives it
    public OptionalDouble indexFromFocalLength() {
        return indices().stream().min(Comparator.comparingDouble((Double n) -> Math.abs(n - USUAL_INDEX))).map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }

    /// All of them, from the equation of the thick lens `1/f = (n−1)·(1/R1 − 1/R2 + (n−1)·d/(n·R1·R2))`: times n it is a quadratic, and a thick meniscus may have its focal length from two glasses.
    public List<Double> indices() {
        if (focalLengthMm.isEmpty() || !(Math.abs(focalLengthMm.getAsDouble()) > 1)) {
            return List.of();
        }
        double c1 = Double.isInfinite(frontRadiusMm) ? 0 : 1 / frontRadiusMm;
        double c2 = Double.isInfinite(rearRadiusMm) ? 0 : 1 / rearRadiusMm;
        double bend = c1 - c2;
        double thick = thicknessMm * c1 * c2;
        double a = bend + thick;
        double b = -(bend + 2 * thick + 1 / focalLengthMm.getAsDouble());
        List<Double> roots = new ArrayList<>();
        if (Math.abs(a) < 1e-12) {
            roots.add(-thick / b);
        } else {
            double inside = b * b - 4 * a * thick;
            // The stable pair: no difference of near numbers.
            double q = -(b + Math.copySign(Math.sqrt(Math.max(0, inside)), b)) / 2;
            if (inside >= 0) {
                roots.add(q / a);
                roots.add(thick / q);
            }
        }
        return roots.stream().filter(n -> n > LEAST_INDEX && n < MOST_INDEX).distinct().sorted().toList();
    }

    /// Power of the glass alone in air, 1/mm.
    double power(double n) {
        double c1 = Double.isInfinite(frontRadiusMm) ? 0 : 1 / frontRadiusMm;
        double c2 = Double.isInfinite(rearRadiusMm) ? 0 : 1 / rearRadiusMm;
        return (n - 1) * (c1 - c2 + (n - 1) * thicknessMm / n * c1 * c2);
    }
}
