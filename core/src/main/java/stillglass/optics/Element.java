package stillglass.optics;

import java.util.List;

/// One glass. Cemented partners share a surface and a rim diameter.
///
/// @param name as the section names it: E1, E2 …, front to rear
/// @param firstSurface index of its front surface
/// @param lastSurface index of its rear surface
/// @param diameterMm ground rim diameter, on which it seats
/// @param group the single glass or cemented group it belongs to: G1, G2 …
/// @param centreThicknessMm vertex to vertex
/// @param edgeThicknessMm at the rim, before any bevel
/// @param cementedWith names of its cemented partners, empty for a single glass
public record Element(
        String name,
        int firstSurface,
        int lastSurface,
        double diameterMm,
        String group,
        double centreThicknessMm,
        double edgeThicknessMm,
        List<String> cementedWith) {
    public Element {
        if (firstSurface < 0 || lastSurface <= firstSurface) {
            throw new IllegalArgumentException(
                    name + " runs from surface " + firstSurface + " to " + lastSurface + ": the rear must follow the front");
        }
        if (!(diameterMm > 0)) {
            throw new IllegalArgumentException(name + " has diameter " + diameterMm + " mm: give a positive length");
        }
        cementedWith = List.copyOf(cementedWith);
    }
}
