package stillglass.app;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Stage;
import stillglass.app.desk.Asker;
import stillglass.app.theme.Words;

/// Asks with the system's own choosers.
final class SystemAsker implements Asker {
    private final Stage window;

    /// Where the last file was chosen.
    private Optional<File> last = Optional.empty();

    SystemAsker(Stage window) {
        this.window = window;
    }

    @Override
    public Optional<Path> photo() {
        return open("ask.photo", new FileChooser.ExtensionFilter(Words.of("ask.photos"), "*.png", "*.jpg", "*.jpeg", "*.tif", "*.tiff"));
    }

    @Override
    public Optional<Path> lens() {
        return open("ask.lens", new FileChooser.ExtensionFilter(Words.of("ask.lenses"), "*.json"));
    }

    @Override
    public Optional<Path> folder() {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle(Words.of("ask.folder"));
        return Optional.ofNullable(chooser.showDialog(window)).map(File::toPath);
    }

    @Override
    public List<Path> several(Several what) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.of("ask.several." + what.name().toLowerCase(Locale.ROOT)));
        chooser.getExtensionFilters().add(switch (what) {
            case RECORDINGS -> new FileChooser.ExtensionFilter(Words.of("ask.recording-files"), "*.wav", "*.csv", "*.txt");
            case PHOTOS -> new FileChooser.ExtensionFilter(Words.of("ask.photos"), "*.png", "*.jpg", "*.jpeg", "*.tif", "*.tiff");
            case TABLES -> new FileChooser.ExtensionFilter(Words.of("ask.tables"), "*.csv", "*.txt");
        });
        last.filter(File::isDirectory).ifPresent(chooser::setInitialDirectory);
        List<File> chosen = Optional.ofNullable(chooser.showOpenMultipleDialog(window)).orElse(List.of());
        chosen.stream().findFirst().ifPresent(f -> last = Optional.ofNullable(f.getParentFile()));
        return chosen.stream().map(File::toPath).toList();
    }

    private Optional<Path> open(String title, FileChooser.ExtensionFilter filter) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.of(title));
        chooser.getExtensionFilters().add(filter);
        last.filter(File::isDirectory).ifPresent(chooser::setInitialDirectory);
        Optional<File> chosen = Optional.ofNullable(chooser.showOpenDialog(window));
        chosen.ifPresent(f -> last = Optional.ofNullable(f.getParentFile()));
        return chosen.map(File::toPath);
    }

    @Override
    public Optional<Path> report(String suggested) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.of("ask.report"));
        chooser.setInitialFileName(suggested);
        String end = suggested.substring(suggested.lastIndexOf('.') + 1);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(end.toUpperCase(Locale.ROOT), "*." + end));
        return Optional.ofNullable(chooser.showSaveDialog(window)).map(File::toPath);
    }
}
