package stillglass.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import stillglass.day.Day;
import stillglass.day.DayPlan;
import stillglass.day.DaySolver;
import stillglass.day.Shop;

/// How far above the bound plans of loaded days are left: eight tickets as the bench has them (looked at, decided, opened, two loads that soak, bathe, are rinsed and dry, cleaned by hand, a part made, closed, proven: fifteen tasks and a last look), due so that much is late whatever is done.
///
/// `java -cp benchmarks/target/benchmarks.jar stillglass.benchmarks.LoadedDays DAYS SEED [SECONDS]`
public final class LoadedDays {
    private static final int TICKETS = 8;
    private static final int DUE_FROM = 300;
    private static final int DUE_TO = 6000;
    private static final double UNEVEN = 0.4;
    private static final int DAY_MINUTES = 1440;
    private static final double CLOSE_ENOUGH = 1.05;

    private LoadedDays() {}

    public static void main(String[] args) {
        int days = Integer.parseInt(args[0]);
        long seed = Long.parseLong(args[1]);
        double seconds = args.length > 2 ? Double.parseDouble(args[2]) : 5;
        int close = 0;
        for (int i = 0; i < days; i++) {
            DayPlan plan = DaySolver.solve(drawn(new Random(seed + i)), seconds);
            double over = plan.lateness() / (double) Math.max(1, plan.latenessBound());
            close += over <= CLOSE_ENOUGH || plan.lateness() == plan.latenessBound() ? 1 : 0;
            System.out.printf(Locale.ROOT, "seed %d: late %d, bound %d, %.1f %% above, %.1f s%n", seed + i, plan.lateness(), plan.latenessBound(), 100 * (over - 1), plan.seconds());
        }
        System.out.printf(Locale.ROOT, "within 5 %% of the bound: %d of %d%n", close, days);
    }

    private static Day drawn(Random random) {
        List<Day.Ticket> tickets = new ArrayList<>();
        for (int t = 0; t < TICKETS; t++) {
            List<Day.Task> tasks = new ArrayList<>(List.of(hand("look", 20, List.of(Shop.LAMP), List.of(), Set.of(), random), hand("decide", 10, List.of(), List.of("look"), Set.of(), random), hand("open", 45, List.of(), List.of("decide"), Set.of(), random)));
            List<String> ends = new ArrayList<>();
            for (int load = 1; load <= 2; load++) {
                tasks.add(goesOn("soak " + load, 30, Shop.TIN, "open", Set.of("solvent", "flammable"), random));
                tasks.add(goesOn("bathe " + load, 10, Shop.TANK, "soak " + load, Set.of(), random));
                tasks.add(hand("rinse " + load, 5, List.of(), List.of("bathe " + load), Set.of(), random));
                tasks.add(goesOn("dry " + load, 45, Shop.CABINET, "rinse " + load, Set.of(), random));
                ends.add("dry " + load);
            }
            tasks.add(hand("clean", 60, List.of(Shop.LAMP), List.of("open"), Set.of("solvent"), random));
            tasks.add(hand("make", 60, List.of(), List.of("decide"), Set.of(), random));
            ends.addAll(List.of("clean", "make"));
            tasks.add(hand("close", 60, List.of(), ends, Set.of("grease"), random));
            tasks.add(hand("prove", 30, List.of(), List.of("close"), Set.of(), random));
            tickets.add(new Day.Ticket("T" + t, Optional.of(DUE_FROM + random.nextInt(DUE_TO - DUE_FROM)), 1 + random.nextInt(3), tasks));
        }
        List<Day.Span> hours = new ArrayList<>();
        for (int d = 0; d < 8; d++) {
            hours.add(new Day.Span(d * DAY_MINUTES, d * DAY_MINUTES + 240));
            hours.add(new Day.Span(d * DAY_MINUTES + 300, d * DAY_MINUTES + 540));
        }
        return new Day(1, Map.of(Shop.LAMP, 1, Shop.TIN, 2, Shop.TANK, 1, Shop.CABINET, 3), tickets, hours, List.of(new Day.Pair("solvent", "grease")), Set.of("flammable"));
    }

    private static int minutes(double middle, Random random) {
        return (int) Math.max(1, Math.round(middle * Math.exp(UNEVEN * random.nextGaussian())));
    }

    private static Day.Task hand(String id, double middle, List<String> uses, List<String> after, Set<String> tags, Random random) {
        return new Day.Task(id, minutes(middle, random), true, uses, after, tags, true, Optional.empty());
    }

    private static Day.Task goesOn(String id, double middle, String uses, String after, Set<String> tags, Random random) {
        return new Day.Task(id, minutes(middle, random), false, List.of(uses), List.of(after), tags, false, Optional.empty());
    }
}
