package stillglass.grade;

import java.util.List;
import stillglass.look.FindingKind;
import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.RayBundle;

/// What a veil costs in contrast, by where the light stands: a patch that is as bright as the mean of the scene keeps 1/(1 + V) of its contrast where V is the light thrown over it, as a share of that mean.
///
/// @param average loss in a scene that is on average as bright all round
/// @param lamp loss beside a lamp in the picture
/// @param sun loss under the sun outside the picture
public record Flare(double average, double lamp, double sun) {
    /// Between lamp and subject.
    public static final double LAMP_DEG = 5;
    /// Between sun and subject.
    public static final double SUN_DEG = 30;
    /// Sunlight over the luminance of what it lights, steradians: π over a reflectance of 0.18.
    private static final double SUN_SR = Math.PI / 0.18;
    private static final int ACROSS = 60;

    /// @param share scattered share of the light, mean over the picture
    /// @param reaches share of the sun's light that gets to the surface, see [#reaches]
    public static Flare of(double share, FindingKind kind, GradeRules rules, double reaches) {
        return new Flare(loss(share), loss(share * rules.againstLight(kind)), loss(share * SUN_SR * reaches * rules.optics(kind).lobe().per(Math.toRadians(SUN_DEG))));
    }

    /// Several one behind the other: what is kept is multiplied.
    public static Flare together(List<Flare> all) {
        double[] kept = {1, 1, 1};
        for (Flare f : all) {
            kept[0] *= 1 - f.average;
            kept[1] *= 1 - f.lamp;
            kept[2] *= 1 - f.sun;
        }
        return new Flare(1 - kept[0], 1 - kept[1], 1 - kept[2]);
    }

    /// @param thrown light over a patch, as a share of the mean of the scene
    static double loss(double thrown) {
        return thrown / (1 + thrown);
    }

    /// Share of the light of a sun outside the picture, of all that the front takes from the picture's middle, that gets as far as a surface: what lies deep in the barrel is shaded by it.
    public static double reaches(LensSection lens, int surface) {
        double slope = Math.tan(Math.toRadians(SUN_DEG));
        return Math.min(1, through(lens, surface, slope) / (double) Math.max(1, through(lens, surface, 0))) * Math.cos(Math.atan(slope));
    }

    private static int through(LensSection lens, int surface, double slope) {
        ExactTrace trace = new ExactTrace(lens, lens.wavelengthsNm().get(lens.wavelengthsNm().size() / 2));
        RayBundle rays = new RayBundle(ACROSS * ACROSS);
        double rim = lens.surfaces().getFirst().semiDiameterMm();
        double length = Math.hypot(1, slope);
        for (int j = 0; j < ACROSS; j++) {
            for (int i = 0; i < ACROSS; i++) {
                rays.launch(j * ACROSS + i, rim * (2 * (i + 0.5) / ACROSS - 1), 1.5 * rim * (2 * (j + 0.5) / ACROSS - 1), 0, slope / length);
            }
        }
        for (int s = 0; s <= surface; s++) {
            trace.next(s, rays);
        }
        int n = 0;
        for (int r = 0; r < rays.size(); r++) {
            n += rays.passes(r) ? 1 : 0;
        }
        return n;
    }
}
