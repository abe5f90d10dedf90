package stillglass.app.look;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import stillglass.app.condition.ConditionPages;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Devices;
import stillglass.app.desk.PhotoTaking;
import stillglass.app.desk.Say;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Viewing;
import stillglass.app.desk.Work;
import stillglass.app.station.Station;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.grade.CheapTest;
import stillglass.grade.TellApart;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Stage;

/// The photo is the hero; what was found stands beside it and can be corrected by mouse or keys.
public final class LookView implements Station {
    /// How far keys move an outline, aperture radii.
    private static final double NUDGE = 0.01;
    private static final double ROUND = 0.08;

    private final Desk desk;
    private final Consumer<String> type;
    private final PhotoPane pane;
    private final RingSteps rings = new RingSteps();
    private final HeroPane hero;
    private final FindingCard cards;
    private final Label head = Build.label("", "soft");
    private final Button side = Build.button(Words.of("look.side.front"), "V", this::turnOver, "chip");
    private final VBox list = Build.column(8);
    private final ScrollPane scroll = Build.tall(list);
    private final PhotoIntake intake;
    private final ConditionPages condition;
    private final HBox node;
    private Optional<LookModel> drawn = Optional.empty();
    private Optional<String> revealed = Optional.empty();

    /// @param type begins a line of bench shorthand
    public LookView(Desk desk, Asker asker, PhotoCache cache, Consumer<String> type) {
        this.desk = desk;
        this.type = type;
        intake = new PhotoIntake(desk, asker);
        condition = new ConditionPages(desk);
        pane = new PhotoPane(new OnPhoto());
        VBox empty = Build.column(14, Build.label(Words.of("look.empty"), "heading"), Build.label(Words.of(desk.devices() == Devices.NONE ? "look.empty.file" : "look.empty.how"), "soft"),
                Build.row(10, open(), take()));
        empty.getStyleClass().add("photo-empty");
        empty.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        hero = new HeroPane(desk, cache, pane, new UnrolledPane(id -> desk.select(new Selection.OfFinding(id))), condition.large(), empty, intake::askCard);
        side.setId("side");
        side.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        cards = new FindingCard(desk, type, this::draw, this::merge);
        VBox right = Build.column(8, Build.head(10, 1, Build.line(Words.of("look.heading"), "heading"), side, open(), take()), head, intake.node(), scroll);
        node = Build.shared(18, List.of(hero.node(), right), 1.32, 0.68);
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

    private Button open() {
        Button b = Build.button(Words.of("look.open"), "O", intake::askPhoto, "chip");
        b.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        return b;
    }

    private Button take() {
        Button b = Build.button(Words.of("look.take"), "C", intake::photograph, "chip");
        b.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        b.setVisible(desk.devices() != Devices.NONE);
        b.setManaged(b.isVisible());
        return b;
    }

    /// Takes photo files in, one after the other.
    public void dropped(List<Path> files) {
        intake.dropped(files);
    }

    /// Which side the next photo looks in from.
    private void turnOver() {
        desk.view(Viewing::turnedOver);
    }

    private void setAperture(Aperture aperture) {
        desk.shown().ifPresent(w -> LookModel.shown(w)
                .ifPresent(p -> intake.watched(progress -> PhotoTaking.regrade(desk, w.state().tag().number(), p, aperture, progress))));
    }

    /// The next ring that may be the rim; everything follows.
    private void nextRing() {
        desk.shown().ifPresent(w -> LookModel.shown(w).ifPresent(p -> rings.next(desk, w.state().tag().number(), p).thenAcceptAsync(a -> a.ifPresentOrElse(this::setAperture, () -> desk.complain(Words.of("look.ring.none"))), Platform::runLater)));
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
        side.setText(Words.of(work.viewing().fromRear() ? "look.side.rear" : "look.side.front"));
        LookModel m = LookModel.of(work);
        if (drawn.filter(m::equals).isPresent()) {
            return;
        }
        drawn = Optional.of(m);
        String remark = m.remarks().isEmpty() ? "" : "\n" + Words.capital(String.join("; ", m.remarks())) + ".";
        condition.show(work);
        head.setText(m.hero() == Viewing.Hero.CONDITION ? condition.head() : m.head() + remark);
        hero.show(m, work);
        List<Node> nodes = new ArrayList<>();
        if (m.hero() == Viewing.Hero.WIPE) {
            m.wipe().ifPresent(w -> w.lines().forEach(l -> nodes.add(Build.label(l))));
        } else if (m.hero() == Viewing.Hero.LIGHTING) {
            m.guide().ifPresent(g -> nodes.addAll(GuideLines.of(g)));
        } else if (m.hero() == Viewing.Hero.CONDITION) {
            nodes.add(condition.beside());
        }
        m.question().filter(q -> !q.caution().isEmpty() && m.hero() == Viewing.Hero.PHOTO)
                .ifPresent(q -> nodes.add(Build.label(q.caution(), "caution", "small")));
        List<Node> own = m.hero() == Viewing.Hero.WIPE || m.hero() == Viewing.Hero.LIGHTING || m.hero() == Viewing.Hero.CONDITION ? List.of() : m.rows().stream().map(cards::of).toList();
        nodes.addAll(own);
        list.getChildren().setAll(nodes);
        Optional<String> selected = m.selected().map(LookModel.Row::id);
        if (!selected.equals(revealed)) {
            revealed = selected;
            m.selected().filter(r -> !own.isEmpty()).ifPresent(r -> Platform.runLater(() -> reveal(own.get(m.rows().indexOf(r)))));
        }
        if (m.photo().isEmpty() && m.hero() == Viewing.Hero.PHOTO) {
            (work.instrument().sort().images() ? List.of("look.how.against", "look.how.bright", "look.how.edges", "look.how.card") : List.of("look.how.plain", "look.how.against", "look.how.edges")).forEach(k -> list.getChildren().add(Build.label("–  " + Words.of(k))));
            list.getChildren().add(Build.label(Words.of("look.guide.caution"), "caution", "small"));
        }
        if (m.photo().isPresent() && m.rows().isEmpty() && m.hero() == Viewing.Hero.PHOTO) {
            list.getChildren().add(Build.label(Words.of("look.clean"), "large"));
        }
    }

    /// What a hand does on the photo.
    private final class OnPhoto implements PhotoPane.Hand {
        @Override
        public void aperture(Aperture set) {
            setAperture(set);
        }

        @Override
        public void picked(String findingId) {
            desk.select(new Selection.OfFinding(findingId));
        }

        @Override
        public void reshaped(String findingId, List<Finding.Region> regions) {
            desk.submit(new GlassIntent.Reshape(findingId, regions));
        }

        @Override
        public void drawn(Finding.Region outline) {
            add(outline);
        }

        @Override
        public void merged(String into, String gone) {
            desk.submit(new GlassIntent.Merge(into, gone));
        }
    }

    /// A new fault of unknown kind, chosen at once so that its kind can be given.
    private void add(Finding.Region outline) {
        pane.drawing(false);
        desk.shown().flatMap(LookModel::shown).ifPresent(p -> desk.submit(new GlassIntent.Draw(p.kept().photoId(), FindingKind.UNKNOWN, outline))
                .thenAcceptAsync(d -> {
                    if (d instanceof Decision.Accepted a) {
                        a.events().stream().filter(GlassEvent.FindingDrawn.class::isInstance).map(GlassEvent.FindingDrawn.class::cast)
                                .forEach(e -> desk.select(new Selection.OfFinding(e.findingId())));
                    }
                }, Platform::runLater));
    }

    private void draw() {
        pane.drawing(!pane.drawing());
    }

    /// Joins a finding into the nearest of its kind, or else the nearest.
    private void merge(LookModel.Row row) {
        drawn.ifPresent(m -> m.rows().stream().filter(o -> !o.id().equals(row.id()))
                .min(java.util.Comparator.comparing((LookModel.Row o) -> o.kind() != row.kind()).thenComparingDouble(o -> Math.hypot(o.x() - row.x(), o.y() - row.y())))
                .ifPresent(o -> {
                    desk.submit(new GlassIntent.Merge(o.id(), row.id()));
                    desk.select(new Selection.OfFinding(o.id()));
                }));
    }

    private boolean answer(LookModel m, Work work, CheapTest.Answer answer) {
        if (m.question().isEmpty()) {
            return false;
        }
        LookModel.Question q = m.question().get();
        work.state().glass().finding(q.findingId()).ifPresent(k -> {
            List<TellApart.Answered> answers = new ArrayList<>(k.tests());
            answers.add(new TellApart.Answered(q.test().id(), answer));
            desk.submit(new GlassIntent.AnswerTest(q.findingId(), q.test().id(), answer, work.told(k, answers)));
        });
        return true;
    }

    /// Moves or resizes the outline of the selected finding.
    private boolean hand(LookModel m, Work work, java.util.function.UnaryOperator<List<Finding.Region>> how) {
        return m.selected().flatMap(r -> work.state().glass().finding(r.id())).filter(k -> !k.finding().regions().isEmpty())
                .map(k -> act(() -> desk.submit(new GlassIntent.Reshape(k.id(), how.apply(k.finding().regions()))))).orElse(false);
    }

    private boolean turnPhoto(LookModel m, int by) {
        int now = java.util.stream.IntStream.range(0, m.shots().size()).filter(i -> m.shots().get(i).chosen()).findFirst().orElse(0);
        return m.shots().size() > 1 && act(() -> desk.view(v -> v.onPhoto(m.shots().get(Math.floorMod(now + by, m.shots().size())).photoId())));
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

    @Override
    public Say say(Work work) {
        LookModel m = LookModel.of(work);
        if (m.hero() == Viewing.Hero.CONDITION) {
            return new Say(Words.of("condition.say"), Words.of("condition.keys"));
        }
        if (m.photo().isEmpty() && !work.instrument().sort().images()) {
            return new Say(Words.of("look.say.plain"), Words.of("look.keys.file"));
        }
        // Nothing is connected that could take one.
        return m.photo().isEmpty() && desk.devices() == Devices.NONE ? new Say(m.say().sentence(), Words.of(work.section().isPresent() ? "look.keys.file.guide" : "look.keys.file")) : m.say();
    }

    @Override
    public boolean key(KeyEvent event, Work work) {
        LookModel m = LookModel.of(work);
        if (m.hero() == Viewing.Hero.CONDITION && condition.key(event)) {
            return true;
        }
        if (event.isShiftDown()) {
            return shifted(event.getCode(), m, work);
        }
        return switch (event.getCode()) {
            case Y -> answer(m, work, CheapTest.Answer.YES);
            case N -> answer(m, work, CheapTest.Answer.NO);
            case H -> answer(m, work, CheapTest.Answer.UNSURE);
            case U -> m.photo().isPresent() && act(() -> desk.view(x -> x.showing(Viewing.Hero.UNROLLED)));
            case W -> m.wipe().isPresent() && act(() -> desk.view(x -> x.showing(Viewing.Hero.WIPE)));
            case I -> act(() -> desk.view(x -> x.showing(Viewing.Hero.CONDITION)));
            case G -> act(() -> desk.view(x -> x.showing(Viewing.Hero.LIGHTING)));
            case R -> m.photo().isPresent() && act(this::nextRing);
            case Z -> act(hero::loupe);
            case PLUS, EQUALS, ADD -> m.photo().isPresent() && act(() -> pane.step(true));
            case MINUS, SUBTRACT -> m.photo().isPresent() && act(() -> pane.step(false));
            case DIGIT0, NUMPAD0 -> m.photo().isPresent() && act(pane::fit);
            case F -> m.photo().isPresent() && act(this::draw);
            case S -> m.selected().isPresent() && act(() -> desk.submit(new GlassIntent.Split(m.selected().get().id())));
            case M -> m.selected().isPresent() && act(() -> merge(m.selected().get()));
            case PAGE_DOWN -> turnPhoto(m, 1);
            case PAGE_UP -> turnPhoto(m, -1);
            case D -> m.selected().isPresent() && act(() -> type.accept("focus "));
            case ENTER -> pane.drawing() ? act(() -> add(OutlineHand.round(0, 0, ROUND))) : put(m);
            case O -> act(intake::askPhoto);
            case C -> act(intake::photograph);
            case K -> work.instrument().sort().images() && act(intake::askCard);
            case V -> act(this::turnOver);
            case ESCAPE -> escape(m);
            case DOWN -> act(() -> step(m, 1));
            case UP -> act(() -> step(m, -1));
            case X, DELETE -> m.selected().isPresent() && act(() -> desk.submit(new GlassIntent.Dismiss(m.selected().get().id())));
            case RIGHT -> sideways(m, work, 1);
            case LEFT -> sideways(m, work, -1);
            default -> rekind(event.getCode(), m);
        };
    }

    private boolean shifted(KeyCode code, LookModel m, Work work) {
        return switch (code) {
            case RIGHT -> hand(m, work, r -> OutlineHand.moved(r, NUDGE, 0));
            case LEFT -> hand(m, work, r -> OutlineHand.moved(r, -NUDGE, 0));
            case UP -> hand(m, work, r -> OutlineHand.moved(r, 0, NUDGE));
            case DOWN -> hand(m, work, r -> OutlineHand.moved(r, 0, -NUDGE));
            case R -> m.photo().isPresent() && act(() -> pane.pointing(!pane.pointing()));
            // On many keyboards plus is typed with Shift.
            case PLUS, EQUALS -> m.photo().isPresent() && act(() -> pane.step(true));
            case PAGE_UP -> hand(m, work, r -> OutlineHand.grown(r, 1.1));
            case PAGE_DOWN -> hand(m, work, r -> OutlineHand.grown(r, 1 / 1.1));
            case DIGIT0, DIGIT1, DIGIT2, DIGIT3, DIGIT4 -> m.selected().isPresent() && act(() -> desk.submit(new GlassIntent.Severe(m.selected().get().id(), code.ordinal() - KeyCode.DIGIT0.ordinal())));
            default -> false;
        };
    }

    private boolean sideways(LookModel m, Work work, int by) {
        if (m.hero() == Viewing.Hero.WIPE) {
            return act(() -> hero.wipe().nudge(0.03 * by));
        }
        return m.selected().isPresent() && act(() -> shift(work, m.selected().get(), by));
    }

    private boolean put(LookModel m) {
        return m.selected().flatMap(LookModel.Row::depth).flatMap(LookModel.Depth::likeliest).isPresent()
                && act(() -> desk.submit(new GlassIntent.Place(m.selected().get().id(), m.selected().get().depth().orElseThrow().likeliest().orElseThrow())));
    }

    private boolean escape(LookModel m) {
        if (pane.drawing() || pane.pointing()) {
            return act(pane.drawing() ? this::draw : () -> pane.pointing(false));
        }
        if (m.hero() != Viewing.Hero.PHOTO) {
            return act(() -> desk.view(v -> v.showing(m.hero())));
        }
        return intake.running() && act(intake::cancel);
    }

    private static boolean act(Runnable r) {
        r.run();
        return true;
    }

    private boolean rekind(KeyCode code, LookModel m) {
        int n = code.ordinal() - KeyCode.DIGIT1.ordinal();
        if (n < 0 || n >= FindingCard.KEYED.size() || m.selected().isEmpty()) {
            return false;
        }
        desk.submit(new GlassIntent.Rekind(m.selected().get().id(), FindingCard.KEYED.get(n)));
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
        int now = work.state().glass().finding(row.id()).flatMap(k -> k.surface()).map(free::indexOf).orElse(by > 0 ? -1 : free.size());
        desk.submit(new GlassIntent.Place(row.id(), free.get(Math.clamp(now + by, 0, free.size() - 1))));
    }
}
