package stillglass.app.pages;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.layout.StackPane;
import javafx.scene.text.Text;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.framework.junit5.ApplicationExtension;
import stillglass.app.theme.DueDay;
import stillglass.app.theme.Theme;
import stillglass.assembly.Instrument;
import stillglass.book.log.Logbook;
import stillglass.ticket.Card;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Stage;

@ExtendWith(ApplicationExtension.class)
class DueLineTest {
    /// A day far ahead or long ago hangs at the end of the line, and the line is no longer for it.
    @ParameterizedTest
    @ValueSource(strings = {"9999-12-31", "0001-01-01", "2026-12-04"})
    void aDayFarAwayHangsAtTheEndOfTheLine(LocalDate due) throws Exception {
        Tag tag = new Tag("T-0007", "Brook", "own-brook", Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.of(due));
        Logbook.Listed listed = new Logbook.Listed(new Card(tag, Stage.ARRIVE, List.of(), List.of(), List.of(), List.of(), false, Instant.EPOCH), Optional.empty());
        CompletableFuture.runAsync(() -> {
            DueLine line = new DueLine();
            Scene scene = new Scene(new StackPane(line), 800, 120);
            new Theme().dress(scene);
            line.show(List.of(listed), LocalDate.of(2026, 11, 27));
            scene.getRoot().applyCss();
            scene.getRoot().layout();
            assertThat(line.getChildrenUnmodifiable().size()).isBetween(10, 400);
            assertThat(line.getChildrenUnmodifiable()).filteredOn(n -> n instanceof Text t && t.getText().startsWith("T-0007")).singleElement()
                    .satisfies(n -> {
                        assertThat(n.getBoundsInParent().getMinX()).isGreaterThanOrEqualTo(0.0);
                        assertThat(n.getBoundsInParent().getMaxX()).isLessThanOrEqualTo(800.0);
                        assertThat(((Text) n).getText()).as("a day beyond the line is said").isEqualTo(due.getYear() == 2026 ? "T-0007" : "T-0007  " + DueDay.words(due, LocalDate.of(2026, 11, 27)));
                    });
        }, Platform::runLater).get(30, TimeUnit.SECONDS);
    }
}
