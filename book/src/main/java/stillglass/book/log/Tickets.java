package stillglass.book.log;

import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import stillglass.assembly.Build;
import stillglass.assembly.Instrument;
import stillglass.assembly.Point;
import stillglass.book.data.LensJson;
import stillglass.book.data.Shelf;
import stillglass.care.CareOutcomes;
import stillglass.care.CareTables;
import stillglass.care.Good;
import stillglass.care.Goods;
import stillglass.look.ShopTeaching;
import stillglass.optics.LensSection;
import stillglass.plan.alike.AlikeModel;
import stillglass.say.Said;
import stillglass.ticket.Agreement;
import stillglass.ticket.Deciding;
import stillglass.ticket.Story;
import stillglass.ticket.TicketState;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.course.CourseEvent;
import stillglass.ticket.facts.Lubricated;
import stillglass.ticket.joints.JointEvent;
import stillglass.ticket.joints.LearnedMap;
import stillglass.ticket.joints.EarlierJobs;
import stillglass.ticket.joints.Lesson;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.History;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Undone;
import stillglass.ticket.story.Who;
import stillglass.ticket.story.World;

/// Acts on the tickets of a logbook: each is addressed to a ticket, decided on what that ticket has become by then, stored, and decided again when somebody
/// else was quicker. Not thread-safe: one thread owns it, and the logbook.
public final class Tickets {
    private static final int QUICK_TRIES = 3;
    private static final int MOST_NUMBERS = 20;
    /// Numbers begin after it.
    private static final int FIRST = 100;
    private static final String SCHOOL = "care school";
    private static final String LACKING = "agents lacking";
    private static final String GOODS = "goods";
    private static final String KNOWN = "knacks known";

    private final Logbook log;
    private final Shelf shelf;
    private final InstantSource clock;
    private final String author;
    private final String bench;
    private Set<String> others = Set.of();
    private Optional<Learned> learned = Optional.empty();
    /// As it was when a ticket was last opened: what is tried on it does not change its own order.
    private CareTables care;
    /// All that were read: only what is new is read again.
    private final List<Logbook.Pass> passes = new ArrayList<>();

    /// A ticket as it was read.
    /// @param earlier what other jobs on the model teach
    /// @param trouble why it can be read only so far; nothing can be done to it then
    public record Ticket(String number, Story story, Logbook.Lessons earlier, Optional<String> trouble) {
        public TicketState state() {
            return story.state();
        }
    }

    /// What became of an act.
    /// @param ticket as it stands now, whether the act was accepted or not
    public record Outcome(Decision decision, Ticket ticket) {
        public boolean accepted() {
            return decision instanceof Decision.Accepted;
        }
    }

    /// @param author name of the person, as far as it is known
    /// @param bench name of this window or program, different from every other
    public Tickets(Logbook log, Shelf shelf, InstantSource clock, String author, String bench) {
        this.log = log;
        this.shelf = shelf;
        this.clock = clock;
        this.author = author;
        this.bench = bench;
        care = shelf.care();
        listAll();
    }

    /// A book from before lists were kept gets them now.
    private void listAll() {
        if (log instanceof SqliteLogbook sqlite && log.writable()) {
            for (String number : sqlite.unlisted()) {
                Ticket t = open(number);
                if (t.state().tag().begun()) {
                    sqlite.list(Projections.of(t.state()), t.trouble());
                }
            }
        }
    }

    public Logbook log() {
        return log;
    }

    /// Says that this bench is at work; from then on what others at work have done is theirs to take back.
    public void present() {
        others = log.others(bench, clock.instant());
    }

    public Who who() {
        return new Who(author, bench, others);
    }

    /// Reads a ticket.
    public Ticket open(String number) {
        care = careNow();
        return read(number, Story.NONE, log.story(number, 0), Optional.empty());
    }

    /// A story with what has happened since, as far as it makes sense.
    private Ticket read(String number, Story before, Logbook.Told told, Optional<Logbook.Lessons> known) {
        Sound.Read read = Sound.of(number, before, told, state -> {
            knowSection(state);
            return section(state);
        });
        Logbook.Lessons earlier = known.orElseGet(() -> log.lessons(read.story().state().tag().instrumentId(), number));
        return new Ticket(number, read.story(), earlier, read.trouble());
    }

