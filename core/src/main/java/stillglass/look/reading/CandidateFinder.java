package stillglass.look.reading;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.alg.filter.binary.Contour;
import boofcv.struct.ConnectRule;
import boofcv.struct.image.GrayS32;
import boofcv.struct.image.GrayU8;
import georegression.struct.point.Point2D_I32;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import stillglass.look.Both;
import stillglass.look.LeastSquares;
import stillglass.look.Lighting;
import stillglass.look.glance.GlanceNet;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Sight;

/// Gathers what stands out of clean glass: fine structure, regions, arcs of the rim, and the glass as a whole.
final class CandidateFinder {
    private static final int SIDE = GlassFrame.SIDE;
    private static final int N = GlassFrame.PIXELS;
    /// Fine structure belongs together where its pixels are closer than twice this.
    private static final int JOIN = 4;
    private static final int LEAST_FINE = 5;
    private static final int LEAST_AREA = 320;
    private static final int LEAST_RIM = 40;
    /// Candidates of one way of standing out that are measured; the largest first.
    private static final int MOST = 500;
    /// Strength over scatter that makes fine structure stand out, and that continues it.
    private static final double SEED = 6;
    private static final double CONTINUES = 3.6;

    /// A region ends where it is this share as strong as its stronger fifth.
    private static final double FOOT = 0.35;
    /// A patch with this share of its pixels on the rim of an inner glass is a crumb of that rim.
    private static final double OF_A_RIM = 0.6;
    /// A region with this share of its pixels before black blades or walls is part of those.
    private static final double ON_WALLS = 0.4;
    /// log of long over short axis from which a patch is a line.
    private static final double SLENDER = 0.6;

    private CandidateFinder() {}

    private record Patch(int[] pixels, Contour contour) {
        @Override
        public boolean equals(Object o) {
            return o == this;
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(this);
        }
    }

    static List<Candidate> find(Maps maps, double around) {
        Measuring measuring = new Measuring(maps);
        RimArcs rim = new RimArcs(maps);
        List<Candidate> found = new ArrayList<>();
        Both<Fine, Wide> standing = Both.of(() -> fine(maps), () -> new Wide(areas(maps), GlanceNet.shipped().look(Glances.of(maps, rim))));
        List<Patch> fine = standing.one().patches;
        GrayU8 thin = standing.one().thin;
        int[][] middles = fine.stream().map(p -> middle(p.pixels)).toArray(int[][]::new);
        List<Patch> areas = standing.other().areas;
        byte[] regions = painted(areas).data;
        found.addAll(fine.parallelStream().map(p -> new Candidate(Sight.FINE, p.pixels, outline(p.contour),
                measuring.fine(p.pixels, p.contour, thin, regions, neighbours(middles, middle(p.pixels)), fine.size()))).toList());
        found.addAll(areas.parallelStream().map(p -> new Candidate(Sight.AREA, p.pixels, outline(p.contour),
                measuring.area(p.pixels, p.contour, neighbours(middles, middle(p.pixels)), fine.size()))).toList());
        long lines = found.stream().filter(c -> c.sight() == Sight.FINE && c.features().get(Feature.ELONGATION) > SLENDER).count();
        found.forEach(c -> c.features().setLog(Feature.LINES, 1.0 + lines));
        for (Patch p : patches(rim.standsOut(), 3, LEAST_RIM)) {
            found.add(new Candidate(Sight.RIM, p.pixels, outline(p.contour), measuring.rim(p.pixels, p.contour, rim.excess)));
        }
        // Before a bright field a closed iris leaves too little to judge the glass as a whole by.
        if (maps.lighting == Lighting.AGAINST || maps.iris.isEmpty()) {
            int[] glass = java.util.stream.IntStream.range(0, N).filter(i -> maps.frame.r[i] < 0.97).toArray();
            found.add(new Candidate(Sight.WHOLE, glass, new int[0], WholeGlass.measured(maps, around)));
        }
        found.parallelStream().forEach(c -> Glances.tell(standing.other().seen, c.pixels(), c.features()));
        CloseUps.tell(maps, found);
        return found;
    }

