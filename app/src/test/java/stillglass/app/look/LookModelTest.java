package stillglass.app.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import stillglass.app.axis.AxisModel;
import stillglass.app.axis.FaultMarks;
import stillglass.app.decide.DecideModel;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Told;
import stillglass.app.desk.Toolbox;
import stillglass.app.desk.Viewing;
import stillglass.app.desk.Work;
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.device.Source;
import stillglass.grade.CheapTest;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.PhotoLight;
import stillglass.look.ThroughColour;
import stillglass.plan.Tooling;
import stillglass.say.Said;
import stillglass.ticket.Assessment;
import stillglass.ticket.Story;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.Known;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;

/// What Look says of a few findings, without a window.
class LookModelTest {
    private static final Shelf SHELF = new Shelf();
    private static final Map<FindingKind, Double> DOUBT = new EnumMap<>(Map.of(FindingKind.OIL, 0.52, FindingKind.SEPARATION, 0.44));

    private static Finding finding(FindingKind kind, double x, double y, double radius, Map<FindingKind, Double> chances) {
        return new Finding(kind, chances.getOrDefault(kind, 0.95), List.of(OutlineHand.round(x, y, radius)), radius * radius, 1, x, y, 0.2, 2, List.of(Said.text("seen")), chances, 1);
    }

    private static List<Event> photo(String id, Phase phase, boolean rear, Finding... findings) {
        return List.of(new GlassEvent.PhotoKept(id, phase, rear, "photo " + id, Source.FILE),
                new GlassEvent.PhotoGraded(id, Lighting.AGAINST, new Aperture(500, 400, 300, 300, 0), List.of(findings), 0.03, List.of(), List.of()));
    }

    @SafeVarargs
    private static Work work(Viewing viewing, Selection selection, List<? extends Event>... acts) {
        List<Recorded> rows = new ArrayList<>();
        Tag tag = new Tag("T-9", "Ostrel 52 mm f/2", "ostrel_52_f2", Instrument.Sort.LENS, Optional.of("fell_52_f2"), Optional.of("club"), Optional.empty());
        rows.add(new Recorded(1, 1, "", "", Instant.EPOCH, new ArrivalEvent.Begun(tag)));
        for (List<? extends Event> act : acts) {
            long number = rows.getLast().act() + 1;
            for (Event e : act) {
                rows.add(new Recorded(rows.size() + 1, number, "", "", Instant.EPOCH, e));
            }
        }
        World world = new World(SHELF.instrument("ostrel_52_f2"), Optional.of(SHELF.section("fell_52_f2")), SHELF.care());
        return new Work(Story.of(rows).state(), world, SHELF.gradeRules(), Work.Computed.NOTHING, false, Stage.LOOK, selection, viewing, SHELF.tests(),
                new Toolbox(world.instrument(), Tooling.lacking(Set.of())));
    }

    private static Work doubtful(Selection selection) {
        return work(Viewing.USUAL, selection, photo("p1", Phase.BEFORE, false, finding(FindingKind.OIL, -0.5, 0.3, 0.2, DOUBT), finding(FindingKind.CHIP, 0.9, 0, 0.05, Map.of())));
    }

    @Test
    void aDoubtIsToldAsOneWithBothChances() {
        LookModel.Row row = LookModel.of(doubtful(new Selection.Nothing())).rows().getFirst();

        assertThat(row.title()).isEqualTo("Oil, or separation");
        assertThat(row.sure()).matches("\\d+ / \\d+ %");
        assertThat(row.chances()).hasSize(3);
        assertThat(row.chances().getFirst().probability()).isGreaterThan(row.chances().get(1).probability());
    }

    /// What shows at one place of the lamp only may be nothing at all, and that is said in figures; not of what a technician called by its name.
    @Test
    void whatMayBeNothingSaysHowLikely() {
        Map<FindingKind, Double> chances = Map.of(FindingKind.OIL, 0.7, FindingKind.SEPARATION, 0.2, FindingKind.UNKNOWN, 0.1);
        Finding seen = finding(FindingKind.OIL, -0.5, 0.3, 0.2, chances);
        List<Event> one = photo("p1", Phase.BEFORE, false, seen);
        List<Event> other = photo("p2", Phase.BEFORE, false);
        assertThat(LookModel.of(work(Viewing.USUAL, new Selection.Nothing(), one, other)).rows().getFirst().growth()).isEmpty();
        LookModel.Row moved = LookModel.of(work(Viewing.USUAL, new Selection.Nothing(), one, other, List.of(new GlassEvent.LampMoved("p2")))).rows().getFirst();
        assertThat(moved.growth()).containsPattern("nothing at all: [4-6]\\d %");
        assertThat(moved.kind()).as("told as what it may be").isEqualTo(FindingKind.UNKNOWN);
        assertThat(moved.title()).as("of the kind whose chance stands beside it").isEqualTo("Oil, or nothing");
        LookModel.Row named = LookModel.of(work(Viewing.USUAL, new Selection.Nothing(), one, other, List.of(new GlassEvent.LampMoved("p2"), new GlassEvent.FindingRekinded("p1#1", FindingKind.OIL)))).rows().getFirst();
        assertThat(named.growth()).doesNotContain("nothing at all");
    }

