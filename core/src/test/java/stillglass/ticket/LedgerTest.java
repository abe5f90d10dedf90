package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.ClockPosition;

class LedgerTest {
    private static Ledger ledger(Story story) {
        return Ledger.of(story.state(), Story.WORLD.instrument());
    }

    @Test
    void nothingOpenIsZero() {
        Ledger l = ledger(Story.begun());

        assertThat(l.zero()).isTrue();
        assertThat(l.say()).isEqualTo("everything is back");
    }

    @Test
    void openJointsCountEvenWhenTheyFreeNothing() {
        Story story = Story.begun().accept(new Intent.KeepReference("infinity", "ink", ClockPosition.of(0)), Story.open("ring-set"));

        assertThat(ledger(story).count()).isEqualTo(1);
        assertThat(ledger(story).say()).isEqualTo("1 joint open");
    }

    @Test
    void aCaughtBallMustGoBack() {
        Story story = Story.begun().accept(Story.note("ring-thread", new Fact.Ball(1)), Story.open("ring-thread"));

        assertThat(ledger(story).caught()).containsExactly("ball 1 mm");
        assertThat(ledger(story).count()).isEqualTo(2);
        assertThat(ledger(story).say()).contains("ball 1 mm not back");
    }

    @Test
    void aTestMustBePassedAfterClosing() {
        Story story = Story.begun().accept(
                new Intent.KeepReference("mount-clock", "ink", ClockPosition.of(0)), new Intent.KeepReference("entry", "ink", ClockPosition.of(0)),
                Story.open("ring-thread"), Story.open("mount-screws"), Story.open("helicoid-thread"), new Intent.SetControls("helicoid-thread"),
                new Intent.Keep(new TicketEvent.Greased("helicoid-thread", 100, "light")), Story.close("helicoid-thread"));
        assertThat(ledger(story).untested()).containsExactly("Focus runs freely");
        assertThat(ledger(story).zero()).isFalse();
        story.accept(new Intent.Keep(new TicketEvent.TestPassed("helicoid-thread", "Focus runs freely")), Story.close("mount-screws"), Story.close("ring-thread"));
        assertThat(ledger(story).zero()).isTrue();
    }

    @Test
    void looseIsNotClosed() {
        Story story = Story.begun().accept(new Intent.KeepReference("infinity", "ink", ClockPosition.of(0)), Story.open("ring-set"),
                new Intent.CloseJoint("ring-set", true, Optional.empty()));

        assertThat(ledger(story).loose()).isEqualTo(List.of("ring-set"));
        assertThat(ledger(story).say()).isEqualTo("1 joint still loose");
    }

    @Test
    void itIsZeroExactlyWhenEverythingOpenedIsClosedTightAndTested() {
        Story story = Story.begun().accept(Story.open("ring-thread"), Story.open("e1-seat"), Story.open("spacer-seat"));
        assertThat(ledger(story).count()).isEqualTo(3);
        for (String joint : List.of("spacer-seat", "e1-seat", "ring-thread")) {
            assertThat(ledger(story).zero()).isFalse();
            story.accept(Story.close(joint));
        }
        assertThat(ledger(story).zero()).isTrue();
    }
}
