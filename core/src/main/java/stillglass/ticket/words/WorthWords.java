package stillglass.ticket.words;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.story.Stage;
import stillglass.ticket.worth.How;
import stillglass.ticket.worth.WorthEvent;

/// What a job is worth and what it costs beside hours: `worth 120, chance 70 %`, `paid 80, back until 2026-12-12`, `to make name ring, 90 min, costs 12`, `made name ring`, `drill front ring, loses 30, seized after three heats`.
final class WorthWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        if (line.take("worth")) {
            Optional<Double> worth = line.number().filter(WorthEvent::sum);
            line.separators();
            Optional<Double> percent = line.take("chance") ? line.number() : Optional.empty();
            line.take("%");
            return Optional.of(worth.isEmpty() || percent.filter(p -> !(p > 0 && p <= 100)).isPresent() ? Reading.unclear("say.worth")
                    : Reading.understood(percent.map(p -> Said.of("say.reads.worth.chance", "worth", worth.get(), "percent", p)).orElse(Said.of("say.reads.worth", "worth", worth.get())), new WorthEvent.WorthSaid(worth.get(), percent.map(p -> p / 100))));
        }
        if (line.take("paid")) {
            return Optional.of(paid(line));
        }
        if (line.take("to make") || line.take("to buy")) {
            return Optional.of(toMake(line));
        }
        if (line.take("made") || line.take("bought")) {
            return Optional.of(line.rest().map(name -> Reading.understood(Said.of("say.reads.part.made", "name", name), new WorthEvent.PartMade(name))).orElse(Reading.unclear("say.part.make")));
        }
        Optional<How> how = Arrays.stream(How.values()).filter(h -> line.take(h.word())).findFirst();
        if (how.isPresent()) {
            return Optional.of(destroy(line, how.get()));
        }
        line.reset(start);
        return Optional.empty();
    }

    private static Reading paid(Cursor line) {
        Optional<Double> paid = line.number().filter(WorthEvent::sum);
        line.separators();
        if (paid.isEmpty() || !line.take("back until") && !line.end()) {
            return Reading.unclear("say.paid");
        }
        Optional<String> day = line.rest();
        if (day.isEmpty()) {
            return Reading.understood(Said.of("say.reads.paid", "paid", paid.get()), new WorthEvent.PaidSaid(paid.get(), Optional.empty()));
        }
        try {
            LocalDate until = LocalDate.parse(day.get().strip());
            return Reading.understood(Said.of("say.reads.paid.back", "paid", paid.get(), "day", until.toString()), new WorthEvent.PaidSaid(paid.get(), Optional.of(until)));
        } catch (DateTimeParseException noDay) {
            return Reading.unclear("say.paid");
        }
    }

    private static Reading toMake(Cursor line) {
        Optional<String> name = line.clause();
        Optional<Double> minutes = Optional.empty();
        Optional<Double> cost = Optional.empty();
        line.separators();
        while (!line.end()) {
            Optional<Double> money = line.take("costs") ? line.number().filter(WorthEvent::sum) : Optional.empty();
            Optional<Double> time = money.isEmpty() ? line.minutes().filter(m -> m > 0 && m <= WorthEvent.MOST) : Optional.empty();
            if (money.isEmpty() && time.isEmpty()) {
                return Reading.unclear("say.part.make");
            }
            cost = cost.or(() -> money);
            minutes = minutes.or(() -> time);
            line.separators();
        }
        if (name.isEmpty()) {
            return Reading.unclear("say.part.make");
        }
        WorthEvent.PartToMake part = new WorthEvent.PartToMake(name.get(), minutes, cost);
        return Reading.understood(Said.of("say.reads.part.make", "part", part.said()), part);
    }

    /// What is destroyed, what that loses, and last the reason.
    private static Reading destroy(Cursor line, How how) {
        line.takeOne(List.of("out the", "off the", "out", "off", "the"));
        Optional<String> what = line.clause();
        line.separators();
        Optional<Double> loses = line.take("loses") ? line.number().filter(WorthEvent::sum) : Optional.empty();
        line.separators();
        line.take("because");
        Optional<String> why = line.rest();
        if (what.isEmpty() || why.isEmpty()) {
            return Reading.unclear("say.destroy", "how", how.word());
        }
        Said said = Said.of("say.reads.destroy", "how", how.said(), "what", what.get(), "why", why.get(), "caution", how.caution());
        return Reading.understood(said, new WorthEvent.DestroyingDecided(how, what.get(), loses, why.get()));
    }

    @Override
    public List<String> examples(Setting in) {
        return in.stage() == Stage.DECIDE || in.stage() == Stage.OPEN ? List.of("worth 120, chance 70 %", "to make name ring, 90 min, costs 12") : List.of();
    }
}
