package stillglass.app.desk;

import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import stillglass.app.theme.Words;
import stillglass.book.data.LensJson;
import stillglass.book.BadInput;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.optics.LensSection;
import stillglass.say.Said;
import stillglass.ticket.Agreement;
import stillglass.ticket.Card;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;

/// The one place where intents become events: decided on the book's thread against the newest state of the ticket they are addressed to, stored, and only
/// then shown. What other windows do to the book is seen within a second. Views hear of every new [Work] on the interface thread.
public final class Desk implements AutoCloseable {
    private static final long LOOK_MS = 400;
    private static final long PRESENT_SECONDS = 5;

    private final Logbook log;
    private final Shelf shelf;
    private final InstantSource clock;
    private final Executor ui;
    private final Devices devices;
    private final Threads threads;
    private final Tickets tickets;
    private final Settings settings;
    private final Computing computing;
    private final BenchDays benchDays;
    private final ShopCare shopCare;
    private final Watchers watchers = new Watchers();
    private final Set<CompletableFuture<?>> onTheWay = ConcurrentHashMap.newKeySet();
    /// Owned by the book's thread.
    private Optional<Tickets.Ticket> open = Optional.empty();
    private long seen;
    private Instant present = Instant.EPOCH;
    /// Written by the interface thread only; volatile so that a story told from elsewhere sees what is shown.
    private volatile Optional<Work> shown = Optional.empty();
    private volatile List<Logbook.Clock> clocks = List.of();

    /// A desk with nothing connected to it.
    /// @param ui runs what changes the window
    public Desk(Logbook log, Shelf shelf, InstantSource clock, Executor ui) {
        this(log, shelf, clock, ui, Devices.NONE);
    }

    /// @param ui runs what changes the window
    public Desk(Logbook log, Shelf shelf, InstantSource clock, Executor ui, Devices devices) {
        this.devices = devices;
        this.log = log;
        this.shelf = shelf;
        this.clock = clock;
        this.ui = ui;
        threads = new Threads(this::say);
        tickets = new Tickets(log, shelf, clock, System.getProperty("user.name", ""), "window " + UUID.randomUUID());
        settings = new Settings(log);
        computing = new Computing(shelf);
        benchDays = new BenchDays(threads, tickets, settings, clock);
        shopCare = new ShopCare(threads, tickets, shelf.care(), () -> open.ifPresent(t -> publish(t, Stage.CLEAN)));
        threads.onBook(() -> {
            tickets.present();
            seen = log.changed();
            return true;
        });
        threads.every(LOOK_MS, this::look);
    }

    public Shelf shelf() {
        return shelf;
    }

    public Devices devices() {
        return devices;
    }

    public InstantSource clock() {
        return clock;
    }

    /// The day it is here.
    public LocalDate today() {
        return clock.instant().atZone(ZoneId.systemDefault()).toLocalDate();
    }

    /// What was found when the book was opened, or since, and has to stay told. From any thread.
    public List<String> notes() {
        return log.notes();
    }

    /// What a line is read against while no ticket is open.
    public World nowhere() {
        return new World(shelf.instrument(Tag.NONE), Optional.empty(), shelf.care(), shelf.builds(), World.Seen.NOTHING);
    }

    /// What is shown now; empty while no ticket is open.
    public Optional<Work> shown() {
        return shown;
    }

    /// Clocks of all tickets, by when they end.
    public List<Logbook.Clock> clocks() {
        return clocks;
    }

    /// Hears of every new state; the returned action ends it.
    public Runnable watch(Consumer<Work> watcher) {
        return watchers.watch(watcher);
    }

    /// Hears what went wrong, as a sentence for people; the returned action ends it.
    public Runnable complain(Consumer<String> watcher) {
        return watchers.complain(watcher);
    }

    /// Hears that other windows have changed the book; the returned action ends it.
    public Runnable watchBook(Runnable watcher) {
        return watchers.book(watcher);
    }

    /// Decides and stores intents as one act on the ticket that is shown.
    /// @return the decision, on the interface thread, after the new state was shown
    public CompletableFuture<Decision> submit(Intent... intents) {
        return submit(Act.of(intents));
    }

    public CompletableFuture<Decision> submit(Act act) {
        Optional<String> number = shown.map(w -> w.state().tag().number());
        if (number.isEmpty()) {
            return CompletableFuture.completedFuture(heard(new Decision.Refused(Said.of("ticket.none"))));
        }
        return submit(number.get(), act, List.of());
    }

    /// The same on a ticket that may no longer be the one that is shown.
    /// @param photos files to be kept in the same transaction
    public CompletableFuture<Decision> submit(String number, Act act, List<Logbook.PhotoBytes> photos) {
        return threads.onBook(() -> act(number, act, photos)).thenApplyAsync(this::heard, ui);
    }

