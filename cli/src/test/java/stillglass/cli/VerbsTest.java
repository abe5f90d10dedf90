package stillglass.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static stillglass.cli.Ran.run;

import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.book.data.Shelf;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.sim.photo.InspectionCamera;
import stillglass.sim.photo.Pose;
import stillglass.sim.truth.HiddenTruth;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class VerbsTest {
    @TempDir
    Path folder;

    private Path shipped(String path) throws Exception {
        Path file = folder.resolve(path.substring(path.lastIndexOf('/') + 1));
        try (InputStream in = Objects.requireNonNull(Shelf.class.getResourceAsStream("/stillglass/book/" + path))) {
            Files.write(file, in.readAllBytes());
        }
        return file;
    }

    @Test
    void lensSaysWhatTheContractAsksFor() throws Exception {
        JsonNode j = run("lens", shipped("lenses/fell_52_f2.json"), "--json").json();

        assertThat(j.get("efl_mm").asDouble()).isCloseTo(51.99, within(0.01));
        assertThat(j.get("bfd_mm").asDouble()).isCloseTo(37.746, within(0.002));
        assertThat(j.get("entrance_pupil_mm").get("diameter").asDouble()).isCloseTo(26, within(0.1));
        assertThat(j.get("fields")).hasSize(3);
        assertThat(j.get("fields").get(1).get("field").asDouble()).isEqualTo(0.7);
        assertThat(j.get("nominal").get("efl_mm").asDouble()).isEqualTo(j.get("efl_mm").asDouble());
        assertThat(j.get("diagnostics").isArray()).isTrue();
    }

    @Test
    void aFaultChangesThePictureNotTheNominal() throws Exception {
        Path lens = shipped("lenses/fell_52_f2.json");
        JsonNode good = run("lens", lens, "--json").json();
        JsonNode bad = run("lens", lens, "--fault", "reverse:E1", "--json").json();
        JsonNode vertex = run("lens", lens, "--fault", "reverse:E1", "--gaps", "vertex", "--json").json();

        assertThat(bad.get("nominal")).isEqualTo(good.get("nominal"));
        assertThat(bad.get("fields").get(1).get("rms_um").asDouble()).isGreaterThan(good.get("fields").get(1).get("rms_um").asDouble());
        assertThat(vertex.get("bfd_mm").asDouble()).isNotCloseTo(bad.get("bfd_mm").asDouble(), within(1e-3));
    }

    @Test
    void theSectionIsSavedAsItIsAssembled() throws Exception {
        Path out = folder.resolve("wrong.json");
        Ran r = run("lens", shipped("lenses/fell_52_f2.json"), "--fault", "unseated:E1:0.1:0.5", "--save", out, "--json");

        assertThat(r.status()).isZero();
        assertThat(r.json().get("opposite_fields")).hasSize(2);
        JsonNode again = run("lens", out, "--json").json();
        assertThat(again.get("fields").get(2).get("rms_um").asDouble()).isCloseTo(r.json().get("fields").get(2).get("rms_um").asDouble(), within(1e-6));
        assertThat(again.get("bfd_mm_per_mm_of_gap")).hasSize(11);
        assertThat(run("lens", shipped("lenses/fell_52_f2.json"), "--save", folder.resolve("no/where.json")).status()).isEqualTo(2);
    }

    @ParameterizedTest
    @CsvSource({"reverse:E2,cemented", "reverse:E9,there is no E9", "gap:99:1,99", "turn:E1,is not a fault"})
    void faultsThatMakeNoSenseAreBadInput(String fault, String said) throws Exception {
        Ran r = run("lens", shipped("lenses/fell_52_f2.json"), "--fault", fault, "--json");

        assertThat(r.status()).isEqualTo(2);
        assertThat(r.err().strip().lines()).singleElement().asString().startsWith("still-glass: ").contains(said);
        assertThat(r.out()).isEmpty();
    }

    @Test
    void badFilesGiveOneLineNamingFileAndField() throws Exception {
        Path bad = folder.resolve("bad.json");
        Files.writeString(bad, Files.readString(shipped("lenses/fell_52_f2.json")).replaceFirst("\"radius_mm\": 37.835", "\"radius_mm\": NaN"));
        Ran nan = run("lens", bad);
        Ran none = run("lens", folder.resolve("none.json"));

        assertThat(nan.status()).isEqualTo(2);
        assertThat(nan.err()).startsWith("still-glass: bad.json: ").contains("radius_mm");
        assertThat(nan.err().strip().lines()).hasSize(1);
        assertThat(none.err()).startsWith("still-glass: none.json: file: there is no such file");
        assertThat(run("lens").status()).isEqualTo(2);
        assertThat(run("teapot").status()).isEqualTo(2);
        assertThat(run().status()).isEqualTo(2);
    }

    @Test
    void everyVerbHasHelp() {
        for (String verb : List.of("lens", "grade", "plan", "report")) {
            Ran r = run(verb, "--help");
            assertThat(r.status()).as(verb).isZero();
            assertThat(r.out()).contains("Usage: still-glass " + verb).contains("--json");
        }
    }

    @Test
    void forPeopleItIsText() throws Exception {
        assertThat(run("lens", shipped("lenses/fell_52_f2.json")).out()).contains("focal length", "51.99", "field 0.7");
        assertThat(run("plan", shipped("instruments/ostrel_52_f2.json"), "--reach", "S2").out()).contains("mark", "no better order exists");
    }

    private Path photo(String name, Lighting lighting) throws Exception {
        HiddenTruth truth = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.FUNGUS, 1, 0.6, 0.5, 0.5, 0.7, 3),
                new HiddenTruth.GlassFault(FindingKind.DUST, 0, 0, 0, 1, 25, 5)), 0);
        BufferedImage image = InspectionCamera.photograph(new Shelf().section("fell_52_f2"), truth,
                new Pose(800, 640, 0.5, 0.5, 0.42, 6, lighting, 5)).picture();
        Path file = folder.resolve(name);
        ImageIO.write(image, "png", file.toFile());
        return file;
    }

    @Test
    void gradeWritesFindingsAndMaskBesideEachOther() throws Exception {
        Path out = folder.resolve("out");
        Ran r = run("grade", photo("front.png", Lighting.AGAINST), "--out", out, "--diameter-mm", "34.6");
        JsonNode j = JsonMapper.builder().build().readTree(Files.readString(out.resolve("front.json")));
        BufferedImage mask = ImageIO.read(out.resolve("front.mask.png").toFile());

        assertThat(r.status()).isZero();
        assertThat(j.get("lighting").asString()).isEqualTo("against");
        assertThat(j.get("yellowing").isNull()).as("bright field only").isTrue();
        assertThat(j.get("megapixels").asDouble()).isCloseTo(0.512, within(1e-9));
        assertThat(mask.getWidth()).isEqualTo(800);
        List<String> kinds = new ArrayList<>();
        j.get("findings").forEach(f -> {
            kinds.add(f.get("kind").asString());
            assertThat(f.get("area_mm2").asDouble()).isPositive();
            assertThat(f.get("clock").asDouble()).isBetween(0.0, 12.0);
            assertThat(f.get("severity").asInt()).isBetween(0, 4);
            assertThat(f.get("reasons")).isNotEmpty();
        });
        assertThat(kinds).contains("fungus", "dust");
        int fungus = 0;
        for (int y = 0; y < mask.getHeight(); y++) {
            for (int x = 0; x < mask.getWidth(); x++) {
                int level = mask.getRaster().getSample(x, y, 0);
                assertThat(level).isBetween(0, 11);
                fungus += level == 2 ? 1 : 0;
            }
        }
        assertThat(fungus).isGreaterThan(500);
    }

    @Test
    void aFolderIsGradedWithProgressAndBrightFieldKnowsItsTint() throws Exception {
        Path in = Files.createDirectories(folder.resolve("in"));
        Files.move(photo("a.png", Lighting.AGAINST), in.resolve("a.png"));
        Files.move(photo("b.png", Lighting.BRIGHT), in.resolve("b.png"));
        Ran r = run("grade", in, "--out", folder.resolve("out"), "--json");

        assertThat(r.err()).contains("1 of 2: a.png", "2 of 2: b.png");
        assertThat(r.json().get("photos")).hasSize(2);
        assertThat(r.json().get("photos").get(1).get("lighting").asString()).isEqualTo("bright");
        assertThat(r.json().get("photos").get(1).get("yellowing").asDouble()).isCloseTo(1, within(0.15));
    }

    @Test
    void gradeRefusesInWords() throws Exception {
        Path noise = folder.resolve("noise.png");
        BufferedImage grey = new BufferedImage(400, 300, BufferedImage.TYPE_INT_RGB);
        ImageIO.write(grey, "png", noise.toFile());
        Path torn = folder.resolve("torn.png");
        Files.write(torn, new byte[] {(byte) 0x89, 'P', 'N', 'G'});

        assertThat(run("grade", noise, "--out", folder.resolve("o")).status()).as("no glass in it: the answer is no").isEqualTo(1);
        assertThat(run("grade", torn, "--out", folder.resolve("o")).status()).isEqualTo(2);
        assertThat(run("grade", noise, "--out", folder.resolve("o"), "--lighting", "candle").err()).contains("--lighting").contains("candle");
        assertThat(run("grade", noise, "--out", folder.resolve("o"), "--diameter-mm", "NaN").status()).isEqualTo(2);
        assertThat(run("grade", Files.createDirectories(folder.resolve("empty")), "--out", folder.resolve("o")).err()).contains("no PNG, JPEG or TIFF");
    }

    @Test
    void planGivesStepsCostAndMarks() throws Exception {
        Ran r = run("plan", shipped("instruments/ostrel_52_f2.json"), "--reach", "E2", "--json");
        JsonNode j = r.json();

        assertThat(r.status()).isZero();
        assertThat(j.get("proven_best").asBoolean()).isTrue();
        assertThat(j.get("cost").asDouble()).isCloseTo(j.get("bound").asDouble(), within(1e-9));
        assertThat(j.get("marks")).anySatisfy(m -> assertThat(m.asString()).isEqualTo("e1-proud"));
        assertThat(j.get("steps").get(0).get("do").asString()).isIn("open", "mark");
        assertThat(run("plan", shipped("instruments/ostrel_52_f2.json"), "--reach", "teapot").status()).isEqualTo(2);
        assertThat(run("plan", shipped("instruments/ostrel_52_f2.json"), "--reach", "S6").status()).as("no way leads to the iris plane").isEqualTo(1);
    }

    @Test
    void planGoesAroundWhatIsMissingAndDrawsTheMat() throws Exception {
        Path map = shipped("instruments/pellam_folding_75.json");
        Path mat = folder.resolve("mat.svg");
        Path pdf = folder.resolve("mat.pdf");
        Path graph = folder.resolve("map.graphml");
        JsonNode j = run("plan", map, "--reach", "pressure_plate", "--lacking", "pin punch", "--alternatives", "--mat", mat, "--graphml", graph, "--json").json();

        assertThat(j.get("steps")).noneMatch(s -> s.path("joint").asString("").equals("back-pin"));
        assertThat(j.get("alternatives").get(0).get("way").asString()).isEqualTo("best");
        assertThat(j.get("alternatives")).anyMatch(w -> w.get("way").asString().equals("full strip") && w.get("joints").size() == 77);
        assertThat(Files.readString(mat)).contains("width=\"297.00mm\"", "100 mm. Print at 100 %", "pressure plate");
        assertThat(Files.readString(graph)).contains("graphml.graphdrawing.org", "joint:plate-off", "one-of 1", "frees");
        assertThat(run("plan", map, "--reach", "pressure_plate", "--without", "latch-open", "--mat", pdf).out()).contains("back door");
        assertThat(Files.size(pdf)).isGreaterThan(2000);
        assertThat(run("plan", map, "--reach", "pressure_plate", "--without", "latch-open", "--without", "back-off").status()).as("no way is left").isEqualTo(1);
        assertThat(run("plan", map, "--reach", "E1", "--without", "teapot").status()).isEqualTo(2);
        assertThat(run("plan", map, "--reach", "wind_knob", "--lacking", "friction cup 44 mm", "--lacking", "rubber sheet", "--lacking", "spanner, points").out())
                .contains("friction cup 44 mm: missing, nothing stands in for it");
        assertThat(run("plan", map, "--reach", "E1", "--mat", folder.resolve("no/such/mat.pdf")).status()).isEqualTo(2);
    }

    @Test
    void reportReadsTheLogbook() throws Exception {
        Path book = folder.resolve("book.sqlite");
        List<JsonNode> said = say(book, "begin Ostrel 52 mm f/2, Milky pictures", "owner Weather station");
        assertThat(said).extracting(j -> j.get("status").asString()).containsOnly("kept");
        Path pdf = folder.resolve("r.pdf");
        Path md = folder.resolve("r.md");
        Ran r = run("report", "T-0101", "--book", book, "--pdf", pdf, "--md", md, "--json");

        assertThat(r.status()).isZero();
        assertThat(Files.readString(md)).contains("Weather station", "Milky pictures", "Draft, not signed");
        assertThat(Files.size(pdf)).isGreaterThan(2000);
        assertThat(r.json().get("pdf").asString()).isEqualTo(pdf.toString());
        assertThat(run("report", "T-0108", "--book", book, "--md", md).err()).contains("there is no T-0108; it holds T-0101");
        assertThat(run("report", "T-0101", "--book", folder.resolve("none"), "--md", md).err()).contains("no such logbook");
        byte[] logbook = Files.readAllBytes(book);
        assertThat(run("report", "T-0101", "--book", book, "--pdf", book).err()).contains("logbook").contains("never written over");
        assertThat(run("report", "T-0101", "--book", book, "--md", book).status()).isEqualTo(2);
        assertThat(Files.readAllBytes(book)).as("the logbook stands").isEqualTo(logbook);
        assertThat(run("report", "T-0101", "--book", book).err()).contains("name a file to write with --pdf, --html or --md");
        assertThat(Optional.of(run("report", "T-0101", "--book", book, "--md", folder.resolve("no/where.md")).status())).contains(2);
    }

    private static List<JsonNode> say(Path book, String... lines) {
        InputStream before = System.in;
        System.setIn(new ByteArrayInputStream(String.join("\n", lines).getBytes(StandardCharsets.UTF_8)));
        try {
            Ran r = run("say", "--book", book);
            assertThat(r.status()).as(r.err()).isZero();
            return r.out().lines().map(l -> (JsonNode) JsonMapper.builder().build().readTree(l)).toList();
        } finally {
            System.setIn(before);
        }
    }

    /// Four photos of one name in four folders, one of them torn: three results, a sentence for the fourth, and a whole JSON object.
    @Test
    void aBatchKeepsEveryResultAndOneBadPhotoDoesNotEndIt() throws Exception {
        List<Path> all = new ArrayList<>();
        for (String in : List.of("a", "b", "c", "d")) {
            Path there = Files.createDirectories(folder.resolve("batch-" + in)).resolve("front.png");
            Files.copy(photo("front.png", Lighting.AGAINST), there, StandardCopyOption.REPLACE_EXISTING);
            all.add(there);
        }
        Files.write(all.get(1), Arrays.copyOf(Files.readAllBytes(all.get(1)), 4000));
        Path out = folder.resolve("batch-out");
        Ran r = run("grade", all.get(0), all.get(1), all.get(2), all.get(3), "--out", out, "--json");
        assertThat(r.json().get("photos")).hasSize(3);
        assertThat(r.json().get("refused").asInt()).isEqualTo(1);
        assertThat(r.err()).contains("front.png").contains("copy it from the camera again");
        assertThat(r.status()).isEqualTo(2);
        try (var files = Files.list(out)) {
            assertThat(files.map(f -> f.getFileName().toString()).sorted()).hasSize(6);
        }
    }

    @Test
    void ownMapsAreBroughtInRenamedMergedAndRestored() throws Exception {
        Path shop = Files.createDirectories(folder.resolve("shop"));
        assertThat(run("shelf", "--shop", folder.resolve("nowhere")).err()).contains("nowhere").contains("no such folder");
        Path zoom = shipped("instruments/corvane_zoom_35_70.json");
        assertThat(run("shelf", "--shop", shop).out()).as("an empty shelf").contains("no map");
        assertThat(run("shelf", "--shop", shop, "import", zoom).out()).contains("corvane_zoom_35_70", "joints");
        assertThat(run("shelf", "--shop", shop, "rename", "corvane_zoom_35_70", "Zoom of the harbour").out()).contains("Zoom of the harbour");
        assertThat(run("shelf", "--shop", shop).out()).contains("Zoom of the harbour");
        String version = run("shelf", "--shop", shop, "history", "corvane_zoom_35_70").out().split(" ")[0];
        assertThat(run("shelf", "--shop", shop, "restore", "corvane_zoom_35_70", version).out()).doesNotContain("harbour");
        Path out = folder.resolve("out.json");
        assertThat(run("shelf", "--shop", shop, "export", "corvane_zoom_35_70", out).status()).isZero();
        assertThat(out).exists();
        assertThat(run("shelf", "--shop", shop, "merge", "corvane_zoom_35_70", "teapot").err()).contains("teapot");
        assertThat(run("shelf", "--shop", shop, "merge", "corvane_zoom_35_70", "teapot").status()).isEqualTo(2);
        assertThat(run("shelf", "--shop", shop, "import", folder.resolve("none.json")).status()).isEqualTo(2);
    }

    @Test
    void sayAnswersOneObjectALineAndTheBookKeepsWhatWasKept() {
        Path book = folder.resolve("said.sqlite");
        List<JsonNode> said = say(book, "# a remark", "", "begin lens, Brook 35 mm", "off mount screws, screws, rear", "3 screws, slot, 4.2 mm", "teapot", "stage close", "done");

        assertThat(said).extracting(j -> j.get("status").asString()).containsExactly("kept", "kept", "kept", "unclear", "kept", "refused");
        assertThat(said).allSatisfy(j -> assertThat(j.propertyNames()).containsExactly("line", "reads", "status", "why", "asks", "hints", "next", "off", "open", "left"));
        assertThat(said.get(2).get("reads").asString()).isEqualTo("mount screws: X1, X2, X3, slot, 4.2 mm");
        assertThat(said.get(2).get("off").get(0).asString()).isEqualTo("mount-screws");
        assertThat(said.get(2).get("hints").get(0).asString()).as("what follows from it").contains("4.2 mm at least");
        assertThat(said.get(3).get("why").asString()).contains("teapot");
        assertThat(said.get(4).get("asks")).hasSize(3);
        assertThat(said.get(5).get("open").asInt()).isEqualTo(1);
        assertThat(say(book, "begin lens, Another").getFirst().get("reads").asString()).as("the next number").startsWith("T-0102");
        assertThat(run("say", "--book", book, "--ticket", "T-0999").err()).contains("T-0999");
        assertThat(run("say").status()).isEqualTo(2);
    }

    /// The same photo, turned about the middle of the glass by drawing it anew.
    private static BufferedImage turned(BufferedImage in, double clockwiseDeg) {
        BufferedImage out = new BufferedImage(in.getWidth(), in.getHeight(), BufferedImage.TYPE_INT_RGB);
        var g = out.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.rotate(Math.toRadians(clockwiseDeg), in.getWidth() / 2.0, in.getHeight() / 2.0);
        g.drawImage(in, 0, 0, null);
        g.dispose();
        return out;
    }

    @Test
    void clockingTellsHowFarAPhotoIsTurned() throws Exception {
        BufferedImage picture = InspectionCamera.photograph(new Shelf().section("fell_52_f2"), new HiddenTruth(List.of(
                new HiddenTruth.GlassFault(FindingKind.FUNGUS, 0, 0.4, 0.3, 0.4, 1, 3), new HiddenTruth.GlassFault(FindingKind.DUST, 0, 0, 0, 1, 60, 4)), 0),
                new Pose(800, 800, 0.5, 0.5, 0.36, 0, Lighting.AGAINST, 9)).picture();
        Path before = folder.resolve("before.png");
        Path after = folder.resolve("after.png");
        ImageIO.write(picture, "png", before.toFile());
        ImageIO.write(turned(picture, -37.5), "png", after.toFile());
        Ran found = run("clocking", before, after, "--json");

        assertThat(found.status()).as(found.err()).isZero();
        assertThat(found.json().get("turn_deg").asDouble()).isCloseTo(-37.5, within(0.3));
        assertThat(found.json().get("fold").asInt()).isEqualTo(1);
        assertThat(found.json().get("sure").asBoolean()).isTrue();
        assertThat(run("clocking", before, before, "--circle-before", "400,400,288", "--circle-after", "400,400,288").out()).startsWith("Turned by 0.00°");

        assertThat(run("clocking", before, after, "--ring", "2,1").err()).contains("--ring: is 2,1");
        assertThat(run("clocking", before, after, "--circle-after", "1,2").err()).contains("give 3 numbers");
        ImageIO.write(new BufferedImage(300, 300, BufferedImage.TYPE_INT_RGB), "png", after.toFile());
        assertThat(run("clocking", before, after).err()).contains("after.png: photo: shows no round glass edge");
        Ran blank = run("clocking", before, after, "--circle-after", "150,150,100");
        assertThat(blank.status()).isEqualTo(1);
        assertThat(blank.out()).startsWith("Nothing on the ring tells a turn");
    }
}
