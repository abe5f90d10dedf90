package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Build;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;
import stillglass.ticket.story.World;

/// What is expected of an instrument by the way it is built and by what earlier jobs on its model have met. Nobody has seen it yet.
///
/// @param build the generic construction
/// @param seen what earlier jobs on the model have met
public record Expected(Build build, World.Seen seen) {
    /// What the general experience with a construction counts for, in jobs.
    private static final double WEIGHT = 2;

    /// A joint that may be met next.
    /// @param chance that it is there
    /// @param marks references it loses that are not marked yet
    public record Next(Joint joint, double chance, Optional<String> variant, List<Instrument.Reference> marks) {
        public Next {
            marks = List.copyOf(marks);
        }

        public Said said() {
            return Said.of("expect.next", "joint", joint.name(), "hold", joint.hold().said(), "side", joint.side().word(), "percent", 100 * chance);
        }
    }

    /// It is there as it was expected, and off, with what is sure to come with it.
    public JointIntent.Find met(Joint j) {
        return met(j, List.of());
    }

    /// @param also parts that need not have been there and were
    public JointIntent.Find met(Joint j, List<Part> also) {
        List<String> frees = j.frees().stream().flatMap(p -> build.expected().part(p).stream()).filter(p -> build.partChance(p.id()) >= 1 || also.contains(p)).map(Part::name).toList();
        return new JointIntent.Find(j.name(), Optional.of(j.hold().said()), j.side(), Optional.of(j.tool()).filter(t -> !t.isBlank()), frees, true);
    }

    /// Parts that may come with a joint and need not be there, with their chances: what nobody has seen is not put on record.
    public Map<Part, Double> maybe(Joint j) {
        Map<Part, Double> all = new LinkedHashMap<>();
        j.frees().stream().flatMap(p -> build.expected().part(p).stream()).filter(p -> build.partChance(p.id()) < 1).forEach(p -> all.put(p, build.partChance(p.id())));
        return all;
    }

    /// Chance that a joint is there: the construction's, moved by what this model has shown.
    public double chance(Joint j) {
        return (WEIGHT * build.chance(j.id()) + seen.met(LearnedMap.id(j.name()))) / (WEIGHT + seen.jobs());
    }

    /// What is expected next, likeliest first: everything that lies over it was met, or is not there.
    public List<Next> next(Joints joints, Set<String> notThere) {
        Set<String> gone = new HashSet<>(notThere);
        build.expected().joints().stream().filter(j -> met(j, joints)).map(Joint::id).forEach(gone::add);
        List<Next> all = new ArrayList<>();
        for (Joint j : build.expected().joints()) {
            if (!gone.contains(j.id()) && j.behind().open(gone)) {
                List<Instrument.Reference> marks = j.loses().stream().sorted().flatMap(r -> build.expected().reference(r).stream())
                        .filter(r -> joints.marks().stream().noneMatch(m -> m.mark().name().equalsIgnoreCase(r.name()))).toList();
                all.add(new Next(j, chance(j), build.variant(j.id()), marks));
            }
        }
        // What was just met leads on: what it was lying over first, then the likeliest.
        Optional<String> last = joints.inHand();
        all.sort(Comparator.comparing((Next n) -> last.filter(id -> leads(id, n.joint())).isEmpty()).thenComparing(Comparator.comparingDouble(Next::chance).reversed()));
        return List.copyOf(all);
    }

    private boolean leads(String met, Joint to) {
        return to.behind().all().stream().flatMap(id -> build.expected().joint(id).stream()).anyMatch(j -> LearnedMap.id(j.name()).equals(met));
    }

    private static boolean met(Joint j, Joints joints) {
        JointStory s = joints.story(LearnedMap.id(j.name()));
        return s.everOpened() || s.found().isPresent();
    }
}
