package stillglass.look.reading;

import boofcv.alg.filter.blur.BlurImageOps;
import boofcv.alg.filter.blur.GBlurImageOps;
import boofcv.struct.image.GrayF32;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import stillglass.look.Both;
import stillglass.look.LeastSquares;
import stillglass.look.Lighting;

/// What departs from clean glass, at three scales: fine structure, regions, colour.
final class Maps {
    private static final int N = GlassFrame.PIXELS;
    private static final int SIDE = GlassFrame.SIDE;
    /// Keeps logarithms of colour quiet in the dark.
    private static final float DARK = 0.006f;
    /// Structure narrower than twice this and one, pixels, is no region.
    private static final int THIN = 4;

    /// Scatters by which light may depart to the side that no fault departs to.
    private static final double OTHER_SIGN = 4;

    /// No map is taken to be quieter than this, shares of full exposure.
    static final double LEAST_SCATTER = 2e-4;

    final GlassFrame frame;
    final Lighting lighting;
    /// Blades of an iris closed down, if there are any.
    final Optional<IrisEdge.Found> iris;
    final float[] expected;
    /// Fine structure of the sign that faults have there, see [#sign], and its robust scatter.
    final float[] fine;
    private final double[] fineScatter;
    /// What fine structure stands out of: departure of the glass about it from clean glass, same sign.
    final float[] about;
    /// Regions of the sign that faults have, over clean glass; fine structure taken out.
    final float[] area;
    private final Scatter areaScatter;
    /// Departure of log(red/green) and log(blue/green) from the colour of clean glass.
    final float[] redTint;
    final float[] blueTint;
    final double tintScatter;
    /// Direction of the lines at a pixel, as cosine and sine of twice its angle, weighted by their strength.
    final float[] lineCos;
    final float[] lineSin;

    Maps(GlassFrame frame, Lighting lighting) {
        this.frame = frame;
        this.lighting = lighting;
        iris = IrisEdge.find(frame, lighting);
        iris.ifPresent(i -> frame.leaveOut(i.band().data));
        Both<float[], float[][]> smooth = Both.of(() -> clean(gaussian(frame.light, 2)), this::tints);
        expected = smooth.one();
        redTint = smooth.other()[0];
        blueTint = smooth.other()[1];
        float[] off = off(frame.light);
        Both<Fine, float[]> standing = Both.of(() -> lighting == Lighting.AGAINST ? againstTheLight(off) : beforeACard(), () -> level(gaussian(Morphology.opened(off, THIN), 2.5)));
        fine = standing.one().map;
        about = standing.one().about;
        fineScatter = standing.one().scatter;
        area = standing.other();
        areaScatter = scatter(area);
        tintScatter = Math.max(0.004, Math.hypot(scatter(redTint).lit, scatter(blueTint).lit));
        lineCos = new float[N];
        lineSin = new float[N];
        lines();
    }

    @SuppressWarnings("ArrayRecordComponent")
    private record Fine(float[] map, float[] about, double[] scatter) {}

    private Fine againstTheLight(float[] off) {
        float[] small = gaussian(withoutOtherSign(off), 0.9);
        float[] around = about(small);
        float[] map = bandPass(small, around);
        double[] scatter = new double[N];
        Arrays.fill(scatter, scatter(map).lit);
        return new Fine(map, around, scatter);
    }

    private Fine beforeACard() {
        float[] small = gaussian(frame.light, 0.9);
        float[] behind = Background.of(small);
        float[] around = off(behind);
        float[] map = bandPass(off(small), around);
        Grain grain = new Grain(map, behind, frame);
        double[] scatter = new double[N];
        for (int i = 0; i < N; i++) {
            scatter[i] = grain.at(behind[i]);
        }
        return new Fine(map, around, scatter);
    }

    /// How light departs from clean glass, of the sign that faults have there.
    private float[] off(float[] light) {
        float[] out = new float[N];
        for (int i = 0; i < N; i++) {
            out[i] = frame.r[i] < 1.0 ? sign(i) * (light[i] - expected[i]) : 0;
        }
        return out;
    }

    /// Robust scatter of a map where there is light behind the glass, and where it is dark.
    private record Scatter(double lit, double dark) {}

    /// Whether blades of an iris lie there.
    boolean blades(int at) {
        return iris.isPresent() && iris.get().blades().data[at] != 0;
    }

    /// Whether nothing lights the glass from behind there though something does elsewhere: on blades and walls before a card.
    boolean dark(int at) {
        return lighting == Lighting.BRIGHT && blades(at);
    }

    /// 1 where faults throw light to the camera that is not there without them, −1 where they keep light from it. Before a card they do both: what lies before black blades or walls is lit by the room.
    float sign(int at) {
        return lighting == Lighting.AGAINST || dark(at) ? 1 : -1;
    }

    /// Robust scatter of fine structure about a pixel.
    double fineScatter(int at) {
        return fineScatter[at];
    }

    /// The same of all of the glass as it is lit in this lighting.
    double fineScatter() {
        return scatter(fine).lit;
    }

    /// Robust scatter of regions about a pixel.
    double areaScatter(int at) {
        return dark(at) ? areaScatter.dark : areaScatter.lit;
    }

    /// A smooth surface under the glass, another under the blades.
    private float[] clean(float[] values) {
        if (iris.isEmpty()) {
            return CleanGlass.fit(values, frame).everywhere(frame);
        }
        byte[] blades = iris.get().blades().data;
        float[] open = CleanGlass.fit(values, frame, at -> blades[at] == 0).everywhere(frame);
        float[] covered = CleanGlass.fit(values, frame, at -> blades[at] != 0).everywhere(frame);
        for (int i = 0; i < N; i++) {
            open[i] = blades[i] != 0 ? covered[i] : open[i];
        }
        return open;
    }

