package stillglass.care;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Material;
import stillglass.say.Said;

/// The agents to try on a part, weakest first, allowed for *all* that is inseparable on it.
///
/// @param rungs agents that may be tried, in order
/// @param barred agents that would have helped but would hurt, with the reason
/// @param chance that the soil is gone at the top rung
public record AgentLadder(List<Rung> rungs, List<Barred> barred, double chance) {

    /// @param briefly a quick pass only; the reason says why
    public record Rung(CareTables.Agent agent, double removes, boolean briefly, Said reason) {}

    public record Barred(CareTables.Agent agent, Material material, Said reason) {}

    public AgentLadder {
        rungs = List.copyOf(rungs);
        barred = List.copyOf(barred);
    }

    public static AgentLadder of(CareTables tables, Set<Material> materials, CareTables.Soil soil) {
        List<Rung> rungs = new ArrayList<>();
        List<Barred> barred = new ArrayList<>();
        double still = 1;
        for (CareTables.Agent agent : tables.agents()) {
            double removes = soil.removedBy().getOrDefault(agent.id(), 0.0);
            if (removes <= 0) {
                continue;
            }
            CareTables.Bears worst = CareTables.Bears.FINE;
            Material weakest = materials.stream().sorted().findFirst().orElse(Material.COATED_GLASS);
            for (Material m : materials.stream().sorted().toList()) {
                CareTables.Bears bears = agent.bears().getOrDefault(m, CareTables.Bears.NEVER);
                if (bears.compareTo(worst) > 0) {
                    worst = bears;
                    weakest = m;
                }
            }
            Said why = Optional.ofNullable(agent.why().get(weakest)).map(Said::text).orElse(Said.of("care.unknown"));
            switch (worst) {
                case FINE -> rungs.add(new Rung(agent, removes, false, Said.of("care.fine")));
                case BRIEFLY -> rungs.add(new Rung(agent, removes, true, Said.of("care.briefly", "material", weakest.word(), "why", why)));
                case NEVER -> barred.add(new Barred(agent, weakest, why));
            }
            if (worst != CareTables.Bears.NEVER) {
                still *= 1 - removes;
            }
        }
        return new AgentLadder(rungs, barred, 1 - still);
    }
}
