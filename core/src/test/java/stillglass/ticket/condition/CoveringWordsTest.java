package stillglass.ticket.condition;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.care.Covering;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.Recommendation;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

/// A body nobody has a map of.
class CoveringWordsTest {
    private static Job body() {
        return Job.on(Instrument.unknown("own-body", "Body nobody knows", Instrument.Sort.BODY), Optional.empty()).stage(Stage.LOOK);
    }

    private static List<String> advice(Job job) {
        return Recommendation.of(job.state(), List.of(), Optional.empty(), Optional.empty(), job.world().instrument()).reasons().stream().map(Wording.core()::say).toList();
    }

    @Test
    void aBumpIsJudgedByWhatCoversItsFace() {
        Job job = body().say("bump front grip 1 x 8 mm");
        assertThat(advice(job)).anyMatch(r -> r.contains("front grip") && r.contains("the owner decides") && r.contains("nobody bent a corner"));
        job.say("covering front: leather, dry, trapped under the right lug");
        assertThat(job.state().condition().covering("front grip")).isEqualTo(new Covering(Optional.of(Covering.Stuff.LEATHER), Optional.of(Covering.State.DRY), Optional.of("under the right lug")));
        assertThat(job.state().condition().covering("frontal")).as("another face").isEqualTo(Covering.UNKNOWN);
        assertThat(advice(job)).anyMatch(r -> r.contains("front grip") && r.contains("lift the covering"));
        job.say("covering front grip is leather, supple");
        assertThat(advice(job)).as("its own says more than its face's").anyMatch(r -> r.contains("measure it again"));
    }

    @Test
    void measuredAgainItTellsHowFastItRises() {
        Job job = body().say("covering back: leatherette, dry", "bump back 0.3 by 8 mm");
        assertThat(job.state().condition().bump("back")).hasSize(1);
        job.later(Duration.ofDays(300)).say("bump at Back 0.8 mm high, 8 mm across");
        assertThat(job.state().condition().bumps()).as("one bump, measured twice").hasSize(1);
        assertThat(job.state().condition().bump("back").stream().map(Wording.core()::say)).anyMatch(l -> l.contains("0.05 mm a month"));
        assertThat(job.state().condition().sound(stillglass.ticket.story.Phase.BEFORE, Place.COVERING)).isFalse();
    }

    @Test
    void whatWasLiftedIsGoneAndIsRememberedAsItWas() {
        Job job = body().say("bump front 1 x 8 mm", "bump back 0.2 x 8 mm").say("bump Front gone");
        assertThat(job.state().condition().bumps()).containsOnlyKeys("back");
        assertThat(job.state().condition().lifted()).containsOnlyKeys("front");
        assertThat(advice(job)).noneMatch(r -> r.contains("front"));
        assertThat(job.answer("bump front gone")).contains("No bump");
        job.accept(new Undo());
        assertThat(job.state().condition().bumps()).hasSize(2);
    }

    @Test
    void whatIsNotUnderstoodSaysWhatToSay() {
        assertThat(body().answer("bump front")).contains("0.6 x 8 mm");
        assertThat(body().answer("bump front 9 x 8 mm")).contains("0.6 x 8 mm");
        assertThat(body().answer("covering front: wallpaper")).contains("leather");
        assertThat(Job.unknown().stage(Stage.LOOK).answer("bump front 0.5 x 8 mm")).as("a lens has none").contains("covering");
    }
}
