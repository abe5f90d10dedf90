package stillglass.sim.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.sim.truth.HiddenTruth;

class InspectionCameraTest {
    private static LensSection lens() {
        return CementedPair.lens(6, 16, 15.5, 15, 8, 12, 13);
    }

    private static Pose pose(Lighting lighting, long seed) {
        return new Pose(420, 360, 0.5, 0.5, 0.42, 0, lighting, seed);
    }

    static Stream<Arguments> everyKind() {
        return Stream.of(FindingKind.values()).filter(k -> k != FindingKind.UNKNOWN)
                .flatMap(k -> Stream.of(Lighting.values()).map(l -> Arguments.of(k, l)));
    }

    private static HiddenTruth one(FindingKind kind) {
        HiddenTruth.GlassFault f = switch (kind) {
            case DUST -> new HiddenTruth.GlassFault(kind, 0, 0, 0, 1, 80, 5);
            case HAZE -> new HiddenTruth.GlassFault(kind, 0, 0, 0, 1, 0.2, 5);
            case SEPARATION -> new HiddenTruth.GlassFault(kind, 1, 0.6, 0.7, 0.4, 0.8, 5);
            case CHIP, EDGE_PAINT -> new HiddenTruth.GlassFault(kind, 0, 0.8, 0.6, kind == FindingKind.CHIP ? 0.14 : 1.2, 0.8, 5);
            default -> new HiddenTruth.GlassFault(kind, 0, 0.2, 0.1, 0.5, kind == FindingKind.BUBBLE ? 3 : 0.9, 5);
        };
        return new HiddenTruth(List.of(f), 0);
    }

    /// A photo with the fault differs from one without it where the truth says so, and hardly elsewhere in the glass.
    @ParameterizedTest
    @MethodSource("everyKind")
    void theMaskIsWhereThePhotoChanged(FindingKind kind, Lighting lighting) {
        Shot with = InspectionCamera.photograph(lens(), one(kind), pose(lighting, 3));
        BufferedImage without = InspectionCamera.photograph(lens(), new HiddenTruth(List.of(), 0), pose(lighting, 3)).picture();
        double inside = 0;
        double outside = 0;
        int n = 0;
        int m = 0;
        for (int i = 0; i < with.mask().length; i++) {
            int x = i % 420;
            int y = i / 420;
            double off = Math.abs((with.picture().getRGB(x, y) >> 8 & 255) - (without.getRGB(x, y) >> 8 & 255));
            if (with.mask()[i] == kind.maskLevel()) {
                inside += off;
                n++;
            } else if (with.aperture().unitRadius(x, y) < 0.9) {
                outside += off;
                m++;
            }
        }
        assertThat(n).as("painted").isGreaterThan(10);
        // Haze covers all; cleaning marks paint the whole rubbed place, of which the hairs are a part.
        assertThat(inside / n).isGreaterThan(kind == FindingKind.CLEANING_MARKS ? 0.5 : 1.5);
        assertThat(inside / n).isGreaterThan(m == 0 ? 0 : 1.5 * outside / m);
    }

    @Test
    void anInnerSurfaceAppearsWhereParaxialOpticsPutsIt() {
        Pose square = new Pose(420, 360, 0.5, 0.5, 0.42, 0, Lighting.AGAINST, 3).tilted(0, 0);
        Aperture rim = new Aperture(210, 180, 151, 151, 0);
        SurfaceView view = SurfaceView.of(lens(), 2, square, rim);
        Paraxial.Apparent seen = Paraxial.of(lens()).apparentFromFront(2);

        assertThat(view.scale()).isCloseTo(15.0 / 16 * seen.magnification() * 220 / (220 + seen.depthMm()), within(1e-9));
        assertThat(view.pixelX(0.5, 0)).isCloseTo(210 + 151 * 0.5 * view.scale(), within(1e-9));
        assertThat(view.surfaceX(view.pixelX(0.3, -0.2), view.pixelY(0.3, -0.2))).isCloseTo(0.3, within(1e-9));
        assertThat(view.surfaceY(view.pixelX(0.3, -0.2), view.pixelY(0.3, -0.2))).isCloseTo(-0.2, within(1e-9));
        double leaning = SurfaceView.of(lens(), 2, square.tilted(0.1, 0), rim).shiftX();
        assertThat(leaning).as("parallax of a leaning camera").isCloseTo(seen.depthMm() * Math.tan(0.1) / 16 * 220 / (220 + seen.depthMm()), within(1e-9));
        assertThat(SurfaceView.of(lens(), 4, square.lookingFromRear(), rim).mirror()).as("right and left change places from the rear").isEqualTo(-1);
    }

    @Test
    void focusedAtItsDepthAFaultIsSharp() {
        double depth = Paraxial.of(lens()).apparentFromFront(2).depthMm();
        Aperture rim = new Aperture(210, 180, 151, 151, 0);

        assertThat(SurfaceView.of(lens(), 2, pose(Lighting.AGAINST, 1).focusedAt(depth), rim).blurPx()).isCloseTo(0, within(1e-9));
        assertThat(SurfaceView.of(lens(), 2, pose(Lighting.AGAINST, 1).focusedAt(depth + 10), rim).blurPx()).isGreaterThan(0.3);
    }

