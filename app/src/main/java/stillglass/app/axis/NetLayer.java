package stillglass.app.axis;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.geometry.VPos;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.shape.ArcTo;
import javafx.scene.shape.Circle;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.Ellipse;
import javafx.scene.shape.Line;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.app.draw.PartForm;
import stillglass.app.theme.Words;
import stillglass.assembly.Point;
import stillglass.assembly.Side;

/// Draws a [NetModel] into the band of the Axis: the sides as a strip with top and bottom at its end, or as a cross about the front, whichever comes out larger.
public final class NetLayer {
    private static final double GAP = 9;
    private static final double LEAST_HEAD = 2.4;
    private static final double HEAD_MM = 1.3;
    /// How much of a ring's diameter is open.
    private static final double RING_OPEN = 0.80;

    private final List<Node> into;
    private final Speaker speaker;
    private final List<Bounds> written = new ArrayList<>();

    /// What makes a node speak and be chosen.
    public interface Speaker {
        /// @param partId part it belongs to, empty for a screw
        void speak(Node node, String spoken, String partId);
    }

    public NetLayer(List<Node> into, Speaker speaker) {
        this.into = into;
        this.speaker = speaker;
    }

    private record Spot(double x, double y) {}

    /// @param corners upper left corners in mm, gaps left out
    private record Arrangement(Map<Side, Spot> corners, Map<Side, Spot> gaps, double scale) {
        private static final Spot ORIGIN = new Spot(0, 0);

        /// Pixels from the left end of the whole.
        double x(Side side) {
            return corners.getOrDefault(side, ORIGIN).x * scale + gaps.getOrDefault(side, ORIGIN).x;
        }

        double y(Side side) {
            return corners.getOrDefault(side, ORIGIN).y * scale + gaps.getOrDefault(side, ORIGIN).y;
        }
    }

    /// @param x0 left end of the room
    public void draw(NetModel m, double x0, double y0, double x1, double y1, double em) {
        double label = 1.25 * em;
        Arrangement strip = arrange(m, false, x1 - x0, y1 - y0, label);
        Arrangement cross = arrange(m, true, x1 - x0, y1 - y0, label);
        Arrangement a = cross.scale > strip.scale ? cross : strip;
        double width = m.faces().stream().mapToDouble(f -> a.x(f.side()) + f.widthMm() * a.scale).max().orElse(0);
        double height = m.faces().stream().mapToDouble(f -> a.y(f.side()) + f.heightMm() * a.scale).max().orElse(0);
        double left = x0 + (x1 - x0 - width) / 2;
        double top = y0 + (y1 - y0 - height) / 2;
        for (NetModel.Face f : m.faces()) {
            face(f, left + a.x(f.side()), top + a.y(f.side()), a.scale, em);
        }
    }

    /// Where the sides go. A side is laid out in columns and rows; the name of each stands above it.
    private static Arrangement arrange(NetModel m, boolean cross, double width, double height, double label) {
        Map<Side, NetModel.Face> faces = new EnumMap<>(Side.class);
        m.faces().forEach(f -> faces.put(f.side(), f));
        Map<Side, Spot> corners = new EnumMap<>(Side.class);
        Map<Side, Spot> gaps = new EnumMap<>(Side.class);
        double above = cross && faces.containsKey(Side.TOP) ? faces.get(Side.TOP).heightMm() : 0;
        double aboveGap = label + (above > 0 ? label : 0);
        double x = 0;
        double gap = 0;
        double tallest = 0;
        double tallGap = 0;
        for (Side side : List.of(Side.LEFT, Side.FRONT, Side.RIGHT, Side.REAR)) {
            NetModel.Face f = faces.get(side);
            if (f != null) {
                corners.put(side, new Spot(x, above));
                gaps.put(side, new Spot(gap, aboveGap));
                x += f.widthMm();
                gap += GAP;
                tallest = Math.max(tallest, above + f.heightMm());
                tallGap = Math.max(tallGap, aboveGap);
            }
        }
        Spot front = corners.getOrDefault(Side.FRONT, new Spot(0, above));
        double frontGap = gaps.getOrDefault(Side.FRONT, new Spot(0, 0)).x;
        double y = 0;
        double rows = label;
        double widest = 0;
        for (Side side : List.of(Side.TOP, Side.BOTTOM)) {
            NetModel.Face f = faces.get(side);
            if (f == null) {
                continue;
            }
            if (cross) {
                boolean below = side == Side.BOTTOM;
                corners.put(side, new Spot(front.x, below ? tallest : 0));
                gaps.put(side, new Spot(frontGap, below ? tallGap + label : label));
                if (below) {
                    tallest += f.heightMm();
                    tallGap += label;
                }
                widest = Math.max(widest, front.x + f.widthMm());
            } else {
                corners.put(side, new Spot(x, y));
                gaps.put(side, new Spot(gap, rows));
                y += f.heightMm();
                rows += label;
                widest = Math.max(widest, x + f.widthMm());
            }
        }
        double wide = Math.max(x, widest);
        double tall = Math.max(tallest, y);
        double scale = Math.min((width - gap - GAP) / Math.max(1, wide), (height - Math.max(tallGap, rows) - 2) / Math.max(1, tall));
        return new Arrangement(corners, gaps, Math.max(0.1, scale));
    }

