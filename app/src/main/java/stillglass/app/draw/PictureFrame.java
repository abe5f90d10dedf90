package stillglass.app.draw;

import java.util.List;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelWriter;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import stillglass.grade.Shades;

/// The frame of the picture as the findings leave it: an even field, darkened where a shadow falls, whitened where a veil
/// lies, both drawn stronger than they are. Where a shadow is deep enough to be seen it is ringed.
public final class PictureFrame extends Region {
    private static final int WIDE = 132;
    private static final int HIGH = 88;
    private static final double MOST_PALE = 0.75;

    private final Rectangle field = styled("picture-field");
    private final Rectangle shadow = styled("picture-shadow");
    private final Rectangle veil = styled("picture-veil");
    private final Rectangle edge = styled("picture-edge");
    private final ImageView view = new ImageView();
    private final javafx.scene.Group rings = new javafx.scene.Group();
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
        rings.setMouseTransparent(true);
        getChildren().addAll(field, shadow, veil, view, rings, edge);
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
        return Math.max(0, 1 - between(across, up, false) / level);
    }

    private double between(double across, double up, boolean ofVeil) {
        int n = Shades.GRID - 1;
        double x = across * n;
        double y = up * n;
        int i = Math.min(n - 1, (int) x);
        int j = Math.min(n - 1, (int) y);
        double fx = x - i;
        double fy = y - j;
        return (at(i, j, ofVeil) * (1 - fx) + at(i + 1, j, ofVeil) * fx) * (1 - fy)
                + (at(i, j + 1, ofVeil) * (1 - fx) + at(i + 1, j + 1, ofVeil) * fx) * fy;
    }

    private double at(int i, int j, boolean ofVeil) {
        return ofVeil ? shades.veil(stop, i, j) : shades.passes(stop, i, j);
    }

    private void paint() {
        applyCss();
        Color base = (Color) field.getFill();
        Color dark = (Color) shadow.getFill();
        Color pale = (Color) veil.getFill();
        WritableImage image = new WritableImage(WIDE, HIGH);
        PixelWriter out = image.getPixelWriter();
        double level = Math.max(1e-9, shades.level(stop));
        for (int y = 0; y < HIGH; y++) {
            double up = 1 - (y + 0.5) / HIGH;
            for (int x = 0; x < WIDE; x++) {
                double across = (x + 0.5) / WIDE;
                Color c = base.interpolate(pale, Math.min(MOST_PALE, veilGain * between(across, up, true)));
                out.setColor(x, y, c.interpolate(dark, Math.min(1, gain * shadowAt(across, up, level))));
            }
        }
        view.setImage(image);
    }

    /// The line along which a shadow begins to show, by marching over cells.
    private void contour(double x0, double w, double h) {
        rings.getChildren().clear();
        double level = Math.max(1e-9, shades.level(stop));
        int steps = 60;
        for (int j = 0; j < steps; j++) {
            for (int i = 0; i < steps; i++) {
                segment(i, j, steps, level, x0, w, h);
            }
        }
        rings.applyCss();
    }

    private void segment(int i, int j, int steps, double level, double x0, double w, double h) {
        double[] px = {i, i + 1, i + 1, i};
        double[] py = {j, j, j + 1, j + 1};
        double[] value = new double[4];
        for (int k = 0; k < 4; k++) {
            value[k] = shadowAt(px[k] / steps, py[k] / steps, level) - visible;
        }
        double[] ends = new double[4];
        int n = 0;
        for (int k = 0; k < 4 && n < 4; k++) {
            int next = (k + 1) % 4;
            if (value[k] > 0 != value[next] > 0) {
                double t = value[k] / (value[k] - value[next]);
                ends[n++] = x0 + (px[k] + t * (px[next] - px[k])) / steps * w;
                ends[n++] = h - (py[k] + t * (py[next] - py[k])) / steps * h;
            }
        }
        if (n == 4) {
            Line line = new Line(ends[0], ends[1], ends[2], ends[3]);
            line.getStyleClass().add("picture-ring");
            rings.getChildren().add(line);
        }
    }

    /// Whether anything is ringed now.
    public boolean ringed() {
        return !rings.getChildren().isEmpty();
    }
}
