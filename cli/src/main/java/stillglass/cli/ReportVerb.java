package stillglass.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.book.report.HtmlReport;
import stillglass.book.report.LetterMaker;
import stillglass.book.report.MarkdownReport;
import stillglass.book.report.PdfReport;
import stillglass.book.report.Report;
import stillglass.book.report.ReportMaker;

/// `report TICKET --pdf FILE`, `--html FILE` or `--md FILE`: the report of a ticket in a logbook, or with `--letter` the letter to its owner.
@CommandLine.Command(name = "report", description = "Writes the report of a ticket.", mixinStandardHelpOptions = true)
final class ReportVerb implements Callable<Integer> {
    private static final int MOST_NAMED = 20;

    @CommandLine.Parameters(paramLabel = "TICKET", description = "ticket number, such as T-0142")
    private String ticket = "";

    @CommandLine.Option(names = "--book", required = true, description = "logbook file")
    private Path book = Path.of("");

    @CommandLine.Option(names = "--pdf", description = "write a PDF here")
    private @Nullable Path pdf;

    @CommandLine.Option(names = "--md", description = "write Markdown here")
    private @Nullable Path md;

    @CommandLine.Option(names = "--html", description = "write one HTML page here")
    private @Nullable Path html;

    @CommandLine.Option(names = "--letter", description = "the letter to the owner in plain words instead of the report")
    private boolean letter;

    @CommandLine.Option(names = "--json", description = "say what was written as JSON")
    private boolean json;

    @CommandLine.Spec
    private CommandLine.Model.@Nullable CommandSpec spec;

    @Override
    public Integer call() throws IOException {
        if (pdf == null && md == null && html == null) {
            throw new BadInput("command line", "--pdf", "name a file to write with --pdf, --html or --md");
        }
        if (!Files.isRegularFile(book)) {
            throw new BadInput(String.valueOf(book.getFileName()), "file", "there is no such logbook: check the path " + book);
        }
        try (ShopBook shop = ShopBook.open(book, InstantSource.system(), "report", Objects.requireNonNull(spec).commandLine().getErr())) {
            Logbook log = shop.log();
            List<String> known = log.numbers();
            if (!known.contains(ticket)) {
                throw new BadInput(String.valueOf(book.getFileName()), "ticket", "there is no " + ticket + "; it holds " + String.join(", ", known.stream().limit(MOST_NAMED).toList())
                        + (known.size() > MOST_NAMED ? " and " + (known.size() - MOST_NAMED) + " more" : ""));
            }
            Tickets tickets = shop.tickets();
            Tickets.Ticket open = tickets.open(ticket);
            if (open.trouble().isPresent()) {
                throw new BadInput(String.valueOf(book.getFileName()), "ticket", open.trouble().get());
            }
            Report report = letter ? LetterMaker.of(open.state(), tickets.world(open), ZoneId.systemDefault()) : ReportMaker.of(open.state(), tickets.world(open), shop.shelf(), ZoneId.systemDefault());
            if (pdf != null) {
                PdfReport.write(report, id -> log.photo(ticket, id), pdf);
            }
            if (html != null) {
                HtmlReport.write(report, id -> log.photo(ticket, id), html);
            }
            if (md != null) {
                MarkdownReport.write(report, md);
            }
        }
        if (json) {
            Answer a = new Answer().put("ticket", ticket);
            if (pdf != null) {
                a.put("pdf", pdf.toString());
            }
            if (html != null) {
                a.put("html", html.toString());
            }
            if (md != null) {
                a.put("md", md.toString());
            }
            Objects.requireNonNull(spec).commandLine().getOut().println(a.json());
        }
        return 0;
    }
}
