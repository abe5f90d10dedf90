package stillglass.app.open;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Toolbox;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;

/// The tools that the map asks for; a press says that the shop has one or lacks it, and the way in is planned with what is there.
final class ToolShelf extends VBox {
    private final Desk desk;
    private final FlowPane tools = new FlowPane(8, 6);
    private List<String> shown = List.of();

    ToolShelf(Desk desk) {
        super(6);
        this.desk = desk;
        setId("tool-shelf");
        getChildren().addAll(Build.label(Words.of("open.tools.ask"), "soft"), tools);
    }

    void show(Toolbox box) {
        List<String> lines = box.asked().stream().map(t -> line(t, box)).toList();
        if (lines.equals(shown)) {
            return;
        }
        int focused = tools.getChildren().stream().filter(n -> n.isFocused()).mapToInt(tools.getChildren()::indexOf).findFirst().orElse(-1);
        shown = lines;
        tools.getChildren().clear();
        for (String t : box.asked()) {
            boolean there = box.has(t);
            Button b = Build.button(line(t, box), "", () -> desk.hasTool(t, !there), there ? "tool-there" : "tool-lacking");
            b.setMinWidth(USE_PREF_SIZE);
            b.setId("tool-" + t.replaceAll("[^A-Za-z0-9]+", "-"));
            tools.getChildren().add(b);
        }
        // Whoever walks with the keyboard stays where he was.
        if (focused >= 0 && focused < tools.getChildren().size()) {
            tools.getChildren().get(focused).requestFocus();
        }
    }

    private static String line(String tool, Toolbox box) {
        return box.has(tool) ? Words.of("open.tools.there", tool, box.uses(tool))
                : box.standIn(tool).map(s -> Words.of("open.tools.instead", tool, s)).orElse(Words.of("open.tools.get", tool));
    }
}
