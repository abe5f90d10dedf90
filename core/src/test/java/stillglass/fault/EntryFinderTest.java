package stillglass.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import stillglass.say.Wording;

class EntryFinderTest {
    private static final Optional<EntryFinder.Thread> OUTER = Optional.of(new EntryFinder.Thread(12, 6, true));
    private static final Optional<EntryFinder.Thread> INNER = Optional.of(new EntryFinder.Thread(4.5, 4, false));

    /// By turning threads in the hand: the ring goes k places on and the block with it, then the block in the ring.
    private static double byHand(int k1, int k2, int j, int slots) {
        double ring = -12.0 * k1 / 6;
        double block = 4.5 * k2 / 4 - 4.5 * j / slots;
        ring -= 12 * Math.rint(ring / 12);
        block -= 4.5 * Math.rint(block / 4.5);
        return ring + block;
    }

    @Test
    void everyEntryHasItsError() {
        EntryFinder f = EntryFinder.of(OUTER, INNER, 3, OptionalDouble.empty(), 1);
        assertThat(f.entries()).hasSize(6 * 4 * 3);
        for (EntryFinder.Entry e : f.entries()) {
            double off = e.errorMm() - byHand(e.outer(), e.inner(), e.key(), 3);
            // Half a lead either way is the same place.
            assertThat(Math.min(Math.abs(off), Math.min(Math.abs(Math.abs(off) - 12), Math.abs(Math.abs(off) - 4.5)))).as("%s", e).isLessThan(1e-9);
        }
        assertThat(f.entries().stream().mapToDouble(EntryFinder.Entry::probability).sum()).isCloseTo(1, within(1e-12));
    }

    @Test
    void theEntryIsFoundFromTheErrorOfInfinity() {
        Random random = new Random(5);
        int found = 0;
        EntryFinder all = EntryFinder.of(OUTER, INNER, 1, OptionalDouble.empty(), 1);
        for (EntryFinder.Entry truth : all.entries()) {
            double measured = truth.errorMm() + 0.02 * random.nextGaussian();
            EntryFinder.Entry first = EntryFinder.of(OUTER, INNER, 1, OptionalDouble.of(measured), 0.02).entries().getFirst();
            found += first.outer() == truth.outer() && first.inner() == truth.inner() ? 1 : 0;
        }
        assertThat(found).isEqualTo(24);
    }

    @Test
    void whatToDoIsSaidInHoursOnTheDial() {
        EntryFinder.Entry e = EntryFinder.of(OUTER, INNER, 1, OptionalDouble.of(2), 0.02).entries().getFirst();
        assertThat(e.outer()).isEqualTo(5);
        assertThat(Wording.core().say(e.say(OUTER, INNER, 1))).contains("one entry clockwise").contains("2.0 hours").doesNotContain("block");
        assertThat(Wording.core().say(EntryFinder.of(OUTER, INNER, 1, OptionalDouble.of(0), 0.02).entries().getFirst().say(OUTER, INNER, 1))).contains("where it belongs");
    }

    @Test
    void anOldMarkTellsTheEntryThatInfinityLeavesOpen() {
        // 12 mm over six and 4 mm over two starts: one place of the outer and one of the inner bring the block to the same 2 mm.
        Optional<EntryFinder.Thread> inner = Optional.of(new EntryFinder.Thread(4, 2, true));
        EntryFinder open = EntryFinder.of(OUTER, inner, 1, OptionalDouble.of(-2), 0.02);
        assertThat(open.entries().getFirst().probability()).isLessThan(0.6);
        EntryFinder told = EntryFinder.of(OUTER, inner, 1, OptionalDouble.of(-2), 0.02, List.of(new EntryFinder.Witness(EntryFinder.Witness.Where.OUTER, EntryFinder.Witness.Sort.DENT, 2.1)));
        assertThat(told.entries().getFirst().outer()).isEqualTo(1);
        assertThat(told.entries().getFirst().probability()).isGreaterThan(0.9);
        // Six starts, by hand: the bell of a quarter hour at 0.1 off, trusted 0.92, over the same and five shares of 0.08/12 at weights 1/(1 + places).
        double here = 0.92 * Math.exp(-0.16 / 2) / 0.25 / Math.sqrt(2 * Math.PI) + 0.08 / 12;
        double elsewhere = 0.08 / 12 * (1 + 1 / 3.0 + 1 / 4.0 + 1 / 3.0 + 1 / 2.0);
        double alone = EntryFinder.of(OUTER, Optional.empty(), 1, OptionalDouble.empty(), 1, List.of(new EntryFinder.Witness(EntryFinder.Witness.Where.OUTER, EntryFinder.Witness.Sort.DENT, 2.1))).entries().getFirst().probability();
        assertThat(alone).isCloseTo(here / 2 / (here / 2 + elsewhere), within(1e-6));
        assertThatThrownBy(() -> new EntryFinder.Witness(EntryFinder.Witness.Where.KEY, EntryFinder.Witness.Sort.WEAR, Double.NaN)).hasMessageContaining("hours");
    }

    /// Entries at which the block stands alike are one trial; no order takes fewer in the mean than the likeliest first.
    @Test
    void trialsAreInTheOrderOfFewest() {
        EntryFinder f = EntryFinder.of(Optional.of(new EntryFinder.Thread(6, 3, true)), Optional.of(new EntryFinder.Thread(6, 3, false)), 1, OptionalDouble.empty(), 1);
        assertThat(f.entries()).hasSize(9);
        assertThat(f.trials().size()).isLessThan(9);
        double[] p = f.trials().stream().mapToDouble(EntryFinder.Entry::probability).toArray();
        assertThat(p).isSortedAccordingTo((a, b) -> Double.compare(b, a));
        double swapped = f.expectedTrials() + p[0] - p[1];
        assertThat(swapped).isGreaterThanOrEqualTo(f.expectedTrials());
        assertThat(f.trials().stream().map(EntryFinder.Entry::errorMm).distinct()).hasSize(p.length);
    }

    @Test
    void whatIsNoThreadIsRefused() {
        assertThatThrownBy(() -> new EntryFinder.Thread(-1, 3, true)).hasMessageContaining("lead");
        assertThatThrownBy(() -> EntryFinder.of(Optional.empty(), Optional.empty(), 1, OptionalDouble.empty(), 1)).hasMessageContaining("outer or an inner");
        assertThatThrownBy(() -> EntryFinder.of(OUTER, INNER, 0, OptionalDouble.empty(), 1)).hasMessageContaining("slots");
        assertThatThrownBy(() -> EntryFinder.of(OUTER, INNER, 1, OptionalDouble.of(1), 0)).hasMessageContaining("deviation");
    }
}
