package stillglass.care;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Material;
import stillglass.say.Said;

/// The agents to try on a part, in the order of the shop's school, allowed for *all* that is inseparable on it.
///
/// By least effort: of all sets of passes, each agent once or twice, that reach the wanted chance (or the highest there is), the one with the least expected minutes until it is gone. A sequence ends with the pass that
/// succeeds, so its expected minutes are Σ cᵢ·Π(1 − pⱼ) over the passes before; exchanging two neighbours shows that any set is cheapest in rising order of cᵢ/pᵢ (Smith's rule), which leaves the sets to be tried one by one.
///
/// @param rungs passes in order; an agent may come twice
/// @param spare agents that may be tried as well, weakest first, but are not worth it
/// @param lacking agents that would be tried if there were any on this bench
/// @param barred agents that would have helped but would hurt, with the reason
/// @param chance that the soil is gone at the last rung
/// @param minutes expected until it is gone, or the last rung was tried
public record AgentLadder(List<Rung> rungs, List<Rung> spare, List<Rung> lacking, List<Barred> barred, double chance, double minutes) {
    /// Chance that the passes of a ladder reach together where any do.
    public static final double WANTED = 0.95;
    /// What an agent left the first time is half as likely to go the second time: the easy part is gone.
    private static final double SECOND = 0.5;
    /// What the care of a brief pass costs, minutes.
    private static final double BRIEF = 4;
    private static final int MOST_PASSES = 16;

    /// A pass.
    /// @param removes chance that it takes what is still there
    /// @param briefly a quick pass only; the reason says why
    /// @param pass first or second with this agent
    public record Rung(CareTables.Agent agent, double removes, boolean briefly, Said reason, int pass) {
        double cost() {
            return agent.minutes() + (briefly ? BRIEF : 0);
        }
    }

    public record Barred(CareTables.Agent agent, Material material, Said reason) {}

    public AgentLadder {
        rungs = List.copyOf(rungs);
        spare = List.copyOf(spare);
        lacking = List.copyOf(lacking);
        barred = List.copyOf(barred);
    }

    /// In the order of the shop's school.
    public static AgentLadder of(CareTables tables, Set<Material> materials, CareTables.Soil soil) {
        List<Rung> all = new ArrayList<>();
        List<Rung> lacking = new ArrayList<>();
        List<Barred> barred = new ArrayList<>();
        for (CareTables.Agent agent : tables.agents()) {
            double removes = tables.removes(soil, agent);
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
            List<Rung> into = tables.lacking().contains(agent.id()) ? lacking : all;
            switch (worst) {
                case FINE -> into.add(new Rung(agent, removes, false, Said.of("care.fine"), 1));
                case BRIEFLY -> into.add(new Rung(agent, removes, true, Said.of("care.briefly", "material", weakest.word(), "why", why), 1));
                case NEVER -> barred.add(new Barred(agent, weakest, why));
            }
        }
        List<Rung> order = switch (tables.school()) {
            case GENTLEST_FIRST -> all;
            case LEAST_EFFORT -> cheapest(all);
        };
        Set<String> used = new HashSet<>(order.stream().map(r -> r.agent.id()).toList());
        return new AgentLadder(order, all.stream().filter(r -> !used.contains(r.agent.id())).toList(), lacking, barred, chance(order), minutes(order));
    }

    /// That the soil is gone after some passes.
    public static double chance(List<Rung> passes) {
        return 1 - passes.stream().mapToDouble(r -> 1 - r.removes).reduce(1, (a, b) -> a * b);
    }

    /// Expected minutes of some passes in their order, the care of brief ones included.
    public static double minutes(List<Rung> passes) {
        double still = 1;
        double sum = 0;
        for (Rung r : passes) {
            sum += still * r.cost();
            still *= 1 - r.removes;
        }
        return sum;
    }

    private static List<Rung> cheapest(List<Rung> agents) {
        List<Rung> passes = new ArrayList<>(agents);
        agents.forEach(r -> passes.add(new Rung(r.agent, r.removes * SECOND, r.briefly, r.reason, 2)));
        // With very many agents the worst bargains are left out beforehand.
        passes.sort(Comparator.comparingDouble((Rung r) -> r.cost() / r.removes));
        List<Rung> kept = passes.subList(0, Math.min(MOST_PASSES, passes.size()));
        double wanted = Math.min(WANTED, chance(kept));
        List<Rung> best = List.copyOf(kept);
        double least = Double.POSITIVE_INFINITY;
        for (int set = 0; set < 1 << kept.size(); set++) {
            double still = 1;
            double sum = 0;
            for (int i = 0; i < kept.size() && sum < least; i++) {
                if ((set >> i & 1) == 1) {
                    sum += still * kept.get(i).cost();
                    still *= 1 - kept.get(i).removes;
                }
            }
            if (sum < least && 1 - still >= wanted - 1e-12) {
                least = sum;
                best = chosen(kept, set);
            }
        }
        return best;
    }

    private static List<Rung> chosen(List<Rung> passes, int set) {
        List<Rung> some = new ArrayList<>();
        for (int i = 0; i < passes.size(); i++) {
            if ((set >> i & 1) == 1) {
                some.add(passes.get(i));
            }
        }
        return some;
    }
}
