package stillglass.optics.sharpness;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import stillglass.optics.AimedField;
import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Paraxial;
import stillglass.optics.RayAim;
import stillglass.optics.RayBundle;

/// Focus and spots of a lens, wide open, in a few milliseconds: what is needed to try many assembly faults.
///
/// The same definitions as [LensReport] with fewer rays: entry points come from [AimedField], the iris is sampled on
/// rings of equal area. Agrees with the report within 1 % in spot size while spots are below 0.1 mm and within 3.5 % in
/// ruined fields; docs/methods/optics.md says how it was checked.
///
/// @param bfdMm paraxial back focal distance, d line; absent when afocal
/// @param bestFocusMm plane of least polychromatic RMS on the axis, from the last vertex
/// @param rmsUm spot at each field, in the order asked for; NaN-free, absent where no light passes
/// @param rmsOnFilmUm the same on the film, which is where the last distance of the lens ends
/// @param distortionPercent of the ray through the middle of the iris on the film against where first order puts it there; absent on the axis
public record SpotSurvey(OptionalDouble bfdMm, OptionalDouble bestFocusMm, List<OptionalDouble> rmsUm, List<OptionalDouble> rmsOnFilmUm, List<OptionalDouble> distortionPercent) {
    private static final int RINGS = 24;
    /// Over half the iris.
    private static final int SPOKES = 24;
    private static final int QUICK_RINGS = 9;
    private static final int QUICK_SPOKES = 8;
    /// Share of the iris radius by which a fitted ray may miss its point.
    private static final double ASTRAY = 0.01;
    /// Axis, 0.7 and corner of the picture.
    public static final List<Double> USUAL_FIELDS = List.of(0.0, 0.7, 1.0);

    public SpotSurvey {
        rmsUm = List.copyOf(rmsUm);
        rmsOnFilmUm = List.copyOf(rmsOnFilmUm);
        distortionPercent = List.copyOf(distortionPercent);
    }

    /// Surveys axis, 0.7 field and corner.
    /// @param nominal gives iris diameter and object angles, which a fault does not change
    public static SpotSurvey of(LensSection lens, LensSection nominal) {
        return of(lens, nominal, USUAL_FIELDS);
    }

    /// @param fields shares of half the image circle, the axis first; negative ones lie on the other side, which only
    ///     differs for a lens that leans
    public static SpotSurvey of(LensSection lens, LensSection nominal, List<Double> fields) {
        return of(lens, nominal, fields, RINGS, SPOKES, true, OptionalDouble.empty());
    }

    /// The same with an eighth of the rays, and no search for places that are reached on two ways: spots within 3 % of [#of], for weighing hundreds of faults.
    public static SpotSurvey quick(LensSection lens, LensSection nominal, List<Double> fields) {
        return of(lens, nominal, fields, QUICK_RINGS, QUICK_SPOKES, false, OptionalDouble.empty());
    }

    /// The same for a lens whose axis was surveyed before, seen from another direction round it.
    /// @param focusMm best focus on the axis, from the last vertex
    public static SpotSurvey quickAt(LensSection lens, LensSection nominal, List<Double> fields, double focusMm) {
        return of(lens, nominal, fields, QUICK_RINGS, QUICK_SPOKES, false, OptionalDouble.of(focusMm));
    }

    private static SpotSurvey of(LensSection lens, LensSection nominal, List<Double> fields, int rings, int half, boolean strict, OptionalDouble known) {
        double iris = nominal.surfaces().get(nominal.stopIndex()).semiDiameterMm();
        int waves = lens.wavelengthsNm().size();
        double[][] grid = grid(lens.mirrored(), rings, half);
        Sums[] sums = new Sums[fields.size() * waves];
        IntStream.range(0, sums.length).parallel().forEach(i -> {
            double slope = fields.get(i / waves) * nominal.imageCircleMm() / 2 / nominal.nominalFocalLengthMm();
            sums[i] = Sums.of(lens, lens.wavelengthsNm().get(i % waves), slope, iris, grid);
        });
        double bfd = Paraxial.of(lens).bfdMm();
        OptionalDouble focus = known.isPresent() ? known : Sums.add(Arrays.asList(sums).subList(0, waves)).bestFocusMm();
        List<OptionalDouble> spots = new ArrayList<>();
        List<OptionalDouble> onFilm = new ArrayList<>();
        List<OptionalDouble> distortion = new ArrayList<>();
        for (int f = 0; f < fields.size(); f++) {
            Sums field = Sums.add(Arrays.asList(sums).subList(f * waves, (f + 1) * waves));
            // Where every ray of the fit found its point, the image of the iris does not fold.
            boolean told = focus.isPresent() && (!strict || field.astray == 0 || unique(lens, nominal, fields.get(f)));
            spots.add(told ? field.rmsUm(focus.getAsDouble()) : OptionalDouble.empty());
            double film = lens.surfaces().getLast().thicknessMm();
            onFilm.add(told ? field.rmsUm(film) : OptionalDouble.empty());
            distortion.add(told ? LensReport.distortion(fields.get(f), lens, nominal, film).stream().map(d -> 100 * d).findFirst() : OptionalDouble.empty());
        }
        return new SpotSurvey(Double.isFinite(bfd) && Math.abs(bfd) < 1e7 ? OptionalDouble.of(bfd) : OptionalDouble.empty(), focus, spots, onFilm, distortion);
    }

