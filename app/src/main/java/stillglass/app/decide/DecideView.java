package stillglass.app.decide;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.geometry.Rectangle2D;
import javafx.beans.binding.Bindings;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Say;
import stillglass.app.desk.Selection;
import stillglass.app.draw.Operable;
import stillglass.app.desk.Work;
import stillglass.app.draw.GradeMarks;
import stillglass.app.draw.PictureFrame;
import stillglass.app.draw.SpeckRow;
import stillglass.app.draw.StopRing;
import stillglass.app.draw.StopStrip;
import stillglass.app.look.PhotoCache;
import stillglass.app.station.Station;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.story.Stage;

/// Each finding with its effect over the stops and its grade; beside them one recommendation with its reasons.
public final class DecideView implements Station {
    /// Most of the column's height that the picture takes.
    private static final double PICTURE_SHARE = 0.25;

    /// Side of a piece of a photo on a card.
    private static final double PIECE = 104;

    private final Desk desk;
    private final VBox rows = Build.column(8);
    private final Label verdict = Build.line("", "verdict");
    private final Label effort = Build.label("", "medium");
    private final VBox reasons = Build.column(5);
    private final FlowPane goals = new FlowPane(6, 6);
    private final VBox cautions = Build.column(4);
    private final Button take;
    private final PictureFrame picture = new PictureFrame();
    private final StopRing ring;
    private final Label shows = Build.label("", "medium");
    private final Label figures = Build.label("");
    private final Label without = Build.label("", "soft");
    private final SpeckRow specks = new SpeckRow();
    private final Label smallest = Build.label("", "soft", "small");
    private final ExamplePair example;
    private final Button scene;
    private final Label stronger;
    private final VBox frame;
    private final ScrollPane middle;
    private final Node legend = legend();
    private final PhotoCache cache;
    private final HBox node;
    private final List<StopStrip> strips = new ArrayList<>();
    private Optional<DecideModel> drawn = Optional.empty();

    /// @param cache where pieces of photos come from
    public DecideView(Desk desk, PhotoCache cache) {
        this.desk = desk;
        this.cache = cache;
        take = Build.button(Words.of("decide.take"), "Space", this::takeAdvice, "next");
        take.setId("take-advice");
        ring = new StopRing(this::stop);
        ring.setId("stop-ring");
        picture.setId("picture");
        VBox.setVgrow(picture, Priority.NEVER);
        example = new ExamplePair(desk);
        scene = Build.button(Words.of("decide.example"), "P", this::turnPicture, "chip");
        scene.setId("as-scene");
        scene.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        stronger = Build.label(Words.of("decide.stronger", DecideModel.SHADOW_DRAWN, DecideModel.VEIL_DRAWN), "soft", "small");
        frame = Build.column(5, Build.head(8, 1, Build.line(Words.of("decide.picture"), "subheading"), scene), ring, picture, example.node(), shows, figures, without,
                stronger, Build.label(Words.of("decide.specks"), "subheading"), specks, smallest);
        specks.setId("specks");
        picture.setMinHeight(90);
        drawAs(false);
        VBox left = Build.column(6, Build.head(14, 1, Build.line(Words.of("decide.heading"), "heading"), legend), Build.tall(rows));
        VBox right = Build.column(5, Build.head(14, 2, verdict, effort), Build.tall(reasons), Build.line(Words.of("decide.goals"), "subheading"), goals, cautions, Build.row(10, take));
        right.getStyleClass().add("sheet");
        verdict.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        middle = Build.scroll(frame);
        middle.setId("decide-picture");
        // On a low window the figures under it are worth more than its size.
        picture.prefHeightProperty().bind(Bindings.min(frame.widthProperty().multiply(2 / 3.0), middle.heightProperty().multiply(PICTURE_SHARE)));
        node = Build.shared(18, List.of(left, middle, right), 1.32, 0.7, 0.88);
        node.getStyleClass().add("station");
    }

    /// A diagram of shadow and veil, or a scene as the lens takes it.
    private void turnPicture() {
        drawAs(picture.isVisible());
        drawn.flatMap(DecideModel::picture).ifPresent(this::picture);
    }

