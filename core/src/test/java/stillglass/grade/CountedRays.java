package stillglass.grade;

import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.RayBundle;

/// Rays laid evenly over the plane of the first vertex, traced and counted: no aiming, no outline, no area on any surface.
final class CountedRays {
    private static final int ACROSS = 400;

    private CountedRays() {}

    /// Slopes dx/dz and dy/dz of the ray that starts at a place of the first vertex' plane.
    interface Beam {
        double[] slopes(double x, double y);
    }

    /// Share of the rays that go all the way and meet a disc on a surface.
    /// @param halfMm rays start over a square twice as wide
    static double share(LensSection lens, int surface, double discX, double discY, double radius, double halfMm, Beam beam) {
        ExactTrace trace = new ExactTrace(lens, lens.wavelengthsNm().get(lens.wavelengthsNm().size() / 2));
        RayBundle rays = new RayBundle(ACROSS * ACROSS);
        for (int j = 0; j < ACROSS; j++) {
            for (int i = 0; i < ACROSS; i++) {
                double x = halfMm * (2 * (i + 0.5) / ACROSS - 1);
                double y = halfMm * (2 * (j + 0.5) / ACROSS - 1);
                double[] s = beam.slopes(x, y);
                double length = Math.sqrt(1 + s[0] * s[0] + s[1] * s[1]);
                rays.launch(j * ACROSS + i, x, y, s[0] / length, s[1] / length);
            }
        }
        boolean[] hit = new boolean[rays.size()];
        for (int s = 0; s < trace.surfaces(); s++) {
            trace.next(s, rays);
            for (int r = 0; s == surface && r < hit.length; r++) {
                hit[r] = Math.hypot(rays.xMm(r) - discX, rays.yMm(r) - discY) < radius;
            }
        }
        double all = 0;
        double taken = 0;
        for (int r = 0; r < hit.length; r++) {
            if (rays.passes(r)) {
                all++;
                taken += hit[r] ? 1 : 0;
            }
        }
        return taken / all;
    }
}
