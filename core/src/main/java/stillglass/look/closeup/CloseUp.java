package stillglass.look.closeup;

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

    /// Numbers that are told of it besides its cells.
    float[] facts() {
        return facts.clone();
    }
}
