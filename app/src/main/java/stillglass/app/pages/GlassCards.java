package stillglass.app.pages;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;

/// The typed glasses side by side, all to one scale, light from the left: each is dragged to its place, or moved and turned by keys.
final class GlassCards {
    private static final double TALL = 74;
    private static final double MOST_WIDE = 80;
    private static final double AIR = 10;
    /// A move shorter than this is a click.
    private static final double CLICK = 4;

    private final Consumer<Map<String, String>> take;
    private final HBox strip = Build.row(6);
    private final VBox node;
    private List<Node> cards = List.of();
    private Optional<GlassRows> rows = Optional.empty();
    private Map<String, String> fields = Map.of();
    private double pressed;

    /// @param take hears the fields with the glasses where they were put
    GlassCards(Consumer<Map<String, String>> take) {
        this.take = take;
        strip.setId("glass-cards");
        strip.setAlignment(Pos.CENTER_LEFT);
        node = Build.column(4, Build.label(Words.of("measure.cards.how"), "soft", "small"), strip);
    }

    Node node() {
        return node;
    }

    /// @param shapes of the rows, as far as each can be drawn
    void show(Map<String, String> typed, List<Optional<MeasureModel.Shape>> shapes) {
        GlassRows now = GlassRows.of(typed);
        boolean drawn = now.rows().size() > 1 && shapes.stream().limit(MeasureModel.count(typed)).allMatch(Optional::isPresent);
        node.setVisible(drawn);
        node.setManaged(drawn);
        if (!drawn) {
            return;
        }
        fields = typed;
        List<List<MeasureModel.Shape>> together = now.rows().stream().map(r -> r.stream().flatMap(i -> shapes.get(i - 1).stream()).toList()).toList();
        double widest = together.stream().flatMap(List::stream).mapToDouble(MeasureModel.Shape::diameterMm).max().orElse(1);
        double longest = together.stream().mapToDouble(GlassSketch::lengthMm).max().orElse(1);
        double pixels = Math.min((TALL - 8) / widest, (MOST_WIDE - AIR) / longest);
        int focused = focused();
        rows = Optional.of(now);
        List<Node> made = new ArrayList<>();
        for (int i = 0; i < together.size(); i++) {
            made.add(card(i, now.names().get(i), together.get(i), pixels));
        }
        cards = made;
        strip.getChildren().setAll(made);
        if (focused >= 0 && focused < made.size()) {
            made.get(focused).requestFocus();
        }
    }

    private int focused() {
        for (int i = 0; i < cards.size(); i++) {
            if (cards.get(i).isFocused()) {
                return i;
            }
        }
        return -1;
    }

    private Node card(int which, String name, List<MeasureModel.Shape> together, double pixels) {
        GlassSketch sketch = new GlassSketch();
        double wide = Math.max(AIR * 3, GlassSketch.lengthMm(together) * pixels + 2 * AIR);
        sketch.setMinSize(wide, TALL);
        sketch.setPrefSize(wide, TALL);
        sketch.show(together, pixels);
        VBox card = Build.column(2, sketch, Build.line(name, "strong", "small"));
        card.setAlignment(Pos.CENTER);
        card.getStyleClass().add("glass-card");
        card.setId("glass-card-" + (which + 1));
        card.setFocusTraversable(true);
        card.setAccessibleRole(AccessibleRole.BUTTON);
        card.setAccessibleText(Words.of("measure.cards.spoken", name, which + 1));
        card.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            KeyCode key = e.getCode();
            if (key == KeyCode.LEFT || key == KeyCode.RIGHT) {
                move(which, which + (key == KeyCode.LEFT ? -1 : 1));
                e.consume();
            } else if (key == KeyCode.T || key == KeyCode.SPACE || key == KeyCode.ENTER) {
                turn(which);
                e.consume();
            }
        });
        card.setOnMousePressed(e -> {
            pressed = e.getSceneX();
            card.requestFocus();
            card.setViewOrder(-1);
            e.consume();
        });
        card.setOnMouseDragged(e -> card.setTranslateX(e.getSceneX() - pressed));
        card.setOnMouseReleased(e -> {
            double by = e.getSceneX() - pressed;
            card.setTranslateX(0);
            card.setViewOrder(0);
            if (Math.abs(by) > CLICK) {
                move(which, place(card.getBoundsInParent().getCenterX() + by));
            }
        });
        card.setOnMouseClicked(e -> {
            if (e.getClickCount() == 2) {
                turn(which);
            }
        });
        return card;
    }

    /// The place at a point of the strip.
    private int place(double x) {
        int at = 0;
        for (int i = 0; i < cards.size(); i++) {
            if (x > cards.get(i).getBoundsInParent().getMinX()) {
                at = i;
            }
        }
        return at;
    }

    private void move(int from, int to) {
        int place = Math.clamp(to, 0, cards.size() - 1);
        if (place != from) {
            cards.get(place).requestFocus();
            rows.ifPresent(r -> take.accept(r.moved(fields, from, place)));
        }
    }

    private void turn(int which) {
        rows.ifPresent(r -> take.accept(r.turned(fields, which)));
    }
}
