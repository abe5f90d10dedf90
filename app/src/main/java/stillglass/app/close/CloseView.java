package stillglass.app.close;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.app.draw.Dial;
import stillglass.app.look.PhotoCache;
import stillglass.app.station.Station;
import stillglass.app.step.HandNotes;
import stillglass.app.step.StepPhotoView;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

/// The step in hand with its questions and their verdicts, what follows, and the ledger that must reach zero.
public final class CloseView implements Station {
    private final Desk desk;
    private final Consumer<String> type;
    /// The grease in hand, where another than the last one was chosen.
    private Optional<String> grease = Optional.empty();
    private final VBox now = Build.column(7);
    private final FlowPane actions = new FlowPane(8, 8);
    private final Dial dial;
    private final HandNotes hand;
    private final VBox answers = Build.column(7);
    private final VBox ahead = Build.column(2);
    private final Label count = Build.line("", "verdict");
    private final VBox lines = Build.column(3);
    private final HBox sheets;
    private final StepPhotoView photos;
    private final VBox node;
    private Optional<CloseModel> drawn = Optional.empty();

    public CloseView(Desk desk, Asker asker, PhotoCache cache, Consumer<String> type) {
        this.desk = desk;
        photos = new StepPhotoView(desk, asker, cache, () -> showPhotos(false));
        this.type = type;
        hand = new HandNotes(desk, "close-hand");
        dial = new Dial(at -> state(new LetGo(at)));
        dial.setId("close-dial");
        VBox left = Build.column(8, Build.tall(now), actions);
        HBox.setHgrow(left, Priority.ALWAYS);
        answers.setMinWidth(190);
        answers.setPrefWidth(210);
        HBox inHand = Build.row(18, left, answers);
        inHand.setAlignment(Pos.TOP_LEFT);
        inHand.getStyleClass().add("sheet");
        VBox next = Build.column(8, Build.line(Words.of("close.ahead"), "heading"), Build.tall(ahead));
        VBox ledger = Build.column(6, Build.line(Words.of("close.ledger"), "heading"), count, Build.tall(lines));
        ledger.getStyleClass().add("mat");
        sheets = Build.shared(18, List.of(inHand, next, ledger), 2.3, 0.8, 1);
        VBox.setVgrow(sheets, Priority.ALWAYS);
        VBox.setVgrow(photos.node(), Priority.ALWAYS);
        node = Build.column(0, sheets, photos.node());
        node.getStyleClass().add("station");
    }

    @Override
    public Stage stage() {
        return Stage.CLOSE;
    }

    @Override
    public Node node() {
        return node;
    }

    @Override
    public void show(Work work) {
        photos.show(work);
        CloseModel m = CloseModel.of(work);
        if (drawn.filter(m::equals).isPresent()) {
            return;
        }
        drawn = Optional.of(m);
        actions.getChildren().clear();
        now.getChildren().setAll(m.now().map(n -> step(n, m)).orElseGet(() -> rest(m)));
        hand.show(m.knacks());
        now.getChildren().add(hand);
        answers.getChildren().setAll(m.now().map(this::answers).orElse(List.of()));
        ahead.getChildren().setAll(m.ahead().stream().map(a -> (Node) Build.label(a)).toList());
        if (m.ahead().isEmpty()) {
            ahead.getChildren().add(Build.label(Words.of("close.ahead.none"), "soft"));
        }
        count.setText(Integer.toString(m.ledger().count()));
        count.getStyleClass().removeAll("danger", "green");
        count.getStyleClass().add(m.ledger().count() == 0 ? "green" : "danger");
        lines.getChildren().setAll(m.ledger().lines().stream().map(l -> (Node) Build.label(l, "small")).toList());
        if (m.ledger().count() == 0) {
            lines.getChildren().add(Build.label(Words.of(m.anythingOpened() ? "close.ledger.zero" : "close.ledger.never"), "soft"));
        }
    }

    private static Node runIn(List<String> lines) {
        VBox box = Build.column(3, Build.label(lines.getFirst(), "subheading"));
        lines.stream().skip(1).forEach(l -> box.getChildren().add(Build.label(l)));
        box.getStyleClass().add("dose");
        box.setId("run-in");
        return box;
    }

