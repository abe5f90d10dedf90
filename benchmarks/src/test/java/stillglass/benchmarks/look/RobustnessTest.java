package stillglass.benchmarks.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import stillglass.look.LinearPhoto;

class RobustnessTest {
    private static final Map<String, UnaryOperator<BufferedImage>> CHANGES = Robustness.changes();

    /// A grey ramp with a white mark at the upper left.
    private static BufferedImage picture() {
        BufferedImage p = new BufferedImage(400, 300, BufferedImage.TYPE_3BYTE_BGR);
        for (int y = 0; y < 300; y++) {
            for (int x = 0; x < 400; x++) {
                int g = 40 + x / 4;
                p.setRGB(x, y, x > 40 && x < 80 && y > 30 && y < 60 ? 0xFFFFFF : g << 16 | g << 8 | g);
            }
        }
        return p;
    }

    private static BufferedImage changed(String how) {
        return CHANGES.get(how).apply(picture());
    }

    private static int level(BufferedImage p, int x, int y) {
        return p.getRGB(x, y) >> 8 & 255;
    }

    @Test
    void aStopMoreIsTwiceTheLinearLight() {
        double before = LinearPhoto.linear(level(picture(), 100, 200) / 255.0);

        assertThat((double) LinearPhoto.linear(level(changed("+1 EV"), 100, 200) / 255.0)).isCloseTo(2 * before, within(0.002));
        assertThat((double) LinearPhoto.linear(level(changed("-1 EV"), 100, 200) / 255.0)).isCloseTo(before / 2.0, within(0.002));
        assertThat(level(changed("+1 EV"), 60, 45)).as("white clips").isEqualTo(255);
    }

    @Test
    void aQuarterTurnTakesUpperLeftToUpperRight() {
        BufferedImage turned = changed("turned by 90°");

        assertThat(turned.getWidth()).isEqualTo(300);
        assertThat(turned.getHeight()).isEqualTo(400);
        assertThat(level(turned, 300 - 45, 60)).isGreaterThan(250);
        assertThat(level(turned, 45, 60)).isLessThan(160);
    }

    @Test
    void aSmallTurnLeavesNoEmptyCorner() {
        BufferedImage turned = changed("turned by 7°");

        assertThat(level(turned, 0, 0)).isGreaterThan(20);
        assertThat(level(turned, 399, 299)).isGreaterThan(20);
    }

    @Test
    void sizesFollowScaleAndCut() {
        assertThat(changed("three quarters the size").getWidth()).isEqualTo(300);
        BufferedImage cut = changed("5 % cut off");
        assertThat(cut.getWidth()).isEqualTo(380);
        assertThat(cut.getHeight()).isEqualTo(285);
        assertThat(level(cut, 50, 38)).as("the mark moved by what was cut").isGreaterThan(250);
    }

    @Test
    void blurAndCompressionKeepTheMeanAndSoftenTheMark() {
        BufferedImage soft = changed("blurred by one pixel");

        assertThat(level(soft, 41, 45)).isLessThan(255).isGreaterThan(level(picture(), 40, 45));
        assertThat(level(soft, 200, 200)).isCloseTo(level(picture(), 200, 200), within(1));
        assertThat(level(changed("JPEG 70"), 200, 200)).isCloseTo(level(picture(), 200, 200), within(6));
    }
}
