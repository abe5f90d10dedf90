package stillglass.look.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.look.LeastSquares;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.say.Said;

/// Whether a photo is good enough to grade, and how to take a better one.
final class PhotoQuality {
    /// Robust scatter of fine structure over the light of the glass, beyond which its whole face is textured as no glass is.
    private static final double TEXTURED = 0.10;
    /// The same of full exposure, below which a glass in a bad state may be as textured: dark, noisy, rubbed or specked all over.
    private static final double PLAIN = 0.03;
    private static final double CLIPPED = 0.05;
    private static final double LEAST_IN_PHOTO = 0.98;
    private static final double SMALL = 0.2;
    /// Chance of the likeliest rim of a usual mount under which this is no photo of a lens: on 450 photos of lenses, of either renderer, it was 0.23 at least.
    private static final double NO_RIM = 0.2;
    /// Chance of a rim under which another ring may as well be it.
    private static final double UNSURE = 0.5;
    private static final double LEANING = 0.93;

    private PhotoQuality() {}

    /// Whether what is inside the ring is more like something else, so that another ring is tried.
    static boolean doubtful(Survey s) {
        return texture(s) > TEXTURED || cut(s);
    }

    /// Whether no ring of the photo lies as a rim does.
    static boolean noRim(Survey s) {
        return s.lens < NO_RIM;
    }

    /// Why this is no photo of a glass, or nothing.
    /// @param byHand the aperture was set by hand: somebody saw a glass
    static Optional<Said> refusal(Survey s, boolean byHand) {
        if (noRim(s)) {
            return Optional.of(Said.of("photo.no-rim", "percent", 100 * s.lens));
        }
        double texture = texture(s);
        if (!byHand && texture > TEXTURED && s.maps.fineScatter() > PLAIN) {
            return Optional.of(Said.of("photo.textured", "percent", 100 * texture));
        }
        if (cut(s)) {
            return Optional.of(Said.of("photo.cut", "percent", 100 * s.maps.frame.inPhoto));
        }
        return Optional.empty();
    }

    private static boolean cut(Survey s) {
        return s.maps.frame.inPhoto < 0.5;
    }

    static double texture(Survey s) {
        return s.maps.fineScatter() / (0.05 + s.inside);
    }

    static List<Said> remarks(Survey s, LinearPhoto photo) {
        List<Said> out = new ArrayList<>();
        int clipped = 0;
        int dark = 0;
        int n = 0;
        for (int i = 0; i < GlassFrame.PIXELS; i += 7) {
            if (s.maps.frame.r[i] < 0.97) {
                n++;
                clipped += s.maps.frame.light[i] > 0.98 ? 1 : 0;
                dark += s.maps.frame.light[i] < 0.0012 ? 1 : 0;
            }
        }
        if (clipped > CLIPPED * n) {
            out.add(Said.of("photo.clipped", "percent", 100 * CLIPPED));
        }
        if (dark > n / 2) {
            out.add(Said.of("photo.dark"));
        }
        // Either asks to look at the ring: once is enough.
        if (texture(s) > TEXTURED) {
            out.add(Said.of("photo.textured.perhaps", "percent", 100 * texture(s)));
        } else if (s.rimChance < UNSURE) {
            out.add(Said.of("photo.rim-unsure", "percent", 100 * s.rimChance));
        }
        if (s.maps.frame.inPhoto < LEAST_IN_PHOTO) {
            out.add(Said.of("photo.outside", "percent", 100 - 100 * s.maps.frame.inPhoto));
        }
        if (s.aperture.meanRadius() < SMALL * Math.min(photo.width(), photo.height())) {
            out.add(Said.of("photo.small"));
        }
        double leaning = Math.min(s.aperture.rx(), s.aperture.ry()) / Math.max(s.aperture.rx(), s.aperture.ry());
        if (leaning < LEANING) {
            out.add(Said.of("photo.leaning", "degrees", Math.toDegrees(Math.acos(leaning))));
        }
        double hidden = blades(s);
        if (hidden > 0) {
            out.add(Said.of(s.lighting() == Lighting.BRIGHT ? "photo.iris.bright" : "photo.iris", "percent", 100 * hidden));
        }
        double rise = rimWidth(s);
        if (rise > 0.05) {
            out.add(Said.of("photo.soft", "percent", 100 * rise));
        }
        return out;
    }

    /// Share of the glass on which there are blades.
    private static double blades(Survey s) {
        int covered = 0;
        int glass = 0;
        for (int i = 0; i < GlassFrame.PIXELS; i += 7) {
            if (s.maps.frame.r[i] < 0.97) {
                glass++;
                covered += s.maps.blades(i) ? 1 : 0;
            }
        }
        return covered / (double) Math.max(1, glass);
    }

    /// Median width over which light changes at the rim, radii: from a fifth to four fifths of the step.
    private static double rimWidth(Survey s) {
        double[] widths = new double[72];
        int n = 0;
        for (int k = 0; k < widths.length; k++) {
            double phi = 2 * Math.PI * k / widths.length;
            double inside = light(s, 0.90, phi);
            double outside = light(s, 1.10, phi);
            double step = outside - inside;
            if (Math.abs(step) < 0.02) {
                continue;
            }
            double from = 0;
            double to = 0;
            for (double r = 0.90; r <= 1.10; r += 0.0028) {
                double share = (light(s, r, phi) - inside) / step;
                from = share < 0.2 ? r : from;
                to = to == 0 && share > 0.8 ? r : to;
            }
            widths[n++] = Math.max(0, to - from);
        }
        return n < 20 ? 0 : LeastSquares.median(java.util.Arrays.copyOf(widths, n));
    }

    private static double light(Survey s, double r, double phi) {
        return s.maps.frame.light[GlassFrame.at(r * Math.cos(phi), r * Math.sin(phi))];
    }
}
