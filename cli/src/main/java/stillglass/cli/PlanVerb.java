package stillglass.cli;

import java.nio.charset.StandardCharsets;
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
import stillglass.book.data.InstrumentGraph;
import stillglass.book.data.InstrumentJson;
import stillglass.book.data.Shelf;
import stillglass.book.report.MatFiles;
import stillglass.book.file.SafeFile;
import stillglass.look.Progress;
import stillglass.optics.LensSection;
import stillglass.plan.Alternatives;
import stillglass.plan.Goal;
import stillglass.plan.Leaves;
import stillglass.plan.LookAlikes;
import stillglass.plan.Step;
import stillglass.plan.Tooling;
import stillglass.plan.TrayMat;
import stillglass.plan.WayIn;
import stillglass.say.Wording;

/// `plan FILE --reach GOAL`: the best way in.
@CommandLine.Command(name = "plan", description = "Finds the cheapest way in to parts or surfaces.", mixinStandardHelpOptions = true)
final class PlanVerb implements Callable<Integer> {
    @CommandLine.Parameters(paramLabel = "FILE", description = "instrument JSON")
    private Path file = Path.of("");

    @CommandLine.Option(names = "--reach", required = true, description = "part id, element such as E2, or surface such as S4; repeatable")
    private List<String> reach = new ArrayList<>();

    @CommandLine.Option(names = "--without", paramLabel = "JOINT", description = "joint that is not to be used; repeatable")
    private List<String> without = new ArrayList<>();

    @CommandLine.Option(names = "--lacking", paramLabel = "TOOL", description = "tool that is not on the bench; what can stand in for it is used; repeatable")
    private List<String> lacking = new ArrayList<>();

    @CommandLine.Option(names = "--alternatives", description = "also ways from the front, from the rear and a full strip")
    private boolean alternatives;

    @CommandLine.Option(names = "--graphml", paramLabel = "OUT", description = "writes the instrument as a graph")
    private @Nullable Path graph;

    @CommandLine.Option(names = "--mat", paramLabel = "OUT", description = "writes the tray mat at its true size, .pdf or .svg")
    private @Nullable Path mat;

    @CommandLine.Option(names = "--json", description = "one JSON object")
    private boolean json;

    @CommandLine.Spec
    private CommandLine.Model.@Nullable CommandSpec spec;

    @Override
    public Integer call() {
        Instrument map = InstrumentJson.read(file);
        Set<String> missing = Set.copyOf(lacking);
        // The section tells where glass is too steep for blades; a file may name one that is not on the shelf.
        Shelf shelf = new Shelf();
        Optional<LensSection> section = map.sectionId().filter(id -> map.sort() != Instrument.Sort.BODY && shelf.sectionIds().contains(id)).map(shelf::section);
        Tooling tooling = new Tooling(missing, section);
        Instrument instrument = tooling.fitted(map);
        List<Goal> goals = reach.stream().map(r -> goal(r, instrument, section)).toList();
        var line = Objects.requireNonNull(spec).commandLine();
        without.stream().filter(j -> instrument.joint(j).isEmpty()).findFirst().ifPresent(j -> {
            throw new BadInput(String.valueOf(file.getFileName()), "--without", "there is no joint " + j);
        });
        WayIn.Request request = WayIn.Request.of(instrument, goals).without(Set.copyOf(without));
        Optional<WayIn.Plan> plan = tooling.plan(map, request, Progress.SILENT);
        if (plan.isEmpty()) {
            line.getErr().println("still-glass: " + file.getFileName() + ": joints: none of them leads to " + String.join(", ", reach));
            return 1;
        }
        if (graph != null) {
            SafeFile.write(graph, InstrumentGraph.graphml(map).getBytes(StandardCharsets.UTF_8), file);
        }
        if (mat != null) {
            MatFiles.write(TrayMat.of(instrument, plan.get().joints()), mat, file);
        }
        List<Alternatives.Way> ways = alternatives ? Alternatives.of(request, Progress.SILENT).ways() : List.of();
        List<Tooling.Lack> lacks = tooling.lacks(map, plan.get());
        List<String> leaves = Leaves.among(instrument, goals).stream().map(l -> Wording.core().sentence(l.said()) + ".").toList();
        if (json) {
            Answer answer = answer(instrument, plan.get()).put("lacking", lacks.stream().map(PlanVerb::lack).toList()).put("leaves", leaves);
            line.getOut().println((ways.isEmpty() ? answer : answer.put("alternatives", ways.stream().map(w -> way(w).fields()).toList())).json());
        } else {
            print(line.getOut(), plan.get());
            leaves.forEach(l -> line.getOut().println(l));
            lacks.forEach(l -> line.getOut().println(lack(l)));
            ways.forEach(w -> line.getOut().printf(Locale.ROOT, "%-11s %3d joints, %4.0f min, risk %4.1f %%, %d tools, %d turn-overs, %d marks%n",
                    w.sort().word(), w.plan().joints().size(), w.plan().minutes(), 100 * w.plan().risk(), w.plan().tools().size(), w.plan().turnOvers(), w.plan().marks().size()));
        }
        boolean stopped = lacks.stream().anyMatch(l -> l.instead().isEmpty());
        if (stopped) {
            line.getErr().println("still-glass: " + file.getFileName() + ": tools: no way avoids " + String.join(", ", lacks.stream().filter(l -> l.instead().isEmpty()).map(Tooling.Lack::missing).distinct().toList())
                    + ", and nothing stands in for it: get it before you begin");
        }
        return stopped ? 1 : 0;
    }