    private static boolean unique(LensSection lens, LensSection nominal, double field) {
        double slope = field * nominal.imageCircleMm() / 2 / nominal.nominalFocalLengthMm();
        return new RayAim(lens, new ExactTrace(lens, Medium.D_LINE_NM), slope)
                .doubledShare(nominal.surfaces().get(nominal.stopIndex()).semiDiameterMm()) <= LensReport.MOST_DOUBLED;
    }

    /// Points of the iris, u then v, each standing for the same area: rings of equal area, spokes half a step off the
    /// mirror line. Half of them when the other half is their mirror image.
    private static double[][] grid(boolean mirrored, int rings, int half) {
        int spokes = mirrored ? half : 2 * half;
        double[] u = new double[rings * spokes];
        double[] v = new double[u.length];
        for (int j = 0; j < rings; j++) {
            double r = Math.sqrt((j + 0.5) / rings);
            for (int i = 0; i < spokes; i++) {
                double t = -Math.PI / 2 + Math.PI * (i + 0.5) / half;
                u[j * spokes + i] = r * Math.cos(t);
                v[j * spokes + i] = r * Math.sin(t);
            }
        }
        return new double[][] {u, v};
    }

    /// Moments of the rays behind the last vertex: positions at the vertex plane and slopes.
    private record Sums(int rays, int astray, boolean mirrored, double y, double ty, double x, double tx, double positions, double cross, double slopes) {
        static Sums of(LensSection lens, double wavelengthNm, double slope, double irisMm, double[][] grid) {
            AimedField field = AimedField.of(lens, wavelengthNm, slope, irisMm, false);
            RayBundle rays = new RayBundle(field.reached() ? grid[0].length : 0);
            int astray = 1;
            if (field.reached()) {
                astray = trace(lens, wavelengthNm, slope, irisMm, grid, field, rays);
            }
            int n = 0;
            double sy = 0;
            double sty = 0;
            double sx = 0;
            double stx = 0;
            double pp = 0;
            double pt = 0;
            double tt = 0;
            for (int i = 0; i < rays.size(); i++) {
                if (!rays.passes(i)) {
                    continue;
                }
                double tx = rays.cosX(i) / rays.cosZ(i);
                double ty = rays.cosY(i) / rays.cosZ(i);
                double x = rays.xMm(i) - rays.zMm(i) * tx;
                double y = rays.yMm(i) - rays.zMm(i) * ty;
                n++;
                sx += x;
                stx += tx;
                sy += y;
                sty += ty;
                pp += x * x + y * y;
                pt += x * tx + y * ty;
                tt += tx * tx + ty * ty;
            }
            return new Sums(n, astray, lens.mirrored(), sy, sty, sx, stx, pp, pt, tt);
        }

        /// Traces the bundle; rays that the fit sent past their point of the iris are aimed again one by one.
        /// @return how many were
        private static int trace(
                LensSection lens, double wavelengthNm, double slope, double irisMm, double[][] grid, AimedField field, RayBundle rays) {
            ExactTrace trace = new ExactTrace(lens, wavelengthNm);
            field.launch(rays, grid[0], grid[1]);
            trace.toStop(rays);
            RayAim aim = new RayAim(lens, trace, slope);
            RayBundle again = new RayBundle(1);
            int count = 0;
            for (int i = 0; i < rays.size(); i++) {
                double x = grid[0][i] * irisMm;
                double y = grid[1][i] * irisMm;
                boolean astray = rays.fate(i) != RayBundle.TRAVELS
                        || Math.hypot(rays.xMm(i) - x, rays.yMm(i) - y) > ASTRAY * irisMm;
                count += astray ? 1 : 0;
                if (astray && aim.at(x, y)) {
                    again.launch(0, aim.entryXMm(), aim.entryYMm(), 0, aim.cosY());
                    trace.toStop(again);
                    rays.take(i, again, 0);
                } else if (astray) {
                    rays.lose(i);
                }
            }
            for (int s = trace.stop() + 1; s < trace.surfaces(); s++) {
                trace.next(s, rays);
            }
            return count;
        }

        static Sums add(List<Sums> all) {
            return all.stream().reduce((a, b) -> new Sums(a.rays + b.rays, a.astray + b.astray, a.mirrored, a.y + b.y, a.ty + b.ty, a.x + b.x, a.tx + b.tx,
                    a.positions + b.positions, a.cross + b.cross, a.slopes + b.slopes)).orElseThrow();
        }

        /// Of half a mirrored bundle, x has no mean: its mirror image takes it away.
        private double variance(double products, double ax, double bx, double ay, double by) {
            return products / rays - ay * by / rays / rays - (mirrored ? 0 : ax * bx / rays / rays);
        }

        OptionalDouble bestFocusMm() {
            double t = rays == 0 ? 0 : variance(slopes, tx, tx, ty, ty);
            return t > 1e-12 ? OptionalDouble.of(-variance(cross, x, tx, y, ty) / t) : OptionalDouble.empty();
        }

        OptionalDouble rmsUm(double z) {
            if (rays < 15) {
                return OptionalDouble.empty();
            }
            double square = variance(positions, x, x, y, y) + 2 * z * variance(cross, x, tx, y, ty) + z * z * variance(slopes, tx, tx, ty, ty);
            return OptionalDouble.of(1000 * Math.sqrt(Math.max(0, square)));
        }
    }
}
