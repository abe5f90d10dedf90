package stillglass.day;

import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

    private record Task(String ticket, String task) {}

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
        Optional<ListSchedule> laid = DaySolver.laidOut(day);
        Map<Task, Integer> begins = new HashMap<>();
        plan.slots().forEach(s -> begins.put(new Task(s.ticket(), s.task()), s.start()));
        int longest = day.hours().stream().mapToInt(Day.Span::length).max().orElse(1);
        ListSchedule.Otherwise drawn = new ListSchedule.Otherwise() {
            @Override
            public int begins(String ticket, Day.Task task) {
                return begins.getOrDefault(new Task(ticket, task.id()), 0);
            }

            @Override
            public int minutes(String ticket, Day.Task task) {
                double minutes = task.minutes() * Math.exp(spread.applyAsDouble(ticket, task.id()) * random.nextGaussian());
                return (int) Math.clamp(Math.round(minutes), 1, day.within(task) ? longest : Day.MOST_MINUTES);
            }
        };
        for (int i = 0; i < draws; i++) {
            List<DayPlan.Slot> slots = laid.flatMap(l -> l.inOrder(drawn)).orElse(List.of());
            int draw = i;
            ends.values().forEach(all -> all[draw] = slots.isEmpty() ? NEVER : 0);
            slots.forEach(s -> Optional.ofNullable(ends.get(s.ticket())).ifPresent(all -> all[draw] = Math.max(all[draw], s.end())));
        }
        Map<String, OptionalInt> through = new LinkedHashMap<>();
        ends.forEach((ticket, all) -> {
            Arrays.sort(all);
            int at = all[(int) Math.min(draws - 1.0, Math.ceil(MET * draws) - 1)];
            through.put(ticket, at == NEVER ? OptionalInt.empty() : OptionalInt.of(at));
        });
        return new Promises(through);
    }
}
