package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.story.Stage;

class MetalPairsTest {
    private static Part part(String id, double from, double to, double inner, double outer, Material... of) {
        return new Part(id, id, Part.Kind.RING, Set.of(of), List.of(new Part.Profile(from, to, inner, outer)), Optional.empty(), Optional.empty(), false, Optional.empty());
    }

    private static Instrument drawn(Part... parts) {
        return Instrument.unopened("drawn", "Drawn", Instrument.Sort.LENS, "", 0, List.of(parts));
    }

    /// A brass ring in an aluminium barrel, a steel ring that touches the brass one, an aluminium cap far off, and a plug that clears the ring's bore by a millimetre.
    @Test
    void metalsThatTouchAreToldTheMostEagerFirst() {
        Instrument i = drawn(part("ring", 0, 4, 10, 20, Material.BRASS), part("barrel", 0, 30, 20.05, 25, Material.ALUMINIUM, Material.BLACK_PAINT), part("washer", 4, 5, 10, 19, Material.STEEL),
                part("cap", 40, 44, 10, 20, Material.ALUMINIUM),
                part("plug", 0, 3, 0, 9, Material.ALUMINIUM));
        List<MetalPairs> all = MetalPairs.of(i, Part::materials);
        assertThat(all).extracting(p -> p.noble().id() + ">" + p.base().id()).containsExactly("ring>barrel", "ring>washer");
        assertThat(all.getFirst().volts()).isCloseTo(0.50, within(1e-9));
        assertThat(Wording.core().say(MetalPairs.said(all).getFirst())).startsWith("brass on aluminium (0.50 V) corrodes even where it is kept dry; the aluminium goes").contains("barrel against ring");
        assertThat(Wording.core().say(MetalPairs.said(all).getLast())).contains("in ordinary damp");
    }

    @Test
    void whatNobodyKnowsTheMetalOfIsNotToldNorWhatIsNearlyAlike() {
        Instrument i = drawn(part("ring", 0, 4, 10, 20), part("barrel", 0, 30, 20, 25, Material.ALUMINIUM));
        assertThat(MetalPairs.of(i, Part::materials)).isEmpty();
        assertThat(MetalPairs.of(i, p -> p.id().equals("ring") ? Set.of(Material.STEEL) : p.materials())).as("0.05 V").isEmpty();
        Instrument plated = drawn(part("ring", 0, 4, 10, 20, Material.PLATED_METAL), part("key", 0, 4, 20, 21, Material.BRASS));
        assertThat(MetalPairs.of(plated, Part::materials)).isEmpty();
    }

    /// An instrument nobody has a map of, its parts learned as they came off and told what they are made of.
    @Test
    void partsThatCameOffAfterOneAnotherAreTakenToTouch() {
        Job job = Job.unknown().stage(Stage.OPEN).say("off name ring, thread, front", "off front ring, thread, front");
        job.say("name ring is made of brass", "front ring is made of aluminium");
        List<MetalPairs> all = MetalPairs.of(job.world().instrument(), job.state().care()::made);
        assertThat(all).extracting(MetalPairs::drawn).containsExactly(false);
        assertThat(Wording.core().say(MetalPairs.said(all).getFirst())).contains("as they come off");
    }
}
