package stillglass.care;

import stillglass.assembly.Hold;

/// How much grease a helicoid wants.
///
/// A basic 60° profile of pitch P (ISO 68-1) is 5/8 of H = 0.866 P deep: two flanks of 0.625 P and flats of P/8 and P/4 make 1.625 P, so the
/// wetted area is 1.625·π·d·L. A trapezoid of 30° has 1.767 P, a square thread 2 P. One film fills the running clearance; more only waits to creep.
///
/// @param areaMm2 developed thread area
/// @param volumeMm3 area times film
/// @param massMg at the grease's density
/// @param beadMm length of a bead of `beadDiameterMm`
/// @param beadDiameterMm diameter of the bead laid with the needle
public record GreaseDose(double areaMm2, double volumeMm3, double massMg, double beadMm, double beadDiameterMm) {
    /// What threads are cut to.
    public enum Profile {
        /// The basic profile of ISO 68-1.
        ISO60(Math.toRadians(30), 5.0 / 8 * Math.sqrt(3) / 2, 1.0 / 8 + 1.0 / 4),
        /// Half a pitch deep, flanks at 15°.
        TRAPEZOID(Math.toRadians(15), 0.5, 1 - 2 * 0.5 * Math.tan(Math.toRadians(15))),
        /// As deep as it is wide.
        SQUARE(0, 0.5, 1);

        private final double flankRad;
        private final double developed;

        /// @param flankRad from the perpendicular to the axis
        /// @param depth share of the pitch
        /// @param flats crest and root, shares of the pitch
        Profile(double flankRad, double depth, double flats) {
            this.flankRad = flankRad;
            developed = 2 * depth / Math.cos(flankRad) + flats;
        }

        /// Of a flank from the perpendicular to the axis.
        public double flankRad() {
            return flankRad;
        }

        /// Length along the profile over the pitch.
        public double developed() {
            return developed;
        }
    }

    /// Film between helicoid threads that turn firmly without creeping, mm: half a running clearance of 0.08 mm.
    public static final double USUAL_FILM_MM = 0.04;
    /// Damping greases of lithium or silicone lie between 0.88 and 0.98 mg per mm³.
    public static final double USUAL_DENSITY = 0.9;
    /// Bore of the dosing needle, mm.
    public static final double USUAL_NEEDLE_MM = 0.8;

    /// The dose with the usual film, density and needle.
    public static GreaseDose usual(Hold.Thread thread) {
        return of(thread, USUAL_FILM_MM, USUAL_DENSITY, USUAL_NEEDLE_MM);
    }

    /// @param thread the helicoid thread
    /// @param filmMm film thickness, 0.01 to 0.2
    /// @param densityMgPerMm3 about 0.9 for common greases
    /// @param beadDiameterMm needle bore, 0.2 to 3
    public static GreaseDose of(
            Hold.Thread thread, double filmMm, double densityMgPerMm3, double beadDiameterMm) {
        return of(thread, Profile.ISO60, filmMm, densityMgPerMm3, beadDiameterMm);
    }

    /// @param profile the thread is cut to
    public static GreaseDose of(Hold.Thread thread, Profile profile, double filmMm, double densityMgPerMm3, double beadDiameterMm) {
        if (!(filmMm >= 0.01 && filmMm <= 0.2)) {
            throw new IllegalArgumentException("a film of " + filmMm + " mm is outside 0.01 to 0.2 mm");
        }
        if (!(beadDiameterMm >= 0.2 && beadDiameterMm <= 3) || !(densityMgPerMm3 > 0.5 && densityMgPerMm3 < 3)) {
            throw new IllegalArgumentException("bead of " + beadDiameterMm + " mm or density " + densityMgPerMm3
                    + " mg/mm³ is out of range");
        }
        double area = profile.developed() * Math.PI * thread.diameterMm() * thread.engagedMm();
        double volume = area * filmMm;
        double bead = volume / (Math.PI * beadDiameterMm * beadDiameterMm / 4);
        return new GreaseDose(area, volume, volume * densityMgPerMm3, bead, beadDiameterMm);
    }
}
