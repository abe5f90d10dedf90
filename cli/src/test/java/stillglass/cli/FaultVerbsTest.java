package stillglass.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static stillglass.cli.Ran.run;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/// The verbs that ask what is wrong with an assembly, on shipped sections and files written here.
class FaultVerbsTest {
    private static final Path RILL = Path.of("../book/src/main/resources/stillglass/book/lenses/rill_57_f14.json");

    @TempDir
    Path folder;

    private Path file(String name, String json) throws IOException {
        return Files.writeString(folder.resolve(name), json);
    }

    /// Figures of a turned last glass as another program traced them.
    @Test
    void diagnoseNamesTheTurnedGlass() throws IOException {
        Path seen = file("seen.json", "{\"observations\":[{\"what\":\"infinity_error_mm\",\"value\":3.0,\"sigma\":0.02},{\"what\":\"rms_um\",\"field\":0.7,\"value\":330,\"sigma\":30}]}");
        JsonNode j = run("diagnose", RILL, seen, "--json").json();
        assertThat(j.get("hypotheses").get(0).get("fault").asString()).isEqualTo("reverse:E7");
        assertThat(j.get("hypotheses").get(0).get("probability").asDouble()).isGreaterThan(0.9);
        assertThat(j.get("hypotheses").get(0).get("predicts").get("infinity_error_mm").asDouble()).isCloseTo(3.0, within(0.05));
        assertThat(j.get("tried").asInt()).isGreaterThan(150);
        Path vague = file("vague.json", "{\"observations\":[{\"what\":\"infinity_error_mm\",\"value\":0.3}]}");
        JsonNode open = run("diagnose", RILL, vague, "--json").json();
        assertThat(open.get("hypotheses").size()).isGreaterThan(3);
        assertThat(open.get("next_check").get("gain_bits").asDouble()).isPositive();
        assertThat(run("diagnose", RILL, file("right.json", "{\"observations\":[{\"what\":\"infinity_error_mm\",\"value\":0.0}]}")).status()).as("nothing is wrong").isEqualTo(1);
    }

    @Test
    void observationsThatCannotBeAreRefusedInASentence() throws IOException {
        assertThat(run("diagnose", RILL, file("a.json", "{\"observations\":[{\"what\":\"rms_um\",\"value\":30}]}"))).satisfies(r -> {
            assertThat(r.status()).isEqualTo(2);
            assertThat(r.err()).contains("a.json").contains("field").hasLineCount(1);
        });
        assertThat(run("diagnose", RILL, file("b.json", "{\"observations\":[{\"what\":\"smell\",\"value\":1}]}")).err()).contains("b.json").contains("/observations/0/what");
        assertThat(run("diagnose", RILL, file("c.json", "{\"observations\":[]}")).status()).isEqualTo(2);
    }

    @Test
    void collarsAreSetFromTheSettingsThatWereTried() throws IOException {
        // One collar whose arrow lies opposite to the rest at 270°: corners of 1/f² = 1e-3 ± the halves of both, by hand.
        StringBuilder settings = new StringBuilder();
        for (double deg : new double[] {0, 90}) {
            double x = 2e-4 + 2e-4 * Math.sin(Math.toRadians(deg));
            double y = 2e-4 * Math.cos(Math.toRadians(deg));
            settings.append(settings.isEmpty() ? "" : ",").append(String.format(Locale.ROOT, "{\"collars_deg\":[%s],\"corners_lp_mm\":[%.9f,%.9f,%.9f,%.9f]}", deg,
                    1 / Math.sqrt(1e-3 + (x + y) / 2), 1 / Math.sqrt(1e-3 + (-x + y) / 2), 1 / Math.sqrt(1e-3 + (-x - y) / 2), 1 / Math.sqrt(1e-3 + (x - y) / 2)));
        }
        JsonNode j = run("collars", file("c.json", "{\"settings\":[" + settings + "]}"), "--json").json();
        assertThat(j.get("collars").get(0).get("deg").asDouble()).isCloseTo(270, within(1e-3));
        assertThat(j.get("left_share").asDouble()).isCloseTo(0, within(1e-4));
        assertThat(run("collars", file("d.json", "{\"settings\":[{\"collars_deg\":[0,0],\"corners_lp_mm\":[30,30,30,30]},{\"collars_deg\":[90,0],\"corners_lp_mm\":[30,31,30,30]}]}"))).satisfies(r -> {
            assertThat(r.status()).isEqualTo(2);
            assertThat(r.err()).contains("d.json").contains("three settings").hasLineCount(1);
        });
    }

