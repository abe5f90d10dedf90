package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.optics.Lenses;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.WayIn;

class LearnedMapTest {
    /// A model of which only the glasses are known.
    private static final Instrument BLANK = new Instrument("blank", "", "blank", Instrument.Sort.LENS, "triplet", 44, 0, Instruments.small().parts(), List.of(), List.of());

    /// What a job on it records.
    private static TicketState job(String... names) {
        List<Recorded> rows = new ArrayList<>();
        long n = 1;
        for (String name : names) {
            Instrument soFar = LearnedMap.of(BLANK, List.of(TicketState.of(rows)));
            Decision.World world = new Decision.World(soFar, Lenses.triplet(), Story.WORLD.care());
            Decision d = Decision.decide(TicketState.of(rows), new Intent.FindJoint(name, "thread", Side.FRONT, "friction cup"), world);
            for (TicketEvent e : ((Decision.Accepted) d).events()) {
                rows.add(new Recorded(n, Instant.EPOCH, e));
            }
            n++;
        }
        return TicketState.of(rows);
    }

    private static Set<String> after(Instrument i, String joint) {
        return i.joint(joint).orElseThrow().after();
    }

    @Test
    void oneJobTeachesPartsJointsAndAnOrder() {
        Instrument learned = LearnedMap.of(BLANK, List.of(job("Name ring", "Spacer 1-2", "E1")));

        assertThat(learned.joints()).extracting(Joint::id).containsExactly("name-ring", "spacer-1-2", "e1");
        assertThat(after(learned, "name-ring")).isEmpty();
        assertThat(after(learned, "e1")).as("only what it waits for directly").containsExactly("spacer-1-2");
        assertThat(learned.joint("name-ring").orElseThrow().hold()).isEqualTo(new Hold.Noted("thread"));
        assertThat(learned.part("spacer_1_2")).map(Part::kind).contains(Part.Kind.SPACER);
        assertThat(learned.freedBy("E1")).as("a glass that was known is not made twice").map(Joint::id).contains("e1");
    }

    @Test
    void theNextJobIsPlannedFromIt() {
        Instrument learned = LearnedMap.of(BLANK, List.of(job("Name ring", "Side cover", "E1")));

        assertThat(WayIn.plan(learned, List.of(new Goal.ReachPart("E1")), Set.of(), Set.of(), PlanCost.USUAL).orElseThrow().joints())
                .extracting(Joint::id).containsExactly("name-ring", "side-cover", "e1");
    }

    @Test
    void anotherOrderTakesAwayAWaitingThatWasNone() {
        Instrument learned = LearnedMap.of(BLANK, List.of(job("Name ring", "Side cover", "E1"), job("Side cover", "Name ring", "E1"), job("Name ring", "E1")));

        assertThat(after(learned, "side-cover")).isEmpty();
        assertThat(after(learned, "name-ring")).isEmpty();
        assertThat(after(learned, "e1")).containsExactlyInAnyOrder("name-ring", "side-cover");
    }

    @Test
    void jobsThatContradictEachOtherInACircleAreStillAMap() {
        Instrument learned = LearnedMap.of(BLANK, List.of(job("a", "b"), job("b", "c"), job("c", "a")));

        assertThat(learned.joints()).hasSize(3);
        assertThat(WayIn.plan(learned, List.of(new Goal.ReachPart("c")), Set.of(), Set.of(), PlanCost.USUAL)).isPresent();
    }

    @Test
    void whatTheMapHasIsNotFoundAgainAndAMapGrows() {
        Story story = Story.begun();
        assertThat(story.refusal(new Intent.FindJoint("ring thread", "thread", Side.FRONT, "cup"))).contains("is on the map");
        assertThat(story.refusal(new Intent.FindJoint(" ", "thread", Side.FRONT, "cup"))).contains("Give it a name");
        story.accept(Story.open("ring-thread"), new Intent.FindJoint("Hidden screw", "screws", Side.FRONT, "slot driver"));

        Instrument grown = LearnedMap.of(Instruments.small(), List.of(story.state()));
        assertThat(grown.joints()).hasSize(Instruments.small().joints().size() + 1);
        assertThat(after(grown, "hidden-screw")).as("it came off after the ring").containsExactly("ring-thread");
        assertThat(LearnedMap.of(Instruments.small(), List.of())).isEqualTo(Instruments.small());
    }

    @Test
    void shorthandSaysWhatCameOff() {
        Reading r = new Shorthand(BLANK, Optional.empty(), false, Instant.EPOCH).read("off Name ring, thread, rear, friction cup");
        assertThat(((Reading.Understood) r).intents()).containsExactly(new Intent.FindJoint("Name ring", "thread", Side.REAR, "friction cup"));
        Reading known = new Shorthand(Instruments.small(), Optional.empty(), false, Instant.EPOCH).read("off ring thread");
        assertThat(((Reading.Understood) known).intents()).containsExactly(new Intent.OpenJoint("ring-thread", false));
    }
}
