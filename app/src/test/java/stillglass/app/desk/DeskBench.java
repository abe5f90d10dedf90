package stillglass.app.desk;

import java.nio.file.Path;
import java.time.InstantSource;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Act;

/// A desk on a logbook of its own with one ticket begun; a single thread stands for the interface.
abstract class DeskBench {
    @TempDir
    Path folder;

    final ExecutorService ui = Executors.newSingleThreadExecutor();
    final List<String> complaints = Collections.synchronizedList(new ArrayList<>());
    Desk desk;

    @BeforeEach
    void open() throws Exception {
        desk = new Desk(Logbook.open(folder.resolve("book.sqlite")), new Shelf(), InstantSource.fixed(Told.WHEN), ui);
        desk.complain(complaints::add);
        begin("T-1", "tarn_50_f35");
    }

    @AfterEach
    void close() {
        desk.close();
        ui.shutdown();
    }

    void begin(String number, String section) throws Exception {
        String instrument = desk.shelf().mappedFor(section).orElse(section);
        Tag tag = new Tag(number, "Tarn 50 mm f/3.5", instrument, Instrument.Sort.LENS, Optional.of(section), Optional.of("School club"), Optional.of(LocalDate.of(2026, 12, 4)));
        get(desk.begin(Act.of(new ArrivalIntent.Begin(tag))));
        settle();
    }

    static <T> T get(CompletableFuture<T> f) throws Exception {
        return f.get(60, TimeUnit.SECONDS);
    }

    Work settle() throws Exception {
        return Told.settled(desk, ui);
    }
}
