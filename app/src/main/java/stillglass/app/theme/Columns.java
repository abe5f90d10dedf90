package stillglass.app.theme;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.geometry.VPos;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/// Sheets side by side, sharing the width by their weights; where the type is too large for that they lie one below the other, each as high as it needs.
/// Either way it says honestly how high it must be at least, so that what holds it can scroll.
final class Columns extends HBox {
    /// A column that would scroll by itself gets this much when it lies above others.
    private static final double MOST_EM = 46;

    private final List<Node> nodes;
    private final double[] weights;
    private final double leastEm;

    /// @param leastEm narrowest a column of mean weight may get, in heights of the type
    Columns(double gap, double leastEm, List<Node> nodes, double... weights) {
        super(gap);
        this.leastEm = leastEm;
        this.nodes = List.copyOf(nodes);
        this.weights = weights.clone();
        getChildren().addAll(nodes);
        nodes.forEach(n -> {
            if (n instanceof Region r) {
                r.setMinWidth(0);
            }
        });
    }

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    private double total() {
        double total = 0;
        for (int i = 0; i < weights.length; i++) {
            total += nodes.get(i).isManaged() ? weights[i] : 0;
        }
        return total;
    }

    private long count() {
        return nodes.stream().filter(Node::isManaged).count();
    }

    private double free(double width) {
        Insets in = getInsets();
        return width - in.getLeft() - in.getRight();
    }

    private double share(int i, double width) {
        return Math.max(0, (free(width) - getSpacing() * (count() - 1)) * weights[i] / total());
    }

    /// Whether the columns lie one below the other at a width.
    boolean stacked(double width) {
        return count() > 1 && (free(width) - getSpacing() * (count() - 1)) / count() < leastEm * Em.of(this);
    }

    private double stackedHeight(Node n, double width) {
        return Math.max(n.minHeight(width), Math.min(n.prefHeight(width), MOST_EM * Em.of(this)));
    }

    @Override
    protected double computeMinHeight(double width) {
        double w = width < 0 ? getWidth() : width;
        return around(w, stacked(w) ? stack(w) : tallest(w, true));
    }

    @Override
    protected double computePrefHeight(double width) {
        double w = width < 0 ? getWidth() : width;
        return around(w, stacked(w) ? stack(w) : tallest(w, false));
    }

    private double around(double width, double inner) {
        return snapSizeY(inner + getInsets().getTop() + getInsets().getBottom());
    }

    private double stack(double width) {
        double sum = getSpacing() * (count() - 1);
        for (Node n : nodes) {
            sum += n.isManaged() ? stackedHeight(n, free(width)) : 0;
        }
        return sum;
    }

    private double tallest(double width, boolean least) {
        double most = 0;
        for (int i = 0; i < weights.length; i++) {
            Node n = nodes.get(i);
            if (n.isManaged()) {
                double w = share(i, width);
                most = Math.max(most, least ? n.minHeight(w) : n.prefHeight(w));
            }
        }
        return most;
    }

    @Override
    protected double computeMinWidth(double height) {
        return 0;
    }

    @Override
    protected double computePrefWidth(double height) {
        return getInsets().getLeft() + getInsets().getRight() + leastEm * Em.of(this) * count();
    }

    @Override
    protected void layoutChildren() {
        Insets in = getInsets();
        double w = getWidth();
        boolean below = stacked(w);
        double x = in.getLeft();
        double y = in.getTop();
        double high = getHeight() - in.getTop() - in.getBottom();
        double spare = below ? Math.max(0, high - stack(w)) / count() : 0;
        for (int i = 0; i < weights.length; i++) {
            Node n = nodes.get(i);
            if (n.isManaged()) {
                double wide = snapSizeX(below ? free(w) : share(i, w));
                double tall = below ? stackedHeight(n, free(w)) + spare : high;
                layoutInArea(n, x, y, wide, tall, 0, Insets.EMPTY, true, true, HPos.LEFT, VPos.TOP);
                x += below ? 0 : wide + getSpacing();
                y += below ? tall + getSpacing() : 0;
            }
        }
    }
}
