package stillglass.benchmarks.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.look.Aperture;

/// A disc of so many levels in another grey: what changes by three or more shows, lighter or darker, all round or on one side.
class RimShowsTest {
    private static final Aperture RIM = new Aperture(200, 150, 100, 100, 0);

    @ParameterizedTest
    @CsvSource({"20, 20, 1, false", "20, 22, 1, false", "20, 24, 1, true", "90, 40, 1, true", "90, 40, 0.3, false"})
    void aRimShowsWhereLightChangesOverIt(int within, int without, double share, boolean shows) {
        BufferedImage picture = new BufferedImage(400, 300, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 300; y++) {
            for (int x = 0; x < 400; x++) {
                boolean other = Math.hypot(x - 200, y - 150) > 100 && (Math.atan2(y - 150, x - 200) + Math.PI) / (2 * Math.PI) < share;
                int v = other ? without : within;
                picture.setRGB(x, y, v << 16 | v << 8 | v);
            }
        }
        assertThat(RimShows.on(picture, RIM)).isEqualTo(shows);
    }
}
