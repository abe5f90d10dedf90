package stillglass.look.glance;

/// The glass as a square of cells, from the middle to a little beyond the rim, with what departs from clean glass in each of them.
public final class Glance {
    /// Cells along a side.
    public static final int SIDE = 136;
    /// Parts that are judged: two cells by two.
    public static final int PARTS = SIDE / 2;
    /// Distance of its sides from the middle, radii.
    public static final double REACH = 17 / 15.0;
    private static final int TRAITS = GlanceTrait.values().length;
    /// Steps of a unit: a glance is kept in bytes, since thousands are learned from at once.
    private static final float STEPS = 20;

    private final byte[][] traits;

    public Glance() {
        this(new byte[TRAITS][SIDE * SIDE]);
    }

    private Glance(byte[][] traits) {
        this.traits = traits;
    }

    /// @param cell counted along rows from the top left
    /// @param value what is beyond ±6.3 is kept as that; anything but a number as 0
    public void set(GlanceTrait trait, int cell, double value) {
        traits[trait.ordinal()][cell] = (byte) Math.clamp(Math.round(STEPS * (Double.isNaN(value) ? 0 : value)), -Byte.MAX_VALUE, Byte.MAX_VALUE);
    }

    /// Value of a trait at a cell, to a twentieth.
    public double get(GlanceTrait trait, int cell) {
        return get(trait.ordinal(), cell);
    }

    float get(int trait, int cell) {
        return traits[trait][cell] / STEPS;
    }

    /// The part that holds a place; beyond the last that one.
    /// @param x to the right of the middle, radii
    /// @param y above it
    public static int part(double x, double y) {
        return place(-y) * PARTS + place(x);
    }

    private static int place(double u) {
        return (int) Math.clamp((u / REACH + 1) / 2 * PARTS, 0, PARTS - 1.0);
    }

    /// The same glass turned and mirrored.
    /// @param way bit 0 mirrors left and right, bit 1 top and bottom, bit 2 about the falling diagonal
    Glance turned(int way) {
        byte[][] out = new byte[TRAITS][SIDE * SIDE];
        for (int i = 0; i < SIDE * SIDE; i++) {
            int to = turned(i, SIDE, way);
            for (int t = 0; t < TRAITS; t++) {
                out[t][to] = traits[t][i];
            }
        }
        // Mirrored, a line's angle changes its sign; about the diagonal it is what was missing to a right one.
        if ((way & 1) != (way >> 1 & 1)) {
            negate(out[GlanceTrait.LINE_SIN.ordinal()]);
        }
        if ((way & 4) != 0) {
            negate(out[GlanceTrait.LINE_COS.ordinal()]);
        }
        return new Glance(out);
    }

    private static void negate(byte[] values) {
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) -values[i];
        }
    }

    /// Where a cell comes to lie when a square of `side` cells is turned.
    static int turned(int cell, int side, int way) {
        int x = cell % side;
        int y = cell / side;
        x = (way & 1) != 0 ? side - 1 - x : x;
        y = (way & 2) != 0 ? side - 1 - y : y;
        return (way & 4) != 0 ? x * side + y : y * side + x;
    }
}
