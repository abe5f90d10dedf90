package stillglass.book.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.WayBack;
import stillglass.plan.WayIn;
import stillglass.plan.alike.AlikeModel;
import stillglass.say.Wording;

/// A map carried over to another lens, on everything the shelf has.
class AlikeModelsTest {
    private static final Shelf SHELF = new Shelf();

    private static AlikeModel.Known known(String instrument) {
        Instrument map = SHELF.instrument(instrument);
        return new AlikeModel.Known(map, SHELF.section(map.sectionId().orElseThrow()));
    }

    private static List<AlikeModel.Known> shelf() {
        return SHELF.instrumentIds().stream().map(AlikeModelsTest::known).toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"ostrel_52_f2", "corvane_zoom_35_70", "pellam_folding_75"})
    void aLensIsItsOwnLikeness(String id) {
        AlikeModel.Known k = known(id);
        AlikeModel a = AlikeModel.of(k.section(), k);

        assertThat(a.likeness()).isEqualTo(1);
        assertThat(a.differences()).isEmpty();
        assertThat(AlikeModel.best(k.section(), shelf())).hasValueSatisfying(b -> assertThat(b.known().map().id()).isEqualTo(id));
        Instrument over = a.carriedOver(Unmapped.of("own", k.section()), k.section());
        assertThat(over.joints()).extracting(Joint::id).containsExactlyElementsOf(k.map().joints().stream().map(Joint::id).toList());
        String last = k.section().elements().getFirst().name();
        assertThat(plan(over, last).joints()).extracting(Joint::id).containsExactlyElementsOf(plan(k.map(), last).joints().stream().map(Joint::id).toList());
        assertThat(plan(over, last).risk()).as("nobody has seen it").isGreaterThan(plan(k.map(), last).risk());
    }

    private static WayIn.Plan plan(Instrument i, String part) {
        return WayIn.plan(i, List.of(new Goal.ReachPart(part)), Set.of(), Set.of(), PlanCost.USUAL).orElseThrow();
    }

    /// Whatever was left out and added, every glass comes out and everything goes back.
    @ParameterizedTest
    @CsvSource({"rill_57_f14, ostrel_52_f2", "moraine_31_f35, ostrel_52_f2", "hawthorn_105_f28, ostrel_52_f2", "tarn_50_f35, pellam_folding_75", "sedge_75_f45, corvane_zoom_35_70", "fell_52_f2, pellam_folding_75"})
    void aMapCarriedOverLeadsToEveryGlassAndBack(String section, String instrument) {
        LensSection lens = SHELF.section(section);
        AlikeModel a = AlikeModel.of(lens, known(instrument));
        Instrument over = a.carriedOver(Unmapped.of(section, lens), lens);

        assertThat(a.glasses()).hasSizeLessThanOrEqualTo(lens.elements().size());
        for (Element e : lens.elements()) {
            boolean inAnother = over.part(e.name()).flatMap(Part::within).flatMap(over::part).filter(p -> p.element().isPresent()).isPresent();
            assertThat(over.freedBy(e.name()).isPresent() || inAnother).as(e.name() + " leaves by a joint or with the glass it is cemented to").isTrue();
        }
        assertThat(over.joints().stream().flatMap(j -> j.exposes().stream())).allMatch(s -> s < lens.surfaces().size());
        Set<String> open = new HashSet<>();
        List<String> order = new ArrayList<>();
        for (Optional<Joint> next = ready(over, open); next.isPresent(); next = ready(over, open)) {
            open.add(next.get().id());
            order.add(next.get().id());
        }
        assertThat(order).as("a full strip").hasSize(over.joints().size());
        assertThat(WayBack.order(over, new WayBack.Standing(order, Set.of(), Set.of(), Map.of(), Set.of()))).filteredOn(s -> s instanceof WayBack.Step.Close || s instanceof WayBack.Step.LeaveLoose)
                .hasSize(order.size());
        if (lens.elements().size() != SHELF.section(SHELF.instrument(instrument).sectionId().orElseThrow()).elements().size()) {
            assertThat(a.differences()).extracting(Wording.core()::say).anyMatch(d -> d.contains(" glasses instead of "));
        }
    }

    private static Optional<Joint> ready(Instrument i, Set<String> open) {
        return i.joints().stream().filter(j -> !open.contains(j.id()) && j.behind().open(open)).findFirst();
    }

    /// The 57 mm f/1.4 has the 52 mm's row of glasses and one more behind; the 31 mm is another kind of lens.
    @Test
    void whatIsBuiltAlikeIsFoundAndWhatIsNotIsLeftAlone() {
        AlikeModel rill = AlikeModel.best(SHELF.section("rill_57_f14"), shelf()).orElseThrow();

        assertThat(rill.known().map().id()).isEqualTo("ostrel_52_f2");
        assertThat(rill.likeness()).isBetween(0.75, 0.99);
        assertThat(rill.differences()).extracting(Wording.core()::say).anyMatch(d -> d.startsWith("7 glasses instead of 6")).anyMatch(d -> d.contains("is new")).anyMatch(d -> d.startsWith("focal length 57"));
        assertThat(AlikeModel.of(SHELF.section("moraine_31_f35"), known("ostrel_52_f2")).likeness()).isLessThan(rill.likeness());
        assertThat(AlikeModel.best(SHELF.section("tarn_50_f35"), List.of(known("ostrel_reflex")))).as("a body is no lens").isEmpty();
    }
}
