package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
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
import stillglass.care.StuckTry;
import stillglass.say.Said;
import stillglass.say.Wording;

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
            agent("naphtha", Material.BRASS, CareTables.Bears.BRIEFLY), agent("acetone", Material.ENGRAVED_PAINT, CareTables.Bears.NEVER)), List.of(), List.of(
            new StuckTry(Set.of("thread", "screws", "set-screws"), StuckTry.Sort.TOOL, "", 0, "the exact tool", Set.of(), true),
            new StuckTry(Set.of("thread", "screws", "set-screws"), StuckTry.Sort.WARMTH, "warm air", 5, "never a flame", Set.of(Material.BALSAM, Material.PLASTIC), true),
            solvent("isopropanol"), solvent("naphtha"), solvent("acetone"),
            new StuckTry(Set.of("thread", "screws"), StuckTry.Sort.SHOCK, "light taps", 0, "a wood block", Set.of(), false),
            new StuckTry(Set.of("solder"), StuckTry.Sort.REFER, "a larger tip", 0, "a pad lifts", Set.of(), true)));

    private static StuckTry solvent(String agent) {
        return new StuckTry(Set.of("thread", "screws", "set-screws", "seat", "glue"), StuckTry.Sort.SOLVENT, agent, 15, "", Set.of(), true);
    }

    private static String said(Said s) {
        return Wording.core().say(s);
    }

    private static StuckLadder of(String joint, Set<String> staying) {
        Instrument i = Instruments.small();
        return StuckLadder.of(i, i.joint(joint).orElseThrow(), staying, Set.of(), CARE);
    }

    @Test
    void theGentlestComesFirstAndNothingThatHurtsIsNear() {
        // The ring is engraved, and a glass lies right behind it.
        StuckLadder ladder = of("ring-thread", Set.of());

        assertThat(ladder.rungs()).extracting(StuckLadder.Rung::how).containsExactly(StuckTry.Sort.TOOL, StuckTry.Sort.WARMTH, StuckTry.Sort.SOLVENT, StuckTry.Sort.SOLVENT);
        assertThat(ladder.rungs()).extracting(StuckLadder.Rung::means).containsSubsequence("isopropanol", "naphtha");
        assertThat(ladder.barred()).anySatisfy(b -> assertThat(said(b)).startsWith("acetone").contains("engraved paint")).anySatisfy(b -> assertThat(said(b)).contains("glass is near"));
        assertThat(ladder.next(0)).isPresent();
        assertThat(ladder.next(4)).as("time to stop").isEmpty();
    }

    @Test
    void cementIsNeverWarmed() {
        assertThat(of("mount-screws", Set.of()).barred()).extracting(StuckLadderTest::said).contains("warm air: balsam is near");
    }

    @Test
    void whatIsMeantToStayIsNamedAndKeptDry() {
        Joint clamp = Instruments.joint("cell-set", new Hold.SetScrews("slot", 2, 1), Side.AROUND, "slot driver", 1, 0, Set.of(), List.of("cell"), Set.of(), Set.of());
        Instrument i = Instruments.and(clamp);
        StuckLadder ladder = StuckLadder.of(i, i.joint("e1-seat").orElseThrow(), Set.of("cell-set", "mount-screws"), Set.of(), CARE);

        assertThat(ladder.keepDry()).extracting(Joint::id).containsExactly("cell-set");
        assertThat(ladder.rungs()).filteredOn(r -> r.how() == StuckTry.Sort.SOLVENT).allMatch(r -> said(r.why()).contains("away from the cell set"));
    }

    @Test
    void aBrieflyBornSolventWaitsLess() {
        Part brass = Instruments.part("tube", Part.Kind.BARREL, Set.of(Material.BRASS), Optional.empty(), Optional.empty(), false);
        Part shims = Instruments.small().part("shims").orElseThrow();
        Instrument i = Instruments.small().with(List.of(brass, shims), List.of(
                Instruments.joint("tube-thread", new Hold.Thread(0.5, 1, 4, 20, 3), Side.FRONT, "fingers", 1, 0, Set.of(), List.of("tube"), Set.of(), Set.of())));
        StuckLadder ladder = StuckLadder.of(i, i.joints().getFirst(), Set.of(), Set.of(), CARE);

        assertThat(ladder.rungs()).filteredOn(r -> r.means().equals("naphtha")).singleElement().satisfies(r -> assertThat(r.waitMinutes()).isEqualTo(5));
        assertThat(ladder.rungs()).filteredOn(r -> r.means().equals("isopropanol")).singleElement().satisfies(r -> assertThat(r.waitMinutes()).isEqualTo(15));
        assertThat(ladder.rungs().getLast().how()).isEqualTo(StuckTry.Sort.SHOCK);
    }

    /// A cell with a cemented glass in it bears what the cement bears, as long as that glass is in it.
    @Test
    void everythingThatIsStillInsideCounts() {
        Part cell = Instruments.part("rear_cell", Part.Kind.CELL, Set.of(Material.ALUMINIUM), Optional.empty(), Optional.empty(), false);
        Part glass = Instruments.part("E7", Part.Kind.GLASS, Set.of(Material.COATED_GLASS, Material.BALSAM), Optional.of("E7"), Optional.of("rear_cell"), true);
        List<Part> parts = new ArrayList<>(Instruments.small().parts());
        parts.addAll(List.of(cell, glass));
        List<Joint> joints = new ArrayList<>(Instruments.small().joints());
        joints.add(Instruments.joint("rear-cell-thread", new Hold.Thread(0.5, 1, 4, 20, 3), Side.REAR, "fingers", 1, 0, Set.of(), List.of("rear_cell"), Set.of(), Set.of()));
        joints.add(Instruments.joint("e7-seat", new Hold.Seat(), Side.REAR, "suction cup", 1, 0, Set.of(), List.of("E7"), Set.of(), Set.of()));
        Instrument i = Instruments.small().with(parts, joints);
        Joint thread = i.joint("rear-cell-thread").orElseThrow();

        assertThat(StuckLadder.of(i, thread, Set.of(), Set.of(), CARE).barred()).extracting(StuckLadderTest::said).contains("warm air: balsam is near");
        assertThat(StuckLadder.of(i, thread, Set.of(), Set.of("e7-seat"), CARE).barred()).extracting(StuckLadderTest::said).doesNotContain("warm air: balsam is near");
        assertThat(Inside.materials(i, "rear_cell", Set.of())).contains(Material.BALSAM);
        assertThat(Inside.materials(i, "rear_cell", Set.of("e7-seat"))).containsExactly(Material.ALUMINIUM);
    }

    @Test
    void whatNobodyKnowsTheMaterialOfIsTakenForDelicate() {
        Part odd = new Part("odd", "odd", Part.Kind.SMALL, Set.of(), List.of(), Optional.empty(), Optional.empty(), false, Optional.empty());
        List<Part> parts = new ArrayList<>(Instruments.small().parts());
        parts.add(odd);
        assertThat(Inside.materials(Instruments.small().with(parts, Instruments.small().joints()), "odd", Set.of())).containsExactlyInAnyOrder(Material.values());
    }

    @Test
    void solderedJointsHaveTheirOwn() {
        Instrument i = Instruments.and(Instruments.joint("lead", new Hold.Solder(2), Side.TOP, "iron", 1, 0, Set.of(), List.of(), Set.of(), Set.of()));

        assertThat(StuckLadder.of(i, i.joint("lead").orElseThrow(), Set.of(), Set.of(), CARE).rungs()).extracting(StuckLadder.Rung::how).containsExactly(StuckTry.Sort.REFER);
    }
}
