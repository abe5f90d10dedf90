package stillglass.benchmarks.look;

import java.util.Locale;
import java.util.Map;
import stillglass.look.FindingKind;

/// How well severities agree, 0 to 4, where a kind that is there was found.
final class Steps {
    private final double[][] seen = new double[5][5];

    /// @param truth of every kind that is there
    /// @param found the worst finding of every kind
    void add(Map<FindingKind, Integer> truth, Map<FindingKind, Integer> found) {
        truth.forEach((k, s) -> {
            Integer read = found.get(k);
            if (read != null) {
                seen[s][read]++;
            }
        });
    }

    String said() {
        return String.format(Locale.ROOT, "Severity where the kind was found: quadratic-weighted kappa %.2f, exactly right %.0f %%, at most one step off %.0f %%.", kappa(seen), 100 * near(seen, 0), 100 * near(seen, 1));
    }

    private static double near(double[][] seen, int off) {
        double in = 0;
        double all = 0;
        for (int i = 0; i < seen.length; i++) {
            for (int j = 0; j < seen.length; j++) {
                in += Math.abs(i - j) <= off ? seen[i][j] : 0;
                all += seen[i][j];
            }
        }
        return in / Math.max(1, all);
    }

    /// Cohen's kappa with squared distances as weights.
    static double kappa(double[][] seen) {
        int n = seen.length;
        double[] rows = new double[n];
        double[] columns = new double[n];
        double all = 0;
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                rows[i] += seen[i][j];
                columns[j] += seen[i][j];
                all += seen[i][j];
            }
        }
        double off = 0;
        double chance = 0;
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                off += (i - j) * (i - j) * seen[i][j];
                chance += (i - j) * (i - j) * rows[i] * columns[j] / all;
            }
        }
        return 1 - off / chance;
    }
}