    private Decision heard(Decision decision) {
        if (decision instanceof Decision.Refused r) {
            watchers.complain(Words.sentence(r.why()));
        }
        return decision;
    }

    private Decision act(String number, Act act, List<Logbook.PhotoBytes> photos) {
        Optional<Tickets.Ticket> here = open.filter(t -> t.number().equals(number));
        Tickets.Outcome outcome = tickets.act(here.orElseGet(() -> tickets.open(number)), act, photos);
        if (here.isPresent()) {
            show(outcome.ticket(), Stage.ARRIVE);
        }
        return outcome.decision();
    }

    /// Opens a ticket of the book at the stage where its work stands.
    /// @return done, on the interface thread, once it is shown
    public CompletableFuture<Void> open(String number) {
        return this.<Void>onBook(() -> {
            Tickets.Ticket found = tickets.open(number);
            if (!found.state().tag().begun() && found.trouble().isEmpty()) {
                throw new BadInput(String.valueOf(log.file().getFileName()), number, "there is no such ticket in this logbook");
            }
            settings.opened(number);
            ui.execute(() -> shown = Optional.empty());
            open = Optional.of(found);
            publish(found, Card.of(found.state()).stage());
            found.trouble().ifPresent(this::say);
            return null;
        }).thenRunAsync(() -> {}, ui);
    }

    /// Begins a ticket and shows it.
    /// @return the decision, on the interface thread, after the new state was shown
    public CompletableFuture<Decision> begin(Act act) {
        return begun(() -> tickets.begin(act));
    }

    /// The same under the next free number.
    /// @param beginning what begins it, from its number
    public CompletableFuture<Decision> beginNext(Function<String, Act> beginning) {
        return begun(() -> tickets.beginNext(beginning));
    }

    private CompletableFuture<Decision> begun(Supplier<Tickets.Outcome> beginning) {
        return onBook(() -> {
            Tickets.Outcome outcome = beginning.get();
            if (outcome.accepted()) {
                ui.execute(() -> shown = Optional.empty());
                open = Optional.of(outcome.ticket());
                publish(outcome.ticket(), Stage.ARRIVE);
                settings.opened(outcome.ticket().number());
            }
            return outcome.decision();
        }).thenApplyAsync(this::heard, ui);
    }

    /// Reads a lens section from a file and keeps it.
    /// @return its identifier
    public CompletableFuture<String> sectionFrom(Path file) {
        return compute(() -> SectionFile.read(file)).thenCompose(json -> keepSection(String.valueOf(file.getFileName()), json));
    }

    /// Keeps a lens section that came from a file, so that tickets can refer to it from now on.
    /// @return its identifier
    public CompletableFuture<String> keepSection(String name, String json) {
        return onBook(() -> {
            LensSection section = LensJson.parse(name, json);
            String id = "own-" + Integer.toHexString(json.hashCode());
            shelf.keep(id, section, json);
            log.remember("section " + id, json);
            return id;
        });
    }

    /// What the Book says above its list.
    /// @param agreement how often technician and photo agree, over all tickets
    public record Summary(Logbook.Counts counts, Agreement agreement, List<Logbook.Listed> due) {
        public Summary {
            due = List.copyOf(due);
        }
    }

    /// @param soonest tickets to be shown on the line of days
    public CompletableFuture<Summary> summary(int soonest) {
        return onBook(() -> new Summary(log.counts(), tickets.agreement(), log.list(0, soonest)));
    }

    /// Whether the book has a ticket of that number.
    public CompletableFuture<Boolean> knows(String number) {
        return onBook(() -> log.numbers().contains(number));
    }

    /// Some of the tickets in their order, or those that fit a search.
    public CompletableFuture<List<Logbook.Listed>> list(String search, int from, int most) {
        return onBook(() -> search.isBlank() ? log.list(from, most) : from > 0 ? List.<Logbook.Listed>of() : log.search(search, most));
    }

    public CompletableFuture<Optional<Logbook.PhotoBytes>> photo(String number, String photoId) {
        return onBook(() -> log.photo(number, photoId));
    }

    /// What was corrected on all tickets.
    public Corrections corrections() {
        return new Corrections(threads, log, tickets);
    }

    /// The work of all open tickets over the hours of the shop.
    public BenchDays benchDays() {
        return benchDays;
    }

    public CompletableFuture<Optional<String>> setting(String name) {
        return onBook(() -> log.setting(name));
    }

    public void remember(String name, String value) {
        onBook(() -> {
            log.remember(name, value);
            return null;
        });
    }

    /// Says whether the shop has a tool; it is remembered for all tickets, and the way in is planned anew.
    public CompletableFuture<Void> hasTool(String tool, boolean there) {
        return onBook(() -> {
            settings.has(tool, there);
            open.ifPresent(t -> publish(t, Stage.ARRIVE));
            return null;
        });
    }

