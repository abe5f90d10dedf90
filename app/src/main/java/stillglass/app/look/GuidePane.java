package stillglass.app.look;

import java.util.List;
import java.util.Optional;
import stillglass.app.draw.Painted;
import javafx.scene.shape.Arc;
import javafx.scene.shape.ArcType;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import stillglass.app.axis.GlassOutline;
import stillglass.app.draw.Inked;
import stillglass.app.theme.Words;
import stillglass.look.LightingGuide;
import stillglass.optics.LensSection;

/// Where camera, lamp and card go, drawn to scale about the section of the lens.
final class GuidePane extends Painted {
    /// Share of the height for the drawing from the side.
    private static final double SIDE_SHARE = 0.56;
    private static final double LAMP_TURN = 0.7;
    /// What lies on the drawn glass, radii: a branching thread, a hair, three specks.
    private static final double[][] FAULTS = {{0.15, 0.2, 0.3, 0.42, 0.36, 0.62}, {0.3, 0.42, 0.52, 0.5}, {0.22, 0.3, 0.08, 0.5, 0.1, 0.66},
        {-0.6, -0.2, -0.3, -0.42, -0.1, -0.5}, {-0.4, 0.4, -0.38, 0.4}, {0.5, -0.3, 0.52, -0.31}, {-0.1, 0.05, -0.08, 0.05}};

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
    protected void ink() {
        getChildren().clear();
        if (guide.isEmpty() || lens.isEmpty()) {
            return;
        }
        LightingGuide g = guide.get();
        LensSection l = lens.get();
        double behind = l.lengthMm() + g.behindMm();
        double half = Math.max(g.lampOffMm() + 26, g.cardMm() / 2 + 8);
        scale = Math.min((getWidth() - 60) / (g.cameraMm() + behind + 30), (SIDE_SHARE * getHeight() - 60) / (2 * half));
        originX = 30 + scale * g.cameraMm() + Math.max(0, (getWidth() - 60 - scale * (g.cameraMm() + behind + 30)) / 2);
        axisY = SIDE_SHARE * getHeight() / 2 + 4;
        Inked.line(getChildren(), x(-g.cameraMm() - 10), y(0), x(behind + 20), y(0), "guide-axis");
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
        pictures(g);
    }

    /// How the glass looks to the camera in either lighting: faults glow on black, or stand dark before the card.
    private void pictures(LightingGuide g) {
        double room = (1 - SIDE_SHARE) * getHeight();
        double r = Math.clamp(0.36 * room - 4, 16, 70);
        double y = SIDE_SHARE * getHeight() + r + 18;
        double lampAway = r * (1.32 + 0.004 * g.lampDeg());
        picture(0.27 * getWidth(), y, r, "dark", "look.guide.against");
        Circle lamp = new Circle(0.27 * getWidth() + lampAway * Math.cos(LAMP_TURN), y - lampAway * Math.sin(LAMP_TURN), Math.max(5, 0.14 * r));
        lamp.getStyleClass().add("guide-lamp");
        getChildren().add(lamp);
        picture(0.73 * getWidth(), y, r, "card", "look.guide.bright");
    }

    /// A round glass with a thread, specks and a hair on it.
    private void picture(double x, double y, double r, String how, String words) {
        Circle mount = new Circle(x, y, 1.14 * r);
        mount.getStyleClass().add("guide-body");
        Circle glass = new Circle(x, y, r);
        glass.getStyleClass().add("guide-glass-" + how);
        getChildren().addAll(mount, glass);
        for (double[] fault : FAULTS) {
            Polyline line = new Polyline();
            for (int i = 0; i + 1 < fault.length; i += 2) {
                line.getPoints().addAll(x + r * fault[i], y - r * fault[i + 1]);
            }
            line.getStyleClass().add("guide-fault-" + how);
            getChildren().add(line);
        }
        Inked.words(getChildren(), Words.of(words), x, y + 1.14 * r + 16, 0.5, "guide-word");
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
        Inked.words(getChildren(), Words.of("look.guide.camera", g.cameraMm()), Math.max(8, cx - 26), axisY + 40, 0, "guide-word");
    }

    private void card(LightingGuide g, double behind) {
        Rectangle card = new Rectangle(x(behind), y(g.cardMm() / 2), 5, scale * g.cardMm());
        card.getStyleClass().add("guide-card");
        getChildren().add(card);
        Inked.words(getChildren(), Words.of("look.guide.card", g.cardMm()), getWidth() - 10, axisY + scale * g.cardMm() / 2 + 22, 1, "guide-word");
        Inked.line(getChildren(), x(behind) - 8, y(g.seenMm()), x(behind) - 8, y(-g.seenMm()), "guide-seen");
        Inked.words(getChildren(), Words.of("look.guide.seen", g.seenMm()), getWidth() - 10, axisY + scale * g.cardMm() / 2 + 42, 1, "guide-word");
    }

    private void lamp(LightingGuide g, LensSection l, double behind) {
        Inked.line(getChildren(), x(l.lengthMm()), y(0), x(behind), y(g.lampOffMm()), "guide-beam");
        Circle head = new Circle(x(behind), y(g.lampOffMm()), Math.max(7, scale * 14));
        head.getStyleClass().add("guide-lamp");
        double r = 0.45 * scale * g.behindMm();
        Arc angle = new Arc(x(l.lengthMm()), y(0), r, r, 0, g.lampDeg());
        angle.setType(ArcType.OPEN);
        angle.getStyleClass().add("guide-angle");
        getChildren().addAll(angle, head);
        Inked.words(getChildren(), Words.of("look.guide.lamp", g.lampDeg(), g.lampOffMm()), getWidth() - 10, Math.max(20, y(g.lampOffMm()) - Math.max(7, scale * 14) - 14), 1, "guide-word");
    }
}
