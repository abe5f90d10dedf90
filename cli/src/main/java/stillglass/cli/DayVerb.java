package stillglass.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.data.DayJson;
import stillglass.book.log.Logbook;
import stillglass.book.log.OpenTickets;
import stillglass.book.report.DayCalendar;
import stillglass.day.Day;
import stillglass.day.DayPlan;
import stillglass.day.DaySolver;
import stillglass.look.Progress;
import stillglass.ticket.BenchDay;

/// `day FILE`: tasks of all open tickets in their time, from a file that lists them or from a logbook.
@CommandLine.Command(name = "day", description = "Plans a bench day: tasks of all tickets over hands, tins and tanks; weighted lateness first, then the finish, then idle hands.", mixinStandardHelpOptions = true)
final class DayVerb extends Verb {
    private static final double USUAL_SECONDS = 5;

    @CommandLine.Parameters(paramLabel = "FILE", description = "tickets, hands and hours, JSON; or a logbook, whose open tickets are planned")
    private Path file = Path.of("");

    @CommandLine.Option(names = "--seconds", paramLabel = "N", description = "how long may be searched, ${DEFAULT-VALUE}")
    private double seconds = USUAL_SECONDS;

    @CommandLine.Option(names = "--ics", paramLabel = "OUT", description = "write the plan of a logbook as a calendar here")
    private @Nullable Path calendar;

    @CommandLine.Option(names = "--from", paramLabel = "TIME", description = "plan a logbook from this local time, as in 2026-11-24T09:00, not from now")
    private @Nullable LocalDateTime from;

    @Override
    public Integer call() throws IOException {
        if (Files.isRegularFile(file) && Logbook.is(file)) {
            try {
                DaySolver.checked(seconds);
            } catch (IllegalArgumentException none) {
                throw new BadInput("command line", "--seconds", String.valueOf(none.getMessage()));
            }
            ofLogbook();
            return 0;
        }
        if (calendar != null || from != null) {
            throw new BadInput(String.valueOf(file.getFileName()), calendar != null ? "--ics" : "--from", "it is no logbook, and only what is planned from one has a date");
        }
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

    private void ofLogbook() {
        ZoneId zone = ZoneId.systemDefault();
        Instant now = from != null ? from.atZone(zone).toInstant() : InstantSource.system().instant();
        try (ShopBook book = ShopBook.open(file, InstantSource.fixed(now), "day", err())) {
            OpenTickets.Read read = new OpenTickets(book.tickets()).read();
            BenchDay day = read.day(t -> t.withWay(Progress.SILENT), now, zone).searched(seconds);
            if (calendar != null) {
                DayCalendar.write(day, book.log().clocks(), calendar);
            }
            if (json()) {
                out().println(answer(day, read.said()).json());
            } else {
                told(day, read.said());
            }
        }
    }

    private static Answer answer(BenchDay day, boolean said) {
        Answer a = day.plan().map(DayVerb::answer).orElseGet(() -> new Answer().put("schedule", List.of())).put("from", day.now().toString()).put("hours_said", said);
        List<Map<String, Object>> tickets = new ArrayList<>();
        for (BenchDay.Open o : day.tickets()) {
            Answer t = new Answer().put("ticket", o.number()).put("title", o.tag().title());
            o.tag().due().ifPresent(d -> t.put("due", d.toString()));
            day.through(o.number()).ifPresent(th -> {
                t.put("through", day.at(th.planned()).toString());
                th.promised().ifPresent(p -> t.put("promised", day.at(p).toString()));
            });
            t.put("takes", new TreeMap<>(o.chores().takes()).entrySet().stream().map(e -> new Answer().put("task", e.getKey()).number("middle", e.getValue().middle()).number("promised", e.getValue().promised())
                    .put("source", e.getValue().source().name().toLowerCase(Locale.ROOT)).put("jobs", e.getValue().jobs()).fields()).toList());
            tickets.add(t.fields());
        }
        return a.put("tickets", tickets).put("not_planned", day.left());
    }

    private void told(BenchDay day, boolean said) {
        PrintWriter out = out();
        DateTimeFormatter clock = DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.UK).withZone(day.zone());
        if (!said) {
            out.println("hours as usual, for the shop has said none");
        }
        day.plan().ifPresentOrElse(p -> p.slots().forEach(s -> out.printf(Locale.ROOT, "%s to %s  %s  %s%n", clock.format(day.at(s.start())), clock.format(day.at(s.end())), s.ticket(), s.task())),
                () -> out.println(day.tickets().isEmpty() && day.left() == 0 ? "nothing is to be done" : "it does not all fit into the next " + BenchDay.DAYS + " days"));
        day.tickets().forEach(o -> day.through(o.number()).ifPresent(t -> out.printf(Locale.ROOT, "%s through %s, promise %s%n", o.number(), clock.format(day.at(t.planned())),
                t.promised().isPresent() ? clock.format(day.at(t.promised().getAsInt())) : "nothing yet")));
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
