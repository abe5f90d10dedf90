package stillglass.care;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.function.BiPredicate;

/// Things shared out over as few loads of a bath as keep apart what must not lie together.
///
/// That is a colouring of the graph of what must not meet. Found by branch and bound in the order of saturation (D. Brélaz, *Communications of the ACM* 22 (1979)) from a greedy first answer; a clique found on the way is the bound, and where loads are as few as the
/// clique is large nothing needs to be searched.
///
/// @param of things, load by load
/// @param proven whether fewer loads are impossible; false only where the search was broken off
public record Loads<T>(List<List<T>> of, boolean proven) {
    private static final int MOST_STEPS = 200_000;

    public Loads {
        of = of.stream().map(List::copyOf).toList();
    }

    /// @param apart whether two things must not share a load; asked both ways
    public static <T> Loads<T> of(List<T> things, BiPredicate<T, T> apart) {
        int n = things.size();
        boolean[][] conflict = new boolean[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < i; j++) {
                conflict[i][j] = apart.test(things.get(i), things.get(j)) || apart.test(things.get(j), things.get(i));
                conflict[j][i] = conflict[i][j];
            }
        }
        Search s = new Search(conflict);
        s.run();
        List<List<T>> loads = new ArrayList<>();
        for (int c = 0; c < s.best; c++) {
            List<T> load = new ArrayList<>();
            for (int i = 0; i < n; i++) {
                if (s.answer[i] == c) {
                    load.add(things.get(i));
                }
            }
            loads.add(load);
        }
        loads.sort(Comparator.comparingInt((List<T> l) -> -l.size()));
        return new Loads<>(loads, s.steps <= MOST_STEPS);
    }

    private static final class Search {
        private final boolean[][] conflict;
        private final int[] colour;
        private int[] answer;
        private int best;
        private int steps;
        private final int clique;

        Search(boolean[][] conflict) {
            this.conflict = conflict;
            colour = new int[conflict.length];
            Arrays.fill(colour, -1);
            answer = colour.clone();
            best = conflict.length + 1;
            clique = clique();
        }

        void run() {
            place(0, 0);
        }

        /// Each thing is begun with once, and everything that conflicts with all so far is added.
        private int clique() {
            int most = 0;
            for (int first = 0; first < conflict.length; first++) {
                List<Integer> all = new ArrayList<>(List.of(first));
                for (int i = 0; i < conflict.length; i++) {
                    int next = i;
                    if (all.stream().allMatch(a -> conflict[a][next])) {
                        all.add(next);
                    }
                }
                most = Math.max(most, all.size());
            }
            return most;
        }

        private void place(int placed, int used) {
            if (used >= best || best == clique || ++steps > MOST_STEPS) {
                return;
            }
            if (placed == colour.length) {
                best = used;
                answer = colour.clone();
                return;
            }
            int next = mostBound();
            for (int c = 0; c <= Math.min(used, best - 2); c++) {
                if (free(next, c)) {
                    colour[next] = c;
                    place(placed + 1, Math.max(used, c + 1));
                    colour[next] = -1;
                }
            }
        }

        private boolean free(int thing, int c) {
            for (int i = 0; i < colour.length; i++) {
                if (conflict[thing][i] && colour[i] == c) {
                    return false;
                }
            }
            return true;
        }

        /// The thing that has the fewest loads left to it, among those the one with most conflicts.
        private int mostBound() {
            int chosen = -1;
            long most = -1;
            for (int i = 0; i < colour.length; i++) {
                if (colour[i] < 0) {
                    long around = 0;
                    BitSet loads = new BitSet();
                    for (int j = 0; j < colour.length; j++) {
                        if (conflict[i][j]) {
                            around++;
                            if (colour[j] >= 0) {
                                loads.set(colour[j]);
                            }
                        }
                    }
                    long rank = loads.cardinality() * 1_000_000L + around;
                    if (rank > most) {
                        most = rank;
                        chosen = i;
                    }
                }
            }
            return chosen;
        }
    }
}
