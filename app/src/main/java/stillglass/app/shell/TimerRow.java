package stillglass.app.shell;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.book.log.Logbook;

/// Clocks of all tickets as they run down; pressing one takes it off.
final class TimerRow extends HBox {
    private static final long HOURS_MINUTES = 100;
    private static final long DAYS_HOURS = 48;

    private final Consumer<Logbook.Clock> clear;
    private List<Logbook.Clock> running = List.of();
    private Optional<String> here = Optional.empty();
    private final Button next = Build.button("", "", () -> {}, "say-next");

    /// @param clear hears of a clock to be taken off
    TimerRow(Consumer<Logbook.Clock> clear) {
        super(14);
        this.clear = clear;
        setAlignment(Pos.CENTER_RIGHT);
        next.setId("say-next");
        next.setVisible(false);
        next.managedProperty().bind(next.visibleProperty());
        getChildren().add(next);
    }

    void onNext(Runnable takeUp) {
        next.setOnAction(e -> takeUp.run());
    }

    void next(Optional<String> words) {
        next.setText(words.orElse(""));
        next.setVisible(words.isPresent());
    }

    /// @param clocks by when they end
    /// @param ticket that is shown: clocks of others say whose they are
    void show(List<Logbook.Clock> clocks, Optional<String> ticket, Instant now) {
        if (!running.equals(clocks) || !here.equals(ticket)) {
            running = List.copyOf(clocks);
            here = ticket;
            getChildren().setAll(next);
            getChildren().addAll(running.stream().map(c -> Build.button("", "", () -> clear.accept(c), "say-timer")).toList());
        }
        tick(now);
    }

    void tick(Instant now) {
        for (int i = 0; i < running.size(); i++) {
            if (getChildren().get(i + 1) instanceof Button b) {
                b.setText(words(running.get(i), here, now));
                b.getStyleClass().remove("say-timer-over");
                if (!running.get(i).timer().ends().isAfter(now)) {
                    b.getStyleClass().add("say-timer-over");
                }
            }
        }
    }

    /// What is waited for, whose it is unless it is that of the ticket shown, and how long it still takes.
    static String words(Logbook.Clock c, Optional<String> here, Instant now) {
        String label = (here.filter(c.ticket()::equals).isPresent() ? "" : c.ticket() + "  ") + Words.say(c.timer().label());
        Duration left = Duration.between(now, c.timer().ends());
        return !left.isPositive() ? Words.of("say.timer.over", label) : left.toHours() >= DAYS_HOURS ? Words.of("say.timer.days", label, left.toDays(), left.toHoursPart())
                : left.toMinutes() >= HOURS_MINUTES ? Words.of("say.timer.hours", label, left.toHours(), left.toMinutesPart()) : String.format(Locale.ROOT, "%s  %02d:%02d", label, left.toMinutes(), left.toSecondsPart());
    }
}
