package stillglass.app.look;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.PhotoTaking;
import stillglass.app.desk.Say;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Work;
import stillglass.app.shell.Station;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.book.photo.PhotoFiles;
import stillglass.device.PhotoCamera;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.sim.VirtualDevices;
import stillglass.ticket.Decision;
import stillglass.ticket.Intent;
import stillglass.ticket.Phase;
import stillglass.ticket.Stage;

/// The photo is the hero; what was found stands beside it and can be corrected by mouse or keys.
public final class LookView implements Station {
    /// The commonest kinds have keys.
    private static final List<FindingKind> KEYED = LookModel.KINDS.subList(0, 5);

    /// Width from which the chips of a card reckon their height.
    private static final double CHIPS_WIDTH = 560;

    private final Desk desk;
    private final Consumer<String> type;
    private final Asker asker;
    private final PhotoCache cache;
    private final PhotoPane pane;
    private final StackPane hero;
    private final VBox empty;
    private final Label head = Build.label("", "soft");
    private final VBox list = Build.column(8);
    private final ScrollPane scroll = Build.tall(list);
    private final ProgressBar bar = new ProgressBar(0);
    private final Label doing = Build.line("", "soft", "small");
    private final HBox working;
    private final HBox node;
    private Optional<LookModel> drawn = Optional.empty();
    private Optional<String> revealed = Optional.empty();
    private Optional<AtomicBoolean> stop = Optional.empty();

    /// @param type begins a line of bench shorthand
    public LookView(Desk desk, Asker asker, PhotoCache cache, Consumer<String> type) {
        this.desk = desk;
        this.type = type;
        this.asker = asker;
        this.cache = cache;
        pane = new PhotoPane(this::setAperture, id -> desk.select(new Selection.OfFinding(id)));
        pane.setId("photo");
        empty = Build.column(14, Build.label(Words.of("look.empty"), "heading"), Build.label(Words.of("look.empty.how"), "soft"),
                Build.row(10, open(), take()));
        empty.getStyleClass().add("photo-empty");
        empty.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        hero = new StackPane(pane, empty);
        hero.setMinSize(0, 0);
        Button cancel = Build.button(Words.of("cancel"), "Esc", this::cancel, "chip");
        cancel.setId("cancel");
        bar.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(bar, javafx.scene.layout.Priority.ALWAYS);
        working = Build.row(10, doing, bar, cancel);
        show(working, false);
        VBox right = Build.column(8, Build.row(10, Build.line(Words.of("look.heading"), "heading"), Build.spring(), open(), take()), head, working, scroll);
        node = Build.shared(18, List.of(hero, right), 0.92, 1.08);
        node.getStyleClass().add("station");
        node.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        node.setOnDragDropped(e -> {
            dropped(e.getDragboard().getFiles().stream().map(java.io.File::toPath).toList());
            e.setDropCompleted(true);
            e.consume();
        });
    }

    private static void show(Node n, boolean visible) {
        n.setVisible(visible);
        n.setManaged(visible);
    }

    private Button open() {
        Button b = Build.button(Words.of("look.open"), "O", this::askPhoto);
        b.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        return b;
    }

    private Button take() {
        Button b = Build.button(Words.of("look.take"), "C", this::photograph);
        b.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        return b;
    }

    private void askPhoto() {
        asker.photo().ifPresent(p -> dropped(List.of(p)));
    }

    /// Takes photo files in, one after the other.
    public void dropped(List<Path> files) {
        CompletableFuture<?> before = CompletableFuture.completedFuture(null);
        for (Path file : files) {
            before = before.thenCompose(done -> onUi(() -> desk.shown().map(w -> grade(w, Words.of("look.caption"),
                            () -> new PhotoCamera.Picture(String.valueOf(file.getFileName()), PhotoFiles.bytes(file))))
                    .orElseGet(() -> CompletableFuture.completedFuture(null))));
        }
    }

    private static <T> CompletableFuture<T> onUi(java.util.function.Supplier<CompletableFuture<T>> work) {
        return CompletableFuture.supplyAsync(work, Platform::runLater).thenCompose(f -> f);
    }

    private void photograph() {
        desk.shown().ifPresent(w -> grade(w, Words.of("look.caption.bench"),
                VirtualDevices.camera(w.state(), w.section(), w.instrument(), Phase.BEFORE)));
    }

    private CompletableFuture<Decision> grade(Work work, String caption, PhotoCamera camera) {
        return watched(progress -> PhotoTaking.take(desk, work, camera, Phase.BEFORE, false, caption, progress));
    }

    private void setAperture(Aperture aperture) {
        desk.shown().flatMap(w -> w.state().gradedPhoto(Phase.BEFORE))
                .ifPresent(p -> watched(progress -> PhotoTaking.regrade(desk, p, aperture, progress)));
    }

