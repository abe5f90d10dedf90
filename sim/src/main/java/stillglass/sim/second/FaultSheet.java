package stillglass.sim.second;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Arc2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Random;
import stillglass.look.FindingKind;

/// One fault drawn on a sheet of its surface, and what it does to light.
///
/// @param plane index of the glass plane it lies on
/// @param stops share of the light it takes, for each colour
/// @param sends share of the lamp's light it throws at the camera, for each colour
final class FaultSheet {
    static final int SIZE = 760;
    private static final double PIXELS = SIZE / 2.0;

    final FindingKind kind;
    final int plane;
    final float[] stops;
    final float[] sends;
    private final byte[] cover = new byte[SIZE * SIZE];

    private FaultSheet(FindingKind kind, int plane, float[] stops, float[] sends, BufferedImage drawn) {
        this.kind = kind;
        this.plane = plane;
        this.stops = stops;
        this.sends = sends;
        int[] line = new int[SIZE];
        for (int y = 0; y < SIZE; y++) {
            drawn.getRaster().getSamples(0, y, SIZE, 1, 0, line);
            for (int x = 0; x < SIZE; x++) {
                cover[y * SIZE + x] = (byte) line[x];
            }
        }
    }

    /// How much of a point is covered, 0 to 1.
    /// @param x right, clear radii
    /// @param y up
    double at(double x, double y) {
        double px = (x + 1) * PIXELS - 0.5;
        double py = (1 - y) * PIXELS - 0.5;
        int i = (int) Math.floor(px);
        int j = (int) Math.floor(py);
        if (i < 0 || j < 0 || i + 1 >= SIZE || j + 1 >= SIZE) {
            return 0;
        }
        double fx = px - i;
        double fy = py - j;
        double top = (1 - fx) * (cover[j * SIZE + i] & 255) + fx * (cover[j * SIZE + i + 1] & 255);
        double low = (1 - fx) * (cover[(j + 1) * SIZE + i] & 255) + fx * (cover[(j + 1) * SIZE + i + 1] & 255);
        return ((1 - fy) * top + fy * low) / 255;
    }

