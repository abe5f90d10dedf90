package stillglass.book.log;

/// A row this version of the program cannot read. The message is the end of a sentence: what the row is.
final class Unreadable extends RuntimeException {
    Unreadable(String what) {
        super(what);
    }

    Unreadable(String what, Throwable cause) {
        super(what, cause);
    }
}