    private void drawAs(boolean asScene) {
        for (Node n : List.of(picture, stronger)) {
            n.setVisible(!asScene);
            n.setManaged(!asScene);
        }
        example.node().setVisible(asScene);
        example.node().setManaged(asScene);
        scene.getStyleClass().removeAll("chosen");
        if (asScene) {
            scene.getStyleClass().add("chosen");
        }
    }

    private static Node legend() {
        javafx.scene.shape.Rectangle shadow = new javafx.scene.shape.Rectangle(10, 10);
        shadow.getStyleClass().add("strip-shadow-shows");
        javafx.scene.shape.Rectangle veil = new javafx.scene.shape.Rectangle(10, 10);
        veil.getStyleClass().add("strip-veil");
        javafx.scene.shape.Line from = new javafx.scene.shape.Line(0, 0, 18, 0);
        from.getStyleClass().add("strip-threshold");
        return Build.flowing(6, shadow, Build.line(Words.of("decide.legend.shadow"), "soft", "small"), veil,
                Build.line(Words.of("decide.legend.veil"), "soft", "small"), from, Build.line(Words.of("decide.legend.shows"), "soft", "small"));
    }

    @Override
    public Stage stage() {
        return Stage.DECIDE;
    }

    @Override
    public Node node() {
        return node;
    }

    @Override
    public void show(Work work) {
        DecideModel m = DecideModel.of(work);
        if (drawn.filter(m::equals).isPresent()) {
            return;
        }
        Optional<DecideModel> before = drawn;
        drawn = Optional.of(m);
        int stop = m.picture().map(DecideModel.Picture::stop).orElse(0);
        if (before.filter(b -> b.rows().equals(m.rows()) && b.unweighed().equals(m.unweighed()) && b.assembly().equals(m.assembly())).isPresent()) {
            // Only the stop was turned: the cards stay.
            strips.forEach(s -> s.lookAt(stop));
        } else {
            strips.clear();
            rows.getChildren().setAll(m.rows().stream().map(r -> row(r, m)).toList());
            m.unweighed().forEach(u -> rows.getChildren().add(unweighed(u)));
            m.assembly().ifPresent(w -> rows.getChildren().addFirst(wrong(w)));
        }
        if (m.rows().isEmpty() && m.unweighed().isEmpty() && m.assembly().isEmpty()) {
            rows.getChildren().setAll(Build.label(Words.of(m.tracing() ? "decide.say.tracing" : "decide.empty"), "large"));
        }
        middle.setVisible(m.picture().isPresent());
        middle.setManaged(m.picture().isPresent());
        legend.setVisible(!m.rows().isEmpty());
        legend.setManaged(!m.rows().isEmpty());
        m.specks().ifPresent(s -> {
            specks.show(s.faces(), s.sentence());
            smallest.setText(s.sentence());
        });
        m.picture().ifPresent(this::picture);
        verdict.setText(m.verdict().orElse(Words.of("decide.noverdict")));
        effort.setText(m.effort());
        reasons.getChildren().setAll(m.reasons().stream().map(r -> (Node) Build.label("–  " + r)).toList());
        List<Node> chips = new ArrayList<>();
        for (DecideModel.GoalChip g : m.goals()) {
            Button b = Build.button((g.chosen() ? "✓ " : "") + g.name(), "", () -> toggle(m, g), "chip");
            if (g.chosen()) {
                b.getStyleClass().add("chosen");
            }
            b.setId("goal-" + g.goal());
            chips.add(b);
        }
        if (chips.isEmpty()) {
            Label none = Build.label(Words.of(m.opens() ? "decide.nogoals.open" : "decide.nogoals"), "soft");
            none.prefWidthProperty().bind(goals.widthProperty());
            chips.add(none);
        }
        goals.getChildren().setAll(chips);
        cautions.getChildren().setAll(m.cautions().stream().map(c -> (Node) Build.label(c, "danger", "small")).toList());
        take.setDisable(m.goals().isEmpty() || m.goals().stream().allMatch(DecideModel.GoalChip::chosen));
    }

