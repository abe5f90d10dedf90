package stillglass.app.theme;

import java.util.Locale;
import java.util.MissingResourceException;
import java.util.ResourceBundle;

/// Interface text, from one bundle. Patterns are those of [String#format].
public final class Words {
    private static final ResourceBundle BUNDLE = ResourceBundle.getBundle("stillglass.app.words", Locale.ROOT);

    private Words() {}

    /// @param key as in words.properties
    /// @throws MissingResourceException for a key that is not there
    public static String of(String key, Object... values) {
        String text = BUNDLE.getString(key);
        return values.length == 0 ? text : String.format(Locale.ROOT, text, values);
    }

    /// "1 part", "3 parts": picks `key.one` or `key.many`.
    public static String count(String key, int n) {
        return of(n == 1 ? key + ".one" : key + ".many", n);
    }

    /// First letter large.
    public static String capital(String s) {
        return s.isEmpty() ? s : Character.toUpperCase(s.charAt(0)) + s.substring(1);
    }
}
