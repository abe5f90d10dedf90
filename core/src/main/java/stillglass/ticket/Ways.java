package stillglass.ticket;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.care.CareTables;
import stillglass.care.Loads;
import stillglass.care.Route;
import stillglass.plan.BathMates;
import stillglass.plan.Inside;
import stillglass.plan.Routed;
import stillglass.ticket.care.CareEvent;

/// Every part's way through cleaning, and what may share a tin or a tank.
///
/// @param routed parts in the order they were given
/// @param loads of tins and tanks, the largest first
public record Ways(Map<Part, Routed> routed, Map<Route, List<List<Part>>> loads) {
    /// @param parts those within reach
    /// @param open joints that are open, or will be
    public static Ways of(TicketState state, Instrument instrument, List<Part> parts, Set<String> open, CareTables care) {
        Map<Part, Routed> routed = new LinkedHashMap<>();
        Map<Part, Set<Material>> made = new LinkedHashMap<>();
        for (Part p : parts) {
            Set<Material> materials = state.care().materials(instrument, p.id(), open);
            made.put(p, materials);
            Optional<Routed> said = Optional.ofNullable(state.care().routes().get(p.id())).map(CareEvent.RouteSaid::routed);
            routed.put(p, said.isPresent() ? said.get() : Routed.of(p, Inside.of(instrument, p.id(), open), materials, unknown(p, state), care));
        }
        Map<Route, List<List<Part>>> loads = new LinkedHashMap<>();
        for (Route r : List.of(Route.TIN, Route.TANK)) {
            loads.put(r, Loads.of(parts.stream().filter(p -> to(routed, p) == r).toList(), (a, b) -> BathMates.apart(a, made.getOrDefault(a, Set.of()), b, made.getOrDefault(b, Set.of()))).of());
        }
        return new Ways(routed, loads);
    }

    private static Route to(Map<Part, Routed> routed, Part p) {
        return Optional.ofNullable(routed.get(p)).map(Routed::route).orElse(Route.HAND);
    }

    /// Parts that go a way.
    public List<Part> going(Route route) {
        return routed.keySet().stream().filter(p -> to(routed, p) == route).toList();
    }

    /// Whether nobody has said what a part is made of.
    public static boolean unknown(Part part, TicketState state) {
        return !state.care().told(part) && part.notNoted();
    }
}
