package stillglass.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.look.Progress;
import stillglass.optics.LensSection;
import stillglass.optics.Surface;
import stillglass.say.Said;

/// Which tool is really taken for a joint: the one the map names, unless the bench lacks it and another can stand in, or the glass beside it is too steep
/// for its tips.
///
/// @param lacking tools the bench does not have
/// @param section for the steepness of the glass, where it is known
public record Tooling(Set<String> lacking, Optional<LensSection> section) {
    /// A face that falls away from a flat blade by more than this angle at its rim is touched by it.
    public static final double STEEP_DEGREES = 22;
    private static final String BLADES = "spanner, blades";
    private static final String POINTS = "spanner, points";

    /// What can stand in for a tool, best first. Slower and a little riskier.
    private static final Map<String, List<StandIn>> STAND_INS = Map.of(
            "friction cup 44 mm", List.of(new StandIn("rubber sheet", 1.5, 0.004, "grip by the whole face, press lightly"), new StandIn(POINTS, 1.2, 0.01, "only where the ring has holes or notches")),
            BLADES, List.of(new StandIn(POINTS, 1.1, 0.003, "points find the slots' ends"), new StandIn("rubber sheet", 2, 0.004, "by friction on the ring's face")),
            POINTS, List.of(new StandIn("friction cup 44 mm", 1.3, 0.004, "by friction, where the holes are worn"), new StandIn("rubber sheet", 2, 0.004, "by friction on the ring's face")),
            "suction cup", List.of(new StandIn("adhesive putty", 1.5, 0.004, "a clean bead, lifted straight")),
            "plastic spudger", List.of(new StandIn("bamboo stick", 1.3, 0.004, "cut flat, never steel under leather")),
            "pin punch", List.of(new StandIn("filed nail", 1.5, 0.01, "its end flat and square")),
            "coin", List.of(new StandIn("fingers", 1.5, 0, "with a rubber glove")));

    /// @param minutesFactor on the joint's time
    /// @param moreRisk added to its risk
    private record StandIn(String tool, double minutesFactor, double moreRisk, String how) {}

    /// A tool a plan asks for that is not taken.
    /// @param instead what is taken, if anything is
    public record Lack(Joint joint, String missing, Optional<String> instead, Said why) {}

    private record Choice(String tool, double minutesFactor, double moreRisk, Said why) {}

    public Tooling {
        lacking = Set.copyOf(lacking);
    }

    public static Tooling lacking(Set<String> tools) {
        return new Tooling(tools, Optional.empty());
    }

    /// The instrument with the tools that are really taken, their time and their risk.
    public Instrument fitted(Instrument map) {
        return map.with(map.parts(), map.joints().stream().map(j -> fitted(j, map)).toList());
    }

    /// The best way that needs no tool the bench lacks and nothing stands in for; only where there is none, one that does, and [#lacks] says which.
    /// @param map as it was before it was fitted
    /// @param request on the fitted instrument
    public Optional<WayIn.Plan> plan(Instrument map, WayIn.Request request, Progress progress) {
        Set<String> missing = map.joints().stream().filter(j -> lack(j, map).filter(l -> l.instead().isEmpty()).isPresent()).map(Joint::id).collect(Collectors.toSet());
        missing.removeAll(request.open());
        Optional<WayIn.Plan> without = missing.isEmpty() ? Optional.empty() : WayIn.plan(request.without(missing), progress);
        return without.isPresent() ? without : WayIn.plan(request, progress);
    }

    /// What a plan lacks, in its order.
    /// @param map as it was before it was fitted
    public List<Lack> lacks(Instrument map, WayIn.Plan plan) {
        List<Lack> out = new ArrayList<>();
        for (Joint planned : plan.joints()) {
            map.joint(planned.id()).flatMap(j -> lack(j, map)).ifPresent(out::add);
        }
        return out;
    }

    /// What is taken at a joint instead of the tool its map names; empty where that is taken.
    /// @param map as it was before it was fitted
    public Optional<Lack> lack(Joint j, Instrument map) {
        return choice(j, map).map(c -> new Lack(j, j.tool(), c.tool().equals(j.tool()) ? Optional.empty() : Optional.of(c.tool()), c.why()));
    }

    private Joint fitted(Joint j, Instrument map) {
        return choice(j, map).map(c -> new Joint(j.id(), j.name(), j.hold(), j.side(), c.tool(), Math.min(599, j.minutes() * c.minutesFactor()),
                Math.min(0.99, j.risk() + c.moreRisk()), j.behind(), j.frees(), j.exposes(), j.loses(), j.hazards(), j.close())).orElse(j);
    }

    /// Empty when the tool of the map is taken.
    private Optional<Choice> choice(Joint j, Instrument map) {
        if (j.tool().equals(BLADES) && !lacking.contains(POINTS)) {
            Optional<Double> steep = steepness(j, map).filter(a -> a > STEEP_DEGREES);
            if (steep.isPresent()) {
                return Optional.of(new Choice(POINTS, 1, 0, Said.of("tool.steep", "degrees", steep.get())));
            }
        }
        if (!lacking.contains(j.tool())) {
            return Optional.empty();
        }
        return Optional.of(STAND_INS.getOrDefault(j.tool(), List.of()).stream().filter(s -> !lacking.contains(s.tool())).findFirst()
                .map(s -> new Choice(s.tool(), s.minutesFactor(), s.moreRisk(), Said.text(s.how())))
                .orElse(new Choice(j.tool(), 1, 0, Said.of("tool.get"))));
    }

    /// Angle at its rim between the bulging face under a ring and the flat of a tool across it; from the section's sag.
    private Optional<Double> steepness(Joint ring, Instrument map) {
        if (!(ring.hold() instanceof Hold.RetainingRing) || section.isEmpty()) {
            return Optional.empty();
        }
        LensSection lens = section.get();
        boolean front = ring.side() != Side.REAR;
        return map.joints().stream().filter(j -> j.after().contains(ring.id())).flatMap(j -> j.frees().stream()).flatMap(p -> map.part(p).stream())
                .flatMap(p -> map.withContents(p.id()).stream()).flatMap((Part p) -> p.element().stream()).flatMap(e -> lens.element(e).stream())
                .flatMapToInt(e -> front ? IntStream.of(e.firstSurface()) : IntStream.of(e.lastSurface()))
                .mapToObj(s -> front ? slope(lens.surfaces().get(s)) : -slope(lens.surfaces().get(s)))
                .max(Double::compare);
    }

    /// Slope of a face at its clear rim, degrees; positive when it bulges towards the front.
    private static double slope(Surface s) {
        double h = s.semiDiameterMm();
        double step = 1e-3 * h;
        return Math.toDegrees(Math.atan((s.sagMm(h) - s.sagMm(h - step)) / step));
    }
}
