package stillglass.optics.measured;

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

    /// Index that gives a glass of this shape its measured focal length, from the equation of the thick lens
    /// `1/f = (n−1)·(1/R1 − 1/R2 + (n−1)·d/(n·R1·R2))`, by halving between 1.4 and 2.1.
    /// @return nothing when no focal length was measured or no glass gives it
    public OptionalDouble indexFromFocalLength() {
        if (focalLengthMm.isEmpty() || !(Math.abs(focalLengthMm.getAsDouble()) > 1)) {
            return OptionalDouble.empty();
        }
        double wanted = 1 / focalLengthMm.getAsDouble();
        double lo = LEAST_INDEX;
        double hi = MOST_INDEX;
        boolean rising = power(hi) > power(lo);
        if (wanted < Math.min(power(lo), power(hi)) || wanted > Math.max(power(lo), power(hi))) {
            return OptionalDouble.empty();
        }
        for (int i = 0; i < 60; i++) {
            double mid = (lo + hi) / 2;
            if (power(mid) < wanted == rising) {
                lo = mid;
            } else {
                hi = mid;
            }
        }
        return OptionalDouble.of((lo + hi) / 2);
    }

    /// Power of the glass alone in air, 1/mm.
    double power(double n) {
        double c1 = Double.isInfinite(frontRadiusMm) ? 0 : 1 / frontRadiusMm;
        double c2 = Double.isInfinite(rearRadiusMm) ? 0 : 1 / rearRadiusMm;
        return (n - 1) * (c1 - c2 + (n - 1) * thicknessMm / n * c1 * c2);
    }
}
