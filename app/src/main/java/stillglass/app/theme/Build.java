package stillglass.app.theme;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/// The few ways in which views are put together, so that they look alike.
public final class Build {
    private static final double SHEET_EM = 17;
    private static final double PICTURE_EM = 7;
    private static final double ONE_LINE = 2000;
    private static final double LEAST_SCROLLED_EM = 5;

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

    /// A button that opens into a list; its items are added by who makes it.
    public static MenuButton menu(String text, String id) {
        MenuButton b = new MenuButton(text);
        b.setMnemonicParsing(false);
        b.setId(id);
        return b;
    }

    /// A button that shows more than words: what is in it is as wide as the button, and the button as high as that needs.
    public static Button plate(Region inside, Runnable act, String... classes) {
        Button b = button("", "", act, classes);
        b.setGraphic(inside);
        b.setMaxWidth(Double.MAX_VALUE);
        b.setMinWidth(0);
        b.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        b.widthProperty().subscribe(w -> {
            double room = w.doubleValue() - b.snappedLeftInset() - b.snappedRightInset();
            if (room > 0) {
                inside.setPrefWidth(room);
                inside.setMaxWidth(room);
                b.setMinHeight(inside.prefHeight(room) + b.snappedTopInset() + b.snappedBottomInset());
            }
        });
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
        // The toolkit keeps a picture of what is scrolled, and draws all of that anew with everything that moves in it.
        s.skinProperty().subscribe(skin -> s.lookupAll(".viewport").forEach(v -> v.setCache(false)));
        return s;
    }

    /// The same, taking all the height that is left in its column.
    public static ScrollPane tall(Node content) {
        ScrollPane s = scroll(content);
        VBox.setVgrow(s, Priority.ALWAYS);
        if (content instanceof Region r) {
            // Less than a few lines is no room to scroll in.
            r.heightProperty().subscribe(h -> s.setMinHeight(Math.min(h.doubleValue(), LEAST_SCROLLED_EM * Em.of(s))));
        }
        return s;
    }

    /// The same, never less high than its content while that needs no more than `room`.
    public static ScrollPane tall(Region content, double room) {
        ScrollPane s = tall(content);
        content.heightProperty().subscribe(h -> s.setMinHeight(Math.min(h.doubleValue(), room)));
        return s;
    }

    /// Shares the width of a row: each node that has a place in it grows by its weight. Where the type is too large they lie one below the other.
    public static HBox shared(double gap, List<Node> nodes, double... weights) {
        return new Columns(gap, SHEET_EM, nodes, weights);
    }

    /// The same for pictures, which may get narrower than sheets.
    public static HBox pictures(double gap, Node... nodes) {
        double[] same = new double[nodes.length];
        java.util.Arrays.fill(same, 1);
        return new Columns(gap, PICTURE_EM, List.of(nodes), same);
    }

    /// A row whose beginning stands at the left and whose end at the right; it goes on below where it is too long.
    /// @param left how many of the nodes stand at the left
    public static Pane head(double gap, int left, Node... nodes) {
        return new HeadRow(gap, left, nodes);
    }

    /// A row that goes on below where it is too long.
    public static FlowPane flowing(double gap, Node... nodes) {
        FlowPane flow = new FlowPane(gap, 4, nodes);
        flow.setRowValignment(javafx.geometry.VPos.CENTER);
        flow.setPrefWrapLength(ONE_LINE);
        flow.setMinWidth(0);
        return flow;
    }
}
