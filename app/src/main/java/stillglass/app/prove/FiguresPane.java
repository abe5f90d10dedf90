package stillglass.app.prove;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Work;
import stillglass.app.draw.Operable;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.book.report.MatFiles;
import stillglass.book.report.TestChart;
import stillglass.prove.measure.Quantity;
import stillglass.prove.measure.Verdict;
import stillglass.ticket.story.Phase;
import stillglass.ticket.words.FigureText;

/// The list of what can be shown by figures, and beside it the one that is looked at: its drawing, its figures, what they mean, and how to add one.
final class FiguresPane {
    private final Desk desk;
    private final Asker asker;
    private final Runnable redraw;
    private final VBox rows = Build.column(2);
    private final Label title = Build.label("", "heading");
    private final FigurePlot plot = new FigurePlot(false);
    private final VBox lines = Build.column(2);
    private final VBox notes = Build.column(2);
    private final TextField field;
    private final Button recording;
    private final Button phase;
    private final VBox detail;
    /// What somebody chose to look at; empty while that is left to what wants something.
    private Optional<Quantity> chosen = Optional.empty();
    private Optional<Quantity> at = Optional.empty();
    private Optional<FiguresModel> drawn = Optional.empty();
    private Optional<Quantity> noted = Optional.empty();
    private boolean arrived;

    /// @param redraw shows the station anew: another figure is looked at
    FiguresPane(Desk desk, Asker asker, Runnable redraw) {
        this.desk = desk;
        this.asker = asker;
        this.redraw = redraw;
        rows.setId("figures");
        field = Build.field("", this::typed);
        field.setId("figure");
        HBox.setHgrow(field, Priority.ALWAYS);
        recording = Build.button(Words.of("figures.recording"), "L", this::askFiles);
        recording.setId("from-files");
        recording.setMinWidth(Region.USE_PREF_SIZE);
        phase = Build.button(Words.of("figures.phase.after"), "", this::turnPhase, "chip");
        phase.setId("figure-phase");
        phase.setMinWidth(Region.USE_PREF_SIZE);
        detail = Build.column(6, plot, Build.tall(Build.column(5, notes, lines)), Build.head(8, 1, field, phase, recording));
        VBox.setVgrow(detail, Priority.ALWAYS);
    }

    Node list() {
        return Build.tall(rows);
    }

    Label title() {
        return title;
    }

    Node detail() {
        return detail;
    }

    Optional<Quantity> chosen() {
        return at;
    }

    void show(Work work) {
        FiguresModel m = FiguresModel.of(work, chosen);
        at = m.row().map(FiguresModel.Row::quantity);
        if (drawn.filter(m::equals).isPresent()) {
            return;
        }
        drawn = Optional.of(m);
        List<Node> nodes = new ArrayList<>();
        for (int i = 0; i < m.rows().size(); i++) {
            nodes.add(row(m.rows().get(i), i == m.chosen()));
        }
        rows.getChildren().setAll(nodes);
        m.row().ifPresent(this::drawDetail);
    }

    private Node row(FiguresModel.Row r, boolean here) {
        FigurePlot strip = new FigurePlot(true);
        strip.show(r.columns(), "", "");
        Label name = Build.label(r.name(), r.verdict().isPresent() ? "medium" : "soft");
        Label said = Build.label(r.said(), r.mark(), "small");
        VBox words = Build.column(0, name, said);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMinWidth(0);
        HBox line = Build.row(8, strip, words);
        line.getStyleClass().add("check-row");
        if (here) {
            line.getStyleClass().add("chosen");
        }
        line.setId("figure-" + r.quantity().word());
        Operable.make(line, r.name() + ", " + r.said(), () -> choose(r.quantity()));
        return line;
    }

    private void choose(Quantity q) {
        chosen = Optional.of(q);
        redraw.run();
    }

    /// Goes on to the next in the list.
    void move(int by) {
        drawn.filter(m -> !m.rows().isEmpty()).ifPresent(m -> choose(m.rows().get(Math.floorMod(m.chosen() + by, m.rows().size())).quantity()));
    }

    private void drawDetail(FiguresModel.Row r) {
        title.setText(r.name());
        plot.show(r.columns(), FigurePlot.unit(r), Words.of("figures.spoken", r.name(), r.said()));
        lines.getChildren().setAll(r.meaning().stream().map(m -> (Node) Build.label(m, r.verdict().filter(v -> v == Verdict.FAILS).isPresent() ? "danger" : "medium", "small")).toList());
        lines.getChildren().add(r.lines().isEmpty() ? Build.label(Words.of("figures.none." + r.quantity().word()), "soft") : table(r));
        field.setPromptText(Words.of("figures.prompt." + r.quantity().where().name().toLowerCase(Locale.ROOT)));
        field.setAccessibleText(Words.of("figures.field", r.name()));
        Optional<String> button = files(r.quantity());
        button.ifPresent(key -> recording.setText(Words.of(key)));
        recording.setVisible(button.isPresent());
        recording.setManaged(button.isPresent());
        if (noted.filter(q -> q == r.quantity()).isEmpty()) {
            notes.getChildren().clear();
            noted = Optional.of(r.quantity());
        }
    }

