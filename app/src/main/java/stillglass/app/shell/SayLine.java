package stillglass.app.shell;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Say;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.book.log.Logbook;
import stillglass.ticket.words.Reading;

/// Across the bottom: one sentence of what to do next, its keys and running clocks. The same line takes bench shorthand, and shows how it understood it
/// before Enter. A line that was refused or not understood stays until it is changed; one that was left half typed is there again.
public final class SayLine extends StackPane {
    private static final int MOST_EARLIER = 50;

    private final Label sentence = Build.label("", "say-sentence");
    private final Label keys = Build.line("", "say-keys");
    private final TextField field = new TextField();
    private final Label reading = Build.label("", "say-reading");
    private final TimerRow timers;
    private final HBox speaking;
    private final VBox typing;
    private final Function<String, Reading> read;
    private final Function<Reading, CompletableFuture<Boolean>> accept;
    private Optional<String> complaint = Optional.empty();
    private Say said = new Say("", "");
    /// Lines kept or left, oldest first, and which of them is in the field.
    private final List<String> earlier = new ArrayList<>();
    private int at;

    /// @param read understands a typed line
    /// @param accept carries out what was understood; says whether it was taken
    /// @param clear hears of a clock to be taken off
    SayLine(Function<String, Reading> read, Function<Reading, CompletableFuture<Boolean>> accept, Consumer<Logbook.Clock> clear) {
        this.read = read;
        this.accept = accept;
        timers = new TimerRow(clear);
        getStyleClass().add("say-line");
        sentence.setId("say");
        field.setId("say-field");
        field.getStyleClass().add("say-field");
        field.setAccessibleText(Words.of("say.field"));
        field.setPromptText(Words.of("say.prompt"));
        reading.setId("say-reading");
        VBox right = Build.column(3, timers, keys);
        right.setAlignment(Pos.CENTER_RIGHT);
        keys.setMinWidth(USE_PREF_SIZE);
        speaking = Build.row(24, sentence, Build.spring(), right);
        typing = Build.column(2, field, reading);
        typing.setVisible(false);
        typing.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(speaking, typing);
        field.textProperty().subscribe(t -> understand());
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::typingKey);
        sentence.setOnMouseClicked(e -> type(""));
    }

    /// @param clocks of all tickets
    /// @param ticket that is shown
    void show(Say say, List<Logbook.Clock> clocks, Optional<String> ticket, Instant now) {
        if (!say.equals(said)) {
            complaint = Optional.empty();
        }
        said = say;
        timers.show(clocks, ticket, now);
        redraw();
    }

    /// @param takeUp shows the ticket that is to be taken up
    void onNext(Runnable takeUp) {
        timers.onNext(takeUp);
    }

    /// What hands are to take up, in a few words.
    void next(Optional<String> words) {
        timers.next(words);
    }

    /// Says what went wrong, or what was asked, until something else is said or a key is pressed.
    void complain(String why) {
        complaint = Optional.of(why);
        redraw();
        if (isTyping()) {
            answer(why, true);
        }
    }

    void calm() {
        if (complaint.isPresent()) {
            complaint = Optional.empty();
            redraw();
        }
    }

    /// Counts the clocks down.
    void tick(Instant now) {
        timers.tick(now);
    }

    private void redraw() {
        sentence.setText(complaint.orElse(said.sentence()));
        sentence.getStyleClass().remove("say-complaint");
        if (complaint.isPresent()) {
            sentence.getStyleClass().add("say-complaint");
        }
        keys.setText(said.keys());
    }

    /// Opens the line for typing; what was typed before and not kept is still there.
    public void type(String begin) {
        complaint = Optional.empty();
        speaking.setVisible(false);
        typing.setVisible(true);
        if (!begin.isEmpty()) {
            setAside(field.getText());
            field.setText(begin);
        }
        at = earlier.size();
        field.requestFocus();
        field.end();
        understand();
    }

    boolean isTyping() {
        return typing.isVisible();
    }

    /// Keeps a line for the arrow keys.
    private void setAside(String line) {
        if (!line.isBlank()) {
            earlier.remove(line);
            earlier.add(line);
            if (earlier.size() > MOST_EARLIER) {
                earlier.removeFirst();
            }
        }
        at = earlier.size();
    }

    private void typingKey(KeyEvent e) {
        switch (e.getCode()) {
            case ESCAPE -> quiet();
            case TAB -> complete();
            case ENTER -> keep();
            case UP -> recall(-1);
            case DOWN -> recall(1);
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void complete() {
        if (read.apply(field.getText()) instanceof Reading.Unclear u && !u.completions().isEmpty()) {
            field.setText(u.completions().getFirst());
            field.end();
        }
    }

    private void recall(int step) {
        int to = at + step;
        if (to >= 0 && to < earlier.size()) {
            at = to;
            field.setText(earlier.get(at));
            field.end();
        }
    }

    private void keep() {
        String line = field.getText();
        Reading understood = read.apply(line);
        if (understood instanceof Reading.Unclear) {
            understand();
            return;
        }
        accept.apply(understood).thenAcceptAsync(taken -> {
            // Whatever was typed in the meantime stays.
            if (taken && field.getText().equals(line)) {
                setAside(line);
                field.clear();
                quiet();
            }
        }, Platform::runLater);
    }

    private void quiet() {
        typing.setVisible(false);
        speaking.setVisible(true);
        getParent().requestFocus();
    }

    private void understand() {
        switch (read.apply(field.getText())) {
            case Reading.Understood u -> answer(Words.of("say.reads", Words.say(u.reads())), false);
            case Reading.Begins b -> answer(Words.of("say.reads", TypedLines.begins(b)), false);
            case Reading.Goes g -> answer(Words.of("say.reads", Words.of("say.goes", g.stage().word())), false);
            case Reading.Asks a -> answer(Words.of("say.asks"), false);
            case Reading.Unclear u -> {
                String why = Words.sentence(u.why());
                answer(u.completions().isEmpty() ? why : Words.of("say.notyet", why, String.join("   ·   ", u.completions())), true);
            }
        }
    }

    private void answer(String words, boolean notYet) {
        reading.getStyleClass().remove("say-not-yet");
        if (notYet) {
            reading.getStyleClass().add("say-not-yet");
        }
        reading.setText(words);
    }
}
