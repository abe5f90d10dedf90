package stillglass.cli;

import java.io.PrintWriter;
import java.util.Objects;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;

/// What every verb that answers has: `--json`, and where it prints.
abstract class Verb implements Callable<Integer> {
    @CommandLine.Option(names = "--json", description = "one JSON object on standard output")
    private boolean json;

    @CommandLine.Spec
    private CommandLine.Model.@Nullable CommandSpec spec;

    boolean json() {
        return json;
    }

    PrintWriter err() {
        return Objects.requireNonNull(spec).commandLine().getErr();
    }

    PrintWriter out() {
        return Objects.requireNonNull(spec).commandLine().getOut();
    }
}
