package stillglass.sim;

import java.util.List;
import java.util.Set;
import stillglass.look.FindingKind;

/// What is really wrong with the instrument on the virtual bench.
///
/// @param faults on its glass
/// @param infinityErrorMm image of infinity minus film plane, positive behind the film
public record HiddenTruth(List<GlassFault> faults, double infinityErrorMm) {
    public HiddenTruth {
        faults = List.copyOf(faults);
    }

    /// A fault on a glass surface.
    /// @param surface index from 0
    /// @param x centre in units of that surface's clear radius, right seen from the front
    /// @param y centre, up
    /// @param size radius of a colony, share of the clear radius; for dust the whole glass is strewn
    /// @param amount density: threads, specks or veil share
    /// @param seed variety
    public record GlassFault(
            FindingKind kind, int surface, double x, double y, double size, double amount, long seed) {}

    /// The same instrument after these surfaces were cleaned; specks that settled since are not added.
    public HiddenTruth cleaned(Set<Integer> surfaces) {
        return new HiddenTruth(
                faults.stream().filter(f -> !surfaces.contains(f.surface())).toList(), infinityErrorMm);
    }

    public HiddenTruth withInfinityError(double mm) {
        return new HiddenTruth(faults, mm);
    }
}