    private List<Node> rest(CloseModel m) {
        List<Node> nodes = new ArrayList<>(tests(m));
        if (!m.runIn().isEmpty()) {
            nodes.add(runIn(m.runIn()));
        }
        nodes.add(Build.label(Words.of(m.anythingOpened() ? "close.all" : "close.nothing"), "large"));
        nodes.addAll(worth(m));
        if (m.ledger().count() > 0) {
            nodes.add(despite(reason -> desk.submit(new CourseIntent.FinishStage(Stage.CLOSE, Optional.of(reason))), "close.finish.despite"));
        }
        return nodes;
    }

    private List<Node> tests(CloseModel m) {
        List<Node> nodes = new ArrayList<>();
        m.failure().ifPresent(f -> nodes.add(failed(f)));
        for (CloseModel.Test t : m.tests().stream().filter(CloseModel.Test::must).toList()) {
            VBox box = Build.column(5, Build.label(Words.of("close.try"), "danger", "strong"), Build.label(Words.capital(t.test()) + "."), Build.label(t.why(), "soft", "small"), verdicts(t, m, "next"));
            box.getStyleClass().add("caution");
            nodes.add(box);
        }
        return nodes;
    }

    /// Whether it passed, by keys for the first of all.
    private Node verdicts(CloseModel.Test t, CloseModel m, String style) {
        boolean first = m.tests().getFirst().equals(t);
        Button passed = Build.button(Words.of("close.test.passed"), first ? "T" : "", () -> pass(t), first ? style : "button");
        Button failed = Build.button(Words.of("close.test.failed"), first ? "Shift T" : "", () -> fail(t), "button");
        passed.setId(first ? "test-passed" : null);
        failed.setId(first ? "test-failed" : null);
        passed.setMinWidth(Region.USE_PREF_SIZE);
        failed.setMinWidth(Region.USE_PREF_SIZE);
        return t.must() ? Build.flowing(8, passed, failed) : Build.row(8, passed, failed);
    }

    /// What nothing waits for, but what is better tried before more goes over it: after the step itself.
    private List<Node> worth(CloseModel m) {
        List<CloseModel.Test> worth = m.tests().stream().filter(t -> !t.must()).toList();
        if (worth.isEmpty()) {
            return causes(m);
        }
        VBox box = Build.column(5, Build.label(Words.of("close.try.worth"), "strong"), Build.label(worth.getFirst().why(), "soft", "small"));
        box.getStyleClass().add("worth");
        worth.forEach(t -> box.getChildren().add(Build.head(8, 1, Build.line(Words.capital(t.test())), verdicts(t, m, "button"))));
        List<Node> all = new ArrayList<>(List.of(box));
        all.addAll(causes(m));
        return all;
    }

    /// What may be wrong with the assembly, by what was measured of it.
    private static List<Node> causes(CloseModel m) {
        if (m.causes().isEmpty()) {
            return List.of();
        }
        VBox box = Build.column(3, m.causes().stream().map(c -> (Node) Build.label(c, "small")).toArray(Node[]::new));
        box.getStyleClass().add("worth");
        box.setId("close-causes");
        return List.of(box);
    }

    /// What failed, and the joints that are opened again first.
    private Node failed(CloseModel.Failure f) {
        VBox box = Build.column(5, Build.label(f.said(), "danger", "strong"));
        box.getStyleClass().add("caution");
        f.suspects().forEach(s -> box.getChildren().add(Build.label(s.why())));
        if (!f.way().isEmpty()) {
            CloseModel.Again first = f.way().getFirst();
            Button again = Build.button(Words.of("close.reopen", first.name()), "O", () -> desk.submit(new JointIntent.Open(first.joint(), false)), "next");
            again.setId("reopen-" + first.joint());
            again.setMinWidth(Region.USE_PREF_SIZE);
            box.getChildren().add(again);
            if (f.way().size() > 1) {
                box.getChildren().add(Build.label(Words.of("close.reopen.then", String.join(" · ", f.way().stream().skip(1).map(CloseModel.Again::name).toList())), "soft"));
            }
        }
        return box;
    }

