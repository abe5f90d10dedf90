package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.ClockPosition;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;

class TicketStateTest {
    /// Everything a view can see of a state, as one comparable value.
    private static String seen(TicketState s) {
        return String.join("|", s.tag().toString(), s.symptoms().toString(), s.use(), s.references().keySet().stream().sorted().toList().toString(),
                s.opened().toString(), s.closed().stream().sorted().toList().toString(), s.loose().stream().sorted().toList().toString(),
                s.findings().toString(), s.goals().toString(), s.timers().toString(), s.cleaned().toString(), s.overruled().toString(),
                s.infinity(Phase.BEFORE).toString(), s.facts("ring-thread").toString(), s.stated("ring-thread").toString());
    }

    private static Intent randomIntent(SplittableRandom random, Story story) {
        List<String> joints = List.of("ring-thread", "e1-seat", "spacer-seat", "mount-screws", "ring-set");
        String joint = joints.get(random.nextInt(joints.size()));
        return switch (random.nextInt(8)) {
            case 0 -> new Intent.Keep(new TicketEvent.SymptomNoted("symptom " + random.nextInt(100)));
            case 1 -> Story.open(joint);
            case 2 -> Story.note(joint, new Fact.Turns(1 + random.nextInt(4)));
            case 3 -> new Intent.KeepReference("mount-clock", "ink", ClockPosition.of(random.nextInt(12)));
            case 4 -> new Intent.KeepReference("infinity", "ink", ClockPosition.of(random.nextInt(12)));
            case 5 -> new Intent.Keep(new TicketEvent.InfinityMeasured(Phase.BEFORE, random.nextDouble(), 0.01));
            case 6 -> new Intent.Keep(new TicketEvent.TimerSet("t" + random.nextInt(3), "soak", Story.NOON));
            default -> story.state().openNow().isEmpty() ? Story.open(joint) : Story.close(story.state().openNow().iterator().next());
        };
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void undoRestoresExactlyWhatWasThereBefore(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Story story = Story.begun();
        for (int i = 0; i < 40; i++) {
            String before = seen(story.state());
            Intent intent = randomIntent(random, story);
            if (story.tell(intent) instanceof Decision.Accepted a && !a.events().isEmpty()) {
                String after = seen(story.state());
                story.accept(new Intent.Undo());
                assertThat(seen(story.state())).as("seed %d step %d: undo of %s", seed, i, intent).isEqualTo(before);
                if (random.nextBoolean()) {
                    // Do it again, so that the story grows.
                    story.accept(intent);
                    assertThat(seen(story.state())).isEqualTo(after);
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24})
    void undoingEverythingLeavesTheTagAlone(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Story story = Story.begun();
        String begun = seen(story.state());
        for (int i = 0; i < 25; i++) {
            story.tell(randomIntent(random, story));
        }
        int undone = 0;
        while (story.tell(new Intent.Undo()) instanceof Decision.Accepted) {
            undone++;
            assertThat(undone).as("seed %d", seed).isLessThan(60);
        }
        assertThat(seen(story.state())).as("seed %d", seed).isEqualTo(begun);
    }

    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34})
    void theFoldDependsOnTheEventsAlone(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Story story = Story.begun();
        for (int i = 0; i < 30; i++) {
            story.tell(random.nextInt(6) == 0 ? new Intent.Undo() : randomIntent(random, story));
        }
        List<Recorded> copy = new ArrayList<>(story.rows());

        assertThat(seen(TicketState.of(copy))).as("seed %d", seed).isEqualTo(seen(story.state()));
        assertThat(seen(TicketState.of(List.copyOf(copy)))).isEqualTo(seen(story.state()));
    }

    @Test
    void undoingAnUndoIsRedo() {
        Story story = Story.begun().accept(new Intent.Keep(new TicketEvent.UseNoted("portraits")), new Intent.Undo());
        assertThat(story.state().use()).isEmpty();
        long undo = story.state().lastIntent();
        List<Recorded> rows = new ArrayList<>(story.rows());
        rows.add(new Recorded(undo + 1, Story.NOON, new TicketEvent.Undone(undo)));

        assertThat(TicketState.of(rows).use()).isEqualTo("portraits");
    }

    @Test
    void oneIntentIsUndoneWhole() {
        Story story = Story.begun().accept(new Intent.Keep(List.of(new TicketEvent.SymptomNoted("haze"), new TicketEvent.UseNoted("stage"))));
        story.accept(new Intent.Undo());

        assertThat(story.state().symptoms()).isEmpty();
        assertThat(story.state().use()).isEmpty();
    }

    @Test
    void theBeginningCannotBeUndone() {
        assertThat(Story.begun().refusal(new Intent.Undo())).contains("nothing to take back");
    }

    private static TicketEvent.PhotoGraded graded(String photo, FindingKind... kinds) {
        List<Finding> findings = new ArrayList<>();
        for (FindingKind k : kinds) {
            findings.add(new Finding(k, 0.9, List.of(), 0.01, 1, 0.3, 0.3, 0.4, 2, List.of("because")));
        }
        return new TicketEvent.PhotoGraded(photo, Lighting.AGAINST, new Aperture(100, 100, 80, 80, 0), findings, 0.03, List.of(), List.of());
    }

    @Test
    void correctionsStayBesideWhatWasComputed() {
        Story story = Story.begun().accept(
                new Intent.Keep(List.of(new TicketEvent.PhotoKept("p1", Phase.BEFORE, false, ""), graded("p1", FindingKind.DUST, FindingKind.HAZE))),
                new Intent.Rekind("p1#1", FindingKind.FUNGUS), new Intent.Place("p1#1", 1), new Intent.OverruleGrade("p1#1", 4, "seen it grow"));
        Known k = story.state().finding("p1#1").orElseThrow();

        assertThat(k.finding().kind()).isEqualTo(FindingKind.FUNGUS);
        assertThat(k.computedKind()).contains(FindingKind.DUST);
        assertThat(k.surface()).contains(1);
        assertThat(k.overruled()).map(TicketEvent.GradeOverruled::why).contains("seen it grow");
        story.accept(new Intent.Rekind("p1#1", FindingKind.OIL));
        assertThat(story.state().finding("p1#1").orElseThrow().computedKind()).as("still the first").contains(FindingKind.DUST);
    }

    @Test
    void gradingAgainReplacesTheFindingsOfThatPhotoOnly() {
        Story story = Story.begun().accept(
                new Intent.Keep(List.of(new TicketEvent.PhotoKept("p1", Phase.BEFORE, false, ""), graded("p1", FindingKind.DUST))),
                new Intent.Keep(List.of(new TicketEvent.PhotoKept("p2", Phase.BEFORE, false, ""), graded("p2", FindingKind.HAZE))),
                new Intent.Keep(graded("p1", FindingKind.FUNGUS, FindingKind.SCRATCH)));

        assertThat(story.state().findings()).extracting(f -> f.finding().kind())
                .containsExactlyInAnyOrder(FindingKind.HAZE, FindingKind.FUNGUS, FindingKind.SCRATCH);
    }

    @Test
    void aPhotoAfterTheWorkAddsNoFindings() {
        Story story = Story.begun().accept(
                new Intent.Keep(List.of(new TicketEvent.PhotoKept("p1", Phase.AFTER, false, ""), graded("p1", FindingKind.DUST))));

        assertThat(story.state().findings()).isEmpty();
        assertThat(story.state().gradedPhoto(Phase.AFTER)).isPresent();
        assertThat(story.state().gradedPhoto(Phase.BEFORE)).isEmpty();
    }

    @Test
    void aGradingWithoutItsPhotoIsRefused() {
        assertThat(Story.begun().refusal(new Intent.Keep(graded("p9", FindingKind.DUST)))).contains("p9").contains("not in this ticket");
    }

    @Test
    void stagesBeginWithTheirFirstRecord() {
        Story story = Story.begun();
        assertThat(story.state().begun(Stage.ARRIVE)).isTrue();
        assertThat(story.state().begun(Stage.OPEN)).isFalse();
        story.accept(Story.open("ring-thread"));
        assertThat(story.state().begun(Stage.OPEN)).isTrue();
        story.accept(Story.close("ring-thread"));
        assertThat(story.state().begun(Stage.CLOSE)).isTrue();
        story.accept(new Intent.FinishStage(Stage.OPEN, Optional.empty()));
        assertThat(story.state().done(Stage.OPEN)).isTrue();
    }

    @Test
    void openingAgainForgetsWhatWasStatedWhileClosing() {
        Story story = Story.begun().accept(Story.note("ring-thread", new Fact.Turns(3)), Story.open("ring-thread"),
                Story.see("ring-thread", new Fact.Turns(3)), Story.close("ring-thread"), Story.open("ring-thread"));

        assertThat(story.state().stated("ring-thread")).isEmpty();
        assertThat(story.state().openNow()).containsExactly("ring-thread");
    }

    @Test
    void shimsAreAddedUp() {
        Story story = Story.begun().accept(new Intent.KeepReference("mount-clock", "ink", ClockPosition.of(0)),
                Story.note("mount-screws", new Fact.Shims(List.of(0.1, 0.2))), Story.open("mount-screws"));
        assertThat(story.state().shimsRecorded()).isTrue();
        assertThat(story.state().shimsNowMm()).isEqualTo(0.1 + 0.2);
        story.accept(new Intent.Keep(new TicketEvent.ShimsFitted(List.of(0.2, 0.2))));
        assertThat(story.state().shimsNowMm()).isEqualTo(0.4);
        assertThat(story.state().shimsFoundMm()).isEqualTo(0.1 + 0.2);
    }

    @Test
    void eventsOutOfRangeAreRefusedAtBirth() {
        assertThatThrownBy(() -> new TicketEvent.InfinityMeasured(Phase.BEFORE, Double.NaN, 0.01)).hasMessageContaining("out of range");
        assertThatThrownBy(() -> new TicketEvent.Greased("j", -1, "g")).hasMessageContaining("out of range");
        assertThatThrownBy(() -> new Fact.Screw("A1", "slot", Double.NaN)).hasMessageContaining("screw length");
        assertThatThrownBy(() -> new Fact.Proud(99)).hasMessageContaining("less than 50");
        assertThatThrownBy(() -> new Fact.Turns(0)).hasMessageContaining("turns");
    }
}
