package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Sighting;
import stillglass.say.Wording;

class WhichSurfaceTest {
    private static final LensSection LENS = Lenses.triplet();

    @Test
    void throughAPlaneFrontADepthIsDividedByTheIndex() {
        LensSection plate = Lenses.single(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, 6, 1.5, 8);

        // The iris stands 1 mm in front; its plane is the rim looked at.
        assertThat(WhichSurface.depth(plate, 2, 0, 0, false)).isCloseTo(1 + 6 / 1.5, within(1e-7));
        assertThat(WhichSurface.depth(plate, 1, 3, 0, false)).isCloseTo(1 + 3 / 1.5, within(1e-7));
        assertThat(WhichSurface.depth(plate, 1, 0, 0, true)).isCloseTo(6 / 1.5, within(1e-7));
        assertThat(WhichSurface.depth(plate, 1, 3, 0, true)).isCloseTo(3 / 1.5, within(1e-7));
    }

    /// Truth by tracing a ray from the fault out of the lens, not by the imaging that the method uses.
    @ParameterizedTest
    @ValueSource(ints = {1, 3, 5})
    void aFocusReadingFindsTheSurface(int surface) {
        double read = WhichSurfaceTruth.depthByRay(LENS, surface);
        WhichSurface w = WhichSurface.of(LENS, FindingKind.FUNGUS, 0, false, List.of(DepthReading.focus(false, read, 0.3)));

        assertThat(w.likeliest().surface()).isEqualTo(surface);
        assertThat(w.likeliest().inside()).isFalse();
        assertThat(w.on(surface)).isGreaterThan(0.8);
        assertThat(w.places().stream().mapToDouble(WhichSurface.Place::probability).sum()).isCloseTo(1, within(1e-12));
    }

    @Test
    void statedProbabilitiesAreHonestOverManyNoisyReadings() {
        // With noise as stated, the surface named must be right about as often as its probability says.
        SplittableRandom random = new SplittableRandom(11);
        int[] free = {0, 1, 3, 5};
        double claimed = 0;
        int right = 0;
        int tries = 600;
        for (int i = 0; i < tries; i++) {
            int truth = free[random.nextInt(free.length)];
            double read = WhichSurface.depth(LENS, truth, 0, 0, false) + 2.5 * gauss(random);
            double parallax = WhichSurface.depth(LENS, truth, 0, 0, false) * Math.sin(Math.toRadians(15)) + 0.8 * gauss(random);
            WhichSurface w = WhichSurface.of(LENS, FindingKind.DUST, 0, false,
                    List.of(DepthReading.focus(false, read, 2.5), DepthReading.parallax(false, 15, parallax, 0.8)));
            List<WhichSurface.Place> outer = w.places().stream().filter(p -> !p.inside() && p.impossible().isEmpty() && p.surface() != 2).toList();
            WhichSurface.Place named = outer.stream().max(java.util.Comparator.comparingDouble(WhichSurface.Place::probability)).orElseThrow();
            claimed += named.probability() / outer.stream().mapToDouble(WhichSurface.Place::probability).sum();
            right += named.surface() == truth ? 1 : 0;
        }
        assertThat(right / (double) tries).isCloseTo(claimed / tries, within(0.05));
    }

    private static double gauss(SplittableRandom r) {
        return Math.sqrt(-2 * Math.log(1 - r.nextDouble())) * Math.cos(2 * Math.PI * r.nextDouble());
    }

    @Test
    void frontAndRearTogetherTellMoreThanEither() {
        double front = WhichSurface.depth(LENS, 4, 0, 0, false);
        double rear = WhichSurface.depth(LENS, 4, 0, 0, true);
        double one = WhichSurface.of(LENS, FindingKind.SEPARATION, 0, false, List.of(DepthReading.focus(false, front, 2))).on(4);
        double both = WhichSurface.of(LENS, FindingKind.SEPARATION, 0, false,
                List.of(DepthReading.focus(false, front, 2), DepthReading.focus(true, rear, 2))).on(4);

        assertThat(both).isGreaterThan(one);
    }

