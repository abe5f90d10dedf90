package stillglass.app.pages;

import java.time.LocalDate;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Path;
import stillglass.app.draw.Silhouette;
import stillglass.app.theme.Build;
import stillglass.app.theme.DueDay;
import stillglass.app.theme.Words;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.optics.LensSection;
import stillglass.ticket.Card;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Stage;

/// A ticket in the Book: what it is, whose, what is wrong with it, how far it has come.
final class TicketRow {
    private TicketRow() {}

    static Node of(Logbook.Listed listed, Shelf shelf, LocalDate today) {
        Card c = listed.card();
        VBox words = Build.column(1, Build.label(c.number() + "  " + c.tag().title(), "subheading"), Build.label(owner(c.tag()), "soft", "small"));
        words.setPrefWidth(260);
        Node state = listed.trouble().<Node>map(t -> Build.label(t, "danger", "small")).orElseGet(() -> Build.label(stands(c, today), "soft", "small"));
        VBox what = Build.column(1, Build.label(wrong(c), "medium"), state);
        what.setPrefWidth(240);
        HBox.setHgrow(what, Priority.ALWAYS);
        HBox row = Build.row(18, plate(c.tag(), shelf), words, what, beads(c));
        row.setId("ticket-" + c.number());
        row.getStyleClass().add("ticket-row");
        return row;
    }

    static String spoken(Logbook.Listed listed, LocalDate today) {
        Card c = listed.card();
        return String.join(", ", c.number(), c.tag().title(), owner(c.tag()), wrong(c), listed.trouble().orElseGet(() -> stands(c, today)));
    }

    private static String owner(Tag t) {
        return t.owner().orElse(Words.of("tag.owner.unknown"));
    }

    private static String wrong(Card c) {
        return c.wrong().map(Words::capital).orElse(Words.of("book.wrong.unknown"));
    }

    private static String stands(Card c, LocalDate today) {
        Optional<String> due = c.tag().due().map(d -> DueDay.words(d, today));
        if (c.signed()) {
            return Words.of("book.signed");
        }
        return due.map(d -> Words.of("book.stands", c.stage().word(), d)).orElse(Words.of("book.stands.undated", c.stage().word()));
    }

    private static Node plate(Tag tag, Shelf shelf) {
        Optional<LensSection> section = tag.sectionId().filter(shelf::hasSection).map(shelf::section);
        Region plate = section.<Region>map(LensPlate::new).orElseGet(() -> new SortPlate(tag.sort()));
        plate.setPrefSize(132, 66);
        plate.setMinSize(132, 66);
        return plate;
    }

    private static Node beads(Card c) {
        HBox beads = Build.row(7);
        for (Stage s : Stage.values()) {
            Path lens = Silhouette.ofStage(s.ordinal(), 20);
            lens.getStyleClass().add(c.done().contains(s) ? "bead-lens-done" : s.ordinal() <= c.stage().ordinal() ? "bead-lens-open" : "bead-lens-hollow");
            beads.getChildren().add(lens);
        }
        return beads;
    }
}
