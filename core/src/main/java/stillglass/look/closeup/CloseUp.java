package stillglass.look.closeup;

import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import stillglass.look.LeastSquares;
import stillglass.look.Lighting;
import stillglass.look.kinds.Sight;

/// Something that stands out, with half as much again about it: a square of cells that is as large as the thing is and turned so that outward lies up.
public final class CloseUp {
    /// Cells along a side.
    public static final int SIDE = 32;
    /// How many numbers are told of it besides its cells: how it stands out, before what, how large it is and where.
    static final int FACTS = Sight.values().length + 3;
    /// Which of them say how large it is and where; those before are whether or not.
    static final int MEASURED = FACTS - 2;
    private static final int TRAITS = CloseUpTrait.values().length;
    /// Steps of a unit: a close-up is kept in bytes, since tens of thousands are learned from at once.
    private static final float STEPS = 20;
    /// Half a side of which the logarithm is told as 0, radii.
    private static final double USUAL = 1 / 9.0;

    /// Light that is added before its logarithm is taken: what is darker is not told apart.
    private static final double DARK = 0.01;
    private static final double LIGHT_OFF = 2;
    /// The same beside the light of the mount.
    private static final double BLACK = 0.004;
    /// How far the mount next to the rim goes, radii.
    private static final double MOUNT = 1.25;

    private final byte[][] traits;
    private final float[] facts;

    private CloseUp(byte[][] traits, float[] facts) {
        this.traits = traits;
        this.facts = facts;
    }

    /// @param half half of a side, radii of the glass
    /// @param radius distance of its middle from that of the glass, radii
    public CloseUp(Sight sight, Lighting lighting, double half, double radius) {
        this(new byte[TRAITS][SIDE * SIDE], new float[FACTS]);
        facts[sight.ordinal()] = 1;
        facts[MEASURED - 1] = lighting == Lighting.BRIGHT ? 1 : 0;
        facts[MEASURED] = (float) (Math.log(half / USUAL) / Math.log(2));
        facts[MEASURED + 1] = (float) (2 * radius - 1);
    }

    /// @param cell counted along rows from the top left
    /// @param value what is beyond ±6.3 is kept as that; anything but a number as 0
    public void set(CloseUpTrait trait, int cell, double value) {
        traits[trait.ordinal()][cell] = (byte) Math.clamp(Math.round(STEPS * (Double.isNaN(value) ? 0 : value)), -Byte.MAX_VALUE, Byte.MAX_VALUE);
    }

    /// Value of a trait at a cell, to a twentieth.
    public double get(CloseUpTrait trait, int cell) {
        return get(trait.ordinal(), cell);
    }

    float get(int trait, int cell) {
        return traits[trait][cell] / STEPS;
    }

    /// Of a glass seen as a whole nothing but its light over that of the mount next to the rim, so that neither the exposure nor how light the room is has a say.
    public CloseUp lightAlone() {
        return lightAlone(light -> light, 0, false);
    }

    /// The same as another camera in another room might have taken it: exposed otherwise, its black lifted, its curve steeper or flatter, turned and mirrored.
    CloseUp lightAlone(SplittableRandom random) {
        double exposed = Math.exp(0.5 * random.nextGaussian());
        double lifted = Math.abs(0.01 * random.nextGaussian());
        double curve = Math.exp(0.2 * random.nextGaussian());
        return lightAlone(light -> Math.pow(Math.min(1, exposed * light + lifted), curve), random.nextInt(4), random.nextBoolean());
    }

    /// @param turned by so many quarters
    private CloseUp lightAlone(DoubleUnaryOperator camera, int turned, boolean mirrored) {
        double[] seen = IntStream.range(0, SIDE * SIDE).mapToDouble(k -> camera.applyAsDouble(Math.max(0, Math.exp(get(CloseUpTrait.LIGHT, k) - LIGHT_OFF) - DARK))).toArray();
        double about = LeastSquares.median(IntStream.range(0, seen.length).filter(k -> get(CloseUpTrait.RADIUS, k) > 2 && get(CloseUpTrait.RADIUS, k) < 2 * MOUNT).mapToDouble(k -> seen[k]).toArray());
        CloseUp out = new CloseUp(new byte[TRAITS][SIDE * SIDE], facts);
        for (int k = 0; k < seen.length; k++) {
            int to = mirrored ? k / SIDE * SIDE + SIDE - 1 - k % SIDE : k;
            for (int q = 0; q < turned; q++) {
                to = to % SIDE * SIDE + SIDE - 1 - to / SIDE;
            }
            out.set(CloseUpTrait.LIGHT, to, Math.log((seen[k] + BLACK) / (about + BLACK)));
            out.set(CloseUpTrait.RADIUS, to, get(CloseUpTrait.RADIUS, k));
        }
        return out;
    }

    /// What [CloseUpTrait#LIGHT] tells of light.
    public static double light(double light) {
        return Math.log(light + DARK) + LIGHT_OFF;
    }

    /// Numbers that are told of it besides its cells.
    float[] facts() {
        return facts.clone();
    }
}
