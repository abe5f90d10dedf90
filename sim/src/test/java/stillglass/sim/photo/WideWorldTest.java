package stillglass.sim.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.util.Arrays;
import java.util.DoubleSummaryStatistics;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.optics.LensSection;
import stillglass.sim.truth.HiddenTruth;

/// Scenes outside the tidy bench.
class WideWorldTest {
    /// A small glass far behind the iris, so that walls show between them.
    private static LensSection lens() {
        return CementedPair.lens(9, 16, 13, 11, 9, 10, 10);
    }

    private static Shot shot(World world, HiddenTruth truth, Lighting lighting, double tilt) {
        return InspectionCamera.photograph(lens(), truth, new Pose(420, 320, 0.5, 0.5, 0.36, 5, lighting, 3).tilted(tilt, 0.4), world);
    }

    private static int light(BufferedImage p, double x, double y) {
        return p.getRGB((int) x, (int) y) >> 8 & 255;
    }

    @Test
    void aSeedIsOneSceneAndNeighboursDiffer() {
        List<LensSection> lenses = List.of(lens());
        assertThat(RandomScene.wide(4, lenses)).isEqualTo(RandomScene.wide(4, lenses));
        Set<String> seen = new HashSet<>();
        for (long seed = 0; seed < 40; seed++) {
            Pose p = RandomScene.wide(seed, lenses).pose();
            seen.add(p.width() + "x" + p.height() + " " + p.irisOpen());
            double across = 2 * p.radius() * p.height() / Math.min(p.width(), p.height());
            assertThat(across).as("glass of the shorter side, seed %d", seed).isBetween(0.34, 0.96);
        }
        assertThat(seen).hasSizeGreaterThan(30);
    }

    /// Pools and patches come in several pieces on the surface of the first; haze and dust, which cover the glass, do not, and the tidy bench keeps one of each.
    @Test
    void whatSeldomComesAloneComesInPieces() {
        List<LensSection> lenses = List.of(lens());
        int most = 0;
        for (long seed = 0; seed < 80; seed++) {
            Map<FindingKind, List<HiddenTruth.GlassFault>> wide = RandomScene.wide(seed, lenses).truth().faults().stream().collect(Collectors.groupingBy(HiddenTruth.GlassFault::kind));
            for (Map.Entry<FindingKind, List<HiddenTruth.GlassFault>> e : wide.entrySet()) {
                most = Math.max(most, e.getValue().size());
                assertThat(e.getValue().stream().map(HiddenTruth.GlassFault::surface).distinct()).as(e.getKey().word()).hasSizeLessThanOrEqualTo(e.getKey() == FindingKind.DUST ? 2 : 1);
                assertThat(e.getValue()).as(e.getKey().word()).hasSizeLessThanOrEqualTo(e.getKey() == FindingKind.HAZE || e.getKey() == FindingKind.SCRATCH ? 1 : 5);
            }
            assertThat(RandomScene.of(seed, lenses).truth().faults().stream().filter(f -> f.kind() != FindingKind.DUST).map(HiddenTruth.GlassFault::kind)).doesNotHaveDuplicates();
        }
        assertThat(most).isEqualTo(5);
    }

