package stillglass.book.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import stillglass.assembly.Build;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.book.say.SaySession;
import stillglass.plan.WayBack;
import stillglass.ticket.TicketState;
import stillglass.ticket.joints.EarlierJobs;
import stillglass.ticket.joints.Expected;
import stillglass.ticket.joints.Lesson;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.joints.LearnedMap;
import stillglass.ticket.story.World;

/// Generic constructions: each can be worked through, and none of it is on record before it was met.
class BuildsTest {
    private static final InstantSource CLOCK = InstantSource.fixed(Instant.parse("2026-11-28T09:00:00Z"));
    private static final Shelf SHELF = new Shelf();

    @TempDir
    Path folder;

    static List<Build> builds() {
        return SHELF.builds();
    }

    @Test
    void thereIsADozenOfThemAndEverySortOfCameraAndLensHasOne() {
        assertThat(builds()).hasSizeGreaterThanOrEqualTo(12).extracting(Build::id).doesNotHaveDuplicates();
        assertThat(builds()).extracting(b -> b.expected().sort()).contains(Instrument.Sort.LENS, Instrument.Sort.ZOOM, Instrument.Sort.CAMERA, Instrument.Sort.SHUTTER, Instrument.Sort.PAIR, Instrument.Sort.BODY);
        assertThat(builds()).allSatisfy(b -> {
            assertThat(b.asks().front()).isNotBlank();
            assertThat(b.asks().rear()).isNotBlank();
            assertThat(b.expected().joints()).as(b.name()).hasSizeGreaterThan(7);
            assertThat(b.expected().joints()).extracting(j -> LearnedMap.id(j.name())).doesNotHaveDuplicates();
        });
    }

    /// As expected from the first joint to the last, by typing alone; what was met is then a map that can be put together again, with what must be greased, tried and zeroed.
    @ParameterizedTest
    @MethodSource("builds")
    void everyConstructionIsMetWholeAndGoesBack(Build build) {
        try (Logbook log = Logbook.open(folder.resolve(build.id() + ".sqlite"))) {
            Tickets tickets = new Tickets(log, SHELF, CLOCK, "", "test");
            SaySession session = new SaySession(tickets, SHELF, CLOCK);
            kept(session, "begin " + build.expected().sort().word() + ", Brook one");
            kept(session, "build " + build.id());
            assertThat(state(tickets).joints().order()).as("nothing is on record by choosing it").isEmpty();
            kept(session, "stage open");
            for (int i = 0; i < build.expected().joints().size(); i++) {
                kept(session, "as expected anyway");
            }
            assertThat(session.say("as expected").status()).as("nothing is left to expect").isEqualTo(SaySession.Status.UNCLEAR);

            Tickets.Ticket ticket = tickets.open("T-0101");
            Instrument met = tickets.world(ticket).instrument();
            assertThat(met.joints()).hasSameSizeAs(build.expected().joints());
            assertThat(WayBack.order(met, ticket.state().joints().standing()).stream().map(s -> s.joint().id()).distinct()).hasSameSizeAs(met.joints());
            for (Joint j : build.expected().joints()) {
                Joint own = met.joint(LearnedMap.id(j.name())).orElseThrow();
                assertThat(own.close().greased()).as(j.name()).isEqualTo(j.close().greased());
                assertThat(own.close().test().map(Joint.Test::what)).isEqualTo(j.close().test().map(Joint.Test::what));
                assertThat(own.hazards()).isEqualTo(j.hazards());
            }
        }
    }

    private static void kept(SaySession session, String line) {
        SaySession.Answer a = session.say(line);
        assertThat(a.status()).as("%s: %s", line, a.why()).isEqualTo(SaySession.Status.KEPT);
    }

    private static TicketState state(Tickets tickets) {
        return tickets.open("T-0101").state();
    }

    @Test
    void whatIsNotThereIsPassedOverAndWhatIsOtherwiseIsSaid() {
        try (Logbook log = Logbook.open(folder.resolve("otherwise.sqlite"))) {
            Tickets tickets = new Tickets(log, SHELF, CLOCK, "", "test");
            SaySession session = new SaySession(tickets, SHELF, CLOCK);
            kept(session, "begin prime, Brook 35 mm f/2.8");
            assertThat(session.say("as expected").why()).containsIgnoringCase("nothing is expected");
            assertThat(session.say("build like a teapot").why()).contains("Prime with a name ring and one helicoid");
            kept(session, "build one helicoid");
            kept(session, "stage open");
            String first = session.say("next").reads();
            assertThat(first).contains("Expected next");
            kept(session, "not there");
            assertThat(session.say("next").reads()).isNotEqualTo(first);
            kept(session, "off name ring, set screws, around, screwdriver");
            assertThat(tickets.world(tickets.open("T-0101")).instrument().joint("name-ring").orElseThrow().hold().said()).as("as it was found, not as it was expected").isEqualTo("set screws");
            kept(session, "undo");
            assertThat(state(tickets).joints().order()).isEmpty();
            assertThat(state(tickets).course().notThere()).as("one line, one undo").hasSize(1);
        }
    }

