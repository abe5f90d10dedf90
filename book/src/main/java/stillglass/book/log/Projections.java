package stillglass.book.log;

import java.util.List;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import stillglass.ticket.Card;
import stillglass.ticket.TicketState;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.course.CourseEvent;
import stillglass.ticket.joints.Lesson;

/// What is kept of a ticket for lists and searches.
final class Projections {
    private Projections() {}

    static Logbook.Projection of(TicketState s) {
        return new Logbook.Projection(Card.of(s), List.copyOf(s.care().timers().values()), Lesson.of(s.joints()), s.course().taken().map(CourseEvent.ModelTaken::instrumentId), Judgements.of(s));
    }

    static void keep(Handle h, Logbook.Projection p, Optional<String> trouble) {
        Card card = p.card();
        String number = card.number();
        h.createUpdate("INSERT INTO ticket (number, digits, title, instrument, section, sort, owner, due, stage, done, faults, symptoms, signed, changed, trouble)"
                        + " VALUES (:number, :digits, :title, :instrument, :section, :sort, :owner, :due, :stage, :done, :faults, :symptoms, :signed, :changed, :trouble)"
                        + " ON CONFLICT (number) DO UPDATE SET title = excluded.title, instrument = excluded.instrument, section = excluded.section, sort = excluded.sort, owner = excluded.owner,"
                        + " due = excluded.due, stage = excluded.stage, done = excluded.done, faults = excluded.faults, symptoms = excluded.symptoms, signed = excluded.signed,"
                        + " changed = excluded.changed, trouble = excluded.trouble")
                .bind("number", number).bind("digits", digits(number)).bind("title", card.tag().title()).bind("instrument", card.tag().instrumentId())
                .bind("section", card.tag().sectionId().orElse(null)).bind("sort", card.tag().sort().name()).bind("owner", card.tag().owner().orElse(null))
                .bind("due", card.tag().due().map(Object::toString).orElse(null)).bind("stage", card.stage().name()).bind("done", SqliteLogbook.joined(card.done()))
                .bind("faults", SqliteLogbook.joined(card.faults())).bind("symptoms", String.join("\n", card.symptoms().stream().map(s -> s.replace('\n', ' ')).toList()))
                .bind("signed", card.signed()).bind("changed", card.changed().toString()).bind("trouble", trouble.orElse(null)).execute();
        long id = h.createQuery("SELECT id FROM ticket WHERE number = ?").bind(0, number).mapTo(Long.class).one();
        h.createUpdate("DELETE FROM ticket_text WHERE rowid = ?").bind(0, id).execute();
        h.createUpdate("INSERT INTO ticket_text (rowid, number, title, owner, symptoms, notes) VALUES (?, ?, ?, ?, ?, ?)").bind(0, id).bind(1, number).bind(2, card.tag().title())
                .bind(3, card.tag().owner().orElse("")).bind(4, String.join("\n", card.symptoms()) + "\n" + card.wrong().orElse("")).bind(5, String.join("\n", card.notes())).execute();
        timers(h, number, p.timers());
        h.createUpdate("DELETE FROM lesson WHERE ticket = ?").bind(0, number).execute();
        if (!p.lesson().empty() || p.taken().isPresent()) {
            h.createUpdate("INSERT INTO lesson (ticket, instrument, taken, body) VALUES (?, ?, ?, ?)").bind(0, number).bind(1, card.tag().instrumentId()).bind(2, p.taken().orElse(null))
                    .bind(3, EventJson.mapper().writeValueAsString(p.lesson())).execute();
        }
        h.createUpdate("DELETE FROM judged WHERE ticket = ?").bind(0, number).execute();
        p.judged().forEach((j, n) -> h.createUpdate("INSERT INTO judged (ticket, asked, setup, computed, technician, times) VALUES (?, ?, ?, ?, ?, ?)").bind(0, number).bind(1, j.asked())
                .bind(2, j.setup()).bind(3, j.computed()).bind(4, j.technician()).bind(5, n).execute());
    }

    private static void timers(Handle h, String number, List<CareEvent.TimerSet> timers) {
        h.createUpdate("DELETE FROM timer WHERE ticket = ?").bind(0, number).execute();
        timers.forEach(t -> h.createUpdate("INSERT INTO timer (ticket, timer, label, ends) VALUES (?, ?, ?, ?)").bind(0, number).bind(1, t.timer())
                .bind(2, EventJson.mapper().writeValueAsString(t.label())).bind(3, t.ends().toString()).execute());
    }

    private static long digits(String number) {
        String d = number.replaceAll("\\D", "");
        return d.isEmpty() || d.length() > 8 ? 0 : Long.parseLong(d);
    }
}
