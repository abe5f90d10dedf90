package stillglass.app.theme;

import java.io.InputStream;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.text.Font;

/// The look: shipped fonts, one sheet of tokens, one sheet of controls, and the text scale.
public final class Theme {
    static final double BASE_PX = 14;
    private static final double LEAST = 0.8;
    private static final double MOST = 1.8;
    /// Windows up to this size keep the usual type.
    private static final double ROOMY_WIDTH = 1500;
    private static final double ROOMY_HEIGHT = 900;
    private static final List<String> FONTS =
            List.of("IBMPlexSans_400Regular.ttf", "IBMPlexSans_500Medium.ttf", "IBMPlexSans_600SemiBold.ttf");

    private final DoubleProperty scale = new SimpleDoubleProperty(1);

    /// Loads the fonts, once for the whole toolkit.
    public static void loadFonts() {
        for (String name : FONTS) {
            try (InputStream in = Objects.requireNonNull(
                    Theme.class.getResourceAsStream("/stillglass/book/fonts/" + name), name)) {
                Font.loadFont(in, BASE_PX);
            } catch (java.io.IOException e) {
                throw new IllegalStateException("the application cannot read its font " + name, e);
            }
        }
    }

    /// Text scale, 1 is usual.
    public DoubleProperty scale() {
        return scale;
    }

    public void larger() {
        scale.set(Math.min(MOST, Math.round((scale.get() + 0.1) * 10) / 10.0));
    }

    public void smaller() {
        scale.set(Math.max(LEAST, Math.round((scale.get() - 0.1) * 10) / 10.0));
    }

    /// Dresses a scene and keeps its text scale up to date.
    public void dress(Scene scene) {
        scene.getStylesheets().setAll(sheet("tokens.css"), sheet("controls.css"), sheet("views.css"));
        Runnable fit = () -> size(scene.getRoot(), Math.min(MOST, scale.get() * room(scene.getWidth(), scene.getHeight())));
        scale.subscribe(fit);
        scene.widthProperty().subscribe(fit);
        scene.heightProperty().subscribe(fit);
        fit.run();
    }

    /// A large window is read from farther away: type grows with it, up to half as large again.
    private static double room(double width, double height) {
        return Math.clamp(Math.min(width / ROOMY_WIDTH, height / ROOMY_HEIGHT), 1, 1.5);
    }

    /// The one size that depends on the person; every other size in the sheets is a multiple of it.
    private static void size(Parent root, double scale) {
        String wanted = String.format(Locale.ROOT, "text-%d", Math.round(scale * 10));
        if (root.getStyleClass().contains(wanted)) {
            return;
        }
        root.getStyleClass().removeIf(c -> c.startsWith("text-"));
        root.getStyleClass().add(wanted);
    }

    private static String sheet(String name) {
        return Objects.requireNonNull(Theme.class.getResource("/stillglass/app/" + name), name).toExternalForm();
    }
}
