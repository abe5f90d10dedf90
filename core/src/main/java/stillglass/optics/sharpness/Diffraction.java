package stillglass.optics.sharpness;


/// Diffraction transfer function of one field at one wavelength, by autocorrelation of the pupil in direction
/// cosines, in which the image plane's spatial frequency is a plain shift of `λ·f`.
///
/// Reference: H. H. Hopkins, *The numerical evaluation of the frequency response of optical systems*, 1957;
/// Debye form of the image field. Differs: phase and edges are interpolated linearly over triangles of traced
/// rays; the amplitude is uniform over direction cosines.
final class Diffraction {
    /// Cells across the pupil.
    private static final int CELLS = 176;

    private final PupilRays pupil;
    private final double waveMm;
    private final double minL;
    private final double minM;
    private final double width;

    Diffraction(PupilRays pupil, double wavelengthNm) {
        this.pupil = pupil;
        this.waveMm = wavelengthNm * 1e-6;
        double loL = Double.POSITIVE_INFINITY;
        double hiL = Double.NEGATIVE_INFINITY;
        double loM = Double.POSITIVE_INFINITY;
        double hiM = Double.NEGATIVE_INFINITY;
        for (int r = 0; r < pupil.cut.length; r++) {
            if (pupil.cut[r] <= 1) {
                loL = Math.min(loL, pupil.rays.cosX(r));
                hiL = Math.max(hiL, pupil.rays.cosX(r));
                loM = Math.min(loM, pupil.rays.cosY(r));
                hiM = Math.max(hiM, pupil.rays.cosY(r));
            }
        }
        width = 1.08 * Math.max(hiL - loL, hiM - loM);
        minL = (loL + hiL) / 2 - width / 2;
        minM = (loM + hiM) / 2 - width / 2;
    }

    /// Complex transfer at one frequency, real and imaginary part, 1 at frequency zero.
    /// @param cyclesPerMm frequency along x (sagittal) or y (tangential)
    /// @param tangential along y
    double[] transfer(double cyclesPerMm, boolean tangential, double px, double py, double pz) {
        double shift = waveMm * cyclesPerMm;
        int steps = Math.max(1, (int) Math.round(shift / (width / CELLS)));
        double cell = shift / steps;
        int side = (int) Math.ceil(width / cell) + 1;
        double[] phase = new double[side * side];
        boolean[] open = new boolean[side * side];
        rasterise(phase, open, side, cell, px, py, pz);
        double re = 0;
        double im = 0;
        long area = 0;
        int stride = tangential ? side : 1;
        for (int j = 0; j < side; j++) {
            for (int i = 0; i < side; i++) {
                int at = j * side + i;
                if (!open[at]) {
                    continue;
                }
                area++;
                boolean within = (tangential ? j : i) + steps < side;
                if (within && open[at + steps * stride]) {
                    double d = phase[at + steps * stride] - phase[at];
                    re += Math.cos(d);
                    im += Math.sin(d);
                }
            }
        }
        return area == 0 ? new double[] {0, 0} : new double[] {re / area, im / area};
    }

    private void rasterise(double[] phase, boolean[] open, int side, double cell, double px, double py, double pz) {
        int n = pupil.side;
        double[] path = new double[pupil.cut.length];
        double reference = Double.NaN;
        for (int r = 0; r < path.length; r++) {
            if (Double.isFinite(pupil.cut[r])) {
                double p = pupil.pathTo(r, px, py, pz);
                reference = Double.isNaN(reference) ? p : reference;
                path[r] = 2 * Math.PI * (p - reference) / waveMm;
            }
        }
        for (int j = 0; j + 1 < n; j++) {
            for (int i = 0; i + 1 < n; i++) {
                int a = j * n + i;
                fill(a, a + 1, a + n, path, phase, open, side, cell);
                fill(a + 1, a + n + 1, a + n, path, phase, open, side, cell);
            }
        }
    }

    private void fill(
            int a, int b, int c, double[] path, double[] phase, boolean[] open, int side, double cell) {
        double[] cut = pupil.cut;
        if (!(Double.isFinite(cut[a]) && Double.isFinite(cut[b]) && Double.isFinite(cut[c]))
                || Math.min(cut[a], Math.min(cut[b], cut[c])) > 1) {
            return;
        }
        double ax = (pupil.rays.cosX(a) - minL) / cell;
        double ay = (pupil.rays.cosY(a) - minM) / cell;
        double bx = (pupil.rays.cosX(b) - minL) / cell;
        double by = (pupil.rays.cosY(b) - minM) / cell;
        double cx = (pupil.rays.cosX(c) - minL) / cell;
        double cy = (pupil.rays.cosY(c) - minM) / cell;
        double twice = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
        if (twice == 0) {
            return;
        }
        int x0 = Math.max(0, (int) Math.ceil(Math.min(ax, Math.min(bx, cx))));
        int x1 = Math.min(side - 1, (int) Math.floor(Math.max(ax, Math.max(bx, cx))));
        int y0 = Math.max(0, (int) Math.ceil(Math.min(ay, Math.min(by, cy))));
        int y1 = Math.min(side - 1, (int) Math.floor(Math.max(ay, Math.max(by, cy))));
        for (int y = y0; y <= y1; y++) {
            for (int x = x0; x <= x1; x++) {
                double wb = ((x - ax) * (cy - ay) - (cx - ax) * (y - ay)) / twice;
                double wc = ((bx - ax) * (y - ay) - (x - ax) * (by - ay)) / twice;
                double wa = 1 - wb - wc;
                if (wa < 0 || wb < 0 || wc < 0) {
                    continue;
                }
                if (wa * cut[a] + wb * cut[b] + wc * cut[c] <= 1) {
                    int at = y * side + x;
                    open[at] = true;
                    phase[at] = wa * path[a] + wb * path[b] + wc * path[c];
                }
            }
        }
    }
}
