package stillglass.sim;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.util.SplittableRandom;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;

/// Photographs a lens with hidden truth from the front: barrel, rims, lamp, faults at their apparent depth and size,
/// defocus, noise. Light is added up linearly and only then turned into picture values.
public final class InspectionCamera {
    private static final double SHARP_DEPTH_MM = 4;

    private InspectionCamera() {}

    /// Where the camera and lamp stand.
    /// @param width picture width in pixels
    /// @param centreX lens centre, share of the width
    /// @param centreY lens centre, share of the height
    /// @param radius radius of the front glass, share of the height
    /// @param focusDepthMm sharp plane behind the front vertex
    /// @param seed noise and unevenness
    public record Pose(
            int width, int height, double centreX, double centreY, double radius, double focusDepthMm, Lighting lighting, long seed) {
        /// A tidy inspection photo against the light.
        public static Pose usual(long seed) {
            return new Pose(1500, 1125, 0.5, 0.5, 0.43, 6, Lighting.AGAINST, seed);
        }
    }

    /// A photo and the truth about it.
    /// @param aperture true clear aperture
    /// @param mask levels of [FindingKind#maskLevel], row-major
    public record Shot(BufferedImage picture, Aperture aperture, byte[] mask) {
        @Override
        public boolean equals(Object o) {
            return o == this;
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(this);
        }
    }

    public static Shot photograph(LensSection lens, HiddenTruth truth, Pose pose) {
        SplittableRandom random = new SplittableRandom(pose.seed());
        int w = pose.width();
        int h = pose.height();
        double r = pose.radius() * h;
        Aperture aperture = new Aperture(pose.centreX() * w, pose.centreY() * h, r, r * (0.985 + 0.015 * random.nextDouble()), 0.3);
        float[] light = new float[w * h];
        float[] warm = new float[w * h];
        byte[] mask = new byte[w * h];
        boolean against = pose.lighting() == Lighting.AGAINST;
        barrel(light, w, h, aperture, against, random.split());
        glass(light, warm, w, h, aperture, lens, against, random.split());
        double rimMm = lens.surfaces().getFirst().semiDiameterMm();
        for (HiddenTruth.GlassFault f : truth.faults()) {
            Paraxial.Apparent seen = Paraxial.of(lens).apparentFromFront(f.surface());
            double scale = lens.surfaces().get(f.surface()).semiDiameterMm() * seen.magnification() / rimMm;
            double defocus = Math.min(5, Math.max(0, Math.abs(seen.depthMm() - pose.focusDepthMm()) - SHARP_DEPTH_MM) * 0.16 * r / 480);
            lay(light, mask, w, h, aperture, f, scale, defocus, against);
        }
        return new Shot(expose(light, warm, w, h, random.split()), aperture, mask);
    }

