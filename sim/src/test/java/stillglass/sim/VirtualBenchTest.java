package stillglass.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.grade.WhichSurface;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.look.reading.PhotoGrading;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Surface;
import stillglass.optics.Sighting;
import stillglass.sim.photo.InspectionCamera;
import stillglass.sim.photo.Pose;
import stillglass.sim.photo.Shot;
import stillglass.sim.truth.HiddenTruth;

class VirtualBenchTest {
    /// Four glasses about an iris, enough to have rims and depths.
    static LensSection lens() {
        Medium glass = new Medium.Glass(1.7, 45, "");
        Medium air = new Medium.Air();
        return new LensSection("test", "", 50, 2, 43.2, List.of(486.1, 587.6, 656.3), List.of(
                new Surface(38, 3.5, glass, 17, false), new Surface(72, 4, air, 16.5, false),
                new Surface(21, 5, glass, 13, false), new Surface(16, 7, air, 10.4, false),
                new Surface(Double.POSITIVE_INFINITY, 8, air, 9.5, true),
                new Surface(-17, 6, glass, 10.2, false), new Surface(-23, 0.5, air, 13, false),
                new Surface(250, 4, glass, 15, false), new Surface(-55, 37, air, 15.5, false)),
                List.of(glass("E1", 0, 1, 35), glass("E2", 2, 3, 27), glass("E3", 5, 6, 27), glass("E4", 7, 8, 32)),
                new LensSection.Focusing("unit", List.of()));
    }

    private static Element glass(String name, int first, int last, double rim) {
        return new Element(name, first, last, rim, name, 3, 1, List.of());
    }