    /// The chance of a kind is that of all it may be, nothing at all included, and where that is likely the line says so; bars and line tell the same.
    @Test
    void aKindIsNoSurerThanThatItIsSomething() {
        Map<FindingKind, Double> faint = Map.of(FindingKind.HAZE, 0.3, FindingKind.DUST, 0.01, FindingKind.UNKNOWN, 0.69);
        Map<FindingKind, Double> plain = Map.of(FindingKind.EDGE_PAINT, 0.85, FindingKind.CHIP, 0.05, FindingKind.UNKNOWN, 0.1);
        List<Event> seen = photo("p1", Phase.BEFORE, false, finding(FindingKind.HAZE, 0, 0, 0.9, faint), finding(FindingKind.EDGE_PAINT, 0.97, 0, 0.1, plain));
        List<LookModel.Row> rows = LookModel.of(work(Viewing.USUAL, new Selection.Nothing(), seen)).rows();
        assertThat(rows.getFirst().title()).isEqualTo("Haze, or nothing");
        assertThat(rows.getFirst().sure()).matches("(2[5-9]|3[01]) / 69 %");
        assertThat(rows.getFirst().chances().stream().mapToDouble(LookModel.Chance::probability).sum()).isLessThanOrEqualTo(0.3101);
        assertThat(rows.get(1).title()).isEqualTo("Edge paint");
        Work known = work(Viewing.USUAL, new Selection.Nothing(), seen);
        Work unknown = new Work(known.state(), new World(known.instrument(), Optional.empty(), known.care()), known.rules(), Work.Computed.NOTHING, false, Stage.DECIDE, known.selection(), known.viewing(), known.tests(), known.tools());
        assertThat(DecideModel.of(unknown).unweighed()).extracting(DecideModel.Unweighed::title).containsExactly("Haze, or nothing", "Edge paint");
        assertThat(rows.get(1).sure()).matches("(7[5-9]|8\\d|90) %");
        LookModel.Row named = LookModel.of(work(Viewing.USUAL, new Selection.Nothing(), seen, List.of(new GlassEvent.FindingRekinded("p1#1", FindingKind.HAZE)))).rows().getFirst();
        assertThat(named.title()).isEqualTo("Haze");
    }

    /// Decide and the Axis call it by the name it has in Look, and a kind that has no chance has no bar.
    @Test
    void whatIsNotNamedHasOneNameEverywhere() {
        Map<FindingKind, Double> chances = Map.of(FindingKind.CHIP, 0.43, FindingKind.BUBBLE, 0.16, FindingKind.UNKNOWN, 0.41);
        Map<FindingKind, Double> circles = Map.of(FindingKind.CLEANING_MARKS, 0.8, FindingKind.UNKNOWN, 0.2);
        Work seen = work(Viewing.USUAL, new Selection.Nothing(), photo("p1", Phase.BEFORE, false, finding(FindingKind.UNKNOWN, 0.9, 0, 0.05, chances), finding(FindingKind.CLEANING_MARKS, 0, 0, 0.3, circles)));
        List<LookModel.Row> rows = LookModel.of(seen).rows();
        assertThat(rows).extracting(LookModel.Row::title).containsExactly("Chip, or nothing", "Cleaning marks");
        assertThat(rows.getFirst().sure()).matches("4[23] / 41 %");
        assertThat(rows.getFirst().chances()).extracting(LookModel.Chance::kind).containsExactly(FindingKind.CHIP, FindingKind.BUBBLE);
        assertThat(rows.get(1).chances()).extracting(LookModel.Chance::kind).containsExactly(FindingKind.CLEANING_MARKS);
        Work unknown = new Work(seen.state(), new World(seen.instrument(), Optional.empty(), seen.care()), seen.rules(), Work.Computed.NOTHING, false, Stage.DECIDE, seen.selection(), seen.viewing(), seen.tests(), seen.tools());
        assertThat(DecideModel.of(unknown).unweighed()).extracting(DecideModel.Unweighed::title).containsExactly("Chip, or nothing", "Cleaning marks");
        // Of what has no kind nobody knows how severe it is.
        assertThat(rows.getFirst().severity()).isEmpty();
        assertThat(rows.get(1).severity()).isPresent();
        assertThat(DecideModel.of(unknown).unweighed().getFirst().severity()).isEmpty();
        assertThat(DecideModel.of(unknown).unweighed().getFirst().sentence()).contains("not sure").doesNotContain("nothing to speak of");
    }