    /// What the whole shop owns, lacks, knows, and how it goes about cleaning.
    public ShopCare shopCare() {
        return shopCare;
    }

    /// Counts something that is on its way into the book, a photo that is graded: the window does not close over it.
    /// @return the same
    public <T> CompletableFuture<T> keeping(CompletableFuture<T> work) {
        onTheWay.add(work);
        work.whenComplete((done, wrong) -> onTheWay.remove(work));
        return work;
    }

    /// Done when everything that was on its way into the book is there, or was given up.
    public CompletableFuture<Void> arrived() {
        return CompletableFuture.allOf(onTheWay.stream().map(f -> f.handle((done, wrong) -> true)).toArray(CompletableFuture[]::new));
    }

    /// Runs reading work on the computing thread; what goes wrong is complained about.
    public <T> CompletableFuture<T> compute(Supplier<T> work) {
        return threads.compute(work);
    }

    private <T> CompletableFuture<T> onBook(Supplier<T> work) {
        return threads.onBook(work);
    }

    /// Says a sentence where complaints are shown, from any thread.
    public void say(String sentence) {
        ui.execute(() -> watchers.complain(sentence));
    }

    /// Says why something that was computed did not work.
    /// @param otherwise what is said of what was no bad input
    public void complain(Throwable e, String otherwise) {
        Throwable why = e.getCause() == null ? e : e.getCause();
        complain(why instanceof BadInput b ? String.valueOf(b.getMessage()) : otherwise);
    }

    /// Says a sentence where complaints are shown.
    public void complain(String sentence) {
        watchers.complain(sentence);
    }

    /// What other windows have done to the book since, on the book's thread.
    private void look() {
        Instant now = clock.instant();
        if (now.isAfter(present.plusSeconds(PRESENT_SECONDS)) || now.isBefore(present)) {
            present = now;
            tickets.present();
        }
        long changed = log.changed();
        if (changed != seen) {
            seen = changed;
            open.ifPresent(t -> show(tickets.refreshed(t), Stage.ARRIVE));
            clocks = log.clocks();
            ui.execute(watchers::bookChanged);
        }
    }

    private void show(Tickets.Ticket now, Stage ifNew) {
        boolean news = open.filter(t -> t.story() == now.story()).isEmpty();
        open = Optional.of(now);
        if (news) {
            publish(now, ifNew);
            now.trouble().ifPresent(this::say);
        }
    }

    /// Shows a ticket: at once with the results at hand, then again with fresh ones.
    private void publish(Tickets.Ticket ticket, Stage ifNew) {
        clocks = log.clocks();
        World world = tickets.world(ticket);
        Toolbox tools = Toolbox.of(settings.lacking(), world);
        long request = computing.next();
        ui.execute(() -> {
            Work.Computed last = shown.map(Work::computed).orElse(Work.Computed.NOTHING);
            Work work = new Work(ticket.state(), tools.fitted(world), shelf.gradeRules(), last, true,
                    shown.map(Work::stage).orElse(ifNew),
                    shown.map(Work::selection).orElse(new Selection.Nothing()),
                    shown.map(Work::viewing).orElse(Viewing.USUAL), shelf.tests(), tools);
            show(work);
            threads.whenIdle(() -> computing.compute(work, request).ifPresent(r -> ui.execute(() -> shown.filter(now -> now.state() == work.state())
                    .ifPresent(now -> show(now.with(r, false))))));
        });
    }

    /// Stops looking for better results; those shown stand. On the interface thread.
    /// @return whether anything was being computed
    public boolean stopComputing() {
        Optional<Work> busy = shown.filter(Work::computing);
        busy.ifPresent(w -> {
            computing.next();
            show(w.with(w.computed(), false));
        });
        return busy.isPresent();
    }

    private void show(Work work) {
        shown = Optional.of(work);
        watchers.show(work);
    }

    /// Shows a stage. On the interface thread.
    public void go(Stage stage) {
        shown.filter(w -> w.stage() != stage).ifPresent(w -> show(w.with(stage)));
    }

    /// Shows the same once more, after a view has chosen something of its own. On the interface thread.
    public void again() {
        shown.ifPresent(this::show);
    }

    /// Points at something. On the interface thread.
    public void select(Selection selection) {
        shown.filter(w -> !w.selection().equals(selection)).ifPresent(w -> show(w.with(selection)));
    }

    /// Looks at the work in another way. On the interface thread.
    public void view(UnaryOperator<Viewing> change) {
        shown.ifPresent(w -> view(change.apply(w.viewing())));
    }

    public void view(Viewing viewing) {
        shown.filter(w -> !w.viewing().equals(viewing)).ifPresent(w -> show(w.with(viewing)));
    }

    /// Waits for what was submitted and computed, then closes the book.
    @Override
    public void close() {
        if (threads.close()) {
            log.close();
        }
    }
}
