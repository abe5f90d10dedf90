package stillglass.grade;

import java.util.Optional;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.say.Said;

/// Which kinds of fault can be where: what the structure of a lens rules out before anything is measured.
public final class MayLie {
    private MayLie() {}

    /// Why a kind cannot lie on a surface; empty when it can.
    /// @param surface index from 0
    public static Optional<Said> notOn(FindingKind kind, LensSection lens, int surface) {
        if (lens.surfaces().get(surface).stop()) {
            return switch (kind) {
                case OIL, DUST, UNKNOWN -> Optional.empty();
                default -> Optional.of(Said.of("lie.iris"));
            };
        }
        if (lens.cemented(surface)) {
            return switch (kind) {
                case DUST, OIL, SCRATCH, CLEANING_MARKS, COATING -> Optional.of(Said.of("lie.closed", "surface", lens.surfaceName(surface)));
                default -> Optional.empty();
            };
        }
        return switch (kind) {
            case SEPARATION -> !lens.cementKnown() ? Optional.empty() : Optional.of(
                    lens.elements().stream().allMatch(e -> e.cementedWith().isEmpty()) ? Said.of("lie.no-cement") : Said.of("lie.no-cement.here", "surface", lens.surfaceName(surface)));
            case BUBBLE -> Optional.of(Said.of("lie.bubble"));
            default -> Optional.empty();
        };
    }

    /// Why a kind cannot lie inside a glass; empty when it can.
    public static Optional<Said> notInside(FindingKind kind) {
        return switch (kind) {
            case BUBBLE, UNKNOWN -> Optional.empty();
            default -> Optional.of(Said.of("lie.inside"));
        };
    }

    /// Why a kind cannot be anywhere in this lens; empty when it can.
    public static Optional<Said> nowhere(FindingKind kind, LensSection lens) {
        boolean cement = lens.elements().stream().anyMatch(e -> !e.cementedWith().isEmpty());
        // An estimate knows nothing of cement: not known is not none.
        return kind == FindingKind.SEPARATION && !cement && lens.cementKnown() ? Optional.of(Said.of("lie.no-cement")) : Optional.empty();
    }
}
