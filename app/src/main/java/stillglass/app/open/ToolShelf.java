package stillglass.app.open;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Toolbox;
import stillglass.app.desk.Work;
import stillglass.app.theme.Build;
import stillglass.app.theme.Em;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.plan.WayIn;
import stillglass.ticket.LayOut;
import stillglass.ticket.TicketState;

/// The tools that the map asks for; a press says that the shop has one or lacks it, and the way in is planned with what is there. Below them what else to lay out, by what was found.
final class ToolShelf extends VBox {
    private static final double ROOM = 150;
    private static final double HEADS = 7;

    private final Desk desk;
    private final FlowPane tools = new FlowPane(8, 6);
    private final Label ask = Build.label("", "soft");
    private final VBox laid = Build.column(4);
    private List<String> shown = List.of();
    private Optional<TicketState> laidFor = Optional.empty();
    private Optional<Work> now = Optional.empty();

    ToolShelf(Desk desk) {
        super(6);
        this.desk = desk;
        setId("tool-shelf");
        laid.setId("lay-out");
        getChildren().addAll(ask, tools, Build.line(Words.of("open.layout"), "subheading"), Build.tall(laid, ROOM));
        visibleProperty().subscribe(this::layOut);
    }

    void show(Work work) {
        now = Optional.of(work);
        show(work.tools());
        layOut();
    }

    /// Worked out only while somebody looks at it, and aside.
    private void layOut() {
        now.filter(w -> isVisible() && laidFor.filter(s -> s == w.state()).isEmpty()).ifPresent(w -> {
            laidFor = Optional.of(w.state());
            desk.compute(() -> LayOut.of(w.state(), w.world(), ahead(w))).thenAcceptAsync(l -> {
                if (laidFor.filter(s -> s == w.state()).isPresent()) {
                    draw(l);
                }
            }, Platform::runLater);
        });
    }

    /// By the plan where there is one, else what the construction lets expect, else whatever is known and not open.
    private static List<Joint> ahead(Work work) {
        return work.computed().plan().map(WayIn.Plan::joints).or(() -> work.state().course().build(work.world()).map(b -> b.expected().joints())).orElseGet(() -> work.instrument().joints())
                .stream().filter(j -> !work.state().joints().openNow().contains(j.id())).toList();
    }

    private void draw(LayOut all) {
        laid.getChildren().clear();
        for (LayOut.Use use : LayOut.Use.values()) {
            List<LayOut.Item> of = all.items().stream().filter(i -> i.use() == use).toList();
            if (!of.isEmpty()) {
                Label head = Build.line(Words.of("open.layout." + use.name().toLowerCase(Locale.ROOT)), "soft");
                head.setMinWidth(HEADS * Em.of(this));
                Label things = Build.label(of.stream().map(i -> Words.say(i.said())).collect(Collectors.joining("  ·  ")));
                HBox.setHgrow(things, Priority.ALWAYS);
                laid.getChildren().add(Build.row(12, head, things));
            }
        }
    }

    private void show(Toolbox box) {
        ask.setText(Words.of(box.asked().stream().allMatch(String::isEmpty) ? "open.tools.none" : "open.tools.ask"));
        List<String> lines = asked(box).stream().map(t -> line(t, box)).toList();
        if (lines.equals(shown)) {
            return;
        }
        int focused = tools.getChildren().stream().filter(n -> n.isFocused()).mapToInt(tools.getChildren()::indexOf).findFirst().orElse(-1);
        shown = lines;
        tools.getChildren().clear();
        for (String t : asked(box)) {
            boolean there = box.has(t);
            Button b = Build.button(line(t, box), "", () -> desk.hasTool(t, !there), there ? "tool-there" : "tool-lacking");
            b.setMinWidth(USE_PREF_SIZE);
            b.setId("tool-" + t.replaceAll("[^A-Za-z0-9]+", "-"));
            tools.getChildren().add(b);
        }
        // Whoever walks with the keyboard stays where he was.
        if (focused >= 0 && focused < tools.getChildren().size()) {
            tools.getChildren().get(focused).requestFocus();
        }
    }

    /// Of a joint nobody said the tool of, none is asked for.
    private static List<String> asked(Toolbox box) {
        return box.asked().stream().filter(t -> !t.isEmpty()).toList();
    }

    private static String line(String tool, Toolbox box) {
        return box.has(tool) ? Words.of("open.tools.there", tool, box.uses(tool))
                : box.standIn(tool).map(s -> Words.of("open.tools.instead", tool, s)).orElse(Words.of("open.tools.get", tool));
    }
}