    @Test
    void aSectionIsTracedAtOneOfItsPositionsAndKeepsThemWhenSaved() throws IOException {
        String plain = Files.readString(RILL);
        Path near = file("near.json", plain.replaceFirst("\"surfaces\"", "\"positions\":[{\"name\":\"near\",\"at\":1,\"gaps_mm\":{\"6\":12.5}},{\"name\":\"far\",\"at\":0}],\"surfaces\""));
        double far = run("lens", near, "--json").json().get("bfd_mm").asDouble();
        assertThat(run("lens", near, "--position", "far", "--json").json().get("bfd_mm").asDouble()).isCloseTo(far, within(1e-9));
        double close = run("lens", near, "--position", "near", "--json").json().get("bfd_mm").asDouble();
        double half = run("lens", near, "--position", "0.5", "--json").json().get("bfd_mm").asDouble();
        assertThat(half).isStrictlyBetween(Math.min(far, close), Math.max(far, close));
        assertThat(run("lens", near, "--position", "macro").err()).contains("near.json").contains("far, near").hasLineCount(1);
        Path saved = folder.resolve("saved.json");
        assertThat(run("lens", near, "--fault", "decentred:E2:0.2:6", "--save", saved).status()).isZero();
        assertThat(Files.readString(saved)).contains("aside_mm").contains("\"near\"");
        assertThat(run("lens", saved, "--json").json().get("fields").get(2).get("rms_um").asDouble()).isCloseTo(run("lens", near, "--fault", "decentred:E2:0.2:6", "--json").json().get("fields").get(2).get("rms_um").asDouble(), within(0.5));
        Path bent = file("bent.json", plain.replaceFirst("\"radius_mm\"", "\"conic\": -0.6, \"asphere\": [1e-7], \"radius_mm\""));
        assertThat(run("lens", bent, "--json").json().get("fields").get(0).get("rms_um").asDouble()).isNotCloseTo(run("lens", near, "--json").json().get("fields").get(0).get("rms_um").asDouble(), within(0.5));
    }

    @Test
    void figuresMayComeFromSeveralPositionsOfASection() throws IOException {
        Path zoom = file("zoom.json", Files.readString(RILL).replaceFirst("\"surfaces\"", "\"positions\":[{\"name\":\"near\",\"at\":1,\"gaps_mm\":{\"6\":12.5}},{\"name\":\"far\",\"at\":0}],\"surfaces\""));
        Path seen = file("seen.json", "{\"observations\":[{\"what\":\"infinity_error_mm\",\"value\":0.3,\"sigma\":0.02,\"position\":\"near\"},{\"what\":\"infinity_error_mm\",\"value\":0.3,\"sigma\":0.02,\"position\":\"far\"}]}");
        JsonNode j = run("diagnose", zoom, seen, "--json").json();
        assertThat(j.get("hypotheses").get(0).get("fault").asString()).startsWith("shim");
        assertThat(j.get("hypotheses").get(0).get("predicts").get("infinity_error_mm@near").asDouble()).isCloseTo(0.3, within(0.05));
        Path elsewhere = file("elsewhere.json", Files.readString(seen).replace("near", "macro"));
        assertThat(run("diagnose", zoom, elsewhere).err()).contains("zoom.json").contains("far, near").hasLineCount(1);
    }

