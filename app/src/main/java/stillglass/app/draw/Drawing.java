package stillglass.app.draw;

import javafx.scene.layout.Region;

/// A region that draws itself anew only when what it shows or its size changed. Children changed in the middle of a layout ask for another one, which without
/// that would never end for a drawing that is put away.
public abstract class Drawing extends Region {
    private double drawnWidth = -1;
    private double drawnHeight = -1;

    /// Draws at the next layout.
    protected final void redraw() {
        drawnWidth = -1;
        requestLayout();
    }

    @Override
    protected final void layoutChildren() {
        if (getWidth() != drawnWidth || getHeight() != drawnHeight) {
            drawnWidth = getWidth();
            drawnHeight = getHeight();
            getChildren().clear();
            draw();
            // Born in a layout, it has missed the styles of this frame and would be seen solid black.
            applyCss();
        }
    }

    /// Adds the children of the drawing; there are none left.
    protected abstract void draw();
}
