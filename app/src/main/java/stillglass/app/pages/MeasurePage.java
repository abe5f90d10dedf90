package stillglass.app.pages;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BiConsumer;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.book.data.LensText;
import stillglass.fault.OrderFinder;
import stillglass.optics.measured.MeasuredGlass;

/// A sheet for making a lens section from what the bench can measure, with the section drawn as it comes together.
final class MeasurePage {
    private static final double LEAST_SHOWN = 0.02;
    private static final int MOST_SHOWN = 4;

    private final Desk desk;
    private final BiConsumer<String, String> begin;
    private final Runnable book;
    /// Where a section goes instead of beginning a ticket with it.
    private Optional<BiConsumer<String, String>> instead = Optional.empty();
    private Runnable away;
    private final Button leave;
    private final Map<String, TextField> fields = new LinkedHashMap<>();
    /// What rows are called, where their glasses came from a tray.
    private final Map<String, String> called = new LinkedHashMap<>();
    private final List<Label> rowNames = new ArrayList<>();
    private final GlassCards cards = new GlassCards(this::take);
    private boolean taking;
    private final Map<MeasureModel.Way, Button> ways = new EnumMap<>(MeasureModel.Way.class);
    private final Map<MeasureModel.Way, VBox> sheets = new EnumMap<>(MeasureModel.Way.class);
    private final StackPane plate = new StackPane();
    private final VBox figures = Build.column(3);
    private final VBox remarks = Build.column(3);
    private final Label missing = Build.label("", "gold");
    private final FlowPane forms = new FlowPane(6, 6);
    private final Button readings;
    private final Button use;
    private final Button sort;
    private final VBox sorted = Build.column(4);
    private Optional<AtomicBoolean> sorting = Optional.empty();
    private final List<List<Node>> glassRows = new ArrayList<>();
    private final List<GlassSketch> sketches = new ArrayList<>();
    private final HBox node;
    private MeasureModel.Way way = MeasureModel.Way.GLASSES;
    private boolean byReading;
    private Optional<String> form = Optional.empty();
    private Optional<MeasureModel> model = Optional.empty();

    /// @param begin begins a ticket with a section: its identifier and name
    /// @param back goes back to the Book
    MeasurePage(Desk desk, BiConsumer<String, String> begin, Runnable back) {
        this.desk = desk;
        this.begin = begin;
        book = back;
        away = back;
        FlowPane choice = new FlowPane(6, 6);
        for (MeasureModel.Way w : MeasureModel.Way.values()) {
            Button b = Build.button(Words.of("measure.way." + w.name().toLowerCase(java.util.Locale.ROOT)), "", () -> choose(w), "chip");
            b.setId("way-" + w.name().toLowerCase(java.util.Locale.ROOT));
            ways.put(w, b);
            choice.getChildren().add(b);
        }
        readings = Build.button(Words.of("measure.readings"), "", this::toggleReadings, "chip");
        readings.setId("by-reading");
        sort = Build.button(Words.of("measure.sort"), "", this::sort);
        sort.setId("sort-glasses");
        sort.setMinWidth(Region.USE_PREF_SIZE);
        sorted.setId("sorted");
        use = Build.button(Words.of("measure.begin"), "", this::use, "next");
        use.setId("measure-begin");
        leave = Build.button(Words.of("measure.back"), "Esc", this::leave);
        leave.setId("measure-back");
        sheets.put(MeasureModel.Way.GLASSES, Build.column(8, Build.label(Words.of("measure.glasses.how"), "soft"),
                Build.row(8, readings, row("ring", "ball")), table(), Build.row(14, row("iris-behind", "iris-after"), row("back"), sort),
                cards.node(), sorted));
        sheets.put(MeasureModel.Way.FORM, Build.column(8, Build.label(Words.of("measure.form.how"), "soft"), forms));
        sheets.put(MeasureModel.Way.RIMS, Build.column(8, Build.label(Words.of("measure.rims.how"), "soft"),
                row("rim-front", "iris-looks"), row("rim-rear", "back-focus"), row("rims-apart", "iris-from-rear")));
        StackPane sheet = new StackPane();
        sheet.setAlignment(Pos.TOP_LEFT);
        sheet.getChildren().addAll(sheets.values());
        VBox left = Build.column(10, Build.line(Words.of("measure.heading"), "heading"), choice, row("name", "focal", "f", "circle"),
                Build.tall(sheet));
        plate.setMinHeight(150);
        plate.setPrefHeight(260);
        VBox right = Build.column(8, Build.line(Words.of("measure.drawn"), "heading"), plate, figures, missing, Build.tall(remarks),
                Build.row(10, use, leave));
        right.getStyleClass().add("mat");
        node = Build.shared(20, List.of(left, right), 1.75, 1);
        node.getStyleClass().add("station");
        field("circle").setText("43.3");
        choose(MeasureModel.Way.GLASSES);
    }

