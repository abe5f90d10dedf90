package stillglass.app.open;

import java.util.List;
import java.util.Locale;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.look.Progress;
import stillglass.plan.Alternatives;
import stillglass.plan.WayIn;
import stillglass.ticket.course.CourseIntent;

/// Ways in that differ in kind, side by side, computed when they are asked for.
final class OtherWays {
    private final Desk desk;
    private final Consumer<Boolean> shown;
    private final HBox node = Build.row(10);
    private List<Alternatives.Way> offered = List.of();
    private final AtomicLong asking = new AtomicLong();

    /// @param shown hears whether they are to be seen
    OtherWays(Desk desk, Consumer<Boolean> shown) {
        this.desk = desk;
        this.shown = shown;
        node.setId("ways");
    }

    Node node() {
        return node;
    }

    /// Computes them, or puts them away again.
    void toggle() {
        if (node.isVisible()) {
            shown.accept(false);
            return;
        }
        desk.shown().filter(w -> !w.state().course().goals().isEmpty()).ifPresent(w -> {
            node.getChildren().setAll(Build.label(Words.of("open.ways.computing"), "soft"));
            shown.accept(true);
            long asked = asking.incrementAndGet();
            Progress watch = (share, doing) -> {
                if (asking.get() != asked) {
                    throw new CancellationException();
                }
            };
            desk.compute(() -> Alternatives.of(w.wayRequest(w.goals()), watch).ways()).thenAcceptAsync(found -> {
                if (asking.get() == asked) {
                    offered = found;
                    node.getChildren().setAll(found.stream().map(f -> way(f, w.state().course().way())).toList());
                }
            }, Platform::runLater);
        });
    }

    /// Whatever is still being looked for stops.
    void stop() {
        asking.incrementAndGet();
        offered = List.of();
    }

    /// @param at number of a way from 0
    /// @return whether it was offered
    boolean take(int at) {
        if (at >= offered.size()) {
            return false;
        }
        take(offered.get(at).sort());
        return true;
    }

    private Node way(Alternatives.Way w, Alternatives.Sort chosen) {
        WayIn.Plan p = w.plan();
        int number = offered.indexOf(w) + 1;
        Button take = Build.button(Words.of("open.way." + w.sort().name().toLowerCase(Locale.ROOT)), Integer.toString(number), () -> take(w.sort()), w.sort() == chosen ? "next" : "button");
        take.setId("way-" + number);
        VBox box = Build.column(2, take, Build.label(Words.of("open.way.cost", p.joints().size(), p.minutes(), 100 * p.risk()), "small"),
                Build.label(Words.of("open.way.effort", p.tools().size(), p.turnOvers(), p.marks().size()), "small", "soft"));
        box.getStyleClass().add("way");
        HBox.setHgrow(box, Priority.ALWAYS);
        return box;
    }

    private void take(Alternatives.Sort sort) {
        shown.accept(false);
        desk.submit(new CourseIntent.ChooseWay(sort));
    }
}
