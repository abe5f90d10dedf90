package stillglass.app.clean;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.app.step.HandNotes;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.condition.Place;

/// Flushing where it sits: what gets wet, cycle by cycle, and when it has done what it can.
final class InPlacePane {
    private static final Duration DRY = Duration.ofMinutes(30);

    private final Desk desk;
    private final Consumer<String> type;
    private final Runnable redraw;
    private final VBox lines = Build.column(8);
    private final HandNotes hand;
    private final ScrollPane node = Build.tall(lines);
    private Optional<String> agent = Optional.empty();

    /// @param type begins a line of bench shorthand
    /// @param redraw shows everything anew after another agent was chosen
    InPlacePane(Desk desk, Consumer<String> type, Runnable redraw) {
        this.desk = desk;
        this.type = type;
        this.redraw = redraw;
        hand = new HandNotes(desk, "flush-hand");
        lines.getStyleClass().add("sheet");
    }

    Node node() {
        return node;
    }

    private InPlaceModel model(Work work, Place place) {
        return InPlaceModel.of(work, place, agent);
    }

    void show(Work work, Place place) {
        InPlaceModel m = model(work, place);
        List<Node> all = new ArrayList<>(List.of(Build.label(Words.of(InPlaceModel.key(place, "heading"), m.name()), "heading"), Build.label(m.caution(), "caution", "small")));
        MenuButton with = Build.menu(m.agent().map(InPlaceModel.AgentItem::name).orElse(""), "flush-agent");
        for (InPlaceModel.AgentItem a : m.agents()) {
            MenuItem item = new MenuItem(a.name());
            item.setOnAction(e -> {
                agent = Optional.of(a.id());
                redraw.run();
            });
            with.getItems().add(item);
        }
        Button oil = Build.button(Words.of(place.train() ? "clean.train.oil.do" : "clean.flush.oil.do"), "Space", () -> flushed(m, true), "chip", "next");
        Button none = Build.button(Words.of(place.train() ? "clean.train.none.do" : "clean.flush.none.do"), "N", () -> flushed(m, false), "chip");
        Button time = Build.button(Words.of(place.train() ? "clean.train.time.do" : "clean.flush.time.do"), "L", () -> line(m), "chip");
        Button dry = Build.button(Words.of("clean.flush.dry.do", DRY.toMinutes()), "T", () -> dry(m), "chip");
        oil.setId("flush-oil");
        none.setId("flush-none");
        time.setId("flush-time");
        dry.setId("flush-dry");
        all.add(Build.flowing(8, Build.line(Words.of("clean.flush.with"), "soft"), with, oil, none, time, dry));
        all.add(Build.label(m.verdict(), "subheading"));
        hand.show(m.knacks());
        all.add(hand);
        m.cycles().reversed().forEach(c -> all.add(Build.label(c, "medium")));
        m.neighbours().forEach(n -> all.add(Build.label("–  " + n)));
        m.agent().ifPresent(a -> all.add(Build.label("▲ " + a.caution(), "danger", "small")));
        lines.getChildren().setAll(all);
    }

    private void flushed(InPlaceModel m, boolean shows) {
        m.agent().ifPresent(a -> desk.submit(new CareEvent.Flushed(m.place(), a.id(), Optional.of(shows), Optional.empty())));
    }

    private void line(InPlaceModel m) {
        m.agent().ifPresent(a -> type.accept("flushed " + m.name().toLowerCase(Locale.ROOT) + " with " + a.name() + ", "));
    }

    private void dry(InPlaceModel m) {
        desk.submit(CareEvent.TimerSet.drying(m.place(), desk.clock().instant().plus(DRY)));
    }

    Say say(Work work, Place place) {
        InPlaceModel m = model(work, place);
        return new Say(m.verdict(), Words.of(InPlaceModel.key(place, "keys")));
    }

    boolean key(KeyCode code, Work work, Place place) {
        InPlaceModel m = model(work, place);
        switch (code) {
            case SPACE -> flushed(m, true);
            case N -> flushed(m, false);
            case L -> line(m);
            case T -> dry(m);
            default -> {
                return false;
            }
        }
        return true;
    }
}
