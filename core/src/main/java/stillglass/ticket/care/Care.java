package stillglass.ticket.care;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import stillglass.assembly.Instrument;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.care.Cavities;
import stillglass.care.Route;
import stillglass.care.seals.Channel;
import stillglass.plan.Inside;
import stillglass.plan.Routed;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.condition.Place;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Grown;
import stillglass.ticket.story.World;

/// What was cleaned, and the clocks that run. Immutable.
///
/// @param cleaned in order
/// @param harmed what was done to parts that should not have been, in order
/// @param timers by their names
/// @param madeOf what parts are made of, where somebody said so; of one face under [#face]
/// @param flushed what was flushed in place, in order
/// @param cavities of something wet that are still shut, by name
/// @param channels of light seals, by name
/// @param foam pieces there are
/// @param ultraviolet light given, in order
/// @param running threads that are run in, by their joints
/// @param routes ways of parts through cleaning, where somebody said
/// @param weighed what it weighed while it dried, in order
public record Care(List<CareEvent.PartCleaned> cleaned, List<CareEvent.PartHarmed> harmed, Map<String, CareEvent.TimerSet> timers, Map<String, Set<Material>> madeOf, List<CareEvent.Flushed> flushed, List<CareEvent.Weighed> weighed, Map<String, CareEvent.CavityNamed> cavities, Map<String, Channel> channels, List<CareEvent.FoamThere> foam, List<CareEvent.Ultraviolet> ultraviolet, Map<String, Running> running, Map<String, CareEvent.RouteSaid> routes) {
    private static final int MOST_CHANNELS = 30;
    private static final int MOST_FOAM = 12;
    private static final int MOST_CAVITIES = 30;
    /// Nothing was cleaned, nothing is waited for.
    public static final Care NONE = new Care(List.of(), List.of(), Map.of(), Map.of(), List.of(), List.of(), Map.of(), Map.of(), List.of(), List.of(), Map.of(), Map.of());

    public Care {
        cleaned = List.copyOf(cleaned);
        harmed = List.copyOf(harmed);
        timers = Grown.kept(timers);
        madeOf = Grown.kept(madeOf);
        flushed = List.copyOf(flushed);
        weighed = List.copyOf(weighed);
        cavities = Grown.kept(cavities);
        channels = Grown.kept(channels);
        foam = List.copyOf(foam);
        ultraviolet = List.copyOf(ultraviolet);
        running = Grown.kept(running);
        routes = Grown.kept(routes);
    }

    /// The state after one more event.
    public Care after(CareEvent happened) {
        return switch (happened) {
            case CareEvent.PartCleaned e -> new Care(Grown.by(cleaned, e), harmed, timers, madeOf, flushed, weighed, cavities, channels, foam, ultraviolet, running, routes);
            case CareEvent.PartHarmed e -> new Care(cleaned, Grown.by(harmed, e), timers, madeOf, flushed, weighed, cavities, channels, foam, ultraviolet, running, routes);
            case CareEvent.TimerSet e -> new Care(cleaned, harmed, Grown.by(timers, e.timer(), e), madeOf, flushed, weighed, cavities, channels, foam, ultraviolet, running, routes);
            case CareEvent.TimerCleared e -> new Care(cleaned, harmed, Grown.less(timers, e.timer()), madeOf, flushed, weighed, cavities, channels, foam, ultraviolet, running, routes);
            case CareEvent.MadeOf e -> new Care(cleaned, harmed, timers, Grown.by(madeOf, e.face().map(f -> face(e.part(), f)).orElse(e.part()), Set.copyOf(e.materials())), flushed, weighed, cavities, channels, foam, ultraviolet, running, routes);
            case CareEvent.Flushed e -> new Care(cleaned, harmed, timers, madeOf, Grown.by(flushed, e), weighed, cavities, channels, foam, ultraviolet, running, routes);
            case CareEvent.Weighed e -> new Care(cleaned, harmed, timers, madeOf, flushed, Grown.by(weighed, e), cavities, channels, foam, ultraviolet, running, routes);
            case CareEvent.CavityNamed e -> new Care(cleaned, harmed, timers, madeOf, flushed, weighed, Grown.by(cavities, key(e.cavity().name()), e), channels, foam, ultraviolet, running, routes);
            case CareEvent.CavityOpened e -> new Care(cleaned, harmed, timers, madeOf, flushed, weighed, Grown.less(cavities, key(e.name())), channels, foam, ultraviolet, running, routes);
            case CareEvent.ChannelMeasured e -> new Care(cleaned, harmed, timers, madeOf, flushed, weighed, cavities, Grown.by(channels, e.channel().id(), e.channel()), foam, ultraviolet, running, routes);
            case CareEvent.FoamThere e -> new Care(cleaned, harmed, timers, madeOf, flushed, weighed, cavities, channels, Grown.by(foam, e), ultraviolet, running, routes);
            case CareEvent.Ultraviolet e -> new Care(cleaned, harmed, timers, madeOf, flushed, weighed, cavities, channels, foam, Grown.by(ultraviolet, e), running, routes);
            case CareEvent.RouteSaid e -> new Care(cleaned, harmed, timers, madeOf, flushed, weighed, cavities, channels, foam, ultraviolet, running, Grown.by(routes, e.part(), e));
            case CareEvent.RanIn e -> running(e.joint(), running(e.joint()).judged(e));
            case CareEvent.GreaseChanged e -> running(e.joint(), running(e.joint()).changed(e));
            case CareEvent.TorqueWanted e -> running(e.joint(), running(e.joint()).wanting(e.band()));
        };
    }

