package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.InstantSource;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;

/// A logbook to be read, with the rules, sections and maps of its shop, which lie beside it.
record ShopBook(Logbook log, Shelf shelf, Tickets tickets) implements AutoCloseable {
    /// @param err hears what was found wrong with the book or the shelf
    /// @throws stillglass.book.BookTrouble when it is no logbook or of a newer form
    static ShopBook open(Path file, InstantSource clock, String verb, PrintWriter err) {
        Logbook log = Logbook.forReading(file);
        log.notes().forEach(n -> err.println("still-glass: " + n));
        Shelf shelf = Shelf.ofShop(log.file().resolveSibling(""));
        shelf.complaints().forEach(c -> err.println("still-glass: " + c));
        return new ShopBook(log, shelf, new Tickets(log, shelf, clock, "", verb));
    }

    @Override
    public void close() {
        log.close();
    }
}
