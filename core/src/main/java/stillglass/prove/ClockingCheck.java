package stillglass.prove;

import java.util.Optional;
import stillglass.look.Aperture;
import stillglass.look.LinearPhoto;

/// Whether a ring or glass sits as it did in the photo of the record: its own turn between the two photos, less the turn of what stands around it, which
/// is that of the camera.
///
/// @param turnDeg clockwise against the record, -180 to 180
/// @param sigmaDeg one standard deviation, of both turns together
/// @param fold number of turns after which the ring looks the same, 1 when one turn stands out
/// @param camera how far the camera was turned, where what stands around the ring tells; otherwise it is taken to have stood as before
/// @param likeness how much of what both photos show of the ring agrees, 0 to 1
/// @param sure whether one turn stands out of the ring's own
public record ClockingCheck(double turnDeg, double sigmaDeg, int fold, Optional<Double> camera, double likeness, boolean sure) {
    /// A ring within this of its place sits as it did: a third of a millimetre on a ring of 40 mm, what a scribed line shows.
    public static final double TOLERANCE_DEG = 1;
    /// Gap between the ring and what stands around it, circle radii.
    private static final double GAP = 0.02;

    /// What of the photos is compared, in radii of the circle.
    /// @param inner inner edge of the ring
    /// @param outer outer edge of the ring; what lies beyond stays in its place
    /// @param around outer edge of what stays
    public record Zone(double inner, double outer, double around) {
        /// A name ring or retainer about the glass, and the barrel about that.
        public static final Zone RING = new Zone(1.04, 1.28, 1.60);
        /// The glass itself within its mount.
        public static final Zone GLASS = new Zone(0.30, 0.97, 1.40);

        public Zone {
            if (!(inner >= 0 && outer >= inner + 0.05 && around >= outer + 0.05 && around < 20)) {
                throw new IllegalArgumentException("a ring from " + inner + " to " + outer + " radii with its surroundings to " + around + " has no width");
            }
        }

        /// The same with the outer edge of the ring moved, as far as there is room.
        public Zone wider(double by) {
            double moved = Math.clamp(outer + by, inner + 0.06, 3);
            return new Zone(inner, moved, Math.max(around, moved + 0.1));
        }
    }

    /// @return nothing when no turn of the ring can be told
    public static Optional<ClockingCheck> of(LinearPhoto record, Aperture circleThen, LinearPhoto now, Aperture circleNow, Zone zone) {
        Optional<Clocking> part = Clocking.between(record, circleThen, now, circleNow, zone.inner, zone.outer);
        Optional<Clocking> around = Clocking.between(record, circleThen, now, circleNow, zone.outer + GAP, zone.around).filter(Clocking::sure);
        return part.map(p -> new ClockingCheck(Clocking.difference(p.turnDeg(), around.map(Clocking::turnDeg).orElse(0.0)),
                Math.hypot(p.sigmaDeg(), around.map(Clocking::sigmaDeg).orElse(0.0)), p.fold(), around.map(Clocking::turnDeg), p.likeness(), p.sure()));
    }

    /// Turn by which the ring is certainly away from its place: the least of those that look alike.
    public double leastTurnDeg() {
        return fold > 1 ? Math.IEEEremainder(turnDeg, 360.0 / fold) : turnDeg;
    }

    /// Whether it sits as it did, as far as the ring can tell.
    public boolean agrees() {
        return Math.abs(leastTurnDeg()) <= TOLERANCE_DEG;
    }

    /// Whether anything can be concluded.
    public boolean tells() {
        return sure || fold > 1;
    }
}
