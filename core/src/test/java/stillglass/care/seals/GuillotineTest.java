package stillglass.care.seals;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GuillotineTest {
    private static final double EPS = 1e-6;

    /// Whether strips can be cut from a rectangle of whole millimetres: every cut at every millimetre, every sharing of the strips. Knows no boxes, no smallest ones, no handfuls.
    private static boolean cuttable(int w, int h, List<int[]> strips, Map<String, Boolean> known) {
        if (strips.isEmpty()) {
            return true;
        }
        if (strips.stream().mapToInt(s -> s[0] * s[1]).sum() > w * h) {
            return false;
        }
        if (strips.size() == 1) {
            int[] s = strips.getFirst();
            return s[0] <= w && s[1] <= h || s[1] <= w && s[0] <= h;
        }
        String key = w + "x" + h + strips.stream().map(s -> s[2] + "").sorted().toList();
        Boolean before = known.get(key);
        if (before != null) {
            return before;
        }
        boolean can = false;
        for (int mask = 1; !can && mask < (1 << strips.size()) - 1; mask++) {
            List<int[]> one = new ArrayList<>();
            List<int[]> other = new ArrayList<>();
            for (int i = 0; i < strips.size(); i++) {
                ((mask >> i & 1) == 1 ? one : other).add(strips.get(i));
            }
            for (int x = 1; !can && x < w; x++) {
                can = cuttable(x, h, one, known) && cuttable(w - x, h, other, known);
            }
            for (int y = 1; !can && y < h; y++) {
                can = cuttable(w, y, one, known) && cuttable(w, h - y, other, known);
            }
        }
        known.put(key, can);
        return can;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void whatCanBeCutIsFoundAndWhatCannotIsNot(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Guillotine.Kind> kinds = new ArrayList<>();
        List<int[]> strips = new ArrayList<>();
        int n = 2 + random.nextInt(4);
        for (int i = 0; i < n; i++) {
            int l = 3 + random.nextInt(9);
            int w = 1 + random.nextInt(4);
            kinds.add(new Guillotine.Kind("s" + i, Math.max(l, w), Math.min(l, w), 1));
            strips.add(new int[] {l, w, i});
        }
        int area = strips.stream().mapToInt(s -> s[0] * s[1]).sum();
        for (int wide = 6; wide <= 14; wide += 2) {
            for (int high = Math.max(1, area / wide - 1); high <= area / wide + 3; high++) {
                int larger = Math.max(wide, high);
                int smaller = Math.min(wide, high);
                boolean can = cuttable(larger, smaller, strips, new HashMap<>());
                Optional<Guillotine.Nest> nest = Guillotine.nest(kinds, List.of(new Guillotine.Piece("p", larger, smaller)), 0);
                assertThat(nest.isPresent()).as("%d strips on %d x %d", n, larger, smaller).isEqualTo(can);
                nest.ifPresent(x -> lieApart(x, List.of(new Guillotine.Piece("p", larger, smaller)), 0, n));
            }
        }
    }

    /// The least foam that must be begun, by every sharing of the strips among the pieces, each tried at every millimetre.
    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34, 35, 36, 37, 38, 39, 40, 41, 42})
    void noSharingBeginsLessFoam(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Guillotine.Piece> pieces = List.of(new Guillotine.Piece("a", 8 + random.nextInt(3), 3 + random.nextInt(3)), new Guillotine.Piece("b", 11 + random.nextInt(3), 4 + random.nextInt(2)), new Guillotine.Piece("c", 16, 8));
        List<Guillotine.Kind> kinds = new ArrayList<>();
        List<int[]> strips = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            int l = 4 + random.nextInt(5);
            int w = 1 + random.nextInt(3);
            kinds.add(new Guillotine.Kind("s" + i, Math.max(l, w), Math.min(l, w), 1));
            strips.add(new int[] {l, w, i});
        }
        double least = Double.POSITIVE_INFINITY;
        for (int code = 0; code < 81; code++) {
            double begun = 0;
            boolean can = true;
            for (int p = 0; p < 3; p++) {
                List<int[]> own = new ArrayList<>();
                int rest = code;
                for (int[] s : strips) {
                    if (rest % 3 == p) {
                        own.add(s);
                    }
                    rest /= 3;
                }
                Guillotine.Piece piece = pieces.get(p);
                begun += own.isEmpty() ? 0 : piece.area();
                can &= own.isEmpty() || cuttable((int) piece.widthMm(), (int) piece.heightMm(), own, new HashMap<>());
            }
            least = can ? Math.min(least, begun) : least;
        }
        Optional<Guillotine.Nest> nest = Guillotine.nest(kinds, pieces, 0);
        assertThat(nest.isPresent()).isEqualTo(Double.isFinite(least));
        double best = least;
        nest.ifPresent(n -> assertThat(n.left().keySet().stream().mapToDouble(p -> pieces.get(p).area()).sum()).isEqualTo(best));
    }

    /// No strip lies on another or beyond the piece, no cut goes through one, and every side of a strip is cut or is the piece's.
    private static void lieApart(Guillotine.Nest nest, List<Guillotine.Piece> pieces, double kerf, int count) {
        assertThat(nest.strips()).hasSize(count);
        for (Guillotine.Placed a : nest.strips()) {
            Guillotine.Piece p = pieces.get(a.piece());
            assertThat(a.xMm() + a.widthMm()).isLessThanOrEqualTo(p.widthMm() + EPS);
            assertThat(a.yMm() + a.heightMm()).isLessThanOrEqualTo(p.heightMm() + EPS);
            for (Guillotine.Placed b : nest.strips()) {
                boolean apart = a == b || a.piece() != b.piece() || a.xMm() + a.widthMm() + kerf <= b.xMm() + EPS || b.xMm() + b.widthMm() + kerf <= a.xMm() + EPS || a.yMm() + a.heightMm() + kerf <= b.yMm() + EPS || b.yMm() + b.heightMm() + kerf <= a.yMm() + EPS;
                assertThat(apart).as("%s and %s", a, b).isTrue();
            }
            for (Guillotine.Cut c : nest.cuts()) {
                boolean through = c.piece() == a.piece() && (Math.abs(c.x1Mm() - c.x2Mm()) < EPS
                        ? c.x1Mm() > a.xMm() + EPS && c.x1Mm() < a.xMm() + a.widthMm() - EPS && Math.min(c.y2Mm(), a.yMm() + a.heightMm()) - Math.max(c.y1Mm(), a.yMm()) > EPS
                        : c.y1Mm() > a.yMm() + EPS && c.y1Mm() < a.yMm() + a.heightMm() - EPS && Math.min(c.x2Mm(), a.xMm() + a.widthMm()) - Math.max(c.x1Mm(), a.xMm()) > EPS);
                assertThat(through).as("%s through %s", c, a).isFalse();
            }
            assertThat(a.xMm() + a.widthMm() > p.widthMm() - EPS || nest.cuts().stream().anyMatch(c -> c.piece() == a.piece() && Math.abs(c.x1Mm() - c.x2Mm()) < EPS && Math.abs(c.x1Mm() - a.xMm() - a.widthMm()) < EPS
                    && c.y1Mm() <= a.yMm() + EPS && c.y2Mm() >= a.yMm() + a.heightMm() - EPS)).as("right side of %s", a).isTrue();
            assertThat(a.yMm() + a.heightMm() > p.heightMm() - EPS || nest.cuts().stream().anyMatch(c -> c.piece() == a.piece() && Math.abs(c.y1Mm() - c.y2Mm()) < EPS && Math.abs(c.y1Mm() - a.yMm() - a.heightMm()) < EPS
                    && c.x1Mm() <= a.xMm() + EPS && c.x2Mm() >= a.xMm() + a.widthMm() - EPS)).as("upper side of %s", a).isTrue();
        }
    }

    @Test
    void offcutsAreUsedBeforeASheetIsBegun() {
        List<Guillotine.Piece> pieces = List.of(new Guillotine.Piece("offcut 1", 60, 40), new Guillotine.Piece("sheet", 210, 74));
        Guillotine.Nest small = Guillotine.nest(List.of(new Guillotine.Kind("a", 58, 2, 4)), pieces, 0.3).orElseThrow();
        assertThat(small.left()).containsOnlyKeys(0);
        assertThat(small.left().get(0)).as("four strips and three cuts, and one more to take them off: 40 − 4 · 2 − 4 · 0.3").satisfies(l -> assertThat(l.get(1)).isCloseTo(30.8, within(1e-9)));
        Guillotine.Nest both = Guillotine.nest(List.of(new Guillotine.Kind("long", 96, 2.1, 2), new Guillotine.Kind("a", 58, 2, 4)), pieces, 0.3).orElseThrow();
        assertThat(both.left()).as("what does not fit on the offcut begins the sheet, which then takes all").containsOnlyKeys(1);
        lieApart(both, pieces, 0.3, 6);
        assertThat(both.proven()).isTrue();
    }

    /// Of ways that begin as much foam the one with fewest pieces, and of those the one that leaves most whole.
    @Test
    void fewPiecesAreBegunAndMuchIsLeftWhole() {
        List<Guillotine.Piece> pieces = List.of(new Guillotine.Piece("a", 40, 10), new Guillotine.Piece("b", 40, 10), new Guillotine.Piece("c", 40, 20));
        assertThat(Guillotine.nest(List.of(new Guillotine.Kind("wide", 40, 6, 2)), pieces, 0).orElseThrow().left()).as("800 mm² either way").containsOnlyKeys(2);
        // Lying it leaves 30 x 18 above it, standing 28 x 20 beside it.
        assertThat(Guillotine.nest(List.of(new Guillotine.Kind("s", 10, 2, 1)), List.of(new Guillotine.Piece("p", 30, 20)), 0).orElseThrow().left().get(0)).containsExactly(28.0, 20.0);
        // A long and a short one on each of two pieces would leave 20 x 2 of both; long ones on one and short ones on the other leave 20 x 2 and 20 x 6.
        List<Guillotine.Piece> two = List.of(new Guillotine.Piece("a", 20, 10), new Guillotine.Piece("b", 20, 10));
        assertThat(Guillotine.nest(List.of(new Guillotine.Kind("long", 20, 4, 2), new Guillotine.Kind("short", 10, 4, 2)), two, 0).orElseThrow().left().values().stream().mapToDouble(l -> l.get(0) * l.get(1)).sum()).isEqualTo(160);
    }

    @Test
    void ofManyStripsThePlanSaysThatItIsNotProven() {
        List<Guillotine.Kind> many = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            many.add(new Guillotine.Kind("k" + i, 40 + i, 2 + 0.1 * i, 2));
        }
        List<Guillotine.Piece> pieces = List.of(new Guillotine.Piece("sheet", 210, 74));
        Guillotine.Nest nest = Guillotine.nest(many, pieces, 0.2).orElseThrow();
        assertThat(nest.proven()).isFalse();
        lieApart(nest, pieces, 0.2, 24);
        assertThat(Guillotine.nest(many, List.of(new Guillotine.Piece("small", 60, 20)), 0.2)).isEmpty();
    }

    private static SealPlan.Asked asked(Optional<Double> gap, double compress, List<Double> stock, Channel... channels) {
        return new SealPlan.Asked(List.of(channels), Optional.of(List.of(74.0, 210.0)), 1, List.of(), 0.3, gap, compress, stock);
    }

    private static Channel channel(String id, double length, double width, int count) {
        return new Channel(id, length, width, Optional.empty(), count);
    }

    @Test
    void foamIsAsThickAsTheGapAndTheCompressionAsk() {
        SealPlan plan = SealPlan.of(asked(Optional.of(1.6), 0.3, List.of(), channel("top", 96, 2.1, 1)));
        assertThat(plan.thicknessMm()).as("1.6 / 0.7").isCloseTo(2.2857, within(1e-4));
        SealPlan bought = SealPlan.of(asked(Optional.of(1.6), 0.3, List.of(1.5, 2.0, 2.5, 3.0), channel("top", 96, 2.1, 1)));
        assertThat(bought.thicknessMm()).as("2.5 is compressed by 0.36, 2.0 by 0.2").isEqualTo(2.5);
        assertThat(bought.foams().get("top").compressed()).isCloseTo(0.36, within(1e-12));
        assertThat(bought.seals()).isTrue();
        assertThat(SealPlan.of(asked(Optional.of(1.9), 0.3, List.of(2.0), channel("top", 96, 2.1, 1))).seals()).as("a twentieth is no seal").isFalse();
        double begun = 210 * 74 - 210 * (74 - 2.1 - 0.3);
        assertThat(plan.wasteMm2()).as("beside the strip and under the cut").isCloseTo(begun - 96 * 2.1, within(1e-6));
    }

    /// One sheet, two gaps: what seals the one may keep the lid of the other from closing.
    @Test
    void everyChannelIsCompressedByItsOwnGap() {
        SealPlan plan = SealPlan.of(asked(Optional.empty(), 0.3, List.of(2.5), new Channel("door", 50, 2, Optional.of(1.8), 1), new Channel("hinge", 20, 4, Optional.of(1.1), 1)));
        assertThat(plan.foams().get("door").compressed()).isCloseTo(0.28, within(1e-12));
        assertThat(plan.foams().get("hinge").compressed()).isCloseTo(0.56, within(1e-12));
        assertThat(plan.foams().get("door").seals()).isTrue();
        assertThat(plan.seals()).as("the lid over the hinge does not close").isFalse();
    }

    @Test
    void whatCannotBeIsSaidByName() {
        assertThatThrownBy(() -> SealPlan.of(asked(Optional.of(1.6), 0.3, List.of(1.0, 1.5), channel("top", 96, 2.1, 1)))).hasMessageContaining("no foam there is fills a gap of 1.60").hasMessageContaining("2.29");
        assertThatThrownBy(() -> SealPlan.of(asked(Optional.of(1.6), 0.3, List.of(), channel("top", 96, 2.1, 1), channel("top", 20, 3, 1)))).hasMessageContaining("two channels are called “top”");
        assertThatThrownBy(() -> SealPlan.of(asked(Optional.empty(), 0.3, List.of(), channel("door", 96, 2.1, 1)))).hasMessageContaining("door").hasMessageContaining("gap");
        assertThatThrownBy(() -> SealPlan.of(asked(Optional.of(1.6), 0.3, List.of(), channel("long", 300, 2.1, 1)))).hasMessageContaining("long").hasMessageContaining("300");
        assertThatThrownBy(() -> SealPlan.of(asked(Optional.of(1.6), 0.3, List.of(), channel("wide", 100, 40, 5)))).hasMessageContaining("do not all fit");
        assertThatThrownBy(() -> SealPlan.of(asked(Optional.of(1.6), 0.3, List.of(), channel("a", 50, 2, 1), new Channel("b", 50, 2, Optional.of(3.0), 1)))).hasMessageContaining("2.29 and 4.29");
        assertThatThrownBy(() -> new Channel("x", Double.NaN, 2, Optional.empty(), 1)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> Foam.of(1.6, 1, List.of())).hasMessageContaining("between 0 and 0.9");
    }
}
