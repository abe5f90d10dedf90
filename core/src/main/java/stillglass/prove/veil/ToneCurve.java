package stillglass.prove.veil;

import java.util.Optional;
import java.util.stream.DoubleStream;
import stillglass.prove.edge.LightPlane;

/// How a camera turned light into values, from two photos of one scene that differ in exposure only.
///
/// With light taken for sRGB, a true tone of another power shows as light^p: a step of exposure r then makes the values of every pixel grow by r^p, whatever the pixel. A shoulder, lifted shadows or local
/// contrast make p differ from dark to bright.
///
/// @param power by which the light of the stored values has to be read: true light is light^(1/power)
/// @param sigma one standard deviation of it, by how exactly the exposures are known
/// @param bend by which the power differs between dark and bright pixels
public record ToneCurve(double power, double sigma, double bend) {
    /// Times and sensitivities that cameras write are rounded: 1/60 s is 1/64.
    public static final double EXPOSURE_SHARE = 0.03;
    /// A step of less than this measures nothing.
    private static final double LEAST_STEP = 1.5;
    private static final double DARKEST = 0.008;
    private static final double BRIGHTEST = 0.9;
    private static final int LEAST_PIXELS = 400;
    private static final int PARTS = 6;
    /// From fewer greys than these its bend is not seen.
    private static final int FEWEST_PARTS = 3;
    private static final double UNSEEN_BEND = 0.16;
    private static final int LEVELS = 256;
    private static final double BLACK = 0.012;
    private static final double LEAST_POWER = 0.3;
    private static final double MOST_POWER = 3;
    /// A power that differs by this much over the range is no power.
    private static final double BENT = 0.15;

    /// What is left when nothing was measured: sRGB, known to a tenth.
    public static final ToneCurve ASSUMED = new ToneCurve(1, 0.1, 0);

    /// @param ratio exposure of `more` against `less`, above 1
    /// @return empty when the photos differ in size or scene, by less than half a stop, or too few pixels lie between black and white in both
    public static Optional<ToneCurve> of(LightPlane less, LightPlane more, double ratio) {
        if (!(ratio >= LEAST_STEP) || less.width() != more.width() || less.height() != more.height()) {
            return Optional.empty();
        }
        // Pixels are chosen by the photo that shows them better, and means of many compared: choosing by the darker one would take what its noise lifted.
        double[][] levels = new double[LEVELS][3];
        double n = 0;
        for (int i = 0; i < more.light().length; i++) {
            float b = more.light()[i];
            if (b > DARKEST && b < BRIGHTEST) {
                double[] l = levels[(int) (Math.sqrt(b) * LEVELS)];
                l[0]++;
                l[1] += less.light()[i];
                l[2] += b;
                n++;
            }
        }
        if (n < LEAST_PIXELS) {
            return Optional.empty();
        }
        double step = Math.log(ratio);
        double[] parts = steps(levels, n / PARTS).map(s -> s / step).sorted().toArray();
        if (parts.length == 0) {
            return Optional.empty();
        }
        double power = (parts[parts.length / 2] + parts[(parts.length - 1) / 2]) / 2;
        if (!(power > LEAST_POWER && power < MOST_POWER)) {
            return Optional.empty();
        }
        double bend = parts[parts.length - 1] - parts[0];
        double unsure = parts.length < FEWEST_PARTS ? UNSEEN_BEND : bend;
        return Optional.of(new ToneCurve(power, Math.hypot(power * Math.sqrt(2) * EXPOSURE_SHARE / step, unsure / 4), bend));
    }

    /// By how much the logarithm of the light grows, in parts of about as many pixels from dark to bright.
    private static DoubleStream steps(double[][] levels, double pixels) {
        DoubleStream.Builder out = DoubleStream.builder();
        double[] sum = new double[3];
        for (double[] l : levels) {
            for (int k = 0; k < sum.length; k++) {
                sum[k] += l[k];
            }
            if (sum[0] >= pixels * 0.999) {
                // Noise that is cut off at black lifts the mean of what is nearly black.
                if (sum[1] / sum[0] > BLACK) {
                    out.add(Math.log(sum[2] / sum[1]));
                }
                sum = new double[3];
            }
        }
        return out.build();
    }

    /// Whether a power describes it at all.
    public boolean bent() {
        return bend > BENT;
    }

    /// True light of light that was read as sRGB.
    public double light(double read) {
        return Math.pow(Math.max(0, read), 1 / power);
    }
}