    private Care running(String joint, Running now) {
        return new Care(cleaned, harmed, timers, madeOf, flushed, weighed, cavities, channels, foam, ultraviolet, Grown.by(running, joint, now), routes);
    }

    /// The same after a thread was greased: what was judged and changed before is over, what is wanted stays.
    public Care greasedAnew(String joint) {
        return running.containsKey(joint) ? running(joint, running(joint).anew()) : this;
    }

    /// How far a thread is run in.
    public Running running(String joint) {
        return running.getOrDefault(joint, Running.NONE);
    }

    /// Decides an intent: an event, or a refusal that says what to do instead.
    public Decision decide(CareIntent intent, World world) {
        return switch (intent) {
            case CareEvent.PartCleaned c -> clean(c, world);
            case CareEvent.PartHarmed h -> world.instrument().part(h.part()).isEmpty() ? Decision.refused("part.none", "part", h.part()) : h.what().isBlank() ? Decision.refused("words.none")
                    : h.agent().filter(a -> world.care().agent(a).isEmpty()).map(a -> noAgent(a, world)).orElse(Decision.accepted(h));
            case CareEvent.MadeOf m -> world.instrument().part(m.part()).isEmpty() ? Decision.refused("part.none", "part", m.part()) : m.materials().isEmpty() ? Decision.refused("made.none") : Decision.accepted(m);
            case CareEvent.Flushed f -> world.care().agent(f.agent()).isEmpty() ? noAgent(f.agent(), world) : f.place().has(Flaw.WET) && Place.of(world.instrument().sort()).contains(f.place()) ? Decision.accepted(f)
                    : Decision.refused("flush.not-there", "place", f.place().said());
            case CareEvent.Weighed w -> weighed.isEmpty() || w.at().isAfter(weighed.getLast().at()) ? Decision.accepted(w) : Decision.refused("weighed.before");
            case CareEvent.CavityNamed c -> named(c);
            case CareEvent.CavityOpened o -> cavities.containsKey(key(o.name())) ? Decision.accepted(o) : Decision.refused("cavity.none", "cavity", o.name());
            case CareEvent.ChannelMeasured m -> channels.size() < MOST_CHANNELS || channels.containsKey(m.channel().id()) ? Decision.accepted(m) : Decision.refused("channel.many", "most", MOST_CHANNELS);
            case CareEvent.Ultraviolet u -> Decision.accepted(u);
            case CareEvent.RouteSaid r -> route(r, world);
            case CareEvent.RanIn r -> ofThread(r.joint(), world, r);
            case CareEvent.GreaseChanged g -> ofThread(g.joint(), world, g);
            case CareEvent.TorqueWanted t -> ofThread(t.joint(), world, t);
            case CareEvent.FoamThere f -> foam.size() < MOST_FOAM ? Decision.accepted(f) : Decision.refused("foam.many", "most", MOST_FOAM);
            case CareEvent.TimerSet t -> t.timer().isBlank() ? Decision.refused("timer.what") : Decision.accepted(t);
            case CareEvent.TimerCleared t -> timers.containsKey(t.timer()) ? Decision.accepted(t) : Decision.refused("timer.none");
        };
    }

