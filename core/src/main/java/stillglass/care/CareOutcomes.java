package stillglass.care;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;

/// What became of soils under agents on this bench, pass by pass.
///
/// The chance of the table is a beta prior worth [#PRIOR] passes; passes done here are added to it (beta-binomial), so that a dozen of them weigh more than the table and one hardly moves it.
///
/// @param counts passes by soil and agent
public record CareOutcomes(Map<Pair, Count> counts) {
    /// Nothing was tried here.
    public static final CareOutcomes NONE = new CareOutcomes(Map.of());
    /// Passes that the chance of the table is worth.
    public static final double PRIOR = 6;

    /// A soil under an agent.
    public record Pair(String soil, String agent) {}

    /// One pass of an agent on a soil.
    public record Pass(String soil, String agent, boolean gone) {}

    /// @param gone passes after which it was gone
    /// @param passes all of them
    public record Count(int gone, int passes) {
        public Count {
            if (gone < 0 || passes < gone) {
                throw new IllegalArgumentException(gone + " of " + passes + " passes cannot be");
            }
        }

        Count and(Count more) {
            return new Count(gone + more.gone, passes + more.passes);
        }
    }

    public CareOutcomes {
        counts = Map.copyOf(counts);
    }

    /// Counted from passes in any order.
    public static CareOutcomes of(Collection<Pass> passes) {
        Map<Pair, Count> all = new LinkedHashMap<>();
        passes.forEach(p -> all.merge(new Pair(p.soil, p.agent), new Count(p.gone ? 1 : 0, 1), Count::and));
        return new CareOutcomes(all);
    }

    /// How often it was tried here.
    public Count of(String soil, String agent) {
        return counts.getOrDefault(new Pair(soil, agent), new Count(0, 0));
    }

    /// @param table chance of the table, 0 to 1; 0 and 1 are taken for nearly so once something was tried
    /// @return mean of what is known now
    public double chance(String soil, String agent, double table) {
        Count c = of(soil, agent);
        return c.passes == 0 ? table : (PRIOR * table + c.gone) / (PRIOR + c.passes);
    }
}
