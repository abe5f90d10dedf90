package stillglass.ticket.facts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.ticket.Job;
import stillglass.ticket.joints.Ledger;
import stillglass.ticket.story.Stage;

class SmallItemTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "washer 0.3 mm paper | washer | paper | 0.3", "paper washer 0,3 | washer | paper | 0.3", "pin 5.2 mm | pin | | 5.2", "roller | roller | |", "long pin 1/8 in | pin | long | 3.175"
    })
    void aSmallPartIsHeardWithWhatItIsMadeOf(String line, String name, String quality, Double mm) {
        Job job = Job.unknown().say("off side cover, screws, left", line);
        assertThat(job.state().joints().facts("side-cover")).containsExactly(new SmallItem(name, Optional.ofNullable(quality).map(List::of).orElse(List.of()), Optional.ofNullable(mm)));
    }

    /// Each of them is on the ledger by itself and comes back by itself; the thick one is not the thin one.
    @Test
    void everyOneOfThemMustComeBack() {
        Job job = Job.unknown().say("off side cover, screws, left", "2 washers brass 0.5", "washer paper 0.2").stage(Stage.CLOSE);
        assertThat(job.state().joints().story("side-cover").waiting()).hasSize(3);
        job.say("washer brass 0.5", "washer brass 0.5", "washer brass 0.5");
        assertThat(job.refusal(Job.close("side-cover"))).contains("washer");
        job.say("washer paper 0.2").accept(Job.close("side-cover"));
        assertThat(Ledger.of(job.state().joints(), job.world().instrument(), List.of()).zero()).isTrue();
    }

    @Test
    void aSideOfAWasherIsStillASide() {
        Job job = Job.unknown().say("off side cover, screws, left", "washer ledge down, pin 3 mm");
        assertThat(job.state().joints().facts("side-cover")).hasSize(2).hasAtLeastOneElementOfType(Sided.class).hasAtLeastOneElementOfType(SmallItem.class);
    }
}
