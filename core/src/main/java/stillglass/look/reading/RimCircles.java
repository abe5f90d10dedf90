package stillglass.look.reading;

import java.util.stream.IntStream;

/// Rims of inner glasses: thin arcs about a centre of their own near the middle, which catch the lamp. They are no faults, and what
/// touches them must not be joined along them.
///
/// Pixels whose line runs along a circle vote for its centre along their normal; about the best centre, narrow rings whose lit part runs on
/// without a gap over a good angle are rims. Hairs of cleaning marks turn about changing centres and fill no such ring; scratches that are bent
/// so for a part of their way are told from rims by what they do at its ends ([BentLines]).
final class RimCircles {
    /// Centres of inner rims stay this close to the middle of the glass for any camera that still looks through it, radii.
    private static final double CENTRES = 0.24;
    private static final double CELL = 0.006;
    private static final int CELLS = 2 * (int) Math.round(CENTRES / CELL) + 1;
    private static final double SMALLEST = 0.42;
    /// Rings are this wide, radii.
    private static final double RING = 0.005;
    private static final int SECTORS = 180;
    /// Degrees over which a ring must be lit nearly without a gap; for wide rings the same length of arc will do.
    private static final int LEAST_RUN = 44;
    private static final double LEAST_RUN_WIDE = 30;
    /// Share of the sectors of such a run that are lit.
    private static final double FILLED = 0.85;
    private static final int CENTRES_TRIED = 6;
    /// Half width that is taken out along a rim, rings.
    private static final int BESIDE = 3;
    /// Cosine of the doubled angle between line and circle from which a pixel runs along it.
    private static final double ALONG = 0.75;
    /// Below this it crosses the rim and stays.
    private static final double CROSSES = 0.15;

    private RimCircles() {}

    /// Where rims of inner glasses were found.
    static final class Found {
        /// What runs along such a rim.
        final boolean[] rim;
        /// All that lies on such a circle, what crosses it and bent lines included.
        final boolean[] zone;
        /// What lies on such a circle and is a scratch.
        final boolean[] line;

        private Found(boolean[] rim, boolean[] zone, boolean[] line) {
            this.rim = rim;
            this.zone = zone;
            this.line = line;
        }
    }

    /// @param stands 1 where fine structure stands out
    static Found find(byte[] stands, Maps maps) {
        int[] pixels = IntStream.range(0, stands.length).filter(i -> stands[i] != 0 && maps.frame.r[i] > 0.15).toArray();
        boolean[] rim = new boolean[stands.length];
        boolean[] zone = new boolean[stands.length];
        boolean[] line = new boolean[stands.length];
        BentLines bent = new BentLines(stands, maps.fine);
        boolean[] barren = new boolean[CELLS * CELLS];
        double[][] normals = normals(pixels, maps);
        int[] votes = new int[CELLS * CELLS];
        for (int p = 0; p < pixels.length; p++) {
            vote(votes, pixels[p], normals[0][p], normals[1][p], 1);
        }
        for (int k = 0; k < CENTRES_TRIED; k++) {
            int cell = centre(votes, barren);
            double x = cell % CELLS * CELL - CENTRES;
            double y = cell / CELLS * CELL - CENTRES;
            byte[] taken = take(pixels, rim, zone, maps, x, y);
            int anew = 0;
            for (int p = 0; p < pixels.length; p++) {
                if (taken[pixels[p]] != 0) {
                    rim[pixels[p]] = true;
                    vote(votes, pixels[p], normals[0][p], normals[1][p], -1);
                    anew++;
                }
            }
            barren[cell] = anew == 0;
            bent.among(taken, x, y, line);
        }
        for (int at : pixels) {
            rim[at] &= !line[at];
        }
        return new Found(rim, zone, line);
    }

    /// Directions across the lines, towards or away from the centre: cosines and sines.
    private static double[][] normals(int[] pixels, Maps maps) {
        double[][] out = new double[2][pixels.length];
        for (int p = 0; p < pixels.length; p++) {
            // The line's doubled angle halved, turned by a right angle.
            double normal = Math.atan2(maps.lineSin[pixels[p]], maps.lineCos[pixels[p]]) / 2 + Math.PI / 2;
            out[0][p] = Math.cos(normal);
            out[1][p] = Math.sin(normal);
        }
        return out;
    }

