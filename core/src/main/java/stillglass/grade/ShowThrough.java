package stillglass.grade;

import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.optics.Footprints;

/// Follows the light of every picture point at every stop through a finding.
///
/// The beam of a picture point meets the finding's surface in a traced outline, cut off by every rim ([Footprints]); the
/// finding covers a share of its light ([Cover]). What its kind blocks darkens the point, what it scatters veils it.
/// Derivation and limits: docs/methods/show-through.md.
public final class ShowThrough {
    private ShowThrough() {}

    /// Effect at one stop.
    /// @param stop f-number
    /// @param lightLost share of light blocked, mean over the picture
    /// @param deepestShadow largest local darkening against the median of the picture
    /// @param shadowX where in the picture, -1 left to 1 right, as the picture is seen upright
    /// @param shadowY where in the picture, -1 bottom to 1 top
    /// @param veil share of light scattered over the picture, mean
    public record Effect(
            double stop, double lightLost, double deepestShadow, double shadowX, double shadowY, double veil) {}

    /// What one finding does.
    /// @param kind what was traced
    /// @param surface index of the surface it was traced on
    /// @param effects over the stops, widest first
    /// @param shades the same point by point
    /// @param streaks of single scratches; none where light is thrown all round
    public record Shown(FindingKind kind, int surface, List<Effect> effects, Shades shades, List<Streak> streaks) {
        public Shown {
            effects = List.copyOf(effects);
            streaks = List.copyOf(streaks);
        }
    }

    /// @param prints traced beams of the lens
    /// @param patch the finding on its surface
    /// @param rules how its kind treats light
    /// @return one effect per stop of the lens
    public static Shown of(Footprints prints, Patch patch, GradeRules rules, Progress progress) {
        GradeRules.Optics optics = rules.optics(patch.kind());
        boolean haze = patch.kind() == FindingKind.HAZE;
        double blocks = haze ? 0 : optics.blocks() * patch.coverage();
        double scatters = haze ? Math.min(1, patch.contrast() * optics.scatters()) : optics.scatters() * patch.coverage();
        Cover cover = Cover.of(patch.outlines());
        List<Double> stops = prints.stops();
        float[][] passes = new float[stops.size()][Shades.GRID * Shades.GRID];
        float[][] veils = new float[stops.size()][Shades.GRID * Shades.GRID];
        AtomicInteger done = new AtomicInteger();
        IntStream.range(0, stops.size()).parallel().forEach(j -> {
            progress.at(done.getAndIncrement() / (double) stops.size(), "f/" + Grader.stop(stops.get(j)));
            point(prints, cover, patch.surface(), j, blocks, scatters, passes[j], veils[j]);
        });
        Shades shades = new Shades(stops, passes, veils);
        return new Shown(patch.kind(), patch.surface(), IntStream.range(0, stops.size()).mapToObj(shades::effect).toList(), shades, Streak.of(patch));
    }

    /// Share of the light of one picture point that is stopped.
    /// @param stop index into the stops of the lens
    /// @param fieldX where in the picture as it is seen upright, shares of half the image circle, to the right
    /// @param fieldY upwards
    /// @return nothing where no light of that point gets through
    public static OptionalDouble lost(Footprints prints, Patch patch, GradeRules rules, int stop, double fieldX, double fieldY) {
        double half = prints.lens().imageCircleMm() / 2;
        double[] outline = new double[2 * Footprints.CORNERS];
        double[] density = new double[Footprints.DENSITY];
        if (!prints.beam(patch.surface(), stop, prints.slope(fieldX * half), -prints.slope(fieldY * half), outline, density)) {
            return OptionalDouble.empty();
        }
        double blocks = patch.kind() == FindingKind.HAZE ? 0 : rules.optics(patch.kind()).blocks() * patch.coverage();
        return OptionalDouble.of(blocks * share(Cover.of(patch.outlines()), outline, density, new Cover.Rows()));
    }

    /// All points of the picture at one stop.
    private static void point(
            Footprints prints, Cover cover, int surface, int stop, double blocks, double scatters, float[] passes, float[] veils) {
        double halfWidth = prints.picture().widthMm() / 2;
        double halfHeight = prints.picture().heightMm() / 2;
        double[] outline = new double[2 * Footprints.CORNERS];
        double[] density = new double[Footprints.DENSITY];
        Cover.Rows scratch = new Cover.Rows();
        for (int j = 0; j < Shades.GRID; j++) {
            for (int i = 0; i < Shades.GRID; i++) {
                // x runs to the right as seen from the front, so what the photographer has on the right comes from
                // the left here and travels towards +x; what is high travels down.
                double wx = prints.slope(Shades.place(i) * halfWidth);
                double wy = -prints.slope(Shades.place(j) * halfHeight);
                double share = prints.beam(surface, stop, wx, wy, outline, density)
                        ? share(cover, outline, density, scratch)
                        : 0;
                passes[j * Shades.GRID + i] = (float) (1 - blocks * share);
                veils[j * Shades.GRID + i] = (float) (scatters * share);
            }
        }
    }

    /// Of the light of the beam, not of its area on the surface: off the axis and wide open they differ.
    private static double share(Cover cover, double[] outline, double[] density, Cover.Rows scratch) {
        double covered = cover.lightWithin(outline, Footprints.CORNERS, density, scratch);
        return covered <= 0 ? 0 : Math.min(1, covered / light(outline, density));
    }

    /// All light of a beam: the density over its outline, by Green's theorem edge by edge.
    static double light(double[] p, double[] density) {
        double sum = 0;
        for (int a = 0; a < Footprints.CORNERS; a++) {
            int b = a + 1 == Footprints.CORNERS ? 0 : a + 1;
            double x0 = p[2 * a];
            double y0 = p[2 * a + 1];
            double x1 = p[2 * b];
            double y1 = p[2 * b + 1];
            double cross = x0 * y1 - x1 * y0;
            sum += cross * (density[0] / 2 + (density[1] * (x0 + x1) + density[2] * (y0 + y1)) / 6
                    + (density[3] * (x0 * x0 + x0 * x1 + x1 * x1) + density[5] * (y0 * y0 + y0 * y1 + y1 * y1)) / 12
                    + density[4] * (2 * x0 * y0 + x0 * y1 + x1 * y0 + 2 * x1 * y1) / 24);
        }
        return Math.max(1e-12, Math.abs(sum));
    }
}
