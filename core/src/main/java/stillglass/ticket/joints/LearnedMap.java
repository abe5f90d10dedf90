package stillglass.ticket.joints;

import java.text.Normalizer;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import stillglass.assembly.Circuits;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;

/// A map made from records: what came off in earlier jobs on the same model, and in which order.
///
/// One job knows one order, so everything seems to wait for what came off before it. A joint is taken to wait for another only when it came after
/// it in every job that opened both: each further job in another order takes away a waiting that was none. Times and risks are the usual ones; what nobody
/// has noted of materials is taken for delicate.
public final class LearnedMap {
    private static final int LONGEST_ID = 40;
    private static final double USUAL_MINUTES = 2;
    private static final double USUAL_RISK = 0.01;
    private static final Set<Material> NOT_NOTED = Set.of(Material.ENGRAVED_PAINT, Material.BLACK_PAINT, Material.PLASTIC);

    /// Elements are counted from the front, groups by their elements: E1, E2+E3.
    private static final Pattern GLASS = Pattern.compile("e\\d{1,2}(\\+e\\d{1,2})*", Pattern.CASE_INSENSITIVE);

    private LearnedMap() {}

    /// Identifier of a joint by its name, in any script.
    public static String id(String name) {
        String id = Normalizer.normalize(name.strip(), Normalizer.Form.NFKC).toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{M}\\p{N}]+", "-").replaceAll("^-|-$", "");
        return id.length() > LONGEST_ID ? id.substring(0, id.offsetByCodePoints(0, id.codePointCount(0, LONGEST_ID))) : id;
    }

    /// @param base what the shelf knows of the model
    /// @param jobs what tickets on that model teach, in the order they came
    /// @return the base with everything found since; the base itself when nothing was
    public static Instrument of(Instrument base, List<Lesson> jobs) {
        Map<String, JointEvent.Found> found = new LinkedHashMap<>();
        jobs.forEach(job -> job.found().stream().filter(f -> base.joint(f.joint()).isEmpty()).forEach(f -> found.putIfAbsent(f.joint(), f)));
        if (found.isEmpty()) {
            return base;
        }
        Map<String, Set<String>> after = waits(jobs, found.keySet(), base);
        List<Part> parts = new ArrayList<>(base.parts());
        List<Joint> joints = new ArrayList<>(base.joints());
        for (JointEvent.Found f : found.values()) {
            List<String> frees = f.parts().stream().map(name -> part(name, base, parts)).distinct().toList();
            joints.add(new Joint(f.joint(), f.name(), new Hold.Noted(f.hold().orElse("")), f.side(), f.tool().orElse(""), USUAL_MINUTES, USUAL_RISK,
                    Joint.Behind.of(after.getOrDefault(f.joint(), Set.of())), frees, Set.of(), Set.of(), Set.of(), Joint.Closing.PLAIN));
        }
        return Circuits.batteryFirst(base.with(parts, joints));
    }

    /// The part of that name, added where there is none.
    private static String part(String name, Instrument base, List<Part> parts) {
        return known(base, name).map(Part::id).orElseGet(() -> {
            if (GLASS.matcher(name).matches()) {
                return glass(name.toUpperCase(Locale.ROOT), parts);
            }
            String id = id(name).replace('-', '_');
            if (parts.stream().noneMatch(p -> p.id().equals(id))) {
                parts.add(new Part(id, name, kind(name), NOT_NOTED, List.of(), Optional.empty(), Optional.empty(), false, Optional.empty()));
            }
            return id;
        });
    }

    /// A glass named as they are counted from the front: which way round it lay matters.
    private static String glass(String name, List<Part> parts) {
        if (parts.stream().noneMatch(p -> p.id().equals(name))) {
            parts.add(new Part(name, name, Part.Kind.GLASS, Set.of(Material.COATED_GLASS, Material.EDGE_PAINT), List.of(), Optional.of(name), Optional.empty(), true, Optional.empty()));
        }
        return name;
    }

    private static Optional<Part> known(Instrument base, String name) {
        return base.parts().stream().filter(p -> p.id().equalsIgnoreCase(name) || p.name().equalsIgnoreCase(name) || p.element().filter(name::equalsIgnoreCase).isPresent())
                .findFirst();
    }

    private static Part.Kind kind(String name) {
        String n = name.toLowerCase(Locale.ROOT);
        for (Part.Kind k : List.of(Part.Kind.SHIM, Part.Kind.SPACER, Part.Kind.CELL, Part.Kind.MOUNT, Part.Kind.HELICOID, Part.Kind.BLADES, Part.Kind.SPRING, Part.Kind.LEVER,
                Part.Kind.COVER, Part.Kind.PLATE, Part.Kind.BARREL, Part.Kind.RING)) {
            if (n.contains(k.name().toLowerCase(Locale.ROOT))) {
                return k;
            }
        }
        return Part.Kind.SMALL;
    }

    /// For each found joint what it waits for, without what follows from the rest.
    private static Map<String, Set<String>> waits(List<Lesson> jobs, Set<String> found, Instrument base) {
        Map<String, Set<String>> seen = new TreeMap<>();
        Map<String, Set<String>> against = new TreeMap<>();
        for (Lesson job : jobs) {
            List<String> order = job.order().stream().filter(id -> found.contains(id) || base.joint(id).isPresent()).toList();
            for (int i = 0; i < order.size(); i++) {
                for (int k = i + 1; k < order.size(); k++) {
                    seen.computeIfAbsent(order.get(k), x -> new LinkedHashSet<>()).add(order.get(i));
                    against.computeIfAbsent(order.get(i), x -> new LinkedHashSet<>()).add(order.get(k));
                }
            }
        }
        Map<String, Set<String>> waits = new TreeMap<>();
        for (String id : found) {
            Set<String> before = new LinkedHashSet<>(seen.getOrDefault(id, Set.of()));
            before.removeAll(against.getOrDefault(id, Set.of()));
            Set<String> kept = waits.computeIfAbsent(id, x -> new TreeSet<>());
            // Jobs that share only some joints can contradict one another in a circle; whatever would close one is not believed.
            before.stream().filter(b -> !reaches(b, id, waits)).forEach(kept::add);
        }
        Map<String, Set<String>> direct = new TreeMap<>();
        waits.forEach((id, before) -> {
            Set<String> own = new TreeSet<>(before);
            before.forEach(b -> own.removeIf(c -> !c.equals(b) && reaches(b, c, waits)));
            direct.put(id, own);
        });
        return direct;
    }

    /// Whether a joint waits for another, directly or not.
    private static boolean reaches(String from, String to, Map<String, Set<String>> waits) {
        Set<String> been = new LinkedHashSet<>();
        Deque<String> next = new ArrayDeque<>(waits.getOrDefault(from, Set.of()));
        while (!next.isEmpty()) {
            String id = next.pop();
            if (id.equals(to)) {
                return true;
            }
            if (been.add(id)) {
                next.addAll(waits.getOrDefault(id, Set.of()));
            }
        }
        return false;
    }
}
