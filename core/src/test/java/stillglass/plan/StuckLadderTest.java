package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.care.CareTables;

class StuckLadderTest {
    private static CareTables.Agent agent(String id, Material hurt, CareTables.Bears bears) {
        Map<Material, CareTables.Bears> all = new EnumMap<>(Material.class);
        for (Material m : Material.values()) {
            all.put(m, CareTables.Bears.FINE);
        }
        all.put(hurt, bears);
        return new CareTables.Agent(id, id, all, Map.of(hurt, "spoils it"), "Ventilate.", 1, true);
    }

    private static final CareTables CARE = new CareTables(List.of(agent("isopropanol", Material.LEATHER, CareTables.Bears.NEVER),
            agent("naphtha", Material.BRASS, CareTables.Bears.BRIEFLY), agent("acetone", Material.ENGRAVED_PAINT, CareTables.Bears.NEVER)), List.of());

    private static StuckLadder of(String joint, Set<String> staying) {
        Instrument i = Instruments.small();
        return StuckLadder.of(i, i.joint(joint).orElseThrow(), staying, CARE);
    }

    @Test
    void theGentlestComesFirstAndNothingThatHurtsIsNear() {
        // The ring is engraved, and a glass lies right behind it.
        StuckLadder ladder = of("ring-thread", Set.of());

        assertThat(ladder.rungs()).extracting(StuckLadder.Rung::how).containsExactly(StuckLadder.Try.TOOL, StuckLadder.Try.WARMTH, StuckLadder.Try.SOLVENT, StuckLadder.Try.SOLVENT);
        assertThat(ladder.rungs()).extracting(StuckLadder.Rung::means).containsSubsequence("isopropanol", "naphtha");
        assertThat(ladder.barred()).anySatisfy(b -> assertThat(b).startsWith("acetone").contains("engraved paint")).anySatisfy(b -> assertThat(b).contains("glass is near"));
        assertThat(ladder.next(0)).isPresent();
        assertThat(ladder.next(4)).as("time to stop").isEmpty();
    }

    @Test
    void cementIsNeverWarmed() {
        assertThat(of("mount-screws", Set.of()).barred()).contains("warmth: cement is near");
    }

    @Test
    void whatIsMeantToStayIsNamedAndKeptDry() {
        Joint clamp = Instruments.joint("cell-set", new Hold.SetScrews("slot", 2, 1), Side.AROUND, "slot driver", 1, 0, Set.of(), List.of("cell"), Set.of(), Set.of());
        Instrument i = Instruments.and(clamp);
        StuckLadder ladder = StuckLadder.of(i, i.joint("e1-seat").orElseThrow(), Set.of("cell-set", "mount-screws"), CARE);

        assertThat(ladder.keepDry()).extracting(Joint::id).containsExactly("cell-set");
        assertThat(ladder.rungs()).filteredOn(r -> r.how() == StuckLadder.Try.SOLVENT).allMatch(r -> r.why().contains("away from cell set"));
    }

    @Test
    void aBrieflyBornSolventWaitsLess() {
        Part brass = Instruments.part("tube", Part.Kind.BARREL, Set.of(Material.BRASS), Optional.empty(), Optional.empty(), false);
        Instrument base = Instruments.small();
        Instrument i = new Instrument("b", "", "b", Instrument.Sort.LENS, "triplet", 44, 0, List.of(brass), List.of(
                Instruments.joint("tube-thread", new Hold.Thread(0.5, 1, 4, 20, 3), Side.FRONT, "fingers", 1, 0, Set.of(), List.of("tube"), Set.of(), Set.of())), base.references());
        StuckLadder ladder = StuckLadder.of(i, i.joints().getFirst(), Set.of(), CARE);

        assertThat(ladder.rungs()).filteredOn(r -> r.means().equals("naphtha")).singleElement().satisfies(r -> assertThat(r.waitMinutes()).isEqualTo(5));
        assertThat(ladder.rungs()).filteredOn(r -> r.means().equals("isopropanol")).singleElement().satisfies(r -> assertThat(r.waitMinutes()).isEqualTo(15));
        assertThat(ladder.rungs().getLast().how()).isEqualTo(StuckLadder.Try.SHOCK);
    }
}
