package stillglass.look.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import stillglass.look.Both;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.closeup.CloseUp;
import stillglass.look.closeup.CloseUpNet;
import stillglass.look.closeup.CloseUpTrait;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Sight;

/// Cuts a [CloseUp] of anything that stands out from the maps of a glass.
final class CloseUps {
    private static final int SIDE = GlassFrame.SIDE;
    private static final double MIDDLE = (SIDE - 1) / 2.0;
    /// Half of a side over the farthest pixel of the thing.
    private static final double ROOM = 1.5;
    /// Half of a side, pixels of the frame.
    private static final double LEAST_HALF = 18;
    private static final double MOST_HALF = 410;
    /// Nearer to the middle no direction is outward, pixels.
    private static final double NO_OUTWARD = 10;
    /// Share of a cell in which its pixels need to fall for it to count as covered: turned, they fall unevenly.
    private static final double COVERED = 0.8;
    private static final double SHAPE = 3;

    private final Maps maps;
    private final Pyramid light;
    private final Pyramid level;
    private final Pyramid fine;
    private final Pyramid other;
    private final Pyramid area;
    private final Pyramid red;
    private final Pyramid blue;

    CloseUps(Maps maps) {
        this.maps = maps;
        float[] departs = new float[GlassFrame.PIXELS];
        float[] standing = new float[GlassFrame.PIXELS];
        float[] less = new float[GlassFrame.PIXELS];
        float[] regions = new float[GlassFrame.PIXELS];
        IntStream.range(0, departs.length).parallel().forEach(i -> {
            boolean beyond = GlassFrame.away(i) >= 1;
            departs[i] = beyond ? 0 : (float) ((maps.frame.light[i] - maps.expected[i]) / (Math.abs(maps.expected[i]) + Glances.DARK));
            standing[i] = (float) (maps.fine[i] / maps.fineScatter(i));
            less[i] = -standing[i];
            regions[i] = (float) (maps.area[i] / maps.areaScatter(i));
        });
        List<Pyramid> means = Stream.of(maps.frame.light, departs, regions, maps.redTint, maps.blueTint).parallel().map(Pyramid::means).toList();
        light = means.get(0);
        level = means.get(1);
        area = means.get(2);
        red = means.get(3);
        blue = means.get(4);
        Both<Pyramid, Pyramid> strongest = Both.of(() -> Pyramid.strongest(standing), () -> Pyramid.strongest(less));
        fine = strongest.one();
        other = strongest.other();
    }

    /// Tells of every candidate what it looks like close by; of the glass as a whole only how hazy it looks against the light: of what else it may be the measures say more.
    static void tell(Maps maps, List<Candidate> candidates) {
        CloseUps cut = new CloseUps(maps);
        if (maps.lighting == Lighting.AGAINST) {
            candidates.stream().filter(c -> c.sight() == Sight.WHOLE).forEach(glass -> {
                double hazy = CloseUpNet.ofWholes().look(List.of(cut.of(glass).lightAlone())).getFirst()[FindingKind.HAZE.ordinal()];
                glass.features().setLog(Feature.closeUp(FindingKind.HAZE), Math.max(Glances.LEAST, hazy));
            });
        }
        List<Candidate> things = candidates.stream().filter(c -> c.sight() != Sight.WHOLE).toList();
        List<double[]> chances = CloseUpNet.shipped(maps.lighting).look(things.parallelStream().map(cut::of).toList());
        for (int i = 0; i < chances.size(); i++) {
            Glances.tell(chances.get(i), Feature::closeUp, things.get(i).features());
        }
    }

    /// @param half of a side, pixels of the frame
    /// @param outX direction outward from the middle of the glass
    private record Window(double x, double y, double half, double outX, double outY) {
        static Window about(Candidate c) {
            int left = SIDE;
            int right = -1;
            int top = SIDE;
            int bottom = -1;
            for (int at : c.pixels()) {
                left = Math.min(left, at % SIDE);
                right = Math.max(right, at % SIDE);
                top = Math.min(top, at / SIDE);
                bottom = Math.max(bottom, at / SIDE);
            }
            boolean whole = c.sight() == Sight.WHOLE;
            double x = whole ? MIDDLE : (left + right) / 2.0;
            double y = whole ? MIDDLE : (top + bottom) / 2.0;
            double far = 0;
            for (int at : c.pixels()) {
                far = Math.max(far, Math.hypot(at % SIDE - x, at / SIDE - y));
            }
            double away = Math.hypot(x - MIDDLE, y - MIDDLE);
            boolean outward = away > NO_OUTWARD;
            return new Window(x, y, Math.clamp(ROOM * far, LEAST_HALF, MOST_HALF), outward ? (x - MIDDLE) / away : 0, outward ? (y - MIDDLE) / away : -1);
        }

        double radius() {
            return Math.hypot(x - MIDDLE, y - MIDDLE) / GlassFrame.RADIUS;
        }

