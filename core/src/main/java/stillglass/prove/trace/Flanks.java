package stillglass.prove.trace;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.ddogleg.optimization.FactoryOptimization;
import org.ddogleg.optimization.UnconstrainedLeastSquares;
import org.ddogleg.optimization.functions.FunctionNtoM;
import org.ejml.data.DMatrixRMaj;
import org.ejml.simple.SimpleMatrix;

/// An opening with flanks, fitted to samples by least squares: light rises from the dark to full over one time and falls over another.
///
/// The long flat part in the middle counts as one sample of its mean, with its weight.
///
/// @param level full light above the dark
/// @param opened middle of the rising flank, index
/// @param rise its length, samples
/// @param closed middle of the falling flank
/// @param fall its length
/// @param left sum of squares of what is left
/// @param misfit their mean in squares of the noise, infinite without noise
/// @param samples that took part
/// @param covariance of level, opened, rise, closed, fall, at noise 1
record Flanks(double level, double opened, double rise, double closed, double fall, Shape shape, double left, double misfit, int samples, SimpleMatrix covariance) {
    /// How light grows over a flank, each half way at half of it.
    enum Shape {
        /// As a curtain gives that passes a sensor.
        STRAIGHT,
        /// As blades give that are sped up and slowed down: half a cosine.
        ROUNDED,
        /// As blades give that part from the middle: the opening grows with a power of their way until they are out of it.
        BLADES;

        private static final double POWER = 1.5;
        private static final double HALF_WAY = Math.pow(0.5, 1 / POWER);

        /// @param u share of the flank, 0.5 at half light
        double ramp(double u) {
            double c = Math.clamp(u, 0, 1);
            return switch (this) {
                case STRAIGHT -> c;
                case ROUNDED -> 0.5 - 0.5 * Math.cos(Math.PI * c);
                case BLADES -> Math.pow(Math.clamp(u - 0.5 + HALF_WAY, 0, 1), POWER);
            };
        }

        /// Light of a flank beyond what a step at half light would give, in shares of it.
        double over() {
            return this == BLADES ? 1 / (POWER + 1) - 1 + HALF_WAY : 0;
        }

        /// Where the flank begins and ends, in shares of it from half light.
        double begin() {
            return this == BLADES ? -HALF_WAY : -0.5;
        }
    }

    private static final int PARAMETERS = 5;
    private static final int ROUNDS = 60;
    /// No flank is shorter than the time of a sample.
    private static final double LEAST = 1;
    /// What is left may be this many standard deviations of a mean square above the noise before the shape is not believed any more.
    private static final double BELIEVED = 2.5;

    /// Length of the opening, samples: its area over its level.
    double length() {
        return closed - opened + shape.over() * (rise + fall);
    }

    /// Whether the shape explains the samples; else their light is better added up.
    boolean fits() {
        return misfit < 1 + BELIEVED * Math.sqrt(2.0 / samples);
    }

    double start() {
        return opened + shape.begin() * rise;
    }

    double end() {
        return closed - shape.begin() * fall;
    }

    /// One standard deviation of [#length()] for noise of one standard deviation of 1, samples.
    double lengthSigma() {
        return Math.sqrt(Math.max(0, covariance.get(1, 1) + covariance.get(3, 3) - 2 * covariance.get(1, 3)));
    }

    /// One standard deviation of [#level()] for the same noise.
    double levelSigma() {
        return Math.sqrt(Math.max(0, covariance.get(0, 0)));
    }

    /// One standard deviation of [#opened()], samples.
    double openedSigma() {
        return Math.sqrt(Math.max(0, covariance.get(1, 1)));
    }

    /// Share of full light at a time.
    static double share(double t, double opened, double rise, double closed, double fall, Shape shape) {
        return Math.min(shape.ramp((t - opened) / Math.max(LEAST, rise) + 0.5), shape.ramp((closed - t) / Math.max(LEAST, fall) + 0.5));
    }

