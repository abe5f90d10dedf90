package stillglass.optics;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/// Where the light of every picture point crosses every surface, at every stop: outlines of traced beams, cut off by all
/// clear semi-diameters.
///
/// Fields are traced at [#FIELDS] heights from the axis to the corner ([AimedField], middle design wavelength); outlines
/// of heights between are interpolated and turned to their direction. At each stop the outline runs along the iris edge
/// or along the rim that cuts the beam, whichever is nearer to the middle of the open part. Centred lenses only: what
/// leans is traced as if it sat square. Immutable.
public final class Footprints {
    /// Field heights traced, axis and corner included.
    static final int FIELDS = 17;
    /// Corners of an outline.
    public static final int CORNERS = 40;

    private static final int SCAN = 24;
    private static final int HALVINGS = 14;

    private final LensSection lens;
    private final List<Double> stops;
    /// Indexed by surface, stop, field: x and y by turns, the field direction towards +y; empty where no light passes.
    private final float[][][][] outlines;
    /// Likewise, terms of [BeamLight].
    private final float[][][][] light;

    private final Picture picture;
    private final double fullSlope;

    /// What is photographed and on what: light of near things crosses the glasses elsewhere than that of distant ones.
    /// @param objectMm distance of the object before the first vertex, infinite when it is distant
    /// @param widthMm of the film
    /// @param heightMm of the film
    public record Picture(double objectMm, double widthMm, double heightMm) {
        public Picture {
            if (!(objectMm > 0) || !(widthMm > 0 && heightMm > 0) || Double.isInfinite(widthMm) || Double.isInfinite(heightMm)) {
                throw new IllegalArgumentException("a picture of " + widthMm + " × " + heightMm + " mm of something " + objectMm + " mm away cannot be taken");
            }
        }

        /// Distant things on a frame of 3 : 2 inscribed in the image circle.
        public static Picture distant(LensSection lens) {
            double half = lens.imageCircleMm() / Math.sqrt(13);
            return new Picture(Double.POSITIVE_INFINITY, 3 * half, 2 * half);
        }

        /// The same frame at another distance.
        public Picture at(double otherMm) {
            return new Picture(otherMm, widthMm, heightMm);
        }

        public double halfDiagonalMm() {
            return Math.hypot(widthMm, heightMm) / 2;
        }
    }

    private Footprints(LensSection lens, Picture picture, List<Double> stops, float[][][][] outlines, float[][][][] light) {
        this.lens = lens;
        this.picture = picture;
        fullSlope = slopeOf(lens, picture, farthestMm(lens, picture));
        this.stops = stops;
        this.outlines = outlines;
        this.light = light;
    }

    /// Traces a lens for distant things on the usual frame.
    /// @param lens as designed
    /// @param checkpoint called between fields; throws to cancel
    public static Footprints of(LensSection lens, Runnable checkpoint) {
        return of(lens, Picture.distant(lens), checkpoint);
    }

    /// Traces a lens that is moved as a whole to focus; a section at another zoom or focus position is a section of its own.
    /// @param lens as designed
    /// @param checkpoint called between fields; throws to cancel
    /// @throws IllegalArgumentException where the object is so near that no picture of it is thrown
    public static Footprints of(LensSection lens, Picture picture, Runnable checkpoint) {
        if (!reaches(lens, picture.objectMm())) {
            throw new IllegalArgumentException("of something " + picture.objectMm() + " mm before a lens of " + lens.nominalFocalLengthMm() + " mm no picture is thrown");
        }
        List<Double> stops = lens.stops();
        double wavelength = lens.wavelengthsNm().get(lens.wavelengthsNm().size() / 2);
        double[] inverseSquare = lens.surfaces().stream().mapToDouble(s -> 1 / (s.semiDiameterMm() * s.semiDiameterMm())).toArray();
        float[][][][] outlines = new float[lens.surfaces().size()][stops.size()][FIELDS][];
        float[][][][] light = new float[lens.surfaces().size()][stops.size()][FIELDS][];
        LensSection square = lens.withTilts(List.of());
        IntStream.range(0, FIELDS).parallel().forEach(f -> {
            checkpoint.run();
            double slope = slopeOf(lens, picture, f / (FIELDS - 1.0) * farthestMm(lens, picture));
            AimedField field = AimedField.of(square, wavelength, slope, picture.objectMm(), fullIrisMm(lens), true);
            for (int j = 0; j < stops.size(); j++) {
                Optional<BeamLight.Net> net = net(field, lens.fNumber() / stops.get(j), inverseSquare);
                float[][] spread = net.map(n -> BeamLight.of(field, n, outlines.length)).orElse(new float[0][]);
                for (int s = 0; s < outlines.length; s++) {
                    int surface = s;
                    outlines[s][j][f] = net.map(n -> outline(field, n, surface)).orElse(new float[0]);
                    light[s][j][f] = spread.length == 0 ? new float[0] : spread[s];
                }
            }
        });
        return new Footprints(lens, picture, stops, outlines, light);
    }

