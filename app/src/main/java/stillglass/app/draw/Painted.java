package stillglass.app.draw;

import javafx.scene.layout.Region;

/// A region that draws itself anew at every layout. What is born in a layout has missed the styles of its frame, and a shape without style is solid black:
/// here it gets them before it is seen.
public abstract class Painted extends Region {
    @Override
    protected final void layoutChildren() {
        ink();
        applyCss();
    }

    /// Draws; whatever was drawn before may still be there.
    protected abstract void ink();
}
