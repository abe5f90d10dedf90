package stillglass.sim.photo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import stillglass.look.Aperture;

/// What a drawn mount says of its rim, against its own picture.
class DrawnMountTest {
    /// What a picture shows: light just within and just without the rim, and of the lightest ring of the mount.
    private record Shown(double within, double without, double lightest) {
        static Shown of(DrawnMount m) {
            float[] light = m.photo().luminance();
            return new Shown((along(m, light, 0.98) + along(m, light, 0.985) + along(m, light, 0.99)) / 3, (along(m, light, 1.005) + along(m, light, 1.008) + along(m, light, 1.011)) / 3,
                    IntStream.range(0, 40).mapToDouble(i -> along(m, light, 1.02 + 0.01 * i)).filter(v -> !Double.isNaN(v)).max().orElse(0));
        }
    }

    private static final List<Shown> MOUNTS = LongStream.range(0, 120).mapToObj(DrawnMount::of).map(Shown::of).toList();

    /// Middle of the light along a ring about the rim's centre, not a number where most of it lies outside the photo.
    private static double along(DrawnMount m, float[] light, double u) {
        Aperture a = m.rim();
        double[] v = IntStream.range(0, 360).mapToDouble(k -> {
            int x = (int) Math.round(a.pixelX(u * Math.cos(Math.toRadians(k)), u * Math.sin(Math.toRadians(k))));
            int y = (int) Math.round(a.pixelY(u * Math.cos(Math.toRadians(k)), u * Math.sin(Math.toRadians(k))));
            boolean in = x >= 0 && y >= 0 && x < m.photo().width() && y < m.photo().height();
            return in ? light[y * m.photo().width() + x] : Double.NaN;
        }).filter(d -> !Double.isNaN(d)).sorted().toArray();
        return v.length < 180 ? Double.NaN : v[v.length / 2];
    }

    @Test
    void theGlassEndsAtItsRimInTheDark() {
        assertThat(MOUNTS.subList(0, 60)).allSatisfy(m -> {
            assertThat(m.without).isLessThan(0.87 * m.within);
            assertThat(m.without).isLessThan(0.015);
        });
    }

    @Test
    void aMountIsDrawnAgainAsItWas() {
        assertThat(Arrays.equals(DrawnMount.of(7).photo().luminance(), DrawnMount.of(7).photo().luminance())).isTrue();
        assertThat(DrawnMount.of(7).rim()).isEqualTo(DrawnMount.of(7).rim()).isNotEqualTo(DrawnMount.of(8).rim());
    }

    /// Some have a mount that is lit all the way round, some nothing but the dark or one bright arc.
    @Test
    void mountsAreOfManySorts() {
        long lit = MOUNTS.stream().filter(m -> m.lightest > 0.03).count();
        assertThat(lit).isBetween(40L, 105L);
    }
}
