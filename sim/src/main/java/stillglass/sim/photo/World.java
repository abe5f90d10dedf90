package stillglass.sim.photo;

import java.util.SplittableRandom;

/// The world about a pose: a tidy bench with a plain camera, or any room with any phone.
///
/// @param wide whether mounts, backgrounds, inner walls, reflections and the camera are as various as outside a workshop
/// @param seed of what is accidental about it
/// @param scatter light that faults throw about, over what they throw on the tidy bench
/// @param shade light that they keep away, over the same
/// @param soften further softness of faults, pixels: breath, coatings, a smeared front
public record World(boolean wide, long seed, double scatter, double shade, double soften) {
    /// The bench on which everything is as it should be.
    public static final World TIDY = new World(false, 0, 1, 1, 0);

    public World {
        if (!(scatter > 0) || !(shade > 0) || !(soften >= 0)) {
            throw new IllegalArgumentException("a world whose faults scatter " + scatter + ", shade " + shade + " and are softened by " + soften + " pixels cannot be photographed");
        }
    }

    /// Any room and any phone.
    public static World wide(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        return new World(true, random.nextLong(), Math.exp(0.5 * random.nextGaussian()), Math.exp(0.45 * random.nextGaussian()), random.nextDouble() < 0.3 ? 1.5 * random.nextDouble() : 0);
    }
}
