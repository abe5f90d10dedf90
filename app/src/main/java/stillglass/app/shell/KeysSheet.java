package stillglass.app.shell;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.RowConstraints;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.ticket.story.Stage;

/// Every key, on one sheet over the window: those of the stage that is shown first, then those that work everywhere, then the others. Any key or click puts
/// it away.
final class KeysSheet extends StackPane {
    private static final List<String> EVERYWHERE = List.of("stages", "say", "caliper", "pictures", "undo", "book", "day", "finish", "scale", "stop", "axis", "light", "net", "walk");
    private static final Map<Stage, List<String>> IN = new EnumMap<>(Map.of(
            Stage.ARRIVE, List.of("arrive"), Stage.LOOK, List.of("look", "question", "hand", "picture"), Stage.DECIDE, List.of("decide"), Stage.OPEN, List.of("open", "bench", "step"),
            Stage.CLEAN, List.of(), Stage.CLOSE, List.of("close", "bench", "step"), Stage.PROVE, List.of("prove", "arrive")));

    private static final double KEYS_PERCENT = 23;

    private final GridPane grid = new GridPane();

    KeysSheet(Runnable away) {
        getStyleClass().add("veil");
        grid.setHgap(26);
        grid.setVgap(1);
        ColumnConstraints keys = new ColumnConstraints();
        keys.setPercentWidth(KEYS_PERCENT);
        ColumnConstraints does = new ColumnConstraints();
        does.setPercentWidth(100 - KEYS_PERCENT);
        grid.getColumnConstraints().setAll(keys, does);
        VBox sheet = Build.sheet(Words.of("keys.heading"), Words.of("keys.sub"), Build.tall(grid));
        sheet.setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
        sheet.setId("keys-sheet");
        VBox.setVgrow(grid, Priority.ALWAYS);
        getChildren().add(sheet);
        setOnMouseClicked(e -> away.run());
    }

    /// Keys in the order in which they are shown, under their headings.
    /// @param near whether they work where one is
    record Group(String heading, List<String> keys, boolean near) {
        Group {
            keys = List.copyOf(keys);
        }
    }

    /// @param stage that is shown, if one is
    static List<Group> groups(Optional<Stage> stage) {
        List<String> here = stage.map(s -> IN.getOrDefault(s, List.of())).orElse(List.of());
        List<String> others = new ArrayList<>();
        for (Stage s : Stage.values()) {
            IN.getOrDefault(s, List.of()).stream().filter(k -> !here.contains(k) && !others.contains(k)).forEach(others::add);
        }
        List<Group> all = new ArrayList<>();
        if (!here.isEmpty()) {
            all.add(new Group(Words.of("keys.here", stage.orElseThrow().word()), here, true));
        }
        all.add(new Group(Words.of("keys.everywhere"), EVERYWHERE, true));
        all.add(new Group(Words.of("keys.elsewhere"), others, false));
        return all;
    }

    void show(Optional<Stage> stage) {
        grid.getChildren().clear();
        grid.getRowConstraints().clear();
        int row = 0;
        for (Group g : groups(stage)) {
            grid.add(Build.line(g.heading, "subheading", "green"), 0, row++, 2, 1);
            for (String key : g.keys) {
                String size = g.near ? "label" : "small";
                grid.add(Build.label(Words.of("keys." + key), "strong", size), 0, row);
                grid.add(Build.label(Words.of("keys." + key + ".does"), size), 1, row++);
            }
        }
        for (int i = 0; i < row; i++) {
            RowConstraints c = new RowConstraints();
            c.setVgrow(Priority.NEVER);
            grid.getRowConstraints().add(c);
        }
    }
}
