package stillglass.app.desk;

import java.nio.file.Files;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.say.Begun;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Stage;
import stillglass.ticket.words.InHand;
import stillglass.ticket.words.Reading;
import stillglass.ticket.words.SayLine;
import stillglass.ticket.words.Setting;
import stillglass.ticket.words.Vocabulary;

/// A ticket on something nobody knows, told in bench shorthand at a technician's own desk: nothing on the shelf, nothing connected.
public final class Typed {
    private Typed() {}

    /// @param stage in which it is looked at afterwards, and in which the lines are read
    public static Work work(Instrument.Sort sort, Stage stage, String... lines) {
        return work(sort, stage, Act.of(), lines);
    }

    /// The same after an act of another kind, such as a photo that was graded.
    public static Work work(Instrument.Sort sort, Stage stage, Act first, String... lines) {
        try (ExecutorService ui = Executors.newSingleThreadExecutor();
                Desk desk = new Desk(Logbook.open(Files.createTempDirectory("still-glass-typed").resolve("book.sqlite")), Shelf.ofShop(Files.createTempDirectory("still-glass-shop")), InstantSource.fixed(Told.WHEN), ui)) {
            desk.begin(Begun.act(Begun.byName("T-1", "Brook one", sort), List.of())).get(20, TimeUnit.SECONDS);
            ui.submit(() -> desk.go(stage)).get(20, TimeUnit.SECONDS);
            if (!first.intents().isEmpty()) {
                desk.submit(first).get(20, TimeUnit.SECONDS);
            }
            for (String line : lines) {
                Work w = Told.settled(desk, ui);
                Setting in = new Setting(w.state(), w.world(), Vocabulary.of(w.world().instrument()), stage, InHand.of(w.state(), w.world(), stage, Optional.empty()), Optional.empty(), Told.WHEN);
                if (!(SayLine.read(line, in) instanceof Reading.Understood u)) {
                    throw new IllegalStateException(line + " is not understood");
                }
                desk.submit(u.act()).get(20, TimeUnit.SECONDS);
            }
            return Told.settled(desk, ui);
        } catch (Exception e) {
            throw new IllegalStateException("the lines could not be told", e);
        }
    }
}
