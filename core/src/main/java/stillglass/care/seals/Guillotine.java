package stillglass.care.seals;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// Strips cut from pieces by cuts that go right through what is being cut, as a knife along a rule makes them.
///
/// Every such pattern is two smaller ones side by side or one above the other, down to single strips, lying either way. So for every handful of strips all smallest boxes around its patterns are found from those of its parts, strips that are alike counting as one,
/// and then every way to share the handful out among the pieces is weighed: least area of pieces that are begun, then fewest of them, then what is left of them whole. That is exact; see docs/methods/care.md.
public final class Guillotine {
    /// Handfuls of strips beyond which not all are tried.
    static final int MOST_HANDFULS = 800;
    private static final double EPS = 1e-9;

    /// A strip of a kind.
    record Kind(String id, double lengthMm, double widthMm, int count) {}

    /// Foam there is.
    public record Piece(String name, double widthMm, double heightMm) {
        double area() {
            return widthMm * heightMm;
        }
    }

    /// Where a strip lies on a piece, from its lower left corner.
    public record Placed(String id, int piece, double xMm, double yMm, double widthMm, double heightMm) {}

    /// A cut right through what is left, from one place to another.
    public record Cut(int piece, double x1Mm, double y1Mm, double x2Mm, double y2Mm) {}

    /// @param left largest rectangle that stays whole of each piece that is begun, by its number: width and height
    /// @param proven whether no other way wastes less
    public record Nest(List<Placed> strips, List<Cut> cuts, Map<Integer, List<Double>> left, boolean proven) {
        public Nest {
            strips = List.copyOf(strips);
            cuts = List.copyOf(cuts);
            left = Map.copyOf(left);
        }
    }

    /// Around a handful: a strip, or two boxes beside or above each other.
    private record Box(double w, double h, int kind, List<Box> parts, boolean beside) {}

    private record Share(double area, int pieces, double left, Optional<Box> box, int piece, int rest, Optional<Share> next) {
        boolean better(Share o) {
            return area < o.area - EPS || Math.abs(area - o.area) <= EPS && (pieces < o.pieces || pieces == o.pieces && left > o.left + EPS);
        }
    }

    private final List<Kind> kinds;
    private final List<Piece> pieces;
    private final double kerf;
    private final int[] places;
    private final int handfuls;
    private final Map<Integer, List<Box>> boxes = new HashMap<>();
    private final Map<Long, Optional<Share>> shares = new HashMap<>();

    private Guillotine(List<Kind> kinds, List<Piece> pieces, double kerf) {
        this.kinds = kinds;
        this.pieces = pieces;
        this.kerf = kerf;
        places = new int[kinds.size() + 1];
        places[0] = 1;
        for (int k = 0; k < kinds.size(); k++) {
            places[k + 1] = places[k] * (kinds.get(k).count + 1);
        }
        handfuls = places[kinds.size()];
    }

    static long handfuls(List<Kind> kinds) {
        long all = 1;
        for (Kind k : kinds) {
            all = Math.min(Integer.MAX_VALUE, all * (k.count + 1));
        }
        return all;
    }

    /// @return nothing where they do not fit
    static Optional<Nest> nest(List<Kind> kinds, List<Piece> pieces, double kerfMm) {
        if (handfuls(kinds) > MOST_HANDFULS) {
            return Shelves.nest(kinds, pieces, kerfMm);
        }
        Guillotine g = new Guillotine(kinds, pieces, kerfMm);
        return g.share(0, g.handfuls - 1).map(g::laid);
    }

    private int count(int handful, int kind) {
        return handful / places[kind] % (kinds.get(kind).count + 1);
    }

    /// Whether one handful can be taken out of another.
    private boolean within(int part, int of) {
        for (int k = 0; k < kinds.size(); k++) {
            if (count(part, k) > count(of, k)) {
                return false;
            }
        }
        return true;
    }

    private boolean fitsSomewhere(double w, double h) {
        return pieces.stream().anyMatch(p -> w <= p.widthMm + EPS && h <= p.heightMm + EPS);
    }

    private List<Box> boxes(int handful) {
        List<Box> known = boxes.get(handful);
        if (known != null) {
            return known;
        }
        List<Box> out = new ArrayList<>();
        for (int k = 0; k < kinds.size(); k++) {
            if (handful == places[k]) {
                Kind kind = kinds.get(k);
                keep(out, new Box(kind.lengthMm, kind.widthMm, k, List.of(), false));
                keep(out, new Box(kind.widthMm, kind.lengthMm, k, List.of(), false));
            }
        }
        for (int part = 1; part <= handful / 2; part++) {
            if (!within(part, handful)) {
                continue;
            }
            for (Box a : boxes(part)) {
                for (Box b : boxes(handful - part)) {
                    keep(out, new Box(a.w + b.w + kerf, Math.max(a.h, b.h), -1, List.of(a, b), true));
                    keep(out, new Box(Math.max(a.w, b.w), a.h + b.h + kerf, -1, List.of(a, b), false));
                }
            }
        }
        boxes.put(handful, out);
        return out;
    }

