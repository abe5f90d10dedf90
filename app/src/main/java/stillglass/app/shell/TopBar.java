package stillglass.app.shell;

import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.layout.Pane;

/// Tag, thread of stages and status in a row; where the type is too large for a row the thread lies below the other two.
final class TopBar extends Pane {
    private static final double GAP = 22;

    private final Node tag;
    private final StageThread thread;
    private final Node status;

    TopBar(Node tag, StageThread thread, Node status) {
        this.tag = tag;
        this.thread = thread;
        this.status = status;
        getChildren().addAll(tag, thread, status);
        getStyleClass().add("top");
    }

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    private double free(double width) {
        return width - getInsets().getLeft() - getInsets().getRight();
    }

    private boolean oneRow(double width) {
        return tag.prefWidth(-1) + thread.prefWidth(-1) + status.prefWidth(-1) + 2 * GAP <= free(width);
    }

    private double upper() {
        return Math.max(tag.prefHeight(-1), status.prefHeight(-1));
    }

    @Override
    protected double computePrefHeight(double width) {
        double w = width < 0 ? getWidth() : width;
        double inner = oneRow(w) ? Math.max(upper(), thread.prefHeight(-1)) : upper() + thread.prefHeight(-1) + 4;
        return snapSizeY(inner + getInsets().getTop() + getInsets().getBottom());
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected double computeMinWidth(double height) {
        return 0;
    }

    @Override
    protected void layoutChildren() {
        Insets in = getInsets();
        double w = free(getWidth());
        boolean row = oneRow(getWidth());
        double statusWide = Math.min(status.prefWidth(-1), w / 2);
        double tagWide = Math.min(tag.prefWidth(-1), w - statusWide - GAP);
        double high = row ? getHeight() - in.getTop() - in.getBottom() : upper();
        layoutInArea(tag, in.getLeft(), in.getTop(), tagWide, high, 0, Insets.EMPTY, true, false, HPos.LEFT, VPos.CENTER);
        layoutInArea(status, in.getLeft() + w - statusWide, in.getTop(), statusWide, high, 0, Insets.EMPTY, true, false, HPos.RIGHT, VPos.CENTER);
        double x = row ? in.getLeft() + tagWide + GAP : in.getLeft();
        double y = row ? in.getTop() : in.getTop() + high + 4;
        layoutInArea(thread, x, y, row ? w - tagWide - statusWide - 2 * GAP : w, row ? high : thread.prefHeight(-1), 0, Insets.EMPTY, true, true, HPos.LEFT, VPos.CENTER);
    }
}
