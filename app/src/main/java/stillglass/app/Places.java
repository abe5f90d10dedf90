package stillglass.app;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;

/// Where each system expects what a program keeps for a person.
/// Sources: the XDG Base Directory Specification; the file system guides of macOS and Windows.
/// @param data logbook, own thresholds, sections and maps
/// @param log what went wrong inside
record Places(Path data, Path log) {
    private static final String OWN = "still-glass";
    private static final String OWN_TITLE = "Still Glass";

    /// @param system name of the operating system
    /// @param home folder of the person
    /// @param environment of the process
    static Places of(String system, String home, Map<String, String> environment) {
        if (system.startsWith("Windows")) {
            Path roaming = folder(environment, "APPDATA").orElseGet(() -> home(home).resolve("AppData").resolve("Roaming"));
            Path local = folder(environment, "LOCALAPPDATA").orElseGet(() -> home(home).resolve("AppData").resolve("Local"));
            return new Places(roaming.resolve(OWN_TITLE), local.resolve(OWN_TITLE).resolve("Logs"));
        }
        if (system.startsWith("Mac")) {
            Path library = home(home).resolve("Library");
            return new Places(library.resolve("Application Support").resolve(OWN_TITLE), library.resolve("Logs").resolve(OWN_TITLE));
        }
        Path data = folder(environment, "XDG_DATA_HOME").orElseGet(() -> home(home).resolve(".local").resolve("share"));
        Path state = folder(environment, "XDG_STATE_HOME").orElseGet(() -> home(home).resolve(".local").resolve("state"));
        return new Places(data.resolve(OWN), state.resolve(OWN));
    }

    static Places ofSystem() {
        return of(System.getProperty("os.name", ""), System.getProperty("user.home", ""), System.getenv());
    }

    /// The own logbook. One that an earlier version has begun elsewhere stays where it is.
    /// @param home folder of the person
    Path book(String home) {
        Path here = data.resolve("logbook.sqlite");
        if (!Files.exists(here) && usable(home)) {
            Path earlier = Path.of(home, ".local", "share", OWN, "logbook.sqlite");
            return Files.exists(earlier) ? earlier : here;
        }
        return here;
    }

    private static boolean usable(String home) {
        return !home.isBlank() && !home.equals("?") && Files.isDirectory(Path.of(home));
    }

    private static Path home(String home) {
        if (!usable(home)) {
            throw new IllegalArgumentException("--book: there is no home folder to keep a logbook in; name one with --book FILE");
        }
        return Path.of(home);
    }

    /// A relative path in such a variable is to be passed over, says the specification.
    private static Optional<Path> folder(Map<String, String> environment, String name) {
        return Optional.ofNullable(environment.get(name)).filter(v -> !v.isBlank()).map(Path::of).filter(Path::isAbsolute);
    }
}
