package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boofcv.struct.image.GrayU8;
import java.util.function.DoubleBinaryOperator;
import java.util.function.ToDoubleBiFunction;
import org.junit.jupiter.api.Test;
import stillglass.look.Lighting;

/// Patches of known size, drawn here, of which only a part was found.
class PatchExtentTest {
    private static final double CARD = 0.5;
    private static final double R = 0.2;

    private static double share(GrayU8 found) {
        int n = 0;
        for (byte b : found.data) {
            n += b;
        }
        return n / (Math.PI * GlassFrame.RADIUS * GlassFrame.RADIUS);
    }

    private static GrayU8 found(DoubleBinaryOperator where) {
        GrayU8 out = new GrayU8(GlassFrame.SIDE, GlassFrame.SIDE);
        for (int at = 0; at < out.data.length; at++) {
            out.data[at] = (byte) (where.applyAsDouble(GlassFrame.x(at), GlassFrame.y(at)) > 0 ? 1 : 0);
        }
        return out;
    }

    private static double followed(ToDoubleBiFunction<Double, Double> light, GrayU8 part) {
        new PatchExtent(Glass.maps(Glass.photo(0.002, 3, light), Lighting.BRIGHT)).follow(part);
        return share(part);
    }

    /// A pool at (0.2, 0.1).
    private static double away(double x, double y) {
        return Math.hypot(x - 0.2, y - 0.1);
    }

    @Test
    void aPoolOfWhichACrumbWasFoundIsFollowedToItsBorder() {
        double share = followed((x, y) -> CARD - 0.05 * Glass.disc(x, y, 0.2, 0.1, R), found((x, y) -> Math.hypot(x - 0.25, y - 0.15) < 0.08 ? 1 : 0));
        assertThat(share).isCloseTo(R * R, within(0.12 * R * R));
    }

    @Test
    void whatABorderEnclosesIsPartOfIt() {
        double share = followed((x, y) -> CARD - (Math.abs(away(x, y) - R) < 0.02 ? 0.1 : 0), found((x, y) -> Math.abs(away(x, y) - R) < 0.02 ? 1 : 0));
        assertThat(share).isCloseTo((R + 0.02) * (R + 0.02), within(0.1 * R * R));
    }

    /// All of the glass lies within a separation that runs round its rim.
    @Test
    void theGlassWithinARingAlongItsRimIsNot() {
        ToDoubleBiFunction<Double, Double> rim = (x, y) -> CARD - (Math.hypot(x, y) > 0.85 ? 0.1 : 0);
        double share = followed(rim, found((x, y) -> Math.hypot(x, y) > 0.86 && Math.hypot(x, y) < 0.95 ? 1 : 0));
        assertThat(share).isLessThan(1 - 0.8 * 0.8);
    }

    /// A patch that is half as strong beside it is another one, and one that lies apart stays unfound.
    @Test
    void itEndsWhereItIsHalfAsStrong() {
        ToDoubleBiFunction<Double, Double> two = (x, y) -> CARD - 0.08 * Glass.disc(x, y, 0.2, 0.1, R) - (x < 0.1 && x > -0.5 && Math.abs(y) < 0.3 ? 0.02 : 0) - 0.08 * Glass.disc(x, y, -0.4, -0.6, 0.15);
        assertThat(followed(two, found((x, y) -> away(x, y) < 0.12 ? 1 : 0))).isCloseTo(R * R, within(0.2 * R * R));
    }

    /// A crumb by which most of a glass would be taken has run out into something else, and is left as it was.
    @Test
    void whatRunsOutIsLeftAsItWas() {
        GrayU8 crumb = found((x, y) -> Math.hypot(x, y + 0.1) < 0.05 ? 1 : 0);
        double before = share(crumb);
        assertThat(followed((x, y) -> CARD - (Math.abs(y + 0.1) < 0.15 && Math.abs(x) < 0.6 ? 0.08 : 0), crumb)).isEqualTo(before);
    }

    /// Red gains as much of the light as blue loses.
    @Test
    void aColouredPatchIsFollowedByItsColour() {
        GrayU8 part = found((x, y) -> away(x, y) < 0.1 ? 1 : 0);
        ToDoubleBiFunction<Double, Double> card = (x, y) -> CARD;
        new PatchExtent(Glass.maps(Glass.photo(0.002, 3, (x, y) -> CARD * (1 + 0.17 * Glass.disc(x, y, 0.2, 0.1, R)), card, (x, y) -> CARD * (1 - 0.5 * Glass.disc(x, y, 0.2, 0.1, R))), Lighting.BRIGHT)).follow(part);
        assertThat(share(part)).isCloseTo(R * R, within(0.15 * R * R));
    }
}
