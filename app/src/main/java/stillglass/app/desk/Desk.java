package stillglass.app.desk;

import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;
import stillglass.assembly.Instrument;
import stillglass.book.BadInput;
import stillglass.book.BookTrouble;
import stillglass.book.Logbook;
import stillglass.book.data.Shelf;
import stillglass.optics.LensSection;
import stillglass.plan.Tooling;
import stillglass.plan.alike.AlikeModel;
import stillglass.ticket.Agreement;
import stillglass.ticket.Decision;
import stillglass.ticket.Intent;
import stillglass.ticket.LearnedMap;
import stillglass.ticket.Recorded;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketEvent;
import stillglass.ticket.TicketState;

/// The one place where intents become events: decided on the book's thread against the newest state, stored, and only
/// then shown. Views hear of every new [Work] on the interface thread.
public final class Desk implements AutoCloseable {
    private static final String LACKING = "tools lacking";

    private final Logbook log;
    private final Shelf shelf;
    private final InstantSource clock;
    private final Executor ui;
    private final ExecutorService book = thread("book");
    private final ExecutorService compute = thread("compute");
    private final Computing computing;
    private final List<Consumer<Work>> watchers = new ArrayList<>();
    private final List<Consumer<String>> complaints = new ArrayList<>();
    /// Owned by the book's thread.
    private List<Recorded> story = List.of();
    /// Other tickets on the model of this one, from which its map is learned.
    private List<TicketState> earlier = List.of();
    /// Tools the shop does not have, once they were looked up; owned by the book's thread.
    private Optional<Set<String>> lacking = Optional.empty();
    /// Written by the interface thread only; volatile so that a story told from elsewhere sees what is shown.
    private volatile Optional<Work> shown = Optional.empty();

    /// @param ui runs what changes the window
    public Desk(Logbook log, Shelf shelf, InstantSource clock, Executor ui) {
        this.log = log;
        this.shelf = shelf;
        this.clock = clock;
        this.ui = ui;
        computing = new Computing(shelf);
    }

    private static ExecutorService thread(String name) {
        return Executors.newSingleThreadExecutor(r -> Thread.ofPlatform().daemon().name(name).unstarted(r));
    }

    public Shelf shelf() {
        return shelf;
    }

    public InstantSource clock() {
        return clock;
    }

    /// What is shown now; empty while no ticket is open.
    public Optional<Work> shown() {
        return shown;
    }

    /// Hears of every new state; the returned action ends it.
    public Runnable watch(Consumer<Work> watcher) {
        watchers.add(watcher);
        return () -> watchers.remove(watcher);
    }

    /// Hears what went wrong, as a sentence for people; the returned action ends it.
    public Runnable complain(Consumer<String> watcher) {
        complaints.add(watcher);
        return () -> complaints.remove(watcher);
    }

    /// Decides and stores an intent.
    /// @return the decision, on the interface thread, after the new state was shown
    public CompletableFuture<Decision> submit(Intent intent) {
        return submit(intent, List.of());
    }

    /// @param photos files to be kept in the same transaction
    public CompletableFuture<Decision> submit(Intent intent, List<Logbook.PhotoBytes> photos) {
        return onBook(() -> decide(intent, photos)).thenApplyAsync(decided -> {
            if (decided instanceof Decision.Refused r) {
                complain(r.why());
            }
            return decided;
        }, ui);
    }

    private Decision decide(Intent intent, List<Logbook.PhotoBytes> photos) {
        TicketState state = TicketState.of(story);
        if (state.tag().number().isEmpty() && !(intent instanceof Intent.Begin)) {
            return new Decision.Refused("No ticket is open.");
        }
        Decision.World world = intent instanceof Intent.Begin b
                ? world(state, b.tag().instrumentId(), b.tag().sectionId())
                : world(state, state.tag().instrumentId(), state.tag().sectionId());
        Decision decision = Decision.decide(state, intent, world);
        if (decision instanceof Decision.Accepted a) {
            String number = intent instanceof Intent.Begin b ? b.tag().number() : state.tag().number();
            List<Recorded> kept = log.append(number, state.lastIntent() + 1, clock.instant(), a.events(), photos);
            List<Recorded> longer = new ArrayList<>(story);
            longer.addAll(kept);
            story = longer;
            publish();
        }
        return decision;
    }

    private Decision.World world(TicketState state, String instrumentId, String sectionId) {
        return new Decision.World(instrument(state, instrumentId), shelf.section(sectionId), shelf.care());
    }

