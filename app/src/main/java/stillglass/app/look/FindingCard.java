package stillglass.app.look;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.animation.KeyFrame;
import javafx.animation.KeyValue;
import javafx.animation.Timeline;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Selection;
import stillglass.app.draw.Operable;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.look.FindingKind;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.glass.GlassIntent;

/// One finding beside the photo: what it is and how sure, where, why; when selected, everything that can be set about it.
final class FindingCard {
    /// The commonest kinds have keys.
    static final List<FindingKind> KEYED = LookModel.KINDS.subList(0, 5);

    /// Width from which the chips of a card reckon their height.
    private static final double CHIPS_WIDTH = 320;
    private static final double BAR_WIDTH = 90;
    private static final Duration SLIDE = Duration.millis(350);

    private final Desk desk;
    private final Consumer<String> type;
    private final Runnable draw;
    private final Consumer<LookModel.Row> merge;
    /// Widths the bars had last, by finding and kind: they slide from there.
    private final Map<String, Double> before = new HashMap<>();

    /// @param type begins a line of bench shorthand
    /// @param draw begins to draw a fault
    /// @param merge joins a finding with its nearest
    FindingCard(Desk desk, Consumer<String> type, Runnable draw, Consumer<LookModel.Row> merge) {
        this.desk = desk;
        this.type = type;
        this.draw = draw;
        this.merge = merge;
    }

    /// One line; the whole of it while it is chosen.
    Node of(LookModel.Row r) {
        Label number = Build.line(Integer.toString(r.number()), "figure", "card-number", "number-" + r.kind().word());
        number.setMinWidth(26);
        FlowPane title = Build.flowing(8, Build.line(r.title(), "subheading"), Build.line(r.sure(), "soft"), Build.line(r.selected() ? r.corrected() : r.place(), "soft", "small"));
        title.setPrefWrapLength(CHIPS_WIDTH);
        VBox words = Build.column(3, title);
        words.setMinWidth(0);
        HBox.setHgrow(words, javafx.scene.layout.Priority.ALWAYS);
        if (r.selected()) {
            words.getChildren().addAll(opened(r));
        }
        HBox card = Build.row(10, number, words);
        card.setAlignment(javafx.geometry.Pos.TOP_LEFT);
        card.getStyleClass().addAll("card", "card-" + r.kind().word(), r.selected() ? "card-selected" : "card-folded");
        card.setId("finding-" + r.number());
        Operable.make(card, r.number() + " " + r.title() + ", " + r.place() + ", " + r.size() + (r.selected() ? ", " + Words.of("spoken.chosen") : ""), () -> desk.select(new Selection.OfFinding(r.id())));
        return card;
    }

    private List<Node> opened(LookModel.Row r) {
        MenuButton kind = Build.menu(Words.of("look.itis.menu", r.kind().word().replace('-', ' ')), "kind-menu");
        for (LookModel.KindChip k : r.kinds()) {
            int key = KEYED.indexOf(k.kind()) + 1;
            item(kind, "kind-" + k.kind().word(), (key > 0 ? key + "  " : "") + k.kind().word().replace('-', ' '), k.chosen(), k.not(), () -> desk.submit(new GlassIntent.Rekind(r.id(), k.kind())));
        }
        MenuButton surface = Build.menu(Words.of("look.lieson.menu", r.place()), "surface-menu");
        for (LookModel.SurfaceChip s : r.surfaces()) {
            item(surface, "surface-" + (s.surface() + 1), s.probability().isEmpty() ? s.name() : s.name() + "  " + s.probability(), s.chosen(), s.not(), () -> desk.submit(new GlassIntent.Place(r.id(), s.surface())));
        }
        surface.setDisable(r.surfaces().isEmpty());
        MenuButton severity = Build.menu(Words.of(r.severitySaid() ? "look.severity.said" : "look.severity.read", r.severity().map(e -> Words.say(e.ofGlass())).orElseGet(() -> Words.of("look.severity.open"))), "severity-menu");
        for (Extent e : Extent.values()) {
            item(severity, "severity-" + e.word(), (e == Extent.NONE ? "" : Words.of("look.severity.key", e.ordinal()) + "  ") + Words.say(e.ofGlass()), r.severity().filter(x -> x == e).isPresent(), "", () -> desk.submit(new GlassIntent.Severe(r.id(), e.ordinal())));
        }
        Button dismiss = Build.button(Words.of("look.dismiss"), "X", () -> desk.submit(new GlassIntent.Dismiss(r.id())), "chip");
        dismiss.setId("dismiss");
        List<Node> all = new ArrayList<>(List.of(Build.label(r.place() + "  ·  " + r.size()), chances(r), flowing(kind, severity, surface, dismiss)));
        for (String line : List.of(r.reasons(), r.growth(), r.tests())) {
            if (!line.isEmpty()) {
                all.add(Build.label(line, "soft", "small"));
            }
        }
        r.depth().ifPresent(d -> all.add(depth(r, d)));
        all.add(hands(r));
        return all;
    }

