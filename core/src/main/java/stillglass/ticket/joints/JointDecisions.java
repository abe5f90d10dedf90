package stillglass.ticket.joints;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Part;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.World;

/// Decides intents about joints: events, or a refusal that says what to do instead.
public final class JointDecisions {
    private JointDecisions() {}

    public static Decision decide(Joints joints, JointIntent intent, World world) {
        return switch (intent) {
            case JointIntent.Note n -> Notes.note(joints, n, world);
            case JointIntent.Correct c -> Notes.correct(joints, c, world);
            case JointIntent.Withdraw w -> Notes.withdraw(joints, w, world);
            case JointIntent.State s -> Notes.state(joints, s, world);
            case JointIntent.KeepReference k -> Openings.keepReference(joints, k, world);
            case JointIntent.Mark m -> Openings.mark(m, world);
            case JointIntent.Open o -> Openings.open(joints, o, world);
            case JointIntent.Find f -> Openings.find(joints, f, world);
            case JointIntent.Try t -> Openings.take(joints, t, world);
            case JointIntent.Refit r -> Openings.refit(joints, r, world);
            case JointIntent.TakeOff t -> Openings.takeOff(joints, t, world);
            case JointIntent.Close c -> Closings.close(joints, c, world);
            case JointIntent.Tighten t -> Closings.tighten(joints, t, world);
            case JointIntent.SetControls s -> Closings.setControls(joints, s, world);
            case JointIntent.Zero z -> Closings.zero(joints, z, world);
            case JointIntent.Grease g -> Closings.grease(joints, g, world);
            case JointIntent.Test t -> Closings.test(joints, t, world);
            case JointIntent.Report r -> report(r, world);
            case JointIntent.Mend m -> mend(joints, m, world);
            case JointIntent.FitShims f -> fit(joints, f, world);
            case JointIntent.NameInfinityShims n -> ShimStack.of(joints, world.instrument()).stream().anyMatch(s -> s.place().equals(n.place()))
                    ? Decision.accepted(new JointEvent.InfinityShimsNamed(n.place())) : Decision.refused("shims.nowhere", "place", n.place());
        };
    }

    private static Decision report(JointIntent.Report r, World world) {
        return world.instrument().joint(r.joint()).isEmpty() ? Openings.noSuch(r.joint())
                : Decision.accepted(new JointEvent.Troubled(r.joint(), r.kind(), r.note().strip()));
    }

    /// The trouble whose note has the words; else the last at the joint in hand; where there is none, the only one there is.
    private static Decision mend(Joints joints, JointIntent.Mend m, World world) {
        List<TroubleAt> all = joints.troubles();
        List<TroubleAt> meant = m.words().map(w -> all.stream().filter(t -> t.note().toLowerCase(Locale.ROOT).contains(w.toLowerCase(Locale.ROOT))).toList()).orElse(List.of());
        Optional<TroubleAt> one = meant.size() == 1 ? Optional.of(meant.getFirst())
                : all.stream().filter(t -> t.joint().equals(m.joint())).reduce((a, b) -> b).or(() -> all.size() == 1 ? Optional.of(all.getFirst()) : Optional.empty());
        if (one.isPresent() && (m.words().isEmpty() || !meant.isEmpty())) {
            return Decision.accepted(new JointEvent.Mended(one.get().joint(), Optional.of(one.get().seq())));
        }
        return all.isEmpty() ? Decision.refused("mend.nothing", "joint", world.nameOf(m.joint()))
                : Decision.refused("mend.which", "all", all.stream().map(t -> t.said(world.nameOf(t.joint()))).toList());
    }

    private static Decision fit(Joints joints, JointIntent.FitShims f, World world) {
        Optional<Double> bad = f.pieces().stream().filter(p -> !(p > 0 && p < 20)).findFirst();
        if (bad.isPresent()) {
            return Decision.refused("shims.range", "mm", bad.get());
        }
        List<ShimStack> stacks = ShimStack.of(joints, world.instrument());
        if (f.place().isEmpty() && stacks.size() > 1) {
            return Decision.refused("shims.where", "places", stacks.stream().map(s -> place(s, world)).toList());
        }
        return Decision.accepted(new JointEvent.ShimsFitted(f.place().or(() -> stacks.stream().map(ShimStack::place).findFirst()), f.pieces()));
    }

    private static String place(ShimStack stack, World world) {
        return world.instrument().part(stack.place()).map(Part::name).orElse(world.nameOf(stack.place()));
    }
}
