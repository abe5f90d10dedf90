package stillglass.book.log;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import stillglass.optics.LensSection;
import stillglass.ticket.Card;
import stillglass.ticket.Story;
import stillglass.ticket.TicketState;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Recorded;

/// Reads a story as far as its rows make sense together. A row can be whole by itself and still speak of what is not there: the ticket then says so and can
/// be looked at up to that row; no other ticket minds.
final class Sound {
    private Sound() {}

    /// @param trouble why it goes only so far
    record Read(Story story, Optional<String> trouble) {}

    /// @param sections the optical section of a ticket, where one is known
    static Read of(String number, Story before, Logbook.Told told, Function<TicketState, Optional<LensSection>> sections) {
        List<Recorded> rows = told.rows();
        Optional<Story> whole = folded(before, rows);
        int good = whole.isPresent() ? rows.size() : folding(before, rows);
        Optional<String> trouble = whole.isPresent() ? told.trouble() : Optional.of(sentence(number, rows.get(good), "does not fit what came before it"));
        Story story = whole.orElseGet(() -> before.and(rows.subList(0, good)));
        Optional<LensSection> lens;
        try {
            lens = sections.apply(story.state());
        } catch (RuntimeException e) {
            return new Read(story, Optional.of("The section of ticket " + number + " cannot be read (" + e.getMessage() + "). The ticket is shown without it, and nothing was changed."));
        }
        for (int i = 0; i < good; i++) {
            Optional<String> wrong = wrong(number, rows.get(i).event(), lens);
            if (wrong.isPresent()) {
                return new Read(before.and(rows.subList(0, i)), Optional.of(sentence(number, rows.get(i), wrong.get())));
            }
        }
        return new Read(story, trouble);
    }

    private static Optional<String> wrong(String number, Event event, Optional<LensSection> lens) {
        return switch (event) {
            case ArrivalEvent.Begun b when !b.tag().number().equals(number) -> Optional.of("says that it is ticket " + b.tag().number());
            case GlassEvent.FindingPlaced p -> lens.filter(l -> p.surface() < 0 || p.surface() >= l.surfaces().size())
                    .map(l -> "speaks of surface " + (p.surface() + 1L) + ", and " + l.name() + " has " + l.surfaces().size());
            default -> Optional.empty();
        };
    }

    private static String sentence(String number, Recorded row, String what) {
        return "Row " + row.seq() + " of ticket " + number + " " + what + ". The ticket is shown up to there and nothing was changed.";
    }

    /// How many rows can be folded, where not all can.
    private static int folding(Story before, List<Recorded> rows) {
        int good = 0;
        int bad = rows.size();
        while (bad - good > 1) {
            int middle = (good + bad) / 2;
            if (folded(before, rows.subList(0, middle)).isPresent()) {
                good = middle;
            } else {
                bad = middle;
            }
        }
        return good;
    }

    private static Optional<Story> folded(Story before, List<Recorded> rows) {
        try {
            Story story = before.and(rows);
            Card.of(story.state());
            return Optional.of(story);
        } catch (RuntimeException e) {
            return Optional.empty();
        }
    }
}
