package stillglass.ticket.arrival;

import java.time.LocalDate;
import java.util.Optional;
import stillglass.assembly.Instrument;

/// What hangs on the instrument: which ticket, what it is, whose, until when. What nobody has said is not known.
///
/// @param number of the ticket; empty while nothing has begun
/// @param title what the instrument is called
/// @param instrumentId of its model
/// @param sort what it is as a whole
/// @param sectionId of its optical section
public record Tag(String number, String title, String instrumentId, Instrument.Sort sort, Optional<String> sectionId, Optional<String> owner, Optional<LocalDate> due) {
    /// Nothing has begun.
    public static final Tag NONE = new Tag("", "", "", Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.empty());

    public boolean begun() {
        return !number.isEmpty();
    }

    Tag owned(String name) {
        return new Tag(number, title, instrumentId, sort, sectionId, Optional.of(name), due);
    }

    Tag optics(String section) {
        return new Tag(number, title, instrumentId, sort, Optional.of(section), owner, due);
    }

    Tag due(LocalDate day) {
        return new Tag(number, title, instrumentId, sort, sectionId, owner, Optional.of(day));
    }
}
