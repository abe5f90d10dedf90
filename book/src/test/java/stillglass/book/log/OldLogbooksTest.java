package stillglass.book.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.ticket.TicketState;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.facts.FactKinds;
import stillglass.ticket.joints.JointEvent;
import stillglass.ticket.joints.JointStory;
import stillglass.ticket.joints.ShimStack;
import stillglass.ticket.proof.ProofEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

/// Logbooks that earlier versions wrote open for ever. Each file here was written by the program of its time, with what that program folded from it beside it.
class OldLogbooksTest {
    private static final InstantSource CLOCK = InstantSource.fixed(Instant.parse("2026-11-28T09:00:00Z"));

    @TempDir
    Path folder;

    private Path file = Path.of("");

    @BeforeEach
    void unpack() throws Exception {
        file = folder.resolve("v1.sqlite");
        try (InputStream in = new GZIPInputStream(Objects.requireNonNull(OldLogbooksTest.class.getResourceAsStream("/stillglass/book/logbooks/v1.sqlite.gz")))) {
            Files.copy(in, file);
        }
    }

    private static Tickets tickets(Logbook log, Shelf shelf) {
        return new Tickets(log, shelf, CLOCK, "", "bench");
    }

    @Test
    void theFirstVersionFoldsToWhatItFoldedToThen() throws Exception {
        List<String> expected;
        try (InputStream in = Objects.requireNonNull(OldLogbooksTest.class.getResourceAsStream("/stillglass/book/logbooks/v1.txt"))) {
            expected = new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
        }
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = tickets(log, new Shelf());
            List<String> told = new ArrayList<>();
            for (String number : List.of("T-0142", "T-0144", "T-0147")) {
                Tickets.Ticket t = tickets.open(number);
                assertThat(t.trouble()).isEmpty();
                told.addAll(dump(t.state(), tickets.world(t).instrument()));
            }
            assertThat(told).containsExactlyElementsOf(expected);
        }
    }

    @Test
    void itsTicketsAreListedFoundAndWorkedOn() {
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = tickets(log, new Shelf());
            assertThat(log.counts().tickets()).isEqualTo(7);
            assertThat(log.list(0, 20)).extracting(l -> l.card().number()).contains("T-0142", "T-0147", "T-9000");
            assertThat(log.search("puppet ostrel", 10)).extracting(l -> l.card().number()).contains("T-0142");

            Tickets.Outcome done = tickets.act(tickets.open("T-0144"), Act.of(new ArrivalEvent.SymptomNoted("and it squeaks")), List.of());
            assertThat(done.accepted()).isTrue();
            assertThat(tickets.act(done.ticket(), Act.of(new Undo()), List.of()).ticket().state().arrival().symptoms()).hasSize(2);
        }
        try (Logbook again = Logbook.open(file)) {
            assertThat(again.story("T-0144", 0).trouble()).isEmpty();
        }
    }

    /// One of every kind of event there was, each an act of its own.
    @Test
    void everyKindOfEventOfTheFirstVersionIsRead() {
        try (Logbook log = Logbook.open(file)) {
            Logbook.Told told = log.story("T-9000", 0);

            assertThat(told.trouble()).isEmpty();
            assertThat(told.rows()).hasSizeGreaterThan(60);
            assertThat(told.rows()).extracting(Recorded::seq).isSorted().doesNotHaveDuplicates();
            assertThat(told.rows()).extracting(r -> r.event().getClass()).hasSizeGreaterThan(40);
            assertThat(told.rows().stream().map(Recorded::event).filter(JointEvent.Noted.class::isInstance)
                    .map(e -> FactKinds.of(((JointEvent.Noted) e).fact()).name()).distinct()).as("kinds of fact").hasSizeGreaterThan(15);
        }
    }

    private static List<String> dump(TicketState s, Instrument instrument) {
        List<String> out = new ArrayList<>();
        Tag tag = s.tag();
        out.add(String.join(" | ", "ticket " + tag.number(), tag.title(), tag.owner().orElse("-"), tag.due().map(Object::toString).orElse("-"), tag.instrumentId(), tag.sectionId().orElse("-")));
        out.add("symptoms " + s.arrival().symptoms() + " | use " + s.arrival().use());
        for (Phase p : List.of(Phase.BEFORE, Phase.AFTER)) {
            out.add(p + " iris " + s.readings().check(p, "iris").orElse("-") + " | feel " + s.readings().check(p, "feel").orElse("-") + " | infinity "
                    + s.readings().infinity(p).map(Readings.Infinity::read).map(i -> i.errorMm() + " ± " + i.uncertaintyMm()).orElse("-"));
        }
        s.glass().all().forEach(p -> out.add("photo " + p.id() + " " + p.kept().phase() + " " + p.kept().caption() + " graded " + p.graded().isPresent() + " marks " + s.glass().marks(p.id()).size()));
        s.glass().findings().forEach(k -> out.add("finding " + k.id() + " " + k.finding().kind() + " on " + k.surface().map(Object::toString).orElse("-") + " depths " + k.depths().size()));
        out.add("assembly " + s.glass().assembly() + " found " + s.glass().assemblyFound());
        out.add("goals " + s.course().goals() + " way " + s.course().way() + " order " + s.course().order());
        out.add("opened " + s.joints().order());
        out.add("closed " + s.joints().closed().stream().sorted().toList() + " loose " + List.copyOf(s.joints().loose()) + " open now " + List.copyOf(s.joints().openNow()));
        s.joints().order().forEach(id -> out.add(joint(s.joints().story(id), s.joints().passed(id))));
        s.joints().references().values().stream().map(r -> "reference " + r.reference() + " at " + r.at().map(a -> a.toString().replace(" o'clock", "")).orElse("-")).sorted().forEach(out::add);
        s.care().cleaned().forEach(c -> out.add("cleaned " + c.part() + " " + c.soil() + " " + c.agent() + " " + c.gone()));
        ShimStack.ofInfinity(s.joints(), instrument).filter(x -> x.totalFoundMm().isPresent())
                .ifPresent(x -> out.add("shims found " + x.totalFoundMm().orElseThrow() + " now " + x.totalNowMm().orElseThrow()));
        out.add("overruled " + s.course().overruled());
        Arrays.stream(Stage.values()).forEach(st -> out.add("stage " + st + " done " + s.done(st) + " begun " + s.begun(st)));
        out.add("signed " + s.proof().signed(s.joints()).map(ProofEvent.Signed::by).orElse("-"));
        return out;
    }

    private static String joint(JointStory j, boolean tried) {
        double greased = Stream.concat(j.past().stream(), Stream.of(j.closing())).flatMap(c -> c.greased().stream()).flatMap(g -> g.massMg().stream()).mapToDouble(m -> m).sum();
        return "joint " + j.joint() + ": " + j.facts().size() + " facts, " + j.closing().statements().size() + " stated, greased " + greased + ", tried " + tried;
    }
}