    /// Adds what a pixel says of the centre, or takes it back.
    /// @param nx cosine of its normal
    /// @param ny sine of it
    private static void vote(int[] votes, int at, double nx, double ny, int times) {
        double x = GlassFrame.x(at);
        double y = GlassFrame.y(at);
        double along = -(x * nx + y * ny);
        for (double d = along - CENTRES; d <= along + CENTRES; d += CELL) {
            if (Math.abs(d) > SMALLEST) {
                double i = (x + d * nx + CENTRES) / CELL + 0.5;
                double j = (y + d * ny + CENTRES) / CELL + 0.5;
                if (i >= 0 && j >= 0 && i < CELLS && j < CELLS) {
                    votes[(int) j * CELLS + (int) i] += times;
                }
            }
        }
    }

    /// Cell of the best centre.
    /// @param votes of the pixels that belong to no rim yet
    /// @param barren cells about which there turned out to be no rim
    private static int centre(int[] votes, boolean[] barren) {
        int best = 0;
        int most = -1;
        for (int j = 1; j < CELLS - 1; j++) {
            for (int i = 1; i < CELLS - 1; i++) {
                int sum = 0;
                for (int dj = -1; dj <= 1; dj++) {
                    for (int di = -1; di <= 1; di++) {
                        sum += votes[(j + dj) * CELLS + i + di];
                    }
                }
                if (sum > most && !barren[j * CELLS + i]) {
                    most = sum;
                    best = j * CELLS + i;
                }
            }
        }
        return best;
    }

    /// Marks the circles about a centre.
    /// @return 1 where a pixel runs along one and along none of those before
    private static byte[] take(int[] pixels, boolean[] rim, boolean[] zone, Maps maps, double cx, double cy) {
        int rings = (int) (1.3 / RING);
        boolean[][] lit = new boolean[rings][SECTORS];
        int[] ring = new int[pixels.length];
        int[] sector = new int[pixels.length];
        boolean[] crosses = new boolean[pixels.length];
        for (int p = 0; p < pixels.length; p++) {
            double x = GlassFrame.x(pixels[p]) - cx;
            double y = GlassFrame.y(pixels[p]) - cy;
            double square = Math.max(1e-12, x * x + y * y);
            ring[p] = Math.min(rings - 1, (int) (Math.sqrt(square) / RING));
            sector[p] = Math.floorMod((int) Math.floor(Math.atan2(y, x) / (2 * Math.PI) * SECTORS), SECTORS);
            // Against the cosine and the sine of the direction's doubled angle.
            double along = -(maps.lineCos[pixels[p]] * (x * x - y * y) + maps.lineSin[pixels[p]] * 2 * x * y) / square;
            crosses[p] = along < CROSSES;
            if (along > ALONG && !rim[pixels[p]] && ring[p] * RING > SMALLEST) {
                lit[ring[p]][sector[p]] = true;
            }
        }
        boolean[][] out = new boolean[rings][SECTORS];
        for (int k = BESIDE; k + BESIDE < rings; k++) {
            boolean[] run = run(lit[k], lit[k - 1], lit[k + 1], (k + 0.5) * RING);
            for (int s = 0; s < SECTORS; s++) {
                for (int d = -BESIDE; run[s] && d <= BESIDE; d++) {
                    out[k + d][s] = true;
                }
            }
        }
        byte[] taken = new byte[rim.length];
        for (int p = 0; p < pixels.length; p++) {
            zone[pixels[p]] |= out[ring[p]][sector[p]];
            if (out[ring[p]][sector[p]] && !crosses[p] && !rim[pixels[p]]) {
                taken[pixels[p]] = 1;
            }
        }
        return taken;
    }

    /// Sectors of a ring, with its neighbours, that belong to a long run.
    private static boolean[] run(boolean[] own, boolean[] inner, boolean[] outer, double radius) {
        int window = (int) Math.round(Math.max(LEAST_RUN_WIDE, LEAST_RUN * SMALLEST / radius) / 360.0 * SECTORS);
        boolean[] any = new boolean[SECTORS];
        for (int s = 0; s < SECTORS; s++) {
            any[s] = own[s] || inner[s] || outer[s];
        }
        boolean[] out = new boolean[SECTORS];
        int n = count(any, window);
        int mine = count(own, window);
        for (int s = 0; s < SECTORS; s++) {
            int last = (s + window - 1) % SECTORS;
            int before = Math.floorMod(s - 1, SECTORS);
            n += s == 0 ? 0 : (any[last] ? 1 : 0) - (any[before] ? 1 : 0);
            mine += s == 0 ? 0 : (own[last] ? 1 : 0) - (own[before] ? 1 : 0);
            if (n >= FILLED * window && mine >= FILLED / 2 * window) {
                for (int w = 0; w < window; w++) {
                    out[(s + w) % SECTORS] = true;
                }
            }
        }
        return out;
    }

    private static int count(boolean[] sectors, int first) {
        return (int) IntStream.range(0, first).filter(s -> sectors[s % SECTORS]).count();
    }
}
