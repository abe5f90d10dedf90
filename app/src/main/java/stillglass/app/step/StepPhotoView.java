package stillglass.app.step;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicLong;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.PhotoTaking;
import stillglass.app.desk.Work;
import stillglass.app.look.PhotoCache;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.device.PhotoCamera;
import stillglass.look.Aperture;
import stillglass.look.Progress;
import stillglass.prove.ClockingCheck;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.PhotoMark;
import stillglass.ticket.story.Stage;

/// The photos of a step, large: marks are drawn on the one of the record, and a second one, of the joint put back, is compared with it.
public final class StepPhotoView {
    private static final double STEP = 0.02;
    private static final double FINE = 0.002;
    private static final double RING_STEP = 0.04;
    private static final double SMALL_WIDTH = 240;

    private final Desk desk;
    private final Asker asker;
    private final PhotoCache cache;
    private final Runnable back;
    private final MarkedPhoto then;
    private final MarkedPhoto now;
    private final MarkedPhoto small = new MarkedPhoto("", d -> {}, a -> {});
    private final VBox words = Build.column(8);
    private final VBox buttons = Build.column(6);
    private final Label doing = Build.label("", "soft");
    private final HBox node;
    private final AtomicLong asked = new AtomicLong();
    /// Circles found, empty where there is none, and circles drawn, by photo; belong to the joint shown.
    private final Map<String, Optional<Aperture>> circles = new HashMap<>();
    private final Map<String, Aperture> byHand = new HashMap<>();
    private Optional<ClockingCheck.Zone> zone = Optional.empty();
    private Optional<StepPhotos> shown = Optional.empty();

    /// @param back puts the photos away again
    public StepPhotoView(Desk desk, Asker asker, PhotoCache cache, Runnable back) {
        this.desk = desk;
        this.asker = asker;
        this.cache = cache;
        this.back = back;
        then = new MarkedPhoto(Words.of("step.then"), this::line, a -> circled(true, a));
        now = new MarkedPhoto(Words.of("step.now"), d -> {}, a -> circled(false, a));
        small.setPrefSize(SMALL_WIDTH, SMALL_WIDTH * 3 / 4);
        small.setMaxSize(SMALL_WIDTH, SMALL_WIDTH * 3 / 4);
        small.setMinSize(SMALL_WIDTH, SMALL_WIDTH * 3 / 4);
        small.setMouseTransparent(true);
        then.setId("step-then");
        now.setId("step-now");
        HBox.setHgrow(then, Priority.ALWAYS);
        HBox.setHgrow(now, Priority.ALWAYS);
        for (MarkedPhoto p : List.of(then, now)) {
            p.setPrefSize(400, 120);
            p.setMaxSize(Double.MAX_VALUE, Double.MAX_VALUE);
        }
        VBox side = Build.column(8, Build.tall(words), buttons);
        side.setMinWidth(250);
        side.setPrefWidth(270);
        side.getStyleClass().add("sheet");
        node = Build.row(12, then, now, side);
        node.setFillHeight(true);
        node.setId("step-photos");
        node.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        node.setOnDragDropped(e -> {
            e.getDragboard().getFiles().stream().findFirst().ifPresent(f -> file(f.toPath()));
            e.setDropCompleted(true);
            e.consume();
        });
        visible(node, false);
    }

    public Node node() {
        return node;
    }

    /// The photo of the record with its marks, small, to stand beside the step.
    public Node small() {
        return small;
    }

    public boolean open() {
        return node.isVisible();
    }

    /// Shows or hides the photos.
    public void open(boolean on) {
        visible(node, on);
        if (on) {
            draw();
        } else {
            asked.incrementAndGet();
            then.giveUp();
            doing.setText("");
        }
    }

    private static void visible(Node n, boolean on) {
        n.setVisible(on);
        n.setManaged(on);
    }

    public void show(Work work) {
        Optional<StepPhotos> m = StepPhotos.of(work);
        if (!buttons.getChildren().isEmpty() && shown.equals(m)) {
            return;
        }
        if (!shown.map(s -> s.ticket() + s.joint().id()).equals(m.map(s -> s.ticket() + s.joint().id()))) {
            circles.clear();
            byHand.clear();
            zone = Optional.empty();
            then.giveUp();
        }
        shown = m;
        boolean closing = work.stage() == Stage.CLOSE;
        visible(now, closing);
        words.getChildren().setAll(m.map(this::words).orElseGet(() -> List.of(Build.label(Words.of(closing ? "step.none.close" : "step.none.open"), "large"))));
        buttons.getChildren().setAll(buttons(closing));
        m.ifPresent(s -> then.setAccessibleText(s.spoken()));
        if (open()) {
            draw();
        }
        small.show(Optional.empty(), List.of(), Optional.empty(), Optional.empty(), Optional.empty());
        if (closing) {
            m.ifPresent(s -> cache.load(s.ticket(), s.record()).thenAccept(photo -> {
                if (shown.filter(s::equals).isPresent()) {
                    small.show(photo, List.copyOf(s.marks().values()), Optional.empty(), Optional.empty(), Optional.empty());
                }
            }));
        }
    }

