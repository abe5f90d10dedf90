package stillglass.ticket.story;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.LinkedHashSet;

/// Unchangeable collections with one thing more or less, in their order: what a fold makes its next state from.
public final class Grown {
    private Grown() {}

    public static <T> List<T> by(List<T> list, T more) {
        List<T> out = new ArrayList<>(list);
        out.add(more);
        return Collections.unmodifiableList(out);
    }

    public static <T> Set<T> by(Set<T> set, T more) {
        Set<T> out = new LinkedHashSet<>(set);
        out.add(more);
        return Collections.unmodifiableSet(out);
    }

    /// A key that is there keeps its place.
    public static <K, V> Map<K, V> by(Map<K, V> map, K key, V value) {
        Map<K, V> out = new LinkedHashMap<>(map);
        out.put(key, value);
        return Collections.unmodifiableMap(out);
    }

    public static <T> Set<T> less(Set<T> set, T gone) {
        Set<T> out = new LinkedHashSet<>(set);
        out.remove(gone);
        return Collections.unmodifiableSet(out);
    }

    public static <K, V> Map<K, V> less(Map<K, V> map, K gone) {
        Map<K, V> out = new LinkedHashMap<>(map);
        out.remove(gone);
        return Collections.unmodifiableMap(out);
    }

    /// A set that keeps its order and cannot be changed.
    public static <T> Set<T> kept(Set<T> set) {
        return Collections.unmodifiableSet(new LinkedHashSet<>(set));
    }

    /// A map that keeps its order and cannot be changed.
    public static <K, V> Map<K, V> kept(Map<K, V> map) {
        return Collections.unmodifiableMap(new LinkedHashMap<>(map));
    }
}
