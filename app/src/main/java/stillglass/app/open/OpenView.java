package stillglass.app.open;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Say;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Work;
import stillglass.app.draw.Dial;
import stillglass.app.look.PhotoCache;
import stillglass.app.station.Station;
import stillglass.app.step.HandNotes;
import stillglass.app.step.StepPhotoView;
import stillglass.app.theme.Build;
import stillglass.app.theme.Em;
import stillglass.app.theme.Words;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.book.report.MatFiles;
import stillglass.plan.TrayMat;
import stillglass.plan.WayIn;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

/// The way in across the top; below it the step in hand with its record, and the tray.
public final class OpenView implements Station {
    /// Window up to which the way in is drawn low, in heights of the type.
    private static final double LOW_EM = 55;
    private static final double LOW_DESCENT = 72;
    private static final double USUAL_DESCENT = 112;
    private static final double LOW_DIAL = 66;
    private static final double USUAL_DIAL = 110;

    private final Desk desk;
    private final Consumer<String> type;
    private final Label summary = Build.label("", "soft");
    private final Descent descent;
    private final VBox now = Build.column(7);
    private final FlowPane actions = new FlowPane(8, 8);
    private final Dial dial;
    private final VBox recordBox;
    private final Label recordOf = Build.label("", "subheading");
    private final VBox record = Build.column(6);
    private final FlowPane tray = new FlowPane(6, 6);
    private final OtherWays ways;
    private final ToolShelf toolShelf;
    private final Button viewPhotos = Build.button(Words.of("open.photo.view"), "V", () -> showPhotos(true), "chip");
    private final Button keepMap = Build.button(Words.of("open.map.keep"), "", this::keepMap, "chip");
    private final StepPhotoView photos;
    private final HandNotes hand;
    private final HBox below;
    private final Asker asker;
    private final VBox node;
    private Optional<OpenModel> drawn = Optional.empty();

    /// @param type opens the Say line with a beginning
    public OpenView(Desk desk, Asker asker, PhotoCache cache, Consumer<String> type) {
        this.desk = desk;
        photos = new StepPhotoView(desk, asker, cache, () -> showPhotos(false));
        hand = new HandNotes(desk, "open-hand");
        this.asker = asker;
        this.type = type;
        descent = new Descent(j -> desk.shown().flatMap(w -> w.instrument().joint(j)).flatMap(x -> x.frees().stream().findFirst())
                .ifPresent(p -> desk.select(new Selection.OfPart(p))), order -> desk.submit(new CourseIntent.Reorder(order)));
        dial = new Dial(at -> note(new LetGo(at)));
        dial.setId("dial");
        VBox inHandLeft = Build.column(8, Build.tall(now), actions);
        HBox.setHgrow(inHandLeft, Priority.ALWAYS);
        recordBox = Build.column(6, recordOf, dial, Build.tall(record, 60));
        recordOf.setMinWidth(0);
        recordBox.setMinWidth(170);
        recordBox.setPrefWidth(190);
        HBox inHand = Build.row(18, inHandLeft, recordBox);
        inHand.setAlignment(javafx.geometry.Pos.TOP_LEFT);
        inHand.getStyleClass().add("sheet");
        Button print = Build.button(Words.of("open.mat"), "T", this::printMat, "chip");
        print.setId("print-mat");
        VBox mat = Build.column(6, Build.head(10, 1, Build.line(Words.of("open.tray"), "subheading"), print), Build.tall(tray));
        mat.getStyleClass().add("mat");
        ways = new OtherWays(desk, on -> showWays(on));
        Button other = Build.button(Words.of("open.ways"), "W", ways::toggle, "chip");
        other.setId("other-ways");
        other.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        Button tools = Build.button(Words.of("open.tools"), "K", this::showTools, "chip");
        tools.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        tools.setId("tools");
        keepMap.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        keepMap.setId("keep-map");
        viewPhotos.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        viewPhotos.setId("view-photos");
        toolShelf = new ToolShelf(desk);
        upper(descent);
        below = Build.shared(16, List.of(inHand, mat), 1.25, 1);
        VBox.setVgrow(below, Priority.ALWAYS);
        VBox.setVgrow(photos.node(), Priority.ALWAYS);
        node = Build.column(8, Build.head(14, 2, Build.line(Words.of("open.heading"), "heading"), summary, viewPhotos, keepMap, tools, other), ways.node(), toolShelf, descent, below, photos.node());
        node.getStyleClass().add("station");
        // In a low window the way in gives way to the step in hand.
        dial.setMinHeight(LOW_DIAL);
        dial.setPrefHeight(USUAL_DIAL);
        node.heightProperty().subscribe(h -> descent.setMinHeight(node.getScene() == null || node.getScene().getHeight() < LOW_EM * Em.of(node) ? LOW_DESCENT : USUAL_DESCENT));
    }

