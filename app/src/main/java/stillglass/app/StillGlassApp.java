package stillglass.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.stage.Stage;
import javafx.util.Duration;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Devices;
import stillglass.app.desk.ElapsedClock;
import stillglass.app.desk.Threads;
import stillglass.app.house.House;
import stillglass.app.practice.DemoBook;
import stillglass.app.practice.SimulatedDevices;
import stillglass.app.shell.Shell;
import stillglass.app.theme.Theme;
import stillglass.app.theme.Words;
import stillglass.book.data.Shelf;
import stillglass.book.file.TempFolder;
import stillglass.book.log.Logbook;

/// The window on a logbook. What needs no toolkit, the logbook and the shelf, is opened while the toolkit starts.
final class StillGlassApp {
    private final Arguments arguments;
    private final CompletableFuture<Logbook> logbook;
    private final CompletableFuture<Shelf> shelf;

    private StillGlassApp(Arguments arguments) {
        this.arguments = arguments;
        logbook = CompletableFuture.supplyAsync(() -> read(Logbook.open(demo() ? demoBook(arguments) : ownBook(arguments))));
        shelf = CompletableFuture.supplyAsync(() -> filled(demo() ? new Shelf() : Shelf.ofShop(folder(arguments))));
    }

    /// Opens the window; returns at once, the toolkit goes on until the window is closed.
    /// @param trouble hears why it could not open
    static void open(Arguments arguments, Consumer<RuntimeException> trouble) {
        StillGlassApp app = new StillGlassApp(arguments);
        Platform.startup(() -> {
            try {
                app.show(new Stage());
            } catch (RuntimeException e) {
                trouble.accept(e);
            }
        });
    }

    private boolean demo() {
        return arguments.verb().equals("demo");
    }

    /// The newest ticket read once, so that the parser of events is warm when it is asked for.
    private static Logbook read(Logbook log) {
        List<String> tickets = log.numbers();
        if (!tickets.isEmpty()) {
            log.story(tickets.getLast(), 0);
        }
        return log;
    }

    /// The shelf with the showpiece read, so that its schema and its parser are warm.
    private static Shelf filled(Shelf shelf) {
        shelf.instrumentIds().forEach(shelf::instrument);
        shelf.sectionIds().forEach(shelf::section);
        return shelf;
    }

    private void show(Stage stage) {
        Theme.loadFonts();
        Theme theme = new Theme();
        ElapsedClock clock = ElapsedClock.ofSystem();
        Desk desk = new Desk(logbook.join(), shelf.join(), clock, Platform::runLater, demo() ? new SimulatedDevices() : Devices.NONE);
        Shell root = House.furnish(desk, new SystemAsker(stage), theme);
        livesOn(desk);
        Scene scene = new Scene(root, 1280, 800);
        theme.dress(scene);
        desk.watch(work -> {
            if (desk.clocks().isEmpty()) {
                clock.settle();
            }
        });
        stage.setTitle(Words.of("window.title"));
        stage.setMinWidth(900);
        stage.setMinHeight(600);
        stage.getIcons().add(new Image("/stillglass/app/icon.png"));
        stage.setScene(scene);
        stage.setOnShown(e -> sayStarted());
        stage.setOnCloseRequest(e -> root.closing(e, stage::hide));
        stage.setOnHidden(e -> {
            root.dispose();
            desk.close();
            Platform.runLater(Platform::exit);
        });
        stage.show();
        desk.shelf().complaints().forEach(desk::complain);
        if (!demo()) {
            desk.compute(() -> {
                Shelf.offerRules(folder(arguments).resolve("grade-rules.json"));
                return true;
            });
        }
        if (demo()) {
            openTicket(desk, root, DemoBook.SHOWPIECE);
        } else {
            desk.setting("last ticket").thenAcceptAsync(
                    last -> last.ifPresentOrElse(n -> openTicket(desk, root, n), root::showBook), Platform::runLater);
        }
        arguments.seconds().ifPresent(n -> {
            PauseTransition end = new PauseTransition(Duration.seconds(n));
            end.setOnFinished(e -> stage.hide());
            end.play();
        });
    }

    /// Whatever is thrown where nobody caught it is written down and said, and the window lives on.
    private static void livesOn(Desk desk) {
        Thread.UncaughtExceptionHandler said = (thread, e) -> desk.say(Threads.unexpected(e));
        Thread.setDefaultUncaughtExceptionHandler(said);
        Thread.currentThread().setUncaughtExceptionHandler(said);
    }

    private static void openTicket(Desk desk, Shell shell, String number) {
        long asked = System.nanoTime();
        desk.open(number).thenRunAsync(() -> {
            shell.showWork();
            if (Boolean.getBoolean("stillglass.timing")) {
                Platform.runLater(() -> System.err.println("still-glass: ticket drawn " + (System.nanoTime() - asked) / 1_000_000 + " ms after it was asked for"));
            }
        }, Platform::runLater).exceptionally(gone -> {
            Platform.runLater(shell::showBook);
            return null;
        });
    }

    /// The launcher gives the moment it started the Java machine; how long the window took is said on request.
    private static void sayStarted() {
        Long started = Long.getLong("stillglass.started");
        if (started != null && Boolean.getBoolean("stillglass.timing")) {
            Platform.runLater(() -> System.err.println("still-glass: window shown after " + (System.currentTimeMillis() - started) + " ms"));
        }
    }

    /// A folder for the demo's book, gone with the window.
    private static Path forNow() {
        TempFolder.sweep();
        Path folder = TempFolder.make("demo");
        Runtime.getRuntime().addShutdownHook(Thread.ofPlatform().unstarted(() -> TempFolder.remove(folder)));
        return folder;
    }

    private static Path ownBook(Arguments arguments) {
        return arguments.path().orElseGet(() -> Places.ofSystem().book(System.getProperty("user.home", "")));
    }

    /// Where the shop's own thresholds, sections and maps lie: beside its logbook.
    private static Path folder(Arguments arguments) {
        return ownBook(arguments).toAbsolutePath().resolveSibling("");
    }

    /// A fresh copy of the prepared demo, or a demo made on the spot when none was prepared.
    private static Path demoBook(Arguments arguments) {
        try {
            Path folder = arguments.path().isPresent()
                    ? Files.createDirectories(arguments.path().get())
                    : forNow();
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
}
