package stillglass.app.clean;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.book.report.MatFiles;
import stillglass.care.seals.Channel;
import stillglass.care.seals.Foam;
import stillglass.plan.SealTemplate;
import stillglass.ticket.care.Care;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.care.Seals;
import stillglass.ticket.condition.Place;

/// Light seals: the order of work, channels as they were measured, the foam there is, and how it is cut.
final class SealsPane {
    private static final List<String> BEFORE = List.of("clean.seals.cover", "clean.seals.scrape", "clean.seals.bare");
    private static final List<String> AFTER = List.of("clean.seals.lay", "clean.seals.test");

    private final Desk desk;
    private final Asker asker;
    private final Consumer<String> type;
    private final VBox lines = Build.column(7);
    private final ScrollPane node = Build.tall(lines);
    private final Label verdict = Build.label("", "subheading");
    private final VBox cuts = Build.column(3);
    private final Button template;
    private Optional<Asked> asked = Optional.empty();
    private Optional<Seals> seals = Optional.empty();

    /// What was computed last.
    private record Asked(List<Channel> channels, List<CareEvent.FoamThere> foam) {}

    /// @param type begins a line of bench shorthand
    SealsPane(Desk desk, Asker asker, Consumer<String> type) {
        this.desk = desk;
        this.asker = asker;
        this.type = type;
        template = Build.button(Words.of("clean.seals.template"), "P", this::print, "chip");
        template.setId("seal-template");
        lines.getStyleClass().add("sheet");
    }

    Node node() {
        return node;
    }

    void show(Work work) {
        Care care = work.state().care();
        List<Node> all = new ArrayList<>(List.of(Build.label(Words.of("clean.seals"), "heading")));
        Place.SEALS.caution().ifPresent(c -> all.add(Build.label(Words.say(c), "caution", "small")));
        BEFORE.forEach(k -> all.add(Build.label("–  " + Words.of(k))));
        Button channel = Build.button(Words.of("clean.seals.channel"), "C", () -> type.accept("channel "), "chip");
        Button foam = Build.button(Words.of("clean.seals.foam"), "F", () -> type.accept("foam "), "chip");
        channel.setId("seal-channel");
        foam.setId("seal-foam");
        all.add(Build.flowing(8, channel, foam, template));
        care.channels().values().forEach(c -> all.add(Build.label(Words.of("clean.seals.row", c.id(), c.lengthMm(), c.widthMm(), c.gapMm().map(g -> Words.of("clean.seals.gap", g)).orElse(Words.of("clean.seals.gap.none")), c.count()), "medium")));
        care.foam().forEach(f -> all.add(Build.label(Words.of("clean.seals.piece", f.widthMm(), f.heightMm(), f.thicknessMm()), "soft")));
        all.add(verdict);
        all.add(cuts);
        AFTER.forEach(k -> all.add(Build.label("–  " + Words.of(k))));
        lines.getChildren().setAll(all);
        compute(new Asked(List.copyOf(care.channels().values()), care.foam()));
    }

    /// Off the interface thread: many strips take a moment.
    private void compute(Asked now) {
        if (asked.filter(now::equals).isPresent()) {
            return;
        }
        asked = Optional.of(now);
        seals = Optional.empty();
        told();
        desk.compute(() -> Seals.of(now.channels, now.foam)).thenAcceptAsync(s -> {
            if (asked.filter(now::equals).isPresent()) {
                seals = Optional.of(s);
                told();
            }
        }, Platform::runLater);
    }

    private void told() {
        verdict.setText(seals.map(s -> Words.say(s.said())).orElse(Words.of("clean.seals.working")));
        template.setDisable(seals.flatMap(Seals::plan).isEmpty());
        cuts.getChildren().clear();
        seals.flatMap(Seals::plan).ifPresent(p -> p.foams().forEach((id, f) -> cuts.getChildren().add(Build.label(compressed(id, f), "small"))));
    }

    private static String compressed(String id, Foam f) {
        return Words.of("clean.seals.pressed", id, 100 * f.compressed(), 100 * Foam.LEAST, 100 * Foam.MOST);
    }

    private void print() {
        seals.flatMap(Seals::plan).ifPresent(plan -> desk.shown().ifPresent(w -> asker.report(w.state().tag().number() + "-seals.pdf").ifPresent(file -> desk.compute(() -> {
            MatFiles.write(SealTemplate.of(plan), file);
            return file;
        }).thenAcceptAsync(f -> cuts.getChildren().add(Build.label(Words.of("clean.seals.written", f.toAbsolutePath()), "green", "small")), Platform::runLater))));
    }

    Say say() {
        return new Say(Words.of("clean.seals.say"), Words.of("clean.seals.keys"));
    }

    boolean key(KeyCode code) {
        switch (code) {
            case C -> type.accept("channel ");
            case F -> type.accept("foam ");
            case P -> print();
            default -> {
                return false;
            }
        }
        return true;
    }
}
