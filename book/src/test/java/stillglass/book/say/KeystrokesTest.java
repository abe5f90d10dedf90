package stillglass.book.say;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;

/// What a record costs at the keyboard: thirty joints of a lens nobody has a map of, then the same lens from what the first job taught. Keys are counted as they are pressed in the window: one for what
/// Space says, else the line with `/` before it, or O for what came off, and Enter after it. Goals of the house: twelve a joint without a map, three with one.
class KeystrokesTest {
    /// What is said of what was expected, by the joint it is said of.
    private static final Map<String, String> SAID = Map.of("mount-screws", "3 screws, cross, 4.2", "mount", "ball 1", "name-ring", "lets go 4", "front-cell", "turns 5", "rear-cell", "lets go 8",
            "outer-helicoid", "turns 2.5", "inner-helicoid", "lets go 5", "iris-cam-ring", "ridge inward");
    /// What no construction names.
    private static final List<String> OTHERWISE = List.of("off light baffle", "off E5, ring, rear", "front up", "off spacer", "bevel down", "off E4", "rear up", "off E3", "off E1, ring, front", "front up", "off E2",
            "off iris cover", "2 screws", "off click spring", "off detent", "off lever", "off coupling ring", "off stop pin", "off trim ring", "off fork", "off felt");
    private static final Pattern NEXT = Pattern.compile("Next off: (.+)\\.");
    private static final Pattern MARK = Pattern.compile("“mark (.+) at ");

    @TempDir
    private Path folder;

    private SaySession session;
    private int keys;

    private void type(String line) {
        SaySession.Answer a = session.say(line);
        assertThat(a.status()).as("%s: %s", line, a.why()).isEqualTo(SaySession.Status.KEPT);
        // O begins the line with “off ”.
        keys += (line.startsWith("off ") ? line.length() - 4 : line.length()) + 2;
    }

    /// Everything the construction names: Space for each; before what would lose a reference M, where it is, Enter.
    private void expected() {
        SaySession.Answer a = session.say("as expected");
        while (!a.why().startsWith("Nothing is expected")) {
            Matcher mark = MARK.matcher(a.why());
            if (mark.find()) {
                assertThat(session.say("mark " + mark.group(1) + " at 4").status()).isEqualTo(SaySession.Status.KEPT);
                keys += 3;
            } else {
                assertThat(a.status()).as(a.why()).isEqualTo(SaySession.Status.KEPT);
                keys++;
                Optional.ofNullable(SAID.get(a.off().getLast())).ifPresent(this::type);
            }
            a = session.say("as expected");
        }
    }

    @Test
    void recordingIsQuickerThanWritingItDown() {
        try (Logbook log = Logbook.open(folder.resolve("keys.sqlite"))) {
            Shelf shelf = Shelf.ofShop(folder);
            InstantSource clock = InstantSource.fixed(Instant.parse("2026-11-24T14:30:00Z"));
            session = new SaySession(new Tickets(log, shelf, clock, "", "test"), shelf, clock);
            session.say("begin lens, Brook 35 mm f/2.8");
            assertThat(session.say("build prime two helicoids").status()).isEqualTo(SaySession.Status.KEPT);
            session.say("stage open");
            expected();
            OTHERWISE.forEach(this::type);
            List<String> order = session.say("next").off();
            int joints = order.size();
            double without = keys / (double) joints;
            assertThat(joints).isGreaterThanOrEqualTo(30);

            keys = 0;
            session.say("begin lens, Brook 35 mm f/2.8");
            session.say("stage open");
            type("reach felt");
            // The way in is planned from the first job's map, and the next step is said each time: Space opens it.
            for (int i = 0; i < joints; i++) {
                Matcher next = NEXT.matcher(session.say("next").next());
                assertThat(next.find()).as("a step is planned").isTrue();
                SaySession.Answer a = session.say("off " + next.group(1));
                assertThat(a.status()).as(a.why()).isEqualTo(SaySession.Status.KEPT);
                keys++;
                // What no map can know: where threads let go this time.
                if (List.of("outer-helicoid", "inner-helicoid", "name-ring").contains(a.off().getLast())) {
                    type("lets go 4");
                }
            }
            assertThat(session.say("next").off()).hasSize(joints);
            double with = keys / (double) joints;
            assertThat(without).as("%.1f keys a joint without a map, %.1f with one", without, with).isLessThanOrEqualTo(12);
            assertThat(with).as("%.1f keys a joint without a map, %.1f with one", without, with).isLessThanOrEqualTo(3);
        }
    }
}
