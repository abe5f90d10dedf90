package stillglass.book.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instrument;
import stillglass.assembly.Side;
import stillglass.book.BookTrouble;
import stillglass.book.data.Shelf;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.ShopTeaching;
import stillglass.say.Said;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.FactKinds;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.joints.JointEvent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.joints.Lesson;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

class LogbookTest {
    private static final InstantSource CLOCK = InstantSource.fixed(Samples.NOW);
    private static final Shelf SHELF = new Shelf();

    @TempDir
    Path folder;

    private Tickets tickets(Logbook log, String bench) {
        Tickets t = new Tickets(log, SHELF, CLOCK, "M. Rook", bench);
        t.present();
        return t;
    }

    private static Tag tag(String number, String title, Optional<LocalDate> due) {
        return new Tag(number, title, "own-" + title, Instrument.Sort.LENS, Optional.empty(), Optional.of("Puppet theatre"), due);
    }

    private static Tickets.Ticket begun(Tickets tickets, String number, Intent... more) {
        List<Intent> intents = new ArrayList<>(List.of(new ArrivalIntent.Begin(tag(number, "Brook 35 mm", Optional.of(LocalDate.of(2026, 12, 4))))));
        intents.addAll(List.of(more));
        Tickets.Outcome o = tickets.begin(new Act(intents));
        assertThat(o.accepted()).isTrue();
        return o.ticket();
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void everyKindOfEventAndFactComesBackAsItWent(boolean full) {
        List<Event> all = new Samples(full).events();
        assertThat(all).hasSizeGreaterThan(80);
        for (Event e : all) {
            assertThat(EventJson.read(EventJson.write(e))).as("%s", e).isEqualTo(e);
        }
        Set<String> facts = new HashSet<>();
        all.stream().filter(JointEvent.Noted.class::isInstance).forEach(e -> facts.add(FactKinds.of(((JointEvent.Noted) e).fact()).name()));
        assertThat(facts).hasSameSizeAs(FactKinds.all());
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"levitated;1;{};levitated", "use-noted;9;{\"text\":\"a\"};newer", "use-noted;1;{\"text\":\"a\",\"colour\":\"b\"};colour", "use-noted;1;[;cannot be read",
        "fact-noted;1;{\"joint\":\"a\",\"fact\":{\"kind\":\"aura\",\"version\":1}};aura", "fact-noted;1;{\"joint\":\"a\",\"fact\":{\"kind\":\"turns\",\"version\":1,\"turns\":\"NaN\"}};turns"})
    void whatThisVersionCannotReadIsSaid(String name, int version, String body, String why) {
        assertThatThrownBy(() -> EventJson.read(new EventJson.Stored(name, version, body))).isInstanceOf(Unreadable.class).hasMessageContaining(why);
    }

