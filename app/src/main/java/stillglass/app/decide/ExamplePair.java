package stillglass.app.decide;

import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.grade.example.ExamplePicture;

/// A scene as the lens takes it with what was found, above the same with a clean lens.
final class ExamplePair {
    /// What was asked for last: what is computed for an earlier question is let go.
    private record Asked(double widthDeg, List<ExamplePicture.Layer> layers, int stop) {}

    private final Desk desk;
    private final Label found = Build.label("", "small");
    private final Picture with = new Picture();
    private final Picture without = new Picture();
    private final VBox node;
    /// Read while computing, too: what is no longer asked for is not computed.
    private volatile Optional<Asked> asked = Optional.empty();
    private Optional<Asked> clean = Optional.empty();

    ExamplePair(Desk desk) {
        this.desk = desk;
        with.setId("example-found");
        without.setId("example-clean");
        node = Build.column(3, with, found, without, Build.label(Words.of("decide.example.clean"), "small"), Build.label(Words.of("decide.example.how"), "soft", "small"));
        node.setId("example");
    }

    Node node() {
        return node;
    }

    void show(DecideModel.Picture p) {
        if (p.widthDeg().isEmpty()) {
            found.setText(Words.of("decide.example.drawing"));
            return;
        }
        double wide = p.widthDeg().getAsDouble();
        Asked now = new Asked(wide, p.layers(), p.stop());
        if (asked.filter(now::equals).isPresent()) {
            return;
        }
        asked = Optional.of(now);
        found.setText(Words.of("decide.example.drawing"));
        desk.compute(() -> asked.filter(now::equals).map(a -> ExamplePicture.of(a.widthDeg, a.layers, a.stop))).thenAcceptAsync(pixels -> {
            if (asked.filter(now::equals).isPresent()) {
                pixels.ifPresent(with::show);
                found.setText(Words.of("decide.example.found", p.stops().get(p.stop())));
            }
        }, Platform::runLater);
        Asked bare = new Asked(wide, List.of(), 0);
        if (!clean.filter(bare::equals).isPresent()) {
            clean = Optional.of(bare);
            desk.compute(() -> ExamplePicture.of(bare.widthDeg, bare.layers, 0)).thenAcceptAsync(without::show, Platform::runLater);
        }
    }

    /// As wide as there is room.
    private static final class Picture extends Pane {
        private final ImageView view = new ImageView();

        Picture() {
            view.setPreserveRatio(true);
            view.fitWidthProperty().bind(widthProperty());
            getChildren().add(view);
            setAccessibleText(Words.of("decide.example.how"));
        }

        void show(int[] pixels) {
            WritableImage image = new WritableImage(ExamplePicture.WIDE, ExamplePicture.HIGH);
            image.getPixelWriter().setPixels(0, 0, ExamplePicture.WIDE, ExamplePicture.HIGH, PixelFormat.getIntArgbInstance(), pixels, 0, ExamplePicture.WIDE);
            view.setImage(image);
        }

        @Override
        protected double computePrefHeight(double width) {
            return (width > 0 ? width : 240) * ExamplePicture.HIGH / ExamplePicture.WIDE;
        }

        @Override
        public javafx.geometry.Orientation getContentBias() {
            return javafx.geometry.Orientation.HORIZONTAL;
        }
    }
}
