package stillglass.prove;

import java.util.Arrays;
import org.ejml.simple.SimpleMatrix;

/// The later ring laid over the earlier by least squares: its turn, and with it where its circle really lies, how it is stretched and seen askew. All are sought at once, from smoothed to sharp, with Tukey's
/// weights. What the marks do not tell of the circle stays near what was given; how much the turn hangs on it is part of its error.
///
/// The error is the larger of two: a jackknife over ten stretches of the ring that hold equally much to align by, each time with all unknowns; and the covariance of the fit, what is left taken
/// for noise that is alike over as many samples as it is.
///
/// @param turnSteps turn of the later photo, steps clockwise
/// @param sigmaSteps one standard deviation
record RingAlignment(double turnSteps, double sigmaSteps, RingPhoto.Warp warp) {
    private static final int UNKNOWNS = 8;
    private static final int BLOCKS = 10;
    private static final int ROUNDS = 5;
    private static final int FINE_ROUNDS = 10;
    private static final double ROUGH_STEPS = 5;
    private static final double[] FINE_STEPS = {2, 1};
    private static final double STILL_STEPS = 0.002;
    private static final double LITTLE = 0.003;
    /// How far a circle that was drawn or found may be off, one standard deviation, circle radii: place, size, stretch, askew.
    private static final double[] KNOWN = {Double.POSITIVE_INFINITY, 0.02, 0.02, 0.02, 0.03, 0.03, 0.03, 0.03};
    private static final double TUKEY = 4.7;
    private static final double MARKS = 2;
    /// What misplaces marks on one side, pixels. Measured on drawn rings under two lamps.
    private static final double MISPLACED_PX = 1.8;
    private static final double FARTHEST = 0.15;
    private static final double STEP_RAD = 2 * Math.PI / RingPhoto.STEPS;

    /// From a turn that may be some degrees off, on smoothed rows.
    static RingAlignment roughly(double[][] before, RingPhoto later, double turnSteps) {
        RingAlignment now = new RingAlignment(turnSteps, 0, RingPhoto.Warp.NONE);
        double[][] a = smoothed(before, ROUGH_STEPS);
        for (int round = 0; round < ROUNDS; round++) {
            now = now.moved(Normal.of(a, Slopes.near(later, now.warp, now.turnSteps), offsets(now.warp)));
        }
        return now;
    }

    /// From one that is nearly right, with slopes as they are when the circle is really moved.
    RingAlignment exactly(double[][] before, RingPhoto later) {
        RingAlignment now = this;
        for (double smooth : FINE_STEPS) {
            double[][] a = smoothed(before, smooth);
            for (int round = 0; round < FINE_ROUNDS; round++) {
                Normal n = Normal.of(a, Slopes.exact(later, now.warp, now.turnSteps, smooth), offsets(now.warp));
                RingAlignment next = now.moved(n);
                boolean still = Math.abs(next.turnSteps - now.turnSteps) < STILL_STEPS;
                now = new RingAlignment(next.turnSteps, n.sigma(MISPLACED_PX / later.radiusPx()) / STEP_RAD, next.warp);
                if (still) {
                    break;
                }
            }
        }
        return now;
    }

    private RingAlignment moved(Normal n) {
        double[] d = n.solve(-1);
        RingPhoto.Warp next = warp.plus(Arrays.stream(d, 1, UNKNOWNS).map(v -> Math.clamp(v, -0.02, 0.02)).toArray());
        boolean lost = Arrays.stream(offsets(next)).anyMatch(v -> Math.abs(v) > FARTHEST);
        return lost ? this : new RingAlignment(turnSteps + Math.clamp(d[0] / STEP_RAD, -4, 4), sigmaSteps, next);
    }

    /// The later ring and how each of its samples changes with each unknown.
    @SuppressWarnings("ArrayRecordComponent")
    private record Slopes(double[][] rows, double[][][] by) {
        /// By the formula, from slopes along the ring and across it.
        static Slopes near(RingPhoto later, RingPhoto.Warp warp, double turn) {
            double[][] b = smoothed(later.rows(warp, turn, false), ROUGH_STEPS);
            int n = RingPhoto.STEPS;
            int rows = RingPhoto.ROWS;
            double[][][] by = new double[UNKNOWNS][rows][n];
            for (int i = 0; i < n; i++) {
                double t = STEP_RAD * (i + turn);
                double sin = Math.sin(t);
                double cos = Math.cos(t);
                for (int k = 0; k < rows; k++) {
                    double r = later.radius(k);
                    int under = Math.max(0, k - 1);
                    int over = Math.min(rows - 1, k + 1);
                    double round = (b[k][(i + 1) % n] - b[k][(i + n - 1) % n]) / (2 * STEP_RAD);
                    double out = (b[over][i] - b[under][i]) / ((over - under) * later.rowStep());
                    by[0][k][i] = round;
                    by[1][k][i] = round * cos / r + out * sin;
                    by[2][k][i] = -round * sin / r + out * cos;
                    by[3][k][i] = out * r;
                    by[4][k][i] = round * 2 * sin * cos + out * r * (sin * sin - cos * cos);
                    by[5][k][i] = round * (cos * cos - sin * sin) + out * r * 2 * sin * cos;
                    by[6][k][i] = -out * r * r * sin;
                    by[7][k][i] = -out * r * r * cos;
                }
            }
            return new Slopes(b, by);
        }

