package stillglass.prove;

import java.util.List;

/// By how much a focus ring reads wrong, from distances on its scale and true distances of what was sharp: as a turn of the ring against the lens.
///
/// A lens of focal length f that is sharp at a distance D from the film is extended by f·m, where D = f (2 + 1/m + m); the distance of its principal planes is left out, which at a metre and more is less than a reading is worth.
/// A ring that sits wrong is off by the same angle at every distance; where angles differ by more than their errors, it is not the ring.
///
/// @param degrees from the figure that was read to the one that should have been, weighted mean, positive towards far
/// @param sigmaDegrees one standard deviation
/// @param alike whether all distances agree on it
public record ScaleTurn(double degrees, double sigmaDegrees, boolean alike) {
    private static final double TURN = 360;
    private static final double DISAGREE = 4;

    /// A distance.
    /// @param saysM on the scale
    /// @param trueM of what was sharp
    /// @param sigmaM one standard deviation of it
    public record At(double saysM, double trueM, double sigmaM) {}

    /// @throws IllegalArgumentException for no distances, a lead that is none, or something nearer than four focal lengths
    public static ScaleTurn of(List<At> distances, double focalMm, double leadMm) {
        if (distances.isEmpty() || !(leadMm > 0) || !(focalMm > 0)) {
            throw new IllegalArgumentException("a scale needs a distance, a focal length and a lead");
        }
        double sum = 0;
        double weights = 0;
        for (At a : distances) {
            double w = 1 / square(sigma(a, focalMm, leadMm));
            sum += w * degrees(a, focalMm, leadMm);
            weights += w;
        }
        double mean = sum / weights;
        double chi = distances.stream().mapToDouble(a -> square((degrees(a, focalMm, leadMm) - mean) / sigma(a, focalMm, leadMm))).sum();
        return new ScaleTurn(mean, 1 / Math.sqrt(weights), distances.size() < 2 || chi / (distances.size() - 1) < DISAGREE);
    }

    private static double square(double v) {
        return v * v;
    }

    private static double degrees(At a, double focalMm, double leadMm) {
        return TURN * (extension(a.saysM, focalMm) - extension(a.trueM, focalMm)) / leadMm;
    }

    private static double sigma(At a, double focalMm, double leadMm) {
        double step = Math.max(1e-4 * a.trueM, a.sigmaM);
        return Math.max(1e-6, TURN * Math.abs(extension(a.trueM + step, focalMm) - extension(a.trueM, focalMm)) / leadMm);
    }

    /// Distance from the film at which a lens is sharp that is extended so far, m.
    /// @param extensionMm above 0
    public static double distance(double extensionMm, double focalMm) {
        double m = extensionMm / focalMm;
        return focalMm * (2 + 1 / m + m) / 1000;
    }

    /// How far a lens is extended for a distance from the film, mm.
    /// @throws IllegalArgumentException for a distance of less than four focal lengths
    public static double extension(double distanceM, double focalMm) {
        if (Double.isInfinite(distanceM)) {
            return 0;
        }
        double k = 1000 * distanceM / focalMm - 2;
        if (!(k >= 2)) {
            throw new IllegalArgumentException("nothing nearer than four focal lengths from the film is ever sharp on it");
        }
        return focalMm * (k - Math.sqrt(k * k - 4)) / 2;
    }
}
