package stillglass.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.care.CareTables;

/// What to try on a joint that will not open, gentlest first, and when to stop. Solvents are those that everything they can reach bears,
/// weakest first, each with its time to creep; warmth and shock only where nothing they would spoil is near.
///
/// @param rungs in order
/// @param barred agents left out, with what they would hurt
/// @param keepDry joints that are meant to stay and that a drop could creep to
public record StuckLadder(List<Rung> rungs, List<String> barred, List<Joint> keepDry) {
    private static final List<String> CREEPING = List.of("isopropanol", "naphtha", "degreaser", "acetone");
    private static final double SHORT_WAIT = 5;
    private static final double LONG_WAIT = 30;

    /// Sorts of try.
    public enum Try {
        /// The exact tool, a hair tighter first, then loose.
        TOOL,
        WARMTH,
        SOLVENT,
        /// Taps on a block of wood.
        SHOCK
    }

    /// @param means agent, or what the try is done with
    /// @param waitMinutes before the next turn of the tool
    /// @param why reason or caution
    public record Rung(Try how, String means, double waitMinutes, String why) {}

    public StuckLadder {
        rungs = List.copyOf(rungs);
        barred = List.copyOf(barred);
        keepDry = List.copyOf(keepDry);
    }

    /// @param staying joints that must not come loose: whatever is closed and not on the way
    public static StuckLadder of(Instrument instrument, Joint joint, Set<String> staying, CareTables care) {
        Set<Part> near = near(instrument, joint);
        Set<Material> materials = near.stream().flatMap(p -> p.materials().stream()).collect(Collectors.toCollection(TreeSet::new));
        List<Joint> keepDry = staying.stream().sorted().flatMap(id -> instrument.joint(id).stream()).filter(j -> !j.id().equals(joint.id()) && touches(j, near))
                .filter(j -> !(j.hold() instanceof Hold.Seat)).toList();
        List<Rung> rungs = new ArrayList<>();
        List<String> barred = new ArrayList<>();
        if (!(joint.hold() instanceof Hold.Glue) && !(joint.hold() instanceof Hold.Hook) && !(joint.hold() instanceof Hold.Seat)) {
            rungs.add(new Rung(Try.TOOL, joint.tool(), 0, "clean its slots first; a hair tighter breaks the film, then loosen"));
        }
        boolean melts = materials.contains(Material.BALSAM) || materials.contains(Material.PLASTIC);
        if (melts) {
            barred.add("warmth: " + (materials.contains(Material.BALSAM) ? "cement" : "plastic") + " is near");
        } else {
            rungs.add(new Rung(Try.WARMTH, "warm air, hand-warm only", SHORT_WAIT, "metals part as they grow; never a flame, nothing wet with solvent"));
        }
        for (String id : CREEPING) {
            care.agent(id).ifPresent(a -> solvent(a, materials, keepDry).ifPresentOrElse(rungs::add, () -> barred.add(a.name() + ": " + hurts(a, materials))));
        }
        boolean brittle = near.stream().anyMatch(p -> p.kind() == Part.Kind.GLASS || p.kind() == Part.Kind.MIRROR || p.kind() == Part.Kind.PRISM);
        if (brittle) {
            barred.add("taps: glass is near");
        } else if (joint.hold() instanceof Hold.Screws || joint.hold() instanceof Hold.Thread || joint.hold() instanceof Hold.Press) {
            rungs.add(new Rung(Try.SHOCK, "light taps on a wood block", 0, "the block on the joint, the instrument in the hand"));
        }
        return new StuckLadder(rungs, barred, keepDry);
    }

    /// The next try.
    /// @param tried how many were tried
    /// @return empty when it is time to stop: force spoils more than it opens
    public Optional<Rung> next(int tried) {
        return tried < rungs.size() ? Optional.of(rungs.get(tried)) : Optional.empty();
    }

    private static Optional<Rung> solvent(CareTables.Agent agent, Set<Material> materials, List<Joint> keepDry) {
        boolean briefly = false;
        for (Material m : materials) {
            CareTables.Bears bears = agent.bears().getOrDefault(m, CareTables.Bears.NEVER);
            if (bears == CareTables.Bears.NEVER) {
                return Optional.empty();
            }
            briefly |= bears == CareTables.Bears.BRIEFLY;
        }
        String only = keepDry.isEmpty() ? "one drop on this joint only" : "one drop on this joint only, away from " + keepDry.getFirst().name();
        return Optional.of(new Rung(Try.SOLVENT, agent.name(), briefly ? SHORT_WAIT : LONG_WAIT / (agent.id().equals("acetone") ? 3 : 2), only + ". " + agent.caution()));
    }

    private static String hurts(CareTables.Agent agent, Set<Material> materials) {
        return materials.stream().filter(m -> agent.bears().getOrDefault(m, CareTables.Bears.NEVER) == CareTables.Bears.NEVER).findFirst()
                .map(m -> m.word() + ", " + agent.why().getOrDefault(m, "not known to bear it")).orElse("");
    }

    /// What a drop or a warm draught on a joint reaches: what it frees, what holds that, and what lies right behind.
    private static Set<Part> near(Instrument instrument, Joint joint) {
        Set<Part> out = joint.frees().stream().flatMap(p -> instrument.part(p).stream()).collect(Collectors.toCollection(java.util.LinkedHashSet::new));
        List<Part> cells = out.stream().flatMap(p -> p.within().flatMap(instrument::part).stream()).toList();
        out.addAll(cells);
        instrument.joints().stream().filter(j -> j.after().contains(joint.id())).flatMap(j -> j.frees().stream()).flatMap(p -> instrument.part(p).stream()).forEach(out::add);
        return out;
    }

    /// Whether a joint holds something a drop reaches, or the cell that this lies in.
    private static boolean touches(Joint joint, Set<Part> near) {
        Set<String> ids = near.stream().flatMap(p -> Stream.concat(Stream.of(p.id()), p.within().stream())).collect(Collectors.toSet());
        return joint.frees().stream().anyMatch(ids::contains);
    }
}
