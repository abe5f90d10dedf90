package stillglass.ticket.words;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import stillglass.day.Chore;
import stillglass.day.Fixing;
import stillglass.say.Said;
import stillglass.ticket.agenda.AgendaEvent;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.line.Cursor;

/// When the work is done: `task close takes 90 min`, `task close in 2 h`, `task close any time`, `wait 3 days for the glue`.
final class AgendaWords implements Grammar {
    private static final double MOST_MINUTES = 60 * 24 * 366.0;

    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        if (line.take("task")) {
            return Optional.of(task(line, in));
        }
        if (line.take("wait")) {
            Optional<Double> minutes = line.minutes();
            line.separators();
            if (minutes.isPresent() && line.take("for")) {
                Optional<String> what = line.rest();
                return Optional.of(what.isEmpty() || !(minutes.get() > 0 && minutes.get() <= MOST_MINUTES) ? Reading.unclear("say.wait") : Reading.understood(Said.of("say.reads.wait", "time", time(minutes.get()), "what", what.get()),
                        CareEvent.TimerSet.own(what.get(), in.now(), minutes.get())));
            }
        }
        line.reset(start);
        return Optional.empty();
    }

    private static Reading task(Cursor line, Setting in) {
        Optional<Chore> chore = line.takeOne(Arrays.stream(Chore.values()).map(Chore::word).toList()).flatMap(Chore::of);
        if (chore.isEmpty()) {
            return Reading.unclear("say.task", "tasks", Arrays.stream(Chore.values()).map(Chore::said).toList());
        }
        String id = chore.get().word() + line.count().filter(n -> n > 1).map(n -> " " + n).orElse("");
        line.separators();
        if (line.take("any time") || line.take("whenever")) {
            return Reading.understood(Said.of("say.reads.task.free", "task", Fixing.name(id)), new AgendaEvent.TaskFreed(id));
        }
        boolean takes = line.take("takes");
        if (takes || line.take("in")) {
            Optional<Double> minutes = line.minutes().filter(AgendaEvent.TaskTakes::possible);
            if (minutes.isPresent()) {
                Said what = Said.of(takes ? "say.reads.task.takes" : "say.reads.task.in", "task", Fixing.name(id), "time", time(minutes.get()));
                Instant at = in.now().truncatedTo(ChronoUnit.MINUTES).plusSeconds(Math.round(minutes.get() * 60));
                return Reading.understood(what, takes ? new AgendaEvent.TaskTakes(id, minutes.get()) : new AgendaEvent.TaskFixed(id, at));
            }
        }
        return Reading.unclear("say.task.how", "task", Fixing.name(id));
    }

    /// Minutes, hours or days, whichever it is said in.
    private static Said time(double minutes) {
        return minutes >= 2880 ? Said.of("time.days", "count", minutes / 1440) : minutes >= 120 ? Said.of("time.hours", "count", minutes / 60) : Said.of("time.minutes", "count", minutes);
    }

    @Override
    public List<String> examples(Setting in) {
        return List.of("task close takes 90 min", "task close in 2 h", "wait 2 days for the glue");
    }
}
