package stillglass.ticket.words;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.care.Water;
import stillglass.say.Said;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.story.Stage;

/// What is said of the job as a whole: `complaint milky flare`, `wet fresh 3 min, 5 h ago, was on`, `owner School club`, `use portraits wide open`, `due 2026-12-04`, `came with T-0102`, and a note where no joint is in hand.
final class ArrivalWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        if (line.takeOne(List.of("complaint", "wrong", "symptom")).isPresent()) {
            line.take(":");
            return Optional.of(line.rest().map(t -> Reading.understood(Said.of("say.reads.symptom", "text", t), new ArrivalEvent.SymptomNoted(t))).orElse(Reading.unclear("say.words")));
        }
        if (line.take("owner")) {
            line.take(":");
            return Optional.of(line.rest().map(t -> Reading.understood(Said.of("say.reads.owner", "text", t), new ArrivalEvent.OwnerNamed(t))).orElse(Reading.unclear("say.words")));
        }
        if (line.take("use") || line.take("used for")) {
            line.take(":");
            return Optional.of(line.rest().map(t -> Reading.understood(Said.of("say.reads.use", "text", t), new ArrivalEvent.UseNoted(t))).orElse(Reading.unclear("say.words")));
        }
        if (line.take("wet")) {
            Optional<Reading> wet = wet(line, in);
            if (wet.isPresent()) {
                return wet;
            }
            line.reset(start);
        }
        if (line.take("came with")) {
            return Optional.of(line.rest().map(t -> t.strip().toUpperCase(Locale.ROOT)).map(t -> Reading.understood(Said.of("say.reads.with", "ticket", t), new ArrivalEvent.CameWith(t))).orElse(Reading.unclear("say.with")));
        }
        if (line.take("due")) {
            return Optional.of(due(line.rest().orElse("")));
        }
        boolean note = in.joint().isEmpty() || in.stage() == Stage.ARRIVE || in.stage() == Stage.LOOK || in.stage() == Stage.DECIDE;
        if (note && line.take("note")) {
            line.take(":");
            return Optional.of(line.rest().map(t -> Reading.understood(Said.of("say.reads.note", "text", t), new ArrivalEvent.LineKept(t))).orElse(Reading.unclear("say.words")));
        }
        line.reset(start);
        return Optional.empty();
    }

    /// `wet fresh 3 min, 5 h ago, was on`: what it was first, the rest in any order.
    private static Optional<Reading> wet(Cursor line, Setting in) {
        line.take(":");
        List<Water> kinds = List.of(Water.values());
        Optional<Water> water = line.takeOne(kinds.stream().flatMap(w -> w.words().stream()).toList()).flatMap(w -> kinds.stream().filter(k -> k.words().contains(w)).findFirst());
        if (water.isEmpty()) {
            return Optional.empty();
        }
        line.take("water");
        Optional<Double> under = Optional.empty();
        Optional<Double> ago = Optional.empty();
        Optional<Boolean> on = Optional.empty();
        while (!line.end()) {
            line.separators();
            int before = line.mark();
            Optional<Double> minutes = line.amount().flatMap(n -> span(line).map(unit -> n * unit));
            if (minutes.isPresent()) {
                if (line.take("ago") && ago.isEmpty()) {
                    ago = minutes;
                } else if (under.isEmpty()) {
                    line.take("under");
                    under = minutes;
                } else {
                    return Optional.of(Reading.unclear("say.wet"));
                }
                continue;
            }
            line.reset(before);
            line.take("was");
            if (line.takeOne(List.of("switched on", "on")).isPresent()) {
                on = Optional.of(true);
            } else if (line.takeOne(List.of("switched off", "off")).isPresent()) {
                on = Optional.of(false);
            } else {
                return Optional.of(Reading.unclear("say.wet"));
            }
        }
        if (!ArrivalEvent.GotWet.possible(under) || !ArrivalEvent.GotWet.possible(ago)) {
            return Optional.of(Reading.unclear("say.wet"));
        }
        ArrivalEvent.GotWet got = new ArrivalEvent.GotWet(water.get(), under, ago.map(m -> in.now().minusSeconds(Math.round(m * 60))), on);
        return Optional.of(Reading.understood(ago.map(m -> Said.of("wet.ago", "wet", got.said(), "hours", m / 60)).orElse(got.said()), got));
    }

    /// Minutes of a unit that must be named.
    private static Optional<Double> span(Cursor line) {
        if (line.takeOne(List.of("days", "day", "d")).isPresent()) {
            return Optional.of(24.0 * 60);
        }
        if (line.takeOne(List.of("h", "hour", "hours")).isPresent()) {
            return Optional.of(60.0);
        }
        if (line.takeOne(List.of("s", "sec", "seconds")).isPresent()) {
            return Optional.of(1.0 / 60);
        }
        return line.takeOne(List.of("min", "mins", "minutes", "minute", "m")).map(m -> 1.0);
    }

    private static Reading due(String day) {
        try {
            LocalDate date = LocalDate.parse(day.strip());
            return Reading.understood(Said.of("say.reads.due", "day", date.toString()), new ArrivalEvent.DueSet(date));
        } catch (DateTimeException e) {
            return Reading.unclear("say.due", "day", day);
        }
    }

    @Override
    public List<String> examples(Setting in) {
        return in.stage() == Stage.ARRIVE ? List.of("complaint ", "owner ", "use ", "due 2026-12-04", "wet fresh 3 min, 5 h ago, was on", "came with T-", "note ") : List.of();
    }
}