    /// What the shelf knows of a model, and what records of it have taught since.
    private Instrument instrument(TicketState state, String id) {
        List<TicketState> jobs = new ArrayList<>(earlier);
        jobs.add(state);
        Instrument base = shelf.instrument(id);
        Optional<String> taken = jobs.reversed().stream().flatMap(j -> j.taken().stream()).map(TicketEvent.ModelTaken::instrumentId).filter(shelf.instrumentIds()::contains).findFirst();
        return LearnedMap.of(taken.map(known -> carriedOver(base, known)).orElse(base), jobs);
    }

    private Instrument carriedOver(Instrument bare, String known) {
        Instrument map = shelf.instrument(known);
        LensSection lens = shelf.section(bare.sectionId());
        return AlikeModel.of(lens, new AlikeModel.Known(map, shelf.section(map.sectionId()))).carriedOver(bare, lens);
    }

    /// Other tickets on the same model that have something to teach.
    private List<TicketState> earlier(String number, String instrumentId) {
        return log.tickets().stream().filter(n -> !n.equals(number)).map(n -> TicketState.of(log.story(n)))
                .filter(s -> s.tag().instrumentId().equals(instrumentId) && !(s.found().isEmpty() && s.taken().isEmpty())).toList();
    }

    /// Opens a ticket of the book at the stage where its work stands.
    /// @return done, on the interface thread, once it is shown
    public CompletableFuture<Void> open(String number) {
        return this.<Void>onBook(() -> {
            List<Recorded> found = log.story(number);
            TicketState state = TicketState.of(found);
            knowSection(state.tag().sectionId());
            earlier = earlier(number, state.tag().instrumentId());
            story = found;
            log.remember("last ticket", number);
            Stage stage = TicketCard.of(state).stage();
            ui.execute(() -> shown = Optional.empty());
            publish(stage);
            return null;
        }).thenRunAsync(() -> {}, ui);
    }

    private void knowSection(String id) {
        if (!shelf.sectionIds().contains(id)) {
            log.setting("section " + id).ifPresent(text -> shelf.add(id, stillglass.book.data.LensJson.parse(id + ".json", text)));
        }
    }

    /// Begins a ticket and shows it.
    /// @return the decision, on the interface thread, after the new state was shown
    public CompletableFuture<Decision> begin(Intent.Begin intent) {
        return onBook(() -> {
            List<Recorded> before = story;
            story = List.of();
            earlier = earlier(intent.tag().number(), intent.tag().instrumentId());
            ui.execute(() -> shown = Optional.empty());
            try {
                Decision d = decide(intent, List.of());
                log.remember("last ticket", intent.tag().number());
                return d;
            } catch (BookTrouble notKept) {
                story = before;
                if (!before.isEmpty()) {
                    publish();
                }
                throw notKept;
            }
        }).thenApplyAsync(d -> d, ui);
    }

    /// Keeps a lens section that came from a file, so that tickets can refer to it from now on.
    /// @return its identifier
    public CompletableFuture<String> keepSection(String name, String json) {
        return onBook(() -> {
            LensSection section = stillglass.book.data.LensJson.parse(name, json);
            String id = "own-" + Integer.toHexString(json.hashCode());
            shelf.add(id, section);
            log.remember("section " + id, json);
            return id;
        });
    }

    /// All tickets, and the number a new one would get.
    /// @param agreement how often technician and photo agree, over all of them
    public record Listing(List<TicketCard> tickets, String nextNumber, Agreement agreement) {}

    public CompletableFuture<Listing> listing() {
        return onBook(() -> {
            List<TicketCard> cards = new ArrayList<>();
            List<TicketState> all = new ArrayList<>();
            int highest = 100;
            for (String number : log.tickets()) {
                TicketState s = TicketState.of(log.story(number));
                knowSection(s.tag().sectionId());
                cards.add(TicketCard.of(s));
                all.add(s);
                highest = Math.max(highest, digits(number));
            }
            return new Listing(cards, String.format(java.util.Locale.ROOT, "T-%04d", highest + 1), Agreement.of(all));
        });
    }

    private static int digits(String number) {
        String d = number.replaceAll("\\D", "");
        return d.isEmpty() || d.length() > 8 ? 0 : Integer.parseInt(d);
    }

