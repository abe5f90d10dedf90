package stillglass.app.draw;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.text.Text;
import stillglass.app.theme.Words;
import stillglass.assembly.ClockPosition;

/// A ring seen from the front with its index at 12: shows a recorded clock position, and takes one by click or keys.
public final class Dial extends Region {
    /// Radius below which only every third hour has room for its figure.
    private static final double LEAST_FOR_HOURS = 40;

    private final Circle ring = new Circle();
    private final Circle hole = new Circle();
    private final Polygon index = new Polygon(0, 0, -6, -11, 6, -11);
    private final Line hand = new Line();
    private final Text[] hours = new Text[12];
    private final Line[] ticks = new Line[12];
    private Optional<ClockPosition> shown = Optional.empty();
    private double cursor;

    /// @param picked hears a position that was chosen
    public Dial(Consumer<ClockPosition> picked) {
        getStyleClass().add("dial");
        ring.getStyleClass().add("dial-ring");
        hole.getStyleClass().add("dial-hole");
        index.getStyleClass().add("dial-index");
        hand.getStyleClass().add("dial-hand");
        getChildren().addAll(ring, hole);
        for (int i = 0; i < 12; i++) {
            ticks[i] = new Line();
            ticks[i].getStyleClass().add("dial-tick");
            hours[i] = new Text(Integer.toString(i == 0 ? 12 : i));
            hours[i].getStyleClass().add("dial-hour");
            hours[i].setTextOrigin(VPos.CENTER);
            getChildren().addAll(ticks[i], hours[i]);
        }
        getChildren().addAll(index, hand);
        hand.setVisible(false);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.SLIDER);
        setAccessibleText(Words.of("dial.keys"));
        setOnMouseClicked(e -> {
            ClockPosition at = ClockPosition.at(e.getX() - getWidth() / 2, getHeight() / 2 - e.getY());
            picked.accept(ClockPosition.of(Math.round(at.hours() * 4) / 4.0));
            requestFocus();
        });
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.LEFT || e.getCode() == KeyCode.RIGHT) {
                cursor = (cursor + (e.getCode() == KeyCode.RIGHT ? 0.5 : 11.5)) % 12;
                notifyAccessibleAttributeChanged(AccessibleAttribute.VALUE);
                show(Optional.of(ClockPosition.of(cursor)));
                e.consume();
            } else if (e.getCode() == KeyCode.ENTER) {
                picked.accept(ClockPosition.of(cursor));
                e.consume();
            }
        });
        setPrefSize(150, 150);
        setMinSize(90, 90);
    }

    /// Hours from 12 for a screen reader, and in words.
    @Override
    public Object queryAccessibleAttribute(AccessibleAttribute attribute, Object... parameters) {
        return switch (attribute) {
            case MIN_VALUE -> 0.0;
            case MAX_VALUE -> 12.0;
            case VALUE -> shown.map(ClockPosition::hours).orElse(cursor);
            case VALUE_STRING -> shown.map(p -> Words.of("spoken.clock", p)).orElse(Words.of("spoken.clock.none"));
            default -> super.queryAccessibleAttribute(attribute, parameters);
        };
    }

    /// @param at where the hand points; no hand when empty
    public void show(Optional<ClockPosition> at) {
        shown = at;
        at.ifPresent(p -> cursor = p.hours());
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double cx = getWidth() / 2;
        double cy = getHeight() / 2;
        double r = Math.min(cx, cy) * 0.84;
        ring.setCenterX(cx);
        ring.setCenterY(cy);
        ring.setRadius(r);
        hole.setCenterX(cx);
        hole.setCenterY(cy);
        hole.setRadius(r * 0.62);
        for (int i = 0; i < 12; i++) {
            double s = Math.sin(i * Math.PI / 6);
            double c = Math.cos(i * Math.PI / 6);
            double inner = i % 3 == 0 ? 0.88 : 0.93;
            line(ticks[i], cx + r * inner * s, cy - r * inner * c, cx + r * s, cy - r * c);
            hours[i].setVisible(r >= LEAST_FOR_HOURS || i % 3 == 0);
            hours[i].setX(cx + r * 0.77 * s - hours[i].getLayoutBounds().getWidth() / 2);
            hours[i].setY(cy - r * 0.77 * c);
        }
        index.relocate(cx - 6, cy - r - 11);
        hand.setVisible(shown.isPresent());
        shown.ifPresent(p -> line(hand, cx + r * 0.30 * Math.sin(p.radians()), cy - r * 0.30 * Math.cos(p.radians()),
                cx + r * 1.06 * Math.sin(p.radians()), cy - r * 1.06 * Math.cos(p.radians())));
    }

    private static void line(Line l, double x0, double y0, double x1, double y1) {
        l.setStartX(x0);
        l.setStartY(y0);
        l.setEndX(x1);
        l.setEndY(y1);
    }
}
