package stillglass.book.photo;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import stillglass.prove.veil.VeilReading;

/// Photos of a black patch in a bright surround, read for the veil over it.
public final class VeilPhotos {
    private VeilPhotos() {}

    /// @param files photos of one scene from one place
    public static VeilReading.Answer read(List<Path> files, VeilReading.Black black) {
        return VeilReading.of(taken(files), black);
    }

    /// Photos with the exposures that the camera wrote into them.
    public static List<VeilReading.Taken> taken(List<Path> files) {
        List<VeilReading.Taken> taken = new ArrayList<>();
        for (Path file : files) {
            String name = String.valueOf(file.getFileName());
            byte[] bytes = PhotoFiles.bytes(file);
            taken.add(new VeilReading.Taken(name, PhotoFiles.plane(name, bytes, OptionalDouble.empty()), PhotoFiles.exposure(bytes)));
        }
        return taken;
    }
}
