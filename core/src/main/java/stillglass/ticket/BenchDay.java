package stillglass.ticket;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import stillglass.day.Chore;
import stillglass.day.Chore;
import stillglass.day.Day;
import stillglass.day.DayPlan;
import stillglass.day.DaySolver;
import stillglass.day.Durations;
import stillglass.day.Fixing;
import stillglass.day.Outlook;
import stillglass.day.Promises;
import stillglass.day.Shop;
import stillglass.plan.WayIn;
import stillglass.say.Said;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.World;
import stillglass.ticket.worth.Worth;

/// The work of all open tickets over the hours of the shop.
///
/// @param now to the minute; all minutes are counted from it
/// @param tickets those that are planned, by due day
/// @param left how many more are open than are planned: too many, or with a soak longer than anybody is there
/// @param unfixed tasks whose fixed time cannot be kept, by ticket and task, with the reason
/// @param plan nothing while there is nothing to do, or what there is does not fit
/// @param promises when tickets will be through in four cases of five
public record BenchDay(Shop shop, Instant now, ZoneId zone, Day day, List<Open> tickets, int left, Map<Slotted, Said> unfixed, Optional<DayPlan> plan, Promises promises) {
    /// Days ahead that are planned.
    public static final int DAYS = 28;
    private static final int MOST_TASKS = 300;
    /// Of the hours ahead, how much may be filled: pauses between tasks that wait for each other want room.
    private static final double FILLED = 0.85;
    private static final int DRAWS = 100;
    private static final int URGENT = 8;
    private static final double QUICK_SECONDS = 0.5;

    /// A ticket with what is left of it.
    /// @param outlook whether going on pays, where somebody said what it is worth and what an hour costs
    /// @param unsaid what that leaves out, because nobody said it
    /// @param back whether it goes back to where it was bought, where it may
    public record Open(Tag tag, Chores chores, Optional<Outlook> outlook, List<Said> unsaid, Optional<Said> back) {
        public Open {
            unsaid = List.copyOf(unsaid);
        }

        public String number() {
            return tag.number();
        }
    }

    /// A task of a ticket.
    public record Slotted(String ticket, String task) {}

    /// A ticket as it was read.
    /// @param plan the rest of its way in
    public record Read(Story story, World world, Optional<WayIn.Plan> plan) {}

    public BenchDay {
        tickets = List.copyOf(tickets);
        unfixed = Map.copyOf(unfixed);
    }

    /// Planned at once, by urgency.
    /// @param read open tickets
    public static BenchDay of(Shop shop, List<Read> read, Durations durations, Instant at, ZoneId zone) {
        Instant now = at.truncatedTo(ChronoUnit.MINUTES);
        List<Open> all = read.stream().map(r -> opened(r, shop, durations, now, zone)).filter(o -> o.chores.any())
                .sorted(Comparator.comparing((Open o) -> !o.chores.urgent()).thenComparing(o -> o.tag.due().orElse(LocalDate.MAX)).thenComparing(Open::number)).toList();
        List<Day.Span> hours = shop.spans(now, zone, DAYS);
        int longest = hours.stream().mapToInt(Day.Span::length).max().orElse(0);
        double room = FILLED * shop.hands() * hours.stream().mapToInt(Day.Span::length).sum();
        List<Open> planned = new ArrayList<>();
        int tasks = 0;
        for (Open o : all) {
            tasks += o.chores.tasks().size();
            room -= o.chores.tasks().stream().filter(Day.Task::attended).mapToInt(Day.Task::minutes).sum();
            boolean possible = o.chores.tasks().stream().noneMatch(k -> k.tags().contains(Chores.FLAMMABLE) && k.minutes() > longest);
            if (possible && tasks <= MOST_TASKS && (room >= 0 || planned.isEmpty())) {
                planned.add(o);
            }
        }
        Day day = new Day(shop.hands(), shop.things(), planned.stream().map(o -> ticket(o, shop, now, zone)).toList(), hours, List.of(new Day.Pair(Chores.SOLVENT, Chores.GREASE)), Set.of(Chores.FLAMMABLE));
        return new BenchDay(shop, now, zone, day, planned, all.size() - planned.size(), Map.of(), Optional.empty(), new Promises(Map.of())).quick();
    }

    private static Open opened(Read r, Shop shop, Durations durations, Instant now, ZoneId zone) {
        Chores chores = Chores.of(r.story, r.world, r.plan, durations, now);
        // What is to be made is weighed by itself: only what somebody said of it counts there.
        List<Durations.Estimate> attended = chores.tasks().stream().filter(Day.Task::attended).filter(k -> Chore.of(k.id()).filter(Chore.MAKE::equals).isEmpty()).flatMap(k -> Stream.ofNullable(chores.takes().get(k.id()))).toList();
        Worth worth = r.story.state().worth();
        Optional<Outlook> outlook = worth.outlook(attended, shop.hourCosts());
        return new Open(r.story.state().tag(), chores, outlook, worth.unsaid(), worth.back(outlook, shop.hourCosts(), LocalDate.ofInstant(now, zone)));
    }

    private static Day.Ticket ticket(Open o, Shop shop, Instant now, ZoneId zone) {
        LocalDate today = now.atZone(zone).toLocalDate();
        // What corrodes by the hour is wanted today, whatever day was named.
        Optional<LocalDate> wanted = o.chores.urgent() ? Optional.of(today) : o.tag.due();
        return new Day.Ticket(o.number(), wanted.map(d -> Math.max(0, shop.closing(now, zone, d))), o.chores.urgent() ? URGENT : 1, o.chores.tasks().stream().map(k -> k.using(shop::has)).toList());
    }

