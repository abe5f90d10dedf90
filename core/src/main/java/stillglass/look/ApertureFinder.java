package stillglass.look;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/// Finds the clear aperture: a coarse search for the circle across which the light changes most, then an ellipse
/// fitted to edge points along many radii.
///
/// Reference: integro-differential operator, J. Daugman, IEEE PAMI 15 (1993). Differs: works on the logarithm of
/// light with each direction's step limited, so that lamps and bright faults cannot outvote the rim.
final class ApertureFinder {
    private static final int COARSE = 150;
    private static final int DIRECTIONS = 64;
    private static final double[] COS = new double[DIRECTIONS];
    private static final double[] SIN = new double[DIRECTIONS];
    private static final double STEP_LIMIT = 0.6;
    /// An inner edge counts when it has this share of the strongest step.
    private static final double INNER_SHARE = 0.4;

    static {
        for (int k = 0; k < DIRECTIONS; k++) {
            COS[k] = Math.cos(2 * Math.PI * k / DIRECTIONS);
            SIN[k] = Math.sin(2 * Math.PI * k / DIRECTIONS);
        }
    }

    private ApertureFinder() {}

    private record Circle(double cx, double cy, double r, double score) {}

    /// @param light row-major luminance, blurred lightly
    /// @return the ellipse in working pixels, or nothing when no round edge stands out
    static Optional<Aperture> find(float[] light, int width, int height) {
        double shrink = Math.max(1, Math.max(width, height) / (double) COARSE);
        int w = (int) (width / shrink);
        int h = (int) (height / shrink);
        float[] small = logShrunk(light, width, height, w, h);
        Circle best = new Circle(0, 0, 0, 0);
        double most = Math.max(w, h) * 0.62;
        double least = Math.min(w, h) * 0.14;
        for (double r = least; r < most; r *= 1.04) {
            double stride = Math.max(1.5, r * 0.05);
            for (double cy = h * 0.15; cy < h * 0.85; cy += stride) {
                for (double cx = w * 0.15; cx < w * 0.85; cx += stride) {
                    double s = score(small, w, h, cx, cy, r, Math.max(1.5, r * 0.05));
                    if (s > best.score) {
                        best = new Circle(cx, cy, r, s);
                    }
                }
            }
        }
        best = climb(small, w, h, best);
        if (best.score < 0.07) {
            return Optional.empty();
        }
        Aperture guess =
                new Aperture((best.cx + 0.5) * shrink, (best.cy + 0.5) * shrink, best.r * shrink, best.r * shrink, 0);
        Aperture ring = refine(light, width, height, guess, meanStep(light, width, height, guess), 1, 0.10, 0.05, 0.035);
        return Optional.of(smallest(light, width, height, ring));
    }

    /// Of the coherent edges about the ring, the one with the smallest radius. Where the ring itself was a compromise between
    /// two edges and lies off centre, a wide search for either direction of the step finds the way back.
    private static Aperture smallest(float[] light, int w, int h, Aperture ring) {
        List<Aperture> candidates = List.of(
                ring,
                innermost(light, w, h, innermost(light, w, h, ring)),
                innermost(light, w, h, refine(light, w, h, ring, 1, INNER_SHARE, 0.15, 0.08, 0.04, 0.015)),
                innermost(light, w, h, refine(light, w, h, ring, -1, INNER_SHARE, 0.15, 0.08, 0.04, 0.015)));
        double strongest = 0;
        for (Aperture c : candidates) {
            strongest = Math.max(strongest, Math.abs(stepAround(light, w, h, c, 1)));
        }
        Aperture best = ring;
        for (Aperture c : candidates) {
            boolean coherent = Math.abs(stepAround(light, w, h, c, 1)) > INNER_SHARE * strongest;
            boolean ringIsNot = best == ring && stepAround(light, w, h, ring, 1) == 0;
            if (coherent && (ringIsNot || c.meanRadius() < best.meanRadius())) {
                best = c;
            }
        }
        return best;
    }

    /// Barrel, filter thread and retaining ring are concentric with the glass and often stand out more than its rim.
    /// The rim is the innermost edge that runs all the way round and is not much weaker than the strongest.
    private static Aperture innermost(float[] light, int w, int h, Aperture ring) {
        int steps = 108;
        double[] step = new double[steps];
        double strongest = 0;
        for (int i = 0; i < steps; i++) {
            step[i] = stepAround(light, w, h, ring, 0.70 + 0.004 * i);
            strongest = Math.max(strongest, Math.abs(step[i]));
        }
        for (int i = 1; i + 1 < steps; i++) {
            double here = Math.abs(step[i]);
            boolean peak = here >= Math.abs(step[i - 1]) && here >= Math.abs(step[i + 1]);
            if (peak && here > INNER_SHARE * strongest) {
                double u = 0.70 + 0.004 * i;
                Aperture rim = new Aperture(ring.cx(), ring.cy(), ring.rx() * u, ring.ry() * u, ring.thetaRad());
                return refine(light, w, h, rim, step[i], INNER_SHARE, 0.12, 0.06, 0.03, 0.015);
            }
        }
        return ring;
    }

