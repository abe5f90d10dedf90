package stillglass.benchmarks.look;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.alg.filter.binary.Contour;
import boofcv.alg.filter.blur.GBlurImageOps;
import boofcv.struct.ConnectRule;
import boofcv.struct.image.GrayF32;
import boofcv.struct.image.GrayS32;
import boofcv.struct.image.GrayU8;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;

/// What a plain threshold and connected components achieve: the rim and the lighting are given to it, kinds follow from size,
/// slenderness, place and colour of a component by fixed rules. Something to compare with, not used by the application.
final class Baseline {
    private static final double STANDS_OUT = 0.03;

    private Baseline() {}

    static Set<FindingKind> kinds(LinearPhoto photo, Aperture a, Lighting lighting) {
        int w = photo.width();
        int h = photo.height();
        GrayF32 light = new GrayF32(w, h);
        System.arraycopy(photo.luminance(), 0, light.data, 0, w * h);
        GrayF32 wide = GBlurImageOps.mean(light, null, (int) (a.meanRadius() / 6), null, null);
        GrayU8 found = new GrayU8(w, h);
        double inside = 0;
        int glass = 0;
        for (int i = 0; i < w * h; i++) {
            double u = a.unitRadius(i % w, i / w);
            if (u < 0.95) {
                double d = light.data[i] - wide.data[i];
                found.data[i] = (byte) ((lighting == Lighting.AGAINST ? d : -d) > STANDS_OUT ? 1 : 0);
                inside += light.data[i];
                glass++;
            }
        }
        Set<FindingKind> kinds = new TreeSet<>();
        if (lighting == Lighting.AGAINST && inside / Math.max(1, glass) > 0.06) {
            kinds.add(FindingKind.HAZE);
        }
        GrayS32 labels = new GrayS32(w, h);
        List<Contour> contours = BinaryImageOps.contour(found, ConnectRule.EIGHT, labels);
        int[] size = new int[contours.size() + 1];
        for (int l : labels.data) {
            size[l]++;
        }
        int specks = 0;
        int lines = 0;
        for (int k = 1; k < size.length; k++) {
            double share = size[k] / a.areaPx();
            double slender = contours.get(k - 1).external.size() / Math.sqrt(size[k]);
            if (size[k] < 4) {
                continue;
            }
            if (share < 4e-4 && slender < 8) {
                specks++;
            } else if (slender > 14) {
                lines++;
                kinds.add(share > 0.004 ? FindingKind.FUNGUS : FindingKind.SCRATCH);
            } else if (share > 0.01) {
                var p = contours.get(k - 1).external.getFirst();
                kinds.add(a.unitRadius(p.x, p.y) > 0.8 ? FindingKind.SEPARATION : FindingKind.OIL);
            }
        }
        if (specks > 12) {
            kinds.add(FindingKind.DUST);
        }
        if (lines > 25) {
            kinds.add(FindingKind.CLEANING_MARKS);
        }
        return kinds;
    }
}
