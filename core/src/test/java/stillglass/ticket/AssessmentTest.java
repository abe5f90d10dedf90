package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instruments;
import stillglass.device.Source;
import stillglass.grade.Advice;
import stillglass.grade.GradeRules;
import stillglass.grade.OwnersUse;
import stillglass.grade.DepthReading;
import stillglass.grade.WhichSurface;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.optics.Footprints;
import stillglass.optics.Lenses;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.say.Wording;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.Known;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;

class AssessmentTest {
    private static GradeRules rules() {
        Map<FindingKind, GradeRules.Optics> kinds = new EnumMap<>(FindingKind.class);
        for (FindingKind k : FindingKind.values()) {
            kinds.put(k, new GradeRules.Optics(0.9, 0.1, k == FindingKind.SCRATCH ? 0 : 0.9));
        }
        return new GradeRules(kinds, 0.02, 0.15, 0.002, 0.03, 0.1, 4);
    }

    private static List<String> said(Recommendation r) {
        return r.reasons().stream().map(Wording.core()::sentence).toList();
    }

    private static Known blot(FindingKind kind, Optional<Integer> surface) {
        Finding.Region r = new Finding.Region(List.of(new Finding.Point(-0.2, -0.2), new Finding.Point(0.2, -0.2), new Finding.Point(0.2, 0.2), new Finding.Point(-0.2, 0.2)));
        return new Known("p1#1", "p1", new Finding(kind, 0.9, List.of(r), 0.16 / Math.PI, 1, 0, 0, 0.4, 3, List.of()), surface,
                Optional.empty(), Optional.empty(), Optional.empty(), List.of(), List.of(), Map.of(), Optional.empty(), List.of());
    }

    private static Assessment assess(Known known) {
        return Assessment.of(known, false, Footprints.of(Lenses.triplet(), () -> {}), Instruments.small(), rules(), OwnersUse.ANY, Progress.SILENT);
    }

    @Test
    void aPlacedFindingIsTracedWhereItIs() {
        Assessment a = assess(blot(FindingKind.DUST, Optional.of(1)));

        assertThat(a.surface()).isEqualTo(1);
        assertThat(a.assumed()).isFalse();
    }

    @Test
    void anUnplacedOneIsTakenWhereItHarmsMost() {
        Assessment unplaced = assess(blot(FindingKind.DUST, Optional.empty()));

        assertThat(unplaced.assumed()).isTrue();
        for (int s : Assessment.candidates(Lenses.triplet())) {
            assertThat(unplaced.grade().grade()).isGreaterThanOrEqualTo(assess(blot(FindingKind.DUST, Optional.of(s))).grade().grade());
        }
    }

    @Test
    void depthReadingsDecideBetweenHarmAndLikelihood() {
        double deep = WhichSurface.depth(Lenses.triplet(), 3, 0, 0, false);
        Known k = blot(FindingKind.DUST, Optional.empty());
        Assessment a = assess(new Known(k.id(), k.photoId(), k.finding(), k.surface(), k.overruled(), k.computedKind(), k.computedSeverity(),
                List.of(DepthReading.focus(false, deep, 0.3)), List.of(), Map.of(), Optional.empty(), List.of()));

        assertThat(a.surface()).isEqualTo(3);
        assertThat(a.assumed()).as("measured, yet nobody put it there").isTrue();
        assertThat(a.where().orElseThrow().on(3)).isGreaterThan(0.8);
    }

    @Test
    void aReversedGlassComesFirstAmongTheReasons() {
        Job story = Job.begun();
        AssemblyEffect effect = AssemblyEffect.of(Lenses.triplet(), List.of(LensFault.parse("reverse:E1")));
        Recommendation r = Recommendation.of(story.state(), List.of(), Optional.of(effect), Optional.of(Lenses.triplet()), Instruments.small());

        assertThat(said(r).getFirst()).startsWith("Put right first: E1 reversed: spot in the middle");
        assertThat(r.act()).isEqualTo(Advice.Act.PUT_RIGHT);
        assertThat(r.goals()).containsExactly("E1");
    }

