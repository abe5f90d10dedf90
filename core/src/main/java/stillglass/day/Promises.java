package stillglass.day;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import java.util.function.ToDoubleBiFunction;

/// When tickets will be through, chores taking now longer and now shorter than planned.
///
/// Every draw gives each chore another time, lognormal around the planned one, and goes through the day in the order of the plan, each task as early as it then fits; what has its time fixed does not begin before it. What can be promised is met in four draws of five.
///
/// @param through minutes from now by ticket; empty where a ticket is not through within the hours that are planned in so many draws
public record Promises(Map<String, OptionalInt> through) {
    private static final double MET = 0.8;
    private static final int NEVER = Integer.MAX_VALUE;

    public Promises {
        through = Map.copyOf(through);
    }

    /// @param spread of the logarithm of a ticket's task; 0 for what takes as long as it takes
    /// @param draws how many days are gone through
    public static Promises of(Day day, DayPlan plan, ToDoubleBiFunction<String, String> spread, int draws) {
        SplittableRandom random = new SplittableRandom(1);
        Map<String, int[]> ends = new LinkedHashMap<>();
        day.tickets().forEach(t -> ends.put(t.id(), new int[draws]));
        for (int i = 0; i < draws; i++) {
            Day drawn = drawn(day, spread, random);
            List<DayPlan.Slot> slots = DaySolver.again(drawn, plan, (ticket, task) -> day.task(ticket, task).flatMap(Day.Task::startMin).orElse(0)).orElse(List.of());
            int draw = i;
            ends.forEach((ticket, all) -> all[draw] = slots.stream().filter(s -> s.ticket().equals(ticket)).mapToInt(DayPlan.Slot::end).max().orElse(NEVER));
        }
        Map<String, OptionalInt> through = new LinkedHashMap<>();
        ends.forEach((ticket, all) -> {
            Arrays.sort(all);
            int at = all[(int) Math.min(draws - 1.0, Math.ceil(MET * draws) - 1)];
            through.put(ticket, at == NEVER ? OptionalInt.empty() : OptionalInt.of(at));
        });
        return new Promises(through);
    }

    private static Day drawn(Day day, ToDoubleBiFunction<String, String> spread, SplittableRandom random) {
        int longest = day.hours().stream().mapToInt(Day.Span::length).max().orElse(1);
        List<Day.Ticket> tickets = new ArrayList<>();
        for (Day.Ticket t : day.tickets()) {
            List<Day.Task> tasks = new ArrayList<>();
            for (Day.Task k : t.tasks()) {
                double minutes = k.minutes() * Math.exp(spread.applyAsDouble(t.id(), k.id()) * random.nextGaussian());
                int most = day.within(k) ? longest : NEVER / 8;
                // A clock that runs began already; any other time that is fixed is one before which it does not begin.
                boolean runs = k.startMin().filter(s -> s == 0).isPresent() && !k.attended();
                tasks.add(k.lasting((int) Math.clamp(Math.round(minutes), 1, Math.min(most, Day.MOST_MINUTES)), runs));
            }
            tickets.add(new Day.Ticket(t.id(), t.dueMin(), t.weight(), tasks));
        }
        return day.with(tickets);
    }
}
