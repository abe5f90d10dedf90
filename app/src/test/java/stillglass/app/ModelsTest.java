package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import stillglass.app.arrive.ArriveModel;
import stillglass.app.axis.AxisModel;
import stillglass.app.bench.BenchModel;
import stillglass.app.clean.CleanModel;
import stillglass.app.close.CloseModel;
import stillglass.app.decide.DecideModel;
import stillglass.app.desk.Told;
import stillglass.app.desk.Work;
import stillglass.app.look.LookModel;
import stillglass.app.open.OpenModel;
import stillglass.app.prove.ProveModel;
import stillglass.look.FindingKind;
import stillglass.prove.InfinityShims;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.story.Stage;

/// What each view would draw, without a toolkit.
class ModelsTest {
    private static final List<Double> STOCK = InfinityShims.USUAL_STOCK;

    @Test
    void arriveStatesComputedNumbersAndWhatTheyMean() {
        ArriveModel m = ArriveModel.of(Told.end(Stage.ARRIVE));

        assertThat(m.facts()).anySatisfy(f -> assertThat(f.value()).isEqualTo("51.99 mm"));
        assertThat(m.symptoms()).hasSize(3);
        assertThat(m.infinity()).hasValueSatisfying(v -> assertThat(v).startsWith("+0.1").contains("±").endsWith("mm · simulated"));
        assertThat(m.infinityMeaning()).contains("behind the film").contains("0.060 mm").contains("f/2.0");
        assertThat(m.map()).contains("45 joints");
    }

    @Test
    void arriveAsksForWhatIsMissing() {
        assertThat(ArriveModel.of(Told.end(Stage.ARRIVE)).say().sentence()).contains("Arrived");
        assertThat(ArriveModel.of(Told.middle(Stage.ARRIVE)).say().sentence()).contains("Next: ");
    }

    @Test
    void lookNumbersItsFindingsAndPlacesThem() {
        LookModel m = LookModel.of(Told.end(Stage.LOOK));

        assertThat(m.rows()).extracting(LookModel.Row::number).startsWith(1, 2);
        assertThat(m.rows()).extracting(LookModel.Row::kind).contains(FindingKind.FUNGUS, FindingKind.HAZE, FindingKind.DUST);
        assertThat(m.rows()).filteredOn(r -> r.kind() == FindingKind.FUNGUS).allSatisfy(r -> {
            assertThat(r.place()).isEqualTo("rear of E1");
            assertThat(r.size()).contains("mm²").contains("o’clock");
            assertThat(r.reasons()).contains("branching");
        });
        assertThat(m.head()).startsWith("Against the light · from the front");
    }

    @Test
    void lookWithoutAPhotoSaysHowToTakeOne() {
        LookModel m = LookModel.of(Told.end(Stage.ARRIVE));

        assertThat(m.photo()).isEmpty();
        assertThat(m.say().sentence()).contains("Take a photo");
    }

    @Test
    void decideShowsEveryStopAndAdvisesWithReasons() {
        DecideModel m = DecideModel.of(Told.end(Stage.DECIDE));

        assertThat(m.rows()).isNotEmpty().allSatisfy(r -> {
            assertThat(r.bars()).hasSameSizeAs(Told.end(Stage.DECIDE).section().orElseThrow().stops());
            assertThat(r.grade()).isBetween(0, 4);
        });
        assertThat(m.verdict()).contains("Clean");
        assertThat(m.goals()).allMatch(DecideModel.GoalChip::chosen).extracting(DecideModel.GoalChip::name)
                .contains("rear of E1", "inner helicoid", "middle helicoid", "mount shims");
        assertThat(m.effort()).contains("h · risk");
        assertThat(m.cautions()).anyMatch(c -> c.contains("mask")).anyMatch(c -> c.contains("eye protection"));
    }

    @Test
    void decideAddsFindingsUpAndThinksThemAway() {
        Work w = Told.end(Stage.DECIDE);
        DecideModel.Picture all = DecideModel.of(w).picture().orElseThrow();
        String haze = w.state().glass().findings().stream().filter(k -> k.finding().kind() == FindingKind.HAZE).findFirst().orElseThrow().id();
        DecideModel.Picture without = DecideModel.of(Told.seen(w, w.viewing().toggled(haze))).picture().orElseThrow();

        assertThat(without.shades().effect(0).veil()).isLessThan(0.5 * all.shades().effect(0).veil());
        assertThat(all.without()).isEmpty();
        assertThat(without.without()).startsWith("With everything in: shadow");
        assertThat(Told.seen(w, w.viewing().toggled(haze).toggled(haze)).viewing()).as("twice is not at all").isEqualTo(w.viewing());
        assertThat(DecideModel.of(Told.seen(w, w.viewing().toggled(haze))).rows()).filteredOn(DecideModel.Row::cured).extracting(DecideModel.Row::id).containsExactly(haze);
    }

