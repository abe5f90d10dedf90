package stillglass.sim.second;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.sim.photo.Shot;

/// A random lens, its faults, and a phone before it.
///
/// @param shot the picture with its truth
/// @param lighting how it was lit
/// @param present kinds that are there
/// @param shown kinds that change the picture by more than its noise
/// @param plain kinds that change it by four times as much, as an eye sees without looking for it
public record SecondPhoto(Shot shot, Lighting lighting, Set<FindingKind> present, Set<FindingKind> shown, Set<FindingKind> plain) {
    private static final int LENS_POINTS = 4;
    private static final double LEAST_SHARE = 0.05;
    private static final int LEAST_PIXELS = 20;
    /// Change of a level of 255 that shows.
    private static final double LEVELS = 3;
    private static final double LEVELS_FILM = 9;
    private static final double PLAIN = 4;
    private static final double COVERED = 0.12;

    public SecondPhoto {
        present = Set.copyOf(present);
        shown = Set.copyOf(shown);
        plain = Set.copyOf(plain);
    }

    /// The scene of a seed.
    public static SecondPhoto of(long seed) {
        Random r = new Random(seed * 7919 + 13);
        boolean bright = r.nextBoolean();
        Barrel barrel = new Barrel(r, bright, 0);
        return new Scene(r, bright, barrel, sheets(barrel, r)).taken();
    }

    /// Three photos of one lens by hand: against the light, the same with the lamp carried round it, and before a bright field.
    public static List<SecondPhoto> session(long seed) {
        Random r = new Random(seed * 104729 + 71);
        long lens = r.nextLong();
        List<FaultSheet> sheets = sheets(new Barrel(new Random(lens), false, 0), r);
        double turn = Math.PI * (0.4 + 1.2 * r.nextDouble());
        return List.of(new Scene(r, false, new Barrel(new Random(lens), false, 0), sheets).taken(), new Scene(r, false, new Barrel(new Random(lens), false, turn), sheets).taken(),
                new Scene(r, true, new Barrel(new Random(lens), true, 0), sheets).taken());
    }

    private static List<FaultSheet> sheets(Barrel barrel, Random r) {
        List<FaultSheet> sheets = new ArrayList<>();
        int faults = r.nextInt(8) == 0 ? 0 : 1 + r.nextInt(3);
        List<FindingKind> kinds = new ArrayList<>(List.of(FindingKind.values()));
        kinds.remove(FindingKind.UNKNOWN);
        for (int i = 0; i < faults; i++) {
            sheets.add(FaultSheet.of(kinds.remove(r.nextInt(kinds.size())), barrel.depth.length, r));
        }
        return sheets;
    }

    /// Everything about one picture.
    private static final class Scene {
        private final Random r;
        private final boolean bright;
        private final Barrel barrel;
        private final List<FaultSheet> sheets;
        private final int w;
        private final int h;
        private final double away;
        private final double leanX;
        private final double leanY;
        private final double focus;
        private final double wide;
        private final Aperture rim;
        private final float[] lamp;

        Scene(Random r, boolean bright, Barrel barrel, List<FaultSheet> sheets) {
            this.r = r;
            this.bright = bright;
            this.barrel = barrel;
            this.sheets = sheets;
            boolean tall = r.nextInt(3) == 0;
            int large = 900 + r.nextInt(700);
            w = tall ? large * 3 / 4 : large;
            h = tall ? large : large * 3 / 4;
            away = 4 + 6 * r.nextDouble();
            double lean = Math.toRadians(12) * Math.pow(r.nextDouble(), 1.4);
            double way = 2 * Math.PI * r.nextDouble();
            leanX = Math.tan(lean) * Math.cos(way);
            leanY = Math.tan(lean) * Math.sin(way);
            focus = 0.5 * r.nextDouble();
            wide = 0.05 * r.nextDouble();
            double radius = Math.min(w, h) * (0.18 + 0.27 * r.nextDouble());
            double off = 0.12 * Math.min(w, h);
            rim = new Aperture(w / 2.0 + off * (r.nextDouble() - 0.5) * 2, h / 2.0 + off * (r.nextDouble() - 0.5) * 2, radius, radius * Math.cos(lean), Math.PI / 2 - way);
            lamp = new float[] {1, (float) (0.85 + 0.15 * r.nextDouble()), (float) (0.6 + 0.4 * r.nextDouble())};
        }