    /// @param y samples above the dark
    /// @param from first sample of the dark before that takes part
    /// @param to sample after the last of the dark after
    /// @param first level, opened, rise, closed, fall to begin with
    static Flanks fit(double[] y, int from, int to, double[] first, double noise, Shape shape) {
        int flatFrom = (int) Math.ceil(first[1] + 1.5 * first[2] + 2);
        int flatTo = (int) Math.floor(first[3] - 1.5 * first[4] - 2);
        boolean flat = flatTo - flatFrom > 8;
        int cutFrom = flat ? flatFrom : to;
        int cutTo = flat ? flatTo : to;
        double mean = 0;
        for (int i = cutFrom; i < cutTo; i++) {
            mean += y[i] / (cutTo - cutFrom);
        }
        double middle = mean;
        double heavy = Math.sqrt(Math.max(0, cutTo - cutFrom));
        int[] at = IntStream.concat(IntStream.range(from, cutFrom), IntStream.range(cutTo, to)).toArray();
        int n = at.length + (flat ? 1 : 0);
        double unit = Math.abs(first[0]) < 1e-30 ? 1 : first[0];
        FunctionNtoM residuals = new FunctionNtoM() {
            @Override
            public int getNumOfInputsN() {
                return PARAMETERS;
            }

            @Override
            public int getNumOfOutputsM() {
                return n;
            }

            @Override
            public void process(double[] p, double[] out) {
                for (int k = 0; k < at.length; k++) {
                    // A sample is the mean over its time.
                    double s = (share(at[k] - 0.25, p[1], p[2], p[3], p[4], shape) + share(at[k] + 0.25, p[1], p[2], p[3], p[4], shape)) / 2;
                    out[k] = p[0] * s - y[at[k]] / unit;
                }
                if (flat) {
                    out[at.length] = heavy * (p[0] - middle / unit);
                }
            }
        };
        UnconstrainedLeastSquares<DMatrixRMaj> solver = FactoryOptimization.levenbergMarquardt(null, false);
        solver.setFunction(residuals, null);
        double[] start = first.clone();
        start[0] = 1;
        solver.initialize(start, 1e-9, 1e-9);
        for (int k = 0; k < ROUNDS && !solver.iterate(); k++) {
            // until nothing is gained any more
        }
        double[] p = solver.getParameters().clone();
        p[2] = Math.abs(p[2]);
        p[4] = Math.abs(p[4]);
        double[] off = new double[n];
        residuals.process(p, off);
        double left = Arrays.stream(off).map(r -> r * r).sum() * unit * unit;
        double square = left / Math.max(1, n - PARAMETERS);
        return new Flanks(p[0] * unit, p[1], p[2], p[3], p[4], shape, left, noise > 0 ? square / (noise * noise) : square > 0 ? Double.POSITIVE_INFINITY : 1, n, covariance(residuals, p, n, unit));
    }

    /// Inverse of the information of the fit, by differences.
    private static SimpleMatrix covariance(FunctionNtoM f, double[] p, int n, double unit) {
        double[] width = {1e-3, 0.05, 0.05, 0.05, 0.05};
        double[][] slope = new double[PARAMETERS][];
        for (int k = 0; k < PARAMETERS; k++) {
            double[] up = new double[n];
            double[] down = new double[n];
            double[] q = p.clone();
            q[k] = p[k] + width[k];
            f.process(q, up);
            q[k] = p[k] - width[k];
            f.process(q, down);
            slope[k] = new double[n];
            for (int i = 0; i < n; i++) {
                slope[k][i] = (up[i] - down[i]) / (2 * width[k]) * (k == 0 ? 1 : unit);
            }
        }
        SimpleMatrix information = new SimpleMatrix(PARAMETERS, PARAMETERS);
        for (int i = 0; i < PARAMETERS; i++) {
            for (int j = 0; j < PARAMETERS; j++) {
                double sum = 0;
                for (int m = 0; m < n; m++) {
                    sum += slope[i][m] * slope[j][m];
                }
                information.set(i, j, sum + (i == j ? 1e-12 * (1 + sum) : 0));
            }
        }
        return information.pseudoInverse();
    }
}
