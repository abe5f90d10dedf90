package stillglass.ticket.line;

/// A piece of a line.
/// @param text in lower case; of a mark the character
/// @param value of a number, or hours of a clock position; not a number for the rest
/// @param from index of its first character in the line
/// @param to index behind its last
record Token(Kind kind, String text, double value, int from, int to) {
    enum Kind {
        WORD,
        NUMBER,
        /// Hours and minutes with a colon.
        CLOCK,
        MARK
    }

    boolean is(String word) {
        return kind != Kind.NUMBER && text.equals(word);
    }

    boolean separates() {
        return kind == Kind.MARK && (text.equals(",") || text.equals(";") || text.equals("·"));
    }
}
