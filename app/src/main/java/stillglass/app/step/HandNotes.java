package stillglass.app.step;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.care.knack.Knack;

/// What a hand should know at the act it is about to do, each with its reason: the first of them, the rest by a press, and what is known here is not told again.
public final class HandNotes extends VBox {
    private final Desk desk;
    private List<Knack> shown = List.of();
    private boolean all;

    /// @param id of the box, so that it can be found
    public HandNotes(Desk desk, String id) {
        super(3);
        this.desk = desk;
        setId(id);
        getStyleClass().add("hand");
        show(List.of());
    }

    /// @param knacks what fits what is in hand; nothing is shown of none
    public final void show(List<Knack> knacks) {
        if (!knacks.equals(shown)) {
            // Opened out for one thing, it is closed again for the next; not when one of its lines was struck out.
            all = all && shown.containsAll(knacks);
            shown = List.copyOf(knacks);
            redraw();
        }
        setVisible(!shown.isEmpty());
        setManaged(!shown.isEmpty());
    }

    private void redraw() {
        getChildren().clear();
        for (Knack k : all ? shown : shown.stream().limit(1).toList()) {
            getChildren().add(Build.label(k.what(), "hand-what"));
            Button known = Build.button(Words.of("hand.known"), "", () -> desk.shopCare().knows(k.id(), true), "plain", "hand-press");
            known.setId("known-" + k.id());
            known.setMinWidth(USE_PREF_SIZE);
            getChildren().add(Build.head(8, 1, Build.label(k.why(), "soft", "small"), known));
        }
        if (shown.size() > 1) {
            Button more = Build.button(all ? Words.of("hand.fewer") : Words.of("hand.more", shown.size() - 1), "", () -> {
                all = !all;
                redraw();
            }, "plain", "hand-press");
            more.setId("hand-more");
            more.setMinWidth(USE_PREF_SIZE);
            FlowPane row = Build.flowing(8, more);
            getChildren().add(row);
        }
    }
}
