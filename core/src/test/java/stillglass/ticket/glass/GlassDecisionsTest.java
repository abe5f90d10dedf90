package stillglass.ticket.glass;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.device.Source;
import stillglass.grade.DepthReading;
import stillglass.look.Aperture;
import stillglass.look.Faults;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.say.Said;
import stillglass.ticket.Job;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Undo;

class GlassDecisionsTest {
    private static GlassEvent.PhotoGraded graded(String photo, FindingKind... kinds) {
        List<Finding> findings = new ArrayList<>();
        for (FindingKind k : kinds) {
            findings.add(new Finding(k, 0.9, List.of(), 0.01, 1, 0.3, 0.3, 0.4, 2, List.of(Said.text("because"))));
        }
        return new GlassEvent.PhotoGraded(photo, Lighting.AGAINST, new Aperture(100, 100, 80, 80, 0), findings, 0.03, List.of(), List.of());
    }

    private static Job photo(Job job, String id, Phase phase, FindingKind... kinds) {
        job.tell(new GlassEvent.PhotoKept(id, phase, false, "", Source.FILE), graded(id, kinds));
        return job;
    }

    private static Job withDust() {
        return photo(Job.begun(), "p1", Phase.BEFORE, FindingKind.DUST);
    }

    private static Known known(Job job, String id) {
        return job.state().glass().finding(id).orElseThrow();
    }

    @Test
    void correctionsStayBesideWhatWasComputed() {
        Job job = photo(Job.begun(), "p1", Phase.BEFORE, FindingKind.DUST, FindingKind.HAZE)
                .accept(new GlassIntent.Rekind("p1#1", FindingKind.FUNGUS), new GlassIntent.Place("p1#1", 1), new GlassIntent.OverruleGrade("p1#1", 4, "seen it grow"));

        assertThat(known(job, "p1#1").finding().kind()).isEqualTo(FindingKind.FUNGUS);
        assertThat(known(job, "p1#1").computedKind()).contains(FindingKind.DUST);
        assertThat(known(job, "p1#1").surface()).contains(1);
        assertThat(known(job, "p1#1").overruled()).map(GlassEvent.GradeOverruled::why).contains("seen it grow");
        job.accept(new GlassIntent.Rekind("p1#1", FindingKind.OIL));
        assertThat(known(job, "p1#1").computedKind()).as("still the first").contains(FindingKind.DUST);
    }

    @Test
    void gradingAgainReplacesTheFindingsOfThatPhotoOnly() {
        Job job = photo(photo(Job.begun(), "p1", Phase.BEFORE, FindingKind.DUST), "p2", Phase.BEFORE, FindingKind.HAZE).accept(graded("p1", FindingKind.FUNGUS, FindingKind.SCRATCH));

        assertThat(job.state().glass().findings()).extracting(f -> f.finding().kind()).containsExactlyInAnyOrder(FindingKind.HAZE, FindingKind.FUNGUS, FindingKind.SCRATCH);
    }