    private void face(NetModel.Face f, double x, double y, double scale, double em) {
        double w = f.widthMm() * scale;
        double h = f.heightMm() * scale;
        Rectangle ground = new Rectangle(x, y, w, h);
        ground.getStyleClass().add("net-face");
        into.add(ground);
        Text name = Inked.text(into, Words.of("net.side." + f.side().word()), "net-side");
        name.setX(x + 1);
        name.setY(y - 0.5 * em);
        into.add(name);
        List<NetModel.Tile> out = new ArrayList<>();
        for (NetModel.Tile t : f.tiles()) {
            if (t.standing() == NetModel.Standing.OUT) {
                out.add(t);
            } else {
                tile(t, x + w / 2, y + h / 2, scale);
            }
        }
        // What is out is drawn over what it uncovers, the last to leave at the top.
        out.sort(java.util.Comparator.comparingInt(NetModel.Tile::number));
        out.forEach(t -> tile(t, x + w / 2, y + h / 2, scale));
        f.heads().forEach(s -> head(s, x + w / 2, y + h / 2, scale));
        f.dots().forEach(d -> dot(d, x + w / 2, y + h / 2, scale, em));
    }

    /// A point that takes something is a drop, hanging from where it is laid on; one that stays dry a ring with a stroke through it.
    private void dot(NetModel.Dot d, double cx, double cy, double scale, double em) {
        double x = cx + d.xMm() * scale;
        double y = cy - d.yMm() * scale;
        double r = (d.standing() == NetModel.Standing.NEXT ? 0.42 : 0.3) * em;
        Group g = new Group();
        if (d.wants() == Point.Wants.DRY) {
            g.getChildren().addAll(new Circle(x, y, r), new Line(x - 0.7 * r, y + 0.7 * r, x + 0.7 * r, y - 0.7 * r));
        } else {
            Path drop = new Path(new MoveTo(x, y - 1.7 * r), new CubicCurveTo(x + 0.5 * r, y - 0.7 * r, x + r, y - 0.3 * r, x + r, y + 0.2 * r), new ArcTo(r, r, 0, x - r, y + 0.2 * r, false, true),
                    new CubicCurveTo(x - r, y - 0.3 * r, x - 0.5 * r, y - 0.7 * r, x, y - 1.7 * r), new ClosePath());
            g.getChildren().add(drop);
        }
        g.getChildren().forEach(n -> n.getStyleClass().add("net-point-" + d.standing().name().toLowerCase(java.util.Locale.ROOT)));
        speaker.speak(g, d.spoken(), "");
        into.add(g);
    }

    private void tile(NetModel.Tile t, double cx, double cy, double scale) {
        double w = t.place().widthMm() * scale;
        double h = t.place().heightMm() * scale;
        double x = cx + t.place().x() * scale;
        double y = cy - t.place().y() * scale;
        if (t.form().isPresent()) {
            formed(t, t.form().get(), new Rectangle(x - w / 2, y - h / 2, w, h));
            return;
        }
        Shape shape = t.place().round() ? round(t, x, y, w, h) : rounded(x - w / 2, y - h / 2, w, h);
        boolean gone = t.standing() == NetModel.Standing.OUT;
        shape.getStyleClass().add(gone ? (t.look() == AxisModel.Look.GLASS ? "axis-ghost-glass" : "axis-ghost-metal") : switch (t.look()) {
            case GLASS -> "axis-glass";
            case METAL -> "axis-metal";
            case SOFT -> "net-covering";
        });
        if (t.standing() == NetModel.Standing.NEXT) {
            shape.getStyleClass().add("axis-piece-next");
        }
        if (t.selected()) {
            shape.getStyleClass().add("axis-piece-selected");
        }
        shape.setPickOnBounds(!gone);
        Group g = new Group(shape);
        if (gone) {
            number(t, x, y, w, h, g);
        }
        speaker.speak(g, gone ? Words.of("axis.ghost", t.number(), t.name()) : t.name(), t.partId());
        g.setId((gone ? "ghost-" : "axis-") + t.partId());
        into.add(g);
    }