    private static Node table(FiguresModel.Row r) {
        GridPane grid = new GridPane(10, 1);
        int row = 0;
        for (FiguresModel.Line l : r.lines()) {
            String mark = l.verdict().map(v -> switch (v) {
                case HOLDS -> "✓";
                case FAILS -> "×";
                case OPEN -> "?";
                case COMPARED -> "";
            }).orElse("");
            Label place = Build.line(l.place(), "small");
            Label now = Build.line((mark + " " + l.now()).strip(), l.mark(), "small");
            Label source = Build.line(l.source(), "soft", "small");
            source.setMinWidth(0);
            grid.addRow(row++, place, Build.line(l.arrived(), "soft", "small"), now, source);
        }
        return grid;
    }

    private void turnPhase() {
        arrived = !arrived;
        phase.setText(Words.of(arrived ? "figures.phase.arrived" : "figures.phase.after"));
    }

    private Phase phase() {
        return arrived ? Phase.BEFORE : Phase.AFTER;
    }

    /// A figure typed without its quantity.
    private void typed(String text) {
        at.ifPresent(q -> FigureText.read(q, text).filter(FigureText::possible).map(f -> f.kept(phase())).ifPresentOrElse(desk::submit, () -> {
            field.setText(text);
            desk.complain(Words.of("figures.unread", text, Words.of("figures.prompt." + q.where().name().toLowerCase(Locale.ROOT))));
        }));
    }

    /// Reads files for what stands in the field: a speed, stops, or a control.
    void askFiles() {
        Optional<Quantity> quantity = at.filter(q -> files(q).isPresent());
        if (quantity.isEmpty()) {
            return;
        }
        String typed = field.getText().strip();
        switch (quantity.get()) {
            case SPEED, EVENNESS -> Quantity.SPEED.at(typed).ifPresentOrElse(speed -> choose(Asker.Several.RECORDINGS, files -> FromFiles.light(files, speed, phase())), () -> wanted("figures.recording.speed"));
            case OPENING -> {
                List<String> stops = Arrays.stream(typed.split("[\\s;]+")).flatMap(s -> Quantity.OPENING.at(s).stream()).toList();
                if (stops.size() < 2) {
                    wanted("figures.photos.stops");
                } else {
                    choose(Asker.Several.PHOTOS, files -> FromFiles.iris(files, stops, phase()));
                }
            }
            case SHARPNESS -> print(TestChart.EDGES);
            case SCALE -> print(TestChart.DISTANCE);
            case FINDER -> print(TestChart.FINDER);
            default -> choose(Asker.Several.TABLES, files -> FromFiles.torque(files, typed.toLowerCase(Locale.ROOT), phase()));
        }
    }

    /// A chart to hang up, written where it is asked for.
    private void print(TestChart chart) {
        asker.report("chart-" + chart.word() + ".pdf").ifPresent(file -> desk.compute(() -> {
            MatFiles.write(chart.drawn(), file);
            return file;
        }).thenAcceptAsync(f -> notes.getChildren().setAll(Build.label(Words.of("prove.written", f.toAbsolutePath()), "soft", "small")), Platform::runLater));
    }

    private void wanted(String key) {
        desk.complain(Words.of(key));
        field.requestFocus();
    }

    private void choose(Asker.Several what, Function<List<Path>, FromFiles> reading) {
        List<Path> files = asker.several(what);
        if (!files.isEmpty()) {
            read(() -> reading.apply(files));
        }
    }

    /// What the button that reads files of it is called; empty for what is typed only.
    private static Optional<String> files(Quantity q) {
        return switch (q) {
            case SPEED, EVENNESS -> Optional.of("figures.recording");
            case OPENING -> Optional.of("figures.photos");
            case TORQUE, BREAKAWAY -> Optional.of("figures.gauge");
            case SHARPNESS, SCALE, FINDER -> Optional.of("figures.chart");
            default -> Optional.empty();
        };
    }

    private void read(Supplier<FromFiles> reading) {
        notes.getChildren().setAll(Build.label(Words.of("figures.reading"), "soft"));
        desk.compute(reading).thenAcceptAsync(read -> {
            field.clear();
            notes.getChildren().setAll(read.notes().stream().map(n -> (Node) Build.label(n, "soft", "small")).toList());
            read.events().forEach(desk::submit);
        }, Platform::runLater).exceptionally(wrong -> {
            Platform.runLater(notes.getChildren()::clear);
            return null;
        });
    }
}
