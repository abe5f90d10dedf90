package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.assembly.Material;
import stillglass.care.CareTables;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.say.Wording;
import stillglass.ticket.condition.ConditionEvent.FlawFound;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.condition.Place;
import stillglass.ticket.glass.GlassEvent;
import stillglass.device.Source;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;

/// On a lens nobody knows, in a shop of three agents.
class LayOutTest {
    private static final CareTables SHOP = new CareTables(List.of(agent("wipe", "swab, turned all the time", false, Material.STEEL), agent("spirit", "brush", true, Material.STEEL), agent("paste", "", true, Material.BRASS, Material.ALUMINIUM)),
            List.of(new CareTables.Soil("oil", "oil film", Map.of("wipe", 0.3, "spirit", 0.9, "paste", 0.9)), new CareTables.Soil("dust", "dust", Map.of("wipe", 0.5)), new CareTables.Soil("rust", "rust", Map.of("spirit", 0.2)), new CareTables.Soil("old-grease", "old grease", Map.of("paste", 0.9)),
                    new CareTables.Soil("moisture", "moisture", Map.of("spirit", 0.9)), new CareTables.Soil("salt", "salt", Map.of("wipe", 0.9))), List.of());

    private static CareTables.Agent agent(String id, String tool, boolean solvent, Material... bear) {
        return new CareTables.Agent(id, id, Stream.of(bear).collect(Collectors.toMap(m -> m, m -> CareTables.Bears.FINE)), Map.of(), "", 3, solvent, false, tool, "");
    }

    private static List<String> laid(Job job) {
        World world = job.worldWith(SHOP);
        return LayOut.of(job.state(), world, world.instrument().joints().stream().filter(j -> !job.state().joints().openNow().contains(j.id())).toList()).items().stream().map(i -> i.use() + " " + Wording.core().say(i.said())).toList();
    }

    private static FlawFound wet(Extent extent) {
        return new FlawFound(Phase.BEFORE, Place.IRIS, Flaw.WET, Optional.of(extent), Optional.empty(), "");
    }

    @Test
    void ofNothingThatWasFoundOnlyALampIsLaidOut() {
        assertThat(laid(Job.unknown())).singleElement().asString().startsWith("LOOKING a lamp");
    }

    @Test
    void whatWasFoundBringsTheAgentsThatItsMetalBears() {
        assertThat(laid(Job.unknown().accept(wet(Extent.MARKED)))).contains("CLEANING wipe (swab): oil film", "CLEANING spirit (brush): oil film").noneMatch(s -> s.contains("paste"))
                .anyMatch(s -> s.startsWith("CLEANING worn cloths")).anyMatch(s -> s.startsWith("SAFETY gloves"));
        assertThat(laid(Job.unknown().accept(wet(Extent.MARKED), new FlawFound(Phase.BEFORE, Place.SCREWS, Flaw.RUST, Optional.empty(), Optional.empty(), "")))).anyMatch(s -> s.startsWith("CLEANING spirit (brush): oil film") && s.contains("rust"));
    }

    /// What a mirror bears is not what steel bears, though the soil be the same.
    @Test
    void whatBearsNothingHasNothingLaidOutForIt() {
        Job body = Job.on(Instrument.unknown("own-body", "Body", Instrument.Sort.BODY), Optional.empty());
        assertThat(laid(body.accept(new FlawFound(Phase.BEFORE, Place.MIRROR, Flaw.DIRTY, Optional.of(Extent.MARKED), Optional.empty(), "")))).as("dust on silver, which none of these agents may touch").noneMatch(s -> s.contains("dust"));
        assertThat(laid(body.accept(new FlawFound(Phase.BEFORE, Place.ESCAPEMENT, Flaw.WET, Optional.of(Extent.MARKED), Optional.empty(), "")))).contains("CLEANING wipe (swab): oil film");
    }

    @Test
    void nothingIsLaidOutForWhatIsLikelierNothing() {
        for (double nothing : new double[] {0.4, 0.6}) {
            Finding seen = new Finding(FindingKind.OIL, 1 - nothing, List.of(), 0.04, 1, 0.2, 0, 0.2, 2, List.of(), Map.of(FindingKind.OIL, 1 - nothing, FindingKind.UNKNOWN, nothing), 1);
            Job job = Job.unknown().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE)).accept(new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(9, 9, 5, 5, 0), List.of(seen), 0, List.of(), List.of()));
            assertThat(laid(job).stream().anyMatch(s -> s.startsWith("CLEANING worn cloths"))).as("with %s it is nothing", nothing).isEqualTo(nothing < 0.5);
        }
    }

    @Test
    void whatSpoilsNothingIsNotCleaned() {
        assertThat(laid(Job.unknown().accept(new FlawFound(Phase.BEFORE, Place.IRIS, Flaw.BENT, Optional.of(Extent.MARKED), Optional.empty(), "")))).hasSize(1);
    }

    @Test
    void aThreadThatIsOpenWantsGrease() {
        Job job = Job.unknown().say("off helicoid, thread, front, fingers");
        assertThat(laid(job)).anyMatch(s -> s.startsWith("CLOSING the grease")).contains("CLEANING paste: old grease");
    }

    @Test
    void saltWaterIsRinsedAndSweetWaterDrivenOut() {
        assertThat(laid(Job.unknown().stage(Stage.ARRIVE).say("wet salt 3 min, 5 h ago, was on"))).anyMatch(s -> s.startsWith("CLEANING wipe (swab): salt"));
        assertThat(laid(Job.unknown().stage(Stage.ARRIVE).say("wet fresh 3 min, 5 h ago, was on"))).anyMatch(s -> s.startsWith("CLEANING spirit (brush): moisture"));
    }

    @Test
    void toolsOfWhatComesAreNamedWithTheirJoints() {
        Job job = Job.begun();
        List<String> tools = laid(job).stream().filter(s -> s.startsWith("OPENING")).toList();
        assertThat(tools).as("one line for each tool").hasSameSizeAs(job.world().instrument().joints().stream().map(j -> j.tool()).filter(t -> !t.isEmpty()).distinct().toList());
        assertThat(tools).anyMatch(s -> s.contains(": "));
    }
}
