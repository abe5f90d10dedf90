package stillglass.care.knack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.assembly.Side;

class KnacksTest {
    private static final Knack GLASS = new Knack("glass", Act.CLEAN, Set.of(Trait.GLASS), "Turn the swab.", "Grit scratches.");
    private static final Knack LOOSE = new Knack("loose", Act.CLEAN, Set.of(Trait.GLASS, Trait.LOOSE), "Hold it by its edge.", "It spins.");
    private static final Knack OPEN = new Knack("open", Act.OPEN, Set.of(Trait.GLASS), "Cover it.", "A spanner slips.");
    private static final Knacks ALL = new Knacks(List.of(GLASS, LOOSE, OPEN), Set.of());

    @ParameterizedTest
    @CsvSource({"E1, GLASS", "E2+E3, GLASS", "front glass, GLASS", "rear cell, CELL", "retainer of E1, RETAINER", "retaining ring, RETAINER", "inner helicoid, THREAD", "name ring, TRIM", "wind knob, KNOB", "click ball, BALL",
            "stop-down lever spring, SPRING", "focus keys, KEY", "shutter blades, BLADES", "slow escapement, GEAR", "bellows, BELLOWS", "grip leather, LEATHER", "finder window, WINDOW", "mount shims, WASHER"})
    void aNameSaysWhatItIs(String name, Trait trait) {
        assertThat(Trait.of(name)).contains(trait);
    }

    @ParameterizedTest
    @CsvSource({"spring clip plate, KEY", "monkey plate, KEY", "ballast, BALL", "pinion, PIN", "enlargement, THREAD", "glassine, GLASS", "E100, GLASS"})
    void aWordInsideAnotherSaysNothing(String name, Trait trait) {
        assertThat(Trait.of(name)).doesNotContain(trait);
    }

    @Test
    void setScrewsStayInAndAreNoScrews() {
        assertThat(Trait.of("focus ring set screws")).contains(Trait.SET_SCREWS).doesNotContain(Trait.SCREWS);
        assertThat(Trait.of(joint("focus ring", new Hold.SetScrews("slot", 3, 1), ""), List.of())).contains(Trait.SET_SCREWS).doesNotContain(Trait.SCREWS);
    }

    @Test
    void setScrewsAreNotWhatTheyAreCalledAfter() {
        assertThat(Trait.of(joint("front cell set screws", new Hold.SetScrews("slot", 3, 1), "driver"), List.of())).containsExactly(Trait.SET_SCREWS);
        assertThat(Trait.of(joint("front cell", new Hold.Seat(), ""), List.of())).contains(Trait.CELL);
    }

    @Test
    void aThingNobodyKnowsIsNothingInParticular() {
        assertThat(Trait.of("thingummy")).isEmpty();
        assertThat(ALL.at(Act.OPEN, Trait.of("thingummy"))).isEmpty();
    }

    @Test
    void whatIsTakenForDelicateIsNotTakenForLeather() {
        Part unknown = part("grommet", Part.Kind.SMALL, Part.NOT_NOTED);
        assertThat(Trait.of(unknown)).isEmpty();
        assertThat(Trait.of(part("grommet", Part.Kind.SMALL, Set.of(Material.SILVERED_MIRROR)))).containsExactly(Trait.MIRROR);
    }

    @Test
    void aThreadOpenedByHandHasNoSlots() {
        assertThat(Trait.of(joint("front ring", new Hold.Noted("thread"), "fingers"), List.of())).contains(Trait.SLOTLESS);
        assertThat(Trait.of(joint("front ring", new Hold.Noted("thread"), "spanner"), List.of())).doesNotContain(Trait.SLOTLESS);
        assertThat(Trait.of(joint("front ring", new Hold.Noted("thread"), ""), List.of())).as("nobody said with what").doesNotContain(Trait.SLOTLESS);
    }

    @Test
    void whatIsMeantForJustThisComesFirstAndOnlyAtItsAct() {
        assertThat(ALL.at(Act.CLEAN, Set.of(Trait.GLASS, Trait.LOOSE, Trait.DUSTY))).containsExactly(LOOSE, GLASS);
        assertThat(ALL.at(Act.CLEAN, Set.of(Trait.GLASS))).containsExactly(GLASS);
        assertThat(ALL.at(Act.CLOSE, Set.of(Trait.GLASS, Trait.LOOSE))).isEmpty();
    }

    @Test
    void whatAShopKnowsIsNotToldAgain() {
        assertThat(ALL.knowing(Set.of("loose")).at(Act.CLEAN, Set.of(Trait.GLASS, Trait.LOOSE))).containsExactly(GLASS);
        assertThat(ALL.knowing(Set.of("loose")).knowing(Set.of()).at(Act.CLEAN, Set.of(Trait.GLASS, Trait.LOOSE))).hasSize(2);
    }

    @Test
    void aTableThatContradictsItselfIsRefused() {
        assertThatThrownBy(() -> new Knacks(List.of(GLASS, GLASS), Set.of())).hasMessageContaining("glass");
        assertThatThrownBy(() -> new Knack("all", Act.OPEN, Set.of(), "Always.", "So.")).hasMessageContaining("all");
    }

    private static Part part(String name, Part.Kind kind, Set<Material> of) {
        return new Part(name, name, kind, of, List.of(), Optional.empty(), Optional.empty(), false, Optional.empty());
    }

    private static Joint joint(String name, Hold hold, String tool) {
        return new Joint(name, name, hold, Side.FRONT, tool, 2, 0.01, Joint.Behind.NOTHING, List.of(), Set.of(), Set.of(), Set.of(), Joint.Closing.PLAIN);
    }
}
