package stillglass.app.arrive;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;
import stillglass.app.draw.BuildPicture;
import stillglass.app.theme.Words;
import stillglass.assembly.Build;
import stillglass.assembly.Build.Ask;

/// Finds how something is built by three questions about its outside, and by pictures of what is expected to come off in front and behind.
final class BuildChooser {
    private final Consumer<String> choose;
    private final VBox node = stillglass.app.theme.Build.column(6);
    private final Map<Ask, String> answers = new EnumMap<>(Ask.class);
    private List<Build> all = List.of();
    private Optional<String> chosen = Optional.empty();
    /// Whether the others are shown although one was chosen.
    private boolean others;

    /// @param choose hears the identifier of a construction
    BuildChooser(Consumer<String> choose) {
        this.choose = choose;
        node.setId("builds");
    }

    VBox node() {
        return node;
    }

    /// @param builds of the sort in question; none where a map says more
    void show(List<Build> builds, Optional<String> taken) {
        if (!builds.equals(all)) {
            answers.clear();
        }
        others &= taken.equals(chosen);
        all = builds;
        chosen = taken;
        draw();
    }

    private void draw() {
        node.getChildren().clear();
        if (all.isEmpty()) {
            return;
        }
        node.getChildren().add(stillglass.app.theme.Build.line(Words.of("arrive.build"), "subheading"));
        Optional<Build> one = all.stream().filter(b -> chosen.filter(b.id()::equals).isPresent()).findFirst();
        if (one.isPresent() && !others) {
            Button more = stillglass.app.theme.Build.button(Words.of("arrive.build.others", all.size() - 1), "", () -> {
                others = true;
                draw();
            }, "chip");
            more.setId("other-builds");
            node.getChildren().addAll(built(one.get()), more);
            return;
        }
        for (Ask ask : Ask.values()) {
            Map<Ask, String> rest = new EnumMap<>(Ask.class);
            rest.putAll(answers);
            rest.remove(ask);
            List<String> possible = Build.answers(Build.fitting(all, rest), ask);
            if (!possible.isEmpty()) {
                node.getChildren().add(question(ask, possible));
            }
        }
        Build.fitting(all, answers).forEach(b -> node.getChildren().add(built(b)));
    }

    private Node question(Ask ask, List<String> possible) {
        String word = ask.name().toLowerCase(Locale.ROOT);
        List<Node> row = new ArrayList<>(List.of(stillglass.app.theme.Build.label(Words.of("arrive.build." + word), "soft")));
        for (int i = 0; i < possible.size(); i++) {
            String answer = possible.get(i);
            boolean said = answer.equals(answers.get(ask));
            Button chip = stillglass.app.theme.Build.button(answer, "", () -> answer(ask, answer), said ? new String[] {"chip", "chip-on"} : new String[] {"chip"});
            chip.setId("ask-" + word + "-" + i);
            chip.setWrapText(true);
            row.add(chip);
        }
        return stillglass.app.theme.Build.head(5, row.size(), row.toArray(Node[]::new));
    }

    /// The same answer again takes it back.
    private void answer(Ask ask, String answer) {
        if (answer.equals(answers.get(ask))) {
            answers.remove(ask);
        } else {
            answers.put(ask, answer);
        }
        draw();
    }

    private Node built(Build b) {
        Button take = stillglass.app.theme.Build.button(b.name(), "", () -> choose.accept(b.id()), chosen.filter(b.id()::equals).isPresent() ? "next" : "button");
        take.setId("build-" + b.id());
        take.setWrapText(true);
        take.setMinWidth(0);
        take.setMaxWidth(Double.MAX_VALUE);
        take.setAlignment(Pos.CENTER_LEFT);
        Tooltip.install(take, new Tooltip(Words.of("arrive.build.asks", b.asks().front(), b.asks().focus(), b.asks().rear())));
        return stillglass.app.theme.Build.column(0, take, new BuildPicture(b));
    }
}
