package stillglass.look.reading;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.struct.ConnectRule;
import boofcv.struct.image.GrayS32;
import boofcv.struct.image.GrayU8;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import stillglass.look.Lighting;

/// Hairs that wiping in circles left on a glass before a card. Each by itself is lost in the grain; that so many run round one centre, each at its own distance from it, is seen.
///
/// A hair is a ridge of light (by its curvatures) some hundredths of a radius long. About every centre that is tried the narrow rings are counted in which a hair runs round it, less those in which one runs towards it. A rim or the edge of an iris fills one ring, threads and scratches run any way, and rows of blocks and the brushing of a wall run
/// along the picture: lines that do are not counted.
final class WipedCircles {
    private static final int SIDE = GlassFrame.SIDE;
    /// Pixels along a cell; black walls, what is in full exposure and the cells beside are left out.
    private static final int CELL = 10;
    private static final int CELLS = (SIDE + CELL - 1) / CELL;
    /// Of no glass beyond this, radii, and of nothing lighter, share of full exposure.
    private static final double EDGE = 0.95;
    private static final double FULL = 0.985;
    /// Scatters and levels of 255 from which a pixel stands out.
    private static final double SCATTERS = 2;
    private static final double LEVELS = 1.8;
    /// The lesser curvature of a ridge is at most this share of the greater.
    private static final double ROUND = 0.6;
    /// A hair is so long, radii, and so many times as long as wide; its width is not measured under the last.
    private static final double LEAST_LENGTH = 0.03;
    private static final double SLENDER = 2.5;
    private static final double LEAST_WIDTH = 0.004;
    private static final int LEAST_PIXELS = 5;
    /// Degrees from the rows and columns of the picture.
    private static final double ALONG_PICTURE = 8;
    /// Cosine of twice the angle from the way round a centre.
    private static final double ALONG = 0.9;
    /// Centres are tried so far from the middle, and so far apart, radii.
    private static final double CENTRES = 0.6;
    private static final double APART = 0.05;
    /// Nothing so near a centre runs round it.
    private static final double NEAR = 0.08;
    private static final double RING = 0.015;
    /// Rings with hairs from which it was wiped, and how many of these at least in all but the poorest quarter.
    private static final int LEAST_RINGS = 15;
    private static final int LEAST_A_QUARTER = 3;
    /// Hairs lie up to so many times as far from the centre as this share of those that no rim can be.
    private static final double BEYOND = 1.25;
    private static final double MOST = 0.9;
    /// A glass that has fewer pixels of the photo along its radius shows no hairs, and the blocks of its file as lines.
    private static final double LEAST_RADIUS = 180;
    /// A card that fills less of the glass tells nothing.
    private static final double LEAST_GLASS = 0.15;

    private final Maps maps;
    private final boolean[] barred = new boolean[CELLS * CELLS];
    private final float[] cos = new float[GlassFrame.PIXELS];
    private final float[] sin = new float[GlassFrame.PIXELS];

    private WipedCircles(Maps maps) {
        this.maps = maps;
    }

    /// A line by its pixels.
    ///
    /// @param cos,sin of twice the angle across it
    private record Hair(int[] pixels, double x, double y, double cos, double sin) {
        /// 1 where it runs round a centre, −1 where it runs towards it; 0 next to it.
        double round(double cx, double cy) {
            double dx = x - cx;
            double dy = y - cy;
            double r2 = dx * dx + dy * dy;
            return r2 <= NEAR * NEAR ? 0 : (cos * (dx * dx - dy * dy) + sin * 2 * dx * dy) / r2;
        }

        int ring(double cx, double cy) {
            return (int) (Math.hypot(x - cx, y - cy) / RING);
        }

        int quarter(double cx, double cy) {
            return (x > cx ? 1 : 0) + (y > cy ? 2 : 0);
        }

        boolean alongPicture() {
            double across = Math.abs(Math.toDegrees(Math.atan2(sin, cos))) / 2;
            return Math.min(across, 90 - across) <= ALONG_PICTURE;
        }
    }

    /// Pixels of every hair that runs round the centre; none against the light, where each is seen by itself, and none where nothing was wiped in circles.
    /// @param radius of the glass in pixels of the photo that was read
    static List<int[]> hairs(Maps maps, double radius) {
        return maps.lighting == Lighting.BRIGHT && radius >= LEAST_RADIUS ? new WipedCircles(maps).found() : List.of();
    }

    private List<int[]> found() {
        GrayU8 ridges = ridges();
        RimCircles.Found rims = RimCircles.find(ridges.data, maps);
        GrayU8 without = ridges.clone();
        for (int at = 0; at < without.data.length; at++) {
            without.data[at] = rims.zone[at] ? 0 : without.data[at];
        }
        List<Hair> counted = lines(without).stream().filter(h -> !h.alongPicture()).toList();
        if (counted.size() < LEAST_RINGS) {
            return List.of();
        }
        int steps = (int) Math.round(CENTRES / APART);
        double x = 0;
        double y = 0;
        int most = 0;
        for (int j = -steps; j <= steps; j++) {
            for (int i = -steps; i <= steps; i++) {
                int rings = rings(counted, i * APART, j * APART);
                if (rings > most) {
                    most = rings;
                    x = i * APART;
                    y = j * APART;
                }
            }
        }
        double cx = x;
        double cy = y;
        if (most < LEAST_RINGS || !about(counted, cx, cy)) {
            return List.of();
        }
        // Long hairs look like rims; those among the others and a little beyond are hairs.
        int[] far = counted.stream().filter(h -> h.round(cx, cy) > ALONG).mapToInt(h -> h.ring(cx, cy)).sorted().toArray();
        double reach = BEYOND * far[(int) (MOST * far.length)];
        return lines(ridges).stream().filter(h -> h.round(cx, cy) > ALONG && h.ring(cx, cy) <= reach).map(Hair::pixels).toList();
    }

