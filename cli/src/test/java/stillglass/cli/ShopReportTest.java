package stillglass.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.assembly.Instrument;
import stillglass.book.data.LensJson;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Phase;

/// A report of a shop with a lens and thresholds of its own, which lie beside its logbook.
class ShopReportTest {
    @TempDir
    Path shop;

    private static String shipped(String name) throws Exception {
        return new String(Objects.requireNonNull(Shelf.class.getResourceAsStream("/stillglass/book/" + name), name).readAllBytes(), StandardCharsets.UTF_8);
    }

    private String report(String name) throws Exception {
        StringWriter err = new StringWriter();
        Path md = shop.resolve(name);
        int status = Main.run(new PrintWriter(new StringWriter()), new PrintWriter(err), "report", "T-0101", "--book", shop.resolve("book.sqlite").toString(), "--md", md.toString());
        assertThat(status).as(err.toString()).isZero();
        return Files.readString(md);
    }

    /// A typed line knows the shop's own models as the window does.
    @Test
    void anOwnLensIsBegunByItsNameInATypedLine() throws Exception {
        String json = shipped("lenses/tarn_50_f35.json").replaceFirst("\"name\": *\"[^\"]*\"", "\"name\": \"Saltmarsh 61 mm f/4\"");
        Shelf.ofShop(shop).keep("own-9", LensJson.parse("own-9.json", json), json);
        java.io.InputStream before = System.in;
        System.setIn(new java.io.ByteArrayInputStream("begin Saltmarsh 61 mm f/4, haze\nbegin Ostrel 52 mm f/2, fungus\n".getBytes(StandardCharsets.UTF_8)));
        StringWriter out = new StringWriter();
        try {
            assertThat(Main.run(new PrintWriter(out), new PrintWriter(new StringWriter()), "say", "--book", shop.resolve("say.sqlite").toString())).isZero();
        } finally {
            System.setIn(before);
        }
        assertThat(out.toString().lines()).hasSize(2).allMatch(l -> l.contains("\"status\":\"kept\""));
    }

    @Test
    void anOwnLensIsReportedByTheShopsOwnThresholds() throws Exception {
        String json = shipped("lenses/tarn_50_f35.json");
        Shelf shelf = Shelf.ofShop(shop);
        shelf.keep("own-7", LensJson.parse("own-7.json", json), json);
        Finding dust = new Finding(FindingKind.FUNGUS, 0.9, List.of(new Finding.Region(List.of(new Finding.Point(0.1, 0.1), new Finding.Point(0.5, 0.1), new Finding.Point(0.5, 0.5), new Finding.Point(0.1, 0.5)))),
                0.05, 1, 0.3, 0.3, 0.4, 2, List.of());
        try (Logbook log = Logbook.open(shop.resolve("book.sqlite"))) {
            log.remember("section own-7", json);
            Tickets tickets = new Tickets(log, shelf, InstantSource.system(), "", "test");
            var begun = tickets.begin(Act.of(new ArrivalIntent.Begin(new Tag("T-0101", "Brook 50 mm", "own-7", Instrument.Sort.LENS, Optional.of("own-7"), Optional.empty(), Optional.empty()))));
            tickets.act(begun.ticket(), Act.of(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "as it came", Source.FILE),
                    new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(100, 100, 80, 80, 0), List.of(dust), 0.01, List.of(), List.of())), List.of());
        }
        String usual = report("usual.md");
        assertThat(usual).as("the section of the shop is known").contains("fungus", "1:30").doesNotContain("the optical section is not known");
        Files.writeString(shop.resolve("grade-rules.json"), shipped("grade-rules.json").replaceAll("\"visible_shadow\": *[0-9.]+", "\"visible_shadow\": 0.000001").replaceAll("\"measurable\": *[0-9.]+", "\"measurable\": 0.0000001"));
        assertThat(report("own.md")).as("the shop's thresholds grade it otherwise").isNotEqualTo(usual);
    }
}
