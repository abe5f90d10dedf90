package stillglass.sim.proof;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.DoubleBinaryOperator;
import stillglass.assembly.Instrument;
import stillglass.device.PhotoCamera;
import stillglass.device.Source;
import stillglass.device.TorqueGauge;
import stillglass.optics.LensSection;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.optics.sharpness.SpotSurvey;
import stillglass.prove.measure.Bell;
import stillglass.prove.trace.Recorder;
import stillglass.prove.trace.Recording;
import stillglass.sim.photo.PictureCode;
import stillglass.sim.Bench;
import stillglass.sim.PngBytes;
import stillglass.ticket.TicketState;

/// Light sensor, microphone, torque gauge and cameras on the instrument as the work so far has left it.
public final class ProofDevices {
    /// Pixels of the chart camera, µm.
    public static final double PIXEL_UM = 20;
    private static final int RATE = 48_000;
    private static final int SHOTS = 3;
    private static final double PAUSE_S = 0.35;
    private static final double FLANK_S = 0.0008;
    private static final double TRAVEL_S = 0.0102;
    private static final double LIGHT = 0.6;
    private static final double NOISE = 0.006;
    /// From shot to shot.
    private static final double SCATTER = 0.012;
    private static final int CLICK_HZ = 5200;
    private static final double CLICK_S = 0.004;
    /// Between a click and the light.
    private static final double LATER_S = 0.0012;
    private static final int WIDE = 720;
    private static final int HIGH = 560;
    private static final double FRAME_W_MM = 36;
    private static final double FRAME_H_MM = 24;

    private ProofDevices() {}

    /// A torch before the shutter and a sensor behind it; two sensors where curtains run.
    public static Recorder light(TicketState state, Instrument instrument, long seed) {
        HiddenMechanism m = HiddenMechanism.of(state, instrument);
        return nominal -> {
            SplittableRandom random = new SplittableRandom(seed);
            double exposure = m.exposureS(nominal);
            int channels = m.focalPlane() ? 2 : 1;
            double uneven = m.worked() ? 0.02 : 0.35;
            double each = 2 * PAUSE_S + (Double.isNaN(exposure) ? 0 : exposure);
            float[][] out = new float[channels][(int) (RATE * SHOTS * each)];
            for (int c = 0; c < channels; c++) {
                double mean = exposure * Math.pow(2, (c - 0.5) * (channels - 1) * uneven);
                for (int i = 0; i < out[c].length; i++) {
                    double own = mean * (1 + SCATTER * ((int) (i / RATE / each) - 1));
                    double t = (double) i / RATE % each - PAUSE_S - c * TRAVEL_S;
                    double open = Math.clamp(t / FLANK_S + 0.5, 0, 1) * Math.clamp((own - t) / FLANK_S + 0.5, 0, 1);
                    double v = Double.isNaN(exposure) ? 0 : LIGHT * open * open * (3 - 2 * open);
                    out[c][i] = (float) (v + NOISE * random.nextGaussian());
                }
            }
            return Recording.of("light-sensor.wav", RATE, 1, out);
        };
    }

    /// A microphone beside the shutter.
    public static Recorder sound(TicketState state, Instrument instrument, long seed) {
        HiddenMechanism m = HiddenMechanism.of(state, instrument);
        return nominal -> {
            SplittableRandom random = new SplittableRandom(seed);
            double exposure = m.exposureS(nominal);
            double each = 2 * PAUSE_S + (Double.isNaN(exposure) ? 0 : exposure);
            float[] out = new float[(int) (RATE * SHOTS * each)];
            for (int i = 0; i < out.length; i++) {
                double t = (double) i / RATE % each - PAUSE_S;
                out[i] = (float) (click(t + LATER_S) + click(t + LATER_S - exposure) + NOISE / 3 * random.nextGaussian());
            }
            return Recording.of("microphone.wav", RATE, 1, out);
        };
    }

    private static double click(double t) {
        return t < 0 || Double.isNaN(t) ? 0 : 0.5 * Math.exp(-t / CLICK_S) * Math.sin(2 * Math.PI * CLICK_HZ * t);
    }

    /// A gauge on the focus: dry and uneven as it arrives, even once it is greased.
    public static TorqueGauge torque(TicketState state, Instrument instrument, long seed) {
        HiddenMechanism m = HiddenMechanism.of(state, instrument);
        SplittableRandom own = m.random(2);
        double mean = m.worked() ? own.nextDouble(28, 40) : own.nextDouble(60, 95);
        double uneven = m.worked() ? 0.05 : 0.22;
        double start = m.worked() ? 1.15 : 1.7;
        double phase = own.nextDouble(360);
        return () -> {
            SplittableRandom random = new SplittableRandom(seed);
            List<TorqueGauge.Turned> out = new ArrayList<>();
            for (int i = 0; i <= 260; i++) {
                double wave = 1 + uneven * Math.sin(Math.toRadians(i + phase)) + (m.worked() ? 0.02 : 0.08) * random.nextGaussian();
                out.add(new TorqueGauge.Turned(i, mean * wave * (i < 4 ? start : 1)));
            }
            return out;
        };
    }

