package stillglass.book.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.Normalizer;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import stillglass.plan.TrayMat;
import stillglass.book.OneLine;
import org.junit.jupiter.params.provider.CsvSource;
import javax.xml.parsers.DocumentBuilderFactory;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.book.BookWords;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.book.say.SaySession;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Act;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.GlassIntent;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.PhotoLight;
import stillglass.look.ThroughColour;
import stillglass.say.Said;

class ReportTest {
    private static final InstantSource CLOCK = InstantSource.fixed(Instant.parse("2026-11-28T09:00:00Z"));

    @TempDir
    Path folder;

    private static Report report(String owner, boolean signed) {
        return new Report(Said.text("Ostrel 52 mm f/2, ticket T-0142"), Said.text(owner), List.of(new Report.Block.Lines(Said.text("As it came"), List.of(Said.text("Milky pictures"))),
                new Report.Block.Table(Said.text("Found"), List.of(Said.text("What"), Said.text("Where")), List.of(List.of(Said.text("fungus"), Said.text("rear of E1 | edge")))),
                new Report.Block.Lines(Said.text("Nothing here"), List.of())),
                List.of(new Report.Pair(Optional.of(new Report.Picture("p1", "As received")), Optional.of(new Report.Picture("gone", "lost")))), signed ? Said.of("report.signed", "by", "M. | somebody", "day", "2026-11-24") : Said.of("report.draft"));
    }

    private static Optional<Logbook.PhotoBytes> photo(String id) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(new BufferedImage(300, 200, BufferedImage.TYPE_INT_RGB), "png", out);
            return id.equals("p1") ? Optional.of(new Logbook.PhotoBytes(id, "a.png", out.toByteArray())) : Optional.empty();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
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
        PdfReport.write(report("Puppet <theatre> & friends", true), ReportTest::photo, pdf);

