package stillglass.cli;

import java.io.PrintWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.report.MatFiles;
import stillglass.book.report.TestChart;

/// `charts DIR`: charts to print at true size.
@CommandLine.Command(name = "charts", description = "Writes charts to print at true size: edges, star, distance, finder.", mixinStandardHelpOptions = true)
final class ChartsVerb extends Verb {
    @CommandLine.Parameters(paramLabel = "DIR", description = "folder, made when it is not there")
    private Path folder = Path.of("");

    @CommandLine.Option(names = "--format", paramLabel = "FORMAT", description = "pdf (default) or svg")
    private String format = "pdf";

    @Override
    public Integer call() throws IOException {
        String ending = format.toLowerCase(Locale.ROOT);
        if (!ending.equals("pdf") && !ending.equals("svg")) {
            throw new BadInput("command line", "--format", "is \"" + format + "\": give pdf or svg");
        }
        if (Files.exists(folder) && !Files.isDirectory(folder)) {
            throw new BadInput(String.valueOf(folder.getFileName()), "folder", "is a file: name a folder for the charts");
        }
        Files.createDirectories(folder);
        List<String> written = new ArrayList<>();
        for (TestChart chart : TestChart.values()) {
            Path file = folder.resolve("chart-" + chart.word() + "." + ending);
            MatFiles.write(chart.drawn(), file);
            written.add(file.toString());
        }
        PrintWriter out = out();
        if (json()) {
            out.println(new Answer().put("charts", written).json());
        } else {
            written.forEach(out::println);
        }
        return 0;
    }
}
