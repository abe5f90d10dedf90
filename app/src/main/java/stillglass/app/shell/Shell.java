package stillglass.app.shell;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.event.Event;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import stillglass.app.axis.AxisModel;
import stillglass.app.axis.AxisView;
import stillglass.app.bench.BenchView;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Viewing;
import stillglass.app.desk.Work;
import stillglass.app.inbox.Inbox;
import stillglass.app.inbox.OfferBar;
import stillglass.app.station.Page;
import stillglass.app.station.Station;
import stillglass.app.theme.Build;
import stillglass.app.theme.Theme;
import stillglass.app.theme.Words;
import stillglass.app.wired.Wire;
import stillglass.book.log.Logbook;
import stillglass.ticket.care.BathChain;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Redo;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

/// The whole window: what is the same whatever is shown. Stations and pages are given to it; it holds no state of the work itself.
public final class Shell extends StackPane {

    private final Desk desk;
    private final Theme theme;
    private final TicketTag tag;
    private final StageThread thread;
    private final Label references = Build.line("", "status-line", "green");
    private final Label partsOut = Build.line("", "status-line", "soft");
    private final Label computing = Build.line("", "status-line", "gold");
    private final AxisView axis;
    private final StackPane area = new StackPane();
    private final SayLine say;
    private final BorderPane main = new BorderPane();
    private final BenchView bench;
    private final KeysSheet keys = new KeysSheet(this::hideKeys);
    private final Gauge gauge;
    private final Inbox inbox;
    private final OfferBar offers;
    private final Map<Stage, Station> stations = new EnumMap<>(Stage.class);
    private final Pages pages = new Pages();
    private Function<Optional<String>, Optional<String>> next = here -> Optional.empty();
    private final Timeline second;
    private final List<Runnable> subscriptions = new ArrayList<>();
    private boolean closing;
    private final AxisSplit split;
    private final Wire wire;
    private final FocusKeeper focus;

    public Shell(Desk desk, Theme theme) {
        this.desk = desk;
        this.theme = theme;
        tag = new TicketTag(this::showBook);
        thread = new StageThread(this::go);
        axis = new AxisView(desk::select, s -> desk.shown().ifPresent(w -> desk.view(w.viewing().facing(s))));
        axis.setId("axis");
        split = new AxisSplit(desk, axis, this);
        TypedLines lines = new TypedLines(desk, this::work, this::showWork);
        say = new SayLine(lines::read, lines::accept, this::takeOff);
        gauge = new Gauge(desk, say::type);
        wire = new Wire(desk, mm -> gauge.arrived(mm, work(), work().flatMap(Work::inHand), focusedField()));
        inbox = new Inbox(desk, this::offer);
        offers = new OfferBar(inbox);
        bench = new BenchView(desk, this::leaveBench, () -> work().ifPresent(w -> station(w).ifPresent(s -> s.photograph(w))));
        build();
        focus = new FocusKeeper(main.getTop(), area);
        subscriptions.add(desk.watch(inbox::note));
        subscriptions.add(desk.watch(w -> show()));
        subscriptions.add(desk.watchBook(() -> {
            pages.shown().ifPresent(Page::refresh);
            show();
        }));
        subscriptions.add(desk.complain(say::complain));
        subscriptions.add(desk.complain(bench::complain));
        second = new Timeline(new KeyFrame(Duration.seconds(1), e -> tick()));
        second.setCycleCount(Animation.INDEFINITE);
        second.play();
        new Keyboard(this);
        desk.setting("text scale").thenAcceptAsync(s -> s.ifPresent(this::rememberedScale), Platform::runLater);
    }

    /// Takes a clock off; where it counted a bath that is over, what follows begins.
    private void takeOff(Logbook.Clock clock) {
        List<Intent> acts = new ArrayList<>(List.of(new CareEvent.TimerCleared(clock.timer().timer())));
        BathChain.next(clock.timer(), desk.shelf().care(), desk.clock().instant()).ifPresent(acts::add);
        desk.submit(clock.ticket(), new Act(acts), List.of());
    }

    /// New pictures, offered to what was in hand when they were taken.
    public Inbox inbox() {
        return inbox;
    }

    private void offer() {
        offers.show(pages.on() ? Optional.empty() : inbox.offer());
    }

    /// A work area for its stage.
    public void register(Station station) {
        stations.put(station.stage(), station);
    }

    /// What is shown while no ticket is, unless something else is asked for.
    public void registerBook(Page all) {
        pages.book(all);
        show();
    }

