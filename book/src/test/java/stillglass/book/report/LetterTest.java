package stillglass.book.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.book.say.SaySession;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Phase;

/// What goes out to the owner of a shutter nobody has mapped.
class LetterTest {
    private static final InstantSource CLOCK = InstantSource.fixed(Instant.parse("2026-11-28T09:00:00Z"));

    @TempDir
    Path folder;

    private Report told(boolean letter, String... lines) {
        return told(letter, "T-0101", lines);
    }

    private Report told(boolean letter, String number, String... lines) {
        try (Logbook log = Logbook.open(folder.resolve("b.sqlite"))) {
            Shelf shelf = Shelf.ofShop(folder);
            Tickets tickets = new Tickets(log, shelf, CLOCK, "", "t");
            SaySession session = new SaySession(tickets, shelf, CLOCK);
            for (String l : lines) {
                assertThat(session.say(l).status()).as(l).isEqualTo(SaySession.Status.KEPT);
            }
            Tickets.Ticket t = tickets.open(number);
            return letter ? LetterMaker.of(t.state(), tickets.world(t), ZoneOffset.UTC) : ReportMaker.of(t.state(), tickets.world(t), shelf, ZoneOffset.UTC);
        }
    }

    private static final String[] JOB = {"begin shutter, Corvane leaf shutter", "owner Salt Marsh Observatory", "symptom slow speeds hang", "check slow speeds, stuck", "speed 1 1.9 s ± 0.02", "speed 1/25 55 ms ± 1", "speed 1/250 5.2 ms ± 0.1",
        "stage open", "off cover ring, thread, front", "stage close", "cover ring on", "stage prove", "check slow speeds, run evenly", "speed 1 1.01 s ± 0.02", "speed 1/25 41 ms ± 1", "speed 1/250 7.6 ms ± 0.1"};

    @Test
    void theLetterTellsThePlainTruth() {
        String text = MarkdownReport.text(told(true, JOB));
        assertThat(text).contains("Dear Salt Marsh Observatory", "Slow speeds hang", "Slow speeds: stuck", "2 of 3 settings were outside", "Opened one joint", "Slow speeds: run evenly",
                "Speed 1/250 s gives more light than it says, by 0.9 stops: set the next faster speed", "Draft: not signed yet");
        assertThat(text).as("no figure where a word does").doesNotContain("1,900 ms").doesNotContain("all within");
    }

    /// What was harmed in cleaning stands in the report and in the letter; what it came in with does too.
    @Test
    void whatWasHarmedHereIsTold() {
        String[] job = {"begin shutter, Corvane leaf shutter", "begin lens, Brook 35 mm", "came with T-0101", "stage open", "off name ring, friction, front", "stage clean", "harmed name ring with isopropanol, paint lifted at the 5"};
        assertThat(MarkdownReport.text(told(true, "T-0102", job))).containsIgnoringCase("name ring: paint lifted at the 5 (isopropanol)");
        try (Logbook log = Logbook.open(folder.resolve("b.sqlite"))) {
            Tickets tickets = new Tickets(log, Shelf.ofShop(folder), CLOCK, "", "t");
            Tickets.Ticket t = tickets.open("T-0102");
            assertThat(MarkdownReport.text(ReportMaker.of(t.state(), tickets.world(t), Shelf.ofShop(folder), ZoneOffset.UTC))).containsIgnoringCase("name ring: paint lifted at the 5 (isopropanol)").contains("Came in together with T-0101.");
        }
    }

    @Test
    void whatHoldsIsSaidToHold() {
        String[] job = JOB.clone();
        job[job.length - 1] = "speed 1/250 4.1 ms ± 0.1";
        assertThat(MarkdownReport.text(told(true, job))).contains("Speed: measured at 3 settings, all within what is usual").doesNotContain("gives more light");
    }

    @Test
    void thePdfIsTaggedAndThePageStandsAlone() throws Exception {
        Report report = told(false, JOB);
        Path pdf = folder.resolve("r.pdf");
        PdfReport.write(report, id -> Optional.empty(), pdf);
        try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
            assertThat(d.getDocumentCatalog().getMarkInfo().isMarked()).as("tagged").isTrue();
            assertThat(d.getDocumentCatalog().getStructureTreeRoot().getKids()).isNotEmpty();
            assertThat(d.getDocumentCatalog().getLanguage()).isEqualTo("en");
            assertThat(new PDFTextStripper().getText(d)).contains("outside ±0.33 EV");
        }
        Path html = folder.resolve("r.html");
        HtmlReport.write(report, id -> Optional.empty(), html);
        String page = Files.readString(html);
        assertThat(page).startsWith("<!DOCTYPE html>").contains("Corvane leaf shutter", "1,900 ms ± 20").doesNotContain("src=\"http").doesNotContain("<script");
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        assertThat(factory.newDocumentBuilder().parse(new ByteArrayInputStream(page.replaceFirst("<!DOCTYPE html>", "").getBytes(java.nio.charset.StandardCharsets.UTF_8))).getDocumentElement().getTagName()).isEqualTo("html");
    }

    private static Finding read(FindingKind as, Map<FindingKind, Double> chances) {
        return new Finding(as, chances.getOrDefault(as, 0.4), List.of(), 0.01, 1, 0.3, 0, 0.05, 2, List.of(), chances, 0);
    }

    /// An owner reads what it is likelier than not, in one name, and nothing of what is likelier nothing.
    @Test
    void whatIsLikelierNothingIsNotInTheLetter() {
        try (Logbook log = Logbook.open(folder.resolve("b.sqlite"))) {
            Shelf shelf = new Shelf();
            Tickets tickets = new Tickets(log, shelf, CLOCK, "", "t");
            new SaySession(tickets, shelf, CLOCK).say("begin lens, Brook 50 mm, cloudy");
            List<Finding> seen = List.of(read(FindingKind.FUNGUS, Map.of(FindingKind.FUNGUS, 0.4, FindingKind.UNKNOWN, 0.6)), read(FindingKind.OIL, Map.of(FindingKind.OIL, 0.5, FindingKind.SEPARATION, 0.4, FindingKind.UNKNOWN, 0.1)),
                    read(FindingKind.UNKNOWN, Map.of(FindingKind.CHIP, 0.43, FindingKind.BUBBLE, 0.16, FindingKind.UNKNOWN, 0.41)));
            tickets.act(tickets.open("T-0101"), Act.of(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE), new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(9, 9, 5, 5, 0), seen, 0.3, List.of(), List.of())), List.of());
            Tickets.Ticket t = tickets.open("T-0101");

            assertThat(MarkdownReport.text(LetterMaker.of(t.state(), tickets.world(t), ZoneOffset.UTC))).contains("In the glass: oil, or separation and chip").doesNotContainIgnoringCase("fungus").doesNotContainIgnoringCase("unknown");
        }
    }
}