    /// What the lens rules out says why; it may be chosen all the same and is then refused in words.
    private static void item(MenuButton menu, String id, String text, boolean chosen, String not, Runnable act) {
        MenuItem item = new MenuItem((chosen ? "✓ " : "") + text + (not.isEmpty() ? "" : "  –  " + not));
        item.setId(id);
        item.setMnemonicParsing(false);
        if (!not.isEmpty()) {
            item.getStyleClass().add("struck");
        }
        item.setOnAction(e -> act.run());
        menu.getItems().add(item);
    }

    private static FlowPane flowing(Node... nodes) {
        FlowPane line = Build.flowing(6, nodes);
        line.setPrefWrapLength(CHIPS_WIDTH);
        return line;
    }

    private static FlowPane line(String word) {
        FlowPane line = new FlowPane(6, 6);
        line.setPrefWrapLength(CHIPS_WIDTH);
        line.getChildren().add(Build.line(Words.of(word), "soft", "small"));
        return line;
    }

    /// The likeliest kinds as bars that slide to their new length when an answer came.
    private Node chances(LookModel.Row r) {
        FlowPane bars = Build.flowing(14);
        bars.setPrefWrapLength(CHIPS_WIDTH);
        for (LookModel.Chance c : r.chances()) {
            Region bar = new Region();
            bar.getStyleClass().addAll("chance-bar", c.kind() == r.kind() ? "chance-first" : "chance-other");
            bar.setMinHeight(7);
            double width = Math.max(2, BAR_WIDTH * c.probability());
            String key = r.id() + " " + c.kind();
            double from = before.getOrDefault(key, width);
            before.put(key, width);
            bar.setMaxWidth(from);
            bar.setMinWidth(from);
            if (Math.abs(from - width) > 0.5) {
                new Timeline(new KeyFrame(SLIDE, new KeyValue(bar.minWidthProperty(), width), new KeyValue(bar.maxWidthProperty(), width))).play();
            }
            Label words = Build.line(Words.of("look.place", c.kind().word().replace('-', ' '), 100 * c.probability()), "small");
            words.setMinWidth(Region.USE_PREF_SIZE);
            words.setId("chance-" + c.kind().word());
            bars.getChildren().add(Build.column(2, words, bar));
        }
        bars.getChildren().add(Build.line(Words.of("look.sureness"), "soft", "small"));
        return bars;
    }

    /// What is done by hand: reading how deep it lies, and mending its outline.
    private Node hands(LookModel.Row r) {
        FlowPane line = line("look.depth");
        hand(line, "depth-focus", "look.depth.focus", "D", () -> type.accept("focus "));
        hand(line, "depth-parallax", "look.depth.parallax", "", () -> type.accept("parallax 10° "));
        line.getChildren().add(Build.line(Words.of("look.fix"), "soft", "small"));
        hand(line, "outline-split", "look.split", "S", () -> desk.submit(new GlassIntent.Split(r.id())));
        hand(line, "outline-merge", "look.merge", "M", () -> merge.accept(r));
        hand(line, "outline-draw", "look.draw", "F", draw);
        return line;
    }

    private static void hand(FlowPane line, String id, String word, String key, Runnable act) {
        Button b = Build.button(Words.of(word), key, act, "chip");
        b.setId(id);
        line.getChildren().add(b);
    }

    /// What its readings say of its depth, and the chip that takes their word for it.
    private Node depth(LookModel.Row r, LookModel.Depth d) {
        VBox box = Build.column(3, Build.label(Words.of("look.depth.says", d.verdict(), d.readings())));
        box.setMinWidth(0);
        d.likeliest().ifPresent(s -> {
            FlowPane line = flowing();
            hand(line, "depth-put", "look.depth.put", "Enter", () -> desk.submit(new GlassIntent.Place(r.id(), s)));
            box.getChildren().add(line);
        });
        d.remarks().forEach(x -> box.getChildren().add(Build.label(x, "gold", "small")));
        return box;
    }
}
