package stillglass.care;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/// The greases and agents of the shop, and how much of them went.
///
/// @param all in the order they were said
public record Goods(List<Good> all) {
    public static final Goods NONE = new Goods(List.of());
    private static final int MOST = 200;
    private static final double MG_A_GRAM = 1000;

    public Goods {
        all = List.copyOf(all);
        if (all.size() > MOST) {
            throw new IllegalArgumentException("more than " + MOST + " goods: take out those that are used up");
        }
        if (all.stream().map(g -> g.called().toLowerCase(Locale.ROOT)).distinct().count() < all.size()) {
            throw new IllegalArgumentException("two goods go by one name: tell them apart by their batch");
        }
    }

    /// One use of something on a ticket.
    /// @param called its name, batch included
    /// @param mg laid, where it was weighed; empty for what was not, and for agents
    public record Use(String called, Optional<Double> mg) {}

    /// What became of a good.
    /// @param uses how often it was used
    /// @param grams laid and weighed; at least, where [#unweighed] is above nothing
    /// @param unweighed how often it was laid and nobody weighed it
    public record Went(Good good, int uses, double grams, int unweighed) {
        /// What is left of it as a share, at most; empty where nobody said how much there was, and for agents, which nobody measures.
        public Optional<Double> left() {
            return good.grease() ? good.amount().map(a -> Math.max(0, 1 - grams / a)) : Optional.empty();
        }
    }

    /// @throws IllegalArgumentException naming the line that cannot be read
    public static Goods parse(String text) {
        return new Goods(text.lines().filter(l -> !l.isBlank()).map(Good::parse).toList());
    }

    /// What can be read of lines that somebody else may have written; the rest is left out.
    public static Goods readable(String text) {
        Goods all = NONE;
        for (String line : text.lines().filter(l -> !l.isBlank()).limit(MOST).toList()) {
            try {
                all = all.with(Good.parse(line));
            } catch (IllegalArgumentException notRead) {
                // Not of this program: nothing it says can be used.
                continue;
            }
        }
        return all;
    }

    public String text() {
        return all.stream().map(Good::line).collect(Collectors.joining("\n"));
    }

    /// The same with one more; one of that name is said anew.
    public Goods with(Good good) {
        List<Good> now = new ArrayList<>(without(good.called()).all);
        now.add(good);
        return new Goods(now);
    }

    public Goods without(String called) {
        return new Goods(all.stream().filter(g -> !g.called().equalsIgnoreCase(called)).toList());
    }

    /// What a use of that name is a use of: the good of just that name, before one whose batch nobody said.
    public Optional<Good> of(String used) {
        return all.stream().filter(g -> g.is(used)).max((a, b) -> Boolean.compare(a.batch().isPresent(), b.batch().isPresent()));
    }

    public List<Went> went(List<Use> uses) {
        return all.stream().map(g -> {
            List<Use> of = uses.stream().filter(u -> of(u.called()).filter(g::equals).isPresent()).toList();
            double mg = of.stream().flatMap(u -> u.mg.stream()).mapToDouble(m -> m).sum();
            return new Went(g, of.size(), mg / MG_A_GRAM, g.grease() ? (int) of.stream().filter(u -> u.mg.isEmpty()).count() : 0);
        }).toList();
    }

    /// What one use cost; empty where it was not weighed, or nobody said what all of it cost.
    public Optional<Double> cost(Use use) {
        return use.mg.flatMap(mg -> of(use.called).flatMap(Good::unitCost).map(c -> c * mg / MG_A_GRAM));
    }
}