        /// By moving each a little either way.
        static Slopes exact(RingPhoto later, RingPhoto.Warp warp, double turn, double smooth) {
            double[][][] by = new double[UNKNOWNS][][];
            for (int p = 0; p < UNKNOWNS; p++) {
                double[] up = new double[UNKNOWNS - 1];
                double[] down = new double[UNKNOWNS - 1];
                double step = p == 0 ? STEP_RAD : LITTLE;
                if (p > 0) {
                    up[p - 1] = LITTLE;
                    down[p - 1] = -LITTLE;
                }
                double[][] more = later.rows(warp.plus(up), p == 0 ? turn + 1 : turn, false);
                double[][] less = later.rows(warp.plus(down), p == 0 ? turn - 1 : turn, false);
                for (int k = 0; k < more.length; k++) {
                    for (int i = 0; i < more[k].length; i++) {
                        more[k][i] = (more[k][i] - less[k][i]) / (2 * step);
                    }
                }
                by[p] = smoothed(more, smooth);
            }
            return new Slopes(smoothed(later.rows(warp, turn, false), smooth), by);
        }
    }

    private static double[] offsets(RingPhoto.Warp w) {
        return new double[] {0, w.dx(), w.dy(), w.larger(), w.stretchX(), w.stretchXy(), w.askewX(), w.askewY()};
    }

    private static double[][] smoothed(double[][] rows, double sigma) {
        if (sigma <= 0) {
            return rows;
        }
        int reach = (int) Math.ceil(2.5 * sigma);
        double[] kernel = new double[2 * reach + 1];
        double sum = 0;
        for (int i = 0; i < kernel.length; i++) {
            kernel[i] = Math.exp(-0.5 * Math.pow((i - reach) / sigma, 2));
            sum += kernel[i];
        }
        double whole = sum;
        return Arrays.stream(rows).map(row -> {
            double[] out = new double[row.length];
            for (int i = 0; i < row.length; i++) {
                for (int k = 0; k < kernel.length; k++) {
                    out[i] += kernel[k] / whole * row[Math.floorMod(i + k - reach, row.length)];
                }
            }
            return out;
        }).toArray(double[][]::new);
    }

    /// Normal equations of one round, in parts for the jackknife.
    /// @param noise variance of what is left
    /// @param alike over how many samples it is alike
    /// @param oneSided how far what there is to align by lies on one side: 0 for all round, 1 for one place
    @SuppressWarnings("ArrayRecordComponent")
    private record Normal(double[][][] matrix, double[][] right, double noise, double alike, double oneSided, double[] offset) {
        static Normal of(double[][] a, Slopes later, double[] offset) {
            int n = RingPhoto.STEPS;
            int rows = RingPhoto.ROWS;
            double[][] b = later.rows;
            double product = 0;
            double square = 1e-12;
            for (int k = 0; k < rows; k++) {
                for (int i = 0; i < n; i++) {
                    product += a[k][i] * b[k][i];
                    square += b[k][i] * b[k][i];
                }
            }
            double gain = Math.clamp(product / square, 0.2, 5);
            double[][] left = new double[rows][n];
            double[] energy = new double[n];
            for (int k = 0; k < rows; k++) {
                for (int i = 0; i < n; i++) {
                    left[k][i] = a[k][i] - gain * b[k][i];
                    energy[i] += later.by[0][k][i] * later.by[0][k][i];
                }
            }
            double[] sizes = Arrays.stream(left).flatMapToDouble(Arrays::stream).map(Math::abs).filter(v -> v > 0).sorted().toArray();
            double scale = sizes.length == 0 ? 1 : Math.max(1e-9, 1.4826 * sizes[sizes.length / 2]);
            // Where a ring is blank nothing is left: what may be left where marks are is told by the marks.
            double limit = Math.max(3 * TUKEY * scale, MARKS * marked(a, energy));
            int[] block = blocks(energy);
            double[][][] matrix = new double[BLOCKS][UNKNOWNS][UNKNOWNS];
            double[][] right = new double[BLOCKS][UNKNOWNS];
            double[] j = new double[UNKNOWNS];
            double noise = 0;
            double weights = 0;
            for (int i = 0; i < n; i++) {
                double[][] m = matrix[block[i]];
                double[] v = right[block[i]];
                for (int k = 0; k < rows; k++) {
                    double u = left[k][i] / limit;
                    if (Math.abs(u) >= 1) {
                        continue;
                    }
                    double weight = (1 - u * u) * (1 - u * u);
                    for (int p = 0; p < UNKNOWNS; p++) {
                        j[p] = gain * later.by[p][k][i];
                        double wp = weight * j[p];
                        v[p] += wp * left[k][i];
                        for (int q = 0; q <= p; q++) {
                            m[p][q] += wp * j[q];
                        }
                    }
                    // What is left counts where there is something to align by.
                    noise += weight * j[0] * j[0] * left[k][i] * left[k][i];
                    weights += weight * j[0] * j[0];
                }
            }
            return new Normal(matrix, right, noise / Math.max(1e-12, weights), alike(left), oneSided(energy), offset);
        }