    @Test
    void whatWasDismissedStaysSoWhenThePhotoIsReadAgain() {
        Finding colony = Faults.round(FindingKind.FUNGUS, 0.5, 0.4, 0.2);
        Finding speck = Faults.round(FindingKind.DUST, -0.5, 0, 0.1);
        Job job = Job.begun();
        job.tell(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE), new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(100, 100, 80, 80, 0), List.of(colony, speck), 0, List.of(), List.of()));
        job.accept(new GlassIntent.Dismiss("p1#2"),
                new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(101, 100, 80, 80, 0), List.of(speck, colony), 0, List.of(), List.of()));

        assertThat(job.state().glass().findings()).extracting(k -> k.finding().kind()).containsExactly(FindingKind.FUNGUS);
    }

    @Test
    void joiningAndTakingApartLeavesEveryNumberItsOwnAndEveryDepthRead() {
        Job job = Job.begun();
        job.tell(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE), new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(100, 100, 80, 80, 0),
                List.of(Faults.round(FindingKind.OIL, 0.5, 0.4, 0.2), Faults.round(FindingKind.OIL, -0.4, 0, 0.15), Faults.round(FindingKind.OIL, 0, -0.5, 0.1)), 0, List.of(), List.of()));
        job.accept(new GlassIntent.ReadDepth("p1#2", DepthReading.focus(false, 3, 0.3)), new GlassIntent.Merge("p1#1", "p1#2"), new GlassIntent.Split("p1#1"),
                new GlassIntent.Merge("p1#1", "p1#3"), new GlassIntent.Split("p1#1"));

        List<String> ids = job.state().glass().findings().stream().map(Known::id).toList();
        assertThat(ids).hasSize(3).doesNotHaveDuplicates();
        assertThat(job.state().glass().findings()).flatExtracting(Known::depths).as("the reading was not lost on the way").isNotEmpty();
    }

    @Test
    void aPhotoAfterTheWorkAddsNoFindings() {
        Job job = photo(Job.begun(), "p1", Phase.AFTER, FindingKind.DUST);

        assertThat(job.state().glass().findings()).isEmpty();
        assertThat(job.state().glass().graded(Phase.AFTER)).isPresent();
        assertThat(job.state().glass().graded(Phase.BEFORE)).isEmpty();
    }

    @Test
    void aFindingIsNotPutWhereItsKindCannotBe() {
        assertThat(withDust().refusal(new GlassIntent.Place("p1#1", 4))).contains("cement").contains("E2");
        assertThat(withDust().refusal(new GlassIntent.Place("p1#1", 9))).contains("10");
        Job noSection = photo(Job.unknown(), "p1", Phase.BEFORE, FindingKind.DUST);
        assertThat(noSection.refusal(new GlassIntent.Place("p1#1", 0))).isNotBlank();
    }

    @Test
    void aKindThatItsSurfaceRulesOutLosesTheSurface() {
        Job job = withDust().accept(new GlassIntent.Place("p1#1", 1), new GlassIntent.Rekind("p1#1", FindingKind.FUNGUS));
        assertThat(known(job, "p1#1").surface()).contains(1);
        job.accept(new GlassIntent.Rekind("p1#1", FindingKind.SEPARATION));
        assertThat(known(job, "p1#1").surface()).isEmpty();
        job.accept(new GlassIntent.Place("p1#1", 4));
        assertThat(known(job, "p1#1").surface()).contains(4);
    }

    @Test
    void depthReadingsGatherOnTheirFinding() {
        Job job = withDust().accept(new GlassIntent.ReadDepth("p1#1", DepthReading.focus(false, 3, 0.3)), new GlassIntent.ReadDepth("p1#1", DepthReading.parallax(false, 10, 0.6, 0.1)));

        assertThat(known(job, "p1#1").depths()).hasSize(2);
    }

    @Test
    void whatIsNotThereCannotBeTouched() {
        Job job = withDust();
        assertThat(job.refusal(graded("p9", FindingKind.DUST))).contains("p9");
        assertThat(job.refusal(new GlassIntent.Rekind("p1#7", FindingKind.OIL))).contains("p1#7");
        assertThat(job.refusal(new GlassIntent.ReadDepth("p9#1", DepthReading.focus(false, 3, 0.3)))).contains("p9#1");
        assertThat(job.refusal(new GlassIntent.OverruleGrade("p1#1", 7, "x"))).contains("4");
        assertThat(job.refusal(new GlassIntent.OverruleGrade("p1#1", 2, " "))).contains("why");
        assertThat(job.refusal(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "again", Source.FILE))).contains("p1");
    }

    @Test
    void marksOnAPhotoAreDrawnRenamedAndTakenOff() {
        Job job = withDust().accept(new GlassEvent.PhotoMarked("p1", 0, new PhotoMark(0.1, 0.1, 0.4, 0.3, "A")), new GlassEvent.PhotoMarked("p1", 1, new PhotoMark(0.6, 0.1, 0.5, 0.3, "B")),
                new GlassEvent.PhotoMarked("p1", 1, new PhotoMark(0.6, 0.1, 0.5, 0.3, "notch")), new GlassEvent.PhotoUnmarked("p1", 0));

        assertThat(job.state().glass().marks("p1").values()).extracting(PhotoMark::word).containsExactly("notch");
        assertThat(job.state().glass().marks("p9")).isEmpty();
        assertThat(job.refusal(new GlassEvent.PhotoUnmarked("p1", 0))).isNotBlank();
        assertThatThrownBy(() -> new PhotoMark(Double.NaN, 0, 0, 0, "A")).hasMessageContaining("outside it");
        assertThatThrownBy(() -> new PhotoMark(0, 0, 1, 1, " ")).hasMessageContaining("needs a word");
    }

    @Test
    void whatWasFoundAssembledWronglyStaysUntilItIsPutRight() {
        Job job = Job.begun().accept(new GlassIntent.FindAssembled("reverse:E1"));

        assertThat(job.state().glass().assembly()).containsExactly("reverse:E1");
        assertThat(job.refusal(new GlassIntent.FindAssembled("reverse:E1"))).isNotBlank();
        assertThat(job.refusal(new GlassIntent.FindAssembled("reverse:E7"))).contains("E7");
        assertThat(job.accept(new GlassIntent.AssembledRight()).state().glass().assembly()).isEmpty();
        assertThat(job.accept(new Undo()).state().glass().assembly()).as("undo takes the putting right back").containsExactly("reverse:E1");
        assertThat(Job.begun().refusal(new GlassIntent.AssembledRight())).isNotBlank();
        assertThat(Job.unknown().refusal(new GlassIntent.FindAssembled("reverse:E1"))).isNotBlank();
    }
}