    /// Median step of light across the ellipse scaled by `u`, outside less inside; zero unless most directions agree.
    private static double stepAround(float[] light, int w, int h, Aperture a, double u) {
        double[] steps = new double[120];
        int n = 0;
        int up = 0;
        for (int k = 0; k < steps.length; k++) {
            double phi = 2 * Math.PI * k / steps.length;
            double outside = sample(light, w, h, a, phi, u + 0.010);
            double inside = sample(light, w, h, a, phi, u - 0.010);
            if (!Double.isNaN(outside) && !Double.isNaN(inside)) {
                steps[n++] = outside - inside;
                up += outside > inside ? 1 : 0;
            }
        }
        if (n < steps.length / 3 || Math.max(up, n - up) < 0.8 * n) {
            return 0;
        }
        Arrays.sort(steps, 0, n);
        return steps[n / 2];
    }

    private static float[] logShrunk(float[] light, int width, int height, int w, int h) {
        float[] out = new float[w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int x0 = x * width / w;
                int x1 = Math.max(x0 + 1, (x + 1) * width / w);
                int y0 = y * height / h;
                int y1 = Math.max(y0 + 1, (y + 1) * height / h);
                double sum = 0;
                for (int j = y0; j < y1; j++) {
                    for (int i = x0; i < x1; i++) {
                        sum += light[j * width + i];
                    }
                }
                out[y * w + x] = (float) Math.log(0.004 + sum / ((x1 - x0) * (y1 - y0)));
            }
        }
        return out;
    }

    private static Circle climb(float[] small, int w, int h, Circle from) {
        Circle best = from;
        for (double step = Math.max(1, from.r * 0.04); step > 0.2; step *= 0.6) {
            boolean better = true;
            while (better) {
                better = false;
                double[][] moves = {{step, 0, 0}, {-step, 0, 0}, {0, step, 0}, {0, -step, 0}, {0, 0, step}, {0, 0, -step}};
                for (double[] m : moves) {
                    double r = best.r + m[2];
                    if (r < 4) {
                        continue;
                    }
                    double s = score(small, w, h, best.cx + m[0], best.cy + m[1], r, Math.max(1, step));
                    double here = score(small, w, h, best.cx, best.cy, best.r, Math.max(1, step));
                    if (s > here + 1e-6) {
                        best = new Circle(best.cx + m[0], best.cy + m[1], r, s);
                        better = true;
                    }
                }
            }
        }
        return best;
    }

    private static double score(float[] a, int w, int h, double cx, double cy, double r, double reach) {
        double sum = 0;
        int used = 0;
        int up = 0;
        for (int k = 0; k < DIRECTIONS; k++) {
            double c = COS[k];
            double s = SIN[k];
            int xo = (int) (cx + (r + reach) * c + 0.5);
            int yo = (int) (cy + (r + reach) * s + 0.5);
            int xi = (int) (cx + (r - reach) * c + 0.5);
            int yi = (int) (cy + (r - reach) * s + 0.5);
            if (xo < 0 || yo < 0 || xo >= w || yo >= h || xi < 0 || yi < 0 || xi >= w || yi >= h) {
                continue;
            }
            used++;
            double d = a[yo * w + xo] - a[yi * w + xi];
            up += d > 0 ? 1 : 0;
            sum += Math.max(-STEP_LIMIT, Math.min(STEP_LIMIT, d));
        }
        if (used < DIRECTIONS * 0.55) {
            return 0;
        }
        double agree = Math.max(up, used - up) / (double) used;
        return Math.abs(sum) / used * (2 * agree - 1) * Math.sqrt(used / (double) DIRECTIONS);
    }

    /// @param step its sign says whether the outside is brighter
    /// @param share edges with this share of the strongest count, and of those the innermost; 1 for the strongest
    private static Aperture refine(
            float[] light, int w, int h, Aperture guess, double step, double share, double... reaches) {
        Aperture now = guess;
        double sign = step >= 0 ? 1 : -1;
        for (double reach : reaches) {
            int rays = 240;
            double[] angle = new double[rays];
            double[] radius = new double[rays];
            int found = 0;
            for (int k = 0; k < rays; k++) {
                double phi = 2 * Math.PI * k / rays;
                double r = edgeAlong(light, w, h, now, phi, reach, sign, share);
                if (r > 0) {
                    angle[found] = phi;
                    radius[found++] = r;
                }
            }
            if (found < rays / 3) {
                return now;
            }
            now = fit(now.cx(), now.cy(), Arrays.copyOf(angle, found), Arrays.copyOf(radius, found));
        }
        return now;
    }

    private static double meanStep(float[] light, int w, int h, Aperture a) {
        double sum = 0;
        for (int k = 0; k < 90; k++) {
            double phi = 2 * Math.PI * k / 90;
            double outside = sample(light, w, h, a, phi, 1.06);
            double inside = sample(light, w, h, a, phi, 0.94);
            if (!Double.isNaN(outside) && !Double.isNaN(inside)) {
                sum += Math.max(-STEP_LIMIT, Math.min(STEP_LIMIT, outside - inside));
            }
        }
        return sum;
    }

    /// Radius of the aperture's ellipse in direction phi.
    private static double ellipseRadius(Aperture a, double phi) {
        double c = Math.cos(phi - a.thetaRad()) / a.rx();
        double s = Math.sin(phi - a.thetaRad()) / a.ry();
        return 1 / Math.hypot(c, s);
    }

    private static double sample(float[] light, int w, int h, Aperture a, double phi, double factor) {
        double r = ellipseRadius(a, phi) * factor;
        int x = (int) Math.round(a.cx() + r * Math.cos(phi));
        int y = (int) Math.round(a.cy() + r * Math.sin(phi));
        return x < 0 || y < 0 || x >= w || y >= h ? Double.NaN : Math.log(0.004 + light[y * w + x]);
    }

    /// Logarithm of light at every pixel's distance along a direction, NaN off the picture.
    /// @param from first distance from the centre
    private static double[] profile(float[] light, int w, int h, Aperture a, double phi, double from, int count) {
        double c = Math.cos(phi);
        double s = Math.sin(phi);
        double[] out = new double[count];
        for (int i = 0; i < count; i++) {
            int x = (int) Math.round(a.cx() + (from + i) * c);
            int y = (int) Math.round(a.cy() + (from + i) * s);
            out[i] = x < 0 || y < 0 || x >= w || y >= h ? Double.NaN : Math.log(0.004 + light[y * w + x]);
        }
        return out;
    }

    private static double edgeAlong(
            float[] light, int w, int h, Aperture a, double phi, double reach, double sign, double share) {
        double r0 = ellipseRadius(a, phi);
        int span = (int) Math.max(4, r0 * reach);
        double[] along = profile(light, w, h, a, phi, r0 - span - 3, 2 * span + 7);
        double[] steps = new double[2 * span + 1];
        double best = 0.03;
        for (int d = -span; d <= span; d++) {
            int at = d + span + 3;
            // Three places on either side; a place off the picture makes all of it no number, which counts as no step.
            double rise = along[at + 1] + along[at + 2] + along[at + 3] - along[at - 1] - along[at - 2] - along[at - 3];
            steps[d + span] = Double.isNaN(rise) ? 0 : sign * rise / 3 * (1 - 0.3 * Math.abs(d) / span);
            best = Math.max(best, steps[d + span]);
        }
        // The first edge from the inside that is not much weaker than the strongest: rings outside the glass do not count.
        for (int i = 0; i < steps.length; i++) {
            boolean peak = (i == 0 || steps[i] >= steps[i - 1]) && (i + 1 == steps.length || steps[i] > steps[i + 1]);
            if (peak && steps[i] >= share * best && steps[i] > 0.03) {
                return r0 + i - span;
            }
        }
        return -1;
    }

    /// Robust fit of r(φ) = a0 + a1 cos φ + b1 sin φ + a2 cos 2φ + b2 sin 2φ, the ellipse to first order in its flattening.
    private static Aperture fit(double cx, double cy, double[] angle, double[] radius) {
        double[] p = new double[5];
        double[] weight = new double[angle.length];
        Arrays.fill(weight, 1);
        for (int round = 0; round < 8; round++) {
            double[][] normal = new double[5][6];
            for (int i = 0; i < angle.length; i++) {
                double[] row = basis(angle[i]);
                for (int r = 0; r < 5; r++) {
                    for (int c = 0; c < 5; c++) {
                        normal[r][c] += weight[i] * row[r] * row[c];
                    }
                    normal[r][5] += weight[i] * row[r] * radius[i];
                }
            }
            p = LeastSquares.solve(normal);
            double[] off = new double[angle.length];
            for (int i = 0; i < off.length; i++) {
                off[i] = Math.abs(radius[i] - LeastSquares.dot(p, basis(angle[i])));
            }
            double scale = Math.max(0.4, 1.5 * LeastSquares.median(off));
            for (int i = 0; i < off.length; i++) {
                double t = off[i] / (3 * scale);
                weight[i] = t < 1 ? (1 - t * t) * (1 - t * t) : 0;
            }
        }
        double flat = Math.hypot(p[3], p[4]);
        return new Aperture(cx + p[1], cy + p[2], p[0] + flat, Math.max(1, p[0] - flat), Math.atan2(p[4], p[3]) / 2);
    }

    private static double[] basis(double phi) {
        return new double[] {1, Math.cos(phi), Math.sin(phi), Math.cos(2 * phi), Math.sin(2 * phi)};
    }
}
