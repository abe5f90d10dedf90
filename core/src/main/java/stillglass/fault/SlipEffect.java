package stillglass.fault;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.misassembly.MountedFilm;
import stillglass.optics.sharpness.SpotSurvey;

/// What a slip would look like, traced: how far infinity would come to lie, and which signs it would leave as they should be.
///
/// @param infinityMm absent where nothing focuses
/// @param right signs that were traced; true where the eye would see nothing
public record SlipEffect(OptionalDouble infinityMm, Map<Sign, Boolean> right) {
    private static final List<Double> FIELDS = List.of(0.0, 1.0);
    /// A spot this much wider than it should be is seen.
    private static final double SEEN = 1.6;
    private static final double SEEN_UM = 12;
    private static final double SIZE_PERCENT = 2;

    public SlipEffect {
        right = Map.copyOf(right);
    }

    /// @return nothing where the fault cannot be in this lens
    public static Optional<SlipEffect> of(LensSection designed, LensFault fault) {
        try {
            LensSection built = MountedFilm.of(LensFault.apply(designed, List.of(fault), LensFault.Seating.RIM).lens(), designed, List.of(fault));
            SpotSurvey now = SpotSurvey.quick(built, designed, FIELDS);
            SpotSurvey then = SpotSurvey.quick(designed, designed, FIELDS);
            OptionalDouble infinity = now.bestFocusMm().isPresent() && then.bestFocusMm().isPresent()
                    ? OptionalDouble.of(now.bestFocusMm().getAsDouble() - built.surfaces().getLast().thicknessMm() - then.bestFocusMm().getAsDouble() + designed.surfaces().getLast().thicknessMm()) : OptionalDouble.empty();
            Map<Sign, Boolean> right = new EnumMap<>(Sign.class);
            right.put(Sign.MIDDLE, fine(now.rmsUm().getFirst(), then.rmsUm().getFirst()));
            right.put(Sign.EDGES, fine(now.rmsUm().getLast(), then.rmsUm().getLast()));
            right.put(Sign.SIZE, Math.abs(100 * (Paraxial.of(built).eflMm() / Paraxial.of(designed).eflMm() - 1)) < SIZE_PERCENT);
            return Optional.of(new SlipEffect(infinity, right));
        } catch (IllegalArgumentException cannotBe) {
            return Optional.empty();
        }
    }

    private static boolean fine(OptionalDouble um, OptionalDouble then) {
        return um.isPresent() && um.getAsDouble() < Math.max(SEEN * then.orElse(0), then.orElse(0) + SEEN_UM);
    }
}