    Node node() {
        return node;
    }

    /// From now on a section begins a ticket.
    void forTheBook() {
        instead = Optional.empty();
        away = book;
        if (MeasureModel.count(typed()) == 0) {
            called.clear();
            show();
        }
        use.setText(Words.of("measure.begin"));
        leave.setText(Words.of("measure.back"));
    }

    /// The next section is the optics of a job that runs.
    /// @param onTray glasses that lie on its tray: one row for each while nothing is typed
    /// @param take hears the identifier of the section and its name
    /// @param back goes back to the job
    void forTicket(String ticket, String title, List<String> onTray, BiConsumer<String, String> take, Runnable back) {
        instead = Optional.of(take);
        if (MeasureModel.count(typed()) == 0) {
            called.clear();
            for (int i = 0; i < Math.min(onTray.size(), MeasureModel.MOST_GLASSES); i++) {
                called.put("E" + (i + 1) + ".called", onTray.get(i));
            }
            show();
        }
        away = back;
        use.setText(Words.of("measure.use", ticket));
        leave.setText(Words.of("measure.back.ticket", ticket));
        field("name").setText(title);
    }

    void leave() {
        Runnable where = away;
        forTheBook();
        where.run();
    }

    private TextField field(String key) {
        return fields.computeIfAbsent(key, k -> {
            TextField f = new TextField();
            f.setId("m-" + k.replace('.', '-'));
            f.setAccessibleText(MeasureModel.label(k));
            f.setPrefColumnCount(k.equals("name") ? 14 : 5);
            f.textProperty().addListener((o, was, now) -> show());
            return f;
        });
    }

    private HBox row(String... keys) {
        HBox row = Build.row(8);
        for (String key : keys) {
            row.getChildren().addAll(Build.line(MeasureModel.label(key), "soft", "small"), field(key));
        }
        return row;
    }

    private GridPane table() {
        GridPane grid = new GridPane();
        grid.setHgap(6);
        grid.setVgap(4);
        for (int c = 0; c < MeasureModel.COLUMNS.size(); c++) {
            grid.add(Build.label(Words.of("measure.head." + MeasureModel.COLUMNS.get(c)), "soft", "small"), c + 1, 0);
        }
        for (int i = 1; i <= MeasureModel.MOST_GLASSES; i++) {
            GlassSketch sketch = new GlassSketch();
            sketches.add(sketch);
            List<Node> row = new ArrayList<>(List.of(Build.row(8, rowName(i), sketch)));
            grid.add(row.getFirst(), 0, i);
            for (int c = 0; c < MeasureModel.COLUMNS.size(); c++) {
                TextField f = field("E" + i + "." + MeasureModel.COLUMNS.get(c));
                row.add(f);
                grid.add(f, c + 1, i);
            }
            glassRows.add(row);
        }
        return grid;
    }

    private Label rowName(int row) {
        Label name = Build.line("E" + row, "strong");
        rowNames.add(name);
        return name;
    }

    /// Puts what belongs to glasses where they were put, all at once.
    private void take(Map<String, String> arranged) {
        taking = true;
        arranged.forEach((k, v) -> {
            if (k.endsWith(".called")) {
                called.put(k, v);
            } else {
                field(k).setText(v);
            }
        });
        taking = false;
        sorted.getChildren().clear();
        show();
    }

    private void toggleReadings() {
        byReading = !byReading;
        show();
    }

    private void choose(MeasureModel.Way chosen) {
        way = chosen;
        ways.forEach((w, b) -> chosen(b, w == chosen));
        sheets.forEach((w, s) -> {
            s.setVisible(w == chosen);
            s.setManaged(w == chosen);
        });
        List<Node> chips = new ArrayList<>();
        for (String id : desk.shelf().sectionIds()) {
            Button b = Build.button(desk.shelf().section(id).name(), "", () -> {
                form = Optional.of(id);
                choose(MeasureModel.Way.FORM);
            }, "chip");
            b.setTooltip(new Tooltip(desk.shelf().section(id).form()));
            b.setId("form-" + id);
            chosen(b, form.filter(id::equals).isPresent());
            chips.add(b);
        }
        forms.getChildren().setAll(chips);
        show();
    }

    private static void chosen(Button b, boolean on) {
        b.getStyleClass().remove("chosen");
        if (on) {
            b.getStyleClass().add("chosen");
        }
    }

