package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.assembly.Instrument;
import stillglass.book.BadInput;
import stillglass.book.data.OwnMaps;

/// `shelf --shop DIR`: the shop's own maps as files.
@CommandLine.Command(name = "shelf", description = "Lists the shop's own maps, and brings in, gives out, renames, merges and restores them.", mixinStandardHelpOptions = true)
final class ShelfVerb implements Runnable {
    @CommandLine.Option(names = "--shop", required = true, paramLabel = "DIR", description = "folder of the shop, in which its logbook and its shelf lie")
    private Path shop = Path.of("");

    @CommandLine.Spec
    private CommandLine.Model.@Nullable CommandSpec spec;

    private OwnMaps maps() {
        if (!Files.isDirectory(shop)) {
            throw new BadInput(String.valueOf(shop), "--shop", "there is no such folder");
        }
        return new OwnMaps(shop, Clock.systemUTC());
    }

    private PrintWriter out() {
        return Objects.requireNonNull(spec).commandLine().getOut();
    }

    /// Without a subcommand: what stands there.
    @Override
    public void run() {
        OwnMaps maps = maps();
        List<String> all = maps.list();
        if (all.isEmpty()) {
            out().println("no map stands on this shelf yet");
        }
        all.forEach(id -> line(maps.read(id)));
    }

    private void line(Instrument map) {
        out().printf("%s  %s, %d joints, %d parts%n", map.id(), map.name(), map.joints().size(), map.parts().size());
    }

    @CommandLine.Command(name = "import", description = "brings in a map; one of the same identifier stays among its earlier versions")
    void bringIn(@CommandLine.Parameters(paramLabel = "FILE") Path file) {
        line(maps().bringIn(file));
    }

    @CommandLine.Command(name = "export", description = "gives a map out")
    void giveOut(@CommandLine.Parameters(paramLabel = "ID") String id, @CommandLine.Parameters(paramLabel = "FILE") Path file) {
        maps().giveOut(id, file);
        out().println(file);
    }

    @CommandLine.Command(name = "rename", description = "calls a map otherwise; tickets know it by its identifier, which stays")
    void rename(@CommandLine.Parameters(paramLabel = "ID") String id, @CommandLine.Parameters(paramLabel = "NAME") String name) {
        line(maps().rename(id, name));
    }

    @CommandLine.Command(name = "merge", description = "takes what another map knows into one")
    void merge(@CommandLine.Parameters(paramLabel = "INTO") String into, @CommandLine.Parameters(paramLabel = "FROM") String from) {
        line(maps().merge(into, from));
    }

    @CommandLine.Command(name = "history", description = "earlier versions of a map, the latest first")
    void history(@CommandLine.Parameters(paramLabel = "ID") String id) {
        maps().history(id).forEach(v -> out().printf("%s  %d joints%n", v.version(), v.joints()));
    }

    @CommandLine.Command(name = "restore", description = "makes an earlier version the map again")
    void restore(@CommandLine.Parameters(paramLabel = "ID") String id, @CommandLine.Parameters(paramLabel = "VERSION") String version) {
        line(maps().restore(id, version));
    }
}
