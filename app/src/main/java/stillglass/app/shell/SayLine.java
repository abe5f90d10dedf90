package stillglass.app.shell;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Say;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.ticket.Intent;
import stillglass.ticket.Reading;
import stillglass.ticket.TicketEvent;

/// Across the bottom: one sentence of what to do next, its keys and running timers. The same line takes bench shorthand,
/// and shows how it understood it before Enter.
public final class SayLine extends StackPane {
    private final Label sentence = Build.label("", "say-sentence");
    private final Label keys = Build.line("", "say-keys");
    private final HBox timers = Build.row(14);
    private final TextField field = new TextField();
    private final Label reading = Build.line("", "say-reading");
    private final HBox speaking;
    private final VBox typing;
    private final Function<String, Reading> read;
    private final Consumer<List<Intent>> accept;
    private final Consumer<String> clearTimer;
    private List<TicketEvent.TimerSet> running = List.of();
    private Optional<String> complaint = Optional.empty();
    private Say said = new Say("", "");

    /// @param read understands a typed line
    /// @param accept hears intents of an accepted line
    /// @param clearTimer hears the timer to be taken off
    SayLine(Function<String, Reading> read, Consumer<List<Intent>> accept, Consumer<String> clearTimer) {
        this.read = read;
        this.accept = accept;
        this.clearTimer = clearTimer;
        getStyleClass().add("say-line");
        sentence.setId("say");
        field.setId("say-field");
        field.getStyleClass().add("say-field");
        field.setAccessibleText(Words.of("say.field"));
        field.setPromptText(Words.of("say.prompt"));
        VBox right = Build.column(3, timers, keys);
        right.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
        timers.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
        keys.setMinWidth(USE_PREF_SIZE);
        speaking = Build.row(24, sentence, Build.spring(), right);
        typing = Build.column(2, field, reading);
        typing.setVisible(false);
        typing.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        getChildren().addAll(speaking, typing);
        field.textProperty().subscribe(t -> understand());
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::typingKey);
        sentence.setOnMouseClicked(e -> type(""));
    }

    /// @param say what to say
    /// @param set timers that run
    void show(Say say, List<TicketEvent.TimerSet> set, Instant now) {
        if (!say.equals(said)) {
            complaint = Optional.empty();
        }
        said = say;
        running = set;
        redraw(now);
    }

    /// Says what went wrong until something else is said or a key is pressed.
    void complain(String why) {
        complaint = Optional.of(why);
        redraw(Instant.MAX);
    }

    void calm() {
        if (complaint.isPresent()) {
            complaint = Optional.empty();
            redraw(Instant.MAX);
        }
    }

    /// Counts the timers down.
    void tick(Instant now) {
        drawTimers(now);
    }

    private void redraw(Instant now) {
        sentence.setText(complaint.orElse(said.sentence()));
        sentence.getStyleClass().remove("say-complaint");
        if (complaint.isPresent()) {
            sentence.getStyleClass().add("say-complaint");
        }
        keys.setText(said.keys());
        if (now != Instant.MAX) {
            drawTimers(now);
        }
    }

    private void drawTimers(Instant now) {
        List<String> texts = new ArrayList<>();
        for (TicketEvent.TimerSet t : running) {
            long left = Duration.between(now, t.ends()).toSeconds();
            texts.add(left > 0
                    ? String.format(Locale.ROOT, "%s  %02d:%02d", t.label(), left / 60, left % 60)
                    : Words.of("say.timer.over", t.label()));
        }
        if (timers.getChildren().size() != texts.size()) {
            timers.getChildren().setAll(running.stream()
                    .map(t -> Build.button("", "", () -> clearTimer.accept(t.timer()), "say-timer"))
                    .toList());
        }
        for (int i = 0; i < texts.size(); i++) {
            if (timers.getChildren().get(i) instanceof javafx.scene.control.Button b) {
                b.setText(texts.get(i));
                b.getStyleClass().remove("say-timer-over");
                if (!running.get(i).ends().isAfter(now)) {
                    b.getStyleClass().add("say-timer-over");
                }
            }
        }
    }

    /// Opens the line for typing; what was typed before and not accepted is still there.
    public void type(String begin) {
        complaint = Optional.empty();
        speaking.setVisible(false);
        typing.setVisible(true);
        if (!begin.isEmpty()) {
            field.setText(begin);
        }
        field.requestFocus();
        field.end();
        understand();
    }

    boolean isTyping() {
        return typing.isVisible();
    }

    private void typingKey(KeyEvent e) {
        if (e.getCode() == KeyCode.ESCAPE) {
            quiet();
            e.consume();
        } else if (e.getCode() == KeyCode.TAB) {
            if (read.apply(field.getText()) instanceof Reading.NotYet n && !n.completions().isEmpty()) {
                field.setText(n.completions().getFirst());
                field.end();
            }
            e.consume();
        } else if (e.getCode() == KeyCode.ENTER) {
            if (read.apply(field.getText()) instanceof Reading.Understood u) {
                accept.accept(u.intents());
                field.clear();
                quiet();
            }
            e.consume();
        }
    }

    private void quiet() {
        typing.setVisible(false);
        speaking.setVisible(true);
        getParent().requestFocus();
    }

    private void understand() {
        reading.getStyleClass().remove("say-not-yet");
        switch (read.apply(field.getText())) {
            case Reading.Understood u -> reading.setText(Words.of("say.reads", u.say()));
            case Reading.NotYet n -> {
                reading.getStyleClass().add("say-not-yet");
                reading.setText(n.completions().isEmpty() ? n.hint() : Words.of("say.notyet", n.hint(), String.join("   ·   ", n.completions())));
            }
        }
    }
}
