package stillglass.app.condition;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Work;
import stillglass.app.draw.GradeMarks;
import stillglass.app.draw.Operable;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.condition.Place;
import stillglass.ticket.story.Phase;

/// Places down the large page, what is wrong at the chosen one beside it.
public final class ConditionPages {
    private static final List<Extent> STEPS = Arrays.stream(Extent.values()).filter(e -> e != Extent.NONE).toList();

    private final Desk desk;
    private final VBox places = Build.column(0);
    private final ScrollPane page = Build.tall(places);
    private final VBox chosen = Build.column(5);
    private ConditionModel model = new ConditionModel(List.of());
    private int place;
    private int flaw;

    public ConditionPages(Desk desk) {
        this.desk = desk;
        page.setId("condition");
        page.getStyleClass().add("condition-page");
        chosen.setId("condition-place");
    }

    /// Every place.
    public Node large() {
        return page;
    }

    /// The chosen place.
    public Node beside() {
        return chosen;
    }

    public void show(Work work) {
        model = ConditionModel.of(work);
        place = Math.clamp(place, 0, Math.max(0, model.rows().size() - 1));
        draw();
    }

    /// How much was looked at, in a line.
    public String head() {
        long looked = model.rows().stream().filter(r -> r.sound() || !r.found().isEmpty() || !r.sheets().isEmpty()).count();
        return Words.of("condition.head", looked, model.rows().size(), model.rows().stream().mapToInt(r -> r.found().size() + r.sheets().size()).sum());
    }

    private void draw() {
        places.getChildren().setAll(model.rows().stream().map(this::row).toList());
        chosen.getChildren().setAll(model.rows().isEmpty() ? List.of() : beside(model.rows().get(place)));
    }

    private Node row(ConditionModel.Row r) {
        int at = model.rows().indexOf(r);
        Label name = Build.line(r.name(), "condition-name", at == place ? "medium" : "plain");
        FlowPane found = Build.flowing(18);
        HBox.setHgrow(found, Priority.ALWAYS);
        found.setMinWidth(0);
        for (ConditionModel.Mark m : r.found()) {
            HBox one = Build.row(7, Build.line(m.name(), "medium"));
            m.extent().ifPresentOrElse(e -> one.getChildren().add(new GradeMarks(e)), () -> one.getChildren().add(Build.line(m.flaw().counted() ? "" : Words.of("condition.how-far"), "soft", "small")));
            if (!m.more().isEmpty()) {
                one.getChildren().add(Build.line(m.more(), "soft", "small"));
            }
            one.setAlignment(Pos.CENTER_LEFT);
            found.getChildren().add(one);
        }
        r.sheets().forEach(s -> found.getChildren().add(Build.line(s.name(), "medium")));
        if (r.found().isEmpty() && r.sheets().isEmpty()) {
            found.getChildren().add(Build.line(Words.of(r.sound() ? "condition.sound" : "condition.unlooked"), r.sound() ? "sound" : "unlooked", "small"));
        }
        HBox row = Build.row(12, name, found);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().addAll("condition-row", at == place ? "condition-row-on" : "condition-row-off");
        row.setId("place-" + r.place().word());
        Operable.make(row, r.name() + ", " + (r.found().isEmpty() && r.sheets().isEmpty() ? Words.of(r.sound() ? "condition.sound" : "condition.unlooked") : spoken(r)), () -> choose(at));
        return row;
    }

    private static String spoken(ConditionModel.Row r) {
        return Stream.concat(r.found().stream().map(m -> m.name() + m.extent().stream().mapToObj(e -> " " + Words.say(STEPS.get(e - 1).said())).findFirst().orElse("")), r.sheets().stream().map(ConditionModel.Sheet::name)).collect(Collectors.joining(", "));
    }

    private void choose(int at) {
        place = at;
        List<ConditionModel.Mark> all = model.rows().get(at).flaws();
        flaw = Math.max(0, all.indexOf(all.stream().filter(ConditionModel.Mark::there).findFirst().orElse(all.getFirst())));
        draw();
    }

