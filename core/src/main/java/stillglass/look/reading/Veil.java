package stillglass.look.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import stillglass.look.ApertureMap;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;

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

    /// Blue over red of the light through the glass over that of the bright surroundings.
    OptionalDouble yellowing(LinearPhoto photo) {
        ApertureMap map = s.aperture.map();
        double[] sums = new double[4];
        for (int i = 0; i < photo.width() * photo.height(); i += 3) {
            double u = map.unitRadius(i % photo.width(), i / photo.width());
            double light = 0.2126 * photo.red(i) + 0.7152 * photo.green(i) + 0.0722 * photo.blue(i);
            if (u < 0.8) {
                sums[0] += photo.blue(i);
                sums[1] += photo.red(i);
            } else if (u > 1.15 && light > 0.6 * s.around && photo.red(i) < 0.98 && photo.blue(i) < 0.98) {
                sums[2] += photo.blue(i);
                sums[3] += photo.red(i);
            }
        }
        if (sums[1] <= 0 || sums[2] <= 0 || sums[3] <= 0) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(sums[0] / sums[1] / (sums[2] / sums[3]));
    }
}
