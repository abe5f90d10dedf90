package stillglass.app.clean;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Part;
import stillglass.care.Loads;
import stillglass.care.Route;
import stillglass.plan.BathMates;
import stillglass.plan.Inside;
import stillglass.plan.Routed;

/// The parts within reach by where they go: what soaks first, since it takes longest, then metal by hand, then glass, then what is put by.
///
/// @param groups in the order of work
/// @param routed every part's way
record Routes(List<Group> groups, Map<String, Routed> routed) {
    private static final List<Route> ORDER = List.of(Route.TIN, Route.TANK, Route.HAND, Route.ALONE, Route.NEVER_WET, Route.STAYS);

    /// @param name of the way, with the number of the load where there are several
    record Group(String name, List<Part> parts) {}

    static Routes of(List<Part> reached, Work work) {
        Map<String, Routed> routed = new LinkedHashMap<>();
        for (Part p : reached) {
            List<Part> whole = Inside.of(work.instrument(), p.id(), work.state().joints().openNow());
            routed.put(p.id(), Routed.of(p, whole, CleanModel.materials(p, work), CleanModel.unknown(p, work), work.care()));
        }
        List<Group> groups = new ArrayList<>();
        for (Route r : ORDER) {
            List<Part> all = reached.stream().filter(p -> Optional.ofNullable(routed.get(p.id())).filter(x -> x.route() == r).isPresent()).toList();
            if (r == Route.TIN || r == Route.TANK) {
                List<List<Part>> loads = Loads.of(all, (a, b) -> BathMates.apart(a, CleanModel.materials(a, work), b, CleanModel.materials(b, work))).of();
                for (int i = 0; i < loads.size(); i++) {
                    groups.add(new Group(loads.size() == 1 ? Words.capital(Words.say(r.said())) : Words.of("clean.load", Words.capital(Words.say(r.said())), i + 1), loads.get(i)));
                }
            } else {
                // Metal before glass, so that nothing is smeared over a clean face.
                add(groups, all.stream().filter(p -> p.kind() != Part.Kind.GLASS).toList(), Words.capital(Words.say(r.said())));
                add(groups, all.stream().filter(p -> p.kind() == Part.Kind.GLASS).toList(), Words.of("clean.glass"));
            }
        }
        return new Routes(groups, routed);
    }

    private static void add(List<Group> groups, List<Part> parts, String name) {
        if (!parts.isEmpty()) {
            groups.add(new Group(name, parts));
        }
    }

    /// Where a part goes, and why.
    String why(Part part) {
        return Optional.ofNullable(routed.get(part.id())).map(r -> Words.of("clean.route", Words.capital(Words.say(r.route().said())), Words.capital(Words.say(r.why())))).orElse("");
    }
}
