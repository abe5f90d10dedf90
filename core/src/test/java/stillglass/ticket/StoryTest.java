package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.optics.Lenses;
import stillglass.say.Said;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.condition.Place;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.facts.Mark;
import stillglass.ticket.facts.Turns;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.joints.ShimStack;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.History;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Redo;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;
import stillglass.ticket.story.Who;

class StoryTest {
    /// A state without its history: what there is to see of it.
    private static TicketState seen(Job job) {
        TicketState s = job.state();
        return new TicketState(s.arrival(), s.readings(), s.glass(), s.condition(), s.joints(), s.care(), s.course(), s.agenda(), s.worth(), s.proof(), History.NONE);
    }

    private static Intent random(SplittableRandom random, Job job) {
        List<String> joints = List.of("ring-thread", "e1-seat", "spacer-seat", "mount-screws", "ring-set");
        String joint = joints.get(random.nextInt(joints.size()));
        List<String> open = List.copyOf(job.state().joints().openNow());
        return switch (random.nextInt(10)) {
            case 0 -> new ArrivalEvent.SymptomNoted("symptom " + random.nextInt(100));
            case 1 -> Job.open(joint);
            case 2 -> Job.note(joint, new Turns(1 + random.nextInt(4)));
            case 3 -> Job.keep("mount-clock");
            case 4 -> new JointIntent.Mark(new Mark("dot " + random.nextInt(9), Optional.empty()), Optional.empty());
            case 5 -> new ReadingEvent.InfinityMeasured(Phase.BEFORE, random.nextDouble(), 0.01, Source.TYPED);
            case 6 -> new CareEvent.TimerSet("t" + random.nextInt(3), Said.text("soak"), Job.NOON);
            case 8 -> new ConditionEvent.FlawFound(Phase.BEFORE, Place.IRIS, random.nextBoolean() ? Flaw.WET : Flaw.RUST, Optional.of(Extent.values()[random.nextInt(5)]), Optional.empty(), "");
            case 7 -> Job.see(joint, new Turns(1 + random.nextInt(4)));
            default -> open.isEmpty() ? Job.open(joint) : Job.close(open.get(random.nextInt(open.size())));
        };
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void undoRestoresExactlyWhatWasThereBeforeAndRedoWhatWasThereAfter(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Job job = Job.begun();
        for (int i = 0; i < 40; i++) {
            TicketState before = seen(job);
            Intent intent = random(random, job);
            if (job.tell(intent) instanceof Decision.Accepted a && !a.events().isEmpty()) {
                TicketState after = seen(job);
                job.accept(new Undo());
                assertThat(seen(job)).as("seed %d step %d: undo of %s", seed, i, intent).isEqualTo(before);
                if (random.nextBoolean()) {
                    job.accept(new Redo());
                    assertThat(seen(job)).as("seed %d step %d: redo of %s", seed, i, intent).isEqualTo(after);
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24})
    void undoNeverTakesTheTicketAway(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Job job = Job.begun();
        TicketState begun = seen(job);
        for (int i = 0; i < 25; i++) {
            job.tell(random(random, job));
        }
        int undone = 0;
        while (job.tell(new Undo()) instanceof Decision.Accepted) {
            assertThat(++undone).as("seed %d", seed).isLessThan(60);
        }
        assertThat(seen(job)).as("seed %d", seed).isEqualTo(begun);
    }

    /// Row by row, in heaps or at once: the fold is the same.
    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34})
    void theFoldDependsOnTheEventsAlone(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Job job = Job.begun();
        for (int i = 0; i < 30; i++) {
            job.tell(switch (random.nextInt(8)) {
                case 0 -> new Undo();
                case 1 -> new Redo();
                default -> random(random, job);
            });
        }
        Story apart = Story.NONE;
        for (int from = 0; from < job.rows().size(); ) {
            int to = Math.min(job.rows().size(), from + 1 + random.nextInt(5));
            apart = apart.and(job.rows().subList(from, to));
            from = to;
        }
        assertThat(apart.state()).as("seed %d", seed).isEqualTo(job.state());
        assertThat(Story.of(job.rows()).state()).as("seed %d", seed).isEqualTo(job.state());
    }

    @Test
    void aTicketWithItsFirstNotesIsOneActThatCannotBeUndone() {
        Job job = Job.begun();
        Story begun = Story.of(List.of());
        Tag tag = new Tag("T-2", "Pellam test", "small", Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.empty());
        Decision d = Deciding.decide(begun.state(), new Act(List.of(new ArrivalIntent.Begin(tag), new ArrivalEvent.SymptomNoted("stiff"))),
                Who.alone("b"), s -> job.world());
        assertThat(((Decision.Accepted) d).events()).hasSize(2);

        assertThat(job.refusal(new Undo())).contains("nothing to take back");
        assertThat(job.refusal(new ArrivalIntent.Begin(tag))).contains("T-1");
    }

    @Test
    void oneActIsAllOrNothingAndUndoneWhole() {
        Job job = Job.begun();
        assertThat(job.tell(new ArrivalEvent.SymptomNoted("haze"), Job.open("no-such"))).isInstanceOf(Decision.Refused.class);
        assertThat(job.state().arrival().symptoms()).as("nothing of a refused act is kept").isEmpty();
        job.tell(new ArrivalEvent.SymptomNoted("haze"), new ArrivalEvent.UseNoted("stage"));
        job.accept(new Undo());

        assertThat(job.state().arrival().symptoms()).isEmpty();
        assertThat(job.state().arrival().use()).isEmpty();
    }

    /// Two benches on one ticket: neither takes back what the other did, unless the other is gone.
    @Test
    void undoTakesBackOnesOwn() {
        Job job = Job.begun().accept(new ArrivalEvent.SymptomNoted("one")).at("bench 2", "bench 1").accept(new ArrivalEvent.SymptomNoted("two"));
        job.at("bench 1", "bench 2").accept(new Undo());
        assertThat(job.state().arrival().symptoms()).containsExactly("two");
        assertThat(job.refusal(new Undo())).contains("nothing to take back");

        job.at("bench 1").accept(new Undo());
        assertThat(job.state().arrival().symptoms()).as("the other has left").isEmpty();
    }

    @Test
    void nothingIsDoneAgainAfterSomethingElseWasDone() {
        Job job = Job.begun().accept(new ArrivalEvent.SymptomNoted("one"), new Undo(), new ArrivalEvent.SymptomNoted("two"));

        assertThat(job.refusal(new Redo())).isNotBlank();
        assertThat(job.state().arrival().symptoms()).containsExactly("two");
    }

    @Test
    void stagesBeginWithTheirFirstRecordAndEndWhenSaidAndNothingIsReopened() {
        Job job = Job.begun();
        assertThat(job.state().begun(Stage.ARRIVE)).isTrue();
        assertThat(job.state().begun(Stage.OPEN)).isFalse();
        job.accept(Job.open("ring-thread"));
        assertThat(job.state().begun(Stage.OPEN)).isTrue();
        job.accept(Job.close("ring-thread"), new CourseIntent.FinishStage(Stage.OPEN, Optional.empty()), new CourseIntent.FinishStage(Stage.CLOSE, Optional.empty()));
        assertThat(List.of(job.state().done(Stage.OPEN), job.state().done(Stage.CLOSE))).containsExactly(true, true);
        job.accept(Job.open("ring-thread"));
        assertThat(List.of(job.state().done(Stage.OPEN), job.state().done(Stage.CLOSE))).as("it is open again").containsExactly(true, false);
    }

    @Test
    void shimsAreStacksAtPlacesEachWithItsHistory() {
        Job job = Job.begun().accept(Job.keep("mount-clock"), Job.open("mount-screws")).say("for mount screws: shims .1 .2");
        ShimStack mount = ShimStack.ofInfinity(job.state().joints(), job.world().instrument()).orElseThrow();
        assertThat(mount.totalFoundMm()).contains(0.1 + 0.2);

        job.accept(new JointIntent.FitShims(Optional.of(mount.place()), List.of(0.2, 0.2)));
        ShimStack fitted = ShimStack.ofInfinity(job.state().joints(), job.world().instrument()).orElseThrow();
        assertThat(fitted.totalNowMm()).contains(0.4);
        assertThat(fitted.totalFoundMm()).as("what was found stays found").contains(0.1 + 0.2);

        job.accept(new JointIntent.FitShims(Optional.of("e1-seat"), List.of(0.5)));
        assertThat(ShimStack.ofInfinity(job.state().joints(), job.world().instrument()).orElseThrow().totalNowMm()).as("another stack moves something else").contains(0.4);
    }

    @Test
    void noneUnknownAndAListOfShimsAreThreeAnswers() {
        Job unknown = Job.begun();
        assertThat(ShimStack.ofInfinity(unknown.state().joints(), unknown.world().instrument()).flatMap(ShimStack::totalFoundMm)).isEmpty();
        Job none = Job.begun().accept(Job.keep("mount-clock"), Job.open("mount-screws")).say("for mount screws: no shims");
        assertThat(ShimStack.ofInfinity(none.state().joints(), none.world().instrument()).flatMap(ShimStack::totalFoundMm)).contains(0.0);
    }

    @Test
    void readingsOutOfRangeAreRefusedAtBirth() {
        assertThatThrownBy(() -> new ReadingEvent.InfinityMeasured(Phase.BEFORE, Double.NaN, 0.01, Source.TYPED)).hasMessageContaining("out of range");
    }

    @Test
    void aCardSaysWhereTheWorkStands() {
        Job job = Job.on(Instruments.small(), Optional.of(Lenses.triplet())).accept(new ArrivalEvent.SymptomNoted("haze"), Job.open("ring-thread"));
        Card card = Card.of(job.state());

        assertThat(card.stage()).isEqualTo(Stage.OPEN);
        assertThat(card.wrong()).contains("haze");
        assertThat(card.signed()).isFalse();
        assertThat(job.rows()).extracting(Recorded::seq).isSorted();
    }

    /// What is likelier nothing is not what is wrong with it, and what was not named is what it may be.
    @Test
    void aCardNamesWhatIsLikelierThereThanNot() {
        List<Finding> seen = List.of(new Finding(FindingKind.HAZE, 0.31, List.of(), 0.9, 1, 0, 0, 0.05, 2, List.of(), Map.of(FindingKind.HAZE, 0.31, FindingKind.UNKNOWN, 0.69), 0),
                new Finding(FindingKind.UNKNOWN, 0.59, List.of(), 0.01, 1, 0.3, 0, 0.05, 1, List.of(), Map.of(FindingKind.CHIP, 0.43, FindingKind.BUBBLE, 0.16, FindingKind.UNKNOWN, 0.41), 0));
        Job job = Job.begun().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE)).accept(new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(9, 9, 5, 5, 0), seen, 0, List.of(), List.of()));

        assertThat(Card.of(job.state()).wrong()).contains("chip");
    }
}
