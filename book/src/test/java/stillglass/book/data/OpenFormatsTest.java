package stillglass.book.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.HashSet;
import java.util.ArrayList;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.book.BadInput;
import stillglass.assembly.Material;
import stillglass.care.CareTables;
import stillglass.look.FindingKind;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.LensReport;
import stillglass.optics.LensSection;
import stillglass.optics.Positions;
import stillglass.optics.Paraxial;
import stillglass.optics.Seat;
import stillglass.optics.measured.TwoPlane;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.WayBack;
import stillglass.plan.WayIn;
import stillglass.say.Wording;
import tools.jackson.databind.json.JsonMapper;

class OpenFormatsTest {
    private static final Shelf SHELF = new Shelf();

    @TempDir
    Path folder;

    private static String shipped(String id) {
        return CheckedJson.shipped("/stillglass/book/lenses/" + id + ".json");
    }

    private Path file(String name, String text) throws Exception {
        Path f = folder.resolve(name);
        Files.writeString(f, text);
        return f;
    }

    /// The designs state their own paraxial back focus, worked out when they were designed by other software.
    @ParameterizedTest
    @ValueSource(strings = {"fell_52_f2", "rill_57_f14", "tarn_50_f35", "moraine_31_f35", "hawthorn_105_f28", "sedge_75_f45"})
    void sectionsOnTheShelfHaveTheFocusTheyState(String id) {
        LensSection lens = SHELF.section(id);

        // Stated to a micrometre.
        assertThat(Paraxial.of(lens).bfdMm()).isCloseTo(lens.surfaces().getLast().thicknessMm(), within(1.5e-3));
        assertThat(Paraxial.of(lens).eflMm() / lens.nominalFocalLengthMm()).isCloseTo(1, within(0.01));
        double measuredStop = Paraxial.of(lens).eflMm() / Paraxial.of(lens).entrancePupil().diameterMm();
        assertThat(measuredStop / lens.fNumber()).as("engraved stop").isCloseTo(1, within(0.03));
    }

    @ParameterizedTest
    @CsvSource({"fell_52_f2,S2", "rill_57_f14,S1"})
    void goodLensesAreSharpAndAReversedGlassIsNot(String id, String surface) {
        LensSection lens = SHELF.section(id);
        LensReport good = LensReport.of(lens, lens);
        LensSection wrong = LensFault.apply(lens, List.of(LensFault.parse("reverse:E1")), LensFault.Seating.RIM).lens();
        LensReport bad = LensReport.of(wrong, lens);

        assertThat(good.fields().getFirst().mtfSagittal().orElseThrow()).as(surface).isGreaterThan(0.4);
        assertThat(bad.fields().getFirst().rmsUm().orElseThrow()).isGreaterThan(1.5 * good.fields().getFirst().rmsUm().orElseThrow());
        // Off the axis the iris of the fast one folds over itself: no figure then, and the reason.
        assertThat(bad.fields().get(1).rmsUm().isPresent() || bad.diagnostics().stream().map(Wording.core()::say).anyMatch(d -> d.startsWith("field 0.7: aiming is not unique"))).isTrue();
    }

