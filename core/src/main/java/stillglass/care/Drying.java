package stillglass.care;

import java.util.List;

/// When something that was wet is dry, from weighings: mass falls as m∞ + w·exp(−t/τ), which is what one thin film or one cavity with one way out does; several cavities fall slower at the end, so the last weighings count most.
///
/// τ is searched, m∞ and w follow by least squares. It is ready when less water is left than the balance can see. The interval of that time is where the sum of squares, all else fitted anew, stays within what the scatter of the weighings allows
/// (profile likelihood; with less than three weighings to spare the scatter is that of the balance).
///
/// @param settledG mass when dry
/// @param waterLeftG at the last weighing
/// @param tauH time in which what is left falls to a third
/// @param readyAtH counted as the weighings are
/// @param fromH start of the 95 % interval of it
/// @param toH its end; infinite while nothing bounds it
/// @param nextH when the next weighing would tell most
public record Drying(double settledG, double waterLeftG, double tauH, double readyAtH, double fromH, double toH, double nextH) {
    private static final int FEWEST = 3;
    /// Rounding, and as much again of the hand and the air.
    private static final double SCATTER = 0.58;
    private static final int SPARE = 3;
    private static final double NORMAL = 1.96;
    private static final double[] STUDENT = {12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228};
    private static final double LONGEST = 40;

    /// @param tH hours
    public record Weighing(double tH, double massG) {
        public Weighing {
            if (!Double.isFinite(tH) || !(massG > 0 && massG < 1e6)) {
                throw new IllegalArgumentException("a weighing of " + massG + " g at " + tH + " h is none: give hours and grams above 0");
            }
        }
    }

    private record Fit(double tau, double settled, double water, double squares) {}

    /// @param weighings in the order they were made, at rising hours
    /// @param resolutionG least step of the balance
    /// @throws IllegalArgumentException for fewer than three, or where nothing dries
    public static Drying of(List<Weighing> weighings, double resolutionG) {
        if (weighings.size() < FEWEST) {
            throw new IllegalArgumentException("three weighings at least tell how something dries, there are " + weighings.size());
        }
        if (!(resolutionG > 0 && resolutionG < 1000)) {
            throw new IllegalArgumentException("a balance that sees " + resolutionG + " g is none: give its least step in grams");
        }
        for (int i = 1; i < weighings.size(); i++) {
            if (!(weighings.get(i).tH > weighings.get(i - 1).tH)) {
                throw new IllegalArgumentException("weighing " + (i + 1) + " is at " + weighings.get(i).tH + " h, not after the one before it");
            }
        }
        double first = weighings.getFirst().tH;
        double last = weighings.getLast().tH;
        double span = last - first;
        if (weighings.getFirst().massG - weighings.getLast().massG < 2 * resolutionG) {
            throw new IllegalArgumentException("from the first weighing to the last nothing was lost that this balance sees: it is dry, or it does not dry");
        }
        double tau = Least.of(t -> fit(weighings, t).squares, span / LONGEST, span * LONGEST);
        Fit f = fit(weighings, tau);
        double water = f.water * Math.exp(-(last - first) / tau);
        double ready = first + tau * Math.log(Math.max(1e-9, f.water / resolutionG));
        int spare = weighings.size() - 3;
        double own = SCATTER * resolutionG;
        boolean told = spare >= SPARE;
        double variance = told ? Math.max(f.squares / spare, resolutionG * resolutionG / 12) : own * own;
        double width = told ? STUDENT[Math.min(spare, STUDENT.length) - 1] : NORMAL;
        double allowed = f.squares + width * width * variance;
        double low = edge(weighings, resolutionG, ready, -1, allowed, span);
        double high = edge(weighings, resolutionG, ready, 1, allowed, span);
        return new Drying(f.settled, Math.max(0, water), tau, ready, low, high, next(weighings, f, ready, resolutionG));
    }

