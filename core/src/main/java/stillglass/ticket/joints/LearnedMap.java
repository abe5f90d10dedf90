package stillglass.ticket.joints;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import stillglass.assembly.Build;
import stillglass.assembly.Circuits;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;

/// A map made from records: what came off in earlier jobs on the same model, and in which order.
///
/// One job knows one order, so everything seems to wait for what came off before it. A joint is taken to wait for another only when it came after
/// it in every job that opened both: each further job in another order takes away a waiting that was none. Times are those of the jobs in the middle, risks the usual ones; what nobody
/// has noted of materials is taken for delicate.
public final class LearnedMap {
    private static final int LONGEST_ID = 40;
    private static final double USUAL_MINUTES = 2;
    private static final double USUAL_RISK = 0.01;

    /// Elements are counted from the front, groups by their elements: E1, E2+E3.
    private static final Pattern GLASS = Pattern.compile("e\\d{1,2}(\\+e\\d{1,2})*", Pattern.CASE_INSENSITIVE);

    private static final Map<Part.Kind, Pattern> NAMED = new LinkedHashMap<>();

    static {
        named(Part.Kind.SMALL, "\\b(screws?|balls?|pins?|washers?|nuts?)$|^(screws?|balls?|pins?) ");
        named(Part.Kind.SHIM, "shim");
        named(Part.Kind.SPACER, "spacer");
        named(Part.Kind.HELICOID, "helicoid|focus(ing)? thread");
        named(Part.Kind.SPRING, "spring");
        named(Part.Kind.LEVER, "lever");
        named(Part.Kind.BLADES, "blades?\\b|\\biris$");
        named(Part.Kind.GEAR, "gear|escapement");
        named(Part.Kind.MIRROR, "mirror");
        named(Part.Kind.PRISM, "prism");
        named(Part.Kind.CELL, "cell");
        named(Part.Kind.MOUNT, "mount");
        named(Part.Kind.COVERING, "leather|covering");
        named(Part.Kind.COVER, "cover");
        named(Part.Kind.PLATE, "plate");
        named(Part.Kind.BARREL, "barrel");
        named(Part.Kind.RING, "ring");
    }

