package stillglass.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.Locale;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.report.LabelledSet;
import stillglass.look.ShopTeaching;

/// `labels --book BOOK --out DIR`: photos with what the technician says is in them, and what corrections would teach.
@CommandLine.Command(name = "labels", description = "Writes photos with the technician's labels, to learn from.", mixinStandardHelpOptions = true)
final class LabelsVerb extends Verb {
    @CommandLine.Option(names = "--book", required = true, paramLabel = "BOOK", description = "logbook file")
    private Path book = Path.of("");

    @CommandLine.Option(names = "--out", required = true, paramLabel = "DIR", description = "folder for the photos and labels.json")
    private Path out = Path.of("");

    @Override
    public Integer call() {
        if (!Files.isRegularFile(book)) {
            throw new BadInput(String.valueOf(book.getFileName()), "file", "there is no such logbook: check the path " + book);
        }
        try (ShopBook shop = ShopBook.open(book, InstantSource.system(), "labels", err())) {
            LabelledSet.Written w = LabelledSet.write(shop.tickets(), out);
            ShopTeaching taught = shop.tickets().teaching();
            ShopTeaching.Help help = taught.help();
            ShopTeaching.Help severity = taught.severityHelp();
            if (json()) {
                out().println(new Answer().put("photos", w.photos()).put("findings", w.findings()).put("missing", w.missing())
                        .put("taught", new Answer().put("judged", help.findings()).number("right_as_read", help.before()).number("right_as_taught", help.after()).put("worth", help.worth()))
                        .put("severities", new Answer().put("judged", severity.findings()).number("right_as_read", severity.before()).number("right_as_taught", severity.after()).put("worth", severity.worth())).json());
            } else {
                out().printf(Locale.ROOT, "%d photos with %d findings written into %s, %d photos missing%n", w.photos(), w.findings(), out, w.missing());
            }
        }
        return 0;
    }
}
