package stillglass.app.look;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Cursor;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;

/// A photo with its clear aperture, clock positions, and findings drawn by kind. Dragging the rim or the middle of the
/// aperture moves it; letting go hands it over.
public final class PhotoPane extends Region {
    private static final double GRIP_PX = 14;

    private final ImageView picture = new ImageView();
    private final Consumer<Aperture> moved;
    private final Consumer<String> picked;
    private Optional<PhotoCache.Loaded> photo = Optional.empty();
    private Optional<Aperture> aperture = Optional.empty();
    private List<LookModel.Row> rows = List.of();
    private Grip grip = Grip.NONE;
    private double grabX;
    private double grabY;

    private enum Grip {
        NONE,
        MIDDLE,
        RIM
    }

    /// @param moved hears an aperture that was set by hand
    /// @param picked hears the finding that was clicked
    public PhotoPane(Consumer<Aperture> moved, Consumer<String> picked) {
        this.moved = moved;
        this.picked = picked;
        getStyleClass().add("photo");
        picture.setPreserveRatio(true);
        picture.setSmooth(true);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        setOnMouseMoved(e -> setCursor(switch (gripAt(e.getX(), e.getY())) {
            case NONE -> Cursor.DEFAULT;
            case MIDDLE -> Cursor.MOVE;
            case RIM -> Cursor.CROSSHAIR;
        }));
        setOnMousePressed(e -> {
            grip = gripAt(e.getX(), e.getY());
            grabX = e.getX();
            grabY = e.getY();
        });
        setOnMouseDragged(e -> drag(e.getX(), e.getY()));
        setOnMouseReleased(e -> {
            boolean changed = grip != Grip.NONE && Math.hypot(e.getX() - grabX, e.getY() - grabY) >= 0 && dragged;
            grip = Grip.NONE;
            if (changed) {
                dragged = false;
                aperture.ifPresent(moved);
            }
        });
    }

    private boolean dragged;

    public void show(Optional<PhotoCache.Loaded> shown, Optional<Aperture> at, List<LookModel.Row> findings) {
        photo = shown;
        aperture = at;
        rows = findings;
        Image image = shown.map(PhotoCache.Loaded::image).orElse(null);
        picture.setImage(image);
        requestLayout();
    }

    /// Screen pixels per stored pixel.
    private double factor() {
        return photo.map(p -> shownWidth(p) / p.storedWidth()).orElse(1.0);
    }

    private double shownWidth(PhotoCache.Loaded p) {
        double iw = p.image().getWidth();
        double ih = p.image().getHeight();
        return Math.min(getWidth(), getHeight() * iw / ih);
    }

    private double left() {
        return photo.map(p -> (getWidth() - shownWidth(p)) / 2).orElse(0.0);
    }

    private double top() {
        return photo.map(p -> (getHeight() - shownWidth(p) * p.image().getHeight() / p.image().getWidth()) / 2).orElse(0.0);
    }

    private double x(Aperture a, double ux, double uy) {
        return left() + factor() * a.pixelX(ux, uy);
    }

    private double y(Aperture a, double ux, double uy) {
        return top() + factor() * a.pixelY(ux, uy);
    }

    private Grip gripAt(double x, double y) {
        if (aperture.isEmpty()) {
            return Grip.NONE;
        }
        Aperture a = aperture.get();
        double px = (x - left()) / factor();
        double py = (y - top()) / factor();
        double r = a.unitRadius(px, py);
        if (Math.abs(r - 1) * a.meanRadius() * factor() < GRIP_PX) {
            return Grip.RIM;
        }
        return r * a.meanRadius() * factor() < GRIP_PX ? Grip.MIDDLE : Grip.NONE;
    }

