package stillglass.care;

import stillglass.assembly.Hold;

/// How much grease a helicoid wants.
///
/// A 60° thread of pitch P has a developed profile of 1.79 P (two flanks of 0.613 P depth, plus flats of P/8 and
/// P/4), so the wetted area is 1.79·π·d·L. One film fills the running clearance; more only waits to creep.
///
/// @param areaMm2 developed thread area
/// @param volumeMm3 area times film
/// @param massMg at the grease's density
/// @param beadMm length of a bead of `beadDiameterMm`
/// @param beadDiameterMm diameter of the bead laid with the needle
public record GreaseDose(double areaMm2, double volumeMm3, double massMg, double beadMm, double beadDiameterMm) {
    /// Developed length of an ISO 60° profile over its pitch.
    public static final double DEVELOPED = 1.79;

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
        if (!(filmMm >= 0.01 && filmMm <= 0.2)) {
            throw new IllegalArgumentException("a film of " + filmMm + " mm is outside 0.01 to 0.2 mm");
        }
        if (!(beadDiameterMm >= 0.2 && beadDiameterMm <= 3) || !(densityMgPerMm3 > 0.5 && densityMgPerMm3 < 3)) {
            throw new IllegalArgumentException("bead of " + beadDiameterMm + " mm or density " + densityMgPerMm3
                    + " mg/mm³ is out of range");
        }
        double area = DEVELOPED * Math.PI * thread.diameterMm() * thread.engagedMm();
        double volume = area * filmMm;
        double bead = volume / (Math.PI * beadDiameterMm * beadDiameterMm / 4);
        return new GreaseDose(area, volume, volume * densityMgPerMm3, bead, beadDiameterMm);
    }
}