    private void show() {
        if (taking) {
            return;
        }
        MeasureModel m = MeasureModel.of(way, typed(), byReading, form.map(desk.shelf()::section));
        model = Optional.of(m);
        chosen(readings, byReading);
        for (String key : List.of("ring", "ball")) {
            field(key).setDisable(!byReading);
        }
        plate.getChildren().setAll(m.section().<Node>map(LensPlate::new).orElseGet(() -> Build.label(Words.of("measure.nothing"), "soft")));
        for (int i = 0; i < glassRows.size(); i++) {
            boolean wanted = i <= Math.max(m.shapes().size(), called.size() - 1);
            glassRows.get(i).forEach(n -> {
                n.setVisible(wanted);
                n.setManaged(wanted);
            });
            sketches.get(i).show(i < m.shapes().size() ? m.shapes().get(i) : Optional.empty());
            rowNames.get(i).setText(GlassRows.called(called, i + 1));
        }
        cards.show(typed(), m.shapes());
        figures.getChildren().setAll(m.figures().stream().map(f -> (Node) Build.label(f)).toList());
        remarks.getChildren().setAll(m.remarks().stream().map(r -> (Node) Build.label("–  " + Words.capital(r), "soft", "small")).toList());
        missing.setText(m.missing());
        use.setDisable(m.section().isEmpty());
    }

    /// Tries every order and facing of the glasses that were typed; a second press stops it.
    private void sort() {
        if (sorting.isPresent()) {
            sorting.get().set(true);
            sorting = Optional.empty();
            sort.setText(Words.of("measure.sort"));
            sorted.getChildren().clear();
            return;
        }
        Map<String, String> now = typed();
        LooseSheet sheet;
        try {
            sheet = LooseSheet.of(now, byReading);
        } catch (IllegalArgumentException e) {
            sorted.getChildren().setAll(Build.label(String.valueOf(e.getMessage()), "gold", "small"));
            return;
        }
        AtomicBoolean stopped = new AtomicBoolean();
        sorting = Optional.of(stopped);
        sort.setText(Words.of("measure.sort.stop"));
        Label doing = Build.label(Words.of("measure.sort.doing", 0), "soft", "small");
        sorted.getChildren().setAll(doing);
        desk.compute(() -> OrderFinder.of(sheet.glasses(), sheet.wanted(), (share, what) -> {
            if (stopped.get()) {
                throw new CancellationException();
            }
            Platform.runLater(() -> doing.setText(Words.of("measure.sort.doing", 100 * share)));
        })).whenCompleteAsync((found, wrong) -> {
            if (stopped.get()) {
                return;
            }
            sorting = Optional.empty();
            sort.setText(Words.of("measure.sort"));
            sorted.getChildren().clear();
            Optional.ofNullable(found).ifPresent(f -> told(f, sheet, now));
        }, Platform::runLater);
    }

    private void told(OrderFinder found, LooseSheet sheet, Map<String, String> was) {
        sorted.getChildren().add(Build.label(Words.of(found.unique() ? "measure.sort.unique" : "measure.sort.several", found.tried()), "soft", "small"));
        if (!sheet.assumed().isEmpty()) {
            sorted.getChildren().add(Build.label(Words.of("measure.sort.assumed", String.join(", ", sheet.assumed()), MeasuredGlass.USUAL_INDEX), "gold", "small"));
        }
        List<OrderFinder.Arrangement> likely = found.arrangements().stream().filter(a -> a.probability() > LEAST_SHOWN).limit(MOST_SHOWN).toList();
        for (int i = 0; i < likely.size(); i++) {
            OrderFinder.Arrangement a = likely.get(i);
            Button b = Build.button(Words.of("measure.sort.one", LooseSheet.said(a), 100 * a.probability(), a.eflMm(), a.bfdMm()), "", () -> {
                take(sheet.arranged(was, a));
            }, "chip");
            b.setId("sorted-" + (i + 1));
            sorted.getChildren().add(b);
        }
        found.next().filter(n -> !found.unique()).ifPresent(n -> sorted.getChildren().add(Build.label(Words.of("measure.sort.next." + n.what().replace('_', '-')), "soft", "small")));
        if (likely.isEmpty()) {
            sorted.getChildren().add(Build.label(Words.of("measure.sort.none"), "gold", "small"));
        }
    }

    private Map<String, String> typed() {
        Map<String, String> typed = new LinkedHashMap<>();
        fields.forEach((k, f) -> typed.put(k, f.getText()));
        typed.putAll(called);
        return typed;
    }

    private void use() {
        model.flatMap(MeasureModel::section).ifPresent(s -> desk.keepSection(s.name(), LensText.of(s))
                .thenAcceptAsync(id -> {
                    BiConsumer<String, String> take = instead.orElse(begin);
                    forTheBook();
                    take.accept(id, s.name());
                }, Platform::runLater));
    }
}
