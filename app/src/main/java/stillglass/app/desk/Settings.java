package stillglass.app.desk;

import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import stillglass.book.log.Logbook;

/// What the shop has said once for all tickets. On the book's thread only.
final class Settings {
    private static final String LACKING = "tools lacking";
    private static final String LAST = "last ticket";

    private final Logbook log;
    private Optional<Set<String>> lacking = Optional.empty();

    Settings(Logbook log) {
        this.log = log;
    }

    /// Tools the shop does not have.
    Set<String> lacking() {
        if (lacking.isEmpty()) {
            lacking = Optional.of(Toolbox.lacking(log.setting(LACKING).orElse("")));
        }
        return lacking.get();
    }

    void has(String tool, boolean there) {
        Set<String> now = new TreeSet<>(lacking());
        if (there) {
            now.remove(tool);
        } else {
            now.add(tool);
        }
        log.remember(LACKING, String.join("\n", now));
        lacking = Optional.of(Set.copyOf(now));
    }

    void opened(String ticket) {
        log.remember(LAST, ticket);
    }
}
