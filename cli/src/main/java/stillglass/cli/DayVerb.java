package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.data.DayJson;
import stillglass.day.Day;
import stillglass.day.DayPlan;
import stillglass.day.DaySolver;

/// `day FILE`: tasks of all open tickets in their time.
@CommandLine.Command(name = "day", description = "Plans a bench day: tasks of all tickets over hands, tins and tanks; weighted lateness first, then the finish, then idle hands.", mixinStandardHelpOptions = true)
final class DayVerb extends Verb {
    private static final double USUAL_SECONDS = 5;

    @CommandLine.Parameters(paramLabel = "FILE", description = "tickets, hands and hours, JSON")
    private Path file = Path.of("");

    @CommandLine.Option(names = "--seconds", paramLabel = "N", description = "how long may be searched, ${DEFAULT-VALUE}")
    private double seconds = USUAL_SECONDS;

    @Override
    public Integer call() {
        Day day = DayJson.read(file);
        DayPlan plan;
        try {
            plan = DaySolver.solve(day, seconds);
        } catch (IllegalArgumentException cannot) {
            throw new BadInput(String.valueOf(file.getFileName()), "day", String.valueOf(cannot.getMessage()));
        }
        if (json()) {
            out().println(answer(plan).json());
        } else {
            told(plan);
        }
        return 0;
    }

    private static Answer answer(DayPlan plan) {
        List<Map<String, Object>> schedule = new ArrayList<>();
        plan.slots().forEach(s -> schedule.add(new Answer().put("ticket", s.ticket()).put("task", s.task()).put("start", s.start()).put("end", s.end()).fields()));
        return new Answer().put("schedule", schedule).put("lateness", plan.lateness()).put("finish", plan.finish()).put("idle", plan.idle()).put("bound", new Answer().put("lateness", plan.latenessBound())).number("seconds", plan.seconds());
    }

    private void told(DayPlan plan) {
        PrintWriter out = out();
        plan.slots().forEach(s -> out.printf(Locale.ROOT, "%5d to %5d  %s  %s%n", s.start(), s.end(), s.ticket(), s.task()));
        out.printf(Locale.ROOT, "late %d (no plan less than %d), finished after %d min, hands idle %d min%n", plan.lateness(), plan.latenessBound(), plan.finish(), plan.idle());
    }
}