    private Node row(DecideModel.Row r, DecideModel m) {
        Label number = Build.line(Integer.toString(r.number()), "figure", "card-number", "number-" + r.kind().word());
        number.setMinWidth(26);
        VBox words = Build.column(2, Build.label(r.title(), "subheading"), Build.label(r.sentence()), Build.label(r.advice(), "soft", "small"));
        if (!r.computed().isEmpty()) {
            words.getChildren().add(Build.label(r.computed(), "gold", "small"));
        }
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setPrefWidth(180);
        StopStrip strip = new StopStrip(r.bars(), m.visibleShare(), m.picture().map(DecideModel.Picture::stop).orElse(0));
        strips.add(strip);
        strip.setMinWidth(190);
        strip.setPrefWidth(200);
        Button cure = Build.button(Words.of(r.cured() ? "decide.cured" : "decide.cure"), "", () -> think(r.id()), "chip");
        if (r.cured()) {
            cure.getStyleClass().add("chosen");
        }
        cure.setId("cure-" + r.number());
        cure.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        VBox grade = Build.column(4, Build.line(Words.of("decide.grade", r.grade()), "medium"), new GradeMarks(r.grade()), cure);
        grade.setAlignment(Pos.TOP_LEFT);
        grade.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        HBox line = Build.row(14, number, words, strip, grade);
        line.setAlignment(Pos.TOP_LEFT);
        VBox card = Build.column(6, line);
        card.getStyleClass().addAll("card", "card-" + r.kind().word());
        if (r.selected()) {
            card.getStyleClass().add("card-selected");
            card.getChildren().addAll(Build.label(r.because(), "soft", "small"), overrule(r));
        }
        card.setId("assessment-" + r.number());
        Operable.make(card, r.number() + " " + r.title() + ", " + Words.of("decide.grade", r.grade()) + ", " + r.sentence() + (r.selected() ? ", " + Words.of("spoken.chosen") : ""), () -> desk.select(new Selection.OfFinding(r.id())));
        return card;
    }

    private Node unweighed(DecideModel.Unweighed u) {
        Label number = Build.line(Integer.toString(u.number()), "figure", "card-number", "number-" + u.kind().word());
        number.setMinWidth(26);
        VBox words = Build.column(2, Build.label(u.title(), "subheading"), Build.label(u.sentence()));
        HBox.setHgrow(words, Priority.ALWAYS);
        VBox grade = u.severity().map(s -> Build.column(4, Build.line(Words.say(Extent.values()[s].ofGlass()), "medium"), new GradeMarks(s))).orElseGet(() -> Build.column(4, Build.line(Words.of("decide.unnamed.how"), "medium")));
        grade.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        HBox line = Build.row(14, number, words, grade);
        u.piece().ifPresent(p -> line.getChildren().add(1, piece(p, u.title())));
        line.setAlignment(Pos.TOP_LEFT);
        line.getStyleClass().addAll("card", "card-" + u.kind().word());
        line.setId("unweighed-" + u.number());
        return line;
    }

    /// The finding as the photo shows it.
    private Node piece(DecideModel.Piece p, String title) {
        ImageView view = new ImageView();
        view.setFitWidth(PIECE);
        view.setFitHeight(PIECE);
        view.setAccessibleText(title);
        cache.load(p.ticket(), p.photoId()).thenAccept(loaded -> loaded.ifPresent(l -> {
            double scale = l.image().getWidth() / l.storedWidth();
            view.setImage(l.image());
            view.setViewport(new Rectangle2D(p.x() * scale, p.y() * scale, p.side() * scale, p.side() * scale));
        }));
        StackPane held = new StackPane(view);
        held.getStyleClass().add("photo-piece");
        held.setMinSize(PIECE, PIECE);
        held.setMaxSize(PIECE, PIECE);
        return held;
    }

