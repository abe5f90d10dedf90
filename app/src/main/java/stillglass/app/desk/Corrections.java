package stillglass.app.desk;

import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.book.report.LabelledSet;
import stillglass.look.Progress;
import stillglass.look.ShopTeaching;

/// What the technician corrected on all tickets, and whether it is used for new photos.
public final class Corrections {
    private static final String SETTING = "corrections";
    private static final String LEFT_OUT = "left out";

    private final Threads threads;
    private final Logbook log;
    private final Tickets tickets;

    Corrections(Threads threads, Logbook log, Tickets tickets) {
        this.threads = threads;
        this.log = log;
        this.tickets = tickets;
    }

    /// @param help what corrections of kinds bring
    /// @param severity what those of severities bring
    /// @param used whether they are to be used
    public record State(ShopTeaching.Help help, ShopTeaching.Help severity, boolean used) {
        /// Whether there is anything to use.
        public boolean worth() {
            return help.worth() || severity.worth();
        }
    }

    public CompletableFuture<State> state() {
        return threads.onBook(() -> {
            ShopTeaching taught = tickets.teaching();
            return new State(taught.help(), taught.severityHelp(), used());
        });
    }

    private boolean used() {
        return log.setting(SETTING).filter(LEFT_OUT::equals).isEmpty();
    }

    /// What they teach, where that is worth it and is to be used.
    CompletableFuture<ShopTeaching> teaching() {
        return threads.onBook(() -> used() ? tickets.teaching().worthUsing() : ShopTeaching.NONE);
    }

    /// For photos that are read from now on.
    public CompletableFuture<Void> use(boolean on) {
        return threads.onBook(() -> {
            log.remember(SETTING, on ? "" : LEFT_OUT);
            return null;
        });
    }

    /// Writes photos and labels of all tickets that were looked through.
    public CompletableFuture<LabelledSet.Written> export(Path folder, Progress progress) {
        return threads.onBook(() -> LabelledSet.write(tickets, folder, progress));
    }
}
