package stillglass.cli;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.Objects;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.book.say.SaySession;

/// `say --book FILE [--ticket NUMBER]`: bench shorthand on standard input, one JSON object a line on standard output.
@CommandLine.Command(name = "say", description = "Reads bench shorthand from standard input and answers one JSON object a line.", mixinStandardHelpOptions = true)
final class SayVerb implements Callable<Integer> {
    @CommandLine.Option(names = "--book", required = true, description = "logbook file; made if it is not there")
    private Path book = Path.of("");

    @CommandLine.Option(names = "--ticket", paramLabel = "NUMBER", description = "ticket to go on with; without it the first line begins one")
    private @Nullable String ticket;

    @CommandLine.Option(names = "--json", description = "answers are always JSON; accepted for likeness with the other verbs")
    private boolean json;

    @CommandLine.Spec
    private CommandLine.Model.@Nullable CommandSpec spec;

    @Override
    public Integer call() throws IOException {
        var out = Objects.requireNonNull(spec).commandLine().getOut();
        // Standard input belongs to the process and is not closed here.
        BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
        try (Logbook log = Logbook.open(book)) {
            log.notes().forEach(n -> spec.commandLine().getErr().println("still-glass: " + n));
            if (!log.writable()) {
                throw new BadInput(String.valueOf(book.getFileName()), "file", "it may only be read: allow writing it and its folder, or name another");
            }
            Shelf shelf = Shelf.ofShopAndShipped(log.file().resolveSibling(""));
            shelf.complaints().forEach(c -> spec.commandLine().getErr().println("still-glass: " + c));
            Tickets tickets = new Tickets(log, shelf, InstantSource.system(), System.getProperty("user.name", ""), "say " + UUID.randomUUID());
            tickets.present();
            SaySession session = new SaySession(tickets, shelf, InstantSource.system());
            if (ticket != null && !session.open(ticket)) {
                throw new BadInput(String.valueOf(book.getFileName()), "--ticket", "there is no ticket " + ticket);
            }
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                String said = line.strip();
                if (said.isEmpty() || said.startsWith("#")) {
                    continue;
                }
                SaySession.Answer a = session.say(said);
                out.println(new Answer().put("line", a.line()).put("reads", a.reads()).put("status", a.status().word()).put("why", a.why()).put("asks", a.asks()).put("hints", a.hints()).put("next", a.next())
                        .put("off", a.off()).put("open", a.open()).put("left", a.left()).oneLine());
                out.flush();
            }
            return 0;
        }
    }
}