    private void note(Fact fact) {
        drawn.flatMap(OpenModel::record).ifPresent(r -> desk.submit(new JointIntent.Note(r.joint(), List.of(fact))));
    }

    /// Takes the joint that comes next in hand, so that what is noted is noted of it.
    private void takeInHand() {
        drawn.flatMap(OpenModel::now).ifPresent(n -> desk.submit(new JointIntent.Try(n.joint().id())));
    }

    @Override
    public Stage stage() {
        return Stage.OPEN;
    }

    @Override
    public Node node() {
        return node;
    }

    @Override
    public void show(Work work) {
        photos.show(work);
        toolShelf.show(work);
        OpenModel m = OpenModel.of(work);
        if (drawn.filter(m::equals).isPresent()) {
            return;
        }
        drawn = Optional.of(m);
        summary.setText(m.summary());
        viewPhotos.setVisible(m.photos());
        viewPhotos.setManaged(m.photos());
        boolean teaches = !work.state().joints().found().isEmpty() && desk.shelf().maps(desk.clock()).isPresent();
        keepMap.setVisible(teaches);
        keepMap.setManaged(teaches);
        descent.show(m.rungs());
        tray.getChildren().setAll(m.tray().stream().map(Tray::node).toList());
        if (m.tray().isEmpty()) {
            tray.getChildren().add(Build.label(Words.of("open.tray.empty"), "soft"));
        }
        dial.show(m.record().flatMap(OpenModel.Record::clock));
        actions.getChildren().clear();
        now.getChildren().setAll(m.now().map(this::step).or(() -> m.expect().map(this::expected)).or(() -> m.start().map(this::beginning)).orElseGet(() -> List.of(
                Build.label(Words.of(!m.mapped() ? "open.unmapped" : m.barred() ? "open.barred" : m.hasGoal() ? "open.there" : "open.nogoal"), "large"))));
        hand.show(m.knacks());
        now.getChildren().add(hand);
        boolean way = !m.rungs().isEmpty();
        descent.setVisible(way && !ways.node().isVisible() && !toolShelf.isVisible() && !photos.open());
        descent.setManaged(descent.isVisible());
        record.getChildren().setAll(m.record().map(this::recorded).orElse(List.of()));
        recordOf.setText(m.record().map(r -> Words.of(r.off() ? "open.record.off" : "open.record", r.name())).orElse(""));
        recordBox.setVisible(m.record().isPresent());
        recordBox.setManaged(m.record().isPresent());
    }

    private List<Node> step(OpenModel.Now n) {
        List<Node> nodes = new ArrayList<>();
        nodes.add(Build.label(Words.of("open.step", n.number(), n.of(), Words.capital(n.joint().name())), "heading"));
        nodes.add(Build.label(n.doing(), "large"));
        nodes.add(Build.label(n.tool(), "soft"));
        for (Instrument.Reference r : n.marks()) {
            VBox box = Build.column(3, Build.label(Words.of("open.mark", r.name()), "danger", "strong"), Build.label(r.how() + "."));
            box.getStyleClass().add("caution");
            nodes.add(box);
        }
        n.instead().ifPresent(i -> nodes.add(Build.label(i, "gold")));
        n.cautions().forEach(c -> nodes.add(Build.label("▲ " + c, "danger")));
        n.lookAlikes().forEach(l -> nodes.add(Build.label(l, "gold", "small")));
        Button mark = Build.button(Words.of("open.mark.do"), "M", this::mark, n.marks().isEmpty() ? "button" : "next");
        mark.setDisable(n.marks().isEmpty());
        mark.setId("mark");
        Button done = Build.button(Words.of("open.done"), "Space", this::open, n.marks().isEmpty() ? "next" : "button");
        done.setId("open-it");
        if (n.marks().isEmpty()) {
            n.soak().ifPresent(s -> {
                mark.setText(Words.of("open.soak", s.minutes()));
                mark.setDisable(false);
            });
        }
        Button trouble = Build.button(Words.of("open.trouble"), "X", this::trouble);
        Button photo = Build.button(Words.of("open.photo"), "P", this::photograph);
        photo.setId("step-photo");
        actions.getChildren().setAll(done, mark, trouble, photo);
        return nodes;
    }