    /// The ticket with what has happened to it since.
    public Ticket refreshed(Ticket ticket) {
        Logbook.Told more = log.story(ticket.number(), ticket.state().history().version());
        if (more.rows().isEmpty() && more.trouble().isEmpty()) {
            return ticket;
        }
        if (more.rows().stream().anyMatch(r -> !r.bench().equals(bench) && !others.contains(r.bench()))) {
            // Somebody has come to work since.
            present();
        }
        Ticket now = read(ticket.number(), ticket.story(), more, Optional.of(ticket.earlier()));
        return new Ticket(now.number(), now.story(), now.earlier(), now.trouble().or(ticket::trouble));
    }

    /// Begins a ticket under a number that must be free.
    public Outcome begin(Act act) {
        Optional<String> number = act.intents().stream().filter(ArrivalIntent.Begin.class::isInstance).map(i -> ((ArrivalIntent.Begin) i).tag().number()).findFirst();
        if (number.isEmpty()) {
            throw new IllegalArgumentException("this act begins no ticket");
        }
        Ticket blank = open(number.get());
        if (blank.state().tag().begun() || blank.trouble().isPresent()) {
            return new Outcome(new Decision.Refused(Said.of("begin.taken", "number", number.get())), blank);
        }
        String model = act.intents().stream().filter(ArrivalIntent.Begin.class::isInstance).map(i -> ((ArrivalIntent.Begin) i).tag().instrumentId()).findFirst().orElse("");
        Ticket ticket = new Ticket(number.get(), Story.NONE, log.lessons(model, number.get()), Optional.empty());
        Outcome outcome = act(ticket, act, List.of());
        // Somebody else has taken the number in between.
        return outcome.accepted() || !outcome.ticket().state().tag().begun() ? outcome : new Outcome(new Decision.Refused(Said.of("begin.taken", "number", number.get())), outcome.ticket());
    }

    /// Begins a ticket under the number after the highest there is; under the next when somebody else was quicker.
    /// @param beginning what begins it, from its number
    public Outcome beginNext(Function<String, Act> beginning) {
        Outcome outcome = begin(beginning.apply(nextNumber()));
        for (int i = 1; i < MOST_NUMBERS && !outcome.accepted() && outcome.ticket().state().tag().begun(); i++) {
            outcome = begin(beginning.apply(nextNumber()));
        }
        return outcome;
    }

    private String nextNumber() {
        return String.format(Locale.ROOT, "T-%04d", Math.max(FIRST, log.counts().highestNumber()) + 1);
    }

    /// Decides an act on a ticket as it stands in the book, and keeps it.
    /// @param ticket as it was last read
    /// @param photos files to be kept in the same transaction
    public Outcome act(Ticket ticket, Act act, List<Logbook.PhotoBytes> photos) {
        Ticket now = ticket;
        for (int i = 0; i < QUICK_TRIES; i++) {
            now = refreshed(now);
            Optional<Outcome> done = tried(now, act, photos);
            if (done.isPresent()) {
                return done.get();
            }
        }
        // Others are writing without a pause: they wait for this one.
        Ticket last = now;
        return log.alone(() -> tried(refreshed(last), act, photos).orElseThrow());
    }

    /// @return nothing when somebody else was quicker
    private Optional<Outcome> tried(Ticket now, Act act, List<Logbook.PhotoBytes> photos) {
        if (now.trouble().isPresent()) {
            return Optional.of(new Outcome(new Decision.Refused(Said.text(now.trouble().get())), now));
        }
        Decision decision = Deciding.decide(now.state(), act, who(), s -> world(s, now.earlier()));
        if (!(decision instanceof Decision.Accepted accepted)) {
            return Optional.of(new Outcome(decision, now));
        }
        TicketState state = now.state();
        Logbook.Entry entry = new Logbook.Entry(now.number(), state.history().version(), state.history().nextAct(), who(), clock.instant(), accepted.events(), photos);
        return kept(now, entry).map(kept -> new Outcome(decision, kept));
    }

