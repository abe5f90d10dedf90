package stillglass.optics.sharpness;

import java.util.List;

/// Sums over ray bundles for spot sizes: exact in the focus shift because rays behind the lens are straight.
///
/// @param rays rays that passed
/// @param x0 mean x at the last vertex plane, mm
/// @param y0 mean y there
/// @param sx mean slope dx/dz
/// @param sy mean slope dy/dz
/// @param positions variance of position about the mean, both axes added, mm²
/// @param cross covariance of position and slope
/// @param slopes variance of slope
record Spot(int rays, double x0, double y0, double sx, double sy, double positions, double cross, double slopes) {

    /// All rays of one field, equal weight for each wavelength's rays.
    static Spot of(List<PupilRays> byWavelength) {
        return of(byWavelength, byWavelength.stream().map(p -> 1.0).toList());
    }

    /// @param weights of the rays of each wavelength
    static Spot of(List<PupilRays> byWavelength, List<Double> weights) {
        int count = 0;
        double all = 0;
        double mx = 0;
        double my = 0;
        double msx = 0;
        double msy = 0;
        for (int w = 0; w < byWavelength.size(); w++) {
            PupilRays p = byWavelength.get(w);
            double weight = weights.get(w);
            for (int r = 0; r < p.cut.length; r++) {
                if (p.cut[r] <= 1) {
                    count++;
                    all += weight;
                    mx += weight * p.xAt(r, 0);
                    my += weight * p.yAt(r, 0);
                    msx += weight * p.rays.cosX(r) / p.rays.cosZ(r);
                    msy += weight * p.rays.cosY(r) / p.rays.cosZ(r);
                }
            }
        }
        if (all == 0) {
            return new Spot(0, 0, 0, 0, 0, 0, 0, 0);
        }
        mx /= all;
        my /= all;
        msx /= all;
        msy /= all;
        double positions = 0;
        double cross = 0;
        double slopes = 0;
        for (int w = 0; w < byWavelength.size(); w++) {
            PupilRays p = byWavelength.get(w);
            double weight = weights.get(w);
            for (int r = 0; r < p.cut.length; r++) {
                if (p.cut[r] <= 1) {
                    double dx = p.xAt(r, 0) - mx;
                    double dy = p.yAt(r, 0) - my;
                    double tx = p.rays.cosX(r) / p.rays.cosZ(r) - msx;
                    double ty = p.rays.cosY(r) / p.rays.cosZ(r) - msy;
                    positions += weight * (dx * dx + dy * dy);
                    cross += weight * (dx * tx + dy * ty);
                    slopes += weight * (tx * tx + ty * ty);
                }
            }
        }
        return new Spot(count, mx, my, msx, msy, positions / all, cross / all, slopes / all);
    }

    /// Transfer of the spots alone, without diffraction: the modulus of the mean of exp(−2πi·f·x) over all rays.
    /// @param zMm plane behind the last vertex
    static double transfer(List<PupilRays> byWavelength, double zMm, double cyclesPerMm, boolean tangential) {
        double re = 0;
        double im = 0;
        int count = 0;
        for (PupilRays p : byWavelength) {
            for (int r = 0; r < p.cut.length; r++) {
                if (p.cut[r] <= 1) {
                    double phase = 2 * Math.PI * cyclesPerMm * (tangential ? p.yAt(r, zMm) : p.xAt(r, zMm));
                    re += Math.cos(phase);
                    im += Math.sin(phase);
                    count++;
                }
            }
        }
        return Math.hypot(re, im) / Math.max(1, count);
    }

    /// The plane of least RMS, from the last vertex.
    double bestFocusMm() {
        return -cross / slopes;
    }

    /// Two-dimensional RMS distance from the centroid on a plane.
    double rmsUm(double zMm) {
        return 1000 * Math.sqrt(Math.max(0, positions + 2 * zMm * cross + zMm * zMm * slopes));
    }
}
