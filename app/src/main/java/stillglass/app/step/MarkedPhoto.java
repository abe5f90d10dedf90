package stillglass.app.step;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.image.ImageView;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import stillglass.app.draw.Drawing;
import stillglass.app.draw.Inked;
import stillglass.app.look.PhotoCache;
import stillglass.app.theme.Words;
import stillglass.look.Aperture;
import stillglass.prove.ClockingCheck;
import stillglass.ticket.glass.PhotoMark;

/// A photo with lines drawn on it, the ring that is compared, and a needle where its twelve o'clock went. Dragging draws a mark; with Shift it draws the
/// circle of the opening from its middle. Keys move a cross with which the same can be done.
final class MarkedPhoto extends Drawing {
    private final ImageView view = new ImageView();
    private final Consumer<double[]> drawn;
    private final Consumer<Aperture> circled;
    private final String caption;
    private Optional<PhotoCache.Loaded> photo = Optional.empty();
    private List<PhotoMark> marks = List.of();
    private Optional<Aperture> circle = Optional.empty();
    private Optional<ClockingCheck.Zone> zone = Optional.empty();
    private Optional<Double> turned = Optional.empty();
    private Optional<double[]> drag = Optional.empty();
    private Optional<double[]> cross = Optional.empty();
    private boolean circling;

    /// @param caption what the photo is, over its corner
    /// @param drawn hears a new line: from and to, shares of the width
    /// @param circled hears a circle drawn by hand, stored pixels
    MarkedPhoto(String caption, Consumer<double[]> drawn, Consumer<Aperture> circled) {
        this.caption = caption;
        this.drawn = drawn;
        this.circled = circled;
        getStyleClass().add("step-photo");
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        setMinSize(120, 90);
        setOnMousePressed(this::press);
        setOnMouseDragged(this::pull);
        setOnMouseReleased(e -> finish());
    }

    void show(Optional<PhotoCache.Loaded> shown, List<PhotoMark> marked, Optional<Aperture> rim, Optional<ClockingCheck.Zone> compared, Optional<Double> turnDeg) {
        photo = shown;
        marks = marked;
        circle = rim;
        zone = compared;
        turned = turnDeg;
        redraw();
    }

    private double factor() {
        return photo.map(p -> Math.min(getWidth(), getHeight() * p.image().getWidth() / p.image().getHeight())).orElse(1.0);
    }

    private double left() {
        return (getWidth() - factor()) / 2;
    }

    private double top() {
        return photo.map(p -> (getHeight() - factor() * p.image().getHeight() / p.image().getWidth()) / 2).orElse(0.0);
    }

    private double shareX(double x) {
        return Math.clamp((x - left()) / factor(), 0, 1);
    }

    private double shareY(double y) {
        double tallest = photo.map(p -> p.image().getHeight() / p.image().getWidth()).orElse(1.0);
        return Math.clamp((y - top()) / factor(), 0, tallest);
    }

    private void press(MouseEvent e) {
        if (photo.isPresent()) {
            circling = e.isShiftDown();
            drag = Optional.of(new double[] {shareX(e.getX()), shareY(e.getY()), shareX(e.getX()), shareY(e.getY())});
        }
    }

    private void pull(MouseEvent e) {
        drag.ifPresent(d -> {
            drag = Optional.of(new double[] {d[0], d[1], shareX(e.getX()), shareY(e.getY())});
            redraw();
        });
    }

    /// Ends what was begun by mouse or keys.
    private void finish() {
        Optional<double[]> line = drag;
        drag = Optional.empty();
        redraw();
        line.ifPresent(d -> photo.ifPresent(p -> {
            if (!circling) {
                drawn.accept(d);
            } else if (Math.hypot(d[2] - d[0], d[3] - d[1]) > 0.02) {
                double r = Math.hypot(d[2] - d[0], d[3] - d[1]) * p.storedWidth();
                circled.accept(new Aperture(d[0] * p.storedWidth(), d[1] * p.storedWidth(), r, r, 0));
            }
        }));
    }

    /// Moves the cross by shares of the width.
    void move(double dx, double dy) {
        double[] at = cross.orElse(new double[] {0.5, photo.map(p -> 0.5 * p.image().getHeight() / p.image().getWidth()).orElse(0.4)});
        double tallest = photo.map(p -> p.image().getHeight() / p.image().getWidth()).orElse(1.0);
        double[] moved = {Math.clamp(at[0] + dx, 0, 1), Math.clamp(at[1] + dy, 0, tallest)};
        cross = Optional.of(moved);
        drag = drag.map(d -> new double[] {d[0], d[1], moved[0], moved[1]});
        redraw();
    }

    /// The first press begins at the cross, the second ends there.
    /// @param round whether it is the circle of the opening
    void pin(boolean round) {
        if (drag.isPresent()) {
            finish();
        } else {
            cross.ifPresent(c -> {
                circling = round;
                drag = Optional.of(new double[] {c[0], c[1], c[0], c[1]});
            });
        }
    }

