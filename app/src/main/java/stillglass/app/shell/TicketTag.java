package stillglass.app.shell;

import java.time.LocalDate;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import stillglass.app.desk.Work;
import stillglass.app.theme.Build;
import stillglass.app.theme.DueDay;
import stillglass.app.theme.Words;
import stillglass.ticket.arrival.Tag;

/// The tag tied to the instrument: number, name, owner, due. Pressing it opens the Book.
final class TicketTag extends HBox {
    private final Button tag;
    private final Label title = Build.line("", "subheading");
    private final Label owner = Build.line("", "soft", "small");

    TicketTag(Runnable toBook) {
        tag = Build.button("", "", toBook, "tag");
        tag.setGraphic(Build.column(1, title, owner));
        tag.setId("ticket-tag");
        tag.setMinWidth(0);
        getChildren().add(tag);
        setAlignment(Pos.CENTER_LEFT);
        setMinWidth(0);
    }

    void show(Optional<Work> work, LocalDate today) {
        Optional<Tag> t = work.map(w -> w.state().tag());
        title.setText(t.map(x -> x.number() + "  " + x.title()).orElse(Words.of("tag.none")));
        owner.setText(t.map(x -> line(x, today)).orElse(Words.of("tag.none.hint")));
        tag.setAccessibleText(title.getText() + ", " + owner.getText() + ", " + Words.of("tag.spoken"));
    }

    /// Whose it is and until when, as far as anybody said.
    private static String line(Tag t, LocalDate today) {
        return t.owner().orElse(Words.of("tag.owner.unknown")) + " · " + t.due().map(d -> Words.of("tag.due", DueDay.words(d, today))).orElse(Words.of("tag.due.unknown"));
    }
}