    @Test
    void candidatesAreFreeFacesOnly() {
        assertThat(Assessment.candidates(Lenses.triplet())).doesNotContain(2, 4).contains(0, 1, 3, 5);
    }

    @Test
    void theTechniciansGradeStandsBesideTheComputedOne() {
        Known k = blot(FindingKind.DUST, Optional.of(0));
        Known overruled = new Known(k.id(), k.photoId(), k.finding(), k.surface(),
                Optional.of(new GlassEvent.GradeOverruled(k.id(), 1, "seen worse")), Optional.empty(), Optional.empty(), List.of(), List.of(), Map.of(), Optional.empty(), List.of());
        Assessment a = assess(overruled);

        assertThat(a.standingGrade()).isEqualTo(1);
        assertThat(a.grade().grade()).isNotEqualTo(1);
    }

    @Test
    void twoColoniesOnOneSurfaceAreOneReason() {
        Assessment a = assess(blot(FindingKind.FUNGUS, Optional.of(0)));
        Recommendation one = Recommendation.of(Job.begun().state(), List.of(a), Optional.empty(), Optional.of(Lenses.triplet()), Instruments.small());
        Recommendation two = Recommendation.of(Job.begun().state(), List.of(a, a), Optional.empty(), Optional.of(Lenses.triplet()), Instruments.small());
        assertThat(said(two)).isEqualTo(said(one)).doesNotHaveDuplicates().isNotEmpty();
    }

    @Test
    void theRecommendationReachesWhatIsWorthCleaning() {
        Job story = Job.begun();
        Recommendation r = Recommendation.of(story.state(), List.of(assess(blot(FindingKind.FUNGUS, Optional.of(0)))), Optional.empty(), Optional.of(Lenses.triplet()), Instruments.small());

        assertThat(r.act()).isEqualTo(Advice.Act.CLEAN);
        assertThat(r.goals()).containsExactly("S1");
        assertThat(r.plan().orElseThrow().joints()).extracting(j -> j.id()).containsExactly("ring-thread", "e1-seat");
        assertThat(said(r)).anyMatch(s -> s.contains("fungus on the front of E1"));
    }

    @Test
    void aDryFocusAsksForTheHelicoid() {
        Job story = Job.begun().accept(new ReadingEvent.FunctionChecked(Phase.BEFORE, "feel", "Dry, scrapes"));
        Recommendation r = Recommendation.of(story.state(), List.of(), Optional.empty(), Optional.of(Lenses.triplet()), Instruments.small());

        assertThat(r.goals()).containsExactly("helicoid");
        assertThat(said(r)).anyMatch(s -> s.contains("grease it afresh"));
    }

    @Test
    void aSmoothFocusDoesNot() {
        Job story = Job.begun().accept(new ReadingEvent.FunctionChecked(Phase.BEFORE, "feel", "smooth"));

        assertThat(Recommendation.of(story.state(), List.of(), Optional.empty(), Optional.of(Lenses.triplet()), Instruments.small()).act()).isEqualTo(Advice.Act.LEAVE);
    }

    @Test
    void anInfinityErrorThatShowsAsksForTheShims() {
        Job story = Job.begun().accept(new ReadingEvent.InfinityMeasured(Phase.BEFORE, 0.4, 0.01, Source.TYPED));
        Recommendation r = Recommendation.of(story.state(), List.of(), Optional.empty(), Optional.of(Lenses.triplet()), Instruments.small());

        assertThat(r.goals()).containsExactly("shims");
        Job close = Job.begun().accept(new ReadingEvent.InfinityMeasured(Phase.BEFORE, 0.05, 0.01, Source.TYPED));
        assertThat(Recommendation.of(close.state(), List.of(), Optional.empty(), Optional.of(Lenses.triplet()), Instruments.small()).goals()).isEmpty();
    }

    @Test
    void whatCannotBeCuredIsDisclosed() {
        Recommendation r = Recommendation.of(Job.begun().state(), List.of(assess(blot(FindingKind.SCRATCH, Optional.of(5)))), Optional.empty(), Optional.of(Lenses.triplet()), Instruments.small());

        assertThat(r.goals()).isEmpty();
        assertThat(said(r)).anyMatch(s -> s.contains("scratch"));
    }
}
