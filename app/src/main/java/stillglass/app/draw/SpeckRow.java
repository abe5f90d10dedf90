package stillglass.app.draw;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.VPos;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.text.Text;
import stillglass.app.theme.Em;

/// Face by face along the axis, the smallest speck that shows, drawn in proportion to each other.
public final class SpeckRow extends Region {
    /// Pixels a millimetre at most.
    private static final double MOST_DRAWN = 5;
    private static final double LEAST_RADIUS = 0.7;

    /// @param name of the face, short: `S3`
    /// @param mm diameter, infinite where no light passes
    public record Speck(String name, double mm) {}

    private final List<Circle> discs = new ArrayList<>();
    private final List<Text> figures = new ArrayList<>();
    private final List<Text> names = new ArrayList<>();
    private final Line axis = new Line();
    private List<Speck> shown = List.of();

    public SpeckRow() {
        axis.getStyleClass().add("speck-axis");
        getChildren().add(axis);
        setPrefHeight(64);
        setMinHeight(58);
    }

    public void show(List<Speck> specks, String spoken) {
        if (shown.equals(specks)) {
            return;
        }
        shown = List.copyOf(specks);
        getChildren().setAll(axis);
        discs.clear();
        figures.clear();
        names.clear();
        for (Speck s : shown) {
            Circle disc = new Circle();
            disc.getStyleClass().add("speck-disc");
            Text figure = new Text(figure(s.mm()));
            figure.getStyleClass().add("strip-name-here");
            figure.setTextOrigin(VPos.BOTTOM);
            Text name = new Text(s.name());
            name.getStyleClass().add("strip-name");
            name.setTextOrigin(VPos.BOTTOM);
            discs.add(disc);
            figures.add(figure);
            names.add(name);
            getChildren().addAll(disc, figure, name);
        }
        setAccessibleText(spoken);
        requestLayout();
    }

    private static String figure(double mm) {
        return Double.isInfinite(mm) ? "–" : String.format(Locale.ROOT, mm < 9.95 ? "%.1f" : "%.0f", mm);
    }

    @Override
    protected void layoutChildren() {
        double em = Em.of(this);
        double line = 1.05 * em;
        double each = getWidth() / Math.max(1, shown.size());
        double middle = (getHeight() - 2 * line) / 2;
        axis.setStartX(0);
        axis.setEndX(getWidth());
        axis.setStartY(middle);
        axis.setEndY(middle);
        // Where faces stand close, every other name is left out rather than set over its neighbour.
        double widest = names.stream().mapToDouble(t -> t.getLayoutBounds().getWidth()).max().orElse(0);
        int every = widest + 3 > each ? 2 : 1;
        double largest = shown.stream().mapToDouble(Speck::mm).filter(Double::isFinite).max().orElse(1);
        double most = Math.max(LEAST_RADIUS, Math.min(each / 2 - 1, middle - 1));
        double perMm = Math.min(MOST_DRAWN, 2 * most / largest);
        for (int i = 0; i < shown.size(); i++) {
            double x = (i + 0.5) * each;
            double mm = shown.get(i).mm();
            discs.get(i).setCenterX(x);
            discs.get(i).setCenterY(middle);
            discs.get(i).setRadius(Math.max(LEAST_RADIUS, perMm * (Double.isFinite(mm) ? mm : 0) / 2));
            discs.get(i).setVisible(!Double.isInfinite(mm));
            centre(figures.get(i), x, getHeight() - line);
            centre(names.get(i), x, getHeight());
            names.get(i).setVisible(i % every == 0);
            boolean fits = figures.get(i).getLayoutBounds().getWidth() + 2 < each * every;
            figures.get(i).setVisible(i % every == 0 && fits);
        }
    }

    private static void centre(Text text, double x, double y) {
        text.setX(x - text.getLayoutBounds().getWidth() / 2);
        text.setY(y);
    }
}