    /// By urgency, without what is fixed and cannot be kept.
    private BenchDay quick() {
        if (tickets.isEmpty()) {
            return this;
        }
        Optional<DayPlan> found = DaySolver.quick(day, QUICK_SECONDS);
        if (found.isPresent()) {
            return planned(day, unfixed, found);
        }
        Map<Slotted, Said> cannot = new LinkedHashMap<>(unfixed);
        Day free = day;
        for (Day.Ticket t : day.tickets()) {
            for (Day.Task k : t.tasks()) {
                if (k.startMin().isPresent() && !Chores.runs(k)) {
                    Day without = fixed(free, t.id(), k.id(), Optional.empty());
                    Optional<Said> why = Fixing.refused(without, t.id(), k.id(), k.startMin().get());
                    if (why.isPresent()) {
                        free = without;
                        cannot.put(new Slotted(t.id(), k.id()), why.get());
                    }
                }
            }
        }
        return planned(free, cannot, DaySolver.quick(free, QUICK_SECONDS));
    }

    private BenchDay planned(Day other, Map<Slotted, Said> cannot, Optional<DayPlan> found) {
        Promises kept = found.map(p -> Promises.of(other, p, (t, k) -> spread(t, k), DRAWS)).orElse(new Promises(Map.of()));
        return new BenchDay(shop, now, zone, other, tickets, left, cannot, found, kept);
    }

    private double spread(String ticket, String task) {
        return open(ticket).flatMap(o -> Optional.ofNullable(o.chores.takes().get(task))).map(Durations.Estimate::spread).orElse(0.0);
    }

    private static Day fixed(Day day, String ticket, String task, Optional<Integer> start) {
        return day.with(day.tickets().stream().map(t -> t.id().equals(ticket) ? new Day.Ticket(t.id(), t.dueMin(), t.weight(), t.tasks().stream().map(k -> k.id().equals(task) ? k.at(start) : k).toList()) : t).toList());
    }

    /// The same searched for a better plan.
    /// @param seconds how long
    /// @throws IllegalArgumentException for no time to search in
    public BenchDay searched(double seconds) {
        return searched(seconds, () -> false);
    }

    /// The same, until it is stopped: then as it is.
    public BenchDay searched(double seconds, BooleanSupplier stopped) {
        DaySolver.checked(seconds);
        if (plan.isEmpty()) {
            return this;
        }
        DayPlan better;
        try {
            better = DaySolver.solve(day, seconds, stopped);
        } catch (IllegalArgumentException noneInTime) {
            // On a busy machine the search may not even get as far as the plan there is.
            return this;
        } catch (CancellationException nobodyWants) {
            return this;
        }
        boolean worth = better.lateness() < plan.get().lateness() || better.lateness() == plan.get().lateness() && better.finish() < plan.get().finish();
        return worth ? planned(day, unfixed, Optional.of(better)) : this;
    }

    /// Why a task cannot begin at a time; nothing where it may be tried.
    public Optional<Said> refused(Slotted what, Instant at) {
        return Fixing.refused(fixed(day, what.ticket, what.task, Optional.empty()), what.ticket, what.task, (int) Duration.between(now, at).toMinutes());
    }

    public Optional<Open> open(String ticket) {
        return tickets.stream().filter(o -> o.number().equals(ticket)).findFirst();
    }

    /// A minute of the plan as a moment.
    public Instant at(int minute) {
        return now.plus(minute, ChronoUnit.MINUTES);
    }

    /// When a ticket is through: as planned, and as can be promised.
    /// @param promised empty where it is not through within what is planned, or nobody can say
    public record Through(int planned, OptionalInt promised) {}

    /// Nothing for a ticket with nothing to do.
    public Optional<Through> through(String ticket) {
        OptionalInt end = plan.map(p -> p.end(ticket)).orElse(OptionalInt.empty());
        boolean unknown = open(ticket).flatMap(o -> o.chores.unknown()).isPresent();
        return end.isEmpty() ? Optional.empty() : Optional.of(new Through(end.getAsInt(), unknown ? OptionalInt.empty() : Optional.ofNullable(promises.through().get(ticket)).orElse(OptionalInt.empty())));
    }

    /// By how many minutes a ticket is through after its day; 0 where it is not, or no day was named.
    public int late(String ticket) {
        Optional<LocalDate> due = open(ticket).flatMap(o -> o.tag.due());
        int end = plan.map(p -> p.end(ticket).orElse(0)).orElse(0);
        return due.map(d -> Math.max(0, end - Math.max(0, shop.closing(now, zone, d)))).orElse(0);
    }

    /// What hands should take up at once: baths first, which then go on by themselves.
    public List<DayPlan.Slot> next() {
        return plan.map(p -> p.slots().stream().filter(s -> s.start() == 0 && day.task(s.ticket(), s.task()).filter(k -> !Chores.runs(k)).isPresent())
                .sorted(Comparator.comparing((DayPlan.Slot s) -> Chore.of(s.task()).filter(Chore::attended).isPresent())).toList()).orElse(List.of());
    }

    /// The first that hands take up, now or later.
    public Optional<DayPlan.Slot> first() {
        return next().stream().findFirst().or(() -> plan.flatMap(p -> p.slots().stream().filter(s -> day.task(s.ticket(), s.task()).filter(Day.Task::attended).isPresent()).findFirst()));
    }
}
