package stillglass.app.inbox;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;

/// Across the foot, above the Say line, while a new picture waits to be placed: one key keeps it, another moves it, a third passes it over.
public final class OfferBar extends HBox {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT).withZone(ZoneId.systemDefault());

    private final Label what = Build.line("", "medium");

    public OfferBar(Inbox inbox) {
        super(10);
        setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        getStyleClass().add("offer");
        setId("offer");
        what.setMinWidth(0);
        Button keep = Build.button(Words.of("inbox.keep"), "F6", inbox::accept, "chip");
        keep.setId("offer-keep");
        Button move = Build.button(Words.of("inbox.move"), "F7", inbox::elsewhere, "chip");
        move.setId("offer-move");
        Button pass = Build.button(Words.of("inbox.pass"), "F8", inbox::pass, "chip");
        pass.setId("offer-pass");
        for (Button b : new Button[] {keep, move, pass}) {
            b.setMinWidth(USE_PREF_SIZE);
            b.setFocusTraversable(false);
        }
        getChildren().addAll(what, Build.spring(), keep, move, pass);
        show(Optional.empty());
    }

    public void show(Optional<Inbox.Offer> offer) {
        setVisible(offer.isPresent());
        setManaged(offer.isPresent());
        offer.ifPresent(o -> {
            String time = o.picture().taken().map(t -> DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT).format(t)).orElseGet(() -> TIME.format(o.picture().arrived()));
            what.setText(Words.of(o.more() > 0 ? "inbox.offer.more" : "inbox.offer", o.picture().name(), time, o.place().name(), o.place().ticket(), o.more()));
        });
    }
}
