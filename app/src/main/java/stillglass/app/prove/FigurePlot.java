package stillglass.app.prove;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.app.draw.Painted;
import stillglass.app.draw.Ticks;
import stillglass.app.theme.Words;

/// Figures of one quantity side by side: a column for each setting or place, hollow as it arrived, filled as it is now, bars of two standard deviations, and the band of
/// what is allowed. Departures stand about the line in the middle, figures without a nominal above the ground.
final class FigurePlot extends Painted {
    private static final double LEFT = 46;
    private static final double RIGHT = 10;
    private static final double TOP = 12;
    private static final double BOTTOM = 24;
    private static final double LEAST_WIDE = 34;
    private static final double LEAST_HIGH = 92;
    private static final double LEAST_APART = 18;

    private final boolean small;
    private List<FiguresModel.Column> columns = List.of();
    private String unit = "";

    /// @param small a strip without figures, for a list
    FigurePlot(boolean small) {
        this.small = small;
        double high = small ? 26 : 144;
        setMinHeight(small ? high : LEAST_HIGH);
        setPrefHeight(high);
        if (small) {
            setPrefWidth(92);
            setMinWidth(92);
        }
    }

    /// @param unit in which the figures are, for the axis
    void show(List<FiguresModel.Column> shown, String unit, String spoken) {
        columns = shown;
        this.unit = unit;
        setAccessibleText(spoken);
        requestLayout();
    }

    @Override
    protected void ink() {
        getChildren().clear();
        double left = small ? 2 : LEFT;
        double right = getWidth() - (small ? 2 : RIGHT);
        double top = small ? 2 : TOP;
        double bottom = getHeight() - (small ? 2 : BOTTOM);
        if (columns.isEmpty()) {
            Inked.line(getChildren(), left, (top + bottom) / 2, right, (top + bottom) / 2, "gauge-none");
            return;
        }
        boolean departures = columns.stream().allMatch(FiguresModel.Column::departure);
        double reach = reach(departures);
        double low = departures ? -reach : 0;
        double perY = (bottom - top) / (reach - low);
        double wide = (right - left) / columns.size();
        double ground = bottom + low * perY;
        for (int i = 0; i < columns.size(); i++) {
            FiguresModel.Column c = columns.get(i);
            if (departures && c.allowed().isPresent()) {
                double half = Math.min(reach, c.allowed().getAsDouble()) * perY;
                Rectangle band = new Rectangle(left + i * wide, ground - half, wide, 2 * half);
                band.getStyleClass().add("figure-band");
                getChildren().add(band);
            }
        }
        Inked.line(getChildren(), left, ground, right, ground, "gauge-line");
        if (!small) {
            scale(departures, low, reach, left, ground, perY);
        }
        for (int i = 0; i < columns.size(); i++) {
            column(columns.get(i), left + (i + 0.5) * wide, wide, ground, perY, bottom, i);
        }
    }

    private double reach(boolean departures) {
        double reach = 0;
        for (FiguresModel.Column c : columns) {
            reach = Math.max(reach, Math.max(extent(c.before()), extent(c.after())));
            reach = Math.max(reach, departures ? 1.5 * c.allowed().orElse(0) : 0);
        }
        return reach > 0 ? 1.12 * reach : 1;
    }

    private static double extent(Optional<FiguresModel.Figure> f) {
        return f.map(x -> Math.abs(x.value()) + 2 * x.sigma()).orElse(0.0);
    }

    private void scale(boolean departures, double low, double reach, double left, double ground, double perY) {
        double step = Ticks.step((reach - low) / Math.clamp(perY * (reach - low) / LEAST_APART, 1, 4));
        for (double v = Math.ceil(low / step) * step; v <= reach + 1e-9; v += step) {
            double y = ground - v * perY;
            Inked.line(getChildren(), left - 4, y, left, y, "gauge-line");
            int digits = Math.clamp((int) Math.ceil(-Math.log10(step) - 1e-9), 0, 3);
            Inked.words(getChildren(), String.format(Locale.ROOT, departures ? "%+." + digits + "f" : "%." + digits + "f", v == 0 ? 0.0 : v), left - 7, y, 1, "axis-ruler");
        }
        Inked.words(getChildren(), unit, left + 3, 5, 0, "axis-ruler");
    }

    private void column(FiguresModel.Column c, double x, double wide, double ground, double perY, double bottom, int index) {
        double aside = Math.min(small ? 2.5 : 9, wide / 5);
        c.before().ifPresent(f -> mark(f, x - (c.after().isPresent() ? aside : 0), ground, perY, "gauge-before"));
        c.after().ifPresent(f -> mark(f, x + (c.before().isPresent() ? aside : 0), ground, perY, "gauge-after"));
        int every = Math.max(1, (int) Math.ceil(LEAST_WIDE / wide));
        if (!small && index % every == 0) {
            Text t = Inked.text(getChildren(), c.label(), "axis-ruler");
            Inked.fit(t, wide * every - 4);
            t.setX(x - Inked.width(t) / 2);
            t.setY(bottom + 13);
            getChildren().add(t);
        }
    }

    private void mark(FiguresModel.Figure f, double x, double ground, double perY, String style) {
        double y = ground - f.value() * perY;
        double spread = 2 * f.sigma() * perY;
        double size = small ? 2.6 : 5;
        if (spread > size) {
            Line line = new Line(x, y - spread, x, y + spread);
            line.getStyleClass().add(style + "-spread");
            getChildren().add(line);
        }
        Polygon diamond = new Polygon(x, y - size, x + size, y, x, y + size, x - size, y);
        diamond.getStyleClass().add(style);
        getChildren().add(diamond);
    }

    /// In what departures are told.
    static String unit(FiguresModel.Row row) {
        return switch (row.quantity()) {
            case SPEED -> Words.of("figures.unit.ev");
            case SCALE, FINDER -> Words.of("figures.unit.share");
            default -> row.quantity().unit();
        };
    }
}
