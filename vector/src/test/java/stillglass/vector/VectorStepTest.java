package stillglass.vector;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.RayBundle;
import stillglass.optics.SphereStep;
import stillglass.optics.Surface;

class VectorStepTest {
    private static final int SURFACES = 8;

    private static Surface surface(Random r, boolean stop) {
        double radius = stop || r.nextInt(6) == 0 ? Double.POSITIVE_INFINITY : (r.nextBoolean() ? 1 : -1) * (12 + 60 * r.nextDouble());
        Medium after = stop || r.nextInt(2) == 0 ? new Medium.Air() : new Medium.Glass(1.45 + 0.5 * r.nextDouble(), 50, "");
        return new Surface(radius, 1 + 6 * r.nextDouble(), after, 9, stop);
    }

    private static LensSection lens(Random r) {
        List<Surface> all = new java.util.ArrayList<>();
        for (int i = 0; i < SURFACES; i++) {
            all.add(surface(r, i == 3));
        }
        return new LensSection("any", "", 50, 4, 40, List.of(587.6), all, List.of(), new LensSection.Focusing("unit", List.of()));
    }

    /// Wide and steep rays, so that some miss and some are totally reflected, and numbers of rays that fill no block.
    private static RayBundle rays(Random r) {
        RayBundle rays = new RayBundle(1 + r.nextInt(40));
        for (int i = 0; i < rays.size(); i++) {
            rays.launch(i, 30 * r.nextDouble() - 15, 30 * r.nextDouble() - 15, 0.9 * r.nextDouble() - 0.45, 0.9 * r.nextDouble() - 0.45);
        }
        return rays;
    }

    @Test
    void notABitDiffersFromTracingRayByRay() {
        int missed = 0;
        int reflected = 0;
        for (int seed = 0; seed < 400; seed++) {
            LensSection lens = lens(new Random(seed));
            RayBundle plain = rays(new Random(-seed));
            RayBundle several = rays(new Random(-seed));
            new ExactTrace(lens, 587.6, SphereStep.plain()).through(plain);
            new ExactTrace(lens, 587.6, new VectorStep()).through(several);
            RayBundle.Lanes a = plain.lanes();
            RayBundle.Lanes b = several.lanes();
            assertThat(List.of(b.x(), b.y(), b.z(), b.l(), b.m(), b.n(), b.pathMm(), b.clip())).usingElementComparator(java.util.Arrays::compare)
                    .as("lens %d", seed).containsExactly(a.x(), a.y(), a.z(), a.l(), a.m(), a.n(), a.pathMm(), a.clip());
            assertThat(b.fate()).containsExactly(a.fate());
            for (byte f : a.fate()) {
                missed += f == RayBundle.MISSED ? 1 : 0;
                reflected += f == RayBundle.REFLECTED ? 1 : 0;
            }
        }
        assertThat(missed).as("rays that missed").isGreaterThan(500);
        assertThat(reflected).as("rays that were reflected").isGreaterThan(100);
    }

    @Test
    void itIsTakenWhereTheMachineHasIt() {
        assertThat(SphereStep.quickest()).isInstanceOf(VectorStep.class);
    }
}
