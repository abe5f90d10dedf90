package stillglass.assembly;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// Two maps of one model as one: everything either knows; a joint waits for another only where no map that knows both says otherwise.
public final class MergedMap {
    private MergedMap() {}

    /// @param first whose name, numbers and descriptions stand where both have them
    /// @throws IllegalArgumentException when they contradict one another in a circle
    public static Instrument of(Instrument first, Instrument second) {
        List<Part> parts = new ArrayList<>(first.parts());
        second.parts().stream().filter(p -> first.part(p.id()).isEmpty()).forEach(parts::add);
        List<Instrument.Reference> references = new ArrayList<>(first.references());
        second.references().stream().filter(r -> first.reference(r.id()).isEmpty()).forEach(references::add);
        Waits one = new Waits(first);
        Waits other = new Waits(second);
        List<Joint> joints = new ArrayList<>();
        first.joints().forEach(j -> joints.add(second.joint(j.id()).map(s -> both(j, s, one, other)).orElse(j)));
        second.joints().stream().filter(j -> first.joint(j.id()).isEmpty()).forEach(joints::add);
        Set<String> freed = new HashSet<>();
        // A part leaves with one joint only: the first map's where they differ.
        List<Joint> told = joints.stream().map(j -> new Joint(j.id(), j.name(), j.hold(), j.side(), j.tool(), j.minutes(), j.risk(), j.behind(), j.frees().stream().filter(freed::add).toList(), j.exposes(), j.loses(),
                j.hazards(), j.close())).toList();
        return new Instrument(first.id(), first.maker(), first.name(), first.sort(), first.sectionId().or(second::sectionId), first.flangeFocalMm().or(second::flangeFocalMm),
                first.maxExtensionMm().or(second::maxExtensionMm), parts, told, references, first.net().or(second::net), first.infinityShims().or(second::infinityShims));
    }

    private static Joint both(Joint a, Joint b, Waits one, Waits other) {
        Set<String> all = new LinkedHashSet<>();
        a.behind().all().stream().filter(x -> !other.knows(x) || other.waits(b.id(), x)).forEach(all::add);
        b.behind().all().stream().filter(x -> !one.knows(x) || one.waits(a.id(), x)).forEach(all::add);
        Set<Joint.Hazard> hazards = new HashSet<>(a.hazards());
        hazards.addAll(b.hazards());
        Set<String> loses = new HashSet<>(a.loses());
        loses.addAll(b.loses());
        Hold hold = a.hold() instanceof Hold.Noted ? b.hold() : a.hold();
        return new Joint(a.id(), a.name(), hold, a.side() == Side.UNKNOWN ? b.side() : a.side(), a.tool().isBlank() ? b.tool() : a.tool(), a.minutes(), Math.max(a.risk(), b.risk()),
                new Joint.Behind(all, a.behind().oneOf(), a.behind().hidden().or(b.behind()::hidden), a.behind().with().isEmpty() ? b.behind().with() : a.behind().with()), a.frees(), a.exposes(), loses, hazards, a.close().equals(Joint.Closing.PLAIN) ? b.close() : a.close());
    }

    /// What waits for what in a map, directly or not.
    private static final class Waits {
        private final Map<String, Set<String>> behind = new HashMap<>();
        private final Instrument map;

        Waits(Instrument map) {
            this.map = map;
        }

        boolean knows(String joint) {
            return map.joint(joint).isPresent();
        }

        boolean waits(String joint, String other) {
            return reach(joint).contains(other);
        }

        private Set<String> reach(String joint) {
            Set<String> known = behind.get(joint);
            if (known == null) {
                Set<String> all = new HashSet<>();
                Optional<Joint> j = map.joint(joint);
                j.ifPresent(x -> x.behind().all().forEach(b -> {
                    all.add(b);
                    all.addAll(reach(b));
                }));
                behind.put(joint, all);
                known = all;
            }
            return known;
        }
    }
}
