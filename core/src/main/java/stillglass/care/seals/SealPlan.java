package stillglass.care.seals;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/// Light seals for an instrument: foam of one thickness, and its strips on what foam there is.
///
/// @param foams of every channel, all of one thickness
/// @param pieces of foam, offcuts first, the smallest first
/// @param nest where strips lie and how they are cut
/// @param wasteMm2 of the pieces that are begun, neither strips nor left whole
public record SealPlan(Map<String, Foam> foams, List<Guillotine.Piece> pieces, Guillotine.Nest nest, double wasteMm2) {
    /// Sheets beyond which more are not thought of.
    private static final int MOST_SHEETS = 6;
    /// Between thicknesses that are taken for one.
    private static final double SAME_MM = 0.25;

    /// What is asked.
    /// @param sheetMm sides of a new sheet; empty where there is none
    /// @param sheets how many of them
    /// @param offcutsMm sides of what is left of others
    /// @param kerfMm what a cut takes away
    /// @param gapMm of all channels that say none of their own
    /// @param compress share by which foam is to be compressed
    /// @param stockMm thicknesses there are; empty where nothing is said
    public record Asked(
            List<Channel> channels, Optional<List<Double>> sheetMm, int sheets, List<List<Double>> offcutsMm, double kerfMm, Optional<Double> gapMm, double compress, List<Double> stockMm) {
        public Asked {
            channels = List.copyOf(channels);
            offcutsMm = offcutsMm.stream().map(List::copyOf).toList();
            stockMm = List.copyOf(stockMm);
            if (channels.isEmpty()) {
                throw new IllegalArgumentException("no channel was measured: give at least one");
            }
            if (sheetMm.isEmpty() && offcutsMm.isEmpty()) {
                throw new IllegalArgumentException("no foam was given: a sheet or offcuts are needed");
            }
            if (!(kerfMm >= 0 && kerfMm <= 5)) {
                throw new IllegalArgumentException("a cut that takes " + kerfMm + " mm away: give 0 to 5");
            }
            if (sheets < 1 || sheets > MOST_SHEETS) {
                throw new IllegalArgumentException(sheets + " sheets: give 1 to " + MOST_SHEETS);
            }
        }
    }

    public SealPlan {
        foams = Collections.unmodifiableMap(new LinkedHashMap<>(foams));
        pieces = List.copyOf(pieces);
    }

    /// @throws IllegalArgumentException saying which strips do not fit, or which channels want foam of another thickness
    public static SealPlan of(Asked a) {
        Map<String, Foam> foams = foams(a);
        List<Guillotine.Piece> pieces = pieces(a);
        List<Guillotine.Kind> kinds = a.channels.stream().map(c -> new Guillotine.Kind(c.id(), Math.max(c.lengthMm(), c.widthMm()), Math.min(c.lengthMm(), c.widthMm()), c.count())).toList();
        for (Guillotine.Kind k : kinds) {
            if (pieces.stream().noneMatch(p -> fits(k, p))) {
                throw new IllegalArgumentException("the strip “" + k.id() + "”, " + k.lengthMm() + " x " + k.widthMm() + " mm, is larger than any piece of foam");
            }
        }
        Guillotine.Nest nest = Guillotine.nest(kinds, pieces, a.kerfMm).orElseThrow(() -> new IllegalArgumentException(String.format(Locale.ROOT,
                "the strips do not all fit: %.0f mm² of strips on %.0f mm² of foam; give another sheet", kinds.stream().mapToDouble(k -> k.count() * k.lengthMm() * k.widthMm()).sum(), pieces.stream().mapToDouble(Guillotine.Piece::area).sum())));
        double begun = nest.left().keySet().stream().mapToDouble(p -> pieces.get(p).area()).sum();
        double whole = nest.left().values().stream().mapToDouble(l -> l.get(0) * l.get(1)).sum();
        double strips = nest.strips().stream().mapToDouble(s -> s.widthMm() * s.heightMm()).sum();
        return new SealPlan(foams, pieces, nest, Math.max(0, begun - whole - strips));
    }

    private static boolean fits(Guillotine.Kind k, Guillotine.Piece p) {
        return k.lengthMm() <= Math.max(p.widthMm(), p.heightMm()) && k.widthMm() <= Math.min(p.widthMm(), p.heightMm());
    }

    private static List<Guillotine.Piece> pieces(Asked a) {
        List<Guillotine.Piece> out = new ArrayList<>();
        for (int i = 0; i < a.offcutsMm.size(); i++) {
            out.add(piece("offcut " + (i + 1), a.offcutsMm.get(i)));
        }
        out.sort(Comparator.comparingDouble(Guillotine.Piece::area));
        for (int i = 0; i < a.sheets && a.sheetMm.isPresent(); i++) {
            out.add(piece(a.sheets == 1 ? "sheet" : "sheet " + (i + 1), a.sheetMm.get()));
        }
        return out;
    }

    private static Guillotine.Piece piece(String name, List<Double> sides) {
        if (sides.size() != 2 || sides.stream().anyMatch(s -> !(s > 0 && s <= 5000))) {
            throw new IllegalArgumentException(name + " is " + sides + " mm: give two sides of more than 0 and at most 5000 mm");
        }
        return new Guillotine.Piece(name, Math.max(sides.get(0), sides.get(1)), Math.min(sides.get(0), sides.get(1)));
    }

    /// Of one thickness: what is compressed by how much differs from channel to channel.
    private static Map<String, Foam> foams(Asked a) {
        Map<String, Foam> all = new LinkedHashMap<>();
        for (Channel c : a.channels) {
            double gap = c.gapMm().or(a::gapMm).orElseThrow(() -> new IllegalArgumentException("the gap of “" + c.id() + "” is not known: measure it with the lid shut, or give one for all"));
            if (all.put(c.id(), Foam.of(gap, a.compress, a.stockMm)) != null) {
                throw new IllegalArgumentException("two channels are called “" + c.id() + "”: give each a name of its own, and a count to those that are alike");
            }
        }
        double thin = all.values().stream().mapToDouble(Foam::takenMm).min().orElseThrow();
        double thick = all.values().stream().mapToDouble(Foam::takenMm).max().orElseThrow();
        if (thick - thin > SAME_MM) {
            throw new IllegalArgumentException(String.format(Locale.ROOT, "channels want foam of %.2f and %.2f mm: cut each thickness from its own sheet, in a file of its own", thin, thick));
        }
        all.replaceAll((id, f) -> f.taking(thick));
        return all;
    }

    /// Thickness of the foam, mm.
    public double thicknessMm() {
        return foams.values().iterator().next().takenMm();
    }

    /// Whether every strip seals and lets what closes on it close.
    public boolean seals() {
        return foams.values().stream().allMatch(Foam::seals);
    }
}
