package stillglass.ticket.words;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Part;
import stillglass.care.CareTables;
import stillglass.say.Said;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Names;
import stillglass.ticket.story.Stage;

/// What was cleaned and what is waited for: `cleaned E1 of fungus with lens fluid, some left`, `timer 20m cell drying`.
final class CareWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        if (line.take("cleaned")) {
            return Optional.of(cleaned(line, in));
        }
        if (line.take("timer")) {
            Optional<Double> minutes = line.minutes();
            Optional<String> what = line.rest();
            if (minutes.filter(m -> m > 0).isEmpty() || what.isEmpty()) {
                return Optional.of(Reading.unclear("say.timer"));
            }
            return Optional.of(Reading.understood(Said.of("say.reads.timer", "minutes", minutes.get(), "what", what.get()),
                    new CareEvent.TimerSet("own-" + what.get().toLowerCase(Locale.ROOT), Said.text(what.get()), in.now().plusSeconds(Math.round(minutes.get() * 60)))));
        }
        line.reset(start);
        return Optional.empty();
    }

    private static Reading cleaned(Cursor line, Setting in) {
        Names.Match<Part> part = in.words().parts().take(line);
        if (!part.plain()) {
            return Reading.unclear(part.things().isEmpty() ? "say.part" : "say.which", "words", line.clauseHere(), "all", part.things().stream().map(Part::name).toList());
        }
        Names<CareTables.Soil> soils = new Names<>();
        in.world().care().soils().forEach(s -> {
            soils.add(s.name(), s);
            soils.add(s.id(), s);
        });
        Names<CareTables.Agent> agents = new Names<>();
        in.world().care().agents().forEach(a -> {
            agents.add(a.name(), a);
            agents.add(a.id(), a);
        });
        Names.Match<CareTables.Soil> soil = line.take("of") ? soils.take(line) : new Names.Match<>(List.of(), 0);
        if (!soil.plain()) {
            return Reading.unclear("say.soil", "words", line.clauseHere(), "soils", in.world().care().soils().stream().map(CareTables.Soil::name).toList());
        }
        Names.Match<CareTables.Agent> agent = line.take("with") ? agents.take(line) : new Names.Match<>(List.of(), 0);
        if (!agent.plain()) {
            return Reading.unclear("say.agent", "words", line.clauseHere(), "agents", in.world().care().agents().stream().map(CareTables.Agent::name).toList());
        }
        line.separators();
        boolean left = line.takeOne(List.of("some left", "some is left", "still there")).isPresent();
        line.takeOne(List.of("gone", "clean"));
        CareTables.Soil s = soil.things().getFirst();
        CareTables.Agent a = agent.things().getFirst();
        return Reading.understood(Said.of(left ? "say.reads.cleaned.left" : "say.reads.cleaned", "part", part.things().getFirst().name(), "soil", s.name(), "agent", a.name()),
                new CareEvent.PartCleaned(part.things().getFirst().id(), s.id(), a.id(), !left));
    }

    @Override
    public List<String> examples(Setting in) {
        return in.stage() == Stage.CLEAN ? List.of("cleaned ", "timer 20m drying") : List.of();
    }
}
