package stillglass.app.pages;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.assembly.Instrument;
import stillglass.book.say.Begun;
import stillglass.optics.LensSection;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;

/// How a ticket begins: by its name with nothing else known, or with a model of the shelf.
final class BeginSheet {
    private final Desk desk;
    private final Asker asker;
    private final Runnable begun;
    private final TextField what = new TextField();
    private final VBox shelf = Build.column(7);
    private final VBox node;
    /// Maps as they were last drawn.
    private List<Instrument> stands = List.of();
    private List<String> sections = List.of();

    /// @param begun goes to the ticket that was begun
    /// @param measure shows the sheet on which a section is made
    /// @param watch watches a folder for new pictures
    /// @param connect connects a caliper on the port that was typed
    BeginSheet(Desk desk, Asker asker, Runnable begun, Runnable measure, Consumer<Path> watch, Consumer<String> connect) {
        this.desk = desk;
        this.asker = asker;
        this.begun = begun;
        what.setPromptText(Words.of("begin.prompt"));
        what.setAccessibleText(Words.of("begin.prompt"));
        what.setId("begin-what");
        what.setOnAction(e -> begin(Optional.empty()));
        FlowPane sorts = new FlowPane(6, 6);
        for (Instrument.Sort s : Instrument.Sort.values()) {
            Button b = Build.button(Words.capital(s.word()), "", () -> begin(Optional.of(s)), "chip");
            b.setId("begin-" + s.word());
            sorts.getChildren().add(b);
        }
        Button bench = Build.button(Words.of("book.measure"), "", measure);
        bench.setId("new-measured");
        Button file = Build.button(Words.of("book.file"), "", this::fromFile);
        file.setId("new-from-file");
        Button pictures = Build.button(Words.of("book.pictures"), "", () -> asker.folder().ifPresent(watch), "chip");
        pictures.setId("watch-folder");
        Button bring = Build.button(Words.of("map.bring"), "", this::bringInMap, "chip");
        bring.setId("bring-map");
        visible(bring, desk.shelf().maps(desk.clock()).isPresent());
        TextField port = Build.field(Words.of("wire.prompt"), connect);
        port.setId("caliper-port");
        visible(port, false);
        Button caliper = Build.button(Words.of("wire.chip"), "", () -> {
            visible(port, !port.isVisible());
            port.requestFocus();
        }, "chip");
        caliper.setId("connect-caliper");
        node = Build.column(10, Build.line(Words.of("begin.heading"), "heading"), Build.label(Words.of("begin.how"), "soft"), what, sorts,
                Build.line(Words.of("book.shelf"), "heading"), Build.tall(shelf), new FlowPane(8, 8, file, bench, bring, pictures, caliper), port);
        node.getStyleClass().add("mat");
    }

    private static void visible(Node n, boolean on) {
        n.setVisible(on);
        n.setManaged(on);
    }

    VBox node() {
        return node;
    }

    /// The field in which an instrument is named.
    void focus() {
        what.requestFocus();
    }

    /// Draws the shelf anew where anything on it is another.
    void show() {
        List<Instrument> now = desk.shelf().instrumentIds().stream().map(desk.shelf()::instrument).toList();
        if (now.equals(stands) && desk.shelf().sectionIds().equals(sections) && !shelf.getChildren().isEmpty()) {
            return;
        }
        stands = now;
        sections = desk.shelf().sectionIds();
        List<Node> plates = new ArrayList<>();
        for (String id : desk.shelf().sectionIds()) {
            plates.add(plate(id));
        }
        desk.shelf().maps(desk.clock()).ifPresent(own -> desk.shelf().instrumentIds().stream().map(desk.shelf()::instrument).filter(i -> i.sectionId().filter(desk.shelf().sectionIds()::contains).isEmpty())
                .forEach(i -> plates.add(new MapRow(desk, own, asker, i, this::beginOn, this::show))));
        if (plates.isEmpty()) {
            plates.add(Build.label(Words.of("book.shelf.empty"), "soft"));
        }
        shelf.getChildren().setAll(plates);
    }

    private Node plate(String id) {
        LensSection section = desk.shelf().section(id);
        Optional<Instrument> mapped = desk.shelf().mappedFor(id).map(desk.shelf()::instrument);
        LensPlate plate = new LensPlate(section);
        plate.setPrefSize(110, 52);
        plate.setMinWidth(110);
        String title = mapped.map(Instrument::name).orElse(section.name());
        VBox words = Build.column(1, Build.label(title, "medium"), Build.label(Words.of(mapped.isPresent() ? "book.mapped" : "book.unmapped"), "soft", "small"));
        words.setPrefWidth(120);
        HBox inside = Build.row(14, plate, words);
        HBox.setHgrow(words, Priority.ALWAYS);
        Button b = Build.plate(inside, () -> begin(id, title), "book-row");
        b.setId("new-" + id);
        b.setAccessibleText(Words.of("book.new.spoken", title));
        return b;
    }

    /// By what was typed: its name, then what is wrong with it.
    private void begin(Optional<Instrument.Sort> sort) {
        List<String> words = Arrays.stream(what.getText().split(",")).map(String::strip).filter(w -> !w.isEmpty()).toList();
        if (words.isEmpty()) {
            desk.complain(Words.of("begin.nameless"));
            focus();
            return;
        }
        String name = words.getFirst();
        if (sort.isEmpty() && Begun.ofShelf("", name, desk.shelf()).isEmpty()) {
            desk.complain(Words.of("begin.sortless", name));
            return;
        }
        begin(number -> Begun.act(sort.map(s -> Begun.byName(number, name, s)).or(() -> Begun.ofShelf(number, name, desk.shelf())).orElseThrow(), words.subList(1, words.size())));
    }

    /// On a section of the shelf.
    void begin(String sectionId, String title) {
        Optional<Instrument> mapped = desk.shelf().mappedFor(sectionId).map(desk.shelf()::instrument);
        begin(number -> Begun.act(new Tag(number, title, mapped.map(Instrument::id).orElse(sectionId), mapped.map(Instrument::sort).orElse(Instrument.Sort.LENS),
                Optional.of(sectionId), Optional.empty(), Optional.empty()), List.of()));
    }

    /// On a model whose map stands on the shelf.
    private void beginOn(Instrument map) {
        begin(number -> Begun.act(new Tag(number, map.name(), map.id(), map.sort(), map.sectionId(), Optional.empty(), Optional.empty()), List.of()));
    }

    private void bringInMap() {
        desk.shelf().maps(desk.clock()).ifPresent(own -> asker.lens().ifPresent(file -> desk.compute(() -> own.bringIn(file)).whenCompleteAsync((map, e) -> {
            if (e != null) {
                desk.complain(e, Words.of("map.failed", file.getFileName()));
            } else {
                desk.shelf().put(map);
                show();
                desk.complain(Words.of("map.brought", map.name()));
            }
        }, Platform::runLater)));
    }

    private void begin(Function<String, Act> beginning) {
        desk.beginNext(beginning).thenAcceptAsync(d -> {
            if (d instanceof Decision.Accepted) {
                what.clear();
                begun.run();
            }
        }, Platform::runLater);
    }

    private void fromFile() {
        asker.lens().ifPresent(this::beginFrom);
    }

    /// Begins a ticket from a lens section file.
    void beginFrom(Path file) {
        desk.sectionFrom(file).thenAcceptAsync(id -> begin(id, desk.shelf().section(id).name()), Platform::runLater);
    }
}
