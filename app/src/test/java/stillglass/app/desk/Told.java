package stillglass.app.desk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import stillglass.app.practice.DemoBook;
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.sim.Deed;
import stillglass.sim.DemoScript;
import stillglass.sim.DemoTickets;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Stage;

/// The showpiece's story, told once for all tests, with the state in the middle and at the end of every stage.
public final class Told {
    public static final Instant WHEN = Instant.parse("2026-11-24T14:30:00Z");

    private static final Map<Stage, Work> MIDDLE = new EnumMap<>(Stage.class);
    private static final Map<Stage, Work> END = new EnumMap<>(Stage.class);
    private static final Map<Stage, Path> BOOKS = new EnumMap<>(Stage.class);

    private Told() {}

    /// Half of the stage's acts done.
    public static synchronized Work middle(Stage stage) {
        tell();
        return MIDDLE.get(stage);
    }

    /// All acts of the stage done, the next not begun.
    public static synchronized Work end(Stage stage) {
        tell();
        return END.get(stage);
    }

    /// A fresh copy of the logbook as the end of a stage left it.
    public static synchronized Path book(Stage stage, Path folder) {
        tell();
        try {
            return Files.copy(BOOKS.get(stage), folder.resolve("told-" + stage.word() + ".sqlite"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /// The same work looked at in another way.
    public static Work seen(Work work, Viewing viewing) {
        return work.with(viewing);
    }

    /// The same work with something pointed at.
    public static Work pointing(Work work, Selection selection) {
        return work.with(selection);
    }

    /// The ticket as it stands after Look, and intents submitted since.
    public static Work after(Intent... intents) {
        try (ExecutorService ui = Executors.newSingleThreadExecutor();
                Desk desk = new Desk(Logbook.open(book(Stage.LOOK, Files.createTempDirectory("still-glass-after"))), new Shelf(), InstantSource.fixed(WHEN), ui)) {
            desk.open(DemoTickets.SHOWPIECE).join();
            for (Intent i : intents) {
                desk.submit(i).join();
            }
            return settled(desk, ui);
        } catch (Exception e) {
            throw new IllegalStateException("the story could not be told", e);
        }
    }

    /// Another ticket of the demo as it arrived, and intents submitted since, at a stage.
    public static Work arrived(String number, Stage stage, Intent... intents) {
        try (ExecutorService ui = Executors.newSingleThreadExecutor();
                Desk desk = new Desk(Logbook.open(Files.createTempDirectory("still-glass-arrived").resolve("book.sqlite")), new Shelf(), InstantSource.fixed(WHEN), ui)) {
            DemoBook.arrive(desk, number);
            for (Intent i : intents) {
                desk.submit(i).join();
            }
            ui.submit(() -> desk.go(stage)).get(20, TimeUnit.SECONDS);
            return settled(desk, ui);
        } catch (Exception e) {
            throw new IllegalStateException("the story could not be told", e);
        }
    }

    private static void tell() {
        if (!BOOKS.isEmpty()) {
            return;
        }
        try (ExecutorService ui = Executors.newSingleThreadExecutor()) {
            Path folder = Files.createTempDirectory("still-glass-told");
            Path book = folder.resolve("story.sqlite");
            DemoTickets.Arrival arrival = DemoTickets.arrivals().getFirst();
            Stage reached = Stage.ARRIVE;
            for (Stage stage : Stage.values()) {
                try (Desk desk = new Desk(Logbook.open(book), new Shelf(), InstantSource.fixed(WHEN), ui)) {
                    if (stage == Stage.ARRIVE) {
                        DemoScript.arrive(arrival, LocalDate.of(2026, 11, 24), desk.shelf().section(arrival.sectionId()), Instrument.Sort.LENS)
                                .forEach(a -> DemoBook.perform(desk, a));
                    } else {
                        desk.open(arrival.number()).join();
                        ui.submit(() -> {}).get(20, TimeUnit.SECONDS);
                    }
                    List<Deed> acts = DemoBook.acts(desk, stage);
                    ui.submit(() -> desk.go(stage)).get(20, TimeUnit.SECONDS);
                    for (int i = 0; i < acts.size(); i++) {
                        if (i == (acts.size() - 1) / 2) {
                            MIDDLE.put(stage, settled(desk, ui));
                        }
                        DemoBook.perform(desk, acts.get(i));
                    }
                    END.put(stage, settled(desk, ui));
                    reached = stage;
                }
                BOOKS.put(reached, Files.copy(book, folder.resolve(reached + ".sqlite")));
            }
        } catch (Exception e) {
            throw new IllegalStateException("the story could not be told", e);
        }
    }

    /// Waits until the results for the newest state are in.
    static Work settled(Desk desk, ExecutorService ui) throws Exception {
        for (int i = 0; i < 200; i++) {
            desk.summary(1).get(60, TimeUnit.SECONDS);
            ui.submit(() -> {}).get(20, TimeUnit.SECONDS);
            desk.compute(() -> true).get(60, TimeUnit.SECONDS);
            ui.submit(() -> {}).get(20, TimeUnit.SECONDS);
            Work w = desk.shown().orElseThrow();
            if (!w.computing()) {
                return w;
            }
        }
        throw new IllegalStateException("the results never came");
    }
}