    private List<Node> beside(ConditionModel.Row r) {
        List<Node> nodes = new ArrayList<>(List.of(Build.line(r.name(), "subheading")));
        if (!r.caution().isEmpty()) {
            nodes.add(Build.label(r.caution(), "caution", "small"));
        }
        if (r.found().isEmpty() && r.sheets().isEmpty()) {
            nodes.add(Build.flowing(8, Build.button(Words.of("condition.sound.say"), "S", this::sound, r.sound() ? "chosen" : "chip", "chip")));
        }
        r.sheets().forEach(s -> nodes.add(sheet(s)));
        for (ConditionModel.Mark m : r.flaws()) {
            nodes.add(flaw(r, m));
        }
        return nodes;
    }

    private static Node sheet(ConditionModel.Sheet s) {
        VBox box = Build.column(4, Build.label(s.lines().getFirst(), "medium"));
        s.lines().stream().skip(1).forEach(l -> box.getChildren().add(Build.label(l, "small")));
        box.getStyleClass().add("card");
        box.setId("bump");
        return box;
    }

    private Node flaw(ConditionModel.Row r, ConditionModel.Mark m) {
        int at = r.flaws().indexOf(m);
        boolean open = at == flaw;
        HBox head = Build.row(8, Build.line(Words.capital(m.name()), m.there() ? "medium" : "plain"), Build.spring());
        m.extent().ifPresent(e -> head.getChildren().add(new GradeMarks(e)));
        VBox card = Build.column(4, head);
        card.getStyleClass().addAll("card", open ? "card-selected" : "card-folded", "flaw-card");
        card.setId("flaw-" + m.flaw().word());
        Operable.make(card, m.name(), () -> {
            flaw = at;
            draw();
        });
        if (open) {
            for (Extent e : STEPS) {
                boolean here = m.extent().stream().anyMatch(x -> x == e.ordinal());
                Label step = Build.label(Words.of("condition.step", e.ordinal(), Words.capital(Words.say(e.said())), Words.say(m.flaw().at(e))), here ? "flaw-step-on" : "flaw-step");
                step.setId("extent-" + e.word());
                Operable.make(step, step.getText(), () -> say(e));
                card.getChildren().add(step);
            }
            card.getChildren().add(Build.label(Words.say(m.flaw().cure()), "soft", "small"));
            if (m.there()) {
                card.getChildren().add(Build.flowing(8, Build.button(Words.of("condition.none.say"), "0", () -> say(Extent.NONE), "chip")));
            }
        }
        return card;
    }

    private Optional<ConditionModel.Row> row() {
        return model.rows().stream().skip(place).findFirst();
    }

    private void sound() {
        row().ifPresent(r -> desk.submit(new ConditionEvent.PlaceSound(Phase.BEFORE, r.place())));
    }

    /// Count and note of before stay.
    private void say(Extent extent) {
        row().flatMap(r -> r.flaws().stream().skip(flaw).findFirst().map(m -> {
            Place at = r.place();
            Optional<ConditionEvent.FlawFound> was = desk.shown().flatMap(w -> w.state().condition().said(Phase.BEFORE, at, m.flaw())).filter(ConditionEvent.FlawFound::there);
            return new ConditionEvent.FlawFound(Phase.BEFORE, at, m.flaw(), Optional.of(extent), was.flatMap(ConditionEvent.FlawFound::count), was.map(ConditionEvent.FlawFound::note).orElse(""));
        })).ifPresent(desk::submit);
    }

    /// @return whether the key meant something here
    public boolean key(KeyEvent event) {
        if (model.rows().isEmpty() || event.isShiftDown() || event.isShortcutDown()) {
            return false;
        }
        int flaws = model.rows().get(place).flaws().size();
        switch (event.getCode()) {
            case DOWN -> choose(Math.min(place + 1, model.rows().size() - 1));
            case UP -> choose(Math.max(place - 1, 0));
            case RIGHT -> step(Math.min(flaw + 1, flaws - 1));
            case LEFT -> step(Math.max(flaw - 1, 0));
            case DIGIT0, NUMPAD0, X, DELETE -> say(Extent.NONE);
            case DIGIT1, NUMPAD1 -> say(Extent.TRACE);
            case DIGIT2, NUMPAD2 -> say(Extent.SLIGHT);
            case DIGIT3, NUMPAD3 -> say(Extent.MARKED);
            case DIGIT4, NUMPAD4 -> say(Extent.SEVERE);
            case S -> sound();
            default -> {
                return false;
            }
        }
        return true;
    }

    private void step(int to) {
        flaw = to;
        draw();
    }
}
