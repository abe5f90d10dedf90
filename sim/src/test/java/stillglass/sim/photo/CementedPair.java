package stillglass.sim.photo;

import java.util.List;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Surface;

/// Two glasses cemented in front of an iris, one behind it.
final class CementedPair {
    private CementedPair() {}

    /// @param gap before and behind the iris, mm
    /// @param rims semi-diameters of the six surfaces, the iris the fourth, mm
    static LensSection lens(double gap, double... rims) {
        Medium crown = new Medium.Glass(1.6, 60, "");
        Medium flint = new Medium.Glass(1.7, 30, "");
        Medium air = new Medium.Air();
        return new LensSection("test", "", 60, 4, 43.2, List.of(486.1, 587.6, 656.3), List.of(
                new Surface(40, 6, crown, rims[0], false), new Surface(-60, 2, flint, rims[1], false), new Surface(200, gap, air, rims[2], false),
                new Surface(Double.POSITIVE_INFINITY, gap, air, rims[3], true), new Surface(-40, 3, crown, rims[4], false), new Surface(-30, 50, air, rims[5], false)),
                List.of(new Element("E1", 0, 1, 33, "G1", 3, 1, List.of("E2")), new Element("E2", 1, 2, 33, "G1", 3, 1, List.of("E1")),
                        new Element("E3", 4, 5, 28, "G2", 3, 1, List.of())),
                new LensSection.Focusing("unit", List.of()));
    }
}
