package stillglass.ticket;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.care.AgentLadder;
import stillglass.care.CareTables;
import stillglass.care.Water;
import stillglass.say.Said;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.condition.Place;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.World;

/// What to have at hand before work on a ticket begins, each thing with what it is for: what was found decides, and where nothing was found yet only what every job wants.
///
/// @param items opening first, then cleaning, then closing
public record LayOut(List<Item> items) {
    /// Agents that are laid out for one soil: the ladder rarely goes farther.
    private static final int MOST_AGENTS = 3;

    /// What a thing is for.
    public enum Use {
        OPENING,
        CLEANING,
        CLOSING,
        LOOKING,
        SAFETY
    }

    /// @param what the thing
    /// @param uses what it is for, in a few words each; empty where that goes without saying
    public record Item(Use use, Said what, List<Said> uses) {
        public Item {
            uses = List.copyOf(uses);
        }

        public Said said() {
            return uses.isEmpty() ? what : Said.of("layout.for", "what", what, "uses", uses);
        }
    }

    public LayOut {
        items = List.copyOf(items);
    }

    /// @param ahead joints that will be opened, as far as anybody knows
    public static LayOut of(TicketState state, World world, List<Joint> ahead) {
        List<Item> all = new ArrayList<>();
        Map<String, Set<String>> tools = new LinkedHashMap<>();
        ahead.stream().filter(j -> !j.tool().isEmpty()).forEach(j -> tools.computeIfAbsent(j.tool(), t -> new LinkedHashSet<>()).add(j.name()));
        tools.forEach((tool, joints) -> all.add(new Item(Use.OPENING, Said.text(tool), joints.stream().limit(MOST_AGENTS).map(Said::text).toList())));
        Set<Soiled> soils = soils(state, ahead, world);
        agents(soils, world.care()).forEach((agent, on) -> all.add(new Item(Use.CLEANING, thing(agent),
                on.stream().map(s -> Said.text(world.care().soil(s).map(CareTables.Soil::name).orElse(s))).toList())));
        if (!soils.isEmpty()) {
            all.add(new Item(Use.CLEANING, Said.of("layout.cloths"), List.of(Said.of("layout.cloths.why"))));
        }
        if (threads(state, ahead, world)) {
            all.add(new Item(Use.CLOSING, world.care().greases().isEmpty() ? Said.of("layout.grease") : Said.text(world.care().greases().getFirst()), List.of(Said.of("layout.grease.why"))));
        }
        if (has(soils, "foam")) {
            all.add(new Item(Use.CLOSING, Said.of("layout.foam"), List.of(Said.of("layout.foam.why"))));
        }
        all.add(new Item(Use.LOOKING, Said.of("layout.lamp"), List.of(Said.of("layout.lamp.why"))));
        safety(state, ahead, soils, world.care()).forEach(s -> all.add(new Item(Use.SAFETY, s, List.of())));
        return new LayOut(all);
    }

    /// An agent with the tool that brings it on; one that is its own tool is named once. How the tool is held is told at the act.
    private static Said thing(CareTables.Agent agent) {
        String tool = agent.tool().split(",", 2)[0];
        return tool.isEmpty() ? Said.text(agent.name()) : tool.contains(agent.name()) ? Said.text(tool) : Said.of("layout.with", "agent", agent.name(), "tool", tool);
    }

    /// Something to be cleaned off.
    /// @param soil of the care table
    /// @param on what it sits on
    private record Soiled(String soil, Set<Material> on) {}

    private static boolean has(Set<Soiled> soils, String soil) {
        return soils.stream().anyMatch(s -> s.soil.equals(soil));
    }

    /// What is to be cleaned off, as far as the care table knows of it.
    private static Set<Soiled> soils(TicketState state, List<Joint> ahead, World world) {
        Set<Soiled> all = new LinkedHashSet<>();
        state.glass().findings().stream().filter(k -> !k.doubtful()).forEach(k -> all.add(new Soiled(k.finding().kind().word(), Set.of(Material.COATED_GLASS))));
        state.condition().all(Phase.BEFORE).forEach(f -> soil(f).ifPresent(s -> all.add(new Soiled(s, on(f.place())))));
        if (threads(state, ahead, world)) {
            all.add(new Soiled("old-grease", Set.of(Material.BRASS, Material.ALUMINIUM)));
        }
        Wet.of(state).ifPresent(w -> all.add(new Soiled(w.got().water() == Water.SALT ? "salt" : "moisture", Set.of(Material.STEEL))));
        all.removeIf(s -> world.care().soil(s.soil).isEmpty());
        return all;
    }

