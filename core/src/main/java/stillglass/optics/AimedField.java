package stillglass.optics;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.ejml.simple.SimpleMatrix;

/// All the light of one field point at one wavelength, as smooth functions of where it crosses the iris.
///
/// A few dozen rays are aimed exactly ([RayAim]) at points spread over the iris and traced; entry heights and the
/// heights on every surface are fitted by polynomials of the seventh degree in iris coordinates (u, v), each from −1 to
/// 1. For a lens that mirrors left to right only half the iris is traced, and x is odd and y even in u. Evaluating costs
/// a few multiplications, so that dense bundles and beam outlines need no aiming of their own. Agreement with rays aimed
/// one by one: see docs/methods/optics.md.
public final class AimedField {
    private static final double[] RINGS = {0.25, 0.5, 0.72, 0.88, 1.0};
    private static final int HALF_SPOKES = 9;
    private static final int DEGREE = 7;

    private final Basis odd;
    private final Basis even;
    private final double[] entryX;
    private final double[] entryY;
    private final double[][] surfaceX;
    private final double[][] surfaceY;
    private final ObjectPoint point;
    private final int aimed;
    /// Present where some rays of the iris are lost on their way: then only tracing tells which pass.
    private final Optional<OneByOne> oneByOne;

    private record OneByOne(ExactTrace trace, RayAim aim, double stopRadiusMm) {
        boolean cut(double u, double v) {
            if (!aim.at(u * stopRadiusMm, v * stopRadiusMm)) {
                return true;
            }
            RayBundle ray = new RayBundle(1);
            aim.point().launch(ray, 0, aim.entryXMm(), aim.entryYMm());
            trace.through(ray);
            return !ray.passes(0);
        }
    }

    private AimedField(
            Basis odd, Basis even, double[] entryX, double[] entryY, double[][] surfaceX, double[][] surfaceY,
            ObjectPoint point, int aimed, Optional<OneByOne> oneByOne) {
        this.odd = odd;
        this.even = even;
        this.entryX = entryX;
        this.entryY = entryY;
        this.surfaceX = surfaceX;
        this.surfaceY = surfaceY;
        this.point = point;
        this.aimed = aimed;
        this.oneByOne = oneByOne;
    }

    /// The monomials u^a·v^b of one symmetry up to a degree.
    private record Basis(int[] a, int[] b) {
        /// @param parity 0 even in u, 1 odd in u, -1 all
        static Basis of(int parity, int degree) {
            List<int[]> terms = new ArrayList<>();
            for (int a = 0; a <= degree; a++) {
                for (int b = 0; a + b <= degree; b++) {
                    if (parity < 0 || a % 2 == parity) {
                        terms.add(new int[] {a, b});
                    }
                }
            }
            return new Basis(terms.stream().mapToInt(t -> t[0]).toArray(), terms.stream().mapToInt(t -> t[1]).toArray());
        }

        double value(double[] weights, double u, double v) {
            double[] up = new double[DEGREE + 1];
            double[] vp = new double[DEGREE + 1];
            powers(u, up);
            powers(v, vp);
            return value(weights, up, vp);
        }

        double value(double[] weights, double[] up, double[] vp) {
            double sum = 0;
            for (int i = 0; i < weights.length; i++) {
                sum += weights[i] * up[a[i]] * vp[b[i]];
            }
            return sum;
        }

        static void powers(double x, double[] into) {
            into[0] = 1;
            for (int i = 1; i < into.length; i++) {
                into[i] = into[i - 1] * x;
            }
        }
    }

    /// Aims and traces one field of a distant object.
    /// @param slope tan of the object angle; the light travels towards +y
    /// @param stopRadiusMm radius of the iris that (u, v) refer to
    /// @param surfaces whether heights on the surfaces are wanted, too
    public static AimedField of(LensSection lens, double wavelengthNm, double slope, double stopRadiusMm, boolean surfaces) {
        return of(lens, wavelengthNm, slope, Double.POSITIVE_INFINITY, stopRadiusMm, surfaces);
    }