        /// Usual size of what is on the ring where its marks are.
        private static double marked(double[][] a, double[] energy) {
            double sum = 0;
            double all = 1e-12;
            for (double[] row : a) {
                for (int i = 0; i < row.length; i++) {
                    sum += energy[i] * row[i] * row[i];
                    all += energy[i];
                }
            }
            return Math.sqrt(sum / all);
        }

        private static double oneSided(double[] energy) {
            double x = 0;
            double y = 0;
            double all = 1e-12;
            // Noise is everywhere and aligns nothing.
            double[] sorted = energy.clone();
            Arrays.sort(sorted);
            double blank = 3 * sorted[sorted.length / 8];
            for (int i = 0; i < energy.length; i++) {
                double e = Math.max(0, energy[i] - blank);
                x += e * Math.cos(STEP_RAD * i);
                y += e * Math.sin(STEP_RAD * i);
                all += e;
            }
            return Math.hypot(x, y) / all;
        }

        /// Over how many samples along and across what is left is alike.
        private static double alike(double[][] left) {
            double square = 1e-12;
            double[] along = new double[24];
            double[] across = new double[8];
            for (int k = 0; k < left.length; k++) {
                for (int i = 0; i < left[k].length; i++) {
                    square += left[k][i] * left[k][i];
                    for (int lag = 1; lag < along.length; lag++) {
                        along[lag] += left[k][i] * left[k][(i + lag) % left[k].length];
                    }
                    for (int lag = 1; lag < across.length && k + lag < left.length; lag++) {
                        across[lag] += left[k][i] * left[k + lag][i];
                    }
                }
            }
            return sum(along, square) * sum(across, square);
        }

        private static double sum(double[] products, double square) {
            double sum = 1;
            for (int lag = 1; lag < products.length && products[lag] > 0.1 * square; lag++) {
                sum += 2 * products[lag] / square;
            }
            return sum;
        }

        /// Stretches of the ring that hold equally much.
        private static int[] blocks(double[] energy) {
            double all = Arrays.stream(energy).sum() + 1e-12;
            int[] out = new int[energy.length];
            double sum = 0;
            for (int i = 0; i < energy.length; i++) {
                out[i] = Math.min(BLOCKS - 1, (int) (BLOCKS * sum / all));
                sum += energy[i];
            }
            return out;
        }

        /// @param without stretch that is left out, negative for none
        double[] solve(int without) {
            SimpleMatrix m = information(without);
            SimpleMatrix v = new SimpleMatrix(UNKNOWNS, 1);
            for (int p = 0; p < UNKNOWNS; p++) {
                double sum = 0;
                for (int b = 0; b < BLOCKS; b++) {
                    sum += b == without ? 0 : right[b][p];
                }
                v.set(p, sum - offset[p] * prior(p));
            }
            SimpleMatrix x = m.solve(v);
            return x.getDDRM().getData().clone();
        }

        private double prior(int p) {
            return Math.max(1e-9, noise * alike) / (KNOWN[p] * KNOWN[p]);
        }

        private SimpleMatrix information(int without) {
            SimpleMatrix m = new SimpleMatrix(UNKNOWNS, UNKNOWNS);
            for (int p = 0; p < UNKNOWNS; p++) {
                for (int q = 0; q <= p; q++) {
                    double sum = 0;
                    for (int b = 0; b < BLOCKS; b++) {
                        sum += b == without ? 0 : matrix[b][p][q];
                    }
                    m.set(p, q, sum);
                    m.set(q, p, sum);
                }
                m.set(p, p, m.get(p, p) + prior(p) + 1e-9);
            }
            return m;
        }

        /// One standard deviation of the turn, radians.
        /// @param misplacedRad what misplaces marks that lie all in one place
        double sigma(double misplacedRad) {
            double whole = solve(-1)[0];
            double square = 0;
            for (int b = 0; b < BLOCKS; b++) {
                double off = solve(b)[0] - whole;
                square += off * off;
            }
            double jackknife = square * (BLOCKS - 1) / BLOCKS;
            double covariance = noise * alike * information(-1).invert().get(0, 0);
            // Lamp, blur and sampling misplace marks by a little that no stretch tells. All round that evens out; on one side it does not.
            double aside = misplacedRad * Math.pow(oneSided, 4);
            return Math.sqrt(Math.max(jackknife, covariance) + aside * aside);
        }
    }
}
