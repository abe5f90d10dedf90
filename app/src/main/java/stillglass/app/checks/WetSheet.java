package stillglass.app.checks;

import java.time.Instant;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.say.Said;
import stillglass.ticket.Wet;

/// What came in wet: how, what to do first, and how far it has dried.
public final class WetSheet {
    private WetSheet() {}

    /// All of it, first acts first.
    public static Node of(Wet wet, Instant now) {
        List<Said> lines = wet.said(now);
        VBox box = Build.column(4, Build.label(Words.capital(Words.say(lines.getFirst())), "medium"));
        lines.subList(1, lines.size() - 1).forEach(l -> box.getChildren().add(Build.label("–  " + Words.say(l), "small")));
        box.getChildren().add(Build.label(Words.say(lines.getLast()), "medium"));
        box.getStyleClass().add("caution");
        box.setId("wet");
        return box;
    }

    /// Only how far it has dried.
    public static Node dryness(Wet wet, Instant now) {
        VBox box = Build.column(4, Build.label(Words.say(wet.dryness(now)), "medium"));
        box.getStyleClass().add("caution");
        box.setId("wet-dryness");
        return box;
    }
}
