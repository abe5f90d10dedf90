package stillglass.ticket.glass;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.groups.Tuple.tuple;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.device.Source;
import stillglass.grade.PlaceEvidence;
import stillglass.grade.WhichSurface;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.FocusSweep;
import stillglass.look.Growth;
import stillglass.look.Lighting;
import stillglass.look.PhotoEdges;
import stillglass.look.ShopTeaching;
import stillglass.look.ZoomWalk;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Positions;
import stillglass.say.Wording;
import stillglass.ticket.Agreement;
import stillglass.ticket.Job;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

class PhotoSetTest {
    private static Job kept() {
        return Job.unknown().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "front", Source.FILE), new GlassEvent.PhotoKept("p2", Phase.BEFORE, false, "rear", Source.FILE)).stage(Stage.LOOK);
    }

    private static Optional<GlassEvent.PhotoSet> set(Job job, String photo) {
        return job.state().glass().photo(photo).orElseThrow().set();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"photo at zoom 80, f/8, near | 80 | 8 | near", "photo at 35 mm, infinity | 35 | | infinity", "photo taken at f/2.8 | | 2.8 | ", "photo at focus 1.5 m | | | 1.5 m"})
    void whereTheControlsStoodGoesToTheLastPhoto(String line, Double zoom, Double stop, String focus) {
        Job job = kept().say(line);
        assertThat(set(job, "p2")).contains(new GlassEvent.PhotoSet("p2", Optional.ofNullable(zoom), Optional.ofNullable(stop), Optional.ofNullable(focus)));
        assertThat(set(job, "p1")).isEmpty();
    }

    @Test
    void whatCannotBeIsSaidSo() {
        assertThat(kept().answer("photo at")).contains("zoom 80");
        assertThat(kept().answer("photo 7 at f/8")).contains("7");
        assertThat(Job.unknown().stage(Stage.LOOK).answer("photo at f/8")).containsIgnoringCase("no photo");
        assertThatThrownBy(() -> new GlassEvent.PhotoSet("p", Optional.of(Double.NaN), Optional.empty(), Optional.empty())).hasMessageContaining("NaN");
    }

    @Test
    void itIsSaidInFull() {
        assertThat(Wording.core().say(new GlassEvent.PhotoSet("p", Optional.of(80.0), Optional.of(5.6), Optional.of("near")).said())).isEqualTo("80 mm, f/5.6, focus near");
    }

    /// The same place at both ends of a zoom nobody has a section of.
    @Test
    void photosAtTwoZoomSettingsTellTheFrontGroup() {
        Job job = Job.unknown().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "short", Source.FILE), gradedAt("p1", 0.7)).stage(Stage.LOOK).say("photo at zoom 35");
        job.accept(new GlassEvent.PhotoKept("p2", Phase.BEFORE, false, "long", Source.FILE), gradedAt("p2", 0.71));
        Known colony = job.state().glass().findings().getFirst();
        assertThat(colony.sights()).hasSize(2);
        assertThat(Sights.of(job.state().glass()).zoomed(colony)).as("where the zoom stood in the second is not known").isEmpty();
        job.say("photo at zoom 70");
        assertThat(Sights.of(job.state().glass()).zoomed(job.state().glass().findings().getFirst()).map(ZoomWalk::stays)).contains(true);

        LensSection prime = Lenses.triplet();
        LensSection zoom = prime.withPositions(new Positions(List.of(new Positions.Position("short", 0, Map.of(), Optional.of(35.0), Optional.empty()),
                new Positions.Position("long", 1, Map.of(2, 20.0), Optional.of(70.0), Optional.empty()))));
        assertThat(places(job, prime)).as("its section lists no positions").isEmpty();
        assertThat(places(job, zoom)).hasSize(1);
        job.accept(new Undo());
        assertThat(places(job, zoom)).as("taken back").isEmpty();
    }

    private static List<PlaceEvidence> places(Job job, LensSection lens) {
        Glass glass = job.state().glass();
        return Sights.of(glass).deep(glass.findings().getFirst(), Optional.of(lens)).places(lens, false);
    }

    /// A sweep on a lens nobody has a section of: the rim is sharp in the third photo, the blades are said to be in the fifth, the colony is sharpest in the seventh.
    @Test
    void aSweepOfTheFocusTellsTheSideOfTheBlades() {
        Job job = swept(Job.unknown(), 7);
        Known plain = job.state().glass().findings().getFirst();
        assertThat(plain.sights()).hasSize(9);
        assertThat(Sights.of(job.state().glass()).swept(plain)).as("nobody said that it is a sweep").isEmpty();
        assertThat(job.answer("photo 5 sharp at blades")).contains("of no sweep").contains("photos 1 to 7 sweep");
        assertThat(job.answer("photos 1 to 2 sweep")).contains("4 photos at least");
        assertThat(job.answer("photos 1 to 12 sweep")).contains("12").contains("9");
        assertThat(job.answer("photos 1 to 7")).contains("photos 1 to 7 sweep");
        job.say("photos 1 to 9 sweep");
        assertThat(swept(job)).contains(FocusSweep.Side.DEEPER);
        job.say("photo 5 sharp at the iris");
        assertThat(swept(job)).contains(FocusSweep.Side.BEHIND_BLADES);
        assertThat(Sights.of(job.state().glass()).deep(plain, Optional.empty()).depths()).as("no depth is known but the rim’s").isEmpty();
        job.say("photo 9 sharp at 30");
        assertThat(Sights.of(job.state().glass()).deep(plain, Optional.empty()).depths()).singleElement().satisfies(d -> {
            assertThat(d.valueMm()).isCloseTo(20, within(3.0));
            assertThat(d.fromRear()).isFalse();
        });
        job.accept(new Undo(), new Undo());
        assertThat(swept(job)).as("said and taken back").contains(FocusSweep.Side.DEEPER);
    }

    /// With a section the blades have a depth.
    @Test
    void whereTheBladesLieGivesTheSweepItsScale() {
        Job job = swept(Job.unknown(), 7).say("photos 1 to 9 sweep", "photo 5 sharp at blades");
        LensSection lens = Lenses.triplet();
        double blades = WhichSurface.depth(lens, lens.stopIndex(), 0, 0, false);
        Known deep = Sights.of(job.state().glass()).deep(job.state().glass().findings().getFirst(), Optional.of(lens));
        assertThat(deep.depths()).singleElement().satisfies(d -> assertThat(d.valueMm()).isCloseTo(2 * blades, within(2 * d.sigmaMm())).isGreaterThan(blades));
    }

    @Test
    void photosOfBothSidesAreNoSweep() {
        Job job = Job.unknown();
        for (int i = 1; i <= 4; i++) {
            job.accept(new GlassEvent.PhotoKept("p" + i, Phase.BEFORE, i == 4, "", Source.FILE), graded("p" + i, List.of(speck(0.3))));
        }
        assertThat(job.stage(Stage.LOOK).answer("photos 1 to 4 sweep")).contains("one side");
    }

    private static Optional<FocusSweep.Side> swept(Job job) {
        return Sights.of(job.state().glass()).swept(job.state().glass().findings().getFirst()).flatMap(FocusSweep::side);
    }

    private static Job swept(Job job, int sharpest) {
        for (int i = 1; i <= 9; i++) {
            Finding f = speck(0.3);
            Finding sharp = new Finding(f.kind(), f.confidence(), f.regions(), f.areaShare(), 1, f.x(), f.y(), 0.3, 2, List.of(), f.chances(), 1 / Math.hypot(0.4, 0.5 * (i - sharpest)));
            PhotoEdges edges = new PhotoEdges(Optional.of(40 / Math.hypot(0.4, 0.5 * (i - 3))), Optional.empty());
            job.accept(new GlassEvent.PhotoKept("p" + i, Phase.BEFORE, false, "", Source.FILE),
                    new GlassEvent.PhotoGraded("p" + i, Lighting.AGAINST, new Aperture(400, 300, 250, 250, 0), List.of(sharp), 0.01, List.of(), List.of(), Optional.empty(), Optional.of(edges)));
        }
        return job.stage(Stage.LOOK);
    }

    /// What one more photo would tell: nothing asked for where it is known already.
    @Test
    void oneMorePhotoIsAskedForOnlyWhereItTells() {
        Job job = Job.unknown().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE),
                new GlassEvent.PhotoGraded("p1", Lighting.BRIGHT, new Aperture(400, 300, 250, 250, 0), List.of(), 0.01, List.of(), List.of())).stage(Stage.LOOK);
        assertThat(more(job, "p1")).contains("against the light");
        Finding doubtful = speck(0.3).told(FindingKind.FUNGUS, Map.of(FindingKind.FUNGUS, 0.55, FindingKind.UNKNOWN, 0.45));
        job.accept(new GlassEvent.PhotoKept("p2", Phase.BEFORE, false, "", Source.FILE), graded("p2", List.of(doubtful)));
        assertThat(more(job, "p1")).contains("photo 3 lamp moved").isEqualTo(more(job, "p2"));
        job.accept(new GlassEvent.PhotoKept("p3", Phase.BEFORE, false, "", Source.FILE), graded("p3", List.of(doubtful)));
        job.say("photo 3 lamp moved");
        assertThat(more(job, "p2")).isEmpty();
        job.accept(new GlassEvent.PhotoKept("p4", Phase.BEFORE, true, "", Source.FILE), graded("p4", List.of(speck(0.5))));
        assertThat(more(job, "p4")).as("from behind there is one photo, and no doubt").isEmpty();
    }

    private static String more(Job job, String photo) {
        return Sights.of(job.state().glass()).oneMore(job.state().glass().photo(photo).orElseThrow()).map(Wording.core()::say).orElse("");
    }

    /// One stays where the lamp goes, one goes with it; without a photo at both places nothing is told.
    @Test
    void aLampAtTwoPlacesTellsWhatIsInTheGlass() {
        Finding stays = speck(0.3);
        Job job = Job.unknown().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "here", Source.FILE), graded("p1", List.of(stays, speck(0.7).told(FindingKind.FUNGUS, Map.of(FindingKind.FUNGUS, 0.6, FindingKind.UNKNOWN, 0.4))))).stage(Stage.LOOK);
        assertThat(job.state().glass().findings()).allMatch(k -> Sights.of(job.state().glass()).staysAsTheLampMoves(k).isEmpty());
        job.accept(new GlassEvent.PhotoKept("p2", Phase.BEFORE, false, "there", Source.FILE), graded("p2", List.of(stays, speck(-0.6))));
        assertThat(job.state().glass().findings()).as("nobody said that the lamp was moved").allMatch(k -> Sights.of(job.state().glass()).staysAsTheLampMoves(k).isEmpty());
        job.say("photo 2 lamp moved");
        assertThat(job.state().glass().findings()).extracting(k -> k.finding().x(), k -> Sights.of(job.state().glass()).staysAsTheLampMoves(k)).containsExactlyInAnyOrder(tuple(0.3, Optional.of(true)), tuple(0.7, Optional.of(false)), tuple(-0.6, Optional.of(false)));
        assertThat(job.state().glass().findings()).as("what stands at both is surer than one photo was").extracting(k -> k.finding().x(), k -> k.finding().confidence() > 0.9).containsExactlyInAnyOrder(tuple(0.3, true), tuple(0.7, false), tuple(-0.6, false));
        assertThat(job.state().glass().findings()).as("one is told as what it may be").extracting(k -> k.finding().kind()).contains(FindingKind.UNKNOWN);
        job.accept(new CourseIntent.FinishStage(Stage.LOOK, Optional.empty()));
        assertThat(Agreement.teaching(job.state()).judged()).as("what the lamp made of it, nobody said").hasSize(3).allMatch(j -> j.read() == FindingKind.FUNGUS && j.truth() == FindingKind.FUNGUS);
        String gone = job.state().glass().findings().stream().filter(k -> k.finding().x() > 0.6).findFirst().orElseThrow().id();
        job.accept(new GlassIntent.Rekind(gone, FindingKind.OIL));
        assertThat(job.state().glass().finding(gone).orElseThrow().finding().confidence()).as("a technician who says what it is, is not asked again").isEqualTo(1);
        assertThat(job.answer("photo 7 lamp moved")).contains("7");
    }

    /// What a technician says of its severity holds through another photo, teaches with the camera it was taken with, and can be taken back.
    @Test
    void severityIsSaidOfTheFindingInHandOrByItsNumber() {
        GlassEvent.PhotoKept kept = new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "here", Optional.of(Source.FILE), Optional.empty(), Optional.of("Pellam P1"));
        Job job = Job.unknown().accept(kept, graded("p1", List.of(speck(0.3), speck(0.7)))).stage(Stage.LOOK);
        assertThat(job.answer("severity marked")).as("none is in hand").contains("Choose one in Look");
        assertThat(job.answer("finding 3 severity slight")).contains("3").contains("2");
        assertThat(job.answer("finding 2 severity")).contains("nothing to speak of").contains("severe");
        job.say("finding 2 severity severe", "finding 1 severity trace");
        job.accept(new GlassEvent.PhotoKept("p2", Phase.BEFORE, false, "again", Source.FILE), graded("p2", List.of(speck(0.3), speck(0.7))));
        assertThat(job.state().glass().findings()).extracting(k -> k.finding().severity(), Known::computedSeverity).as("whatever another photo shows").containsExactly(tuple(1, Optional.of(2)), tuple(4, Optional.of(2)));

        assertThat(Agreement.teaching(job.state())).as("its looking is not done").isEqualTo(ShopTeaching.NONE);
        job.accept(new CourseIntent.FinishStage(Stage.LOOK, Optional.empty()));
        ShopTeaching.Taken phone = ShopTeaching.Taken.with(Optional.of("Pellam P1"), Lighting.AGAINST);
        assertThat(Agreement.teaching(job.state()).severities()).containsExactly(new ShopTeaching.Severe(phone, FindingKind.FUNGUS, 2, 1, 1), new ShopTeaching.Severe(phone, FindingKind.FUNGUS, 2, 4, 1));
    }

    /// What was left beside a severity that was said is agreed to; where none was said nobody looked.
    @Test
    void severitiesThatWereLeftCountOnlyWhereOneWasSaid() {
        Job job = Job.unknown().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "here", Source.FILE), graded("p1", List.of(speck(0.3), speck(0.7)))).stage(Stage.LOOK);
        CourseIntent done = new CourseIntent.FinishStage(Stage.LOOK, Optional.empty());
        job.accept(done);
        assertThat(Agreement.teaching(job.state()).judged()).hasSize(2);
        assertThat(Agreement.teaching(job.state()).severities()).isEmpty();
        job.say("finding 2 severity severe");
        assertThat(Agreement.teaching(job.state()).severities()).extracting(ShopTeaching.Severe::said).containsExactly(2, 4);
    }

    private static Finding speck(double x) {
        List<Finding.Point> square = List.of(new Finding.Point(x - 0.05, -0.05), new Finding.Point(x + 0.05, -0.05), new Finding.Point(x + 0.05, 0.05), new Finding.Point(x - 0.05, 0.05));
        return new Finding(FindingKind.FUNGUS, 0.9, List.of(new Finding.Region(square)), 0.01 / Math.PI, 1, x, 0, 0.3, 2, List.of(), Map.of(FindingKind.FUNGUS, 0.9), 0);
    }

    /// Photos of two visits that show one colony: how fast it grew is known as soon as their days are.
    @Test
    void theDaysOfPhotosTellHowFastAColonyGrew() {
        Job job = Job.unknown().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "then", Source.FILE), graded("p1", 0.1), new GlassEvent.PhotoKept("p2", Phase.BEFORE, false, "now", Source.FILE), graded("p2", 0.3)).stage(Stage.LOOK);
        Known colony = job.state().glass().findings().getFirst();
        assertThat(colony.sights()).hasSize(2);
        assertThat(Sights.of(job.state().glass()).growth(colony)).as("both of one day").isEmpty();
        job.say("photo 1 of 2026-01-15");
        Growth g = Sights.of(job.state().glass()).growth(colony).orElseThrow();
        assertThat(g.from()).isEqualTo(LocalDate.of(2026, 1, 15));
        assertThat(g.verdict()).isEqualTo(Growth.Verdict.GROWS);
        assertThat(job.answer("photo 1 of yesterday")).contains("2025-03-01");
        assertThat(job.answer("photo 1 of 2090-01-01")).contains("2090-01-01");
        assertThat(job.answer("photo 9 of 2026-01-15")).contains("9");
    }

    private static GlassEvent.PhotoGraded gradedAt(String id, double x) {
        return graded(id, List.of(speck(x)));
    }

    private static GlassEvent.PhotoGraded graded(String id, double half) {
        List<Finding.Point> square = List.of(new Finding.Point(-half, -half), new Finding.Point(half, -half), new Finding.Point(half, half), new Finding.Point(-half, half));
        Finding fungus = new Finding(FindingKind.FUNGUS, 0.9, List.of(new Finding.Region(square)), 4 * half * half / Math.PI, 1, 0, 0, 0.3, 2, List.of(), Map.of(FindingKind.FUNGUS, 0.9), 0);
        return graded(id, List.of(fungus));
    }

    private static GlassEvent.PhotoGraded graded(String id, List<Finding> findings) {
        return new GlassEvent.PhotoGraded(id, Lighting.AGAINST, new Aperture(400, 300, 250, 250, 0), findings, 0.01, List.of(), List.of());
    }
}
