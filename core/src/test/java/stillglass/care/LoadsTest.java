package stillglass.care;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LoadsTest {
    private static boolean[][] graph(int n, double share, SplittableRandom random) {
        boolean[][] g = new boolean[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < i; j++) {
                g[i][j] = random.nextDouble() < share;
            }
        }
        return g;
    }

    private static Loads<Integer> loads(boolean[][] g) {
        return Loads.of(IntStream.range(0, g.length).boxed().toList(), (a, b) -> g[Math.max(a, b)][Math.min(a, b)] && !a.equals(b));
    }

    /// Whether as many loads do, by trying every sharing out.
    private static boolean enough(boolean[][] g, int loads, int[] load, int at) {
        if (at == g.length) {
            return true;
        }
        for (int c = 0; c < loads; c++) {
            int chosen = c;
            if (IntStream.range(0, at).noneMatch(j -> g[at][j] && load[j] == chosen)) {
                load[at] = c;
                if (enough(g, loads, load, at + 1)) {
                    return true;
                }
            }
        }
        return false;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void noFewerLoadsKeepApartWhatMustNotMeet(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        boolean[][] g = graph(9, 0.25 + 0.06 * seed, random);
        Loads<Integer> loads = loads(g);
        int n = loads.of().size();
        assertThat(loads.proven()).isTrue();
        assertThat(enough(g, n, new int[9], 0)).isTrue();
        assertThat(enough(g, n - 1, new int[9], 0)).as("one less").isFalse();
        Set<Integer> all = new HashSet<>();
        for (List<Integer> load : loads.of()) {
            all.addAll(load);
            load.forEach(a -> load.forEach(b -> assertThat(g[Math.max(a, b)][Math.min(a, b)] && !a.equals(b)).isFalse()));
        }
        assertThat(all).hasSize(9);
    }

    @Test
    void nothingNeedsNoLoadAndFriendsShareOne() {
        assertThat(loads(new boolean[0][0]).of()).isEmpty();
        assertThat(loads(new boolean[6][6]).of()).containsExactly(List.of(0, 1, 2, 3, 4, 5));
    }

    /// Forty parts of a body, a third of all pairs apart.
    @Test
    void aBodyFullOfPartsIsSharedOut() {
        Loads<Integer> loads = loads(graph(40, 0.3, new SplittableRandom(3)));
        assertThat(loads.of()).hasSizeLessThan(10);
        assertThat(loads.of().stream().mapToInt(List::size).sum()).isEqualTo(40);
    }
}
