package stillglass.cli;

import java.nio.file.Path;
import java.util.List;
import stillglass.book.BadInput;
import stillglass.book.photo.VeilPhotos;
import stillglass.prove.veil.ToneCurve;
import stillglass.prove.veil.VeilReading;

/// The tone of a camera, measured from two photos of one scene at two exposures.
final class ToneOption {
    private ToneOption() {}

    /// @return power of the light as it was read over the true one
    static double power(List<Path> exposures) {
        List<VeilReading.Taken> taken = VeilPhotos.taken(exposures);
        VeilReading.Taken a = taken.get(0);
        VeilReading.Taken b = taken.get(1);
        if (a.exposure().isEmpty() || b.exposure().isEmpty()) {
            throw new BadInput((a.exposure().isEmpty() ? a : b).name(), "exposure", "is not written into it: give photos as the camera made them");
        }
        boolean rising = b.exposure().getAsDouble() >= a.exposure().getAsDouble();
        VeilReading.Taken less = rising ? a : b;
        VeilReading.Taken more = rising ? b : a;
        return ToneCurve.of(less.photo(), more.photo(), more.exposure().getAsDouble() / less.exposure().getAsDouble()).map(ToneCurve::power)
                .orElseThrow(() -> new BadInput(a.name() + ", " + b.name(), "exposures", "measure no tone: take one scene from one place, one to three stops apart, with greys between black and white"));
    }
}
