package stillglass.app.axis;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;
import stillglass.app.desk.Selection;
import stillglass.app.draw.Inked;
import stillglass.app.theme.Words;

/// Draws an [AxisModel]: labels of findings at the left, parts that are out in a row beside the instrument on the side they
/// left, references at the right.
public final class AxisView extends Region {
    /// Below it nothing can be told apart.
    private static final double LEAST_HEIGHT = 60;
    /// How near the pointer must be to a surface to look at it face-on.
    private static final double NEAR_MM = 1.3;

    private final Consumer<Selection> select;
    private final Consumer<Optional<Integer>> face;
    private Optional<AxisFrame> frame = Optional.empty();
    private Optional<Integer> faced = Optional.empty();
    /// What stands in the column that a surface face-on covers.
    private List<Node> column = List.of();
    private Optional<AxisModel> model = Optional.empty();
    /// Where glasses that are out were drawn, so that what is on them goes with them.
    private final Map<String, GhostLayer.Moved> moved = new HashMap<>();
    private double drawnWidth;
    private double drawnHeight;

    /// @param select hears what was pointed at
    /// @param face hears which surface the pointer is on, none when it left
    public AxisView(Consumer<Selection> select, Consumer<Optional<Integer>> face) {
        this.select = select;
        this.face = face;
        getStyleClass().add("axis");
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.LIST_VIEW);
        setAccessibleText(Words.of("axis.spoken"));
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.RIGHT || e.getCode() == KeyCode.LEFT) {
                walk(e.getCode() == KeyCode.RIGHT ? 1 : -1);
                e.consume();
            } else if (e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN) {
                model.ifPresent(m -> look(Optional.of(m.light().step(faced, e.getCode() == KeyCode.DOWN ? 1 : -1))));
                e.consume();
            }
        });
        setOnMouseClicked(e -> requestFocus());
        setOnMouseMoved(e -> frame.ifPresent(f -> look(model.flatMap(m ->
                m.light().nearest(f.xMm(e.getX()), f.yMm(e.getY()), NEAR_MM)))));
        setOnMouseExited(e -> look(Optional.empty()));
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
    }

    private void look(Optional<Integer> surface) {
        if (!surface.equals(faced)) {
            faced = surface;
            face.accept(surface);
        }
    }

    public void show(AxisModel shown) {
        boolean same = model.map(m -> m.faceless().equals(shown.faceless())).orElse(false);
        boolean sameFace = model.map(m -> m.light().face().equals(shown.light().face())).orElse(false);
        model = Optional.of(shown);
        if (!same) {
            drawnWidth = 0;
            requestLayout();
        } else if (!sameFace && drawnWidth > 0) {
            // The pointer wanders from surface to surface: only the dial changes, so that what it stands on stays.
            dial();
        }
    }

    /// Lays the surface looked at over the column at the right, or takes it away.
    private void dial() {
        getChildren().removeIf(FaceDial.class::isInstance);
        Optional<LightModel.Face> shown = model.flatMap(m -> m.light().face());
        column.forEach(n -> n.setVisible(shown.isEmpty()));
        frame.ifPresent(f -> shown.ifPresent(looked -> {
            double em = em();
            FaceDial dial = new FaceDial(looked);
            dial.resizeRelocate(f.referenceLeft() - em, 4, getWidth() - f.referenceLeft() + em - 6, getHeight() - 8);
            getChildren().add(dial);
        }));
    }

    private void walk(int by) {
        model.ifPresent(m -> {
            List<String> parts = m.walk();
            if (parts.isEmpty()) {
                return;
            }
            int now = -1;
            for (AxisModel.Piece p : pieces(m)) {
                now = p.selected() ? parts.indexOf(p.partId()) : now;
            }
            now = m.net().flatMap(n -> n.walk().stream().filter(NetModel.Tile::selected).findFirst()).map(t -> parts.indexOf(t.partId())).orElse(now);
            int next = now < 0 ? (by > 0 ? 0 : parts.size() - 1) : (now + by + parts.size()) % parts.size();
            select.accept(new Selection.OfPart(parts.get(next)));
            pieces(m).stream().filter(p -> p.partId().equals(parts.get(next))).findFirst()
                    .ifPresent(p -> setAccessibleText(p.spoken()));
        });
    }

    private static List<AxisModel.Piece> pieces(AxisModel m) {
        return java.util.stream.Stream.concat(m.pieces().stream(), m.ghosts().stream().flatMap(g -> g.pieces().stream()))
                .toList();
    }

    @Override
    protected void layoutChildren() {
        if (model.isPresent() && getWidth() > 0 && (drawnWidth != getWidth() || drawnHeight != getHeight())) {
            drawnWidth = getWidth();
            drawnHeight = getHeight();
            if (getHeight() < LEAST_HEIGHT) {
                getChildren().clear();
                return;
            }
            draw(model.get());
            // Born in a layout, it has missed the styles of this frame and would be seen solid black.
            applyCss();
            Inked.keptIn(this);
        }
    }

    private double x(AxisFrame f, String partId, double mm) {
        GhostLayer.Moved m = moved.get(partId);
        return m == null ? f.x(mm) : m.left() + (mm - m.fromMm()) * m.stretch();
    }

    private void draw(AxisModel m) {
        getChildren().clear();
        double em = em();
        double w = getWidth();
        double h = getHeight();
        double labelRight = Math.max(15 * em, w * 0.185);
        double referenceLeft = w - Math.max(15.5 * em, w * 0.185);
        double top = 8;
        double bottom = h - 2.1 * em;
        double scale = Math.min((bottom - top) / (2 * m.halfMm()), (referenceLeft - labelRight) * 0.62 / (m.rightMm() - m.leftMm()));
        double lensWidth = (m.rightMm() - m.leftMm()) * scale;
        double free = referenceLeft - labelRight - lensWidth - 3 * em;
        long right = m.ghosts().stream().filter(AxisModel.Ghost::toRight).count();
        double share = m.ghosts().isEmpty() ? 0.5 : Math.clamp(1 - right / (double) m.ghosts().size(), 0.22, 0.78);
        AxisFrame f = new AxisFrame(scale, labelRight + 1.5 * em + free * share - m.leftMm() * scale, (top + bottom) / 2, labelRight, referenceLeft);
        frame = Optional.of(f);
        if (m.net().isPresent()) {
            moved.clear();
            new NetLayer(getChildren(), (node, spoken, part) -> speak(node, spoken, part.isEmpty() ? new Selection.Nothing() : new Selection.OfPart(part)))
                    .draw(m.net().get(), 14, 4, m.references().isEmpty() ? w - 14 : referenceLeft - em, bottom, em);
            right(m, f, em);
            return;
        }
        if (m.stack().isPresent()) {
            moved.clear();
            new StackLayer(getChildren(), (node, spoken, part) -> speak(node, spoken, part.isEmpty() ? new Selection.Nothing() : new Selection.OfPart(part)))
                    .draw(m.stack().get(), 14, m.references().isEmpty() ? w - 14 : referenceLeft - em, 6, h - 4, em, StackLayer.ON_AXIS);
            right(m, f, em);
            return;
        }
        LightLayer light = new LightLayer(getChildren(), f);
        axisLine(f, em);
        ruler(m, f, h);
        m.filmMm().ifPresent(at -> film(at, m, f));
        m.iris().ifPresent(iris -> iris(iris, f));
        m.pieces().forEach(p -> getChildren().add(piece(p, f)));
        light.rims(m.light());
        light.should(m.light());
        light.rays(m.light());
        m.pieces().stream().filter(p -> !p.label().isEmpty()).forEach(p -> getChildren().add(glassName(p, f)));
        flange(m, f);
        moved.clear();
        double edge = f.x(m.leftMm()) - 1.2 * em;
        GhostLayer out = new GhostLayer(getChildren(), f, moved, (node, spoken, part) -> speak(node, spoken, new Selection.OfPart(part)));
        out.draw(m.ghosts().stream().filter(g -> !g.toRight()).toList(), labelRight + em, edge, false);
        out.draw(m.ghosts().stream().filter(AxisModel.Ghost::toRight).toList(), f.x(m.rightMm()) + 2.2 * em, referenceLeft - em, true);
        light.glows(m.light(), (part, mm) -> x(f, part, mm));
        m.faults().forEach(fault -> getChildren().add(fault(fault, f)));
        faultLabels(m, f, em, top, bottom);
        right(m, f, em);
    }

    /// References, the surface looked at, and what moves next.
    private void right(AxisModel m, AxisFrame f, double em) {
        double h = getHeight();
        int before = getChildren().size();
        new ReferenceColumn(getChildren(), getHeight()).draw(m, f, em);
        column = List.copyOf(getChildren().subList(before, getChildren().size()));
        dial();
        m.next().ifPresent(n -> {
            Text t = text(n, "axis-next", f.x((m.leftMm() + m.rightMm()) / 2), h - 0.75 * em);
            t.setX(f.labelRight() - t.getLayoutBounds().getWidth() - em * 0.2 < 0 ? 8 : 1.2 * em);
            getChildren().add(t);
        });
    }

    private double em() {
        Text t = new Text("M");
        t.getStyleClass().add("axis-label");
        getChildren().add(t);
        t.applyCss();
        double size = t.getFont().getSize();
        getChildren().remove(t);
        return size;
    }

    private void axisLine(AxisFrame f, double em) {
        Line line = new Line(f.labelRight() + em, f.axisY(), f.referenceLeft() - em, f.axisY());
        line.getStyleClass().add("axis-line");
        getChildren().add(line);
    }

    private void ruler(AxisModel m, AxisFrame f, double h) {
        int from = (int) Math.ceil(m.leftMm() / 5);
        int to = (int) Math.floor(m.rightMm() / 5);
        for (int i = from; i <= to; i++) {
            boolean ten = i % 2 == 0;
            Line tick = new Line(f.x(i * 5), h, f.x(i * 5), h - (ten ? 7 : 4));
            tick.getStyleClass().add("axis-tick");
            getChildren().add(tick);
            if (i % 4 == 0) {
                Text t = text(Integer.toString(i * 5) + (i == 0 ? " mm" : ""), "axis-ruler", f.x(i * 5), h - 8);
                t.setX(f.x(i * 5) - t.getLayoutBounds().getWidth() / 2);
                t.setTextOrigin(VPos.BOTTOM);
                getChildren().add(t);
            }
        }
    }

    private void film(double atMm, AxisModel m, AxisFrame f) {
        Line film = new Line(f.x(atMm), f.y(m.halfMm() * 0.80), f.x(atMm), f.y(-m.halfMm() * 0.80));
        film.getStyleClass().add("axis-film");
        Text t = text(Words.of("axis.film"), "axis-ruler", 0, f.y(m.halfMm() * 0.80) - 3);
        t.setX(f.x(atMm) - t.getLayoutBounds().getWidth() / 2);
        t.setTextOrigin(VPos.BOTTOM);
        getChildren().addAll(film, t);
    }

    private void iris(AxisModel.Iris iris, AxisFrame f) {
        for (int side : new int[] {1, -1}) {
            Line blade = new Line(f.x(iris.atMm()), f.y(side * iris.clearMm()), f.x(iris.atMm()), f.y(side * iris.outerMm()));
            blade.getStyleClass().add("axis-iris");
            getChildren().add(blade);
        }
    }

    private Node piece(AxisModel.Piece p, AxisFrame f) {
        Group g = new Group();
        for (AxisModel.Outline o : p.outlines()) {
            Polygon shape = new Polygon();
            o.points().forEach(q -> shape.getPoints().addAll(f.x(q.xMm()), f.y(q.yMm())));
            style(shape, p);
            g.getChildren().add(shape);
        }
        speak(g, p.spoken(), new Selection.OfPart(p.partId()));
        g.setId("axis-" + p.partId());
        return g;
    }

    private static void style(Shape shape, AxisModel.Piece p) {
        shape.getStyleClass().add(switch (p.look()) {
            case GLASS -> "axis-glass";
            case METAL -> "axis-metal";
            case SOFT -> "axis-soft";
        });
        if (p.next()) {
            shape.getStyleClass().add("axis-piece-next");
        }
        if (p.selected()) {
            shape.getStyleClass().add("axis-piece-selected");
        }
    }

    private Text glassName(AxisModel.Piece p, AxisFrame f) {
        List<AxisModel.Point> points = p.outlines().getFirst().points();
        // The axial crossing points are the middles of the two faces.
        double front = points.get(points.size() / 4).xMm();
        double rear = points.get(points.size() * 3 / 4).xMm();
        // Neighbours stand above and below the axis by turns, so that thin glasses do not run into each other.
        boolean odd = (p.label().charAt(p.label().length() - 1) - '0') % 2 == 1;
        Text t = text(p.label(), "axis-glass-name", 0, f.axisY() + (odd ? -8 : 8));
        t.setX(f.x((front + rear) / 2) - t.getLayoutBounds().getWidth() / 2);
        t.setTextOrigin(VPos.CENTER);
        t.setMouseTransparent(true);
        return t;
    }

    private void speak(Node node, String spoken, Selection selection) {
        node.setAccessibleRole(AccessibleRole.BUTTON);
        node.setAccessibleText(spoken);
        Tooltip.install(node, new Tooltip(spoken));
        node.setOnMouseClicked(e -> {
            select.accept(selection);
            requestFocus();
            e.consume();
        });
    }

    private Node fault(FaultMarks.Fault fault, AxisFrame f) {
        Group g = new Group();
        for (AxisModel.Outline band : fault.bands()) {
            Polyline line = new Polyline();
            band.points().forEach(q -> line.getPoints().addAll(x(f, fault.partId(), q.xMm()), f.y(q.yMm())));
            line.getStyleClass().addAll("axis-fault", "axis-fault-" + fault.kind().word());
            if (fault.selected()) {
                line.getStyleClass().add("axis-fault-selected");
            }
            g.getChildren().add(line);
        }
        speak(g, fault.label(), new Selection.OfFinding(fault.findingId()));
        g.setId("axis-fault-" + fault.number());
        return g;
    }

    private void faultLabels(AxisModel m, AxisFrame f, double em, double top, double bottom) {
        double[] wanted = m.faults().stream().mapToDouble(a -> f.y(a.anchor().yMm()) + (a.anchor().yMm() > 0 ? -2 * em : 2 * em)).toArray();
        double[] at = Labels.apart(wanted, 1.7 * em, top + 0.8 * em, bottom - 0.2 * em);
        for (int i = 0; i < at.length; i++) {
            FaultMarks.Fault fault = m.faults().get(i);
            Text t = text(fault.number() + "  " + fault.label(), "axis-label", 0, at[i]);
            String kind = fault.gone() ? "gone" : fault.kind().word();
            t.getStyleClass().addAll("axis-label-" + kind, fault.selected() ? "axis-label-selected" : "axis-label-quiet");
            t.setTextOrigin(VPos.CENTER);
            t.applyCss();
            t.setX(Math.max(1.2 * em, f.labelRight() - t.getLayoutBounds().getWidth()));
            double labelEnd = t.getX() + t.getLayoutBounds().getWidth() + 0.4 * em;
            double anchorX = x(f, fault.partId(), fault.anchor().xMm());
            Polyline leader = new Polyline(labelEnd, at[i], labelEnd + em, at[i], anchorX, f.y(fault.anchor().yMm()));
            leader.getStyleClass().addAll("axis-leader", "axis-leader-" + kind);
            leader.setMouseTransparent(true);
            Circle dot = new Circle(anchorX, f.y(fault.anchor().yMm()), fault.gone() ? 0 : 2.6);
            dot.getStyleClass().add("axis-dot-" + kind);
            speak(t, fault.label(), new Selection.OfFinding(fault.findingId()));
            getChildren().addAll(leader, dot, t);
        }
    }

    /// The flange distance as a dimension between mount face and film.
    private void flange(AxisModel m, AxisFrame f) {
        m.flangeMm().ifPresent(at -> m.filmMm().ifPresent(filmMm -> {
            double y = f.y(-m.halfMm() * 0.70);
            double x0 = f.x(at);
            double x1 = f.x(filmMm);
            Line line = new Line(x0 + 1, y, x1 - 2, y);
            Line start = new Line(x0, y - 6, x0, y + 6);
            Polygon left = new Polygon(x0, y, x0 + 7, y - 3, x0 + 7, y + 3);
            Polygon right = new Polygon(x1 - 2, y, x1 - 9, y - 3, x1 - 9, y + 3);
            line.getStyleClass().add("axis-dimension");
            start.getStyleClass().add("axis-dimension");
            left.getStyleClass().add("axis-dimension-head");
            right.getStyleClass().add("axis-dimension-head");
            double room = x1 - f.x(m.pieces().stream().flatMap(p -> p.outlines().stream()).flatMap(o -> o.points().stream())
                    .mapToDouble(AxisModel.Point::xMm).max().orElse(at));
            Text whole = text(Words.of("axis.flange", filmMm - at), "axis-ruler", 0, y - 5);
            Text t = Inked.width(whole) + 16 < room ? whole : text(Words.of("mm.2", filmMm - at), "axis-ruler", 0, y - 5);
            t.setX(x1 - 12 - t.getLayoutBounds().getWidth());
            getChildren().addAll(line, start, left, right, t);
        }));
    }

    /// A text standing on `y`, its size known.
    private Text text(String words, String style, double x, double y) {
        Text t = Inked.text(getChildren(), words, style);
        t.setTextOrigin(VPos.BASELINE);
        t.setMouseTransparent(false);
        t.setX(x);
        t.setY(y);
        return t;
    }
}
