package stillglass.app.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Rectangle2D;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.MouseEvent;
import stillglass.app.draw.Painted;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;

/// A photo with its clear aperture, clock positions, and findings drawn by kind. The rim and the middle of the aperture can be dragged, the
/// outline of the selected finding pulled, a badge dropped on another to make both one, a new fault drawn.
public final class PhotoPane extends Painted {
    private static final double GRIP_PX = 14;
    private static final double OUTLINE_PX = 9;
    private static final double BADGE_PX = 16;
    private static final double STEP = 1.2;
    /// What a wheel turns by in one click.
    private static final double NOTCH = 40;
    private static final double KEY_STEP = 1.5;
    private static final Aperture NO_RIM = new Aperture(0, 0, 1, 1, 0);

    /// Hears what a hand did on the photo.
    public interface Hand {
        void aperture(Aperture set);

        void picked(String findingId);

        void reshaped(String findingId, List<Finding.Region> regions);

        void drawn(Finding.Region outline);

        void merged(String into, String gone);
    }

    /// For a photo that is only looked at.
    public static final Hand NONE = new Hand() {
        @Override
        public void aperture(Aperture set) {}

        @Override
        public void picked(String findingId) {}

        @Override
        public void reshaped(String findingId, List<Finding.Region> regions) {}

        @Override
        public void drawn(Finding.Region outline) {}

        @Override
        public void merged(String into, String gone) {}
    };

    private sealed interface Grip {
        record None() implements Grip {}

        record Middle() implements Grip {}

        record Rim() implements Grip {}

        record Outline(LookModel.Row row) implements Grip {}

        record Badge(LookModel.Row row) implements Grip {}

        record Pencil() implements Grip {}

        record Point() implements Grip {}
    }

    private record BadgeAt(LookModel.Row row, double x, double y) {}

    private final ImageView picture = new ImageView();
    private final Carried carried = new Carried();
    private final Loupe loupe = new Loupe();
    private final Detail detail = new Detail(this::requestLayout);
    private Zoom zoom = Zoom.FIT;
    private final Hand hand;
    private Optional<PhotoCache.Loaded> photo = Optional.empty();
    private Optional<Aperture> aperture = Optional.empty();
    private List<LookModel.Row> rows = List.of();
    private final List<BadgeAt> badges = new ArrayList<>();
    private Grip grip = new Grip.None();
    private List<Finding.Region> pulled = List.of();
    private List<Finding.Point> line = List.of();
    private final RimPoints points = new RimPoints();
    private boolean drawing;
    private boolean dragged;
    private double grabX;
    private double grabY;

    public PhotoPane(Hand hand) {
        this.hand = hand;
        getStyleClass().add("photo");
        picture.setPreserveRatio(true);
        picture.setSmooth(true);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        getChildren().addAll(carried, loupe);
        setOnMouseMoved(this::hover);
        setOnMouseExited(e -> loupe.setVisible(false));
        setOnMousePressed(e -> grab(e.getX(), e.getY()));
        setOnMouseDragged(e -> drag(e.getX(), e.getY()));
        setOnMouseReleased(e -> release(e.getX(), e.getY()));
        setOnScroll(e -> {
            zoom(Math.pow(STEP, e.getDeltaY() / NOTCH), e.getX(), e.getY());
            e.consume();
        });
        setOnZoom(e -> zoom(e.getZoomFactor(), e.getX(), e.getY()));
    }

    /// So many times as large, about a place of the pane.
    private void zoom(double by, double x, double y) {
        photo.ifPresent(p -> {
            zoom = zoom.larger(by, p, lying(p), x, y, getWidth(), getHeight());
            requestLayout();
        });
    }

    /// A step larger or smaller, about the chosen finding or else the middle.
    void step(boolean larger) {
        photo.ifPresent(p -> {
            Shown s = lying(p);
            Optional<LookModel.Row> chosen = rows.stream().filter(LookModel.Row::selected).filter(r -> !r.regions().isEmpty() && aperture.isPresent()).findFirst();
            double x = chosen.map(r -> s.x(r.x(), r.y())).orElse(getWidth() / 2);
            double y = chosen.map(r -> s.y(r.x(), r.y())).orElse(getHeight() / 2);
            zoom(larger ? KEY_STEP : 1 / KEY_STEP, x, y);
        });
    }