    /// The same of an object that may be near.
    /// @param objectMm distance of the object before the first vertex, infinite when it is distant
    public static AimedField of(LensSection lens, double wavelengthNm, double slope, double objectMm, double stopRadiusMm, boolean surfaces) {
        ExactTrace trace = new ExactTrace(lens, wavelengthNm);
        RayAim aim = new RayAim(lens, trace, slope, objectMm);
        boolean mirrored = lens.mirrored();
        List<double[]> points = samples(mirrored);
        List<double[]> hit = new ArrayList<>();
        List<double[]> entries = new ArrayList<>();
        for (double[] p : points) {
            if (aim.at(p[0] * stopRadiusMm, p[1] * stopRadiusMm)) {
                hit.add(p);
                entries.add(new double[] {aim.entryXMm(), aim.entryYMm()});
            }
        }
        boolean whole = !surfaces || keepWhole(trace, aim, hit, entries) && hit.size() == points.size();
        int degree = degree(hit.size(), mirrored);
        Basis odd = Basis.of(mirrored ? 1 : -1, degree);
        Basis even = Basis.of(mirrored ? 0 : -1, degree);
        if (hit.isEmpty()) {
            return new AimedField(odd, even, new double[0], new double[0], new double[0][], new double[0][], aim.point(), 0, Optional.empty());
        }
        Fit x = new Fit(odd, hit, hit.size() == points.size() && degree == DEGREE);
        Fit y = new Fit(even, hit, hit.size() == points.size() && degree == DEGREE);
        double[] entryX = x.solve(entries, 0);
        double[] entryY = y.solve(entries, 1);
        double[][] sx = new double[surfaces ? trace.surfaces() : 0][];
        double[][] sy = new double[sx.length][];
        if (surfaces) {
            RayBundle rays = new RayBundle(hit.size());
            for (int i = 0; i < hit.size(); i++) {
                aim.point().launch(rays, i, entries.get(i)[0], entries.get(i)[1]);
            }
            for (int s = 0; s < sx.length; s++) {
                trace.next(s, rays);
                List<double[]> at = new ArrayList<>();
                for (int i = 0; i < hit.size(); i++) {
                    at.add(new double[] {rays.x[i], rays.y[i]});
                }
                sx[s] = x.solve(at, 0);
                sy[s] = y.solve(at, 1);
            }
        }
        return new AimedField(odd, even, entryX, entryY, sx, sy, aim.point(), hit.size(),
                whole ? Optional.empty() : Optional.of(new OneByOne(trace, aim, stopRadiusMm)));
    }

    /// Leaves out rays that get to the iris but not through the lens: beyond a face's own edge there is no height to fit.
    /// @return whether none had to be left out
    private static boolean keepWhole(ExactTrace trace, RayAim aim, List<double[]> hit, List<double[]> entries) {
        int before = hit.size();
        RayBundle rays = new RayBundle(hit.size());
        for (int i = 0; i < hit.size(); i++) {
            aim.point().launch(rays, i, entries.get(i)[0], entries.get(i)[1]);
        }
        trace.through(rays);
        for (int i = hit.size() - 1; i >= 0; i--) {
            if (rays.fate(i) != RayBundle.TRAVELS) {
                hit.remove(i);
                entries.remove(i);
            }
        }
        return hit.size() == before;
    }

    private static List<double[]> samples(boolean mirrored) {
        List<double[]> points = new ArrayList<>();
        points.add(new double[] {0, 0});
        int spokes = mirrored ? HALF_SPOKES : 2 * (HALF_SPOKES - 1);
        for (double r : RINGS) {
            for (int i = 0; i < spokes; i++) {
                double t = -Math.PI / 2 + Math.PI * i / (HALF_SPOKES - 1);
                points.add(new double[] {r * Math.cos(t), r * Math.sin(t)});
            }
        }
        return points;
    }