    @ParameterizedTest
    @ValueSource(doubles = {2, 3.5, 5.5, 11})
    void defocusKeepsTheLightAndMakesADisc(double radius) {
        float[] point = new float[101 * 101];
        point[50 * 101 + 50] = 1;
        float[] out = Defocus.disc(point, 101, 101, radius);
        double sum = 0;
        double spread = 0;
        for (int i = 0; i < out.length; i++) {
            sum += out[i];
            spread += out[i] * (Math.pow(i % 101 - 50, 2) + Math.pow(i / 101 - 50, 2));
        }
        assertThat(sum).isCloseTo(1, within(2e-3));
        // An even disc of radius r has a mean square distance of r²/2; pixels add a little.
        assertThat(Math.sqrt(2 * spread)).isCloseTo(radius, within(0.6));
    }

    @Test
    void neighbouringSeedsHaveNothingInCommon() {
        Set<String> seen = new HashSet<>();
        long same = LongStream.range(0, 60).filter(seed -> {
            RandomScene scene = RandomScene.of(seed, List.of(lens()));
            return !seen.add(scene.truth().faults().stream().map(HiddenTruth.GlassFault::kind).toList() + " " + scene.pose().lighting());
        }).count();

        assertThat(same).as("scenes alike among 60").isLessThan(30);
        assertThat(RandomScene.of(7, List.of(lens()))).isEqualTo(RandomScene.of(7, List.of(lens())));
    }

    @Test
    void yellowGlassTakesTheBlueOfABrightField() {
        BufferedImage clear = InspectionCamera.photograph(lens(), new HiddenTruth(List.of(), 0), pose(Lighting.BRIGHT, 4)).picture();
        BufferedImage yellow = InspectionCamera.photograph(lens(), new HiddenTruth(List.of(), 0, 0.6), pose(Lighting.BRIGHT, 4)).picture();

        assertThat(yellow.getRGB(210, 140) & 255).isLessThan((clear.getRGB(210, 140) & 255) - 20);
        assertThat(yellow.getRGB(5, 5) & 255).as("the card beside it stays as it is").isCloseTo(clear.getRGB(5, 5) & 255, within(2));
    }

    @Test
    void aJpegOfAPhotoIsAJpeg() {
        BufferedImage picture = InspectionCamera.photograph(lens(), new HiddenTruth(List.of(), 0), pose(Lighting.AGAINST, 4)).picture();
        byte[] bytes = Sensor.jpegBytes(picture, 0.7);

        assertThat(bytes[0] & 255).isEqualTo(0xFF);
        assertThat(bytes[1] & 255).isEqualTo(0xD8);
        assertThat(Sensor.jpeg(picture, 0.7).getWidth()).isEqualTo(420);
    }

    @Test
    void nothingInsideIsSeenPastTheRimOfTheOuterGlass() {
        Pose leaning = pose(Lighting.AGAINST, 6).tilted(0.35, 0.4).withIris(0.5);
        Shot closed = InspectionCamera.photograph(lens(), new HiddenTruth(List.of(), 0), leaning);
        Shot open = InspectionCamera.photograph(lens(), new HiddenTruth(List.of(), 0), leaning.withIris(1));

        for (int i = 0; i < closed.mask().length; i++) {
            int x = i % 420;
            int y = i / 420;
            if (closed.aperture().unitRadius(x, y) > 1.03) {
                assertThat(closed.picture().getRGB(x, y) >> 8 & 255).isCloseTo(open.picture().getRGB(x, y) >> 8 & 255, within(30));
            }
        }
    }

    @Test
    void beforeACardLightComesThroughTheOpeningOnly() {
        Shot shot = InspectionCamera.photograph(lens(), new HiddenTruth(List.of(), 0), pose(Lighting.BRIGHT, 6).tilted(0, 0).withIris(0.5));
        BufferedImage p = shot.picture();

        assertThat(p.getRGB(210, 180) >> 8 & 255).as("the opening").isGreaterThan(150);
        for (double t = 0; t < 6.2; t += 0.5) {
            int x = (int) shot.aperture().map().pixelX(0.93 * Math.cos(t), 0.93 * Math.sin(t));
            int y = (int) shot.aperture().map().pixelY(0.93 * Math.cos(t), 0.93 * Math.sin(t));
            assertThat(p.getRGB(x, y) >> 8 & 255).as("the barrel about the blades").isLessThan(90);
        }
    }

    @Test
    void whatIsBurntOutOrBeforeBlackBladesDoesNotShow() {
        HiddenTruth colony = one(FindingKind.FUNGUS);
        int usual = seen(colony, pose(Lighting.BRIGHT, 3));
        assertThat(usual).isGreaterThan(200);
        assertThat(seen(colony, pose(Lighting.BRIGHT, 3).exposed(4))).as("burnt out").isLessThan(usual / 10);
        HiddenTruth inner = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.FUNGUS, 4, 0.2, 0.1, 0.5, 0.9, 5)), 0);
        assertThat(seen(inner, pose(Lighting.AGAINST, 3).withIris(0.3))).as("mostly behind the blades").isLessThan(seen(inner, pose(Lighting.AGAINST, 3)) / 2);
        assertThat(seen(new HiddenTruth(List.of(), 0), pose(Lighting.AGAINST, 3))).isZero();
    }

    private static int seen(HiddenTruth truth, Pose pose) {
        return InspectionCamera.photograph(lens(), truth, pose).visible().getOrDefault(FindingKind.FUNGUS, new Shot.Visible(0, 0)).pixels();
    }

    @Test
    void aSceneShowsWhatIsPresentLessWhatIsTooFaint() {
        for (long seed = 0; seed < 12; seed++) {
            RandomScene scene = RandomScene.of(seed, List.of(lens()));
            Shot shot = scene.shoot();
            assertThat(scene.present(shot)).as("seed %d", seed).containsAll(scene.shown(shot));
            assertThat(scene.truth().faults()).extracting(HiddenTruth.GlassFault::kind).containsAll(scene.present(shot));
        }
    }
}