    private Optional<Ticket> kept(Ticket before, Logbook.Entry entry) {
        List<Recorded> rows = new ArrayList<>();
        long seq = entry.version();
        for (Event e : entry.events()) {
            rows.add(new Recorded(++seq, entry.act(), entry.who().author(), entry.who().bench(), entry.at(), e));
        }
        Story after = before.story().and(rows);
        return log.append(entry, Projections.of(after.state())).map(kept -> new Ticket(before.number(), after, before.earlier(), Optional.empty()));
    }

    /// What a decision on a ticket may look at.
    public World world(Ticket ticket) {
        return world(ticket.state(), ticket.earlier());
    }

    private World world(TicketState state, Logbook.Lessons earlier) {
        return new World(instrument(state, earlier), section(state), care, shelf.builds(), new EarlierJobs(earlier.lessons()));
    }

    /// The optical section of a ticket, where one is known.
    public Optional<LensSection> section(TicketState state) {
        return state.tag().sectionId().filter(shelf::hasSection).map(shelf::section);
    }

    /// What the shelf knows of a model, and what records of it have taught since. Made anew only when any of that is new.
    private Instrument instrument(TicketState state, Logbook.Lessons earlier) {
        Instrument base = shelf.instrument(state.tag());
        Optional<String> taken = state.course().taken().map(CourseEvent.ModelTaken::instrumentId).or(earlier::taken).filter(shelf.instrumentIds()::contains);
        Optional<Build> build = state.course().build().flatMap(b -> shelf.builds().stream().filter(x -> x.id().equals(b.build())).findFirst());
        Taught from = new Taught(base, taken, build.map(Build::id), earlier.lessons(), Lesson.of(state.joints()));
        if (learned.filter(l -> l.from.equals(from)).isEmpty()) {
            Instrument start = taken.flatMap(known -> section(state).flatMap(lens -> carriedOver(base, lens, known))).orElse(base);
            List<Lesson> jobs = new ArrayList<>(earlier.lessons());
            jobs.add(from.own);
            learned = Optional.of(new Learned(from, LearnedMap.of(start, jobs, build)));
        }
        return learned.orElseThrow().map;
    }

    /// What a map follows from.
    private record Taught(Instrument base, Optional<String> taken, Optional<String> build, List<Lesson> lessons, Lesson own) {}

    private record Learned(Taught from, Instrument map) {}

    private Optional<Instrument> carriedOver(Instrument bare, LensSection lens, String known) {
        Instrument map = shelf.instrument(known);
        return map.sectionId().filter(shelf::hasSection).map(s -> AlikeModel.of(lens, new AlikeModel.Known(map, shelf.section(s))).carriedOver(bare, lens));
    }

    private void knowSection(TicketState state) {
        state.tag().sectionId().filter(id -> !shelf.hasSection(id)).ifPresent(id ->
                log.setting("section " + id).ifPresent(text -> shelf.add(id, LensJson.parse(id + ".json", text))));
    }

    /// Passes of cleaning, flushings, greases laid and changed, and points seen to that were not taken back, ticket by ticket.
    private List<Logbook.Pass> used() {
        List<Logbook.Pass> standing = new ArrayList<>();
        passes.addAll(log.passes(passes.isEmpty() ? 0 : passes.getLast().id()));
        Map<String, List<Logbook.Pass>> tickets = new LinkedHashMap<>();
        passes.forEach(p -> tickets.computeIfAbsent(p.ticket(), t -> new ArrayList<>()).add(p));
        for (List<Logbook.Pass> all : tickets.values()) {
            Set<Long> undone = new History(0, all.stream().map(p -> new History.Act(p.act(), "", p.event() instanceof Undone u ? Optional.of(u.act()) : Optional.empty())).toList(), Instant.EPOCH).undone();
            all.stream().filter(p -> !undone.contains(p.act()) && !(p.event() instanceof Undone)).forEach(standing::add);
        }
        return standing;
    }