    /// The page of the day.
    /// @param upNext what is to be taken up now, in a few words, given the ticket that is shown
    /// @param takeUp shows the ticket that is to be taken up
    /// @param ended runs when the window is closed
    public void registerDay(Page hours, Function<Optional<String>, Optional<String>> upNext, Runnable takeUp, Runnable ended) {
        pages.day(hours);
        next = upNext;
        say.onNext(takeUp);
        subscriptions.add(ended);
    }

    /// Says anew what is to be taken up.
    public void showNext() {
        say.next(pages.onDay() ? Optional.empty() : next.apply(work().map(w -> w.state().tag().number())));
    }

    private void rememberedScale(String text) {
        try {
            theme.scale().set(Math.clamp(Double.parseDouble(text), 0.8, 1.8));
        } catch (NumberFormatException e) {
            // A setting somebody edited by hand: the usual size is as good as any.
            theme.scale().set(1);
        }
    }

    private void build() {
        VBox status = Build.column(1, references, partsOut, computing);
        status.setAlignment(Pos.CENTER_RIGHT);
        status.setMinWidth(150);
        main.setTop(new VBox(new TopBar(tag, thread, status), split));
        area.setAlignment(Pos.TOP_LEFT);
        area.getStyleClass().add("area");
        // Where the window is too low for the type, the work is scrolled.
        ScrollPane scroll = Build.scroll(area);
        scroll.setFitToHeight(true);
        scroll.setMinSize(0, 0);
        main.setCenter(scroll);
        main.setBottom(new VBox(offers, say));
        // Look takes what is dropped on it itself, and grades it; everywhere else it is kept as it is.
        main.setOnDragOver(e -> {
            if (!pages.on() && (e.getDragboard().hasFiles() || e.getDragboard().hasImage())) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        main.setOnDragDropped(e -> {
            e.setDropCompleted(!pages.on() && inbox.keep(e.getDragboard()));
            e.consume();
        });
        bench.setVisible(false);
        keys.setVisible(false);
        getChildren().addAll(main, bench, keys);
        setMinSize(0, 0);
    }

    /// Asked to close while a photo is on its way into the book: it is kept first. Asked again, the window closes.
    public void closing(Event request, Runnable close) {
        CompletableFuture<Void> arrived = desk.arrived();
        if (!arrived.isDone() && !closing) {
            closing = true;
            request.consume();
            desk.complain(Words.of("trouble.closing"));
            arrived.thenRunAsync(close, Platform::runLater);
        }
    }

    /// Ends everything that would keep this window alive.
    public void dispose() {
        inbox.close();
        wire.close();
        second.stop();
        subscriptions.forEach(Runnable::run);
        subscriptions.clear();
    }

    /// The ticket that is shown; empty in the Book.
    private Optional<Work> work() {
        return pages.on() ? Optional.empty() : desk.shown();
    }

    private Optional<Station> station(Work w) {
        return Optional.ofNullable(stations.get(w.stage()));
    }

    /// Draws what there is now.
    public void show() {
        Optional<Work> work = work();
        tag.show(desk.shown(), desk.today());
        thread.show(work);
        axis.setVisible(work.isPresent());
        axis.setManaged(work.isPresent());
        work.ifPresentOrElse(this::showTicket, this::showPage);
        showNext();
        focus.drawn();
        tick();
    }

    private void showPage() {
        pages.shown().ifPresent(p -> {
            place(p.node());
            say.show(p.say(), desk.clocks(), Optional.empty(), desk.clock().instant());
        });
        references.setText("");
        partsOut.setText("");
        computing.setText("");
    }

    private void showTicket(Work w) {
        AxisModel model = AxisModel.of(w);
        split.show(w.stage(), model.blank());
        axis.show(model);
        station(w).ifPresent(s -> {
            s.show(w);
            if (place(s.node()) && !say.isTyping()) {
                area.requestFocus();
            }
            say.show(s.say(w), desk.clocks(), Optional.of(w.state().tag().number()), desk.clock().instant());
        });
        references.setText(model.references().isEmpty() ? "" : model.referenceLine());
        partsOut.setText(Words.of("status.out", w.ledger().partsOut().size()));
        computing.setText(w.computing() ? Words.of("status.computing") : "");
        if (bench.isVisible()) {
            bench.show(w);
        }
    }

    /// @return whether something else was there before
    private boolean place(Node node) {
        if (area.getChildren().size() == 1 && area.getChildren().getFirst() == node) {
            return false;
        }
        area.getChildren().setAll(node);
        return true;
    }

    private void tick() {
        Instant now = desk.clock().instant();
        say.tick(now);
        if (bench.isVisible()) {
            Optional<String> here = work().map(w -> w.state().tag().number());
            bench.timer(desk.clocks().stream().findFirst().map(c -> TimerRow.words(c, here, now)).orElse(""));
        }
    }

    /// Shows all tickets.
    public void showBook() {
        leaveBench();
        pages.toBook();
        show();
    }

    /// Shows the work of all open tickets over the hours of the shop.
    public void showDay() {
        leaveBench();
        pages.toDay();
        show();
    }

    void undo(boolean again) {
        if (!pages.undid(again)) {
            desk.submit(again ? new Redo() : new Undo());
        }
    }

    /// Shows the open ticket.
    public void showWork() {
        pages.toTicket();
        show();
    }

    /// Opens the Say line with a beginning.
    public void type(String begin) {
        say.type(begin);
    }

    void calm() {
        say.calm();
    }

    boolean atBench() {
        return bench.isVisible();
    }

    private void enterBench() {
        work().filter(w -> w.stage() == Stage.OPEN || w.stage() == Stage.CLOSE).ifPresentOrElse(w -> {
            bench.show(w);
            bench.setVisible(true);
            main.setVisible(false);
            requestFocus();
            tick();
        }, () -> desk.complain(Words.of("bench.notnow")));
    }

    private void leaveBench() {
        bench.setVisible(false);
        main.setVisible(true);
    }

    void showKeys() {
        keys.show(work().map(Work::stage));
        keys.setVisible(true);
    }

    /// @return whether the sheet of keys was shown
    boolean hideKeys() {
        boolean shown = keys.isVisible();
        keys.setVisible(false);
        return shown;
    }

    /// Shows a stage of the open ticket, from wherever one is.
    void go(Stage stage) {
        desk.shown().ifPresent(w -> showWork());
        desk.go(stage);
    }

    /// The caliper's reading goes into the field that has the focus; without one it begins a line about the joint in hand.
    void measure() {
        work().ifPresent(w -> w.inHand().ifPresent(j -> gauge.read(w, j, this::focusedField, wire.connected().isPresent())));
    }

    private Optional<TextInputControl> focusedField() {
        return getScene() != null && getScene().getFocusOwner() instanceof TextInputControl field ? Optional.of(field) : Optional.empty();
    }

    /// The caliper on a wire.
    public Wire wire() {
        return wire;
    }

    void scale(boolean up) {
        if (up) {
            theme.larger();
        } else {
            theme.smaller();
        }
        desk.remember("text scale", Double.toString(theme.scale().get()));
        requestLayout();
    }

    /// Calls the stage done and goes on to the next.
    void finish() {
        work().map(Work::stage).ifPresent(stage -> desk.submit(new CourseIntent.FinishStage(stage, Optional.empty())).thenAcceptAsync(d -> {
            if (d instanceof Decision.Accepted && stage.ordinal() + 1 < Stage.values().length) {
                desk.go(Stage.values()[stage.ordinal() + 1]);
            }
        }, Platform::runLater));
    }

    /// A key pressed while nothing is typed and no command key is held.
    /// @return whether it meant something
    boolean plain(KeyEvent e) {
        if (bench.isVisible()) {
            if (e.getCode() == KeyCode.ESCAPE || e.getCode() == KeyCode.B) {
                leaveBench();
                return true;
            }
            return bench.key(e);
        }
        return work().map(w -> ticketKey(e, w)).orElseGet(() -> pageKey(e));
    }

    private boolean pageKey(KeyEvent e) {
        if (pages.shown().filter(p -> p.key(e)).isPresent()) {
            return true;
        }
        if (e.getCode() == KeyCode.ESCAPE && desk.shown().isPresent()) {
            showWork();
            return true;
        }
        return false;
    }

    private boolean ticketKey(KeyEvent e, Work w) {
        boolean onAxis = e.getTarget() == axis && (e.getCode() == KeyCode.LEFT || e.getCode() == KeyCode.RIGHT
                || e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN);
        if (onAxis) {
            return false;
        }
        // What a station has keys for of its own comes first.
        if (station(w).filter(s -> s.key(e, w)).isPresent()) {
            return true;
        }
        switch (e.getCode()) {
            case B -> enterBench();
            case L -> desk.view(w.viewing().withRays(!w.viewing().rays()));
            case N -> {
                if (w.instrument().net().isEmpty()) {
                    return false;
                }
                desk.view(Viewing::otherwise);
            }
            case A -> {
                split.toggle();
            }
            case ESCAPE -> {
                return desk.stopComputing();
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    /// The station of a stage, for callers that drive it directly.
    public Optional<Station> station(Stage stage) {
        return Optional.ofNullable(stations.get(stage));
    }
}