    private static double fullIrisMm(LensSection lens) {
        return lens.surfaces().get(lens.stopIndex()).semiDiameterMm();
    }

    /// Tan of the object angle of a share of half the image circle.
    static double slope(LensSection lens, double share) {
        return share * lens.imageCircleMm() / 2 / lens.nominalFocalLengthMm();
    }

    /// Whether a picture is thrown of something at a distance before the first vertex.
    public static boolean reaches(LensSection lens, double objectMm) {
        return Double.isInfinite(objectMm) || objectMm > 0 && objectMm > 1.02 * Paraxial.of(lens).frontFocusMm();
    }

    /// Farthest from the middle of the film that light is traced to.
    private static double farthestMm(LensSection lens, Picture picture) {
        return Math.max(lens.imageCircleMm() / 2, picture.halfDiagonalMm());
    }

    /// Tan of the angle at which a point of the picture is seen from the first vertex, by first order.
    private static double slopeOf(LensSection lens, Picture picture, double filmMm) {
        double f = lens.nominalFocalLengthMm();
        if (Double.isInfinite(picture.objectMm)) {
            return filmMm / f;
        }
        // Newton: the picture is m times as large as the object, m = f/(distance of the object before the front focus).
        double m = f / (picture.objectMm - Paraxial.of(lens).frontFocusMm());
        return filmMm / m / picture.objectMm;
    }

    /// Tan of the object angle of a place of the picture.
    /// @param filmMm from the middle of the film
    public double slope(double filmMm) {
        return slopeOf(lens, picture, filmMm);
    }

    public Picture picture() {
        return picture;
    }

    /// The open part of the iris for one field at one stop, none when nothing passes.
    /// @param ratio iris radius over the full iris radius
    private static Optional<BeamLight.Net> net(AimedField field, double ratio, double[] inverseSquare) {
        double middle = field.reached() ? middle(field, ratio, inverseSquare) : Double.NaN;
        if (Double.isNaN(middle)) {
            return Optional.empty();
        }
        double[] reaches = new double[CORNERS];
        for (int a = 0; a < CORNERS; a++) {
            double t = 2 * Math.PI * (a + 0.5) / CORNERS;
            double du = Math.cos(t);
            double dv = Math.sin(t);
            // From (0, middle) along (du, dv) to the circle of the iris.
            double b = middle * dv;
            double reach = -b + Math.sqrt(Math.max(0, b * b - middle * middle + ratio * ratio));
            if (field.cut(reach * du, middle + reach * dv, inverseSquare)) {
                double lo = 0;
                double hi = reach;
                for (int i = 0; i < HALVINGS; i++) {
                    double mid = (lo + hi) / 2;
                    if (field.cut(mid * du, middle + mid * dv, inverseSquare)) {
                        hi = mid;
                    } else {
                        lo = mid;
                    }
                }
                reach = lo;
            }
            reaches[a] = reach;
        }
        return Optional.of(new BeamLight.Net(middle, reaches));
    }

    private static float[] outline(AimedField field, BeamLight.Net net, int surface) {
        float[] out = new float[2 * CORNERS];
        for (int a = 0; a < CORNERS; a++) {
            out[2 * a] = (float) field.xMm(surface, net.u(a, 1), net.v(a, 1));
            out[2 * a + 1] = (float) field.yMm(surface, net.u(a, 1), net.v(a, 1));
        }
        return out;
    }

    /// Height on the mirror line of the iris at which the open part is centred, NaN when nothing is open.
    private static double middle(AimedField field, double ratio, double[] inverseSquare) {
        double low = Double.NaN;
        double high = Double.NaN;
        for (int i = 0; i <= SCAN; i++) {
            double v = ratio * (2.0 * i / SCAN - 1) * 0.999;
            if (!field.cut(0, v, inverseSquare)) {
                low = Double.isNaN(low) ? v : low;
                high = v;
            }
        }
        return (low + high) / 2;
    }

    public LensSection lens() {
        return lens;
    }

    /// f-numbers, widest first.
    public List<Double> stops() {
        return stops;
    }

    /// Terms of the density that [#beam] writes: 1, x, y, x², xy, y².
    public static final int DENSITY = 6;

    /// Writes the outline of a beam as x and y by turns, mm on the surface, x to the right seen from the front.
    /// @param slopeX tan of the object angle to the right: the light travels towards +x
    /// @param slopeY upwards
    /// @param into at least twice [#CORNERS] long
    /// @return false when no light of this field passes
    public boolean outline(int surface, int stop, double slopeX, double slopeY, double[] into) {
        return beam(surface, stop, slopeX, slopeY, into, new double[DENSITY]);
    }