    @Test
    void decideLooksAtTheStopThatWasChosen() {
        Work w = Told.end(Stage.DECIDE);
        DecideModel.Picture small = DecideModel.of(Told.seen(w, w.viewing().at(w.section().orElseThrow().stops().size() - 1))).picture().orElseThrow();

        assertThat(small.stops().get(small.stop())).isEqualTo("16");
        assertThat(small.shows()).matches("Shows from f/.* down, .*\\.|No shadow shows at any stop\\.");
        assertThat(small.figures()).contains("shadow").contains("beside a lamp").contains("%");
        assertThat(DecideModel.of(Told.seen(w, w.viewing().at(99))).picture().orElseThrow().stop()).as("a stop of another lens").isEqualTo(small.stop());
    }

    @Test
    void aReversedGlassIsToldWithItsEffect() {
        Work w = Told.after(new GlassIntent.FindAssembled("reverse:E1"));
        DecideModel m = DecideModel.of(w);

        assertThat(m.assembly().orElseThrow().title()).isEqualTo("As found: E1 reversed");
        assertThat(m.assembly().orElseThrow().sentence()).startsWith("Spot in the middle 9.4 → ").contains("best focus +");
        assertThat(m.reasons().getFirst()).startsWith("Put right first");
        assertThat(DecideModel.of(Told.end(Stage.DECIDE)).assembly()).isEmpty();
    }

    @Test
    void lookStrikesOutWhatTheLensRulesOut() {
        Work w = Told.end(Stage.LOOK);
        LookModel.Row fungus = LookModel.of(w).rows().stream().filter(r -> r.kind() == FindingKind.FUNGUS).findFirst().orElseThrow();

        assertThat(fungus.kinds()).filteredOn(k -> k.kind() == FindingKind.SEPARATION).singleElement()
                .satisfies(k -> assertThat(k.not()).isEqualTo("nothing is cemented on the rear of E1"));
        assertThat(fungus.kinds()).filteredOn(k -> k.kind() == FindingKind.OIL).allMatch(k -> k.not().isEmpty());
        assertThat(fungus.surfaces()).filteredOn(LookModel.SurfaceChip::chosen).extracting(LookModel.SurfaceChip::name).containsExactly("rear of E1");
        LookModel.Row dust = LookModel.of(w).rows().stream().filter(r -> r.kind() == FindingKind.DUST).findFirst().orElseThrow();
        assertThat(dust.surfaces()).filteredOn(s -> s.name().startsWith("cement")).isNotEmpty().allMatch(s -> s.not().endsWith("is closed"));
        assertThat(dust.surfaces()).as("dust may lie on the blades").anyMatch(s -> s.name().equals("iris"));
    }

    @Test
    void theDemoReadsDepthsAndTheyPointToTheTruth() {
        Work w = Told.end(Stage.LOOK);
        LookModel.Row fungus = LookModel.of(w).rows().stream().filter(r -> r.kind() == FindingKind.FUNGUS).findFirst().orElseThrow();

        assertThat(fungus.depth().orElseThrow().verdict()).startsWith("rear of E1");
        assertThat(fungus.depth().orElseThrow().likeliest()).contains(1);
        assertThat(fungus.depth().orElseThrow().readings()).contains("focus").contains("±");
    }

    @Test
    void openPutsMarksBeforeTheJointThatLosesThem() {
        OpenModel m = OpenModel.of(Told.end(Stage.DECIDE));

        assertThat(m.rungs()).hasSizeGreaterThan(20);
        assertThat(m.rungs()).filteredOn(r -> r.progress() == OpenModel.Progress.NEXT).hasSize(1);
        assertThat(m.summary()).contains("no better order exists");
        assertThat(m.tray()).isEmpty();
    }

    @Test
    void openInTheMiddleShowsTheRecordAndTheTray() {
        Work w = Told.middle(Stage.OPEN);
        OpenModel m = OpenModel.of(w);

        assertThat(m.tray()).isNotEmpty();
        assertThat(m.tray().getFirst().number()).as("newest first").isGreaterThan(m.tray().getLast().number());
        assertThat(m.rungs()).filteredOn(r -> r.progress() == OpenModel.Progress.DONE).hasSize(w.state().joints().order().size());
        assertThat(m.now()).isPresent();
        assertThat(m.say().sentence()).isNotBlank();
    }

