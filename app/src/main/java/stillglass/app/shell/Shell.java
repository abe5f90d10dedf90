package stillglass.app.shell;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.arrive.ArriveView;
import stillglass.app.axis.AxisModel;
import stillglass.app.axis.AxisView;
import stillglass.app.bench.BenchView;
import stillglass.app.clean.CleanView;
import stillglass.app.close.CloseView;
import stillglass.app.decide.DecideView;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Say;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Viewing;
import stillglass.app.desk.Work;
import stillglass.app.look.LookView;
import stillglass.app.look.PhotoCache;
import stillglass.app.open.OpenView;
import stillglass.app.pages.BookPage;
import stillglass.app.prove.ProveView;
import stillglass.app.theme.Build;
import stillglass.app.theme.Theme;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.ticket.Intent;
import stillglass.ticket.Reading;
import stillglass.ticket.Shorthand;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketEvent;

/// The whole window. Owns the views and the keys; holds no state of the work itself.
public final class Shell extends StackPane {
    /// Scatter of the virtual caliper's readings.
    private static final double AXIS_SHARE = 0.295;
    private static final double AXIS_TALL_SHARE = 0.52;

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
    private final BookPage book;
    private final KeysSheet keys;
    private final Gauge gauge;
    private final OpenView opening;
    private final CloseView closing;
    private final Map<Stage, Station> stations = new EnumMap<>(Stage.class);
    private final Timeline second;
    private final List<Runnable> subscriptions = new ArrayList<>();
    private boolean inBook = true;
    /// Whether the key that is down was a command.
    private boolean answered;
    private boolean tallAxis;

    public Shell(Desk desk, Asker asker, Theme theme) {
        this.desk = desk;
        this.theme = theme;
        tag = new TicketTag(this::showBook);
        thread = new StageThread(desk::go);
        axis = new AxisView(desk::select, s -> desk.shown().ifPresent(w -> desk.view(w.viewing().facing(s))));
        axis.setId("axis");
        say = new SayLine(this::read, this::accept, t -> desk.submit(new Intent.Keep(new TicketEvent.TimerCleared(t))));
        gauge = new Gauge(desk, say::type);
        bench = new BenchView(desk, this::leaveBench, this::stepPhoto);
        book = new BookPage(desk, asker, this::showWork, this::show);
        keys = new KeysSheet(this::hideKeys);
        PhotoCache photos = new PhotoCache(desk);
        opening = new OpenView(desk, asker, photos, say::type);
        closing = new CloseView(desk, asker, photos, say::type);
        for (Station s : List.<Station>of(new ArriveView(desk), new LookView(desk, asker, photos, say::type), new DecideView(desk),
                opening, new CleanView(desk), closing, new ProveView(desk, asker, photos))) {
            stations.put(s.stage(), s);
        }
        build();
        subscriptions.add(desk.watch(w -> show()));
        subscriptions.add(desk.complain(why -> {
            say.complain(why);
            bench.complain(why);
        }));
        second = new Timeline(new KeyFrame(javafx.util.Duration.seconds(1), e -> tick()));
        second.setCycleCount(Animation.INDEFINITE);
        second.play();
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        addEventFilter(KeyEvent.KEY_TYPED, this::typed);
        desk.setting("text scale").thenAcceptAsync(s -> s.ifPresent(this::rememberedScale), Platform::runLater);
        show();
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
        HBox.setHgrow(thread, Priority.ALWAYS);
        HBox top = Build.row(22, tag, thread, status);
        top.getStyleClass().add("top");
        main.setTop(new VBox(top, axis));
        area.setMinSize(0, 0);
        area.setAlignment(Pos.TOP_LEFT);
        javafx.scene.shape.Rectangle clip = new javafx.scene.shape.Rectangle();
        clip.widthProperty().bind(area.widthProperty());
        clip.heightProperty().bind(area.heightProperty());
        area.setClip(clip);
        area.getStyleClass().add("area");
        main.setCenter(area);
        main.setBottom(say);
        axis.prefHeightProperty().bind(javafx.beans.binding.Bindings.createDoubleBinding(
                () -> Math.max(170, getHeight() * (tallAxis ? AXIS_TALL_SHARE : AXIS_SHARE)), heightProperty()));
        bench.setVisible(false);
        keys.setVisible(false);
        getChildren().addAll(main, bench, keys);
        setMinSize(0, 0);
    }

    /// Ends everything that would keep this window alive.
    public void dispose() {
        second.stop();
        subscriptions.forEach(Runnable::run);
        subscriptions.clear();
    }

    private Optional<Work> work() {
        return desk.shown();
    }

