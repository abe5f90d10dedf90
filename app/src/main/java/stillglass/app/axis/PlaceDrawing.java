package stillglass.app.axis;

import java.util.Optional;
import java.util.Set;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import stillglass.app.draw.Drawing;

/// The instrument alone, large, with the place of the step lit: in section, unfolded, or as the stack of what came off.
public final class PlaceDrawing extends Drawing {
    private static final double EM = 16;
    private static final double LARGE = 130;

    private Optional<AxisModel> model = Optional.empty();

    public PlaceDrawing() {
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
    }

    public void show(AxisModel shown) {
        model = Optional.of(shown);
        redraw();
    }

    @Override
    protected void draw() {
        if (getWidth() > 60 && getHeight() > 60) {
            model.ifPresent(this::draw);
        }
    }

    private void draw(AxisModel m) {
        NetLayer.Speaker speaker = (node, spoken, part) -> node.setAccessibleText(spoken);
        if (m.net().isPresent()) {
            NetModel net = m.net().get();
            new NetLayer(getChildren(), speaker).draw(net.inHand().map(f -> new NetModel(java.util.List.of(f))).orElse(net), 6, 6, getWidth() - 6, getHeight() - 6, EM);
        } else if (m.stack().isPresent()) {
            new StackLayer(getChildren(), speaker).draw(m.stack().get(), 4, getWidth() - 4, 4, getHeight() - 4, EM, LARGE);
        } else {
            section(m);
        }
    }

    /// Quiet but for what is lit, which is drawn over the rest.
    private void section(AxisModel m) {
        Set<String> lit = m.lit();
        double scale = Math.min((getHeight() - 12) / (2 * m.halfMm()), (getWidth() - 12) / (m.rightMm() - m.leftMm()));
        double zero = getWidth() / 2 - scale * (m.leftMm() + m.rightMm()) / 2;
        for (boolean on : new boolean[] {false, true}) {
            m.pieces().stream().filter(p -> lit.contains(p.partId()) == on).forEach(p -> p.outlines().forEach(o -> {
                Polygon shape = new Polygon();
                o.points().forEach(q -> shape.getPoints().addAll(zero + scale * q.xMm(), getHeight() / 2 - scale * q.yMm()));
                shape.getStyleClass().add(on ? "place-lit" : p.look() == AxisModel.Look.GLASS ? "place-glass" : "place-quiet");
                getChildren().add(shape);
            }));
        }
    }
}
