package stillglass.app.look;

import java.util.List;
import java.util.Optional;
import javafx.scene.layout.Region;
import javafx.scene.shape.Arc;
import javafx.scene.shape.ArcType;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import stillglass.app.axis.GlassOutline;
import stillglass.app.draw.Inked;
import stillglass.app.theme.Words;
import stillglass.look.LightingGuide;
import stillglass.optics.LensSection;

/// Where camera, lamp and card go, drawn to scale about the section of the lens.
final class GuidePane extends Region {
    private Optional<LightingGuide> guide = Optional.empty();
    private Optional<LensSection> lens = Optional.empty();
    private double scale;
    private double originX;
    private double axisY;

    GuidePane() {
        getStyleClass().add("guide");
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
    }

    void show(LightingGuide g, LensSection section) {
        guide = Optional.of(g);
        lens = Optional.of(section);
        requestLayout();
    }

    private double x(double mm) {
        return originX + scale * mm;
    }

    private double y(double mm) {
        return axisY - scale * mm;
    }

    @Override
    protected void layoutChildren() {
        getChildren().clear();
        if (guide.isEmpty() || lens.isEmpty()) {
            return;
        }
        LightingGuide g = guide.get();
        LensSection l = lens.get();
        double behind = l.lengthMm() + g.behindMm();
        double half = Math.max(g.lampOffMm() + 26, g.cardMm() / 2 + 8);
        scale = Math.min((getWidth() - 60) / (g.cameraMm() + behind + 30), (getHeight() - 90) / (2 * half));
        originX = 30 + scale * g.cameraMm() + Math.max(0, (getWidth() - 60 - scale * (g.cameraMm() + behind + 30)) / 2);
        axisY = getHeight() / 2;
        line(x(-g.cameraMm() - 10), y(0), x(behind + 20), y(0), "guide-axis");
        for (List<Double> ray : g.rays()) {
            Polyline p = new Polyline();
            for (int i = 0; i + 1 < ray.size(); i += 2) {
                p.getPoints().addAll(x(ray.get(i)), y(ray.get(i + 1)));
            }
            p.getStyleClass().add("guide-ray");
            getChildren().add(p);
        }
        glasses(l);
        camera(g);
        card(g, behind);
        lamp(g, l, behind);
    }

    private void glasses(LensSection l) {
        l.elements().forEach(e -> {
            Polygon glass = new Polygon();
            GlassOutline.of(l, e).points().forEach(p -> glass.getPoints().addAll(x(p.xMm()), y(p.yMm())));
            glass.getStyleClass().add("axis-glass");
            getChildren().add(glass);
        });
    }

    private void camera(LightingGuide g) {
        double cx = x(-g.cameraMm());
        Rectangle body = new Rectangle(cx - 26, axisY - 20, 22, 40);
        body.getStyleClass().add("guide-body");
        Rectangle snout = new Rectangle(cx - 4, axisY - 9, 8, 18);
        snout.getStyleClass().add("guide-body");
        getChildren().addAll(body, snout);
        word(Words.of("look.guide.camera", g.cameraMm()), Math.max(8, cx - 26), axisY + 40, false);
    }

    private void card(LightingGuide g, double behind) {
        Rectangle card = new Rectangle(x(behind), y(g.cardMm() / 2), 5, scale * g.cardMm());
        card.getStyleClass().add("guide-card");
        getChildren().add(card);
        word(Words.of("look.guide.card", g.cardMm()), getWidth() - 10, axisY + scale * g.cardMm() / 2 + 22, true);
        line(x(behind) - 8, y(g.seenMm()), x(behind) - 8, y(-g.seenMm()), "guide-seen");
        word(Words.of("look.guide.seen", g.seenMm()), getWidth() - 10, axisY + scale * g.cardMm() / 2 + 42, true);
    }

    private void lamp(LightingGuide g, LensSection l, double behind) {
        line(x(l.lengthMm()), y(0), x(behind), y(g.lampOffMm()), "guide-beam");
        Circle head = new Circle(x(behind), y(g.lampOffMm()), Math.max(7, scale * 14));
        head.getStyleClass().add("guide-lamp");
        double r = 0.45 * scale * g.behindMm();
        Arc angle = new Arc(x(l.lengthMm()), y(0), r, r, 0, g.lampDeg());
        angle.setType(ArcType.OPEN);
        angle.getStyleClass().add("guide-angle");
        getChildren().addAll(angle, head);
        word(Words.of("look.guide.lamp", g.lampDeg(), g.lampOffMm()), getWidth() - 10, Math.max(20, y(g.lampOffMm()) - Math.max(7, scale * 14) - 14), true);
    }

    private void line(double x0, double y0, double x1, double y1, String style) {
        Line line = new Line(x0, y0, x1, y1);
        line.getStyleClass().add(style);
        getChildren().add(line);
    }

    private void word(String words, double x, double y, boolean toTheLeft) {
        Text t = Inked.text(getChildren(), words, "guide-word");
        t.setX(toTheLeft ? x - t.getLayoutBounds().getWidth() : x);
        t.setY(y);
        getChildren().add(t);
    }
}