    private static int degree(int samples, boolean mirrored) {
        int full = mirrored ? 30 : 54;
        return samples >= full ? DEGREE : samples >= full / 2 ? 4 : samples >= full / 4 ? 2 : 0;
    }

    /// Least squares over the sampled points; the usual case, where every ray was found, is solved once and kept.
    private static final class Fit {
        private static final java.util.concurrent.ConcurrentHashMap<List<Integer>, SimpleMatrix> USUAL = new java.util.concurrent.ConcurrentHashMap<>();

        private final SimpleMatrix inverse;

        Fit(Basis basis, List<double[]> points, boolean usual) {
            List<Integer> key = List.of(basis.a.length, points.size());
            SimpleMatrix known = usual ? USUAL.get(key) : null;
            if (known == null) {
                SimpleMatrix rows = new SimpleMatrix(points.size(), basis.a.length);
                for (int i = 0; i < points.size(); i++) {
                    double[] p = points.get(i);
                    for (int k = 0; k < basis.a.length; k++) {
                        rows.set(i, k, Math.pow(p[0], basis.a[k]) * Math.pow(p[1], basis.b[k]));
                    }
                }
                known = rows.pseudoInverse();
                if (usual) {
                    USUAL.put(key, known);
                }
            }
            inverse = known;
        }

        double[] solve(List<double[]> values, int axis) {
            double[] weights = new double[inverse.getNumRows()];
            for (int k = 0; k < weights.length; k++) {
                double sum = 0;
                for (int i = 0; i < values.size(); i++) {
                    sum += inverse.get(k, i) * values.get(i)[axis];
                }
                weights[k] = sum;
            }
            return weights;
        }
    }

    /// Whether any ray was found.
    public boolean reached() {
        return aimed > 0;
    }

    /// Direction cosine along y, in front of the lens, of the ray through the first vertex.
    public double cosY() {
        return point.cosY();
    }

    /// Starts one ray for each point so that it crosses the iris there, as well as the fit knows.
    public void launch(RayBundle rays, double[] u, double[] v) {
        double[] up = new double[DEGREE + 1];
        double[] vp = new double[DEGREE + 1];
        for (int i = 0; i < u.length; i++) {
            Basis.powers(u[i], up);
            Basis.powers(v[i], vp);
            point.launch(rays, i, odd.value(entryX, up, vp), even.value(entryY, up, vp));
        }
    }

    /// Where the light through (u, v) of the iris meets surface `s`: x, seen from the front.
    public double xMm(int s, double u, double v) {
        return odd.value(surfaceX[s], u, v);
    }

    public double yMm(int s, double u, double v) {
        return even.value(surfaceY[s], u, v);
    }

    /// Where it comes in on the plane of the first vertex: equal areas there carry equal light.
    public double entryXMm(double u, double v) {
        return odd.value(entryX, u, v);
    }

    public double entryYMm(double u, double v) {
        return even.value(entryY, u, v);
    }

    /// Whether the ray through (u, v) of the iris is cut off by a rim or lost on its way. One thread at a time.
    /// @param inverseSquare 1/semi-diameter² of every surface
    public boolean cut(double u, double v, double[] inverseSquare) {
        return oneByOne.isPresent() ? oneByOne.get().cut(u, v) : clip(u, v, inverseSquare) > 1;
    }

    /// Largest (height / clear semi-diameter)² over all surfaces; above 1 the ray is cut off.
    /// @param inverseSquare 1/semi-diameter² of every surface
    private double clip(double u, double v, double[] inverseSquare) {
        double[] up = new double[DEGREE + 1];
        double[] vp = new double[DEGREE + 1];
        Basis.powers(u, up);
        Basis.powers(v, vp);
        double most = 0;
        for (int s = 0; s < surfaceX.length; s++) {
            double x = odd.value(surfaceX[s], up, vp);
            double y = even.value(surfaceY[s], up, vp);
            most = Math.max(most, (x * x + y * y) * inverseSquare[s]);
        }
        return most;
    }
}