        assertThat(text(pdf)).contains("Ostrel 52 mm f/2", "Puppet <theatre> & friends", "Milky pictures", "rear of E1", "Signed: M. | somebody").doesNotContain("Nothing here");
        try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
            boolean picture = false;
            for (COSName name : d.getPage(0).getResources().getXObjectNames()) {
                picture |= d.getPage(0).getResources().isImageXObject(name);
            }
            assertThat(picture).as("the photo is in it").isTrue();
            assertThat(text(pdf).replaceAll("\\s+", " ")).contains("This photo cannot be shown: gone: photo: is no longer in the logbook");
        }
    }

    @Test
    void anUnsignedReportSaysThatItIsADraftAndMarkdownKeepsItsTablesWhole() throws Exception {
        Path pdf = folder.resolve("draft.pdf");
        PdfReport.write(report("Club", false), id -> Optional.empty(), pdf);
        assertThat(text(pdf)).contains("Draft, not signed");
        assertThat(MarkdownReport.text(report("Puppet <theatre>", true))).contains("# Ostrel 52 mm f/2, ticket T-0142", "| fungus | rear of E1 \\| edge |", "&lt;theatre&gt;");
    }

    /// Fonts for the scripts of the world are shipped: what was typed is what can be read and copied.
    @ParameterizedTest
    @ValueSource(strings = {"前玉押さえ環", "렌즈 수리", "Кольцо фокусировки", "Δακτύλιος", "ห้องมืด", "लेंस", "Führungsstift", "Č šķ ő", "Ոսպնյակ", "ლინზა", "லென்ஸ்", "ሌንስ", "ကင်မရာ", "ເລນ"})
    void namesInAnyScriptAreInThePdf(String name) throws Exception {
        Path pdf = folder.resolve("script.pdf");
        PdfReport.write(report(name, false), id -> Optional.empty(), pdf);

        // Where marks join with letters into one glyph, a reader of the file gives only the letters back.
        assertThat(text(pdf).replaceAll("\\p{M}", "")).contains(name.replaceAll("\\p{M}", "")).doesNotContain("#");
    }

    /// A mat is set letter by letter, each in a type that has it; what none has does not stop it.
    @ParameterizedTest
    @ValueSource(strings = {"前玉押さえ環", "렌즈", "Кольцо", "ห้องมืด", "लेंस", "ლინზა", "Č šķ ő 3 × 1.4", "عدسة", "\uD83D\uDD2D", "\u0000\u0007 ring \uD800", "\u202Etxet"})
    void namesInAnyScriptAreOnTheMat(String name) throws Exception {
        TrayMat mat = new TrayMat(List.of(new TrayMat.Page(List.of(new TrayMat.Mark.Text(20, 20, 3, name)))));
        try (PDDocument d = Loader.loadPDF(MatFiles.pdf(mat))) {
            String told = Normalizer.normalize(new PDFTextStripper().getText(d), Normalizer.Form.NFKC);
            String letters = OneLine.clean(name).replaceAll("[^\\p{L}]", "");
            assertThat(told.replaceAll("[^\\p{L}]", "").chars().sorted().toArray()).isEqualTo(letters.chars().sorted().toArray());
        }
        DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new ByteArrayInputStream(MatFiles.svg(mat).getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void lettersFromRightToLeftAreJoinedAndInTheOrderTheyAreSeen() {
        assertThat(Type.seen("lens")).isEqualTo("lens");
        assertThat(Type.seen("\u05D0\u05D1 12")).isEqualTo("12 \u05D1\u05D0");
        // Beh, beginning and end of a word: their shapes beside each other, the last one first.
        assertThat(Type.seen("\u0628\u0628")).isEqualTo("\uFE90\uFE91");
    }

    @ParameterizedTest
    @CsvSource(delimiterString = " => ", value = {"[x](http://a.b) => \\[x\\](http:\\//a.b)", "www.a.b => www\\.a.b", "*ring* _1_ => \\*ring\\* \\_1\\_", "a@b.c => a\\@b.c", "# ring => \\# ring", "1. ring => 1\\. ring", "<b> => &lt;b&gt;", "a|b => a\\|b",
        "``` => \\`\\`\\`"})
    void markdownInANameIsNoMarkdown(String name, String escaped) {
        assertThat(MarkdownReport.text(report(name, false)).lines().toList()).contains(escaped);
    }

    /// Scripts that run from right to left are laid out so; the order in which a reader of the file gives them back is not ours.
    @ParameterizedTest
    @ValueSource(strings = {"חוצץ", "عدسة"})
    void namesFromRightToLeftAreInThePdf(String name) throws Exception {
        Path pdf = folder.resolve("rtl.pdf");
        PdfReport.write(report(name, false), id -> Optional.empty(), pdf);
        String text = Normalizer.normalize(text(pdf), Normalizer.Form.NFKC);

        assertThat(text.chars().filter(c -> c >= 0x590 && c < 0x700).mapToObj(Character::toString).sorted().collect(Collectors.joining()))
                .isEqualTo(name.chars().mapToObj(Character::toString).sorted().collect(Collectors.joining()));
    }

    @Test
    void aControlCharacterIsDroppedAndAnUnreadablePhotoDoesNotKeepTheReport() throws Exception {
        Path pdf = folder.resolve("torn.pdf");
        PdfReport.write(report("Cl\u0000ub\u0007 \uD800 end", false), id -> Optional.of(new Logbook.PhotoBytes(id, "torn.png", new byte[] {1, 2, 3})), pdf);

        assertThat(text(pdf)).contains("Milky pictures").contains("Cl ub").contains("This photo cannot be shown: torn.png");
    }

    /// What was photographed of each side before the work stands beside the last photo of it after the work.
    @Test
    void photosOfBeforeAndAfterStandSideBySide() {
        List<Report.Pair> pairs = photographed(List.of("a BEFORE false", "b BEFORE true", "c BEFORE false", "d AFTER true", "e AFTER false", "f AFTER false"));
        assertThat(pairs).extracting(ReportTest::ids).containsExactly("a f", "b d");
        assertThat(photographed(List.of("a BEFORE false", "b BEFORE true", "c BEFORE false"))).as("nothing yet of after").extracting(ReportTest::ids).containsExactly("a b", "c -");
        assertThat(photographed(List.of("z AFTER false"))).extracting(ReportTest::ids).containsExactly("- z");
        assertThat(photographed(List.of())).isEmpty();
    }

    private static String ids(Report.Pair pair) {
        return pair.left().map(Report.Picture::photoId).orElse("-") + " " + pair.right().map(Report.Picture::photoId).orElse("-");
    }

    private List<Report.Pair> photographed(List<String> photos) {
        try (Logbook log = Logbook.open(folder.resolve("photos-" + photos.hashCode() + ".sqlite"))) {
            Shelf shelf = new Shelf();
            Tickets tickets = new Tickets(log, shelf, CLOCK, "", "test");
            new SaySession(tickets, shelf, CLOCK).say("begin lens, Brook 35 mm");
            for (String p : photos) {
                String[] words = p.split(" ");
                tickets.act(tickets.open("T-0101"), Act.of(new GlassEvent.PhotoKept(words[0], Phase.valueOf(words[1]), Boolean.parseBoolean(words[2]), "", Source.FILE)), List.of());
            }
            Tickets.Ticket t = tickets.open("T-0101");
            return ReportMaker.of(t.state(), tickets.world(t), shelf, ZoneOffset.UTC).photos();
        }
    }

    private Report told(String... lines) {
        try (Logbook log = Logbook.open(folder.resolve("told.sqlite"))) {
            Shelf shelf = new Shelf();
            Tickets tickets = new Tickets(log, shelf, CLOCK, "", "test");
            SaySession session = new SaySession(tickets, shelf, CLOCK);
            for (String line : lines) {
                SaySession.Answer a = session.say(line);
                assertThat(a.status()).as("%s: %s", line, a.why()).isEqualTo(SaySession.Status.KEPT);
            }
            Tickets.Ticket t = tickets.open(log.numbers().getLast());
            return ReportMaker.of(t.state(), tickets.world(t), shelf, ZoneOffset.UTC);
        }
    }

    private static String block(Report r, String heading) {
        return r.blocks().stream().filter(b -> BookWords.wording().say(b.heading()).equals(heading)).findFirst()
                .map(b -> ((Report.Block.Lines) b).lines().stream().map(BookWords.wording()::say).collect(Collectors.joining("\n"))).orElse("");
    }

    /// Water, flushing and seals as they were told.
    @Test
    void careIsTold() throws Exception {
        Path md = folder.resolve("care.md");
        MarkdownReport.write(told("begin camera, Brook folding, sticky shutter", "wet salt 3 min, 5 h ago", "stage clean", "flushed shutter blades with naphtha, 90 ms, oil shows", "flushed shutter blades with naphtha, 60 ms, no oil",
                "channel door 96 x 2.1, gap 1.6, 2"), md);
        assertThat(Files.readString(md)).contains("Got wet with salt water, 3 min under; whether it was on is not known", "Not proven dry", "hutter blades flushed in place with lighter-fluid naphtha, 2 times: no oil shows; closing from 90 to 60 ms",
                "door 96 × 2.1 mm (2 alike)");
    }

    /// Bumps that stand and that are gone, and what was destroyed and why; what the job is worth is nobody's business.
    @Test
    void coveringsAndWhatWasDestroyedAreTold() throws Exception {
        Path md = folder.resolve("covering.md");
        MarkdownReport.write(told("begin body, Brook reflex, bumps under the leather", "stage look", "covering front: leather, dry", "bump front 1 x 8 mm", "bump back 0.2 x 9 mm", "bump back gone", "stage decide", "worth 120, chance 70 %",
                "to make name ring, 90 min, costs 12", "drill out the front ring, loses 30, seized after three heats"), md);
        assertThat(Files.readString(md)).contains("front: a bump 1 mm high, 8 mm across", "lift the covering there", "back: a bump 0.2 mm high, 9 mm across | back: the bump is gone", "rill out front ring: seized after three heats", "still to be made: name ring")
                .doesNotContain("120").doesNotContain("70 %");
    }

    /// Blades, barrel and slots before and after, and a place nobody looked at never as sound.
    @Test
    void whatWasFoundBesideTheGlassIsTold() throws Exception {
        Path md = folder.resolve("beside.md");
        MarkdownReport.write(told("begin lens, Brook 35 mm, stiff iris", "stage look", "iris blades wet, marked, 5", "barrel sound", "stage prove", "iris oil gone"), md);
        assertThat(Files.readString(md)).contains("Beside the glass", "iris blades | wet with oil, marked, on 5 | not wet with oil | Wet through or on both sides", "inside of the barrel | looked at, nothing found | not looked at").doesNotContain("mount |");
    }

    @Test
    void whatWasFoundLeftAndDoneComesBackUnderItsNameOfAnInstrumentNobodyKnew() {
        Report r = told("begin lens, Brook 35 mm, stiff focus", "off 前玉押さえ環, thread, front", "earlier scribed lines", "damaged two slots", "found loose", "note shellac on the thread", "ball 1.0",
                "stage close", "ball 1.0", "done", "for 前玉押さえ環: we damaged the name ring");

        List<String> headings = r.blocks().stream().map(b -> BookWords.wording().say(b.heading())).toList();
        assertThat(headings).contains("Found and left", "Earlier work by others", "Damaged on this bench", "Notes");
        assertThat(block(r, "Found and left")).contains("前玉押さえ環", "two slots", "loose");
        assertThat(block(r, "Earlier work by others")).contains("scribed lines");
        assertThat(block(r, "Damaged on this bench")).contains("the name ring");
        assertThat(block(r, "Notes")).contains("shellac");
        assertThat(BookWords.wording().say(r.head())).doesNotContain("null");
    }

    /// The report of a lens of which photos were graded, as markdown.
    private String seen(GlassIntent.Kept... photos) {
        try (Logbook log = Logbook.open(folder.resolve("seen.sqlite"))) {
            Shelf shelf = new Shelf();
            Tickets tickets = new Tickets(log, shelf, CLOCK, "", "test");
            new SaySession(tickets, shelf, CLOCK).say("begin lens, Brook 50 mm, cloudy");
            String number = log.numbers().getLast();
            tickets.act(tickets.open(number), Act.of(photos), List.of());
            Tickets.Ticket now = tickets.open(number);
            Path md = folder.resolve("seen.md");
            MarkdownReport.write(ReportMaker.of(now.state(), tickets.world(now), shelf, ZoneOffset.UTC), md);
            return Files.readString(md);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static GlassIntent.Kept kept(Phase phase) {
        return new GlassEvent.PhotoKept(phase.name(), phase, false, "", Source.FILE);
    }

    private static GlassIntent.Kept through(Phase phase, ThroughColour taken) {
        return new GlassEvent.PhotoGraded(phase.name(), Lighting.BRIGHT, new Aperture(9, 9, 5, 5, 0), List.of(), 0.3, List.of(), List.of(), Optional.of(new PhotoLight(0.6, Optional.empty(), Optional.of(taken))));
    }

    /// An owner of yellow glass reads what it takes, and what is left of that after the work.
    @Test
    void yellowGlassIsToldInStops() {
        String md = seen(kept(Phase.BEFORE), through(Phase.BEFORE, new ThroughColour(0.2, 0.6, 1.1, 0.05)), kept(Phase.AFTER), through(Phase.AFTER, new ThroughColour(0.2, 0.3, 0.4, 0.05)));
        assertThat(md).contains("0.2 stops of red, 0.6 of green, 1.1 of blue").contains("0.3 of green, 0.4 of blue").contains("slightly yellow");
        assertThat(seen(kept(Phase.BEFORE), through(Phase.BEFORE, new ThroughColour(-0.4, -0.1, 0.2, 0.05)))).as("a card that is lighter behind the glass").contains("0.6 stops of blue against red (± 0.05); what all colours lose is not told").contains("clearly yellow").doesNotContain("-0.4");
        assertThat(seen(kept(Phase.BEFORE), through(Phase.BEFORE, new ThroughColour(-0.1, -0.2, -0.3, 0.05)))).as("bluish glass").contains("0.2 stops of red against blue (± 0.05)").contains("not yellow").doesNotContain("-0.2");
    }

    /// An owner reads that a haze may be none, and that what shows at one place of the lamp may be.
    @Test
    void whatIsLikelierNothingSaysSo() {
        Finding haze = new Finding(FindingKind.HAZE, 0.31, List.of(), 0.9, 1, 0, 0, 0.05, 2, List.of(), Map.of(FindingKind.HAZE, 0.31, FindingKind.UNKNOWN, 0.69), 0);
        Finding faint = new Finding(FindingKind.UNKNOWN, 0.4, List.of(), 0.01, 1, 0.3, 0, 0.05, 1, List.of(), Map.of(FindingKind.OIL, 0.3, FindingKind.COATING, 0.1, FindingKind.UNKNOWN, 0.6), 0);
        String md = seen(kept(Phase.BEFORE), new GlassEvent.PhotoGraded(Phase.BEFORE.name(), Lighting.AGAINST, new Aperture(9, 9, 5, 5, 0), List.of(haze, faint), 0.3, List.of(), List.of()));
        assertThat(md).contains("haze, or nothing (69 %)").contains("Look again at the haze before anything is opened for it").contains("how severe it is")
                .contains("oil, or nothing (60 %)").contains("Look again at the oil before anything is opened for it").contains("the lamp carried round");
    }

    @Test
    void whatTheLedgerSaysTheReportSays() {
        Report r = told("begin lens, Brook 35 mm", "off grip", "off name ring, thread");

        String work = r.blocks().stream().filter(Report.Block.Lines.class::isInstance).flatMap(b -> ((Report.Block.Lines) b).lines().stream()).map(BookWords.wording()::say).collect(Collectors.joining("\n"));
        assertThat(work).contains("2 joints are open").contains("name ring is out");
    }

    @Test
    void whatWasFoundAssembledWronglyIsToldEvenWhenItIsPutRight() {
        Report r = told("begin Ostrel 52 mm f/2", "stage look", "E1 reversed", "gap 2 0.1", "as designed", "gap 2 0.1");

        assertThat(block(r, "As it came")).contains("E1 reversed").contains("put right").contains("+0.100 mm");
    }

    @Test
    void aReportThatCannotBeWrittenLeavesTheOldOne() throws Exception {
        Path file = folder.resolve("a.md");
        Files.writeString(file, "the old one");
        MarkdownReport.write(report("Club", false), file);
        assertThat(Files.readString(file)).startsWith("# Ostrel");
    }
}
