package stillglass.prove.speed;

import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;
import stillglass.say.Said;

/// What a leaf shutter or its gears may suffer from.
public enum SpeedFault {
    /// All as it should be, but for the usual tolerance of cams and springs.
    NONE(0.3),
    /// Old oil everywhere: all speeds slow.
    GUM(0.16),
    /// The slow escapement sticks or is dry: slow speeds long or hanging.
    ESCAPEMENT(0.2),
    /// The main spring is tired: fast speeds long, slow ones a little.
    WEAK_SPRING(0.1),
    /// The retard takes hold late or not far enough: slow speeds short.
    RETARD_LATE(0.07),
    /// The step of one speed on the cam is worn, bent or set wrong.
    ONE_SPEED(0.07),
    /// Oil on the blades: they part and close late.
    BLADES(0.08),
    /// The main spring was tightened, or a wrong one fitted: fast speeds short.
    STRONG_SPRING(0.02),
    /// B lets go while the release is held, or its catch misses. No speed shows it.
    B_CATCH(0.05),
    /// The self-timer does not start. No speed shows it.
    TIMER_STANDS(0.06),
    /// The self-timer starts and does not end, or ends without releasing. No speed shows it.
    TIMER_STAYS(0.05),
    /// The cocked state is not held: it fires before it is cocked through, or at a touch. No speed shows it.
    COCK_CATCH(0.04);

    private static final Set<SpeedFault> SILENT = EnumSet.of(B_CATCH, TIMER_STANDS, TIMER_STAYS, COCK_CATCH);

    private final double prior;

    SpeedFault(double prior) {
        this.prior = prior;
    }

    /// How often it is met before anything was measured.
    public double prior() {
        return prior;
    }

    /// Whether the speeds depart when it is there; else only trying its function tells.
    public boolean inSpeeds() {
        return !SILENT.contains(this);
    }

    private String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public Said said() {
        return Said.of("speed-fault." + word());
    }

    /// What would settle whether it is.
    public Said settles() {
        return Said.of("speed-fault." + word() + ".settle");
    }

    /// What is to be reached to cure it.
    public Said reach() {
        return Said.of("speed-fault." + word() + ".reach");
    }
}
