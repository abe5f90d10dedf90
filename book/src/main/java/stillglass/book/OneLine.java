package stillglass.book;

import java.util.regex.Pattern;

/// Text from outside as one line that shows what it says: no line breaks, nothing that moves a cursor or turns the order of what follows, not endless.
public final class OneLine {
    private static final int MOST = 900;
    /// Controls, line and paragraph separators, and marks that embed, override or isolate a direction of writing.
    private static final Pattern UNSEEN = Pattern.compile("[\\p{Cc}\\u2028\\u2029\\u202A-\\u202E\\u2066-\\u2069\\uFEFF\\uFFFE\\uFFFF]+");

    private OneLine() {}

    /// A message, cut where it gets too long.
    public static String of(String message) {
        String line = clean(message);
        return line.length() <= MOST ? line : line.substring(0, Character.isHighSurrogate(line.charAt(MOST - 1)) ? MOST - 1 : MOST) + " …";
    }

    /// A name or a note as it can be shown, set and sent on. Half of a character is none.
    public static String clean(String text) {
        String seen = UNSEEN.matcher(text).find() ? UNSEEN.matcher(text).replaceAll(" ").strip() : text;
        return seen.chars().anyMatch(c -> Character.isSurrogate((char) c))
                ? seen.replaceAll("[\\uD800-\\uDBFF](?![\\uDC00-\\uDFFF])|(?<![\\uD800-\\uDBFF])[\\uDC00-\\uDFFF]", "\uFFFD") : seen;
    }
}
