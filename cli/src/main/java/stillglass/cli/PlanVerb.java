package stillglass.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.book.BadInput;
import stillglass.book.data.InstrumentJson;
import stillglass.plan.Goal;
import stillglass.plan.LookAlikes;
import stillglass.plan.PlanCost;
import stillglass.plan.Step;
import stillglass.plan.WayIn;

/// `plan FILE --reach GOAL`: the best way in.
@CommandLine.Command(name = "plan", description = "Finds the cheapest way in to parts or surfaces.", mixinStandardHelpOptions = true)
final class PlanVerb implements Callable<Integer> {
    @CommandLine.Parameters(paramLabel = "FILE", description = "instrument JSON")
    private Path file = Path.of("");

    @CommandLine.Option(names = "--reach", required = true, description = "part id, element such as E2, or surface such as S4; repeatable")
    private List<String> reach = new ArrayList<>();

    @CommandLine.Option(names = "--json", description = "one JSON object")
    private boolean json;

    @CommandLine.Spec
    private CommandLine.Model.@Nullable CommandSpec spec;

    @Override
    public Integer call() {
        Instrument instrument = InstrumentJson.read(file);
        List<Goal> goals = reach.stream().map(r -> goal(r, instrument)).toList();
        var line = Objects.requireNonNull(spec).commandLine();
        Optional<WayIn.Plan> plan = WayIn.plan(instrument, goals, Set.of(), Set.of(), PlanCost.USUAL);
        if (plan.isEmpty()) {
            line.getErr().println("still-glass: " + file.getFileName() + ": joints: none of them leads to " + String.join(", ", reach));
            return 1;
        }
        if (json) {
            line.getOut().println(answer(instrument, plan.get()).json());
        } else {
            print(line.getOut(), plan.get());
        }
        return 0;
    }

    private Goal goal(String text, Instrument instrument) {
        try {
            return Goal.parse(text, instrument, Optional.empty());
        } catch (IllegalArgumentException e) {
            throw new BadInput(String.valueOf(file.getFileName()), "--reach", String.valueOf(e.getMessage()));
        }
    }

    private static Answer answer(Instrument instrument, WayIn.Plan plan) {
        List<Object> cautions = new ArrayList<>();
        for (LookAlikes.Pair p : LookAlikes.among(instrument, plan.joints())) {
            cautions.add(lookAlike(p));
        }
        return new Answer()
                .put("instrument", instrument.name())
                .put("steps", plan.steps().stream().map(s -> step(s).fields()).toList())
                .number("minutes", plan.minutes())
                .number("risk", plan.risk())
                .put("tool_changes", plan.toolChanges())
                .put("turn_overs", plan.turnOvers())
                .number("cost", plan.cost())
                .number("bound", plan.bound())
                .put("proven_best", plan.provenBest())
                .put("marks", plan.steps().stream()
                        .filter(Step.Mark.class::isInstance)
                        .map(s -> ((Step.Mark) s).reference().id())
                        .toList())
                .put("cautions", cautions);
    }

    private static String lookAlike(LookAlikes.Pair p) {
        return String.format(Locale.ROOT, "screws %s (%.1f mm) and %s (%.1f mm) look alike%s",
                p.hole().cell(), p.hole().lengthMm(), p.otherHole().cell(), p.otherHole().lengthMm(),
                p.bottomsByMm() > 0 ? String.format(Locale.ROOT, "; swapped, the longer bottoms by %.1f mm", p.bottomsByMm()) : "");
    }

    private static Answer step(Step step) {
        return switch (step) {
            case Step.Mark m -> new Answer().put("do", "mark").put("reference", m.reference().id())
                    .put("how", m.reference().how()).put("before", m.before().id());
            case Step.Catch c -> new Answer().put("do", "catch")
                    .put("hazards", c.hazards().stream().map(h -> h.name().toLowerCase(Locale.ROOT).replace('_', ' ')).toList())
                    .put("before", c.before().id());
            case Step.Open o -> new Answer().put("do", "open").put("joint", o.joint().id()).put("name", o.joint().name())
                    .put("tool", o.joint().tool()).put("side", o.joint().side().word())
                    .put("new_tool", o.newTool()).put("turn_over", o.turnOver())
                    .number("minutes", o.joint().minutes()).number("risk", o.joint().risk())
                    .put("frees", o.joint().frees());
        };
    }

    private static void print(java.io.PrintWriter out, WayIn.Plan plan) {
        int n = 1;
        for (Step s : plan.steps()) {
            switch (s) {
                case Step.Mark m -> out.println("    mark " + m.reference().name() + ": " + m.reference().how());
                case Step.Catch c -> out.println("    be ready: " + String.join(", ",
                        c.hazards().stream().map(Joint.Hazard::name).map(h -> h.toLowerCase(Locale.ROOT).replace('_', ' ')).toList()));
                case Step.Open o -> out.printf(Locale.ROOT, "%2d  %-26s %-7s %s%s%n", n++, o.joint().name(),
                        o.joint().side().word(), o.joint().tool(), o.turnOver() ? "   (turn over)" : "");
            }
        }
        out.printf(Locale.ROOT, "%.0f min, risk %.1f %%, %d tool changes, %d turn-overs; %s%n", plan.minutes(), 100 * plan.risk(),
                plan.toolChanges(), plan.turnOvers(),
                plan.provenBest() ? "no better order exists" : String.format(Locale.ROOT, "within %.1f min of the best", plan.cost() - plan.bound()));
    }
}
