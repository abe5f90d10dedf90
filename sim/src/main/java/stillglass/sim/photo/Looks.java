package stillglass.sim.photo;

import java.util.SplittableRandom;

/// How one fault looks: as it usually does on the tidy bench, or anywhere in a range in a wide world, where no two of a kind are alike.
final class Looks {
    private final boolean wide;
    private final SplittableRandom random;

    Looks(World world, long faultSeed) {
        wide = world.wide();
        random = new SplittableRandom(world.seed() ^ faultSeed * 0x9E3779B97F4A7C15L);
    }

    /// The usual value, or one of the range with any order of magnitude as likely as another.
    double or(double usual, double low, double high) {
        return wide ? low * Math.pow(high / low, random.nextDouble()) : usual;
    }

    /// The usual value, or one of the range with all as likely.
    double even(double usual, double low, double high) {
        return wide ? low + (high - low) * random.nextDouble() : usual;
    }
}
