package stillglass.app.theme;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import stillglass.say.Said;
import stillglass.say.Wording;

/// Interface text, from the window's bundle and what book and core say. Patterns are those of ICU's MessageFormat; arguments are numbered from 0.
public final class Words {
    private static final Wording WORDING = Wording.of(Locale.UK, "stillglass.app.words", "stillglass.book.words", Wording.CORE);

    private static final boolean MAC = System.getProperty("os.name", "").startsWith("Mac");

    private Words() {}

    /// @param key as in words.properties
    /// @param values words, numbers or things said
    /// @throws MissingResourceException for a key that is not there
    public static String of(String key, Object... values) {
        Map<String, Object> numbered = new LinkedHashMap<>();
        for (int i = 0; i < values.length; i++) {
            Object v = values[i];
            numbered.put(Integer.toString(i), v instanceof Number || v instanceof Said ? v : String.valueOf(v));
        }
        return forSystem(WORDING.say(new Said(key, numbered)), MAC);
    }

    /// With the command key as it is called on a system.
    static String forSystem(String text, boolean mac) {
        return mac && text.contains("Ctrl") ? text.replace("Ctrl", "Cmd") : text;
    }

    /// What book or core say, worded.
    public static String say(Said said) {
        return WORDING.say(said);
    }

    /// The same as a sentence of its own: its first letter large.
    public static String sentence(Said said) {
        return WORDING.sentence(said);
    }

    /// A number without needless zeros.
    public static String number(double value) {
        return of("number", value);
    }

    /// First letter large.
    public static String capital(String s) {
        return Wording.capital(s);
    }
}
