package stillglass.ticket.condition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instrument;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.Lead;
import stillglass.ticket.Recommendation;
import stillglass.ticket.condition.ConditionEvent.FlawFound;
import stillglass.ticket.condition.ConditionEvent.PlaceSound;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;
import stillglass.ticket.words.Reading;

class ConditionTest {
    private static FlawFound flaw(Place place, Flaw flaw, Extent extent) {
        return new FlawFound(Phase.BEFORE, place, flaw, Optional.of(extent), Optional.empty(), "");
    }

    private static List<Intent> intents(Job job, String line) {
        return job.read(line) instanceof Reading.Understood u ? u.act().intents() : List.of();
    }

    private static Job looking() {
        return Job.unknown().stage(Stage.LOOK);
    }

    private static List<String> advice(Job job) {
        return Recommendation.of(job.state(), List.of(), Optional.empty(), Optional.empty(), job.world().instrument()).reasons().stream().map(Wording.core()::say).toList();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "iris blades wet, marked | IRIS | WET | MARKED | |", "iris wet slightly 3 blades | IRIS | WET | SLIGHT | 3 |", "iris: severe rust | IRIS | RUST | SEVERE | |",
        "slots tool marks slight, two slips at the front | SLOTS | TOOL_MARKS | SLIGHT | 2 | slips at the front", "screws missing, 2 | SCREWS | MISSING | | 2 |", "the barrel is flaked | BARREL | FLAKED | | |",
        "iris oil gone | IRIS | WET | NONE | |", "focusing thread gritty, at 1 m | THREAD | GRIT | | | at 1 m"
    })
    void wordsSayWhereWhatAndHowFar(String line, Place place, Flaw flaw, Extent extent, Integer count, String note) {
        assertThat(intents(looking(), line)).containsExactly(new FlawFound(Phase.BEFORE, place, flaw, Optional.ofNullable(extent), Optional.ofNullable(count), note == null ? "" : note));
    }

    @Test
    void countsMayStandInTheWordItself() {
        Job body = Job.on(Instrument.unknown("own-1", "Folding camera", Instrument.Sort.CAMERA), Optional.empty()).stage(Stage.LOOK);
        assertThat(intents(body, "bellows 2 pinholes, slight")).containsExactly(new FlawFound(Phase.BEFORE, Place.BELLOWS, Flaw.TORN, Optional.of(Extent.SLIGHT), Optional.of(2), ""));
        assertThat(intents(body, "bellows sound")).containsExactly(new PlaceSound(Phase.BEFORE, Place.BELLOWS));
    }

    /// While it is apart such words belong to the joint in hand.
    @Test
    void whileOpeningAWordGoesBefore() {
        Job open = Job.unknown().stage(Stage.OPEN);
        assertThat(intents(open, "screws rusted, slight")).noneMatch(ConditionEvent.class::isInstance);
        assertThat(intents(open, "condition screws rusted, slight")).containsExactly(flaw(Place.SCREWS, Flaw.RUST, Extent.SLIGHT));
        assertThat(open.read("condition teapot wet")).isInstanceOf(Reading.Unclear.class);
        assertThat(open.read("condition screws purple")).isInstanceOf(Reading.Unclear.class);
    }

    /// A place nobody spoke of is not sound, and what is sound is not unlooked.
    @Test
    void unlookedIsNotSound() {
        Job job = looking().accept(new PlaceSound(Phase.BEFORE, Place.BARREL));
        Condition c = job.state().condition();
        assertThat(c.sound(Phase.BEFORE, Place.BARREL)).isTrue();
        assertThat(c.sound(Phase.BEFORE, Place.IRIS)).isFalse();
        assertThat(c.looked(Phase.BEFORE, Place.IRIS)).isFalse();
        assertThat(c.sound(Phase.AFTER, Place.BARREL)).isFalse();
        assertThat(job.accept(flaw(Place.BARREL, Flaw.FLAKED, Extent.TRACE)).state().condition().sound(Phase.BEFORE, Place.BARREL)).isFalse();
    }

    @Test
    void whatWasFoundCanBeTakenBackByUndoAndBySayingSo() {
        Job job = looking().accept(flaw(Place.IRIS, Flaw.WET, Extent.MARKED));
        assertThat(job.refusal(new PlaceSound(Phase.BEFORE, Place.IRIS))).contains("wet");
        assertThat(job.accept(flaw(Place.IRIS, Flaw.WET, Extent.NONE)).state().condition().all(Phase.BEFORE)).isEmpty();
        assertThat(job.accept(new PlaceSound(Phase.BEFORE, Place.IRIS)).state().condition().sound(Phase.BEFORE, Place.IRIS)).isTrue();
        assertThat(job.accept(new Undo()).accept(new Undo()).state().condition().all(Phase.BEFORE)).containsExactly(flaw(Place.IRIS, Flaw.WET, Extent.MARKED));
    }

    @Test
    void whatCannotBeThereIsRefusedAndSaysWhatCan() {
        assertThat(looking().refusal(flaw(Place.IRIS, Flaw.PERISHED, Extent.TRACE))).contains("perished").contains("bent");
        assertThat(looking().refusal(flaw(Place.BELLOWS, Flaw.TORN, Extent.TRACE))).contains("bellows").contains("iris blades");
        assertThatThrownBy(() -> new FlawFound(Phase.BEFORE, Place.IRIS, Flaw.WET, Optional.empty(), Optional.of(0), "")).hasMessageContaining("0");
        assertThat(looking().read("iris wet, 1000 blades")).isInstanceOf(Reading.Unclear.class);
    }

    /// What spreads is worth opening for early, what only looks old is not, and how far nobody said wants a look first.
    @Test
    void adviceFollowsHowFarItHasGone() {
        assertThat(Lead.of(looking().accept(flaw(Place.IRIS, Flaw.WET, Extent.TRACE)).state(), Instrument.unknown("x", "X", Instrument.Sort.LENS))).isEmpty();
        assertThat(advice(looking().accept(flaw(Place.IRIS, Flaw.WET, Extent.MARKED)))).anyMatch(s -> s.contains("flush or strip"));
        assertThat(advice(looking().accept(new FlawFound(Phase.BEFORE, Place.IRIS, Flaw.WET, Optional.empty(), Optional.empty(), "")))).anyMatch(s -> s.contains("how far"));
        assertThat(advice(looking().accept(flaw(Place.THREAD, Flaw.WORN, Extent.MARKED)))).anyMatch(s -> s.startsWith("Not worth opening"));
        assertThat(advice(looking().accept(flaw(Place.SLOTS, Flaw.TOOL_MARKS, Extent.TRACE)))).anyMatch(s -> s.contains("Somebody was here before"));
    }

    /// Where the model has a map, what must be reached for it is a goal.
    @Test
    void aMapTurnsAFlawIntoGoals() {
        Job job = Job.begun().accept(flaw(Place.THREAD, Flaw.GRIT, Extent.MARKED));
        assertThat(Lead.of(job.state(), job.world().instrument())).singleElement()
                .satisfies(l -> assertThat(l.goals()).allSatisfy(g -> assertThat(job.world().instrument().part(g)).isPresent()));
    }

    /// Every extent of every flaw is written out, so that none is left to taste.
    @ParameterizedTest
    @EnumSource(Flaw.class)
    void everyExtentIsWrittenOut(Flaw flaw) {
        assertThat(Stream.of(Extent.values()).filter(e -> e != Extent.NONE).map(e -> Wording.core().say(flaw.at(e)))).doesNotHaveDuplicates().allMatch(s -> s.endsWith("."));
        assertThat(Wording.core().say(flaw.cure())).endsWith(".");
    }

    /// Every sort of instrument has somewhere to look, and every flaw a place.
    @ParameterizedTest
    @EnumSource(Instrument.Sort.class)
    void everySortHasPlaces(Instrument.Sort sort) {
        assertThat(Place.of(sort)).hasSizeGreaterThan(1).allSatisfy(p -> assertThat(p.flaws()).isNotEmpty());
        assertThat(Arrays.stream(Place.values()).flatMap(p -> p.flaws().stream()).distinct()).containsExactlyInAnyOrder(Flaw.values());
    }

    @ParameterizedTest
    @ValueSource(strings = {"iris", "iris purple", "2 screws rear, slot, 4.2 mm", "mount off"})
    void otherLinesAreLeftToOthers(String line) {
        assertThat(intents(looking(), line)).noneMatch(ConditionEvent.class::isInstance);
    }
}