    private List<Node> words(StepPhotos s) {
        List<Node> nodes = new ArrayList<>();
        nodes.add(Build.label(Words.capital(s.joint().name()), "heading"));
        if (s.closing()) {
            s.verdict().ifPresentOrElse(
                    v -> nodes.add(Build.label((v.matches() ? "✓ " : "× ") + v.say(), "large", v.matches() ? "green" : "danger")),
                    () -> nodes.add(Build.label(Words.of("step.compare"))));
        } else {
            nodes.add(Build.label(Words.of("step.mark")));
        }
        s.marks().forEach((n, m) -> nodes.add(Build.label("→ " + m.word(), "medium")));
        s.lastMark().filter(m -> !s.closing()).ifPresent(m -> {
            TextField name = Build.field(Words.of("step.name", m.word()), this::name);
            name.setId("mark-name");
            nodes.add(name);
        });
        if (s.closing()) {
            Button narrower = Build.button(Words.of("step.narrower"), "−", () -> widen(-RING_STEP), "chip");
            Button wider = Build.button(Words.of("step.wider"), "+", () -> widen(RING_STEP), "chip");
            nodes.add(Build.row(6, narrower, wider));
            nodes.add(Build.label(Words.of("step.ring"), "small", "soft"));
        }
        nodes.add(doing);
        return nodes;
    }

    private List<Node> buttons(boolean closing) {
        Button take = Build.button(Words.of(closing ? "step.take.close" : "step.take.open"), "P", () -> desk.shown().ifPresent(this::photograph), closing ? "next" : "button");
        take.setId("take-step");
        Button file = Build.button(Words.of("step.file"), "O", this::ask);
        Button away = Build.button(Words.of("step.back"), "V", back, closing ? "button" : "next");
        away.setId("step-back");
        return List.of(take, Build.row(6, file, away));
    }

    private ClockingCheck.Zone zone(Joint joint) {
        // A glass has its own marks inside its rim; everything else is a ring about the opening.
        boolean glass = joint.hold() instanceof Hold.Seat && joint.frees().stream().anyMatch(p -> desk.shown().flatMap(w -> w.instrument().part(p)).flatMap(x -> x.element()).isPresent());
        return zone.orElse(glass ? ClockingCheck.Zone.GLASS : ClockingCheck.Zone.RING);
    }

    /// Loads what is to be seen, then where its circles are.
    private void draw() {
        shown.ifPresentOrElse(s -> {
            picture(s, s.record(), then, List.copyOf(s.marks().values()), Optional.empty());
            if (s.later().isPresent()) {
                picture(s, s.later().get(), now, List.of(), s.verdict().map(StepPhotos.Verdict::turnDeg));
            } else {
                now.show(Optional.empty(), List.of(), Optional.empty(), Optional.empty(), Optional.empty());
            }
        }, () -> {
            then.show(Optional.empty(), List.of(), Optional.empty(), Optional.empty(), Optional.empty());
            now.show(Optional.empty(), List.of(), Optional.empty(), Optional.empty(), Optional.empty());
        });
    }

    private void picture(StepPhotos s, String id, MarkedPhoto into, List<PhotoMark> marks, Optional<Double> turned) {
        Optional<ClockingCheck.Zone> rings = s.closing() ? Optional.of(zone(s.joint())) : Optional.empty();
        Optional<Aperture> known = Optional.ofNullable(byHand.get(id)).or(() -> circles.getOrDefault(id, Optional.empty()));
        cache.load(s.ticket(), id).thenAccept(photo -> {
            if (shown.filter(s::equals).isPresent()) {
                into.show(photo, marks, known, rings, turned);
            }
        });
        if (s.closing() && known.isEmpty() && !circles.containsKey(id)) {
            PhotoTaking.circle(desk, s.ticket(), id).thenAcceptAsync(found -> {
                if (circles.put(id, found) == null && shown.filter(s::equals).isPresent()) {
                    draw();
                }
            }, Platform::runLater);
        }
    }

