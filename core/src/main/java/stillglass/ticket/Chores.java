package stillglass.ticket;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.care.Drying;
import stillglass.care.Route;
import stillglass.day.Chore;
import stillglass.day.Day;
import stillglass.day.Durations;
import stillglass.day.Fixing;
import stillglass.day.Shop;
import stillglass.plan.Reached;
import stillglass.plan.WayIn;
import stillglass.say.Said;
import stillglass.ticket.care.BathChain;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;
import stillglass.ticket.worth.WorthEvent;

/// What is left to be done on a ticket, as far as its record and its map tell: tasks with what they wait for, what they need and how long they take.
///
/// Stages that were called done, or passed by a later one that has begun, are over. Soaks, baths and drying are those of the parts that will be within reach. Clocks that run hold up what comes next.
///
/// @param tasks in an order in which they can be done
/// @param takes how long each takes, and from where that is known
/// @param slipped tasks that were to have begun by now and are to be done whenever they fit
/// @param urgent whether it corrodes by the hour: it came in wet and is not proven dry
/// @param unknown why no end can be given, where none can
/// @param parts what the makings among the tasks make
public record Chores(List<Day.Task> tasks, Map<String, Durations.Estimate> takes, List<String> slipped, boolean urgent, Optional<Said> unknown, Map<String, String> parts) {
    /// Tags of what must never be open together, or never left alone.
    public static final String SOLVENT = "solvent";
    public static final String GREASE = "grease";
    public static final String FLAMMABLE = "flammable";
    /// What dries as a whole.
    private static final String DRIES = Chore.DRY.word() + " 0";
    /// Minutes that are planned at most.
    private static final int MOST_MINUTES = 60 * 24 * 29;

    public Chores {
        tasks = List.copyOf(tasks);
        takes = Map.copyOf(takes);
        slipped = List.copyOf(slipped);
        parts = Map.copyOf(parts);
    }

    /// A task as it is called on its ticket: what is made is named.
    public Said name(String task) {
        return Optional.ofNullable(parts.get(task)).map(p -> Said.of("chore.make.part", "part", p)).orElse(Fixing.name(task));
    }

    /// @param story of the ticket
    /// @param plan the rest of the way in, where a goal was chosen on a known map
    /// @param durations how long chores take here
    public static Chores of(Story story, World world, Optional<WayIn.Plan> plan, Durations durations, Instant now) {
        return new Maker(story, world, plan, durations, now).chores();
    }

    /// Whether a task goes on already and is where it is: a clock that runs, something wet that dries.
    public static boolean runs(Day.Task task) {
        return task.startMin().isPresent() && (Chore.of(task.id()).filter(c -> c == Chore.WAIT).isPresent() || task.id().equals(DRIES));
    }

    /// Whether anything is left to be done.
    public boolean any() {
        return !tasks.isEmpty();
    }

    private static final class Maker {
        private final TicketState s;
        private final World world;
        private final Optional<WayIn.Plan> plan;
        private final Durations durations;
        private final Instant now;
        private final Map<Chore, Double> spent;
        private final List<Day.Task> tasks = new ArrayList<>();
        private final Map<String, Durations.Estimate> takes = new LinkedHashMap<>();
        private final List<String> slipped = new ArrayList<>();
        /// Tasks of clocks that run, by their names.
        private final Map<String, String> clocks = new HashMap<>();
        private final Map<Chore, Integer> numbers = new EnumMap<>(Chore.class);
        private final Map<String, String> parts = new HashMap<>();

        private Maker(Story story, World world, Optional<WayIn.Plan> plan, Durations durations, Instant now) {
            s = story.state();
            this.world = world;
            this.plan = plan;
            this.durations = durations;
            this.now = now;
            spent = Spent.of(story.rows());
        }