    static float[] gaussian(float[] in, double sigma) {
        GrayF32 image = new GrayF32(SIDE, SIDE);
        System.arraycopy(in, 0, image.data, 0, N);
        return GBlurImageOps.gaussian(image, null, sigma, -1, null).data;
    }

    /// A wide blur by three running means, which come within 3 % of a Gaussian of that sigma at a fraction of its cost.
    /// Reference: W. M. Wells, IEEE PAMI 8 (1986).
    static float[] wide(float[] in, double sigma) {
        int radius = (int) Math.max(1, Math.round((Math.sqrt(4 * sigma * sigma + 1) - 1) / 2));
        GrayF32 image = new GrayF32(SIDE, SIDE);
        System.arraycopy(in, 0, image.data, 0, N);
        for (int pass = 0; pass < 3; pass++) {
            image = BlurImageOps.mean(image, null, radius, null, null);
        }
        return image.data;
    }

    /// Less its median inside the rim, lit and dark parts each their own: an opening lowers noise everywhere.
    private float[] level(float[] map) {
        float lit = (float) middle(map, 41, false, false);
        float dark = (float) middle(map, 41, true, false);
        for (int i = 0; i < N; i++) {
            map[i] = frame.r[i] < 1 ? map[i] - (dark(i) ? dark : lit) : 0;
        }
        return map;
    }

    /// What is of no fault's sign is cut short: its blur would stand around it as a ring.
    private float[] withoutOtherSign(float[] off) {
        float least = (float) (-OTHER_SIGN * scatter(off).lit);
        float[] out = new float[N];
        for (int i = 0; i < N; i++) {
            out[i] = Math.max(off[i], least);
        }
        return out;
    }

    /// A wide blur that forgets what stands far out, so that bright threads have no dark seam.
    private float[] about(float[] small) {
        float[] first = wide(small, 11);
        float[] rest = new float[N];
        for (int i = 0; i < N; i++) {
            rest[i] = small[i] - first[i];
        }
        double limit = 2.5 * scatter(rest).lit;
        float[] calm = new float[N];
        for (int i = 0; i < N; i++) {
            calm[i] = Math.abs(rest[i]) > limit ? first[i] : small[i];
        }
        return wide(calm, 11);
    }

    /// A small blur less a wide one, or less the median about it.
    private float[] bandPass(float[] small, float[] about) {
        float[] out = new float[N];
        for (int i = 0; i < N; i++) {
            out[i] = frame.r[i] < 0.985 ? small[i] - about[i] : 0;
        }
        return out;
    }

    private Scatter scatter(float[] map) {
        double lit = Math.max(LEAST_SCATTER, 1.4826 * middle(map, 37, false, true));
        boolean any = lighting == Lighting.BRIGHT && iris.isPresent();
        return new Scatter(lit, any ? Math.max(LEAST_SCATTER, 1.4826 * middle(map, 37, true, true)) : lit);
    }

    /// Median inside the rim of lit or of dark parts, 0 where there are none.
    /// @param every of so many pixels one is looked at
    /// @param size of what departs, whichever way
    private double middle(float[] map, int every, boolean dark, boolean size) {
        double[] sample = new double[N / every + 1];
        int n = 0;
        for (int i = 0; i < N; i += every) {
            if (frame.r[i] < 0.94 && dark(i) == dark) {
                sample[n++] = size ? Math.abs(map[i]) : map[i];
            }
        }
        return n == 0 ? 0 : LeastSquares.median(Arrays.copyOf(sample, n));
    }

    private float[][] tints() {
        float[] green = gaussian(frame.green, 3.5);
        return Stream.of(frame.red, frame.blue).parallel().map(colour -> tint(colour, green)).toArray(float[][]::new);
    }

    /// @param green blurred already
    private float[] tint(float[] colour, float[] green) {
        float[] log = gaussian(colour, 3.5);
        for (int i = 0; i < N; i++) {
            log[i] = (float) Math.log((log[i] + DARK) / (green[i] + DARK));
        }
        float[] usual = clean(log);
        for (int i = 0; i < N; i++) {
            log[i] = frame.r[i] < 0.985 ? log[i] - usual[i] : 0;
        }
        return log;
    }

    /// Structure tensor of the fine map at a scale of a few pixels: lines run across its strongest gradient.
    private void lines() {
        float[] xx = new float[N];
        float[] xy = new float[N];
        float[] yy = new float[N];
        IntStream.range(1, SIDE - 1).parallel().forEach(j -> {
            for (int i = 1; i < SIDE - 1; i++) {
                int at = j * SIDE + i;
                float gx = fine[at + 1] - fine[at - 1];
                float gy = fine[at + SIDE] - fine[at - SIDE];
                xx[at] = gx * gx;
                xy[at] = gx * gy;
                yy[at] = gy * gy;
            }
        });
        float[] sxx = gaussian(xx, 1.6);
        float[] sxy = gaussian(xy, 1.6);
        float[] syy = gaussian(yy, 1.6);
        for (int i = 0; i < N; i++) {
            // The gradient's doubled angle has cosine (xx-yy) and sine 2xy; a line is perpendicular to it. Up is positive outside here.
            double size = sxx[i] + syy[i] + 1e-12;
            lineCos[i] = (float) (-(sxx[i] - syy[i]) / size);
            lineSin[i] = (float) (2 * sxy[i] / size);
        }
    }

    /// Departure of colour at a pixel, log units.
    double tint(int at) {
        return Math.sqrt((double) redTint[at] * redTint[at] + (double) blueTint[at] * blueTint[at]);
    }
}