    /// A camera that looks through the iris at a stop, always from one place.
    /// @param widest f-number at which the opening is round
    public static PhotoCamera iris(TicketState state, Instrument instrument, double widest, double stop, long seed) {
        HiddenMechanism m = HiddenMechanism.of(state, instrument);
        SplittableRandom own = m.random(3);
        int blades = own.nextInt(5, 9);
        int odd = own.nextInt(blades);
        double closed = Math.log(stop / widest) / Math.log(2);
        double off = m.worked() ? 0.03 : 0.22 * closed / 3;
        double rim = 0.43 * HIGH;
        double radius = rim * widest / stop * Math.pow(2, off / 2) * Math.sqrt(Math.PI / (blades * Math.tan(Math.PI / blades)));
        boolean round = stop <= widest;
        return () -> {
            SplittableRandom random = new SplittableRandom(seed);
            double turn = own.nextDouble(360.0 / blades);
            BufferedImage image = drawn(WIDE, HIGH, random, (x, y) -> {
                double dx = x - WIDE / 2.0 - 3.3;
                double dy = y - HIGH / 2.0 + 2.1;
                double inside = rim - Math.hypot(dx, dy);
                for (int b = 0; b < blades && !round; b++) {
                    double a = Math.toRadians(turn + 360.0 * b / blades);
                    double side = radius * (b == odd && !m.worked() ? 1.1 : 1);
                    inside = Math.min(inside, side - dx * Math.sin(a) + dy * Math.cos(a));
                }
                return 0.02 + 0.6 * (1 + 0.1 * dx / WIDE) * Math.clamp(inside + 0.5, 0, 1);
            });
            return new PhotoCamera.Picture("iris-f" + stop + ".png", PngBytes.of(image), Source.SIMULATED);
        };
    }

    /// A camera body behind the lens before a chart of slanted squares that fills the frame: spots of the section, and the error of infinity as it is now.
    public static PhotoCamera chart(TicketState state, LensSection section, Instrument instrument, long seed) {
        List<Double> fields = List.of(0.0, 0.35, 0.7, 1.0);
        LensSection built = AssemblyEffect.found(section, state.glass().assembly()).map(AssemblyEffect::asBuilt).orElse(section);
        SpotSurvey spots = SpotSurvey.of(built, section, fields);
        double defocusUm = 1000 * Math.abs(Bench.now(state, section, instrument).infinityErrorMm()) / section.fNumber();
        int w = (int) (1000 * FRAME_W_MM / PIXEL_UM);
        int h = (int) (1000 * FRAME_H_MM / PIXEL_UM);
        double half = Math.hypot(w, h) / 2;
        return () -> {
            SplittableRandom random = new SplittableRandom(seed);
            double side = 0.075 * w;
            double c = Math.cos(Math.toRadians(5));
            double s = Math.sin(Math.toRadians(5));
            BufferedImage image = drawn(w, h, random, (x, y) -> {
                double field = Math.min(1, Math.hypot(x - w / 2.0, y - h / 2.0) / half);
                int k = (int) Math.min(fields.size() - 2, field * (fields.size() - 1));
                double a = spots.rmsUm().get(k).orElse(40);
                double b = spots.rmsUm().get(k + 1).orElse(a);
                double spot = a + (field * (fields.size() - 1) - k) * (b - a);
                // A disc of diameter d has a standard deviation of d/4 along any line.
                double sigma = Math.sqrt(spot * spot / 2 + Math.pow(defocusUm / 4, 2)) / PIXEL_UM + 0.35;
                double mx = (Math.floor(x / w * 5) + 0.5) * w / 5.0 - x;
                double my = (Math.floor(y / h * 3) + 0.5) * h / 3.0 - y;
                double u = c * mx + s * my;
                double v = -s * mx + c * my;
                double in = (Bell.below((u + side) / sigma) - Bell.below((u - side) / sigma)) * (Bell.below((v + side) / sigma) - Bell.below((v - side) / sigma));
                return 0.62 - 0.55 * in;
            });
            return new PhotoCamera.Picture("chart.png", PngBytes.of(image), Source.SIMULATED);
        };
    }

    private static BufferedImage drawn(int w, int h, SplittableRandom random, DoubleBinaryOperator light) {
        BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                image.getRaster().setSample(x, y, 0, PictureCode.of(light.applyAsDouble(x, y) + 0.004 * random.nextGaussian()));
            }
        }
        return image;
    }
}