    @Test
    void farFromTheAxisTheSagsCount() {
        // On the front face itself the depth behind the rim is the sag at its height less that of the rim.
        double rim = 30 - Math.sqrt(900 - 121);
        double at = 30 - Math.sqrt(900 - 64);

        assertThat(WhichSurface.depth(LENS, 0, 0, 8, false)).isCloseTo(at - rim, within(1e-12));
        // A fault near the rim of the rear face of E1, read where it is, must not be taken for one on the axis.
        double share = Sighting.of(LENS, 1, false).share(8);
        double read = WhichSurface.depth(LENS, 1, 0, 8, false);
        assertThat(Math.abs(read - WhichSurface.depth(LENS, 1, 0, 0, false))).isGreaterThan(0.3);
        assertThat(WhichSurface.of(LENS, FindingKind.FUNGUS, share, false, List.of(DepthReading.focus(false, read, 0.1))).on(1)).isGreaterThan(0.8);
    }

    @Test
    void aBubbleIsFoundInsideTheGlass() {
        double read = WhichSurface.depth(LENS, 3, 2.5, 0, false);
        WhichSurface w = WhichSurface.of(LENS, FindingKind.BUBBLE, 0, false, List.of(DepthReading.focus(false, read, 0.2)));

        assertThat(w.likeliest().inside()).isTrue();
        assertThat(Wording.core().say(w.likeliest().name())).isEqualTo("inside E2");
    }

    @Test
    void theStructureStrikesOutWhatCannotBe() {
        assertThat(MayLie.notOn(FindingKind.SEPARATION, LENS, 1).map(Wording.core()::say)).contains("nothing is cemented on the rear of E1");
        assertThat(MayLie.notOn(FindingKind.SEPARATION, LENS, 4)).isEmpty();
        assertThat(MayLie.notOn(FindingKind.DUST, LENS, 4).map(Wording.core()::say)).contains("the cement of E2 and E3 is closed");
        assertThat(MayLie.notOn(FindingKind.FUNGUS, LENS, 2).map(Wording.core()::say)).contains("there is no glass at the iris");
        assertThat(MayLie.notOn(FindingKind.OIL, LENS, 2)).isEmpty();
        assertThat(MayLie.notInside(FindingKind.DUST)).isPresent();
        assertThat(MayLie.nowhere(FindingKind.SEPARATION, LENS)).isEmpty();
        assertThat(MayLie.nowhere(FindingKind.SEPARATION, Lenses.twoThin()).map(Wording.core()::say)).contains("nothing in this lens is cemented");
    }

    @ParameterizedTest
    @EnumSource(FindingKind.class)
    void everyKindCanBeSomewhereInACementedLens(FindingKind kind) {
        boolean somewhere = MayLie.notInside(kind).isEmpty();
        for (int s = 0; s < LENS.surfaces().size(); s++) {
            somewhere |= MayLie.notOn(kind, LENS, s).isEmpty();
        }
        assertThat(somewhere).isTrue();
    }

    @Test
    void readingsThatFitNowhereSaySo() {
        WhichSurface w = WhichSurface.of(LENS, FindingKind.DUST, 0, false, List.of(DepthReading.focus(false, 120, 0.2)));

        assertThat(w.remarks()).extracting(Wording.core()::say).anyMatch(r -> r.startsWith("No surface fits"));
    }

    @Test
    void withoutReadingsTheStructureAloneSpeaks() {
        WhichSurface w = WhichSurface.of(LENS, FindingKind.DUST, 0, false, List.of());

        assertThat(w.on(0)).isCloseTo(w.on(5), within(1e-12));
        assertThat(w.on(4)).isLessThan(0.05 * w.on(0));
    }

    @Test
    void impossibleReadingsAreRefused() {
        assertThatThrownBy(() -> DepthReading.focus(false, Double.NaN, 1)).hasMessageContaining("out of range");
        assertThatThrownBy(() -> DepthReading.focus(false, 3, 0)).hasMessageContaining("scatter");
        assertThatThrownBy(() -> DepthReading.parallax(false, 0, 3, 0.1)).hasMessageContaining("tilt");
        assertThat(Wording.core().say(DepthReading.parallax(true, 10, 1.2, 0.1).said())).isEqualTo("parallax 1.20 ± 0.10 mm at 10° from the rear");
    }
}
