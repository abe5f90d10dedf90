package stillglass.book.log;

import java.nio.file.Files;
import java.nio.file.Path;
import org.sqlite.SQLiteJDBCLoader;
import stillglass.book.BookTrouble;
import stillglass.book.file.TempFolder;

/// The database engine is a library of the machine that is unpacked before it can be loaded: into the temporary folder, or where that is missing or nothing
/// in it may be run, into the person's own cache.
final class Engine {
    private static final String PLACE = "org.sqlite.tmpdir";
    private static boolean loaded;

    private Engine() {}

    /// @throws BookTrouble when it can be unpacked nowhere
    static synchronized void load() {
        if (loaded) {
            return;
        }
        String why = "";
        for (Path place : TempFolder.places()) {
            try {
                Files.createDirectories(place);
                System.setProperty(PLACE, place.toString());
                SQLiteJDBCLoader.initialize();
                loaded = true;
                return;
            } catch (Exception | LinkageError e) {
                // What the loader throws has no type of its own.
                why = String.valueOf(e.getMessage());
            }
        }
        throw new BookTrouble("The database engine could not be unpacked in " + TempFolder.words() + " (" + why + "): allow writing and running files there, or name another folder with "
                + "STILL_GLASS_JAVA=-Djava.io.tmpdir=FOLDER. No logbook was touched.");
    }
}
