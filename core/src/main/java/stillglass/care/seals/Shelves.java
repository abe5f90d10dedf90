package stillglass.care.seals;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// Strips in rows along the longer side of a piece, the widest first: for more strips than can all be tried. Good for strips, not proven.
final class Shelves {
    private static final double EPS = 1e-9;

    private Shelves() {}

    private static final class Row {
        final int piece;
        final double y;
        final double high;
        double used;

        Row(int piece, double y, double high) {
            this.piece = piece;
            this.y = y;
            this.high = high;
        }
    }

    /// @return nothing where they do not fit this way
    static Optional<Guillotine.Nest> nest(List<Guillotine.Kind> kinds, List<Guillotine.Piece> pieces, double kerf) {
        List<Guillotine.Kind> all = new ArrayList<>();
        kinds.forEach(k -> {
            for (int i = 0; i < k.count(); i++) {
                all.add(k);
            }
        });
        all.sort(Comparator.comparingDouble(Guillotine.Kind::widthMm).thenComparingDouble(Guillotine.Kind::lengthMm).reversed());
        List<Row> rows = new ArrayList<>();
        Map<Integer, Double> filled = new HashMap<>();
        List<Guillotine.Placed> out = new ArrayList<>();
        List<Guillotine.Cut> cuts = new ArrayList<>();
        for (Guillotine.Kind k : all) {
            Optional<Row> row = rows.stream().filter(r -> r.high >= k.widthMm() - EPS && r.used + k.lengthMm() <= pieces.get(r.piece).widthMm() + EPS).min(Comparator.comparingDouble(r -> r.high));
            if (row.isEmpty()) {
                row = begun(k, pieces, filled, kerf);
                row.ifPresent(r -> {
                    rows.add(r);
                    cuts.add(new Guillotine.Cut(r.piece, 0, r.y + r.high, pieces.get(r.piece).widthMm(), r.y + r.high));
                });
            }
            if (row.isEmpty()) {
                return Optional.empty();
            }
            Row r = row.get();
            out.add(new Guillotine.Placed(k.id(), r.piece, r.used, r.y, k.lengthMm(), k.widthMm()));
            cuts.add(new Guillotine.Cut(r.piece, r.used + k.lengthMm(), r.y, r.used + k.lengthMm(), r.y + r.high));
            if (k.widthMm() < r.high - EPS) {
                cuts.add(new Guillotine.Cut(r.piece, r.used, r.y + k.widthMm(), r.used + k.lengthMm(), r.y + k.widthMm()));
            }
            r.used += k.lengthMm() + kerf;
        }
        Map<Integer, List<Double>> left = new HashMap<>();
        filled.forEach((p, y) -> left.put(p, List.of(pieces.get(p).widthMm(), Math.max(0, pieces.get(p).heightMm() - y))));
        return Optional.of(new Guillotine.Nest(out, cuts, left, false));
    }

    private static Optional<Row> begun(Guillotine.Kind k, List<Guillotine.Piece> pieces, Map<Integer, Double> filled, double kerf) {
        for (int p = 0; p < pieces.size(); p++) {
            double y = filled.getOrDefault(p, 0.0);
            if (k.lengthMm() <= pieces.get(p).widthMm() + EPS && y + k.widthMm() <= pieces.get(p).heightMm() + EPS) {
                filled.put(p, y + k.widthMm() + kerf);
                return Optional.of(new Row(p, y, k.widthMm()));
            }
        }
        return Optional.empty();
    }
}
