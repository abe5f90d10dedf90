package stillglass.app.shell;

import java.util.List;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.StackPane;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;

/// Every key, on one sheet over the window; any key or click puts it away.
final class KeysSheet extends StackPane {
    private static final List<String> KEYS = List.of(
            "stages", "say", "caliper", "pictures", "bench", "undo", "book", "finish", "scale", "stop", "axis", "light", "net", "walk", "arrive", "look", "question", "hand", "picture", "decide", "open", "close", "step", "prove");

    KeysSheet(Runnable away) {
        getStyleClass().add("veil");
        GridPane grid = new GridPane();
        grid.setHgap(26);
        grid.setVgap(6);
        int row = 0;
        for (String key : KEYS) {
            grid.add(Build.line(Words.of("keys." + key), "strong"), 0, row);
            grid.add(Build.line(Words.of("keys." + key + ".does")), 1, row++);
        }
        javafx.scene.layout.VBox sheet = Build.sheet(Words.of("keys.heading"), Words.of("keys.sub"), grid);
        sheet.setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
        sheet.setId("keys-sheet");
        getChildren().add(sheet);
        setOnMouseClicked(e -> away.run());
    }
}
