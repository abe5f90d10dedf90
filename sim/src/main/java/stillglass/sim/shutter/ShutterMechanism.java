package stillglass.sim.shutter;

import java.util.SplittableRandom;
import stillglass.prove.speed.SpeedFault;

/// A leaf shutter as a driving ring: a spring that slackens as it turns it, the ring's inertia, friction of its bearing, and on the way blades that open and close. For slower speeds the ring has to push
/// a lever through a train of gears: first only their inertia, for the slow ones a pallet too, whose drag grows with the square of the speed. How far the lever is pushed is what the cam sets; it is
/// cut so that the healthy mechanism runs true.
///
/// Turning is followed by its energy over the ring's way, in units of the way and of the torque of a wound spring; times are then seconds by the fastest speed.
public final class ShutterMechanism {
    private static final int STEPS = 600;
    private static final double OPEN_FROM = 0.06;
    private static final double OPEN_TO = 0.2;
    private static final double CLOSE_FROM = 0.8;
    private static final double CLOSE_TO = 0.94;
    private static final double RETARD_FROM = 0.24;
    private static final double RETARD_TO = 0.78;

    private final double slack;
    private final double friction;
    private final double inertia;
    private final double train;
    private final double pallet;
    private final double fastestS;
    private final double slowFromS;
    private final double tolerance;
    private final SplittableRandom random;

    /// @param seed of everything about it that differs from shutter to shutter
    public ShutterMechanism(long seed) {
        random = new SplittableRandom(seed);
        slack = random.nextDouble(0.15, 0.45);
        friction = random.nextDouble(0.04, 0.12);
        inertia = 1;
        train = random.nextDouble(1.5, 4);
        pallet = random.nextDouble(40, 160);
        fastestS = 1 / Math.pow(2, random.nextDouble(6.6, 9));
        slowFromS = 1 / Math.pow(2, random.nextDouble(2.8, 4.2));
        tolerance = random.nextDouble(0.03, 0.08);
    }

    /// What is wrong with it.
    /// @param spring torque of the spring against a good one
    /// @param gum drag that grows with the speed, everywhere
    /// @param dry friction of the train against the torque of the spring
    /// @param late share of the retard's way that is missed
    /// @param blades friction where blades move
    private record Ills(double spring, double gum, double dry, double late, double blades, int offNode, double offEv) {
        static final Ills NONE = new Ills(1, 0, 0, 0, 0, -1, 0);
    }

    /// Departures at speeds a doubling apart from 1 s on, EV; NaN for speeds it has not, or at which it hangs.
    /// @param strength of the fault, 0 to 1
    public double[] departures(SpeedFault fault, double strength, int nodes) {
        Ills ills = ills(fault, strength, nodes);
        double unit = fastestS / run(Ills.NONE, 0, false);
        double[] out = new double[nodes];
        for (int i = 0; i < nodes; i++) {
            double nominal = Math.pow(2, -i);
            double cam = Math.exp(Math.log(2) * tolerance * gauss());
            out[i] = Double.NaN;
            if (nominal < fastestS * 0.75) {
                continue;
            }
            boolean slow = nominal >= slowFromS;
            double way = nominal <= fastestS * 1.4 ? 0 : way(nominal / unit, slow);
            double time = run(ills, way * (1 - ills.late), slow) * unit * cam;
            out[i] = Math.log(time / nominal) / Math.log(2) + (i == ills.offNode ? ills.offEv : 0);
            // The fastest speed is what the spring gives, not what is engraved.
            if (!Double.isFinite(out[i]) || Math.abs(out[i]) > 4) {
                out[i] = Double.NaN;
            }
        }
        return out;
    }

    private Ills ills(SpeedFault fault, double s, int nodes) {
        return switch (fault) {
            case NONE, B_CATCH, TIMER_STANDS, TIMER_STAYS, COCK_CATCH -> Ills.NONE;
            case GUM -> new Ills(1, 0.3 + 1.6 * s, 0.1 * s, 0, 0.1 * s, -1, 0);
            case ESCAPEMENT -> new Ills(1, 0, 0.12 + 0.4 * s, 0, 0, -1, 0);
            case WEAK_SPRING -> new Ills(0.85 - 0.4 * s, 0, 0, 0, 0, -1, 0);
            case RETARD_LATE -> new Ills(1, 0, 0, 0.12 + 0.5 * s, 0, -1, 0);
            case ONE_SPEED -> new Ills(1, 0, 0, 0, 0, random.nextInt(nodes), (random.nextBoolean() ? 1 : -1) * (0.35 + 0.8 * s));
            case BLADES -> new Ills(1, 0, 0, 0, 0.25 + 0.45 * s, -1, 0);
            case STRONG_SPRING -> new Ills(1.2 + 0.6 * s, 0, 0, 0, 0, -1, 0);
        };
    }

    /// Way of the retard's lever that makes the healthy mechanism take so long.
    private double way(double time, boolean slow) {
        double low = 0;
        double high = 1;
        while (run(Ills.NONE, high, slow) < time && high < 1e6) {
            high *= 2;
        }
        for (int k = 0; k < 50; k++) {
            double middle = (low + high) / 2;
            if (run(Ills.NONE, middle, slow) < time) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    /// Time from half open to half closed.
    /// @param way gearing of the retard: how much it moves for the ring's way
    private double run(Ills ills, double way, boolean slow) {
        double square = 0;
        double time = 0;
        double step = 1.0 / STEPS;
        double halfOpen = (OPEN_FROM + OPEN_TO) / 2;
        double halfClosed = (CLOSE_FROM + CLOSE_TO) / 2;
        for (int i = 0; i < STEPS; i++) {
            double at = (i + 0.5) * step;
            boolean retard = way > 0 && at > RETARD_FROM && at < RETARD_TO;
            boolean blades = at > OPEN_FROM && at < OPEN_TO || at > CLOSE_FROM && at < CLOSE_TO;
            double torque = ills.spring * (1 - slack * at) - friction - (blades ? ills.blades : 0) - (retard ? ills.dry * Math.min(1, way * 0.5 + (slow ? 0.5 : 0)) : 0);
            double drag = ills.gum;
            double heavy = inertia + (retard ? train * way * way : 0);
            double beats = retard && slow ? pallet * way * way : 0;
            if (torque <= 0 && square <= 0) {
                return Double.POSITIVE_INFINITY;
            }
            if (retard && at - step <= RETARD_FROM) {
                // The train is at rest when it is caught: momentum stays, energy is lost.
                square *= Math.pow(inertia / heavy, 2);
            }
            // Energy at the end of the step, drag taken there: a quadratic in the speed.
            double k = 2 * step / heavy;
            double a = 1 + k * beats;
            double b = k * drag;
            double c = square + k * torque;
            if (c <= 0) {
                return Double.POSITIVE_INFINITY;
            }
            double speed = (-b + Math.sqrt(b * b + 4 * a * c)) / (2 * a);
            double mean = (Math.sqrt(square) + speed) / 2;
            square = speed * speed;
            if (at > halfOpen && at < halfClosed) {
                time += step / Math.max(1e-9, mean);
            }
        }
        return time;
    }

    private double gauss() {
        double u = Math.max(1e-12, random.nextDouble());
        return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * random.nextDouble());
    }
}
