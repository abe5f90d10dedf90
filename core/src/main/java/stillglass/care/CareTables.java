package stillglass.care;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Material;
import stillglass.care.knack.Knacks;

/// What the bench knows of agents, materials and soils. Data, read from one documented file.
///
/// @param agents weakest first
/// @param soils by name
/// @param tries on a joint that will not open, gentlest first
/// @param outcomes what became of it on this bench
/// @param school in which order agents are tried
/// @param greases laid on this bench, the last one first
/// @param lacking agents there are none of on this bench, by id
/// @param knacks what a hand should know at an act, and what this shop need not be told again
public record CareTables(List<Agent> agents, List<Soil> soils, List<StuckTry> tries, CareOutcomes outcomes, School school, List<String> greases, Set<String> lacking, Knacks knacks) {
    /// In which order agents are tried. Benches disagree: some never pass over a weaker agent, since each step up can hurt; others go at once for what is likely to do it, since every pass with
    /// the wrong one is a pass of rubbing.
    public enum School {
        LEAST_EFFORT,
        GENTLEST_FIRST;

        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /// As shipped: nothing was tried here yet.
    public CareTables(List<Agent> agents, List<Soil> soils, List<StuckTry> tries) {
        this(agents, soils, tries, CareOutcomes.NONE, School.LEAST_EFFORT, List.of(), Set.of(), Knacks.NONE);
    }

    /// The same as this bench knows and wants it.
    public CareTables taught(CareOutcomes tried, School wanted, List<String> laid) {
        return new CareTables(agents, soils, tries, tried, wanted, laid, lacking, knacks);
    }

    /// The same without agents there are none of.
    public CareTables without(Set<String> none) {
        return new CareTables(agents, soils, tries, outcomes, school, greases, none, knacks);
    }

    /// The same with habits of the hand.
    public CareTables with(Knacks habits) {
        return new CareTables(agents, soils, tries, outcomes, school, greases, lacking, habits);
    }

    /// The same where only passes were tried.
    public CareTables taught(CareOutcomes tried, School wanted) {
        return taught(tried, wanted, greases);
    }

    /// Chance that one pass of an agent takes a soil: that of the table, moved by what became of it here.
    public double removes(Soil soil, Agent agent) {
        return outcomes.chance(soil.id(), agent.id(), soil.removedBy().getOrDefault(agent.id(), 0.0));
    }

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
    /// @param solvent whether it is flammable or its vapour harms
    /// @param tank whether it may go into an ultrasonic tank
    /// @param tool what it is brought on with; empty where nobody wrote it
    /// @param how a pass is done; empty where nobody wrote it
    public record Agent(
            String id,
            String name,
            Map<Material, Bears> bears,
            Map<Material, String> why,
            String caution,
            double minutes,
            boolean solvent,
            boolean tank,
            String tool,
            String how) {
        public Agent(String id, String name, Map<Material, Bears> bears, Map<Material, String> why, String caution, double minutes, boolean solvent) {
            this(id, name, bears, why, caution, minutes, solvent, false, "", "");
        }

        public Agent {
            bears = Map.copyOf(bears);
            why = Map.copyOf(why);
        }
    }

    /// Something to be removed, and the chance that a pass of each agent removes it.
    /// @param why what it is and why these agents take it; empty where nobody wrote it
    /// @param caution shown before it is touched, empty for none
    public record Soil(String id, String name, Map<String, Double> removedBy, String why, String caution) {
        public Soil(String id, String name, Map<String, Double> removedBy) {
            this(id, name, removedBy, "", "");
        }

        public Soil {
            removedBy = Map.copyOf(removedBy);
        }
    }

    public CareTables {
        agents = List.copyOf(agents);
        soils = List.copyOf(soils);
        tries = List.copyOf(tries);
        greases = List.copyOf(greases);
        lacking = Set.copyOf(lacking);
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
