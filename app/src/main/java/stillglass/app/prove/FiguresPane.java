package stillglass.app.prove;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Function;
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
import stillglass.app.desk.Devices;
import stillglass.app.desk.Work;
import stillglass.app.draw.Operable;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.book.report.MatFiles;
import stillglass.book.report.TestChart;
import stillglass.look.Progress;
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
    private final FramePlot frame = new FramePlot();
    private final Button recording;
    private final Button device;
    private final Button chart;
    private final Button phase;
    private final VBox detail;
    /// What somebody chose to look at; empty while that is left to what wants something.
    private Optional<Quantity> chosen = Optional.empty();
    private Optional<Quantity> at = Optional.empty();
    private Optional<FiguresModel> drawn = Optional.empty();
    private Optional<Quantity> noted = Optional.empty();
    private Optional<AtomicBoolean> stop = Optional.empty();
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
        device = Build.button(Words.of("figures.device"), "R", this::readDevice, "next");
        device.setId("from-device");
        device.setMinWidth(Region.USE_PREF_SIZE);
        chart = Build.button(Words.of("figures.chart"), "H", this::askChart);
        chart.setId("print-chart");
        chart.setMinWidth(Region.USE_PREF_SIZE);
        detail = Build.column(6, plot, frame, Build.tall(Build.column(5, notes, lines)), Build.row(8, field, phase), Build.flowing(8, device, recording, chart));
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
        boolean overFrame = r.quantity() == Quantity.SHARPNESS && FramePlot.fits(r.columns());
        visible(plot, !overFrame && !r.columns().isEmpty());
        visible(frame, overFrame);
        if (overFrame) {
            frame.show(r.columns(), Words.of("figures.spoken", r.name(), r.said()));
        } else {
            plot.show(r.columns(), FigurePlot.unit(r), Words.of("figures.spoken", r.name(), r.said()));
        }
        lines.getChildren().setAll(r.meaning().stream().map(m -> (Node) Build.label(m, r.verdict().filter(v -> v == Verdict.FAILS).isPresent() ? "danger" : "medium", "small")).toList());
        lines.getChildren().add(r.lines().isEmpty() ? Build.label(Words.of("figures.none." + r.quantity().word()), "soft") : table(r));
        field.setPromptText(Words.of(prompt(r.quantity())));
        field.setAccessibleText(Words.of("figures.field", r.name()));
        Optional<String> button = Measuring.button(r.quantity());
        button.ifPresent(key -> recording.setText(Words.of(key)));
        visible(recording, button.isPresent());
        visible(chart, chart(r.quantity()).isPresent());
        boolean read = desk.shown().map(w -> Measuring.device(r.quantity(), "", phase(), desk.devices(), w)).filter(w -> !(w instanceof Measuring.Way.None)).isPresent();
        visible(device, read && desk.devices() != Devices.NONE);
        if (noted.filter(q -> q == r.quantity()).isEmpty()) {
            notes.getChildren().clear();
            noted = Optional.of(r.quantity());
        }
    }

    private static String prompt(Quantity q) {
        return "figures.prompt." + (q == Quantity.CLOSING || q == Quantity.SHARPNESS || q == Quantity.VEIL ? q.word() : q.where().name().toLowerCase(Locale.ROOT));
    }

    private static void visible(Node n, boolean shown) {
        n.setVisible(shown);
        n.setManaged(shown);
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
            desk.complain(Words.of("figures.unread", text, Words.of(prompt(q))));
        }));
    }

    /// Reads files for what stands in the field: a speed, stops, or a control.
    void askFiles() {
        at.ifPresent(q -> follow(Measuring.files(q, field.getText().strip(), phase()), List.of()));
    }

    /// Files that were dropped here.
    void dropped(List<Path> files) {
        at.ifPresent(q -> follow(Measuring.files(q, field.getText().strip(), phase()), files));
    }

    /// Reads the device of what is looked at.
    /// @return whether there is one
    boolean readDevice() {
        Optional<Measuring.Way> way = at.flatMap(q -> desk.shown().map(w -> Measuring.device(q, field.getText().strip(), phase(), desk.devices(), w)));
        way.ifPresent(w -> follow(w, List.of()));
        return way.filter(w -> !(w instanceof Measuring.Way.None)).isPresent();
    }

    private void follow(Measuring.Way way, List<Path> given) {
        switch (way) {
            case Measuring.Way.Files f -> {
                List<Path> files = given.isEmpty() ? asker.several(f.what()) : given;
                if (!files.isEmpty()) {
                    read(progress -> f.read().apply(files, progress));
                }
            }
            case Measuring.Way.Device d -> read(d.read());
            case Measuring.Way.Wanted w -> wanted(w.key());
            case Measuring.Way.None n -> {
                if (!given.isEmpty()) {
                    wanted("figures.typed-only");
                }
            }
        }
    }

    /// A chart to hang up for what is looked at.
    void askChart() {
        at.flatMap(FiguresPane::chart).ifPresent(this::print);
    }

    private static Optional<TestChart> chart(Quantity q) {
        return switch (q) {
            case SHARPNESS -> Optional.of(TestChart.EDGES);
            case SCALE -> Optional.of(TestChart.DISTANCE);
            case FINDER -> Optional.of(TestChart.FINDER);
            default -> Optional.empty();
        };
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

    /// Reads away from the interface thread; Esc or the button stops it.
    private void read(Function<Progress, FromFiles> reading) {
        stop();
        AtomicBoolean stopped = new AtomicBoolean();
        stop = Optional.of(stopped);
        Label doing = Build.label(Words.of("figures.reading"), "soft");
        Button cancel = Build.button(Words.of("cancel"), "Esc", this::stop, "chip");
        notes.getChildren().setAll(Build.row(8, doing, cancel));
        Progress progress = (share, what) -> {
            if (stopped.get()) {
                throw new CancellationException();
            }
            Platform.runLater(() -> doing.setText(Words.of("figures.reading.far", 100 * share)));
        };
        desk.compute(() -> reading.apply(progress)).thenAcceptAsync(read -> {
            if (stopped.get()) {
                return;
            }
            stop = Optional.empty();
            field.clear();
            notes.getChildren().setAll(read.notes().stream().map(n -> (Node) Build.label(n, "soft", "small")).toList());
            read.events().forEach(desk::submit);
        }, Platform::runLater).exceptionally(wrong -> {
            Platform.runLater(notes.getChildren()::clear);
            return null;
        });
    }

    /// Stops what is being read.
    /// @return whether anything was
    boolean stop() {
        Optional<AtomicBoolean> running = stop;
        stop = Optional.empty();
        running.ifPresent(s -> {
            s.set(true);
            notes.getChildren().clear();
        });
        return running.isPresent();
    }
}
