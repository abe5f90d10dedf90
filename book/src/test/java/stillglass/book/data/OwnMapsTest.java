package stillglass.book.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.MergedMap;
import stillglass.book.BadInput;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.book.say.SaySession;

class OwnMapsTest {
    @TempDir
    private Path shop;

    private final AtomicLong seconds = new AtomicLong();
    private final InstantSource clock = () -> Instant.parse("2026-11-24T14:30:00Z").plusSeconds(seconds.incrementAndGet());

    private OwnMaps maps() {
        return new OwnMaps(shop, clock);
    }

    /// A map as a job has left it.
    private Instrument learned(String file, String... lines) {
        try (Logbook log = Logbook.open(shop.resolve(file))) {
            Shelf shelf = Shelf.ofShop(shop);
            Tickets tickets = new Tickets(log, shelf, clock, "", "test");
            SaySession session = new SaySession(tickets, shelf, clock);
            session.say("begin lens, Brook 35 mm f/2.8");
            for (String line : lines) {
                SaySession.Answer a = session.say(line);
                assertThat(a.status()).as("%s: %s", line, a.why()).isEqualTo(SaySession.Status.KEPT);
            }
            return tickets.world(tickets.open("T-0101")).instrument();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"ostrel_52_f2", "corvane_zoom_35_70", "pellam_folding_75", "ostrel_reflex"})
    void whatIsWrittenIsReadBackAsItWas(String id) throws Exception {
        Instrument map = new Shelf().instrument(id);
        Path file = Files.writeString(shop.resolve("map.json"), InstrumentText.of(map));
        assertThat(InstrumentJson.read(file)).isEqualTo(map);
    }

    @Test
    void aMapThatAJobTaughtIsKeptAndStandsOnTheShelfNextTime() {
        Instrument map = learned("job.sqlite", "off mount screws, screws, rear", "with focus at infinity", "off mount, seat, rear, fingers", "off E1, retaining ring, front", "off 前玉枠, thread, front");
        maps().save(map);
        Shelf shelf = Shelf.ofShop(shop);
        assertThat(shelf.complaints()).isEmpty();
        assertThat(shelf.instrumentIds()).containsExactly(map.id());
        assertThat(shelf.instrument(map.id()).joints()).extracting(Joint::name).containsExactly("mount screws", "mount", "E1", "前玉枠");

        assertThat(shelf.instrument(map.id())).as("controls included").isEqualTo(map);
        Instrument second = learned("second.sqlite", "off mount screws", "off grip, seat, around");
        assertThat(second.joints()).as("the next job starts from it, and adds its own").hasSize(5);
    }

    @Test
    void everyEarlierVersionStaysAndComesBack() {
        Instrument one = maps().save(learned("one.sqlite", "off mount, seat, rear"));
        Instrument two = maps().save(learned("two.sqlite", "off mount", "off grip, seat, around"));
        assertThat(two.joints()).hasSize(2);
        assertThat(maps().save(two)).as("the same again is no version").isEqualTo(two);
        assertThat(maps().history(one.id())).extracting(OwnMaps.Version::joints).containsExactly(1);
        maps().rename(one.id(), "Brook 35, the early barrel");
        assertThat(maps().history(one.id())).hasSize(2);

        Instrument back = maps().restore(one.id(), maps().history(one.id()).getLast().version());
        assertThat(back).isEqualTo(one);
        assertThat(maps().history(one.id())).as("what was replaced is not lost").hasSize(3);
        assertThatThrownBy(() -> maps().restore(one.id(), "1999")).isInstanceOf(BadInput.class).hasMessageContaining("1999");
    }

    @Test
    void aMapIsGivenOutAndBroughtIn() throws Exception {
        Instrument map = maps().save(learned("job.sqlite", "off mount, seat, rear"));
        Path out = shop.resolve("brook.json");
        maps().giveOut(map.id(), out);
        Path other = Files.createDirectory(shop.resolve("other shop"));
        assertThat(new OwnMaps(other, clock).bringIn(out)).isEqualTo(map);
        assertThat(new OwnMaps(other, clock).list()).containsExactly(map.id());

        assertThatThrownBy(() -> maps().giveOut(map.id(), shop.resolve("shelf").resolve("instruments").resolve(map.id() + ".json"))).isInstanceOf(BadInput.class).hasMessageContaining("the map itself");
        assertThatThrownBy(() -> maps().read("../../etc/passwd")).isInstanceOf(BadInput.class);
        Path torn = Files.writeString(shop.resolve("torn.json"), Files.readString(out).substring(0, 80));
        assertThatThrownBy(() -> maps().bringIn(torn)).isInstanceOf(BadInput.class).hasMessageContaining("torn.json");
        assertThat(maps().read(map.id())).as("nothing was lost").isEqualTo(map);
        assertThatThrownBy(() -> maps().save(Instrument.unknown("own-x", "X", Instrument.Sort.LENS))).isInstanceOf(BadInput.class).hasMessageContaining("nothing of it is known");
    }

    /// One took the front off first, the other the rear: neither waits for the other; what both had in one order stays so.
    @Test
    void mergedMapsWaitOnlyWhereNoneSaysOtherwise() {
        Instrument a = renamed("own-a", learned("a.sqlite", "off name ring, thread, front", "off front cell, thread, front", "off mount, seat, rear"));
        Instrument b = renamed("own-b", learned("b.sqlite", "off mount, seat, rear, fingers", "off name ring, thread, front", "off front cell, thread, front", "off shim, seat, rear"));
        maps().save(a);
        maps().save(b);
        Instrument both = maps().merge("own-a", "own-b");
        assertThat(waits(both, "mount")).isEmpty();
        assertThat(waits(both, "name-ring")).isEmpty();
        assertThat(waits(both, "front-cell")).containsExactly("name-ring");
        assertThat(waits(both, "shim")).containsExactly("front-cell");
        assertThat(both.joint("mount").orElseThrow().tool()).isEqualTo("fingers");
        assertThat(both.name()).isEqualTo(a.name());
        assertThat(maps().read("own-b")).as("the other stays").isEqualTo(b);
    }

    @ParameterizedTest
    @ValueSource(strings = {"ostrel_52_f2", "corvane_zoom_35_70", "pellam_folding_75", "ostrel_reflex"})
    void aMapMergedWithItselfIsItself(String id) {
        Instrument map = new Shelf().instrument(id);
        assertThat(MergedMap.of(map, map)).isEqualTo(map);
    }

    private static Set<String> waits(Instrument map, String joint) {
        return map.joint(joint).orElseThrow().behind().all().stream().collect(Collectors.toSet());
    }

    private static Instrument renamed(String id, Instrument i) {
        return new Instrument(id, i.maker(), i.name(), i.sort(), Optional.empty(), Optional.empty(), Optional.empty(), i.parts(), i.joints(), List.of(), Optional.empty(), Optional.empty());
    }
}
