package stillglass.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.say.Said;

/// Where two metals meet that eat each other as soon as it is damp: the baser one goes, and its salts lift paint and leather and lock threads.
///
/// How eager a pair is follows from the distance of their anodic indices in volt against gold (as usually published, such as go with MIL-STD-889): 0.25 V and more in ordinary damp, 0.50 V even where it is kept dry. Salt lets 0.15 V do, but of these four metals no two lie between. Plated metal is taken in the middle of nickel and chrome while its plating is whole.
/// Parts meet where their half sections touch; where nothing is drawn, parts that come off right after one another are taken to.
///
/// @param noble the part that stays
/// @param base the part that is eaten
/// @param volts between them
/// @param drawn whether the section shows that they touch
public record MetalPairs(Part noble, Material nobleMetal, Part base, Material baseMetal, double volts, boolean drawn) {
    private static final Map<Material, Double> INDEX = new EnumMap<>(Map.of(Material.PLATED_METAL, 0.45, Material.BRASS, 0.40, Material.STEEL, 0.85, Material.ALUMINIUM, 0.90));
    private static final double DAMP = 0.25;
    private static final double DRY = 0.50;
    private static final double TOUCH_MM = 0.1;
    private static final int NAMED = 4;

    /// @param made what each part is made of, as somebody said or as the map says; empty where nobody knows
    /// @return the most eager first
    public static List<MetalPairs> of(Instrument instrument, Function<Part, Set<Material>> made) {
        List<MetalPairs> all = new ArrayList<>();
        List<Part> parts = instrument.parts();
        for (int i = 0; i < parts.size(); i++) {
            for (int k = i + 1; k < parts.size(); k++) {
                Part a = parts.get(i);
                Part b = parts.get(k);
                boolean drawn = !a.profile().isEmpty() && !b.profile().isEmpty();
                if (drawn ? touch(a, b) : next(instrument, a, b) || next(instrument, b, a)) {
                    worst(a, made.apply(a), b, made.apply(b), drawn).filter(p -> p.volts >= DAMP - 1e-9).ifPresent(all::add);
                }
            }
        }
        all.sort(Comparator.comparingDouble(MetalPairs::volts).reversed());
        return all;
    }

    private static Optional<MetalPairs> worst(Part a, Set<Material> of, Part b, Set<Material> with, boolean drawn) {
        List<MetalPairs> all = new ArrayList<>();
        for (Material x : INDEX.keySet()) {
            for (Material y : INDEX.keySet()) {
                double volts = Math.abs(INDEX.get(x) - INDEX.get(y));
                if (of.contains(x) && with.contains(y)) {
                    all.add(INDEX.get(x) <= INDEX.get(y) ? new MetalPairs(a, x, b, y, volts, drawn) : new MetalPairs(b, y, a, x, volts, drawn));
                }
            }
        }
        return all.stream().max(Comparator.comparingDouble(MetalPairs::volts));
    }

    private static boolean touch(Part a, Part b) {
        return a.profile().stream().anyMatch(p -> b.profile().stream().anyMatch(q -> p.fromMm() <= q.toMm() + TOUCH_MM && q.fromMm() <= p.toMm() + TOUCH_MM
                && p.innerRadiusMm() <= q.outerRadiusMm() + TOUCH_MM && q.innerRadiusMm() <= p.outerRadiusMm() + TOUCH_MM));
    }

    /// Whether one comes off right after the other.
    private static boolean next(Instrument instrument, Part first, Part then) {
        Optional<Joint> before = instrument.freedBy(first.id());
        return before.isPresent() && instrument.freedBy(then.id()).filter(j -> j.behind().all().contains(before.get().id())).isPresent();
    }

    /// Whether a part is one of them.
    public boolean about(Part part) {
        return noble.id().equals(part.id()) || base.id().equals(part.id());
    }

    /// A line for each pair of metals, with where they meet.
    public static List<Said> said(List<MetalPairs> all) {
        Map<List<Material>, List<MetalPairs>> by = new LinkedHashMap<>();
        all.forEach(p -> by.computeIfAbsent(List.of(p.nobleMetal, p.baseMetal), k -> new ArrayList<>()).add(p));
        List<Said> lines = new ArrayList<>();
        by.forEach((metals, pairs) -> lines.add(Said.of("metals.pair", "noble", metals.getFirst().word(), "base", metals.getLast().word(), "volts", pairs.getFirst().volts,
                "when", pairs.getFirst().volts >= DRY - 1e-9 ? "dry" : "damp",
                "sites", pairs.stream().limit(NAMED).map(p -> Said.of(p.drawn ? "metals.site" : "metals.site.order", "noble", p.noble.name(), "base", p.base.name())).toList(), "more", Math.max(0, pairs.size() - NAMED))));
        return lines;
    }
}
