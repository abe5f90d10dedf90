package stillglass.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.sim.truth.HiddenTruth;

class BenchTest {
    /// A turned glass moves the simulated infinity as the trace says, a right one not at all: near what the first-order focus against a film that stays moves by.
    @Test
    void aWrongAssemblyMovesInfinity() {
        LensSection lens = VirtualBenchTest.lens();
        HiddenTruth truth = new HiddenTruth(List.of(), 0.1);
        assertThat(Bench.assembled(truth, lens, List.of()).infinityErrorMm()).isEqualTo(0.1);
        double moved = Bench.assembled(truth, lens, List.of("gap:4:0.2")).infinityErrorMm() - 0.1;
        double each = Paraxial.of(lens).bfdPerGap()[3];
        // Before the iris a longer gap moves what lies before it away from the film, so that only the focus itself moves.
        assertThat(moved).isCloseTo(0.2 * each, within(0.25 * Math.abs(0.2 * each) + 0.02));
    }
}
