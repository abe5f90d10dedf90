package stillglass.ticket.glass;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.device.Source;
import stillglass.grade.CheapTest;
import stillglass.grade.DepthReading;
import stillglass.grade.TellApart;
import stillglass.look.Aperture;
import stillglass.look.Faults;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.ticket.Agreement;
import stillglass.ticket.Job;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

class OutliningTest {
    /// Keeps and grades a photo, as one act.
    private static Job photo(Job job, String id, boolean rear, Finding... findings) {
        assertThat(job.tell(new GlassEvent.PhotoKept(id, Phase.BEFORE, rear, id, Source.FILE), graded(id, findings))).isInstanceOf(Decision.Accepted.class);
        return job;
    }

    private static GlassEvent.PhotoGraded graded(String id, Finding... findings) {
        return new GlassEvent.PhotoGraded(id, Lighting.AGAINST, new Aperture(100, 100, 80, 80, 0), List.of(findings), 0.02, List.of(), List.of());
    }

    private static Job looked() {
        return photo(Job.begun(), "p1", false, Faults.round(FindingKind.FUNGUS, 0.5, 0.4, 0.2), Faults.round(FindingKind.OIL, -0.4, 0, 0.15));
    }

    @Test
    void anOutlineIsDrawnAnewAndTakenBack() {
        Job story = looked().accept(new GlassIntent.Reshape("p1#1", List.of(Faults.circle(0.2, 0.1, 0.3))));
        assertThat(story.state().glass().finding("p1#1").orElseThrow().finding().x()).isCloseTo(0.2, within(1e-6));
        story.accept(new Undo());
        assertThat(story.state().glass().finding("p1#1").orElseThrow().finding().x()).isEqualTo(0.5);
        assertThat(story.refusal(new GlassIntent.Reshape("p1#1", List.of(Faults.circle(3, 0, 0.3))))).contains("leaves the glass");
        assertThat(story.refusal(new GlassIntent.Reshape("p1#1", List.of(Faults.circle(0, 0, 1e-5))))).contains("no area");
    }

