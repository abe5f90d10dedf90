package stillglass.app.shell;

import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import stillglass.app.desk.Work;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.ticket.TicketEvent;

/// The tag tied to the instrument: number, name, owner, due. Pressing it opens the Book.
final class TicketTag extends HBox {
    private static final DateTimeFormatter DUE = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

    private final Button tag;
    private final javafx.scene.control.Label title = Build.line("", "subheading");
    private final javafx.scene.control.Label owner = Build.line("", "soft", "small");

    TicketTag(Runnable toBook) {
        tag = Build.button("", "", toBook, "tag");
        tag.setGraphic(Build.column(1, title, owner));
        tag.setId("ticket-tag");
        tag.setMinWidth(0);
        getChildren().add(tag);
        setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        setMinWidth(0);
    }

    void show(Optional<Work> work) {
        TicketEvent.Opened t = work.map(w -> w.state().tag()).orElse(null);
        title.setText(t == null ? Words.of("tag.none") : t.number() + "  " + t.title());
        owner.setText(t == null ? Words.of("tag.none.hint") : t.owner() + " · " + Words.of("tag.due", DUE.format(t.due())));
        tag.setAccessibleText(title.getText() + ", " + owner.getText() + ", " + Words.of("tag.spoken"));
    }
}