    /// Threads, specks and lines, and their skeletons.
    private record Fine(List<Patch> patches, GrayU8 thin) {}

    /// What is told of the glass at a wider scale.
    private record Wide(List<Patch> areas, GlanceNet.Seen seen) {}

    private static Fine fine(Maps maps) {
        GrayU8 strong = new GrayU8(SIDE, SIDE);
        GrayU8 weak = new GrayU8(SIDE, SIDE);
        for (int i = 0; i < N; i++) {
            boolean inside = maps.frame.r[i] < 0.965;
            strong.data[i] = (byte) (inside && maps.fine[i] > SEED * maps.fineScatter(i) ? 1 : 0);
            weak.data[i] = (byte) (inside && maps.fine[i] > CONTINUES * maps.fineScatter(i) ? 1 : 0);
        }
        GrayU8 stands = reached(weak, strong);
        RimCircles.Found rims = RimCircles.find(stands.data, maps);
        for (int i = 0; i < N; i++) {
            stands.data[i] = rims.rim[i] ? 0 : stands.data[i];
        }
        List<Patch> all = patches(stands, JOIN, LEAST_FINE);
        all.removeIf(p -> Arrays.stream(p.pixels).filter(at -> rims.zone[at] && !rims.line[at]).count() > OF_A_RIM * p.pixels.length);
        return new Fine(all, BinaryImageOps.thin(painted(all), 60, null));
    }

    /// Connected parts of `weak` that hold a pixel of `strong`.
    private static GrayU8 reached(GrayU8 weak, GrayU8 strong) {
        GrayS32 labels = new GrayS32(SIDE, SIDE);
        int n = BinaryImageOps.contour(weak, ConnectRule.EIGHT, labels).size();
        boolean[] keep = new boolean[n + 1];
        for (int i = 0; i < N; i++) {
            keep[labels.data[i]] |= strong.data[i] != 0;
        }
        GrayU8 out = new GrayU8(SIDE, SIDE);
        for (int i = 0; i < N; i++) {
            out.data[i] = (byte) (labels.data[i] > 0 && keep[labels.data[i]] ? 1 : 0);
        }
        return out;
    }

    /// Regions of a fault's sign or of another colour, and apart from them regions of the other sign.
    private static List<Patch> areas(Maps maps) {
        GrayU8 fault = new GrayU8(SIDE, SIDE);
        GrayU8 other = new GrayU8(SIDE, SIDE);
        double share = maps.lighting == Lighting.AGAINST ? 0.10 : 0.022;
        double floor = maps.lighting == Lighting.AGAINST ? 0.0015 : 0.004;
        for (int i = 0; i < N; i++) {
            if (maps.frame.r[i] > 0.985) {
                continue;
            }
            double limit = Math.max(4.2 * maps.areaScatter(i), share * Math.abs(maps.expected[i]) + floor);
            fault.data[i] = (byte) (maps.area[i] > limit || coloured(maps, i) ? 1 : 0);
            other.data[i] = (byte) (maps.area[i] < -1.3 * limit ? 1 : 0);
        }
        List<Patch> all = patches(opened(trimmed(fault, maps)), 1, LEAST_AREA);
        all.addAll(patches(opened(trimmed(other, maps)), 1, LEAST_AREA));
        // No smooth surface fits the walls of a barrel: what stands out of one there as a region are their steps.
        all.removeIf(p -> Arrays.stream(p.pixels).filter(maps::dark).count() > ON_WALLS * p.pixels.length);
        return all;
    }