    /// All of the photo again.
    void fit() {
        zoom = Zoom.FIT;
        carried.letGo();
        requestLayout();
    }

    /// How many times larger than when all of it is seen.
    public double times() {
        return zoom.times();
    }

    private Shown lying(PhotoCache.Loaded p) {
        return Shown.in(p, aperture.orElse(NO_RIM), getWidth(), getHeight(), zoom);
    }

    public void show(Optional<PhotoCache.Loaded> shown, Optional<Aperture> at, List<LookModel.Row> findings) {
        if (!photo.equals(shown)) {
            points.begin(false);
            zoom = Zoom.FIT;
            carried.letGo();
        }
        photo = shown;
        aperture = at;
        rows = findings;
        pulled = List.of();
        Image image = shown.map(PhotoCache.Loaded::image).orElse(null);
        picture.setImage(image);
        requestLayout();
    }

    /// The loupe on or off.
    void loupe(boolean on) {
        loupe.turn(on);
    }

    boolean loupe() {
        return loupe.on();
    }

    /// Whether the next drag draws a fault.
    void drawing(boolean on) {
        drawing = on;
        line = List.of();
        requestLayout();
    }

    boolean drawing() {
        return drawing;
    }

    /// Whether the next three clicks are points of the rim.
    void pointing(boolean on) {
        points.begin(on);
        requestLayout();
    }

    boolean pointing() {
        return points.wanted();
    }

    private Optional<Shown> shown() {
        return photo.flatMap(p -> aperture.map(a -> lying(p)));
    }

    private void hover(MouseEvent e) {
        setCursor(switch (gripAt(e.getX(), e.getY())) {
            case Grip.None n -> zoom.fits() ? Cursor.DEFAULT : Cursor.OPEN_HAND;
            case Grip.Middle m -> Cursor.MOVE;
            case Grip.Rim r -> Cursor.CROSSHAIR;
            case Grip.Outline o -> Cursor.HAND;
            case Grip.Badge b -> Cursor.HAND;
            case Grip.Pencil p -> Cursor.CROSSHAIR;
            case Grip.Point p -> Cursor.CROSSHAIR;
        });
        shown().ifPresent(s -> photo.ifPresent(p -> loupe.over(p, s, e.getX(), e.getY())));
    }

    private Grip gripAt(double x, double y) {
        Optional<Shown> at = shown();
        if (at.isEmpty()) {
            return new Grip.None();
        }
        Shown s = at.get();
        if (drawing || points.wanted()) {
            return drawing ? new Grip.Pencil() : new Grip.Point();
        }
        Optional<BadgeAt> badge = badges.stream().filter(b -> Math.hypot(b.x - x, b.y - y) < BADGE_PX).findFirst();
        if (badge.isPresent()) {
            return new Grip.Badge(badge.get().row);
        }
        double perUnit = s.aperture().meanRadius() * s.factor();
        Optional<LookModel.Row> selected = rows.stream().filter(LookModel.Row::selected).filter(r -> r.kind() != FindingKind.DUST)
                .filter(r -> OutlineHand.distance(r.regions(), s.unitX(x, y), s.unitY(x, y)) * perUnit < OUTLINE_PX).findFirst();
        if (selected.isPresent()) {
            return new Grip.Outline(selected.get());
        }
        return s.toRim(x, y) < GRIP_PX ? new Grip.Rim() : s.toMiddle(x, y) < GRIP_PX ? new Grip.Middle() : new Grip.None();
    }

    private void grab(double x, double y) {
        grip = gripAt(x, y);
        grabX = x;
        grabY = y;
        dragged = false;
        loupe.setVisible(false);
        if (grip instanceof Grip.Outline o) {
            pulled = o.row().regions();
        }
    }

