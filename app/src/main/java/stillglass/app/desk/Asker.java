package stillglass.app.desk;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/// Asks for files. The window uses the system's choosers, tests answer by themselves.
public interface Asker {
    Optional<Path> photo();

    Optional<Path> lens();

    Optional<Path> folder();

    /// What may be chosen together.
    enum Several {
        /// Recordings of a light sensor.
        RECORDINGS,
        /// Photos of one thing at several settings.
        PHOTOS,
        /// Tables of a gauge.
        TABLES
    }

    /// @return one file or several; none when nothing was chosen
    List<Path> several(Several what);

    /// @param suggested file name to begin with
    Optional<Path> report(String suggested);
}
