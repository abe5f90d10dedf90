package stillglass.app.axis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.layout.StackPane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Polygon;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import stillglass.app.desk.Told;
import stillglass.app.theme.Theme;
import stillglass.ticket.story.Stage;

/// What the Axis shows in the frame in which it is drawn anew.
@ExtendWith(ApplicationExtension.class)
class FirstFrameTest {
    @Test
    void nothingIsSolidBlackInTheFrameInWhichTheAxisIsDrawnAnew() throws Exception {
        AxisModel one = AxisModel.of(Told.end(Stage.DECIDE));
        AxisModel two = AxisModel.of(Told.middle(Stage.OPEN));
        List<String> black = CompletableFuture.supplyAsync(() -> {
            AxisView axis = new AxisView(s -> {}, s -> {});
            axis.setPrefSize(1280, 236);
            Scene scene = new Scene(new StackPane(axis), 1280, 236);
            new Theme().dress(scene);
            axis.show(one);
            scene.getRoot().applyCss();
            scene.getRoot().layout();
            // As in a frame of the toolkit: styles first, then the layout in which it is drawn, then it is seen.
            axis.show(two);
            scene.getRoot().layout();
            List<String> found = new ArrayList<>();
            collect(axis, found);
            assertThat(count(axis)).as("it is drawn").isGreaterThan(20);
            return found;
        }, Platform::runLater).get(60, TimeUnit.SECONDS);
        assertThat(black).isEmpty();
    }

    private static void collect(Node node, List<String> black) {
        if (node instanceof Polygon p && !p.getStyleClass().isEmpty() && Color.BLACK.equals(p.getFill())) {
            black.add(String.valueOf(p.getStyleClass()));
        }
        if (node instanceof Parent p) {
            p.getChildrenUnmodifiable().forEach(c -> collect(c, black));
        }
    }

    private static int count(Parent p) {
        return p.getChildrenUnmodifiable().stream().mapToInt(n -> n instanceof Parent q ? count(q) : n instanceof Polygon ? 1 : 0).sum();
    }
}