        /// Pixels of the frame along the side of a cell.
        double step() {
            return 2 * half / CloseUp.SIDE;
        }
    }

    CloseUp of(Candidate c) {
        Window w = Window.about(c);
        CloseUp out = new CloseUp(c.sight(), maps.lighting, w.half / GlassFrame.RADIUS, w.radius());
        int[] covered = covered(c.pixels(), w);
        double step = w.step();
        int coarse = Pyramid.level(step);
        for (int cell = 0; cell < covered.length; cell++) {
            double right = (cell % CloseUp.SIDE + 0.5 - CloseUp.SIDE / 2.0) * step;
            double up = (CloseUp.SIDE / 2.0 - cell / CloseUp.SIDE - 0.5) * step;
            double x = w.x + up * w.outX - right * w.outY;
            double y = w.y + up * w.outY + right * w.outX;
            out.set(CloseUpTrait.LIGHT, cell, CloseUp.light(light.at(coarse, x, y)));
            out.set(CloseUpTrait.LEVEL, cell, Glances.squeezed(4.0 * level.at(coarse, x, y)));
            out.set(CloseUpTrait.FINE, cell, Glances.squeezed(fine.at(coarse, x, y) / 4));
            out.set(CloseUpTrait.OTHER, cell, Glances.squeezed(other.at(coarse, x, y) / 4));
            out.set(CloseUpTrait.AREA, cell, Glances.squeezed(area.at(coarse, x, y) / 3));
            out.set(CloseUpTrait.RED, cell, Glances.squeezed(red.at(coarse, x, y) / Glances.TINT));
            out.set(CloseUpTrait.BLUE, cell, Glances.squeezed(blue.at(coarse, x, y) / Glances.TINT));
            out.set(CloseUpTrait.SHAPE, cell, SHAPE * Math.min(1, covered[cell] / Math.max(1, COVERED * step * step)));
            out.set(CloseUpTrait.RADIUS, cell, 2 * Math.sqrt((x - MIDDLE) * (x - MIDDLE) + (y - MIDDLE) * (y - MIDDLE)) / GlassFrame.RADIUS);
        }
        return out;
    }

    /// Pixels of the thing in each cell.
    private static int[] covered(int[] pixels, Window w) {
        int[] out = new int[CloseUp.SIDE * CloseUp.SIDE];
        for (int at : pixels) {
            double dx = at % SIDE - w.x;
            double dy = at / SIDE - w.y;
            int i = (int) Math.floor((-dx * w.outY + dy * w.outX) / w.step() + CloseUp.SIDE / 2.0);
            int j = (int) Math.floor(-(dx * w.outX + dy * w.outY) / w.step() + CloseUp.SIDE / 2.0);
            if (i >= 0 && j >= 0 && i < CloseUp.SIDE && j < CloseUp.SIDE) {
                out[j * CloseUp.SIDE + i]++;
            }
        }
        return out;
    }

    /// A map of the frame at several sizes, each half as large as the one before.
    private record Pyramid(List<float[]> levels) {
        private static final int LEVELS = 5;

        static Pyramid means(float[] map) {
            return new Pyramid(halved(map, (a, b, c, d) -> (a + b + c + d) / 4));
        }

        static Pyramid strongest(float[] map) {
            return new Pyramid(halved(map, (a, b, c, d) -> Math.max(Math.max(a, b), Math.max(c, d))));
        }

        private interface Of4 {
            float of(float a, float b, float c, float d);
        }

        private static List<float[]> halved(float[] map, Of4 of) {
            List<float[]> out = new ArrayList<>(List.of(map));
            for (int l = 1; l < LEVELS; l++) {
                float[] from = out.get(l - 1);
                int side = SIDE >> l - 1;
                int half = side / 2;
                float[] to = new float[half * half];
                for (int k = 0; k < to.length; k++) {
                    int i = k / half * 2 * side + k % half * 2;
                    to[k] = of.of(from[i], from[i + 1], from[i + side], from[i + side + 1]);
                }
                out.add(to);
            }
            return List.copyOf(out);
        }

        /// The level whose pixels are about as large as a step.
        static int level(double step) {
            return (int) Math.clamp(Math.round(Math.log(step) / Math.log(2)), 0, LEVELS - 1);
        }

        /// Between pixels, at a place of the frame; beyond its border what lies on it.
        float at(int level, double x, double y) {
            int side = SIDE >> level;
            double u = Math.clamp((x + 0.5) / (1 << level) - 0.5, 0, side - 1.001);
            double v = Math.clamp((y + 0.5) / (1 << level) - 0.5, 0, side - 1.001);
            int i = (int) u;
            int j = (int) v;
            double fu = u - i;
            double fv = v - j;
            float[] a = levels.get(level);
            int k = j * side + i;
            return (float) ((a[k] * (1 - fu) + a[k + 1] * fu) * (1 - fv) + (a[k + side] * (1 - fu) + a[k + side + 1] * fu) * fv);
        }
    }
}
