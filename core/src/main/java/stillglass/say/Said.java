package stillglass.say;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/// Something to be said, not worded yet.
///
/// @param key of the pattern in a bundle; empty for words that stand for themselves, such as a name somebody typed
/// @param with arguments by their names in the pattern: words, numbers, other things said, or lists of these
public record Said(String key, Map<String, Object> with) {
    private static final String ITSELF = "text";

    public Said {
        Map<String, Object> checked = new LinkedHashMap<>();
        with.forEach((name, value) -> checked.put(name, checked(name, value)));
        with = Collections.unmodifiableMap(checked);
    }

    private static Object checked(String name, Object value) {
        return switch (value) {
            case String s -> s;
            case Number n -> n;
            case Said s -> s;
            case List<?> l -> l.stream().map(v -> checked(name, v)).toList();
            default -> throw new IllegalArgumentException("\"" + name + "\" is said with a " + value.getClass().getSimpleName() + ": give words, a number, something said, or a list");
        };
    }

    /// @param with names and values in turn
    public static Said of(String key, Object... with) {
        if (with.length % 2 != 0) {
            throw new IllegalArgumentException("\"" + key + "\" has a name without a value");
        }
        Map<String, Object> named = new LinkedHashMap<>();
        for (int i = 0; i < with.length; i += 2) {
            named.put((String) with[i], with[i + 1]);
        }
        return new Said(key, named);
    }

    /// Words that stand for themselves.
    public static Said text(String words) {
        return of("", ITSELF, words);
    }

    /// One after another, with an "and" before the last.
    /// @param all words or things said
    public static Said and(List<?> all) {
        return of(Wording.AND, "all", new ArrayList<Object>(all));
    }

    /// One of them, with an "or" before the last.
    public static Said or(List<?> all) {
        return of(Wording.OR, "all", new ArrayList<Object>(all));
    }

    /// One after another with commas.
    public static Said commas(List<?> all) {
        return of(Wording.COMMAS, "all", new ArrayList<Object>(all));
    }

    /// One beside another with middle dots.
    public static Said dots(List<?> all) {
        return of(Wording.DOTS, "all", new ArrayList<Object>(all));
    }

    /// The argument of that name as a number.
    /// @throws IllegalArgumentException when there is none
    public double number(String name) {
        if (with.get(name) instanceof Number n) {
            return n.doubleValue();
        }
        throw new IllegalArgumentException("\"" + key + "\" has no number " + name);
    }

    boolean itself() {
        return key.isEmpty();
    }

    String words() {
        return String.valueOf(with.get(ITSELF));
    }
}
