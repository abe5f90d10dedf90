package stillglass.ticket.joints;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
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
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.WayIn;
import stillglass.ticket.Job;

class LearnedMapTest {
    /// A model of which only the glasses are known.
    private static final Instrument BLANK = Instruments.small().with(Instruments.small().parts(), List.of());

    /// What a job on it teaches.
    private static Lesson job(String... names) {
        Job job = Job.on(BLANK, Optional.empty());
        for (String name : names) {
            job.accept(new JointIntent.Find(name, Optional.of("thread"), Side.FRONT, Optional.of("friction cup"), List.of(), true));
        }
        return Lesson.of(job.state().joints());
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

    /// What its name says it is, and glasses that came out together with cement between them.
    @Test
    void namesSayWhatAPartIs() {
        Job job = Job.unknown();
        List.of("screws of the mount", "focusing thread", "return spring", "iris blades", "mount", "thing", "E7", "E8+E9").forEach(n -> job.accept(new JointIntent.Find(n, Optional.of("thread"), Side.FRONT, Optional.empty(), List.of(), true)));
        Instrument learned = job.world().instrument();
        assertThat(List.of("screws_of_the_mount", "focusing_thread", "return_spring", "iris_blades", "mount", "thing")).extracting(id -> learned.part(id).orElseThrow().kind())
                .containsExactly(Part.Kind.SMALL, Part.Kind.HELICOID, Part.Kind.SPRING, Part.Kind.BLADES, Part.Kind.MOUNT, Part.Kind.SMALL);
        assertThat(learned.part("E8+E9").orElseThrow().materials()).contains(Material.BALSAM);
        assertThat(learned.part("E7").orElseThrow().materials()).doesNotContain(Material.BALSAM);
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
        Job job = Job.begun();
        assertThat(job.refusal(new JointIntent.Find("ring thread", Optional.of("thread"), Side.FRONT, Optional.empty(), List.of(), true))).contains("on record already");
        assertThat(job.refusal(new JointIntent.Find(" ", Optional.empty(), Side.FRONT, Optional.empty(), List.of(), true))).contains("name");
        job.accept(Job.open("ring-thread")).say("off the hidden screw, screws, front, slot driver");

        Instrument grown = job.world().instrument();
        assertThat(grown.joints()).hasSize(Instruments.small().joints().size() + 1);
        assertThat(after(grown, "hidden-screw")).as("it came off after the ring").containsExactly("ring-thread");
        assertThat(grown.joint("hidden-screw").orElseThrow().frees()).as("a screw is no part that lies on the tray by itself").isEmpty();
        assertThat(LearnedMap.of(Instruments.small(), List.of())).isEqualTo(Instruments.small());
    }

    @Test
    void namesInAnyScriptMakeIdentifiers() {
        assertThat(List.of(LearnedMap.id("Name ring"), LearnedMap.id("前玉押さえ環"), LearnedMap.id("Кольцо №2"), LearnedMap.id("חוצץ 1"), LearnedMap.id("Führungsstift"), LearnedMap.id("!!")))
                .containsExactly("name-ring", "前玉押さえ環", "кольцо-no2", "חוצץ-1", "führungsstift", "");
        Instrument learned = LearnedMap.of(BLANK, List.of(job("前玉押さえ環", "後玉")));
        assertThat(learned.joints()).extracting(Joint::name).containsExactly("前玉押さえ環", "後玉");
    }

    @Test
    void whatNobodySaidIsNotKnown() {
        Instrument learned = LearnedMap.of(BLANK, List.of(Lesson.of(Job.on(BLANK, Optional.empty()).say("off grip").state().joints())));

        Joint grip = learned.joint("grip").orElseThrow();
        assertThat(grip.side()).isEqualTo(Side.UNKNOWN);
        assertThat(grip.tool()).isEmpty();
        assertThat(grip.hold()).isEqualTo(new Hold.Noted(""));
    }
}
