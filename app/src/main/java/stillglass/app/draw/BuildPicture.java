package stillglass.app.draw;

import java.util.List;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import stillglass.assembly.Build;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;

/// A construction from the side, small: what is expected to come off in front of it and behind, the first farthest out, the likelier the darker.
public final class BuildPicture extends Drawing {
    private static final double HEIGHT = 44;
    private static final double STEP = 26;
    private static final int MOST = 4;

    private final List<Joint> front;
    private final List<Joint> rear;
    private final Build build;

    public BuildPicture(Build build) {
        this.build = build;
        front = of(build, List.of(Side.FRONT, Side.TOP, Side.LEFT));
        rear = of(build, List.of(Side.REAR, Side.BOTTOM, Side.RIGHT));
        setMinHeight(HEIGHT);
        setPrefHeight(HEIGHT);
        setMouseTransparent(true);
    }

    private static List<Joint> of(Build build, List<Side> sides) {
        return build.expected().joints().stream().filter(j -> sides.contains(j.side())).limit(MOST).toList();
    }

    @Override
    protected void draw() {
        double body = 44;
        double x = 8;
        double y = HEIGHT / 2;
        Inked.line(getChildren(), 0, y, 2 * x + STEP * (front.size() + rear.size()) + body, y, "axis-line");
        for (Joint j : front) {
            x += STEP;
            thing(j, x - STEP / 2, y);
        }
        Rectangle whole = new Rectangle(x + 2, y - 16, body - 4, 32);
        whole.setArcWidth(9);
        whole.setArcHeight(9);
        whole.getStyleClass().add("stack-body");
        getChildren().add(whole);
        x += body;
        for (Joint j : rear.reversed()) {
            x += STEP;
            thing(j, x - STEP / 2, y);
        }
    }

    private void thing(Joint j, double x, double y) {
        for (Shape s : PartForm.of(j.name()).shapes(x, y, 15)) {
            s.getStyleClass().addAll("stack-item", s instanceof Line ? "stack-back" : "stack-off");
            s.setOpacity(0.35 + 0.65 * build.chance(j.id()));
            getChildren().add(s);
        }
    }
}