    private void line(double[] d) {
        shown.ifPresent(s -> s.mark(d[0], d[1], d[2], d[3])
                .ifPresent(m -> desk.submit(new GlassEvent.PhotoMarked(s.record(), s.nextNumber(), m))));
    }

    private void name(String word) {
        String kept = word.strip().substring(0, Math.min(PhotoMark.LONGEST_WORD, word.strip().length()));
        shown.filter(s -> !kept.isEmpty()).ifPresent(s -> s.lastMark().ifPresent(m ->
                desk.submit(new GlassEvent.PhotoMarked(s.record(), s.marks().lastKey(), m.named(kept)))));
    }

    private void unmark() {
        shown.filter(s -> !s.marks().isEmpty()).ifPresent(s -> desk.submit(new GlassEvent.PhotoUnmarked(s.record(), s.marks().lastKey())));
    }

    private void circled(boolean record, Aperture by) {
        shown.filter(StepPhotos::closing).ifPresent(s -> {
            (record ? Optional.of(s.record()) : s.later()).ifPresent(id -> byHand.put(id, by));
            draw();
            again(s);
        });
    }

    private void widen(double by) {
        shown.filter(StepPhotos::closing).ifPresent(s -> {
            zone = Optional.of(zone(s.joint()).wider(by));
            draw();
            again(s);
        });
    }

    private void again(StepPhotos s) {
        s.later().ifPresent(later -> watched(progress -> PhotoTaking.again(desk, s.ticket(), s.joint(), later, how(s), progress)));
    }

    private PhotoTaking.Comparing how(StepPhotos s) {
        return new PhotoTaking.Comparing(s.record(), zone(s.joint()), byHand);
    }

    /// Takes a photo with the camera of the bench: for the record while opening, to compare while closing.
    public void photograph(Work work) {
        joint(work).ifPresent(j -> desk.devices().overJoint(work, j).ifPresentOrElse(c -> take(work, j, c), this::ask));
    }

    private void ask() {
        asker.photo().ifPresent(this::file);
    }

    /// The same from a file.
    public void file(Path file) {
        desk.shown().ifPresent(w -> joint(w).ifPresent(j ->
                take(w, j, PhotoTaking.file(file))));
    }

    private static Optional<Joint> joint(Work work) {
        return work.inHand();
    }

    private void take(Work work, Joint joint, PhotoCamera camera) {
        if (work.stage() != Stage.CLOSE) {
            watched(progress -> PhotoTaking.ofStep(desk, work, joint, camera, progress));
        } else {
            StepPhotos.of(work).ifPresentOrElse(s -> watched(progress -> PhotoTaking.ofReturn(desk, work, joint, camera, how(s), progress)),
                    () -> desk.complain(Words.of("step.none.close")));
        }
    }

    /// Says what is being done; Esc or closing the photos stops it.
    private void watched(java.util.function.Function<Progress, CompletableFuture<?>> work) {
        long mine = asked.incrementAndGet();
        doing.setText(Words.of("step.working"));
        Progress progress = (share, what) -> {
            if (asked.get() != mine) {
                throw new CancellationException();
            }
            Platform.runLater(() -> doing.setText(what));
        };
        work.apply(progress).whenCompleteAsync((done, wrong) -> {
            if (asked.get() == mine) {
                doing.setText("");
            }
        }, Platform::runLater);
    }

    /// Keys while the photos are open.
    /// @return whether the key meant something
    public boolean key(KeyEvent event) {
        double by = event.isShiftDown() ? FINE : STEP;
        switch (event.getCode()) {
            case V -> back.run();
            case O -> ask();
            case P -> desk.shown().ifPresent(this::photograph);
            case LEFT -> then.move(-by, 0);
            case RIGHT -> then.move(by, 0);
            case UP -> then.move(0, -by);
            case DOWN -> then.move(0, by);
            case ENTER -> then.pin(event.isShiftDown());
            case DELETE -> unmark();
            case PLUS, EQUALS, ADD -> widen(RING_STEP);
            case MINUS, SUBTRACT -> widen(-RING_STEP);
            case ESCAPE -> {
                if (!doing.getText().isEmpty()) {
                    asked.incrementAndGet();
                    doing.setText("");
                } else if (!then.giveUp()) {
                    back.run();
                }
            }
            default -> {
                return false;
            }
        }
        return true;
    }
}
