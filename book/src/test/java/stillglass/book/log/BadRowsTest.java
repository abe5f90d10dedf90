package stillglass.book.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Act;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/// Rows of a logbook that no program of ours has written: their ticket says so, and the others go on.
class BadRowsTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @TempDir
    Path folder;

    private Path file;

    @BeforeEach
    void book() {
        file = folder.resolve("book.sqlite");
        try (Logbook log = Logbook.open(file)) {
            begin(log, "T-1", "tarn_50_f35");
            begin(log, "T-2", "tarn_50_f35");
        }
    }

    private static Tickets tickets(Logbook log) {
        return new Tickets(log, new Shelf(), InstantSource.system(), "", "test");
    }

    private static void begin(Logbook log, String number, String section) {
        assertThat(tickets(log).begin(Act.of(new ArrivalIntent.Begin(new Tag(number, "Brook", "own-brook", Instrument.Sort.LENS, Optional.of(section), Optional.empty(), Optional.empty())))).accepted()).isTrue();
    }

    private void row(String name, int version, String body) throws Exception {
        sql("INSERT INTO happened (ticket, seq, act, author, bench, at, name, version, body) SELECT 'T-1', max(seq) + 1, max(act) + 1, '', '', '2026-11-24T12:00:00Z', ?, " + version
                + ", ? FROM happened WHERE ticket = 'T-1'", name, body);
    }

    private void sql(String statement, String... values) throws Exception {
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); PreparedStatement s = c.prepareStatement(statement)) {
            for (int i = 0; i < values.length; i++) {
                s.setString(i + 1, values[i]);
            }
            s.execute();
        }
    }

    private void theOtherTicketGoesOn(Logbook log) {
        Tickets tickets = tickets(log);
        Tickets.Ticket two = tickets.open("T-2");
        assertThat(two.trouble()).isEmpty();
        assertThat(tickets.act(two, Act.of(new ArrivalEvent.SymptomNoted("milky")), List.of()).accepted()).isTrue();
        assertThat(log.list(0, 9)).hasSize(2);
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        "finding-placed;{\"findingId\":\"p#1\",\"surface\":99};surface 100",
        "finding-placed;{\"findingId\":\"p#1\",\"surface\":-1};surface 0",
        "finding-placed;{\"findingId\":\"p#1\"};without “surface”",
        "finding-placed;{\"surface\":1};findingId",
        "finding-placed;{\"findingId\":\"p#1\",\"surface\":2147483648};cannot be read",
        "symptom-noted;{\"text\":null};text",
        "symptom-noted;[];cannot be read",
        "photo-focused;{\"photoId\":\"p\",\"depthMm\":1e9};out of range"})
    void aRowThatMakesNoSenseIsSaidByItsTicket(String name, String body, String why) throws Exception {
        row(name, 1, body);
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = tickets(log);
            Tickets.Ticket one = tickets.open("T-1");
            assertThat(one.trouble()).isPresent().get().asString().contains("of ticket T-1").contains(why);
            assertThat(one.state().tag().title()).as("shown as far as it can be read").isEqualTo("Brook");
            assertThat(tickets.act(one, Act.of(new ArrivalEvent.SymptomNoted("x")), List.of()).accepted()).isFalse();
            theOtherTicketGoesOn(log);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"no_such_lens", "../../../../etc/passwd", "..\\..\\x", "tarn_50_f35\u0000", "/dev/zero", ""})
    void aSectionThatIsNotThereIsUnknown(String section) {
        try (Logbook log = Logbook.open(file)) {
            begin(log, "T-3", section);
            Tickets tickets = tickets(log);
            Tickets.Ticket three = tickets.open("T-3");
            assertThat(tickets.section(three.state())).isEmpty();
            assertThatCode(() -> tickets.world(three)).doesNotThrowAnyException();
        }
    }

    @Test
    void aKeptSectionThatIsDamagedIsSaid() {
        try (Logbook log = Logbook.open(file)) {
            log.remember("section own-7", "{\"name\": \"torn");
            begin(log, "T-3", "own-8");
            begin(log, "T-4", "own-9");
            log.remember("section own-8", "{\"name\": \"torn");
            Tickets.Ticket three = tickets(log).open("T-3");
            assertThat(three.trouble()).isPresent().get().asString().contains("section of ticket T-3");
            assertThat(tickets(log).open("T-4").trouble()).isEmpty();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"UPDATE ticket SET stage = 'LEVITATE' WHERE number = 'T-1'", "UPDATE ticket SET due = 'soon' WHERE number = 'T-1'", "UPDATE ticket SET changed = '' WHERE number = 'T-1'",
        "UPDATE ticket SET sort = 'BOAT', done = 'x' WHERE number = 'T-1'", "INSERT INTO timer VALUES ('T-1', 'a', '{', 'never')", "INSERT INTO lesson VALUES ('T-1', 'own-brook', NULL, '{\"a\":1}')"})
    void listsThatCannotBeReadDoNotStopTheBook(String damage) throws Exception {
        sql(damage);
        try (Logbook log = Logbook.open(file)) {
            assertThat(log.clocks()).isEmpty();
            assertThat(tickets(log).open("T-1").trouble()).isEmpty();
            theOtherTicketGoesOn(log);
            assertThat(log.list(0, 9)).extracting(l -> l.card().number()).containsExactlyInAnyOrder("T-1", "T-2");
        }
    }

    /// Every kind of event with one value of it taken away or made something else.
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void noDamagedRowThrowsPastTheTicket(int seed) throws Exception {
        Random random = new Random(seed);
        List<EventJson.Stored> all = new ArrayList<>(new Samples(true).events().stream().map(EventJson::write).toList());
        try (Logbook log = Logbook.open(file)) {
            for (int i = 0; i < 60; i++) {
                EventJson.Stored whole = all.get(random.nextInt(all.size()));
                ObjectNode body = (ObjectNode) JSON.readTree(whole.body());
                damage(body, random);
                String damaged = body.toString();
                row(whole.name(), whole.version(), damaged);
                Tickets tickets = tickets(log);
                assertThatCode(() -> {
                    Tickets.Ticket t = tickets.open("T-1");
                    tickets.world(t);
                    tickets.act(t, Act.of(new ArrivalEvent.SymptomNoted("x")), List.of());
                }).as("seed %d, %s %s", seed, whole.name(), damaged).doesNotThrowAnyException();
                sql("DELETE FROM happened WHERE ticket = 'T-1' AND seq > 1");
            }
            theOtherTicketGoesOn(log);
        }
    }

    private static void damage(ObjectNode node, Random random) {
        List<String> names = new ArrayList<>(node.propertyNames());
        if (names.isEmpty()) {
            return;
        }
        String name = names.get(random.nextInt(names.size()));
        JsonNode value = node.get(name);
        if (value instanceof ObjectNode deeper && !deeper.isEmpty() && random.nextBoolean()) {
            damage(deeper, random);
            return;
        }
        switch (random.nextInt(7)) {
            case 0 -> node.remove(name);
            case 1 -> node.putNull(name);
            case 2 -> node.put(name, -1);
            case 3 -> node.put(name, 2147483648L);
            case 4 -> node.put(name, "\u0000../..\n");
            case 5 -> node.putArray(name).addNull();
            default -> node.put(name, 1e300);
        }
    }
}
