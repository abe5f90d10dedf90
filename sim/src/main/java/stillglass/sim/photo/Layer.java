package stillglass.sim.photo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/// What one fault does to the light, pixel by pixel, sharp as it is on its surface.
final class Layer {
    final int width;
    final int height;
    /// Light thrown about, over what a white card would throw; glows against the light.
    final float[] scatter;
    /// Light kept from an even field behind, 0 to 1; the scatter again where a painter leaves it out.
    final float[] shade;
    /// Where the fault is, for the truth.
    final boolean[] mark;
    private float @Nullable [][] colour;

    Layer(int width, int height) {
        this(width, height, new float[width * height], new float[width * height]);
    }

    private Layer(int width, int height, float[] scatter, float[] shade) {
        this.width = width;
        this.height = height;
        this.scatter = scatter;
        this.shade = shade;
        mark = new boolean[width * height];
    }

    /// Weight of a colour channel at a pixel, 1 where the fault has no colour of its own.
    /// @param channel 0 red, 1 green, 2 blue
    float colour(int channel, int at) {
        return colour == null ? 1 : colour[channel][at];
    }

    void tint(int at, double red, double green, double blue) {
        if (colour == null) {
            colour = new float[3][width * height];
            for (float[] c : colour) {
                java.util.Arrays.fill(c, 1);
            }
        }
        colour[0][at] = (float) red;
        colour[1][at] = (float) green;
        colour[2][at] = (float) blue;
    }

    /// Makes it so many times as strong.
    void strengthen(double scatters, double shades) {
        for (int i = 0; i < scatter.length; i++) {
            scatter[i] *= (float) scatters;
            shade[i] *= (float) shades;
        }
    }

    /// Its light as it looks out of focus; without marks and colour.
    Layer soft(double radiusPx) {
        return new Layer(width, height, Defocus.disc(scatter, width, height, radiusPx), Defocus.disc(shade, width, height, radiusPx));
    }

    boolean coloured() {
        return colour != null;
    }

    /// Lays antialiased shapes into scatter and shade, the stronger winning, and marks what they cover.
    /// @param gain scatter of full white
    /// @param shadeGain shade of full white
    /// @param least grey level from which a pixel counts as covered, 0 to 1
    void draw(double gain, double shadeGain, double least, Consumer<Brush> draw) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        draw.accept(new Brush(g));
        g.dispose();
        byte[] bytes = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        for (int i = 0; i < scatter.length; i++) {
            float v = (bytes[i] & 255) / 255f;
            if (v > 0) {
                scatter[i] = (float) Math.max(scatter[i], gain * v);
                shade[i] = (float) Math.max(shade[i], shadeGain * v);
                mark[i] |= v > least;
            }
        }
    }

    /// A pencil of a given brightness.
    record Brush(Graphics2D graphics) {
        /// @param level 0 to 1
        void stroke(Shape shape, double widthPx, double level) {
            graphics.setColor(grey(level * Math.min(1, widthPx / 0.7)));
            graphics.setStroke(new BasicStroke((float) Math.max(0.7, widthPx), BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
            graphics.draw(shape);
        }

        void fill(Shape shape, double level) {
            graphics.setColor(grey(level));
            graphics.fill(shape);
        }

        // Grey rasters are linear in the toolkit's eyes: a colour is converted on its way in, so the level asked for is met by its inverse.
        private static Color grey(double level) {
            double v = Math.max(0, Math.min(1, level));
            double s = v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055;
            return new Color((float) s, (float) s, (float) s);
        }
    }
}
