package stillglass.app.draw;

import java.util.List;
import java.util.Locale;
import javafx.geometry.VPos;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;

import stillglass.app.theme.Em;

/// Effect over the stops: for each stop a bar of shadow and a hatched bar of veil, on one logarithmic scale with the
/// threshold from which a picture shows it.
public final class StopStrip extends Region {
    /// Smallest share that is drawn.
    private static final double FLOOR = 0.002;

    /// @param name the stop as engraved
    /// @param shadow deepest shadow, share
    /// @param veil veil, share
    public record Bar(String name, double shadow, double veil) {}

    private final List<Bar> bars;
    private final double visibleShare;
    private int here;
    private final Rectangle band = new Rectangle();
    private final Line threshold = new Line();
    private final Text[] names;
    private final Rectangle[] shadows;
    private final Rectangle[] veils;

    /// @param here the stop that is looked at
    public StopStrip(List<Bar> bars, double visibleShare, int here) {
        this.bars = List.copyOf(bars);
        this.visibleShare = visibleShare;
        this.here = here;
        band.getStyleClass().add("strip-here");
        getChildren().add(band);
        names = new Text[bars.size()];
        shadows = new Rectangle[bars.size()];
        veils = new Rectangle[bars.size()];
        for (int i = 0; i < names.length; i++) {
            names[i] = new Text(bars.get(i).name());
            names[i].getStyleClass().add(i == here ? "strip-name-here" : "strip-name");
            names[i].setTextOrigin(VPos.BOTTOM);
            shadows[i] = new Rectangle();
            shadows[i].getStyleClass().add(bars.get(i).shadow() >= visibleShare ? "strip-shadow-shows" : "strip-shadow");
            veils[i] = new Rectangle();
            veils[i].getStyleClass().add("strip-veil");
            getChildren().addAll(shadows[i], veils[i], names[i]);
        }
        threshold.getStyleClass().add("strip-threshold");
        getChildren().add(threshold);
        setPrefSize(250, 54);
        setMinHeight(46);
        StringBuilder spoken = new StringBuilder("Effect by stop:");
        bars.forEach(b -> spoken.append(String.format(Locale.ROOT, " f/%s shadow %.1f %%, veil %.1f %%;", b.name(), 100 * b.shadow(), 100 * b.veil())));
        setAccessibleText(spoken.toString());
    }

    /// Marks another stop as the one looked at.
    public void lookAt(int stop) {
        for (int i = 0; i < names.length; i++) {
            names[i].getStyleClass().setAll(i == stop ? "strip-name-here" : "strip-name");
        }
        here = stop;
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double h = getHeight();
        double base = h - Math.max(15, 1.08 * Em.of(this));
        double each = getWidth() / Math.max(1, bars.size());
        band.setVisible(here < bars.size());
        band.setX(here * each + 1);
        band.setWidth(Math.max(0, each - 2));
        band.setHeight(h);
        for (int i = 0; i < names.length; i++) {
            double x = i * each;
            double w = Math.min(13, each * 0.3);
            place(shadows[i], x + each / 2 - w - 1, base, w, height(bars.get(i).shadow(), base));
            place(veils[i], x + each / 2 + 1, base, w, height(bars.get(i).veil(), base));
            names[i].setX(x + each / 2 - names[i].getLayoutBounds().getWidth() / 2);
            names[i].setY(h);
        }
        double y = base - height(visibleShare, base);
        threshold.setStartX(0);
        threshold.setEndX(getWidth());
        threshold.setStartY(y);
        threshold.setEndY(y);
    }

    private static double height(double share, double base) {
        double level = Math.log(Math.max(FLOOR, share) / FLOOR) / Math.log(1 / FLOOR);
        return Math.max(1.5, level * base);
    }

    private static void place(Rectangle r, double x, double base, double w, double h) {
        r.setX(x);
        r.setY(base - h);
        r.setWidth(w);
        r.setHeight(h);
    }
}
