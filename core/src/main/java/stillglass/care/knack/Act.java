package stillglass.care.knack;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/// What the hands are about to do.
public enum Act {
    OPEN,
    CLEAN,
    FLUSH,
    GREASE,
    CLOSE;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<Act> ofWord(String word) {
        return Arrays.stream(values()).filter(a -> a.word().equals(word)).findFirst();
    }
}
