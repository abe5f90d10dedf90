package stillglass.app.theme;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/// The few ways in which views are put together, so that they look alike.
public final class Build {
    private Build() {}

    public static Label label(String text, String... classes) {
        // A figure and its unit stay together at the end of a line.
        Label l = new Label(text.replace(" %", "\u00a0%").replace(" mm", "\u00a0mm"));
        l.getStyleClass().addAll(classes);
        l.setWrapText(true);
        l.setMinSize(0, Region.USE_PREF_SIZE);
        return l;
    }

    /// A label on one line.
    public static Label line(String text, String... classes) {
        Label l = label(text, classes);
        l.setWrapText(false);
        return l;
    }

    /// @param key hint of the key that does the same, empty for none
    public static Button button(String text, String key, Runnable act, String... classes) {
        Button b = new Button(text);
        b.getStyleClass().addAll(classes);
        b.setMnemonicParsing(false);
        b.setOnAction(e -> act.run());
        if (!key.isEmpty()) {
            Label hint = line(key, "key-hint");
            b.setGraphic(hint);
            b.setContentDisplay(javafx.scene.control.ContentDisplay.RIGHT);
        }
        return b;
    }

    /// A field that hands over its text on Enter and empties itself, and says what it is for to a screen reader.
    public static TextField field(String prompt, Consumer<String> enter) {
        TextField f = new TextField();
        f.setPromptText(prompt);
        f.setAccessibleText(prompt);
        f.setOnAction(e -> {
            String typed = f.getText().strip();
            if (!typed.isEmpty()) {
                f.clear();
                enter.accept(typed);
            }
        });
        return f;
    }

    public static VBox column(double gap, Node... nodes) {
        VBox box = new VBox(nodes);
        box.setSpacing(gap);
        return box;
    }

    public static HBox row(double gap, Node... nodes) {
        HBox box = new HBox(nodes);
        box.setSpacing(gap);
        box.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        return box;
    }

    public static Region spring() {
        Region r = new Region();
        HBox.setHgrow(r, Priority.ALWAYS);
        VBox.setVgrow(r, Priority.ALWAYS);
        return r;
    }

    /// A sheet of paper with a heading; children are added below it.
    public static VBox sheet(String heading, String sub, Node... nodes) {
        VBox box = column(6, label(heading, "heading"));
        if (!sub.isEmpty()) {
            box.getChildren().add(label(sub, "soft"));
        }
        box.getChildren().addAll(nodes);
        box.getStyleClass().add("sheet");
        return box;
    }

    /// Scrolls vertically when the content is too tall.
    public static ScrollPane scroll(Node content) {
        ScrollPane s = new ScrollPane(content);
        s.setFitToWidth(true);
        s.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        s.setFocusTraversable(false);
        return s;
    }

    /// The same, taking all the height that is left in its column.
    public static ScrollPane tall(Node content) {
        ScrollPane s = scroll(content);
        VBox.setVgrow(s, Priority.ALWAYS);
        return s;
    }

    /// The same, never less high than its content while that needs no more than `room`.
    public static ScrollPane tall(Region content, double room) {
        ScrollPane s = tall(content);
        content.heightProperty().subscribe(h -> s.setMinHeight(Math.min(h.doubleValue(), room)));
        return s;
    }

    /// Shares the width of a row: each node that has a place in it grows by its weight.
    public static HBox shared(double gap, List<Node> nodes, double... weights) {
        HBox box = new HBox(gap);
        box.getChildren().addAll(nodes);
        box.widthProperty().subscribe(w -> share(box, gap, nodes, weights));
        nodes.forEach(n -> n.managedProperty().subscribe(m -> share(box, gap, nodes, weights)));
        return box;
    }

    private static void share(HBox box, double gap, List<Node> nodes, double... weights) {
        double total = 0;
        int shown = 0;
        for (int i = 0; i < nodes.size(); i++) {
            total += nodes.get(i).isManaged() ? weights[i] : 0;
            shown += nodes.get(i).isManaged() ? 1 : 0;
        }
        double free = box.getWidth() - gap * (shown - 1) - box.getInsets().getLeft() - box.getInsets().getRight();
        for (int i = 0; i < nodes.size(); i++) {
            if (nodes.get(i) instanceof Region r && r.isManaged()) {
                r.setMinWidth(0);
                r.setPrefWidth(Math.max(0, free * weights[i] / total));
            }
        }
    }
}
