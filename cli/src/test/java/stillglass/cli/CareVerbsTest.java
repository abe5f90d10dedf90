package stillglass.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static stillglass.cli.Ran.run;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Act;
import tools.jackson.databind.JsonNode;

/// What something wet weighs and when it is dry; light seals, grease, the day.
class CareVerbsTest {
    @TempDir
    Path folder;

    private Path file(String name, String text) throws IOException {
        return Files.writeString(folder.resolve(name), text);
    }

    /// 480 g and 12 g of water that falls to a third in 5 h, weighed to a hundredth.
    @Test
    void weighingsTellWhenItIsDry() throws IOException {
        JsonNode j = run("dry", file("wet.csv", "t_h,mass_g\n0,492.00\n2,488.04\n4,485.39\n6,483.61\n8,482.42\n10,481.62\n"), "--json").json();
        assertThat(j.get("tau_h").asDouble()).isCloseTo(5, within(0.05));
        assertThat(j.get("ready_at_h").asDouble()).isCloseTo(5 * Math.log(1200), within(0.5));
        assertThat(j.get("ready_interval_h").get(0).asDouble()).isLessThan(5 * Math.log(1200));
        assertThat(run("dry", file("three.csv", "0,492.00\n2,488.04\n")).err()).contains("three.csv").contains("three weighings").hasLineCount(1);
        assertThat(run("dry", file("still.csv", "0,492.00\n2,492.00\n3,492.00\n")).err()).contains("still.csv").contains("does not dry").hasLineCount(1);
        assertThat(run("dry", file("wet2.csv", "0,492.00\n2,488.04\n4,485.39\n")).out()).contains("no power before it is ready");
        assertThat(run("dry", file("words.csv", "t_h,mass_g\n0,heavy\n")).err()).contains("words.csv").hasLineCount(1);
    }

    private static final String SEALS = "{\"sheet_mm\":[210,74],\"offcuts_mm\":[[60,40]],\"kerf_mm\":0.3,\"gap\":{\"mm\":1.6,\"compress\":0.3},\"channels\":[{\"id\":\"top\",\"length_mm\":96,\"width_mm\":2.1,\"count\":1},{\"id\":\"end\",\"length_mm\":18,\"width_mm\":3,\"count\":2}]}";

    @Test
    void sealsAreCutFromWhatThereIs() throws Exception {
        Path asked = file("seals.json", SEALS);
        Path svg = folder.resolve("seals.svg");
        JsonNode j = run("seals", asked.toString(), "--json", "--svg", svg.toString(), "--pdf", folder.resolve("seals.pdf").toString()).json();
        assertThat(j.get("foam_mm").asDouble()).isCloseTo(1.6 / 0.7, within(1e-6));
        assertThat(j.get("strips").size()).isEqualTo(3);
        assertThat(j.get("proven").asBoolean()).isTrue();
        assertThat(j.get("pieces").get(0).get("piece").asString()).isEqualTo("sheet");
        assertThat(Files.readString(svg)).as("at its true size").contains("width=\"96.00\" height=\"2.10\"").contains("width=\"297.00mm\"").contains("100 mm. Print at 100 %");
        assertThat(Files.readAllBytes(folder.resolve("seals.pdf"))).startsWith("%PDF".getBytes(java.nio.charset.StandardCharsets.US_ASCII));
        assertThat(run("seals", asked.toString()).out()).contains("cut  1").contains("Scrape old foam off dry").contains("no way of cutting right through");
    }

    @Test
    void sealsThatCannotBeAreSaidInALine() throws Exception {
        Path thin = file("thin.json", SEALS.replace("\"kerf_mm\"", "\"foam_mm\":[1.7],\"kerf_mm\""));
        assertThat(run("seals", thin.toString()).status()).as("a twentieth is no seal").isEqualTo(1);
        Path large = file("large.json", SEALS.replace("96", "960"));
        assertThat(run("seals", large.toString()).err()).contains("large.json").contains("top").hasLineCount(1);
        Path wrong = file("wrong.json", SEALS.replace("1.6", "\"wide\""));
        assertThat(run("seals", wrong.toString()).err()).contains("wrong.json").contains("/gap/mm").hasLineCount(1);
        Path asked = file("seals.json", SEALS);
        assertThat(run("seals", asked.toString(), "--svg", asked.toString()).err()).contains(".svg").hasLineCount(1);
    }