    /// Straight line in exp(−t/τ).
    private static Fit fit(List<Weighing> all, double tau) {
        double first = all.getFirst().tH;
        double n = all.size();
        double x = 0;
        double y = 0;
        double xx = 0;
        double xy = 0;
        double yy = 0;
        double base = all.getLast().massG;
        for (Weighing w : all) {
            double e = Math.exp(-(w.tH - first) / tau);
            double m = w.massG - base;
            x += e;
            y += m;
            xx += e * e;
            xy += e * m;
            yy += m * m;
        }
        double spread = xx - x * x / n;
        double slope = spread > 1e-15 ? (xy - x * y / n) / spread : 0;
        double settled = (y - slope * x) / n;
        return new Fit(tau, base + settled, slope, Math.max(0, yy - y * y / n - slope * (xy - x * y / n)));
    }

    /// The same where it is ready at a given hour.
    private static double squaresAt(List<Weighing> all, double readyH, double resolutionG, double span) {
        return squares(all, readyH, resolutionG, Least.of(t -> squares(all, readyH, resolutionG, t), span / LONGEST, span * LONGEST));
    }

    private static double squares(List<Weighing> all, double readyH, double resolutionG, double tau) {
        double mean = 0;
        double base = all.getLast().massG;
        for (Weighing w : all) {
            mean += (w.massG - base - resolutionG * Math.exp((readyH - w.tH) / tau)) / all.size();
        }
        double sum = 0;
        for (Weighing w : all) {
            double off = w.massG - base - resolutionG * Math.exp((readyH - w.tH) / tau) - mean;
            sum += off * off;
        }
        return Double.isFinite(sum) ? sum : Double.MAX_VALUE;
    }

    /// How far the hour can go before the weighings forbid it.
    private static double edge(List<Weighing> all, double resolutionG, double ready, int way, double allowed, double span) {
        double step = 0.02 * span;
        double inside = ready;
        double outside = ready;
        while (squaresAt(all, outside, resolutionG, span) <= allowed) {
            inside = outside;
            outside += way * step;
            step *= 1.4;
            if (Math.abs(outside - ready) > LONGEST * LONGEST * span) {
                return way * Double.POSITIVE_INFINITY;
            }
        }
        for (int i = 0; i < 40; i++) {
            double middle = (inside + outside) / 2;
            if (squaresAt(all, middle, resolutionG, span) <= allowed) {
                inside = middle;
            } else {
                outside = middle;
            }
        }
        return inside;
    }

    /// Of the hours that follow the one after which the moment of being ready is known best, by the slopes of the curve.
    private static double next(List<Weighing> all, Fit f, double ready, double resolutionG) {
        double last = all.getLast().tH;
        double best = last + f.tau;
        double least = Double.MAX_VALUE;
        for (double after = 0.25; after <= 4; after += 0.25) {
            double[][] information = new double[3][3];
            for (Weighing w : all) {
                add(information, f, w.tH - all.getFirst().tH);
            }
            add(information, f, last + after * f.tau - all.getFirst().tH);
            // d ready over d(settled, water, tau).
            double[] slope = {0, f.tau / f.water, Math.log(f.water / resolutionG)};
            double variance = through(information, slope);
            // Waiting costs something: a tenth of the time constant is worth a per cent.
            double cost = variance * (1 + 0.1 * after);
            if (cost < least) {
                least = cost;
                best = last + after * f.tau;
            }
        }
        return Double.isFinite(best) ? best : ready;
    }

    private static void add(double[][] information, Fit f, double t) {
        double e = Math.exp(-t / f.tau);
        double[] d = {1, e, f.water * e * t / f.tau / f.tau};
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                information[i][j] += d[i] * d[j];
            }
        }
    }

    /// sᵀ·M⁻¹·s by Cramer's rule.
    private static double through(double[][] m, double[] s) {
        double det = det(m);
        double sum = 0;
        for (int k = 0; k < 3; k++) {
            double[][] with = {m[0].clone(), m[1].clone(), m[2].clone()};
            for (int r = 0; r < 3; r++) {
                with[r][k] = s[r];
            }
            sum += s[k] * det(with) / det;
        }
        return det > 0 ? Math.max(0, sum) : Double.MAX_VALUE;
    }

    private static double det(double[][] m) {
        return m[0][0] * (m[1][1] * m[2][2] - m[1][2] * m[2][1]) - m[0][1] * (m[1][0] * m[2][2] - m[1][2] * m[2][0]) + m[0][2] * (m[1][0] * m[2][1] - m[1][1] * m[2][0]);
    }
}
