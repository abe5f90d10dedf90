package stillglass.app.bench;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.axis.PlaceDrawing;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Work;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.ticket.story.Undo;

/// The Say line grown to the whole window.
public final class BenchView extends StackPane {
    private final Desk desk;
    private final Runnable camera;
    private final Label head = Build.line("", "bench-head");
    private final Label timer = Build.line("", "bench-timer");
    private final Label sentence = Build.label("", "bench-sentence");
    private final Label with = Build.label("", "bench-with");
    private final Label warning = Build.label("", "bench-warning");
    private final Label how = Build.label("", "bench-how");
    private final VBox caution;
    private final PlaceDrawing place = new PlaceDrawing();
    private final StepPicture picture = new StepPicture();
    private final Label recall = Build.label("", "bench-caption");
    private final Label refusal = Build.label("", "bench-warning");
    private final FlowPane tray = new FlowPane(18, 4);
    private final VBox troubles = Build.column(8);
    private Optional<BenchModel> drawn = Optional.empty();
    private OptionalInt choosing = OptionalInt.empty();

    /// @param leave goes back to the window
    /// @param camera takes a photo of the step, or compares with it
    public BenchView(Desk desk, Runnable leave, Runnable camera) {
        this.desk = desk;
        this.camera = camera;
        getStyleClass().add("bench");
        setId("bench");
        caution = Build.column(4, warning, how);
        caution.getStyleClass().add("bench-caution");
        HBox keys = Build.row(14,
                key(Words.of("bench.key.done"), Words.of("bench.key.done.does"), this::done),
                key(Words.of("bench.key.back"), Words.of("bench.key.back.does"), this::back),
                key(Words.of("bench.key.mark"), Words.of("bench.key.mark.does"), this::mark),
                key(Words.of("bench.key.trouble"), Words.of("bench.key.trouble.does"), this::trouble));
        Button out = Build.button(Words.of("bench.leave"), "Esc", leave, "plain");
        VBox left = Build.column(18, Build.row(20, head, Build.spring(), timer), sentence, with, caution, troubles, refusal, Build.spring(), keys);
        troubles.setId("troubles");
        visible(troubles, false);
        picture.setMinSize(120, 120);
        place.setMinSize(120, 120);
        place.setPrefHeight(250);
        picture.setPrefHeight(250);
        VBox.setVgrow(place, Priority.ALWAYS);
        VBox.setVgrow(picture, Priority.ALWAYS);
        VBox right = Build.column(10, Build.row(8, Build.spring(), out), place, picture, recall);
        right.setAlignment(javafx.geometry.Pos.TOP_CENTER);
        HBox upper = Build.shared(40, List.of(left, right), 1.45, 1);
        VBox.setVgrow(upper, Priority.ALWAYS);
        VBox mat = Build.column(6, Build.line(Words.of("open.tray"), "bench-caption"), tray);
        mat.getStyleClass().add("bench-mat");
        VBox all = Build.column(0, upper, mat);
        upper.getStyleClass().add("bench-upper");
        getChildren().add(all);
    }

    private static Button key(String name, String does, Runnable act) {
        Button b = Build.button("", "", act, "bench-key");
        VBox words = Build.column(1, Build.line(name, "bench-key-name"), Build.line(does, "soft"));
        words.setAlignment(javafx.geometry.Pos.CENTER);
        b.setGraphic(words);
        b.setAccessibleText(name + ": " + does);
        b.setFocusTraversable(false);
        return b;
    }

    public void show(Work work) {
        BenchModel m = BenchModel.of(work, desk.clock().instant());
        if (drawn.filter(m::equals).isPresent()) {
            return;
        }
        drawn = Optional.of(m);
        head.setText(m.head());
        sentence.setText(m.sentence());
        with.setText(m.with());
        warning.setText(m.warning());
        how.setText(m.how());
        visible(how, !m.how().isEmpty());
        visible(caution, !m.warning().isEmpty());
        visible(refusal, false);
        choosing = OptionalInt.empty();
        listTroubles();
        place.show(m.place());
        picture.show(m.picture());
        visible(picture, !(m.picture() instanceof BenchModel.Picture.Plain));
        recall.setText(m.recall());
        tray.getChildren().setAll(m.tray().stream().map(t -> (Node) Build.line(t, "bench-tray")).toList());
        if (m.tray().isEmpty()) {
            tray.getChildren().add(Build.line(Words.of("bench.tray.empty"), "bench-tray", "soft"));
        }
    }

    private static void visible(Node n, boolean on) {
        n.setVisible(on);
        n.setManaged(on);
    }

    /// Says why something was refused.
    public void complain(String why) {
        refusal.setText(why);
        visible(refusal, true);
    }

    /// The timer that ends first, large.
    public void timer(String words) {
        timer.setText(words);
    }

    private void done() {
        if (choosing.isPresent()) {
            choose();
        } else {
            drawn.flatMap(BenchModel::done).ifPresent(i -> desk.submit(i));
        }
    }

    private void back() {
        if (choosing.isPresent()) {
            choosing = OptionalInt.empty();
            listTroubles();
        } else {
            desk.submit(new Undo());
        }
    }

    private void mark() {
        drawn.ifPresent(m -> m.mark().ifPresentOrElse(i -> desk.submit(i), () -> {
            if (m.camera()) {
                camera.run();
            }
        }));
    }

    /// The first press shows what can have gone wrong, every further one moves on; Space takes it, Backspace leaves.
    private void trouble() {
        int many = drawn.map(m -> m.troubles().size()).orElse(0);
        if (many > 0) {
            choosing = OptionalInt.of(choosing.isPresent() ? (choosing.getAsInt() + 1) % many : 0);
            listTroubles();
        }
    }

    private void listTroubles() {
        troubles.getChildren().clear();
        visible(troubles, choosing.isPresent());
        visible(sentence, choosing.isEmpty());
        visible(with, choosing.isEmpty());
        visible(caution, choosing.isEmpty() && drawn.filter(m -> !m.warning().isEmpty()).isPresent());
        choosing.ifPresent(at -> drawn.ifPresent(m -> {
            troubles.getChildren().add(Build.label(Words.of("trouble.heading"), "bench-sentence"));
            for (int i = 0; i < m.troubles().size(); i++) {
                BenchModel.WentWrong t = m.troubles().get(i);
                VBox one = Build.column(2, Build.label(t.say(), "bench-trouble"), Build.label(t.then(), "bench-how"));
                one.getStyleClass().add(i == at ? "bench-trouble-chosen" : "bench-trouble-other");
                troubles.getChildren().add(one);
            }
            troubles.getChildren().add(Build.label(Words.of("trouble.keys"), "bench-caption"));
        }));
    }

    private void choose() {
        drawn.ifPresent(m -> {
            BenchModel.WentWrong t = m.troubles().get(choosing.orElse(0));
            choosing = OptionalInt.empty();
            desk.submit(t.act());
            listTroubles();
        });
    }

    /// @return whether the key meant something
    public boolean key(KeyEvent event) {
        switch (event.getCode()) {
            case SPACE -> done();
            case BACK_SPACE -> back();
            case M -> mark();
            case X -> trouble();
            default -> {
                return false;
            }
        }
        return true;
    }
}