    @Test
    void whatWasNotSeenCanBeDrawn() {
        Job story = looked().accept(new GlassIntent.Draw("p1", FindingKind.CHIP, Faults.circle(0.9, 0, 0.05)));
        Known drawn = story.state().glass().findings().getLast();

        assertThat(drawn.finding().kind()).isEqualTo(FindingKind.CHIP);
        assertThat(drawn.finding().areaShare()).isCloseTo(0.0025, within(1e-5));
        assertThat(story.refusal(new GlassIntent.Draw("p7", FindingKind.CHIP, Faults.circle(0, 0, 0.1)))).contains("p7 is not in this ticket");
        // Grading the photo again inside another aperture keeps what was drawn by hand.
        story.accept(new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(100, 100, 70, 70, 0), List.of(), 0.02, List.of(), List.of()));
        assertThat(story.state().glass().findings()).extracting(Known::id).containsExactly(drawn.id());
    }

    @Test
    void twoBecomeOneAndOneBecomesTwo() {
        Job story = looked().accept(new GlassIntent.Merge("p1#1", "p1#2"));
        assertThat(story.state().glass().findings()).hasSize(1);
        Finding both = story.state().glass().findings().getFirst().finding();
        assertThat(both.kind()).isEqualTo(FindingKind.FUNGUS);
        assertThat(both.regions()).hasSize(2);
        assertThat(both.areaShare()).isCloseTo(0.04 + 0.0225, within(1e-9));

        story.accept(new GlassIntent.Split("p1#1"));
        assertThat(story.state().glass().findings()).extracting(Known::id).containsExactly("p1#1", "p1#1.2");
        assertThat(story.refusal(new GlassIntent.Split("p1#1"))).contains("nothing to take apart");
        assertThat(story.refusal(new GlassIntent.Merge("p1#1", "p1#1"))).contains("Choose two");
    }

    @Test
    void aSecondPhotoOfTheSameSideAddsToWhatIsKnown() {
        Job story = photo(looked(), "p2", false, Faults.round(FindingKind.FUNGUS, 0.52, 0.41, 0.19), Faults.round(FindingKind.SCRATCH, 0, -0.6, 0.1));

        assertThat(story.state().glass().findings()).extracting(k -> k.finding().kind()).containsExactlyInAnyOrder(FindingKind.FUNGUS, FindingKind.OIL, FindingKind.SCRATCH);
        assertThat(story.state().glass().finding("p1#1").orElseThrow().sights()).containsOnlyKeys("p1", "p2");
        story.accept(new Undo());
        assertThat(story.state().glass().finding("p1#1").orElseThrow().sights()).containsOnlyKeys("p1");
    }

    @Test
    void aFaultSeenFromBothSidesIsOne() {
        Job story = photo(looked(), "p2", true, Faults.round(FindingKind.FUNGUS, -0.5, 0.4, 0.2), Faults.round(FindingKind.SCRATCH, 0, -0.6, 0.1));
        Known colony = story.state().glass().finding("p1#1").orElseThrow();

        assertThat(story.state().glass().findings()).extracting(Known::id).containsExactly("p1#1", "p1#2", "p2#2");
        assertThat(colony.otherSide()).contains("p2");
        assertThat(colony.finding().x()).as("its place stays that of the photo it was first seen in").isEqualTo(0.5);
        assertThat(colony.sights().get("p2")).extracting(Finding::x).isEqualTo(-0.5);

        story.accept(new GlassIntent.Split("p1#1"));
        assertThat(story.state().glass().findings()).extracting(Known::id).containsExactlyInAnyOrder("p1#1", "p1#2", "p2#2", "p1#1.behind");
        assertThat(story.state().glass().finding("p1#1").orElseThrow().otherSide()).isEmpty();
        assertThat(story.state().glass().finding("p1#1.behind").orElseThrow().photoId()).isEqualTo("p2");

        story.accept(new Undo(), new Undo());
        assertThat(story.state().glass().findings()).extracting(Known::id).containsExactly("p1#1", "p1#2");
    }

    @Test
    void whatIsNotWhereItShouldBeFromBehindIsAnotherFault() {
        Job story = photo(looked(), "p2", true, Faults.round(FindingKind.FUNGUS, 0.5, 0.4, 0.2));

        assertThat(story.state().glass().findings()).as("right and left change places").hasSize(3);
        // A technician who knows better makes them one all the same.
        story.accept(new GlassIntent.ReadDepth("p2#1", DepthReading.focus(true, 4, 0.5)), new GlassIntent.Merge("p1#1", "p2#1"));
        Known one = story.state().glass().finding("p1#1").orElseThrow();
        assertThat(one.otherSide()).contains("p2");
        assertThat(one.depths()).as("what was read from behind counts here too").hasSize(1);
        assertThat(one.finding().regions()).as("outlines of two sides are not mixed").hasSize(1);
    }

    @Test
    void gradingThePhotoFromBehindAgainFindsItsPartnersAgain() {
        Job story = photo(looked(), "p2", true, Faults.round(FindingKind.FUNGUS, -0.5, 0.4, 0.2));
        story.accept(graded("p2", Faults.round(FindingKind.OIL, 0.4, 0, 0.15)));

        assertThat(story.state().glass().findings()).extracting(Known::id).containsExactly("p1#1", "p1#2");
        assertThat(story.state().glass().finding("p1#1").orElseThrow().otherSide()).isEmpty();
        assertThat(story.state().glass().finding("p1#2").orElseThrow().otherSide()).contains("p2");
    }

    @Test
    void photosFocusedAtKnownDepthsTellHowDeepAFaultLies() {
        Job story = Job.begun();
        for (int i = 0; i < 5; i++) {
            double z = 1 + 3 * i;
            Finding plain = Faults.round(FindingKind.FUNGUS, 0.5, 0.4, 0.2);
            Finding seen = new Finding(plain.kind(), plain.confidence(), plain.regions(), plain.areaShare(), 1, plain.x(), plain.y(), 0.2, 2, plain.reasons(),
                    Map.of(), 1 / Math.hypot(0.5, 0.3 * (z - 8)));
            photo(story, "p" + i, false, seen).accept(new GlassIntent.FocusPhoto(i + 1, z));
        }
        assertThat(story.state().glass().findings()).hasSize(1);
        assertThat(story.state().glass().findings().getFirst().depths()).singleElement()
                .satisfies(d -> assertThat(d.valueMm()).isCloseTo(8, within(3 * d.sigmaMm())));
        assertThat(story.refusal(new GlassIntent.FocusPhoto(9, 3))).contains("run from 1 to 5");
    }

    @Test
    void answersChangeTheComputedKindButNotTheTechnicians() {
        Map<FindingKind, Double> now = new EnumMap<>(Map.of(FindingKind.SEPARATION, 0.9, FindingKind.OIL, 0.1));
        TellApart told = new TellApart(now, Map.of(), Optional.empty(), 0);
        Job story = looked().accept(new GlassIntent.AnswerTest("p1#2", "colours", CheapTest.Answer.YES, told));
        Known k = story.state().glass().finding("p1#2").orElseThrow();

        assertThat(k.finding().kind()).isEqualTo(FindingKind.SEPARATION);
        assertThat(k.finding().confidence()).isEqualTo(0.9);
        assertThat(k.tests()).containsExactly(new TellApart.Answered("colours", CheapTest.Answer.YES));
        assertThat(k.computedKind()).as("nobody overruled anything").isEmpty();

        story.accept(new GlassIntent.Rekind("p1#2", FindingKind.HAZE), new GlassIntent.AnswerTest("p1#2", "wipe", CheapTest.Answer.NO, told));
        assertThat(story.state().glass().finding("p1#2").orElseThrow().finding().kind()).isEqualTo(FindingKind.HAZE);
    }

    @Test
    void agreementCountsWhatWasLeftChangedAndDismissed() {
        Job story = looked();
        assertThat(Agreement.of(List.of(story.state())).findings()).as("not looked at yet").isZero();
        story.accept(new GlassIntent.Rekind("p1#2", FindingKind.SEPARATION), new GlassIntent.Draw("p1", FindingKind.CHIP, Faults.circle(0.9, 0, 0.05)),
                new GlassIntent.OverruleGrade("p1#1", 4, "seen worse"), new CourseIntent.FinishStage(Stage.LOOK, Optional.empty()));
        Job other = looked().accept(new GlassIntent.Dismiss("p1#2"), new CourseIntent.FinishStage(Stage.LOOK, Optional.empty()));
        Agreement a = Agreement.of(List.of(story.state(), other.state()));

        assertThat(a.findings()).isEqualTo(4);
        assertThat(a.same()).isEqualTo(2);
        assertThat(a.missed()).isEqualTo(1);
        assertThat(a.gradesOverruled()).isEqualTo(1);
        assertThat(a.differences()).containsExactlyInAnyOrder(new Agreement.Difference(FindingKind.OIL, FindingKind.SEPARATION, 1),
                new Agreement.Difference(FindingKind.OIL, FindingKind.UNKNOWN, 1));
        // Agreed 2 of 4; by chance fungus 2/4 of 2/4: kappa (0.5 - 0.25) / (1 - 0.25).
        assertThat(a.kappa()).isCloseTo(1.0 / 3, within(1e-9));
    }
}
