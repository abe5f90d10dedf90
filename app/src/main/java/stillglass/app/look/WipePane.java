package stillglass.app.look;

import java.util.Optional;
import javafx.scene.Cursor;
import javafx.scene.image.ImageView;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.scene.transform.Affine;
import stillglass.app.draw.Drawing;
import stillglass.app.draw.Inked;
import stillglass.app.theme.Words;
import stillglass.look.Aperture;

/// Before on the left of a line, after on its right, the later photo brought over the earlier by their apertures and turned back.
final class WipePane extends Drawing {
    private final ImageView before = new ImageView();
    private final ImageView after = new ImageView();
    private Optional<PhotoCache.Loaded> first = Optional.empty();
    private Optional<PhotoCache.Loaded> second = Optional.empty();
    private Optional<LookModel.Wipe> wipe = Optional.empty();
    private double at = 0.5;

    WipePane() {
        getStyleClass().add("photo");
        setCursor(Cursor.H_RESIZE);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        setOnMousePressed(e -> move(e.getX() / Math.max(1, getWidth())));
        setOnMouseDragged(e -> move(e.getX() / Math.max(1, getWidth())));
    }

    void show(LookModel.Wipe shown, Optional<PhotoCache.Loaded> earlier, Optional<PhotoCache.Loaded> later) {
        wipe = Optional.of(shown);
        first = earlier;
        second = later;
        redraw();
    }

    /// Moves the line by a share of the width.
    void nudge(double by) {
        move(at + by);
    }

    double at() {
        return at;
    }

    private void move(double share) {
        at = Math.clamp(share, 0.02, 0.98);
        redraw();
    }

    @Override
    protected void draw() {
        if (wipe.isEmpty() || first.isEmpty() || second.isEmpty()) {
            return;
        }
        Shown s = Shown.fitted(first.get(), wipe.get().before().aperture(), getWidth(), getHeight());
        before.setImage(first.get().image());
        before.setPreserveRatio(true);
        before.setFitWidth(Shown.widthIn(first.get(), getWidth(), getHeight()));
        before.relocate(s.left(), s.top());
        after.setImage(second.get().image());
        after.getTransforms().setAll(over(s, wipe.get(), second.get()));
        // The clip lies in the later photo's own frame: the line on the screen is carried back into it.
        javafx.scene.layout.Pane right = new javafx.scene.layout.Pane(after);
        right.setMouseTransparent(true);
        right.setClip(new Rectangle(at * getWidth(), 0, getWidth(), getHeight()));
        Line line = new Line(at * getWidth(), 0, at * getWidth(), getHeight());
        line.getStyleClass().add("wipe-line");
        getChildren().addAll(before, right, line);
        word(Words.of("look.shot.before"), 12);
        Text t = word(Words.of("look.shot.after"), 0);
        t.setX(getWidth() - 12 - t.getLayoutBounds().getWidth());
    }

    private Text word(String words, double x) {
        Text t = Inked.text(getChildren(), words, "wipe-word");
        t.setX(x);
        t.setY(22);
        getChildren().add(t);
        return t;
    }

    /// Pixels of the later photo to the screen: into its aperture units, turned back, out by the earlier aperture.
    private static Affine over(Shown s, LookModel.Wipe w, PhotoCache.Loaded later) {
        Aperture to = w.before().aperture();
        Aperture from = w.after().aperture();
        double stored = later.storedWidth() / later.image().getWidth();
        double c = Math.cos(Math.toRadians(w.turnDeg()));
        double sn = Math.sin(Math.toRadians(w.turnDeg()));
        double[][] corner = {{0, 0}, {1000, 0}, {0, 1000}};
        double[][] screen = new double[3][2];
        for (int i = 0; i < 3; i++) {
            double ux = from.unitX(corner[i][0] * stored, corner[i][1] * stored);
            double uy = from.unitY(corner[i][0] * stored, corner[i][1] * stored);
            // Turned back anticlockwise.
            double bx = c * ux - sn * uy;
            double by = sn * ux + c * uy;
            screen[i][0] = s.around(to).x(bx, by);
            screen[i][1] = s.around(to).y(bx, by);
        }
        return new Affine((screen[1][0] - screen[0][0]) / 1000, (screen[2][0] - screen[0][0]) / 1000, screen[0][0],
                (screen[1][1] - screen[0][1]) / 1000, (screen[2][1] - screen[0][1]) / 1000, screen[0][1]);
    }
}