    private void drag(double x, double y) {
        Optional<Shown> at = shown();
        if (at.isEmpty()) {
            return;
        }
        Shown s = at.get();
        dragged = true;
        switch (grip) {
            case Grip.None n -> {
                dragged = false;
                carry(x, y);
                return;
            }
            case Grip.Badge b -> {}
            case Grip.Point p -> {}
            case Grip.Middle m -> aperture = Optional.of(new Aperture(s.photoX(x), s.photoY(y), s.aperture().rx(), s.aperture().ry(), s.aperture().thetaRad()));
            case Grip.Rim r -> {
                double grow = Math.clamp(s.aperture().unitRadius(s.photoX(x), s.photoY(y)), 0.2, 3);
                aperture = Optional.of(new Aperture(s.aperture().cx(), s.aperture().cy(), s.aperture().rx() * grow, s.aperture().ry() * grow, s.aperture().thetaRad()));
            }
            case Grip.Outline o -> pulled = OutlineHand.pulled(o.row().regions(), s.unitX(grabX, grabY), s.unitY(grabX, grabY), s.unitX(x, y), s.unitY(x, y));
            case Grip.Pencil p -> line = OutlineHand.drawn(line, s.unitX(x, y), s.unitY(x, y));
        }
        requestLayout();
    }

    /// While a hand takes the photo along it is shifted as it is; it is drawn anew where it is let go, and where what was drawn beside the pane ends.
    private void carry(double x, double y) {
        if (zoom.fits()) {
            return;
        }
        if (Carried.reaches(x - grabX, y - grabY, getWidth(), getHeight())) {
            carried.shift(x - grabX, y - grabY, getWidth(), getHeight());
        } else {
            move(x, y);
            grabX = x;
            grabY = y;
        }
    }

    /// The photo lies from now on where the hand has taken it.
    private void move(double x, double y) {
        photo.ifPresent(p -> zoom = zoom.moved(x - grabX, y - grabY, p, lying(p)));
        carried.letGo();
        requestLayout();
    }

    private void release(double x, double y) {
        Grip was = grip;
        if (was instanceof Grip.None && !zoom.fits()) {
            move(x, y);
        }
        grip = new Grip.None();
        if (was instanceof Grip.Point) {
            shown().flatMap(s -> points.add(s.photoX(x), s.photoY(y))).ifPresent(hand::aperture);
            requestLayout();
        }
        if (!dragged) {
            return;
        }
        dragged = false;
        switch (was) {
            case Grip.None n -> {}
            case Grip.Point p -> {}
            case Grip.Middle m -> aperture.ifPresent(hand::aperture);
            case Grip.Rim r -> aperture.ifPresent(hand::aperture);
            case Grip.Outline o -> hand.reshaped(o.row().id(), pulled);
            case Grip.Badge b -> badges.stream().filter(t -> !t.row.id().equals(b.row().id()) && Math.hypot(t.x - x, t.y - y) < 1.5 * BADGE_PX).findFirst()
                    .ifPresent(t -> hand.merged(t.row.id(), b.row().id()));
            case Grip.Pencil p -> {
                List<Finding.Point> outline = line;
                drawing(false);
                if (outline.size() > 2) {
                    hand.drawn(new Finding.Region(outline));
                }
            }
        }
    }

    @Override
    protected void ink() {
        carried.clear();
        badges.clear();
        if (photo.isEmpty()) {
            return;
        }
        lay(photo.get());
        shown().ifPresent(s -> {
            rim(s);
            rows.forEach(r -> finding(s, r));
            points.so().forEach(p -> {
                Circle dot = new Circle(s.x(s.aperture().unitX(p[0], p[1]), s.aperture().unitY(p[0], p[1])), s.y(s.aperture().unitX(p[0], p[1]), s.aperture().unitY(p[0], p[1])), 5);
                dot.getStyleClass().add("photo-rim");
                carried.getChildren().add(dot);
            });
            if (!line.isEmpty()) {
                Polyline drawn = new Polyline();
                line.forEach(p -> drawn.getPoints().addAll(s.x(p.x(), p.y()), s.y(p.x(), p.y())));
                drawn.getStyleClass().add("photo-pencil");
                carried.getChildren().add(drawn);
            }
        });
        Inked.keptIn(this);
        carried.goOn(getWidth(), getHeight());
    }

