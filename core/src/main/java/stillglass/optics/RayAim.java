package stillglass.optics;

/// Finds where a ray of an object, distant or near, must enter so that it crosses the iris at a wanted point.
///
/// Broyden's method in two dimensions. The ray through the middle of the iris is found first, from the entrance pupil of
/// first-order optics or, where that ray misses a surface, from a search along the field direction; every other ray
/// starts from it along the measured slope of the mapping, damped when a trial ray misses. Converges to 1e-9 mm at the
/// iris. Vignetting plays no part in aiming.
public final class RayAim {
    private static final double TOLERANCE_MM = 1e-9;
    private static final int MOST_STEPS = 40;
    private static final int SEARCH = 240;

    private final ExactTrace trace;
    private final RayBundle probe = new RayBundle(1);
    private final ObjectPoint point;
    private final double reachMm;
    /// Entry of the ray through the middle, its place at the iris, and the inverse slope of the mapping there.
    private final double middleX;
    private final double middleY;
    private final double middleAtX;
    private final double middleAtY;
    private final double[] inverse;
    private final boolean found;
    private double entryX;
    private double entryY;
    private double atX;
    private double atY;

    /// Of a distant object.
    /// @param slope tan of the object angle, rays travelling towards +y
    public RayAim(LensSection lens, ExactTrace trace, double slope) {
        this(lens, trace, slope, Double.POSITIVE_INFINITY);
    }

    /// @param slope tan of the angle at which the object's point is seen from the first vertex, rays travelling towards +y
    /// @param objectMm distance of the object before the first vertex, infinite when it is distant
    public RayAim(LensSection lens, ExactTrace trace, double slope, double objectMm) {
        this.trace = trace;
        point = new ObjectPoint(slope, objectMm);
        double widest = lens.surfaces().stream().mapToDouble(Surface::semiDiameterMm).max().orElse(1);
        reachMm = 2 * widest + Math.abs(slope) * lens.lengthMm();
        Paraxial first = Paraxial.of(lens);
        double perIris = first.heightsMm(1, 0)[lens.stopIndex()];
        double[] plain = {1 / perIris, 0, 0, 1 / perIris};
        // From the object's point through the middle of the entrance pupil, met at the first vertex.
        double pupil = first.entrancePupil().positionMm();
        double startY = -slope * pupil / (1 + pupil / objectMm);
        boolean reached = probe(0, startY) && solve(0, 0, 0, startY, plain);
        if (!reached) {
            double nearest = search();
            reached = !Double.isNaN(nearest) && probe(0, nearest) && solve(0, 0, 0, nearest, slopes(0, nearest, plain));
        }
        found = reached;
        middleX = entryX;
        middleY = entryY;
        middleAtX = atX;
        middleAtY = atY;
        inverse = reached ? slopes(entryX, entryY, plain) : plain;
    }

    /// Entry on the mirror line whose ray passes nearest to the middle of the iris; NaN when none gets there.
    private double search() {
        double best = Double.POSITIVE_INFINITY;
        double nearest = Double.NaN;
        for (int i = 0; i <= SEARCH; i++) {
            double y = reachMm * (2.0 * i / SEARCH - 1);
            if (probe(0, y) && Math.abs(atY) < best) {
                best = Math.abs(atY);
                nearest = y;
            }
        }
        return nearest;
    }

    /// Inverse of the slope of the mapping from entry to iris, measured by two more rays.
    private double[] slopes(double x, double y, double[] otherwise) {
        double step = 1e-4 * reachMm;
        if (!probe(x, y)) {
            return otherwise;
        }
        double ax = atX;
        double ay = atY;
        if (!probe(x + step, y)) {
            return otherwise;
        }
        double xx = (atX - ax) / step;
        double yx = (atY - ay) / step;
        if (!probe(x, y + step)) {
            return otherwise;
        }
        double xy = (atX - ax) / step;
        double yy = (atY - ay) / step;
        double determinant = xx * yy - xy * yx;
        return Math.abs(determinant) < 1e-12
                ? otherwise
                : new double[] {yy / determinant, -xy / determinant, -yx / determinant, xx / determinant};
    }

    /// Where its rays come from.
    public ObjectPoint point() {
        return point;
    }

    /// Direction cosine along y of the ray through the first vertex: of every ray of a distant object.
    public double cosY() {
        return point.cosY();
    }

    public double entryXMm() {
        return entryX;
    }

    public double entryYMm() {
        return entryY;
    }

