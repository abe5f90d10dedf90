package stillglass.app.look;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import stillglass.app.draw.Painted;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.app.theme.Words;
import stillglass.look.Finding;
import stillglass.look.FindingKind;

/// The glass unrolled about its axis: clock positions along the way, 12 in the middle, from the middle of the glass below to the rim
/// above; findings of all photos together, as seen from the front.
final class UnrolledPane extends Painted {
    private static final double EDGE = 34;

    private final Consumer<String> picked;
    private List<LookModel.Row> rows = List.of();

    UnrolledPane(Consumer<String> picked) {
        this.picked = picked;
        getStyleClass().add("unrolled");
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
    }

    void show(List<LookModel.Row> findings) {
        rows = findings;
        requestLayout();
    }

    private double wide() {
        return getWidth() - 2 * EDGE;
    }

    private double high() {
        return getHeight() - 2 * EDGE;
    }

    /// Places near one middle angle; what crosses 6 o'clock runs on beyond the edge and is drawn once more on the other side.
    private FaultDrawing.Plane plane(double middleRad, int lap) {
        return new FaultDrawing.Plane() {
            @Override
            public double x(double ux, double uy) {
                double t = middleRad + Math.IEEEremainder(Math.atan2(ux, uy) - middleRad, 2 * Math.PI);
                return EDGE + wide() * (0.5 + t / (2 * Math.PI) + lap);
            }

            @Override
            public double y(double ux, double uy) {
                return EDGE + high() * (1 - Math.min(1.05, Math.hypot(ux, uy)));
            }
        };
    }

    @Override
    protected void ink() {
        getChildren().clear();
        for (int third = 0; third <= 3; third++) {
            Inked.line(getChildren(), EDGE, EDGE + high() * third / 3, EDGE + wide(), EDGE + high() * third / 3, third == 0 ? "unrolled-rim" : "unrolled-line");
        }
        for (int hour = 6; hour <= 18; hour++) {
            double x = EDGE + wide() * (hour - 6) / 12.0;
            Inked.line(getChildren(), x, EDGE, x, EDGE + high(), "unrolled-line");
            Inked.words(getChildren(), Integer.toString(hour == 12 ? 12 : hour % 12), x, EDGE - 10, 0.5, "unrolled-word");
        }
        Inked.words(getChildren(), Words.of("look.unrolled.centre"), EDGE, getHeight() - 12, 0, "unrolled-word");
        for (LookModel.Row row : rows) {
            for (Finding.Region region : row.unrolled()) {
                place(row, region);
            }
            badge(row);
        }
    }

    private void place(LookModel.Row row, Finding.Region region) {
        if (row.kind() == FindingKind.HAZE) {
            return;
        }
        double cx = region.outline().stream().mapToDouble(Finding.Point::x).average().orElse(0);
        double cy = region.outline().stream().mapToDouble(Finding.Point::y).average().orElse(0);
        double middle = Math.atan2(cx, cy);
        for (int lap = -1; lap <= 1; lap++) {
            FaultDrawing.Plane plane = plane(middle, lap);
            if (region.outline().stream().mapToDouble(p -> plane.x(p.x(), p.y())).noneMatch(x -> x >= EDGE && x <= EDGE + wide())) {
                continue;
            }
            for (Node n : FaultDrawing.outline(region, row.kind(), plane)) {
                n.getStyleClass().add(row.selected() ? "unrolled-selected" : "unrolled-finding");
                n.setOnMouseClicked(e -> picked.accept(row.id()));
                getChildren().add(n);
            }
        }
    }

    private void badge(LookModel.Row row) {
        if (row.unrolled().isEmpty()) {
            return;
        }
        boolean wide = row.kind() == FindingKind.HAZE || row.kind() == FindingKind.DUST;
        double x = EDGE + wide() * (wide ? (row.kind() == FindingKind.HAZE ? 0.03 : 0.09) : 0.5 + Math.atan2(row.x(), row.y()) / (2 * Math.PI));
        double y = EDGE + high() * (1 - (wide ? 0.94 : Math.min(1, Math.hypot(row.x(), row.y()))));
        Circle disc = new Circle(x, y, row.selected() ? 14 : 12);
        disc.getStyleClass().addAll("photo-badge", row.selected() ? "photo-badge-selected" : "photo-badge-quiet");
        disc.setOnMouseClicked(e -> picked.accept(row.id()));
        Text t = Inked.text(getChildren(), Integer.toString(row.number()), row.selected() ? "photo-number-selected" : "photo-number");
        t.setX(x - t.getLayoutBounds().getWidth() / 2);
        t.setY(y);
        t.setMouseTransparent(true);
        getChildren().addAll(disc, t);
    }
}
