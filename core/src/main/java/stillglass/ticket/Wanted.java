package stillglass.ticket;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import stillglass.look.Progress;
import stillglass.plan.Alternatives;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.WayIn;
import stillglass.ticket.course.Course;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.joints.Suspects;
import stillglass.ticket.story.World;

/// What is asked of the planner for a ticket as it stands.
public final class Wanted {
    private Wanted() {}

    /// What is to be reached, as far as the model knows it.
    public static List<Goal> goals(TicketState state, World world) {
        return state.course().goals().stream().map(g -> Goal.read(g, world.instrument(), world.section())).filter(Goal.Read.Known.class::isInstance).map(r -> ((Goal.Read.Known) r).goal()).toList();
    }

    /// From what is in hand now. While it is being closed, what was reached counts as reached, unless something failed.
    public static WayIn.Request way(TicketState state, World world, List<Goal> goals) {
        Joints joints = state.joints();
        boolean closing = joints.closing() && Suspects.failure(joints, world.instrument()).isEmpty();
        return new WayIn.Request(world.instrument(), goals, closing ? Set.copyOf(joints.order()) : joints.openNow(), joints.references().keySet(), joints.barred(),
                WayIn.Hand.after(world.instrument(), joints.order()), PlanCost.USUAL);
    }

    /// The rest of the way to what is to be reached, as it was chosen; nothing where no goal is.
    public static Optional<WayIn.Plan> plan(TicketState state, World world, Progress watch) {
        return plan(way(state, world, goals(state, world)), state.course(), r -> WayIn.plan(r, watch));
    }

    /// The same by a planner that knows more: which tools there are.
    /// @param wanted what is asked of it
    /// @param planner finds the best way of a request
    public static Optional<WayIn.Plan> plan(WayIn.Request wanted, Course course, Function<WayIn.Request, Optional<WayIn.Plan>> planner) {
        WayIn.Request request = Alternatives.restricted(wanted, course.way());
        return wanted.goals().isEmpty() ? Optional.empty() : planner.apply(request).map(p -> WayIn.inOrder(request, p, course.order()).orElse(p));
    }
}
