package stillglass.ticket.line;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// A typed line in tokens.
///
/// A comma between digits without a space is a decimal one; a fraction joins the whole number before it. A hyphen between letters parts words, so that
/// `ring-thread` and `ring thread` are the same.
public final class Line {
    /// Longer lines are no lines.
    public static final int LONGEST = 2000;
    private static final Pattern PIECE = Pattern.compile("(?<clock>\\d{1,2}:\\d\\d)(?!\\d)"
            + "|(?<mixed>\\d+\\s+\\d+/\\d+)(?![\\d/])"
            + "|(?<fraction>\\d+/\\d+)(?![\\d/])"
            + "|(?<thread>[mM]\\d+[.,]\\d+)"
            + "|(?<number>\\d+(?:[.,]\\d+)?|[.,]\\d+)"
            + "|(?<word>\\p{L}[\\p{L}\\p{M}\\p{N}']*)"
            + "|(?<mark>\\S)");
    private static final Pattern HYPHEN = Pattern.compile("(?<=\\p{L})-(?=\\p{L})");
    private static final Map<Character, Double> VULGAR = Map.of('½', 0.5, '¼', 0.25, '¾', 0.75, '⅓', 1 / 3.0, '⅔', 2 / 3.0, '⅛', 0.125);

    private static final int MOST_KNOWN = 5000;
    private static final Map<String, List<String>> KNOWN = new ConcurrentHashMap<>();

    private final String typed;
    private final List<Token> tokens;

    private Line(String typed, List<Token> tokens) {
        this.typed = typed;
        this.tokens = List.copyOf(tokens);
    }

    /// @param typed anything; what lies beyond the longest line is not read
    public static Line of(String typed) {
        String line = typed.length() > LONGEST ? typed.substring(0, LONGEST) : typed;
        String plain = HYPHEN.matcher(line.replace('’', '\'').replace('\u00a0', ' ').replace('_', ' ')).replaceAll(" ");
        List<Token> tokens = new ArrayList<>();
        Matcher m = PIECE.matcher(plain);
        while (m.find()) {
            tokens.add(token(m));
        }
        return new Line(line, tokens);
    }

    private static Token token(Matcher m) {
        String text = m.group().toLowerCase(Locale.ROOT);
        if (m.group("clock") != null) {
            int colon = text.indexOf(':');
            return new Token(Token.Kind.CLOCK, text, Integer.parseInt(text.substring(0, colon)) + Integer.parseInt(text.substring(colon + 1)) / 60.0, m.start(), m.end());
        }
        if (m.group("mixed") != null || m.group("fraction") != null) {
            String[] parts = text.split("[\\s/]+");
            double share = number(parts[parts.length - 2]) / number(parts[parts.length - 1]);
            return new Token(Token.Kind.NUMBER, text, parts.length == 3 ? number(parts[0]) + share : share, m.start(), m.end());
        }
        if (m.group("number") != null) {
            return new Token(Token.Kind.NUMBER, text, number(text.replace(',', '.')), m.start(), m.end());
        }
        Double vulgar = text.length() == 1 ? VULGAR.get(text.charAt(0)) : null;
        if (vulgar != null) {
            return new Token(Token.Kind.NUMBER, text, vulgar, m.start(), m.end());
        }
        double value = m.group("thread") != null ? number(text.substring(1).replace(',', '.')) : Double.NaN;
        return new Token(m.group("mark") != null ? Token.Kind.MARK : Token.Kind.WORD, text, value, m.start(), m.end());
    }

    private static double number(String digits) {
        return Double.parseDouble(digits);
    }

    int size() {
        return tokens.size();
    }

    Token at(int i) {
        return tokens.get(i);
    }

    /// What was typed from one token up to another.
    String typed(int from, int to) {
        return from >= to ? "" : typed.substring(tokens.get(from).from(), tokens.get(to - 1).to());
    }

    /// Words of a name as they stand in a line. A grammar asks for the same ones over and over, so they are kept.
    static List<String> words(String name) {
        if (KNOWN.size() > MOST_KNOWN) {
            KNOWN.clear();
        }
        return KNOWN.computeIfAbsent(name, n -> of(n).tokens.stream().map(Token::text).toList());
    }
}