    /// Keeps what is not larger both ways than another.
    private void keep(List<Box> all, Box b) {
        if (!fitsSomewhere(b.w, b.h) || all.stream().anyMatch(o -> o.w <= b.w + EPS && o.h <= b.h + EPS)) {
            return;
        }
        all.removeIf(o -> b.w <= o.w + EPS && b.h <= o.h + EPS);
        all.add(b);
    }

    private Optional<Share> share(int piece, int handful) {
        if (handful == 0) {
            return Optional.of(new Share(0, 0, 0, Optional.empty(), piece, 0, Optional.empty()));
        }
        if (piece == pieces.size()) {
            return Optional.empty();
        }
        long key = (long) piece * handfuls + handful;
        Optional<Share> known = shares.get(key);
        if (known != null) {
            return known;
        }
        Optional<Share> best = share(piece + 1, handful);
        Piece p = pieces.get(piece);
        for (int part = 1; part <= handful; part++) {
            if (!within(part, handful)) {
                continue;
            }
            Optional<Box> box = boxes(part).stream().filter(b -> b.w <= p.widthMm + EPS && b.h <= p.heightMm + EPS).max(Comparator.comparingDouble(b -> area(whole(p, b))));
            if (box.isEmpty()) {
                continue;
            }
            int rest = handful - part;
            Optional<Share> after = share(piece + 1, rest);
            if (after.isPresent()) {
                Share s = new Share(p.area() + after.get().area, 1 + after.get().pieces, area(whole(p, box.get())) + after.get().left, box, piece, rest, after);
                best = best.filter(o -> !s.better(o)).or(() -> Optional.of(s));
            }
        }
        shares.put(key, best);
        return best;
    }

    private static double area(List<Double> sides) {
        return sides.get(0) * sides.get(1);
    }

    /// The larger of the two rectangles beside and above a box in the corner.
    private List<Double> whole(Piece p, Box b) {
        List<Double> beside = List.of(Math.max(0, p.widthMm - b.w - kerf), p.heightMm);
        List<Double> above = List.of(p.widthMm, Math.max(0, p.heightMm - b.h - kerf));
        return area(beside) >= area(above) ? beside : above;
    }

    private Nest laid(Share all) {
        List<Placed> strips = new ArrayList<>();
        List<Cut> cuts = new ArrayList<>();
        Map<Integer, List<Double>> left = new HashMap<>();
        Optional<Share> s = Optional.of(all);
        while (s.isPresent()) {
            Share now = s.get();
            now.box.ifPresent(b -> {
                Piece p = pieces.get(now.piece);
                left.put(now.piece, whole(p, b));
                boolean beside = area(List.of(Math.max(0, p.widthMm - b.w - kerf), p.heightMm)) >= area(List.of(p.widthMm, Math.max(0, p.heightMm - b.h - kerf)));
                lay(now.piece, b, 0, 0, p.widthMm, p.heightMm, beside, strips, cuts);
            });
            s = now.next;
        }
        return new Nest(strips, cuts, left, true);
    }

    /// Cuts a box out of the corner of what is left, and then what is in it.
    /// @param beside whether what lies beside it is cut off first
    private void lay(int piece, Box b, double x, double y, double w, double h, boolean beside, List<Placed> strips, List<Cut> cuts) {
        boolean right = w > b.w + EPS;
        boolean top = h > b.h + EPS;
        if (right && beside) {
            cuts.add(new Cut(piece, x + b.w, y, x + b.w, y + h));
        }
        if (top) {
            cuts.add(new Cut(piece, x, y + b.h, x + (right && beside ? b.w : w), y + b.h));
        }
        if (right && !beside) {
            cuts.add(new Cut(piece, x + b.w, y, x + b.w, y + (top ? b.h : h)));
        }
        if (b.kind >= 0) {
            strips.add(new Placed(kinds.get(b.kind).id, piece, x, y, b.w, b.h));
            return;
        }
        Box one = b.parts.get(0);
        Box other = b.parts.get(1);
        if (b.beside) {
            cuts.add(new Cut(piece, x + one.w, y, x + one.w, y + b.h));
            lay(piece, one, x, y, one.w, b.h, false, strips, cuts);
            lay(piece, other, x + one.w + kerf, y, other.w, b.h, false, strips, cuts);
        } else {
            cuts.add(new Cut(piece, x, y + one.h, x + b.w, y + one.h));
            lay(piece, one, x, y, b.w, one.h, true, strips, cuts);
            lay(piece, other, x, y + one.h + kerf, b.w, other.h, true, strips, cuts);
        }
    }
}
