package stillglass.care.knack;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/// All habits of the table, and those this shop need not be told again.
///
/// @param all as the table has them
/// @param known by id
public record Knacks(List<Knack> all, Set<String> known) {
    public static final Knacks NONE = new Knacks(List.of(), Set.of());

    public Knacks {
        all = List.copyOf(all);
        known = Set.copyOf(known);
        Set<String> ids = new HashSet<>();
        for (Knack k : all) {
            if (!ids.add(k.id())) {
                throw new IllegalArgumentException("two knacks are called " + k.id());
            }
        }
    }

    /// The same in a shop that need not be told these again.
    public Knacks knowing(Set<String> ids) {
        return new Knacks(all, ids);
    }

    /// What fits what is in hand and is not known yet: what asks for most of it first, for it is meant for just this; else as the table has it.
    public List<Knack> at(Act act, Set<Trait> inHand) {
        return all.stream().filter(k -> k.act() == act && inHand.containsAll(k.on()) && !known.contains(k.id())).sorted(Comparator.comparingInt((Knack k) -> -k.on().size())).toList();
    }
}
