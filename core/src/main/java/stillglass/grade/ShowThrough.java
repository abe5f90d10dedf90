package stillglass.grade;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;

/// Follows the light of every picture point at every stop through a finding.
///
/// The beam of a picture point meets the finding's surface in a traced outline, cut off by every rim ([Footprints]); the
/// finding covers a share of it ([Cover]). What its kind blocks darkens the point, what it scatters veils it.
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
    /// @param surface index of the surface it was traced on
    /// @param effects over the stops, widest first
    /// @param shades the same point by point
    public record Shown(int surface, List<Effect> effects, Shades shades) {
        public Shown {
            effects = List.copyOf(effects);
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
        return new Shown(patch.surface(), IntStream.range(0, stops.size()).mapToObj(shades::effect).toList(), shades);
    }

    /// All points of the picture at one stop.
    private static void point(
            Footprints prints, Cover cover, int surface, int stop, double blocks, double scatters, float[] passes, float[] veils) {
        LensSection lens = prints.lens();
        double half = lens.imageCircleMm() / 2;
        // A 3 to 2 picture inscribed in the image circle.
        double halfWidth = half * 3 / Math.sqrt(13);
        double halfHeight = half * 2 / Math.sqrt(13);
        double[] outline = new double[2 * Footprints.CORNERS];
        Cover.Rows scratch = new Cover.Rows();
        for (int j = 0; j < Shades.GRID; j++) {
            for (int i = 0; i < Shades.GRID; i++) {
                // x runs to the right as seen from the front, so what the photographer has on the right comes from
                // the left here and travels towards +x; what is high travels down.
                double wx = Shades.place(i) * halfWidth / lens.nominalFocalLengthMm();
                double wy = -Shades.place(j) * halfHeight / lens.nominalFocalLengthMm();
                double share = prints.outline(surface, stop, wx, wy, outline)
                        ? share(cover, outline, scratch)
                        : 0;
                passes[j * Shades.GRID + i] = (float) (1 - blocks * share);
                veils[j * Shades.GRID + i] = (float) (scatters * share);
            }
        }
    }

    private static double share(Cover cover, double[] outline, Cover.Rows scratch) {
        double covered = cover.areaWithin(outline, Footprints.CORNERS, scratch);
        return covered == 0 ? 0 : Math.min(1, covered / area(outline));
    }

    private static double area(double[] p) {
        double twice = 0;
        for (int a = 0; a < Footprints.CORNERS; a++) {
            int b = a + 1 == Footprints.CORNERS ? 0 : a + 1;
            twice += p[2 * a] * p[2 * b + 1] - p[2 * b] * p[2 * a + 1];
        }
        return Math.max(1e-12, Math.abs(twice) / 2);
    }
}
