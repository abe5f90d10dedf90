package stillglass.care;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.Material;

/// What the bench knows of agents, materials and soils. Data, read from one documented file.
///
/// @param agents weakest first
/// @param soils by name
/// @param tries on a joint that will not open, gentlest first
public record CareTables(List<Agent> agents, List<Soil> soils, List<StuckTry> tries) {

    /// Whether a material stands an agent.
    public enum Bears {
        FINE,
        BRIEFLY,
        NEVER
    }

    /// @param bears what each material does under it; a material not named is not known to bear it
    /// @param why the reason where it is not fine
    /// @param caution shown where the act is
    /// @param minutes time of one pass, soak included
    public record Agent(
            String id,
            String name,
            Map<Material, Bears> bears,
            Map<Material, String> why,
            String caution,
            double minutes,
            boolean solvent) {
        public Agent {
            bears = Map.copyOf(bears);
            why = Map.copyOf(why);
        }
    }

    /// Something to be removed, and the chance that each agent removes it.
    public record Soil(String id, String name, Map<String, Double> removedBy) {
        public Soil {
            removedBy = Map.copyOf(removedBy);
        }
    }

    public CareTables {
        agents = List.copyOf(agents);
        soils = List.copyOf(soils);
        tries = List.copyOf(tries);
        for (StuckTry t : tries) {
            if (t.how() == StuckTry.Sort.SOLVENT && agents.stream().noneMatch(a -> a.id().equals(t.means()))) {
                throw new IllegalArgumentException("a try names the agent " + t.means() + ", which is not listed");
            }
        }
        for (Soil s : soils) {
            for (String agent : s.removedBy().keySet()) {
                if (agents.stream().noneMatch(a -> a.id().equals(agent))) {
                    throw new IllegalArgumentException("soil " + s.id() + " names the agent " + agent + ", which is not listed");
                }
            }
        }
    }

    public Optional<Soil> soil(String id) {
        return soils.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    public Optional<Agent> agent(String id) {
        return agents.stream().filter(a -> a.id().equals(id)).findFirst();
    }
}