    /// Regions cut back to where they are a good part as strong as inside: a low threshold would take the foot of a steep border with them.
    private static GrayU8 trimmed(GrayU8 region, Maps maps) {
        GrayS32 labels = new GrayS32(SIDE, SIDE);
        int n = BinaryImageOps.contour(region, ConnectRule.EIGHT, labels).size();
        double[] strong = new double[n + 1];
        int[] size = new int[n + 1];
        for (int i = 0; i < N; i++) {
            size[labels.data[i]]++;
        }
        double[][] values = new double[n + 1][];
        int[] fill = new int[n + 1];
        for (int k = 0; k <= n; k++) {
            values[k] = new double[k > 0 && size[k] >= LEAST_AREA ? size[k] : 0];
        }
        for (int i = 0; i < N; i++) {
            int k = labels.data[i];
            if (values[k].length > 0) {
                values[k][fill[k]++] = Math.abs(maps.area[i]);
            }
        }
        for (int k = 1; k <= n; k++) {
            strong[k] = values[k].length == 0 ? 0 : FOOT * LeastSquares.quantile(values[k], 0.8);
        }
        GrayU8 out = new GrayU8(SIDE, SIDE);
        for (int i = 0; i < N; i++) {
            int k = labels.data[i];
            boolean stays = k > 0 && (Math.abs(maps.area[i]) >= strong[k] || coloured(maps, i));
            out.data[i] = (byte) (stays ? 1 : 0);
        }
        return out;
    }

    private static boolean coloured(Maps maps, int at) {
        return maps.tint(at) > Math.max(4.5 * maps.tintScatter, 0.035);
    }

    private static GrayU8 opened(GrayU8 region) {
        return Morphology.wider(Morphology.narrower(region, 2), 2);
    }

    /// @param join dilation before parts are connected, pixels
    private static List<Patch> patches(GrayU8 found, int join, int least) {
        GrayU8 joined = join <= 1 ? found : Morphology.wider(found, join);
        GrayS32 labels = new GrayS32(SIDE, SIDE);
        List<Contour> contours = BinaryImageOps.contour(joined, ConnectRule.EIGHT, labels);
        int[] size = new int[contours.size() + 1];
        for (int i = 0; i < N; i++) {
            size[labels.data[i]] += found.data[i];
        }
        int[][] members = new int[contours.size() + 1][];
        int[] fill = new int[members.length];
        for (int k = 1; k < members.length; k++) {
            members[k] = new int[size[k] >= least ? size[k] : 0];
        }
        for (int i = 0; i < N; i++) {
            int k = labels.data[i];
            if (found.data[i] != 0 && k > 0 && members[k].length > 0) {
                members[k][fill[k]++] = i;
            }
        }
        List<Patch> out = new ArrayList<>();
        for (int k = 1; k < members.length; k++) {
            if (members[k].length > 0) {
                out.add(new Patch(members[k], contours.get(k - 1)));
            }
        }
        out.sort((a, b) -> Integer.compare(b.pixels.length, a.pixels.length));
        return new ArrayList<>(out.subList(0, Math.min(MOST, out.size())));
    }

    private static GrayU8 painted(List<Patch> patches) {
        GrayU8 all = new GrayU8(SIDE, SIDE);
        for (Patch p : patches) {
            for (int at : p.pixels) {
                all.data[at] = 1;
            }
        }
        return all;
    }

    private static int[] middle(int[] pixels) {
        long x = 0;
        long y = 0;
        for (int at : pixels) {
            x += at % SIDE;
            y += at / SIDE;
        }
        return new int[] {(int) (x / pixels.length), (int) (y / pixels.length)};
    }

    private static int neighbours(int[][] middles, int[] of) {
        int reach = (int) (0.12 * GlassFrame.RADIUS);
        return (int) Arrays.stream(middles).filter(m -> Math.hypot(m[0] - of[0], m[1] - of[1]) < reach).count() - 1;
    }

    private static int[] outline(Contour contour) {
        List<Point2D_I32> points = contour.external;
        int[] out = new int[2 * points.size()];
        for (int i = 0; i < points.size(); i++) {
            out[2 * i] = points.get(i).x;
            out[2 * i + 1] = points.get(i).y;
        }
        return out;
    }
}