    /// What a place is usually made of; where that differs from one to the next it is taken for delicate.
    private static Set<Material> on(Place place) {
        return switch (place) {
            case IRIS, SHUTTER, ESCAPEMENT, SELF_TIMER, SCREWS, SPRINGS -> Set.of(Material.STEEL);
            case CURTAINS, BELLOWS -> Set.of(Material.RUBBERISED_CLOTH);
            case THREAD -> Set.of(Material.BRASS, Material.ALUMINIUM);
            case CONTACTS -> Set.of(Material.PLATED_METAL);
            case MIRROR -> Set.of(Material.SILVERED_MIRROR);
            case COVERING -> Set.of(Material.LEATHER);
            case BARREL, SLOTS, FRONT_RIM, MOUNT, SEALS -> Part.NOT_NOTED;
        };
    }

    private static Optional<String> soil(ConditionEvent.FlawFound f) {
        return Optional.ofNullable(switch (f.flaw()) {
            case WET -> "oil";
            case RUST -> "rust";
            case CORRODED -> f.place() == Place.CONTACTS ? "leakage" : "verdigris";
            case GRIT -> "silt";
            case PERISHED -> f.place() == Place.SEALS ? "foam" : null;
            case DIRTY -> f.place() == Place.MIRROR ? "dust" : "grime";
            case BENT, DENTED, MISSING, LOOSE, WORN, TOOL_MARKS, FLAKED, SCRAPED, TORN, LIFTED -> null;
        });
    }

    /// Agents with the soils they are for, weakest first.
    private static Map<CareTables.Agent, Set<String>> agents(Set<Soiled> soils, CareTables care) {
        Map<String, Set<String>> wanted = new LinkedHashMap<>();
        soils.forEach(s -> AgentLadder.of(care, s.on, care.soil(s.soil).orElseThrow()).rungs().stream().map(r -> r.agent().id()).distinct().limit(MOST_AGENTS)
                .forEach(a -> wanted.computeIfAbsent(a, x -> new LinkedHashSet<>()).add(s.soil)));
        Map<CareTables.Agent, Set<String>> all = new LinkedHashMap<>();
        care.agents().stream().filter(a -> wanted.containsKey(a.id())).forEach(a -> all.put(a, wanted.getOrDefault(a.id(), Set.of())));
        return all;
    }

    /// Whether a thread that takes grease will be opened, or is open.
    private static boolean threads(TicketState state, List<Joint> ahead, World world) {
        return ahead.stream().anyMatch(j -> j.close().greased() || j.frees().stream().flatMap(p -> world.instrument().part(p).stream()).anyMatch(p -> p.kind() == Part.Kind.HELICOID))
                || state.joints().openNow().stream().flatMap(j -> world.instrument().joint(j).stream()).flatMap(j -> j.frees().stream()).flatMap(p -> world.instrument().part(p).stream()).anyMatch(p -> p.kind() == Part.Kind.HELICOID);
    }

    private static List<Said> safety(TicketState state, List<Joint> ahead, Set<Soiled> soils, CareTables care) {
        List<Said> all = new ArrayList<>();
        if (agents(soils, care).keySet().stream().anyMatch(CareTables.Agent::solvent)) {
            all.add(Said.of("layout.gloves"));
        }
        if (has(soils, "fungus")) {
            all.add(Said.of("layout.mask"));
        }
        if (ahead.stream().anyMatch(j -> j.hazards().contains(Joint.Hazard.SPRING)) || state.condition().told().contains(Place.SPRINGS) || has(soils, "leakage")) {
            all.add(Said.of("layout.goggles"));
        }
        return all;
    }
}
