package stillglass.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.assembly.ClockPosition;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.ticket.Fact;
import stillglass.ticket.Phase;
import stillglass.ticket.PhotoMark;
import stillglass.ticket.Recorded;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketEvent;

class LogbookTest {
    private static final Instant NOW = Instant.parse("2026-11-24T12:00:00.123456Z");

    @TempDir
    Path folder;

    private static TicketEvent opened(String number) {
        return new TicketEvent.Opened(number, "Ostrel 52 mm f/2", "ostrel_52_f2", "fell_52_f2", "Puppet theatre", LocalDate.of(2026, 12, 4));
    }

    /// One of every kind of event, so that none is forgotten when the format changes.
    static List<TicketEvent> everyKind() {
        Finding f = new Finding(FindingKind.FUNGUS, 0.9, List.of(new Finding.Region(List.of(new Finding.Point(0.1, 0.2), new Finding.Point(0.3, -0.2), new Finding.Point(0, 0)))),
                0.02, 3, 0.1, 0.2, 0.4, 2, List.of("branching"));
        List<TicketEvent> all = new ArrayList<>(List.of(opened("T-1"), new TicketEvent.SymptomNoted("milky, “ä” & 'quotes'"), new TicketEvent.UseNoted("stage"),
                new TicketEvent.OwnerNamed("School club"), new TicketEvent.FunctionChecked(Phase.BEFORE, "iris", "snaps"), new TicketEvent.InfinityMeasured(Phase.AFTER, -0.02, 0.003),
                new TicketEvent.PhotoKept("p1", Phase.BEFORE, true, "as received"),
                new TicketEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(1, 2, 3, 4, 0.5), List.of(f), 0.03, List.of(0.1, 0.2), List.of("no lamp frame")),
                new TicketEvent.FindingRekinded("p1#1", FindingKind.OIL), new TicketEvent.FindingDismissed("p1#1"), new TicketEvent.FindingPlaced("p1#1", 3),
                new TicketEvent.FindingUnplaced("p1#1"), new TicketEvent.DepthRead("p1#1", stillglass.grade.DepthReading.parallax(true, 10, 1.2, 0.1)),
                new TicketEvent.FindingTested("p1#1", "colours", stillglass.grade.CheapTest.Answer.YES, FindingKind.OIL, java.util.Map.of(FindingKind.OIL, 0.75, FindingKind.HAZE, 0.25)),
                new TicketEvent.FindingReshaped("p1#1", f.regions()), new TicketEvent.FindingDrawn("p1+4", "p1", f), new TicketEvent.FindingsMerged("p1#1", "p1#2"),
                new TicketEvent.FindingSplit("p1#1"), new TicketEvent.PhotoFocused("p1", 6.5), new TicketEvent.PhotoTurned("p2", "p1", -12.5, 0.2),
                new TicketEvent.PhotoMarked("p1", 0, new PhotoMark(0.1, 0.2, 0.5, 0.6, "A")), new TicketEvent.PhotoUnmarked("p1", 0),
                new TicketEvent.MisassemblyFound("reverse:E3"), new TicketEvent.AssemblyPutRight(),
                new TicketEvent.GradeOverruled("p1#1", 4, "seen"), new TicketEvent.GoalsChosen(List.of("S2", "E1")),
                new TicketEvent.ModelTaken("ostrel_52_f2", "Ostrel 52 mm f/2", 0.93), new TicketEvent.WayChosen(stillglass.plan.Alternatives.Sort.FROM_REAR), new TicketEvent.OrderChosen(List.of("a", "b")),
                new TicketEvent.ReferenceKept("infinity", "ink", ClockPosition.of(3.5))));
        List<Fact> facts = List.of(new Fact.Facing("E1", true), new Fact.LetGo(ClockPosition.of(4)), new Fact.Turns(3.25), new Fact.Proud(-0.2),
                new Fact.Screw("A1", "slot", 3.2), new Fact.Shims(List.of(0.1, 0.2)), new Fact.Ball(1), new Fact.Spring("thin"), new Fact.Stuck("naphtha", 10),
                new Fact.Photo("p1"), new Fact.Clocked("p2", 7.5, 0.1, 1), new Fact.Note("by somebody"), new Fact.Collar(ClockPosition.of(2.5)), new Fact.BackedOff(15), new Fact.Preload(1.5),
                new Fact.Moved("cam", ClockPosition.of(4)), new Fact.Damaged("slot"), new Fact.Earlier("scribed lines"));
        facts.forEach(x -> all.add(new TicketEvent.FactNoted("ring", x)));
        all.addAll(List.of(new TicketEvent.JointOpened("ring", true), new TicketEvent.PartCleaned("E1", "fungus", "water", false),
                new TicketEvent.TimerSet("t", "soak", NOW), new TicketEvent.TimerCleared("t"), new TicketEvent.FactStated("ring", new Fact.Turns(3), false, "short of home"),
                new TicketEvent.Troubled("ring", stillglass.ticket.Trouble.NOT_AS_DRAWN, "two screws more"), new TicketEvent.Mended("ring"),
                new TicketEvent.JointFound("lid", "lid", "snap", stillglass.assembly.Side.TOP, "fingers", "lid"),
                new TicketEvent.ControlsSet("h"), new TicketEvent.JointRefitted("ring", "h"), new TicketEvent.JointTakenOff("ring"), new TicketEvent.JointZeroed("ring"),
                new TicketEvent.Greased("h", 120, "light"), new TicketEvent.JointClosed("ring", true), new TicketEvent.JointTightened("ring"),
                new TicketEvent.TestPassed("ring", "clicks"), new TicketEvent.ShimsFitted(List.of(0.2)), new TicketEvent.Overruled("ledger", "replaced"),
                new TicketEvent.StageDone(Stage.CLOSE), new TicketEvent.ReportSigned("M.", NOW), new TicketEvent.LineKept("as typed"), new TicketEvent.Undone(3)));
        return all;
    }

    private static Stream<Class<?>> kinds(Class<?> of) {
        return of.isSealed() ? Stream.of(of.getPermittedSubclasses()).flatMap(LogbookTest::kinds) : Stream.of(of);
    }

    @Test
    void everyKindOfEventComesBackAsItWent() {
        List<TicketEvent> all = everyKind();
        assertThat(all.stream().<Class<?>>map(Object::getClass).collect(Collectors.toSet())).as("one of each").isEqualTo(kinds(TicketEvent.class).collect(Collectors.toSet()));
        try (Logbook log = Logbook.open(folder.resolve("a.sqlite"))) {
            log.append("T-1", 1, NOW, all, List.of());
        }
        try (Logbook again = Logbook.open(folder.resolve("a.sqlite"))) {
            assertThat(again.story("T-1")).extracting(Recorded::event).containsExactlyElementsOf(all);
            assertThat(again.story("T-1")).extracting(Recorded::at).containsOnly(NOW);
        }
    }

    @Test
    void ticketsAreListedInTheOrderTheyCame() {
        try (Logbook log = Logbook.open(folder.resolve("b.sqlite"))) {
            log.append("T-9", 1, NOW, List.of(opened("T-9")), List.of());
            log.append("T-2", 1, NOW, List.of(opened("T-2")), List.of());
            log.append("T-9", 2, NOW, List.of(new TicketEvent.UseNoted("x")), List.of());

            assertThat(log.tickets()).containsExactly("T-9", "T-2");
            assertThat(log.story("T-2")).hasSize(1);
            assertThat(log.story("T-404")).isEmpty();
        }
    }

    @Test
    void photosAreKeptByteForByteWithTheirIntent() {
        byte[] bytes = {1, 2, 3, -1};
        try (Logbook log = Logbook.open(folder.resolve("c.sqlite"))) {
            log.append("T-1", 1, NOW, List.of(opened("T-1")), List.of(new Logbook.PhotoBytes("p1", "a.png", bytes)));

            assertThat(log.photo("T-1", "p1").orElseThrow().bytes()).isEqualTo(bytes);
            assertThat(log.photo("T-1", "p2")).isEmpty();
            assertThat(log.photo("T-2", "p1")).as("photos belong to their ticket").isEmpty();
        }
    }

    @Test
    void anIntentIsKeptWholeOrNotAtAll() {
        try (Logbook log = Logbook.open(folder.resolve("d.sqlite"))) {
            Logbook.PhotoBytes photo = new Logbook.PhotoBytes("p1", "a.png", new byte[] {1});
            log.append("T-1", 1, NOW, List.of(opened("T-1")), List.of(photo));
            // The same photo id again breaks the second intent after its first row was written.
            assertThatThrownBy(() -> log.append("T-1", 2, NOW, List.of(new TicketEvent.UseNoted("lost")), List.of(
                            new Logbook.PhotoBytes("p2", "b.png", new byte[] {2}), photo)))
                    .isInstanceOf(BookTrouble.class);

            assertThat(log.story("T-1")).hasSize(1);
            assertThat(log.photo("T-1", "p2")).isEmpty();
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
    void theFolderIsMadeWhenItIsMissing() {
        Path deep = folder.resolve("not/yet/there/book.sqlite");
        Logbook.open(deep).close();

        assertThat(deep).exists();
    }

    @Test
    void aFileThatIsNoLogbookIsLeftAlone() throws Exception {
        Path text = folder.resolve("letter.txt");
        Files.writeString(text, "Dear owner, ".repeat(200));

        assertThatThrownBy(() -> Logbook.open(text)).isInstanceOf(BookTrouble.class).hasMessageContaining("is not a Still Glass logbook");
        assertThat(Files.readString(text)).startsWith("Dear owner");
    }

    @Test
    void aFolderThatCannotBeMadeIsSaid() throws Exception {
        Path file = folder.resolve("plain");
        Files.writeString(file, "x");

        assertThatThrownBy(() -> Logbook.open(file.resolve("book.sqlite"))).isInstanceOf(BookTrouble.class);
    }

    @Test
    void anEntryOfANewerVersionIsNotTakenForOurs() {
        assertThatThrownBy(() -> EventJson.read("{\"type\":\"Levitated\",\"height\":3}")).isInstanceOf(BookTrouble.class).hasMessageContaining("cannot read");
        assertThatThrownBy(() -> EventJson.read("{\"type\":\"UseNoted\",\"text\":\"a\",\"colour\":\"b\"}")).isInstanceOf(BookTrouble.class);
    }
}
