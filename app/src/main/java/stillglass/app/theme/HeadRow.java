package stillglass.app.theme;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.layout.Pane;

/// A row whose beginning stands at the left and whose end at the right; where it is too long it goes on below, and what is longer than a line is wrapped.
final class HeadRow extends Pane {
    private static final double LINE_GAP = 3;

    private final double gap;
    private final int left;

    /// @param left how many of the nodes stand at the left
    HeadRow(double gap, int left, Node... nodes) {
        this.gap = gap;
        this.left = left;
        getChildren().addAll(nodes);
        setMinWidth(0);
    }

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    private double wide(Node n, double most) {
        return Math.min(n.prefWidth(-1), Math.max(1, most));
    }

    /// Nodes of each line at a width.
    private List<List<Node>> lines(double width) {
        List<List<Node>> all = new ArrayList<>();
        double used = Double.MAX_VALUE;
        for (Node n : getManagedChildren()) {
            double w = wide(n, width);
            if (used + gap + w > width + 0.5) {
                all.add(new ArrayList<>());
                used = -gap;
            }
            all.getLast().add(n);
            used += gap + w;
        }
        return all;
    }

    private double high(List<Node> line, double width) {
        return line.stream().mapToDouble(n -> n.prefHeight(wide(n, width))).max().orElse(0);
    }

    private double height(double width) {
        List<List<Node>> lines = lines(width);
        return lines.stream().mapToDouble(l -> high(l, width)).sum() + LINE_GAP * Math.max(0, lines.size() - 1);
    }

    @Override
    protected double computePrefWidth(double height) {
        return getManagedChildren().stream().mapToDouble(n -> n.prefWidth(-1)).sum() + gap * Math.max(0, getManagedChildren().size() - 1);
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected double computePrefHeight(double width) {
        return snapSizeY(height(width < 0 ? Math.max(getWidth(), 1) : width));
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth();
        List<List<Node>> lines = lines(w);
        double y = Math.max(0, (getHeight() - height(w)) / 2);
        boolean one = lines.size() == 1;
        for (List<Node> line : lines) {
            double h = high(line, w);
            double spare = one ? w - line.stream().mapToDouble(n -> wide(n, w)).sum() - gap * (line.size() - 1) : 0;
            double x = 0;
            for (Node n : line) {
                x += one && getChildren().indexOf(n) >= left ? spare : 0;
                spare = one && getChildren().indexOf(n) >= left ? 0 : spare;
                layoutInArea(n, x, y, wide(n, w), h, 0, Insets.EMPTY, true, false, HPos.LEFT, VPos.CENTER);
                x += wide(n, w) + gap;
            }
            y += h + LINE_GAP;
        }
    }
}
