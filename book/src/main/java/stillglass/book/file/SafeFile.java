package stillglass.book.file;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.Arrays;
import java.util.UUID;
import stillglass.book.BadInput;

/// Writes a file whole or not at all: beside its place first, then moved over it.
public final class SafeFile {
    private SafeFile() {}

    private static final byte[] LOGBOOK = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);

    /// A link is written through, an older file keeps its mode, a new one gets the usual of its folder.
    /// @param inputs files it was made from, which it must not replace
    /// @throws BadInput when it cannot be written, is a logbook, a device or an input; an older file of that name is then untouched
    public static void write(Path file, byte[] bytes, Path... inputs) {
        String name = String.valueOf(file.getFileName());
        Path folder = file.toAbsolutePath().getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            throw new BadInput(name, "folder", "there is no folder " + folder + ": name one that exists");
        }
        try {
            Path target = Files.exists(file) ? file.toRealPath() : file.toAbsolutePath();
            checked(target, name, inputs);
            Path beside = target.resolveSibling(".still-glass-" + UUID.randomUUID() + ".part");
            try {
                Files.write(beside, bytes, StandardOpenOption.CREATE_NEW);
                if (Files.exists(target) && Files.getFileStore(target).supportsFileAttributeView(PosixFileAttributeView.class)) {
                    Files.setPosixFilePermissions(beside, Files.getPosixFilePermissions(target));
                }
                Files.move(beside, target, StandardCopyOption.REPLACE_EXISTING);
            } finally {
                Files.deleteIfExists(beside);
            }
        } catch (IOException e) {
            throw new BadInput(name, "file", "cannot be written (" + e.getMessage()
                    + "): choose another folder or free some space; the ticket is safe in the logbook");
        }
    }

    private static void checked(Path target, String name, Path... inputs) throws IOException {
        if (!Files.exists(target)) {
            return;
        }
        if (!Files.isRegularFile(target)) {
            throw new BadInput(name, "file", "that is no file but a folder or a device: name another");
        }
        if (!Files.isWritable(target)) {
            throw new BadInput(name, "file", "it may only be read: name another");
        }
        for (Path input : inputs) {
            if (Files.exists(input) && Files.isSameFile(input, target)) {
                throw new BadInput(name, "file", "it would replace the file it is made from: name another");
            }
        }
        if (OpenFiles.held(target)) {
            throw new BadInput(name, "file", "that is a logbook, which is never written over: name another");
        }
        try (InputStream in = Files.newInputStream(target)) {
            if (Arrays.equals(in.readNBytes(LOGBOOK.length), LOGBOOK)) {
                throw new BadInput(name, "file", "that is a logbook, which is never written over: name another");
            }
        }
    }
}
