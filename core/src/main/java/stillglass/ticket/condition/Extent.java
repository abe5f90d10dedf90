package stillglass.ticket.condition;

import java.util.List;
import java.util.Locale;
import stillglass.say.Said;

/// How far a flaw has gone. What each means for each flaw is written out ([Flaw#at]), so that two technicians mean the same.
public enum Extent {
    /// It was there, or was looked for, and is not there now.
    NONE("none", "gone", "no longer"),
    TRACE("trace", "a trace", "traces", "faint"),
    SLIGHT("slight", "slightly", "light", "some"),
    MARKED("marked", "clearly", "clear", "moderate"),
    SEVERE("severe", "severely", "heavy", "heavily", "badly", "bad");

    private final List<String> words;

    Extent(String... words) {
        this.words = List.of(words);
    }

    /// What a technician may call it.
    public List<String> words() {
        return words;
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public Said said() {
        return Said.of("extent." + word());
    }

    /// The same of a fault in glass, where the first means that it is not worth a word.
    public Said ofGlass() {
        return this == NONE ? Said.of("extent.trifle") : said();
    }
}
