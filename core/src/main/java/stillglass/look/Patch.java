package stillglass.look;

import java.util.List;

/// A connected patch of pixels that depart from clean glass, measured.
///
/// @param pixels indices into the working photo
/// @param lengthRadii length of its skeleton, aperture radii
/// @param widthRadii mean width, aperture radii
/// @param junctions points of the skeleton where threads part
/// @param ends points where they end
/// @param straightness distance between farthest ends over skeleton length
/// @param contrast mean departure from clean glass
/// @param radialSpread difference between its largest and smallest distance from the centre, aperture radii
/// @param concentration share of its pixels in a few rings about the centre, 0 to 1
/// @param x centre, aperture units
/// @param y centre, aperture units, up
/// @param outline in aperture units
record Patch(
        int[] pixels,
        double lengthRadii,
        double widthRadii,
        int junctions,
        int ends,
        double straightness,
        double contrast,
        double radialSpread,
        double concentration,
        double x,
        double y,
        List<Finding.Point> outline) {

    /// A thin arc that keeps its distance from the centre: the rim of an inner glass catching the lamp, no fault.
    /// Where several rims run together the arcs have spurs, but they are long and lie in few rings.
    boolean rimArc() {
        boolean plain = lengthRadii > 0.08 && radialSpread < 0.02 + 0.02 * lengthRadii && junctions <= 2;
        boolean several = lengthRadii > 0.25 && concentration > 0.6 && radialSpread < lengthRadii / 3;
        return plain || several;
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Patch p && java.util.Arrays.equals(pixels, p.pixels);
    }

    @Override
    public int hashCode() {
        return java.util.Arrays.hashCode(pixels);
    }
}
