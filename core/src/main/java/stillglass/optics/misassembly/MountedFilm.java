package stillglass.optics.misassembly;

import java.util.ArrayList;
import java.util.List;
import stillglass.optics.LensSection;
import stillglass.optics.Surface;

/// Where the film lies behind a lens that was put together wrongly: iris and mount sit in the barrel, so it stays as far from the iris as it was, whatever glass moved. Shims under the mount alone
/// move it, and they are what a fault says of them, never what is left over of the last distance.
public final class MountedFilm {
    private MountedFilm() {}

    /// @param lens as put together
    /// @param designed the same lens as designed
    /// @param faults that made the one of the other
    /// @return the lens with its last distance running to the film
    public static LensSection of(LensSection lens, LensSection designed, List<LensFault> faults) {
        double irisToFilm = designed.imagePlaneMm() - designed.vertexMm(designed.stopIndex()) + faults.stream().mapToDouble(f -> shimMm(f, designed)).sum();
        List<Surface> surfaces = new ArrayList<>(lens.surfaces());
        Surface last = surfaces.removeLast();
        surfaces.add(last.withThickness(irisToFilm - (lens.lengthMm() - lens.vertexMm(lens.stopIndex()))));
        return lens.withSurfaces(surfaces, lens.elements());
    }

    /// By how much a fault moves the whole lens away from the film.
    private static double shimMm(LensFault fault, LensSection designed) {
        int mount = designed.surfaces().size();
        return switch (fault) {
            case LensFault.ShimMissing s when s.gap() == mount -> -s.thicknessMm();
            case LensFault.ShimDoubled s when s.gap() == mount -> s.thicknessMm();
            default -> 0;
        };
    }
}