        SecondPhoto taken() {
            float[][] light = new float[3][w * h];
            byte[] mask = new byte[w * h];
            double[] veil = new double[2];
            long[] seeds = r.longs(h).toArray();
            Map<FindingKind, int[]> seen = new EnumMap<>(FindingKind.class);
            sheets.forEach(s -> seen.put(s.kind, new int[3]));
            IntStream.range(0, h).parallel().forEach(y -> row(y, new Random(seeds[y]), light, mask, veil, seen));
            ghosts(light);
            Map<FindingKind, Shot.Visible> visible = new EnumMap<>(FindingKind.class);
            seen.forEach((k, n) -> visible.put(k, new Shot.Visible(n[0], n[1])));
            Set<FindingKind> present = EnumSet.noneOf(FindingKind.class);
            Set<FindingKind> shown = EnumSet.noneOf(FindingKind.class);
            Set<FindingKind> plain = EnumSet.noneOf(FindingKind.class);
            seen.forEach((k, n) -> {
                present.add(k);
                if (n[0] >= LEAST_PIXELS && n[0] >= LEAST_SHARE * n[1]) {
                    shown.add(k);
                }
                if (n[2] >= LEAST_PIXELS && n[2] >= LEAST_SHARE * n[1]) {
                    plain.add(k);
                }
            });
            Shot shot = new Shot(PhonePicture.of(light, w, h, r), rim, mask, veil[1] == 0 ? 0 : veil[0] / veil[1], visible);
            return new SecondPhoto(shot, bright ? Lighting.BRIGHT : Lighting.AGAINST, present, shown, plain);
        }

        private void row(int y, Random own, float[][] light, byte[] mask, double[] veil, Map<FindingKind, int[]> seen) {
            double[] sum = new double[3];
            double[] one = new double[3];
            double[] change = new double[2 * sheets.size()];
            for (int x = 0; x < w; x++) {
                double ux = rim.unitX(x + 0.5, y + 0.5);
                double uy = rim.unitY(x + 0.5, y + 0.5);
                sum[0] = 0;
                sum[1] = 0;
                sum[2] = 0;
                java.util.Arrays.fill(change, 0);
                int level = 0;
                for (int k = 0; k < LENS_POINTS; k++) {
                    double a = 2 * Math.PI * (k + own.nextDouble()) / LENS_POINTS;
                    double d = wide * Math.sqrt(own.nextDouble());
                    level = cast(ux, uy, d * Math.cos(a), d * Math.sin(a), one, k == 0 ? change : new double[0], level);
                    for (int c = 0; c < 3; c++) {
                        sum[c] += one[c] / LENS_POINTS;
                    }
                }
                int at = y * w + x;
                for (int c = 0; c < 3; c++) {
                    light[c][at] = (float) sum[c];
                }
                mask[at] = (byte) level;
                note(sum[1], change, veil, seen);
            }
        }

        private void note(double now, double[] change, double[] veil, Map<FindingKind, int[]> seen) {
            for (int s = 0; s < sheets.size(); s++) {
                if (change[s] != 0) {
                    FindingKind kind = sheets.get(s).kind;
                    double levels = 255 * Math.abs(Math.pow(Math.clamp(now, 0, 1), 1 / 2.2) - Math.pow(Math.clamp(now - change[s], 0, 1), 1 / 2.2));
                    synchronized (seen) {
                        int[] n = Objects.requireNonNull(seen.get(kind));
                        n[1]++;
                        double least = kind == FindingKind.HAZE && bright ? LEVELS_FILM : LEVELS;
                        n[0] += levels >= least ? 1 : 0;
                        n[2] += levels >= PLAIN * least ? 1 : 0;
                        if (kind == FindingKind.HAZE) {
                            veil[0] += Math.abs(change[s]);
                            veil[1]++;
                        }
                    }
                }
            }
        }

