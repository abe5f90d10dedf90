package stillglass.app.pages;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.assembly.Instrument;
import stillglass.book.data.OwnMaps;

/// An own map on the shelf: a ticket on its model is begun by it; it is given out, renamed, merged with another, or made what it was.
final class MapRow extends VBox {
    private final Desk desk;
    private final OwnMaps maps;
    private final Asker asker;
    private final Instrument map;
    private final Runnable changed;
    private final VBox below = Build.column(4);

    /// @param begin begins a ticket on a model
    /// @param changed hears that the shelf is another
    MapRow(Desk desk, OwnMaps maps, Asker asker, Instrument map, Consumer<Instrument> begin, Runnable changed) {
        this.desk = desk;
        this.maps = maps;
        this.asker = asker;
        this.map = map;
        this.changed = changed;
        Button title = Build.plate(Build.column(1, Build.label(map.name(), "medium"), Build.label(Words.of("map.joints", map.joints().size(), map.parts().size()), "soft", "small")), () -> begin.accept(map), "book-row");
        title.setId("map-" + map.id());
        title.setAccessibleText(Words.of("book.new.spoken", map.name()));
        FlowPane chips = new FlowPane(5, 4, chip("give-out", this::giveOut), chip("rename", this::rename), chip("merge", this::merge), chip("earlier", this::earlier));
        setSpacing(3);
        getChildren().addAll(title, chips, below);
    }

    private Button chip(String what, Runnable act) {
        Button b = Build.button(Words.of("map." + what), "", act, "chip");
        b.setId(what + "-" + map.id());
        return b;
    }

    private void giveOut() {
        asker.report(map.id() + ".json").ifPresent(file -> done(() -> {
            maps.giveOut(map.id(), file);
            return map;
        }, "map.given"));
    }

    private void rename() {
        TextField name = Build.field(Words.of("map.rename.prompt"), text -> done(() -> maps.rename(map.id(), text), "map.renamed"));
        name.setId("name-" + map.id());
        below.getChildren().setAll(name);
        name.requestFocus();
    }

    private void merge() {
        List<Node> others = desk.shelf().instrumentIds().stream().filter(id -> !id.equals(map.id())).<Node>map(id -> {
            Button b = Build.button(desk.shelf().instrument(id).name(), "", () -> done(() -> maps.merge(map.id(), id), "map.merged"), "chip");
            b.setId("merge-" + map.id() + "-" + id);
            return b;
        }).toList();
        below.getChildren().setAll(others.isEmpty() ? List.of(Build.label(Words.of("map.merge.none"), "soft", "small")) : List.of(Build.label(Words.of("map.merge.with"), "soft", "small"), flow(others)));
    }

    private void earlier() {
        desk.compute(() -> maps.history(map.id())).whenCompleteAsync((all, e) -> {
            if (e != null) {
                desk.complain(e, Words.of("map.failed", map.name()));
                return;
            }
            List<Node> chips = all.stream().<Node>map(v -> Build.button(Words.of("map.version", v.version().substring(0, 16).replace('T', ' ').replaceFirst("(\\d\\d)-(\\d\\d)$", "$1:$2"), v.joints()), "",
                    () -> done(() -> maps.restore(map.id(), v.version()), "map.restored"), "chip")).toList();
            below.getChildren().setAll(chips.isEmpty() ? List.of(Build.label(Words.of("map.earlier.none"), "soft", "small")) : List.of(flow(chips)));
        }, Platform::runLater);
    }

    private static Node flow(List<Node> nodes) {
        FlowPane f = new FlowPane(5, 4);
        f.getChildren().setAll(nodes);
        return f;
    }

    private void done(Supplier<Instrument> act, String said) {
        desk.compute(act).whenCompleteAsync((now, e) -> {
            if (e != null) {
                desk.complain(e, Words.of("map.failed", map.name()));
            } else {
                desk.shelf().put(now);
                desk.complain(Words.of(said, now.name()));
                changed.run();
            }
        }, Platform::runLater);
    }
}