    private Goal goal(String text, Instrument instrument, Optional<LensSection> section) {
        return switch (Goal.read(text, instrument, section)) {
            case Goal.Read.Known k -> k.goal();
            case Goal.Read.Unknown u -> throw new BadInput(String.valueOf(file.getFileName()), "--reach", Wording.core().say(u.why()));
        };
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

    private static Answer way(Alternatives.Way w) {
        return new Answer().put("way", w.sort().word()).put("joints", w.plan().joints().stream().map(Joint::id).toList()).number("minutes", w.plan().minutes())
                .number("risk", w.plan().risk()).put("tools", w.plan().tools()).put("turn_overs", w.plan().turnOvers())
                .put("references", w.plan().marks().stream().map(Instrument.Reference::id).toList())
                .number("cost", w.plan().cost()).number("bound", w.plan().bound());
    }

    private static String lack(Tooling.Lack l) {
        return l.missing() + (l.instead().isEmpty() ? ": missing, nothing stands in for it" : ": " + l.instead().get() + " instead") + " for " + l.joint().name() + ", " + Wording.core().say(l.why());
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
                    .put("hazards", c.hazards().stream().map(Joint.Hazard::word).toList())
                    .put("before", c.before().id());
            case Step.Set m -> new Answer().put("do", "set").put("what", Wording.core().say(m.what())).put("why", Wording.core().say(m.why())).put("before", m.before().id());
            case Step.MakeSafe m -> new Answer().put("do", "make-safe").put("what", Wording.core().say(m.what())).put("why", Wording.core().say(m.why())).put("before", m.before().id());
            case Step.Protect p -> new Answer().put("do", "protect").put("what", Wording.core().say(p.what())).put("why", Wording.core().say(p.why())).put("before", p.before().id());
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
                case Step.Set m -> out.println("    " + Wording.core().say(m.what()) + ": " + Wording.core().say(m.why()));
                case Step.MakeSafe m -> out.println("    make safe: " + Wording.core().say(m.what()) + ": " + Wording.core().say(m.why()));
                case Step.Protect p -> out.println("    " + Wording.core().say(p.what()) + ": " + Wording.core().say(p.why()));
                case Step.Catch c -> out.println("    be ready: " + String.join(", ",
                        c.hazards().stream().map(Joint.Hazard::word).toList()));
                case Step.Open o -> out.printf(Locale.ROOT, "%2d  %-26s %-7s %s%s%n", n++, o.joint().name(),
                        o.joint().side().word(), o.joint().tool(), o.turnOver() ? "   (turn over)" : "");
            }
        }
        out.printf(Locale.ROOT, "%.0f min, risk %.1f %%, %d tool changes, %d turn-overs; %s%n", plan.minutes(), 100 * plan.risk(),
                plan.toolChanges(), plan.turnOvers(),
                plan.provenBest() ? "no better order exists" : String.format(Locale.ROOT, "within %.1f min of the best", plan.cost() - plan.bound()));
    }
}
