package stillglass.book.report;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VAlarm;
import biweekly.component.VEvent;
import biweekly.parameter.Related;
import biweekly.property.Trigger;
import biweekly.util.Duration;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import java.util.Optional;
import stillglass.book.BookWords;
import stillglass.book.file.SafeFile;
import stillglass.book.log.Logbook;
import stillglass.day.Chore;
import stillglass.day.DayPlan;
import stillglass.day.Fixing;
import stillglass.say.Said;
import stillglass.say.Wording;
import stillglass.ticket.BenchDay;

/// The plan of the bench and its clocks as a calendar (RFC 5545), for a telephone to remind somebody. Owners are not named in it.
public final class DayCalendar {
    private static final String SELF = "still-glass";
    /// A clock that runs out is a moment; calendars show moments of some length.
    private static final int MOMENT_SECONDS = 300;

    private DayCalendar() {}

    /// @param clocks of all tickets
    /// @throws stillglass.book.BadInput when it cannot be written there
    public static void write(BenchDay day, List<Logbook.Clock> clocks, Path file) {
        SafeFile.write(file, text(day, clocks).getBytes(StandardCharsets.UTF_8));
    }

    static String text(BenchDay day, List<Logbook.Clock> clocks) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId("-//" + SELF + "//bench day//EN");
        for (DayPlan.Slot s : day.plan().map(DayPlan::slots).orElse(List.of())) {
            Optional<Chore> chore = Chore.of(s.task());
            // Clocks are told apart from what is planned.
            if (chore.filter(c -> c == Chore.WAIT).isEmpty()) {
                Said name = day.open(s.ticket()).map(o -> o.chores().name(s.task())).orElse(Fixing.name(s.task()));
                String title = day.open(s.ticket()).map(o -> o.tag().title()).orElse("");
                VEvent e = event(s.ticket() + "-" + s.task(), say("calendar.task", "ticket", s.ticket(), "task", name, "title", title), day.at(s.start()), day.at(s.end()), day.now());
                if (chore.filter(Chore::attended).isEmpty()) {
                    // It goes on by itself, and somebody has to come when it is over.
                    e.addAlarm(atEnd(say("calendar.over", "ticket", s.ticket(), "task", name)));
                }
                calendar.addEvent(e);
            }
        }
        for (Logbook.Clock c : clocks) {
            Instant ends = c.timer().ends();
            String what = say("calendar.clock", "ticket", c.ticket(), "what", c.timer().label());
            VEvent e = event(c.ticket() + "-" + c.timer().timer(), what, ends, ends.plusSeconds(MOMENT_SECONDS), day.now());
            e.addAlarm(VAlarm.display(new Trigger(Duration.builder().minutes(0).build(), Related.START), what));
            calendar.addEvent(e);
        }
        return Biweekly.write(calendar).go();
    }

    private static VEvent event(String id, String summary, Instant from, Instant to, Instant now) {
        VEvent e = new VEvent();
        e.setUid(id.replace(' ', '-') + "@" + SELF);
        e.setSummary(summary);
        e.setDateTimeStamp(Date.from(now));
        e.setDateStart(Date.from(from));
        e.setDateEnd(Date.from(to));
        return e;
    }

    private static VAlarm atEnd(String what) {
        return VAlarm.display(new Trigger(Duration.builder().minutes(0).build(), Related.END), what);
    }

    private static String say(String key, Object... with) {
        Wording words = BookWords.wording();
        return words.say(Said.of(key, with));
    }
}
