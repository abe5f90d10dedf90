package stillglass.look.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.look.ApertureMap;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.ThroughColour;

/// Scattered light over the glass, relative to a reference, and the tint of light that came through.
final class Veil {
    private final Survey s;
    private final double reference;
    private final boolean surroundings;

    /// @param lampFrame linear light of the bare lamp
    Veil(Survey s, OptionalDouble lampFrame) {
        this.s = s;
        surroundings = lampFrame.isEmpty() && (s.lighting() == Lighting.BRIGHT || s.around > 0.5);
        reference = lampFrame.orElse(surroundings ? Math.max(0.05, s.around) : 1);
    }

    boolean relativeToSurroundings() {
        return surroundings;
    }

    /// Light that is the reference's whole.
    double reference() {
        return reference;
    }

    /// Veil under a pixel of the frame, 0 to 1; none on the blades of an iris, which have a light of their own.
    double at(int pixel) {
        if (s.maps.blades(pixel)) {
            return 0;
        }
        double v = s.maps.expected[pixel] / reference;
        return Math.clamp(s.lighting() == Lighting.AGAINST ? v : 1 - v, 0, 1);
    }

    double mean() {
        double sum = 0;
        int n = 0;
        for (int i = 0; i < GlassFrame.PIXELS; i += 5) {
            if (s.maps.frame.r[i] < 0.97 && !s.maps.blades(i)) {
                sum += at(i);
                n++;
            }
        }
        return n == 0 ? 0 : sum / n;
    }

    List<Double> sectors() {
        double[] sum = new double[32];
        int[] n = new int[32];
        for (int i = 0; i < GlassFrame.PIXELS; i += 3) {
            double r = s.maps.frame.r[i];
            if (r < 0.95 && !s.maps.blades(i)) {
                int ring = Math.min(3, (int) (4 * r * r / 0.9025));
                double turn = Math.atan2(GlassFrame.x(i), GlassFrame.y(i)) / (2 * Math.PI) + 1;
                int sector = ring * 8 + (int) (turn * 8) % 8;
                sum[sector] += s.maps.frame.light[i];
                n[sector]++;
            }
        }
        List<Double> veils = new ArrayList<>();
        for (int i = 0; i < sum.length; i++) {
            veils.add(n[i] == 0 ? 0.0 : Math.min(1, sum[i] / n[i] / reference));
        }
        return veils;
    }

    /// Directions about the middle in which colours are compared.
    private static final int WAYS = 8;
    private static final double INSIDE = 0.8;
    private static final double OUTSIDE = 1.15;
    /// From here on a channel may be clipped.
    private static final double FULL = 0.98;
    private static final double STUDENT = 2.36;
    /// Share of the card's brightness from which something beside the glass is card.
    private static final double CARD = 0.6;

    /// Light kept colour by colour, against the bright surroundings in the same direction.
    /// @return nothing where too little of the card is seen beside the glass
    Optional<ThroughColour> through(LinearPhoto photo) {
        ApertureMap map = s.aperture.map();
        double[][] in = new double[WAYS][4];
        double[][] out = new double[WAYS][4];
        for (int i = 0; i < photo.width() * photo.height(); i += 3) {
            int x = i % photo.width();
            int y = i / photo.width();
            double u = map.unitRadius(x, y);
            int way = (int) (WAYS * (Math.atan2(map.unitY(x, y), map.unitX(x, y)) / (2 * Math.PI) + 1)) % WAYS;
            double light = 0.2126 * photo.red(i) + 0.7152 * photo.green(i) + 0.0722 * photo.blue(i);
            boolean full = photo.red(i) >= FULL || photo.green(i) >= FULL || photo.blue(i) >= FULL;
            if (u < INSIDE && !full) {
                add(in[way], photo, i);
            } else if (u > OUTSIDE && !full && light > CARD * s.around) {
                add(out[way], photo, i);
            }
        }
        List<double[]> lost = new ArrayList<>();
        double least = Arrays.stream(in).mapToDouble(a -> a[3]).max().orElse(0) / 20;
        for (int way = 0; way < WAYS; way++) {
            if (in[way][3] > least && out[way][3] > least && Math.min(in[way][0], in[way][2]) > 0) {
                lost.add(new double[] {stops(out[way], in[way], 0), stops(out[way], in[way], 1), stops(out[way], in[way], 2)});
            }
        }
        if (lost.size() < WAYS / 2) {
            return Optional.empty();
        }
        double[] mean = new double[3];
        for (int c = 0; c < 3; c++) {
            int channel = c;
            mean[c] = lost.stream().mapToDouble(l -> l[channel]).average().orElse(0);
        }
        double sum = lost.stream().mapToDouble(l -> Math.pow(l[2] - l[0] - mean[2] + mean[0], 2)).sum();
        double error = STUDENT * Math.sqrt(sum / (lost.size() - 1) / lost.size());
        return Optional.of(new ThroughColour(mean[0], mean[1], mean[2], Math.hypot(Math.hypot(error, EVEN), CURVES * (mean[2] - mean[0]))));
    }

    /// Share by which tone curves and saturation of cameras stretch or shrink a difference of colours.
    private static final double CURVES = 0.1;
    /// Steps of eight bits and colours of a clean coating, stops.
    private static final double EVEN = 0.03;

    private static void add(double[] to, LinearPhoto photo, int at) {
        to[0] += photo.red(at);
        to[1] += photo.green(at);
        to[2] += photo.blue(at);
        to[3]++;
    }

    private static double stops(double[] beside, double[] through, int channel) {
        return Math.log(beside[channel] / beside[3] / (through[channel] / through[3])) / Math.log(2);
    }
}
