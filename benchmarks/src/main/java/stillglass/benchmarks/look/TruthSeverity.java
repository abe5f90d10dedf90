package stillglass.benchmarks.look;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.struct.ConnectRule;
import boofcv.struct.image.GrayS32;
import boofcv.struct.image.GrayU8;
import java.awt.image.BufferedImage;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;
import stillglass.look.Severity;
import stillglass.sim.photo.RandomScene;
import stillglass.sim.photo.Shot;
import stillglass.sim.truth.HiddenTruth;

/// How severe what is painted in the truth of a photo is, by the same table as findings.
final class TruthSeverity {
    /// Length of a drawn line over its bones.
    private static final double BONES = 1.1;
    /// What is painted out of focus lies in crumbs: gaps up to twice this, radii, are none.
    private static final double CRUMBS = 0.009;

    private TruthSeverity() {}

    /// @param specks of dust, where they were counted as they were laid
    static Map<FindingKind, Integer> of(Shot shot, Set<FindingKind> kinds, int specks, int bubbles) {
        Map<FindingKind, Integer> out = new EnumMap<>(FindingKind.class);
        int[] pixels = new int[FindingKind.values().length];
        for (byte level : shot.mask()) {
            pixels[level]++;
        }
        for (FindingKind k : kinds) {
            out.put(k, Severity.of(k, switch (k) {
                case DUST -> specks;
                case BUBBLE -> bubbles;
                case HAZE -> shot.veil();
                case SCRATCH -> length(shot);
                case EDGE_PAINT -> degrees(shot);
                case CLEANING_MARKS -> rubbed(shot);
                default -> pixels[k.maskLevel()] / shot.aperture().areaPx();
            }));
        }
        return out;
    }

    /// The same of a scene, which knows how many specks were laid.
    static Map<FindingKind, Integer> of(RandomScene scene, Shot shot, Set<FindingKind> kinds) {
        return of(shot, kinds, specks(scene, FindingKind.DUST), specks(scene, FindingKind.BUBBLE));
    }

    private static int specks(RandomScene scene, FindingKind kind) {
        return (int) scene.truth().faults().stream().filter(f -> f.kind() == kind).mapToDouble(HiddenTruth.GlassFault::amount).sum();
    }

    /// The same where nobody counted: pieces that lie apart in the truth.
    static Map<FindingKind, Integer> of(Shot shot, Set<FindingKind> kinds) {
        return of(shot, kinds, pieces(shot, FindingKind.DUST), pieces(shot, FindingKind.BUBBLE));
    }

    private static GrayU8 painted(Shot shot, FindingKind kind) {
        BufferedImage p = shot.picture();
        GrayU8 out = new GrayU8(p.getWidth(), p.getHeight());
        for (int i = 0; i < out.data.length; i++) {
            out.data[i] = (byte) (shot.mask()[i] == kind.maskLevel() ? 1 : 0);
        }
        return out;
    }

    /// The same with crumbs together.
    private static GrayU8 whole(Shot shot, FindingKind kind) {
        int gap = (int) Math.max(1, Math.round(CRUMBS * shot.aperture().meanRadius()));
        return BinaryImageOps.erode8(BinaryImageOps.dilate8(painted(shot, kind), gap, null), gap, null);
    }

    private static int pieces(Shot shot, FindingKind kind) {
        GrayU8 painted = whole(shot, kind);
        return BinaryImageOps.contour(painted, ConnectRule.EIGHT, new GrayS32(painted.width, painted.height)).size();
    }

    private static double length(Shot shot) {
        GrayU8 thin = BinaryImageOps.thin(whole(shot, FindingKind.SCRATCH), 20, null);
        int bones = 0;
        for (byte b : thin.data) {
            bones += b;
        }
        return BONES * bones / shot.aperture().meanRadius();
    }

    /// Share of the aperture within all hairs, whether a truth paints what was rubbed or hair by hair.
    private static double rubbed(Shot shot) {
        int w = shot.picture().getWidth();
        Coordinate[] hairs = IntStream.range(0, shot.mask().length).filter(i -> shot.mask()[i] == FindingKind.CLEANING_MARKS.maskLevel())
                .mapToObj(i -> new Coordinate(i % w, i / w)).toArray(Coordinate[]::new);
        return hairs.length == 0 ? 0 : new ConvexHull(hairs, new GeometryFactory()).getConvexHull().getArea() / shot.aperture().areaPx();
    }

    private static double degrees(Shot shot) {
        boolean[] seen = new boolean[360];
        Aperture a = shot.aperture();
        for (int i = 0; i < shot.mask().length; i++) {
            if (shot.mask()[i] == FindingKind.EDGE_PAINT.maskLevel()) {
                double x = i % shot.picture().getWidth() - a.cx();
                double y = i / shot.picture().getWidth() - a.cy();
                seen[Math.floorMod((int) Math.toDegrees(Math.atan2(y, x)), 360)] = true;
            }
        }
        int n = 0;
        for (boolean s : seen) {
            n += s ? 1 : 0;
        }
        return n;
    }
}
