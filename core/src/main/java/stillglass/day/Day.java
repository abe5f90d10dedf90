package stillglass.day;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/// What is to be done and with what. Times are minutes from now.
///
/// @param hands how many people work at the bench
/// @param resources how many there are of each other thing: tanks, tins, lamps, cabinets
/// @param hours when somebody is there, in order, not touching
/// @param keepApart pairs of tags that must never be open together, as solvent and grease
/// @param staffedOnly tags of what must not go on while nobody is there
public record Day(int hands, Map<String, Integer> resources, List<Ticket> tickets, List<Span> hours, List<Pair> keepApart, Set<String> staffedOnly) {
    private static final int MOST_TASKS = 400;
    static final int MOST_MINUTES = 60 * 24 * 30;

    /// A stretch of time.
    public record Span(int from, int to) {
        public Span {
            if (from < 0 || to <= from || to > MOST_MINUTES) {
                throw new IllegalArgumentException("hours from " + from + " to " + to + " are none: give minutes from now, the end after the beginning, within thirty days");
            }
        }

        public int length() {
            return to - from;
        }
    }

    /// Two tags.
    public record Pair(String one, String other) {}

    /// @param dueMin when it is to be done; empty where no day was named
    /// @param weight how much a minute of its lateness counts
    public record Ticket(String id, Optional<Integer> dueMin, int weight, List<Task> tasks) {
        public Ticket {
            tasks = List.copyOf(tasks);
            if (id.isBlank() || weight < 0 || weight > 1000) {
                throw new IllegalArgumentException("ticket “" + id + "” with weight " + weight + ": give a name and a weight from 0 to 1000");
            }
        }
    }

    /// @param attended whether it needs hands all the time
    /// @param uses other things it needs, one of each
    /// @param after tasks of the same ticket that must be done before
    /// @param tags what it is: solvent, grease, flammable
    /// @param splits whether a pause may break it
    /// @param startMin when it began or must begin; empty while that is free
    public record Task(String id, int minutes, boolean attended, List<String> uses, List<String> after, Set<String> tags, boolean splits, Optional<Integer> startMin) {
        public Task {
            uses = List.copyOf(uses);
            after = List.copyOf(after);
            tags = Set.copyOf(tags);
            if (id.isBlank() || minutes < 1 || minutes > MOST_MINUTES) {
                throw new IllegalArgumentException("task “" + id + "” of " + minutes + " minutes: give a name and at least a minute");
            }
        }

        /// Whether it goes on by itself since before now.
        boolean goesOn() {
            return !attended && startMin.filter(s -> s == 0).isPresent();
        }

        /// The same that needs only things there are; without the others it does: by hand, in a bowl, at the window.
        public Task using(Predicate<String> there) {
            return new Task(id, minutes, attended, uses.stream().filter(there).toList(), after, tags, splits, startMin);
        }

        /// The same beginning at a time, or whenever it fits.
        public Task at(Optional<Integer> start) {
            return new Task(id, minutes, attended, uses, after, tags, splits, start);
        }
    }

    /// The same with other tickets.
    public Day with(List<Ticket> others) {
        return new Day(hands, resources, others, hours, keepApart, staffedOnly);
    }

    public Day {
        resources = Map.copyOf(resources);
        tickets = List.copyOf(tickets);
        hours = List.copyOf(hours);
        keepApart = List.copyOf(keepApart);
        staffedOnly = Set.copyOf(staffedOnly);
        if (hands < 1 || hands > 100) {
            throw new IllegalArgumentException(hands + " people at the bench: give 1 to 100");
        }
        if (hours.isEmpty()) {
            throw new IllegalArgumentException("nobody is ever there: give hours");
        }
        for (int i = 1; i < hours.size(); i++) {
            if (hours.get(i).from <= hours.get(i - 1).to) {
                throw new IllegalArgumentException("hours from " + hours.get(i).from + " begin before those before them have ended at " + hours.get(i - 1).to);
            }
        }
        checked(tickets, resources);
        for (Ticket t : tickets) {
            for (Task k : t.tasks) {
                boolean whole = k.attended && !k.splits || k.tags.stream().anyMatch(staffedOnly::contains);
                if (whole && hours.stream().noneMatch(h -> h.length() >= k.minutes)) {
                    throw new IllegalArgumentException("task “" + k.id + "” of ticket “" + t.id + "” takes " + k.minutes + " minutes at a stretch, longer than anybody is there");
                }
            }
        }
    }

    private static void checked(List<Ticket> tickets, Map<String, Integer> resources) {
        Set<String> names = new HashSet<>();
        int all = 0;
        for (Ticket t : tickets) {
            if (!names.add(t.id)) {
                throw new IllegalArgumentException("two tickets are called “" + t.id + "”");
            }
            Map<String, Task> tasks = new LinkedHashMap<>();
            for (Task k : t.tasks) {
                all++;
                if (tasks.put(k.id, k) != null) {
                    throw new IllegalArgumentException("two tasks of ticket “" + t.id + "” are called “" + k.id + "”");
                }
            }
            for (Task k : t.tasks) {
                k.after.stream().filter(a -> !tasks.containsKey(a)).findFirst().ifPresent(a -> {
                    throw new IllegalArgumentException("task “" + k.id + "” of ticket “" + t.id + "” waits for “" + a + "”, which is none of its tasks");
                });
                k.uses.stream().filter(u -> resources.getOrDefault(u, 0) < 1).findFirst().ifPresent(u -> {
                    throw new IllegalArgumentException("task “" + k.id + "” of ticket “" + t.id + "” uses “" + u + "”, of which there is none");
                });
            }
            if (order(t).size() < t.tasks.size()) {
                throw new IllegalArgumentException("tasks of ticket “" + t.id + "” wait for each other in a circle");
            }
        }
        if (all > MOST_TASKS) {
            throw new IllegalArgumentException(all + " tasks are more than are planned at once: give at most " + MOST_TASKS);
        }
    }

    /// Tasks of a ticket, each after those it waits for; fewer than there are where some wait in a circle.
    static List<Task> order(Ticket t) {
        Map<String, Integer> waits = new HashMap<>();
        t.tasks.forEach(k -> waits.put(k.id, new HashSet<>(k.after).size()));
        Deque<Task> free = new ArrayDeque<>(t.tasks.stream().filter(k -> k.after.isEmpty()).toList());
        List<Task> order = new ArrayList<>();
        while (!free.isEmpty()) {
            Task k = free.poll();
            order.add(k);
            for (Task o : t.tasks) {
                if (o.after.contains(k.id) && waits.merge(o.id, -1, Integer::sum) == 0) {
                    free.add(o);
                }
            }
        }
        return order;
    }

    /// Whether a task must lie within hours from beginning to end.
    boolean within(Task k) {
        return k.attended && !k.splits || k.tags.stream().anyMatch(staffedOnly::contains);
    }

    /// A task by its ticket and name.
    public Optional<Task> task(String ticket, String task) {
        return tickets.stream().filter(t -> t.id.equals(ticket)).flatMap(t -> t.tasks.stream()).filter(k -> k.id.equals(task)).findFirst();
    }

    boolean apart(Task a, Task b) {
        return keepApart.stream().anyMatch(p -> a.tags.contains(p.one) && b.tags.contains(p.other) || a.tags.contains(p.other) && b.tags.contains(p.one));
    }
}
