package stillglass.book;

import java.util.Locale;
import stillglass.say.Wording;

/// What the book says, with what the core says.
public final class BookWords {
    private static final Wording WORDING = Wording.of(Locale.UK, "stillglass.book.words", Wording.CORE);

    private BookWords() {}

    public static Wording wording() {
        return WORDING;
    }
}
