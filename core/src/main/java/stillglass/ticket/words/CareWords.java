package stillglass.ticket.words;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.care.Cavities;
import stillglass.care.CareTables;
import stillglass.care.Route;
import stillglass.care.seals.Channel;
import stillglass.say.Said;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.condition.Place;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Names;
import stillglass.ticket.story.Stage;

/// What was cleaned and what is waited for: `cleaned E1 rear of fungus with lens fluid, 5 specks left`, `flushed iris blades with naphtha, 42 ms`, `name ring is made of brass, engraved paint`, `route name ring tank`, `timer 20m cell drying`.
final class CareWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        if (line.take("cleaned")) {
            return Optional.of(cleaned(line, in));
        }
        if (line.takeOne(List.of("uv", "ultraviolet")).isPresent()) {
            Optional<Double> minutes = line.minutes();
            return Optional.of(minutes.filter(m -> CareEvent.Ultraviolet.possible(m / 60)).map(m -> Reading.understood(Said.of("say.reads.uv", "hours", m / 60), new CareEvent.Ultraviolet(m / 60, in.now()))).orElse(Reading.unclear("say.uv")));
        }
        if (line.take("channel")) {
            return Optional.of(channel(line));
        }
        if (line.take("foam") && line.number().isPresent()) {
            line.reset(start);
            line.take("foam");
            return Optional.of(foam(line));
        }
        line.reset(start);
        if (line.take("weighs") || line.take("weighed")) {
            return Optional.of(weighed(line, in));
        }
        if (line.take("harmed")) {
            return Optional.of(harmed(line, in));
        }
        if (line.take("route")) {
            return Optional.of(route(line, in));
        }
        if (line.take("cavity")) {
            return Optional.of(cavity(line));
        }
        if (line.take("flushed")) {
            return Optional.of(flushed(line, in));
        }
        Optional<Reading> made = made(line, in);
        if (made.isPresent()) {
            return made;
        }
        line.reset(start);
        if (line.take("timer")) {
            Optional<Double> minutes = line.minutes();
            Optional<String> what = line.rest();
            if (minutes.filter(m -> m > 0).isEmpty() || what.isEmpty()) {
                return Optional.of(Reading.unclear("say.timer"));
            }
            return Optional.of(Reading.understood(Said.of("say.reads.timer", "minutes", minutes.get(), "what", what.get()),
                    CareEvent.TimerSet.own(what.get(), in.now(), minutes.get())));
        }
        line.reset(start);
        return Optional.empty();
    }

    /// `cavity battery box 2 min, circuits`, `cavity top plate 12 min, contacts, behind grip`, `cavity battery box open`.
    private static Reading cavity(Cursor line) {
        int start = line.mark();
        while (!line.clauseEnds() && !line.next("open") && !numberNext(line)) {
            line.skip();
        }
        String name = line.typed(start, line.mark()).strip();
        if (name.isEmpty()) {
            return Reading.unclear("say.cavity");
        }
        if (line.take("open")) {
            return Reading.understood(Said.of("say.reads.cavity.open", "cavity", name), new CareEvent.CavityOpened(name));
        }
        Optional<Double> minutes = line.minutes().filter(Cavities.Cavity::possible);
        line.separators();
        Optional<Cavities.Holds> holds = line.takeOne(Arrays.stream(Cavities.Holds.values()).flatMap(h -> h.words().stream()).toList()).flatMap(w -> Arrays.stream(Cavities.Holds.values()).filter(h -> h.words().contains(w)).findFirst());
        line.separators();
        Optional<String> behind = line.take("behind") ? line.clause() : Optional.empty();
        if (minutes.isEmpty() || holds.isEmpty()) {
            return Reading.unclear("say.cavity.what", "cavity", name, "holds", Arrays.stream(Cavities.Holds.values()).map(Cavities.Holds::said).toList());
        }
        return Reading.understood(Said.of("say.reads.cavity", "cavity", name, "minutes", minutes.get(), "holds", holds.get().said()), new CareEvent.CavityNamed(new Cavities.Cavity(name, minutes.get(), holds.get(), behind)));
    }

    /// `channel hinge 96 x 2.1, gap 1.6, 2`: length by width, how far the lid stays off its floor, how many alike.
    private static Reading channel(Cursor line) {
        int name = line.mark();
        while (!line.end() && !numberNext(line)) {
            line.skip();
        }
        String id = line.typed(name, line.mark()).strip();
        Optional<double[]> sides = sides(line);
        line.separators();
        Optional<Double> gap = line.take("gap") ? line.lengthMm() : Optional.empty();
        line.separators();
        int count = line.count().orElse(1);
        line.takeOne(List.of("pieces", "strips", "alike"));
        if (id.isEmpty() || sides.isEmpty()) {
            return Reading.unclear("say.channel");
        }
        try {
            Channel c = new Channel(id, sides.get()[0], sides.get()[1], gap, count);
            Said said = Said.of("say.reads.channel", "name", id, "length", c.lengthMm(), "width", c.widthMm(), "count", count);
            return Reading.understood(gap.map(g -> Said.of("say.reads.channel.gap", "channel", said, "gap", g)).orElse(said), new CareEvent.ChannelMeasured(c));
        } catch (IllegalArgumentException cannotBe) {
            return Reading.unclear("say.cannot", "why", String.valueOf(cannotBe.getMessage()));
        }
    }

    private static boolean numberNext(Cursor line) {
        int at = line.mark();
        boolean number = line.number().isPresent();
        line.reset(at);
        return number;
    }

    private static Optional<double[]> sides(Cursor line) {
        Optional<Double> one = line.lengthMm();
        line.takeOne(List.of("x", "×", "by"));
        return one.flatMap(a -> line.lengthMm().map(b -> new double[] {a, b}));
    }

    /// `foam 210 x 74, 2 mm`.
    private static Reading foam(Cursor line) {
        Optional<double[]> sides = sides(line);
        line.separators();
        Optional<Double> thick = line.lengthMm();
        line.take("thick");
        if (sides.isEmpty() || thick.isEmpty() || !CareEvent.FoamThere.possible(sides.get()[0], sides.get()[1], thick.get())) {
            return Reading.unclear("say.foam");
        }
        return Reading.understood(Said.of("say.reads.foam", "width", sides.get()[0], "height", sides.get()[1], "mm", thick.get()), new CareEvent.FoamThere(sides.get()[0], sides.get()[1], thick.get()));
    }

    /// `weighs 492.00 g`: as many decimals as the balance shows.
    private static Reading weighed(Cursor line, Setting in) {
        int before = line.mark();
        Optional<Double> grams = line.number();
        String typed = line.typed(before, line.mark());
        boolean kilo = line.take("kg");
        line.takeOne(List.of("g", "grams"));
        double unit = kilo ? 1000 : 1;
        if (grams.filter(g -> CareEvent.Weighed.possible(g * unit)).isEmpty()) {
            return Reading.unclear("say.weighed");
        }
        int point = Math.max(typed.indexOf('.'), typed.indexOf(','));
        double step = unit * (point < 0 ? 1 : Math.pow(10, point + 1 - typed.strip().length()));
        return Reading.understood(Said.of("say.reads.weighed", "grams", grams.get() * unit, "step", step), new CareEvent.Weighed(in.now(), grams.get() * unit, step));
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
        Optional<CareEvent.Face> face = line.take("front") ? Optional.of(CareEvent.Face.FRONT) : line.take("rear") ? Optional.of(CareEvent.Face.REAR) : Optional.empty();
        Names.Match<CareTables.Soil> soil = line.take("of") ? soils.take(line) : new Names.Match<>(List.of(), 0);
        if (!soil.plain()) {
            return Reading.unclear("say.soil", "words", line.clauseHere(), "soils", in.world().care().soils().stream().map(CareTables.Soil::name).toList());
        }
        Optional<CareTables.Agent> agent = line.take("with") ? agent(line, in) : Optional.empty();
        if (agent.isEmpty()) {
            return noAgent(line, in);
        }
        line.separators();
        Optional<Integer> count = count(line);
        boolean left = count.filter(n -> n > 0).isPresent() || count.isEmpty() && line.takeOne(List.of("some left", "some is left", "still there")).isPresent();
        line.takeOne(List.of("gone", "clean"));
        if (!CareEvent.PartCleaned.possible(count)) {
            return Reading.unclear("say.specks");
        }
        CareTables.Soil s = soil.things().getFirst();
        CareTables.Agent a = agent.get();
        Part p = part.things().getFirst();
        Said what = face.map(f -> Said.of("say.face", "part", p.name(), "side", f.word())).orElse(Said.text(p.name()));
        return Reading.understood(count.map(n -> Said.of("say.reads.cleaned.count", "part", what, "soil", s.name(), "agent", a.name(), "count", n))
                .orElse(Said.of(left ? "say.reads.cleaned.left" : "say.reads.cleaned", "part", what, "soil", s.name(), "agent", a.name())), new CareEvent.PartCleaned(p.id(), s.id(), a.id(), !left, face, count));
    }

    /// `harmed name ring with isopropanol, paint lifted at the 5`.
    private static Reading harmed(Cursor line, Setting in) {
        Names.Match<Part> part = in.words().parts().take(line);
        if (!part.plain()) {
            return Reading.unclear(part.things().isEmpty() ? "say.part" : "say.which", "words", line.clauseHere(), "all", part.things().stream().map(Part::name).toList());
        }
        boolean with = line.take("with");
        Optional<CareTables.Agent> agent = with ? agent(line, in) : Optional.empty();
        if (with && agent.isEmpty()) {
            return noAgent(line, in);
        }
        line.separators();
        line.take(":");
        Part p = part.things().getFirst();
        return line.rest().map(what -> Reading.understood(Said.of("say.reads.harmed", "part", p.name(), "what", what), new CareEvent.PartHarmed(p.id(), agent.map(CareTables.Agent::id), what))).orElse(Reading.unclear("say.harmed"));
    }

    /// `route name ring tank`, `route name ring by hand, its paint is loose`.
    private static Reading route(Cursor line, Setting in) {
        Names.Match<Part> part = in.words().parts().take(line);
        if (!part.plain()) {
            return Reading.unclear(part.things().isEmpty() ? "say.part" : "say.which", "words", line.clauseHere(), "all", part.things().stream().map(Part::name).toList());
        }
        line.take(":");
        line.takeOne(List.of("into the", "in the", "to the", "goes"));
        Optional<Route> route = Arrays.stream(Route.values()).filter(r -> line.takeOne(r.words()).isPresent()).findFirst();
        line.separators();
        line.take("because");
        String why = line.rest().orElse("");
        Part p = part.things().getFirst();
        return route.map(r -> Reading.understood(Said.of("say.reads.route", "part", p.name(), "route", r.said()), new CareEvent.RouteSaid(p.id(), r, why)))
                .orElse(Reading.unclear("say.route", "routes", Arrays.stream(Route.values()).map(r -> r.words().getFirst()).toList()));
    }

    /// `5 specks left`, `none left`.
    private static Optional<Integer> count(Cursor line) {
        int start = line.mark();
        Optional<Integer> count = line.takeOne(List.of("none", "no specks")).isPresent() ? Optional.of(0) : line.count();
        line.takeOne(List.of("specks", "speck", "spots", "spot", "threads"));
        if (count.isPresent() && line.take("left")) {
            return count;
        }
        line.reset(start);
        return Optional.empty();
    }

    /// `flushed iris blades with naphtha, 42 ms`, `… oil shows`, `… no oil shows`; `flushed escapement with naphtha, still drags`, `… runs free`.
    private static Reading flushed(Cursor line, Setting in) {
        line.take("the");
        List<Place> places = List.of(Place.values());
        Optional<Place> place = line.takeOne(places.stream().flatMap(p -> p.words().stream()).toList()).flatMap(w -> places.stream().filter(p -> p.words().contains(w)).findFirst());
        if (place.isEmpty()) {
            return Reading.unclear("say.place", "places", Place.of(in.world().instrument().sort()).stream().filter(p -> p.has(Flaw.WET)).map(Place::said).toList());
        }
        Optional<CareTables.Agent> agent = line.take("with") ? agent(line, in) : Optional.empty();
        if (agent.isEmpty()) {
            return noAgent(line, in);
        }
        line.separators();
        Optional<Double> ms = Optional.empty();
        int before = line.mark();
        Optional<Double> number = line.number();
        if (number.isPresent() && line.take("ms")) {
            ms = number;
        } else {
            line.reset(before);
        }
        line.separators();
        Optional<Boolean> shows = line.takeOne(place.get().train() ? List.of("runs free", "runs through", "runs", "free") : List.of("no oil shows", "no oil", "nothing shows", "dry")).isPresent() ? Optional.of(false)
                : line.takeOne(place.get().train() ? List.of("still drags", "still hangs", "still fails", "drags", "hangs", "fails") : List.of("oil shows", "still oily", "oil")).isPresent() ? Optional.of(true) : Optional.empty();
        if (!CareEvent.Flushed.possible(ms)) {
            return Reading.unclear("say.flush.ms");
        }
        boolean train = place.get().train();
        Said key = Said.of(shows.map(o -> train ? o ? "say.reads.flushed.drags" : "say.reads.flushed.runs" : o ? "say.reads.flushed.oil" : "say.reads.flushed.clean").orElse("say.reads.flushed"), "place", place.get().said(), "agent", agent.get().name());
        Optional<Double> took = ms;
        return Reading.understood(took.map(t -> Said.of(train ? "say.reads.flushed.down" : "say.reads.flushed.ms", "flushed", key, "ms", t)).orElse(key), new CareEvent.Flushed(place.get(), agent.get().id(), shows, took));
    }

    /// `name ring is made of brass, engraved paint`, `splitter rear is made of silvered mirror`.
    private static Optional<Reading> made(Cursor line, Setting in) {
        Names.Match<Part> part = in.words().parts().take(line);
        Optional<CareEvent.Face> face = !part.plain() ? Optional.empty() : line.take("front") ? Optional.of(CareEvent.Face.FRONT) : line.take("rear") || line.take("back") ? Optional.of(CareEvent.Face.REAR) : Optional.empty();
        if (!part.plain() || !line.take("is made of") && !line.take("made of")) {
            return Optional.empty();
        }
        List<Material> all = new ArrayList<>();
        List<Material> known = List.of(Material.values());
        do {
            line.separators();
            line.take("and");
            Optional<Material> one = line.takeOne(known.stream().map(Material::word).toList()).flatMap(w -> known.stream().filter(m -> m.word().equals(w)).findFirst());
            if (one.isEmpty()) {
                return Optional.of(Reading.unclear("say.made", "materials", known.stream().map(Material::word).toList()));
            }
            all.add(one.get());
        } while (!line.end());
        Part p = part.things().getFirst();
        return Optional.of(Reading.understood(Said.of("say.reads.made", "part", face.map(f -> Said.of("say.face", "part", p.name(), "side", f.word())).orElse(Said.text(p.name())), "materials", all.stream().map(Material::word).toList()), new CareEvent.MadeOf(p.id(), all, face)));
    }

    private static Optional<CareTables.Agent> agent(Cursor line, Setting in) {
        Names<CareTables.Agent> agents = new Names<>();
        in.world().care().agents().forEach(a -> {
            agents.add(a.name(), a);
            agents.add(a.id(), a);
            agents.add(a.id().replace('-', ' '), a);
        });
        Names.Match<CareTables.Agent> agent = agents.take(line);
        return agent.plain() ? Optional.of(agent.things().getFirst()) : Optional.empty();
    }

    private static Reading noAgent(Cursor line, Setting in) {
        return Reading.unclear("say.agent", "words", line.clauseHere(), "agents", in.world().care().agents().stream().map(CareTables.Agent::name).toList());
    }

    @Override
    public List<String> examples(Setting in) {
        return in.stage() == Stage.CLEAN ? List.of("cleaned ", "flushed ", "harmed ", "route ", "timer 20m drying") : List.of();
    }
}
