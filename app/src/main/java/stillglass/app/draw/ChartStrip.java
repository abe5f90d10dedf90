package stillglass.app.draw;

import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.fault.ChartPicture;

/// Side by side, what a test chart would look like if the lens were put together in one way or another: middle, left and right of each.
public final class ChartStrip {
    private static final double TILE = 56;

    private ChartStrip() {}

    /// @param name in words
    public record Shown(String name, ChartPicture picture) {}

    public static Node of(List<Shown> all) {
        FlowPane strip = new FlowPane(14, 8);
        strip.setId("chart-strip");
        // Names of one and of three lines stand on tiles of one height.
        strip.setRowValignment(VPos.BOTTOM);
        all.forEach(s -> strip.getChildren().add(column(s)));
        return strip;
    }

    private static Node column(Shown s) {
        HBox tiles = new HBox(3);
        // As the picture lies: left, middle, right.
        for (int i : new int[] {1, 0, 2}) {
            ImageView view = new ImageView(image(s.picture().pieces().get(i)));
            view.setFitWidth(TILE);
            view.setFitHeight(TILE);
            view.setSmooth(true);
            tiles.getChildren().add(view);
        }
        tiles.setAccessibleText(Words.of("charts.accessible", s.name()));
        VBox column = Build.column(2, Build.label(s.name(), "soft", "small"), tiles);
        column.setMaxWidth(3 * TILE + 6);
        column.setPrefWidth(3 * TILE + 6);
        column.setMaxHeight(Region.USE_PREF_SIZE);
        return column;
    }

    private static WritableImage image(ChartPicture.Piece p) {
        int side = ChartPicture.SIDE;
        WritableImage image = new WritableImage(side, side);
        int[] argb = new int[side * side];
        for (int i = 0; i < argb.length; i++) {
            // To the eye's scale, on paper rather than on white.
            double v = Math.pow(p.light().get(i), 1 / 2.2);
            argb[i] = 0xff << 24 | (int) Math.round(250 * v) << 16 | (int) Math.round(245 * v) << 8 | (int) Math.round(232 * v);
        }
        image.getPixelWriter().setPixels(0, 0, side, side, PixelFormat.getIntArgbInstance(), argb, 0, side);
        return image;
    }
}