    @Test
    void whatWasToldIsThereWhenTheBookIsOpenedAgain() {
        Path file = folder.resolve("a.sqlite");
        List<Recorded> told;
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = tickets(log, "a");
            Tickets.Ticket t = begun(tickets, "T-1", new ArrivalEvent.SymptomNoted("milky, “ä” & 'quotes'"));
            told = tickets.act(t, Act.of(new JointIntent.Find("Name ring", Optional.empty(), Side.FRONT, Optional.empty(), List.of(), true)), List.of()).ticket().story().rows();
        }
        try (Logbook again = Logbook.open(file)) {
            assertThat(again.story("T-1", 0).rows()).isEqualTo(told);
            assertThat(again.story("T-1", 2).rows()).isEqualTo(told.subList(2, told.size()));
            assertThat(again.story("T-404", 0).rows()).isEmpty();
            assertThat(again.numbers()).containsExactly("T-1");
            assertThat(told).extracting(Recorded::author).containsOnly("M. Rook");
        }
    }

    @Test
    void photosAreKeptByteForByteWithTheirActAndBelongToTheirTicket() {
        byte[] bytes = {1, 2, 3, -1};
        try (Logbook log = Logbook.open(folder.resolve("c.sqlite"))) {
            Tickets tickets = tickets(log, "a");
            Tickets.Ticket t = begun(tickets, "T-1");
            begun(tickets, "T-2");
            tickets.act(t, Act.of(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE)), List.of(new Logbook.PhotoBytes("p1", "a.png", bytes)));

            assertThat(log.photo("T-1", "p1").orElseThrow().bytes()).isEqualTo(bytes);
            assertThat(log.photo("T-1", "p2")).isEmpty();
            assertThat(log.photo("T-2", "p1")).isEmpty();
        }
    }

    @Test
    void anActIsKeptWholeOrNotAtAll() {
        try (Logbook log = Logbook.open(folder.resolve("d.sqlite"))) {
            Tickets tickets = tickets(log, "a");
            Logbook.PhotoBytes photo = new Logbook.PhotoBytes("p1", "a.png", new byte[] {1});
            Tickets.Ticket t = tickets.act(begun(tickets, "T-1"), Act.of(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE)), List.of(photo)).ticket();
            // The same photo id again breaks the act after its first rows were written.
            assertThatThrownBy(() -> tickets.act(t, Act.of(new ArrivalEvent.UseNoted("lost")), List.of(new Logbook.PhotoBytes("p2", "b.png", new byte[] {2}), photo)))
                    .isInstanceOf(BookTrouble.class);

            assertThat(log.story("T-1", 0).rows()).hasSize(2);
            assertThat(log.photo("T-1", "p2")).isEmpty();
            assertThat(log.search("lost", 5)).isEmpty();
        }
    }

    @Test
    void aTakenNumberIsRefusedAndTheNextIsFound() {
        try (Logbook log = Logbook.open(folder.resolve("n.sqlite"))) {
            Tickets tickets = tickets(log, "a");
            begun(tickets, "T-1");
            Tickets.Outcome again = tickets.begin(Act.of(new ArrivalIntent.Begin(tag("T-1", "Another", Optional.empty()))));
            assertThat(again.accepted()).isFalse();
            assertThat(log.story("T-1", 0).rows()).hasSize(1);

            begun(tickets, "T-0250");
            Tickets.Outcome next = tickets.beginNext(n -> Act.of(new ArrivalIntent.Begin(tag(n, "Next", Optional.empty()))));
            assertThat(next.ticket().number()).isEqualTo("T-0251");
        }
    }

    /// Two windows on one book: each decides on what the ticket has become, neither overwrites nor takes back what the other did.
    @Test
    void twoBenchesWorkOnOneTicket() {
        Path file = folder.resolve("two.sqlite");
        try (Logbook one = Logbook.open(file); Logbook two = Logbook.open(file)) {
            Tickets first = tickets(one, "first");
            Tickets second = tickets(two, "second");
            first.present();
            Tickets.Ticket stale = begun(first, "T-1");
            Tickets.Ticket other = second.open("T-1");
            long before = two.changed();
            Tickets.Ticket mine = first.act(stale, Act.of(new ArrivalEvent.SymptomNoted("one")), List.of()).ticket();
            assertThat(two.changed()).as("the second window notices").isNotEqualTo(before);

            Tickets.Outcome decidedOnOldState = second.act(other, Act.of(new ArrivalEvent.SymptomNoted("two")), List.of());
            assertThat(decidedOnOldState.accepted()).isTrue();
            assertThat(decidedOnOldState.ticket().state().arrival().symptoms()).containsExactly("one", "two");

            Tickets.Ticket afterUndo = first.act(mine, Act.of(new Undo()), List.of()).ticket();
            assertThat(afterUndo.state().arrival().symptoms()).containsExactly("two");
            assertThat(first.act(afterUndo, Act.of(new Undo()), List.of()).accepted()).as("what is left is the other's").isFalse();
            assertThat(second.refreshed(other).state().arrival().symptoms()).containsExactly("two");
        }
    }

    /// An act decided on an old version is decided again: what was allowed then may not be now.
    @Test
    void aClashIsDecidedAgain() {
        Path file = folder.resolve("clash.sqlite");
        try (Logbook one = Logbook.open(file); Logbook two = Logbook.open(file)) {
            Tickets first = tickets(one, "first");
            Tickets second = tickets(two, "second");
            JointIntent off = new JointIntent.Find("Ring", Optional.empty(), Side.FRONT, Optional.empty(), List.of(), true);
            Tickets.Ticket t = begun(first, "T-1");
            Tickets.Ticket stale = second.open("T-1");
            assertThat(first.act(t, Act.of(off), List.of()).accepted()).isTrue();
            assertThat(second.act(stale, Act.of(off), List.of()).decision()).as("it is off already").isInstanceOf(Decision.Refused.class);
            assertThat(one.story("T-1", 0).rows()).extracting(Recorded::seq).doesNotHaveDuplicates().hasSize(3);
        }
    }

    @Test
    void theBookListsWhatIsDueFirstAndFindsByBeginningsOfWords() {
        try (Logbook log = Logbook.open(folder.resolve("list.sqlite"))) {
            Tickets tickets = tickets(log, "a");
            begun(tickets, "T-1", new ArrivalEvent.SymptomNoted("Éraflures on the front glass"));
            tickets.begin(Act.of(new ArrivalIntent.Begin(tag("T-2", "Tarn 50 mm", Optional.of(LocalDate.of(2026, 12, 1))))));
            tickets.begin(Act.of(new ArrivalIntent.Begin(tag("T-3", "Rill 57 mm", Optional.empty()))));

            assertThat(log.list(0, 10)).extracting(l -> l.card().number()).containsExactly("T-2", "T-1", "T-3");
            assertThat(log.list(1, 1)).extracting(l -> l.card().number()).containsExactly("T-1");
            assertThat(log.counts()).isEqualTo(new Logbook.Counts(3, 0, Optional.of("2026-12-01"), 3));
            assertThat(log.search("erafl glas", 10)).as("beginnings, without accents").extracting(l -> l.card().number()).containsExactly("T-1");
            assertThat(log.search("puppet tar", 10)).extracting(l -> l.card().number()).containsExactly("T-2");
            assertThat(log.search("T-3", 10)).extracting(l -> l.card().number()).contains("T-3");
            assertThat(log.search("nothing", 10)).isEmpty();
            for (String odd : List.of("\"", "*", "a OR b", "NEAR(", "(", "^a", "-", "'; drop table ticket; --", " ")) {
                assertThat(log.search(odd, 10)).as(odd).isNotNull();
            }
            assertThat(log.counts().tickets()).isEqualTo(3);
        }
    }

    @Test
    void clocksOfAllTicketsAreToldByWhenTheyEnd() {
        try (Logbook log = Logbook.open(folder.resolve("clock.sqlite"))) {
            Tickets tickets = tickets(log, "a");
            Instant noon = Samples.NOW;
            Tickets.Ticket t = begun(tickets, "T-1", new CareEvent.TimerSet("soak", Said.text("later"), noon.plusSeconds(90)));
            begun(tickets, "T-2", new CareEvent.TimerSet("dry", Said.of("fact.stuck.label.bare", "joint", "ring"), noon.plusSeconds(30)));
            assertThat(log.clocks()).extracting(Logbook.Clock::ticket).containsExactly("T-2", "T-1");
            assertThat(log.clocks().getFirst().timer().label()).isEqualTo(Said.of("fact.stuck.label.bare", "joint", "ring"));

            tickets.act(t, Act.of(new CareEvent.TimerCleared("soak")), List.of());
            assertThat(log.clocks()).extracting(Logbook.Clock::ticket).containsExactly("T-2");
        }
    }

    @Test
    void agreementIsKeptWithTheTickets() {
        try (Logbook log = Logbook.open(folder.resolve("agree.sqlite"))) {
            Tickets tickets = tickets(log, "a");
            Finding dust = new Finding(FindingKind.DUST, 0.9, List.of(), 0.01, 1, 0, 0, 0.4, 1, List.of());
            Tickets.Ticket t = begun(tickets, "T-1", new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE),
                    new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(1, 1, 1, 1, 0), List.of(dust), 0, List.of(), List.of()));
            assertThat(tickets.agreement().findings()).as("not looked at yet").isZero();
            Tickets.Ticket changed = tickets.act(t, Act.of(new GlassIntent.Rekind("p1#1", FindingKind.OIL), new CourseIntent.FinishStage(Stage.LOOK, Optional.empty())), List.of()).ticket();
            assertThat(tickets.agreement().findings()).isEqualTo(1);
            assertThat(tickets.agreement().same()).isZero();
            tickets.act(changed, Act.of(new Undo()), List.of());
            assertThat(tickets.agreement().findings()).as("taken back").isZero();
        }
    }

    @Test
    void whatWasJudgedIsKeptByCameraAndLight() {
        try (Logbook log = Logbook.open(folder.resolve("judged.sqlite"))) {
            Tickets tickets = tickets(log, "a");
            Finding dust = new Finding(FindingKind.DUST, 0.9, List.of(), 0.01, 1, 0, 0, 0.4, 1, List.of());
            for (String number : List.of("T-1", "T-2")) {
                Tickets.Ticket t = begun(tickets, number, new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Optional.of(Source.FILE), Optional.empty(), Optional.of("Pellam P1")),
                        new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(1, 1, 1, 1, 0), List.of(dust), 0, List.of(), List.of()));
                tickets.act(t, Act.of(new GlassIntent.Severe("p1#1", 3), new CourseIntent.FinishStage(Stage.LOOK, Optional.empty())), List.of());
            }
            ShopTeaching.Taken phone = ShopTeaching.Taken.with(Optional.of("Pellam P1"), Lighting.AGAINST);
            assertThat(tickets.teaching()).isEqualTo(new ShopTeaching(List.of(new ShopTeaching.Judged(phone, FindingKind.DUST, FindingKind.DUST, 2)), List.of(new ShopTeaching.Severe(phone, FindingKind.DUST, 1, 3, 2))));
            assertThat(tickets.agreement().same()).isEqualTo(2);
        }
    }

    /// One unreadable row: that ticket is told up to it, all others work.
    @Test
    void aRowThatCannotBeReadSpoilsOnlyWhatFollowsIt() throws Exception {
        Path file = folder.resolve("torn.sqlite");
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = tickets(log, "a");
            Tickets.Ticket t = begun(tickets, "T-1", new ArrivalEvent.SymptomNoted("one"));
            tickets.act(tickets.act(t, Act.of(new ArrivalEvent.SymptomNoted("two")), List.of()).ticket(), Act.of(new ArrivalEvent.SymptomNoted("three")), List.of());
            begun(tickets, "T-2");
        }
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); Statement s = c.createStatement()) {
            assertThat(s.executeUpdate("UPDATE happened SET body = '{\"text\":' WHERE ticket = 'T-1' AND seq = 3")).isEqualTo(1);
        }
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = tickets(log, "b");
            Tickets.Ticket torn = tickets.open("T-1");
            assertThat(torn.state().arrival().symptoms()).containsExactly("one");
            assertThat(torn.trouble()).hasValueSatisfying(w -> assertThat(w).contains("Row 3").contains("T-1").contains("nothing was changed"));
            assertThat(tickets.act(torn, Act.of(new ArrivalEvent.SymptomNoted("four")), List.of()).accepted()).as("nothing is written over what cannot be read").isFalse();
            assertThat(log.list(0, 10)).hasSize(2);
            assertThat(tickets.act(tickets.open("T-2"), Act.of(new ArrivalEvent.SymptomNoted("fine")), List.of()).accepted()).isTrue();
        }
    }

    /// What one job found, the next one knows.
    @Test
    void aJobTeachesTheNextOnTheSameModel() {
        try (Logbook log = Logbook.open(folder.resolve("learn.sqlite"))) {
            Tickets tickets = tickets(log, "a");
            tickets.act(begun(tickets, "T-1"), Act.of(new JointIntent.Find("Name ring", Optional.of("thread"), Side.FRONT, Optional.empty(), List.of(), true)), List.of());
            Tickets.Ticket next = begun(tickets, "T-2");

            assertThat(tickets.world(next).instrument().joints()).extracting(j -> j.id()).containsExactly("name-ring");
            Fact screw = new Screw("X1", Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
            assertThat(tickets.act(next, Act.of(new JointIntent.Note("name-ring", List.of(screw))), List.of()).accepted()).isTrue();
        }
    }

    @Test
    void settingsAreRememberedAndReplaced() {
        try (Logbook log = Logbook.open(folder.resolve("e.sqlite"))) {
            assertThat(log.setting("scale")).isEmpty();
            log.remember("scale", "1.1");
            log.remember("scale", "1.2");
            assertThat(log.setting("scale")).contains("1.2");
        }
    }

    @Test
    void theFolderIsMadeWhenItIsMissingAndAFileThatIsNoLogbookIsLeftAlone() throws Exception {
        Path deep = folder.resolve("not").resolve("yet").resolve("there").resolve("book.sqlite");
        Logbook.open(deep).close();
        assertThat(deep).exists();

        Path text = folder.resolve("letter.txt");
        Files.writeString(text, "Dear owner, ".repeat(200));
        assertThatThrownBy(() -> Logbook.open(text)).isInstanceOf(BookTrouble.class).hasMessageContaining("is not a Still Glass logbook");
        assertThat(Files.readString(text)).startsWith("Dear owner");
        assertThatThrownBy(() -> Logbook.open(text.resolve("book.sqlite"))).isInstanceOf(BookTrouble.class);
    }

    /// Lessons kept before things that fell were counted: they fell in none.
    @Test
    void aLessonOfBeforeIsRead() {
        Lesson old = EventJson.mapper().readValue("{\"found\":[],\"order\":[\"mount\"],\"met\":{\"mount\":{\"facts\":[],\"stuck\":true,\"minutes\":2.5,\"grease\":null}}}", Lesson.class);
        assertThat(old.met().get("mount")).isEqualTo(new Lesson.Met(List.of(), true, false, false, Optional.of(2.5), Optional.empty()));
    }
}
