package stillglass.sim.truth;

import java.util.List;
import java.util.Set;
import stillglass.look.FindingKind;

/// What is really wrong with the instrument on the virtual bench.
///
/// @param faults on its glass
/// @param infinityErrorMm image of infinity minus film plane, positive behind the film
/// @param blueThrough blue over red light that its glass passes, over that of clear glass; 1 is clear, less is yellow
public record HiddenTruth(List<GlassFault> faults, double infinityErrorMm, double blueThrough) {
    public HiddenTruth {
        faults = List.copyOf(faults);
        if (!(blueThrough > 0 && blueThrough <= 1)) {
            throw new IllegalArgumentException("glass that passes " + blueThrough + " of the blue light: at most 1 and more than 0");
        }
    }

    /// An instrument of clear glass.
    public HiddenTruth(List<GlassFault> faults, double infinityErrorMm) {
        this(faults, infinityErrorMm, 1);
    }

    /// A fault on a glass surface.
    /// @param surface index from 0
    /// @param x centre in units of that surface's clear radius, right seen from the front
    /// @param y centre, up
    /// @param size radius of a colony, film, patch, bite or rubbed place and half the length of a scratch, share of the clear radius; angle of
    ///     lost edge paint in radians; dust and haze cover the whole glass
    /// @param amount number of specks, bubbles or lines, veil share of haze, else strength from 0 to 1 (oil from 0.5 on lies in drops)
    /// @param seed variety
    public record GlassFault(
            FindingKind kind, int surface, double x, double y, double size, double amount, long seed) {}

    /// The same instrument after these surfaces were cleaned; specks that settled since are not added.
    public HiddenTruth cleaned(Set<Integer> surfaces) {
        return new HiddenTruth(
                faults.stream().filter(f -> !surfaces.contains(f.surface())).toList(), infinityErrorMm, blueThrough);
    }

    public HiddenTruth withInfinityError(double mm) {
        return new HiddenTruth(faults, mm, blueThrough);
    }
}
