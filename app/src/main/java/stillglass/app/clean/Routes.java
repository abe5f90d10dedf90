package stillglass.app.clean;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Part;
import stillglass.care.Route;
import stillglass.plan.Routed;
import stillglass.ticket.Ways;
import stillglass.ticket.care.BathChain;

/// The parts within reach by where they go: what soaks first, since it takes longest, then metal by hand, then glass, then what is put by.
///
/// @param groups in the order of work
/// @param routed every part's way
record Routes(List<Group> groups, Map<Part, Routed> routed) {
    private static final List<Route> ORDER = List.of(Route.TIN, Route.TANK, Route.HAND, Route.ALONE, Route.NEVER_WET, Route.STAYS);

    /// @param name of the way, with the number of the load where there are several
    /// @param chain what a load of tin or tank goes through by the clock; empty for other ways
    record Group(String name, List<Part> parts, Optional<BathChain> chain) {}

    static Routes of(List<Part> reached, Work work) {
        Ways ways = Ways.of(work.state(), work.instrument(), reached, work.state().joints().openNow(), work.care());
        List<Group> groups = new ArrayList<>();
        for (Route r : ORDER) {
            List<List<Part>> loads = ways.loads().get(r);
            if (loads != null) {
                for (int i = 0; i < loads.size(); i++) {
                    groups.add(new Group(loads.size() == 1 ? Words.capital(Words.say(r.said())) : Words.of("clean.load", Words.capital(Words.say(r.said())), i + 1), loads.get(i), Optional.of(new BathChain(r, i + 1))));
                }
            } else {
                // Metal before glass, so that nothing is smeared over a clean face.
                List<Part> all = ways.going(r);
                add(groups, all.stream().filter(p -> p.kind() != Part.Kind.GLASS).toList(), Words.capital(Words.say(r.said())));
                add(groups, all.stream().filter(p -> p.kind() == Part.Kind.GLASS).toList(), Words.of("clean.glass"));
            }
        }
        return new Routes(groups, ways.routed());
    }

    private static void add(List<Group> groups, List<Part> parts, String name) {
        if (!parts.isEmpty()) {
            groups.add(new Group(name, parts, Optional.empty()));
        }
    }

    /// Where a part goes, and why.
    String why(Part part) {
        return Optional.ofNullable(routed.get(part)).map(r -> Words.of("clean.route", Words.capital(Words.say(r.route().said())), Words.capital(Words.say(r.why())))).orElse("");
    }
}
