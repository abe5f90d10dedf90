package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instruments;
import stillglass.device.Source;
import stillglass.grade.Advice;
import stillglass.grade.CheapTest;
import stillglass.grade.GradeRules;
import stillglass.grade.OwnersUse;
import stillglass.grade.DepthReading;
import stillglass.grade.TellApart;
import stillglass.grade.WhichSurface;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.Progress;
import stillglass.optics.Footprints;
import stillglass.optics.Lenses;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.say.Wording;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.GlassIntent;
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

    private static Known veiled(double nothing) {
        Known k = blot(FindingKind.HAZE, Optional.of(0));
        Finding told = k.finding().told(FindingKind.HAZE, Map.of(FindingKind.HAZE, 1 - nothing, FindingKind.UNKNOWN, nothing));
        return new Known(k.id(), k.photoId(), told, k.surface(), k.overruled(), k.computedKind(), k.computedSeverity(), List.of(), List.of(), Map.of(), Optional.empty(), List.of());
    }

    private static Recommendation advised(Known k) {
        return Recommendation.of(Job.begun().state(), List.of(assess(k)), Optional.empty(), Optional.of(Lenses.triplet()), Instruments.small());
    }

    /// A haze that is likelier nothing opens no lens; one that is likelier there does, and so does one that a technician graded, corrected, answered or called severe.
    @Test
    void nothingIsOpenedForWhatIsLikelierNothing() {
        Recommendation faint = advised(veiled(0.69));
        assertThat(assess(veiled(0.69)).advice().act()).isEqualTo(Advice.Act.LOOK_AGAIN);
        assertThat(faint.act()).isEqualTo(Advice.Act.LEAVE);
        assertThat(faint.goals()).isEmpty();
        assertThat(said(faint)).anyMatch(s -> s.startsWith("Look again at the haze on the front of E1 before anything is opened for it: with 69 % it is nothing at all. Look through the glass past a lamp"));

        assertThat(advised(veiled(0.49)).goals()).containsExactly("S1");
        Known k = veiled(0.69);
        Stream.of(new Known(k.id(), k.photoId(), k.finding(), k.surface(), Optional.of(new GlassEvent.GradeOverruled(k.id(), 4, "seen against the window")), k.computedKind(), k.computedSeverity(), List.of(), List.of(), Map.of(), Optional.empty(), List.of()),
                        new Known(k.id(), k.photoId(), k.finding(), k.surface(), k.overruled(), Optional.of(FindingKind.OIL), k.computedSeverity(), List.of(), List.of(), Map.of(), Optional.empty(), List.of()),
                        new Known(k.id(), k.photoId(), k.finding(), k.surface(), k.overruled(), k.computedKind(), Optional.of(1), List.of(), List.of(), Map.of(), Optional.empty(), List.of()),
                        new Known(k.id(), k.photoId(), k.finding(), k.surface(), k.overruled(), k.computedKind(), k.computedSeverity(), List.of(), List.of(new TellApart.Answered("window", CheapTest.Answer.YES)), Map.of(), Optional.empty(), List.of()))
                .forEach(sure -> assertThat(advised(sure).goals()).as("%s", sure).containsExactly("S1"));
    }

    @Test
    void nothingIsOpenedForItWithoutOpticsEither() {
        for (double nothing : new double[] {0.3, 0.7}) {
            Finding seen = veiled(nothing).finding();
            Job story = Job.begun().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE)).accept(new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(9, 9, 5, 5, 0), List.of(seen), 0, List.of(), List.of()));
            Recommendation r = Recommendation.of(story.state(), List.of(), Optional.empty(), Optional.empty(), Instruments.small());
            assertThat(r.act()).isEqualTo(nothing > 0.5 ? Advice.Act.LEAVE : Advice.Act.CLEAN);
            assertThat(said(r)).anyMatch(s -> s.startsWith(nothing > 0.5 ? "Look again at the haze before" : "Haze, severity 3"));
        }
    }

    /// What the photo could not name it gives no severity: the advice says to look again, it does not pass it over. Marked, it is as severe as was said.
    @Test
    void whatHasNoKindIsNotPassedOverWithoutOptics() {
        Finding chip = new Finding(FindingKind.UNKNOWN, 0.59, List.of(), 0.01, 1, 0.3, 0, 0.05, 0, List.of(), Map.of(FindingKind.CHIP, 0.43, FindingKind.BUBBLE, 0.16, FindingKind.UNKNOWN, 0.41), 0);
        Job story = Job.begun().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE)).accept(new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(9, 9, 5, 5, 0), List.of(chip), 0, List.of(), List.of()));
        assertThat(story.state().glass().findings().getFirst().severity()).isEmpty();
        assertThat(said(Recommendation.of(story.state(), List.of(), Optional.empty(), Optional.empty(), Instruments.small()))).anyMatch(s -> s.startsWith("Look again at the chip before anything is opened for it: with 41 % it is nothing"));
        assertThat(story.accept(new GlassIntent.Severe("p1#1", 2)).state().glass().findings().getFirst().severity()).contains(2);
    }

    /// What is not told is called by the likeliest it may be, and of that the lamp tells.
    @Test
    void whatIsNotToldIsLookedAtAgainAsWhatItMayBe() {
        Finding faint = blot(FindingKind.UNKNOWN, Optional.of(0)).finding().told(FindingKind.UNKNOWN, Map.of(FindingKind.OIL, 0.3, FindingKind.COATING, 0.1, FindingKind.UNKNOWN, 0.6));
        Known k = new Known("p1#1", "p1", faint);

        assertThat(k.mayBe()).isEqualTo(FindingKind.OIL);
        assertThat(said(advised(k))).anyMatch(s -> s.startsWith("Look again at the oil on the") && s.contains("the lamp carried round"));
        assertThat(blot(FindingKind.UNKNOWN, Optional.of(0)).mayBe()).as("no chances are known").isEqualTo(FindingKind.UNKNOWN);
    }

    @Test
    void dustIsCountedAndNoDoubt() {
        Known k = blot(FindingKind.DUST, Optional.of(0));
        assertThat(new Known("p1#1", "p1", k.finding().told(FindingKind.DUST, Map.of(FindingKind.DUST, 0.4, FindingKind.UNKNOWN, 0.6))).doubtful()).isFalse();
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