    /// Rings in which a hair runs round a centre less those in which one runs towards it.
    private static int rings(List<Hair> hairs, double cx, double cy) {
        BitSet round = new BitSet();
        BitSet towards = new BitSet();
        for (Hair h : hairs) {
            double way = h.round(cx, cy);
            if (way > ALONG) {
                round.set(h.ring(cx, cy));
            } else if (way < -ALONG) {
                towards.set(h.ring(cx, cy));
            }
        }
        return round.cardinality() - towards.cardinality();
    }

    /// Whether there are hairs on all sides of a centre but one.
    private static boolean about(List<Hair> hairs, double cx, double cy) {
        BitSet[] rings = IntStream.range(0, 4).mapToObj(q -> new BitSet()).toArray(BitSet[]::new);
        hairs.stream().filter(h -> h.round(cx, cy) > ALONG).forEach(h -> rings[h.quarter(cx, cy)].set(h.ring(cx, cy)));
        return IntStream.range(0, 4).filter(q -> rings[q].cardinality() >= LEAST_A_QUARTER).count() >= 3;
    }

    private List<Hair> lines(GrayU8 ridges) {
        GrayS32 labels = new GrayS32(SIDE, SIDE);
        int n = BinaryImageOps.contour(ridges, ConnectRule.EIGHT, labels).size();
        return Stream.of(Morphology.members(labels, n)).filter(p -> p.length >= LEAST_PIXELS).map(this::hair).flatMap(Optional::stream).toList();
    }

    /// A line, or nothing where the pixels are a speck.
    private Optional<Hair> hair(int[] pixels) {
        double[] middle = GlassFrame.middle(pixels);
        double x = middle[0];
        double y = middle[1];
        double xx = 0;
        double yy = 0;
        double xy = 0;
        double c = 0;
        double s = 0;
        for (int at : pixels) {
            double px = GlassFrame.x(at);
            double py = GlassFrame.y(at);
            xx += px * px / pixels.length;
            yy += py * py / pixels.length;
            xy += px * py / pixels.length;
            c += cos[at];
            s += sin[at];
        }
        double apart = Math.hypot(xx - x * x - yy + y * y, 2 * (xy - x * y));
        double both = xx - x * x + yy - y * y;
        // A line of length l scatters by l/√12.
        double length = Math.sqrt(6 * (both + apart));
        double width = Math.sqrt(6 * Math.max(0, both - apart));
        double strength = Math.hypot(c, s);
        boolean line = length >= LEAST_LENGTH && length >= SLENDER * Math.max(width, LEAST_WIDTH) && strength > 0;
        return line ? Optional.of(new Hair(pixels, x, y, c / strength, s / strength)) : Optional.empty();
    }

    private void bar() {
        for (int at = 0; at < GlassFrame.PIXELS; at++) {
            if (maps.frame.r[at] < EDGE && (maps.dark(at) || maps.frame.light[at] >= FULL)) {
                barred[cell(at)] = true;
            }
        }
    }

    private static int cell(int at) {
        return at / SIDE / CELL * CELLS + at % SIDE / CELL;
    }

    private boolean free(int at) {
        int cell = cell(at);
        for (int j = Math.max(0, cell / CELLS - 1); j <= Math.min(CELLS - 1, cell / CELLS + 1); j++) {
            for (int i = Math.max(0, cell % CELLS - 1); i <= Math.min(CELLS - 1, cell % CELLS + 1); i++) {
                if (barred[j * CELLS + i]) {
                    return false;
                }
            }
        }
        return true;
    }

    /// Pixels of dark lines; none where the card fills too little of the glass.
    private GrayU8 ridges() {
        bar();
        GrayU8 out = new GrayU8(SIDE, SIDE);
        float[] light = Maps.gaussian(maps.frame.light, 1);
        int card = 0;
        for (int at = SIDE + 1; at < GlassFrame.PIXELS - SIDE - 1; at++) {
            if (maps.frame.r[at] < EDGE && free(at)) {
                card++;
                out.data[at] = (byte) (stands(at) && ridge(light, at) ? 1 : 0);
            }
        }
        return card < LEAST_GLASS * Math.PI * GlassFrame.RADIUS * GlassFrame.RADIUS ? new GrayU8(SIDE, SIDE) : out;
    }

    private boolean stands(int at) {
        // A level of 255 in linear light, by the slope of the sRGB curve.
        double level = 2.2 / 255 * Math.pow(Math.max(0.003, maps.frame.light[at]), 0.55);
        return maps.fine[at] >= Math.max(SCATTERS * maps.fineScatter(at), LEVELS * level);
    }

    private boolean ridge(float[] light, int at) {
        double xx = light[at + 1] - 2 * light[at] + light[at - 1];
        double yy = light[at + SIDE] - 2 * light[at] + light[at - SIDE];
        // Up is positive, rows run down.
        double xy = -(light[at + SIDE + 1] - light[at + SIDE - 1] - light[at - SIDE + 1] + light[at - SIDE - 1]) / 4;
        double apart = Math.hypot(xx - yy, 2 * xy);
        double most = (xx + yy + apart) / 2;
        double least = (xx + yy - apart) / 2;
        // A dark line is a valley of light.
        if (most <= 0 || apart <= 0 || Math.abs(least) > ROUND * most) {
            return false;
        }
        cos[at] = (float) ((xx - yy) / apart);
        sin[at] = (float) (2 * xy / apart);
        return true;
    }
}
