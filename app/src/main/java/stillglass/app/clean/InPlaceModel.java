package stillglass.app.clean;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Part;
import stillglass.care.CareTables;
import stillglass.care.Flushing;
import stillglass.care.knack.Act;
import stillglass.care.knack.Knack;
import stillglass.care.knack.Trait;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.condition.Place;

/// Blades or leaves that are flushed where they sit.
///
/// @param neighbours what may get wet, and what the drop must stay small for
/// @param agents that take oil, what is likeliest to do it first
/// @param cycles what was done, in order
/// @param verdict what to do next
/// @param done whether nothing more is to be flushed
/// @param knacks what a hand should know at it
record InPlaceModel(Place place, String name, String caution, List<String> neighbours, List<AgentItem> agents, List<String> cycles, String verdict, boolean done, List<Knack> knacks) {
    /// Between blades that lie on each other, all gaps together, mm, where nobody measured it.
    private static final double USUAL_GAP_MM = 0.03;

    record AgentItem(String id, String name, String caution, boolean chosen) {}

    InPlaceModel {
        neighbours = List.copyOf(neighbours);
        agents = List.copyOf(agents);
        cycles = List.copyOf(cycles);
        knacks = List.copyOf(knacks);
    }

    /// Places of this instrument that are worked on where they sit.
    static List<Place> places(Work work) {
        return Stream.of(Place.IRIS, Place.SHUTTER, Place.ESCAPEMENT, Place.SELF_TIMER, Place.SEALS).filter(p -> Place.of(work.instrument().sort()).contains(p)).toList();
    }

    static InPlaceModel of(Work work, Place place, Optional<String> agent) {
        CareTables care = work.care();
        List<CareTables.Agent> able = care.soil("oil").map(oil -> care.agents().stream().filter(CareTables.Agent::solvent).filter(a -> care.removes(oil, a) > 0)
                .sorted((a, b) -> Double.compare(care.removes(oil, b), care.removes(oil, a))).toList()).orElse(List.of());
        String chosen = agent.or(() -> able.stream().findFirst().map(CareTables.Agent::id)).orElse("");
        List<CareEvent.Flushed> done = work.state().care().flushed().stream().filter(f -> f.place() == place).toList();
        List<String> cycles = new ArrayList<>();
        for (CareEvent.Flushed f : done) {
            String shows = Words.of(f.shows().map(s -> key(place, s ? "oil" : "none")).orElse(key(place, "unsaid")));
            String line = Words.of("clean.flush.cycle", cycles.size() + 1, care.agent(f.agent()).map(CareTables.Agent::name).orElse(f.agent()), shows);
            cycles.add(f.closeMs().map(ms -> Words.of(key(place, "ms"), line, ms)).orElse(line));
        }
        Flushing judged = Flushing.of(done.stream().map(f -> new Flushing.Cycle(f.shows(), f.closeMs())).toList());
        String verdict = Words.of(key(place, judged.verdict().name().toLowerCase(Locale.ROOT).replace('_', '-')));
        return new InPlaceModel(place, Words.capital(Words.say(place.said())), place.caution().map(Words::say).orElse(""), neighbours(work, place),
                able.stream().map(a -> new AgentItem(a.id(), a.name(), a.caution(), a.id().equals(chosen))).toList(), cycles,
                judged.settledMs().map(ms -> Words.of("clean.flush.settles", verdict, ms)).orElse(verdict), !done.isEmpty() && judged.verdict() == Flushing.Verdict.DRY,
                care.knacks().at(Act.FLUSH, traits(place)));
    }

    /// Blades are flushed until no oil shows, a train gets drops until it runs: the words differ.
    static String key(Place place, String what) {
        return (place.train() ? "clean.train." : "clean.flush.") + what;
    }

    private static Set<Trait> traits(Place place) {
        return switch (place) {
            case IRIS -> EnumSet.of(Trait.BLADES, Trait.LEVER);
            case ESCAPEMENT, SELF_TIMER -> EnumSet.of(Trait.GEAR);
            default -> EnumSet.of(Trait.BLADES);
        };
    }

    private static List<String> neighbours(Work work, Place place) {
        if (place.train()) {
            return List.of(Words.of("clean.train.drop"), Words.of("clean.train.cover"));
        }
        List<String> all = new ArrayList<>();
        Optional<LensSection> lens = work.section().filter(l -> place == Place.IRIS);
        if (lens.isPresent()) {
            LensSection l = lens.get();
            for (Element e : beside(l)) {
                boolean cemented = l.elements().stream().filter(o -> o.group().equals(e.group())).count() > 1;
                all.add(Words.of(cemented ? "clean.flush.cemented" : "clean.flush.glass", e.name()));
            }
            double inner = 2 * l.surfaces().get(l.stopIndex()).semiDiameterMm();
            work.instrument().parts().stream().filter(p -> p.kind() == Part.Kind.BLADES).flatMap(p -> p.profile().stream()).mapToDouble(p -> 2 * p.outerRadiusMm()).filter(outer -> outer > inner).max()
                    .ifPresent(outer -> all.add(Words.of("clean.flush.budget", Flushing.budgetMicrolitres(outer, inner, USUAL_GAP_MM), USUAL_GAP_MM)));
        } else {
            all.add(Words.of("clean.flush.unknown"));
        }
        if (all.stream().noneMatch(s -> s.contains("µl"))) {
            all.add(Words.of("clean.flush.needle"));
        }
        all.add(Words.of("clean.flush.cover"));
        return all;
    }

    /// The glass before the stop and the one behind it.
    private static List<Element> beside(LensSection lens) {
        int stop = lens.stopIndex();
        return Stream.concat(lens.elements().stream().filter(e -> e.lastSurface() <= stop).reduce((a, b) -> b).stream(), lens.elements().stream().filter(e -> e.firstSurface() >= stop).findFirst().stream()).toList();
    }

    Optional<AgentItem> agent() {
        return agents.stream().filter(AgentItem::chosen).findFirst();
    }
}
