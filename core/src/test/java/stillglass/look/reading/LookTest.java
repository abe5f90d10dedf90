package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.say.Wording;

class LookTest {
    private static final int W = 640;
    private static final int H = 480;

    /// A grey disc on black, with noise.
    private static float[] disc(double cx, double cy, double rx, double ry, double inside, double outside, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] light = new float[W * H];
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double u = Math.hypot((x - cx) / rx, (y - cy) / ry);
                light[y * W + x] = (float) ((u < 1 ? inside : outside) + 0.002 * random.nextGaussian());
            }
        }
        return light;
    }

    private static LinearPhoto photo(float[] light) {
        return new LinearPhoto(W, H, light.clone(), light.clone(), light.clone(), W, H);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void theApertureIsFoundWithinOneAndAHalfPercent(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double r = 130 + 70 * random.nextDouble();
        double cx = W * (0.42 + 0.16 * random.nextDouble());
        double cy = H * (0.45 + 0.1 * random.nextDouble());
        boolean bright = random.nextBoolean();
        Aperture a = PhotoGrading.aperture(photo(disc(cx, cy, r, r * 0.97, bright ? 0.7 : 0.05, bright ? 0.1 : 0.005, seed))).orElseThrow();

        assertThat(Math.hypot(a.cx() - cx, a.cy() - cy) / r).as("seed %d centre", seed).isLessThan(0.015);
        assertThat(a.meanRadius() / (r * Math.sqrt(0.97))).as("seed %d radius", seed).isCloseTo(1, within(0.015));
    }

    @Test
    void aBrightRingAroundTheGlassDoesNotMislead() {
        float[] light = disc(320, 240, 150, 150, 0.05, 0.004, 1);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double u = Math.hypot(x - 320, y - 240) / 150;
                // A ring lit from one side only, as a retaining ring is.
                if (u > 1.05 && u < 1.09) {
                    light[y * W + x] += (float) Math.max(0, 0.2 * (x - 320) / 165);
                }
            }
        }
        Aperture a = PhotoGrading.aperture(photo(light)).orElseThrow();

        assertThat(a.meanRadius()).isCloseTo(150, within(2.3));
        assertThat(a.cx()).isCloseTo(320, within(2.3));
    }

    @Test
    void noiseHasNoAperture() {
        SplittableRandom random = new SplittableRandom(9);
        float[] light = new float[W * H];
        for (int i = 0; i < light.length; i++) {
            light[i] = (float) (0.3 + 0.02 * random.nextGaussian());
        }
        PhotoGrading.Outcome o = PhotoGrading.grade(photo(light), PhotoGrading.Given.NOTHING, Progress.SILENT);

        assertThat(o).isInstanceOfSatisfying(PhotoGrading.Outcome.Refused.class, r -> assertThat(Wording.core().say(r.why())).contains("no round glass edge").contains("light it from behind"));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void unitCoordinatesAndPixelsAreInverse(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Aperture a = new Aperture(300, 200, 150, 120, random.nextDouble() * 3);
        double ux = random.nextDouble() - 0.5;
        double uy = random.nextDouble() - 0.5;
        double px = a.pixelX(ux, uy);
        double py = a.pixelY(ux, uy);

        assertThat(a.unitX(px, py)).as("seed %d", seed).isCloseTo(ux, within(1e-9));
        assertThat(a.unitY(px, py)).isCloseTo(uy, within(1e-9));
        assertThat(a.unitRadius(px, py)).isCloseTo(Math.hypot(ux, uy), within(1e-9));
        Aperture half = a.scaled(0.5);
        assertThat(half.pixelX(ux, uy)).isCloseTo(px / 2, within(1e-9));
    }

    @Test
    void upIsUp() {
        Aperture a = new Aperture(300, 200, 100, 100, 0);

        assertThat(a.pixelY(0, 1)).as("the top of the glass is the top of the picture").isCloseTo(100, within(1e-9));
        assertThat(a.unitY(300, 100)).isCloseTo(1, within(1e-9));
    }

    @Test
    void aCleanGlassHasNoFindingsButDust() {
        PhotoGrading.Outcome o = PhotoGrading.grade(photo(disc(320, 240, 180, 180, 0.02, 0.003, 5)), PhotoGrading.Given.NOTHING, Progress.SILENT);

        assertThat(o).isInstanceOfSatisfying(PhotoGrading.Outcome.Seen.class,
                s -> assertThat(s.graded().findings()).allMatch(f -> f.kind() == FindingKind.DUST).hasSizeLessThanOrEqualTo(1));
    }

    @Test
    void specksAreCountedWhereTheyAre() {
        float[] light = disc(320, 240, 180, 180, 0.02, 0.003, 6);
        int[][] specks = {{300, 200}, {340, 260}, {250, 240}, {380, 200}, {320, 330}};
        for (int[] s : specks) {
            for (int dy = -2; dy <= 2; dy++) {
                for (int dx = -2; dx <= 2; dx++) {
                    light[(s[1] + dy) * W + s[0] + dx] += 0.3f;
                }
            }
        }
        PhotoGrading.Graded g = seen(PhotoGrading.grade(photo(light), PhotoGrading.Given.NOTHING, Progress.SILENT));
        Finding dust = g.findings().stream().filter(f -> f.kind() == FindingKind.DUST).findFirst().orElseThrow();

        assertThat(dust.count()).isEqualTo(5);
        assertThat(dust.severity()).isZero();
        assertThat(g.mask().level(200 * g.maskWidth() + 300)).isEqualTo(FindingKind.DUST.maskLevel());
    }

    private static PhotoGrading.Graded seen(PhotoGrading.Outcome o) {
        return o instanceof PhotoGrading.Outcome.Seen s ? s.graded() : org.junit.jupiter.api.Assertions.fail(o.toString());
    }

    @Test
    void evenVeilIsMeasuredAgainstFullExposure() {
        PhotoGrading.Graded g = seen(PhotoGrading.grade(photo(disc(320, 240, 180, 180, 0.12, 0.003, 7)), PhotoGrading.Given.NOTHING, Progress.SILENT));

        assertThat(g.veilFraction()).isCloseTo(0.12, within(0.005));
        assertThat(g.findings()).anySatisfy(f -> {
            assertThat(f.kind()).isEqualTo(FindingKind.HAZE);
            assertThat(f.severity()).isEqualTo(2);
        });
    }

    @Test
    void aLampFrameGivesTheScale() {
        PhotoGrading.Given half = new PhotoGrading.Given(Optional.of(Lighting.AGAINST), Optional.empty(), OptionalDouble.of(0.5));
        PhotoGrading.Graded g = seen(PhotoGrading.grade(photo(disc(320, 240, 180, 180, 0.12, 0.003, 7)), half, Progress.SILENT));

        assertThat(g.veilFraction()).isCloseTo(0.24, within(0.01));
        assertThat(g.diagnostics()).extracting(Wording.core()::say).noneMatch(d -> d.contains("no lamp frame"));
    }

    @Test
    void theSameGivenApertureIsUsedAsItIs() {
        Aperture mine = new Aperture(310, 230, 100, 100, 0);
        PhotoGrading.Given given = new PhotoGrading.Given(Optional.empty(), Optional.of(mine), OptionalDouble.empty());
        PhotoGrading.Graded g = seen(PhotoGrading.grade(photo(disc(320, 240, 180, 180, 0.05, 0.003, 8)), given, Progress.SILENT));

        assertThat(g.aperture()).isEqualTo(mine);
    }

    @Test
    void gradingIsDeterministicAndCanBeStopped() {
        LinearPhoto p = photo(disc(320, 240, 180, 180, 0.05, 0.003, 8));

        assertThat(seen(PhotoGrading.grade(p, PhotoGrading.Given.NOTHING, Progress.SILENT)).findings())
                .isEqualTo(seen(PhotoGrading.grade(p, PhotoGrading.Given.NOTHING, Progress.SILENT)).findings());
        assertThatThrownBy(() -> PhotoGrading.grade(p, PhotoGrading.Given.NOTHING, (share, doing) -> {
                    if (share > 0.2) {
                        throw new CancellationException();
                    }
                }))
                .isInstanceOf(CancellationException.class);
    }

    @Test
    void anOverexposedGlassIsSaid() {
        PhotoGrading.Given bright = new PhotoGrading.Given(Optional.of(Lighting.BRIGHT), Optional.empty(), OptionalDouble.empty());
        PhotoGrading.Graded g = seen(PhotoGrading.grade(photo(disc(320, 240, 180, 180, 1.0, 0.2, 8)), bright, Progress.SILENT));

        assertThat(g.diagnostics()).extracting(Wording.core()::say).anyMatch(d -> d.contains("overexposed"));
    }

    @Test
    void findingsKnowTheirZoneClockAndArea() {
        Finding f = new Finding(FindingKind.OIL, 0.5, List.of(), 0.01, 1, 0.7, 0, 0.1, 1, List.of());

        assertThat(f.zone()).isEqualTo(Finding.Zone.EDGE);
        assertThat(f.clock().hours()).isCloseTo(3, within(1e-9));
        assertThat(f.areaMm2(20)).isCloseTo(0.01 * Math.PI * 100, within(1e-9));
        assertThat(f.withKind(FindingKind.HAZE).confidence()).as("a technician is sure").isEqualTo(1);
        assertThatThrownBy(() -> new Finding(FindingKind.OIL, 1.5, List.of(), 0, 1, 0, 0, 0, 0, List.of())).hasMessageContaining("out of range");
    }

    @Test
    void kindsAreReadAsWritten() {
        for (FindingKind k : FindingKind.values()) {
            assertThat(FindingKind.ofWord(k.word())).isEqualTo(k);
        }
        assertThat(Arrays.stream(FindingKind.values()).filter(k -> k != FindingKind.UNKNOWN).map(FindingKind::maskLevel).distinct()).hasSize(11);
        assertThatThrownBy(() -> FindingKind.ofWord("teapot")).hasMessageContaining("teapot");
    }

    @Test
    void photosThatAreTooSmallAreRefused() {
        assertThatThrownBy(() -> new LinearPhoto(20, 20, new float[400], new float[400], new float[400], 20, 20)).hasMessageContaining("64 x 64");
    }
}
