package stillglass.app.desk;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.look.Progress;
import stillglass.plan.Tooling;
import stillglass.plan.WayIn;
import stillglass.ticket.story.World;

/// The tools of the shop beside those a map asks for.
///
/// @param map the instrument with the tools its map names
/// @param tooling what is really taken
public record Toolbox(Instrument map, Tooling tooling) {
    /// @param world as the map has it
    static Toolbox of(Set<String> lacking, World world) {
        Instrument map = world.instrument();
        // A body is tried with a lens that is not taken apart.
        return new Toolbox(map, new Tooling(lacking, map.sort() == Instrument.Sort.BODY ? Optional.empty() : world.section()));
    }

    /// The same world with the tools that are really taken.
    World fitted(World world) {
        return new World(tooling.fitted(map), world.section(), world.care(), world.builds(), world.seen());
    }

    /// Everything the map asks for, in the order of the alphabet.
    public List<String> asked() {
        return map.joints().stream().map(Joint::tool).distinct().sorted().toList();
    }

    /// Joints a tool is asked for by.
    public long uses(String tool) {
        return map.joints().stream().filter(j -> j.tool().equals(tool)).count();
    }

    public boolean has(String tool) {
        return !tooling.lacking().contains(tool);
    }

    /// What is taken instead of the map's tool at a joint, and why; empty where the map's is.
    public Optional<Tooling.Lack> instead(String joint) {
        return map.joint(joint).flatMap(j -> tooling.lack(j, map));
    }

    /// The best way that needs no tool the shop lacks, where there is one.
    Optional<WayIn.Plan> plan(WayIn.Request request, Progress watch) {
        return tooling.plan(map, request, watch);
    }

    /// What stands in for a tool that is not there, wherever it is asked for.
    public Optional<String> standIn(String tool) {
        return map.joints().stream().filter(j -> j.tool().equals(tool)).findFirst().flatMap(j -> tooling.lack(j, map)).flatMap(Tooling.Lack::instead);
    }

    /// Tools the shop lacks, as they are remembered: one on a line.
    static Set<String> lacking(String remembered) {
        return Set.copyOf(remembered.lines().filter(l -> !l.isBlank()).toList());
    }
}