    private List<Node> step(CloseModel.Now n, CloseModel m) {
        List<Node> nodes = new ArrayList<>(tests(m));
        nodes.add(Build.label(Words.of("open.step", n.number(), n.of(), Words.capital(n.joint().name())), "heading"));
        nodes.add(Build.label(n.doing(), "large"));
        nodes.add(Build.label(n.tool(), "soft"));
        n.before().forEach(b -> nodes.add(Build.label("▲ " + b, "danger")));
        n.recalled().forEach(r -> nodes.add(Build.label(Words.of("close.recalled", r), "gold")));
        for (CloseModel.Stated s : n.stated()) {
            nodes.add(Build.label((s.matches() ? "✓ " : "× ") + s.verdict(), s.matches() ? "green" : "danger", s.matches() ? "medium" : "strong"));
        }
        if (n.photo()) {
            nodes.add(photos.small());
        }
        n.toSet().ifPresent(p -> {
            Button set = Build.button(Words.of("close.set.do"), "S", this::setControls, "next");
            set.setId("controls-set");
            set.setMinWidth(Region.USE_PREF_SIZE);
            VBox box = Build.column(5, Build.label(Words.of("close.set"), "danger", "strong"), Build.head(10, 1, Build.label(p + "."), set));
            box.getStyleClass().add("caution");
            nodes.add(box);
        });
        nodes.addAll(points(n));
        n.dose().ifPresent(d -> {
            Button greased = Build.button(Words.of("close.grease.done"), "G", this::grease, d.must() ? "next" : "chip");
            greased.setId("greased");
            greased.setMinWidth(Region.USE_PREF_SIZE);
            MenuButton with = Build.menu(chosen(d), "grease-menu");
            d.greases().forEach(g -> with.getItems().add(item(g, () -> {
                grease = Optional.of(g);
                redraw();
            })));
            with.getItems().add(item(Words.of("close.grease.other"), () -> type.accept("greased " + d.milligrams().map(mg -> Math.round(mg) + " mg ").orElse("with "))));
            VBox box = Build.column(3, Build.head(10, 1, Build.label(d.milligrams().map(mg -> Words.of("close.dose", mg)).orElse(Words.of("close.dose.some")), "subheading"), with, greased),
                    Build.label(d.how(), "soft", "small"), Build.label(d.excess(), "small", "gold"));
            box.getStyleClass().add("dose");
            nodes.add(box);
        });
        n.greased().ifPresent(g -> nodes.add(Build.label("✓ " + g, "green")));
        if (!m.runIn().isEmpty()) {
            nodes.add(runIn(m.runIn()));
        }
        nodes.addAll(worth(m));
        Button close = Build.button(n.label(), "Space", this::close, n.ready() ? "next" : "button");
        close.setId("close-it");
        actions.getChildren().setAll(close);
        if (n.photo()) {
            Button compare = Build.button(Words.of("close.photo"), "P", this::compare);
            compare.setId("compare-photo");
            Button view = Build.button(Words.of("open.photo.view"), "V", () -> showPhotos(true));
            actions.getChildren().addAll(compare, view);
        }
        if (n.stated().stream().anyMatch(s -> !s.matches()) && (!n.questions().isEmpty() || n.stated().getLast().ofPhoto())) {
            nodes.add(despite(reason -> desk.submit(n.despite(reason)), "close.despite"));
        }
        return nodes;
    }

    /// What is laid on or kept dry, each to be said as it is done; the first by its key.
    private List<Node> points(CloseModel.Now n) {
        List<Node> all = new ArrayList<>();
        n.points().stream().filter(CloseModel.PointItem::done).forEach(p -> all.add(Build.label("✓ " + p.said(), "green")));
        List<CloseModel.PointItem> due = n.points().stream().filter(p -> !p.done()).toList();
        for (CloseModel.PointItem p : due) {
            boolean first = p.equals(due.getFirst());
            Button done = Build.button(Words.of("close.point.do"), first ? "D" : "", () -> state(p.fact()), "chip");
            done.setMinWidth(Region.USE_PREF_SIZE);
            done.setId(first ? "point-done" : null);
            all.add(Build.column(0, Build.head(10, 1, Build.label(p.said()), done), Build.label(p.why(), "soft", "small")));
        }
        if (all.isEmpty()) {
            return all;
        }
        VBox box = Build.column(5, all.toArray(Node[]::new));
        box.getStyleClass().add("dose");
        box.setId("close-points");
        return List.of(box);
    }

    private void pointDone() {
        drawn.flatMap(CloseModel::now).flatMap(n -> n.points().stream().filter(p -> !p.done()).findFirst()).ifPresent(p -> state(p.fact()));
    }

