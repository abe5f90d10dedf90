package stillglass.book.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.care.knack.Act;
import stillglass.care.knack.Knack;
import stillglass.care.knack.Knacks;
import stillglass.care.knack.Trait;

/// The shipped table of habits, and whether what a bench says leads to them.
class KnackTableTest {
    private final Knacks table = new Shelf().care().knacks();

    @ParameterizedTest
    @CsvSource({"OPEN, name ring, trim-dust", "OPEN, E1 retainer, retainer-wood", "OPEN, bellows, bellows-last", "OPEN, wind knob, knob-sense", "OPEN, click ball, ball-dish", "OPEN, focus ring set screws, set-screws-stay",
            "CLEAN, E3, glass-window", "CLEAN, splitter, splitter-back", "CLEAN, focusing thread, thread-grooves", "CLOSE, iris blades, blades-laying", "CLOSE, return spring, spring-order", "CLOSE, name ring, trim-press",
            "GREASE, inner helicoid, grease-surplus", "FLUSH, escapement, gear-try", "CLOSE, cam ring, cam-speeds"})
    void aNameAloneLeadsToItsHabit(Act act, String name, String knack) {
        assertThat(table.at(act, Trait.of(name))).extracting(Knack::id).contains(knack);
    }

    /// What a habit asks for is said by names as a bench has them, by the soils of the shipped table, by where a thing lies or how it is held; nothing else is asked for.
    @Test
    void everyHabitCanBeReachedFromWhatIsSaid() {
        Set<Trait> said = EnumSet.of(Trait.LOOSE, Trait.IN_PLACE, Trait.SLOTLESS);
        List.of("E2", "rear cell", "finder window", "beam splitter", "inner helicoid", "retainer of E1", "aperture ring", "name ring", "wind knob", "mount screws", "focus ring set screws", "return spring", "click ball", "stop pin", "focus keys", "mount shims",
                "cocking lever", "cam ring", "escapement", "iris blades", "barrel", "lens mount", "top cover", "front leather", "bellows", "meter ribbon", "circuit board", "door seal", "glued plate", "rusted screw").forEach(n -> said.addAll(Trait.of(n)));
        new Shelf().care().soils().forEach(s -> said.addAll(Trait.ofSoil(s.id())));
        assertThat(table.all()).allSatisfy(k -> assertThat(said).as(k.id()).containsAll(k.on()));
        for (Act act : Act.values()) {
            assertThat(table.at(act, said)).as(act.word()).isNotEmpty();
        }
    }

    @Test
    void everyHabitIsSentencesWithAReasonOfItsOwn() {
        Set<String> reasons = new HashSet<>();
        for (Knack k : table.all()) {
            assertThat(List.of(k.what(), k.why())).as(k.id()).allMatch(s -> s.matches("(?s)[A-Z].*\\."));
            assertThat(reasons.add(k.why())).as("%s has the reason of another", k.id()).isTrue();
        }
    }

    @Test
    void setScrewsAreNotCountedOut() {
        assertThat(table.at(Act.OPEN, Trait.of("focus ring set screws"))).extracting(Knack::id).doesNotContain("screws-set");
    }
}
