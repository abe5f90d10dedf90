package stillglass.app.shell;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Path;
import stillglass.app.desk.Work;
import stillglass.app.draw.Silhouette;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.ticket.story.Stage;

/// Seven lenses strung on one thread: clear glass when a stage is done, tinted while it is open, hollow before.
final class StageThread extends Pane {
    private static final double LENS_HEIGHT = 28;

    private final Map<Stage, Button> beads = new EnumMap<>(Stage.class);
    private final Line thread = new Line();

    StageThread(Consumer<Stage> go) {
        getStyleClass().add("stage-thread");
        thread.getStyleClass().add("stage-string");
        getChildren().add(thread);
        for (Stage stage : Stage.values()) {
            Path lens = Silhouette.ofStage(stage.ordinal(), LENS_HEIGHT);
            StackPane box = new StackPane(lens);
            box.setMinHeight(LENS_HEIGHT + 2);
            Button bead = Build.button(stage.word(), "", () -> go.accept(stage), "bead");
            bead.setGraphic(box);
            bead.setContentDisplay(ContentDisplay.LEFT);
            bead.setTooltip(new Tooltip(stage.word()));
            bead.setId("stage-" + stage.name().toLowerCase(java.util.Locale.ROOT));
            beads.put(stage, bead);
            getChildren().add(bead);
        }
        setMinWidth(0);
    }

    void show(Optional<Work> work) {
        beads.forEach((stage, bead) -> {
            bead.getStyleClass().removeAll("bead-done", "bead-open", "bead-hollow", "bead-here");
            boolean done = work.filter(w -> w.state().done(stage)).isPresent();
            boolean begun = work.filter(w -> w.state().begun(stage)).isPresent();
            bead.getStyleClass().add(done ? "bead-done" : begun ? "bead-open" : "bead-hollow");
            boolean here = work.filter(w -> w.stage() == stage).isPresent();
            if (here) {
                bead.getStyleClass().add("bead-here");
            }
            bead.setDisable(work.isEmpty());
            bead.setAccessibleText(stage.word() + ", " + Words.of(done ? "bead.done" : begun ? "bead.open" : "bead.hollow")
                    + (here ? ", " + Words.of("bead.here") : ""));
        });
    }

    @Override
    protected double computePrefWidth(double height) {
        return beads.values().stream().mapToDouble(b -> named(b)).sum() + 60;
    }

    /// Width of a bead with its name.
    private static double named(Button b) {
        ContentDisplay now = b.getContentDisplay();
        b.setContentDisplay(ContentDisplay.LEFT);
        double width = b.prefWidth(-1);
        b.setContentDisplay(now);
        return width;
    }

    @Override
    protected void layoutChildren() {
        // Where there is no room for all names, only the stage that is shown is named; the others by their tooltips.
        boolean all = beads.values().stream().mapToDouble(StageThread::named).sum() <= getWidth();
        beads.values().forEach(b -> b.setContentDisplay(all || b.getStyleClass().contains("bead-here") ? ContentDisplay.LEFT : ContentDisplay.GRAPHIC_ONLY));
        double total = beads.values().stream().mapToDouble(b -> b.prefWidth(-1)).sum();
        double gap = Math.max(0, (getWidth() - total) / 7);
        double x = gap / 2;
        for (Button b : beads.values()) {
            double w = b.prefWidth(-1);
            double h = b.prefHeight(-1);
            b.resizeRelocate(x, (getHeight() - h) / 2, w, h);
            x += w + gap;
        }
        thread.setStartX(0);
        thread.setEndX(getWidth());
        thread.setStartY(getHeight() / 2);
        thread.setEndY(getHeight() / 2);
    }
}