    static LinearPhoto linear(BufferedImage image) {
        return LinearPhoto.ofSrgb(image.getWidth(), image.getHeight(), image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth()));
    }

    private static Pose pose(SplittableRandom random, Lighting lighting, long seed) {
        return new Pose(900, 720, 0.46 + 0.08 * random.nextDouble(), 0.46 + 0.08 * random.nextDouble(), 0.34 + 0.1 * random.nextDouble(), 6, lighting, seed);
    }

    private static PhotoGrading.Graded seen(Shot shot) {
        return PhotoGrading.grade(linear(shot.picture()), PhotoGrading.Given.NOTHING, Progress.SILENT) instanceof PhotoGrading.Outcome.Seen s
                ? s.graded() : org.junit.jupiter.api.Assertions.fail("refused");
    }

    @Test
    void theClearApertureIsFoundWhereTheCameraPutIt() {
        assertThat(LongStream.rangeClosed(301, 312).parallel().mapToObj(VirtualBenchTest::offTheRim).filter(w -> !w.isEmpty())).isEmpty();
    }

    /// @return empty where centre and radius are within 1.5 % of the radius
    private static String offTheRim(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Shot shot = InspectionCamera.photograph(lens(), new HiddenTruth(List.of(
                new HiddenTruth.GlassFault(FindingKind.FUNGUS, 1, 0.5, 0.6, 0.5, 0.6, seed), new HiddenTruth.GlassFault(FindingKind.DUST, 0, 0, 0, 1, 30, seed)), 0),
                pose(random, seed % 3 == 0 ? Lighting.BRIGHT : Lighting.AGAINST, seed));
        Aperture found = seen(shot).aperture();
        Aperture truth = shot.aperture();
        double centre = Math.hypot(found.cx() - truth.cx(), found.cy() - truth.cy()) / truth.meanRadius();
        double radius = found.meanRadius() / truth.meanRadius();
        return centre < 0.015 && Math.abs(radius - 1) < 0.015 ? "" : "seed " + seed + " centre " + centre + " radius " + radius;
    }

    /// What a photo really shows and what was named in it.
    private record Answer(Set<FindingKind> truth, Set<FindingKind> found) {}

    private static Answer answer(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<HiddenTruth.GlassFault> faults = new ArrayList<>();
        double turn = 2 * Math.PI * random.nextDouble();
        if (random.nextBoolean()) {
            faults.add(new HiddenTruth.GlassFault(FindingKind.FUNGUS, 1, 0.8 * Math.cos(turn), 0.8 * Math.sin(turn), 0.3 + 0.3 * random.nextDouble(), random.nextDouble(), seed));
        }
        if (random.nextBoolean()) {
            faults.add(new HiddenTruth.GlassFault(FindingKind.HAZE, 3, 0, 0, 1, 0.05 + 0.12 * random.nextDouble(), seed));
        }
        if (random.nextBoolean()) {
            faults.add(new HiddenTruth.GlassFault(FindingKind.DUST, 0, 0, 0, 1, 20 + 60 * random.nextDouble(), seed));
        }
        Set<FindingKind> found = new TreeSet<>();
        seen(InspectionCamera.photograph(lens(), new HiddenTruth(faults, 0), pose(random, Lighting.AGAINST, seed))).findings().stream()
                .filter(f -> f.kind() != FindingKind.DUST || f.severity() > 0).forEach(f -> found.add(f.kind()));
        return new Answer(new TreeSet<>(faults.stream().map(HiddenTruth.GlassFault::kind).toList()), found);
    }

    /// Kinds at image level on photos unseen in development: macro-F1 over dust, fungus and haze against the light.
    @Test
    void dustFungusAndHazeAreToldApart() {
        Map<FindingKind, int[]> counts = new EnumMap<>(FindingKind.class);
        for (Answer a : LongStream.rangeClosed(501, 524).parallel().mapToObj(VirtualBenchTest::answer).toList()) {
            for (FindingKind k : List.of(FindingKind.DUST, FindingKind.FUNGUS, FindingKind.HAZE)) {
                int[] c = counts.computeIfAbsent(k, x -> new int[3]);
                c[0] += a.truth.contains(k) && a.found.contains(k) ? 1 : 0;
                c[1] += !a.truth.contains(k) && a.found.contains(k) ? 1 : 0;
                c[2] += a.truth.contains(k) && !a.found.contains(k) ? 1 : 0;
            }
        }
        double macro = counts.values().stream().mapToDouble(c -> 2.0 * c[0] / (2 * c[0] + c[1] + c[2])).average().orElseThrow();

        assertThat(macro).as("true, false, missed: %s", counts.values().stream().map(java.util.Arrays::toString).toList()).isGreaterThanOrEqualTo(0.80);
    }

    @ParameterizedTest
    @ValueSource(longs = {41, 42, 43, 44})
    void aCleanGlassShowsNothingButDust(long seed) {
        Shot shot = InspectionCamera.photograph(lens(), new HiddenTruth(List.of(), 0), pose(new SplittableRandom(seed), Lighting.AGAINST, seed));

        assertThat(seen(shot).findings()).filteredOn(f -> f.kind() != FindingKind.DUST).as("seed %d", seed).isEmpty();
    }

    @Test
    void moreHazeIsMoreVeil() {
        double last = -1;
        for (double amount : new double[] {0, 0.05, 0.1, 0.2}) {
            HiddenTruth truth = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.HAZE, 3, 0, 0, 1, amount, 3)), 0);
            double veil = seen(InspectionCamera.photograph(lens(), truth, Pose.usual(7))).veilFraction();
            assertThat(veil).isGreaterThan(last);
            last = veil;
        }
    }

    @Test
    void theSameSeedIsTheSamePhoto() {
        HiddenTruth truth = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.FUNGUS, 1, 0.5, 0.5, 0.5, 0.5, 3)), 0);
        Pose pose = new Pose(400, 300, 0.5, 0.5, 0.4, 6, Lighting.AGAINST, 11);
        BufferedImage a = InspectionCamera.photograph(lens(), truth, pose).picture();
        BufferedImage b = InspectionCamera.photograph(lens(), truth, pose).picture();

        assertThat(a.getRGB(0, 0, 400, 300, null, 0, 400)).isEqualTo(b.getRGB(0, 0, 400, 300, null, 0, 400));
    }

    @Test
    void theMaskShowsTheFaultWhereItIs() {
        HiddenTruth truth = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.FUNGUS, 0, 0.5, 0.5, 0.4, 0.8, 3)), 0);
        Shot shot = InspectionCamera.photograph(lens(), truth, new Pose(400, 300, 0.5, 0.5, 0.4, 0, Lighting.AGAINST, 11));
        int right = 0;
        int left = 0;
        for (int i = 0; i < shot.mask().length; i++) {
            if (shot.mask()[i] == FindingKind.FUNGUS.maskLevel()) {
                right += i % 400 > 200 ? 1 : 0;
                left += i % 400 <= 200 ? 1 : 0;
            }
        }
        assertThat(right).isGreaterThan(3 * Math.max(1, left));
    }

    @Test
    void cleaningAndShimsChangeTheTruth() {
        HiddenTruth truth = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.FUNGUS, 1, 0, 0, 1, 1, 1), new HiddenTruth.GlassFault(FindingKind.HAZE, 3, 0, 0, 1, 1, 1)), 0.12);

        assertThat(truth.cleaned(Set.of(1)).faults()).extracting(HiddenTruth.GlassFault::kind).containsExactly(FindingKind.HAZE);
        assertThat(Bench.errorWith(0.12, 0.3, 0.42)).isCloseTo(0, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void theCollimatorScattersAsItSays(long seed) {
        HiddenTruth truth = new HiddenTruth(List.of(), 0.1);
        double sum = 0;
        double squares = 0;
        int n = 300;
        for (int i = 0; i < n; i++) {
            double r = VirtualCollimator.read(truth, seed * 1000 + i).errorMm();
            sum += r;
            squares += r * r;
        }
        double mean = sum / n;
        double sigma = Math.sqrt(squares / n - mean * mean);

        // The mean of five readings of 6 µm scatter: 2.7 µm; the mean of 300 of them within four of its own deviations.
        assertThat(mean).as("seed %d", seed).isCloseTo(0.1, within(4 * 0.0027 / Math.sqrt(n)));
        assertThat(sigma).isCloseTo(VirtualCollimator.READING_SIGMA_MM / Math.sqrt(5), within(0.0005));
    }

    /// The simulated reading follows a fan of rays, the estimate secant steps and first neighbours: two ways to one depth.
    @Test
    void aFaultIsFoundOnItsSurfaceFromASimulatedReading() {
        LensSection lens = lens();
        int right = 0;
        int tries = 0;
        for (int s = 0; s < lens.surfaces().size(); s++) {
            if (s == lens.stopIndex() || lens.cemented(s)) {
                continue;
            }
            for (double share : new double[] {0, 0.4, 0.75}) {
                double height = share * lens.surfaces().get(s).semiDiameterMm();
                assertThat(VirtualDepth.depthMm(lens, s, height)).as("surface %d at %.1f mm", s + 1, height)
                        .isCloseTo(WhichSurface.depth(lens, s, 0, height, false), within(0.1));
                var reading = VirtualDepth.focus(lens, new HiddenTruth.GlassFault(FindingKind.FUNGUS, s, share, 0, 0.2, 0.5, 1), s * 31L + tries);
                double inPhoto = Sighting.of(lens, s, false).share(height);
                right += WhichSurface.of(lens, FindingKind.FUNGUS, inPhoto, false, List.of(reading)).likeliest().surface() == s ? 1 : 0;
                tries++;
            }
        }
        assertThat(right).as("of %d", tries).isGreaterThanOrEqualTo((int) Math.ceil(0.8 * tries));
    }
}
