package stillglass.book.photo;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import stillglass.book.BadInput;
import stillglass.prove.veil.VeilReading;
import stillglass.say.Wording;

/// Photos of a black patch in a bright surround, read for the veil over it.
public final class VeilPhotos {
    private VeilPhotos() {}

    /// @param files photos of one scene from one place
    /// @throws BadInput when one cannot be read, or shows no patch that could be measured
    public static VeilReading read(List<Path> files, VeilReading.Black black) {
        List<VeilReading.Taken> taken = new ArrayList<>();
        for (Path file : files) {
            String name = String.valueOf(file.getFileName());
            byte[] bytes = PhotoFiles.bytes(file);
            taken.add(new VeilReading.Taken(name, PhotoFiles.plane(name, bytes, OptionalDouble.empty()), PhotoFiles.exposure(bytes)));
        }
        return switch (VeilReading.of(taken, black)) {
            case VeilReading.Answer.Read r -> r.reading();
            case VeilReading.Answer.Refused r -> throw new BadInput(files.stream().map(f -> String.valueOf(f.getFileName())).collect(Collectors.joining(", ")), "veil", Wording.core().say(r.why()));
        };
    }
}