    private boolean probe(double x, double y) {
        point.launch(probe, 0, x, y);
        trace.toStop(probe);
        atX = probe.xMm(0);
        atY = probe.yMm(0);
        return probe.fate(0) == RayBundle.TRAVELS;
    }

    /// Aims at a point of the iris.
    /// @return whether a ray was found; its entry is then in [#entryXMm] and [#entryYMm]
    public boolean at(double stopX, double stopY) {
        if (!found) {
            return false;
        }
        double wantX = stopX - middleAtX;
        double wantY = stopY - middleAtY;
        double dx = inverse[0] * wantX + inverse[1] * wantY;
        double dy = inverse[2] * wantX + inverse[3] * wantY;
        // Nearer to the middle until the ray gets to the iris at all.
        for (int halvings = 0; halvings < 8; halvings++) {
            if (probe(middleX + dx, middleY + dy)) {
                return solve(stopX, stopY, middleX + dx, middleY + dy, inverse);
            }
            dx *= 0.5;
            dy *= 0.5;
        }
        return false;
    }

    /// Broyden steps from an entry whose ray was just probed.
    private boolean solve(double stopX, double stopY, double startX, double startY, double[] slopes) {
        double x = startX;
        double y = startY;
        double jxx = slopes[0];
        double jxy = slopes[1];
        double jyx = slopes[2];
        double jyy = slopes[3];
        double ex = atX - stopX;
        double ey = atY - stopY;
        for (int step = 0; step < MOST_STEPS; step++) {
            if (ex * ex + ey * ey < TOLERANCE_MM * TOLERANCE_MM) {
                entryX = x;
                entryY = y;
                return true;
            }
            double dx = -(jxx * ex + jxy * ey);
            double dy = -(jyx * ex + jyy * ey);
            int halvings = 0;
            while (!probe(x + dx, y + dy)) {
                dx *= 0.5;
                dy *= 0.5;
                if (++halvings > 12) {
                    return false;
                }
            }
            x += dx;
            y += dy;
            double fx = atX - stopX;
            double fy = atY - stopY;
            double gx = fx - ex;
            double gy = fy - ey;
            // Sherman-Morrison update of the inverse: J += (d - J g) dᵀJ / (dᵀ J g).
            double hx = jxx * gx + jxy * gy;
            double hy = jyx * gx + jyy * gy;
            double denominator = dx * hx + dy * hy;
            if (Math.abs(denominator) > 1e-30) {
                double rx = dx * jxx + dy * jyx;
                double ry = dx * jxy + dy * jyy;
                jxx += (dx - hx) * rx / denominator;
                jxy += (dx - hx) * ry / denominator;
                jyx += (dy - hy) * rx / denominator;
                jyy += (dy - hy) * ry / denominator;
            }
            ex = fx;
            ey = fy;
        }
        return false;
    }

    /// Share of the iris diameter, along the field direction, that clear rays reach on more than one way: where the image
    /// of the iris folds over itself, as it does in badly mis-assembled wide lenses.
    /// @param stopRadiusMm of the iris
    public double doubledShare(double stopRadiusMm) {
        int cells = 200;
        int[] ways = new int[cells];
        double before = Double.NaN;
        double sign = 0;
        int way = 1;
        for (int i = 0; i <= 4 * SEARCH; i++) {
            double y = reachMm * (i / (2.0 * SEARCH) - 1);
            boolean clear = probe(0, y) && probe.clip(0) <= 1 && Math.abs(atY) <= stopRadiusMm;
            if (!clear) {
                before = Double.NaN;
                sign = 0;
                way++;
                continue;
            }
            if (!Double.isNaN(before) && atY != before) {
                double now = Math.signum(atY - before);
                way += sign != 0 && now != sign ? 1 : 0;
                sign = now;
                mark(ways, way, before / stopRadiusMm, atY / stopRadiusMm);
            }
            before = atY;
        }
        int doubled = 0;
        for (int w : ways) {
            doubled += w < 0 ? 1 : 0;
        }
        return doubled / (double) cells;
    }

    /// Notes that a way crosses some cells; a cell that a second way crosses turns negative.
    private static void mark(int[] ways, int way, double from, double to) {
        int a = (int) Math.clamp((Math.min(from, to) + 1) / 2 * ways.length, 0, ways.length - 1.0);
        int b = (int) Math.clamp((Math.max(from, to) + 1) / 2 * ways.length, 0, ways.length - 1.0);
        for (int c = a; c <= b; c++) {
            if (ways[c] == 0) {
                ways[c] = way;
            } else if (ways[c] != way) {
                ways[c] = -1;
            }
        }
    }
}
