package stillglass.book.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.book.BadInput;
import stillglass.book.Logbook;

class ReportTest {
    @TempDir
    Path folder;

    private static Report report(Optional<String> signature) {
        return new Report("Ostrel 52 mm f/2, ticket T-0142", "Puppet <theatre> & friends", LocalDate.of(2026, 12, 4), List.of("Milky pictures"),
                List.of(new Report.Row("fungus", "rear of E1, edge, 1:30 o'clock", "3", "Shows as a 3 % shadow.")), List.of("Clean the fungus: grade 3."),
                List.of(new Report.Measure("Veil", "7.2 %", "1.9 %", "change −5.7 ± 0.5 points")), List.of("Greased the helicoid: 148 mg."),
                List.of("ledger: one screw: replaced"), List.of(new Report.Picture("p1", "As received"), new Report.Picture("gone", "lost")), signature);
    }

    private static Optional<Logbook.PhotoBytes> photo(String id) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(new BufferedImage(300, 200, BufferedImage.TYPE_INT_RGB), "png", out);
            return id.equals("p1") ? Optional.of(new Logbook.PhotoBytes(id, "a.png", out.toByteArray())) : Optional.empty();
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static String text(Path pdf) throws Exception {
        try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
            return new PDFTextStripper().getText(d);
        }
    }

    @Test
    void thePdfSaysWhatTheReportSays() throws Exception {
        Path pdf = folder.resolve("report.pdf");
        PdfReport.write(report(Optional.of("M. at the bench, 2026-11-24")), ReportTest::photo, pdf);
        String text = text(pdf);

        assertThat(text).contains("Ostrel 52 mm f/2", "Puppet <theatre> & friends", "Milky pictures", "rear of E1", "Shows as a 3 % shadow",
                "change −5.7 ± 0.5 points", "148 mg", "one screw", "Signed: M. at the bench");
        try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
            boolean picture = false;
            for (var name : d.getPage(0).getResources().getXObjectNames()) {
                picture |= d.getPage(0).getResources().isImageXObject(name);
            }
            assertThat(picture).as("the photo is in it, the lost one is left out").isTrue();
        }
    }

    @Test
    void anUnsignedReportSaysThatItIsADraft() throws Exception {
        Path pdf = folder.resolve("draft.pdf");
        PdfReport.write(report(Optional.empty()), id -> Optional.empty(), pdf);

        assertThat(text(pdf)).contains("Draft, not signed");
    }

    @Test
    void markdownKeepsItsTablesWhole() {
        String md = MarkdownReport.text(report(Optional.of("M. | somebody")));

        assertThat(md).contains("# Ostrel 52 mm f/2, ticket T-0142", "| fungus | rear of E1, edge, 1:30 o'clock | 3 |", "Signed: M. | somebody", "&lt;theatre>");
    }

    @Test
    void anUnreadablePhotoDoesNotKeepTheReport() throws Exception {
        Path pdf = folder.resolve("torn.pdf");
        PdfReport.write(report(Optional.empty()), id -> Optional.of(new Logbook.PhotoBytes(id, "torn.png", new byte[] {1, 2, 3})), pdf);

        assertThat(text(pdf)).contains("Milky pictures");
    }

    @Test
    void aFolderThatIsMissingIsSaid() {
        assertThatThrownBy(() -> SafeFile.write(folder.resolve("no/where.pdf"), new byte[3])).isInstanceOf(BadInput.class).hasMessageContaining("no folder");
    }

    @Test
    void anOlderFileIsReplacedWhole() throws Exception {
        Path f = folder.resolve("a.txt");
        SafeFile.write(f, "old, and rather long".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        SafeFile.write(f, "new".getBytes(java.nio.charset.StandardCharsets.UTF_8));

        assertThat(Files.readString(f)).isEqualTo("new");
        try (var left = Files.list(folder)) {
            assertThat(left).as("nothing is left beside it").hasSize(1);
        }
    }

    @Test
    void whatWasFoundAssembledWronglyIsToldEvenWhenItIsPutRight() {
        java.time.Instant noon = java.time.Instant.parse("2026-11-24T12:00:00Z");
        List<stillglass.ticket.TicketEvent> events = List.of(
                new stillglass.ticket.TicketEvent.Opened("T-7", "Pellam 105 mm", "hawthorn_105_f28", "hawthorn_105_f28", "Club", LocalDate.of(2026, 12, 4)),
                new stillglass.ticket.TicketEvent.MisassemblyFound("reverse:E4"), new stillglass.ticket.TicketEvent.MisassemblyFound("gap:2:0.1"),
                new stillglass.ticket.TicketEvent.AssemblyPutRight(), new stillglass.ticket.TicketEvent.MisassemblyFound("gap:2:0.1"));
        List<stillglass.ticket.Recorded> story = new java.util.ArrayList<>();
        events.forEach(e -> story.add(new stillglass.ticket.Recorded(story.size() + 1, noon, e)));
        Report r = Report.of(stillglass.ticket.TicketState.of(story), new stillglass.book.data.Shelf());

        assertThat(r.arrived()).contains("Found assembled wrongly: E4 reversed; put right.", "Found assembled wrongly: gap after surface 2 changed by +0.100 mm.");
        assertThat(r.advice()).anyMatch(a -> a.startsWith("Put right first: gap after surface 2"));
    }
}
