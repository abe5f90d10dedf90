package stillglass.optics.sharpness;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Medium;
import stillglass.optics.Surface;
import stillglass.optics.misassembly.LensFault;
import stillglass.say.Wording;

class LensReportTest {

    /// A slow lens is free of aberration for its stop: its transfer must be that of a perfect round aperture.
    @Test
    void slowLensReachesTheDiffractionLimit() {
        LensSection slow = withIris(1.0);
        LensReport r = LensReport.of(slow, slow);
        double efl = r.eflMm().orElseThrow();
        double fNumber = efl / r.pupil().diameterMm();
        double expected = 0;
        for (double nm : slow.wavelengthsNm()) {
            double s = 30 * nm * 1e-6 * fNumber;
            expected += 2 / Math.PI * (Math.acos(s) - s * Math.sqrt(1 - s * s)) / 3;
        }

        // Colour of a single glass costs a little; one percent is the floor of the numeric method.
        assertThat(r.fields().getFirst().mtfSagittal().orElseThrow()).isCloseTo(expected, within(0.02));
        assertThat(r.fields().getFirst().mtfTangential().orElseThrow()).isCloseTo(expected, within(0.02));
    }

    @Test
    void spotOfASphericalLensGrowsWithTheCubeOfItsAperture() {
        // Third-order spherical aberration at best focus: transverse size ∝ h³. Monochromatic, so that colour is no part.
        double narrow = monochromatic(4).fields().getFirst().rmsUm().orElseThrow();
        double wide = monochromatic(8).fields().getFirst().rmsUm().orElseThrow();

        assertThat(wide / narrow).isCloseTo(8, within(0.8));
    }

    @Test
    void bestFocusLiesBeforeTheParaxialOneForAnUndercorrectedLens() {
        LensReport r = monochromatic(8);

        assertThat(r.bestFocusMm().orElseThrow()).isLessThan(r.bfdMm().orElseThrow());
    }

    @Test
    void onTheAxisBothDirectionsAreAlike() {
        LensReport r = LensReport.of(Lenses.triplet(), Lenses.triplet());
        LensReport.FieldQuality axis = r.fields().getFirst();

        assertThat(axis.mtfSagittal().orElseThrow()).isCloseTo(axis.mtfTangential().orElseThrow(), within(0.01));
        assertThat(axis.vignetting()).isCloseTo(0, within(0.02));
        assertThat(r.fields()).extracting(LensReport.FieldQuality::field).containsExactly(0.0, 0.7, 1.0);
    }

    @Test
    void aSmallRimVignettesTheCorner() {
        LensSection lens = Lenses.triplet();
        Surface front = lens.surfaces().getFirst();
        LensSection tight = Lenses.with(lens, 0, new Surface(front.radiusMm(), front.thicknessMm(), front.after(), 8.2, false));

        assertThat(LensReport.of(tight, tight).fields().getLast().vignetting())
                .isGreaterThan(LensReport.of(lens, lens).fields().getLast().vignetting());
    }

    @Test
    void anAfocalPlateHasNoFiguresAndSaysWhy() {
        LensSection plate = Lenses.single(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, 5, 1.5, 8);
        LensReport r = LensReport.of(plate, plate);

        assertThat(r.eflMm()).isEmpty();
        assertThat(r.bestFocusMm()).isEmpty();
        assertThat(r.fields().getFirst().rmsUm()).isEmpty();
        assertThat(r.diagnostics()).extracting(Wording.core()::say).anyMatch(d -> d.contains("afocal"));
    }

    @Test
    void everyFigureIsFinite() {
        LensSection turned = LensFault.apply(Lenses.triplet(), List.of(LensFault.parse("reverse:E1")), LensFault.Seating.RIM).lens();
        LensReport r = LensReport.of(turned, Lenses.triplet());

        r.fields().forEach(f -> {
            f.rmsUm().ifPresent(v -> assertThat(v).isFinite());
            f.mtfSagittal().ifPresent(v -> assertThat(v).isBetween(0.0, 1.0));
            f.mtfTangential().ifPresent(v -> assertThat(v).isBetween(0.0, 1.0));
        });
    }

    @Test
    void aReversedGlassMakesTheCornerWorse() {
        LensSection lens = Lenses.triplet();
        LensSection turned = LensFault.apply(lens, List.of(LensFault.parse("reverse:E1")), LensFault.Seating.RIM).lens();

        assertThat(LensReport.of(turned, lens).fields().getLast().rmsUm().orElseThrow())
                .isNotCloseTo(LensReport.of(lens, lens).fields().getLast().rmsUm().orElseThrow(), within(1.0));
    }

    @Test
    void aLensWithItsIrisAtTheCentreOfASymmetricPairHasNoDistortion() {
        // Two like menisci about the iris for an object and image at the same distance would have none at all; at infinity
        // a thin lens at its own iris has none either.
        LensSection thin = Lenses.section("thin", 2, List.of(
                new Surface(Double.POSITIVE_INFINITY, 1e-9, new stillglass.optics.Medium.Air(), 2, true),
                new Surface(100, 1e-9, Lenses.GLASS, 12, false),
                new Surface(-100, 99, new stillglass.optics.Medium.Air(), 12, false)), List.of());

        assertThat(LensReport.of(thin, thin).fields().get(1).distortion().orElseThrow()).isCloseTo(0, within(1e-6));
        assertThat(LensReport.of(thin, thin).fields().getFirst().distortion()).isEmpty();
    }

