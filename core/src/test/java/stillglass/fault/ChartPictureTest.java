package stillglass.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Set;
import java.util.HashSet;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.SpotPoints;
import stillglass.optics.sharpness.SpotSurvey;

class ChartPictureTest {
    /// A small picture, whose corners this simple lens still draws.
    private static final LensSection LENS = small(Lenses.triplet());

    private static LensSection small(LensSection l) {
        return new LensSection(l.name(), l.form(), l.nominalFocalLengthMm(), l.fNumber(), 16, l.wavelengthsNm(), l.surfaces(), l.elements(), l.focusing(), l.basis(), l.tilts());
    }

    private static ChartPicture of(String... faults) {
        return ChartPicture.of(LENS, List.of(faults).stream().map(LensFault::parse).toList(), LensFault.Seating.RIM);
    }

    /// Scatter of the light over a piece: how much of the bars is left.
    private static double contrast(ChartPicture.Piece p) {
        double mean = p.light().stream().mapToDouble(v -> v).average().orElseThrow();
        return Math.sqrt(p.light().stream().mapToDouble(v -> (v - mean) * (v - mean)).average().orElseThrow());
    }

    /// Above the middle bars stand, below they lie: along a bar nothing changes, across it light and dark change.
    @Test
    void barsStandAboveAndLieBelow() {
        for (int group = 0; group < 3; group++) {
            double x0 = (group + 0.5) / 3 * 0.9 - 0.45;
            Set<Double> up = new HashSet<>();
            Set<Double> across = new HashSet<>();
            for (double s = 0.05; s < 0.37; s += 0.001) {
                up.add(ChartPicture.chart(x0, s));
                across.add(ChartPicture.chart(x0, -s));
            }
            assertThat(up).as("along a bar that stands").hasSize(1);
            assertThat(across).as("across bars that lie").hasSize(2);
            Set<Double> along = new HashSet<>();
            for (double s = -0.12; s < 0.12; s += 0.001) {
                along.add(ChartPicture.chart(x0 + s, -0.2));
            }
            assertThat(along).as("along a bar that lies").hasSize(1);
        }
        assertThat(ChartPicture.chart(0.44, 0.2)).as("the margin is white").isEqualTo(ChartPicture.chart(0, 0));
    }

    @Test
    void theSpotsAreThoseOfTheSurvey() {
        SpotSurvey survey = SpotSurvey.of(LENS, LENS, List.of(0.0, 0.7));
        for (int f = 0; f < 2; f++) {
            OptionalDouble um = SpotPoints.of(LENS, LENS, f == 0 ? 0 : 0.7, survey.bestFocusMm().orElseThrow()).rmsUm();
            assertThat(um.orElseThrow()).isCloseTo(survey.rmsUm().get(f).orElseThrow(), withinPercentage(6));
        }
    }

    @Test
    void leftAndRightAreMirrorImagesOfALensThatSitsSquare() {
        ChartPicture p = of();
        assertThat(p.fault()).isEmpty();
        assertThat(contrast(p.pieces().get(1))).isCloseTo(contrast(p.pieces().get(2)), within(0.01));
        // Of whatever the bars lose, no light is lost.
        double sharp = 0;
        int n = ChartPicture.SIDE;
        for (int i = 0; i < n * n; i++) {
            sharp += ChartPicture.chart(((i % n + 0.5) / n - 0.5) * 0.9, (0.5 - (i / n + 0.5) / n) * 0.9) / n / n;
        }
        assertThat(p.pieces().getFirst().light().stream().mapToDouble(v -> v).average().orElseThrow()).isCloseTo(sharp, within(0.05));
    }

    @Test
    void aLensThatLeansIsSoftOnOneSideAndAnotherTurnedOverOnTheOther() {
        ChartPicture right = of("unseated:E2+E3:0:4:3");
        ChartPicture left = of("unseated:E2+E3:0:4:9");
        double one = contrast(right.pieces().get(1)) - contrast(right.pieces().get(2));
        double other = contrast(left.pieces().get(1)) - contrast(left.pieces().get(2));
        assertThat(Math.abs(one)).isGreaterThan(0.01);
        assertThat(one).isCloseTo(-other, within(0.002));
    }

    @Test
    void aReversedGlassBlursAndAFaultThatCannotBeIsRefused() {
        assertThat(contrast(of("reverse:E2+E3").pieces().getFirst())).isLessThan(contrast(of().pieces().getFirst()));
        assertThatThrownBy(() -> of("gap:1:5")).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("glass");
    }
}
