package stillglass.plan;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.care.CareTables;
import stillglass.care.Route;
import stillglass.say.Said;

/// A part's way through cleaning, by what it is made of, what cannot be taken out of it, and what it is.
///
/// What bears no bath at all is never wet; what nobody knows the material of, what breaks, what holds glass is done by hand; bare metal bathes, and what was greased soaks before. Rules of the trade on top of the shop's own table of agents.
///
/// @param route where it goes
/// @param why in a sentence
public record Routed(Route route, Said why) {
    private static final String SOAP = "soap";
    private static final String SPIRIT = "naphtha";
    private static final Set<Material> GLASS = EnumSet.of(Material.COATED_GLASS, Material.EDGE_PAINT, Material.BALSAM);
    private static final Set<Part.Kind> GREASED = EnumSet.of(Part.Kind.HELICOID, Part.Kind.GEAR, Part.Kind.SHUTTER);

    private static final Pattern SPRING = Pattern.compile("\\bsprings?\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern FASTENER = Pattern.compile("\\b(screw|ball|pin|washer|nut|roller|clip|shim)", Pattern.CASE_INSENSITIVE);

    /// @param whole it, and what cannot be taken out of it as the work stands
    /// @param materials of all of that
    /// @param unknown whether nobody has said what it is made of
    public static Routed of(Part part, List<Part> whole, Set<Material> materials, boolean unknown, CareTables care) {
        Optional<Material> dry = materials.stream().sorted().filter(m -> bears(care, SOAP, m) == CareTables.Bears.NEVER && bears(care, SPIRIT, m) == CareTables.Bears.NEVER && m != Material.BALSAM).findFirst();
        if (unknown) {
            return new Routed(Route.HAND, Said.of("route.why.unknown"));
        }
        if (dry.isPresent()) {
            return new Routed(Route.NEVER_WET, Said.of("route.why.dry", "material", dry.get().word()));
        }
        Optional<Part> breaks = whole.stream().filter(p -> p.fragile().isPresent()).findFirst();
        switch (part.kind()) {
            case BLADES -> {
                return new Routed(Route.ALONE, Said.of("route.why.blades"));
            }
            case KEY, SHIM -> {
                return new Routed(Route.STAYS, Said.of("route.why.stays"));
            }
            case SMALL -> {
                // What nobody gave another kind need not be small.
                if (SPRING.matcher(part.name()).find()) {
                    return new Routed(Route.HAND, Said.of("route.why.spring"));
                }
                if (FASTENER.matcher(part.name()).find()) {
                    return new Routed(Route.STAYS, Said.of("route.why.stays"));
                }
            }
            case SPRING -> {
                return new Routed(Route.HAND, Said.of("route.why.spring"));
            }
            default -> {
                // By what it is made of.
            }
        }
        if (breaks.isPresent()) {
            return new Routed(Route.HAND, Said.of("route.why.fragile", "part", breaks.get().name(), "how", breaks.get().fragile().orElse("")));
        }
        if (materials.stream().anyMatch(GLASS::contains)) {
            return new Routed(Route.HAND, Said.of("route.why.glass"));
        }
        Optional<Material> swab = materials.stream().sorted().filter(m -> m != Material.STEEL && bears(care, SOAP, m) != CareTables.Bears.FINE).findFirst();
        if (swab.isPresent()) {
            return new Routed(Route.HAND, Said.of("route.why.swab", "material", swab.get().word(), "why", care.agent(SOAP).flatMap(a -> Optional.ofNullable(a.why().get(swab.get()))).orElse("")));
        }
        boolean spirit = !care.lacking().contains(SPIRIT) && materials.stream().allMatch(m -> bears(care, SPIRIT, m) == CareTables.Bears.FINE);
        if (spirit && whole.stream().anyMatch(p -> GREASED.contains(p.kind()))) {
            return new Routed(Route.TIN, Said.of("route.why.greased"));
        }
        return new Routed(Route.TANK, Said.of(materials.contains(Material.STEEL) ? "route.why.steel" : "route.why.bare"));
    }

    private static CareTables.Bears bears(CareTables care, String agent, Material m) {
        return care.agent(agent).map(a -> a.bears().getOrDefault(m, CareTables.Bears.NEVER)).orElse(CareTables.Bears.NEVER);
    }
}
