package stillglass.app.theme;

import javafx.scene.Node;

/// The height of the usual type where a node is shown.
public final class Em {
    private Em() {}

    /// @return pixels; those of the usual scale while the node is shown nowhere
    public static double of(Node node) {
        return node.getScene() == null ? Theme.BASE_PX : node.getScene().getRoot().getStyleClass().stream().filter(c -> c.startsWith("text-")).findFirst()
                .map(c -> Theme.BASE_PX * Integer.parseInt(c.substring("text-".length())) / 10).orElse(Theme.BASE_PX);
    }
}
