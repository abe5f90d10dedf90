package stillglass.optics.sharpness;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.misassembly.MountedFilm;
import stillglass.say.Said;

/// What a wrong assembly does to a picture, beside the lens as designed.
///
/// @param faults what was found
/// @param asBuilt the lens as it is
/// @param designed survey of the lens as designed
/// @param now survey of the lens as it is
/// @param focusShiftMm best focus against the film plane, after the design's own; positive behind it; absent when nothing focuses
/// @param diagnostics what real glass would add
public record AssemblyEffect(
        List<LensFault> faults, LensSection asBuilt, SpotSurvey designed, SpotSurvey now, OptionalDouble focusShiftMm,
        List<Said> diagnostics) {
    /// The corner of the picture on both sides of the axis, which differ when something leans.
    private static final List<Double> FIELDS = List.of(0.0, 0.7, 1.0, -0.7, -1.0);

    public AssemblyEffect {
        faults = List.copyOf(faults);
        diagnostics = List.copyOf(diagnostics);
    }

    /// @param shortForms as [LensFault#parse] reads them
    /// @return nothing when nothing is wrong
    public static Optional<AssemblyEffect> found(LensSection section, List<String> shortForms) {
        return shortForms.isEmpty() ? Optional.empty() : Optional.of(of(section, shortForms.stream().map(LensFault::parse).toList()));
    }

    /// Glasses seat on their rims.
    /// @throws IllegalArgumentException where a fault names a glass or gap this lens does not have
    public static AssemblyEffect of(LensSection section, List<LensFault> faults) {
        LensFault.Misassembled m = LensFault.apply(section, faults, LensFault.Seating.RIM);
        LensSection built = MountedFilm.of(m.lens(), section, faults);
        SpotSurvey designed = SpotSurvey.of(section, section, FIELDS);
        SpotSurvey now = SpotSurvey.of(built, section, FIELDS);
        OptionalDouble shift = now.bestFocusMm().isPresent() && designed.bestFocusMm().isPresent()
                ? OptionalDouble.of(now.bestFocusMm().getAsDouble() - built.surfaces().getLast().thicknessMm()
                        - (designed.bestFocusMm().getAsDouble() - section.surfaces().getLast().thicknessMm()))
                : OptionalDouble.empty();
        return new AssemblyEffect(faults, built, designed, now, shift, m.diagnostics());
    }

    /// How far the first vertex stands from where it would stand in the lens as designed, on the same barrel, mm.
    public double shiftMm(LensSection section) {
        return section.vertexMm(section.stopIndex()) - asBuilt.vertexMm(asBuilt.stopIndex());
    }

    /// One sentence with the figures: "spot in the middle 6 → 48 µm, corner 22 → 95 µm, best focus +0.82 mm".
    public Said sentence() {
        Said middle = change(0);
        return focusShiftMm.isPresent() ? Said.of("assembly.effect", "middle", middle, "corner", corner(), "mm", focusShiftMm.getAsDouble())
                : Said.of("assembly.effect.none", "middle", middle, "corner", corner());
    }

    private Said change(int field) {
        return now.rmsUm().get(field).isPresent()
                ? Said.of("assembly.spot", "from", figure(designed.rmsUm().get(field)), "to", figure(now.rmsUm().get(field)))
                : Said.of("assembly.spot.none", "from", figure(designed.rmsUm().get(field)));
    }

    private Said corner() {
        OptionalDouble one = now.rmsUm().get(2);
        OptionalDouble other = now.rmsUm().get(4);
        boolean lopsided = one.isPresent() && other.isPresent()
                && Math.abs(one.getAsDouble() - other.getAsDouble()) > 0.05 * Math.max(one.getAsDouble(), other.getAsDouble());
        return lopsided ? Said.of("assembly.spot.two", "from", figure(designed.rmsUm().get(2)), "one", figure(one), "other", figure(other)) : change(2);
    }

    private static Said figure(OptionalDouble um) {
        return um.isEmpty() ? Said.of("figure.none") : Said.of(um.getAsDouble() < 9.95 ? "figure.1" : "figure.0", "value", um.getAsDouble());
    }
}
