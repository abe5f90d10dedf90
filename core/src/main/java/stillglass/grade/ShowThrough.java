package stillglass.grade;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.AffineTransformation;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;

/// Traces the light of every picture point at every stop through a finding.
///
/// First-order beams: a ray with iris coordinate `p` and field slope `w` meets surface k at `a·p + b·w`. Every clear
/// rim is therefore a disc in the iris plane, the beam that forms a picture point is the intersection of those discs,
/// and the finding, carried back to the iris plane, covers a share of it. Derivation: docs/methods/show-through.md.
/// Differs: first-order heights instead of traced rays, which at the rim of fast lenses are a few percent off.
public final class ShowThrough {
    /// Picture points along the long side; half as many steps on either side of the axis.
    private static final int GRID = 9;

    private ShowThrough() {}

    /// Effect of one finding at one stop.
    /// @param stop f-number
    /// @param lightLost share of light blocked, mean over the picture
    /// @param deepestShadow largest local darkening against the median of the picture
    /// @param shadowX where in the picture, -1 left to 1 right, as the picture is seen upright
    /// @param shadowY where in the picture, -1 bottom to 1 top
    /// @param veil share of light scattered over the picture, mean
    public record Effect(
            double stop, double lightLost, double deepestShadow, double shadowX, double shadowY, double veil) {}

    /// Effects over the stops, widest first.
    public record Shown(int surface, List<Effect> effects) {
        public Shown {
            effects = List.copyOf(effects);
        }
    }

    /// @param patch the finding on its surface
    /// @param rules how its kind treats light
    /// @return one effect per stop of the lens
    public static Shown of(LensSection lens, Patch patch, GradeRules rules, Progress progress) {
        Paraxial.BeamMap map = Paraxial.of(lens).beamMap();
        double a = map.perIris()[patch.surface()];
        double b = map.perSlope()[patch.surface()];
        GradeRules.Optics optics = rules.optics(patch.kind());
        double blocks = patch.kind() == FindingKind.HAZE ? 0 : optics.blocks() * patch.coverage();
        double scatters = patch.kind() == FindingKind.HAZE
                ? Math.min(1, patch.contrast() * optics.scatters())
                : optics.scatters() * patch.coverage();
        double fullIris = lens.surfaces().get(lens.stopIndex()).semiDiameterMm();
        List<Effect> effects = new ArrayList<>();
        List<Double> stops = lens.stops();
        for (double stop : stops) {
            progress.at(effects.size() / (double) stops.size(), "f/" + stop);
            effects.add(effect(lens, map, patch, a, b, fullIris * lens.fNumber() / stop, stop, blocks, scatters));
        }
        return new Shown(patch.surface(), effects);
    }

    private static Effect effect(
            LensSection lens, Paraxial.BeamMap map, Patch patch, double a, double b, double irisMm, double stop,
            double blocks, double scatters) {
        double half = lens.imageCircleMm() / 2;
        // A 3 to 2 picture inscribed in the image circle.
        double halfWidth = half * 3 / Math.sqrt(13);
        double halfHeight = half * 2 / Math.sqrt(13);
        double[] covered = new double[GRID * GRID];
        double mean = 0;
        for (int j = 0; j < GRID; j++) {
            for (int i = 0; i < GRID; i++) {
                double px = 2.0 * i / (GRID - 1) - 1;
                double py = 2.0 * j / (GRID - 1) - 1;
                // x runs to the right as seen from the front, so what the photographer has on the right comes from
                // the left here and travels towards +x; what is high travels down.
                double wx = px * halfWidth / lens.nominalFocalLengthMm();
                double wy = -py * halfHeight / lens.nominalFocalLengthMm();
                covered[j * GRID + i] = coveredShare(lens, map, patch, a, b, irisMm, wx, wy);
                mean += covered[j * GRID + i] / covered.length;
            }
        }
        double[] sorted = covered.clone();
        java.util.Arrays.sort(sorted);
        double median = sorted[sorted.length / 2];
        int deepest = 0;
        for (int k = 1; k < covered.length; k++) {
            deepest = covered[k] > covered[deepest] ? k : deepest;
        }
        double shadow = blocks * (covered[deepest] - median) / Math.max(1e-9, 1 - blocks * median);
        return new Effect(stop, blocks * mean, shadow, 2.0 * (deepest % GRID) / (GRID - 1) - 1,
                2.0 * (deepest / GRID) / (GRID - 1) - 1, scatters * mean);
    }

    private static double coveredShare(
            LensSection lens, Paraxial.BeamMap map, Patch patch, double a, double b, double irisMm, double wx, double wy) {
        Geometry beam = Patch.disc(0, 0, irisMm);
        for (int k = 0; k < lens.surfaces().size(); k++) {
            double ak = map.perIris()[k];
            double x = -map.perSlope()[k] * wx / ak;
            double y = -map.perSlope()[k] * wy / ak;
            double r = lens.surfaces().get(k).semiDiameterMm() / Math.abs(ak);
            if (Math.hypot(x, y) + irisMm > r) {
                beam = beam.intersection(Patch.disc(x, y, r));
            }
        }
        double area = beam.getArea();
        if (!(area > 0)) {
            return 0;
        }
        AffineTransformation toIris = new AffineTransformation(1 / a, 0, -b * wx / a, 0, 1 / a, -b * wy / a);
        double covered = 0;
        for (Geometry outline : patch.outlines()) {
            Geometry moved = toIris.transform(outline);
            if (beam.getEnvelopeInternal().intersects(moved.getEnvelopeInternal())) {
                covered += beam.covers(moved) ? moved.getArea() : beam.intersection(moved).getArea();
            }
        }
        return Math.min(1, covered / area);
    }
}
