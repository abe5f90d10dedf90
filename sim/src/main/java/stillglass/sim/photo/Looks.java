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

    /// Colour of light from grease or cement: none on the tidy bench; in a wide world from clear to amber, as both turn with age, now and then a little blue.
    Tint cast() {
        if (!wide || random.nextDouble() < 0.25) {
            return Tint.NONE;
        }
        double strong = random.nextDouble();
        return random.nextDouble() < 0.2 ? new Tint(1 - 0.35 * strong, 1, 1 + 0.3 * strong) : new Tint(1 + 0.35 * strong, 1, 1 - 0.6 * strong);
    }

    /// One of the usual colours, or in a wide world any.
    Tint hue(Tint usual) {
        if (!wide) {
            return usual;
        }
        double turn = 2 * Math.PI * random.nextDouble();
        double strong = 0.15 + 0.75 * random.nextDouble();
        return new Tint(1 + strong * Math.cos(turn), 1 + strong * Math.cos(turn - 2 * Math.PI / 3), 1 + strong * Math.cos(turn + 2 * Math.PI / 3));
    }
}
