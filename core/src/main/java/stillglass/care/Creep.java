package stillglass.care;

import java.util.Optional;

/// How far the oil that surplus grease sheds may run over a summer.
///
/// The film in its gap is held there by the gap; what was laid on beyond it lies at the ends of the thread and sheds oil. Of that oil a share A lies on each mm of the circumference. Standing, with the axis upright, it runs down the barrel as a thin film under its own weight, whose front is at (9·A²·g·t/(4·ν))^(1/3);
/// lying it spreads level, to 1.411·(g·A³·t/(3·ν))^(1/5). Films thinner than the roughness of the metal stop: it never runs farther than A over the film that is held.
///
/// References: H. E. Huppert, *Flow and instability of a viscous current down a slope*, Nature 300 (1982); the same, *The propagation of two-dimensional and axisymmetric viscous gravity currents over a rigid horizontal surface*, Journal of Fluid Mechanics 121 (1982). What is shed, how thick its oil is and what film is held are ranges of ours where nobody measured them, and the widest by far of what is uncertain here.
///
/// @param excessMg beyond what fills the gap
/// @param standing mm, with the axis upright
/// @param lying mm, with the axis level
public record Creep(double excessMg, Range standing, Range lying) {
    private static final double G_MM = 9810;
    private static final double SECONDS_A_DAY = 86_400;
    private static final double OIL_MG_PER_MM3 = 0.87;
    private static final double LEVEL = 1.411;
    private static final int HALVINGS = 60;
    /// Shed by damping greases over a warm summer: from firm ones to those that weep in the pot. A guess of the trade, not measured by us.
    public static final Range USUAL_SHED = new Range(0.02, 0.15);
    /// Of base oils at 35 °C, mm²/s: from light instrument oils to thick damping fluids.
    public static final Range USUAL_OIL = new Range(40, 500);
    /// From turned metal to anodised or painted barrels, mm. A guess, not measured.
    private static final Range HELD_FILM = new Range(0.0005, 0.003);
    public static final double USUAL_DAYS = 90;

    /// @param low at least, likely
    /// @param high at most, likely
    public record Range(double low, double high) {
        public Range {
            if (!(low > 0 && high >= low && high < 1e9)) {
                throw new IllegalArgumentException("a range from " + low + " to " + high + ": give two numbers above 0, the lower first");
            }
        }
    }

    /// @param shed share of its mass that comes off as oil by then
    /// @param oilMm2s kinematic viscosity of that oil at the warmth of the summer
    /// @param days how long
    public record Summer(Range shed, Range oilMm2s, double days) {
        public static final Summer USUAL = new Summer(USUAL_SHED, USUAL_OIL, USUAL_DAYS);

        public Summer {
            if (!(shed.high <= 1) || !(days > 0 && days <= 3660)) {
                throw new IllegalArgumentException("a summer of " + days + " days in which " + 100 * shed.high + " % are shed is out of range: give up to ten years and up to 100 %");
            }
        }
    }

    /// @param excessMg laid on beyond what fills the gap
    /// @param diameterMm of the thread
    /// @return nothing where there is no surplus
    public static Optional<Creep> of(double excessMg, double diameterMm, Summer summer) {
        if (!(diameterMm >= 2 && diameterMm <= 500)) {
            throw new IllegalArgumentException("a thread of " + diameterMm + " mm is out of range: give 2 to 500 mm");
        }
        return excessMg > 0 && excessMg < 1e6 ? Optional.of(new Creep(excessMg, reach(excessMg, diameterMm, summer, true), reach(excessMg, diameterMm, summer, false))) : Optional.empty();
    }

    private static Range reach(double mg, double diameterMm, Summer s, boolean standing) {
        return new Range(far(mg * s.shed.low, diameterMm, s.oilMm2s.high, s.days, HELD_FILM.high, standing), far(mg * s.shed.high, diameterMm, s.oilMm2s.low, s.days, HELD_FILM.low, standing));
    }

    private static double far(double oilMg, double diameterMm, double viscosity, double days, double held, boolean standing) {
        double area = oilMg / OIL_MG_PER_MM3 / (Math.PI * diameterMm);
        double t = days * SECONDS_A_DAY;
        return Math.min(standing ? down(area, viscosity, t) : level(area, viscosity, t), area / held);
    }

    /// Front of a film that runs down upright.
    /// @param area of its cross section, mm²
    /// @param viscosity mm²/s
    /// @return mm after so many seconds
    static double down(double area, double viscosity, double seconds) {
        return Math.cbrt(9 * area * area * G_MM * seconds / (4 * viscosity));
    }

    /// Front of a film that spreads level, to one side of where it lay.
    static double level(double area, double viscosity, double seconds) {
        return LEVEL * Math.pow(G_MM * area * area * area * seconds / (3 * viscosity), 0.2);
    }

    /// How much grease, mg, beyond what fills the gap would not reach so far at the worst, standing.
    /// @param distanceMm from the end of the thread to what it must not reach
    /// @param diameterMm of the thread
    public static double harmlessMg(double distanceMm, double diameterMm, Summer summer) {
        double low = 0;
        double high = 1e5;
        for (int i = 0; i < HALVINGS; i++) {
            double mg = (low + high) / 2;
            if (mg > 0 && reach(mg, diameterMm, summer, true).high <= distanceMm) {
                low = mg;
            } else {
                high = mg;
            }
        }
        return low;
    }
}
