package stillglass.book.photo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import stillglass.book.BadInput;

/// A folder into which a phone or camera puts its pictures. Looked at again and again, it hands over what is new and whole: a file that still grows is waited for, the
/// same picture under another name is passed over, and one that cannot be read is named once.
///
/// Not safe for use by several threads.
public final class PictureFolder {
    /// Files taken notice of in one folder.
    private static final int MOST_FILES = 20_000;
    /// New pictures read in one look, so that no look takes long.
    private static final int MOST_AT_ONCE = 8;
    private static final long MOST_BYTES = 100_000_000;

    private final Path folder;
    private final Instant since;
    private final Map<String, Seen> before = new HashMap<>();
    private final Set<String> handled = new HashSet<>();
    private final Set<String> digests = new HashSet<>();
    private boolean missing;

    private record Seen(long size, Instant changed) {}

    /// A picture that is new and whole.
    /// @param digest of its content
    /// @param arrived when it was put there, by the clock of this machine
    /// @param taken by the camera's own clock, where the file says so
    public record Arrived(Path file, String name, String digest, Instant arrived, Optional<LocalDateTime> taken) {}

    /// What one look found.
    /// @param troubles each a sentence
    /// @param more whether there is more that this look had no time for
    public record Look(List<Arrived> pictures, List<String> troubles, boolean more) {
        public Look {
            pictures = List.copyOf(pictures);
            troubles = List.copyOf(troubles);
        }
    }

    /// @param since pictures that were there before are not new
    public PictureFolder(Path folder, Instant since) {
        this.folder = folder;
        this.since = since;
    }

    public Path folder() {
        return folder;
    }

    /// Pictures that came since the last look, in the order they were taken.
    public Look look() {
        List<Arrived> found = new ArrayList<>();
        List<String> troubles = new ArrayList<>();
        boolean more = false;
        for (Map.Entry<Path, Seen> e : files(troubles).entrySet()) {
            String name = String.valueOf(e.getKey().getFileName());
            String version = name + " " + e.getValue().size + " " + e.getValue().changed;
            if (handled.contains(version)) {
                continue;
            }
            boolean settled = e.getValue().equals(before.put(name, e.getValue())) && e.getValue().size > 0;
            if (!settled) {
                continue;
            }
            if (found.size() == MOST_AT_ONCE) {
                more = true;
                continue;
            }
            handled.add(version);
            read(e.getKey(), e.getValue(), troubles).filter(a -> digests.add(a.digest)).ifPresent(found::add);
        }
        found.sort(Comparator.comparing((Arrived a) -> a.taken.map(LocalDateTime::toString).orElse("")).thenComparing(Arrived::arrived).thenComparing(Arrived::name));
        return new Look(found, troubles, more);
    }

    private Map<Path, Seen> files(List<String> troubles) {
        Map<Path, Seen> all = new java.util.TreeMap<>();
        try (Stream<Path> listed = Files.list(folder)) {
            for (Path p : listed.limit(MOST_FILES).toList()) {
                if (picture(String.valueOf(p.getFileName()))) {
                    try {
                        BasicFileAttributes a = Files.readAttributes(p, BasicFileAttributes.class);
                        if (a.isRegularFile() && !a.lastModifiedTime().toInstant().isBefore(since)) {
                            all.put(p, new Seen(a.size(), a.lastModifiedTime().toInstant()));
                        }
                    } catch (NoSuchFileException gone) {
                        // Moved on while the folder was listed.
                        before.remove(String.valueOf(p.getFileName()));
                    }
                }
            }
            missing = false;
        } catch (IOException e) {
            if (!missing) {
                troubles.add("The watched folder " + folder + " cannot be read: is it still there?");
            }
            missing = true;
        }
        return all;
    }

    private static boolean picture(String name) {
        String n = name.toLowerCase(Locale.ROOT);
        return !n.startsWith(".") && (n.endsWith(".jpg") || n.endsWith(".jpeg") || n.endsWith(".png") || n.endsWith(".tif") || n.endsWith(".tiff"));
    }

    private static Optional<Arrived> read(Path file, Seen seen, List<String> troubles) {
        String name = String.valueOf(file.getFileName());
        if (seen.size > MOST_BYTES) {
            troubles.add(name + ": is larger than 100 MB and was left in the folder.");
            return Optional.empty();
        }
        try {
            byte[] bytes = PhotoFiles.bytes(file);
            PhotoFiles.picture(name, bytes, 64);
            return Optional.of(new Arrived(file, name, digest(bytes), seen.changed, PhotoFiles.taken(bytes)));
        } catch (BadInput e) {
            troubles.add(e.getMessage());
            return Optional.empty();
        }
    }

    private static String digest(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