    /// What the construction lets expect: one key each for there, not there, otherwise.
    private List<Node> expected(OpenModel.Expect x) {
        List<Node> nodes = new ArrayList<>();
        nodes.add(Build.label(Words.of("open.expect", Words.capital(x.name())), "heading"));
        nodes.add(Build.label(x.how(), "large"));
        x.variant().ifPresent(v -> nodes.add(Build.label(Words.of("open.expect.variant", v), "gold")));
        for (Instrument.Reference r : x.marks()) {
            VBox box = Build.column(3, Build.label(Words.of("open.mark", r.name()), "danger", "strong"), Build.label(r.how() + "."));
            box.getStyleClass().add("caution");
            nodes.add(box);
        }
        x.cautions().forEach(c -> nodes.add(Build.label("▲ " + c, "danger")));
        x.hints().forEach(l -> nodes.add(Build.label(l, "gold", "small")));
        if (!x.more().isEmpty()) {
            nodes.add(Build.label(Words.of("open.expect.instead", String.join(" · ", x.more())), "soft", "small"));
        }
        Button there = Build.button(Words.of("open.expect.there"), "Space", () -> asExpected(false), x.marks().isEmpty() ? "next" : "button");
        there.setId("as-expected");
        Button gone = Build.button(Words.of("open.expect.gone"), "N", this::notThere);
        gone.setId("not-there");
        Button other = Build.button(Words.of("open.expect.other"), "O", this::otherwise);
        other.setId("otherwise");
        Button mark = Build.button(Words.of("open.mark.do"), "M", this::mark, x.marks().isEmpty() ? "button" : "next");
        mark.setDisable(x.marks().isEmpty());
        Button photo = Build.button(Words.of("open.photo"), "P", this::photograph);
        actions.getChildren().setAll(there, gone, other, mark, photo);
        x.maybe().forEach(a -> {
            Button with = Build.button(Words.of("open.expect.with", a.name(), a.percent()), "", () -> desk.submit(a.asExpected()), "chip");
            with.setId("with-" + a.name().replace(' ', '-'));
            with.setDisable(!x.marks().isEmpty());
            actions.getChildren().add(1, with);
        });
        return nodes;
    }

    /// A model nobody knows: lines to begin with, each typed by a click, and what it may be built like.
    private List<Node> beginning(OpenModel.Start start) {
        FlowPane lines = new FlowPane(6, 6);
        for (int i = 0; i < start.examples().size(); i++) {
            String line = start.examples().get(i);
            Button b = Build.button(line, "", () -> type.accept(line), "chip");
            b.setId("example-" + i);
            lines.getChildren().add(b);
        }
        List<Node> nodes = new ArrayList<>(List.of(Build.label(Words.of("open.unmapped"), "heading"), Build.label(Words.of("open.unmapped.how")), lines));
        if (!start.builds().isEmpty()) {
            FlowPane builds = new FlowPane(6, 6);
            start.builds().forEach(b -> {
                Button take = Build.button(b.name(), "", () -> desk.submit(new CourseIntent.ChooseBuild(b.id())), "chip");
                take.setId("build-" + b.id());
                builds.getChildren().add(take);
            });
            nodes.addAll(List.of(Build.label(Words.of("open.unmapped.built")), builds));
        }
        return nodes;
    }

    private Optional<OpenModel.Expect> expect() {
        return drawn.filter(m -> m.now().isEmpty()).flatMap(OpenModel::expect);
    }

    /// What would lose a reference waits until it is marked, or until Shift says that it need not.
    private void asExpected(boolean anyway) {
        expect().ifPresent(x -> {
            if (x.marks().isEmpty() || anyway) {
                desk.submit(x.asExpected());
            } else {
                desk.complain(Words.of("open.expect.mark", Words.capital(x.name()), x.marks().getFirst().name()));
            }
        });
    }

    private void notThere() {
        expect().ifPresent(x -> desk.submit(new CourseIntent.MissExpected(x.joint())));
    }

    /// What it is instead is said in words.
    private void otherwise() {
        expect().ifPresent(x -> type.accept("off " + x.name() + ", "));
    }

    private List<Node> recorded(OpenModel.Record n) {
        List<Node> nodes = new ArrayList<>();
        n.facing().ifPresent(part -> {
            Button front = Build.button(Words.of("open.front"), "", () -> note(new Facing(part, true)), "chip");
            Button rear = Build.button(Words.of("open.rear"), "", () -> note(new Facing(part, false)), "chip");
            front.setId("front-up");
            rear.setId("rear-up");
            nodes.add(Build.row(6, front, rear));
        });
        n.noted().forEach(f -> nodes.add(Build.label("✓ " + f, "green")));
        if (n.noted().isEmpty()) {
            nodes.add(Build.label(n.expects(), "soft", "small"));
        }
        n.hints().forEach(h -> nodes.add(Build.label(h, "gold", "small")));
        n.next().ifPresent(name -> {
            Button take = Build.button(Words.of("open.take", name), "I", this::takeInHand, "chip");
            take.setId("take-in-hand");
            nodes.add(take);
        });
        return nodes;
    }

