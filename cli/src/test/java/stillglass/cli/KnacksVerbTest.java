package stillglass.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class KnacksVerbTest {
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    private int run(String... args) {
        return Main.run(new PrintWriter(out), new PrintWriter(err), args);
    }

    @Test
    void whatIsInHandIsToldByItsNameWithReasons() {
        assertThat(run("knacks", "open", "retainer", "of", "E1", "--json")).isZero();
        JsonNode answer = JsonMapper.builder().build().readTree(out.toString());
        assertThat(answer.get("in_hand").valueStream().map(JsonNode::asString)).contains("glass", "retainer");
        assertThat(answer.get("knacks").valueStream().map(k -> k.get("id").asString())).contains("retainer-shield", "glass-drops").doesNotContain("thread-slow");
        assertThat(answer.get("knacks").valueStream()).allSatisfy(k -> assertThat(k.get("why").asString()).isNotBlank());
    }

    @Test
    void whatNobodyKnowsIsSaidToBeUnknown() {
        assertThat(run("knacks", "clean", "thingummy")).isZero();
        assertThat(out.toString()).startsWith("nothing is known");
    }

    @Test
    void anActThereIsNotIsNamedWithThoseThereAre() {
        assertThat(run("knacks", "juggle")).isEqualTo(2);
        assertThat(err.toString()).contains("juggle").contains("open, clean, flush, grease, close");
    }
}