        /// One ray through a point of the rim plane from a point of the camera's lens.
        /// @param change what each sheet does to the light of the ray, then the share it takes; empty when nobody asks
        /// @return level of the mask
        private int cast(double rimX, double rimY, double lensX, double lensY, double[] out, double[] change, int level) {
            // Sharp on the plane of focus: the ray is turned about it.
            double slopeX = rimX / away - leanX - lensX;
            double slopeY = rimY / away - leanY - lensY;
            double x = rimX + lensX * 0.7 * focus;
            double y = rimY + lensY * 0.7 * focus;
            if (Math.hypot(x, y) > barrel.clear[0]) {
                double v = barrel.front(x, y);
                for (int c = 0; c < 3; c++) {
                    out[c] = v * (0.7 + 0.3 * lamp[c]);
                }
                return level;
            }
            double[] left = {1, 1, 1};
            double[] sent = new double[3];
            int mark = level;
            double strongest = COVERED;
            for (int i = 0; i < barrel.depth.length; i++) {
                // Glass makes what lies deeper seem nearer.
                double z = 0.7 * barrel.depth[i];
                double px = x + slopeX * z;
                double py = y + slopeY * z;
                if (Math.hypot(px, py) > barrel.clear[i]) {
                    return ended(barrel.wall(i, px, py), left, sent, out, change, mark);
                }
                if (i > 0 && barrel.irisDepth < barrel.depth[i] && barrel.irisDepth > barrel.depth[i - 1]) {
                    double iz = 0.7 * barrel.irisDepth;
                    double blade = barrel.iris(x + slopeX * iz, y + slopeY * iz);
                    if (blade >= 0) {
                        return ended(blade, left, sent, out, change, mark);
                    }
                }
                for (int s = 0; s < sheets.size(); s++) {
                    FaultSheet sheet = sheets.get(s);
                    double cover = sheet.plane == i ? sheet.at(px / barrel.clear[i], py / barrel.clear[i]) : 0;
                    if (cover > 0.004) {
                        if (cover > strongest || sheet.kind == FindingKind.HAZE && mark == 0 && cover > 0.03) {
                            mark = sheet.kind.maskLevel();
                            strongest = sheet.kind == FindingKind.HAZE ? COVERED : cover;
                        }
                        double lit = bright ? 0.12 : 1;
                        for (int c = 0; c < 3; c++) {
                            double add = left[c] * cover * sheet.sends[c] * lit * lamp[c] * 0.8;
                            sent[c] += add;
                            if (change.length > 0 && c == 1) {
                                change[s] += add;
                                // What it takes of the light from behind is known once that is: kept as a share till then.
                                change[sheets.size() + s] += left[c] * cover * sheet.stops[c];
                            }
                            left[c] *= 1 - cover * sheet.stops[c];
                        }
                    }
                }
            }
            double z = barrel.depth[barrel.depth.length - 1] + 0.3;
            return ended(barrel.behind(x + slopeX * z, y + slopeY * z), left, sent, out, change, mark);
        }

        private int ended(double light, double[] left, double[] sent, double[] out, double[] change, int mark) {
            for (int s = 0; s < change.length / 2; s++) {
                change[s] -= change[sheets.size() + s] * light;
            }
            for (int c = 0; c < 3; c++) {
                out[c] = sent[c] + left[c] * light;
            }
            return mark;
        }

        /// Reflections of the lamp between faces: discs, crescents and polygons along the line through the middle.
        private void ghosts(float[][] light) {
            int count = r.nextInt(3) == 0 ? 0 : 1 + r.nextInt(5);
            double way = barrel.lampWay();
            for (int g = 0; g < count; g++) {
                double t = 1.8 * (r.nextDouble() - 0.5);
                double gx = t * Math.cos(way);
                double gy = t * Math.sin(way);
                double size = 0.02 + 0.12 * Math.pow(r.nextDouble(), 2);
                double strength = (bright ? 0.05 : 0.03) + 0.25 * Math.pow(r.nextDouble(), 2);
                int form = r.nextInt(3);
                float[] colour = {0.5f + 0.5f * r.nextFloat(), 0.4f + 0.6f * r.nextFloat(), 0.5f + 0.5f * r.nextFloat()};
                for (int y = 0; y < h; y++) {
                    for (int x = 0; x < w; x++) {
                        double ux = rim.unitX(x + 0.5, y + 0.5) - gx;
                        double uy = rim.unitY(x + 0.5, y + 0.5) - gy;
                        double d = Math.hypot(ux, uy);
                        boolean in = d < size && Math.hypot(ux + gx, uy + gy) < 1;
                        if (form == 1) {
                            in &= Math.hypot(ux - 0.4 * size * Math.cos(way), uy - 0.4 * size * Math.sin(way)) > 0.8 * size;
                        } else if (form == 2) {
                            in &= d * Math.cos(Math.IEEEremainder(Math.atan2(uy, ux), 2 * Math.PI / barrel.blades)) < 0.8 * size;
                        }
                        if (in) {
                            for (int c = 0; c < 3; c++) {
                                light[c][y * w + x] += (float) (strength * colour[c]);
                            }
                        }
                    }
                }
            }
        }
    }
}
