package stillglass.optics.sharpness;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Paraxial;
import stillglass.optics.RayAim;
import stillglass.optics.RayBundle;
import stillglass.say.Said;

/// What a lens, right or wrongly assembled, does to a picture of a distant object wide open.
///
/// @param eflMm equivalent focal length, paraxial, d line; absent when afocal
/// @param bfdMm back focal distance, paraxial, d line
/// @param bestFocusMm plane of least polychromatic axial RMS from the last vertex
/// @param pupil entrance pupil, paraxial
/// @param fields figures on the axis, at 0.7 and at the corner of the picture
/// @param opposite the same on the other side of the axis, for a lens with something leaning; empty otherwise
/// @param bfdPerGap change of the back focal distance per millimetre of each gap, front to rear
/// @param diagnostics what was assumed, and why a figure is absent
public record LensReport(
        OptionalDouble eflMm,
        OptionalDouble bfdMm,
        OptionalDouble bestFocusMm,
        Paraxial.EntrancePupil pupil,
        List<FieldQuality> fields,
        List<FieldQuality> opposite,
        List<Double> bfdPerGap,
        List<Said> diagnostics) {

    /// The frequency at which transfer is stated, cycles per millimetre.
    public static final double MTF_FREQUENCY = 30;
    /// Share of the iris that may be reached on two ways before the figures lose their meaning.
    static final double MOST_DOUBLED = 0.015;
    private static final List<Double> FIELDS = List.of(0.0, 0.7, 1.0);
    /// Surfaces times fields times colours that are traced with the full number of rays.
    private static final int MOST_SURFACES = 900;
    private static final int LEAST_ACROSS = 24;

    public LensReport {
        fields = List.copyOf(fields);
        opposite = List.copyOf(opposite);
        bfdPerGap = List.copyOf(bfdPerGap);
        diagnostics = List.copyOf(diagnostics);
    }

    /// Image quality at one field point.
    /// @param field share of half the image circle
    /// @param rmsUm two-dimensional polychromatic RMS spot about its centroid; absent when no ray passes
    /// @param mtfSagittal diffraction MTF, frequency perpendicular to the field direction
    /// @param mtfTangential diffraction MTF, frequency along the field direction
    /// @param geometricSagittal transfer of the spot alone, without diffraction
    /// @param geometricTangential the same along the field direction
    /// @param distortion height of the ray through the middle of the iris at best focus over its height in a picture
    ///     without distortion, minus one; absent on the axis
    /// @param vignetting share of the axial beam's iris area that is cut off
    public record FieldQuality(
            double field,
            OptionalDouble rmsUm,
            OptionalDouble mtfSagittal,
            OptionalDouble mtfTangential,
            OptionalDouble geometricSagittal,
            OptionalDouble geometricTangential,
            OptionalDouble distortion,
            double vignetting) {
        static FieldQuality dark(double field, double vignetting) {
            return new FieldQuality(field, OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty(),
                    OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty(), vignetting);
        }
    }

    /// Traces the lens.
    /// @param lens as assembled
    /// @param nominal as designed; gives iris diameter and object angles, which a fault does not change
    public static LensReport of(LensSection lens, LensSection nominal) {
        return of(lens, nominal, () -> {});
    }

    /// @param checkpoint called between bundles, from several threads; throws to cancel
    public static LensReport of(LensSection lens, LensSection nominal, Runnable checkpoint) {
        List<Said> diagnostics = new ArrayList<>();
        Paraxial first = Paraxial.of(lens);
        double stopRadius = nominal.surfaces().get(nominal.stopIndex()).semiDiameterMm();
        List<Double> relative = lens.tilts().isEmpty() ? FIELDS : List.of(0.0, 0.7, 1.0, -0.7, -1.0);
        List<Double> waves = lens.wavelengthsNm();
        int across = across(relative.size() * waves.size() * lens.surfaces().size());
        if (across < PupilRays.ACROSS) {
            diagnostics.add(Said.of("lens.coarse", "surfaces", lens.surfaces().size(), "count", waves.size(), "across", across));
        }
        List<PupilRays> traced = IntStream.range(0, relative.size() * waves.size()).parallel().mapToObj(i -> {
            checkpoint.run();
            return new PupilRays(lens, waves.get(i % waves.size()), slope(relative.get(i / waves.size()), nominal), stopRadius, across);
        }).toList();
        Spot axis = Spot.of(traced.subList(0, waves.size()));
        OptionalDouble focus = axis.rays() > 0 && axis.slopes() > 1e-12
                ? OptionalDouble.of(axis.bestFocusMm())
                : OptionalDouble.empty();
        if (focus.isEmpty()) {
            diagnostics.add(Said.of("lens.no-focus"));
        }
        List<Judged> judged = IntStream.range(0, relative.size()).parallel().mapToObj(f -> {
            checkpoint.run();
            return quality(relative.get(f), traced.subList(f * waves.size(), (f + 1) * waves.size()), lens, nominal, focus);
        }).toList();
        judged.forEach(j -> diagnostics.addAll(j.remarks));
        if (waves.size() != 3) {
            diagnostics.add(Said.of("lens.wavelengths", "count", waves.size()));
        }
        if (lens.basis().estimate()) {
            diagnostics.add(Said.of("lens.estimate", "basis", lens.basis().word()));
        }
        List<FieldQuality> fields = judged.stream().map(Judged::quality).toList();
        return new LensReport(
                finite(first.eflMm(), "focal", diagnostics),
                finite(first.bfdMm(), "back", diagnostics),
                focus,
                first.entrancePupil(),
                fields.subList(0, FIELDS.size()),
                fields.subList(FIELDS.size(), fields.size()),
                Double.isFinite(first.bfdMm()) ? Arrays.stream(first.bfdPerGap()).boxed().toList() : List.of(),
                diagnostics);
    }

    /// Rays across the iris: fewer through a lens so long, in so many colours, that it would take more than some seconds.
    private static int across(int surfacesTraced) {
        double share = Math.min(1, MOST_SURFACES / (double) surfacesTraced);
        return Math.max(LEAST_ACROSS, (int) (PupilRays.ACROSS * Math.sqrt(share)));
    }

    private static double slope(double field, LensSection nominal) {
        return field * nominal.imageCircleMm() / 2 / nominal.nominalFocalLengthMm();
    }

    private static OptionalDouble finite(double value, String what, List<Said> diagnostics) {
        if (Double.isFinite(value) && Math.abs(value) < 1e7) {
            return OptionalDouble.of(value);
        }
        diagnostics.add(Said.of("lens.afocal", "what", what));
        return OptionalDouble.empty();
    }

    private record Judged(FieldQuality quality, List<Said> remarks) {}

    private static Judged quality(
            double field, List<PupilRays> byWavelength, LensSection lens, LensSection nominal, OptionalDouble focus) {
        PupilRays middle = byWavelength.get(byWavelength.size() / 2);
        Spot spot = Spot.of(byWavelength);
        double vignetting = 1 - (double) spot.rays() / (byWavelength.size() * (double) middle.wanted);
        List<Said> remarks = new ArrayList<>();
        if (middle.aimed < middle.wanted * 0.995) {
            remarks.add(Said.of("lens.field.part", "field", field, "percent", 100.0 * (middle.wanted - middle.aimed) / middle.wanted));
        }
        double slope = slope(field, nominal);
        double doubled = new RayAim(lens, new ExactTrace(lens, Medium.D_LINE_NM), slope)
                .doubledShare(nominal.surfaces().get(nominal.stopIndex()).semiDiameterMm());
        if (focus.isPresent() && doubled > MOST_DOUBLED) {
            remarks.add(Said.of("lens.field.twice", "field", field, "percent", 100 * doubled));
            return new Judged(FieldQuality.dark(field, vignetting), remarks);
        }
        if (focus.isEmpty() || spot.rays() < 30) {
            if (focus.isPresent()) {
                remarks.add(Said.of("lens.field.none", "field", field));
            }
            return new Judged(FieldQuality.dark(field, vignetting), remarks);
        }
        double z = focus.getAsDouble();
        double px = spot.x0() + z * spot.sx();
        double py = spot.y0() + z * spot.sy();
        double[] sagittal = new double[2];
        double[] tangential = new double[2];
        for (int w = 0; w < byWavelength.size(); w++) {
            Diffraction d = new Diffraction(byWavelength.get(w), lens.wavelengthsNm().get(w));
            add(sagittal, d.transfer(MTF_FREQUENCY, false, px, py, z));
            add(tangential, d.transfer(MTF_FREQUENCY, true, px, py, z));
        }
        double share = 1.0 / byWavelength.size();
        return new Judged(new FieldQuality(
                field,
                OptionalDouble.of(spot.rmsUm(z)),
                OptionalDouble.of(share * Math.hypot(sagittal[0], sagittal[1])),
                OptionalDouble.of(share * Math.hypot(tangential[0], tangential[1])),
                OptionalDouble.of(Spot.transfer(byWavelength, z, MTF_FREQUENCY, false)),
                OptionalDouble.of(Spot.transfer(byWavelength, z, MTF_FREQUENCY, true)),
                distortion(field, lens, nominal, z),
                vignetting), remarks);
    }

    /// Against the first-order ray through the middle of the iris on the same plane, so that defocus is not taken for
    /// distortion; in focus that is `f·tan(angle)`.
    /// @param focusMm the plane, from the last vertex
    static OptionalDouble distortion(double field, LensSection lens, LensSection nominal, double focusMm) {
        double slope = slope(field, nominal);
        ExactTrace trace = new ExactTrace(lens, Medium.D_LINE_NM);
        RayAim aim = new RayAim(lens, trace, slope);
        if (field == 0 || !aim.at(0, 0)) {
            return OptionalDouble.empty();
        }
        RayBundle chief = new RayBundle(1);
        chief.launch(0, aim.entryXMm(), aim.entryYMm(), 0, aim.cosY());
        trace.through(chief);
        if (chief.fate(0) != RayBundle.TRAVELS) {
            return OptionalDouble.empty();
        }
        double height = chief.yMm(0) + (focusMm - chief.zMm(0)) / chief.cosZ(0) * chief.cosY(0);
        double ideal = Paraxial.of(lens).chiefHeightMm(slope, focusMm);
        return ideal == 0 ? OptionalDouble.empty() : OptionalDouble.of(height / ideal - 1);
    }

    private static void add(double[] sum, double[] term) {
        sum[0] += term[0];
        sum[1] += term[1];
    }
}
