package stillglass.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.care.CareTables;
import stillglass.care.StuckTry;
import stillglass.say.Said;

/// What to try on a joint that will not open, gentlest first, and when to stop. What may be tried on its kind of hold is data; of that whatever
/// would spoil what is near is left out: everything inseparable that a drop, a warm draught or a tap reaches.
///
/// @param rungs in order
/// @param barred tries left out, with what they would hurt
/// @param keepDry joints that are meant to stay and that a drop could creep to
public record StuckLadder(List<Rung> rungs, List<Said> barred, List<Joint> keepDry) {
    private static final double SHORT_WAIT = 5;

    /// @param means agent, or what the try is done with
    /// @param waitMinutes before the next turn of the tool
    /// @param why reason or caution
    public record Rung(StuckTry.Sort how, String means, double waitMinutes, Said why) {}

    public StuckLadder {
        rungs = List.copyOf(rungs);
        barred = List.copyOf(barred);
        keepDry = List.copyOf(keepDry);
    }

    /// @param staying joints that must not come loose: whatever is closed and not on the way
    /// @param open joints that are open
    public static StuckLadder of(Instrument instrument, Joint joint, Set<String> staying, Set<String> open, CareTables care) {
        Set<Part> near = near(instrument, joint, open);
        Set<Material> materials = Inside.materials(near);
        List<Joint> keepDry = staying.stream().sorted().flatMap(id -> instrument.joint(id).stream()).filter(j -> !j.id().equals(joint.id()) && touches(j, near))
                .filter(j -> !(j.hold() instanceof Hold.Seat)).toList();
        boolean glass = near.stream().anyMatch(p -> p.kind() == Part.Kind.GLASS || p.kind() == Part.Kind.MIRROR || p.kind() == Part.Kind.PRISM);
        List<Rung> rungs = new ArrayList<>();
        List<Said> barred = new ArrayList<>();
        for (StuckTry t : care.tries().stream().filter(t -> t.holds().contains(joint.hold().word())).toList()) {
            Optional<Material> spoilt = t.spoils().stream().sorted().filter(materials::contains).findFirst();
            if (spoilt.isPresent()) {
                barred.add(Said.of("stuck.spoils", "try", means(t, joint, care), "material", spoilt.get().word()));
            } else if (glass && !t.nearGlass()) {
                barred.add(Said.of("stuck.glass", "try", means(t, joint, care)));
            } else if (t.how() == StuckTry.Sort.SOLVENT) {
                care.agent(t.means()).ifPresent(a -> solvent(t, a, materials, keepDry).ifPresentOrElse(rungs::add, () -> barred.add(hurts(a, materials))));
            } else {
                rungs.add(new Rung(t.how(), means(t, joint, care), t.waitMinutes(), Said.text(t.why())));
            }
        }
        return new StuckLadder(rungs, barred, keepDry);
    }

    private static String means(StuckTry t, Joint joint, CareTables care) {
        if (t.how() == StuckTry.Sort.SOLVENT) {
            return care.agent(t.means()).map(CareTables.Agent::name).orElse(t.means());
        }
        return t.means().isEmpty() ? joint.tool() : t.means();
    }

    /// The next try.
    /// @param tried how many were tried
    /// @return empty when it is time to stop: force spoils more than it opens
    public Optional<Rung> next(int tried) {
        return tried < rungs.size() ? Optional.of(rungs.get(tried)) : Optional.empty();
    }

    private static Optional<Rung> solvent(StuckTry t, CareTables.Agent agent, Set<Material> materials, List<Joint> keepDry) {
        boolean briefly = false;
        for (Material m : materials) {
            CareTables.Bears bears = agent.bears().getOrDefault(m, CareTables.Bears.NEVER);
            if (bears == CareTables.Bears.NEVER) {
                return Optional.empty();
            }
            briefly |= bears == CareTables.Bears.BRIEFLY;
        }
        Said drop = keepDry.isEmpty() ? Said.of("stuck.drop") : Said.of("stuck.drop.away", "joint", keepDry.getFirst().name());
        Said why = agent.caution().isEmpty() ? drop : Said.of("stuck.drop.caution", "drop", drop, "caution", agent.caution());
        return Optional.of(new Rung(StuckTry.Sort.SOLVENT, agent.name(), briefly ? Math.min(SHORT_WAIT, t.waitMinutes()) : t.waitMinutes(), why));
    }

    private static Said hurts(CareTables.Agent agent, Set<Material> materials) {
        Material m = materials.stream().sorted().filter(x -> agent.bears().getOrDefault(x, CareTables.Bears.NEVER) == CareTables.Bears.NEVER).findFirst().orElseThrow();
        return agent.why().containsKey(m) ? Said.of("stuck.hurts.why", "agent", agent.name(), "material", m.word(), "why", agent.why().get(m))
                : Said.of("stuck.hurts", "agent", agent.name(), "material", m.word());
    }

    /// What a drop or a warm draught on a joint reaches: what it frees, what holds that, and what lies right behind, each with all that is still inside it.
    private static Set<Part> near(Instrument instrument, Joint joint, Set<String> open) {
        Set<String> ids = new LinkedHashSet<>(joint.frees());
        joint.frees().stream().flatMap(p -> instrument.part(p).stream()).flatMap(p -> p.within().stream()).forEach(ids::add);
        instrument.joints().stream().filter(j -> j.after().contains(joint.id()) && !open.contains(j.id())).flatMap(j -> j.frees().stream()).forEach(ids::add);
        Set<Part> out = new LinkedHashSet<>();
        ids.forEach(id -> out.addAll(Inside.of(instrument, id, open)));
        return out;
    }

    /// Whether a joint holds something a drop reaches, or the cell that this lies in.
    private static boolean touches(Joint joint, Set<Part> near) {
        Set<String> ids = near.stream().flatMap(p -> Stream.concat(Stream.of(p.id()), p.within().stream())).collect(Collectors.toSet());
        return joint.frees().stream().anyMatch(ids::contains);
    }
}
