package stillglass.app.checks;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.draw.Operable;
import stillglass.app.desk.Work;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.ticket.readings.Behaves;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;

/// A line for each function: a digit says how it behaves and goes on to the next, or it is said in words.
public final class CheckList {
    private static final String GOOD = "1 of 1";
    private static final String FAILED = "0 of 1";

    private final Desk desk;
    private final Phase phase;
    private final VBox rows = Build.column(1);
    private final ScrollPane scroll = Build.tall(rows);
    private final FlowPane chips = new FlowPane(5, 5);
    private final TextField said;
    private final VBox node;
    private Optional<CheckModel> drawn = Optional.empty();
    private String chosen = "";

    public CheckList(Desk desk, Phase phase) {
        this.desk = desk;
        this.phase = phase;
        Behaves[] all = Behaves.values();
        for (int i = 0; i < all.length; i++) {
            Behaves b = all[i];
            Button chip = Build.button(Words.say(b.said()), Integer.toString((i + 1) % 10), () -> set(Words.say(b.said())), "chip");
            chip.setId("behaves-" + b.word() + suffix());
            chip.setFocusTraversable(false);
            chips.getChildren().add(chip);
        }
        said = Build.field(Words.of("checks.said"), this::set);
        said.setId("said" + suffix());
        rows.setId("checks" + suffix());
        scroll.setMinHeight(48);
        node = Build.column(6, scroll, chips, said);
        VBox.setVgrow(node, Priority.ALWAYS);
    }

    private String suffix() {
        return phase == Phase.BEFORE ? "-before" : "-after";
    }

    public Node node() {
        return node;
    }

    public void show(Work work) {
        CheckModel m = CheckModel.of(work, phase);
        if (drawn.filter(m::equals).isPresent()) {
            return;
        }
        boolean other = drawn.map(d -> d.rows().size() != m.rows().size()).orElse(true);
        drawn = Optional.of(m);
        if (other || m.rows().stream().noneMatch(r -> r.name().equals(chosen))) {
            chosen = m.rows().stream().filter(r -> r.found().isEmpty()).findFirst().or(() -> m.rows().stream().findFirst()).map(CheckModel.Row::name).orElse("");
        }
        draw(m);
    }

    private void draw(CheckModel m) {
        rows.getChildren().setAll(m.rows().stream().map(this::row).toList());
        said.setPromptText(Words.of("checks.said.of", name(chosen)));
        reveal(m);
    }

    /// Names that stand for themselves, but for those that are short for something.
    static String name(String function) {
        return function.equals("feel") ? Words.of("checks.feel") : function;
    }

    private Node row(CheckModel.Row r) {
        Label name = Build.line(Words.capital(name(r.name())), r.found().isEmpty() ? "soft" : "medium");
        Label found = Build.label(r.found().map(f -> (r.free().orElse(false) ? "✓ " : "") + f).orElse(Words.of("checks.untried")),
                r.free().map(f -> f ? "green" : "danger").orElse(r.found().isPresent() ? "medium" : "soft"));
        found.setMinWidth(0);
        name.setMinWidth(Region.USE_PREF_SIZE);
        VBox line = Build.column(0, Build.head(8, 1, name, found));
        line.getStyleClass().add("check-row");
        if (r.name().equals(chosen)) {
            line.getStyleClass().add("chosen");
            r.before().ifPresent(b -> line.getChildren().add(Build.label(Words.of("checks.before", b), "soft", "small")));
        }
        line.setId("function-" + r.slug() + suffix());
        Operable.make(line, Words.of("checks.accessible", name(r.name()), r.found().orElse(Words.of("checks.untried"))), () -> {
            choose(r.name());
            said.requestFocus();
        });
        return line;
    }

    private void choose(String name) {
        chosen = name;
        drawn.ifPresent(this::draw);
    }

    private void set(String found) {
        String function = chosen;
        if (function.isEmpty()) {
            return;
        }
        move(1);
        desk.submit(new ReadingEvent.FunctionChecked(phase, function, found));
    }

    /// Counts one try of the chosen function, which stays chosen.
    private void count(boolean good) {
        if (!chosen.isEmpty()) {
            desk.submit(new ReadingEvent.FunctionChecked(phase, chosen, good ? GOOD : FAILED));
        }
    }

    private void move(int by) {
        drawn.ifPresent(m -> {
            List<String> names = m.rows().stream().map(CheckModel.Row::name).toList();
            int at = names.indexOf(chosen) + by;
            if (at >= 0 && at < names.size()) {
                choose(names.get(at));
            }
        });
    }

    private void reveal(CheckModel m) {
        int at = m.rows().stream().map(CheckModel.Row::name).toList().indexOf(chosen);
        if (at >= 0 && m.rows().size() > 1) {
            double hidden = rows.getHeight() - scroll.getViewportBounds().getHeight();
            scroll.setVvalue(hidden > 0 ? (double) at / (m.rows().size() - 1) : 0);
        }
    }

    /// Digits say how the chosen function behaves, the arrows choose another; + and − count a try that was good or failed.
    public boolean key(KeyEvent event) {
        int digit = event.getCode().ordinal() - KeyCode.DIGIT1.ordinal();
        int which = event.getCode() == KeyCode.DIGIT0 ? 9 : digit;
        if (which >= 0 && which < Behaves.values().length && !event.isShiftDown()) {
            set(Words.say(Behaves.values()[which].said()));
            return true;
        }
        switch (event.getCode()) {
            case UP -> move(-1);
            case DOWN -> move(1);
            case PLUS, EQUALS, ADD -> count(true);
            case MINUS, SUBTRACT -> count(false);
            default -> {
                return false;
            }
        }
        return true;
    }

    /// The functions nobody has tried yet, for the sentence below.
    public static Optional<String> next(CheckModel m) {
        return m.rows().stream().filter(r -> r.found().isEmpty()).findFirst().map(r -> name(r.name()).toLowerCase(Locale.ROOT));
    }
}
