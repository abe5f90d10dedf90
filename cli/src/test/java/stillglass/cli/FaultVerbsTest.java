package stillglass.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static stillglass.cli.Ran.run;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
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
    void helicoidTellsTheEntryAndTheOrderOfTrials() throws IOException {
        Path threads = file("threads.json", "{\"outer\":{\"lead_mm\":12.0,\"starts\":6,\"hand\":\"right\"},\"inner\":{\"lead_mm\":4.5,\"starts\":4,\"hand\":\"left\"},\"key_slots\":1,\"trials_wanted\":true}");
        JsonNode j = run("helicoid", threads, "--infinity-error", "-2.0", "--sigma", "0.02", "--json").json();
        JsonNode first = j.get("entries").get(0);
        assertThat(first.get("outer").asInt()).isEqualTo(1);
        assertThat(first.get("error_mm").asDouble()).isCloseTo(-2, within(1e-9));
        assertThat(first.get("say").asString()).contains("anticlockwise");
        assertThat(j.get("trials")).hasSize(24);
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
