package stillglass.ticket.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.story.Stage;

/// A lens on no map whose collars are set by what was said of its corners.
class CollarSettingTest {
    private static List<String> told(Job job) {
        return CollarSetting.of(job.state().readings(), job.state().joints()).stream().map(Wording.core()::say).toList();
    }

    /// Drawn: without the collar the softness leans 3 to the right seen from the front, the collar adds 2 straight up at its mark, turning clockwise. It cancels most where it points left: at 270°.
    private static String line(double deg) {
        double x = 3e-4 + 2e-4 * Math.sin(Math.toRadians(deg));
        double y = 2e-4 * Math.cos(Math.toRadians(deg));
        return String.format(Locale.ROOT, "collars %.0f: ", deg) + List.of(x + y, -x + y, -x - y, x - y).stream().map(a -> String.format(Locale.ROOT, "%.6f", 1 / Math.sqrt(1e-3 + a / 2))).collect(Collectors.joining(" "));
    }

    @Test
    void nothingIsAskedOfALensWhoseCornersAreAlike() {
        assertThat(told(Job.unknown().stage(Stage.PROVE))).isEmpty();
        assertThat(told(Job.unknown().stage(Stage.PROVE).say("sharpness top left f/4 40", "sharpness bottom right f/4 39"))).isEmpty();
        assertThat(told(Job.unknown().stage(Stage.PROVE).say("sharpness top left f/4 40", "sharpness bottom right f/4 28"))).singleElement().asString().contains("eccentric collars");
    }

    /// What differs only because the stop or the day does is no unevenness.
    @Test
    void cornersOfOtherStopsAndOfArrivalAreNotCompared() {
        assertThat(told(Job.unknown().stage(Stage.PROVE).say("sharpness top left f/8 40", "sharpness bottom right f/2.8 20"))).isEmpty();
        assertThat(told(Job.unknown().stage(Stage.ARRIVE).say("sharpness top left f/4 40").stage(Stage.PROVE).say("sharpness bottom right f/4 20"))).isEmpty();
    }

    @Test
    void whereTheCollarHardlyHelpsItIsSaidSo() {
        assertThat(told(Job.unknown().stage(Stage.PROVE).say("collars 0: 40 38 28 30", "collars 90: 36 38 30 33"))).singleElement().asString().contains("would still leave 89 %").contains("it is not these collars");
    }

    @Test
    void oneCollarIsSetFromTwoSettings() {
        Job job = Job.unknown().stage(Stage.PROVE).say(line(0));
        assertThat(told(job)).singleElement().asString().contains("1 of 2 settings").contains("collars 90");
        assertThat(told(job.say(line(90)))).singleElement().asString().contains("the collar to 270°").contains("of the present unevenness");
    }

    @Test
    void twoCollarsThatWereOnlyTurnedTogetherTellNothing() {
        Job job = Job.unknown().stage(Stage.PROVE).say("collars 0 0: 34 38 30 36", "collars 90 90: 36 34 38 30", "collars 180 180: 30 36 34 38");
        assertThat(told(job)).singleElement().asString().contains("turn one by itself");
    }

    @Test
    void whatWasOpenedAgainBeginsAnew() {
        Job job = Job.unknown().stage(Stage.PROVE).say(line(0)).stage(Stage.OPEN).say("off front ring, thread, front");
        assertThat(told(job)).isEmpty();
    }

    @Test
    void whatIsNoSettingIsAskedForAgain() {
        for (String bad : List.of("collars", "collars 0 0", "collars 0: 34 38 30", "collars 0 0 0: 34 38 30 36", "collars x: 1 2 3 4", "collars 0: 34 38 -30 36")) {
            assertThat(Job.unknown().stage(Stage.PROVE).answer(bad)).as(bad).contains("four corners");
        }
    }
}
