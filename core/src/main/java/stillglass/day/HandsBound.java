package stillglass.day;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/// How late tickets are at least, and in which order they are through, if nothing but hands, or nothing but one other thing, were short.
///
/// Whatever is planned, tickets are through with the hands in some order, and when the first so many of it are, all they need of the hands has been done: by then at least so many staffed minutes have gone. The least weighted lateness over all orders is therefore a bound; it is found over all sets of tickets (M. Held and R. Karp, *Journal of the Society for Industrial and Applied Mathematics* 10 (1962)).
/// After its last attended task a ticket still takes what goes on by itself, and it is never through before it would be if it were alone. Attended tasks whose time is fixed are left out of what the hands have to do: a bound may be low, never high.
///
/// @param lateness weighted, at least; 0 where there are more tickets than can be gone through
/// @param order of tickets by which the hands would be least late, as indices; as they stand where there are too many
record HandsBound(long lateness, List<Integer> order) {
    /// Sets of so many are gone through at once.
    private static final int MOST_TICKETS = 16;

    HandsBound {
        order = List.copyOf(order);
    }

    static HandsBound of(Day day) {
        int n = day.tickets().size();
        List<Integer> asTheyStand = IntStream.range(0, n).boxed().toList();
        if (n == 0 || n > MOST_TICKETS) {
            return new HandsBound(0, asTheyStand);
        }
        int[] alone = day.tickets().stream().mapToInt(t -> alone(day, t)).toArray();
        HandsBound hands = least(day, alone, load(day, k -> k.attended() && k.startMin().isEmpty()), day.hands(), true, tails(day));
        long most = hands.lateness;
        for (Map.Entry<String, Integer> thing : day.resources().entrySet()) {
            int[] load = load(day, k -> k.uses().contains(thing.getKey()));
            most = Math.max(most, least(day, alone, load, thing.getValue(), false, new int[n]).lateness);
        }
        return new HandsBound(most, hands.order);
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
    private static HandsBound least(Day day, int[] alone, int[] load, int capacity, boolean staffed, int[] tail) {
        int n = load.length;
        int[] sums = new int[1 << n];
        long[] least = new long[1 << n];
        int[] last = new int[1 << n];
        List<Integer> byDay = IntStream.range(0, n).boxed().sorted(Comparator.comparingInt(t -> day.tickets().get(t).dueMin().orElse(Integer.MAX_VALUE))).toList();
        for (int set = 1; set < 1 << n; set++) {
            int low = Integer.numberOfTrailingZeros(set);
            sums[set] = sums[set & set - 1] + load[low];
            // Rounded down: a bound may be low.
            int through = staffed ? when(day, sums[set] / capacity) : sums[set] / capacity;
            least[set] = Long.MAX_VALUE;
            for (int t : byDay) {
                if ((set >> t & 1) == 1) {
                    Day.Ticket ticket = day.tickets().get(t);
                    int end = Math.max(alone[t], load[t] == 0 ? 0 : through + tail[t]);
                    long late = least[set ^ 1 << t] + (long) ticket.weight() * Math.max(0, end - ticket.dueMin().orElse(Integer.MAX_VALUE));
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
        return new HandsBound(least[(1 << n) - 1], order);
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