    private void showWays(boolean on) {
        upper(on ? ways.node() : descent);
    }

    private void showTools() {
        upper(toolShelf.isVisible() ? descent : toolShelf);
    }

    /// Shows the way in, other ways, or the tools above the step; none of them above anything else.
    private void upper(Node which) {
        for (Node n : List.of(descent, ways.node(), toolShelf)) {
            n.setVisible(n == which);
            n.setManaged(n == which);
        }
        if (which != ways.node()) {
            ways.stop();
        }
    }

    /// The mat for what is off and what is still to come off, written at its true size.
    private void printMat() {
        desk.shown().ifPresent(w -> asker.report(w.state().tag().number() + "-tray.pdf").ifPresent(file -> desk.compute(() -> {
            List<Joint> joints = new ArrayList<>(w.state().joints().order().stream().flatMap(id -> w.instrument().joint(id).stream()).toList());
            joints.addAll(w.computed().plan().map(WayIn.Plan::joints).orElse(List.of()));
            MatFiles.write(TrayMat.of(w.instrument(), joints), file);
            return file;
        })));
    }

    /// What this job has found becomes the model's map on the shop's own shelf.
    private void keepMap() {
        desk.shown().ifPresent(w -> desk.shelf().maps(desk.clock()).ifPresent(own -> desk.compute(() -> own.save(w.instrument())).whenCompleteAsync((map, e) -> {
            if (e != null) {
                desk.complain(e, Words.of("map.failed", w.state().tag().title()));
            } else {
                desk.shelf().put(map);
                desk.complain(Words.of("open.map.kept", map.name(), map.joints().size()));
            }
        }, Platform::runLater)));
    }

    private void open() {
        asExpected(false);
        drawn.flatMap(OpenModel::now).ifPresent(n -> desk.submit(new JointIntent.Open(n.joint().id(), false)));
    }

    /// Where a mark was made is asked, never taken for granted.
    private void mark() {
        expect().flatMap(x -> x.marks().stream().findFirst()).ifPresent(r -> type.accept("mark " + r.name() + " at "));
        drawn.flatMap(OpenModel::now).ifPresent(n -> n.marks().stream().findFirst().ifPresentOrElse(
                r -> desk.submit(new JointIntent.KeepReference(r.id(), r.how(), Optional.empty())),
                () -> n.soak().ifPresent(s -> desk.submit(s.begin(desk.clock().instant())))));
    }

    private void photograph() {
        desk.shown().ifPresent(this::photograph);
    }

    /// Takes a photo of the step in hand.
    @Override
    public void photograph(Work work) {
        photos.photograph(work);
    }

    private void showPhotos(boolean on) {
        photos.open(on);
        below.setVisible(!on);
        below.setManaged(!on);
        upper(on ? photos.node() : descent);
    }

    /// What is tried is tried on the joint that does not come off.
    private void trouble() {
        drawn.flatMap(OpenModel::now).ifPresent(n -> {
            takeInHand();
            type.accept(n.trouble());
        });
    }

    @Override
    public Say say(Work work) {
        return OpenModel.of(work).say();
    }

    @Override
    public boolean key(KeyEvent event, Work work) {
        if (photos.open() && photos.key(event)) {
            return true;
        }
        switch (event.getCode()) {
            case SPACE -> {
                if (event.isShiftDown()) {
                    asExpected(true);
                    drawn.flatMap(OpenModel::now).ifPresent(n -> desk.submit(new JointIntent.Open(n.joint().id(), true)));
                } else {
                    open();
                }
            }
            case M -> mark();
            case X -> trouble();
            case N -> {
                if (expect().isEmpty()) {
                    return false;
                }
                notThere();
            }
            // Where nothing is expected, whatever came off is otherwise.
            case O -> expect().ifPresentOrElse(x -> otherwise(), () -> type.accept("off "));
            case I -> takeInHand();
            case W -> ways.toggle();
            case K -> showTools();
            case T -> printMat();
            case DIGIT1, DIGIT2, DIGIT3, DIGIT4 -> {
                return ways.take(event.getCode().ordinal() - KeyCode.DIGIT1.ordinal());
            }
            case P -> photograph();
            case V -> showPhotos(true);
            case BACK_SPACE -> desk.submit(new Undo());
            default -> {
                return false;
            }
        }
        return true;
    }
}
