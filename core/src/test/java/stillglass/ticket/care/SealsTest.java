package stillglass.ticket.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instrument;
import stillglass.care.seals.Channel;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.care.CareEvent.FoamThere;
import stillglass.ticket.story.Stage;
import stillglass.ticket.words.Reading;

class SealsTest {
    private static final Channel TOP = new Channel("top", 96, 2.1, Optional.of(1.6), 2);

    private static String said(Seals s) {
        return Wording.core().say(s.said());
    }

    private static Job body() {
        return Job.on(Instrument.unknown("own-body", "Body nobody knows", Instrument.Sort.BODY), Optional.empty()).stage(Stage.CLEAN);
    }

    @Test
    void whatIsMissingIsAskedInTurn() {
        assertThat(said(Seals.of(List.of(), List.of()))).contains("Measure every channel");
        assertThat(said(Seals.of(List.of(TOP, new Channel("hinge", 40, 6, Optional.empty(), 1)), List.of()))).contains("hinge");
        Seals open = Seals.of(List.of(TOP), List.of());
        assertThat(open.wantedMm().orElseThrow()).as("1.6 pressed by three tenths").isCloseTo(1.6 / 0.7, within(1e-9));
        assertThat(said(open)).contains("2.29 mm");
    }

    /// Of the thicknesses there are the nearest that seals; pieces of another are left alone.
    @Test
    void theFoamThatSealsIsTaken() {
        List<FoamThere> foam = List.of(new FoamThere(200, 50, 5), new FoamThere(120, 20, 2.3), new FoamThere(120, 20, 1.7));
        Seals s = Seals.of(List.of(TOP), foam);
        assertThat(s.plan().orElseThrow().thicknessMm()).isEqualTo(2.3);
        assertThat(s.plan().orElseThrow().pieces()).hasSize(1);
        assertThat(said(s)).contains("Cut 2 strips of 2.3 mm").contains("no cutting loses less");
    }

    @Test
    void whatDoesNotFitOrSealSaysSo() {
        assertThat(said(Seals.of(List.of(TOP), List.of(new FoamThere(90, 20, 2.3))))).contains("top").contains("larger than any piece");
        assertThat(said(Seals.of(List.of(TOP), List.of(new FoamThere(200, 20, 1.65))))).contains("does not seal");
        assertThat(said(Seals.of(List.of(TOP, new Channel("deep", 30, 3, Optional.of(3.0), 1)), List.of(new FoamThere(200, 20, 2.3))))).contains("It cannot be cut");
    }

    @Test
    void channelsAndFoamAreSaidInALine() {
        Job job = body().say("channel door hinge 96 x 2.1, gap 1.6, 2", "foam 210 x 74, 2.3 mm");
        assertThat(job.state().care().channels()).containsEntry("door hinge", new Channel("door hinge", 96, 2.1, Optional.of(1.6), 2));
        assertThat(job.state().care().foam()).containsExactly(new FoamThere(210, 74, 2.3));
        job.say("channel door hinge 95 by 2");
        assertThat(job.state().care().channels()).as("measured anew").containsEntry("door hinge", new Channel("door hinge", 95, 2, Optional.empty(), 1));
    }

    @ParameterizedTest
    @ValueSource(strings = {"channel 96 x 2.1", "channel top", "channel top 96", "channel top 9600 x 2, gap 1", "channel top 96 x 2, gap 1, 400", "foam 210 x 74", "foam 210"})
    void linesThatSayTooLittleOrWhatCannotBeAreAsked(String line) {
        assertThat(body().read(line)).isInstanceOf(Reading.Unclear.class);
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatThrownBy(() -> new FoamThere(Double.NaN, 10, 2)).hasMessageContaining("NaN");
        Job job = body();
        for (int i = 0; i < 12; i++) {
            job.accept(new FoamThere(10, 10, 2));
        }
        assertThat(job.refusal(new FoamThere(10, 10, 2))).contains("12");
    }
}
