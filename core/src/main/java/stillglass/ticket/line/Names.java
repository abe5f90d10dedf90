package stillglass.ticket.line;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/// Things that can be named in a line. The longest name that fits wins, so that "front cell set screws" is never taken for "front cell".
///
/// @param <T> what the names stand for
public final class Names<T> {
    private final Map<List<String>, Set<T>> byWords = new LinkedHashMap<>();
    private int longest;

    /// What a name stands for: one thing when it is plain, more when it is not.
    /// @param words how many words of the line it takes
    public record Match<T>(List<T> things, int words) {
        public Match {
            things = List.copyOf(things);
        }

        public boolean plain() {
            return things.size() == 1;
        }
    }

    /// Adds a name; one without words is passed over.
    public void add(String name, T thing) {
        List<String> words = Line.words(name);
        if (!words.isEmpty()) {
            byWords.computeIfAbsent(words, w -> new LinkedHashSet<>()).add(thing);
            longest = Math.max(longest, words.size());
        }
    }

    /// Looks for the longest name that begins at a place of the line. The word "the" before it does not matter.
    /// @return an empty match when none does
    public Match<T> at(Cursor c) {
        int start = c.mark();
        int article = start < c.size() && c.token(start).is("the") ? 1 : 0;
        for (int skip = 0; skip <= article; skip++) {
            Match<T> found = from(c, start + skip, skip);
            if (!found.things.isEmpty()) {
                return found;
            }
        }
        return new Match<>(List.of(), 0);
    }

    private Match<T> from(Cursor c, int start, int skipped) {
        List<String> words = new ArrayList<>();
        Match<T> best = new Match<>(List.of(), 0);
        for (int i = start; i < c.size() && words.size() < longest && !c.token(i).separates(); i++) {
            words.add(c.token(i).text());
            Set<T> things = byWords.get(words);
            if (things != null) {
                best = new Match<>(List.copyOf(things), i + 1 - start + skipped);
            }
        }
        return best;
    }

    /// Takes the longest name that begins here.
    public Match<T> take(Cursor c) {
        Match<T> found = at(c);
        c.reset(c.mark() + found.words());
        return found;
    }

    /// Takes a name only where it fills the clause.
    public Match<T> takeClause(Cursor c) {
        int start = c.mark();
        Match<T> found = take(c);
        if (!found.things.isEmpty() && c.clauseEnds()) {
            return found;
        }
        c.reset(start);
        return new Match<>(List.of(), 0);
    }
}
