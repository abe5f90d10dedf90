package stillglass.prove.speed;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/// What a function of a leaf shutter did when it was tried.
///
/// How often a fault makes a function do so is a table of judgement, not of counted repairs: a fault of the function itself nearly always, old oil often, the rest as seldom as on a good shutter.
public enum ShutterSign {
    B_HOLDS(Function.B, 0.96, Map.of(SpeedFault.GUM, 0.75, SpeedFault.BLADES, 0.7, SpeedFault.B_CATCH, 0.05, SpeedFault.COCK_CATCH, 0.6)),
    /// It closes while the release is held.
    B_LETS_GO(Function.B, 0.02, Map.of(SpeedFault.GUM, 0.05, SpeedFault.STRONG_SPRING, 0.06, SpeedFault.B_CATCH, 0.8, SpeedFault.COCK_CATCH, 0.35)),
    /// It stays open when the release is let go, or closes slowly.
    B_HANGS(Function.B, 0.02, Map.of(SpeedFault.GUM, 0.2, SpeedFault.BLADES, 0.28, SpeedFault.WEAK_SPRING, 0.07, SpeedFault.B_CATCH, 0.15, SpeedFault.COCK_CATCH, 0.05)),
    TIMER_RUNS(Function.TIMER, 0.9, Map.of(SpeedFault.GUM, 0.4, SpeedFault.ESCAPEMENT, 0.6, SpeedFault.TIMER_STANDS, 0.03, SpeedFault.TIMER_STAYS, 0.03)),
    TIMER_STANDS(Function.TIMER, 0.05, Map.of(SpeedFault.GUM, 0.3, SpeedFault.ESCAPEMENT, 0.2, SpeedFault.TIMER_STANDS, 0.85, SpeedFault.TIMER_STAYS, 0.12)),
    TIMER_STAYS(Function.TIMER, 0.05, Map.of(SpeedFault.GUM, 0.3, SpeedFault.ESCAPEMENT, 0.2, SpeedFault.TIMER_STANDS, 0.12, SpeedFault.TIMER_STAYS, 0.85)),
    COCK_STAYS(Function.COCK, 0.98, Map.of(SpeedFault.COCK_CATCH, 0.1, SpeedFault.STRONG_SPRING, 0.95)),
    FIRES_EARLY(Function.COCK, 0.02, Map.of(SpeedFault.COCK_CATCH, 0.9, SpeedFault.STRONG_SPRING, 0.05, SpeedFault.GUM, 0.03));

    private static final Pattern EARLY = Pattern.compile("before|early|by itself|at a touch|not stay|does not hold|slips|lets go");
    private static final Pattern OPEN = Pattern.compile("stays open|hangs|hang|slow|stuck|stick|creeps");
    private static final Pattern STARTS_NOT = Pattern.compile("not start|never starts|stands|dead|stuck|jam|seized|nothing");

    private enum Function {
        B,
        TIMER,
        COCK
    }

    private final Function function;
    private final double usual;
    private final Map<SpeedFault, Double> under;

    ShutterSign(Function function, double usual, Map<SpeedFault, Double> under) {
        this.function = function;
        this.usual = usual;
        this.under = under;
    }

    /// Whether the function did what it should.
    public boolean well() {
        return this == B_HOLDS || this == TIMER_RUNS || this == COCK_STAYS;
    }

    /// Probability that the function does so under a fault.
    double likelihood(SpeedFault fault) {
        return under.getOrDefault(fault, usual);
    }

    /// Whether the function tells of a fault that no speed shows.
    boolean asks(SpeedFault fault) {
        return switch (fault) {
            case B_CATCH -> function == Function.B;
            case TIMER_STANDS, TIMER_STAYS -> function == Function.TIMER;
            case COCK_CATCH -> function == Function.COCK;
            default -> false;
        };
    }

    /// From the words of a trial.
    /// @param name of the function, as the list of functions calls it
    /// @param found in words
    /// @param free whether the words say that all is well
    /// @return empty for functions that speeds tell better, or words that tell nothing
    public static Optional<ShutterSign> of(String name, String found, boolean free) {
        String text = found.toLowerCase(Locale.ROOT);
        return switch (name) {
            case "B" -> Optional.of(free ? B_HOLDS : OPEN.matcher(text).find() ? B_HANGS : B_LETS_GO);
            case "self-timer" -> Optional.of(free ? TIMER_RUNS : STARTS_NOT.matcher(text).find() ? TIMER_STANDS : TIMER_STAYS);
            case "cocking", "release" -> EARLY.matcher(text).find() ? Optional.of(FIRES_EARLY) : free ? Optional.of(COCK_STAYS) : Optional.empty();
            default -> Optional.empty();
        };
    }
}
