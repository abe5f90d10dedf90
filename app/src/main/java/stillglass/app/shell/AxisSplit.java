package stillglass.app.shell;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.application.Platform;
import javafx.scene.Cursor;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.theme.Em;
import stillglass.app.theme.Words;
import stillglass.ticket.story.Stage;

/// How the window is shared between the Axis and the work below it: a strip where the photo or the figures are the hero or nothing is drawn yet, taller else, and as the technician left it in each stage.
final class AxisSplit extends VBox {
    private static final double USUAL = 0.295;
    private static final double STRIP = 0.2;
    /// In a window that is low the work keeps its room.
    private static final double LOW = 0.24;
    private static final double LOW_WINDOW = 760;
    private static final double CRAMPED_EM = 34;
    private static final double TALL = 0.52;
    private static final double LEAST = 0.12;
    private static final double MOST = 0.7;
    private static final double LEAST_PIXELS = 120;

    private final Desk desk;
    private final Region axis;
    private final Region window;
    private final Map<Stage, Double> own = new EnumMap<>(Stage.class);
    private Stage stage = Stage.ARRIVE;
    private boolean blank;

    /// @param window of whose height the Axis takes a share
    AxisSplit(Desk desk, Region axis, Region window) {
        this.desk = desk;
        this.axis = axis;
        this.window = window;
        Region grip = new Region();
        grip.getStyleClass().add("axis-grip");
        grip.setId("edge-of-axis");
        grip.setCursor(Cursor.V_RESIZE);
        grip.setAccessibleText(Words.of("axis.grip"));
        grip.setOnMouseDragged(e -> take(e.getSceneY()));
        grip.setOnMouseReleased(e -> {
            if (!e.isStillSincePress()) {
                take(e.getSceneY());
                keep();
            }
        });
        grip.visibleProperty().bind(axis.visibleProperty());
        grip.managedProperty().bind(axis.managedProperty());
        getChildren().addAll(axis, grip);
        window.heightProperty().subscribe(h -> set());
        for (Stage s : Stage.values()) {
            desk.setting(name(s)).thenAcceptAsync(text -> text.flatMap(t -> read(t).stream().boxed().findFirst()).ifPresent(share -> {
                own.put(s, share);
                set();
            }), Platform::runLater);
        }
    }

    private static String name(Stage s) {
        return "axis share " + s.name().toLowerCase(Locale.ROOT);
    }

    /// A setting somebody edited by hand is as good as none.
    static OptionalDouble read(String text) {
        try {
            double share = Double.parseDouble(text);
            return share >= LEAST && share <= MOST ? OptionalDouble.of(share) : OptionalDouble.empty();
        } catch (NumberFormatException e) {
            return OptionalDouble.empty();
        }
    }

    /// @param nothing whether nothing is drawn on the Axis yet
    void show(Stage shown, boolean nothing) {
        stage = shown;
        blank = nothing;
        set();
    }

    double share() {
        double em = Em.of(window);
        double usual = blank || stage == Stage.LOOK || stage == Stage.DECIDE || stage == Stage.PROVE ? STRIP : window.getHeight() < LOW_WINDOW ? LOW : USUAL;
        // Where the type is so large that little fits into the window, the work has what there is; the Axis comes with its key.
        return Optional.ofNullable(own.get(stage)).orElse(window.getHeight() < CRAMPED_EM * em ? 0 : usual);
    }

    /// Tall, or back to what is usual.
    void toggle() {
        if (share() >= TALL) {
            own.remove(stage);
        } else {
            own.put(stage, TALL);
        }
        set();
        keep();
    }

    /// @param y where the lower edge was drawn to, in the scene
    private void take(double y) {
        own.put(stage, Math.clamp((sceneToLocal(0, y).getY() - axis.getLayoutY()) / window.getHeight(), LEAST, MOST));
        set();
    }

    private void keep() {
        desk.remember(name(stage), Optional.ofNullable(own.get(stage)).map(String::valueOf).orElse(""));
    }

    private void set() {
        axis.setPrefHeight(share() == 0 ? 0 : Math.max(LEAST_PIXELS, window.getHeight() * share()));
    }
}
