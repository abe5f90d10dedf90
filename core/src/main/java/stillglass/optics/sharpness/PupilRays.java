package stillglass.optics.sharpness;

import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.RayAim;
import stillglass.optics.RayBundle;

/// The rays of one field point at one wavelength, aimed at a square grid over the iris and traced to the last
/// surface. The grid reaches a little beyond the iris so that edges can be placed between its points.
final class PupilRays {
    /// Grid points across the iris diameter.
    static final int ACROSS = 72;

    final RayBundle rays;
    /// Grid width; ray `j * side + i` sits at column i, row j.
    final int side;
    /// Largest of all clip ratios and the iris ratio; above 1 the ray is cut off, NaN-free, +∞ when not aimed.
    final double[] cut;
    /// Weight of each ray within the iris disc for uniform sampling: share of its cell inside the disc and clear.
    final int aimed;
    final int wanted;

    /// @param across grid points across the iris diameter, [#ACROSS] usually
    PupilRays(LensSection lens, double wavelengthNm, double slope, double stopRadiusMm, int across) {
        double margin = 1 + 3.0 / across;
        ExactTrace trace = new ExactTrace(lens, wavelengthNm);
        RayAim aim = new RayAim(lens, trace, slope);
        double step = 2.0 / across;
        int half = (int) Math.ceil(margin / step);
        side = 2 * half;
        rays = new RayBundle(side * side);
        cut = new double[side * side];
        int found = 0;
        int inside = 0;
        boolean[] missing = new boolean[side * side];
        for (int j = 0; j < side; j++) {
            for (int i = 0; i < side; i++) {
                int r = j * side + i;
                double u = (i - half + 0.5) * step;
                double v = (j - half + 0.5) * step;
                double ratio = u * u + v * v;
                cut[r] = ratio;
                boolean within = ratio <= 1;
                inside += within ? 1 : 0;
                if (ratio > margin * margin || !aim.at(u * stopRadiusMm, v * stopRadiusMm)) {
                    missing[r] = true;
                    rays.launch(r, 0, 0, 0, 0);
                    rays.lose(r);
                    continue;
                }
                found += within ? 1 : 0;
                rays.launch(r, aim.entryXMm(), aim.entryYMm(), 0, aim.cosY());
            }
        }
        aimed = found;
        wanted = inside;
        trace.through(rays);
        for (int r = 0; r < cut.length; r++) {
            cut[r] = missing[r] || rays.fate(r) != RayBundle.TRAVELS
                    ? Double.POSITIVE_INFINITY
                    : Math.max(cut[r], rays.clip(r));
        }
    }

    /// Where ray `r` crosses the plane `zMm` behind the last vertex.
    double xAt(int r, double zMm) {
        return rays.xMm(r) + (zMm - rays.zMm(r)) / rays.cosZ(r) * rays.cosX(r);
    }

    double yAt(int r, double zMm) {
        return rays.yMm(r) + (zMm - rays.zMm(r)) / rays.cosZ(r) * rays.cosY(r);
    }

    /// Optical path to the foot of the perpendicular dropped from an image point onto the ray: the phase that
    /// the plane wave in the ray's direction has at that point.
    double pathTo(int r, double px, double py, double pz) {
        double dx = px - rays.xMm(r);
        double dy = py - rays.yMm(r);
        double dz = pz - rays.zMm(r);
        return rays.pathMm(r) + dx * rays.cosX(r) + dy * rays.cosY(r) + dz * rays.cosZ(r);
    }
}