    @Test
    void openAtTheEndSaysYouAreThere() {
        OpenModel m = OpenModel.of(Told.end(Stage.OPEN));

        assertThat(m.now()).isEmpty();
        assertThat(m.say().sentence()).startsWith("Open. Clean");
    }

    @Test
    void cleanTakesTheMostLikelySoilAndTheWeakestAgentFirst() {
        CleanModel m = CleanModel.of(Told.end(Stage.OPEN), Optional.empty());

        assertThat(m.parts()).extracting(CleanModel.PartChip::name).contains("front glass E1", "inner helicoid");
        assertThat(m.partName()).isEqualTo("front glass E1");
        assertThat(m.soils()).filteredOn(CleanModel.SoilItem::chosen).singleElement().satisfies(s -> assertThat(s.id()).isIn("fungus", "dust"));
        assertThat(m.rungs()).filteredOn(CleanModel.Rung::next).singleElement().isEqualTo(m.rungs().getFirst());
        assertThat(CleanModel.of(Told.end(Stage.OPEN), Optional.of("haze")).barred()).as("acetone and edge paint").isNotEmpty();
    }

    @Test
    void cleanAgainstAnotherSoilIsAnotherLadder() {
        CleanModel fungus = CleanModel.of(Told.end(Stage.OPEN), Optional.of("fungus"));
        CleanModel dust = CleanModel.of(Told.end(Stage.OPEN), Optional.of("dust"));

        assertThat(fungus.rungs()).isNotEqualTo(dust.rungs());
        assertThat(CleanModel.of(Told.end(Stage.OPEN), Optional.of("teapot")).soil()).as("an unknown soil is not taken").isNotBlank();
    }

    @Test
    void closeAsksWhatTheRecordKnows() {
        Work w = Told.end(Stage.CLEAN);
        CloseModel m = CloseModel.of(w);

        assertThat(m.now()).isPresent();
        assertThat(m.ledger().count()).isGreaterThan(20);
        assertThat(m.ahead()).hasSizeGreaterThanOrEqualTo(w.state().joints().order().size() - 1);
    }

    @Test
    void closeAtTheEndHasAnEmptyLedger() {
        CloseModel m = CloseModel.of(Told.end(Stage.CLOSE));

        assertThat(m.now()).isEmpty();
        assertThat(m.tests()).isEmpty();
        assertThat(m.ledger().count()).isZero();
        assertThat(m.say().sentence()).contains("Prove");
    }

    @Test
    void proveDoesTheShimArithmetic() {
        ProveModel before = ProveModel.of(Told.end(Stage.CLOSE), STOCK);
        ProveModel after = ProveModel.of(Told.end(Stage.PROVE), STOCK);

        // Found 0.10 + 0.20, image 0.122 behind the film: 0.42 wanted, 0.2 + 0.2 + 0.02 from stock.
        assertThat(before.stack()).containsExactly(0.2, 0.2, 0.02);
        assertThat(before.sum()).anyMatch(s -> s.contains("0.42"));
        assertThat(after.after().orElseThrow().errorMm()).isCloseTo(0, within(0.012));
        assertThat(after.stack()).isEmpty();
        assertThat(after.veilMeaning()).contains("Clearer");
        assertThat(after.ledgerZero()).isTrue();
    }

    @Test
    void proveWithoutShimsInStockSaysSo() {
        ProveModel m = ProveModel.of(Told.end(Stage.CLOSE), List.of(1.0));

        assertThat(m.stack()).isEmpty();
        assertThat(m.sum()).anyMatch(s -> s.contains("No stack"));
    }

    @Test
    void theAxisTellsTheTruthAboutWhatIsOut() {
        AxisModel before = AxisModel.of(Told.end(Stage.DECIDE));
        AxisModel open = AxisModel.of(Told.end(Stage.OPEN));
        AxisModel closed = AxisModel.of(Told.end(Stage.CLOSE));

        assertThat(before.ghosts()).isEmpty();
        assertThat(open.ghosts()).extracting(AxisModel.Ghost::number).startsWith(1, 2, 3);
        assertThat(open.ghosts()).anyMatch(AxisModel.Ghost::toRight);
        assertThat(open.pieces()).noneMatch(p -> p.partId().equals("E1"));
        assertThat(closed.ghosts()).isEmpty();
        assertThat(closed.pieces()).hasSameSizeAs(before.pieces());
    }