        private Chores chores() {
            Optional<Wet> wet = Wet.of(s).filter(w -> !w.proven());
            if (s.proof().signed(s.joints()).isPresent() || !s.tag().begun()) {
                return new Chores(List.of(), Map.of(), List.of(), false, Optional.empty(), Map.of());
            }
            List<String> last = waits();
            // What came in wet is looked at and opened wet; it is not closed before it is dry.
            Optional<String> dry = wet.flatMap(Wet::drying).filter(d -> !Double.isInfinite(d.toH())).map(d -> dries(wet.get(), d));
            if (!passed(Stage.LOOK)) {
                last = task(Chore.LOOK, 1, last, List.of(Shop.LAMP), Set.of(), usual(Chore.LOOK, Optional.empty()));
            }
            if (!passed(Stage.DECIDE)) {
                last = task(Chore.DECIDE, 1, last, List.of(), Set.of(), usual(Chore.DECIDE, Optional.empty()));
            }
            List<String> begun = last;
            Set<String> open = new LinkedHashSet<>(s.joints().openNow());
            if (!passed(Stage.OPEN)) {
                Optional<Double> byMap = plan.filter(p -> !p.joints().isEmpty()).flatMap(p -> Spent.byMap(p.joints().stream().map(Joint::id).toList(), s, world.instrument()).map(m -> Math.max(m, p.minutes())));
                // Minutes of the map are those that are left; others are for all of it.
                last = task(Chore.OPEN, 1, last, List.of(), Set.of(), byMap.isPresent() ? usual(Chore.OPEN, byMap) : usual(Chore.OPEN, Optional.empty()).less(spent.getOrDefault(Chore.OPEN, 0.0)));
                plan.ifPresent(p -> p.joints().forEach(j -> open.add(j.id())));
            }
            if (!passed(Stage.CLEAN)) {
                last = clean(open, last);
            }
            last = Stream.of(last, dry.stream().toList(), makes(begun)).flatMap(List::stream).toList();
            if (!closed()) {
                Optional<Double> byMap = Spent.byMap(List.copyOf(open), s, world.instrument());
                boolean greases = open.stream().flatMap(id -> world.instrument().joint(id).stream()).flatMap(j -> j.frees().stream()).flatMap(p -> world.instrument().part(p).stream()).anyMatch(p -> p.kind() == Part.Kind.HELICOID);
                last = task(Chore.CLOSE, 1, last, List.of(), greases ? Set.of(GREASE) : Set.of(), byMap.isPresent() ? usual(Chore.CLOSE, byMap) : usual(Chore.CLOSE, Optional.empty()).less(spent.getOrDefault(Chore.CLOSE, 0.0)));
            }
            task(Chore.PROVE, 1, last, List.of(), Set.of(), usual(Chore.PROVE, Optional.empty()).less(spent.getOrDefault(Chore.PROVE, 0.0)));
            Optional<Said> drying = wet.filter(w -> w.drying().filter(d -> !Double.isInfinite(d.toH())).isEmpty()).map(w -> Said.of("chores.wet"));
            return new Chores(tasks, takes, slipped, wet.isPresent(), drying.or(this::waitedFor), parts);
        }

        /// What is bought comes when it comes.
        private Optional<Said> waitedFor() {
            List<String> bought = s.worth().toMake().values().stream().filter(p -> !made(p)).map(WorthEvent.PartToMake::name).toList();
            return bought.isEmpty() ? Optional.empty() : Optional.of(Said.of("chores.bought", "parts", bought));
        }

        private static boolean made(WorthEvent.PartToMake p) {
            return p.minutes().isPresent() || p.cost().isEmpty();
        }

        /// Parts that are lacking are made while the rest is open or soaks, and are there before it is closed. One that is only said to cost something is bought, and nobody knows when it comes.
        private List<String> makes(List<String> after) {
            List<String> ends = new ArrayList<>();
            for (WorthEvent.PartToMake p : s.worth().toMake().values()) {
                if (made(p)) {
                    int number = numbers.merge(Chore.MAKE, 1, Integer::sum);
                    parts.put(named(Chore.MAKE, number), p.name());
                    ends.addAll(task(Chore.MAKE, number, after, List.of(), Set.of(), p.minutes().map(Durations.Estimate::said).orElseGet(() -> usual(Chore.MAKE, Optional.empty()))));
                }
            }
            return ends;
        }

        private Durations.Estimate usual(Chore chore, Optional<Double> byMap) {
            return durations.of(chore, byMap, s.tag().instrumentId());
        }

        private boolean passed(Stage stage) {
            return s.done(stage) || Stream.of(Stage.values()).anyMatch(later -> later.compareTo(stage) > 0 && later != Stage.PROVE && s.begun(later)) && !(stage == Stage.OPEN && onTheWay())
                    || stage == Stage.LOOK && !world.instrument().sort().images() && s.begun(Stage.LOOK);
        }

        /// Whether joints are still to be opened though something within reach was cleaned already.
        private boolean onTheWay() {
            return !s.joints().closing() && plan.filter(p -> !p.joints().isEmpty()).isPresent();
        }

        private boolean closed() {
            return s.done(Stage.CLOSE) || s.joints().opening() && s.joints().openNow().isEmpty() && s.joints().closing();
        }

