package stillglass.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.assembly.Instrument;
import stillglass.assembly.Point;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.care.Goods;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.condition.Place;
import stillglass.ticket.facts.Lubricated;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Undo;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Two lenses of a mapped model, cleaned on two days.
class UsedVerbTest {
    @TempDir
    Path folder;

    private final StringWriter err = new StringWriter();

    private String run(String... args) {
        StringWriter out = new StringWriter();
        assertThat(Main.run(new PrintWriter(out), new PrintWriter(err), args)).as(err.toString()).isZero();
        return out.toString();
    }

    @BeforeEach
    void twoTickets() {
        job("T-0101", "2026-03-02T10:00:00Z", false);
        job("T-0102", "2026-05-07T10:00:00Z", true);
    }

    private void job(String number, String day, boolean takenBack) {
        try (Logbook log = Logbook.open(folder.resolve("book.sqlite"))) {
            Tickets tickets = new Tickets(log, new Shelf(), InstantSource.fixed(Instant.parse(day)), "", "test");
            Tickets.Ticket t = tickets.begin(Act.of(new ArrivalIntent.Begin(new Tag(number, "Ostrel 52 mm f/2", "ostrel_52_f2", Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.empty())))).ticket();
            t = act(tickets, t, new CareEvent.PartCleaned("E1", "fungus", "lens-fluid", true));
            t = act(tickets, t, new CareEvent.PartCleaned("E1", "haze", "isopropanol", false));
            if (takenBack) {
                act(tickets, t, new Undo());
            }
        }
    }

    private static Tickets.Ticket act(Tickets tickets, Tickets.Ticket ticket, Intent intent) {
        Tickets.Outcome out = tickets.act(ticket, Act.of(intent), List.of());
        assertThat(out.accepted()).as("%s", out.decision()).isTrue();
        return out.ticket();
    }

    @Test
    void whereAnAgentWentIsListedTheNewestFirstWithoutWhatWasTakenBack() {
        String book = folder.resolve("book.sqlite").toString();
        assertThat(run("used", book).lines()).hasSize(3);
        assertThat(run("used", book).lines().findFirst().orElseThrow()).startsWith("2026-05-07  T-0102").contains("E1");
        assertThat(run("used", book, "ISOPROPANOL").lines()).singleElement().satisfies(l -> assertThat(l).startsWith("2026-03-02  T-0101"));
        assertThat(run("used", book, "batch", "12")).startsWith("nothing of that name");
        JsonNode json = JsonMapper.builder().build().readTree(run("used", book, "--json"));
        assertThat(json.get("used").size()).isEqualTo(3);
        assertThat(json.get("used").get(0).get("gone").asBoolean()).isTrue();
    }

    @Test
    void whatTheShopOwnsIsToldWithWhatIsLeftAndWhatAUseCost() {
        try (Logbook log = Logbook.open(folder.resolve("book.sqlite"))) {
            Tickets tickets = new Tickets(log, new Shelf(), InstantSource.fixed(Instant.parse("2026-06-01T10:00:00Z")), "", "test");
            tickets.keep(Goods.parse("grease light damping, 10 g, batch 12, costs 18\nagent isopropanol, 100 ml"));
            Tickets.Ticket t = tickets.open("T-0101");
            t = act(tickets, t, new JointIntent.Open("name-ring", true));
            t = act(tickets, t, new CareEvent.Flushed(Place.IRIS, "naphtha", Optional.of(false), Optional.empty()));
            act(tickets, t, new JointIntent.Grease("name-ring", Optional.of(250.0), "light damping batch 12"));
        }
        String book = folder.resolve("book.sqlite").toString();
        JsonNode json = JsonMapper.builder().build().readTree(run("used", book, "--json"));
        JsonNode grease = json.get("goods").valueStream().filter(g -> g.get("called").asString().equals("light damping batch 12")).findFirst().orElseThrow();
        assertThat(grease.get("left_at_most").asDouble()).as("a quarter of a gram of ten went").isEqualTo(0.975);
        assertThat(json.get("used").valueStream().filter(u -> u.has("cost"))).singleElement().satisfies(u -> assertThat(u.get("cost").asDouble()).as("at 1.80 the gram").isEqualTo(0.45));
        assertThat(json.get("used").valueStream().map(u -> u.get("where").asString())).as("what was flushed where it sits").contains("iris");
        assertThat(run("used", book, "isopropanol")).contains("owned: agent isopropanol, 100 ml; used 1 times");
    }

    /// Laid, more of it while it ran in, some wiped off again, then a point that takes paste.
    @Test
    void whatIsAddedInRunningInAndWhatGoesToPointsIsCounted() {
        try (Logbook log = Logbook.open(folder.resolve("book.sqlite"))) {
            Tickets tickets = new Tickets(log, new Shelf(), InstantSource.fixed(Instant.parse("2026-06-01T10:00:00Z")), "", "test");
            tickets.keep(Goods.parse("grease light damping, 10 g, batch 12, costs 18\ngrease moly paste, 5 g, costs 20"));
            Tickets.Ticket t = tickets.open("T-0101");
            Lubricated paste = new Lubricated("stop lever", Point.Wants.PASTE, Optional.of("moly paste"));
            Lubricated dry = new Lubricated("blades", Point.Wants.DRY, Optional.of("moly paste"));
            t = act(tickets, t, new JointIntent.Open("name-ring", true));
            t = act(tickets, t, new JointIntent.Note("name-ring", List.of(paste, dry)));
            assertThat(tickets.uses().stream().map(u -> u.use().called())).as("what was found there was not laid here").doesNotContain("moly paste");
            t = act(tickets, t, new JointIntent.Grease("name-ring", Optional.of(50.0), "light damping batch 12"));
            t = act(tickets, t, new CareEvent.GreaseChanged("name-ring", Optional.of(30.0), true));
            t = act(tickets, t, new CareEvent.GreaseChanged("name-ring", Optional.of(-10.0), false));
            t = act(tickets, t, new CareEvent.GreaseChanged("name-ring", Optional.empty(), true));
            t = act(tickets, t, new JointIntent.State("name-ring", paste));
            t = act(tickets, t, new JointIntent.State("name-ring", dry));
            t = act(tickets, t, new CareEvent.GreaseChanged("name-ring", Optional.of(500.0), true));
            act(tickets, t, new Undo());
        }
        String book = folder.resolve("book.sqlite").toString();
        JsonNode json = JsonMapper.builder().build().readTree(run("used", book, "light", "--json"));
        assertThat(json.get("goods").get(0).get("uses").asInt()).isEqualTo(3);
        assertThat(json.get("goods").get(0).get("unweighed").asInt()).isEqualTo(1);
        assertThat(json.get("goods").get(0).get("left_at_most").asDouble()).as("80 mg of 10 g; what was wiped off is gone all the same").isEqualTo(0.992);
        assertThat(run("used", book, "moly").lines()).as("what must stay dry takes none").hasSize(2).first().satisfies(l -> assertThat(l).contains("stop lever"));
    }

    @Test
    void aBookThatIsNotThereIsNamed() {
        StringWriter said = new StringWriter();
        assertThat(Main.run(new PrintWriter(new StringWriter()), new PrintWriter(said), "used", folder.resolve("none.sqlite").toString())).isEqualTo(2);
        assertThat(said.toString()).contains("none.sqlite").contains("there is no such logbook");
    }
}