    private static final String GREASE = "{\"diameter_mm\":50,\"engaged_mm\":10,\"pitch_mm\":0.75,\"profile\":\"iso60\",\"slop_mm\":0.1,\"temperature_c\":20,\"target_torque_nmm\":4000,\"greases\":[{\"name\":\"light\",\"density_mg_mm3\":0.9,\"viscosity_pa_s\":[[0,300],[20,100],[40,45]]},{\"name\":\"heavy\",\"viscosity_pa_s\":[[0,900],[20,300]]}]}";

    /// 1.625·π·50·10 = 2552.5 mm², a film of 0.0433 mm; 100 Pa·s there is 100e-6·2552.5·625/0.0433 = 3684 N·mm.
    @Test
    void aThreadIsToldItsGrease() throws IOException {
        Path asked = file("grease.json", GREASE);
        JsonNode j = run("grease", asked.toString(), "--json").json();
        assertThat(j.get("area_mm2").asDouble()).isCloseTo(2552.5, within(0.1));
        assertThat(j.get("film_mm").asDouble()).isCloseTo(0.0433, within(1e-4));
        assertThat(j.get("take").asString()).isEqualTo("light");
        assertThat(j.get("greases").get(0).get("torque_nmm").asDouble()).isCloseTo(3684, within(0.06 * 3684));
        assertThat(j.get("greases").get(1).get("torque_nmm").asDouble()).isCloseTo(3 * 3684, within(20.0));
        assertThat(j.get("mass_mg").asDouble()).isCloseTo(2552.5 * 0.0433 * 0.9, within(0.1));
        assertThat(run("grease", asked.toString()).out()).contains("half on each thread").contains("light turns with");
        // Grease that sheds one mg of oil for ten, on 157 mm of circumference: 0.0073 mm² for each mg of surplus, held at no less than half a thousandth of a mm.
        String creeps = GREASE.replace("\"diameter_mm\"", "\"laid_mg\":1000,\"to_blades_mm\":12,\"summer\":{\"shed_percent\":[10,10],\"oil_mm2_s\":[100,100],\"days\":90},\"diameter_mm\"");
        JsonNode c = run("grease", file("creep.json", creeps).toString(), "--json").json();
        double surplus = c.get("creep").get("excess_mg").asDouble();
        assertThat(surplus).isCloseTo(1000 - j.get("volume_mm3").asDouble() * 0.9, within(1.0));
        assertThat(c.get("creep").get("standing_mm").get(1).asDouble()).isCloseTo(Math.cbrt(9 * Math.pow(surplus * 0.1 / 0.87 / (Math.PI * 50), 2) * 9810 * 90 * 86400 / 400), within(3.0));
        assertThat(c.get("harmless_excess_mg").asDouble()).isBetween(0.5, 20.0);
        assertThat(run("grease", file("creep2.json", creeps.replace("[10,10]", "[20,10]")).toString()).err()).contains("creep2.json").contains("lower first");
        assertThat(run("grease", file("no.json", GREASE.replace("[[0,900],[20,300]]", "[[0,300],[20,900]]")).toString()).err()).contains("no.json").contains("thinner").hasLineCount(1);
        assertThat(run("grease", file("nan.json", GREASE.replace("0.1,", "\"NaN\",")).toString()).err()).contains("nan.json").contains("slop_mm").hasLineCount(1);
    }

