package stillglass.day;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.stream.IntStream;

/// How late tickets are at least, and in which order they are through, if nothing but hands, or nothing but one other thing, were short.
///
/// Whatever is planned, tickets are through with the hands in some order, and when the first so many of it are, all they need of the hands has been done: by then at least so many staffed minutes have gone. The least weighted lateness over all orders is therefore a bound; it is found over all sets of tickets (M. Held and R. Karp, *Journal of the Society for Industrial and Applied Mathematics* 10 (1962)).
/// After its last attended task a ticket still takes what goes on by itself, and it is never through before it would be if it were alone. Attended tasks whose time is fixed are left out of what the hands have to do: a bound may be low, never high.
///
/// @param lateness weighted, at least; 0 where there are more tickets than can be gone through
/// @param orders of tickets by which the hands would be least late, as indices, the best first; as they stand where there are too many
record HandsBound(long lateness, List<List<Integer>> orders) {
    /// Sets of so many are gone through at once.
    private static final int MOST_TICKETS = 16;
    /// How much later than the best an order may be and still be told.
    private static final double WORSE = 1.15;
    /// Beginnings of orders that are kept in mind.
    private static final int MOST_PARTS = 200_000;

    HandsBound {
        orders = List.copyOf(orders);
    }

    static HandsBound of(Day day) {
        return of(day, 1);
    }

    /// @param most how many orders at most
    static HandsBound of(Day day, int most) {
        int n = day.tickets().size();
        List<Integer> asTheyStand = IntStream.range(0, n).boxed().toList();
        if (n == 0 || n > MOST_TICKETS) {
            return new HandsBound(0, List.of(asTheyStand));
        }
        int[] alone = day.tickets().stream().mapToInt(t -> alone(day, t)).toArray();
        HandsBound hands = least(day, alone, load(day, k -> k.attended() && k.startMin().isEmpty()), day.hands(), true, tails(day), most);
        long late = hands.lateness;
        for (Map.Entry<String, Integer> thing : day.resources().entrySet()) {
            int[] load = load(day, k -> k.uses().contains(thing.getKey()));
            late = Math.max(late, least(day, alone, load, thing.getValue(), false, new int[n], 1).lateness);
        }
        return new HandsBound(late, hands.orders);
    }

    private interface Takes {
        boolean it(Day.Task task);
    }

    private static int[] load(Day day, Takes takes) {
        return day.tickets().stream().mapToInt(t -> t.tasks().stream().filter(takes::it).mapToInt(Day.Task::minutes).sum()).toArray();
    }

    /// @param alone the earliest a ticket can be through at all
    /// @param load minutes each ticket takes of what is short
    /// @param tail minutes that follow on the last of them, at least
    private static HandsBound least(Day day, int[] alone, int[] load, int capacity, boolean staffed, int[] tail, int most) {
        int n = load.length;
        int[] sums = new int[1 << n];
        int[] through = new int[1 << n];
        long[] least = new long[1 << n];
        int[] last = new int[1 << n];
        List<Integer> byDay = IntStream.range(0, n).boxed().sorted(Comparator.comparingInt(t -> day.tickets().get(t).dueMin().orElse(Integer.MAX_VALUE))).toList();
        for (int set = 1; set < 1 << n; set++) {
            int low = Integer.numberOfTrailingZeros(set);
            sums[set] = sums[set & set - 1] + load[low];
            // Rounded down: a bound may be low.
            through[set] = staffed ? when(day, sums[set] / capacity) : sums[set] / capacity;
            least[set] = Long.MAX_VALUE;
            for (int t : byDay) {
                if ((set >> t & 1) == 1) {
                    long late = least[set ^ 1 << t] + late(day.tickets().get(t), end(alone[t], load[t], through[set], tail[t]));
                    // Of orders that are alike the one whose days come in turn.
                    if (late <= least[set]) {
                        least[set] = late;
                        last[set] = t;
                    }
                }
            }
        }
        List<Integer> order = new ArrayList<>();
        for (int set = (1 << n) - 1; set > 0; set ^= 1 << last[set]) {
            order.addFirst(last[set]);
        }
        Set<List<Integer>> orders = new LinkedHashSet<>(List.of(order));
        // From the last ticket to the first, the least promising put off: what is complete comes out in turn.
        PriorityQueue<Part> open = new PriorityQueue<>(Comparator.comparingLong(Part::atLeast));
        open.add(new Part((1 << n) - 1, 0, least[(1 << n) - 1], List.of()));
        while (!open.isEmpty() && orders.size() < most && open.size() < MOST_PARTS) {
            Part p = open.poll();
            if (p.atLeast > WORSE * least[(1 << n) - 1]) {
                break;
            }
            if (p.rest == 0) {
                orders.add(p.then);
            }
            for (int t : byDay) {
                if ((p.rest >> t & 1) == 1) {
                    long cost = p.cost + late(day.tickets().get(t), end(alone[t], load[t], through[p.rest], tail[t]));
                    List<Integer> then = new ArrayList<>(p.then);
                    then.addFirst(t);
                    open.add(new Part(p.rest ^ 1 << t, cost, cost + least[p.rest ^ 1 << t], then));
                }
            }
        }
        return new HandsBound(least[(1 << n) - 1], List.copyOf(orders));
    }