    @Test
    void theAxisIsToScale() {
        Work w = Told.end(Stage.ARRIVE);
        AxisModel m = AxisModel.of(w);
        AxisModel.Piece e1 = m.pieces().stream().filter(p -> p.partId().equals("E1")).findFirst().orElseThrow();
        double rim = e1.outlines().getFirst().points().stream().mapToDouble(AxisModel.Point::yMm).max().orElseThrow();
        double vertex = e1.outlines().getFirst().points().stream().mapToDouble(AxisModel.Point::xMm).min().orElseThrow();

        assertThat(rim).isCloseTo(35.3 / 2, within(1e-9));
        assertThat(vertex).isCloseTo(0, within(0.01));
        assertThat(m.filmMm().orElseThrow()).isCloseTo(w.section().orElseThrow().imagePlaneMm(), within(1e-9));
        assertThat(m.flangeMm()).hasValueSatisfying(at -> assertThat(m.filmMm().orElseThrow() - at).isCloseTo(45.46, within(1e-9)));
    }

    @Test
    void curedFindingsAreShownAsGone() {
        assertThat(AxisModel.of(Told.end(Stage.DECIDE)).faults()).isNotEmpty().noneMatch(f -> f.gone());
        assertThat(AxisModel.of(Told.end(Stage.CLEAN)).faults()).allMatch(f -> f.gone()).allSatisfy(f -> assertThat(f.bands()).isEmpty());
    }

    @Test
    void referencesGoFromToMarkToKept() {
        assertThat(AxisModel.of(Told.end(Stage.DECIDE)).references()).extracting(AxisModel.Reference::kept).containsOnly(AxisModel.Kept.TO_MARK);
        assertThat(AxisModel.of(Told.end(Stage.OPEN)).references()).extracting(AxisModel.Reference::kept).containsOnly(AxisModel.Kept.KEPT);
    }

    @Test
    void walkingTheAxisVisitsEveryPartOnce() {
        List<String> walk = AxisModel.of(Told.end(Stage.OPEN)).walk();

        assertThat(walk).doesNotHaveDuplicates().contains("E1", "E6", "mount");
    }

    @Test
    void benchModeSaysOneThing() {
        BenchModel open = BenchModel.of(Told.middle(Stage.OPEN), Told.WHEN);
        BenchModel close = BenchModel.of(Told.end(Stage.CLOSE), Told.WHEN);

        assertThat(open.head()).startsWith("Open · step");
        assertThat(open.done()).containsInstanceOf(JointIntent.Open.class);
        assertThat(open.troubles()).extracting(BenchModel.WentWrong::say).containsExactly("It is stuck", "Something fell or flew", "It broke or stripped", "Not as drawn");
        assertThat(close.done()).as("nothing is left to do").isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Stage.class)
    void everyModelIsTheSameForTheSameState(Stage stage) {
        Work w = Told.middle(stage);

        assertThat(AxisModel.of(w)).isEqualTo(AxisModel.of(w));
        assertThat(ArriveModel.of(w)).isEqualTo(ArriveModel.of(w));
        assertThat(LookModel.of(w)).isEqualTo(LookModel.of(w));
        assertThat(DecideModel.of(w)).isEqualTo(DecideModel.of(w));
        assertThat(OpenModel.of(w)).isEqualTo(OpenModel.of(w));
        assertThat(CleanModel.of(w, Optional.empty())).isEqualTo(CleanModel.of(w, Optional.empty()));
        assertThat(CloseModel.of(w)).isEqualTo(CloseModel.of(w));
        assertThat(ProveModel.of(w, STOCK)).isEqualTo(ProveModel.of(w, STOCK));
    }

    @ParameterizedTest
    @EnumSource(Stage.class)
    void everyStageSaysWhatToDoNext(Stage stage) {
        for (Work w : List.of(Told.middle(stage), Told.end(stage))) {
            assertThat(ArriveModel.of(w).say().sentence()).isNotBlank();
            assertThat(LookModel.of(w).say().sentence()).isNotBlank();
            assertThat(DecideModel.of(w).say().sentence()).isNotBlank();
            assertThat(OpenModel.of(w).say().sentence()).isNotBlank();
            assertThat(CleanModel.of(w, Optional.empty()).say().sentence()).isNotBlank();
            assertThat(CloseModel.of(w).say().sentence()).isNotBlank();
            assertThat(ProveModel.of(w, STOCK).say().sentence()).isNotBlank();
        }
    }
}
