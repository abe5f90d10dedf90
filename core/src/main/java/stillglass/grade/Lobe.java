package stillglass.grade;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/// How light that a kind of fault scatters spreads over angles: even up to a roll-off, then falling as a power, `A / (1 + (θ/θ₀)^g)` for a steradian, over the half-space ahead.
///
/// The roll-off is that of diffraction at what scatters, θ₀ = λ / 2d: drops and threads of micrometres throw light wide, specks of dust hardly aside. Reference: the ABg model of scatter, as in J. E. Harvey, *Understanding Surface Scatter Phenomena* (2019); the fall of a disc's
/// rings is 3, that of a line 2.
///
/// @param structureUm width of what scatters, d, µm
/// @param fall g, above 1
public record Lobe(double structureUm, double fall) {
    /// Drops of a film, for kinds of which nothing else is said.
    public static final Lobe USUAL = new Lobe(3, 3);

    private static final double GREEN_UM = 0.55;
    private static final int STEPS = 2000;
    private static final int PARTS = 8;
    /// One for each kind of the rules.
    private static final Map<Lobe, Double> AHEAD = new ConcurrentHashMap<>();

    public Lobe {
        if (!(structureUm >= 0.2 && structureUm <= 1000) || !(fall > 1 && fall <= 6)) {
            throw new IllegalArgumentException("scatter at structures of " + structureUm + " µm falling as " + fall + ": 0.2 to 1000 µm, and above 1 to 6");
        }
    }

    /// θ₀, radians.
    public double rollOff() {
        return GREEN_UM / (2 * structureUm);
    }

    private double form(double theta) {
        return 1 / (1 + Math.pow(theta / rollOff(), fall));
    }

    /// A: what goes ahead for a steradian, so that all together is 1.
    public double ahead() {
        return AHEAD.computeIfAbsent(this, Lobe::integrated);
    }

    private double integrated() {
        // In t with θ = tan²(t)·θ₀ the lobe is resolved however narrow it is.
        double end = Math.atan(Math.sqrt(Math.PI / 2 / rollOff()));
        double sum = 0;
        for (int i = 0; i < STEPS; i++) {
            double t = (i + 0.5) * end / STEPS;
            double tan = Math.tan(t);
            double theta = tan * tan * rollOff();
            sum += form(theta) * 2 * Math.PI * Math.sin(theta) * 2 * tan * (1 + tan * tan) * rollOff();
        }
        return STEPS / (sum * end);
    }

    /// Share of the scattered light for a steradian at an angle from where it came.
    /// @param theta radians
    public double per(double theta) {
        return ahead() * form(Math.abs(theta));
    }

    /// The same thrown across a straight groove only: shares of all of it that go to one side, for steps of the angle from nought.
    /// @param step radians
    public double[] across(double step, int entries) {
        double all = 0;
        double end = Math.atan(Math.sqrt(Math.PI / 2 / rollOff()));
        for (int i = 0; i < STEPS; i++) {
            double t = (i + 0.5) * end / STEPS;
            double tan = Math.tan(t);
            all += form(tan * tan * rollOff()) * 2 * tan * (1 + tan * tan) * rollOff() * end / STEPS;
        }
        double[] out = new double[entries];
        for (int i = 0; i < entries; i++) {
            for (int k = 0; k < PARTS; k++) {
                double theta = (i + (k + 0.5) / PARTS) * step;
                out[i] += theta < Math.PI / 2 ? form(theta) * step / PARTS / (2 * all) : 0;
            }
        }
        return out;
    }

    /// A table of [#per], for many angles.
    /// @param step radians
    public double[] table(double step, int entries) {
        double ahead = ahead();
        double[] out = new double[entries];
        for (int i = 0; i < entries; i++) {
            out[i] = ahead * form(i * step);
        }
        return out;
    }
}
