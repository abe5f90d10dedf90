package stillglass.sim.photo;

/// Smooth seeded noise over the plane, for ragged borders and mottled patches.
///
/// Reference: K. Perlin, SIGGRAPH 19 (1985). Differs: values on a lattice instead of gradients.
final class Noise {
    private final long seed;

    Noise(long seed) {
        this.seed = seed;
    }

    /// One octave, -1 to 1, features about one unit wide.
    double at(double x, double y) {
        double fx = Math.floor(x);
        double fy = Math.floor(y);
        double u = smooth(x - fx);
        double v = smooth(y - fy);
        long i = (long) fx;
        long j = (long) fy;
        double top = lattice(i, j) * (1 - u) + lattice(i + 1, j) * u;
        double low = lattice(i, j + 1) * (1 - u) + lattice(i + 1, j + 1) * u;
        return top * (1 - v) + low * v;
    }

    /// Several octaves, each half as wide and half as strong; about -1 to 1.
    double layered(double x, double y, int octaves) {
        double sum = 0;
        double weight = 0.5;
        for (int k = 0; k < octaves; k++) {
            sum += weight * at(x * (1 << k) + 17.3 * k, y * (1 << k) - 9.1 * k);
            weight /= 2;
        }
        return sum / (1 - 2 * weight);
    }

    private static double smooth(double t) {
        return t * t * (3 - 2 * t);
    }

    private double lattice(long i, long j) {
        long h = seed ^ i * 0x9E3779B97F4A7C15L ^ j * 0xC2B2AE3D27D4EB4FL;
        h = (h ^ h >>> 30) * 0xBF58476D1CE4E5B9L;
        h = (h ^ h >>> 27) * 0x94D049BB133111EBL;
        return ((h ^ h >>> 31) >>> 11) * 0x1.0p-52 - 1;
    }
}