    private static final String DAY = "{\"now\":\"08:00\",\"resources\":{\"technician\":1,\"tin\":1},\"tickets\":[{\"id\":\"T1\",\"due_min\":100,\"weight\":2,\"tasks\":[{\"id\":\"strip\",\"minutes\":40,\"attended\":true,\"uses\":[],\"after\":[]},{\"id\":\"soak\",\"minutes\":60,\"attended\":false,\"uses\":[\"tin\"],\"after\":[\"strip\"],\"tags\":[\"solvent\",\"flammable\"]}]},{\"id\":\"T2\",\"tasks\":[{\"id\":\"look\",\"minutes\":50}]}],\"hours\":[[0,120],[180,300]],\"keep_apart\":[[\"solvent\",\"grease\"]],\"staffed_only\":[\"flammable\"]}";

    /// Strip first, since the soak must be over while somebody is there; the look meanwhile.
    @Test
    void aDayIsPlanned() throws IOException {
        Path asked = file("day.json", DAY);
        JsonNode j = run("day", asked.toString(), "--json", "--seconds", "1").json();
        assertThat(j.get("lateness").asInt()).isZero();
        assertThat(j.get("bound").get("lateness").asInt()).isZero();
        assertThat(j.get("finish").asInt()).isEqualTo(100);
        assertThat(j.get("idle").asInt()).isZero();
        assertThat(j.get("schedule").get(0).get("task").asString()).isEqualTo("strip");
        assertThat(run("day", asked.toString(), "--seconds", "1").out()).contains("0 to    40  T1  strip").contains("hands idle 0 min");
        assertThat(run("day", file("circle.json", DAY.replace("\"after\":[]", "\"after\":[\"soak\"]")).toString()).err()).contains("circle.json").contains("circle").hasLineCount(1);
        assertThat(run("day", file("hours.json", DAY.replace("[[0,120],[180,300]]", "[[0,60]]")).toString(), "--seconds", "1").err()).contains("hours.json").contains("more hours").hasLineCount(1);
        assertThat(run("day", file("minutes.json", DAY.replace("\"minutes\":40", "\"minutes\":\"long\"")).toString()).err()).contains("minutes.json").contains("minutes").hasLineCount(1);
    }

    /// The tickets of a logbook, from a Tuesday morning on: looked at, and through by the afternoon of the day after.
    @Test
    void aLogbookIsPlannedAndWrittenAsACalendar() throws IOException {
        Path book = folder.resolve("book.sqlite");
        try (Logbook log = Logbook.open(book)) {
            Tickets tickets = new Tickets(log, new Shelf(), InstantSource.fixed(Instant.parse("2026-11-24T08:00:00Z")), "", "bench");
            tickets.begin(Act.of(new ArrivalIntent.Begin(new Tag("T-7", "Brook 35 mm", "own-brook", Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.of(LocalDate.of(2026, 11, 27))))));
        }
        Path ics = folder.resolve("day.ics");
        JsonNode j = run("day", book.toString(), "--json", "--seconds", "1", "--from", "2026-11-24T09:00", "--ics", ics.toString()).json();
        assertThat(j.get("schedule").get(0).get("task").asString()).isEqualTo("look");
        assertThat(j.get("hours_said").asBoolean()).isFalse();
        assertThat(j.get("lateness").asInt()).isZero();
        JsonNode ticket = j.get("tickets").get(0);
        assertThat(ticket.get("ticket").asString()).isEqualTo("T-7");
        assertThat(Instant.parse(ticket.get("promised").asString())).isAfter(Instant.parse(ticket.get("through").asString()));
        assertThat(ticket.get("takes").get(0).get("source").asString()).isEqualTo("usual");
        assertThat(Files.readString(ics)).contains("UID:T-7-prove@still-glass");
        assertThat(run("day", book.toString(), "--seconds", "1", "--from", "2026-11-24T09:00").out()).contains("the shop has said none").contains("Tue 24 Nov 09:00 to Tue 24 Nov 09:20  T-7  look").contains("T-7 through");
        assertThat(run("day", file("plain.json", DAY).toString(), "--ics", ics.toString()).err()).contains("plain.json").contains("no logbook").hasLineCount(1);
        assertThat(run("day", book.toString(), "--seconds", "0").err()).contains("--seconds").hasLineCount(1);
        assertThat(run("day", folder.resolve("none.sqlite").toString()).err()).contains("none.sqlite").hasLineCount(1);
    }
}
