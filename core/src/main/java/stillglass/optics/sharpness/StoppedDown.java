package stillglass.optics.sharpness;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import stillglass.optics.LensSection;

/// What a lens does at a stop: spots, transfer at any frequency, and transfer through focus.
///
/// The same rays and definitions as [LensReport], with the iris closed from the widest stop in proportion; focus is the plane of least axial spot at that stop, so what it moves by from the widest is the focus shift.
///
/// @param fNumber stop
/// @param bestFocusMm from the last vertex; absent when nothing focuses
/// @param fields on the axis, at 0.7 and at the corner
public record StoppedDown(double fNumber, OptionalDouble bestFocusMm, List<Field> fields) {
    private static final List<Double> FIELDS = List.of(0.0, 0.7, 1.0);
    private static final int LEAST_RAYS = 30;

    /// @param field share of half the image circle
    /// @param rmsUm on the best plane; absent when no light comes
    /// @param vignetting share of the axial beam's iris area that is cut off
    /// @param transfer on the best plane, one for each frequency asked for
    /// @param through at the first frequency, one for each defocus asked for
    public record Field(double field, OptionalDouble rmsUm, double vignetting, List<Transfer> transfer, List<Transfer> through) {
        public Field {
            transfer = List.copyOf(transfer);
            through = List.copyOf(through);
        }
    }

    /// @param frequency cycles per millimetre
    /// @param defocusMm of the plane from the best one, positive away from the lens
    public record Transfer(double frequency, double defocusMm, double sagittal, double tangential) {}

    public StoppedDown {
        fields = List.copyOf(fields);
    }

    /// @param lens as assembled
    /// @param nominal as designed; gives iris diameter and object angles
    /// @param fNumber at most as wide as the lens
    /// @param frequencies cycles per millimetre
    /// @param defocusMm planes for the first frequency, empty for none
    /// @throws IllegalArgumentException for a stop wider than the lens or frequencies out of range
    public static StoppedDown of(LensSection lens, LensSection nominal, double fNumber, List<Double> frequencies, List<Double> defocusMm) {
        return of(lens, nominal, fNumber, frequencies, defocusMm, Colours.EQUAL);
    }

    /// @param colours how the section's wavelengths are weighed against each other
    public static StoppedDown of(LensSection lens, LensSection nominal, double fNumber, List<Double> frequencies, List<Double> defocusMm, Colours colours) {
        if (!(fNumber >= nominal.fNumber() * 0.999 && fNumber <= 128)) {
            throw new IllegalArgumentException("f/" + fNumber + " is no stop of " + nominal.name() + ": give f/" + nominal.fNumber() + " to f/128");
        }
        if (frequencies.isEmpty() || frequencies.stream().anyMatch(f -> !(f > 0 && f <= 1000))) {
            throw new IllegalArgumentException("frequencies are above 0 and at most 1000 cycles a millimetre");
        }
        double iris = nominal.surfaces().get(nominal.stopIndex()).semiDiameterMm() * nominal.fNumber() / fNumber;
        List<Double> waves = lens.wavelengthsNm();
        List<PupilRays> traced = IntStream.range(0, FIELDS.size() * waves.size()).parallel()
                .mapToObj(i -> new PupilRays(lens, waves.get(i % waves.size()), FIELDS.get(i / waves.size()) * nominal.imageCircleMm() / 2 / nominal.nominalFocalLengthMm(), iris, PupilRays.ACROSS)).toList();
        List<Double> weights = colours.weights(waves);
        Spot axis = Spot.of(traced.subList(0, waves.size()), weights);
        OptionalDouble focus = axis.rays() >= LEAST_RAYS && axis.slopes() > 1e-12 ? OptionalDouble.of(axis.bestFocusMm()) : OptionalDouble.empty();
        List<Field> fields = IntStream.range(0, FIELDS.size()).parallel()
                .mapToObj(f -> field(FIELDS.get(f), traced.subList(f * waves.size(), (f + 1) * waves.size()), lens, weights, focus, frequencies, defocusMm)).toList();
        return new StoppedDown(fNumber, focus, fields);
    }

    private static Field field(double field, List<PupilRays> rays, LensSection lens, List<Double> weights, OptionalDouble focus, List<Double> frequencies, List<Double> defocusMm) {
        Spot spot = Spot.of(rays, weights);
        double vignetting = 1 - (double) spot.rays() / (rays.size() * (double) rays.get(rays.size() / 2).wanted);
        if (focus.isEmpty() || spot.rays() < LEAST_RAYS) {
            return new Field(field, OptionalDouble.empty(), vignetting, List.of(), List.of());
        }
        List<Diffraction> waves = IntStream.range(0, rays.size()).mapToObj(w -> new Diffraction(rays.get(w), lens.wavelengthsNm().get(w))).toList();
        double best = focus.getAsDouble();
        List<Transfer> transfer = frequencies.stream().map(f -> at(waves, weights, spot, f, best, 0)).toList();
        List<Transfer> through = new ArrayList<>();
        for (double d : defocusMm) {
            through.add(at(waves, weights, spot, frequencies.getFirst(), best, d));
        }
        return new Field(field, OptionalDouble.of(spot.rmsUm(best)), vignetting, transfer, through);
    }

    private static Transfer at(List<Diffraction> waves, List<Double> weights, Spot spot, double frequency, double best, double defocus) {
        double z = best + defocus;
        double px = spot.x0() + z * spot.sx();
        double py = spot.y0() + z * spot.sy();
        double[] s = new double[2];
        double[] t = new double[2];
        for (int w = 0; w < waves.size(); w++) {
            double[] a = waves.get(w).transfer(frequency, false, px, py, z);
            double[] b = waves.get(w).transfer(frequency, true, px, py, z);
            double weight = weights.get(w);
            s[0] += weight * a[0];
            s[1] += weight * a[1];
            t[0] += weight * b[0];
            t[1] += weight * b[1];
        }
        return new Transfer(frequency, defocus, Math.hypot(s[0], s[1]), Math.hypot(t[0], t[1]));
    }
}