    /// Runs graded work with progress on show; Esc or the button stops it.
    private CompletableFuture<Decision> watched(java.util.function.Function<Progress, CompletableFuture<Decision>> work) {
        cancel();
        AtomicBoolean stopped = new AtomicBoolean();
        stop = Optional.of(stopped);
        show(working, true);
        Progress progress = (share, what) -> {
            if (stopped.get()) {
                throw new CancellationException();
            }
            Platform.runLater(() -> {
                bar.setProgress(share);
                doing.setText(what);
            });
        };
        return work.apply(progress).whenCompleteAsync((done, wrong) -> {
            if (stop.filter(s -> s == stopped).isPresent()) {
                stop = Optional.empty();
                show(working, false);
            }
        }, Platform::runLater);
    }

    private void cancel() {
        stop.ifPresent(s -> s.set(true));
        show(working, false);
    }

    @Override
    public Stage stage() {
        return Stage.LOOK;
    }

    @Override
    public Node node() {
        return node;
    }

    @Override
    public void show(Work work) {
        LookModel m = LookModel.of(work);
        if (drawn.filter(m::equals).isPresent()) {
            return;
        }
        drawn = Optional.of(m);
        show(empty, m.photo().isEmpty());
        String remark = m.remarks().isEmpty() ? "" : "\n" + Words.capital(String.join("; ", m.remarks())) + ".";
        head.setText(m.head() + remark);
        List<Node> cards = new ArrayList<>();
        m.rows().forEach(r -> cards.add(card(r)));
        list.getChildren().setAll(cards);
        Optional<String> selected = m.selected().map(LookModel.Row::id);
        if (!selected.equals(revealed)) {
            revealed = selected;
            m.selected().ifPresent(r -> Platform.runLater(() -> reveal(cards.get(m.rows().indexOf(r)))));
        }
        if (m.photo().isPresent() && m.rows().isEmpty()) {
            list.getChildren().add(Build.label(Words.of("look.clean"), "large"));
        }
        if (m.photo().isEmpty()) {
            pane.show(Optional.empty(), Optional.empty(), List.of());
        }
        m.photo().ifPresent(shot -> cache.load(work.state().tag().number(), shot.photoId()).thenAccept(loaded ->
                drawn.filter(m::equals).ifPresent(same -> pane.show(loaded, Optional.of(shot.aperture()), m.rows()))));
    }

    /// Scrolls so that a card that was just chosen can be seen with all its chips.
    private void reveal(Node card) {
        list.applyCss();
        scroll.layout();
        double hidden = list.getHeight() - scroll.getViewportBounds().getHeight();
        if (hidden > 0) {
            scroll.setVvalue(Math.clamp(card.getBoundsInParent().getMinY() / hidden, 0, 1));
        }
    }

    private Node card(LookModel.Row r) {
        Label number = Build.line(Integer.toString(r.number()), "figure", "card-number", "number-" + r.kind().word());
        number.setMinWidth(26);
        HBox title = Build.row(10, Build.line(r.title(), "subheading"), Build.line(r.sure(), "soft"), Build.line(r.corrected(), "soft", "small"));
        VBox words = Build.column(1, title, Build.label(r.place() + "  ·  " + r.size()), Build.label(r.reasons(), "soft", "small"));
        HBox.setHgrow(words, javafx.scene.layout.Priority.ALWAYS);
        if (r.selected()) {
            words.getChildren().addAll(chips(r));
        }
        HBox card = Build.row(12, number, words);
        card.setAlignment(javafx.geometry.Pos.TOP_LEFT);
        card.getStyleClass().addAll("card", "card-" + r.kind().word());
        if (r.selected()) {
            card.getStyleClass().add("card-selected");
        }
        card.setId("finding-" + r.number());
        card.setOnMouseClicked(e -> desk.select(new Selection.OfFinding(r.id())));
        card.setAccessibleText(r.number() + " " + r.title() + ", " + r.place() + ", " + r.size());
        return card;
    }

    private List<Node> chips(LookModel.Row r) {
        FlowPane kinds = new FlowPane(6, 6);
        kinds.setPrefWrapLength(CHIPS_WIDTH);
        kinds.getChildren().add(Build.line(Words.of("look.itis"), "soft", "small"));
        for (LookModel.KindChip k : r.kinds()) {
            int key = KEYED.indexOf(k.kind()) + 1;
            Button b = Build.button(k.kind().word().replace('-', ' '), key > 0 ? Integer.toString(key) : "",
                    () -> desk.submit(new Intent.Rekind(r.id(), k.kind())), "chip");
            strike(b, k.chosen(), k.not());
            b.setId("kind-" + k.kind().word());
            kinds.getChildren().add(b);
        }
        kinds.getChildren().add(Build.button(Words.of("look.dismiss"), "X", () -> desk.submit(new Intent.Dismiss(r.id())), "chip"));
        FlowPane surfaces = new FlowPane(6, 6);
        surfaces.setPrefWrapLength(CHIPS_WIDTH);
        surfaces.getChildren().add(Build.line(Words.of("look.lieson"), "soft", "small"));
        for (LookModel.SurfaceChip s : r.surfaces()) {
            Button b = Build.button(s.probability().isEmpty() ? s.name() : s.name() + "  " + s.probability(), "",
                    () -> desk.submit(new Intent.Place(r.id(), s.surface())), "chip");
            strike(b, s.chosen(), s.not());
            b.setId("surface-" + (s.surface() + 1));
            surfaces.getChildren().add(b);
        }
        List<Node> all = new ArrayList<>(List.of(depth(r), kinds, surfaces));
        String struck = struck(r);
        if (!struck.isEmpty()) {
            all.add(Build.label(struck, "soft", "small"));
        }
        return all;
    }

