package stillglass.app.shell;

import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.layout.Pane;
import org.jspecify.annotations.Nullable;
import stillglass.app.draw.Operable;

/// Keeps the focus where the hands are. When what had it is drawn anew the toolkit gives it to the first thing in the window, and the next Space would press
/// that. Here it goes to the same card or dial where that still is, and otherwise to the work area, where Space is the next step.
final class FocusKeeper {
    private final Node top;
    private final Pane area;
    private @Nullable Node last;

    /// @param top what never gets the focus by itself
    /// @param area where the work is
    FocusKeeper(Node top, Pane area) {
        this.top = top;
        this.area = area;
        area.sceneProperty().subscribe(scene -> {
            if (scene != null) {
                scene.focusOwnerProperty().addListener((of, before, now) -> moved(scene, now));
            }
        });
    }

    private void moved(Scene scene, @Nullable Node now) {
        Node before = last;
        boolean lost = before == null || before.getScene() != scene || !seen(before);
        if (lost && (now == null || within(now, top))) {
            Node there = same(before).orElse(area);
            there.requestFocus();
            // What a page drew anew by itself: the toolkit still hands the focus on at the end of its pulse.
            Platform.runLater(() -> {
                Node owner = scene.getFocusOwner();
                if (owner == null || within(owner, top)) {
                    there.requestFocus();
                }
            });
        } else {
            last = now;
        }
    }

    /// What stands now in the place of something that was drawn anew.
    private Optional<Node> same(@Nullable Node before) {
        return before == null || before.getId() == null || !(Operable.is(before) || before.getAccessibleRole() == javafx.scene.AccessibleRole.SLIDER)
                ? Optional.empty() : Optional.ofNullable(area.lookup("#" + before.getId())).filter(FocusKeeper::seen);
    }

    /// Right after something was drawn: the toolkit would notice later.
    void drawn() {
        Scene scene = area.getScene();
        if (scene != null && last != null && (last.getScene() != scene || !seen(last))) {
            Node before = last;
            last = null;
            same(before).orElse(area).requestFocus();
        }
    }

    private static boolean within(Node node, Node ancestor) {
        for (Node n = node; n != null; n = n.getParent()) {
            if (n == ancestor) {
                return true;
            }
        }
        return false;
    }

    private static boolean seen(Node node) {
        for (Parent p = node.getParent(); p != null; p = p.getParent()) {
            if (!p.isVisible()) {
                return false;
            }
        }
        return node.isVisible();
    }
}