    private static void barrel(float[] light, int w, int h, Aperture a, boolean against, SplittableRandom random) {
        double phase = random.nextDouble() * 6;
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                double u = a.unitRadius(x, y);
                double angle = Math.atan2(y - a.cy(), x - a.cx());
                double sheen = 0.5 + 0.5 * Math.cos(2 * (angle - phase));
                double v;
                if (u > 1.34) {
                    v = against ? 0.012 + 0.006 * Math.sin(x * 0.004 + phase) : 0.62 + 0.05 * Math.sin(x * 0.002 + phase);
                } else if (u > 1.1) {
                    v = 0.035 + 0.05 * sheen * Math.pow(Math.max(0, Math.sin((u - 1.1) / 0.24 * Math.PI)), 3);
                } else {
                    v = 0.004 + (u > 1.03 && u < 1.05 ? 0.05 * sheen : 0);
                }
                light[y * w + x] = (float) v;
            }
        }
    }

    private static void glass(
            float[] light, float[] warm, int w, int h, Aperture a, LensSection lens, boolean against, SplittableRandom random) {
        double tilt = random.nextDouble() * 2 * Math.PI;
        double lampX = 0.35 * Math.cos(tilt);
        double lampY = 0.35 * Math.sin(tilt);
        for (int y = (int) Math.max(0, a.cy() - a.rx() - 2); y < Math.min(h, a.cy() + a.rx() + 2); y++) {
            for (int x = (int) Math.max(0, a.cx() - a.rx() - 2); x < Math.min(w, a.cx() + a.rx() + 2); x++) {
                double ux = a.unitX(x, y);
                double uy = a.unitY(x, y);
                double u = Math.hypot(ux, uy);
                double edge = Math.max(0, Math.min(1, (1 - u) * a.meanRadius() + 0.5));
                if (edge <= 0) {
                    continue;
                }
                double v = against
                        ? 0.016 + 0.010 * (ux * lampX + uy * lampY) + 0.006 * u * u
                        : 0.78 - 0.10 * u * u + 0.05 * (ux * lampX + uy * lampY);
                int at = y * w + x;
                light[at] = (float) (light[at] * (1 - edge) + v * edge);
                warm[at] = (float) (against ? -0.25 * edge : 0);
            }
        }
        rims(light, w, h, a, lens, against, tilt);
        if (against) {
            ghosts(light, w, h, a, tilt);
        }
    }

    /// Inner rims catch the lamp as thin arcs.
    private static void rims(float[] light, int w, int h, Aperture a, LensSection lens, boolean against, double tilt) {
        double rimMm = lens.surfaces().getFirst().semiDiameterMm();
        for (int k = 2; k < lens.stopIndex(); k++) {
            double scale = lens.surfaces().get(k).semiDiameterMm()
                    * Paraxial.of(lens).apparentFromFront(k).magnification() / rimMm;
            if (scale > 0.97) {
                continue;
            }
            for (int i = 0; i < 2600; i++) {
                double t = tilt - 0.8 + 1.6 * i / 2600;
                double strength = Math.pow(Math.cos(t - tilt), 4) * (against ? 0.02 : -0.08);
                int x = (int) Math.round(a.pixelX(scale * Math.cos(t), scale * Math.sin(t)));
                int y = (int) Math.round(a.pixelY(scale * Math.cos(t), scale * Math.sin(t)));
                if (x >= 0 && y >= 0 && x < w && y < h) {
                    light[y * w + x] += (float) (strength * 0.3);
                }
            }
        }
    }

    /// Weak, wide reflections of the lamp between surfaces.
    private static void ghosts(float[] light, int w, int h, Aperture a, double tilt) {
        for (int g = 0; g < 3; g++) {
            double gx = (0.2 - 0.33 * g) * Math.cos(tilt);
            double gy = (0.2 - 0.33 * g) * Math.sin(tilt);
            double size = 0.16 + 0.07 * g;
            for (int y = (int) Math.max(0, a.cy() - a.rx()); y < Math.min(h, a.cy() + a.rx()); y++) {
                for (int x = (int) Math.max(0, a.cx() - a.rx()); x < Math.min(w, a.cx() + a.rx()); x++) {
                    double dx = a.unitX(x, y) - gx;
                    double dy = a.unitY(x, y) - gy;
                    double q = (dx * dx + dy * dy) / (size * size);
                    if (q < 6 && a.unitRadius(x, y) < 0.99) {
                        light[y * w + x] += (float) (0.004 * Math.exp(-q));
                    }
                }
            }
        }
    }

    private static void lay(float[] light, byte[] mask, int w, int h, Aperture a,
            HiddenTruth.GlassFault f, double scale, double defocus, boolean against) {
        float[] layer = switch (f.kind()) {
            case FUNGUS -> drawn(w, h, g -> fungus(g, a, f, scale));
            case DUST -> drawn(w, h, g -> dust(g, a, f, scale));
            case SCRATCH -> drawn(w, h, g -> scratch(g, a, f, scale));
            default -> veil(w, h, a, f, scale);
        };
        float[] seen = f.kind() == FindingKind.HAZE ? layer : Blur.gaussian(layer, w, h, defocus);
        double glow = switch (f.kind()) {
            case FUNGUS -> 0.42;
            case DUST -> 0.5;
            case SCRATCH -> 0.35;
            default -> 1.0;
        };
        for (int i = 0; i < light.length; i++) {
            double s = seen[i];
            if (s <= 0) {
                continue;
            }
            light[i] += (float) (against ? glow * s : -light[i] * Math.min(0.85, f.kind() == FindingKind.HAZE ? s * 0.6 : s * 0.55));
            int level = f.kind().maskLevel();
            boolean marks = f.kind() == FindingKind.HAZE ? s > 0.03 && mask[i] == 0 : layer[i] > 0.25;
            if (marks && !(mask[i] == FindingKind.FUNGUS.maskLevel() && f.kind() != FindingKind.FUNGUS)) {
                mask[i] = (byte) level;
            }
        }
    }

    private static float[] drawn(int w, int h, java.util.function.Consumer<Graphics2D> draw) {
        BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.setColor(Color.WHITE);
        draw.accept(g);
        g.dispose();
        byte[] bytes = ((java.awt.image.DataBufferByte) image.getRaster().getDataBuffer()).getData();
        float[] out = new float[w * h];
        for (int i = 0; i < out.length; i++) {
            out[i] = (bytes[i] & 255) / 255f;
        }
        return out;
    }

    private static void fungus(Graphics2D g, Aperture a, HiddenTruth.GlassFault f, double scale) {
        for (FungusGrowth.Thread t : FungusGrowth.grow(f)) {
            g.setStroke(new BasicStroke((float) Math.max(0.8, t.width() * scale * a.meanRadius()), BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
            g.draw(new Line2D.Double(a.pixelX(t.x0() * scale, t.y0() * scale), a.pixelY(t.x0() * scale, t.y0() * scale),
                    a.pixelX(t.x1() * scale, t.y1() * scale), a.pixelY(t.x1() * scale, t.y1() * scale)));
        }
    }

    private static void dust(Graphics2D g, Aperture a, HiddenTruth.GlassFault f, double scale) {
        SplittableRandom random = new SplittableRandom(f.seed());
        int specks = (int) Math.round(f.amount());
        for (int i = 0; i < specks; i++) {
            double t = random.nextDouble() * 2 * Math.PI;
            double r = Math.sqrt(random.nextDouble()) * 0.93 * scale;
            double x = a.pixelX(r * Math.cos(t), r * Math.sin(t));
            double y = a.pixelY(r * Math.cos(t), r * Math.sin(t));
            double size = Math.max(1.3, a.meanRadius() * (0.0016 + 0.0035 * random.nextDouble() * random.nextDouble()));
            if (random.nextDouble() < 0.08) {
                double turn = random.nextDouble() * 6.3;
                Path2D lint = new Path2D.Double();
                lint.moveTo(x, y);
                double l = a.meanRadius() * (0.02 + 0.03 * random.nextDouble());
                lint.quadTo(x + l * 0.6 * Math.cos(turn), y + l * 0.6 * Math.sin(turn), x + l * Math.cos(turn + 0.7), y + l * Math.sin(turn + 0.7));
                g.setStroke(new BasicStroke((float) Math.max(1, a.meanRadius() * 0.002)));
                g.draw(lint);
            } else {
                g.fill(new Ellipse2D.Double(x - size, y - size, 2 * size, 2 * size * (0.6 + 0.4 * random.nextDouble())));
            }
        }
    }

    private static void scratch(Graphics2D g, Aperture a, HiddenTruth.GlassFault f, double scale) {
        SplittableRandom random = new SplittableRandom(f.seed());
        double turn = random.nextDouble() * Math.PI;
        double dx = f.size() * Math.cos(turn);
        double dy = f.size() * Math.sin(turn);
        g.setStroke(new BasicStroke((float) Math.max(1, a.meanRadius() * 0.003)));
        g.draw(new Line2D.Double(
                a.pixelX((f.x() - dx) * scale, (f.y() - dy) * scale), a.pixelY((f.x() - dx) * scale, (f.y() - dy) * scale),
                a.pixelX((f.x() + dx) * scale, (f.y() + dy) * scale), a.pixelY((f.x() + dx) * scale, (f.y() + dy) * scale)));
    }

    /// A veil that thickens towards the rim, slightly uneven.
    private static float[] veil(int w, int h, Aperture a, HiddenTruth.GlassFault f, double scale) {
        float[] out = new float[w * h];
        SplittableRandom random = new SplittableRandom(f.seed());
        double px = random.nextDouble() * 6;
        double py = random.nextDouble() * 6;
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                double u = a.unitRadius(x, y) / Math.max(0.6, Math.min(1, scale));
                if (a.unitRadius(x, y) < 0.995) {
                    double cloud = 1 + 0.18 * Math.sin(3 * a.unitX(x, y) + px) * Math.cos(2.5 * a.unitY(x, y) + py);
                    out[y * w + x] = (float) (f.amount() * cloud * (0.65 + 0.5 * Math.min(1, u) * Math.min(1, u)));
                }
            }
        }
        return out;
    }

    private static BufferedImage expose(float[] light, float[] warm, int w, int h, SplittableRandom random) {
        BufferedImage out = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int at = y * w + x;
                double l = Math.max(0, light[at]);
                double shot = Math.sqrt(l) * 0.006 + 0.0007;
                double tint = warm[at];
                int r = code(l * (1 + 0.5 * tint) + shot * random.nextGaussian());
                int g = code(l + shot * random.nextGaussian());
                int b = code(l * (1 - 0.10 * tint) + shot * random.nextGaussian());
                out.setRGB(x, y, r << 16 | g << 8 | b);
            }
        }
        return out;
    }

    private static int code(double linear) {
        double v = Math.max(0, Math.min(1, linear));
        double s = v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055;
        return (int) Math.round(255 * s);
    }
}
