package stillglass.app.prove;

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

/// Where the image of infinity lies about the film plane: a scale in millimetres, the band that the widest stop hides, and
/// the readings before (hollow) and after (filled) with two standard deviations either way.
final class InfinityGauge extends Painted {
    private Optional<ProveModel.Reading> before = Optional.empty();
    private Optional<ProveModel.Reading> after = Optional.empty();
    /// Half the width drawn where nothing is known.
    private static final double USUAL_REACH_MM = 0.06;
    private static final double MOST_TICKS = 8;
    private double hiddenMm;

    InfinityGauge() {
        setPrefHeight(112);
        setMinHeight(112);
    }

    void show(ProveModel m) {
        before = m.before();
        after = m.after();
        hiddenMm = m.hidden().map(ProveModel.Hidden::mm).orElse(0.0);
        setAccessibleText(Words.of("prove.gauge.spoken", before.map(ProveModel.Reading::text).orElse("–"), after.map(ProveModel.Reading::text).orElse("–")));
        requestLayout();
    }

    @Override
    protected void ink() {
        getChildren().clear();
        double w = getWidth();
        double mid = 52;
        double reach = Math.max(Math.max(USUAL_REACH_MM, 2 * hiddenMm), Math.max(extent(before), extent(after)) * 1.25);
        double scale = (w / 2 - 16) / reach;
        double x0 = w / 2;
        Rectangle band = new Rectangle(x0 - hiddenMm * scale, mid - 24, 2 * hiddenMm * scale, 48);
        band.getStyleClass().add("gauge-band");
        Line film = new Line(x0, mid - 32, x0, mid + 32);
        film.getStyleClass().add("axis-film");
        Line scaleLine = new Line(8, mid, w - 8, mid);
        scaleLine.getStyleClass().add("gauge-line");
        getChildren().addAll(band, scaleLine, film);
        double step = Ticks.step(reach / MOST_TICKS);
        int digits = step >= 1 ? 0 : step >= 0.1 ? 1 : 2;
        for (int i = (int) -Math.floor(reach / step); i <= reach / step; i++) {
            double x = x0 + i * step * scale;
            Line tick = new Line(x, mid - 4, x, mid + 4);
            tick.getStyleClass().add("gauge-line");
            getChildren().add(tick);
            if (i != 0 && (i % 2 == 0 || reach / step < 5)) {
                text(String.format(Locale.ROOT, "%+." + digits + "f", i * step), "axis-ruler", x, mid + 41);
            }
        }
        text(Words.of("prove.gauge.film"), "axis-ruler", x0, mid - 40);
        before.ifPresent(r -> mark(r, x0, scale, mid - 15, "gauge-before", Words.of("prove.gauge.before")));
        after.ifPresent(r -> mark(r, x0, scale, mid + 15, "gauge-after", Words.of("prove.gauge.after")));
        text(Words.of("prove.gauge.front"), "axis-ruler", 60, mid + 57);
        text(Words.of("prove.gauge.behind"), "axis-ruler", w - 60, mid + 57);
    }

    private static double extent(Optional<ProveModel.Reading> r) {
        return r.map(x -> Math.abs(x.errorMm()) + 2 * x.sigmaMm()).orElse(0.0);
    }

    private void mark(ProveModel.Reading r, double x0, double scale, double y, String style, String name) {
        double x = x0 + r.errorMm() * scale;
        Line spread = new Line(x - 2 * r.sigmaMm() * scale, y, x + 2 * r.sigmaMm() * scale, y);
        spread.getStyleClass().add(style + "-spread");
        Polygon diamond = new Polygon(x, y - 6, x + 6, y, x, y + 6, x - 6, y);
        diamond.getStyleClass().add(style);
        getChildren().addAll(spread, diamond);
        Text t = text(name, "axis-label", x, y);
        double half = t.getLayoutBounds().getWidth() / 2;
        double beside = Math.max(10, 2 * r.sigmaMm() * scale + 8);
        t.setX(x + beside + 2 * half < getWidth() ? x + beside : x - beside - 2 * half);
    }

    private Text text(String words, String style, double x, double y) {
        Text t = Inked.text(getChildren(), words, style);
        getChildren().add(t);
        t.setX(Math.clamp(x - t.getLayoutBounds().getWidth() / 2, 0, Math.max(0, getWidth() - t.getLayoutBounds().getWidth())));
        t.setY(y);
        return t;
    }
}