    private static Node despite(Consumer<String> with, String key) {
        TextField why = Build.field(Words.of(key), with);
        why.setId("despite");
        return why;
    }

    private List<Node> answers(CloseModel.Now n) {
        List<Node> nodes = new ArrayList<>();
        if (n.questions().isEmpty()) {
            nodes.add(Build.label(Words.of("close.noquestions"), "soft"));
            return nodes;
        }
        nodes.add(Build.line(Words.of("close.watch"), "subheading"));
        n.questions().forEach(q -> nodes.add(Build.label(q)));
        n.facing().ifPresent(part -> {
            Button front = Build.button(Words.of("open.front"), "", () -> state(new Facing(part, true)), "chip");
            Button rear = Build.button(Words.of("open.rear"), "", () -> state(new Facing(part, false)), "chip");
            front.setId("see-front");
            rear.setId("see-rear");
            nodes.add(Build.row(6, front, rear));
        });
        if (n.clock()) {
            dial.show(Optional.empty());
            nodes.add(dial);
        }
        nodes.add(Build.button(Words.of("close.type"), "/", () -> type.accept(""), "chip"));
        return nodes;
    }

    private void state(Fact fact) {
        drawn.flatMap(CloseModel::now).ifPresent(n -> desk.submit(new JointIntent.State(n.joint().id(), fact)));
    }

    private void close() {
        drawn.flatMap(CloseModel::now).ifPresent(n -> desk.submit(n.act()));
    }

    /// Takes a photo of the joint put back and shows it beside that of the record.
    private void compare() {
        showPhotos(true);
        desk.shown().ifPresent(this::photograph);
    }

    /// Takes a photo of the joint in hand and compares it with that of the record.
    @Override
    public void photograph(Work work) {
        photos.photograph(work);
    }

    private void showPhotos(boolean on) {
        photos.open(on);
        sheets.setVisible(!on);
        sheets.setManaged(!on);
    }

    private void setControls() {
        drawn.flatMap(CloseModel::now).ifPresent(n -> desk.submit(new JointIntent.SetControls(n.joint().id())));
    }

    private void grease() {
        drawn.flatMap(CloseModel::now).ifPresent(n -> n.dose().ifPresent(d ->
                desk.submit(new JointIntent.Grease(n.joint().id(), d.milligrams(), chosen(d)))));
    }

    private String chosen(CloseModel.Dose d) {
        return grease.filter(d.greases()::contains).orElse(d.greases().getFirst());
    }

    private static MenuItem item(String text, Runnable act) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(e -> act.run());
        return item;
    }

    private void redraw() {
        drawn = Optional.empty();
        desk.shown().ifPresent(this::show);
    }

    private void pass(CloseModel.Test t) {
        desk.submit(new JointIntent.Test(t.joint(), t.test(), true, ""));
    }

    /// How it failed is to be said in words.
    private void fail(CloseModel.Test t) {
        type.accept("test failed " + t.test() + ": ");
    }

    private void reopenFirst() {
        drawn.flatMap(CloseModel::failure).flatMap(f -> f.way().stream().findFirst()).ifPresent(s -> desk.submit(new JointIntent.Open(s.joint(), false)));
    }

    @Override
    public Say say(Work work) {
        return CloseModel.of(work).say();
    }

    @Override
    public boolean key(KeyEvent event, Work work) {
        if (photos.open() && photos.key(event)) {
            return true;
        }
        switch (event.getCode()) {
            case SPACE -> close();
            case G -> grease();
            case D -> pointDone();
            case P -> drawn.flatMap(CloseModel::now).filter(CloseModel.Now::photo).ifPresent(n -> compare());
            case V -> showPhotos(true);
            case S -> setControls();
            case T -> drawn.flatMap(m -> m.tests().stream().findFirst()).ifPresent(event.isShiftDown() ? this::fail : this::pass);
            case O -> reopenFirst();
            case F -> drawn.flatMap(CloseModel::now).flatMap(CloseModel.Now::facing).ifPresent(p -> state(new Facing(p, true)));
            case R -> drawn.flatMap(CloseModel::now).flatMap(CloseModel.Now::facing).ifPresent(p -> state(new Facing(p, false)));
            case BACK_SPACE -> desk.submit(new Undo());
            default -> {
                return false;
            }
        }
        return true;
    }
}
