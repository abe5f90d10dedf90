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

/// What something wet weighs, and when it is dry.
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
}
