package stillglass.ticket.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.device.Source;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// A helicoid nobody has mapped: lead and starts as they were counted at the bench.
class EntryCauseTest {
    private static Job closed() {
        return Job.unknown().say("off inner barrel, thread, front", "turns 2.5, travel 30 mm, 6 starts", "off filter ring, thread, front", "turns 3, travel 2.25 mm").stage(Stage.CLOSE)
                .say("turns 3").accept(close("filter-ring")).say("turns 2.5").accept(close("inner-barrel")).stage(Stage.PROVE);
    }

    private static List<String> causes(Job job) {
        return EntryCause.of(job.state().readings(), job.state().joints(), job.world().instrument(), job.world().section()).stream().map(Wording.core()::say).toList();
    }

    private static Job measured(double mm) {
        return closed().accept(new ReadingEvent.InfinityMeasured(Phase.AFTER, mm, 0.02, Source.TYPED));
    }

    @Test
    void aWrongEntryIsNamedFromWhereInfinityCameToLie() {
        // 12 mm a turn over six starts: 2 mm an entry, two hours on the dial.
        assertThat(causes(measured(2.02))).singleElement().satisfies(s -> assertThat(s).contains("inner barrel").contains("one entry").contains("2.0 hours"));
        assertThat(causes(measured(-4.05))).singleElement().satisfies(s -> assertThat(s).contains("2 entries").contains("4.0 hours"));
    }

    @Test
    void whatAFrontCellDoesIsNotClaimedWithoutItsSection() {
        Job job = Job.unknown().say("off front cell, thread, front", "turns 2.5, travel 30 mm, 6 starts").stage(Stage.CLOSE).say("turns 2.5").accept(close("front-cell")).stage(Stage.PROVE)
                .accept(new ReadingEvent.InfinityMeasured(Phase.AFTER, 2.02, 0.02, Source.TYPED));
        assertThat(causes(job)).isEmpty();
        // A triplet that focuses by its front cell, in closed form: the part behind images the front's focus with the square of its magnification.
        LensSection cell = Lenses.twoThin();
        LensSection byCell = new LensSection(cell.name(), cell.form(), cell.nominalFocalLengthMm(), cell.fNumber(), cell.imageCircleMm(), cell.wavelengthsNm(), cell.surfaces(), cell.elements(), new LensSection.Focusing("front-cell", List.of("G1")), cell.basis(), cell.tilts());
        // f₁ = 100, d = 20, f₂ = 100: the front image 80 mm behind the second lens goes to 1/(1/80 + 1/100) = 44.44 mm, magnified 0.5556 times.
        double square = Math.pow(0.55556, 2);
        Job front = job.accept(new ReadingEvent.InfinityMeasured(Phase.AFTER, 2 * square, 0.01, Source.TYPED));
        assertThat(EntryCause.of(front.state().readings(), front.state().joints(), front.world().instrument(), Optional.of(byCell)).stream().map(Wording.core()::say)).singleElement().satisfies(s -> assertThat(s).contains("front cell").contains("one entry"));
    }

    @Test
    void whatIsNoEntryAndWhatIsRightIsNotBlamedOnIt() {
        assertThat(causes(measured(1.1))).isEmpty();
        assertThat(causes(measured(0.01))).isEmpty();
        assertThat(causes(closed())).as("nothing measured").isEmpty();
    }
}
