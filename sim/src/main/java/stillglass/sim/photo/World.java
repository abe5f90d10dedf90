package stillglass.sim.photo;

import java.util.SplittableRandom;

/// The world about a pose: a tidy bench with a plain camera, or any room with any phone.
///
/// @param wide whether mounts, backgrounds, inner walls, reflections and the camera are as various as outside a workshop
/// @param seed of what is accidental about it
/// @param scatter light that faults throw about, over what they throw on the tidy bench
/// @param shade light that they keep away, over the same
/// @param soften further softness of faults, pixels: breath, coatings, a smeared front
/// @param front light of room and card on the near side of the glass where it is held before a card, as a share of full exposure that a white card there would show; faults throw it to the camera and so show before black walls
public record World(boolean wide, long seed, double scatter, double shade, double soften, double front) {
    private static final double LEAST_FRONT = 0.02;
    private static final double MOST_FRONT = 0.5;

    /// The bench on which everything is as it should be.
    public static final World TIDY = new World(false, 0, 1, 1, 0, 0);

    public World {
        if (!(scatter > 0) || !(shade > 0) || !(soften >= 0) || !(front >= 0)) {
            throw new IllegalArgumentException("a world whose faults scatter " + scatter + ", shade " + shade + ", are softened by " + soften + " pixels and lit from the front by " + front + " cannot be photographed");
        }
    }

    /// Any room and any phone.
    public static World wide(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        return new World(true, random.nextLong(), Math.exp(0.5 * random.nextGaussian()), Math.exp(0.45 * random.nextGaussian()), random.nextDouble() < 0.3 ? 1.5 * random.nextDouble() : 0,
                LEAST_FRONT * Math.pow(MOST_FRONT / LEAST_FRONT, random.nextDouble()));
    }
}
