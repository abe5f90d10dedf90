package stillglass.book.log;

import java.util.Arrays;
import java.util.stream.Collectors;

/// What somebody types to find a ticket, as a full-text query: every word begins some word of it.
final class SearchWords {
    private static final int MOST_WORDS = 12;

    private SearchWords() {}

    /// @return empty when there is no word in it
    static String query(String typed) {
        return Arrays.stream(typed.split("[^\\p{L}\\p{M}\\p{N}]+")).filter(w -> !w.isEmpty()).limit(MOST_WORDS).map(w -> "\"" + w + "\"*").collect(Collectors.joining(" "));
    }
}
