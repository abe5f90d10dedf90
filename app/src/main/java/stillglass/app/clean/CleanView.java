package stillglass.app.clean;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Say;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Work;
import stillglass.app.station.Station;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.say.Said;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.story.Stage;

/// The parts within reach, and for the one in hand the ladder of agents: weakest at the bottom, broken rungs where an agent
/// would hurt it.
public final class CleanView implements Station {
    private final Desk desk;
    private final FlowPane parts = new FlowPane(6, 6);
    private final Label name = Build.label("", "heading");
    private final Label materials = Build.label("", "soft");
    private final FlowPane soils = new FlowPane(6, 6);
    private final Label chance = Build.label("", "medium");
    private final VBox ladder = Build.column(0);
    private final ScrollPane scroll = Build.tall(ladder);
    private final HBox node;
    private Optional<String> soil = Optional.empty();
    private Optional<String> soilOf = Optional.empty();
    private Optional<CleanModel> drawn = Optional.empty();

    public CleanView(Desk desk) {
        this.desk = desk;
        VBox left = Build.column(8, Build.line(Words.of("clean.parts"), "heading"), Build.tall(parts),
                Build.label(Words.of("caution.solvent"), "danger", "small"));
        VBox right = Build.sheet("", "", Build.head(12, 1, name, chance), materials,
                Build.row(8, Build.line(Words.of("clean.soil"), "soft"), soils), scroll);
        right.getChildren().removeFirst();
        node = Build.shared(18, List.of(left, right), 0.8, 1.6);
        node.getStyleClass().add("station");
    }

    @Override
    public Stage stage() {
        return Stage.CLEAN;
    }

    @Override
    public Node node() {
        return node;
    }

    private CleanModel model(Work work) {
        CleanModel m = CleanModel.of(work, Optional.empty());
        return m.part().equals(soilOf) && soil.isPresent() ? CleanModel.of(work, soil) : m;
    }

    @Override
    public void show(Work work) {
        CleanModel m = model(work);
        if (drawn.filter(m::equals).isPresent()) {
            return;
        }
        drawn = Optional.of(m);
        parts.getChildren().setAll(m.parts().stream().map(this::part).toList());
        if (m.parts().isEmpty()) {
            parts.getChildren().add(Build.label(Words.of("clean.noparts"), "large"));
        }
        name.setText(m.part().isEmpty() ? Words.of("clean.ladder") : Words.capital(m.partName()));
        materials.setText(m.part().isEmpty() ? Words.of("clean.ladder.empty") : m.materials());
        chance.setText(m.part().isEmpty() ? "" : Words.of("clean.chance", m.soil().toLowerCase(java.util.Locale.ROOT), m.chance()));
        soils.getChildren().setAll(m.soils().stream().map(s -> soilChip(s, m)).toList());
        List<Node> rungs = new ArrayList<>();
        m.barred().reversed().forEach(b -> rungs.add(barred(b)));
        m.rungs().reversed().forEach(r -> rungs.add(rung(r, m)));
        ladder.getChildren().setAll(rungs);
        // The rung that is next stands at the bottom.
        Platform.runLater(() -> scroll.setVvalue(1));
    }

    private Node part(CleanModel.PartChip p) {
        String mark = switch (p.progress()) {
            case UNTOUCHED -> "○ ";
            case TRIED -> "◐ ";
            case CLEAN -> "● ";
        };
        Button b = Build.button(mark + p.name(), "", () -> desk.select(new Selection.OfPart(p.id())), "chip");
        if (p.chosen()) {
            b.getStyleClass().add("chosen");
        }
        b.setId("part-" + p.id());
        return b;
    }

    private Node soilChip(CleanModel.SoilChip s, CleanModel m) {
        Button b = Build.button(s.name(), "", () -> {
            soil = Optional.of(s.id());
            soilOf = m.part();
            desk.shown().ifPresent(this::show);
        }, "chip");
        if (s.chosen()) {
            b.getStyleClass().add("chosen");
        }
        b.setId("soil-" + s.id());
        return b;
    }

    private Node barred(CleanModel.Barred b) {
        HBox row = Build.row(12, Build.label(b.name(), "medium", "rung-name"), Build.label(Words.of("clean.never", b.reason()), "danger", "small"));
        row.getStyleClass().add("rung-broken");
        return row;
    }

    private Node rung(CleanModel.Rung r, CleanModel m) {
        VBox words = Build.column(0, Build.label(r.removes() + " · " + r.reason(), "small"));
        if (!r.caution().isEmpty()) {
            words.getChildren().add(Build.label("▲ " + r.caution(), "danger", "small"));
        }
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox row = Build.row(12, Build.label(r.name(), r.next() ? "strong" : "medium", "rung-name"), words);
        if (!r.result().isEmpty()) {
            row.getChildren().add(Build.line(r.result(), "green", "medium"));
        }
        if (r.next()) {
            Button gone = Build.button(Words.of("clean.gone.do"), "Space", () -> tried(m, r, true), "chip", "next");
            Button still = Build.button(Words.of("clean.still.do"), "N", () -> tried(m, r, false), "chip");
            Button timer = Build.button(Words.of("clean.timer", r.minutes()), "T", () -> timer(m, r), "chip");
            List.of(gone, still, timer).forEach(b -> b.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE));
            gone.setId("gone");
            still.setId("still");
            timer.setId("timer");
            FlowPane buttons = Build.flowing(8, gone, still, timer);
            buttons.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
            HBox all = Build.shared(12, List.of(row, buttons), 2, 1.15);
            all.getStyleClass().add("rung-next");
            return all;
        }
        row.getStyleClass().add("rung");
        return row;
    }

    private void tried(CleanModel m, CleanModel.Rung r, boolean gone) {
        m.part().ifPresent(p -> m.soils().stream().filter(CleanModel.SoilChip::chosen).findFirst()
                .ifPresent(s -> desk.submit(new CareEvent.PartCleaned(p, s.id(), r.agent(), gone))));
    }

    private void timer(CleanModel m, CleanModel.Rung r) {
        m.part().ifPresent(p -> desk.submit(new CareEvent.TimerSet("clean-" + p + "-" + r.agent(),
                Said.of("fact.stuck.label", "agent", r.name(), "joint", m.partName()), desk.clock().instant().plus(Duration.ofSeconds(Math.round(60 * r.minutes()))))));
    }

    @Override
    public Say say(Work work) {
        return model(work).say();
    }

    @Override
    public boolean key(KeyEvent event, Work work) {
        CleanModel m = model(work);
        KeyCode code = event.getCode();
        if (code == KeyCode.DOWN || code == KeyCode.RIGHT || code == KeyCode.UP || code == KeyCode.LEFT) {
            m.step(code == KeyCode.DOWN || code == KeyCode.RIGHT ? 1 : -1).ifPresent(desk::select);
            return true;
        }
        if (m.next().isEmpty()) {
            return false;
        }
        switch (code) {
            case SPACE -> tried(m, m.next().get(), true);
            case N -> tried(m, m.next().get(), false);
            case T -> timer(m, m.next().get());
            default -> {
                return false;
            }
        }
        return true;
    }
}
