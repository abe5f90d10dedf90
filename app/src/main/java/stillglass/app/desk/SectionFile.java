package stillglass.app.desk;

import java.nio.file.Files;
import java.nio.file.Path;
import stillglass.book.BadInput;

/// A lens section as text, from a file that may be anything.
final class SectionFile {
    private static final long MOST_LENS_BYTES = 2_000_000;

    private SectionFile() {}

    /// @throws BadInput naming what is wrong with it
    static String read(Path file) {
        String name = String.valueOf(file.getFileName());
        try {
            if (Files.size(file) > MOST_LENS_BYTES) {
                throw new BadInput(name, "file", "is larger than 2 MB: this is no lens section");
            }
            return Files.readString(file);
        } catch (java.nio.file.NoSuchFileException e) {
            throw new BadInput(name, "file", "there is no such file: check the path " + file);
        } catch (java.nio.charset.CharacterCodingException e) {
            throw new BadInput(name, "file", "is not UTF-8 text: save it as plain JSON");
        } catch (java.io.IOException e) {
            throw new BadInput(name, "file", "cannot be read: " + e.getMessage());
        }
    }
}
