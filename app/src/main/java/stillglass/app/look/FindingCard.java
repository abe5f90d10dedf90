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
import stillglass.ticket.glass.GlassIntent;

/// One finding beside the photo: what it is and how sure, where, why; when selected, everything that can be set about it.
final class FindingCard {
    /// The commonest kinds have keys.
    static final List<FindingKind> KEYED = LookModel.KINDS.subList(0, 5);

    /// Width from which the chips of a card reckon their height.
    private static final double CHIPS_WIDTH = 560;
    private static final double BAR_WIDTH = 150;
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

    Node of(LookModel.Row r) {
        Label number = Build.line(Integer.toString(r.number()), "figure", "card-number", "number-" + r.kind().word());
        number.setMinWidth(26);
        HBox title = Build.row(10, Build.line(r.title(), "subheading"), Build.line(r.sure(), "soft"), Build.line(r.corrected(), "soft", "small"));
        VBox words = Build.column(1, title, Build.label(r.place() + "  ·  " + r.size()), Build.label(r.reasons(), "soft", "small"));
        HBox.setHgrow(words, javafx.scene.layout.Priority.ALWAYS);
        if (r.selected()) {
            words.getChildren().addAll(chips(r));
        }
        HBox card = Build.row(12, number, words);
        card.setAlignment(javafx.geometry.Pos.TOP_LEFT);
        card.getStyleClass().addAll("card", "card-" + r.kind().word());
        if (r.selected()) {
            card.getStyleClass().add("card-selected");
        }
        card.setId("finding-" + r.number());
        Operable.make(card, r.number() + " " + r.title() + ", " + r.place() + ", " + r.size() + (r.selected() ? ", " + Words.of("spoken.chosen") : ""), () -> desk.select(new Selection.OfFinding(r.id())));
        return card;
    }

    private List<Node> chips(LookModel.Row r) {
        FlowPane kinds = line("look.itis");
        for (LookModel.KindChip k : r.kinds()) {
            int key = KEYED.indexOf(k.kind()) + 1;
            Button b = Build.button(k.kind().word().replace('-', ' '), key > 0 ? Integer.toString(key) : "",
                    () -> desk.submit(new GlassIntent.Rekind(r.id(), k.kind())), "chip");
            strike(b, k.chosen(), k.not());
            b.setId("kind-" + k.kind().word());
            kinds.getChildren().add(b);
        }
        kinds.getChildren().add(Build.button(Words.of("look.dismiss"), "X", () -> desk.submit(new GlassIntent.Dismiss(r.id())), "chip"));
        FlowPane surfaces = line("look.lieson");
        for (LookModel.SurfaceChip s : r.surfaces()) {
            Button b = Build.button(s.probability().isEmpty() ? s.name() : s.name() + "  " + s.probability(), "",
                    () -> desk.submit(new GlassIntent.Place(r.id(), s.surface())), "chip");
            strike(b, s.chosen(), s.not());
            b.setId("surface-" + (s.surface() + 1));
            surfaces.getChildren().add(b);
        }
        List<Node> all = new ArrayList<>(List.of(chances(r)));
        if (!r.tests().isEmpty()) {
            all.add(Build.label(r.tests(), "soft", "small"));
        }
        r.depth().ifPresent(d -> all.add(depth(r, d)));
        all.addAll(List.of(kinds, surfaces, hands(r)));
        String struck = struck(r);
        if (!struck.isEmpty()) {
            all.add(Build.label(struck, "soft", "small"));
        }
        return all;
    }

    private static FlowPane line(String word) {
        FlowPane line = new FlowPane(6, 6);
        line.setPrefWrapLength(CHIPS_WIDTH);
        line.getChildren().add(Build.line(Words.of(word), "soft", "small"));
        return line;
    }

    /// The likeliest kinds as bars that slide to their new length when an answer came.
    private Node chances(LookModel.Row r) {
        HBox bars = Build.row(16);
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
            words.setId("chance-" + c.kind().word());
            bars.getChildren().add(Build.column(2, words, bar));
        }
        bars.getChildren().add(Build.line(Words.of("look.sureness"), "soft", "small"));
        return bars;
    }

    /// A chosen chip, or one struck out with its reason at hand.
    private static void strike(Button b, boolean chosen, String not) {
        if (chosen) {
            b.getStyleClass().add("chosen");
        }
        if (!not.isEmpty()) {
            b.getStyleClass().add("struck");
            b.setTooltip(new javafx.scene.control.Tooltip(Words.capital(not)));
            b.setAccessibleText(b.getText() + ": " + not);
        }
    }

    /// The reasons for what is struck out, each once.
    private static String struck(LookModel.Row r) {
        return java.util.stream.Stream.concat(
                        r.kinds().stream().filter(k -> !k.not().isEmpty()).map(k -> Words.of("look.struck", k.kind().word().replace('-', ' '), k.not())),
                        r.surfaces().stream().filter(s -> !s.not().isEmpty()).map(s -> Words.of("look.struck", r.kind().word().replace('-', ' '), s.not())))
                .distinct().collect(java.util.stream.Collectors.joining("  ·  "));
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
        FlowPane line = new FlowPane(10, 3);
        line.setPrefWrapLength(CHIPS_WIDTH);
        line.getChildren().add(Build.label(Words.of("look.depth.says", d.verdict(), d.readings())));
        d.likeliest().ifPresent(s -> hand(line, "depth-put", "look.depth.put", "Enter", () -> desk.submit(new GlassIntent.Place(r.id(), s))));
        VBox box = Build.column(3, line);
        d.remarks().forEach(x -> box.getChildren().add(Build.label(x, "gold", "small")));
        return box;
    }
}