    @Test
    void anIrisInFrontOfASingleLensMakesABarrel() {
        assertThat(LensReport.of(withIris(2), withIris(2)).fields().getLast().distortion().orElseThrow()).isNegative();
    }

    @Test
    void geometricTransferFallsWithTheSquareOfTheSpotWhereItIsSmall() {
        // |mean exp(−2πifx)| ≈ 1 − 2π²f²·var(x), with var(x) half the square of the two-dimensional RMS on the axis.
        LensReport.FieldQuality axis = monochromatic(2.5).fields().getFirst();
        double rms = axis.rmsUm().orElseThrow() / 1000;

        assertThat(axis.geometricSagittal().orElseThrow()).isCloseTo(1 - Math.pow(Math.PI * 30 * rms, 2), within(0.02));
        assertThat(axis.geometricSagittal().orElseThrow()).isGreaterThan(axis.mtfSagittal().orElseThrow());
    }

    @Test
    void aLeaningGlassIsReportedOnBothSides() {
        LensSection leaning = LensFault.apply(Lenses.triplet(), List.of(LensFault.parse("unseated:E1:0:1")), LensFault.Seating.RIM).lens();
        LensReport r = LensReport.of(leaning, Lenses.triplet());

        assertThat(r.opposite()).hasSize(2);
        assertThat(r.opposite().getLast().rmsUm().orElseThrow()).isNotCloseTo(r.fields().getLast().rmsUm().orElseThrow(), within(0.5));
        assertThat(LensReport.of(Lenses.triplet(), Lenses.triplet()).opposite()).isEmpty();
    }

    @Test
    void reportingCanBeStopped() {
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> LensReport.of(Lenses.triplet(), Lenses.triplet(), () -> {
            throw new java.util.concurrent.CancellationException();
        })).isInstanceOf(java.util.concurrent.CancellationException.class);
    }

    private static LensSection withIris(double semiMm) {
        LensSection lens = Lenses.single(60, -60, 3, 1.5, 8);
        Surface stop = lens.surfaces().getFirst();
        return Lenses.with(lens, 0, new Surface(stop.radiusMm(), stop.thicknessMm(), stop.after(), semiMm, true));
    }

    private static LensReport monochromatic(double irisMm) {
        LensSection lens = withIris(irisMm);
        LensSection mono = new LensSection(lens.name(), "", 50, 3, 43.2, List.of(587.6), Lenses.with(lens, 1,
                new Surface(60, 3, Lenses.GLASS, 12, false)).surfaces().stream()
                .map(s -> s.stop() ? s : new Surface(s.radiusMm(), s.thicknessMm(), s.after(), 12, false)).toList(),
                lens.elements(), lens.focusing());
        return LensReport.of(mono, mono);
    }

    /// Planes of air in front of a lens change no ray, but are traced: so many that fewer rays are taken.
    @Test
    void aLensOfVeryManySurfacesIsTracedWithFewerRaysAndSaysSo() {
        LensSection lens = Lenses.triplet();
        List<Surface> many = new ArrayList<>();
        for (int i = 0; i < 400; i++) {
            many.add(new Surface(Double.POSITIVE_INFINITY, 0.001, new Medium.Air(), 1000, false));
        }
        many.addAll(lens.surfaces());
        List<Element> moved = lens.elements().stream().map(e -> new Element(e.name(), e.firstSurface() + 400, e.lastSurface() + 400, e.diameterMm(), e.group(), e.centreThicknessMm(), e.edgeThicknessMm(),
                e.cementedWith())).toList();
        LensSection longer = new LensSection(lens.name(), lens.form(), lens.nominalFocalLengthMm(), lens.fNumber(), lens.imageCircleMm(), lens.wavelengthsNm(), many, moved, lens.focusing(), lens.basis(), lens.tilts());
        LensReport fine = LensReport.of(lens, lens);
        LensReport coarse = LensReport.of(longer, longer);

        assertThat(coarse.diagnostics().stream().map(Wording.core()::say)).anyMatch(d -> d.contains("are traced with") && d.contains("coarser"));
        assertThat(fine.diagnostics().stream().map(Wording.core()::say)).noneMatch(d -> d.contains("coarser"));
        assertThat(coarse.eflMm().orElseThrow()).isCloseTo(fine.eflMm().orElseThrow(), within(1e-6));
        assertThat(coarse.fields().getFirst().rmsUm().orElseThrow()).isCloseTo(fine.fields().getFirst().rmsUm().orElseThrow(), withinPercentage(4));
        assertThat(coarse.fields().getFirst().mtfSagittal().orElseThrow()).isCloseTo(fine.fields().getFirst().mtfSagittal().orElseThrow(), within(0.03));
    }
}