    /// A thing whose outline nobody knows: what it was said to be, its number before its name below it.
    private void formed(NetModel.Tile t, PartForm form, Rectangle room) {
        Text name = Inked.text(into, t.number() > 0 ? t.number() + "  " + t.name() : t.name(), "axis-ruler");
        double tall = name.getLayoutBounds().getHeight();
        double x = room.getX() + room.getWidth() / 2;
        double half = Math.clamp((room.getHeight() - tall - 6) / 2, 3, 24);
        double top = room.getY() + (room.getHeight() - 2 * half - tall) / 2;
        Group g = new Group();
        g.getChildren().addAll(form.flat(x, top + half, half));
        g.getChildren().forEach(n -> n.getStyleClass().addAll("stack-item", switch (t.standing()) {
            case IN -> "stack-back";
            case NEXT -> "stack-in-hand";
            case OUT -> form == PartForm.GLASS ? "stack-glass" : "stack-off";
            case EXPECTED -> "stack-expected";
        }));
        speaker.speak(g, t.name(), t.partId());
        g.setId("axis-" + t.partId());
        into.add(g);
        Inked.fit(name, room.getWidth() - 4);
        name.setX(x - name.getLayoutBounds().getWidth() / 2);
        name.setY(top + 2 * half + 0.5 * tall + 1);
        into.add(name);
    }

    private static Shape round(NetModel.Tile t, double x, double y, double w, double h) {
        Ellipse whole = new Ellipse(x, y, w / 2, h / 2);
        return t.ring() ? Shape.subtract(whole, new Ellipse(x, y, RING_OPEN * w / 2, RING_OPEN * h / 2)) : whole;
    }

    private static Rectangle rounded(double x, double y, double w, double h) {
        Rectangle r = new Rectangle(x, y, w, h);
        double arc = Math.min(8, Math.min(w, h) * 0.5);
        r.setArcWidth(arc);
        r.setArcHeight(arc);
        return r;
    }

    /// The order in which it left, where there is room for it; round things carry it on their rim, each a little further round.
    private void number(NetModel.Tile t, double x, double y, double w, double h, Group into2) {
        Text n = Inked.text(into, Integer.toString(t.number()), "axis-ghost-number");
        double half = n.getLayoutBounds().getWidth() / 2;
        double tall = n.getLayoutBounds().getHeight() / 2;
        for (int tries = 0; tries < 6; tries++) {
            double turn = Math.toRadians(40 * (t.number() + 2.0 * tries));
            double nx = t.place().round() ? x + (w / 2 - half - 2) * Math.sin(turn) : x - w / 2 + half + 3 + tries * (2 * half + 4);
            double ny = t.place().round() ? y - (h / 2 - tall) * Math.cos(turn) : y - h / 2 + tall;
            Bounds box = new BoundingBox(nx - half - 1, ny - tall + 2, 2 * half + 2, 2 * tall - 4);
            if (written.stream().noneMatch(box::intersects) && Math.abs(nx - x) + half <= Math.max(w / 2, half) + 1) {
                n.setX(nx - half);
                n.setTextOrigin(VPos.CENTER);
                n.setY(ny);
                written.add(box);
                into2.getChildren().add(n);
                return;
            }
        }
    }

    private void head(NetModel.Head s, double cx, double cy, double scale) {
        double x = cx + s.xMm() * scale;
        double y = cy - s.yMm() * scale;
        double r = Math.max(LEAST_HEAD, HEAD_MM * scale);
        Circle c = new Circle(x, y, s.standing() == NetModel.Standing.NEXT ? r + 1.5 : r);
        c.getStyleClass().add("net-screw-" + s.standing().name().toLowerCase(java.util.Locale.ROOT));
        Group g = new Group(c);
        if (s.standing() != NetModel.Standing.OUT) {
            Line slot = new Line(x - 0.7 * r, y, x + 0.7 * r, y);
            slot.getStyleClass().add("net-slot");
            g.getChildren().add(slot);
        }
        speaker.speak(g, s.spoken(), "");
        g.setId("screw-" + s.cell());
        into.add(g);
    }
}
