package stillglass.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.stage.Stage;
import javafx.util.Duration;
import stillglass.app.desk.DemoBook;
import stillglass.app.desk.Desk;
import stillglass.app.shell.Shell;
import stillglass.app.theme.Theme;
import stillglass.app.theme.Words;
import stillglass.book.Logbook;
import stillglass.book.data.Shelf;
import stillglass.sim.DemoTickets;

/// The window on a logbook.
public final class StillGlassApp extends Application {
    private Optional<Desk> desk = Optional.empty();
    private Optional<Shell> shell = Optional.empty();

    @Override
    public void start(Stage stage) {
        Arguments arguments = Arguments.parse(getParameters().getRaw().toArray(String[]::new));
        boolean demo = arguments.verb().equals("demo");
        Desk opened = new Desk(Logbook.open(demo ? demoBook(arguments) : ownBook(arguments)), new Shelf(), Clock.systemUTC(), Platform::runLater);
        desk = Optional.of(opened);
        Theme.loadFonts();
        Theme theme = new Theme();
        Shell root = new Shell(opened, new SystemAsker(stage), theme);
        shell = Optional.of(root);
        Scene scene = new Scene(root, 1280, 800);
        theme.dress(scene);
        stage.setTitle(Words.of("window.title"));
        stage.setMinWidth(900);
        stage.setMinHeight(600);
        stage.getIcons().add(new Image("/stillglass/app/icon.png"));
        stage.setScene(scene);
        stage.setOnShown(e -> sayStarted());
        stage.show();
        if (demo) {
            openTicket(opened, root, DemoTickets.SHOWPIECE);
        } else {
            opened.setting("last ticket").thenAcceptAsync(
                    last -> last.ifPresentOrElse(n -> openTicket(opened, root, n), root::showBook), Platform::runLater);
        }
        arguments.seconds().ifPresent(n -> {
            PauseTransition end = new PauseTransition(Duration.seconds(n));
            end.setOnFinished(e -> Platform.exit());
            end.play();
        });
    }

    private static void openTicket(Desk desk, Shell shell, String number) {
        long asked = System.nanoTime();
        desk.open(number).thenRunAsync(() -> {
            shell.showWork();
            if (Boolean.getBoolean("stillglass.timing")) {
                Platform.runLater(() -> System.err.println("still-glass: ticket drawn " + (System.nanoTime() - asked) / 1_000_000 + " ms after it was asked for"));
            }
        }, Platform::runLater);
    }

    /// The launcher gives the moment it started the Java machine; how long the window took is said on request.
    private static void sayStarted() {
        Long started = Long.getLong("stillglass.started");
        if (started != null && Boolean.getBoolean("stillglass.timing")) {
            Platform.runLater(() -> System.err.println("still-glass: window shown after " + (System.currentTimeMillis() - started) + " ms"));
        }
    }

    private static Path ownBook(Arguments arguments) {
        return arguments.path().orElseGet(() -> Path.of(System.getProperty("user.home"), ".local", "share", "still-glass", "logbook.sqlite"));
    }

    /// A fresh copy of the prepared demo, or a demo made on the spot when none was prepared.
    private static Path demoBook(Arguments arguments) {
        try {
            Path folder = arguments.path().isPresent()
                    ? Files.createDirectories(arguments.path().get())
                    : Files.createTempDirectory("still-glass-demo");
            Path file = folder.resolve("demo-" + arguments.at().word().toLowerCase(java.util.Locale.ROOT) + ".sqlite");
            if (Files.exists(file)) {
                return file;
            }
            String prepared = System.getProperty("stillglass.demo");
            if (prepared != null && Files.isRegularFile(Path.of(prepared))) {
                Files.copy(Path.of(prepared), file);
            } else {
                DemoBook.prepare(file, Clock.systemUTC(), arguments.at());
            }
            return file;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void stop() {
        shell.ifPresent(Shell::dispose);
        desk.ifPresent(Desk::close);
    }
}
