package stillglass.sim.second;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/// A lens as something a ray can be cast into: rings of the front, planes of glass behind each other, the walls between them, an iris, and what is seen through it. Rim radii, z into the lens.
final class Barrel {
    final double[] depth;
    final double[] clear;
    final double irisDepth;
    final double irisOpen;
    final int blades;
    private final double irisTurn;
    private final double exit;
    private final boolean bright;
    private final double lampWay;
    private final double backdrop;
    private final double glow;
    private final double[] wall;
    private final double[] arc;
    private final List<double[]> rings = new ArrayList<>();
    private final double outer;
    private final boolean knurled;
    private final double around;
    private final double busy;
    private final long cloth;

    /// @param bright whether it is held before a bright field
    /// @param lampTurn how far the lamp was carried about it since the first photo, radians
    Barrel(Random r, boolean bright, double lampTurn) {
        this.bright = bright;
        int planes = 3 + r.nextInt(4);
        depth = new double[planes];
        clear = new double[planes];
        wall = new double[planes];
        arc = new double[planes];
        double z = 0;
        double radius = 1;
        for (int i = 0; i < planes; i++) {
            depth[i] = z;
            clear[i] = radius;
            wall[i] = 0.01 + 0.03 * r.nextDouble();
            arc[i] = r.nextInt(3) == 0 ? 0.1 + 0.9 * r.nextDouble() : 0.05 * r.nextDouble();
            z += 0.12 + 0.4 * r.nextDouble();
            radius *= 0.9 + 0.1 * r.nextDouble();
        }
        int before = 1 + r.nextInt(planes - 1);
        irisDepth = (depth[before - 1] + depth[before]) / 2;
        blades = 5 + r.nextInt(6);
        irisOpen = r.nextInt(5) < 3 ? 2 : (0.25 + 0.6 * r.nextDouble()) * clear[before];
        irisTurn = 2 * Math.PI * r.nextDouble();
        exit = clear[planes - 1] * (0.8 + 0.2 * r.nextDouble());
        lampWay = 2 * Math.PI * r.nextDouble() + lampTurn;
        backdrop = bright ? 0.55 + 0.4 * r.nextDouble() : 0.004 + 0.03 * r.nextDouble();
        glow = bright ? 0.15 * r.nextDouble() : 0.05 * r.nextDouble();
        // Blackened edge, retaining ring, front ring, thread, barrel: widths and lights as they come.
        double at = 1;
        double[][] usual = {{0.015, 0.04, 0.004, 0.02}, {0.03, 0.1, 0.03, 0.18}, {0.05, 0.3, 0.01, 0.07}, {0.03, 0.08, 0.03, 0.3}, {0.02, 0.25, 0.02, 0.5}};
        for (double[] u : usual) {
            if (rings.size() < 2 || r.nextInt(5) > 0) {
                double width = u[0] + (u[1] - u[0]) * r.nextDouble();
                rings.add(new double[] {at, at + width, u[2] + (u[3] - u[2]) * Math.pow(r.nextDouble(), 1.5), r.nextInt(3) == 0 ? 24 + r.nextInt(70) : 0, 0.6 * r.nextDouble()});
                at += width;
            }
        }
        outer = at;
        knurled = r.nextBoolean();
        around = bright && r.nextInt(3) > 0 ? backdrop * (0.5 + 0.5 * r.nextDouble()) : 0.01 + 0.35 * Math.pow(r.nextDouble(), 2);
        busy = r.nextInt(3) == 0 ? 0.5 * r.nextDouble() : 0.05;
        cloth = r.nextLong();
    }

    /// Light of what a ray meets on the front, beyond the glass.
    double front(double x, double y) {
        double radius = Math.hypot(x, y);
        double way = Math.atan2(y, x);
        for (double[] ring : rings) {
            if (radius < ring[1]) {
                double shine = ring[4] * Math.pow(Math.max(0, Math.cos(way - lampWay)), 6);
                double cut = ring[3] > 0 && Math.sin(way * ring[3]) > 0.55 ? 1.7 : 1;
                return ring[2] * cut + shine * ring[2] * 4;
            }
        }
        double edge = outer * (knurled ? 1.03 + 0.012 * Math.signum(Math.sin(way * 60)) : 1.04);
        if (radius < edge) {
            return 0.03 + 0.25 * Math.pow(Math.max(0, Math.cos(way - lampWay)), 3);
        }
        return around * (1 + busy * noise(3 * x, 3 * y) + 0.4 * busy * noise(17 * x, 17 * y));
    }

    /// Light of the wall behind a plane.
    double wall(int plane, double x, double y) {
        double facing = Math.cos(Math.atan2(y, x) - lampWay);
        return wall[plane] + arc[plane] * Math.pow(Math.max(0, facing), 14) + (bright ? 0.05 * backdrop : 0);
    }

    /// Light of the iris, negative where it is open.
    double iris(double x, double y) {
        double radius = Math.hypot(x, y);
        double way = Math.atan2(y, x) - irisTurn;
        double sector = 2 * Math.PI / blades;
        double in = Math.IEEEremainder(way, sector);
        if (radius * Math.cos(in) < irisOpen) {
            return -1;
        }
        return 0.015 + 0.05 * Math.max(0, Math.sin(way * 0.5 + Math.floor(way / sector))) * (bright ? 1 : 0.6);
    }

    /// Light of what lies behind the lens.
    double behind(double x, double y) {
        if (Math.hypot(x, y) > exit * 1.2) {
            return bright ? 0.04 : 0.005;
        }
        return backdrop * (1 + glow * (x * Math.cos(lampWay) + y * Math.sin(lampWay)));
    }

    double lampWay() {
        return lampWay;
    }

    private double noise(double x, double y) {
        int i = (int) Math.floor(x);
        int j = (int) Math.floor(y);
        double fx = smooth(x - i);
        double fy = smooth(y - j);
        return (1 - fy) * ((1 - fx) * hash(i, j) + fx * hash(i + 1, j)) + fy * ((1 - fx) * hash(i, j + 1) + fx * hash(i + 1, j + 1));
    }

    private static double smooth(double t) {
        return t * t * (3 - 2 * t);
    }

    private double hash(int i, int j) {
        long h = cloth + i * 0x9E3779B97F4A7C15L + j * 0xC2B2AE3D27D4EB4FL;
        h = (h ^ (h >>> 31)) * 0xBF58476D1CE4E5B9L;
        return ((h ^ (h >>> 29)) & 0xffff) / 32767.5 - 1;
    }
}
