package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import picocli.CommandLine;
import stillglass.book.data.FaultJson;
import stillglass.fault.OrderFinder;
import stillglass.look.Progress;

/// `order GLASSES`: in which order loose glasses go, and which way round.
@CommandLine.Command(name = "order", description = "Sorts loose glasses into the order and facing that make the lens.", mixinStandardHelpOptions = true)
final class OrderVerb extends Verb {
    private static final int MOST = 20;

    @CommandLine.Parameters(paramLabel = "GLASSES", description = "the glasses and the lens they make, JSON")
    private Path file = Path.of("");

    @Override
    public Integer call() {
        FaultJson.Glasses g = FaultJson.glasses(file);
        long start = System.nanoTime();
        OrderFinder found = OrderFinder.of(g.loose(), g.wanted(), Progress.SILENT);
        double seconds = (System.nanoTime() - start) / 1e9;
        PrintWriter out = out();
        if (json()) {
            Answer answer = new Answer().put("arrangements", found.arrangements().stream().limit(MOST).map(OrderVerb::arrangement).toList()).put("unique", found.unique());
            found.next().ifPresent(n -> answer.put("next_measurement", new Answer().put("what", n.what()).number("gain_bits", n.bits())));
            out.println(answer.put("tried", found.tried()).number("seconds", seconds).json());
        } else {
            found.arrangements().stream().limit(MOST / 4).forEach(a -> out.printf(Locale.ROOT, "%5.1f %%  %s  (focal length %.2f, back focus %.2f mm)%n", 100 * a.probability(), String.join(", ", places(a)), a.eflMm(), a.bfdMm()));
            out.println(found.unique() ? "the first stands alone" : "more than one is possible" + found.next().map(n -> ": measure " + n.what().replace('_', ' ')).orElse(""));
        }
        return found.arrangements().isEmpty() ? 1 : 0;
    }

    private static List<String> places(OrderFinder.Arrangement a) {
        return IntStream.range(0, a.places().size()).mapToObj(i -> a.places().get(i) + (a.turned().get(i) ? " reversed" : "")).toList();
    }

    private static Map<String, Object> arrangement(OrderFinder.Arrangement a) {
        return new Answer().put("places", places(a)).number("probability", a.probability()).number("efl_mm", a.eflMm()).number("bfd_mm", a.bfdMm()).number("rms_um", a.rmsUm()).fields();
    }
}
