package stillglass.app.draw;

import javafx.scene.shape.ClosePath;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.QuadCurveTo;

/// A small lens in section: two curves between a top and a bottom edge.
public final class Silhouette {
    private Silhouette() {}

    /// @param front bulge of the front face, share of the height, positive to the left
    /// @param rear bulge of the rear face, positive to the right
    /// @param edge thickness at the rim, share of the height
    public static Path of(double height, double front, double rear, double edge) {
        double half = edge * height / 2;
        Path p = new Path(
                new MoveTo(-half, 0),
                new QuadCurveTo(-half - 2 * front * height, height / 2, -half, height),
                new LineTo(half, height),
                new QuadCurveTo(half + 2 * rear * height, height / 2, half, 0),
                new ClosePath());
        p.getStyleClass().add("silhouette");
        return p;
    }

    /// Seven shapes, one for each stage, as they follow one another on the thread.
    public static Path ofStage(int stage, double height) {
        double[][] forms = {
            {0.14, 0.0, 0.10}, {0.17, 0.17, 0.03}, {0.20, -0.11, 0.07}, {-0.12, -0.12, 0.36},
            {0.11, 0.11, 0.10}, {-0.10, 0.19, 0.08}, {0.10, 0.10, 0.02}
        };
        double[] f = forms[stage];
        return of(height, f[0], f[1], f[2]);
    }
}