    @Test
    void aNaNRadiusIsRefusedAtItsPlace() throws Exception {
        Path f = file("nan.json", shipped("fell_52_f2").replaceFirst("37\\.835", "NaN"));

        assertThatThrownBy(() -> LensJson.read(f)).isInstanceOf(BadInput.class).hasMessageStartingWith("nan.json: ").hasMessageContaining("radius_mm");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "\"radius_mm\": 37.835 | \"radius_mm\": \"flat\" | /surfaces/0/radius_mm",
        "\"nd\": 1.804 | \"nd\": 9.9 | /surfaces/0",
        "\"semi_diameter_mm\": 17.3 | \"semi_diameter_mm\": -1 | /surfaces/0/semi_diameter_mm",
        "\"f_number\": 2.0 | \"f_number\": 0 | /f_number",
        "\"stop\": true | \"stop\": false | file"
    })
    void whatIsWrongIsNamedByItsPointer(String from, String to, String pointer) throws Exception {
        Path f = file("bad.json", shipped("fell_52_f2").replace(from, to));

        assertThatThrownBy(() -> LensJson.read(f)).isInstanceOfSatisfying(BadInput.class, b -> {
            assertThat(b.field()).startsWith(pointer);
            assertThat(b.file()).isEqualTo("bad.json");
        });
    }

    @ParameterizedTest
    @ValueSource(strings = {"fell_52_f2", "rill_57_f14", "tarn_50_f35", "moraine_31_f35", "hawthorn_105_f28", "sedge_75_f45"})
    void aSectionIsWrittenBackWithoutLoss(String id) {
        String text = shipped(id);
        LensSection lens = LensJson.parse(id, text);

        assertThat(LensText.of(lens, text)).as("unchanged: the very text").isEqualTo(text);
        assertThat(LensJson.parse(id, LensText.of(lens))).as("from nothing: the same section").isEqualTo(lens);
        String renamed = LensText.of(renamed(lens), text);
        assertThat(renamed).as("what is not ours stays").contains("note");
        assertThat(LensJson.parse(id, renamed).name()).isEqualTo("another");
        assertThat(JsonMapper.shared().readTree(renamed).get("focusing")).isEqualTo(JsonMapper.shared().readTree(text).get("focusing"));
        assertThat(JsonMapper.shared().readTree(LensText.of(lens)).get("groups")).isEqualTo(JsonMapper.shared().readTree(text).get("groups"));
    }

    private static LensSection renamed(LensSection s) {
        return new LensSection("another", s.form(), s.nominalFocalLengthMm(), s.fNumber(), s.imageCircleMm(), s.wavelengthsNm(), s.surfaces(), s.elements(), s.focusing());
    }

    @Test
    void aMisassembledLensIsWrittenAndReadAsItIs() {
        LensSection wrong = LensFault.apply(SHELF.section("fell_52_f2"), List.of(LensFault.parse("unseated:E1:0.1:0.5:3"), LensFault.parse("gap:2:-6")),
                LensFault.Seating.RIM).lens();
        LensSection back = LensJson.parse("wrong", LensText.of(wrong, shipped("fell_52_f2")));

        assertThat(back.surfaces()).isEqualTo(wrong.surfaces());
        assertThat(back.tilts().getFirst().angleRad()).isCloseTo(Math.toRadians(0.5), within(1e-12));
        assertThatThrownBy(() -> LensJson.parse("neg", shipped("fell_52_f2").replaceFirst("\"thickness_mm\": 4.13", "\"thickness_mm\": -4.13")))
                .as("a right lens has no negative gap").isInstanceOf(BadInput.class).hasMessageContaining("/surfaces/1/thickness_mm");
    }

    @Test
    void whatHoldsEachGlassIsKept() {
        LensSection lens = SHELF.section("tarn_50_f35");
        LensSection held = lens.withSeats(lens.blocks().stream().map(b -> b[0] == 0 ? Optional.of(new Seat(Seat.Rests.ON_BEHIND, Optional.of("front cell"))) : Optional.<Seat>empty()).toList());

        assertThat(LensJson.parse("held", LensText.of(held, shipped("tarn_50_f35"))).seats()).isEqualTo(held.seats());
        assertThatThrownBy(() -> LensJson.parse("held", shipped("tarn_50_f35").replaceFirst("\"elements\"", "\"seats\": [{\"rests\": \"rear\"}], \"elements\"")))
                .isInstanceOf(BadInput.class).hasMessageContaining("1 seats for");
        assertThatThrownBy(() -> LensJson.parse("held", shipped("tarn_50_f35").replaceFirst("\"elements\"", "\"seats\": [{\"rests\": \"on the sill\"}], \"elements\"")))
                .isInstanceOf(BadInput.class).hasMessageContaining("/seats/0/rests");
    }

    @Test
    void howItsGapsChangeIsKept() {
        LensSection lens = SHELF.section("tarn_50_f35");
        LensSection zoom = lens.withPositions(new Positions(List.of(new Positions.Position("short", 0, Map.of(), Optional.of(35.0), Optional.empty()),
                new Positions.Position("long", 1, Map.of(2, 11.5, 4, 0.8), Optional.of(70.0), Optional.of(4.5)))));

        assertThat(lens.positions()).isEqualTo(Positions.NONE);
        assertThat(LensJson.parse("zoom", LensText.of(zoom))).isEqualTo(zoom);
        assertThat(LensJson.parse("zoom", LensText.of(zoom, shipped("tarn_50_f35"))).positions()).isEqualTo(zoom.positions());
        assertThatThrownBy(() -> LensJson.parse("zoom", LensText.of(zoom).replaceFirst("\"4\"(\\s*:\\s*0.8)", "\"99\"$1"))).isInstanceOf(BadInput.class).hasMessageContaining("/positions/1").hasMessageContaining("gap 99");
    }

    @Test
    void whereASectionComesFromIsKept() {
        LensSection two = TwoPlane.of("box", 50, 2.8, 43.2, new TwoPlane.Outside(30, 20, 20, 38, 30, OptionalDouble.empty()));

        assertThat(LensJson.parse("two", LensText.of(two))).isEqualTo(two);
        assertThat(LensText.of(two)).contains("\"basis\" : \"two-plane\"");
    }

    @Test
    void filesThatAreNoJsonAreRefusedInWords() throws Exception {
        assertThatThrownBy(() -> LensJson.read(file("empty.json", ""))).hasMessageContaining("empty");
        assertThatThrownBy(() -> LensJson.read(file("cut.json", shipped("fell_52_f2").substring(0, 400)))).isInstanceOf(BadInput.class).hasMessageContaining("cut.json");
        assertThatThrownBy(() -> LensJson.read(file("list.json", "[1,2]"))).isInstanceOf(BadInput.class);
        assertThatThrownBy(() -> LensJson.read(folder.resolve("none.json"))).hasMessageContaining("no such file");
        assertThatThrownBy(() -> LensJson.read(folder)).hasMessageContaining("is a folder");
        Path binary = folder.resolve("binary.json");
        Files.write(binary, new byte[] {(byte) 0xff, (byte) 0xfe, 0, 1, (byte) 0x80});
        assertThatThrownBy(() -> LensJson.read(binary)).isInstanceOf(BadInput.class).hasMessageContaining("binary.json");
    }

    @Test
    void deeplyNestedJsonIsRefusedNotFollowed() throws Exception {
        Path f = file("deep.json", "[".repeat(100_000));

        assertThatThrownBy(() -> LensJson.read(f)).isInstanceOf(BadInput.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"ostrel_52_f2", "corvane_zoom_35_70", "pellam_folding_75", "ostrel_reflex"})
    void everyInstrumentCanBeTakenApartToItsLastPartAndClosedAgain(String id) {
        Instrument i = SHELF.instrument(id);

        assertThat(i.joints()).hasSizeBetween(40, 150);
        assertThat(SHELF.sectionIds()).containsAll(i.sectionId().stream().toList());
        i.parts().stream().filter(p -> i.freedBy(p.id()).isPresent()).forEach(p -> assertThat(
                        WayIn.plan(i, List.of(new Goal.ReachPart(p.id())), Set.of(), Set.of(), PlanCost.USUAL)).as(p.id()).isPresent());
        assertThat(i.references()).allMatch(r -> i.joints().stream().anyMatch(j -> j.loses().contains(r.id())), "is lost by some joint");
        List<String> all = new ArrayList<>();
        while (all.size() < i.joints().size()) {
            all.add(i.joints().stream().filter(j -> !all.contains(j.id()) && j.behind().open(Set.copyOf(all))).findFirst().orElseThrow().id());
        }
        Set<String> open = new HashSet<>(all);
        for (WayBack.Step step : WayBack.order(i, WayBack.Standing.opened(all))) {
            if (step instanceof WayBack.Step.Close || step instanceof WayBack.Step.LeaveLoose) {
                assertThat(WayBack.hindrance(i, open, step.joint())).as(step.joint().id()).isEmpty();
                open.remove(step.joint().id());
            }
        }
        assertThat(open).isEmpty();
        assertThat(i.joints()).anyMatch(j -> j.hazards().contains(Joint.Hazard.SPRING));
    }

    @Test
    void theWholeShowpieceIsPlannedBestPossible() {
        Instrument i = SHELF.instrument("ostrel_52_f2");
        List<Goal> goals = List.of(new Goal.ReachPart("middle_helicoid"), new Goal.ReachPart("E1"), new Goal.ReachSurface(4), new Goal.ReachPart("shims"));
        WayIn.Plan plan = WayIn.plan(i, goals, Set.of(), Set.of(), PlanCost.USUAL).orElseThrow();

        assertThat(plan.provenBest()).isTrue();
        assertThat(plan.joints()).hasSizeBetween(20, 40);
    }

    @Test
    void anInstrumentThatContradictsItselfIsRefused() throws Exception {
        String text = CheckedJson.shipped("/stillglass/book/instruments/ostrel_52_f2.json");

        assertThatThrownBy(() -> InstrumentJson.read(file("a.json", text.replace("\"after\": [\"name-ring\"]", "\"after\": [\"no-such\"]"))))
                .isInstanceOf(BadInput.class).hasMessageContaining("no-such");
        assertThatThrownBy(() -> InstrumentJson.read(file("b.json", text.replaceFirst("\"lead_mm\": 0.75", "\"lead_mm\": -0.75")))).isInstanceOf(BadInput.class);
        assertThatThrownBy(() -> InstrumentJson.read(file("c.json", text.replaceFirst("\"kind\": \"thread\"", "\"kind\": \"magnet\"")))).isInstanceOf(BadInput.class);
    }

    @Test
    void aSectionWithoutAMapIsAnInstrumentOfGlassesOnly() {
        Instrument i = SHELF.instrument("moraine_31_f35");

        assertThat(i.joints()).isEmpty();
        assertThat(i.parts()).hasSize(6).allMatch(p -> p.element().isPresent());
        assertThat(SHELF.mappedFor("fell_52_f2")).contains("ostrel_52_f2");
        assertThat(SHELF.mappedFor("moraine_31_f35")).isEqualTo(Optional.empty());
    }

    @Test
    void theTablesOfTheShopAreComplete() {
        for (FindingKind k : FindingKind.values()) {
            assertThat(SHELF.gradeRules().optics(k).curable()).isBetween(0.0, 1.0);
        }
        assertThat(SHELF.care().soils()).extracting(s -> s.id()).contains("fungus", "haze", "dust", "oil", "old-grease", "rust", "verdigris", "leakage", "foam", "salt", "moisture");
        assertThat(SHELF.care().agents()).filteredOn(a -> a.solvent()).allSatisfy(a -> assertThat(a.caution()).as(a.id()).isNotBlank());
    }

    /// Every material under every agent has a cell, and whatever is not fine says why; every soil says what it is, and what an agent does to it that hurts everything it could be on is not offered.
    @Test
    void theTableOfCareHasNoHoles() {
        for (CareTables.Agent a : SHELF.care().agents()) {
            assertThat(a.bears().keySet()).as(a.id()).containsExactlyInAnyOrder(Material.values());
            assertThat(a.how()).as(a.id()).isNotBlank();
            assertThat(a.tool()).as(a.id()).isNotBlank();
            a.bears().forEach((m, b) -> assertThat(b == CareTables.Bears.FINE || a.why().containsKey(m)).as("%s on %s says why", a.id(), m.word()).isTrue());
            assertThat(a.tank() && a.solvent()).as("nothing flammable goes into a tank: " + a.id()).isFalse();
        }
        assertThat(SHELF.care().soils()).allSatisfy(s -> assertThat(s.why()).as(s.id()).isNotBlank());
        assertThat(SHELF.care().soils()).filteredOn(s -> s.removedBy().isEmpty()).as("only what cannot be cleaned has no agent").extracting(CareTables.Soil::id).containsExactly("etch");
    }

    @Test
    void gradeRulesOfTheShopsOwnAreReadAndChecked() throws Exception {
        String text = CheckedJson.shipped("/stillglass/book/grade-rules.json");

        assertThat(RulesJson.grade(file("mine.json", text)).visibleShadow()).isEqualTo(SHELF.gradeRules().visibleShadow());
        assertThatThrownBy(() -> RulesJson.grade(file("odd.json", text.replaceFirst("\"dust\"", "\"crumbs\"")))).isInstanceOf(BadInput.class);
    }

    @Test
    void theShopsRulesStandBesideItsBookAndABrokenFileHarmsNothing() throws Exception {
        Path own = folder.resolve("grade-rules.json");
        Shelf.offerRules(own);
        assertThat(Shelf.ofShop(own.getParent()).complaints()).isEmpty();
        Files.writeString(own, Files.readString(own).replaceFirst("\"visible_shadow\": [0-9.]+", "\"visible_shadow\": 0.031"));
        Shelf.offerRules(own);
        assertThat(Shelf.ofShop(own.getParent()).gradeRules().visibleShadow()).as("edited and left alone").isEqualTo(0.031);
        Files.writeString(own, "{");
        Shelf broken = Shelf.ofShop(own.getParent());
        assertThat(broken.complaints()).singleElement().asString().contains("usual ones hold").contains("grade-rules.json");
        assertThat(broken.gradeRules().visibleShadow()).isEqualTo(SHELF.gradeRules().visibleShadow());
    }

    /// Nothing of the demo stands on the shop's shelf; what it put there itself does, and a file it cannot read is named.
    @Test
    void theShopsShelfHoldsItsOwnFilesAndNothingElse() throws Exception {
        assertThat(Shelf.ofShop(folder).sectionIds()).isEmpty();
        assertThat(Shelf.ofShop(folder).instrumentIds()).isEmpty();
        Path lenses = Files.createDirectories(folder.resolve("shelf").resolve("lenses"));
        Path maps = Files.createDirectories(folder.resolve("shelf").resolve("instruments"));
        Files.writeString(lenses.resolve("brook_35.json"), CheckedJson.shipped("/stillglass/book/lenses/tarn_50_f35.json"));
        Files.writeString(lenses.resolve("torn.json"), "{\"name\":");
        Files.writeString(maps.resolve("mine.json"), CheckedJson.shipped("/stillglass/book/instruments/pellam_folding_75.json"));
        Shelf shop = Shelf.ofShop(folder);

        assertThat(shop.sectionIds()).containsExactly("brook_35");
        assertThat(shop.section("brook_35").elements()).isNotEmpty();
        assertThat(shop.instrumentIds()).containsExactly("pellam_folding_75");
        assertThat(shop.complaints()).singleElement().asString().contains("torn.json");
        assertThat(shop.instrument("ostrel_52_f2").joints()).as("a ticket begun on a model of the demo still opens").isNotEmpty();
    }

    /// Whatever has a side is on it, and every screw within its edges.
    @ParameterizedTest
    @ValueSource(strings = {"pellam_folding_75", "ostrel_reflex"})
    void anUnfoldedInstrumentHasAPlaceForEverythingWithinItsEdges(String id) {
        Instrument i = SHELF.instrument(id);
        stillglass.assembly.Net net = i.net().orElseThrow();

        assertThat(net.parts().keySet()).isEqualTo(i.parts().stream().map(stillglass.assembly.Part::id).collect(java.util.stream.Collectors.toSet()));
        net.parts().values().forEach(p -> {
            assertThat(Math.abs(p.x()) + p.widthMm() / 2).isLessThanOrEqualTo(net.width(p.side()) / 2);
            assertThat(Math.abs(p.y()) + p.heightMm() / 2).isLessThanOrEqualTo(net.height(p.side()) / 2);
        });
        for (stillglass.assembly.Joint j : i.joints()) {
            if (j.hold() instanceof stillglass.assembly.Hold.Screws s) {
                s.holes().forEach(h -> assertThat(net.screw(h.cell())).as(h.cell()).hasValueSatisfying(at -> {
                    assertThat(Math.abs(at.x())).isLessThan(net.width(j.side()) / 2);
                    assertThat(Math.abs(at.y())).isLessThan(net.height(j.side()) / 2);
                }));
            }
        }
    }

    @Test
    void aNetThatCannotBeIsRefusedWithItsPlace() throws Exception {
        String text = CheckedJson.shipped("/stillglass/book/instruments/ostrel_reflex.json");
        assertThatThrownBy(() -> InstrumentJson.read(file("net.json", text.replace("\"battery_cover\": {\"side\": \"bottom\"", "\"no_part\": {\"side\": \"bottom\"")))).hasMessageContaining("the net has a place for no_part, which is no part");
        assertThatThrownBy(() -> InstrumentJson.read(file("side.json", text.replace("\"battery_cover\": {\"side\": \"bottom\"", "\"battery_cover\": {\"side\": \"around\"")))).hasMessageContaining("/net/parts/battery_cover/side");
    }
}
