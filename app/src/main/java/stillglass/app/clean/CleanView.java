package stillglass.app.clean;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.checks.WetSheet;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Say;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Work;
import stillglass.app.station.Station;
import stillglass.app.step.HandNotes;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.assembly.Material;
import stillglass.care.CareTables;
import stillglass.say.Said;
import stillglass.ticket.Wet;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.condition.Place;
import stillglass.ticket.story.Stage;

/// The parts within reach by where they go, and for the one in hand the ladder of agents: the first pass at the bottom, broken rungs where an agent
/// would hurt it. Blades are flushed where they sit.
public final class CleanView implements Station {
    /// What a part nobody knows may be made of, by key.
    private static final Map<KeyCode, List<Material>> MADE = Map.of(KeyCode.DIGIT1, List.of(Material.BRASS, Material.ALUMINIUM), KeyCode.DIGIT2, List.of(Material.ALUMINIUM, Material.BLACK_PAINT, Material.ENGRAVED_PAINT),
            KeyCode.DIGIT3, List.of(Material.STEEL), KeyCode.DIGIT4, List.of(Material.PLASTIC), KeyCode.DIGIT5, List.of(Material.RUBBER));

    private final Desk desk;
    private final Consumer<String> type;
    private final VBox parts = Build.column(8);
    private final Label name = Build.label("", "heading");
    private final Label route = Build.label("");
    private final Label materials = Build.label("", "soft");
    private final FlowPane made = Build.flowing(8);
    private final FlowPane against = Build.flowing(8);
    private final Label soilWhy = Build.label("", "soft", "small");
    private final Label chance = Build.label("", "medium");
    private final VBox ladder = Build.column(0);
    private final ScrollPane scroll = Build.tall(ladder);
    private final VBox right;
    private final HandNotes hand;
    private final InPlacePane inPlace;
    private final SealsPane seals;
    private final StackPane side = new StackPane();
    private final HBox node;
    private CleanModel.Chosen chosen = CleanModel.Chosen.NOTHING;
    private Optional<String> chosenFor = Optional.empty();
    private Optional<Place> place = Optional.empty();
    private Optional<CleanModel> drawn = Optional.empty();
    private Optional<Wet> wet = Optional.empty();