    public CompletableFuture<Optional<Logbook.PhotoBytes>> photo(String photoId) {
        return onBook(() -> log.photo(TicketState.of(story).tag().number(), photoId));
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
            Set<String> now = new TreeSet<>(lacking.orElseGet(() -> Toolbox.lacking(log.setting(LACKING).orElse(""))));
            if (there) {
                now.remove(tool);
            } else {
                now.add(tool);
            }
            log.remember(LACKING, String.join("\n", now));
            lacking = Optional.of(Set.copyOf(now));
            if (!story.isEmpty()) {
                publish();
            }
            return null;
        });
    }

    /// Runs reading work on the computing thread; what goes wrong is complained about.
    public <T> CompletableFuture<T> compute(Supplier<T> work) {
        return heard(CompletableFuture.supplyAsync(work, compute));
    }

    private <T> CompletableFuture<T> onBook(Supplier<T> work) {
        return heard(CompletableFuture.supplyAsync(work, book));
    }

    private <T> CompletableFuture<T> heard(CompletableFuture<T> future) {
        future.whenComplete((done, wrong) -> {
            if (wrong != null) {
                ui.execute(() -> complain(sentence(wrong)));
            }
        });
        return future;
    }

    private static String sentence(Throwable wrong) {
        Throwable cause = wrong instanceof java.util.concurrent.CompletionException && wrong.getCause() != null
                ? wrong.getCause()
                : wrong;
        return switch (cause) {
            case BadInput b -> String.valueOf(b.getMessage());
            case BookTrouble t -> String.valueOf(t.getMessage());
            case java.util.concurrent.CancellationException c -> "Stopped; nothing was changed.";
            case OutOfMemoryError o -> "There is not enough memory for this; nothing was changed. Use a smaller photo.";
            default -> "This did not work (" + cause + "); everything before it is safe.";
        };
    }

    /// Says a sentence where complaints are shown, from any thread.
    public void say(String sentence) {
        ui.execute(() -> complain(sentence));
    }

    /// Says a sentence where complaints are shown.
    public void complain(String sentence) {
        List.copyOf(complaints).forEach(c -> c.accept(sentence));
    }

    private void publish() {
        publish(Stage.ARRIVE);
    }

    /// Shows the state of the story: at once with the results at hand, then again with fresh ones.
    private void publish(Stage ifNew) {
        TicketState state = TicketState.of(story);
        LensSection section = shelf.section(state.tag().sectionId());
        Instrument map = instrument(state, state.tag().instrumentId());
        if (lacking.isEmpty()) {
            lacking = Optional.of(Toolbox.lacking(log.setting(LACKING).orElse("")));
        }
        // A body is tried with a lens that is not taken apart.
        Tooling tooling = new Tooling(lacking.get(), map.sort() == Instrument.Sort.BODY ? Optional.empty() : Optional.of(section));
        Toolbox tools = new Toolbox(map, tooling);
        Instrument instrument = tooling.fitted(map);
        long request = computing.next();
        ui.execute(() -> {
            Work.Computed last = shown.map(Work::computed).orElse(Work.Computed.NOTHING);
            Work work = new Work(state, section, instrument, shelf.care(), shelf.gradeRules(), last, true,
                    shown.map(Work::stage).orElse(ifNew),
                    shown.map(Work::selection).orElse(new Selection.Nothing()),
                    shown.map(Work::viewing).orElse(Viewing.USUAL), shelf.tests(), tools);
            show(work);
            if (compute.isShutdown()) {
                return;
            }
            CompletableFuture.supplyAsync(() -> computing.compute(work, request), compute)
                    .whenComplete((results, wrong) -> {
                        if (wrong != null) {
                            ui.execute(() -> complain(sentence(wrong)));
                        } else {
                            results.ifPresent(r -> ui.execute(() -> shown
                                    .filter(now -> now.state() == state)
                                    .ifPresent(now -> show(now.with(r, false)))));
                        }
                    });
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
        List.copyOf(watchers).forEach(w -> w.accept(work));
    }

    /// Shows a stage. On the interface thread.
    public void go(Stage stage) {
        shown.filter(w -> w.stage() != stage).ifPresent(w -> show(w.with(stage)));
    }

    /// Points at something. On the interface thread.
    public void select(Selection selection) {
        shown.filter(w -> !w.selection().equals(selection)).ifPresent(w -> show(w.with(selection)));
    }

    /// Looks at the work in another way. On the interface thread.
    public void view(java.util.function.UnaryOperator<Viewing> change) {
        shown.ifPresent(w -> view(change.apply(w.viewing())));
    }

    public void view(Viewing viewing) {
        shown.filter(w -> !w.viewing().equals(viewing)).ifPresent(w -> show(w.with(viewing)));
    }

    /// Waits for what was submitted and computed, then closes the book.
    @Override
    public void close() {
        book.shutdown();
        compute.shutdown();
        try {
            if (!book.awaitTermination(10, TimeUnit.SECONDS)) {
                return;
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return;
        }
        log.close();
    }
}
