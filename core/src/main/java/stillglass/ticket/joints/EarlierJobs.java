package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.facts.Control;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.FactKinds;
import stillglass.ticket.facts.Scene;
import stillglass.ticket.facts.Verdict;
import stillglass.ticket.story.World;

/// What earlier jobs on a model have met: shown while it is opened, never taken for what is on record of this one.
/// @param lessons in the order the jobs came
public record EarlierJobs(List<Lesson> lessons) implements World.Seen {
    public EarlierJobs {
        lessons = List.copyOf(lessons);
    }

    @Override
    public int jobs() {
        return lessons.size();
    }

    @Override
    public int met(String joint) {
        return (int) lessons.stream().filter(l -> l.met().containsKey(joint) || l.found().stream().anyMatch(f -> f.joint().equals(joint))).count();
    }

    /// In how many it was met, what went wrong how often, how long it took in the middle, and what the latest of them noted.
    @Override
    public List<Said> told(String joint) {
        List<Lesson.Met> all = lessons.stream().flatMap(l -> Optional.ofNullable(l.met().get(joint)).stream()).toList();
        if (all.isEmpty()) {
            return List.of();
        }
        List<Said> said = new ArrayList<>(List.of(Said.of("earlier.met", "met", all.size(), "jobs", lessons.size())));
        went(all, Lesson.Met::stuck, "earlier.stuck").ifPresent(said::add);
        went(all, Lesson.Met::dropped, "earlier.dropped").ifPresent(said::add);
        went(all, Lesson.Met::otherwise, "earlier.otherwise").ifPresent(said::add);
        minutes(joint).ifPresent(m -> said.add(Said.of("earlier.minutes", "minutes", m)));
        all.reversed().stream().filter(m -> !m.facts().isEmpty()).findFirst().ifPresent(m -> said.add(Said.of("earlier.noted", "facts", FactKinds.said(m.facts()))));
        all.reversed().stream().flatMap(m -> m.grease().stream()).findFirst().ifPresent(g -> said.add(Said.of("earlier.grease", "grease", g)));
        return List.copyOf(said);
    }

    /// How often something happened, and from that the chance that it happens now: (k + 1/2) / (n + 1), the mean after k of n from a prior that knows nothing (Jeffreys). Silent where it never did.
    private static Optional<Said> went(List<Lesson.Met> all, Predicate<Lesson.Met> how, String key) {
        long times = all.stream().filter(how).count();
        return times == 0 ? Optional.empty() : Optional.of(Said.of(key, "times", times, "percent", 100 * (times + 0.5) / (all.size() + 1)));
    }

    /// How long it took in the middle of the jobs that tell.
    Optional<Double> minutes(String joint) {
        List<Double> all = lessons.stream().flatMap(l -> Optional.ofNullable(l.met().get(joint)).stream()).flatMap(m -> m.minutes().stream()).sorted().toList();
        return all.isEmpty() ? Optional.empty() : Optional.of((all.get((all.size() - 1) / 2) + all.get(all.size() / 2)) / 2);
    }

    /// Where controls stood when it was reached, by the latest job that tells.
    Map<String, String> controls(String joint) {
        return lessons.reversed().stream().flatMap(l -> Optional.ofNullable(l.met().get(joint)).stream())
                .map(m -> m.facts().stream().filter(Control.class::isInstance).map(Control.class::cast).collect(Collectors.toMap(Control::name, Control::at, (a, b) -> b)))
                .filter(c -> !c.isEmpty()).findFirst().orElse(Map.of());
    }

    /// What of this job's record is not as the latest job had it.
    /// @param record facts noted of the joint now
    List<Said> differences(Joint joint, List<Fact> record, World world) {
        List<Fact> then = lessons.reversed().stream().flatMap(l -> Optional.ofNullable(l.met().get(joint.id())).stream()).map(Lesson.Met::facts).filter(f -> !f.isEmpty()).findFirst().orElse(List.of());
        List<Said> all = new ArrayList<>();
        for (Fact now : record) {
            // Of several alike one is enough to agree with; a dance is no measure.
            List<Fact> about = then.stream().filter(f -> f.about().equals(now.about()) && !f.move()).toList();
            if (now.ofModel() && !about.isEmpty() && about.stream().allMatch(f -> now.against(f, new Scene(world.instrument(), joint, then)) instanceof Verdict.Differs)) {
                all.add(Said.of("earlier.differs", "then", about.getFirst().said(), "now", now.said()));
            }
        }
        return List.copyOf(all);
    }
}
