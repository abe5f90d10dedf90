package stillglass.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.logging.Level;
import java.util.logging.Logger;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.BookTrouble;

/// Entry of the headless verbs.
@CommandLine.Command(
        name = "still-glass",
        description = "Grades, plans and proves optical repairs.",
        subcommands = {LensVerb.class, DiagnoseVerb.class, HelicoidVerb.class, CollarsVerb.class, GlintsVerb.class, OrderVerb.class, GradeVerb.class, ShowVerb.class, LabelsVerb.class, UsedVerb.class, KnacksVerb.class, SpecksVerb.class, DryVerb.class, SealsVerb.class, GreaseVerb.class, DayVerb.class, PlanVerb.class, ClockingVerb.class, ShutterVerb.class, SharpnessVerb.class, IrisVerb.class, CouplingVerb.class, ClosingVerb.class, BladesVerb.class, VeilVerb.class, ChartsVerb.class, ReportVerb.class, SayVerb.class, ShelfVerb.class},
        mixinStandardHelpOptions = true)
public final class Main {
    private Main() {}

    public static void main(String[] args) {
        quiet();
        PrintWriter out = new PrintWriter(System.out, false, StandardCharsets.UTF_8);
        PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
        int status = run(out, err, args);
        out.flush();
        System.exit(status);
    }

    /// The verbs say themselves what is wrong; libraries say nothing.
    static void quiet() {
        Logger.getLogger("").setLevel(Level.OFF);
    }

    /// Runs one command line without leaving the process.
    /// @return exit status
    public static int run(PrintWriter out, PrintWriter err, String... args) {
        CommandLine line = new CommandLine(new Main())
                .setOut(out)
                .setErr(err)
                .setCaseInsensitiveEnumValuesAllowed(true)
                .setParameterExceptionHandler((e, a) -> {
                    err.println("still-glass: command line: " + e.getMessage() + " (see --help)");
                    return 2;
                })
                .setExecutionExceptionHandler((e, command, parsed) -> {
                    err.println("still-glass: " + sentence(e));
                    return 2;
                });
        line.getCommandSpec().name("still-glass");
        if (args.length == 0) {
            line.usage(out);
            out.flush();
            return 2;
        }
        int status = line.execute(args);
        out.flush();
        return status;
    }

    private static String sentence(Exception e) {
        return switch (e) {
            case BadInput b -> String.valueOf(b.getMessage());
            case BookTrouble t -> "logbook: file: " + t.getMessage();
            case IllegalArgumentException i -> "command line: " + i.getMessage();
            case IOException io -> "output: file: cannot be written: " + io.getMessage();
            default -> "inside: an error of the program, please report it: " + e;
        };
    }
}
