package stillglass.ticket.joints;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;

/// When a function fails: which closings since it last passed may be to blame, likeliest first.
///
/// A joint that was closed although something stood against it comes first. Then those nearest to what the function moves count, by the number of joints
/// that lie between; of equals the one closed last. Nearness is by the map: joints are neighbours when one lies over the other or both hold the same part.
public final class Suspects {
    /// Sorts of part a function moves, by a word in its name.
    private static final Map<String, Set<Part.Kind>> MOVES = Map.of(
            "iris", Set.of(Part.Kind.BLADES, Part.Kind.LEVER),
            "aperture", Set.of(Part.Kind.BLADES, Part.Kind.LEVER),
            "stop", Set.of(Part.Kind.BLADES, Part.Kind.LEVER),
            "focus", Set.of(Part.Kind.HELICOID, Part.Kind.KEY),
            "infinity", Set.of(Part.Kind.HELICOID, Part.Kind.SHIM, Part.Kind.GLASS, Part.Kind.CELL),
            "speed", Set.of(Part.Kind.SHUTTER, Part.Kind.GEAR, Part.Kind.SPRING),
            "shutter", Set.of(Part.Kind.SHUTTER, Part.Kind.GEAR, Part.Kind.SPRING),
            "mirror", Set.of(Part.Kind.MIRROR),
            "click", Set.of(Part.Kind.RING));

    private Suspects() {}

    /// A closing that may be to blame.
    /// @param between joints between it and what the function moves; empty when the map does not tell
    /// @param overruled whether it was closed although something stood against it
    public record Suspect(Joint joint, Optional<Integer> between, boolean overruled) {
        public Said said() {
            return overruled ? Said.of("suspect.overruled", "joint", joint.name()) : between.map(n -> Said.of("suspect.near", "joint", joint.name(), "between", n))
                    .orElse(Said.of("suspect.since", "joint", joint.name()));
        }
    }

    /// The last trial, where it failed and nobody looks after it yet: the likeliest to blame was not opened since, nor anything put back.
    public static Optional<Trial> failure(Joints joints, Instrument instrument) {
        return joints.trials().reversed().stream().findFirst().filter(t -> !t.passed() && !joints.closedSince(t.seq()))
                .filter(t -> of(joints, instrument, t).stream().findFirst().filter(s -> joints.story(s.joint().id()).lastOpened() > t.seq()).isEmpty());
    }

    /// @return what was closed when it failed, and since it last passed
    public static List<Suspect> of(Joints joints, Instrument instrument, Trial failed) {
        long passed = joints.trials().stream().filter(t -> t.passed() && t.function().equals(failed.function()) && t.seq() < failed.seq()).mapToLong(Trial::seq).max().orElse(0);
        Map<String, Integer> distance = distances(instrument, seeds(instrument, failed));
        List<Suspect> all = new ArrayList<>();
        Map<String, Long> when = new HashMap<>();
        for (String id : joints.order()) {
            Optional<Closing> then = joints.story(id).closingAt(failed.seq()).filter(c -> c.done().filter(d -> d > passed).isPresent());
            then.ifPresent(c -> {
                when.put(id, c.done().orElse(0L));
                instrument.joint(id).ifPresent(j -> all.add(new Suspect(j, Optional.ofNullable(distance.get(id)), c.overruled())));
            });
        }
        all.sort(Comparator.comparing((Suspect s) -> !s.overruled()).thenComparing(s -> s.between().orElse(Integer.MAX_VALUE))
                .thenComparing(s -> -when.getOrDefault(s.joint().id(), 0L)).thenComparing(s -> s.joint().id()));
        return List.copyOf(all);
    }

    /// Joints that hold what the function moves.
    private static Set<String> seeds(Instrument instrument, Trial failed) {
        Set<String> seeds = new HashSet<>();
        failed.joint().ifPresent(seeds::add);
        String words = (failed.function() + " " + failed.what()).toLowerCase(Locale.ROOT);
        MOVES.forEach((word, kinds) -> {
            if (words.contains(word)) {
                instrument.joints().stream().filter(j -> j.frees().stream().flatMap(p -> instrument.part(p).stream()).anyMatch(p -> kinds.contains(p.kind()))).map(Joint::id).forEach(seeds::add);
            }
        });
        return seeds;
    }

    private static Map<String, Integer> distances(Instrument instrument, Set<String> seeds) {
        Map<String, Set<String>> near = neighbours(instrument);
        Map<String, Integer> distance = new HashMap<>();
        Deque<String> next = new ArrayDeque<>();
        seeds.stream().sorted().forEach(s -> {
            distance.put(s, 0);
            next.add(s);
        });
        while (!next.isEmpty()) {
            String at = next.remove();
            int farther = distance.getOrDefault(at, 0) + 1;
            for (String n : near.getOrDefault(at, Set.of())) {
                if (distance.putIfAbsent(n, farther) == null) {
                    next.add(n);
                }
            }
        }
        return distance;
    }

    private static Map<String, Set<String>> neighbours(Instrument instrument) {
        Map<String, Set<String>> near = new HashMap<>();
        Map<String, List<String>> holding = new HashMap<>();
        for (Joint j : instrument.joints()) {
            j.behind().named().forEach(b -> join(near, j.id(), b));
            for (String p : j.frees()) {
                holding.computeIfAbsent(p, x -> new ArrayList<>()).add(j.id());
                instrument.part(p).flatMap(Part::within).ifPresent(w -> holding.computeIfAbsent(w, x -> new ArrayList<>()).add(j.id()));
            }
        }
        holding.values().forEach(ids -> ids.forEach(a -> ids.forEach(b -> join(near, a, b))));
        return near;
    }

    private static void join(Map<String, Set<String>> near, String a, String b) {
        if (!a.equals(b)) {
            near.computeIfAbsent(a, x -> new HashSet<>()).add(b);
            near.computeIfAbsent(b, x -> new HashSet<>()).add(a);
        }
    }
}
