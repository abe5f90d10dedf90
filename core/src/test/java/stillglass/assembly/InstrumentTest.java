package stillglass.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class InstrumentTest {
    private static Joint simple(String id, Set<String> after, List<String> frees, Set<String> loses) {
        return Instruments.joint(id, new Hold.Seat(), Side.FRONT, "fingers", 1, 0, after, frees, Set.of(), loses);
    }

    @Test
    void findsWhatItHas() {
        Instrument i = Instruments.small();

        assertThat(i.joint("e1-seat")).map(Joint::name).contains("e1 seat");
        assertThat(i.freedBy("helicoid")).map(Joint::id).contains("helicoid-thread");
        assertThat(i.partOfElement("E1")).map(Part::id).contains("E1");
        assertThat(i.reference("entry")).isPresent();
        assertThat(i.joint("nothing")).isEmpty();
    }

    @Test
    void contentsLeaveWithTheirCell() {
        assertThat(Instruments.small().withContents("cell")).extracting(Part::id).containsExactlyInAnyOrder("cell", "E1", "spacer");
        assertThat(Instruments.small().withContents("E2")).extracting(Part::id).containsExactlyInAnyOrder("E2", "E3");
    }

    @Test
    void aJointThatWaitsForItselfIsRefused() {
        assertThatThrownBy(() -> Instruments.with(List.of(
                        simple("a", Set.of("b"), List.of(), Set.of()), simple("b", Set.of("c"), List.of(), Set.of()), simple("c", Set.of("a"), List.of(), Set.of()))))
                .hasMessageContaining("can never be opened").hasMessageContaining("waits for b");
    }

    @Test
    void namesThatLeadNowhereAreRefused() {
        assertThatThrownBy(() -> Instruments.and(simple("x", Set.of("nowhere"), List.of(), Set.of()))).hasMessageContaining("names the joint nowhere");
        assertThatThrownBy(() -> Instruments.and(simple("x", Set.of(), List.of("ghost"), Set.of()))).hasMessageContaining("names the part ghost");
        assertThatThrownBy(() -> Instruments.and(simple("x", Set.of(), List.of(), Set.of("lost")))).hasMessageContaining("names the reference lost");
        assertThatThrownBy(() -> Instruments.and(simple("e1-seat", Set.of(), List.of(), Set.of()))).hasMessageContaining("two joints are called e1-seat");
    }

    @Test
    void quantitiesAreCheckedAtBirth() {
        assertThatThrownBy(() -> Instruments.joint("j", new Hold.Seat(), Side.REAR, "t", Double.NaN, 0, Set.of(), List.of(), Set.of(), Set.of()))
                .hasMessageContaining("minutes");
        assertThatThrownBy(() -> Instruments.joint("j", new Hold.Seat(), Side.REAR, "t", 1, 1, Set.of(), List.of(), Set.of(), Set.of()))
                .hasMessageContaining("risk");
        assertThatThrownBy(() -> new Hold.Thread(0, 1, 1, 1, 1)).hasMessageContaining("positive");
        assertThatThrownBy(() -> new Hold.Screws("slot", 2, List.of())).hasMessageContaining("at least one hole");
        assertThatThrownBy(() -> new Part.Profile(3, 2, 1, 2)).hasMessageContaining("no area");
    }
}