    private Node wrong(DecideModel.Wrong w) {
        Button right = Build.button(Words.of("decide.right"), "", () -> desk.submit(new GlassIntent.AssembledRight()), "chip");
        right.setId("put-right");
        right.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        VBox words = Build.column(2, Build.label(w.title(), "subheading"), Build.label(w.sentence()));
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox card = Build.row(14, words, right);
        card.getStyleClass().addAll("card", "card-wrong");
        card.setId("assembly");
        return card;
    }

    private void picture(DecideModel.Picture p) {
        ring.show(p.stops(), p.stop());
        shows.setText(p.shows());
        figures.setText(Words.of("decide.at", p.stops().get(p.stop()), p.figures()));
        without.setText(p.without());
        without.setManaged(!p.without().isEmpty());
        if (example.node().isVisible()) {
            example.show(p);
        }
        picture.show(p.shades(), p.stop(), drawn.map(DecideModel::visibleShare).orElse(1.0), DecideModel.SHADOW_DRAWN, DecideModel.VEIL_DRAWN, p.shows() + " " + p.figures());
    }

    private void stop(int index) {
        desk.shown().ifPresent(w -> desk.view(w.viewing().at(index)));
    }

    private void think(String finding) {
        desk.shown().ifPresent(w -> desk.view(w.viewing().toggled(finding)));
    }

    private Node overrule(DecideModel.Row r) {
        TextField why = new TextField();
        why.setPromptText(Words.of("decide.why"));
        why.setAccessibleText(Words.of("decide.why"));
        why.setId("why");
        HBox.setHgrow(why, Priority.ALWAYS);
        HBox line = Build.row(6, Build.line(Words.of("decide.overrule"), "soft", "small"));
        for (int g = 0; g <= 4; g++) {
            int grade = g;
            Button b = Build.button(Integer.toString(g), "", () -> desk.submit(new GlassIntent.OverruleGrade(r.id(), grade, why.getText().strip())), "chip");
            b.setId("overrule-" + g);
            line.getChildren().add(b);
        }
        line.getChildren().add(why);
        return line;
    }

    private void takeAdvice() {
        drawn.filter(m -> !m.goals().isEmpty()).ifPresent(m ->
                desk.submit(new CourseIntent.ChooseGoals(m.goals().stream().map(DecideModel.GoalChip::goal).toList())));
    }

    private void toggle(DecideModel m, DecideModel.GoalChip g) {
        Set<String> now = new LinkedHashSet<>();
        m.goals().stream().filter(DecideModel.GoalChip::chosen).forEach(c -> now.add(c.goal()));
        if (!now.remove(g.goal())) {
            now.add(g.goal());
        }
        desk.submit(new CourseIntent.ChooseGoals(List.copyOf(now)));
    }

    @Override
    public Say say(Work work) {
        return DecideModel.of(work).say();
    }

    @Override
    public boolean key(KeyEvent event, Work work) {
        DecideModel m = DecideModel.of(work);
        if (event.getCode() == KeyCode.SPACE && !m.chosen()) {
            takeAdvice();
            return true;
        }
        if ((event.getCode() == KeyCode.RIGHT || event.getCode() == KeyCode.LEFT) && m.picture().isPresent()) {
            int by = event.getCode() == KeyCode.RIGHT ? 1 : -1;
            stop(Math.clamp(m.picture().get().stop() + by, 0, m.picture().get().stops().size() - 1));
            return true;
        }
        if (event.getCode() == KeyCode.P && m.picture().isPresent()) {
            turnPicture();
            return true;
        }
        if (event.getCode() == KeyCode.C && m.selected().isPresent()) {
            think(m.selected().get().id());
            return true;
        }
        if ((event.getCode() == KeyCode.DOWN || event.getCode() == KeyCode.UP) && !m.rows().isEmpty()) {
            int by = event.getCode() == KeyCode.DOWN ? 1 : -1;
            int now = m.selected().map(r -> m.rows().indexOf(r)).orElse(by > 0 ? -1 : 0);
            desk.select(new Selection.OfFinding(m.rows().get(Math.floorMod(now + by, m.rows().size())).id()));
            return true;
        }
        return false;
    }
}