        /// What is soaked, bathed, rinsed and dried goes on while the rest is cleaned by hand.
        private List<String> clean(Set<String> open, List<String> last) {
            Set<String> clean = new HashSet<>(s.care().cleaned().stream().filter(CareEvent.PartCleaned::gone).map(CareEvent.PartCleaned::part).toList());
            List<Part> parts = Reached.parts(world.instrument(), world.section(), open).stream().filter(p -> !clean.contains(p.id())).toList();
            Ways ways = Ways.of(s, world.instrument(), parts, open, world.care());
            List<String> ends = new ArrayList<>();
            for (Route r : List.of(Route.TIN, Route.TANK)) {
                for (int i = 1; i <= ways.loads().getOrDefault(r, List.of()).size(); i++) {
                    ends.addAll(bathes(new BathChain(r, i), last));
                }
            }
            ends.addAll(task(Chore.CLEAN, 1, last, List.of(Shop.LAMP), Set.of(SOLVENT), usual(Chore.CLEAN, Optional.empty()).less(spent.getOrDefault(Chore.CLEAN, 0.0))));
            return ends;
        }

        /// A load from where it is: what its clock counts is one that runs, the rest comes after it.
        private List<String> bathes(BathChain chain, List<String> last) {
            List<Chore> links = chain.links();
            Optional<Chore> running = chain.running(s.care());
            List<String> after = running.flatMap(r -> chain.clock(r, s.care())).flatMap(c -> Optional.ofNullable(clocks.get(c.timer()))).map(List::of).orElse(running.isPresent() ? List.of() : last);
            for (Chore link : links.subList(running.map(r -> links.indexOf(r) + 1).orElse(0), links.size())) {
                int number = numbers.merge(link, 1, Integer::sum);
                after = switch (link) {
                    case SOAK -> task(link, number, after, List.of(Shop.TIN), Set.of(SOLVENT, FLAMMABLE), usual(link, BathChain.minutes(link, world.care())));
                    case BATHE -> task(link, number, after, List.of(Shop.TANK), Set.of(), usual(link, BathChain.minutes(link, world.care())));
                    case DRY -> task(link, number, after, List.of(Shop.CABINET), Set.of(), usual(link, Optional.empty()));
                    default -> task(link, number, after, List.of(), Set.of(), usual(link, Optional.empty()));
                };
            }
            return after;
        }

        /// Clocks that run; they hold up whatever comes next.
        private List<String> waits() {
            List<String> all = new ArrayList<>();
            List<CareEvent.TimerSet> running = s.care().timers().values().stream().filter(t -> t.ends().isAfter(now)).sorted(Comparator.comparing(CareEvent.TimerSet::ends)).toList();
            for (int i = 0; i < running.size(); i++) {
                String id = named(Chore.WAIT, i + 1);
                double left = Math.min(MOST_MINUTES, Math.ceil(Duration.between(now, running.get(i).ends()).toMillis() / 60_000.0));
                add(new Day.Task(id, (int) Math.max(1, left), false, List.of(), List.of(), Set.of(), false, Optional.of(0)), Durations.Estimate.said(left));
                clocks.put(running.get(i).timer(), id);
                // What bathes holds up nothing but its own load.
                if (!running.get(i).timer().startsWith("bath-")) {
                    all.add(id);
                }
            }
            return all;
        }

        /// It is dry in four cases of five by the time that lies between what is likely and the end of the interval.
        private String dries(Wet wet, Drying d) {
            double since = Wet.hours(wet.weighings().getFirst().at(), now);
            double middle = Math.max(1, (d.readyAtH() - since) * 60);
            double late = Math.max(middle, (d.toH() - since) * 60);
            String id = DRIES;
            add(new Day.Task(id, (int) Math.min(MOST_MINUTES, Math.ceil(middle)), false, List.of(), List.of(), Set.of(), false, Optional.of(0)), new Durations.Estimate(middle, middle + (late - middle) * 0.43, Durations.Source.BENCH, wet.weighings().size()));
            return id;
        }

        private List<String> task(Chore chore, int number, List<String> after, List<String> uses, Set<String> tags, Durations.Estimate usual) {
            String id = named(chore, number);
            Durations.Estimate e = Optional.ofNullable(s.agenda().takes().get(id)).map(m -> Durations.Estimate.said(m).less(chore.attended() ? spent.getOrDefault(chore, 0.0) : 0)).orElse(usual);
            Optional<Integer> start = Optional.ofNullable(s.agenda().fixed().get(id)).map(at -> Math.toIntExact(Math.clamp(Duration.between(now, at).toMinutes(), -1, MOST_MINUTES)));
            if (start.filter(m -> m < 0).isPresent()) {
                slipped.add(id);
            }
            int minutes = (int) Math.clamp(Math.round(e.middle()), 1, MOST_MINUTES);
            add(new Day.Task(id, minutes, chore.attended(), uses, after, new TreeSet<>(tags), chore.attended(), start.filter(m -> m >= 0)), e);
            return List.of(id);
        }

        private void add(Day.Task task, Durations.Estimate e) {
            tasks.add(task);
            takes.put(task.id(), e);
        }

        private static String named(Chore chore, int number) {
            return number == 1 ? chore.word() : chore.word() + " " + number;
        }
    }
}