    /// A chosen chip, or one struck out with its reason at hand.
    private static void strike(Button b, boolean chosen, String not) {
        if (chosen) {
            b.getStyleClass().add("chosen");
        }
        if (!not.isEmpty()) {
            b.getStyleClass().add("struck");
            b.setTooltip(new javafx.scene.control.Tooltip(Words.capital(not)));
            b.setAccessibleText(b.getText() + ": " + not);
        }
    }

    /// The reasons for what is struck out, each once.
    private static String struck(LookModel.Row r) {
        return java.util.stream.Stream.concat(
                        r.kinds().stream().filter(k -> !k.not().isEmpty()).map(k -> Words.of("look.struck", k.kind().word().replace('-', ' '), k.not())),
                        r.surfaces().stream().filter(s -> !s.not().isEmpty()).map(s -> Words.of("look.struck", r.kind().word().replace('-', ' '), s.not())))
                .distinct().collect(java.util.stream.Collectors.joining("  ·  "));
    }

    private Node depth(LookModel.Row r) {
        FlowPane line = new FlowPane(8, 4);
        line.setPrefWrapLength(CHIPS_WIDTH);
        line.getChildren().add(Build.line(Words.of("look.depth"), "soft", "small"));
        Button focus = Build.button(Words.of("look.depth.focus"), "D", () -> type.accept("focus "), "chip");
        focus.setId("depth-focus");
        Button parallax = Build.button(Words.of("look.depth.parallax"), "", () -> type.accept("parallax 10° "), "chip");
        parallax.setId("depth-parallax");
        line.getChildren().addAll(focus, parallax);
        VBox box = Build.column(3);
        r.depth().ifPresent(d -> box.getChildren().add(Build.label(Words.of("look.depth.says", d.verdict(), d.readings()))));
        box.getChildren().add(line);
        r.depth().ifPresent(d -> {
            d.remarks().forEach(x -> box.getChildren().add(Build.label(x, "gold", "small")));
            d.likeliest().ifPresent(s -> {
                Button put = Build.button(Words.of("look.depth.put"), "Enter", () -> desk.submit(new Intent.Place(r.id(), s)), "chip");
                put.setId("depth-put");
                line.getChildren().add(put);
            });
        });
        return box;
    }

    @Override
    public Say say(Work work) {
        return LookModel.of(work).say();
    }

    @Override
    public boolean key(KeyEvent event, Work work) {
        LookModel m = LookModel.of(work);
        return switch (event.getCode()) {
            case D -> m.selected().isPresent() && act(() -> type.accept("focus "));
            case ENTER -> m.selected().flatMap(LookModel.Row::depth).flatMap(LookModel.Depth::likeliest).isPresent()
                    && act(() -> desk.submit(new Intent.Place(m.selected().get().id(), m.selected().get().depth().orElseThrow().likeliest().orElseThrow())));
            case O -> act(this::askPhoto);
            case C -> act(this::photograph);
            case ESCAPE -> stop.isPresent() && act(this::cancel);
            case DOWN -> act(() -> step(m, 1));
            case UP -> act(() -> step(m, -1));
            case X, DELETE -> m.selected().isPresent() && act(() -> desk.submit(new Intent.Dismiss(m.selected().get().id())));
            case RIGHT -> m.selected().isPresent() && act(() -> shift(work, m.selected().get(), 1));
            case LEFT -> m.selected().isPresent() && act(() -> shift(work, m.selected().get(), -1));
            default -> rekind(event.getCode(), m);
        };
    }

    private static boolean act(Runnable r) {
        r.run();
        return true;
    }

    private boolean rekind(KeyCode code, LookModel m) {
        int n = code.ordinal() - KeyCode.DIGIT1.ordinal();
        if (n < 0 || n >= KEYED.size() || m.selected().isEmpty()) {
            return false;
        }
        desk.submit(new Intent.Rekind(m.selected().get().id(), KEYED.get(n)));
        return true;
    }

    private void step(LookModel m, int by) {
        if (m.rows().isEmpty()) {
            return;
        }
        int now = m.selected().map(r -> m.rows().indexOf(r)).orElse(by > 0 ? -1 : 0);
        desk.select(new Selection.OfFinding(m.rows().get(Math.floorMod(now + by, m.rows().size())).id()));
    }

    /// Moves the selected finding one surface along the axis.
    private void shift(Work work, LookModel.Row row, int by) {
        List<Integer> free = row.surfaces().stream().filter(c -> c.not().isEmpty()).map(LookModel.SurfaceChip::surface).toList();
        int now = work.state().finding(row.id()).flatMap(k -> k.surface()).map(free::indexOf).orElse(by > 0 ? -1 : free.size());
        desk.submit(new Intent.Place(row.id(), free.get(Math.clamp(now + by, 0, free.size() - 1))));
    }
}