    private static void named(Part.Kind kind, String words) {
        NAMED.put(kind, Pattern.compile(words, Pattern.CASE_INSENSITIVE));
    }

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
        return of(base, jobs, Optional.empty());
    }

    /// @param build what it is taken to be built like: of what was met it tells what may fly and what differs when it closes
    public static Instrument of(Instrument base, List<Lesson> jobs, Optional<Build> build) {
        Map<String, JointEvent.Found> found = new LinkedHashMap<>();
        jobs.forEach(job -> job.found().stream().filter(f -> base.joint(f.joint()).isEmpty()).forEach(f -> found.putIfAbsent(f.joint(), f)));
        if (found.isEmpty()) {
            return base;
        }
        Map<String, Set<String>> after = waits(jobs, found.keySet(), base);
        EarlierJobs earlier = new EarlierJobs(jobs);
        List<Part> parts = new ArrayList<>(base.parts());
        List<Joint> joints = new ArrayList<>(base.joints());
        for (JointEvent.Found f : found.values()) {
            List<String> frees = f.parts().stream().map(name -> part(name, base, parts)).distinct().toList();
            joints.add(new Joint(f.joint(), f.name(), new Hold.Noted(f.hold().orElse("")), f.side(), f.tool().orElse(""), earlier.minutes(f.joint()).orElse(USUAL_MINUTES), USUAL_RISK,
                    Joint.Behind.of(after.getOrDefault(f.joint(), Set.of())).with(earlier.controls(f.joint())), frees, Set.of(), Set.of(),
                    build.flatMap(b -> b.named(f.name())).map(Joint::hazards).orElse(Set.of()), build.flatMap(b -> b.named(f.name()).map(j -> closing(j.close(), b, found.keySet()))).orElse(Joint.Closing.PLAIN)));
        }
        return Circuits.batteryFirst(base.with(parts, joints));
    }

    /// What differs when a joint of the construction closes, as far as the joints it speaks of were met.
    private static Joint.Closing closing(Joint.Closing c, Build build, Set<String> found) {
        UnaryOperator<String> met = id -> build.expected().joint(id).map(j -> id(j.name())).orElse("");
        Optional<Joint.Test> test = c.test().map(t -> new Joint.Test(t.what(), t.needs().stream().map(met).filter(found::contains).collect(Collectors.toSet())));
        return new Joint.Closing(c.setFirst(), c.looseUntil().map(met).filter(found::contains), test, c.greased(), c.before().stream().map(met).filter(found::contains).collect(Collectors.toSet()),
                c.refit().map(met).filter(found::contains), c.zeroLast(), c.points());
    }

    /// The part of that name, added where there is none.
    private static String part(String name, Instrument base, List<Part> parts) {
        return known(base, name).map(Part::id).orElseGet(() -> {
            if (GLASS.matcher(name).matches()) {
                return glass(name.toUpperCase(Locale.ROOT), parts);
            }
            String id = id(name).replace('-', '_');
            if (parts.stream().noneMatch(p -> p.id().equals(id))) {
                parts.add(new Part(id, name, kind(name), Part.NOT_NOTED, List.of(), Optional.empty(), Optional.empty(), false, Optional.empty()));
            }
            return id;
        });
    }

    /// A glass named as they are counted from the front: which way round it lay matters.
    private static String glass(String name, List<Part> parts) {
        if (parts.stream().noneMatch(p -> p.id().equals(name))) {
            // Named together they came out together: cemented, as far as anybody knows.
            Set<Material> of = name.contains("+") ? Set.of(Material.COATED_GLASS, Material.EDGE_PAINT, Material.BALSAM) : Set.of(Material.COATED_GLASS, Material.EDGE_PAINT);
            parts.add(new Part(name, name, Part.Kind.GLASS, of, List.of(), Optional.of(name), Optional.empty(), true, Optional.empty()));
        }
        return name;
    }

    private static Optional<Part> known(Instrument base, String name) {
        return base.parts().stream().filter(p -> p.id().equalsIgnoreCase(name) || p.name().equalsIgnoreCase(name) || p.element().filter(name::equalsIgnoreCase).isPresent())
                .findFirst();
    }

    /// As its name says, the word that decides most first: screws of a mount are no mount.
    private static Part.Kind kind(String name) {
        return NAMED.entrySet().stream().filter(e -> e.getValue().matcher(name).find()).map(Map.Entry::getKey).findFirst().orElse(Part.Kind.SMALL);
    }

    /// For each found joint what it waits for, without what follows from the rest.
    private static Map<String, Set<String>> waits(List<Lesson> jobs, Set<String> found, Instrument base) {
        Map<String, Integer> index = new HashMap<>();
        List<String> ids = new ArrayList<>();
        List<BitSet> seen = new ArrayList<>();
        List<BitSet> against = new ArrayList<>();
        for (Lesson job : jobs) {
            BitSet before = new BitSet();
            for (String id : job.order()) {
                if (found.contains(id) || base.joint(id).isPresent()) {
                    int at = index.computeIfAbsent(id, x -> {
                        ids.add(x);
                        seen.add(new BitSet());
                        against.add(new BitSet());
                        return ids.size() - 1;
                    });
                    seen.get(at).or(before);
                    before.stream().forEach(b -> against.get(b).set(at));
                    before.set(at);
                }
            }
        }
        // Everything a joint waits for, directly or not.
        BitSet[] reach = new BitSet[ids.size()];
        Arrays.setAll(reach, i -> new BitSet());
        Map<String, BitSet> waits = new LinkedHashMap<>();
        for (String id : found) {
            Integer at = index.get(id);
            if (at != null) {
                BitSet before = (BitSet) seen.get(at).clone();
                before.andNot(against.get(at));
                waits.put(id, believed(at, before, reach));
            }
        }
        Map<String, Set<String>> direct = new LinkedHashMap<>();
        waits.forEach((id, before) -> {
            BitSet own = (BitSet) before.clone();
            before.stream().forEach(b -> own.andNot(reach[b]));
            direct.put(id, own.stream().mapToObj(ids::get).collect(Collectors.toCollection(TreeSet::new)));
        });
        return direct;
    }

    /// Jobs that share only some joints can contradict one another in a circle; whatever would close one is not believed.
    /// @param reach what each waits for, directly or not; grows by what is believed
    private static BitSet believed(int at, BitSet before, BitSet[] reach) {
        BitSet kept = new BitSet();
        before.stream().filter(b -> !reach[b].get(at)).forEach(b -> {
            kept.set(b);
            BitSet more = (BitSet) reach[b].clone();
            more.set(b);
            reach[at].or(more);
            for (BitSet r : reach) {
                if (r.get(at)) {
                    r.or(more);
                }
            }
        });
        return kept;
    }
}