    /// What bears no bath goes into none, whoever says so.
    private Decision route(CareEvent.RouteSaid r, World world) {
        Optional<Part> part = world.instrument().part(r.part());
        if (part.isEmpty()) {
            return Decision.refused("part.none", "part", r.part());
        }
        List<Part> whole = Inside.of(world.instrument(), r.part(), Set.of());
        Routed usual = Routed.of(part.get(), whole, Inside.materials(whole, this::made), false, world.care());
        boolean known = whole.stream().allMatch(p -> told(p) || !p.notNoted());
        boolean bath = r.route() == Route.TIN || r.route() == Route.TANK;
        return bath && known && usual.route() == Route.NEVER_WET ? Decision.refused("route.never", "part", part.get().name(), "why", usual.why()) : Decision.accepted(r);
    }

    private static Decision ofThread(String joint, World world, CareEvent event) {
        return world.instrument().joint(joint).isPresent() ? Decision.accepted(event) : Decision.refused("joint.none", "joint", joint);
    }

    private static String key(String cavity) {
        return cavity.strip().toLowerCase(Locale.ROOT);
    }

    private Decision named(CareEvent.CavityNamed c) {
        if (cavities.size() >= MOST_CAVITIES && !cavities.containsKey(key(c.cavity().name()))) {
            return Decision.refused("cavity.many", "most", MOST_CAVITIES);
        }
        try {
            Cavities.of(Grown.by(cavities, key(c.cavity().name()), c).values().stream().map(CareEvent.CavityNamed::cavity).toList());
            return Decision.accepted(c);
        } catch (IllegalArgumentException circle) {
            return Decision.refused("cavity.circle", "cavity", c.cavity().name());
        }
    }

    /// In which order those that are shut are opened; nothing where none is.
    public Optional<Cavities> nextCavity() {
        return cavities.isEmpty() ? Optional.empty() : Optional.of(Cavities.of(cavities.values().stream().map(CareEvent.CavityNamed::cavity).toList()));
    }

    private static Decision clean(CareEvent.PartCleaned c, World world) {
        if (world.instrument().part(c.part()).isEmpty()) {
            return Decision.refused("part.none", "part", c.part());
        }
        if (world.care().agent(c.agent()).isEmpty()) {
            return noAgent(c.agent(), world);
        }
        return world.care().soil(c.soil()).isEmpty() ? Decision.refused("soil.none", "soil", c.soil(), "soils", world.care().soils().stream().map(s -> s.name()).toList())
                : Decision.accepted(c);
    }

    private static Decision noAgent(String agent, World world) {
        return Decision.refused("agent.none", "agent", agent, "agents", world.care().agents().stream().map(a -> a.name()).toList());
    }

    /// Passes of a soil on a part, in order.
    /// @param face of it; empty for all of it
    public List<CareEvent.PartCleaned> passes(String part, String soil, Optional<CareEvent.Face> face) {
        return cleaned.stream().filter(c -> c.part().equals(part) && c.soil().equals(soil) && c.face().equals(face)).toList();
    }

    /// Under which what one face is made of is kept.
    static String face(String part, CareEvent.Face face) {
        return part + " / " + face.word();
    }

    /// What one face is made of, where somebody said.
    public Optional<Set<Material>> made(String part, CareEvent.Face face) {
        return Optional.ofNullable(madeOf.get(face(part, face)));
    }

    /// What a part is made of, both faces included: as somebody said, else as the model says; empty where nobody knows.
    public Set<Material> made(Part part) {
        List<Set<Material>> faces = Arrays.stream(CareEvent.Face.values()).flatMap(f -> made(part.id(), f).stream()).toList();
        Set<Material> whole = madeOf.getOrDefault(part.id(), faces.size() == CareEvent.Face.values().length ? Set.of() : part.materials());
        return faces.isEmpty() ? whole : Stream.concat(faces.stream(), Stream.of(whole)).flatMap(Set::stream).collect(Collectors.toUnmodifiableSet());
    }

    /// Whether somebody has said what a part, or both of its faces, are made of.
    public boolean told(Part part) {
        return madeOf.containsKey(part.id()) || Arrays.stream(CareEvent.Face.values()).allMatch(f -> made(part.id(), f).isPresent());
    }

    /// What cannot be taken out of a part as the work stands, and what all of it is made of: as somebody said, else as the model says, else anything.
    /// @param open joints that are open
    public Set<Material> materials(Instrument instrument, String part, Set<String> open) {
        return Inside.materials(Inside.of(instrument, part, open), this::made);
    }
}
