package stillglass.app.draw;

import java.util.List;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.Rectangle;
import stillglass.grade.Shades;

/// The frame of the picture as the findings leave it: an even field, darkened where a shadow falls, whitened where a veil
/// lies, both drawn stronger than they are. Where a shadow is deep enough to be seen it is ringed.
public final class PictureFrame extends Region {
    private static final int WIDE = 132;
    private static final int HIGH = 88;
    private static final int CELLS = 60;
    private static final double MOST_PALE = 0.75;

    private final Rectangle field = styled("picture-field");
    private final Rectangle shadow = styled("picture-shadow");
    private final Rectangle veil = styled("picture-veil");
    private final Rectangle edge = styled("picture-edge");
    private final ImageView view = new ImageView();
    private final Path ring = new Path();
    private final WritableImage image = new WritableImage(WIDE, HIGH);
    private final int[] pixels = new int[WIDE * HIGH];
    private Shades shades = Shades.clear(List.of(1.0));
    private int stop;
    private double visible = 1;
    private double gain = 1;
    private double veilGain = 1;

    public PictureFrame() {
        for (Rectangle r : List.of(field, shadow, veil)) {
            r.setVisible(false);
        }
        view.setSmooth(true);
        ring.setMouseTransparent(true);
        ring.getStyleClass().add("picture-ring");
        view.setImage(image);
        getChildren().addAll(field, shadow, veil, view, ring, edge);
        setMinSize(120, 80);
    }

    private static Rectangle styled(String style) {
        Rectangle r = new Rectangle();
        r.getStyleClass().add(style);
        r.setMouseTransparent(true);
        return r;
    }

    /// @param atStop index into the stops of the shades
    /// @param visibleShare shadow from which it is ringed
    /// @param strength how many times as strong as it is a shadow is drawn
    /// @param veilStrength the same for a veil
    public void show(Shades shown, int atStop, double visibleShare, double strength, double veilStrength, String spoken) {
        shades = shown;
        stop = atStop;
        visible = visibleShare;
        gain = strength;
        veilGain = veilStrength;
        setAccessibleText(spoken);
        requestLayout();
    }

    @Override
    protected double computePrefHeight(double width) {
        return (width > 0 ? width : 240) * 2 / 3;
    }

    @Override
    protected void layoutChildren() {
        double w = Math.min(getWidth(), getHeight() * 1.5);
        double h = w / 1.5;
        double x0 = (getWidth() - w) / 2;
        paint();
        view.setX(x0);
        view.setY(0);
        view.setFitWidth(w);
        view.setFitHeight(h);
        edge.setX(x0);
        edge.setY(0);
        edge.setWidth(w);
        edge.setHeight(h);
        contour(x0, w, h);
    }

    /// Brightness against the level of the picture, at a place from 0 to 1 across and up.
    private double shadowAt(double across, double up, double level) {
        return Math.max(0, 1 - shades.between(stop, across, up, false) / level);
    }

    private void paint() {
        applyCss();
        double[] base = parts(field);
        double[] dark = parts(shadow);
        double[] pale = parts(veil);
        double level = Math.max(1e-9, shades.level(stop));
        for (int y = 0; y < HIGH; y++) {
            double up = 1 - (y + 0.5) / HIGH;
            for (int x = 0; x < WIDE; x++) {
                double across = (x + 0.5) / WIDE;
                double whitened = Math.min(MOST_PALE, veilGain * shades.between(stop, across, up, true));
                double darkened = Math.min(1, gain * shadowAt(across, up, level));
                int argb = 0xff;
                for (int c = 0; c < 3; c++) {
                    double light = base[c] + whitened * (pale[c] - base[c]);
                    argb = argb << 8 | (int) Math.round(255 * (light + darkened * (dark[c] - light)));
                }
                pixels[y * WIDE + x] = argb;
            }
        }
        image.getPixelWriter().setPixels(0, 0, WIDE, HIGH, PixelFormat.getIntArgbInstance(), pixels, 0, WIDE);
    }

    private static double[] parts(Rectangle styled) {
        Color c = (Color) styled.getFill();
        return new double[] {c.getRed(), c.getGreen(), c.getBlue()};
    }

    /// The line along which a shadow begins to show, by marching over cells.
    private void contour(double x0, double w, double h) {
        ring.getElements().clear();
        double level = Math.max(1e-9, shades.level(stop));
        double[] value = new double[(CELLS + 1) * (CELLS + 1)];
        for (int j = 0; j <= CELLS; j++) {
            for (int i = 0; i <= CELLS; i++) {
                value[j * (CELLS + 1) + i] = shadowAt(i / (double) CELLS, j / (double) CELLS, level) - visible;
            }
        }
        for (int j = 0; j < CELLS; j++) {
            for (int i = 0; i < CELLS; i++) {
                segment(i, j, value, x0, w, h);
            }
        }
    }

    private void segment(int i, int j, double[] value, double x0, double w, double h) {
        int[] dx = {0, 1, 1, 0};
        int[] dy = {0, 0, 1, 1};
        double[] ends = new double[4];
        int n = 0;
        for (int k = 0; k < 4 && n < 4; k++) {
            int next = (k + 1) % 4;
            double a = value[(j + dy[k]) * (CELLS + 1) + i + dx[k]];
            double b = value[(j + dy[next]) * (CELLS + 1) + i + dx[next]];
            if (a > 0 != b > 0) {
                double t = a / (a - b);
                ends[n++] = x0 + (i + dx[k] + t * (dx[next] - dx[k])) / CELLS * w;
                ends[n++] = h - (j + dy[k] + t * (dy[next] - dy[k])) / CELLS * h;
            }
        }
        if (n == 4) {
            ring.getElements().addAll(new MoveTo(ends[0], ends[1]), new LineTo(ends[2], ends[3]));
        }
    }

    /// Whether anything is ringed now.
    public boolean ringed() {
        return !ring.getElements().isEmpty();
    }
}
