package stillglass.app.look;

import javafx.scene.CacheHint;
import javafx.scene.Group;
import javafx.scene.shape.Rectangle;

/// A photo and everything that is drawn on it. A hand takes it along as one picture that is only shifted: photo, outlines and hatching are not painted anew for every step of the hand.
final class Carried extends Group {
    /// How much is drawn on each side of the pane for the hand, of its width and height.
    static final double BESIDE = 0.5;

    private final Rectangle reach = new Rectangle();
    /// How far the hand has it from where it is drawn.
    private double takenX;
    private double takenY;

    Carried() {
        setId("drawn");
        setManaged(false);
        setAutoSizeChildren(false);
        setCacheHint(CacheHint.SPEED);
    }

    /// Whether the hand is still over what was drawn beside a pane of that width and height.
    static boolean reaches(double dx, double dy, double width, double height) {
        return Math.abs(dx) <= BESIDE * width && Math.abs(dy) <= BESIDE * height;
    }

    /// Shifted from where it was drawn, by whole pixels: so it need not be worked out between them.
    void shift(double dx, double dy, double width, double height) {
        reach.setX(-BESIDE * width);
        reach.setY(-BESIDE * height);
        reach.setWidth((1 + 2 * BESIDE) * width);
        reach.setHeight((1 + 2 * BESIDE) * height);
        setClip(reach);
        setCache(true);
        takenX = Math.rint(dx);
        takenY = Math.rint(dy);
        setTranslateX(takenX);
        setTranslateY(takenY);
    }

    /// Drawn anew while the hand has it, for a finer part of the photo arrived: it is where it was.
    void goOn(double width, double height) {
        if (takenX != 0 || takenY != 0) {
            shift(takenX, takenY, width, height);
        }
    }

    /// The hand has left it, or it will be drawn where the hand has it.
    void letGo() {
        takenX = 0;
        takenY = 0;
    }

    /// Empty again and where it is drawn.
    void clear() {
        getChildren().clear();
        setCache(false);
        setClip(null);
        setTranslateX(0);
        setTranslateY(0);
    }
}
