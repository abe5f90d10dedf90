package stillglass.app.shell;

import java.util.Optional;
import stillglass.app.station.Page;

/// What is shown while no ticket is: the Book, or the day.
final class Pages {
    private Optional<Page> book = Optional.empty();
    private Optional<Page> day = Optional.empty();
    private Optional<Page> last = Optional.empty();
    private boolean on = true;

    void book(Page all) {
        book = Optional.of(all);
        last = book;
    }

    void day(Page hours) {
        day = Optional.of(hours);
    }

    /// Whether a page is shown and no ticket.
    boolean on() {
        return on;
    }

    boolean onDay() {
        return on && last.equals(day);
    }

    /// The page that is shown; nothing while a ticket is.
    Optional<Page> shown() {
        return last.filter(p -> on);
    }

    void toBook() {
        to(book);
    }

    void toDay() {
        to(day);
    }

    private void to(Optional<Page> wanted) {
        last = wanted;
        on = true;
        last.ifPresent(Page::refresh);
    }

    void toTicket() {
        on = false;
    }

    /// Whether what is shown took something of its own back.
    boolean undid(boolean again) {
        return shown().filter(p -> p.undo(again)).isPresent();
    }
}