    /// What is seen of the photo, and what lies beside it for a hand that takes it along.
    private void lay(PhotoCache.Loaded p) {
        Shown s = lying(p);
        double perImage = s.factor() * p.storedWidth() / p.image().getWidth();
        double left = Math.max(0, (-s.left() - Carried.BESIDE * getWidth()) / perImage);
        double top = Math.max(0, (-s.top() - Carried.BESIDE * getHeight()) / perImage);
        double w = Math.min(p.image().getWidth(), (-s.left() + (1 + Carried.BESIDE) * getWidth()) / perImage) - left;
        double h = Math.min(p.image().getHeight(), (-s.top() + (1 + Carried.BESIDE) * getHeight()) / perImage) - top;
        picture.setViewport(new Rectangle2D(left, top, Math.max(1, w), Math.max(1, h)));
        picture.setFitWidth(Math.max(1, w) * perImage);
        picture.relocate(s.left() + left * perImage, s.top() + top * perImage);
        carried.getChildren().add(picture);
        detail.over(p, s, getWidth(), getHeight()).ifPresent(carried.getChildren()::add);
    }

    private void rim(Shown s) {
        Polygon rim = new Polygon();
        for (int i = 0; i < 120; i++) {
            double t = 2 * Math.PI * i / 120;
            rim.getPoints().addAll(s.x(Math.cos(t), Math.sin(t)), s.y(Math.cos(t), Math.sin(t)));
        }
        rim.getStyleClass().add("photo-rim");
        rim.setMouseTransparent(true);
        carried.getChildren().add(rim);
        for (int hour = 1; hour <= 12; hour++) {
            double sin = Math.sin(hour * Math.PI / 6);
            double cos = Math.cos(hour * Math.PI / 6);
            Line tick = new Line(s.x(1.005 * sin, 1.005 * cos), s.y(1.005 * sin, 1.005 * cos), s.x(1.04 * sin, 1.04 * cos), s.y(1.04 * sin, 1.04 * cos));
            tick.getStyleClass().add("photo-tick");
            tick.setMouseTransparent(true);
            carried.getChildren().add(tick);
            // An hour that lies outside of what is seen is not told at its edge.
            if (hour % 3 == 0 && contains(s.x(1.085 * sin, 1.085 * cos), s.y(1.085 * sin, 1.085 * cos))) {
                Text t = Inked.text(carried.getChildren(), Integer.toString(hour), "photo-hour");
                t.setX(s.x(1.085 * sin, 1.085 * cos) - t.getLayoutBounds().getWidth() / 2);
                t.setY(s.y(1.085 * sin, 1.085 * cos));
                t.setMouseTransparent(true);
                carried.getChildren().add(t);
            }
        }
    }

    private void finding(Shown s, LookModel.Row row) {
        boolean pulling = grip instanceof Grip.Outline o && o.row().id().equals(row.id());
        for (Finding.Region region : pulling ? pulled : row.regions()) {
            for (Node n : FaultDrawing.outline(region, row.kind(), s)) {
                if (row.selected()) {
                    n.getStyleClass().add("photo-selected");
                }
                n.setMouseTransparent(n.isMouseTransparent() || row.kind() == FindingKind.HAZE);
                n.setOnMouseClicked(e -> hand.picked(row.id()));
                carried.getChildren().add(n);
            }
        }
        if (row.regions().isEmpty()) {
            return;
        }
        boolean wide = row.kind() == FindingKind.HAZE || row.kind() == FindingKind.DUST;
        // What lies everywhere gets its badge at the rim, where nothing else is.
        double hour = row.kind() == FindingKind.HAZE ? 7 : 10;
        badge(s, row, wide ? 0.86 * Math.sin(hour * Math.PI / 6) : row.x(), wide ? 0.86 * Math.cos(hour * Math.PI / 6) : row.y());
    }

    private void badge(Shown s, LookModel.Row row, double ux, double uy) {
        if (!contains(s.x(ux, uy), s.y(ux, uy))) {
            return;
        }
        Circle disc = new Circle(s.x(ux, uy), s.y(ux, uy), row.selected() ? 14 : 12);
        disc.getStyleClass().addAll("photo-badge", row.selected() ? "photo-badge-selected" : "photo-badge-quiet");
        disc.setOnMouseClicked(e -> hand.picked(row.id()));
        Text t = Inked.text(carried.getChildren(), Integer.toString(row.number()), row.selected() ? "photo-number-selected" : "photo-number");
        t.setX(disc.getCenterX() - t.getLayoutBounds().getWidth() / 2);
        t.setY(disc.getCenterY());
        t.setMouseTransparent(true);
        carried.getChildren().addAll(disc, t);
        badges.add(new BadgeAt(row, disc.getCenterX(), disc.getCenterY()));
    }
}