    private void drag(double x, double y) {
        if (grip == Grip.NONE || aperture.isEmpty()) {
            return;
        }
        Aperture a = aperture.get();
        double px = (x - left()) / factor();
        double py = (y - top()) / factor();
        double grow = Math.clamp(a.unitRadius(px, py), 0.2, 3);
        aperture = Optional.of(grip == Grip.MIDDLE
                ? new Aperture(px, py, a.rx(), a.ry(), a.thetaRad())
                : new Aperture(a.cx(), a.cy(), a.rx() * grow, a.ry() * grow, a.thetaRad()));
        dragged = true;
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        getChildren().clear();
        if (photo.isEmpty()) {
            return;
        }
        double w = shownWidth(photo.get());
        picture.setFitWidth(w);
        picture.relocate(left(), top());
        getChildren().add(picture);
        aperture.ifPresent(a -> {
            rim(a);
            rows.forEach(r -> finding(a, r));
        });
    }

    private void rim(Aperture a) {
        Polygon rim = new Polygon();
        for (int i = 0; i < 120; i++) {
            double t = 2 * Math.PI * i / 120;
            rim.getPoints().addAll(x(a, Math.cos(t), Math.sin(t)), y(a, Math.cos(t), Math.sin(t)));
        }
        rim.getStyleClass().add("photo-rim");
        rim.setMouseTransparent(true);
        getChildren().add(rim);
        for (int hour = 1; hour <= 12; hour++) {
            double s = Math.sin(hour * Math.PI / 6);
            double c = Math.cos(hour * Math.PI / 6);
            Line tick = new Line(x(a, 1.005 * s, 1.005 * c), y(a, 1.005 * s, 1.005 * c), x(a, 1.04 * s, 1.04 * c), y(a, 1.04 * s, 1.04 * c));
            tick.getStyleClass().add("photo-tick");
            tick.setMouseTransparent(true);
            getChildren().add(tick);
            if (hour % 3 == 0) {
                Text t = Inked.text(getChildren(), Integer.toString(hour), "photo-hour");
                t.setX(x(a, 1.085 * s, 1.085 * c) - t.getLayoutBounds().getWidth() / 2);
                t.setY(y(a, 1.085 * s, 1.085 * c));
                getChildren().add(t);
            }
        }
    }

    private void finding(Aperture a, LookModel.Row row) {
        boolean wide = row.kind() == FindingKind.HAZE;
        double badgeX = row.x();
        double badgeY = row.y();
        for (Finding.Region region : row.regions()) {
            Shape shape = outline(a, region, row.kind());
            shape.getStyleClass().addAll("photo-finding", "photo-" + row.kind().word());
            if (row.selected()) {
                shape.getStyleClass().add("photo-selected");
            }
            shape.setPickOnBounds(false);
            shape.setMouseTransparent(wide);
            shape.setOnMouseClicked(e -> picked.accept(row.id()));
            getChildren().add(shape);
        }
        if (wide || row.kind() == FindingKind.DUST) {
            // What lies everywhere gets its badge at the rim, where nothing else is.
            double hour = wide ? 7 : 10;
            badgeX = 0.86 * Math.sin(hour * Math.PI / 6);
            badgeY = 0.86 * Math.cos(hour * Math.PI / 6);
        }
        badge(a, row, badgeX, badgeY);
    }

    private Shape outline(Aperture a, Finding.Region region, FindingKind kind) {
        if (kind == FindingKind.DUST) {
            double cx = region.outline().stream().mapToDouble(Finding.Point::x).average().orElse(0);
            double cy = region.outline().stream().mapToDouble(Finding.Point::y).average().orElse(0);
            return new Circle(x(a, cx, cy), y(a, cx, cy), 6);
        }
        Polygon p = new Polygon();
        region.outline().forEach(q -> p.getPoints().addAll(x(a, q.x(), q.y()), y(a, q.x(), q.y())));
        return p;
    }

    private void badge(Aperture a, LookModel.Row row, double ux, double uy) {
        Circle disc = new Circle(x(a, ux, uy), y(a, ux, uy), row.selected() ? 14 : 12);
        disc.getStyleClass().addAll("photo-badge", row.selected() ? "photo-badge-selected" : "photo-badge-quiet");
        disc.setOnMouseClicked(e -> picked.accept(row.id()));
        Text t = Inked.text(getChildren(), Integer.toString(row.number()), "photo-number");
        t.setX(disc.getCenterX() - t.getLayoutBounds().getWidth() / 2);
        t.setY(disc.getCenterY());
        getChildren().addAll(disc, t);
    }
}
