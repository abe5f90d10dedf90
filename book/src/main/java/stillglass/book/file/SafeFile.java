package stillglass.book.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import stillglass.book.BadInput;

/// Writes a file whole or not at all: beside its place first, then moved over it.
public final class SafeFile {
    private SafeFile() {}

    /// @throws BadInput when it cannot be written; an older file of that name is then untouched
    public static void write(Path file, byte[] bytes) {
        Path target = file.toAbsolutePath();
        Path folder = target.getParent();
        String name = String.valueOf(target.getFileName());
        if (folder == null || !Files.isDirectory(folder)) {
            throw new BadInput(name, "folder", "there is no folder " + folder + ": name one that exists");
        }
        try {
            Path beside = Files.createTempFile(folder, ".still-glass", ".part");
            try {
                Files.write(beside, bytes);
                Files.move(beside, target, StandardCopyOption.REPLACE_EXISTING);
            } finally {
                Files.deleteIfExists(beside);
            }
        } catch (IOException e) {
            throw new BadInput(name, "file", "cannot be written (" + e.getMessage()
                    + "): choose another folder or free some space; the ticket is safe in the logbook");
        }
    }
}
