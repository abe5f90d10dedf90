package stillglass.app.axis;

import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.shape.Polygon;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.app.theme.Words;

/// The column at the right of the Axis: references with what became of them or, while there are none, the first-order
/// numbers of the lens.
final class ReferenceColumn {
    private final List<Node> into;
    private final double heightPx;

    ReferenceColumn(List<Node> into, double heightPx) {
        this.into = into;
        this.heightPx = heightPx;
    }

    void draw(AxisModel m, AxisFrame f, double em) {
        double x = m.references().isEmpty() && m.faults().isEmpty() ? 1.6 * em : f.referenceLeft();
        double y = 1.9 * em;
        if (m.references().isEmpty()) {
            for (String fact : m.facts()) {
                into.add(text(fact, "axis-fact", x, y));
                y += 1.75 * em;
            }
            return;
        }
        into.add(text(Words.of("axis.references.head"), "axis-head", x, y));
        y += 1.75 * em;
        int room = (int) Math.max(1, (heightPx - y - 0.4 * em) / (1.55 * em));
        List<AxisModel.Reference> listed = m.references();
        int skipped = Math.max(0, listed.size() - room);
        for (AxisModel.Reference r : listed.subList(Math.min(skipped, firstUnkept(listed)), Math.min(listed.size(), Math.min(skipped, firstUnkept(listed)) + room))) {
            Polygon mark = new Polygon(x + 4, y - 4.5 - 4, x + 8, y - 4.5, x + 4, y - 0.5, x, y - 4.5);
            mark.getStyleClass().add("reference-" + r.kept().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
            Text t = text(r.name() + (r.kept() == AxisModel.Kept.LOST ? Words.of("axis.lost") : ""), "axis-reference", x + 14, y);
            t.getStyleClass().add("axis-reference-" + r.kept().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
            into.addAll(List.of(mark, t));
            y += 1.55 * em;
        }
    }

    private static int firstUnkept(List<AxisModel.Reference> list) {
        for (int i = 0; i < list.size(); i++) {
            if (list.get(i).kept() != AxisModel.Kept.KEPT) {
                return Math.max(0, i - 1);
            }
        }
        return list.size();
    }

    private Text text(String words, String style, double x, double y) {
        Text t = Inked.text(into, words, style);
        t.setTextOrigin(VPos.BASELINE);
        t.setX(x);
        t.setY(y);
        return t;
    }
}