    /// @param planes of the lens, the iris not among them
    static FaultSheet of(FindingKind kind, int planes, Random r) {
        BufferedImage sheet = new BufferedImage(SIZE, SIZE, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = sheet.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        AffineTransform units = AffineTransform.getTranslateInstance(PIXELS, PIXELS);
        units.scale(PIXELS, -PIXELS);
        g.transform(units);
        g.setColor(Color.WHITE);
        int any = r.nextInt(planes);
        FaultSheet made = switch (kind) {
            case DUST -> dust(g, sheet, any, r);
            case FUNGUS -> fungus(g, sheet, any, r);
            case HAZE -> haze(g, sheet, any, r);
            case OIL -> oil(g, sheet, any, r);
            case SCRATCH -> scratch(g, sheet, r.nextInt(3) == 0 ? planes - 1 : 0, r);
            case CLEANING_MARKS -> rubbed(g, sheet, 0, r);
            case SEPARATION -> separated(g, sheet, Math.max(1, any), r);
            case BUBBLE -> bubbles(g, sheet, any, r);
            case EDGE_PAINT -> paint(g, sheet, 0, r);
            case CHIP -> chip(g, sheet, 0, r);
            case COATING -> coating(g, sheet, any, r);
            case UNKNOWN -> throw new IllegalArgumentException("unknown is not drawn");
        };
        g.dispose();
        return made;
    }

    private static float[] grey(double v) {
        return new float[] {(float) v, (float) v, (float) v};
    }

    private static void shade(Graphics2D g, double v) {
        int level = (int) Math.clamp(255 * v, 0, 255);
        g.setColor(new Color(level, level, level));
    }

    private static double[] place(Random r, double most) {
        double d = most * Math.sqrt(r.nextDouble());
        double a = 2 * Math.PI * r.nextDouble();
        return new double[] {d * Math.cos(a), d * Math.sin(a)};
    }

    private static FaultSheet dust(Graphics2D g, BufferedImage sheet, int plane, Random r) {
        int count = 30 + r.nextInt(140);
        for (int i = 0; i < count; i++) {
            double[] p = place(r, 0.97);
            double size = 0.003 + 0.009 * Math.pow(r.nextDouble(), 3);
            shade(g, 0.5 + 0.5 * r.nextDouble());
            if (r.nextInt(9) == 0) {
                // A fibre.
                Path2D fibre = new Path2D.Double();
                double a = 2 * Math.PI * r.nextDouble();
                fibre.moveTo(p[0], p[1]);
                fibre.curveTo(p[0] + 0.04 * Math.cos(a), p[1] + 0.04 * Math.sin(a), p[0] + 0.07 * Math.cos(a + 0.9), p[1] + 0.07 * Math.sin(a + 0.9), p[0] + 0.1 * Math.cos(a + 1.6 * r.nextDouble()), p[1] + 0.1 * Math.sin(a));
                g.setStroke(new BasicStroke(0.004f));
                g.draw(fibre);
            } else {
                Path2D grain = new Path2D.Double();
                int corners = 5 + r.nextInt(4);
                for (int k = 0; k < corners; k++) {
                    double a = 2 * Math.PI * k / corners;
                    double rr = size * (0.6 + 0.7 * r.nextDouble());
                    if (k == 0) {
                        grain.moveTo(p[0] + rr * Math.cos(a), p[1] + rr * Math.sin(a));
                    } else {
                        grain.lineTo(p[0] + rr * Math.cos(a), p[1] + rr * Math.sin(a));
                    }
                }
                grain.closePath();
                g.fill(grain);
            }
        }
        return new FaultSheet(FindingKind.DUST, plane, grey(0.7), grey(0.5), sheet);
    }

    /// Threads that put out side threads at angles, thinning from one generation to the next.
    private static FaultSheet fungus(Graphics2D g, BufferedImage sheet, int plane, Random r) {
        record Thread(double x, double y, double way, double width, int generation) {}
        int colonies = 1 + r.nextInt(4);
        for (int c = 0; c < colonies; c++) {
            boolean rim = r.nextBoolean();
            double[] seed = rim ? onRim(r) : place(r, 0.7);
            double reach = 0.12 + 0.3 * r.nextDouble();
            Deque<Thread> tips = new ArrayDeque<>();
            int first = 5 + r.nextInt(6);
            for (int i = 0; i < first; i++) {
                double way = rim ? Math.atan2(-seed[1], -seed[0]) + 1.3 * (r.nextDouble() - 0.5) * 2 : 2 * Math.PI * (i + r.nextDouble()) / first;
                tips.add(new Thread(seed[0], seed[1], way, 0.0045 + 0.003 * r.nextDouble(), 0));
            }
            int drawn = 0;
            while (!tips.isEmpty() && drawn < 700) {
                Thread t = tips.poll();
                double way = t.way;
                double x = t.x;
                double y = t.y;
                int steps = (int) (reach / 0.012 * (0.4 + 0.6 * r.nextDouble()) / (1 + 0.6 * t.generation));
                Path2D p = new Path2D.Double();
                p.moveTo(x, y);
                for (int s = 0; s < steps; s++) {
                    way += 0.28 * r.nextGaussian();
                    x += 0.012 * Math.cos(way);
                    y += 0.012 * Math.sin(way);
                    p.lineTo(x, y);
                    if (t.generation < 3 && r.nextDouble() < 0.13) {
                        tips.add(new Thread(x, y, way + (r.nextBoolean() ? 1 : -1) * (0.5 + 0.5 * r.nextDouble()), t.width * 0.75, t.generation + 1));
                    }
                }
                shade(g, 0.9 - 0.12 * t.generation);
                g.setStroke(new BasicStroke((float) Math.max(0.0018, t.width), BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
                g.draw(p);
                drawn++;
            }
        }
        return new FaultSheet(FindingKind.FUNGUS, plane, grey(0.5 + 0.3 * r.nextDouble()), grey(0.25 + 0.35 * r.nextDouble()), sheet);
    }

    private static double[] onRim(Random r) {
        double a = 2 * Math.PI * r.nextDouble();
        return new double[] {0.97 * Math.cos(a), 0.97 * Math.sin(a)};
    }

    private static FaultSheet haze(Graphics2D g, BufferedImage sheet, int plane, Random r) {
        double middle = 0.3 + 0.5 * r.nextDouble();
        double tilt = r.nextDouble() * 0.5;
        double a = 2 * Math.PI * r.nextDouble();
        double ring = r.nextInt(3) == 0 ? 0.4 : 0;
        int[] level = new int[1];
        for (int j = 0; j < SIZE; j++) {
            for (int i = 0; i < SIZE; i++) {
                double x = i / PIXELS - 1;
                double y = 1 - j / PIXELS;
                double v = middle + tilt * 0.5 * (x * Math.cos(a) + y * Math.sin(a)) + ring * (x * x + y * y - 0.4) + 0.06 * Math.sin(5 * x + 3 * Math.sin(4 * y + a));
                level[0] = (int) Math.clamp(255 * v, 0, 255);
                sheet.getRaster().setPixel(i, j, level);
            }
        }
        double strength = 0.05 + 0.3 * r.nextDouble();
        return new FaultSheet(FindingKind.HAZE, plane, grey(0.25 * strength), grey(0.6 * strength), sheet);
    }

    private static FaultSheet oil(Graphics2D g, BufferedImage sheet, int plane, Random r) {
        int pools = 1 + r.nextInt(5);
        for (int k = 0; k < pools; k++) {
            double[] p = r.nextInt(3) == 0 ? onRim(r) : place(r, 0.85);
            double size = 0.05 + 0.16 * r.nextDouble();
            Path2D pool = blob(p, size, 0.25, r);
            shade(g, 0.35);
            g.fill(pool);
            shade(g, 1);
            g.setStroke(new BasicStroke((float) (0.006 + 0.006 * r.nextDouble())));
            g.draw(pool);
            int drops = r.nextInt(14);
            for (int d = 0; d < drops; d++) {
                double s = 0.008 + 0.02 * r.nextDouble();
                double x = p[0] + 2 * size * r.nextGaussian();
                double y = p[1] + 2 * size * r.nextGaussian();
                shade(g, 0.35);
                g.fill(new Ellipse2D.Double(x - s, y - s, 2 * s, 2 * s));
                shade(g, 0.9);
                g.setStroke(new BasicStroke(0.004f));
                g.draw(new Ellipse2D.Double(x - s, y - s, 2 * s, 2 * s));
            }
        }
        return new FaultSheet(FindingKind.OIL, plane, new float[] {0.2f, 0.24f, 0.34f}, new float[] {0.3f, 0.27f, 0.2f}, sheet);
    }

    /// A closed curve of smooth bulges.
    private static Path2D blob(double[] p, double size, double rough, Random r) {
        double[] wave = new double[6];
        double[] phase = new double[6];
        for (int k = 0; k < wave.length; k++) {
            wave[k] = rough * r.nextGaussian() / (k + 1);
            phase[k] = 2 * Math.PI * r.nextDouble();
        }
        Path2D out = new Path2D.Double();
        for (int i = 0; i <= 90; i++) {
            double a = 2 * Math.PI * i / 90;
            double rr = 1;
            for (int k = 0; k < wave.length; k++) {
                rr += wave[k] * Math.cos((k + 1) * a + phase[k]);
            }
            double x = p[0] + size * Math.max(0.2, rr) * Math.cos(a);
            double y = p[1] + size * Math.max(0.2, rr) * Math.sin(a);
            if (i == 0) {
                out.moveTo(x, y);
            } else {
                out.lineTo(x, y);
            }
        }
        out.closePath();
        return out;
    }

    private static FaultSheet scratch(Graphics2D g, BufferedImage sheet, int plane, Random r) {
        int count = 1 + r.nextInt(4);
        for (int k = 0; k < count; k++) {
            double[] p = place(r, 0.8);
            double a = 2 * Math.PI * r.nextDouble();
            double length = 0.2 + 0.9 * r.nextDouble();
            double bow = 0.15 * r.nextGaussian();
            Path2D line = new Path2D.Double();
            line.moveTo(p[0] - length / 2 * Math.cos(a), p[1] - length / 2 * Math.sin(a));
            line.quadTo(p[0] - bow * Math.sin(a), p[1] + bow * Math.cos(a), p[0] + length / 2 * Math.cos(a), p[1] + length / 2 * Math.sin(a));
            shade(g, 0.6 + 0.4 * r.nextDouble());
            g.setStroke(new BasicStroke((float) (0.003 + 0.004 * r.nextDouble())));
            g.draw(line);
        }
        return new FaultSheet(FindingKind.SCRATCH, plane, grey(0.55), grey(0.6), sheet);
    }

    private static FaultSheet rubbed(Graphics2D g, BufferedImage sheet, int plane, Random r) {
        double[] middle = place(r, 0.35);
        int strokes = 90 + r.nextInt(160);
        double widest = 0.4 + 0.5 * r.nextDouble();
        for (int k = 0; k < strokes; k++) {
            double radius = widest * Math.sqrt(r.nextDouble());
            double from = 360 * r.nextDouble();
            shade(g, 0.25 + 0.5 * r.nextDouble());
            g.setStroke(new BasicStroke((float) (0.0018 + 0.0012 * r.nextDouble())));
            g.draw(new Arc2D.Double(middle[0] - radius, middle[1] - radius, 2 * radius, 2 * radius, from, 20 + 70 * r.nextDouble(), Arc2D.OPEN));
        }
        return new FaultSheet(FindingKind.CLEANING_MARKS, plane, grey(0.25), grey(0.4), sheet);
    }

    private static FaultSheet separated(Graphics2D g, BufferedImage sheet, int plane, Random r) {
        int bites = 1 + r.nextInt(3);
        for (int k = 0; k < bites; k++) {
            double a = 2 * Math.PI * r.nextDouble();
            double d = 0.9 + 0.15 * r.nextDouble();
            Path2D bite = blob(new double[] {d * Math.cos(a), d * Math.sin(a)}, 0.12 + 0.3 * r.nextDouble(), 0.2, r);
            shade(g, 0.45);
            g.fill(bite);
            for (int ring = 0; ring < 3; ring++) {
                shade(g, 0.9 - 0.2 * ring);
                g.setStroke(new BasicStroke(0.009f));
                AffineTransform in = AffineTransform.getTranslateInstance(d * Math.cos(a), d * Math.sin(a));
                in.scale(1 - 0.13 * ring, 1 - 0.13 * ring);
                in.translate(-d * Math.cos(a), -d * Math.sin(a));
                g.draw(in.createTransformedShape(bite));
            }
        }
        return new FaultSheet(FindingKind.SEPARATION, plane, new float[] {0.22f, 0.3f, 0.42f}, new float[] {0.4f, 0.34f, 0.24f}, sheet);
    }

    private static FaultSheet bubbles(Graphics2D g, BufferedImage sheet, int plane, Random r) {
        int count = 1 + r.nextInt(3);
        for (int k = 0; k < count; k++) {
            double[] p = place(r, 0.85);
            double s = 0.012 + 0.02 * r.nextDouble();
            shade(g, 1);
            g.fill(new Ellipse2D.Double(p[0] - s, p[1] - s, 2 * s, 2 * s));
            shade(g, 0.1);
            g.fill(new Ellipse2D.Double(p[0] - 0.5 * s, p[1] - 0.5 * s, s, s));
        }
        return new FaultSheet(FindingKind.BUBBLE, plane, grey(0.85), grey(0.7), sheet);
    }

    private static FaultSheet paint(Graphics2D g, BufferedImage sheet, int plane, Random r) {
        int flakes = 1 + r.nextInt(6);
        for (int k = 0; k < flakes; k++) {
            double from = 360 * r.nextDouble();
            double degrees = 6 + 45 * r.nextDouble();
            double radius = 0.972 + 0.012 * r.nextDouble();
            shade(g, 0.7 + 0.3 * r.nextDouble());
            g.setStroke(new BasicStroke((float) (0.012 + 0.016 * r.nextDouble()), BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 1, new float[] {0.03f, 0.006f, 0.05f, 0.01f}, (float) r.nextDouble()));
            g.draw(new Arc2D.Double(-radius, -radius, 2 * radius, 2 * radius, from, degrees, Arc2D.OPEN));
        }
        return new FaultSheet(FindingKind.EDGE_PAINT, plane, grey(0.1), grey(0.7), sheet);
    }

    private static FaultSheet chip(Graphics2D g, BufferedImage sheet, int plane, Random r) {
        int count = 1 + r.nextInt(2);
        for (int k = 0; k < count; k++) {
            double a = 2 * Math.PI * r.nextDouble();
            double size = 0.05 + 0.08 * r.nextDouble();
            double x = Math.cos(a);
            double y = Math.sin(a);
            shade(g, 0.55);
            g.fill(blob(new double[] {0.99 * x, 0.99 * y}, size, 0.12, r));
            for (int shell = 1; shell < 4; shell++) {
                double s = size * (0.25 + 0.25 * shell);
                shade(g, 1 - 0.1 * shell);
                g.setStroke(new BasicStroke(0.006f));
                g.draw(new Ellipse2D.Double(x - s, y - s, 2 * s, 2 * s));
            }
        }
        return new FaultSheet(FindingKind.CHIP, plane, grey(0.6), grey(0.7), sheet);
    }

    private static FaultSheet coating(Graphics2D g, BufferedImage sheet, int plane, Random r) {
        int patches = 1 + r.nextInt(6);
        for (int k = 0; k < patches; k++) {
            shade(g, 0.6 + 0.4 * r.nextDouble());
            g.fill(blob(place(r, 0.85), 0.04 + 0.14 * r.nextDouble(), 0.4, r));
        }
        boolean warm = r.nextBoolean();
        return new FaultSheet(FindingKind.COATING, plane, warm ? new float[] {0.02f, 0.06f, 0.13f} : new float[] {0.13f, 0.06f, 0.02f},
                warm ? new float[] {0.14f, 0.09f, 0.05f} : new float[] {0.05f, 0.08f, 0.15f}, sheet);
    }
}
