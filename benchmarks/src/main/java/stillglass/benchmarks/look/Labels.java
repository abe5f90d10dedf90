package stillglass.benchmarks.look;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.look.closeup.CloseUpLearning;
import stillglass.look.glance.Glance;
import stillglass.look.glance.GlanceLearning;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.KindLearning;
import stillglass.look.kinds.Sight;
import stillglass.look.reading.PhotoGrading;
import stillglass.look.reading.Survey;
import stillglass.optics.LensSection;
import stillglass.sim.photo.RandomScene;
import stillglass.sim.photo.Shot;

/// What really lies under the things that stood out of a simulated photo.
final class Labels {
    /// Share of a candidate that must lie on a fault to be called it.
    private static final double ENOUGH = 0.25;
    /// Candidates of one kind and photo that are learned from.
    private static final int MOST_OF_A_KIND = 24;
    private static final double LEAST_VEIL = 0.03;
    /// Share of a region and of the haze that must be the other for the region to be the haze.
    private static final double SAME_REGION = 0.6;
    /// Scatter of the rim beside the true one, radii: as it is found or set by hand.
    private static final double APERTURE_OFF = 0.005;

    private Labels() {}

    static LinearPhoto linear(BufferedImage image) {
        return LinearPhoto.ofSrgb(image.getWidth(), image.getHeight(), image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth()));
    }

    /// Something that stood out and what it is.
    /// @param weight a photo speaks for a kind about as loud however many pieces of it there are
    record Labelled(Survey.Sighting sighting, FindingKind label, double weight) {}

    /// Labelled candidates of one scene, as the curves of kinds are learned from.
    static List<KindLearning.Example> of(RandomScene scene, boolean heldBack) {
        return labelled(scene).map(l -> new KindLearning.Example(scene.pose().seed(), scene.pose().lighting(), l.sighting.sight(), l.sighting.features(), l.label, l.weight, heldBack)).toList();
    }

    /// The same photo as the look of whole glasses is learned from; nothing when it is refused.
    static Stream<GlanceLearning.Example> glance(RandomScene scene) {
        Shot shot = scene.shoot();
        return survey(scene, shot).map(s -> new GlanceLearning.Example(s.glance(), in(s, scene, shot).stream()
                .map(l -> new GlanceLearning.Standing(l.sighting.places().stream().mapToInt(p -> Glance.part(p.x(), p.y())).toArray(), l.label, l.weight)).toList())).stream();
    }

    /// What stands out of the same photo as it looks close by; nothing when it is refused.
    static Stream<CloseUpLearning.Example> closeUps(RandomScene scene) {
        return labelled(scene).map(Labels::closeUp);
    }

    /// The glass as a whole, where it is seen against the light.
    static Stream<CloseUpLearning.Example> wholes(RandomScene scene) {
        return scene.pose().lighting() == Lighting.AGAINST ? labelled(scene).filter(l -> l.sighting.sight() == Sight.WHOLE).map(Labels::closeUp) : Stream.of();
    }

    private static CloseUpLearning.Example closeUp(Labelled l) {
        return new CloseUpLearning.Example(l.sighting.closeUp(), l.label, l.weight);
    }

    /// What stands out of the photo of a scene; nothing when it is refused.
    private static Stream<Labelled> labelled(RandomScene scene) {
        Shot shot = scene.shoot();
        return survey(scene, shot).map(s -> in(s, scene, shot)).orElse(List.of()).stream();
    }

    /// What scenes of any room teach, many at once, the first seed's first; says how far it is.
    static <E> List<E> ofAnyRoom(long from, int count, Function<RandomScene, Stream<E>> teaches) {
        return ofScenes(RandomScene::wide, from, count, teaches);
    }

    /// The same of scenes of the tidy bench.
    static <E> List<E> ofTheBench(long from, int count, Function<RandomScene, Stream<E>> teaches) {
        return ofScenes(RandomScene::of, from, count, teaches);
    }

    private static <E> List<E> ofScenes(BiFunction<Long, List<LensSection>, RandomScene> scene, long from, int count, Function<RandomScene, Stream<E>> teaches) {
        List<LensSection> lenses = Seeds.lenses();
        AtomicInteger done = new AtomicInteger();
        return LongStream.range(from, from + count).parallel().boxed().flatMap(s -> {
            List<E> all = teaches.apply(scene.apply(s, lenses)).toList();
            if (done.incrementAndGet() % 100 == 0) {
                System.err.println(done.get() + " of " + count);
            }
            return all.stream();
        }).toList();
    }

    /// What stands out in one scene. The rim is given about as well as it is found where it is found: what is read wrongly in a wrong ring teaches nothing about kinds.
    private static Optional<Survey> survey(RandomScene scene, Shot shot) {
        SplittableRandom random = new SplittableRandom(scene.pose().seed());
        Aperture a = shot.aperture();
        double r = APERTURE_OFF * a.meanRadius();
        double larger = 1 + APERTURE_OFF * random.nextGaussian();
        Aperture about = new Aperture(a.cx() + r * random.nextGaussian(), a.cy() + r * random.nextGaussian(), a.rx() * larger, a.ry() * larger, a.thetaRad());
        PhotoGrading.Given given = new PhotoGrading.Given(Optional.of(scene.pose().lighting()), Optional.of(about), java.util.OptionalDouble.empty());
        return Survey.of(linear(shot.picture()), given, Progress.SILENT);
    }

    private static List<Labelled> in(Survey survey, RandomScene scene, Shot shot) {
        Map<Sight, Map<FindingKind, List<Survey.Sighting>>> of = new EnumMap<>(Sight.class);
        for (Survey.Sighting s : survey.sightings()) {
            of.computeIfAbsent(s.sight(), k -> new EnumMap<>(FindingKind.class)).computeIfAbsent(label(s, survey.aperture(), shot, scene), k -> new ArrayList<>()).add(s);
        }
        List<Labelled> out = new ArrayList<>();
        of.values().forEach(by -> by.forEach((label, all) -> {
            int n = Math.min(MOST_OF_A_KIND, all.size());
            all.subList(0, n).forEach(s -> out.add(new Labelled(s, label, Math.pow(n, -0.6))));
        }));
        return out;
    }

    static double off(Aperture found, Aperture truth) {
        return Math.max(Math.hypot(found.cx() - truth.cx(), found.cy() - truth.cy()), Math.abs(found.meanRadius() - truth.meanRadius())) / truth.meanRadius();
    }

    /// Against the light the wide world's haze is as thin as it shows at all.
    private static boolean showsThinly(Shot shot, RandomScene scene) {
        return scene.world().wide() && scene.pose().lighting() == Lighting.AGAINST && scene.shown(shot).contains(FindingKind.HAZE);
    }

    private static FindingKind label(Survey.Sighting s, Aperture a, Shot shot, RandomScene scene) {
        int w = shot.picture().getWidth();
        int h = shot.picture().getHeight();
        int[] votes = new int[FindingKind.values().length];
        for (Finding.Point p : s.places()) {
            int x = (int) Math.round(a.pixelX(p.x(), p.y()));
            int y = (int) Math.round(a.pixelY(p.x(), p.y()));
            votes[level(shot.mask(), w, h, x, y, s.sight())]++;
        }
        if (s.sight() == Sight.WHOLE) {
            double hazy = votes[FindingKind.HAZE.maskLevel()] / (double) s.places().size();
            return hazy > 0.15 && (shot.veil() >= LEAST_VEIL || showsThinly(shot, scene)) ? FindingKind.HAZE : FindingKind.UNKNOWN;
        }
        if (votes[FindingKind.HAZE.maskLevel()] > SAME_REGION * s.places().size() && s.sight() == Sight.AREA && sameSize(s, a, shot)) {
            return FindingKind.HAZE;
        }
        FindingKind best = FindingKind.UNKNOWN;
        int most = 0;
        for (FindingKind k : FindingKind.values()) {
            boolean counts = k != FindingKind.UNKNOWN && k != FindingKind.HAZE;
            if (counts && votes[k.maskLevel()] > most) {
                most = votes[k.maskLevel()];
                best = k;
            }
        }
        return most >= ENOUGH * s.places().size() ? best : FindingKind.UNKNOWN;
    }

    /// Whether a region is about as large as all the haze there is: what merely lies before haze is something else.
    private static boolean sameSize(Survey.Sighting s, Aperture a, Shot shot) {
        int hazy = 0;
        for (byte level : shot.mask()) {
            hazy += level == FindingKind.HAZE.maskLevel() ? 1 : 0;
        }
        double size = Math.pow(10, s.features().get(Feature.AREA)) * a.areaPx();
        return size > SAME_REGION * hazy && hazy > SAME_REGION * size;
    }

    /// Level of the truth, for thin things also a pixel or two beside it.
    private static int level(byte[] mask, int w, int h, int x, int y, Sight sight) {
        int reach = sight == Sight.FINE ? 2 : sight == Sight.RIM ? 3 : 0;
        int found = 0;
        for (int dy = -reach; dy <= reach; dy++) {
            for (int dx = -reach; dx <= reach; dx++) {
                if (x + dx >= 0 && y + dy >= 0 && x + dx < w && y + dy < h) {
                    int level = mask[(y + dy) * w + x + dx];
                    boolean thin = level != 0 && level != FindingKind.HAZE.maskLevel();
                    found = thin && (found == 0 || found == FindingKind.HAZE.maskLevel()) || dx == 0 && dy == 0 && level != 0 ? level : found;
                }
            }
        }
        return found;
    }
}
