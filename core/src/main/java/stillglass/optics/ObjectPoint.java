package stillglass.optics;

/// A point of what is photographed, from which rays start.
///
/// @param slope tan of the angle at which it is seen from the first vertex, its light travelling towards +y
/// @param distanceMm before the first vertex, infinite when it is distant: then its rays are parallel
public record ObjectPoint(double slope, double distanceMm) {
    public ObjectPoint {
        if (!(distanceMm > 0) || !Double.isFinite(slope)) {
            throw new IllegalArgumentException("an object " + distanceMm + " mm before the lens at a slope of " + slope + " cannot be photographed");
        }
    }

    /// Starts a ray from it towards a place of the first vertex' plane.
    public void launch(RayBundle rays, int at, double xMm, double yMm) {
        double alongX = xMm / distanceMm;
        double alongY = slope + yMm / distanceMm;
        double length = Math.sqrt(1 + alongX * alongX + alongY * alongY);
        rays.launch(at, xMm, yMm, alongX / length, alongY / length);
    }

    /// Direction cosine along y of the ray through the first vertex.
    public double cosY() {
        return slope / Math.hypot(1, slope);
    }
}
