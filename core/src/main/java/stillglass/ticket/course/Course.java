package stillglass.ticket.course;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Build;
import stillglass.assembly.Joint;
import stillglass.plan.Alternatives;
import stillglass.plan.Goal;
import stillglass.say.Said;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.joints.Ledger;
import stillglass.ticket.joints.Openings;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Grown;
import stillglass.ticket.story.Overruled;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;

/// What was chosen. Immutable.
///
/// @param goals what is to be reached, as [Goal#parse] reads them
/// @param way sort of way in
/// @param order joints in the order that was preferred; empty while the computed one is
/// @param taken the model built alike whose map was the start, when one was
/// @param build the generic construction it is taken to be built like
/// @param notThere joints of that construction that were looked for and are not there
/// @param done stages called done, with the number of the row that said so
/// @param overruled where the technician knew better
public record Course(List<String> goals, Alternatives.Sort way, List<String> order, Optional<CourseEvent.ModelTaken> taken, Optional<CourseEvent.BuildChosen> build, List<String> notThere, Map<Stage, Long> done,
        List<Overruled> overruled) {
    /// Nothing was chosen.
    public static final Course NONE = new Course(List.of(), Alternatives.Sort.BEST, List.of(), Optional.empty(), Optional.empty(), List.of(), Map.of(), List.of());

    public Course {
        goals = List.copyOf(goals);
        order = List.copyOf(order);
        notThere = List.copyOf(notThere);
        done = Grown.kept(done);
        overruled = List.copyOf(overruled);
    }

    /// The state after one more event.
    public Course after(Recorded row, CourseEvent happened) {
        return switch (happened) {
            case CourseEvent.GoalsChosen e -> new Course(e.goals(), way, order, taken, build, notThere, done, overruled);
            case CourseEvent.ModelTaken e -> new Course(goals, way, order, Optional.of(e), build, notThere, done, overruled);
            case CourseEvent.BuildChosen e -> new Course(goals, way, order, taken, Optional.of(e), List.of(), done, overruled);
            case CourseEvent.ExpectedMissing e -> new Course(goals, way, order, taken, build, Grown.by(notThere, e.joint()), done, overruled);
            case CourseEvent.WayChosen e -> new Course(goals, e.sort(), List.of(), taken, build, notThere, done, overruled);
            case CourseEvent.OrderChosen e -> new Course(goals, way, e.joints(), taken, build, notThere, done, overruled);
            case CourseEvent.StageDone e -> new Course(goals, way, order, taken, build, notThere, Grown.by(done, e.stage(), row.seq()), overruled);
        };
    }

    public Course after(Overruled happened) {
        return new Course(goals, way, order, taken, build, notThere, done, Grown.by(overruled, happened));
    }

    /// Decides an intent: events, or a refusal that says what to do instead.
    public Decision decide(CourseIntent intent, Joints joints, List<Said> pending, World world) {
        return switch (intent) {
            case CourseIntent.ChooseGoals g -> chooseGoals(g, world);
            case CourseIntent.StartFrom f -> world.instrument().joints().size() > joints.found().size() ? Decision.refused("start.mapped", "count", world.instrument().joints().size())
                    : Decision.accepted(new CourseEvent.ModelTaken(f.instrumentId(), f.name(), f.likeness()));
            case CourseIntent.ChooseBuild b -> world.builds().stream().filter(x -> x.id().equals(b.build())).findFirst().map(x -> Decision.accepted(new CourseEvent.BuildChosen(x.id(), x.name())))
                    .orElseGet(() -> Decision.refused("build.none", "build", b.build()));
            case CourseIntent.MissExpected m -> missing(m, world);
            case CourseIntent.ChooseWay w -> Decision.accepted(new CourseEvent.WayChosen(w.sort()));
            case CourseIntent.Reorder r -> reorder(r, joints, world);
            case CourseIntent.FinishStage f -> finish(f, joints, pending, world);
        };
    }

    /// The construction it is taken to be built like.
    public Optional<Build> build(World world) {
        return build.flatMap(b -> world.builds().stream().filter(x -> x.id().equals(b.build())).findFirst());
    }

    private Decision missing(CourseIntent.MissExpected m, World world) {
        Optional<Joint> expected = build(world).flatMap(b -> b.expected().joint(m.joint()));
        return expected.isEmpty() ? Decision.refused("expect.none") : notThere.contains(m.joint()) ? Decision.refused("expect.missing.already", "joint", expected.get().name())
                : Decision.accepted(new CourseEvent.ExpectedMissing(m.joint(), expected.get().name()));
    }

    private static Decision chooseGoals(CourseIntent.ChooseGoals g, World world) {
        for (String goal : g.goals()) {
            switch (Goal.read(goal, world.instrument(), world.section())) {
                case Goal.Read.Unknown u -> {
                    return new Decision.Refused(u.why());
                }
                case Goal.Read.Known k -> {
                    if (k.goal().doors(world.instrument()).isEmpty()) {
                        return Decision.refused("goal.no-door", "goal", goal);
                    }
                }
            }
        }
        return Decision.accepted(new CourseEvent.GoalsChosen(g.goals()));
    }

    private static Decision reorder(CourseIntent.Reorder r, Joints joints, World world) {
        Set<String> open = new LinkedHashSet<>(joints.order());
        for (String id : r.joints()) {
            Optional<Joint> joint = world.instrument().joint(id);
            if (joint.isEmpty()) {
                return Decision.refused("joint.none", "joint", id);
            }
            Optional<Said> waits = Openings.waitsFor(joint.get(), open, world);
            if (waits.isPresent()) {
                return Decision.refused("order.waits", "joint", joint.get().name(), "others", waits.get());
            }
            open.add(id);
        }
        return Decision.accepted(new CourseEvent.OrderChosen(r.joints()));
    }

    private static Decision finish(CourseIntent.FinishStage f, Joints joints, List<Said> pending, World world) {
        Ledger ledger = Ledger.of(joints, world.instrument(), pending);
        boolean needsZero = f.stage() == Stage.CLOSE || f.stage() == Stage.PROVE;
        Optional<String> despite = f.despite().map(String::strip).filter(w -> !w.isEmpty());
        if (needsZero && !ledger.zero() && despite.isEmpty()) {
            return Decision.refused("finish.ledger", "ledger", ledger.said());
        }
        List<Event> events = new ArrayList<>();
        if (needsZero && !ledger.zero()) {
            events.add(new Overruled(Said.of("overruled.ledger", "ledger", ledger.said()), despite.orElse("")));
        }
        events.add(new CourseEvent.StageDone(f.stage()));
        return new Decision.Accepted(events);
    }
}