    private static String through(ThroughColour taken) {
        return LookModel.of(work(Viewing.USUAL, new Selection.Nothing(), List.of(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "photo 1", Source.FILE),
                new GlassEvent.PhotoGraded("p1", Lighting.BRIGHT, new Aperture(500, 400, 300, 300, 0), List.of(), 0, List.of(), List.of(), Optional.of(new PhotoLight(0.6, Optional.empty(), Optional.of(taken))))))).head();
    }

    /// No glass gives light: where the card is lighter behind it than beside it one colour is told against another and no more.
    @Test
    void whatGlassTakesIsNotToldBelowNothing() {
        assertThat(through(new ThroughColour(0.2, 0.3, 0.6, 0.03))).contains("takes 0.2 stops of red, 0.3 of green, 0.6 of blue light: clearly yellow (± 0.03)");
        assertThat(through(new ThroughColour(-0.4, -0.4, -0.2, 0.03))).contains("0.2 stops of blue lost against red light: slightly yellow (± 0.03); what all colours lose is not told").doesNotContain("-0.4");
        assertThat(through(new ThroughColour(-0.1, -0.2, -0.3, 0.03))).as("bluish").contains("0.2 stops of red lost against blue light: not yellow (± 0.03)").doesNotContain("-0.2");
    }

    /// What is likelier nothing spoils no picture and is drawn in no glass until it is pointed at; the others keep their numbers.
    @Test
    void whatIsLikelierNothingIsDrawnNowhere() {
        Work w = Told.end(Stage.DECIDE);
        List<Assessment> all = w.computed().assessments();
        Known first = all.getFirst().known();
        Map<FindingKind, Double> faint = Map.of(first.finding().kind(), 0.3, FindingKind.UNKNOWN, 0.7);
        Known nothing = new Known(first.id(), first.photoId(), first.finding().told(first.finding().kind(), faint));
        List<Assessment> now = Stream.concat(Stream.of(all.getFirst().of(nothing)), all.stream().skip(1)).toList();
        Work doubted = assessed(w, now);

        assertThat(nothing.doubtful()).isTrue();
        assertThat(DecideModel.of(w).picture().orElseThrow().layers()).hasSize(all.size());
        assertThat(DecideModel.of(doubted).picture().orElseThrow().layers()).hasSize(all.size() - 1);
        assertThat(DecideModel.of(doubted).rows()).hasSize(all.size());
        assertThat(AxisModel.of(doubted).faults()).extracting(FaultMarks.Fault::findingId).doesNotContain(first.id()).hasSize(AxisModel.of(w).faults().size() - 1);
        assertThat(AxisModel.of(doubted).faults()).extracting(FaultMarks.Fault::number).doesNotContain(1).contains(2);
        assertThat(AxisModel.of(Told.pointing(doubted, new Selection.OfFinding(first.id()))).faults()).extracting(FaultMarks.Fault::findingId).contains(first.id());
    }

    private static Work assessed(Work w, List<Assessment> assessments) {
        Work.Computed c = w.computed();
        Work.Computed now = new Work.Computed(assessments, c.plan(), c.recommendation(), c.assembly(), c.beams(), c.alike(), c.rework(), c.diagnosis(), c.back(), c.slips(), c.charts(), c.lamp());
        return new Work(w.state(), w.world(), w.rules(), now, w.computing(), w.stage(), w.selection(), w.viewing(), w.tests(), w.tools());
    }

    @Test
    void theDoubtIsAskedAbout() {
        LookModel m = LookModel.of(doubtful(new Selection.Nothing()));

        assertThat(m.question()).hasValueSatisfying(q -> assertThat(q.number()).isEqualTo(1));
        assertThat(m.say().sentence()).startsWith("1: ").endsWith("?");
        assertThat(m.say().keys()).contains("Y").contains("N").contains("H");
    }

    @Test
    void whatATechnicianSaidIsNotAskedAbout() {
        Work w = work(Viewing.USUAL, new Selection.OfFinding("p1#1"), photo("p1", Phase.BEFORE, false, finding(FindingKind.OIL, -0.5, 0.3, 0.2, DOUBT)),
                List.of(new GlassEvent.FindingRekinded("p1#1", FindingKind.OIL)));
        LookModel m = LookModel.of(w);

        assertThat(m.question()).isEmpty();
        assertThat(m.rows().getFirst().sure()).isEqualTo("by hand");
    }

    @Test
    void answersAreShownInWordsAndTheirTestIsNotAskedAgain() {
        String first = LookModel.of(doubtful(new Selection.Nothing())).question().orElseThrow().test().id();
        Work w = work(Viewing.USUAL, new Selection.Nothing(), photo("p1", Phase.BEFORE, false, finding(FindingKind.OIL, -0.5, 0.3, 0.2, DOUBT)),
                List.of(new GlassEvent.FindingTested("p1#1", first, CheapTest.Answer.UNSURE, FindingKind.OIL, DOUBT)));
        LookModel m = LookModel.of(w);

        assertThat(m.rows().getFirst().tests()).endsWith("not sure");
        assertThat(m.question().map(q -> q.test().id())).isNotEqualTo(Optional.of(first));
    }

    @Test
    void aPhotoCanBeChosenAndAnUnknownOneFallsBack() {
        List<Event> one = photo("p1", Phase.BEFORE, false, finding(FindingKind.CHIP, 0.9, 0, 0.05, Map.of()));
        List<Event> two = photo("p2", Phase.BEFORE, false, finding(FindingKind.CHIP, 0.9, 0, 0.06, Map.of()));

        assertThat(LookModel.of(work(Viewing.USUAL.onPhoto("p1"), new Selection.Nothing(), one, two)).photo().orElseThrow().photoId()).isEqualTo("p1");
        LookModel m = LookModel.of(work(Viewing.USUAL.onPhoto("from another ticket"), new Selection.Nothing(), one, two));
        assertThat(m.photo().orElseThrow().photoId()).as("the latest").isEqualTo("p2");
        assertThat(m.shots()).extracting(LookModel.ShotChip::chosen).containsExactly(false, true);
        assertThat(m.rows()).as("one chip, seen twice").hasSize(1);
        assertThat(m.rows().getFirst().regions()).as("its outline in the photo on show").isNotEmpty();
    }

    @Test
    void fromTheRearTheUnrolledGlassIsMirrored() {
        LookModel m = LookModel.of(work(Viewing.USUAL, new Selection.Nothing(), photo("p1", Phase.BEFORE, true, finding(FindingKind.CHIP, 0.9, 0.1, 0.05, Map.of()))));

        assertThat(m.rows().getFirst().unrolled().getFirst().outline().stream().mapToDouble(Finding.Point::x).average().orElseThrow()).isCloseTo(-0.9, within(1e-6));
    }

    @Test
    void beforeAndAfterAreToldFindingByFinding() {
        List<Event> before = photo("p1", Phase.BEFORE, false, finding(FindingKind.OIL, -0.5, 0.3, 0.2, Map.of()), finding(FindingKind.CHIP, 0.9, 0, 0.05, Map.of()));
        assertThat(LookModel.of(work(Viewing.USUAL.showing(Viewing.Hero.WIPE), new Selection.Nothing(), before)).hero()).as("nothing to wipe yet").isEqualTo(Viewing.Hero.PHOTO);
        LookModel m = LookModel.of(work(Viewing.USUAL.showing(Viewing.Hero.WIPE), new Selection.Nothing(), before,
                photo("p2", Phase.AFTER, false, finding(FindingKind.CHIP, 0.9, 0, 0.05, Map.of()))));

        assertThat(m.hero()).isEqualTo(Viewing.Hero.WIPE);
        assertThat(m.wipe().orElseThrow().lines()).anyMatch(l -> l.startsWith("Oil") && l.endsWith("gone")).anyMatch(l -> l.startsWith("Chip") && l.contains("no change"));
        assertThat(m.say().keys()).contains("W");
    }

    @Test
    void theGuideIsComputedForThisLens() {
        LookModel m = LookModel.of(work(Viewing.USUAL.showing(Viewing.Hero.LIGHTING), new Selection.Nothing()));

        assertThat(m.guide()).hasValueSatisfying(g -> assertThat(g.seenMm()).isPositive());
        assertThat(m.photo()).isEmpty();
        assertThat(Viewing.USUAL.showing(Viewing.Hero.LIGHTING).showing(Viewing.Hero.LIGHTING).hero()).as("the same again goes back").isEqualTo(Viewing.Hero.PHOTO);
    }

    @Test
    void theTableOfTestsCoversEveryKindAndCautionsWhatNeedsIt() {
        assertThat(SHELF.tests()).hasSizeGreaterThanOrEqualTo(8).allSatisfy(t -> {
            assertThat(t.yes()).as(t.id()).hasSize(FindingKind.values().length - 1);
            assertThat(t.question()).endsWith("?");
            if (t.risk() >= 0.01) {
                assertThat(t.caution()).as("%s can do harm", t.id()).isNotBlank();
            }
        });
        assertThat(SHELF.tests()).extracting(CheapTest::id).doesNotHaveDuplicates();
    }
}
