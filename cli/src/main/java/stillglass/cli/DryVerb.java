package stillglass.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.trace.TraceFiles;
import stillglass.care.Drying;

/// `dry FILE`: when something wet is dry, from weighings.
@CommandLine.Command(name = "dry", description = "Tells from weighings when something that was wet is dry.", mixinStandardHelpOptions = true)
final class DryVerb extends Verb {
    @CommandLine.Parameters(paramLabel = "FILE", description = "weighings as a table t_h,mass_g (CSV)")
    private Path file = Path.of("");

    @CommandLine.Option(names = "--resolution", paramLabel = "G", description = "least step of the balance in grams (default: ${DEFAULT-VALUE})", defaultValue = "0.01")
    private double resolution;

    @Override
    public Integer call() {
        String name = String.valueOf(file.getFileName());
        List<double[]> columns = TraceFiles.table(file);
        Drying d;
        try {
            List<Drying.Weighing> all = new ArrayList<>();
            for (int i = 0; i < columns.getFirst().length; i++) {
                all.add(new Drying.Weighing(columns.get(0)[i], columns.get(1)[i]));
            }
            d = Drying.of(all, resolution);
        } catch (IllegalArgumentException doesNotTell) {
            throw new BadInput(name, "weighings", String.valueOf(doesNotTell.getMessage()));
        }
        if (json()) {
            out().println(new Answer().number("settled_g", d.settledG()).number("water_left_g", d.waterLeftG()).number("tau_h", d.tauH()).number("ready_at_h", d.readyAtH())
                    .put("ready_interval_h", List.of(finite(d.fromH()), finite(d.toH()))).number("next_weighing_h", d.nextH()).json());
        } else {
            out().printf(Locale.ROOT, "dry at %.2f g; %.2f g of water left; what is left falls to a third in %.1f h%n", d.settledG(), d.waterLeftG(), d.tauH());
            out().println(Double.isInfinite(d.toH()) ? String.format(Locale.ROOT, "ready about %.1f h, not before %.1f h; these weighings set no end to it", d.readyAtH(), d.fromH())
                    : String.format(Locale.ROOT, "ready at %.1f h (95 %%: %.1f to %.1f h)", d.readyAtH(), d.fromH(), d.toH()));
            out().printf(Locale.ROOT, "weigh again at %.1f h%n", d.nextH());
            out().println("no power before it is ready; local rules for cells and flash capacitors come first");
        }
        return 0;
    }

    /// What nothing bounds is written as a word, for JSON has no number for it.
    private static Object finite(double h) {
        return Double.isFinite(h) ? h : "unbounded";
    }
}