    private void show() {
        Optional<Work> work = work();
        tag.show(work);
        thread.show(inBook ? Optional.empty() : work);
        boolean ticket = !inBook && work.isPresent();
        axis.setVisible(ticket);
        axis.setManaged(ticket);
        if (!ticket) {
            area.getChildren().setAll(book.node());
            references.setText("");
            partsOut.setText("");
            computing.setText("");
            say.show(book.measuring() ? new Say(Words.of("measure.say"), Words.of("measure.keys")) : new Say(Words.of(book.count() == 0 ? "book.say.empty" : "book.say"), Words.of("book.keys")), List.of(), desk.clock().instant());
            return;
        }
        Work w = work.orElseThrow();
        AxisModel model = AxisModel.of(w);
        axis.show(model);
        Station station = stations.get(w.stage());
        if (station != null) {
            station.show(w);
            if (area.getChildren().size() != 1 || area.getChildren().getFirst() != station.node()) {
                area.getChildren().setAll(station.node());
                if (!say.isTyping()) {
                    requestFocus();
                }
            }
            say.show(station.say(w), w.state().timers(), desk.clock().instant());
        }
        references.setText(model.references().isEmpty() ? "" : model.referenceLine());
        partsOut.setText(Words.count("status.out", w.ledger().partsOut().size()));
        computing.setText(w.computing() ? Words.of("status.computing") : "");
        if (bench.isVisible()) {
            bench.show(w);
        }
        tick();
    }

    private void tick() {
        Instant now = desk.clock().instant();
        say.tick(now);
        if (bench.isVisible()) {
            bench.timer(work().stream()
                    .flatMap(w -> w.state().timers().stream())
                    .min(Comparator.comparing(TicketEvent.TimerSet::ends))
                    .map(t -> timer(t, now))
                    .orElse(""));
        }
    }

    private static String timer(TicketEvent.TimerSet t, Instant now) {
        long left = Duration.between(now, t.ends()).toSeconds();
        return left > 0 ? String.format(Locale.ROOT, "%s  %02d:%02d", t.label(), left / 60, left % 60) : Words.of("say.timer.over", t.label());
    }

    /// Shows all tickets.
    public void showBook() {
        inBook = true;
        leaveBench();
        book.refresh();
        show();
    }

    /// Shows the open ticket.
    public void showWork() {
        inBook = false;
        show();
    }

    private void enterBench() {
        work().filter(w -> !inBook && (w.stage() == Stage.OPEN || w.stage() == Stage.CLOSE)).ifPresentOrElse(w -> {
            bench.show(w);
            bench.setVisible(true);
            main.setVisible(false);
            requestFocus();
            tick();
        }, () -> desk.complain(Words.of("bench.notnow")));
    }

    /// The photo of the step in hand, taken from bench mode.
    private void stepPhoto() {
        work().ifPresent(w -> {
            if (w.stage() == Stage.CLOSE) {
                closing.photograph(w);
            } else {
                opening.photograph(w);
            }
        });
    }

    private void leaveBench() {
        bench.setVisible(false);
        main.setVisible(true);
    }

    private void hideKeys() {
        keys.setVisible(false);
    }

    private Optional<Joint> inHand(Work w) {
        return switch (w.stage()) {
            case OPEN -> w.nextToOpen().or(w::lastOff);
            case CLOSE -> w.nextToClose().map(s -> s.joint());
            case ARRIVE, LOOK, DECIDE, CLEAN, PROVE -> Optional.empty();
        };
    }

    private Reading read(String line) {
        return work().filter(w -> !inBook)
                .map(w -> new Shorthand(w.instrument(), inHand(w), w.stage() == Stage.CLOSE, desk.clock().instant())
                        .with(w.section(), w.selection() instanceof Selection.OfFinding f ? Optional.of(f.id()) : Optional.empty()).read(line))
                .orElseGet(() -> new Reading.NotYet(Words.of("say.noticket"), List.of()));
    }

    private void accept(List<Intent> intents) {
        CompletableFuture<?> before = CompletableFuture.completedFuture(null);
        for (Intent i : intents) {
            before = before.thenCompose(done -> desk.submit(i));
        }
    }

    private void typed(KeyEvent e) {
        if (answered) {
            // The letter of a key that was a command must not land in a field that the command opened.
            answered = false;
            e.consume();
            return;
        }
        if (e.getCharacter().equals("/") && !typing(e) && !bench.isVisible() && !inBook) {
            say.type("");
            e.consume();
        }
    }

    private static boolean typing(KeyEvent e) {
        return e.getTarget() instanceof TextInputControl;
    }

