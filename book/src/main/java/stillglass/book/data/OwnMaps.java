package stillglass.book.data;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import stillglass.assembly.Instrument;
import stillglass.assembly.MergedMap;
import stillglass.book.BadInput;
import stillglass.book.file.SafeFile;

/// The shop's own maps as files: kept, brought in, given out, renamed, merged, and every earlier version of them.
public final class OwnMaps {
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH-mm-ss-SSS", Locale.ROOT).withZone(ZoneOffset.UTC);
    private static final String ID = "[A-Za-z0-9_-]{1,40}";

    private final Path folder;
    private final InstantSource clock;

    /// @param shop folder of the shop; maps lie in `shelf/instruments`, their earlier versions in `shelf/earlier`
    public OwnMaps(Path shop, InstantSource clock) {
        folder = shop.resolve("shelf");
        this.clock = clock;
    }

    /// @param version name of the file, which says when it was replaced
    public record Version(String version, int joints) {}

    private Path file(String id) {
        checked(id);
        return folder.resolve("instruments").resolve(id + ".json");
    }

    private static void checked(String id) {
        if (!id.matches(ID)) {
            throw new BadInput(id, "id", "letters, digits, - and _ only, up to 40");
        }
    }

    private Path earlier(String id) {
        checked(id);
        return folder.resolve("earlier").resolve(id);
    }

    /// @throws BadInput when there is none of that name
    public Instrument read(String id) {
        if (!Files.isRegularFile(file(id))) {
            throw new BadInput(id, "map", "there is no map of that name in " + folder.resolve("instruments"));
        }
        return InstrumentJson.read(file(id));
    }

    /// Identifiers of all maps.
    public List<String> list() {
        Path maps = folder.resolve("instruments");
        if (!Files.isDirectory(maps)) {
            return List.of();
        }
        try (Stream<Path> all = Files.list(maps)) {
            return all.map(p -> String.valueOf(p.getFileName())).filter(n -> n.endsWith(".json")).map(n -> n.substring(0, n.length() - ".json".length())).filter(n -> n.matches(ID)).sorted().toList();
        } catch (IOException e) {
            throw new BadInput(String.valueOf(maps), "folder", "it cannot be read (" + e.getMessage() + ")");
        }
    }

    /// Keeps a map; the one it replaces stays among its earlier versions.
    public Instrument save(Instrument map) {
        if (map.parts().isEmpty() || map.joints().isEmpty()) {
            throw new BadInput(map.name(), "map", "nothing of it is known yet: record what comes off first");
        }
        Path target = file(map.id());
        byte[] text = InstrumentText.of(map).getBytes(StandardCharsets.UTF_8);
        try {
            Files.createDirectories(folder.resolve("instruments"));
            if (Files.isRegularFile(target)) {
                byte[] before = Files.readAllBytes(target);
                if (java.util.Arrays.equals(before, text)) {
                    return map;
                }
                Files.createDirectories(earlier(map.id()));
                SafeFile.write(earlier(map.id()).resolve(STAMP.format(clock.instant()) + ".json"), before);
            }
        } catch (IOException e) {
            throw new BadInput(map.id(), "file", "cannot be kept (" + e.getMessage() + ")");
        }
        SafeFile.write(target, text);
        return map;
    }

    /// Brings in a map from a file; one of the same identifier is replaced and stays among its earlier versions.
    public Instrument bringIn(Path from) {
        return save(InstrumentJson.read(from));
    }

    /// Gives a map out.
    public void giveOut(String id, Path to) {
        if (to.toAbsolutePath().normalize().equals(file(id).toAbsolutePath().normalize())) {
            throw new BadInput(id, "file", "that is the map itself: name another file");
        }
        SafeFile.write(to, InstrumentText.of(read(id)).getBytes(StandardCharsets.UTF_8));
    }

    /// Calls a map otherwise; its identifier, by which tickets know it, stays.
    public Instrument rename(String id, String name) {
        if (name.isBlank()) {
            throw new BadInput(id, "name", "give it a name");
        }
        Instrument i = read(id);
        return save(new Instrument(i.id(), i.maker(), name.strip(), i.sort(), i.sectionId(), i.flangeFocalMm(), i.maxExtensionMm(), i.parts(), i.joints(), i.references(), i.net(), i.infinityShims()));
    }

    /// Takes what another map knows into one; the other stays as it is.
    public Instrument merge(String into, String from) {
        try {
            return save(MergedMap.of(read(into), read(from)));
        } catch (IllegalArgumentException e) {
            throw new BadInput(into, "map", "it and " + from + " contradict each other: " + e.getMessage());
        }
    }

    /// Earlier versions, the latest first.
    public List<Version> history(String id) {
        Path all = earlier(id);
        if (!Files.isDirectory(all)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(all)) {
            return files.filter(f -> f.toString().endsWith(".json")).sorted(java.util.Comparator.reverseOrder())
                    .map(f -> new Version(String.valueOf(f.getFileName()).replace(".json", ""), InstrumentJson.read(f).joints().size())).toList();
        } catch (IOException e) {
            throw new BadInput(id, "history", "it cannot be read (" + e.getMessage() + ")");
        }
    }

    /// Makes an earlier version the map again; what it replaces becomes the latest of the earlier ones.
    public Instrument restore(String id, String version) {
        Path file = history(id).stream().filter(v -> v.version().equals(version)).findFirst().map(v -> earlier(id).resolve(v.version() + ".json"))
                .orElseThrow(() -> new BadInput(id, "version", "there is none called " + version));
        return save(InstrumentJson.read(file));
    }
}
