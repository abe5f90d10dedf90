package stillglass.app.day;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import stillglass.app.desk.BenchDays;
import stillglass.app.theme.DueDay;
import stillglass.app.theme.Words;
import stillglass.day.Chore;
import stillglass.day.Day;
import stillglass.day.DayPlan;
import stillglass.day.Durations;
import stillglass.day.Fixing;
import stillglass.day.Shop;
import stillglass.say.Said;
import stillglass.ticket.BenchDay;
import stillglass.ticket.Chores;

/// What the day page shows.
///
/// @param head the day, and from when on it is planned
/// @param sub whose hours it is planned by, and how good the plan is
/// @param rows hands first, then things, then what goes on by itself
/// @param hours when somebody is there
/// @param tickets by due day
/// @param chosen the block in hand
/// @param task everything known about it
public record DayModel(String head, String sub, List<Row> rows, List<Day.Span> hours, List<Ticket> tickets, Optional<BenchDay.Slotted> chosen, Optional<Task> task, String empty) {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("H:mm", Locale.ENGLISH);
    private static final DateTimeFormatter OTHER_DAY = DateTimeFormatter.ofPattern("EEE H:mm", Locale.ENGLISH);
    private static final DateTimeFormatter FAR_DAY = DateTimeFormatter.ofPattern("EEE d MMM H:mm", Locale.ENGLISH);
    private static final DateTimeFormatter HEAD = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);
    private static final int WEEK_DAYS = 6;

    /// @param hands whether it is somebody's
    /// @param shared whether its blocks are shown in the row of hands as well
    public record Row(String name, List<Block> blocks, boolean hands, boolean shared) {
        public Row {
            blocks = List.copyOf(blocks);
        }
    }

    /// @param what its task in a word
    /// @param after tasks of its ticket it waits for
    /// @param fixed whether its time is fixed
    /// @param late whether its ticket is through too late
    /// @param movable whether it can be put to another time
    public record Block(BenchDay.Slotted id, String what, int start, int end, boolean attended, boolean fixed, boolean late, boolean movable, List<String> after, String spoken) {
        public Block {
            after = List.copyOf(after);
        }
    }

    /// @param through when it is through in the middle case
    /// @param promise when four times in five
    /// @param remark what has to be said about it, empty for nothing
    public record Ticket(String number, String title, String due, String through, String promise, String remark, boolean late, boolean chosen) {}

    /// @param takes how long it takes, and from where that is known
    /// @param fixed whether its time is fixed
    /// @param movable whether it can be put to another time
    public record Task(String ticket, String what, String when, String takes, boolean fixed, boolean movable) {}

    public DayModel {
        rows = List.copyOf(rows);
        hours = List.copyOf(hours);
        tickets = List.copyOf(tickets);
    }

    /// @param wanted the block that was chosen; the first thing to do where it is there no more
    static DayModel of(BenchDays.Planned planned, Optional<BenchDay.Slotted> wanted) {
        BenchDay d = planned.day();
        List<DayPlan.Slot> slots = d.plan().map(DayPlan::slots).orElse(List.of());
        Optional<BenchDay.Slotted> chosen = wanted.filter(w -> slots.stream().anyMatch(s -> id(s).equals(w))).or(() -> d.first().map(DayModel::id));
        String hours = Words.of(planned.said() ? "day.hours.said" : "day.hours.usual");
        String plan = d.plan().filter(p -> d.tickets().stream().anyMatch(o -> o.tag().due().isPresent())).map(p -> d.tickets().stream().mapToLong(o -> d.late(o.number())).sum()).map(late -> late == 0 ? Words.of("day.in-time") : Words.of("day.late", hours(late))).orElse("") + (d.left() > 0 ? " " + Words.of("day.left", d.left(), BenchDay.DAYS) : "");
        return new DayModel(Words.of("day.head", HEAD.format(d.now().atZone(d.zone())), CLOCK.format(d.now().atZone(d.zone()))), plan.isEmpty() ? hours : Words.of("day.sub", hours, plan), rows(d, slots), d.day().hours(),
                d.tickets().stream().map(o -> ticket(o, d, chosen)).toList(), chosen, chosen.flatMap(c -> task(c, d, slots)), d.plan().isPresent() ? "" : Words.of(d.tickets().isEmpty() && d.left() == 0 ? "day.empty" : "day.full", BenchDay.DAYS));
    }

    private static BenchDay.Slotted id(DayPlan.Slot s) {
        return new BenchDay.Slotted(s.ticket(), s.task());
    }

    private static String hours(long minutes) {
        return minutes < 120 ? Words.of("day.minutes", minutes) : Words.of("day.hours", minutes / 60.0);
    }

    private static List<Row> rows(BenchDay d, List<DayPlan.Slot> slots) {
        List<Row> rows = new ArrayList<>();
        lanes(d.day().hands(), slots.stream().filter(s -> attended(s)).toList()).forEach(l -> rows.add(row(rows.isEmpty() ? Words.of("day.row.hands") : Words.of("day.row.hands.more", rows.size() + 1), l, d, true, false)));
        Map<String, List<DayPlan.Slot>> users = new LinkedHashMap<>();
        Shop.THINGS.forEach(t -> users.put(t, slots.stream().filter(s -> d.day().task(s.ticket(), s.task()).filter(k -> k.uses().contains(t)).isPresent()).toList()));
        users.forEach((thing, all) -> {
            int many = d.day().resources().getOrDefault(thing, 1);
            List<List<DayPlan.Slot>> lanes = lanes(many, all);
            for (int i = 0; i < lanes.size(); i++) {
                if (!lanes.get(i).isEmpty()) {
                    String name = Words.of("day.row." + thing);
                    rows.add(row(many == 1 ? name : Words.of("day.row.numbered", name, i + 1), lanes.get(i), d, false, lanes.get(i).stream().allMatch(DayModel::attended)));
                }
            }
        });
        List<DayPlan.Slot> alone = slots.stream().filter(s -> !attended(s) && users.values().stream().noneMatch(u -> u.contains(s))).toList();
        lanes(alone.size(), alone).stream().filter(l -> !l.isEmpty()).forEach(l -> rows.add(row(Words.of("day.row.alone"), l, d, false, false)));
        return rows;
    }

    /// Slots over as few rows as there are things, each row with nothing at the same time.
    private static List<List<DayPlan.Slot>> lanes(int most, List<DayPlan.Slot> slots) {
        List<List<DayPlan.Slot>> lanes = new ArrayList<>();
        for (int i = 0; i < most; i++) {
            lanes.add(new ArrayList<>());
        }
        for (DayPlan.Slot s : slots.stream().sorted(Comparator.comparingInt(DayPlan.Slot::start)).toList()) {
            lanes.stream().filter(l -> l.isEmpty() || l.getLast().end() <= s.start()).findFirst().ifPresent(l -> l.add(s));
        }
        return lanes;
    }

    private static Said name(String ticket, String task, BenchDay d) {
        return d.open(ticket).map(o -> o.chores().name(task)).orElse(Fixing.name(task));
    }

    private static boolean attended(DayPlan.Slot s) {
        return Chore.of(s.task()).filter(Chore::attended).isPresent();
    }

    private static Row row(String name, List<DayPlan.Slot> slots, BenchDay d, boolean hands, boolean shared) {
        return new Row(name, slots.stream().map(s -> block(s, d)).toList(), hands, shared);
    }

    private static Block block(DayPlan.Slot s, BenchDay d) {
        String what = Words.say(name(s.ticket(), s.task(), d));
        return new Block(id(s), what, s.start(), s.end(), attended(s), fixed(id(s), d), d.late(s.ticket()) > 0, movable(id(s), d), d.day().task(s.ticket(), s.task()).map(Day.Task::after).orElse(List.of()), Words.of("day.block.spoken", s.ticket(), what, time(s.start(), d), time(s.end(), d)));
    }

    private static boolean fixed(BenchDay.Slotted id, BenchDay d) {
        return movable(id, d) && d.day().task(id.ticket(), id.task()).flatMap(Day.Task::startMin).isPresent();
    }

    /// A clock that runs, or what dries, is where it is.
    private static boolean movable(BenchDay.Slotted id, BenchDay d) {
        return d.day().task(id.ticket(), id.task()).filter(k -> !Chores.runs(k)).isPresent();
    }

    private static Ticket ticket(BenchDay.Open o, BenchDay d, Optional<BenchDay.Slotted> chosen) {
        Optional<BenchDay.Through> through = d.through(o.number());
        List<String> remarks = new ArrayList<>();
        o.chores().unknown().ifPresent(u -> remarks.add(Words.sentence(u)));
        o.chores().slipped().forEach(t -> remarks.add(Words.of("day.slipped", Words.say(o.chores().name(t)))));
        d.unfixed().forEach((slot, why) -> {
            if (slot.ticket().equals(o.number())) {
                remarks.add(Words.of("day.unfixed", Words.say(o.chores().name(slot.task())), Words.sentence(why)));
            }
        });
        o.outlook().ifPresent(x -> {
            remarks.add(Words.of("day.outlook." + x.verdict().name().toLowerCase(Locale.ROOT), x.leftHours(), Math.max(0, x.paysHours()), 100 * x.chance()));
            o.unsaid().forEach(u -> remarks.add(Words.say(u)));
        });
        o.back().ifPresent(b -> remarks.add(Words.say(b)));
        LocalDate today = d.now().atZone(d.zone()).toLocalDate();
        return new Ticket(o.number(), o.tag().title(), o.tag().due().map(day -> DueDay.words(day, today)).orElse(Words.of("tag.due.unknown")), through.map(t -> time(t.planned(), d)).orElse("–"),
                through.flatMap(t -> t.promised().isPresent() ? Optional.of(time(t.promised().getAsInt(), d)) : Optional.empty()).orElse(Words.of("day.promise.none")), String.join(" ", remarks), d.late(o.number()) > 0, chosen.filter(c -> c.ticket().equals(o.number())).isPresent());
    }

    private static Optional<Task> task(BenchDay.Slotted c, BenchDay d, List<DayPlan.Slot> slots) {
        Optional<DayPlan.Slot> slot = slots.stream().filter(s -> id(s).equals(c)).findFirst();
        Optional<Durations.Estimate> takes = d.open(c.ticket()).flatMap(o -> Optional.ofNullable(o.chores().takes().get(c.task())));
        return slot.map(s -> new Task(c.ticket(), Words.capital(Words.say(name(c.ticket(), c.task(), d))), Words.of("day.task.when", time(s.start(), d), time(s.end(), d)), takes.map(DayModel::takes).orElse(""), fixed(c, d), movable(c, d)));
    }

    private static String takes(Durations.Estimate e) {
        String key = "day.takes." + e.source().name().toLowerCase(Locale.ROOT);
        return Words.of(key, hours(Math.round(e.middle())), hours(Math.round(e.promised())), e.jobs());
    }

    /// A minute of the plan, with its day where it is not today.
    static String time(int minute, BenchDay d) {
        return time(d.at(minute), d.now(), d.zone());
    }

    static String time(Instant at, Instant now, ZoneId zone) {
        ZonedDateTime t = at.atZone(zone);
        LocalDate today = now.atZone(zone).toLocalDate();
        return (t.toLocalDate().equals(today) ? CLOCK : t.toLocalDate().isAfter(today.plusDays(WEEK_DAYS)) ? FAR_DAY : OTHER_DAY).format(t);
    }

    /// What hands take up now or next, in a few words.
    /// @param here the ticket that is shown: it is not named
    static Optional<String> next(BenchDay d, Optional<String> here) {
        return d.first().map(s -> {
            String what = Words.say(name(s.ticket(), s.task(), d));
            String whose = here.filter(s.ticket()::equals).isPresent() ? what : Words.of("day.next.whose", s.ticket(), what);
            return s.start() == 0 ? Words.of("day.next.now", whose) : Words.of("day.next.later", time(s.start(), d), whose);
        });
    }

    /// All blocks that can be walked through, in time.
    List<Block> walk() {
        return rows.stream().filter(r -> !r.shared()).flatMap(r -> r.blocks().stream()).sorted(Comparator.comparingInt(Block::start).thenComparing(b -> b.id().ticket())).distinct().toList();
    }
}