    @Test
    void whatFindingsDoToThePictureIsToldAtEveryStop() throws IOException {
        Path disc = file("disc.json", "{\"findings\":[{\"id\":\"a\",\"kind\":\"fungus\",\"surface\":1,\"disc_mm\":{\"x\":0,\"y\":0,\"diameter\":4},\"blocks\":1.0},{\"id\":\"b\",\"kind\":\"dust\",\"surface\":2,\"outline_mm\":[[0,0],[2,0],[0,2]]}]}");
        JsonNode j = run("show", RILL, disc, "--json", "--points", "0,0;0.7,0").json();
        JsonNode first = j.get("findings").get(0).get("stops").get(0);
        // On the axis and wide open 4 mm of the beam's 57/1.4 = 40.7 mm.
        assertThat(first.get("points").get(0).get("lost").asDouble()).isCloseTo(16 / (57 / 1.4) / (57 / 1.4), within(0.0006));
        assertThat(j.get("findings").get(1).get("surface").asInt()).isEqualTo(2);
        double veil = first.get("veil").asDouble();
        assertThat(first.get("contrast_lost").get("average").asDouble()).isCloseTo(veil / (1 + veil), within(1e-6));
        assertThat(first.get("contrast_lost").get("lamp").asDouble()).as("threads throw light wide").isGreaterThan(first.get("contrast_lost").get("average").asDouble());
        assertThat(j.get("findings").get(1).get("stops").get(0).get("contrast_lost").get("sun").asDouble()).as("specks do not").isLessThan(0.02);
        Path scene = folder.resolve("scene.png");
        assertThat(run("show", RILL, disc, "--scene", scene.toString()).err()).isEmpty();
        assertThat(javax.imageio.ImageIO.read(scene.toFile()).getWidth()).isEqualTo(480);
        assertThat(run("show", RILL, disc, "--scene", disc.toString()).err()).contains("disc.json").hasLineCount(1);
        assertThat(run("show", RILL, file("far.json", Files.readString(disc).replace("\"surface\":1", "\"surface\":99"))).err()).contains("far.json").contains("/findings/0/surface").hasLineCount(1);
        assertThat(run("show", RILL, file("off.json", Files.readString(disc).replace("\"x\":0", "\"x\":500"))).err()).contains("off.json").contains("nothing of it lies within").hasLineCount(1);
        assertThat(run("show", RILL, disc, "--points", "0.9,0.9").err()).contains("outside the picture").hasLineCount(1);
    }

    @Test
    void whatShowsNowhereIsToldOverPositionsDistancesAndStops() throws IOException {
        JsonNode all = run("specks", RILL, "--map", "--json").json();
        JsonNode far = run("specks", RILL, "--json").json();
        double first = all.get("surfaces").get(0).get("diameter_mm").asDouble();
        assertThat(first).isPositive().isLessThanOrEqualTo(far.get("surfaces").get(0).get("stops").get(7).get("diameter_mm").asDouble());
        assertThat(all.get("tried").asInt()).isGreaterThan(1);
        assertThat(run("specks", RILL, "--map").out()).contains("shows anywhere").contains("f/16");
    }

    @Test
    void howLargeASpeckMustBeIsToldForNearThingsToo() throws IOException {
        JsonNode far = run("specks", RILL, "--json").json();
        assertThat(far.get("surfaces").size()).isGreaterThan(10);
        // At f/16 a beam of 57/16 mm on the front: 2 % of it is a disc of 0.14 of its width.
        assertThat(far.get("surfaces").get(0).get("stops").get(7).get("diameter_mm").asDouble()).isCloseTo(Math.sqrt(0.02) * 57 / 16, within(0.03));
        JsonNode near = run("specks", RILL, "--json", "--distance", "300", "--frame", "24x36").json();
        assertThat(near.get("surfaces").get(0).get("stops").get(7).get("diameter_mm").asDouble()).as("narrower near the thing").isLessThan(far.get("surfaces").get(0).get("stops").get(7).get("diameter_mm").asDouble());
        Path zoom = file("zoom.json", Files.readString(RILL).replaceFirst("\"surfaces\"", "\"positions\":[{\"name\":\"near\",\"at\":1,\"gaps_mm\":{\"6\":12.5}},{\"name\":\"far\",\"at\":0}],\"surfaces\""));
        JsonNode there = run("specks", zoom, "--json", "--position", "near").json();
        assertThat(there.get("surfaces").get(0).get("stops").get(7).get("diameter_mm").asDouble()).as("another way to the iris").isNotEqualTo(far.get("surfaces").get(0).get("stops").get(7).get("diameter_mm").asDouble());
        assertThat(run("specks", zoom, "--json", "--position", "far").out()).isEqualTo(run("specks", RILL, "--json").out());
        assertThat(run("specks", zoom, "--position", "macro").err()).contains("far, near").hasLineCount(1);
        assertThat(run("specks", RILL).out()).contains("front of E1").contains("f/16");
        assertThat(run("specks", RILL, "--frame", "60x60").err()).contains("image circle").hasLineCount(1);
        assertThat(run("specks", RILL, "--frame", "large").err()).contains("24x36").hasLineCount(1);
        assertThat(run("specks", RILL, "--distance", "-5").err()).contains("-5").hasLineCount(1);
        assertThat(run("specks", RILL, "--visible", "2").err()).contains("2.0").hasLineCount(1);
    }

