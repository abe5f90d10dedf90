package stillglass.cli;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// What a verb printed and how it ended.
record Ran(int status, String out, String err) {
    static Ran run(Object... args) {
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        int status = Main.run(new PrintWriter(out), new PrintWriter(err), Stream.of(args).map(Object::toString).toArray(String[]::new));
        return new Ran(status, out.toString(), err.toString());
    }

    JsonNode json() {
        return JsonMapper.builder().build().readTree(out);
    }
}
