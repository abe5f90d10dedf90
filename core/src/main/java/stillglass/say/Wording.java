package stillglass.say;

import com.ibm.icu.text.ListFormatter;
import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.util.ULocale;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;

/// Makes sentences of what is to be said, from resource bundles with the patterns of ICU's MessageFormat.
///
/// A list without words between is set with commas. Safe for use by several threads.
public final class Wording {
    /// The bundle of everything the core says.
    public static final String CORE = "stillglass.say.core";
    static final String AND = "and";
    static final String OR = "or";
    static final String COMMAS = ",";
    static final String DOTS = "·";

    private final ULocale locale;
    private final List<ResourceBundle> bundles;
    private final Map<String, Pattern> patterns = new ConcurrentHashMap<>();

    /// A pattern read once, with the arguments it names.
    private record Pattern(MessageFormat format, Set<String> names) {
        String with(Map<String, Object> values) {
            synchronized (format) {
                return format.format(values, new StringBuffer(), null).toString();
            }
        }
    }

    private Wording(Locale language, List<String> names) {
        locale = ULocale.forLocale(language);
        bundles = names.stream().map(n -> ResourceBundle.getBundle(n, language, ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES))).toList();
    }

    /// @param bundles names of resource bundles, the first that has a key counts
    public static Wording of(Locale language, String... bundles) {
        return new Wording(language, List.of(bundles));
    }

    /// What the core says, in British English.
    public static Wording core() {
        return Core.ENGLISH;
    }

    private static final class Core {
        static final Wording ENGLISH = of(Locale.UK, CORE);
    }

    /// @throws MissingResourceException when no bundle has the key
    /// @throws IllegalArgumentException when the pattern names an argument that is not given
    public String say(Said said) {
        if (said.itself()) {
            return said.words();
        }
        if (said.with().get("all") instanceof List<?> all && Set.of(AND, OR, COMMAS, DOTS).contains(said.key())) {
            return joined(said.key(), all.stream().map(this::worded).map(String::valueOf).toList());
        }
        Pattern pattern = patterns.computeIfAbsent(said.key(), this::pattern);
        Map<String, Object> values = new HashMap<>();
        said.with().forEach((name, value) -> values.put(name, worded(value)));
        if (!values.keySet().containsAll(pattern.names)) {
            Set<String> missing = new TreeSet<>(pattern.names);
            missing.removeAll(values.keySet());
            throw new IllegalArgumentException("\"" + said.key() + "\" lacks " + String.join(", ", missing));
        }
        return pattern.with(values);
    }

    /// The same as a sentence of its own: its first letter large.
    public String sentence(Said said) {
        return capital(say(said));
    }

    /// First letter large.
    public static String capital(String s) {
        return s.isEmpty() ? s : s.substring(0, s.offsetByCodePoints(0, 1)).toUpperCase(Locale.ROOT) + s.substring(s.offsetByCodePoints(0, 1));
    }

    /// Whether there is a pattern of that key.
    public boolean has(String key) {
        return text(key).isPresent();
    }

    /// Arguments a pattern names.
    /// @throws MissingResourceException when no bundle has the key
    public Set<String> names(String key) {
        return Set.copyOf(patterns.computeIfAbsent(key, this::pattern).names);
    }

    private Object worded(Object value) {
        return switch (value) {
            case Said s -> say(s);
            case List<?> l -> joined(COMMAS, l.stream().map(v -> String.valueOf(worded(v))).toList());
            default -> value;
        };
    }

    private String joined(String how, List<String> all) {
        return switch (how) {
            case COMMAS -> String.join(", ", all);
            case DOTS -> String.join(" · ", all);
            default -> ListFormatter.getInstance(locale, how.equals(AND) ? ListFormatter.Type.AND : ListFormatter.Type.OR, ListFormatter.Width.WIDE).format(all);
        };
    }

    private Optional<String> text(String key) {
        return bundles.stream().filter(b -> b.containsKey(key)).findFirst().map(b -> b.getString(key));
    }

    private Pattern pattern(String key) {
        String text = text(key).orElseThrow(() -> new MissingResourceException("no words for \"" + key + "\"", Wording.class.getName(), key));
        try {
            MessageFormat format = new MessageFormat(text, locale);
            return new Pattern(format, Set.copyOf(format.getArgumentNames()));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("the words of \"" + key + "\" are no pattern: " + text, e);
        }
    }
}
