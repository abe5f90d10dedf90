package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.look.Lighting;

/// An opening before a card, drawn as sharp or soft as is said.
class IrisEdgeTest {
    /// @param soft radii over which the light falls from that of the card to that of the blades
    private static IrisEdge.Found opening(double soft) {
        return IrisEdge.find(Glass.frame(Glass.photo(0.0004, 3, (x, y) -> 0.02 + 0.48 * Math.clamp(0.5 - (Math.hypot(x, y) - 0.5) / soft, 0, 1))), Lighting.BRIGHT).orElseThrow();
    }

    /// @return pixels along one ray that are left out about the edge
    private static long leftOut(IrisEdge.Found found) {
        long n = 0;
        for (int r = 0; r < GlassFrame.RADIUS; r++) {
            n += found.band().data[GlassFrame.at(r / (double) GlassFrame.RADIUS, 0)];
        }
        return n;
    }

    /// What is left out about an edge is three fifths of its softness to either side, the blur of three pixels besides, and never less than a sharp edge needs or more than a fifteenth of the radius.
    @ParameterizedTest
    @CsvSource({"0.002, 12, 18", "0.06, 22, 36", "0.09, 32, 50", "0.3, 44, 52"})
    void anEdgeIsLeftOutAsWideAsItIsSoft(double soft, int least, int most) {
        assertThat(leftOut(opening(soft))).isBetween((long) least, (long) most);
    }

    @Test
    void bladesLieBeyondTheEdgeAndTheCardWithin() {
        IrisEdge.Found found = opening(0.04);
        assertThat(found.blades().data[GlassFrame.at(0, 0.3)]).isZero();
        assertThat(found.blades().data[GlassFrame.at(0, 0.7)]).isEqualTo((byte) 1);
        assertThat(found.band().data[GlassFrame.at(0, 0.3)]).isZero();
        assertThat(found.band().data[GlassFrame.at(0, 0.7)]).isZero();
    }
}
