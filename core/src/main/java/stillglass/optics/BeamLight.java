package stillglass.optics;

import org.ejml.simple.SimpleMatrix;

/// How the light of a beam lies on a surface: density over the outline, against its mean there.
///
/// Equal areas of the parallel beam in front of the lens carry equal light; on a surface inside, off the axis and wide open, they are drawn together on one side and apart on the other. The ratio of both areas over a net of
/// cells is fitted by a quadratic that is even across the mirror line, in the surface's own millimetres.
final class BeamLight {
    /// Terms 1, y, x², y² of a field along +y.
    static final int TERMS = 4;
    private static final int RINGS = 5;
    private static final double LEAST = 1e-12;

    private BeamLight() {}

    /// A net over the open part of the iris: its middle and how far it reaches along each spoke.
    /// @param middle on the mirror line, iris radii
    /// @param reach for each spoke
    record Net(double middle, double[] reach) {
        double u(int spoke, double ring) {
            return ring * reach[spoke % reach.length] * Math.cos(angle(spoke));
        }

        double v(int spoke, double ring) {
            return middle + ring * reach[spoke % reach.length] * Math.sin(angle(spoke));
        }

        private double angle(int spoke) {
            return 2 * Math.PI * (spoke % reach.length + 0.5) / reach.length;
        }
    }

    /// @return for every surface the terms of the density, 1 in the mean over the light
    static float[][] of(AimedField field, Net net, int surfaces) {
        int spokes = net.reach.length;
        double[][] entry = new double[2][(RINGS + 1) * spokes];
        double[][][] on = new double[surfaces][2][(RINGS + 1) * spokes];
        for (int k = 0; k <= RINGS; k++) {
            for (int a = 0; a < spokes; a++) {
                double u = net.u(a, (double) k / RINGS);
                double v = net.v(a, (double) k / RINGS);
                int at = k * spokes + a;
                entry[0][at] = field.entryXMm(u, v);
                entry[1][at] = field.entryYMm(u, v);
                for (int s = 0; s < surfaces; s++) {
                    on[s][0][at] = field.xMm(s, u, v);
                    on[s][1][at] = field.yMm(s, u, v);
                }
            }
        }
        float[][] out = new float[surfaces][];
        for (int s = 0; s < surfaces; s++) {
            out[s] = fitted(entry, on[s], spokes);
        }
        return out;
    }

    private static float[] fitted(double[][] entry, double[][] on, int spokes) {
        int cells = RINGS * spokes;
        SimpleMatrix rows = new SimpleMatrix(cells, TERMS);
        SimpleMatrix light = new SimpleMatrix(cells, 1);
        double all = 0;
        double surface = 0;
        for (int k = 0; k < RINGS; k++) {
            for (int a = 0; a < spokes; a++) {
                int b = (a + 1) % spokes;
                int[] corner = {k * spokes + a, k * spokes + b, (k + 1) * spokes + b, (k + 1) * spokes + a};
                double here = area(on, corner);
                double x = 0;
                double y = 0;
                for (int c : corner) {
                    x += on[0][c] / corner.length;
                    y += on[1][c] / corner.length;
                }
                double carried = area(entry, corner);
                all += carried;
                surface += here;
                double weight = Math.sqrt(Math.max(LEAST, here));
                int row = k * spokes + a;
                rows.setRow(row, 0, weight, weight * y, weight * x * x, weight * y * y);
                light.set(row, 0, carried / weight);
            }
        }
        if (!(all > LEAST) || !(surface > LEAST)) {
            return new float[] {1, 0, 0, 0};
        }
        SimpleMatrix terms = rows.pseudoInverse().mult(light).scale(surface / all);
        return new float[] {(float) terms.get(0), (float) terms.get(1), (float) terms.get(2), (float) terms.get(3)};
    }

    private static double area(double[][] p, int[] corner) {
        double twice = 0;
        for (int i = 0; i < corner.length; i++) {
            int a = corner[i];
            int b = corner[(i + 1) % corner.length];
            twice += p[0][a] * p[1][b] - p[0][b] * p[1][a];
        }
        return Math.abs(twice) / 2;
    }
}