    /// Against the light haze is drawn down to a trace that a bench photo never shows, and stays in the truth as long as the eye can tell it; before a card, and on the tidy bench, it is as thick as it was.
    @Test
    void hazeIsAsThinAsItShowsAgainstTheLight() {
        List<LensSection> lenses = List.of(lens());
        double[] thin = {1, 1};
        for (long seed = 0; seed < 400; seed++) {
            RandomScene scene = RandomScene.wide(seed, lenses);
            boolean against = scene.pose().lighting() == Lighting.AGAINST;
            int way = against ? 0 : 1;
            for (RandomScene s : List.of(scene, RandomScene.of(seed, lenses))) {
                double least = s.truth().faults().stream().filter(f -> f.kind() == FindingKind.HAZE).mapToDouble(HiddenTruth.GlassFault::amount).min().orElse(1);
                if (s == scene) {
                    thin[way] = Math.min(thin[way], least);
                } else {
                    assertThat(least).isGreaterThanOrEqualTo(s.pose().lighting() == Lighting.AGAINST ? 0.045 : 0.08);
                }
            }
        }
        assertThat(thin[0]).isBetween(0.0045, 0.012);
        assertThat(thin[1]).isGreaterThanOrEqualTo(0.08);

        Pose pose = new Pose(500, 450, 0.5, 0.5, 0.42, 0, Lighting.AGAINST, 7);
        HiddenTruth trace = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.HAZE, 0, 0, 0, 1, 0.015, 11)), 0);
        RandomScene wide = new RandomScene(lens(), trace, pose, 1, new World(true, 3, 1, 1, 0, 0));
        RandomScene tidy = new RandomScene(lens(), trace, pose, 1, World.TIDY);
        assertThat(wide.shown(wide.shoot())).containsExactly(FindingKind.HAZE);
        assertThat(tidy.shown(tidy.shoot())).isEmpty();
    }

    /// Old grease and cement are yellow: over many worlds more often warm than not, never on the tidy bench.
    @Test
    void greaseAndCementYellow() {
        int warm = 0;
        int cold = 0;
        for (long seed = 0; seed < 200; seed++) {
            Tint t = new Looks(World.wide(seed), 7).cast();
            warm += t.blue() < t.red() ? 1 : 0;
            cold += t.blue() > t.red() ? 1 : 0;
            assertThat(t.blue()).isBetween(0.4, 1.3);
        }
        assertThat(warm).isGreaterThan(100);
        assertThat(cold).isBetween(10, 60);
        assertThat(new Looks(World.TIDY, 7).cast()).isEqualTo(Tint.NONE);
        Tint usual = new Tint(1.2, 1, 0.8);
        assertThat(new Looks(World.TIDY, 7).hue(usual)).isEqualTo(usual);
        assertThat(new Looks(World.wide(1), 7).hue(usual)).isNotEqualTo(new Looks(World.wide(2), 7).hue(usual));
    }

    /// Coatings of a wide world are of any hue, some hardly coloured and some with hardly any of one channel; on the bench of the usual few.
    @Test
    void coatingsAreFromPaleToStrong() {
        Tint usual = new Tint(1.2, 1, 0.8);
        DoubleSummaryStatistics strongest = new DoubleSummaryStatistics();
        Set<Integer> most = new HashSet<>();
        for (long seed = 0; seed < 300; seed++) {
            Tint hue = new Looks(World.wide(seed), seed).hue(usual);
            double[] channels = {hue.red(), hue.green(), hue.blue()};
            double max = Arrays.stream(channels).max().orElseThrow();
            strongest.accept(max / Arrays.stream(channels).min().orElseThrow());
            most.add(IntStream.range(0, 3).filter(c -> channels[c] == max).findFirst().orElseThrow());
            assertThat(Arrays.stream(channels).min().orElseThrow()).as("no light is negative").isPositive();
            assertThat(new Looks(World.TIDY, seed).hue(usual)).isEqualTo(usual);
        }
        assertThat(strongest.getMin()).isLessThan(1.4);
        assertThat(strongest.getMax()).isGreaterThan(6);
        assertThat(most).hasSize(3);
    }

    @Test
    void theTidyBenchIsAsItWas() {
        HiddenTruth dust = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.DUST, 0, 0, 0, 1, 60, 5)), 0);
        BufferedImage tidy = shot(World.TIDY, dust, Lighting.AGAINST, 0.1).picture();
        BufferedImage usual = InspectionCamera.photograph(lens(), dust, new Pose(420, 320, 0.5, 0.5, 0.36, 5, Lighting.AGAINST, 3).tilted(0.1, 0.4)).picture();
        assertThat(tidy.getRGB(0, 0, 420, 320, null, 0, 420)).isEqualTo(usual.getRGB(0, 0, 420, 320, null, 0, 420));
        BufferedImage wide = shot(World.wide(9), dust, Lighting.AGAINST, 0.1).picture();
        assertThat(wide.getRGB(0, 0, 420, 320, null, 0, 420)).isNotEqualTo(usual.getRGB(0, 0, 420, 320, null, 0, 420));
    }

    /// A wall hides what lies behind it, and in the truth, too.
    @Test
    void wallsBetweenGlassesHideWhatLiesBehindThem() {
        Light light = new Light(420, 320);
        Pose pose = new Pose(420, 320, 0.5, 0.5, 0.36, 5, Lighting.AGAINST, 3).tilted(0.3, 0.4);
        Shot any = shot(World.TIDY, new HiddenTruth(List.of(), 0), Lighting.AGAINST, 0.3);
        boolean found = false;
        for (long seed = 0; seed < 12 && !found; seed++) {
            for (Curtain w : InnerWalls.of(light, lens(), pose, any.aperture(), 0.01, new SplittableRandom(seed))) {
                int area = 0;
                for (int i = 0; i < w.cover.length; i++) {
                    double u = any.aperture().unitRadius(i % 420, i / 420);
                    assertThat(w.cover[i]).as("nothing outside the rim").isLessThanOrEqualTo(u > 1.08 ? 0.01f : 1.001f);
                    area += w.cover[i] > 0.5 ? 1 : 0;
                }
                found |= area > 200;
            }
        }
        assertThat(found).as("a leaning lens shows walls").isTrue();
        HiddenTruth deep = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.DUST, lens().surfaces().size() - 1, 0, 0, 1, 130, 5)), 0);
        long openly = marked(InspectionCamera.photograph(lens(), deep, pose));
        long walled = Long.MAX_VALUE;
        for (long seed = 0; seed < 6; seed++) {
            walled = Math.min(walled, marked(InspectionCamera.photograph(lens(), deep, pose, World.wide(seed))));
        }
        assertThat(walled).isLessThan(openly);
    }

    private static long marked(Shot shot) {
        int n = 0;
        for (byte level : shot.mask()) {
            n += level != 0 ? 1 : 0;
        }
        return n;
    }

    @Test
    void faultsOfAWorldThatScattersLessAreFainter() {
        HiddenTruth haze = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.HAZE, 0, 0, 0, 1, 0.3, 5)), 0);
        double faint = shot(new World(false, 0, 0.3, 1, 0, 0), haze, Lighting.AGAINST, 0.1).veil();
        double strong = shot(new World(false, 0, 2, 1, 0, 0), haze, Lighting.AGAINST, 0.1).veil();
        assertThat(strong).isGreaterThan(4 * faint);
        for (double bad : new double[] {0, -1, Double.NaN}) {
            assertThatThrownBy(() -> new World(true, 0, bad, 1, 0, 0)).isInstanceOf(IllegalArgumentException.class);
        }
    }

    /// Whatever a phone does to a wedge of grey, what was brighter is not darker afterwards, and colours stay in their range.
    @Test
    void aPhoneKeepsTheOrderOfLights() {
        for (long seed = 0; seed < 6; seed++) {
            Light wedge = new Light(400, 120);
            for (int i = 0; i < 400 * 120; i++) {
                wedge.grey(i, Math.pow((i % 400 / 50 + 1) / 9.0, 2.2));
            }
            BufferedImage p = PhoneCamera.take(wedge, 0, new SplittableRandom(seed));
            int[] steps = new int[8];
            for (int k = 0; k < 8; k++) {
                int[] of = new int[20];
                for (int j = 0; j < of.length; j++) {
                    of[j] = light(p, 50 * k + 25, 30 + 3 * j);
                }
                Arrays.sort(of);
                steps[k] = of[10];
            }
            for (int k = 1; k < 8; k++) {
                assertThat(steps[k]).as("step %d of phone %d", k, seed).isGreaterThanOrEqualTo(steps[k - 1]);
            }
            assertThat(steps[7] - steps[0]).as("phone %d", seed).isGreaterThan(60);
        }
    }

    @Test
    void reflectionsOfALampLieOnOneLineThroughTheMiddle() {
        Light light = new Light(420, 320);
        Pose pose = new Pose(420, 320, 0.5, 0.5, 0.36, 5, Lighting.AGAINST, 3);
        Shot any = shot(World.TIDY, new HiddenTruth(List.of(), 0), Lighting.AGAINST, 0.1);
        for (long seed = 0; seed < 5; seed++) {
            LampGhosts.paint(light, lens(), pose, any.aperture(), new SplittableRandom(seed));
        }
        double along = 0;
        double across = 0;
        for (int i = 0; i < light.planes[1].length; i++) {
            double x = any.aperture().map().unitX(i % 420, i / 420);
            double y = any.aperture().map().unitY(i % 420, i / 420);
            double c = Math.cos(pose.lampTowardsRad());
            double s = -Math.sin(pose.lampTowardsRad());
            along += light.planes[1][i] * Math.pow(x * c + y * s, 2);
            across += light.planes[1][i] * Math.pow(-x * s + y * c, 2);
        }
        assertThat(along).isGreaterThan(2 * across);
    }

    /// Before a card, where an iris leaves black blades behind the glass: dust there shows only by what it throws of the light from the front.
    @Test
    void lightFromTheFrontShowsWhatLiesBeforeBlackBlades() {
        HiddenTruth dust = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.DUST, 0, 0, 0, 1, 130, 5)), 0);
        Pose pose = new Pose(420, 320, 0.5, 0.5, 0.36, 0, Lighting.BRIGHT, 3).withIris(0.3);
        Shot clean = InspectionCamera.photograph(lens(), new HiddenTruth(List.of(), 0), pose);
        Shot unlit = InspectionCamera.photograph(lens(), dust, pose);
        Shot lit = InspectionCamera.photograph(lens(), dust, pose, new World(false, 0, 1, 1, 0, 0.4));
        int lighter = 0;
        int darker = 0;
        for (int i = 0; i < lit.mask().length; i++) {
            boolean before = lit.mask()[i] == FindingKind.DUST.maskLevel() && unlit.mask()[i] == 0;
            int by = (lit.picture().getRGB(i % 420, i / 420) >> 8 & 255) - (clean.picture().getRGB(i % 420, i / 420) >> 8 & 255);
            lighter += before && by > 3 ? 1 : 0;
            darker += before && by < -8 ? 1 : 0;
        }
        assertThat(marked(lit)).isGreaterThan(2 * marked(unlit));
        assertThat(lighter).isGreaterThan(100).isGreaterThan(20 * darker);
        assertThat(lit.visible().get(FindingKind.DUST).share()).isGreaterThan(2 * unlit.visible().get(FindingKind.DUST).share());
        for (double bad : new double[] {-0.1, Double.NaN}) {
            assertThatThrownBy(() -> new World(true, 0, 1, 1, 0, bad)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("front");
        }
    }
}