    /// @return whether something half drawn was given up
    boolean giveUp() {
        boolean was = drag.isPresent() || cross.isPresent();
        drag = Optional.empty();
        cross = Optional.empty();
        redraw();
        return was;
    }

    @Override
    protected void draw() {
        if (photo.isEmpty()) {
            Text t = Inked.text(getChildren(), Words.of("step.none"), "step-hint");
            t.setX((getWidth() - t.getLayoutBounds().getWidth()) / 2);
            t.setY(getHeight() / 2);
            getChildren().add(t);
            return;
        }
        view.setImage(photo.get().image());
        view.setPreserveRatio(true);
        view.setFitWidth(factor());
        view.relocate(left(), top());
        getChildren().add(view);
        circle.ifPresent(this::rings);
        marks.forEach(this::mark);
        drag.ifPresent(d -> {
            if (circling) {
                round(left() + d[0] * factor(), top() + d[1] * factor(), Math.hypot(d[2] - d[0], d[3] - d[1]) * factor(), "step-ring");
            } else {
                line(d[0], d[1], d[2], d[3], "step-mark");
            }
        });
        cross.ifPresent(c -> {
            line(c[0] - 0.02, c[1], c[0] + 0.02, c[1], "step-cross");
            line(c[0], c[1] - 0.02, c[0], c[1] + 0.02, "step-cross");
        });
        Text t = Inked.text(getChildren(), caption, "wipe-word");
        t.setX(left() + 12);
        t.setY(top() + 24);
        getChildren().add(t);
    }

    private void rings(Aperture a) {
        double scale = factor() / photo.orElseThrow().storedWidth();
        double cx = left() + a.cx() * scale;
        double cy = top() + a.cy() * scale;
        double r = a.meanRadius() * scale;
        zone.ifPresent(z -> {
            round(cx, cy, z.inner() * r, "step-ring");
            round(cx, cy, z.outer() * r, "step-ring");
            // Twelve o'clock of the record, and where it is now.
            needle(cx, cy, z, r, 0, "step-needle-then");
            turned.ifPresent(t -> needle(cx, cy, z, r, t, "step-needle-now"));
        });
    }

    private void needle(double cx, double cy, ClockingCheck.Zone z, double r, double deg, String style) {
        double s = Math.sin(Math.toRadians(deg));
        double c = Math.cos(Math.toRadians(deg));
        Line l = new Line(cx + z.inner() * r * s, cy - z.inner() * r * c, cx + z.outer() * r * s, cy - z.outer() * r * c);
        l.getStyleClass().add(style);
        getChildren().add(l);
    }

    private void round(double cx, double cy, double r, String style) {
        Circle c = new Circle(cx, cy, r);
        c.getStyleClass().add(style);
        c.setMouseTransparent(true);
        getChildren().add(c);
    }

    private Line line(double x1, double y1, double x2, double y2, String style) {
        Line l = new Line(left() + x1 * factor(), top() + y1 * factor(), left() + x2 * factor(), top() + y2 * factor());
        l.getStyleClass().add(style);
        l.setMouseTransparent(true);
        getChildren().add(l);
        return l;
    }

    /// A line with its word where it begins and a head where it points.
    private void mark(PhotoMark m) {
        Line l = line(m.fromX(), m.fromY(), m.toX(), m.toY(), "step-mark");
        double long1 = Math.max(1e-6, Math.hypot(l.getEndX() - l.getStartX(), l.getEndY() - l.getStartY()));
        double ux = (l.getEndX() - l.getStartX()) / long1;
        double uy = (l.getEndY() - l.getStartY()) / long1;
        Polygon head = new Polygon(l.getEndX(), l.getEndY(), l.getEndX() - 11 * ux - 5 * uy, l.getEndY() - 11 * uy + 5 * ux,
                l.getEndX() - 11 * ux + 5 * uy, l.getEndY() - 11 * uy - 5 * ux);
        head.getStyleClass().add("step-mark-head");
        head.setMouseTransparent(true);
        Text t = Inked.text(getChildren(), m.word(), "step-mark-word");
        double w = t.getLayoutBounds().getWidth();
        double h = t.getLayoutBounds().getHeight();
        double x = Math.clamp(l.getStartX() - (ux > 0.3 ? w + 5 : ux < -0.3 ? -5 : w / 2), left() + 5, Math.max(left() + 5, left() + factor() - w - 5));
        double y = l.getStartY() - (uy > 0.3 ? h / 2 + 3 : uy < -0.3 ? -h / 2 - 3 : 0);
        Rectangle ground = new Rectangle(x - 5, y - h / 2 - 1, w + 10, h + 2);
        ground.getStyleClass().add("step-mark-ground");
        t.setTextOrigin(VPos.CENTER);
        t.setX(x);
        t.setY(y);
        getChildren().addAll(head, ground, t);
    }
}
