package stillglass.optics;

import java.util.ArrayList;
import java.util.List;

/// The reflections of a lamp in the faces of a closed lens, as a camera on the axis sees them: each face mirrors the lamp once, through the glass before it.
///
/// First order, folded at the face: on the way in and out a face has the power (n′ − n)/R, as a mirror −2n/R (Welford 1986, section 3.5). The ray from the lamp that ends in the camera is found from the matrix of
/// the whole way; where it leaves the lens it is seen. Good to some hundredths of the rim radius while lamp and camera stay near the axis.
public final class Glints {
    private static final double MOST_MM = 1e4;

    private Glints() {}

    /// Where lamp and camera stand.
    /// @param lampMm distance of the lamp before the first vertex
    /// @param asideMm of the lamp from the axis
    /// @param cameraMm distance of the camera's entrance pupil, on the axis
    public record Stand(double lampMm, double asideMm, double cameraMm) {
        public Stand {
            if (!possible(lampMm, asideMm, cameraMm)) {
                throw new IllegalArgumentException("a lamp " + lampMm + " mm before the lens and " + asideMm + " mm aside, a camera at " + cameraMm + " mm: give distances in millimetres, the lamp off the axis");
            }
        }

        /// Whether lamp and camera can stand so: above 0 and under ten metres.
        public static boolean possible(double lampMm, double asideMm, double cameraMm) {
            return lampMm > 0 && lampMm < MOST_MM && asideMm > 0 && asideMm < MOST_MM && cameraMm > 0 && cameraMm < MOST_MM;
        }
    }

    /// @param surface that mirrors
    /// @param share where it is seen, in rim radii of the first glass, positive towards the lamp
    /// @param size of the lamp's image against a lamp of the rim's size there
    /// @param light share of the light that is sent back, uncoated
    public record Glint(int surface, double share, double size, double light) {}

    /// @param lens seen from the front; turned round for a look from behind
    /// @return those that get through every rim, front to rear
    public static List<Glint> of(LensSection lens, Stand stand) {
        List<Glint> out = new ArrayList<>();
        for (int s : lens.faces()) {
            double[] in = {1, 0, 0, 1};
            List<double[]> way = new ArrayList<>();
            double light = 1;
            for (int i = 0; i <= s; i++) {
                way.add(in);
                double n = index(lens.before(i));
                double after = index(lens.surfaces().get(i).after());
                double back = Math.pow((n - after) / (n + after), 2);
                if (i == s) {
                    in = power(in, -2 * n * lens.surfaces().get(i).curvature());
                    light *= back;
                } else {
                    in = on(power(in, (after - n) * lens.surfaces().get(i).curvature()), lens.surfaces().get(i).thicknessMm() / after);
                    light *= (1 - back) * (1 - back);
                }
            }
            double[] all = in;
            List<double[]> home = new ArrayList<>();
            for (int i = s - 1; i >= 0; i--) {
                double n = index(lens.before(i));
                double after = index(lens.surfaces().get(i).after());
                all = on(all, lens.surfaces().get(i).thicknessMm() / after);
                home.add(all);
                all = power(all, (after - n) * lens.surfaces().get(i).curvature());
            }
            // y = a·y₀ + b·u₀ and u = c·y₀ + d·u₀ where it leaves; y₀ = h + L·u₀, and at the camera y + D·u = 0.
            double through = all[0] + stand.cameraMm * all[2];
            double slope = -through * stand.asideMm / (through * stand.lampMm + all[1] + stand.cameraMm * all[3]);
            double first = stand.asideMm + stand.lampMm * slope;
            double seen = all[0] * first + all[1] * slope;
            double rim = lens.surfaces().getFirst().semiDiameterMm();
            boolean passes = Math.abs(seen) <= rim;
            for (int i = 0; i <= s; i++) {
                passes &= Math.abs(way.get(i)[0] * first + way.get(i)[1] * slope) <= lens.surfaces().get(i).semiDiameterMm();
            }
            for (int i = 0; i < home.size(); i++) {
                passes &= Math.abs(home.get(i)[0] * first + home.get(i)[1] * slope) <= lens.surfaces().get(s - 1 - i).semiDiameterMm();
            }
            if (passes && light > 1e-7) {
                out.add(new Glint(s, seen / rim, Math.abs(seen / stand.asideMm), light));
            }
        }
        return out;
    }

    private static double index(Medium m) {
        return m.index(Medium.D_LINE_NM);
    }

    /// A matrix for height and slope times index, then a face of a power.
    private static double[] power(double[] m, double power) {
        return new double[] {m[0], m[1], m[2] - power * m[0], m[3] - power * m[1]};
    }

    /// The same, then a way of a reduced length.
    private static double[] on(double[] m, double reducedMm) {
        return new double[] {m[0] + reducedMm * m[2], m[1] + reducedMm * m[3], m[2], m[3]};
    }
}
