package stillglass.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Progress;

/// A triplet of crown, flint and crown, fallen out of its barrel.
class OrderFinderTest {
    private static final LooseGlass FRONT = single("front", 21.25, -158.65, 2, 1.691, 12);
    private static final LooseGlass MIDDLE = single("middle", -20.25, 19.3, 2, 1.616, 10);
    private static final LooseGlass REAR = single("rear", 141.25, -17.285, 2, 1.691, 12);
    private static final List<Double> GAPS = List.of(5.24 + 0.76, 4.75);

    private static LooseGlass single(String id, double r1, double r2, double t, double nd, double diameter) {
        return new LooseGlass(id, List.of(r1, r2), List.of(t), List.of(nd), diameter);
    }

    /// Focal length and back focus by the y-u trace of the textbooks, surface by surface.
    private static double[] traced(List<LooseGlass> order, List<Double> gaps) {
        double y = 1;
        double u = 0;
        double n = 1;
        for (int i = 0; i < order.size(); i++) {
            LooseGlass g = order.get(i);
            for (int f = 0; f < g.faces().size(); f++) {
                double after = f < g.index().size() ? g.index().get(f) : 1;
                u = (n * u - y * (after - n) / g.faces().get(f)) / after;
                n = after;
                if (f < g.thicknessMm().size()) {
                    y += u * g.thicknessMm().get(f);
                }
            }
            if (i < gaps.size()) {
                y += u * gaps.get(i);
            }
        }
        return new double[] {-1 / u, -y / u};
    }

    private static LooseGlass turned(LooseGlass g) {
        return single(g.id(), -g.faces().get(1), -g.faces().get(0), g.thicknessMm().getFirst(), g.index().getFirst(), g.diameterMm());
    }

    private static OrderFinder.Wanted wanted(double efl, OptionalDouble back, List<Double> places) {
        return new OrderFinder.Wanted(GAPS, false, efl, 0.4, back, 0.3, 5, places);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void shuffledGlassesFindTheirPlacesAndFacing(long seed) {
        double[] right = traced(List.of(FRONT, MIDDLE, REAR), GAPS);
        Random random = new Random(seed);
        List<LooseGlass> bag = new ArrayList<>();
        List<Boolean> lies = new ArrayList<>();
        for (LooseGlass g : List.of(FRONT, MIDDLE, REAR)) {
            lies.add(random.nextBoolean());
            bag.add(lies.getLast() ? turned(g) : g);
        }
        Collections.shuffle(bag, random);
        OrderFinder f = OrderFinder.of(bag, wanted(right[0], OptionalDouble.of(right[1]), List.of()), Progress.SILENT);
        OrderFinder.Arrangement first = f.arrangements().getFirst();
        assertThat(first.places()).containsExactly("front", "middle", "rear");
        assertThat(first.turned()).isEqualTo(lies);
        assertThat(first.probability()).isGreaterThan(0.3);
        assertThat(first.eflMm()).isCloseTo(right[0], within(1e-9));
        assertThat(first.bfdMm()).isCloseTo(right[1], within(1e-9));
    }

    /// Every order and facing, traced one by one.
    @Test
    void nothingIsLeftOut() {
        List<LooseGlass> all = List.of(FRONT, MIDDLE, REAR, single("fourth", 60, -200, 3, 1.6, 12));
        List<Double> gaps = List.of(4.0, 5.0, 3.0);
        OrderFinder f = OrderFinder.of(all, new OrderFinder.Wanted(gaps, false, 40, 3, OptionalDouble.empty(), 1, 4, List.of()), Progress.SILENT);
        assertThat(f.tried()).isEqualTo(24 * 16);
        double best = Double.MAX_VALUE;
        for (int code = 0; code < 24 * 16; code++) {
            List<LooseGlass> left = new ArrayList<>(all);
            List<LooseGlass> order = new ArrayList<>();
            int rest = code / 16;
            for (int i = 4; i > 0; i--) {
                LooseGlass g = left.remove(rest % i);
                rest /= i;
                order.add((code & 1 << i - 1) != 0 ? turned(g) : g);
            }
            double[] t = traced(order, gaps);
            best = t[0] > 0 ? Math.min(best, Math.abs(t[0] - 40)) : best;
        }
        double nearest = f.arrangements().stream().mapToDouble(a -> Math.abs(a.eflMm() - 40)).min().orElseThrow();
        assertThat(nearest).isCloseTo(best, within(1e-9));
    }

    @Test
    void placesThatDoNotFitAreLeftOutAndTwinsAreOne() {
        double[] right = traced(List.of(FRONT, MIDDLE, REAR), GAPS);
        OrderFinder f = OrderFinder.of(List.of(REAR, MIDDLE, FRONT), wanted(right[0], OptionalDouble.empty(), List.of(12.0, 10.0, 12.0)), Progress.SILENT);
        assertThat(f.tried()).isEqualTo(2 * 8);
        assertThat(f.arrangements()).allMatch(a -> a.places().get(1).equals("middle"));
        LooseGlass even = single("even", 40, -40, 3, 1.5, 12);
        assertThat(OrderFinder.of(List.of(even, FRONT), new OrderFinder.Wanted(List.of(4.0), false, 20, 5, OptionalDouble.empty(), 1, 4, List.of()), Progress.SILENT).tried()).isEqualTo(2 * 2);
    }

    @Test
    void rimsKeepTheirDistance() {
        double seat = GAPS.get(0) - (FRONT.sagMm(false) - MIDDLE.sagMm(true));
        double other = GAPS.get(1) - (MIDDLE.sagMm(false) - REAR.sagMm(true));
        double[] right = traced(List.of(FRONT, MIDDLE, REAR), GAPS);
        OrderFinder f = OrderFinder.of(List.of(FRONT, REAR, MIDDLE), new OrderFinder.Wanted(List.of(seat, other), true, right[0], 0.3, OptionalDouble.of(right[1]), 0.3, 5, List.of()), Progress.SILENT);
        assertThat(f.arrangements().getFirst().places()).containsExactly("front", "middle", "rear");
        assertThat(f.arrangements().getFirst().eflMm()).isCloseTo(right[0], within(1e-9));
    }

    @Test
    void anIndexFollowsFromAGlassesOwnFocalLength() {
        double focal = traced(List.of(FRONT), List.of())[0];
        assertThat(LooseGlass.ofFocalLength("x", 21.25, -158.65, 2, 12, focal).index().getFirst()).isCloseTo(1.691, within(1e-6));
        assertThatThrownBy(() -> LooseGlass.ofFocalLength("x", 21.25, -158.65, 2, 12, -30)).hasMessageContaining("x: no glass");
    }

    @Test
    void whatCannotBeSortedIsRefused() {
        assertThatThrownBy(() -> OrderFinder.of(List.of(FRONT), wanted(50, OptionalDouble.empty(), List.of()), Progress.SILENT)).hasMessageContaining("1 glasses");
        assertThatThrownBy(() -> OrderFinder.of(List.of(FRONT, REAR), wanted(50, OptionalDouble.empty(), List.of()), Progress.SILENT)).hasMessageContaining("2 gaps for 2 glasses");
        assertThatThrownBy(() -> single("bad", 0, 3, 2, 1.5, 10)).hasMessageContaining("bad");
    }
}