    /// The tables of the shop with what became of every pass on this bench, in the order it wants.
    private CareTables careNow() {
        List<CareOutcomes.Pass> tried = new ArrayList<>();
        LinkedHashSet<String> greases = new LinkedHashSet<>();
        for (Logbook.Pass p : used()) {
            if (p.event() instanceof CareEvent.PartCleaned c) {
                tried.add(new CareOutcomes.Pass(c.soil(), c.agent(), c.gone()));
            } else if (p.event() instanceof JointEvent.Greased g) {
                greases.remove(g.grease());
                greases.addLast(g.grease());
            }
        }
        // What is owned and was not laid yet is offered after what was.
        goods().all().stream().filter(Good::grease).map(Good::called).filter(g -> !greases.contains(g)).forEach(greases::addFirst);
        CareTables.School school = log.setting(SCHOOL).flatMap(w -> Arrays.stream(CareTables.School.values()).filter(s -> s.word().equals(w)).findFirst()).orElse(CareTables.School.LEAST_EFFORT);
        return shelf.care().taught(CareOutcomes.of(tried), school, List.copyOf(greases.reversed())).without(listed(LACKING)).with(shelf.care().knacks().knowing(listed(KNOWN)));
    }

    /// The tables as this bench knows and wants them now.
    public CareTables care() {
        return care;
    }

    /// What the shop owns of greases and agents.
    public Goods goods() {
        return Goods.readable(log.setting(GOODS).orElse(""));
    }

    /// What it owns from now on.
    public void keep(Goods goods) {
        log.remember(GOODS, goods.text());
        care = careNow();
    }

    /// How much of it went, over all tickets.
    public List<Goods.Went> went() {
        return goods().went(uses().stream().map(Used::use).toList());
    }

    /// @param pass in which act it was used
    public record Used(Logbook.Pass pass, Goods.Use use) {}

    /// What was used, by the name it is called, ticket by ticket. What was wiped off again was laid before.
    public List<Used> uses() {
        Map<String, String> greases = new HashMap<>();
        List<Used> all = new ArrayList<>();
        used().forEach(p -> use(p, greases).ifPresent(u -> all.add(new Used(p, u))));
        return all;
    }

    /// @param greases what threads were greased with so far, by ticket and joint
    private Optional<Goods.Use> use(Logbook.Pass p, Map<String, String> greases) {
        return switch (p.event()) {
            case JointEvent.Greased g -> {
                greases.put(p.ticket() + " " + g.joint(), g.grease());
                yield Optional.of(new Goods.Use(g.grease(), g.massMg()));
            }
            case CareEvent.GreaseChanged c when c.more() -> Optional.ofNullable(greases.get(p.ticket() + " " + c.joint())).map(g -> new Goods.Use(g, c.mg()));
            case JointEvent.Stated s when s.matches() && s.fact() instanceof Lubricated l && l.wants() != Point.Wants.DRY -> l.with().map(w -> new Goods.Use(w, Optional.empty()));
            case CareEvent.PartCleaned c -> Optional.of(new Goods.Use(agent(c.agent()), Optional.empty()));
            case CareEvent.Flushed f -> Optional.of(new Goods.Use(agent(f.agent()), Optional.empty()));
            default -> Optional.empty();
        };
    }

    private String agent(String id) {
        return care.agent(id).map(CareTables.Agent::name).orElse(id);
    }

    /// Whether there is any of an agent on this bench, from now on.
    public void has(String agent, boolean there) {
        list(LACKING, agent, !there);
    }

    /// Whether a habit of the hand need not be told here again.
    public void knows(String knack, boolean known) {
        list(KNOWN, knack, known);
    }

    /// Every habit is told again.
    public void forgetKnacks() {
        log.remember(KNOWN, "");
        care = careNow();
    }

    private void list(String setting, String id, boolean on) {
        Set<String> now = new TreeSet<>(listed(setting));
        if (on) {
            now.add(id);
        } else {
            now.remove(id);
        }
        log.remember(setting, String.join("\n", now));
        care = careNow();
    }

    private Set<String> listed(String setting) {
        return Set.copyOf(log.setting(setting).orElse("").lines().filter(l -> !l.isBlank()).toList());
    }

    /// In which order agents are tried from now on.
    public void follow(CareTables.School school) {
        log.remember(SCHOOL, school.word());
        care = careNow();
    }

    /// How often the technician left what was computed, over all tickets.
    public Agreement agreement() {
        return Judgements.agreement(log.judged());
    }

    /// What the technician's corrections teach, over all tickets.
    public ShopTeaching teaching() {
        return Judgements.teaching(log.judged());
    }
}
