package stillglass.care.knack;

import java.util.Set;

/// One habit of the trade, told where its act is.
///
/// @param id short and stable: what a shop knows is remembered by it
/// @param act when it is told
/// @param on what must be in hand, all of it; never empty
/// @param what is to be done, a sentence or two
/// @param why what goes wrong otherwise, a sentence
public record Knack(String id, Act act, Set<Trait> on, String what, String why) {
    public Knack {
        on = Set.copyOf(on);
        if (on.isEmpty()) {
            throw new IllegalArgumentException("knack " + id + " fits everything: say on what it is told");
        }
    }
}