    /// Ten jobs that never met a joint make it unlikely; ten that did make it sure. Laplace's rule of succession with a prior of two jobs, worked out by hand.
    @Test
    void whatEarlierJobsMetMovesTheChance() {
        Build b = builds().getFirst();
        Joint cell = b.named("front cell").orElseThrow();
        assertThat(b.chance(cell.id())).isEqualTo(0.8);
        assertThat(new Expected(b, World.Seen.NOTHING).chance(cell)).isEqualTo(0.8);
        assertThat(new Expected(b, jobs(new Lesson(List.of(), List.of(), Map.of()))).chance(cell)).isCloseTo(1.6 / 12, within(1e-12));
        assertThat(new Expected(b, jobs(new Lesson(List.of(), List.of("front-cell"), Map.of("front-cell", new Lesson.Met(List.of(), false, false, false, Optional.empty(), Optional.empty()))))).chance(cell)).isCloseTo(11.6 / 12, within(1e-12));
    }

    private static EarlierJobs jobs(Lesson alike) {
        return new EarlierJobs(Collections.nCopies(10, alike));
    }

    /// Nothing loses a reference in passing.
    @Test
    void whatWouldLoseAReferenceWaitsForItsMark() {
        try (Logbook log = Logbook.open(folder.resolve("marks.sqlite"))) {
            SaySession session = new SaySession(new Tickets(log, SHELF, CLOCK, "", "test"), SHELF, CLOCK);
            for (String line : List.of("begin prime, Brook 35 mm f/2.8", "build one helicoid", "stage open", "as expected", "as expected")) {
                kept(session, line);
            }
            assertThat(session.say("as expected").why()).contains("aperture coupling");
            kept(session, "mark aperture coupling at 4");
            kept(session, "as expected");
        }
    }

    /// Of a reference that is lost with a joint it is said so until somebody has marked it.
    @Test
    void aMarkIsAskedForUntilItIsMade() {
        Build b = builds().stream().filter(x -> x.id().equals("prime-one-helicoid")).findFirst().orElseThrow();
        Expected e = new Expected(b, World.Seen.NOTHING);
        Set<String> over = Set.of("mount-screws", "mount");
        assertThat(e.next(Joints.NONE, over)).filteredOn(n -> n.joint().name().equals("aperture ring")).singleElement()
                .satisfies(n -> assertThat(n.marks()).extracting(Instrument.Reference::name).containsExactly("aperture coupling"));
    }

    /// Shims nobody has seen are not put on record because a construction may have them.
    @Test
    void whatNeedNotBeThereIsOnRecordOnlyWhenItIsSaid() {
        Build b = builds().stream().filter(x -> x.id().equals("prime-one-helicoid")).findFirst().orElseThrow();
        Joint mount = b.named("mount").orElseThrow();
        Expected e = new Expected(b, World.Seen.NOTHING);
        assertThat(e.maybe(mount).keySet()).extracting(p -> p.name()).containsExactly("mount shims");
        assertThat(e.met(mount).parts()).containsExactly("mount");
        assertThat(e.met(mount, List.copyOf(e.maybe(mount).keySet())).parts()).containsExactly("mount", "mount shims");
    }

    @Test
    void twoThatComeTogetherAreOneLineAndOneUndo() {
        try (Logbook log = Logbook.open(folder.resolve("together.sqlite"))) {
            Tickets tickets = new Tickets(log, SHELF, CLOCK, "", "test");
            SaySession session = new SaySession(tickets, SHELF, CLOCK);
            for (String line : List.of("begin lens, Brook 35 mm f/2.8", "build one helicoid", "stage open", "as expected and mount with mount shims")) {
                kept(session, line);
            }
            assertThat(state(tickets).joints().order()).containsExactly("mount-screws", "mount");
            assertThat(tickets.world(tickets.open("T-0101")).instrument().joint("mount").orElseThrow().frees()).containsExactly("mount", "mount_shims");
            assertThat(session.say("as expected and teapot").why()).contains("teapot");
            kept(session, "undo");
            assertThat(state(tickets).joints().order()).isEmpty();
        }
    }

    /// Answering what it looks like leaves one construction of four, and never none that fits.
    @Test
    void threeQuestionsTellConstructionsApart() {
        List<Build> lenses = Build.of(builds(), Instrument.Sort.LENS);
        assertThat(Build.answers(lenses, Build.Ask.FRONT)).hasSizeGreaterThan(1);
        for (Build b : builds()) {
            List<Build> ofSort = Build.of(builds(), b.expected().sort());
            Map<Build.Ask, String> answers = new java.util.EnumMap<>(Build.Ask.class);
            for (Build.Ask ask : Build.Ask.values()) {
                answers.put(ask, b.asks().answer(ask));
                assertThat(Build.fitting(ofSort, answers)).contains(b);
            }
            assertThat(Build.fitting(ofSort, answers)).as(b.id()).containsExactly(b);
        }
        assertThat(Build.answers(List.of(lenses.getFirst()), Build.Ask.FRONT)).as("nothing to ask of one").isEmpty();
    }
}