    /// The end of an order.
    /// @param rest set of tickets that come before
    /// @param cost of those that come then
    /// @param atLeast of the whole order
    private record Part(int rest, long cost, long atLeast, List<Integer> then) {}

    /// When a ticket is through as the last of some.
    /// @param through when all they need of what is short has been done
    private static int end(int alone, int load, int through, int tail) {
        return Math.max(alone, load == 0 ? 0 : through + tail);
    }

    private static long late(Day.Ticket ticket, int end) {
        return (long) ticket.weight() * Math.max(0, end - ticket.dueMin().orElse(Integer.MAX_VALUE));
    }

    /// The minute by which so many staffed ones have gone; the last there is where there are not so many.
    private static int when(Day day, int minutes) {
        int left = minutes;
        for (Day.Span h : day.hours()) {
            if (left <= h.length()) {
                return left == 0 ? 0 : h.from() + left;
            }
            left -= h.length();
        }
        return day.hours().getLast().to();
    }

    /// What goes on by itself after the attended task that comes last, at least: which one that is is not known.
    private static int[] tails(Day day) {
        return day.tickets().stream().mapToInt(t -> {
            Map<String, Integer> after = new HashMap<>();
            List<Day.Task> order = Day.order(t);
            for (Day.Task k : order.reversed()) {
                int longest = 0;
                boolean attendedLater = false;
                for (Day.Task o : order) {
                    if (o.after().contains(k.id())) {
                        int follows = after.getOrDefault(o.id(), Integer.MIN_VALUE);
                        attendedLater |= o.attended() || follows == Integer.MIN_VALUE;
                        longest = Math.max(longest, follows == Integer.MIN_VALUE ? 0 : follows + o.minutes());
                    }
                }
                after.put(k.id(), attendedLater ? Integer.MIN_VALUE : longest);
            }
            return order.stream().filter(Day.Task::attended).mapToInt(k -> after.getOrDefault(k.id(), 0)).filter(m -> m != Integer.MIN_VALUE).min().orElse(0);
        }).toArray();
    }

    /// The earliest a ticket is through were it alone with everything free: attended minutes are staffed ones.
    private static int alone(Day day, Day.Ticket t) {
        Map<String, Integer> ends = new HashMap<>();
        for (Day.Task k : Day.order(t)) {
            int ready = Math.max(k.startMin().orElse(0), k.after().stream().mapToInt(a -> ends.getOrDefault(a, 0)).max().orElse(0));
            // What has its time already keeps it, whoever is there.
            ends.put(k.id(), k.attended() && k.startMin().isEmpty() ? when(day, gone(day, ready) + k.minutes()) : ready + k.minutes());
        }
        return ends.values().stream().mapToInt(e -> e).max().orElse(0);
    }

    /// Staffed minutes gone by a minute.
    private static int gone(Day day, int minute) {
        return day.hours().stream().mapToInt(h -> Math.clamp(minute - (long) h.from(), 0, h.length())).sum();
    }
}
