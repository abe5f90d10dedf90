package stillglass.ticket.words;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import stillglass.say.Said;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.story.Stage;

/// What is said of the job as a whole: `complaint milky flare`, `owner School club`, `use portraits wide open`, `due 2026-12-04`, and a note where no joint is in hand.
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
        return in.stage() == Stage.ARRIVE ? List.of("complaint ", "owner ", "use ", "due 2026-12-04", "note ") : List.of();
    }
}
