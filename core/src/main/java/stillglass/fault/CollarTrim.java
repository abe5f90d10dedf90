package stillglass.fault;

import java.util.ArrayList;
import java.util.List;
import org.ejml.simple.SimpleMatrix;

/// Where eccentric collars have to stand so that all corners are alike, from how sharp the corners were at a few settings.
///
/// A collar that is turned carries its glass round a small circle. What a small shift does to the corners is linear in the shift: the blur of opposite corners, as the square of its width, differs in proportion. Seen from the front that difference is an arrow,
/// and each collar adds an arrow of its own length that turns with it, to one that is there without them: z₀ + m₁·e^{iφ₁} + m₂·e^{iφ₂}. The arrows follow from the settings by least squares, the settings that bring their sum to nothing by the triangle of their lengths.
///
/// @param deg where each collar should stand, clockwise from its mark, seen from the front, 0 to 360
/// @param sigmaDeg one standard deviation of each
/// @param now unevenness at the last setting, in the unit of the softness
/// @param left what is left of it, as a share
public record CollarTrim(List<Double> deg, List<Double> sigmaDeg, double now, double left) {
    private static final int CORNERS = 4;
    private static final int GRID = 720;

    public CollarTrim {
        deg = List.copyOf(deg);
        sigmaDeg = List.copyOf(sigmaDeg);
    }

    /// A setting that was tried.
    /// @param collarsDeg one or two, clockwise from the front
    /// @param corners half-modulation frequency, lp/mm, of the picture as it is seen upright: top left, top right, bottom right, bottom left
    public record Setting(List<Double> collarsDeg, List<Double> corners) {
        public Setting {
            collarsDeg = List.copyOf(collarsDeg);
            corners = List.copyOf(corners);
            if (corners.size() != CORNERS || corners.stream().anyMatch(f -> !(f > 0 && f < 1e4))) {
                throw new IllegalArgumentException("corners are four frequencies above 0: top left, top right, bottom right, bottom left");
            }
            if (collarsDeg.isEmpty() || collarsDeg.size() > 2 || collarsDeg.stream().anyMatch(d -> !(Math.abs(d) <= 3600))) {
                throw new IllegalArgumentException("give one or two collars, in degrees");
            }
        }

        /// The arrow of softness seen from the front, to the right and up.
        double[] arrow(int corner, double share) {
            double[] soft = new double[CORNERS];
            for (int c = 0; c < CORNERS; c++) {
                double f = corners.get(c) * (c == corner ? 1 + share : 1);
                soft[c] = 1 / (f * f);
            }
            // What is right in the picture lies left seen from the front.
            return new double[] {(soft[0] + soft[3] - soft[1] - soft[2]) / 2, (soft[0] + soft[1] - soft[2] - soft[3]) / 2};
        }
    }

    /// @param settings tried, the last being the present one; for one collar two at least, for two collars three
    /// @param share one standard deviation of a frequency, as a share of it
    /// @throws IllegalArgumentException where the settings do not tell
    public static CollarTrim of(List<Setting> settings, double share) {
        int collars = settings.isEmpty() ? 0 : settings.getFirst().collarsDeg.size();
        if (collars == 0 || settings.stream().anyMatch(s -> s.collarsDeg.size() != collars)) {
            throw new IllegalArgumentException("every setting names the same collars");
        }
        if (settings.size() < collars + 1) {
            throw new IllegalArgumentException(collars == 1 ? "one collar needs two settings at least" : "two collars need three settings at least, each collar turned once");
        }
        if (!(share > 0 && share < 1)) {
            throw new IllegalArgumentException("the error of a frequency is a share of it, above 0 and below 1");
        }
        double[] arrows = arrows(settings, -1, -1, 0);
        double[] best = meeting(arrows, settings.getLast().collarsDeg);
        double[] variance = new double[collars];
        for (int s = 0; s < settings.size(); s++) {
            for (int c = 0; c < CORNERS; c++) {
                double[] other = meeting(arrows(settings, s, c, share), asList(best));
                for (int k = 0; k < collars; k++) {
                    double off = Math.IEEEremainder(other[k] - best[k], 360);
                    variance[k] += off * off;
                }
            }
        }
        double now = length(arrows, settings.getLast().collarsDeg);
        List<Double> sigma = new ArrayList<>();
        for (double v : variance) {
            sigma.add(Math.sqrt(v));
        }
        return new CollarTrim(asList(best), sigma, now, now > 0 ? length(arrows, asList(best)) / now : 0);
    }

