package stillglass.app.prove;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.app.draw.Painted;

/// The frame with a disc at the centre and in each corner: its area is the sharpness there, hollow as it arrived, filled as it is now.
final class FramePlot extends Painted {
    private static final double HIGH = 168;
    private static final double LEAST_HIGH = 110;
    private static final double ASPECT = 1.5;
    private static final double EDGE = 8;
    private static final double MOST = 0.155;
    private static final double LEAST_R = 3;

    private List<FiguresModel.Column> columns = List.of();

    FramePlot() {
        setMinHeight(LEAST_HIGH);
        setPrefHeight(HIGH);
    }

    /// Whether all of them are places of the frame, at one stop or none.
    static boolean fits(List<FiguresModel.Column> columns) {
        return !columns.isEmpty() && columns.stream().allMatch(c -> FramePlace.of(c.label()).isPresent())
                && columns.stream().map(c -> FramePlace.of(c.label())).distinct().count() == columns.size();
    }

    void show(List<FiguresModel.Column> shown, String spoken) {
        columns = shown;
        setAccessibleText(spoken);
        requestLayout();
    }

    @Override
    protected void ink() {
        getChildren().clear();
        double high = getHeight() - 2 * EDGE;
        double wide = Math.min(getWidth() - 2 * EDGE, ASPECT * high);
        double left = (getWidth() - wide) / 2;
        Rectangle frame = new Rectangle(left, EDGE, wide, high);
        frame.getStyleClass().add("figure-frame");
        getChildren().add(frame);
        double most = columns.stream().flatMap(c -> Stream.concat(c.before().stream(), c.after().stream())).mapToDouble(FiguresModel.Figure::value).max().orElse(1);
        for (FiguresModel.Column c : columns) {
            FramePlace p = FramePlace.of(c.label()).orElseThrow();
            double x = left + wide * (0.5 + 0.36 * p.x());
            double y = EDGE + high * (0.5 + 0.25 * p.y()) - 7;
            disc(c.before(), x, y, MOST * high, most, "gauge-before");
            disc(c.after(), x, y, MOST * high, most, "gauge-after");
            Optional<FiguresModel.Figure> now = c.after().or(c::before);
            now.ifPresent(f -> {
                Text t = Inked.text(getChildren(), String.format(Locale.ROOT, f.value() < 10 ? "%.1f" : "%.0f", f.value()), "axis-ruler");
                t.setX(x - Inked.width(t) / 2);
                t.setY(y + MOST * high + 12);
                getChildren().add(t);
            });
        }
    }

    private void disc(Optional<FiguresModel.Figure> f, double x, double y, double r, double most, String style) {
        f.ifPresent(v -> {
            Circle disc = new Circle(x, y, Math.max(LEAST_R, r * Math.sqrt(v.value() / most)));
            disc.getStyleClass().add(style);
            getChildren().add(disc);
        });
    }
}
