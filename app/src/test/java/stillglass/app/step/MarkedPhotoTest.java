package stillglass.app.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.WritableImage;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import stillglass.app.look.PhotoCache;
import stillglass.look.Aperture;

/// A photo of 1200 stored pixels shown 400 wide and 300 high: three stored pixels to one of the screen.
@ExtendWith(ApplicationExtension.class)
class MarkedPhotoTest {
    private final List<double[]> lines = new ArrayList<>();
    private final List<Aperture> circles = new ArrayList<>();

    private void onPhoto(java.util.function.Consumer<MarkedPhoto> hands) throws Exception {
        CompletableFuture<Void> done = new CompletableFuture<>();
        Platform.runLater(() -> {
            try {
                MarkedPhoto p = new MarkedPhoto("then", lines::add, circles::add);
                Scene scene = new Scene(p, 400, 300);
                p.show(Optional.of(new PhotoCache.Loaded(new WritableImage(600, 450), 1200)), List.of(), Optional.empty(), Optional.empty(), Optional.empty());
                scene.getRoot().applyCss();
                p.resize(400, 300);
                p.layout();
                hands.accept(p);
                done.complete(null);
            } catch (RuntimeException | AssertionError e) {
                done.completeExceptionally(e);
            }
        });
        done.get(30, TimeUnit.SECONDS);
    }

    private static void drag(MarkedPhoto p, double x0, double y0, double x1, double y1, boolean shift) {
        mouse(p, MouseEvent.MOUSE_PRESSED, x0, y0, shift);
        mouse(p, MouseEvent.MOUSE_DRAGGED, x1, y1, shift);
        mouse(p, MouseEvent.MOUSE_RELEASED, x1, y1, shift);
    }

    private static void mouse(MarkedPhoto p, javafx.event.EventType<MouseEvent> what, double x, double y, boolean shift) {
        p.fireEvent(new MouseEvent(what, x, y, x, y, MouseButton.PRIMARY, 1, shift, false, false, false, true, false, false, false, false, false, null));
    }

    @Test
    void draggingDrawsALineAndWithShiftTheCircleOfTheOpening() throws Exception {
        onPhoto(p -> {
            drag(p, 40, 30, 200, 150, false);
            drag(p, 200, 150, 285, 150, true);
            drag(p, 200, 150, 202, 150, true);
        });

        assertThat(lines).singleElement().satisfies(l -> assertThat(l).containsExactly(new double[] {0.1, 0.075, 0.5, 0.375}, within(1e-9)));
        assertThat(circles).as("a slip of the hand is no circle").singleElement().satisfies(c -> {
            assertThat(c.cx()).isCloseTo(600, within(1e-6));
            assertThat(c.cy()).isCloseTo(450, within(1e-6));
            assertThat(c.meanRadius()).isCloseTo(255, within(1e-6));
        });
    }

    @Test
    void keysDoTheSameAndNothingLeavesThePhoto() throws Exception {
        onPhoto(p -> {
            p.move(0, 0);
            p.pin(true);
            p.move(0.2125, 0);
            p.pin(true);
            p.move(9, 9);
            p.pin(false);
            p.move(-9, -9);
            p.pin(false);
            assertThat(p.giveUp()).as("the cross goes").isTrue();
            assertThat(p.giveUp()).isFalse();
        });

        assertThat(circles).singleElement().satisfies(c -> assertThat(c.meanRadius()).isCloseTo(255, within(1e-6)));
        assertThat(lines).singleElement().satisfies(l -> assertThat(l).containsExactly(new double[] {1, 0.75, 0, 0}, within(1e-9)));
    }
}