    private static List<Double> asList(double[] of) {
        List<Double> out = new ArrayList<>();
        for (double v : of) {
            out.add((v % 360 + 360) % 360);
        }
        return out;
    }

    /// Real and imaginary part of the arrow without collars, then of each collar's.
    private static double[] arrows(List<Setting> settings, int wrong, int corner, double share) {
        int unknown = 2 + 2 * settings.getFirst().collarsDeg.size();
        SimpleMatrix rows = new SimpleMatrix(2 * settings.size(), unknown);
        SimpleMatrix seen = new SimpleMatrix(2 * settings.size(), 1);
        for (int s = 0; s < settings.size(); s++) {
            double[] a = settings.get(s).arrow(s == wrong ? corner : -1, share);
            seen.set(2 * s, a[0]);
            seen.set(2 * s + 1, a[1]);
            rows.set(2 * s, 0, 1);
            rows.set(2 * s + 1, 1, 1);
            for (int k = 0; k < settings.get(s).collarsDeg.size(); k++) {
                // Clockwise: the angle runs against that of the plane.
                double t = -Math.toRadians(settings.get(s).collarsDeg.get(k));
                rows.set(2 * s, 2 + 2 * k, Math.cos(t));
                rows.set(2 * s, 3 + 2 * k, -Math.sin(t));
                rows.set(2 * s + 1, 2 + 2 * k, Math.sin(t));
                rows.set(2 * s + 1, 3 + 2 * k, Math.cos(t));
            }
        }
        SimpleMatrix normal = rows.transpose().mult(rows);
        if (!(normal.conditionP2() < 1e10)) {
            throw new IllegalArgumentException("these settings do not tell the collars apart: turn each by itself, by a quarter or more");
        }
        SimpleMatrix x = normal.solve(rows.transpose().mult(seen));
        double[] out = new double[unknown];
        for (int i = 0; i < unknown; i++) {
            out[i] = x.get(i);
        }
        return out;
    }

    private static double length(double[] arrows, List<Double> deg) {
        double re = arrows[0];
        double im = arrows[1];
        for (int k = 0; k < deg.size(); k++) {
            double t = -Math.toRadians(deg.get(k));
            re += Math.cos(t) * arrows[2 + 2 * k] - Math.sin(t) * arrows[3 + 2 * k];
            im += Math.sin(t) * arrows[2 + 2 * k] + Math.cos(t) * arrows[3 + 2 * k];
        }
        return Math.hypot(re, im);
    }

    /// Settings of least unevenness; of several the one that turns the collars least.
    private static double[] meeting(double[] arrows, List<Double> present) {
        if (present.size() == 1) {
            return new double[] {against(arrows[0], arrows[1], arrows[2], arrows[3])};
        }
        double[] best = {0, 0};
        double bestLeft = Double.POSITIVE_INFINITY;
        double k2 = Math.hypot(arrows[4], arrows[5]);
        double scale = Math.hypot(arrows[0], arrows[1]) + Math.hypot(arrows[2], arrows[3]) + k2;
        for (int i = 0; i < GRID; i++) {
            double first = 360.0 * i / GRID;
            double t = -Math.toRadians(first);
            double re = arrows[0] + Math.cos(t) * arrows[2] - Math.sin(t) * arrows[3];
            double im = arrows[1] + Math.sin(t) * arrows[2] + Math.cos(t) * arrows[3];
            double second = against(re, im, arrows[4], arrows[5]);
            // A degree of turning is worth a thousandth of what the collars can do at most: of two ways the shorter.
            double turned = Math.abs(Math.IEEEremainder(first - present.getFirst(), 360)) + Math.abs(Math.IEEEremainder(second - present.getLast(), 360));
            double cost = Math.abs(Math.hypot(re, im) - k2) + 1e-5 * scale * turned;
            if (cost < bestLeft) {
                bestLeft = cost;
                best = new double[] {first, second};
            }
        }
        return best;
    }

    /// Where a collar's arrow stands against another, degrees clockwise.
    private static double against(double re, double im, double ownRe, double ownIm) {
        double deg = -Math.toDegrees(Math.atan2(-im, -re) - Math.atan2(ownIm, ownRe));
        return (deg % 360 + 360) % 360;
    }
}