    /// @param type begins a line of bench shorthand
    public CleanView(Desk desk, Asker asker, Consumer<String> type) {
        this.desk = desk;
        this.type = type;
        inPlace = new InPlacePane(desk, type, this::redraw);
        seals = new SealsPane(desk, asker, type);
        VBox left = Build.column(8, Build.line(Words.of("clean.parts"), "heading"), Build.tall(parts),
                Build.label(Words.of("caution.solvent"), "danger", "small"));
        hand = new HandNotes(desk, "clean-hand");
        right = Build.sheet("", "", Build.head(12, 1, name, chance), route, materials, made, against, soilWhy, hand, scroll);
        right.getChildren().removeFirst();
        node = Build.shared(18, List.of(left, side), 0.8, 1.6);
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

    /// What was chosen holds for the part it was chosen for.
    private CleanModel model(Work work) {
        CleanModel m = CleanModel.of(work, CleanModel.Chosen.NOTHING);
        return m.part().equals(chosenFor) ? CleanModel.of(work, chosen) : m;
    }

    private void choose(CleanModel m, CleanModel.Chosen what) {
        chosen = what;
        chosenFor = m.part();
        redraw();
    }

    private void redraw() {
        drawn = Optional.empty();
        desk.shown().ifPresent(this::show);
    }

    @Override
    public void show(Work work) {
        CleanModel m = model(work);
        if (place.isPresent()) {
            parts(m, work);
            if (place.get() == Place.SEALS) {
                seals.show(work);
                side.getChildren().setAll(seals.node());
            } else {
                inPlace.show(work, place.get());
                side.getChildren().setAll(inPlace.node());
            }
            drawn = Optional.empty();
            return;
        }
        Optional<Wet> now = Wet.of(work.state());
        if (drawn.filter(m::equals).isPresent() && now.equals(wet)) {
            return;
        }
        wet = now;
        drawn = Optional.of(m);
        side.getChildren().setAll(right);
        parts(m, work);
        name.setText(m.part().isEmpty() ? Words.of("clean.ladder") : Words.capital(m.partName()));
        set(route, m.route());
        materials.setText(m.part().isEmpty() ? Words.of("clean.ladder.empty") : m.materials());
        chance.setText(m.part().isEmpty() ? "" : Words.of("clean.chance", m.soil().toLowerCase(Locale.ROOT), m.chance()));
        made.getChildren().setAll(m.unknown() ? madeOf(m) : List.of());
        made.setManaged(m.unknown());
        against.getChildren().setAll(m.part().isEmpty() ? List.of() : against(m));
        set(soilWhy, m.soilCaution().isEmpty() ? m.soilWhy() : m.soilWhy() + " ▲ " + m.soilCaution());
        hand.show(m.knacks());
        List<Node> rungs = new ArrayList<>();
        m.barred().reversed().forEach(b -> rungs.add(barred(b)));
        m.lacking().reversed().forEach(r -> rungs.add(lacking(r)));
        m.spare().reversed().forEach(r -> rungs.add(spare(r)));
        m.rungs().reversed().forEach(r -> rungs.add(rung(r, m)));
        if (m.part().isEmpty()) {
            wet.ifPresent(w -> rungs.add(WetSheet.of(w, desk.clock().instant())));
        }
        ladder.getChildren().setAll(rungs);
        // The rung that is next stands at the bottom.
        Platform.runLater(() -> scroll.setVvalue(1));
    }

    private static void set(Label label, String text) {
        label.setText(text);
        label.setManaged(!text.isEmpty());
        label.setVisible(!text.isEmpty());
    }

    private void parts(CleanModel m, Work work) {
        List<Node> all = new ArrayList<>();
        Wet.of(work.state()).ifPresent(w -> all.add(WetSheet.dryness(w, desk.clock().instant())));
        for (CleanModel.Group g : m.groups()) {
            FlowPane chips = Build.flowing(6);
            chips.setVgap(6);
            g.parts().forEach(p -> chips.getChildren().add(part(p)));
            FlowPane head = Build.flowing(10, Build.label(g.name(), "soft", "small"));
            g.bath().ifPresent(b -> head.getChildren().add(chip(b.words(), "bath-" + b.chain().route().word() + "-" + b.chain().load(), false, () -> desk.submit(b.chain().begin(desk.shelf().care(), desk.clock().instant())))));
            all.add(Build.column(4, head, chips));
        }
        if (m.groups().isEmpty()) {
            all.add(Build.label(Words.of("clean.noparts"), "large"));
        }
        List<Place> sitting = InPlaceModel.places(work);
        if (!sitting.isEmpty()) {
            FlowPane chips = Build.flowing(6);
            sitting.forEach(p -> chips.getChildren().add(chip(Words.say(p.said()), "in-place-" + p.word(), place.filter(p::equals).isPresent(), () -> {
                place = Optional.of(p);
                drawn = Optional.empty();
                desk.again();
            })));
            all.add(Build.column(4, Build.label(Words.of("clean.in-place"), "soft", "small"), chips));
        }
        parts.getChildren().setAll(all);
    }

    private static Button chip(String text, String id, boolean on, Runnable act) {
        Button b = Build.button(text, "", act, "chip");
        if (on) {
            b.getStyleClass().add("chosen");
        }
        b.setId(id);
        return b;
    }

    private Node part(CleanModel.PartChip p) {
        String mark = switch (p.progress()) {
            case UNTOUCHED -> "○ ";
            case TRIED -> "◐ ";
            case CLEAN -> "● ";
        };
        return chip(mark + p.name(), "part-" + p.id(), p.chosen() && place.isEmpty(), () -> {
            place = Optional.empty();
            drawn = Optional.empty();
            desk.select(new Selection.OfPart(p.id()));
            redraw();
        });
    }

    private List<Node> madeOf(CleanModel m) {
        List<Node> all = new ArrayList<>(List.of(Build.line(Words.of("clean.made"), "soft")));
        MADE.entrySet().stream().sorted(Map.Entry.comparingByKey()).forEach(e -> {
            Button b = Build.button(Words.of("clean.made." + e.getKey().getName()), e.getKey().getName(), () -> madeOf(m, e.getValue()), "chip");
            b.setId("made-" + e.getKey().getName());
            all.add(b);
        });
        return all;
    }

    private void madeOf(CleanModel m, List<Material> of) {
        m.part().ifPresent(p -> desk.submit(new CareEvent.MadeOf(p, of)));
    }

    private List<Node> against(CleanModel m) {
        MenuButton soils = Build.menu(m.soil(), "soil-menu");
        for (CleanModel.SoilItem s : m.soils()) {
            MenuItem item = new MenuItem(s.name());
            item.setId("soil-" + s.id());
            item.setOnAction(e -> choose(m, new CleanModel.Chosen(Optional.of(s.id()), chosen.face())));
            soils.getItems().add(item);
        }
        List<Node> all = new ArrayList<>(List.of(Build.line(Words.of("clean.soil"), "soft"), soils));
        m.faces().forEach(f -> all.add(chip(f.name(), "face-" + f.face().map(CareEvent.Face::word).orElse("both"), f.chosen(),
                () -> choose(m, new CleanModel.Chosen(m.soils().stream().filter(CleanModel.SoilItem::chosen).findFirst().map(CleanModel.SoilItem::id), f.face())))));
        Button school = Build.button(Words.of("clean.school." + m.school().word()), "G", () -> otherSchool(m), "chip");
        school.setId("school");
        school.setTooltip(new javafx.scene.control.Tooltip(Words.of("clean.school.why")));
        all.add(school);
        return all;
    }

    private void otherSchool(CleanModel m) {
        desk.shopCare().follow(m.school() == CareTables.School.LEAST_EFFORT ? CareTables.School.GENTLEST_FIRST : CareTables.School.LEAST_EFFORT);
    }

    private Node barred(CleanModel.Barred b) {
        HBox row = Build.row(12, Build.label(b.name(), "medium", "rung-name"), Build.label(Words.of("clean.never", b.reason()), "danger", "small"));
        row.getStyleClass().add("rung-broken");
        return row;
    }

    private Node lacking(CleanModel.Rung r) {
        Button there = Build.button(Words.of("clean.have"), "", () -> desk.shopCare().has(r.agent(), true), "chip");
        there.setId("have-" + r.agent());
        there.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        Label why = Build.label(Words.of("clean.lacking", r.removes()), "soft", "small");
        HBox.setHgrow(why, Priority.ALWAYS);
        HBox row = Build.row(12, Build.label(r.name(), "soft", "rung-name"), why, there);
        row.getStyleClass().add("rung");
        return row;
    }

    private Node spare(CleanModel.Rung r) {
        HBox row = Build.row(12, Build.label(r.name(), "soft", "rung-name"), Build.label(Words.of("clean.spare", r.removes(), r.reason()), "soft", "small"));
        if (!r.result().isEmpty()) {
            row.getChildren().add(Build.line(r.result(), "green", "medium"));
        }
        row.getStyleClass().add("rung");
        return row;
    }

    private Node rung(CleanModel.Rung r, CleanModel m) {
        VBox words = Build.column(0, Build.label(r.removes() + " · " + r.reason(), "small"));
        if (!r.how().isEmpty() && r.next()) {
            words.getChildren().add(Build.label(r.how(), "small"));
        }
        if (!r.caution().isEmpty() && r.next()) {
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
            Button count = Build.button(Words.of("clean.count.do"), "L", () -> count(m, r), "chip");
            Button timer = Build.button(Words.of("clean.timer", r.minutes()), "T", () -> timer(m, r), "chip");
            Button none = Build.button(Words.of("clean.none"), "", () -> desk.shopCare().has(r.agent(), false), "chip");
            none.setId("none-here");
            List.of(gone, still, count, timer, none).forEach(b -> b.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE));
            gone.setId("gone");
            still.setId("still");
            count.setId("count");
            timer.setId("timer");
            FlowPane buttons = Build.flowing(8, gone, still, count, timer, none);
            buttons.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
            HBox all = Build.shared(12, List.of(row, buttons), 2, 1.15);
            all.getStyleClass().add("rung-next");
            return all;
        }
        row.getStyleClass().add("rung");
        return row;
    }