    private void pressed(KeyEvent e) {
        answered = false;
        if (keys.isVisible()) {
            hideKeys();
            e.consume();
            return;
        }
        if (command(e)) {
            e.consume();
            return;
        }
        if (typing(e) || e.isControlDown() || e.isAltDown() || e.isMetaDown()) {
            return;
        }
        if (e.getTarget() instanceof javafx.scene.control.Button && (e.getCode() == KeyCode.SPACE || e.getCode() == KeyCode.ENTER)) {
            return;
        }
        say.calm();
        if (plain(e)) {
            answered = true;
            e.consume();
        }
    }

    /// Keys that work everywhere.
    private boolean command(KeyEvent e) {
        if (e.getCode() == KeyCode.F1) {
            keys.setVisible(true);
            return true;
        }
        if (e.getCode() == KeyCode.F2) {
            measure();
            return true;
        }
        if (!e.isShortcutDown()) {
            return false;
        }
        int digit = e.getCode().ordinal() - KeyCode.DIGIT1.ordinal();
        if (digit >= 0 && digit < Stage.values().length) {
            if (!inBook) {
                desk.go(Stage.values()[digit]);
            }
            return true;
        }
        switch (e.getCode()) {
            case Z -> desk.submit(new Intent.Undo());
            case B -> showBook();
            case ENTER -> work().filter(w -> !inBook).ifPresent(this::finish);
            case PLUS, EQUALS, ADD -> scale(true);
            case MINUS, SUBTRACT -> scale(false);
            default -> {
                return false;
            }
        }
        return true;
    }

    /// The caliper's reading goes into the field that has the focus; without one it begins a line about the joint in hand.
    private void measure() {
        work().filter(w -> !inBook).ifPresent(w -> inHand(w).ifPresent(j -> gauge.read(w, j, () -> getScene() != null
                && getScene().getFocusOwner() instanceof TextInputControl field ? Optional.of(field) : Optional.empty())));
    }

    private void scale(boolean up) {
        if (up) {
            theme.larger();
        } else {
            theme.smaller();
        }
        desk.remember("text scale", Double.toString(theme.scale().get()));
        requestLayout();
    }

    /// Calls the stage done and goes on to the next.
    private void finish(Work w) {
        Stage stage = w.stage();
        desk.submit(new Intent.FinishStage(stage, Optional.empty())).thenAcceptAsync(d -> {
            if (d instanceof stillglass.ticket.Decision.Accepted && stage.ordinal() + 1 < Stage.values().length) {
                desk.go(Stage.values()[stage.ordinal() + 1]);
            }
        }, Platform::runLater);
    }

    private boolean plain(KeyEvent e) {
        if (bench.isVisible()) {
            if (e.getCode() == KeyCode.ESCAPE || e.getCode() == KeyCode.B) {
                leaveBench();
                return true;
            }
            return bench.key(e);
        }
        if (inBook) {
            if (e.getCode() == KeyCode.ESCAPE && book.measuring()) {
                book.measuring(false);
                return true;
            }
            if (e.getCode() == KeyCode.ESCAPE && work().isPresent()) {
                showWork();
                return true;
            }
            return false;
        }
        boolean onAxis = e.getTarget() == axis && (e.getCode() == KeyCode.LEFT || e.getCode() == KeyCode.RIGHT
                || e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN);
        if (onAxis) {
            return false;
        }
        if (e.getCode() == KeyCode.B) {
            enterBench();
            return true;
        }
        if (e.getCode() == KeyCode.L) {
            work().ifPresent(w -> desk.view(w.viewing().withRays(!w.viewing().rays())));
            return true;
        }
        if (e.getCode() == KeyCode.N && work().filter(w -> w.instrument().net().isPresent()).isPresent()) {
            desk.view(Viewing::otherwise);
            return true;
        }
        if (e.getCode() == KeyCode.A) {
            tallAxis = !tallAxis;
            axis.prefHeightProperty().unbind();
            axis.prefHeightProperty().bind(javafx.beans.binding.Bindings.createDoubleBinding(
                    () -> Math.max(170, getHeight() * (tallAxis ? AXIS_TALL_SHARE : AXIS_SHARE)), heightProperty()));
            return true;
        }
        Station station = work().map(w -> stations.get(w.stage())).orElse(null);
        return station != null && work().filter(w -> station.key(e, w)).isPresent() || e.getCode() == KeyCode.ESCAPE && desk.stopComputing();
    }

    /// The station of a stage, for callers that drive it directly.
    public Optional<Station> station(Stage stage) {
        return Optional.ofNullable(stations.get(stage));
    }
}