    @Test
    void reflectionsOfALampAreWeighed() throws IOException {
        Path none = file("glints.json", "{\"photos\":[{\"lamp_mm\":300,\"aside_mm\":30,\"camera_mm\":250,\"shares\":[0.1,-0.2]}]}");
        JsonNode j = run("glints", RILL, none, "--json").json();
        assertThat(j.get("hypotheses")).hasSize(6);
        assertThat(j.get("hypotheses").get(0).get("probability").asDouble()).isBetween(0.05, 1.0);
        assertThat(run("glints", RILL, file("far.json", Files.readString(none).replace("0.1,", "1.7,"))).err()).contains("far.json").contains("/photos/0/shares/0").hasLineCount(1);
        assertThat(run("glints", RILL, file("on.json", Files.readString(none).replace("\"aside_mm\":30", "\"aside_mm\":0"))).err()).contains("on.json").contains("aside_mm").hasLineCount(1);
    }

    @Test
    void helicoidTellsTheEntryAndTheOrderOfTrials() throws IOException {
        Path threads = file("threads.json", "{\"outer\":{\"lead_mm\":12.0,\"starts\":6,\"hand\":\"right\"},\"inner\":{\"lead_mm\":4.5,\"starts\":4,\"hand\":\"left\"},\"key_slots\":1,\"trials_wanted\":true}");
        JsonNode j = run("helicoid", threads, "--infinity-error", "-2.0", "--sigma", "0.02", "--json").json();
        JsonNode first = j.get("entries").get(0);
        assertThat(first.get("outer").asInt()).isEqualTo(1);
        assertThat(first.get("error_mm").asDouble()).isCloseTo(-2, within(1e-9));
        assertThat(first.get("say").asString()).contains("anticlockwise");
        assertThat(j.get("trials")).hasSize(24);
        Path marked = file("marked.json", Files.readString(threads).replace("\"key_slots\"", "\"witness_marks\":[{\"between\":\"inner\",\"sort\":\"dent\",\"hours\":3.0}],\"key_slots\""));
        assertThat(run("helicoid", marked, "--json").json().get("entries").get(0).get("inner").asInt()).as("three hours of four starts are one place").isEqualTo(1);
        assertThat(run("helicoid", threads, "--json").json().get("expected_trials").asDouble()).isBetween(2.0, 12.5);
        assertThat(run("helicoid", file("none.json", "{}")).status()).isEqualTo(2);
        assertThat(run("helicoid", file("neg.json", "{\"outer\":{\"lead_mm\":-1,\"starts\":6,\"hand\":\"right\"}}")).err()).contains("/outer/lead_mm");
    }

    @Test
    void orderSortsABagOfGlasses() throws IOException {
        Path bag = file("bag.json", "{\"glasses\":[{\"id\":\"c\",\"r1_mm\":17.285,\"r2_mm\":-141.25,\"thickness_mm\":2,\"diameter_mm\":12,\"nd\":1.691},"
                + "{\"id\":\"a\",\"r1_mm\":21.25,\"r2_mm\":-158.65,\"thickness_mm\":2,\"diameter_mm\":12,\"focal_mm\":27.28},{\"id\":\"b\",\"r1_mm\":-20.25,\"r2_mm\":19.3,\"thickness_mm\":2,\"diameter_mm\":10,\"nd\":1.616}],"
                + "\"gaps_mm\":[6.0,4.75],\"efl_mm\":38.94,\"back_focus_mm\":30.08,\"f_number\":5,\"tolerances\":{\"efl_mm\":0.2,\"back_focus_mm\":0.2}}");
        JsonNode j = run("order", bag, "--json").json();
        assertThat(j.get("tried").asInt()).isEqualTo(48);
        assertThat(j.get("arrangements").get(0).get("places").toString()).isEqualTo("[\"a\",\"b\",\"c reversed\"]");
        assertThat(run("order", file("one.json", "{\"glasses\":[{\"id\":\"a\",\"r1_mm\":20,\"r2_mm\":null,\"thickness_mm\":2,\"diameter_mm\":12,\"nd\":1.7}],\"gaps_mm\":[],\"efl_mm\":50,\"f_number\":5}")).status()).isEqualTo(2);
        assertThat(run("order", file("nan.json", "{\"glasses\":[{\"id\":\"a\",\"r1_mm\":0,\"r2_mm\":null,\"thickness_mm\":2,\"diameter_mm\":12,\"nd\":1.7},{\"id\":\"b\",\"r1_mm\":9,\"r2_mm\":null,\"thickness_mm\":2,\"diameter_mm\":12,\"nd\":1.7}],\"gaps_mm\":[1],\"efl_mm\":50,\"f_number\":5}")).err()).contains("nan.json").contains("a: radii are not 0").hasLineCount(1);
    }
}