    private static Optional<String> soil(CleanModel m) {
        return m.soils().stream().filter(CleanModel.SoilItem::chosen).findFirst().map(CleanModel.SoilItem::id);
    }

    private static Optional<CareEvent.Face> face(CleanModel m) {
        return m.faces().stream().filter(CleanModel.FaceChip::chosen).findFirst().flatMap(CleanModel.FaceChip::face);
    }

    private void tried(CleanModel m, CleanModel.Rung r, boolean gone) {
        m.part().ifPresent(p -> soil(m).ifPresent(s -> desk.submit(new CareEvent.PartCleaned(p, s, r.agent(), gone, face(m), Optional.empty()))));
    }

    private void count(CleanModel m, CleanModel.Rung r) {
        m.part().ifPresent(p -> type.accept("cleaned " + m.partName() + face(m).map(f -> " " + f.word()).orElse("") + " of " + soil(m).orElse("") + " with " + r.agent() + ", "));
    }

    private void timer(CleanModel m, CleanModel.Rung r) {
        m.part().ifPresent(p -> desk.submit(new CareEvent.TimerSet("clean-" + p + "-" + r.agent(),
                Said.of("fact.stuck.label", "agent", r.name(), "joint", m.partName()), desk.clock().instant().plus(Duration.ofSeconds(Math.round(60 * r.minutes()))))));
    }

    @Override
    public Say say(Work work) {
        return place.map(p -> p == Place.SEALS ? seals.say() : inPlace.say(work, p)).orElseGet(() -> model(work).say());
    }

    @Override
    public boolean key(KeyEvent event, Work work) {
        CleanModel m = model(work);
        KeyCode code = event.getCode();
        if (place.isPresent() && (place.get() == Place.SEALS ? seals.key(code) : inPlace.key(code, work, place.get()))) {
            return true;
        }
        if (code == KeyCode.DOWN || code == KeyCode.RIGHT || code == KeyCode.UP || code == KeyCode.LEFT || code == KeyCode.ESCAPE && place.isPresent()) {
            boolean back = place.isPresent();
            place = Optional.empty();
            if (back) {
                redraw();
            } else {
                m.step(code == KeyCode.DOWN || code == KeyCode.RIGHT ? 1 : -1).ifPresent(desk::select);
            }
            return true;
        }
        if (m.unknown() && MADE.containsKey(code)) {
            madeOf(m, MADE.getOrDefault(code, List.of()));
            return true;
        }
        if (code == KeyCode.G && m.part().isPresent()) {
            otherSchool(m);
            return true;
        }
        if (m.next().isEmpty()) {
            return false;
        }
        switch (code) {
            case SPACE -> tried(m, m.next().get(), true);
            case N -> tried(m, m.next().get(), false);
            case L -> count(m, m.next().get());
            case T -> timer(m, m.next().get());
            default -> {
                return false;
            }
        }
        return true;
    }
}