    /// The outline, and how the light lies in it.
    /// @param density at least [#DENSITY] long: terms of the light on a square millimetre against the mean
    /// @return false when no light of this field passes
    public boolean beam(int surface, int stop, double slopeX, double slopeY, double[] into, double[] density) {
        double slope = Math.hypot(slopeX, slopeY);
        double at = Math.clamp(slope / fullSlope * (FIELDS - 1), 0, FIELDS - 1);
        int low = (int) Math.min(FIELDS - 2, Math.floor(at));
        int first = low;
        int second = low + 1;
        double share = at - low;
        if (outlines[surface][stop][first].length == 0 || outlines[surface][stop][second].length == 0) {
            int one = share < 0.5 ? first : second;
            if (outlines[surface][stop][one].length == 0) {
                return false;
            }
            first = one;
            second = one;
        }
        float[] near = outlines[surface][stop][first];
        float[] far = outlines[surface][stop][second];
        // The traced direction is +y; turn it to (slopeX, slopeY).
        double ex = slope == 0 ? 0 : slopeX / slope;
        double ey = slope == 0 ? 1 : slopeY / slope;
        for (int a = 0; a < CORNERS; a++) {
            double x = near[2 * a] + share * (far[2 * a] - near[2 * a]);
            double y = near[2 * a + 1] + share * (far[2 * a + 1] - near[2 * a + 1]);
            into[2 * a] = x * ey + y * ex;
            into[2 * a + 1] = y * ey - x * ex;
        }
        float[] one = light[surface][stop][first];
        float[] other = light[surface][stop][second];
        double along = one[1] + share * (other[1] - one[1]);
        double across2 = one[2] + share * (other[2] - one[2]);
        double along2 = one[3] + share * (other[3] - one[3]);
        // Across the field direction x·ey − y·ex, along it x·ex + y·ey.
        density[0] = one[0] + share * (other[0] - one[0]);
        density[1] = along * ex;
        density[2] = along * ey;
        density[3] = across2 * ey * ey + along2 * ex * ex;
        density[4] = 2 * ex * ey * (along2 - across2);
        density[5] = across2 * ex * ex + along2 * ey * ey;
        return true;
    }

    /// One ray in the plane of the section, from surface to surface.
    /// @param heightsMm y on every surface, as far as it goes
    /// @param sagsMm z of the point behind that surface's vertex
    /// @param filmMm y at the film, absent when it is cut off
    public record SectionRay(List<Double> heightsMm, List<Double> sagsMm, java.util.OptionalDouble filmMm, double slope) {
        public SectionRay {
            heightsMm = List.copyOf(heightsMm);
            sagsMm = List.copyOf(sagsMm);
        }
    }

    /// Rays in the plane of the section for drawing: evenly over the open iris at a stop, ending where a rim cuts them.
    /// @param shown the lens to draw them through, as it is assembled
    /// @param field share of half the image circle, positive light travelling upwards
    public static List<SectionRay> rays(LensSection shown, LensSection nominal, double field, double fNumber, int count) {
        double wavelength = nominal.wavelengthsNm().get(nominal.wavelengthsNm().size() / 2);
        double slope = slope(nominal, field);
        double radius = fullIrisMm(nominal) * nominal.fNumber() / fNumber;
        ExactTrace trace = new ExactTrace(shown, wavelength);
        RayAim aim = new RayAim(shown, trace, slope);
        List<SectionRay> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            if (aim.at(0, radius * (count == 1 ? 0 : 0.995 * (2.0 * i / (count - 1) - 1)))) {
                all.add(follow(shown, trace, aim, slope));
            }
        }
        return all;
    }

    private static SectionRay follow(LensSection shown, ExactTrace trace, RayAim aim, double slope) {
        RayBundle ray = new RayBundle(1);
        ray.launch(0, aim.entryXMm(), aim.entryYMm(), 0, aim.cosY());
        List<Double> heights = new ArrayList<>();
        List<Double> sags = new ArrayList<>();
        for (int s = 0; s < trace.surfaces(); s++) {
            trace.next(s, ray);
            if (ray.fate(0) != RayBundle.TRAVELS) {
                return new SectionRay(heights, sags, java.util.OptionalDouble.empty(), slope);
            }
            heights.add(ray.yMm(0));
            sags.add(ray.zMm(0));
            if (ray.clip(0) > 1) {
                return new SectionRay(heights, sags, java.util.OptionalDouble.empty(), slope);
            }
        }
        double toFilm = (shown.surfaces().getLast().thicknessMm() - ray.zMm(0)) / ray.cosZ(0);
        return new SectionRay(heights, sags, java.util.OptionalDouble.of(ray.yMm(0) + toFilm * ray.cosY(0)), slope);
    }
}
