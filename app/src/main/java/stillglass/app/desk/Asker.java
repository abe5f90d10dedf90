package stillglass.app.desk;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/// Asks for files. The window uses the system's choosers, tests answer by themselves.
public interface Asker {
    Optional<Path> photo();

    Optional<Path> lens();

    Optional<Path> folder();

    /// @return files of a sensor, one or several; none when nothing was chosen
    List<Path> recordings();

    /// @param suggested file name to begin with
    Optional<Path> report(String suggested);
}
