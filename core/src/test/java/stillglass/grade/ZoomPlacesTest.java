package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import stillglass.look.FindingKind;
import stillglass.look.ZoomWalk;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Medium;
import stillglass.optics.Positions;
import stillglass.optics.Surface;
import stillglass.say.Wording;

/// A zoom of three thin groups. Where a speck is seen is reckoned by hand: a ray from the camera is bent by each thin group by its height times its power.
class ZoomPlacesTest {
    private static final double CAMERA_MM = 250;
    private static final double[] POWER = {0.006, -0.02, 0.015};
    private static final double[] CLEAR = {25, 16, 12};
    /// Gaps before the second and the third group at either end, the iris 2 mm before the third.
    private static final Map<Integer, double[]> GAPS = Map.of(35, new double[] {4, 38}, 70, new double[] {34, 8});

    private static LensSection zoom() {
        List<Surface> surfaces = new ArrayList<>();
        double[] wide = GAPS.get(35);
        double[] after = {wide[0], wide[1] - 2, 60};
        for (int g = 0; g < POWER.length; g++) {
            if (g == 2) {
                surfaces.add(new Surface(Double.POSITIVE_INFINITY, 2, new Medium.Air(), 9, true));
            }
            double r = 2 * 0.5 / POWER[g];
            surfaces.add(new Surface(r, 0.4, new Medium.Glass(1.5, 60, "500600"), CLEAR[g], false));
            surfaces.add(new Surface(-r, after[g], new Medium.Air(), CLEAR[g], false));
        }
        LensSection lens = Lenses.section("zoom", 9, surfaces, List.of(Lenses.element("E1", 0, 1, 26, "G1", List.of()), Lenses.element("E2", 2, 3, 17, "G2", List.of()), Lenses.element("E3", 5, 6, 13, "G3", List.of())));
        double[] far = GAPS.get(70);
        return lens.withPositions(new Positions(List.of(new Positions.Position("wide", 1, Map.of(), Optional.of(35.0), Optional.empty()),
                new Positions.Position("long", 2, Map.of(2, far[0], 4, far[1] - 2), Optional.of(70.0), Optional.empty()))));
    }

    private static double height(int group, int zoom, double share) {
        double y = share * CLEAR[0];
        double slope = y / CAMERA_MM;
        for (int g = 0; g < group; g++) {
            slope -= y * POWER[g];
            y += slope * GAPS.get(zoom)[g];
        }
        return y;
    }

    /// Heights follow shares in proportion.
    private static double share(int group, int zoom, double height) {
        return height / height(group, zoom, 1);
    }

    private static double onGroup(WhichSurface w, int group) {
        int first = group == 2 ? 5 : 2 * group;
        return w.on(first) + w.on(first + 1);
    }

    private static WhichSurface told(LensSection lens, List<ZoomWalk.Sight> sights) {
        return WhichSurface.of(lens, FindingKind.FUNGUS, Math.hypot(sights.getFirst().x(), sights.getFirst().y()), false, List.of(),
                List.of(ZoomPlaces.of(lens, FindingKind.FUNGUS, sights, false).orElseThrow()));
    }

    @Test
    void whatItSaysOfGroupsIsAsOftenRightAsItSays() {
        LensSection lens = zoom();
        SplittableRandom random = new SplittableRandom(8);
        int right = 0;
        double claimed = 0;
        int n = 240;
        for (int i = 0; i < n; i++) {
            int group = random.nextInt(3);
            double[] sights;
            double angle;
            do {
                double h = CLEAR[group] * Math.sqrt(random.nextDouble());
                angle = 2 * Math.PI * random.nextDouble();
                sights = new double[] {share(group, 35, h), share(group, 70, h)};
            } while (Math.abs(sights[0]) > 1 || Math.abs(sights[1]) > 1);
            List<ZoomWalk.Sight> seen = new ArrayList<>();
            for (int k = 0; k < 2; k++) {
                seen.add(new ZoomWalk.Sight(k == 0 ? 35 : 70, sights[k] * Math.cos(angle) + 0.03 * random.nextGaussian(), sights[k] * Math.sin(angle) + 0.03 * random.nextGaussian()));
            }
            WhichSurface w = told(lens, seen);
            int best = 0;
            for (int g = 1; g < 3; g++) {
                best = onGroup(w, g) > onGroup(w, best) ? g : best;
            }
            right += best == group ? 1 : 0;
            claimed += onGroup(w, best);
        }
        assertThat(right / (double) n).isGreaterThan(0.64).isCloseTo(claimed / n, within(0.06));
    }

    @Test
    void aSpeckThatStaysLiesInFrontAndOneThatIsDrawnOutBehind() {
        LensSection lens = zoom();
        assertThat(onGroup(told(lens, List.of(new ZoomWalk.Sight(35, 0.6, 0.1), new ZoomWalk.Sight(70, 0.61, 0.1))), 0)).isGreaterThan(0.7);
        double h = 11.5;
        WhichSurface w = told(lens, List.of(new ZoomWalk.Sight(35, 0, share(2, 35, h)), new ZoomWalk.Sight(70, 0, share(2, 70, h))));
        assertThat(onGroup(w, 2)).isGreaterThan(0.7);
        assertThat(w.remarks()).isEmpty();
    }

    @Test
    void placesThatNoSurfaceExplainsAreSaidToBeNone() {
        WhichSurface w = told(zoom(), List.of(new ZoomWalk.Sight(35, 0.6, 0), new ZoomWalk.Sight(70, -0.6, 0.3)));
        assertThat(Wording.core().say(w.remarks().getFirst())).startsWith("No one place explains what the photos at several zoom settings show");
    }

    @Test
    void aSectionThatDoesNotKnowTheSettingsOrAFaultWithoutAPlaceSaysNothing() {
        LensSection lens = zoom();
        List<ZoomWalk.Sight> seen = List.of(new ZoomWalk.Sight(35, 0.5, 0), new ZoomWalk.Sight(70, 0.5, 0));
        assertThat(ZoomPlaces.of(lens.withPositions(Positions.NONE), FindingKind.FUNGUS, seen, false)).isEmpty();
        assertThat(ZoomPlaces.of(lens, FindingKind.HAZE, seen, false)).isEmpty();
        assertThat(ZoomPlaces.of(lens, FindingKind.FUNGUS, List.of(seen.getFirst(), seen.getFirst()), false)).isEmpty();
        assertThat(ZoomPlaces.of(lens, FindingKind.FUNGUS, List.of(seen.getFirst(), new ZoomWalk.Sight(200, 0.5, 0)), false)).isEmpty();
        // A ring is engraved with round numbers.
        assertThat(ZoomPlaces.of(lens, FindingKind.FUNGUS, List.of(new ZoomWalk.Sight(34, 0.5, 0), new ZoomWalk.Sight(72, 0.5, 0)), false)).isPresent();
    }
}
