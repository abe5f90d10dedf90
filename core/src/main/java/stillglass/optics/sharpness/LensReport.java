package stillglass.optics.sharpness;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;

/// What a lens, right or wrongly assembled, does to a picture of a distant object wide open.
///
/// @param eflMm equivalent focal length, paraxial, d line; absent when afocal
/// @param bfdMm back focal distance, paraxial, d line
/// @param bestFocusMm plane of least polychromatic axial RMS from the last vertex
/// @param pupil entrance pupil, paraxial
/// @param fields figures on the axis, at 0.7 and at the corner of the picture
/// @param diagnostics what was assumed, and why a figure is absent
public record LensReport(
        OptionalDouble eflMm,
        OptionalDouble bfdMm,
        OptionalDouble bestFocusMm,
        Paraxial.EntrancePupil pupil,
        List<FieldQuality> fields,
        List<String> diagnostics) {

    /// The frequency at which transfer is stated, cycles per millimetre.
    public static final double MTF_FREQUENCY = 30;

    public LensReport {
        fields = List.copyOf(fields);
        diagnostics = List.copyOf(diagnostics);
    }

    /// Image quality at one field point.
    /// @param field share of half the image circle
    /// @param rmsUm two-dimensional polychromatic RMS spot about its centroid; absent when no ray passes
    /// @param mtfSagittal diffraction MTF, frequency perpendicular to the field direction
    /// @param mtfTangential diffraction MTF, frequency along the field direction
    /// @param vignetting share of the axial beam's iris area that is cut off
    public record FieldQuality(
            double field,
            OptionalDouble rmsUm,
            OptionalDouble mtfSagittal,
            OptionalDouble mtfTangential,
            double vignetting) {}

    /// Traces the lens.
    /// @param lens as assembled
    /// @param nominal as designed; gives iris diameter and object angles, which a fault does not change
    public static LensReport of(LensSection lens, LensSection nominal) {
        List<String> diagnostics = new ArrayList<>();
        Paraxial first = Paraxial.of(lens);
        double stopRadius = nominal.surfaces().get(nominal.stopIndex()).semiDiameterMm();
        List<List<PupilRays>> bundles = new ArrayList<>();
        List<Double> relative = List.of(0.0, 0.7, 1.0);
        for (double field : relative) {
            double slope = field * nominal.imageCircleMm() / 2 / nominal.nominalFocalLengthMm();
            List<PupilRays> byWavelength = new ArrayList<>();
            for (double w : lens.wavelengthsNm()) {
                byWavelength.add(new PupilRays(lens, w, slope, stopRadius));
            }
            bundles.add(byWavelength);
        }
        Spot axis = Spot.of(bundles.getFirst());
        OptionalDouble focus = axis.rays() > 0 && axis.slopes() > 1e-12
                ? OptionalDouble.of(axis.bestFocusMm())
                : OptionalDouble.empty();
        if (focus.isEmpty()) {
            diagnostics.add("no axial ray comes to a focus: spot and transfer figures are absent");
        }
        List<FieldQuality> fields = new ArrayList<>();
        for (int i = 0; i < relative.size(); i++) {
            fields.add(quality(relative.get(i), bundles.get(i), lens.wavelengthsNm(), focus, diagnostics));
        }
        if (lens.wavelengthsNm().size() != 3) {
            diagnostics.add("the section gives " + lens.wavelengthsNm().size() + " wavelengths, not three");
        }
        return new LensReport(
                finite(first.eflMm(), "focal length", diagnostics),
                finite(first.bfdMm(), "back focal distance", diagnostics),
                focus,
                first.entrancePupil(),
                fields,
                diagnostics);
    }

    private static OptionalDouble finite(double value, String what, List<String> diagnostics) {
        if (Double.isFinite(value) && Math.abs(value) < 1e7) {
            return OptionalDouble.of(value);
        }
        diagnostics.add("the lens is afocal: " + what + " is absent");
        return OptionalDouble.empty();
    }

    private static FieldQuality quality(
            double field,
            List<PupilRays> byWavelength,
            List<Double> wavelengthsNm,
            OptionalDouble focus,
            List<String> diagnostics) {
        PupilRays middle = byWavelength.get(byWavelength.size() / 2);
        Spot spot = Spot.of(byWavelength);
        double vignetting = 1 - (double) spot.rays() / (byWavelength.size() * (double) middle.wanted);
        if (middle.aimed < middle.wanted * 0.995) {
            diagnostics.add(String.format(
                    Locale.ROOT,
                    "field %.1f: %.1f %% of the iris cannot be reached by a ray; the figures are for the rest",
                    field,
                    100.0 * (middle.wanted - middle.aimed) / middle.wanted));
        }
        if (focus.isEmpty() || spot.rays() < 30) {
            if (focus.isPresent()) {
                diagnostics.add(String.format(Locale.ROOT, "field %.1f: no beam passes, its figures are absent", field));
            }
            return new FieldQuality(
                    field, OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty(), vignetting);
        }
        double z = focus.getAsDouble();
        double px = spot.x0() + z * spot.sx();
        double py = spot.y0() + z * spot.sy();
        double[] sagittal = new double[2];
        double[] tangential = new double[2];
        for (int w = 0; w < byWavelength.size(); w++) {
            Diffraction d = new Diffraction(byWavelength.get(w), wavelengthsNm.get(w));
            add(sagittal, d.transfer(MTF_FREQUENCY, false, px, py, z));
            add(tangential, d.transfer(MTF_FREQUENCY, true, px, py, z));
        }
        double share = 1.0 / byWavelength.size();
        return new FieldQuality(
                field,
                OptionalDouble.of(spot.rmsUm(z)),
                OptionalDouble.of(share * Math.hypot(sagittal[0], sagittal[1])),
                OptionalDouble.of(share * Math.hypot(tangential[0], tangential[1])),
                vignetting);
    }

    private static void add(double[] sum, double[] term) {
        sum[0] += term[0];
        sum[1] += term[1];
    }
}
