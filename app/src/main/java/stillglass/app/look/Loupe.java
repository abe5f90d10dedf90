package stillglass.app.look;

import javafx.geometry.Rectangle2D;
import javafx.scene.Group;
import javafx.scene.image.ImageView;
import javafx.scene.shape.Circle;

/// A round glass over the photo that shows what lies under the pointer larger.
final class Loupe extends Group {
    private static final double RADIUS = 82;
    private static final double TIMES = 3;

    private final ImageView large = new ImageView();
    private final Circle rim = new Circle(RADIUS);
    private boolean on;

    Loupe() {
        setMouseTransparent(true);
        large.setFitWidth(2 * RADIUS);
        large.setFitHeight(2 * RADIUS);
        large.setX(-RADIUS);
        large.setY(-RADIUS);
        large.setClip(new Circle(RADIUS));
        rim.getStyleClass().add("loupe-rim");
        getChildren().addAll(large, rim);
        setVisible(false);
    }

    void turn(boolean shown) {
        on = shown;
        setVisible(false);
    }

    boolean on() {
        return on;
    }

    /// @param shown how the photo lies on the screen
    void over(PhotoCache.Loaded photo, Shown shown, double x, double y) {
        double perScreen = photo.image().getWidth() / (shown.factor() * photo.storedWidth());
        double ix = (x - shown.left()) * perScreen;
        double iy = (y - shown.top()) * perScreen;
        boolean inside = ix >= 0 && iy >= 0 && ix < photo.image().getWidth() && iy < photo.image().getHeight();
        setVisible(on && inside);
        double half = RADIUS * perScreen / TIMES;
        large.setImage(photo.image());
        large.setViewport(new Rectangle2D(ix - half, iy - half, 2 * half, 2 * half));
        setTranslateX(x);
        setTranslateY(y);
    }
}
