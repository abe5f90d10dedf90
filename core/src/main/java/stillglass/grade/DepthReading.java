package stillglass.grade;

import java.util.OptionalDouble;
import stillglass.optics.ApparentPoint;
import stillglass.optics.LensSection;
import stillglass.say.Said;


/// A measurement of how deep a fault seems to lie behind the rim of the outermost glass.
///
/// @param how focusing on rim and fault, or watching the fault wander when the instrument is turned
/// @param fromRear seen from behind, measured from the rim of the last glass
/// @param tiltDeg turn of the instrument, for parallax only
/// @param valueMm travel of the rack from rim to fault, or wandering of the fault against the rim, mm on the rim
/// @param sigmaMm one standard deviation of `valueMm`
public record DepthReading(How how, boolean fromRear, double tiltDeg, double valueMm, double sigmaMm) {

    /// The two ways of measuring depth.
    public enum How {
        /// Rack or lens-scale difference between sharp rim and sharp fault.
        FOCUS,
        /// Shift against the rim under a known tilt.
        PARALLAX
    }

    public DepthReading {
        if (!(Math.abs(valueMm) < 500)) {
            throw new IllegalArgumentException("a depth reading of " + valueMm + " mm is out of range: give less than 500 mm");
        }
        if (!(sigmaMm > 0 && sigmaMm < 100)) {
            throw new IllegalArgumentException("a reading error of " + sigmaMm + " mm is out of range: say how far repeated readings scatter");
        }
        if (how == How.PARALLAX && !(tiltDeg >= 1 && tiltDeg <= 45)) {
            throw new IllegalArgumentException("a tilt of " + tiltDeg + "° is out of range: turn the instrument by 1 to 45°");
        }
    }

    public static DepthReading focus(boolean fromRear, double travelMm, double sigmaMm) {
        return new DepthReading(How.FOCUS, fromRear, 0, travelMm, sigmaMm);
    }

    public static DepthReading parallax(boolean fromRear, double tiltDeg, double shiftMm, double sigmaMm) {
        return new DepthReading(How.PARALLAX, fromRear, tiltDeg, shiftMm, sigmaMm);
    }

    /// Reading that a fault at a place would give: its apparent depth behind the rim, or how far it wanders under the turn. What stands off the axis wanders in proportion to its depth there.
    double expectedMm(LensSection lens, int surface, double behindMm, double heightMm) {
        double depth = WhichSurface.depth(lens, surface, behindMm, heightMm, fromRear);
        if (how == How.FOCUS) {
            return depth;
        }
        double onAxis = WhichSurface.depth(lens, surface, behindMm, 0, fromRear);
        double plain = Math.sin(Math.toRadians(tiltDeg));
        OptionalDouble traced = ApparentPoint.wanderMm(lens, surface, behindMm, tiltDeg, fromRear);
        return traced.isEmpty() ? depth * plain : traced.getAsDouble() + (depth - onAxis) * plain;
    }

    /// In the bench's words.
    public Said said() {
        return Said.of(how == How.FOCUS ? "depth.focus" : "depth.parallax", "mm", valueMm, "sigma", sigmaMm, "degrees", tiltDeg, "side", fromRear ? "rear" : "front");
    }
}
