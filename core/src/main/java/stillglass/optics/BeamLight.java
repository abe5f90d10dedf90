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

    /// Least squares, each cell by its area on the surface; heights in units of the widest, so that the terms are of one size.
    private static float[] fitted(double[][] entry, double[][] on, int spokes) {
        double unit = LEAST;
        for (int i = 0; i < on[0].length; i++) {
            unit = Math.max(unit, Math.max(Math.abs(on[0][i]), Math.abs(on[1][i])));
        }
        double[][] normal = new double[TERMS][TERMS];
        double[] right = new double[TERMS];
        double all = 0;
        double surface = 0;
        double[] term = new double[TERMS];
        int[] corner = new int[4];
        for (int k = 0; k < RINGS; k++) {
            for (int a = 0; a < spokes; a++) {
                int b = a + 1 == spokes ? 0 : a + 1;
                corner[0] = k * spokes + a;
                corner[1] = k * spokes + b;
                corner[2] = (k + 1) * spokes + b;
                corner[3] = (k + 1) * spokes + a;
                double here = area(on, corner);
                double carried = area(entry, corner);
                double x = (on[0][corner[0]] + on[0][corner[1]] + on[0][corner[2]] + on[0][corner[3]]) / 4 / unit;
                double y = (on[1][corner[0]] + on[1][corner[1]] + on[1][corner[2]] + on[1][corner[3]]) / 4 / unit;
                all += carried;
                surface += here;
                term[0] = 1;
                term[1] = y;
                term[2] = x * x;
                term[3] = y * y;
                for (int i = 0; i < TERMS; i++) {
                    right[i] += term[i] * carried;
                    for (int j = 0; j < TERMS; j++) {
                        normal[i][j] += term[i] * term[j] * here;
                    }
                }
            }
        }
        if (!(all > LEAST) || !(surface > LEAST)) {
            return new float[] {1, 0, 0, 0};
        }
        double scale = surface / all;
        double[] w = solved(normal, right);
        return new float[] {(float) (scale * w[0]), (float) (scale * w[1] / unit), (float) (scale * w[2] / unit / unit), (float) (scale * w[3] / unit / unit)};
    }

    private static double[] solved(double[][] normal, double[] right) {
        SimpleMatrix terms = new SimpleMatrix(normal).plus(LEAST * normal[0][0], SimpleMatrix.identity(TERMS)).solve(new SimpleMatrix(TERMS, 1, true, right));
        return new double[] {terms.get(0), terms.get(1), terms.get(2), terms.get(3)};
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
